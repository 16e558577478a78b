package rewrite

import (
	"fmt"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sock/craft/knit"
	"acornstep/sock/papers/design"
	"acornstep/sock/rows/needle"
	"acornstep/sock/said/hands"
	"acornstep/sock/said/words"
)

// short are the short rows of a heel of 24 stitches with no rounds between its halves, from the right side on.
func short(t *testing.T, turn string) []needle.Row {
	d, err := design.Read(fmt.Appendf(nil, `{"format":"acorn-step.design","version":1,"stitches":48,"foot":{"length_mm":251,"ball_girth_mm":236},"gauge":{"stitches_per_100mm":20,"rounds_per_100mm":30},"leg":{"height_mm":60},"heel":{"turn":%q,"first_row":"RS","rounds_between":0,"turns_per_side":8}}`, turn))
	require.NoError(t, err)
	p, err := knit.Make(d)
	require.NoError(t, err)
	require.Nil(t, p.Stopped())
	var list []needle.Row
	for i := range p.Rows {
		if r := p.Rows[i]; r.Section == needle.Heel && r.Kind == needle.FlatRow && len(r.Groups) > 0 {
			list = append(list, r)
		}
	}
	return list
}

// plain is how many stitches a row works plainly before something is taken back.
func plain(r *needle.Row) int {
	n := 0
	for _, o := range r.Ops {
		if o.Code == needle.K || o.Code == needle.P {
			return o.N
		}
		n += o.N
	}
	return 0
}

// Rows that are rewritten are those that the heel of the other style has, worked out by the makers of heels.
func TestRewrittenRowsAreThoseOfTheOtherStyle(t *testing.T) {
	const turns = 8
	for _, from := range ways {
		for _, to := range ways {
			written, instead := short(t, from.turn), short(t, to.turn)
			// In the middle of both halves; the ends have their own rules, and the first row back meets the last turn out.
			for _, c := range []struct {
				place Place
				row   int
			}{{First, 0}, {Out, 3}, {Out, 6}, {FirstBack, 2 * turns}, {OtherBack, 2*turns + 1}, {Back, 2*turns + 2}, {Back, 2*turns + 3}} {
				w, i := written[c.row], instead[c.row]
				require.Equal(t, w.Side, i.Side)
				a, err := Turn(Asked{from.turn, to.turn, c.place, w.Side, plain(&w)})
				require.NoError(t, err)
				var said []string
				for _, o := range i.Ops {
					said = append(said, words.Short(o, i.Side))
				}
				assert.Equal(t, strings.Join(said, ", "), a.Instead.Short, "%s to %s, %s row %d", from.turn, to.turn, c.place, c.row)
			}
		}
	}
}

// By hand, over 24 stitches: a wrap at the last one is a double stitch of that very one.
func TestOneStitchFurther(t *testing.T) {
	a, err := Turn(Asked{"wrap", "german", Out, needle.WS, 20})
	require.NoError(t, err)
	assert.Equal(t, "p20, wrap the next, turn", a.Written.Short)
	assert.Equal(t, "ds, p21, turn", a.Instead.Short)
	assert.Contains(t, a.Reason, "one stitch further")
	back, err := Turn(Asked{"german", "wrap", Out, needle.WS, 21})
	require.NoError(t, err)
	assert.Equal(t, a.Written.Short, back.Instead.Short)
	for _, said := range []Said{a.Written, a.Instead, back.Instead} {
		assert.NotNil(t, hands.Find(said.Move), said.Move)
	}
}

func TestWhatCannotBeIsNamed(t *testing.T) {
	_, err := Turn(Asked{"wrap", "knot", "side", "up", 0})
	require.Error(t, err)
	for _, field := range []string{"knot", "first, out, first_back, other_back or back", "RS or WS"} {
		assert.ErrorContains(t, err, field)
	}
	_, err = Turn(Asked{"wrap", "lift", Back, needle.RS, 1})
	assert.ErrorContains(t, err, "3 to 200")
}
