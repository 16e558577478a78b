package fabric

import (
	"fmt"
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"acornstep/sock/craft/knit"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/knitted"
	"acornstep/sock/rows/needle"
)

func fabricOf(t require.TestingT, fields string) (*plan.Plan, *Fabric) {
	d, err := design.Read(fmt.Appendf(nil, `{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44}%s}`, fields))
	require.NoError(t, err)
	p, err := knit.Make(d)
	require.NoError(t, err)
	require.Nil(t, p.Stopped())
	traced, err := knitted.Of(p.Rows)
	require.NoError(t, err)
	return p, Of(traced)
}

func anyFabric(t *rapid.T) (*plan.Plan, *Fabric) {
	pick := func(name string, from ...string) string { return rapid.SampledFrom(from).Draw(t, name) }
	return fabricOf(t, fmt.Sprintf(`,"toe":{"kind":%q,"increase":%q},"heel":{"kind":%q,"turn":%q},"leg":{"height_mm":%d,"pattern":%q}`,
		pick("toe", design.Registered("toe.kind")...), pick("increase", "kfb", "kfb_mirrored", "m1"),
		pick("heel", design.Registered("heel.kind")...),
		pick("turn", design.Registered("heel.turn")...), rapid.IntRange(100, 150).Draw(t, "leg"),
		pick("pattern", "stockinette", "rib_2x2", "dew_lace", "seed_stitch")))
}

// begins says whether an operation makes a stitch out of nothing.
func begins(c needle.Code) bool { return c.Takes() == 0 }

// Every stitch hangs on others or begins, is worked, bound off or still on a needle, and its neighbours along the
// yarn agree that it is theirs.
func TestEveryStitchHangsOnOthers(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		p, f := anyFabric(t)
		rows := map[int32]int{}
		for i := range f.Stitches {
			s := &f.Stitches[i]
			rows[s.Row]++
			if begins(s.Code) != (len(s.Below) == 0) {
				t.Fatalf("stitch %d, %s, hangs on %d", i, s.Code, len(s.Below))
			}
			for _, below := range s.Below {
				if !slices.Contains(f.Stitches[below].Above, int32(i)) || f.Stitches[below].Row > s.Row {
					t.Fatalf("stitch %d hangs on %d, which does not know it", i, below)
				}
			}
			if s.After != None && f.Stitches[s.After].Before != int32(i) {
				t.Fatalf("the yarn goes from %d to %d and not back", i, s.After)
			}
		}
		// What a row makes by its operations is what the fabric has of it.
		for i := range p.Rows {
			made := 0
			for _, o := range p.Rows[i].Ops {
				switch o.Code {
				case needle.CO, needle.COChain, needle.Unzip:
					made += o.N
				case needle.Sl, needle.DS, needle.SlPin, needle.BO:
				default:
					made += o.N * o.Code.Makes()
				}
			}
			if rows[int32(i)] != made {
				t.Fatalf("%s makes %d stitches, the fabric has %d of it", p.Rows[i].ID, made, rows[int32(i)])
			}
		}
	})
}

// readBack reads a cell of a picture as a knitter would: smooth or bumpy as it is seen, and which way round it was worked.
func readBack(c *Cell, seen, worked needle.Side) (purl bool) {
	face := c.Face
	if seen == needle.WS {
		face = face.Turned()
	}
	return (face == Bump) != (worked == needle.WS)
}

