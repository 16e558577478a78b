package web_test

import (
	"fmt"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sock/figures/measure"
	"acornstep/sock/judge/board"
	"acornstep/sock/needles/replan"
)

// What the page says a tape should read changes nothing when it is typed, in either unit, wherever the sock is tried on.
func TestTheFigureOnThePageIsTheFigureThatIsCompared(t *testing.T) {
	a := start(t, "")
	path, v := a.onNeedles()
	for _, id := range []string{"foot-2", "foot-6", "foot-31", "foot-65", "leg-9", "leg-60"} {
		row := indexOf(&v, id)
		var shown board.Tried
		a.do("GET", fmt.Sprintf("%s/tried?row=%d", path, row), "").into(t, &shown)
		assert.NotEmpty(t, shown.Bone)
		field, should := "length", shown.Behind
		if shown.Above > 0 {
			field, should = "height", shown.Above
		}
		for _, unit := range []measure.Unit{measure.Centimetres, measure.Inches} {
			var q replan.Proposal
			r := a.do("POST", path+"/replan", fmt.Sprintf(`{"version":1,"happened":{"row":%d},%q:%q,"unit":%q,"accept":true}`, row, field,
				unit.Show(should), unit))
			require.Equal(t, 200, r.status, r.text)
			r.into(t, &q)
			assert.False(t, q.Plans, "%s %s", id, unit)
			assert.Empty(t, q.Changes)
			assert.Contains(t, q.Repair, "It reads as it should, about "+unit.Show(should))
		}
	}
	r := a.do("POST", path+"/replan", fmt.Sprintf(`{"version":1,"happened":{"row":%d},"heel_off":"2","unit":"cm","accept":false}`, indexOf(&v, "leg-9")))
	assert.Contains(t, r.text, "2.0 cm too long. No row to come can mend it.")
	r = a.do("POST", path+"/replan", fmt.Sprintf(`{"version":1,"happened":{"row":%d},"height":"tall","unit":"cm","accept":false}`, indexOf(&v, "leg-9")))
	assert.Equal(t, 422, r.status)
	assert.Contains(t, r.text, `"field":"height"`)
}
