package fingers_test

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
	"acornstep/sock/rows/fingers"
	"acornstep/sock/rows/knitted"
	"acornstep/sock/rows/needle"
)

func planOf(t require.TestingT, more string) *plan.Plan {
	d, err := design.Read([]byte(`{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44}` + more + `}`))
	require.NoError(t, err)
	p, err := knit.Make(d)
	require.NoError(t, err)
	return p
}

// found are the groups after each row of the heel, or toe, that has any.
func found(t require.TestingT, p *plan.Plan, section needle.Section) []string {
	traced, err := knitted.Of(p.Rows)
	require.NoError(t, err)
	c := fingers.New(p.Summary.HeelStitches)
	var list []string
	for i := range p.Rows {
		s := traced.Before(i + 1)
		if g, some := c.After(&p.Rows[i], s.Snapshot, s.Sole); some && p.Rows[i].Section == section {
			list = append(list, strings.TrimPrefix(p.Rows[i].ID, string(section)+"-")+": "+strings.Trim(fmt.Sprint(g.List()), "[]"))
		}
	}
	return list
}

// The default heel, 34 stitches over 11 · 12 · 11: first each double stitch waits that is there, and the stitch just turned on is none
// yet; after the full round what lies beyond the gaps.
func TestTheDoubleStitchesOfTheDefaultHeel(t *testing.T) {
	list := found(t, planOf(t, ""), needle.Heel)
	assert.Equal(t, []string{"2: 1 33 0", "3: 1 32 1", "4: 2 31 1", "5: 2 30 2"}, list[:4])
	assert.Contains(t, list, "22: 11 13 10", "the next row begins with the eleventh on the right")
	assert.Contains(t, list, "23: 0 23 11", "the row that runs on is told with the right side in front")
	assert.Contains(t, list, "24: 0 34 0", "the full round")
	at := 0
	for i, text := range list {
		if strings.HasPrefix(text, "26:") {
			at = i
		}
	}
	assert.Equal(t, []string{"26: 0 24 10", "27: 10 14 10", "28: 10 15 9", "29: 9 16 9"}, list[at:at+4])
}

// A row that runs on to the start of the round, inside a wide heel, has a gap on either side of it.
func TestBothEdgesOfAWideHeelStillWait(t *testing.T) {
	list := found(t, planOf(t, `,"stitches":40,"heel":{"turn":"yarn_over","share":0.6,"fabric":"garter"}`), needle.Heel)
	assert.Equal(t, "32: 1 22 1", list[len(list)-1])
}

// Before a flap at the back nothing widens: a row resolves one side, and the double stitches of the other are all there.
func TestTheRowsThatOnlyResolve(t *testing.T) {
	list := found(t, planOf(t, `,"heel":{"kind":"gusset_turn"}`), needle.Heel)
	assert.Contains(t, list, "23: 11 23 0")
}

func TestWrapsPinsPairsAndGaps(t *testing.T) {
	for _, turn := range []string{"wrap", "yarn_over", "pinned", "lift"} {
		list := found(t, planOf(t, `,"heel":{"turn":"`+turn+`"}`), needle.Heel)
		assert.Equal(t, []string{"2: 0 33 1", "3: 1 32 1", "4: 1 31 2"}, list[:3], turn)
		first := ""
		for i, text := range list {
			if strings.HasSuffix(text, ": 11 12 11") {
				first = list[i+1]
			}
		}
		assert.True(t, strings.HasSuffix(first, ": 11 13 10"), "%s: the first row back says %s", turn, first)
	}
}

// Whatever the style and the width, the groups come to the stitches of the heel, and while it narrows both sides are alike after every
// second row.
func TestGroupsComeToTheHeel(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		turn := rapid.SampledFrom(design.Registered("heel.turn")).Draw(t, "turn")
		share := rapid.SampledFrom([]string{"0.5", "0.6", "0.7"}).Draw(t, "share")
		between := rapid.SampledFrom([]string{"0", "1", "2"}).Draw(t, "between")
		toe := rapid.SampledFrom([]string{"wedge", "short_row"}).Draw(t, "toe")
		p := planOf(t, fmt.Sprintf(`,"toe":{"kind":%q},"heel":{"turn":%q,"share":%s,"rounds_between":%s}`, toe, turn, share, between))
		for _, section := range []needle.Section{needle.Toe, needle.Heel} {
			want := p.Summary.HeelStitches
			if section == needle.Toe {
				want = p.Summary.CastOnStitches
			}
			for _, text := range found(t, p, section) {
				var row, left, middle, right int
				if _, err := fmt.Sscanf(text, "%d: %d %d %d", &row, &left, &middle, &right); err != nil || left < 0 || middle < 0 ||
					right < 0 || left+middle+right != want {
					t.Fatalf("%s of %d stitches: %s", section, want, text)
				}
			}
		}
	})
}
