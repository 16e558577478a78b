package instructions

import (
	"fmt"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"acornstep/sock/craft/knit"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/knitted"
	"acornstep/sock/said/words"
)

func made(t require.TestingT, fields string) (*plan.Plan, *knitted.Sock) {
	d, err := design.Read(fmt.Appendf(nil, `{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44}%s}`, fields))
	require.NoError(t, err)
	p, err := knit.Make(d)
	require.NoError(t, err)
	if p.Stopped() != nil {
		return nil, nil
	}
	traced, err := knitted.Of(p.Rows)
	require.NoError(t, err)
	return p, traced
}

// readBack holds instructions against the rows that they were written from.
func readBack(p *plan.Plan, text string) error {
	rows, err := Read(text, Needles(p.Rows))
	if err != nil {
		return err
	}
	if len(rows) != len(p.Rows) {
		return fmt.Errorf("%d rows were read, the plan has %d", len(rows), len(p.Rows))
	}
	return words.Literally(p, rows)
}

// Whatever the sock and however its needles lie: the repeats turn back into every row, and so do rows one by one.
func TestInstructionsReadBackIntoRows(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		pick := func(name string, from ...string) string { return rapid.SampledFrom(from).Draw(t, name) }
		p, traced := made(t, fmt.Sprintf(`,"stitches":%d,"toe":{"kind":%q,"increase":%q},"heel":{"kind":%q,"turn":%q,"share":%s},"corner":{"method":%q},"bind_off":%q,"needles":%q,"leg":{"height_mm":%d,"pattern":%q,"instep_pattern":%q},"cuff":{"pattern":%q},"yarn":{"contrast":[%s]}`,
			4*rapid.IntRange(12, 19).Draw(t, "stitches"),
			pick("toe", design.Registered("toe.kind")...), pick("increase", "kfb", "kfb_mirrored", "m1"),
			pick("heel", design.Registered("heel.kind")...),
			pick("turn", design.Registered("heel.turn")...), pick("share", "0.5", "0.6"),
			pick("corner", design.Registered("corner.method")...), pick("bind-off", design.Registered("bind_off")...),
			pick("needles", "magic_loop", "two_circulars", "dpn4", "dpn5", "short_circular"), rapid.IntRange(90, 150).Draw(t, "leg"),
			pick("pattern", "stockinette", "rib_2x2", "dew_lace", "seed_stitch", "broken_rib"),
			pick("instep", "stockinette", "rib_2x2"), pick("cuff", "rib_1x1", "rib_2x2"), pick("contrast", "", `"heel"`, `"toe","heel"`)))
		if p == nil {
			t.Skip("stopped")
		}
		for _, every := range []bool{false, true} {
			sections := Of(p, traced, every)
			if err := readBack(p, Text(sections)); err != nil {
				t.Fatalf("every row %v: %v\n%s", every, err, Text(sections))
			}
			next := 0
			for k := range sections {
				for _, item := range sections[k].Items {
					if item.First != next || item.Last < item.First {
						t.Fatalf("%q is about rows %d to %d, row %d comes", item.Label, item.First, item.Last, next)
					}
					next = item.Last + 1
				}
			}
			if next != len(p.Rows) {
				t.Fatalf("%d of %d rows are said", next, len(p.Rows))
			}
		}
	})
}

// The default sock is said in few lines, and as a knitter would.
func TestTheDefaultSock(t *testing.T) {
	p, traced := made(t, "")
	text := Text(Of(p, traced, false))
	assert.Less(t, strings.Count(text, "\n"), 60, text)
	for _, line := range []string{
		"Round 2: on each needle: k1, kfb, knit to the last 2, kfb, k1.",
		"Round 3: knit all round.",
		"Rounds 2 and 3, 8 times more (to round 19). – 68 stitches",
		"ds, purl to the double stitch, turn.",
	} {
		assert.Contains(t, text, line)
	}
}

// What cannot be is refused with its line.
// Short rows on several needles differ only in where they turn, so that a heel is said in repeats there as well.
func TestHeelsRepeatOnSeveralNeedles(t *testing.T) {
	for _, needles := range []string{"dpn4", "dpn5"} {
		p, traced := made(t, fmt.Sprintf(`,"stitches":68,"heel":{"kind":"short_row"},"needles":%q`, needles))
		text := Text(Of(p, traced, false))
		heel, _, found := strings.Cut(text[strings.Index(text, "HEEL"):], "LEG")
		require.True(t, found, text)
		require.Regexp(t, `Rows \d+ and \d+, \d+ times more`, heel, needles)
		require.NoError(t, readBack(p, text))
	}
}

func TestWrongInstructionsAreNamed(t *testing.T) {
	for _, c := range []struct{ text, says string }{
		{"Round 1: knit all round.", "no section was begun"},
		{"TOE\nknit on and on", "it says nothing"},
		{"TOE\nRound 1: knit all round.\nRounds 1 and 2, 3 times more (to round 8).", "was not said before"},
		{"TOE\nRound 1: k1.\nRound 2: k1.\nRounds 1 and 2, 3 times more (to round 9).", "do not lead to row 9"},
		{"TOE\nRounds 5 to 2: k1.", "rows 5 to 2 are none"},
	} {
		_, err := Read(c.text, func(int) int { return 2 })
		assert.ErrorContains(t, err, c.says, c.text)
	}
}

func FuzzRead(f *testing.F) {
	p, traced := made(f, "")
	f.Add(Text(Of(p, traced, false)))
	f.Add("HEEL\nRow 1 (RS): needle 2 (sole): k2, turn.\nRows 1 and 2, once more (to row 4).")
	f.Fuzz(func(t *testing.T, text string) {
		rows, err := Read(text, Needles(p.Rows))
		if err != nil {
			return
		}
		_ = words.Literally(p, rows[:min(len(rows), len(p.Rows))])
	})
}
