package plan

import "acornstep/sock/rows/needle"

// Effort is how much there is to knit.
type Effort struct {
	Rows     int `json:"rows"`
	Stitches int `json:"stitches"`
	// Hours at the usual pace, a guess until somebody has knitted rows by the clock.
	Hours float64 `json:"hours"`
	// StitchesAMinute is that pace.
	StitchesAMinute float64 `json:"stitches_a_minute"`
}

// UsualPace is stitches an hour of a practised knitter, pauses left out: an estimate.
const UsualPace = 1500

// EffortOf counts the rows and what is worked in them; a slipped stitch is
// handled too, so it counts.
func EffortOf(rows []needle.Row) Effort {
	e := Effort{Rows: len(rows), StitchesAMinute: UsualPace / 60}
	for i := range rows {
		for _, o := range rows[i].Ops {
			e.Stitches += o.N * max(o.Code.Takes(), o.Code.Makes())
		}
	}
	e.Hours = float64(e.Stitches) / UsualPace
	return e
}
