package hands

import (
	"fmt"
	"math"
	"regexp"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"acornstep/sock/craft/knit"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/needle"
	"acornstep/sock/said/words"
)

var views = []View{{Right, false}, {Left, false}, {Right, true}, {Left, true}}

// Every sequence can be followed: it has words and a picture for each step, what to look at and the usual slip, and
// no step shows again what the one before did.
func TestEverySequenceIsWhole(t *testing.T) {
	names, titles := map[string]bool{}, map[string]bool{}
	for i := range Sequences {
		q := &Sequences[i]
		assert.False(t, names[q.Name], "%s twice", q.Name)
		assert.False(t, titles[q.Title], "%s twice", q.Title)
		names[q.Name], titles[q.Title] = true, true
		assert.GreaterOrEqual(t, len(q.Steps), 2, q.Name)
		for _, text := range []string{q.Title, q.Group, q.Look, q.Care} {
			assert.NotEmpty(t, text, q.Name)
		}
		for _, v := range views {
			seen := q.Seen(v)
			for n, step := range seen.Steps {
				assert.NotEmpty(t, step.Text, "%s %d", q.Name, n+1)
				assert.Greater(t, len(step.Picture.Bodies), 1, "%s %d", q.Name, n+1)
				if n > 0 {
					assert.NotEqual(t, seen.Steps[n-1].Picture.Bodies, step.Picture.Bodies, "%s %d shows what %d did", q.Name, n+1, n)
				}
			}
		}
	}
	assert.GreaterOrEqual(t, len(Sequences), 70)
}

// What can be chosen can be shown, and every name that is listed is one.
func TestEveryTechniqueAndTermIsShown(t *testing.T) {
	of := Of()
	for key, list := range of {
		assert.NotEmpty(t, list, key)
		for _, name := range list {
			assert.NotNil(t, Find(name), "%s: %s", key, name)
		}
	}
	for _, kind := range knit.Kinds {
		for _, technique := range kind.List() {
			key := string(kind.Field) + ":" + technique.About().Name
			if key != "heel.kind:short_row" { // shown by its turns
				assert.NotEmpty(t, of[key], key)
			}
		}
	}
	for key := range terms {
		assert.True(t, slices.ContainsFunc(words.Terms, func(term words.Term) bool { return term.Name == key }), key)
	}
	for _, style := range turnStyles {
		for _, part := range []string{"out-rs", "out-ws", "back-rs", "back-ws", "first", "last", "round"} {
			assert.NotNil(t, Find(style.begins+"-"+part), "%s-%s", style.begins, part)
		}
	}
}

// The needle goes through a loop as the word says: before or behind its right leg, before or behind its left one, before or behind the other needle.
func TestTheNeedleGoesThroughTheLoop(t *testing.T) {
	for _, c := range []struct {
		name                           string
		loop                           string
		way                            way
		overRight, overLeft, overOther bool
	}{
		{"knit", "vv", knitwise, true, false, false},
		{"purl", "vv", purlwise, false, true, true},
		{"through the back of a turned loop", "tv", backLoop, true, false, false},
		{"purled from behind", "tv", fromBehind, false, true, true},
	} {
		w := rs(c.loop, "V")
		enter(c.way, 1)(&w)
		left, _ := w.places()
		b := onNeedle(&left[0], point{}, point{}, hangs)
		at := func(x float64) (needle float64) { return w.rightZ(x) }
		right, other := b[3], b[9]
		assert.Equal(t, c.overRight, at(right.x) > right.z, c.name)
		assert.Equal(t, c.overLeft, at(other.x) > other.z, c.name)
		assert.Equal(t, c.overOther, at(w.tip()) > 0, "%s: its tip lies over the left needle", c.name)
	}
}

