package shape

import (
	"context"
	"fmt"
	"math"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"acornstep/sock/cloth/worn"
	"acornstep/sock/craft/knit"
	"acornstep/sock/figures/measure"
	"acornstep/sock/papers/design"
	"acornstep/sock/rows/knitted"
	"acornstep/sock/rows/needle"
)

func wornOf(t require.TestingT, fields string) (*worn.Worn, *knitted.Sock, *knit.Sock) {
	d, err := design.Read(fmt.Appendf(nil, `{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44}%s}`, fields))
	require.NoError(t, err)
	p, s, err := knit.MakeSock(d)
	require.NoError(t, err)
	by, err := knitted.Of(p.Rows)
	require.NoError(t, err)
	w, err := worn.Of(context.Background(), s, by, worn.Fine)
	require.NoError(t, err)
	return w, by, s
}

// Every round of foot, leg and cuff is one line from the front to the back; the sock is as long as the foot, and
// the rows of each section follow each other up.
func TestEveryRoundIsSeenOnce(t *testing.T) {
	w, by, _ := wornOf(t, "")
	drawn := Of(w, by, Colours(by, nil, 0))
	count := map[string]int{}
	for _, section := range []needle.Section{needle.Foot, needle.Leg, needle.Cuff} {
		for _, line := range drawn.In(section) {
			count[line.Row]++
			assert.GreaterOrEqual(t, len(line.Points), 2)
			if section != needle.Foot {
				assert.Greater(t, line.Points.end()[0], line.Points[0][0]+60, "%s goes from the shin to the calf", line.Row)
			}
		}
	}
	rounds := 0
	for i := range by.Rows {
		row := &by.Rows[i]
		if row.Kind == needle.Round && (row.Section == needle.Foot || row.Section == needle.Leg || row.Section == needle.Cuff) {
			rounds++
			assert.Equal(t, 1, count[row.ID], row.ID)
		}
	}
	assert.Greater(t, rounds, 130)
	assert.InDelta(t, 251, drawn.Width, 6)
	last := -1.0
	for _, line := range drawn.In(needle.Cuff) {
		assert.Greater(t, line.Middle()[1], last)
		last = line.Middle()[1]
	}
	assert.Empty(t, drawn.In(needle.BindOff))
}

// A rib shows its purls: half of every line of a 1×1 cuff, none of a plain foot.
func TestPurlsAreWhereTheyStand(t *testing.T) {
	w, by, _ := wornOf(t, `,"cuff":{"pattern":"rib_1x1"}`)
	long := func(list ...Points) (sum float64) {
		for _, line := range list {
			for i := 1; i < len(line); i++ {
				sum += math.Hypot(line[i][0]-line[i-1][0], line[i][1]-line[i-1][1])
			}
		}
		return sum
	}
	for _, line := range Of(w, by, Colours(by, nil, 0)).Lines {
		switch {
		case strings.HasPrefix(line.Row, "foot-"):
			assert.Empty(t, line.Purls, line.Row)
		case strings.HasPrefix(line.Row, "cuff-"):
			assert.InDelta(t, 0.42, long(line.Purls...)/long(line.Points), 0.12, line.Row)
		}
	}
}

// What a line leaves out lies within a hair of it.
func TestThinnedLinesKeepTheirWay(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		line := Points{{0, 0}}
		for range rapid.IntRange(2, 60).Draw(t, "places") {
			last := line[len(line)-1]
			line = append(line, Point{last[0] + rapid.Float64Range(0, 3).Draw(t, "x"), last[1] + rapid.Float64Range(-1, 1).Draw(t, "y")})
		}
		thin := thinned(line)
		if thin[0] != line[0] || thin[len(thin)-1] != line[len(line)-1] {
			t.Fatal("it begins or ends elsewhere")
		}
		for _, p := range line {
			near := math.Inf(1)
			for i := 1; i < len(thin); i++ {
				near = math.Min(near, beside(p, thin[i-1], thin[i]))
			}
			if near > 0.13 {
				t.Fatalf("%v lies %.2f mm beside the line", p, near)
			}
		}
	})
}

// The map covers what is seen, says tight where a small sock is tight and slack where a large one hangs, and a spot knows its place.
func TestTheMapSaysWhereItPulls(t *testing.T) {
	share := func(fields, word, place string) float64 {
		w, by, s := wornOf(t, fields)
		pull := PullOf(w, by, Scale{Limit: s.Gives, Easy: knit.EasyShare})
		require.Len(t, pull.Patches, 4)
		here, all := 0., 0.
		for _, spot := range pull.Spots {
			if spot.Place != place {
				continue
			}
			all++
			if spot.Word == word {
				here++
			}
		}
		require.Greater(t, all, 10., place)
		return here / all
	}
	assert.Greater(t, share(`,"stitches":52,"heel":{"kind":"short_row"}`, "tight", "heel"), 0.7)
	assert.Greater(t, share(`,"stitches":52`, "tight", "ball"), 0.5)
	assert.Greater(t, share("", "sits", "ball"), 0.8)
	assert.Greater(t, share("", "sits", "ankle"), 0.45)
}

func TestWords(t *testing.T) {
	for stretch, want := range map[float64]string{-0.2: "slack", 0.01: "slack", 0.1: "sits", 0.2: "sits", 0.25: "snug", 0.31: "tight"} {
		assert.Equal(t, want, word(stretch, 0.30, 0.67), "%g", stretch)
	}
}

// By hand: a stitch of 10 mm of yarn in a yarn of 50 and 30 mm of two colours: five stitches of the first, three of
// the second, and so on round and round.
func TestAYarnThatStripesByItself(t *testing.T) {
	_, by, _ := wornOf(t, "")
	list := Colours(by, []measure.Length{50, 30}, 10)
	for i, want := range []string{"", "", "", "", "", "repeat-1", "repeat-1", "repeat-1", "", ""} {
		assert.Equal(t, want, list[i], i)
	}
	assert.Equal(t, "repeat-1", list[805])
	assert.Equal(t, [][]int32{{0, 1, 2, 3, 4, 5}, {5, 6, 7, 8}, {8, 9}}, parted([]int32{0, 1, 2, 3, 4, 5, 6, 7, 8, 9}, list))
}
