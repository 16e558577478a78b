package feet

import (
	"fmt"
	"math"

	"acornstep/sock/figures/day"
	"acornstep/sock/figures/measure"
)

// Growth says how long a growing foot will be.
type Growth struct {
	// Length expected on the day asked for, give or take Uncertainty.
	Length      measure.Length `json:"length_mm"`
	Uncertainty measure.Length `json:"uncertainty_mm"`
	// PerMonth is the growth that was measured, in mm a month.
	PerMonth float64 `json:"per_month_mm"`
	// Working is the arithmetic in a line, Text what a friend would say.
	Working string `json:"working"`
	Text    string `json:"text"`
}

// daysPerMonth is the mean month.
const daysPerMonth = 365.25 / 12

// Growth of a child's foot: our estimates. Faster growth than this is most
// likely two ways of measuring; the forecast grows less sure by so much a month.
const (
	fastestGrowth = 2.0 // mm a month
	unsureByMonth = 0.4 // mm
	tapeError     = 2.0 // mm
	// shortestSpan of days between measurements tells growth from the tape's error.
	shortestSpan = 45
	longestAhead = 24 * daysPerMonth
)

// grownLength is how long a foot is that most likely does not grow any more: our estimate.
const grownLength measure.Length = 230

// MayGrow says whether a foot is asked how it grows: a short one, or one that was seen to grow.
func (w *Wearer) MayGrow(side Side) bool {
	var newest, shortest Measurement
	for _, m := range w.Measurements {
		if m.Side != side || m.What != "length_mm" || m.Guessed() {
			continue
		}
		if m.On >= newest.On {
			newest = m
		}
		if shortest.Length == 0 || m.Length < shortest.Length {
			shortest = m
		}
	}
	grew := newest.Length-shortest.Length > 2*tapeError && shortest.On.Until(newest.On) >= shortestSpan
	return newest.Length > 0 && (newest.Length < grownLength || grew)
}

// GrowthUntil reckons the length of a foot on a day from its dated lengths: the
// newest, carried on along the line of least squares through all of them. A
// foot never shrinks. The error says what is missing.
func (w *Wearer) GrowthUntil(side Side, on day.Date, unit measure.Unit) (Growth, error) {
	var lengths []Measurement
	for _, m := range w.Measurements {
		if m.Side == side && m.What == "length_mm" && !m.Guessed() {
			lengths = append(lengths, m)
		}
	}
	if len(lengths) == 0 {
		return Growth{}, fmt.Errorf("the length of this foot has not been measured yet")
	}
	newest := lengths[0]
	oldest := lengths[0]
	for _, m := range lengths {
		if m.On >= newest.On {
			newest = m
		}
		if m.On < oldest.On {
			oldest = m
		}
	}
	ahead := float64(newest.On.Until(on))
	if ahead < 0 {
		return Growth{}, fmt.Errorf("read %s; the foot was measured after that, on %s", on.Text(), newest.On.Text())
	}
	if ahead > longestAhead {
		return Growth{}, fmt.Errorf("read %s; nobody can say more than two years ahead: measure again before then", on.Text())
	}
	months := ahead / daysPerMonth
	g := Growth{Length: newest.Length, Uncertainty: measure.Length(tapeError + unsureByMonth*months)}
	if oldest.On.Until(newest.On) < shortestSpan {
		g.Working = fmt.Sprintf("%s on %s, and nothing to tell its growth by", unit.Show(newest.Length), newest.On.Text())
		g.Text = "Measure again in two months: one length alone does not say how fast the foot grows."
		return g, nil
	}
	slope, spread := line(lengths, oldest.On)
	g.PerMonth = math.Max(0, math.Min(fastestGrowth, slope*daysPerMonth))
	g.Length += measure.Length(g.PerMonth * months)
	g.Uncertainty += measure.Length(spread)
	g.Working = fmt.Sprintf("%s on %s + %.1f months × %s = %s", unit.Show(newest.Length), newest.On.Text(), months,
		small(g.PerMonth, unit), unit.Show(g.Length))
	switch {
	case slope*daysPerMonth > fastestGrowth:
		g.Text = fmt.Sprintf("The lengths grow by %s a month, more than feet do: reckoned with %s. Measure once more, standing.",
			small(slope*daysPerMonth, unit), small(fastestGrowth, unit))
	case g.PerMonth < 0.1:
		g.Text = "This foot has stopped growing, or rests."
	default:
		g.Text = "Knit for the day on which the socks are given, and a month or two more."
	}
	return g, nil
}

// small spells a length of a few millimetres in the unit.
func small(mm float64, unit measure.Unit) string {
	if unit == measure.Inches {
		return fmt.Sprintf("%.2f in", mm/float64(measure.Inch))
	}
	return fmt.Sprintf("%.2f mm", mm)
}

// line is the slope of least squares in mm a day, and how far the lengths lie from it.
func line(lengths []Measurement, from day.Date) (slope, spread float64) {
	n := float64(len(lengths))
	var sumX, sumY, sumXX, sumXY float64
	for _, m := range lengths {
		x, y := float64(from.Until(m.On)), float64(m.Length)
		sumX, sumY, sumXX, sumXY = sumX+x, sumY+y, sumXX+x*x, sumXY+x*y
	}
	slope = (n*sumXY - sumX*sumY) / (n*sumXX - sumX*sumX)
	at := (sumY - slope*sumX) / n
	for _, m := range lengths {
		spread = math.Max(spread, math.Abs(float64(m.Length)-at-slope*float64(from.Until(m.On))))
	}
	return slope, spread
}