// What lies deeper is painted first, and where a strand passes over something the paper shows on both its sides.
func TestWhatLiesDeeperIsPaintedFirst(t *testing.T) {
	list := painted([]body{{part: Now, points: []point{{-40, 0, 20}, {0, 0, 20}, {40, 0, -20}, {80, 0, -20}}},
		{part: Needle, points: []point{{0, -40, 0}, {0, 40, 0}}}, {part: Needle, points: []point{{60, -40, 0}, {60, 40, 0}}}})
	last := func(x float64) Stroke {
		var found Stroke
		for _, s := range list {
			for i := 0; i+1 < len(s.Points); i += 2 {
				if math.Hypot(s.Points[i]-x, s.Points[i+1]) < 2.5 {
					found = s
				}
			}
		}
		return found
	}
	assert.Equal(t, Now, last(0).Part, "it passes before the first needle")
	assert.Equal(t, Needle, last(60).Part, "and behind the second")
	rims := 0
	for _, s := range list {
		if s.Rim > 0 && s.Part == Now {
			rims++
		}
	}
	assert.Positive(t, rims)
}

// For those who knit the other way everything is mirrored, and mirrored again it is what it was; the right side of the fabric stays.
func TestTheMirror(t *testing.T) {
	v := View{Right, true}
	assert.Equal(t, "Needle into the front, from right to left: it leans left.",
		v.said("Needle into the front, from {left} to {right}: it leans {right}."))
	assert.Equal(t, "Turn: the right side faces you.", v.said("Turn: the right side faces you."))
	for i := range Sequences {
		q := &Sequences[i]
		for _, step := range q.Steps {
			plain, mirrored := View{Left, false}.picture(step.draw), v.picture(step.draw)
			if !assert.Len(t, mirrored.Bodies, len(plain.Bodies), q.Name) {
				continue
			}
			for i, b := range plain.Bodies {
				for k := 0; k+2 < len(b.At); k += 3 {
					assert.InDelta(t, plain.Width-b.At[k], mirrored.Bodies[i].At[k], 1, q.Name)
				}
			}
		}
	}
}

// Sides are written as sides and nothing else is: each that is stands as one does, and what is not is left over, right so, right after, or the
// right side of the fabric. No mark of it is ever read.
func TestSidesAreWrittenAsSides(t *testing.T) {
	side := regexp.MustCompile(`(?:\b(?:[Tt]he|to|from|leans|lean|leaning|point|its) \{(?:left|right)\}|^\{(?:Left|Right)\} needle|[.:,] \{(?:left|right|Left|Right)\} (?:needle|leg)|\{(?:left|right)\} (?:needle|leg|edge|hand)\b)`)
	written := regexp.MustCompile(`\{\w+\}`)
	none := regexp.MustCompile(`\b(?:is|was|were|are|None|nothing) (?:left|right)\b|\b[Rr]ight (?:side|after|so)\b`)
	plain := regexp.MustCompile(`\b(?:[Ll]eft|[Rr]ight)\b`)
	for i := range Sequences {
		q := &Sequences[i]
		texts := []string{q.Title, q.Group, q.Look, q.Care}
		for _, step := range q.Steps {
			texts = append(texts, step.Text)
		}
		for _, text := range texts {
			spans := side.FindAllStringIndex(text, -1)
			for _, at := range written.FindAllStringIndex(text, -1) {
				assert.True(t, slices.ContainsFunc(spans, func(s []int) bool { return s[0] <= at[0] && at[1] <= s[1] }),
					"%s: %q is written as a side in %q", q.Name, text[at[0]:at[1]], text)
			}
			rest := none.ReplaceAllString(written.ReplaceAllString(text, ""), "")
			assert.NotRegexp(t, plain, rest, "%s: a side that is not written as one", q.Name)
			for _, v := range []View{{Right, false}, {Right, true}} {
				assert.NotContains(t, v.said(text), "{", q.Name)
			}
		}
	}
}

// The yarn goes to the hand that holds it.
func TestTheYarnGoesToItsHand(t *testing.T) {
	q := Find("k")
	right, left := q.Seen(View{Right, false}).Steps[0].Picture, q.Seen(View{Left, false}).Steps[0].Picture
	assert.NotEqual(t, right, left)
	assert.Equal(t, q.Seen(View{Right, true}).Steps[0].Text, View{Right, true}.said(q.Steps[0].Text))
}

