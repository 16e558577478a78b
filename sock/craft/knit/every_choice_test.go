package knit

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sock/craft/check"
	"acornstep/sock/figures/at"
	"acornstep/sock/figures/measure"
	"acornstep/sock/figures/sheet"
	"acornstep/sock/papers/design"
)

// Every technique that is listed answers whatever the program asks of it, and the socks that it gives are sound.
func TestEveryTechniqueAnswersEverything(t *testing.T) {
	for _, kind := range Kinds {
		require.NotEmpty(t, kind.List(), kind.Field)
		for _, technique := range kind.List() {
			a := technique.About()
			t.Run(string(kind.Field)+" "+a.Name, func(t *testing.T) {
				assert.Contains(t, design.Registered(kind.Field), a.Name)
				for what, text := range map[string]string{"label": a.Label, "said": a.Said, "reason": a.Reason, "term": a.Term} {
					assert.NotEmpty(t, text, what)
				}
				d := readDesign(t, isolde)
				for _, field := range append(append([]at.Path{}, a.Uses...), a.Resets...) {
					assert.NoError(t, d.Set(field, nil), field)
				}
				for _, number := range a.Numbers {
					assert.NotEmpty(t, number.Label, number.Field)
				}
				chosen, err := readDesign(t, isolde).With(Choose(kind.Field, a.Name))
				require.NoError(t, err)
				if kind.Field == "toe.cast_on" && a.Name == "provisional" {
					chosen, err = chosen.With(Choose("toe.kind", "short_row"))
					require.NoError(t, err)
				}
				p, s, err := MakeSock(chosen)
				require.NoError(t, err)
				require.Nil(t, p.Stopped())
				assert.Empty(t, check.Plan(p))
				askToe(t, s)
				askHeel(t, s)
				assert.NotEmpty(t, s.HeelPlace())
				assert.Positive(t, s.BindOffTail())
				pinned, err := Make(s.Pinned())
				require.NoError(t, err)
				assert.Equal(t, p.Rows, pinned.Rows, "every count pinned, the rows stay")
			})
		}
	}
}

func askToe(t *testing.T, s *Sock) {
	t.Helper()
	toe := s.toe()
	on := &sheet.Sheet{Unit: measure.Centimetres}
	toe.Explain(s, on)
	assert.NotEmpty(t, on.Lines)
	assert.NotEmpty(t, toe.Ways())
	assert.Positive(t, toe.Stitches(s))
	assert.GreaterOrEqual(t, toe.FewestFootRounds(), 0)
	assert.NotEmpty(t, s.ToeRows())
	if drag, ok := toe.Drag(s); ok {
		assert.Positive(t, drag.Stops)
		d := *s.Design
		assert.NoError(t, d.Set(drag.Field, int(drag.First)))
	}
}

func askHeel(t *testing.T, s *Sock) {
	t.Helper()
	heel := s.heel()
	on := &sheet.Sheet{Unit: measure.Inches}
	heel.Explain(s, on)
	assert.NotEmpty(t, on.Lines)
	assert.NotEmpty(t, heel.Ways())
	assert.Positive(t, heel.Stitches(s))
	assert.Positive(t, heel.Stretch(s))
	assert.NotEmpty(t, heel.Roomier())
	assert.Positive(t, float64(heel.DiagonalGirth(s)))
}

// Each way that a technique offers to the ranking is one that a design can take.
func TestEveryWayCanBeTaken(t *testing.T) {
	try := func(field at.Path, name string, ways []Way) {
		for _, way := range ways {
			d, err := readDesign(t, isolde).With(Choose(field, name))
			require.NoError(t, err)
			d, err = d.With(way.Changes)
			require.NoError(t, err)
			p, err := Make(d)
			require.NoError(t, err, name+way.Said)
			assert.Nil(t, p.Stopped(), name+way.Said)
		}
	}
	for _, toe := range Toes() {
		try("toe.kind", toe.About().Name, toe.Ways())
	}
	for _, heel := range Heels() {
		try("heel.kind", heel.About().Name, heel.Ways())
	}
}

func TestWhatADesignDoesNotKnow(t *testing.T) {
	d := readDesign(t, isolde)
	for field, value := range map[at.Path]any{"toe.kind": "round", "heel.turn": "knot", "leg.pattern": "moss_cable"} {
		wrong, err := d.With(design.Changes{field: value})
		require.NoError(t, err)
		_, err = Make(wrong)
		assert.ErrorContains(t, err, string(field))
		_, err = design.Read([]byte(with(`"` + map[at.Path]string{"toe.kind": `toe":{"kind":"round"}`,
			"heel.turn": `heel":{"turn":"knot"}`, "leg.pattern": `cuff":{"pattern":"moss_cable"}`}[field])))
		assert.ErrorContains(t, err, "expected one of")
	}
	_, err := design.Read([]byte(with(`"toe":{"kind":"short_row","cast_on":"magic"}`)))
	assert.ErrorContains(t, err, "toe.kind short_row: it begins with provisional")
	_, err = design.Read([]byte(with(`"toe":{"cast_on":"provisional"}`)))
	assert.ErrorContains(t, err, "magic, turkish, figure_eight")
}

// A pattern that nobody else knows travels with the design, and with the plan that repeats it.
func TestAPatternOfOnesOwnIsKnitted(t *testing.T) {
	d, err := design.Read([]byte(with(`"patterns":[{"name":"orbit_rib","label":"orbit rib","repeat":3,"width":0.9,"rounds":[[["k",2],["p",1]],[["k",3]]]}],
		"stitches":66,"fit":{"multiple":6},"cuff":{"pattern":"orbit_rib"}`)))
	require.NoError(t, err)
	p, err := Make(d)
	require.NoError(t, err)
	require.Nil(t, p.Stopped())
	assert.Equal(t, "orbit_rib", p.Design.Patterns[0].Name)
	assert.Equal(t, 11*2, countOf(rowNamed(t, p, "cuff-1").Ops, "p"))
	d, err = readDesign(t, with(`"stitches":66,"fit":{"multiple":6}`)).With(Choose("leg.pattern", "dew_lace"))
	require.NoError(t, err)
	lace, err := Make(d)
	require.NoError(t, err)
	assert.Equal(t, "dew_lace", lace.Design.Patterns[0].Name, "a pattern of the book goes along too")
}
