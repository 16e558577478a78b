package replan

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"acornstep/sock/needle"
	"acornstep/sock/plan"
)

// Any count that disagrees has a likely cause and a repair in whole sentences, the right count has none.
func TestEveryWrongCountHasACauseAndARepair(t *testing.T) {
	plans := []*plan.Plan{
		planOf(t, ""), planOf(t, `,"heel":{"kind":"flap_under"}`), planOf(t, `,"heel":{"kind":"gusset_turn","turn":"wrap"}`),
		planOf(t, `,"toe":{"kind":"short_row"},"heel":{"turn":"pinned"}`), planOf(t, `,"toe":{"kind":"garter_square"},"heel":{"turn":"lift"}`),
	}
	rapid.Check(t, func(t *rapid.T) {
		p := rapid.SampledFrom(plans).Draw(t, "sock")
		row := rapid.IntRange(1, len(p.Rows)).Draw(t, "row")
		off := rapid.IntRange(-8, 8).Draw(t, "off")
		causes, err := CountIsWrong(p, row, p.Rows[row-1].Stitches+off)
		if err != nil {
			t.Fatal(err)
		}
		if (len(causes) == 0) != (off == 0) {
			t.Fatalf("%d causes for a count that is off by %d after %s", len(causes), off, p.Rows[row-1].ID)
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

// Where increases went before, a count that is short by all of them is the increase round knitted plain: that is said first, with the row to rip to.
func TestAMissedIncreaseRoundIsSaidFirst(t *testing.T) {
	p := planOf(t, "")
	for i := range p.Rows {
		row := &p.Rows[i]
		if row.Section != needle.Toe || i == 0 || row.Stitches == p.Rows[i-1].Stitches {
			continue
		}
		for _, after := range []int{i + 1, i + 2} {
			causes, err := CountIsWrong(p, after, p.Rows[after-1].Stitches-4)
			require.NoError(t, err)
			require.NotEmpty(t, causes)
			assert.Equal(t, "The last increase round was knitted plain.", causes[0].Text, row.ID)
			assert.Contains(t, causes[0].Repair, row.ID)
		}
	}
}

func TestCountsAreTakenAfterARow(t *testing.T) {
	p := planOf(t, "")
	for _, row := range []int{-1, 0, len(p.Rows) + 1} {
		_, err := CountIsWrong(p, row, 34)
		assert.ErrorContains(t, err, "count after a row has been knitted")
	}
}
