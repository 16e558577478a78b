package words

import (
	"regexp"
	"strconv"
	"strings"
	"testing"

	"pgregory.net/rapid"

	"acornstep/sock/rows/needle"
)

var repeated = regexp.MustCompile(`\*([^;]*); rep from \* (\d+ times in all|to the end)`)

// unfold writes a folded row out again, given the number of operations it had.
func unfold(text string, operations int) string {
	return repeated.ReplaceAllStringFunc(text, func(part string) string {
		found := repeated.FindStringSubmatch(part)
		times, err := strconv.Atoi(strings.TrimSuffix(found[2], " times in all"))
		if err != nil {
			times = operations / len(strings.Split(found[1], ", "))
		}
		return strings.TrimSuffix(strings.Repeat(found[1]+", ", times), ", ")
	})
}

// What is folded says the same row as what is not.
func TestFoldedRowsUnfoldToThemselves(t *testing.T) {
	codes := []needle.Code{needle.K, needle.P, needle.Sl, needle.YO, needle.K2tog, needle.Kfb}
	rapid.Check(t, func(t *rapid.T) {
		unit := rapid.SliceOfN(rapid.Custom(func(t *rapid.T) needle.Op {
			return needle.Op{Code: rapid.SampledFrom(codes).Draw(t, "code"), N: rapid.IntRange(1, 3).Draw(t, "n")}
		}), 1, 5).Draw(t, "unit")
		var ops []needle.Op
		for range rapid.IntRange(1, 6).Draw(t, "times") {
			ops = append(ops, unit...)
		}
		if rapid.Bool().Draw(t, "with an edge") {
			ops = append([]needle.Op{{Code: needle.K, N: 9}}, append(ops, needle.Op{Code: needle.P, N: 9})...)
		}
		var plainly Sentence
		for _, o := range ops {
			plainly = append(plainly, Do{Op: o})
		}
		plain := plainly.Words(needle.RS, false)
		folded := folded(ops, true, func(o needle.Op) Do { return Do{Op: o} }).Words(needle.RS, false)
		if got := unfold(folded, len(ops)); got != plain {
			t.Fatalf("%s\nfolded to %s\nand out again to %s", plain, folded, got)
		}
		if len(folded) > len(plain)+len(" rep from * 99 times in all**;") {
			t.Fatalf("%s is longer than %s", folded, plain)
		}
	})
}
