package shape

import (
	"fmt"

	"acornstep/sock/figures/measure"
	"acornstep/sock/rows/knitted"
)

// Colours are those of the loops: of the yarn of their row, and where the sock's
// own yarn stripes by itself, of the place of its repeat at which they lie along
// the yarn. Repeat are the lengths of its colours, from where the sock begins, each the yarn of a stitch.
func Colours(t *knitted.Sock, repeat []measure.Length, each measure.Length) []string {
	list := make([]string, len(t.Loops))
	var all, gone measure.Length
	for _, long := range repeat {
		all += long
	}
	for i := range list {
		list[i] = t.Colour(int32(i))
		if list[i] != "" || all <= 0 {
			continue
		}
		list[i] = repeated(repeat, gone)
		if gone += each; gone >= all {
			gone -= all
		}
	}
	return list
}

// repeated names the colour at a length into a repeat: the first is the sock's own.
func repeated(repeat []measure.Length, at measure.Length) string {
	for i, long := range repeat {
		if at < long {
			if i == 0 {
				return ""
			}
			return fmt.Sprintf("repeat-%d", i)
		}
		at -= long
	}
	return ""
}

// parted divides a run where its colour changes; the loop at the change belongs to both parts, so that no gap is left.
func parted(run []int32, colours []string) [][]int32 {
	var list [][]int32
	first := 0
	for k := 1; k < len(run); k++ {
		if colours[run[k]] != colours[run[k-1]] {
			list = append(list, run[first:k+1])
			first = k
		}
	}
	if first < len(run)-1 {
		list = append(list, run[first:])
	}
	return list
}
