package verdict_test

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"acornstep/sock/figures/measure"
	"acornstep/sock/figures/verdict"
)

// A document names the field and has millimetres; a person reads their own unit and no path.
func TestAJudgementIsSaidForDocumentsAndForPeople(t *testing.T) {
	var list verdict.Checks
	list.Of(verdict.OnCuff, "cuff.height_mm", verdict.Note, "cuff_short", "a cuff under %s tends to roll: %d rounds.", measure.Length(38),
		9)
	list.Say(verdict.OnLength, verdict.Stop, "no_foot_left", "Nothing is left.")
	assert.Equal(t, "cuff.height_mm: a cuff under 38 mm tends to roll: 9 rounds.", list[0].Text)
	assert.Equal(t, "A cuff under 3.8 cm tends to roll: 9 rounds.", list.In(measure.Centimetres)[0].Text)
	assert.Equal(t, "A cuff under 1 1/2 in tends to roll: 9 rounds.", list.In(measure.Inches)[0].Text)
	assert.Equal(t, "no_foot_left", list.In(measure.Inches).Stopped().Code)
	assert.Equal(t, "Kept as it was.", verdict.Check{Text: "Kept as it was."}.In(measure.Inches).Text,
		"a check out of a document is said as it stands there")
}
