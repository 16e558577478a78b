package knit

import (
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"acornstep/sock/craft/check"
	"acornstep/sock/figures/measure"
	"acornstep/sock/rows/note"
)

// alike are facts that may hold of one row together, or one for the other as far as the fabric tells.
var alike = [][]note.Code{
	{note.LegsInCorners, note.StrandsInCorners, note.BeginsHalf, note.EndsHalf, note.BeforeRest, note.AfterHeel},
	{note.GoesWithNext, note.GoesWithLast}, {note.WrapBeside, note.WrapsBeside}, {note.TakesUp, note.ChangesTo}, {note.NoStep},
	{note.YarnWaits, note.YarnBroken, note.YarnTaken, note.YarnJoined, note.StrandTakes}, {note.OnToShort, note.OnToOthers}, {note.FirstIsRight},
}

func kindOf(code note.Code) int {
	return slices.IndexFunc(alike, func(codes []note.Code) bool { return slices.Contains(codes, code) })
}

// A note that states of a row what it does not have is noticed.
func TestAFalseNoteIsNoticed(t *testing.T) {
	spoiled := 0
	rapid.Check(t, func(t *rapid.T) {
		p := anySock(t)
		row := &p.Rows[rapid.IntRange(2, len(p.Rows)-1).Draw(t, "row")]
		f := note.Fact{Code: rapid.SampledFrom(note.Codes()).Draw(t, "fact"), Yarn: "amber", Long: 12 * measure.Length(1000)}
		kind := kindOf(f.Code)
		if slices.ContainsFunc(note.Read(row.Note), func(other note.Fact) bool { return kindOf(other.Code) == kind }) {
			t.Skip()
		}
		if f.Code == note.NoStep && len(p.Design.Yarn.Stripes)+len(p.Design.Yarn.Contrast) > 0 || f.Code == note.WrapBeside && strings.Contains(rowText(*row), "w×1") ||
			f.Code == note.WrapsBeside && strings.Count(rowText(*row), "w×") > 0 || kind == 0 && strings.Contains(rowText(*row), "pc×") {
			t.Skip() // it may be so
		}
		row.Note = strings.TrimSpace(row.Note + " " + f.String())
		if spoiled++; len(check.Plan(p)) == 0 {
			t.Fatalf("%s says %q", row.ID, f.String())
		}
	})
	assert.Positive(t, spoiled)
}

// A note that is missing where a strand ends, or says another length or colour, is noticed too.
func TestASpoiledNoteIsNoticed(t *testing.T) {
	for _, c := range []struct{ fields, was, is string }{
		{`"heel":{"own_strand":true}`, "Take up the waiting yarn", "Take the yarn"},
		{`"heel":{"own_strand":true}`, "The heel takes about 1", "The heel takes about 3"},
		{`"heel":{"kind":"flap_under"},"yarn":{"contrast":["heel"]}`, "Break the sock's yarn off: the heel ends away from here.", "Leave the sock's yarn hanging."},
		{`"corner":{"method":"lift"}`, "the stitch before it", "the stitch after it"},
		{"", "the first stitch of its half", "the last stitch of its half"},
		{`"yarn":{"contrast":["cuff"]}`, "Change to the contrast yarn", "Change to the amber yarn"},
	} {
		text := isolde
		if c.fields != "" {
			text = with(c.fields)
		}
		p := makePlan(t, text)
		require.Empty(t, check.Plan(p), c.fields)
		found := false
		for i := range p.Rows {
			if strings.Contains(p.Rows[i].Note, c.was) {
				found = true
				p.Rows[i].Note = strings.Replace(p.Rows[i].Note, c.was, c.is, 1)
			}
		}
		require.True(t, found, c.was)
		if strings.Contains(c.is, "hanging") {
			continue // half of a sentence is no fact: the strand then ends without having begun
		}
		assert.NotEmpty(t, check.Plan(p), c.is)
	}
}

// The first loop of a magic cast-on is the crossing of both strands under the needle over which they hang: the row says what the pictures show.
func TestTheFirstLoopIsCrossedUnderItsNeedle(t *testing.T) {
	p := makePlan(t, with(`"toe":{"start_loop":"twist"}`))
	note := rowNamed(t, p, "cast_on-1").Note
	assert.Contains(t, note, "Lay the yarn over the needle")
	assert.Contains(t, note, "cross the two strands once under it")
	assert.NotContains(t, note, "once over the needle")
}