// The picture is true to the rows: read back stitch by stitch it gives knits and purls as they were worked, in
// their order, from either side.
func TestAPictureIsReadBackIntoRows(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		p, f := anyFabric(t)
		row := rapid.IntRange(2, len(p.Rows)-2).Draw(t, "row")
		side := rapid.SampledFrom([]needle.Side{needle.RS, needle.WS}).Draw(t, "side")
		pic, err := f.At(row, side)
		if err != nil {
			t.Fatal(err)
		}
		if len(pic.Strokes) > 500 {
			t.Fatalf("%d strokes", len(pic.Strokes))
		}
		byRow := map[int32][]*Cell{}
		for i := range pic.Cells {
			c := &pic.Cells[i]
			s := &f.Stitches[c.Stitch]
			if c.Row >= int32(row) {
				t.Fatalf("a stitch of row %d is seen before row %d", c.Row, row)
			}
			if c.X < 0 || c.X*Unit > float64(pic.Width) || c.Y < 0 {
				t.Fatalf("a stitch lies outside of the picture, at %g, %g", c.X, c.Y)
			}
			if c.Face != NoFace && s.Code != needle.PU && s.Code != needle.PC && readBack(c, side, s.Side) != s.Code.IsPurl() {
				t.Fatalf("%s of %s is seen as another on the %s", s.Code, p.Rows[s.Row].ID, side)
			}
			byRow[c.Row] = append(byRow[c.Row], c)
		}
		for at, cells := range byRow {
			if p.Rows[at].Section == needle.CastOn {
				continue // a cast-on is laid, not worked
			}
			slices.SortFunc(cells, func(a, b *Cell) int { return int(a.Stitch - b.Stitch) })
			// Seen from the side it was worked on, a row goes from right to left; round the tube its end may come before its start once.
			toLeft := f.Stitches[cells[0].Stitch].Side == side
			wrong := 0
			for i := 1; i < len(cells); i++ {
				if (cells[i].X < cells[i-1].X) != toLeft && cells[i].Y == cells[i-1].Y {
					wrong++
				}
			}
			if wrong > 2 {
				t.Fatalf("the stitches of %s do not lie in their order: %d stand wrong", p.Rows[at].ID, wrong)
			}
		}
		for _, feature := range pic.Features {
			if feature.Text == "" {
				t.Fatalf("%s has no name", feature.Name)
			}
		}
	})
}

func featuresOf(t *testing.T, fields, id string, side needle.Side) map[string]int {
	t.Helper()
	p, f := fabricOf(t, fields)
	row := slices.IndexFunc(p.Rows, func(r needle.Row) bool { return r.ID == id })
	require.GreaterOrEqual(t, row, 0)
	pic, err := f.At(row, side)
	require.NoError(t, err)
	seen := map[string]int{}
	for _, feature := range pic.Features {
		seen[feature.Name]++
	}
	return seen
}

// Before heel row 9 seven double stitches were made, three of them, in rows 3, 5 and 7, at the side from which row
// 9 goes: those lie within eleven stitches of the yarn. Each style leaves its own mark, and a flap leaves slipped
// stitches.
func TestWhatCanBeReadInTheFabric(t *testing.T) {
	assert.Equal(t, 3, featuresOf(t, "", "heel-9", needle.RS)["double"])
	assert.Equal(t, 4, featuresOf(t, `,"heel":{"turn":"wrap"}`, "heel-9", needle.RS)["wrap"])
	assert.Positive(t, featuresOf(t, `,"heel":{"turn":"pinned"}`, "heel-9", needle.RS)["pin"])
	assert.Positive(t, featuresOf(t, `,"heel":{"turn":"yarn_over"}`, "heel-9", needle.RS)["yarn-over"])
	assert.Positive(t, featuresOf(t, `,"heel":{"kind":"flap_under"}`, "heel-16", needle.WS)["slipped"])
	assert.Positive(t, featuresOf(t, "", "toe-9", needle.RS)["bar"], "each kfb has its bar on the right side")
	assert.Zero(t, featuresOf(t, "", "toe-9", needle.WS)["bar"])
	assert.Positive(t, featuresOf(t, `,"toe":{"increase":"m1"}`, "toe-9", needle.RS)["twisted"])
	tbl := featuresOf(t, "", "toe-2", needle.RS)
	assert.Equal(t, []int{0, 0}, []int{tbl["twisted"], tbl["crossed"]}, "loops that lay turned are set right, and none is made")
	gusset := featuresOf(t, `,"heel":{"kind":"flap_under"}`, "gusset-8", needle.RS)
	assert.Positive(t, gusset["right"]+gusset["left"])
	assert.Positive(t, featuresOf(t, "", "toe-1", needle.RS)["turned"], "needle 2 of a magic cast-on is worked through the back loop")
	plain := featuresOf(t, "", "foot-40", needle.RS)
	assert.Empty(t, plain, "plain stockinette has nothing to count but its rows")
}