func anyPlan(t *rapid.T) *plan.Plan {
	pick := func(name string, from ...string) string { return rapid.SampledFrom(from).Draw(t, name) }
	d, err := design.Read(fmt.Appendf(nil, `{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44},
		"toe":{"kind":%q,"increase":%q,"cast_on":%q},"heel":{"kind":%q,"turn":%q},"corner":{"method":%q},"bind_off":%q,"needles":%q,"leg":{"height_mm":%d,"pattern":%q},"yarn":{"contrast":[%s]}}`,
		pick("toe", design.Registered("toe.kind")...), pick("increase", "kfb", "kfb_mirrored", "m1"),
		pick("cast-on", design.Registered("toe.cast_on")...), pick("heel", design.Registered("heel.kind")...),
		pick("turn", design.Registered("heel.turn")...), pick("corner", design.Registered("corner.method")...),
		pick("bind-off", design.Registered("bind_off")...),
		pick("needles", "magic_loop", "two_circulars", "dpn4", "dpn5", "short_circular"), rapid.IntRange(100, 150).Draw(t, "leg"),
		pick("pattern", "stockinette", "rib_2x2", "dew_lace"), pick("colour", "", `"toe"`, `"heel"`, `"toe","heel"`)))
	if err != nil {
		t.Skip(err) // not every toe allows every cast-on
	}
	p, err := knit.Make(d)
	if err != nil {
		t.Fatal(err)
	}
	if p.Stopped() != nil {
		t.Skip("stopped")
	}
	return p
}

// Whatever a row asks for is shown, in the order of its work, on the side that faces the knitter.
func TestEveryRowShowsItsMoves(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		p := anyPlan(t)
		for i, shown := range Rows(p) {
			row := &p.Rows[i]
			for _, o := range row.Ops {
				if o.Code != needle.Start && !slices.ContainsFunc(shown, func(s Shown) bool { return s.Op == o.Code.String() }) {
					t.Fatalf("%s: nothing shows %s", row.ID, o.Code)
				}
			}
			for _, s := range shown {
				wrong := map[needle.Side]string{needle.RS: "-ws", needle.WS: "-rs"}[row.Side]
				if s.Op != "turn" && strings.HasSuffix(s.Move, wrong) {
					t.Fatalf("%s on the %s: %s shows %s", row.ID, row.Side, s.Op, s.Move)
				}
			}
		}
	})
}

// Some rows read aloud, with what each of their words opens.
func TestTheWordsOfRows(t *testing.T) {
	d, err := design.Read([]byte(`{"format":"acorn-step.design","version":1,"stitches":24,"foot":{"length_mm":200,"ball_girth_mm":170},"gauge":{"stitches_per_100mm":16,"rounds_per_100mm":22},"leg":{"height_mm":60},"heel":{"turn":"wrap"}}`))
	require.NoError(t, err)
	p, err := knit.Make(d)
	require.NoError(t, err)
	rows := Rows(p)
	type word struct{ op, move string }
	at := func(id string) []word {
		i := slices.IndexFunc(p.Rows, func(r needle.Row) bool { return r.ID == id })
		require.GreaterOrEqual(t, i, 0)
		var list []word
		for _, s := range rows[i] {
			list = append(list, word{s.Op, s.Move})
		}
		return list
	}
	assert.Equal(t, []word{{"k", "k"}, {"wt", "wrap-out-rs"}}, at("heel-2"))
	assert.Equal(t, []word{{"p", "p"}, {"pw", "wrap-back-ws"}, {"wt", "wrap-second"}}, at("heel-11"))
	assert.Equal(t, []word{{"pc", "outer-legs"}, {"k", "k"}}, at("leg-1"))
	assert.Equal(t, []word{{"k2tog", "corner-gone"}, {"k", "k"}}, at("leg-4"))
	assert.Equal(t, []word{{"k", "rib"}, {"p", "rib"}}, at("cuff-1"))
	assert.True(t, rows[2][0].New == false && rows[2][1].New, "the second round is the first with increases: %v", rows[2])
	assert.Equal(t, []string{"cast-on", "set-up", "increase", "out-wrap", "heel-wrap", "second-wraps", "corner", "corner-gone", "rib", "bind-off"},
		Lessons(p))
	assert.Equal(t, []word{{"", "magic-loop"}, {"", "tug"}, {"", "co-magic-round"}, {"k", "k"}, {"ktbl", "ktbl"}}, at("toe-1"))
}

func BenchmarkAllMoves(b *testing.B) {
	for b.Loop() {
		for i := range Sequences {
			Sequences[i].Seen(View{Left, true})
		}
	}
}
