package needle_test

import (
	"fmt"

	"acornstep/sock/rows/needle"
)

// The needles refuse what no hand can do, and say why.
func ExampleMachine_Work() {
	var m needle.Machine
	rows := []needle.Row{
		{ID: "cast_on-1", Section: needle.CastOn, N: 1, Kind: needle.FlatRow, Side: needle.RS, Ops: needle.Ops{{Code: needle.CO, N: 8}},
			Stitches: 8},
		{ID: "toe-1", Section: needle.Toe, N: 1, Kind: needle.Round, Side: needle.RS, Ops: needle.Ops{{Code: needle.K, N: 8}},
			Stitches: 8},
		{ID: "toe-2", Section: needle.Toe, N: 2, Kind: needle.Round, Side: needle.RS,
			Ops: needle.Ops{{Code: needle.K, N: 7}, {Code: needle.Kds, N: 1}}, Stitches: 8},
	}
	for i := range rows {
		fmt.Println(m.Work(&rows[i]), m.Count())
	}
	// Output:
	// <nil> 8
	// <nil> 8
	// toe-2, op 2: kds needs a double stitch, found a plain loop 8
}