// What the captions count is what lies on the needle, and nothing that was closed: doubles, wraps, yarn-overs of turns and pins that are
// still there, holes only of a pattern, made stitches only of increases.
func TestTheCaptionsCountWhatLiesThere(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		p, f := anyFabric(t)
		row := rapid.IntRange(2, len(p.Rows)-2).Draw(t, "row")
		captionsCount(t, p, f, row, rapid.SampledFrom([]needle.Side{needle.RS, needle.WS}).Draw(t, "side"))
	})
	for name, where := range map[string][2]string{
		"double": {`,"heel":{"turn":"german"}`, "heel-8"}, "wrap": {`,"heel":{"turn":"wrap"}`, "heel-8"},
		"yarn-over": {`,"heel":{"turn":"yarn_over"}`, "heel-8"}, "hole": {`,"leg":{"height_mm":120,"pattern":"dew_lace"}`, "leg-20"},
		"twisted": {`,"toe":{"increase":"m1"}`, "toe-9"},
	} {
		p, f := fabricOf(t, where[0])
		row := slices.IndexFunc(p.Rows, func(r needle.Row) bool { return r.ID == where[1] })
		assert.Positive(t, captionsCount(t, p, f, row, needle.RS)[name], name)
	}
}

// captionsCount holds what the captions of a picture count against the needle and the rows, and gives what they count.
func captionsCount(t require.TestingT, p *plan.Plan, f *Fabric, row int, side needle.Side) map[string]int {
	pic, err := f.At(row, side)
	require.NoError(t, err)
	said := map[string]int{}
	for _, feature := range pic.Features {
		said[feature.Name]++
	}
	here := map[string]int{}
	now := f.knitted.Before(row)
	for i := range pic.Cells {
		s := &f.Stitches[pic.Cells[i].Stitch]
		at := slices.IndexFunc(now.Loops, func(l needle.LoopView) bool { return l.Made == pic.Cells[i].Stitch })
		if at >= 0 {
			switch loop := now.Loops[at]; {
			case loop.Kind == needle.Double:
				here["double"]++
			case loop.Wraps > 0:
				here["wrap"]++
			case loop.Kind == needle.YarnOver:
				here["yarn-over"]++
			}
		}
		switch s.Code {
		case needle.M1L, needle.M1R, needle.M1, needle.M1P:
			if p.Rows[s.Row].Section != needle.Heel {
				here["twisted"]++
			}
		case needle.YO:
			if section := p.Rows[s.Row].Section; section == needle.Leg || section == needle.Foot {
				here["hole"]++
			}
		}
	}
	for _, name := range []string{"double", "wrap", "yarn-over", "hole"} {
		require.Equal(t, here[name], said[name], "before %s the captions say another number of %s", p.Rows[row].ID, name)
	}
	require.LessOrEqual(t, said["twisted"], here["twisted"], "before %s the captions say more made stitches than are there", p.Rows[row].ID)
	return said
}

func TestARowThatIsNotThere(t *testing.T) {
	p, f := fabricOf(t, "")
	_, err := f.At(len(p.Rows)+1, needle.RS)
	assert.ErrorContains(t, err, "rows 0 to")
	_, err = f.At(0, needle.RS)
	assert.NoError(t, err, "before the cast-on nothing is seen")
}

func BenchmarkPicture(b *testing.B) {
	_, f := fabricOf(b, "")
	b.ReportAllocs()
	for b.Loop() {
		if _, err := f.At(100, needle.RS); err != nil {
			b.Fatal(err)
		}
	}
}

// Pictures of two places are marked where they differ, and nowhere else: the same place twice differs nowhere.
func TestPicturesThatDifferAreMarked(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		p, f := anyFabric(t)
		row := rapid.IntRange(2, len(p.Rows)-2).Draw(t, "row")
		a, err := f.At(row, needle.RS)
		require.NoError(t, err)
		for _, marks := range Apart([]Picture{a, a, a}) {
			require.Empty(t, marks)
		}
		b, err := f.At(row+1, needle.RS)
		require.NoError(t, err)
		marks := Apart([]Picture{a, b})
		require.Len(t, marks, 2)
		for i, picture := range []Picture{a, b} {
			require.LessOrEqual(t, len(marks[i]), mostMarks)
			for _, m := range marks[i] {
				require.True(t, m.X >= -Unit && m.X <= float64(picture.Width)+Unit, "%v lies in the picture", m)
			}
		}
	})
	// One increase round more: what is marked can be counted.
	_, f := fabricOf(t, "")
	a, err := f.At(4, needle.RS)
	require.NoError(t, err)
	b, err := f.At(6, needle.RS)
	require.NoError(t, err)
	assert.NotEmpty(t, Apart([]Picture{a, b})[1])
}
