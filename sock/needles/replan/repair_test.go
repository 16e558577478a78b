package replan

import (
	"fmt"
	"regexp"
	"strconv"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/knitted"
	"acornstep/sock/rows/needle"
)

// Any count that disagrees has a likely cause and a repair in whole sentences, the right count has none.
func TestEveryWrongCountHasACauseAndARepair(t *testing.T) {
	plans := []*plan.Plan{
		planOf(t, ""), planOf(t, `,"heel":{"kind":"flap_under"}`), planOf(t, `,"heel":{"kind":"gusset_turn","turn":"wrap"}`),
		planOf(t, `,"toe":{"kind":"short_row"},"heel":{"turn":"pinned"}`),
		planOf(t, `,"toe":{"kind":"garter_square"},"heel":{"turn":"lift"}`),
	}
	rapid.Check(t, func(t *rapid.T) {
		p := rapid.SampledFrom(plans).Draw(t, "sock")
		row := rapid.IntRange(1, len(p.Rows)).Draw(t, "row")
		off := rapid.IntRange(-8, 8).Draw(t, "off")
		causes, err := CountIsWrong(p, tracedOf(t, p), row, p.Rows[row-1].Stitches+off)
		if err != nil {
			t.Fatal(err)
		}
		if (len(causes) == 0) != (off == 0) {
			t.Fatalf("%d causes for a count that is off by %d after %s", len(causes), off, p.Rows[row-1].ID)
		}
		flap := p.Summary.FlapRows != nil
		for _, c := range causes {
			if flap && strings.Contains(c.Text+c.Repair, "double stitch") {
				t.Fatalf("%s: there is no double stitch in a sock with a flap: %s", p.Rows[row-1].ID, c.Text)
			}
		}
		seen := map[string]bool{}
		for _, c := range causes {
			if !strings.HasSuffix(c.Text, ".") || !strings.HasSuffix(c.Repair, ".") || strings.Contains(c.Text+c.Repair, "%!") {
				t.Fatalf("%q: %q", c.Text, c.Repair)
			}
			if seen[c.Text] {
				t.Fatalf("%q is said twice", c.Text)
			}
			seen[c.Text] = true
		}
	})
}

// Where increases went before, a count that is short by all of them is the increase round knitted plain: that is
// said first, with the row to rip to.
func TestAMissedIncreaseRoundIsSaidFirst(t *testing.T) {
	p := planOf(t, "")
	for i := range p.Rows {
		row := &p.Rows[i]
		if row.Section != needle.Toe || i == 0 || row.Stitches == p.Rows[i-1].Stitches {
			continue
		}
		for _, after := range []int{i + 1, i + 2} {
			causes, err := CountIsWrong(p, tracedOf(t, p), after, p.Rows[after-1].Stitches-4)
			require.NoError(t, err)
			require.NotEmpty(t, causes)
			assert.Equal(t, "The last increase round was knitted plain.", causes[0].Text, row.ID)
			assert.Contains(t, causes[0].Repair, fmt.Sprintf("toe, round %d", row.N))
		}
	}
}

func TestCountsAreTakenAfterARow(t *testing.T) {
	p := planOf(t, "")
	for _, row := range []int{-1, 0, len(p.Rows) + 1} {
		_, err := CountIsWrong(p, tracedOf(t, p), row, 34)
		assert.ErrorContains(t, err, "count after a row has been knitted")
	}
}

func tracedOf(t require.TestingT, p *plan.Plan) *knitted.Sock {
	traced, err := knitted.Of(p.Rows)
	require.NoError(t, err)
	return traced
}

