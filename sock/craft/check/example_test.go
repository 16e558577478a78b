package check_test

import (
	"fmt"

	"acornstep/sock/craft/check"
	"acornstep/sock/craft/knit"
	"acornstep/sock/papers/design"
)

// A plan is believed when its rows can be knitted and its numbers follow from them.
func ExamplePlan() {
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
	fmt.Println(len(check.Plan(p)))
	p.Summary.FootRounds = 64
	fmt.Println(check.Plan(p)[0])
	// Output:
	// 0
	// summary: foot_rounds says 64, the rows give 65
}
