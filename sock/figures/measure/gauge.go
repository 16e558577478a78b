package measure

import (
	"fmt"
	"math"
	"strconv"
	"strings"
)

// Gauge is how many stitches and rounds of washed fabric lie in one millimetre.
type Gauge struct {
	// Stitches per mm of girth, Rounds per mm of length.
	Stitches, Rounds float64
}

// GaugePer100 makes a gauge from counts over 100 mm.
func GaugePer100(stitches, rounds float64) Gauge {
	return Gauge{stitches / 100, rounds / 100}
}

// Girth is the relaxed girth of so many stitches.
func (g Gauge) Girth(stitches float64) Length { return Length(stitches / g.Stitches) }

// Height is the length of so many rounds.
func (g Gauge) Height(rounds float64) Length { return Length(rounds / g.Rounds) }

// RoundsIn is the number of rounds in a length, rounded half up.
func (g Gauge) RoundsIn(l Length) int { return HalfUp(float64(l) * g.Rounds) }

// GaugeWidth is the width over which people count a gauge.
func (u Unit) GaugeWidth() string {
	if u == Inches {
		return "4 in"
	}
	return "10 cm"
}

// Gauge spells a count over 100 mm as one over that width, with at most one decimal.
func (u Unit) Gauge(per100 float64) string {
	if u == Inches {
		per100 *= float64(4*Inch) / 100
	}
	return strconv.FormatFloat(float64(HalfUp(per100*10))/10, 'f', -1, 64)
}

// Count is a number of things with their noun: 1 round, 2 rounds.
func Count(n int, noun string) string {
	if n == 1 {
		return "1 " + noun
	}
	return fmt.Sprintf("%d %ss", n, noun)
}

// HalfUp rounds to the nearest whole number, a half upward. The small
// allowance keeps a product such as 0.44 × 25 from falling below its half.
func HalfUp(x float64) int { return int(math.Floor(x + 0.5 + 1e-9)) }

// ParseGauge reads a count of stitches or rounds and gives it per 100 mm. A
// bare number is over 10 cm, or over 4 inches when the unit is inches; "8/in",
// "8 per inch", "33 per 4 in" and "32 per 10 cm" say their own width.
func ParseGauge(text string, unit Unit) (float64, error) {
	width := 10 * Centimetre
	if unit == Inches {
		width = 4 * Inch
	}
	count, over, found := cutWidth(strings.ToLower(strings.TrimSpace(text)))
	if found {
		if !strings.ContainsAny(over, "0123456789") {
			over = "1 " + over
		}
		w, err := ParseLength(over, unit)
		if err != nil || w <= 0 {
			return 0, fmt.Errorf("read %q; a gauge looks like 32, 8/in or 32 per 10 cm", clip(text))
		}
		width = w
	}
	n, ok := parseNumber(strings.TrimSpace(count))
	if !ok {
		return 0, fmt.Errorf("read %q; a gauge looks like 32, 8/in or 32 per 10 cm", clip(text))
	}
	return n * 100 / float64(width), nil
}

func cutWidth(text string) (count, over string, found bool) {
	for _, word := range []string{" per ", " over ", " in "} {
		if count, over, found = strings.Cut(text, word); found {
			return count, over, true
		}
	}
	// "8/in" and "32/10cm", but not the fraction "8 1/2".
	if at := strings.LastIndex(text, "/"); at >= 0 && strings.Trim(text[at+1:], "0123456789 ") != "" {
		return text[:at], text[at+1:], true
	}
	return text, "", false
}
