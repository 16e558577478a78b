package knit_test

import (
	"fmt"

	"acornstep/sock/craft/knit"
	"acornstep/sock/papers/design"
	"acornstep/sock/rows/knitted"
	"acornstep/sock/said/words"
)

// A design needs little more than a foot and a gauge; every row follows.
func ExampleMake() {
	d, err := design.Read([]byte(`{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236},
		"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44}}`))
	if err != nil {
		fmt.Println(err)
		return
	}
	p, err := knit.Make(d)
	if err != nil {
		fmt.Println(err)
		return
	}
	traced, err := knitted.Of(p.Rows)
	if err != nil {
		fmt.Println(err)
		return
	}
	said := words.Rows(traced, &p.Design)
	for _, i := range []int{0, 2} {
		fmt.Printf("%s: %s (%d stitches)\n", p.Rows[i].ID, said[i].Sentence(false), p.Rows[i].Stitches)
	}
	fmt.Println(p.Summary.FootRounds, "rounds to the heel")
	// Output:
	// cast_on-1: cast on 32: 16 on needle 1 (instep), 16 on needle 2 (sole) (32 stitches)
	// toe-2: needle 1 (instep): k1, kfb, k12, kfb, k1; needle 2 (sole): k1, kfb, k12, kfb, k1 (36 stitches)
	// 65 rounds to the heel
}

// Choosing a technique says what has to be worked out anew with it.
func ExampleChoose() {
	fmt.Println(knit.Choose("heel.turn", "wrap"))
	// Output: map[heel.first_row:<nil> heel.rounds_between:<nil> heel.turn:wrap]
}