// The cause comes from the loops that are there: the style of the turns, the corners, the gusset.
func TestCausesComeFromTheLoopsThatAreThere(t *testing.T) {
	for _, c := range []struct {
		fields, after string
		off           int
		says, look    string
	}{
		{`,"heel":{"turn":"yarn_over"}`, "heel-6", -1, "A yarn-over after a turn was forgotten.", "at the start of heel, row 6"},
		{`,"heel":{"turn":"german"}`, "heel-8", 2, "Both legs of a double stitch were counted.", "beside the gaps"},
		{`,"heel":{"turn":"wrap"}`, "heel-8", 1, "A wrap was counted as a stitch.", "beside the gaps"},
		{`,"heel":{"turn":"pinned"}`, "heel-8", 1, "The loop in a pin was put on the needle too early.", "beside the gaps"},
		{"", "toe-4", -1, "An increase was forgotten: toe, round 4.", "at the start of needle 1, at the end"},
		{"", "leg-1", -1, "The stitch of a corner was not made: leg, round 1.", "at the start of needle 1 or at the start of needle 2"},
		{`,"heel":{"kind":"flap_under"}`, "gusset-4", 1, "Two stitches were not worked together: gusset, round 4.",
			"at the start of needle 2 or at the end of needle 2"},
	} {
		p := planOf(t, c.fields)
		after := rowAt(t, p, c.after) + 1
		causes, err := CountIsWrong(p, tracedOf(t, p), after, p.Rows[after-1].Stitches+c.off)
		require.NoError(t, err)
		require.NotEmpty(t, causes)
		assert.Equal(t, c.says, causes[0].Text, c.after)
		assert.Contains(t, causes[0].Place, c.look, c.after)
	}
}

// A cause that says how often something happened is carried out: the row that it names, knitted so often without what is said to be
// missing, leaves the count that was seen.
func TestACauseGivesTheCountThatWasSeen(t *testing.T) {
	said := regexp.MustCompile(`^(?:(\d+) [a-z]|[A-Z][a-z ])`)
	forgot := regexp.MustCompile(`increases? w[a-z]+ forgotten|not picked up`)
	carriedOut := 0
	rapid.Check(t, func(t *rapid.T) {
		p := planOf(t, rapid.SampledFrom([]string{"", `,"toe":{"increase":"m1"}`, `,"heel":{"kind":"flap_under"}`, `,"heel":{"kind":"gusset_turn"}`}).Draw(t, "fields"))
		traced, err := knitted.Of(p.Rows)
		require.NoError(t, err)
		row := rapid.IntRange(1, len(p.Rows)-1).Draw(t, "row")
		off := rapid.IntRange(-8, -1).Draw(t, "off")
		causes, err := CountIsWrong(p, traced, row, p.Rows[row-1].Stitches+off)
		require.NoError(t, err)
		for _, c := range causes {
			at := said.FindStringSubmatch(c.Text)
			require.NotNil(t, at, "%q", c.Text)
			if c.Row < 0 || !forgot.MatchString(c.Text) {
				continue
			}
			times := 1
			if at[1] != "" {
				times, err = strconv.Atoi(at[1])
				require.NoError(t, err)
			}
			require.Equal(t, -off, times, "%q for a count that is %d off", c.Text, off)
			var m needle.Machine
			for i := range c.Row {
				require.NoError(t, m.Work(&p.Rows[i]))
			}
			slip := p.Rows[c.Row]
			slip.Ops = without(slip.Ops, times)
			slip.Stitches, slip.OnNeedles = slip.Stitches+off, nil
			require.NoError(t, m.Work(&slip), "%s: %q", slip.ID, c.Text)
			carriedOut++
		}
	})
	assert.Positive(t, carriedOut)
}

// without leaves out so many stitches that are made, and knits those that were increased in plainly.
func without(ops needle.Ops, times int) needle.Ops {
	var list needle.Ops
	for _, o := range ops {
		for range o.N {
			switch {
			case times == 0 || !o.Code.IsIncrease():
				list = append(list, needle.Op{Code: o.Code, N: 1})
				continue
			case o.Code.Takes() == 1:
				list = append(list, needle.Op{Code: needle.K, N: 1})
			}
			times--
		}
	}
	return list
}
