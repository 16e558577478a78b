// Package measure holds the units of the craft: lengths, their spelling by
// people who think in centimetres or inches, and gauge.
package measure

import (
	"fmt"
	"math"
	"strconv"
	"strings"
)

// Length is a length in millimetres.
type Length float64

// String spells the length as documents do: in whole millimetres.
func (l Length) String() string { return fmt.Sprintf("%d mm", HalfUp(float64(l))) }

// About spells a length that nobody measures exactly, in both units: rows are read by everybody.
func (l Length) About() string {
	return fmt.Sprintf("about %d cm (%d in)", HalfUp(float64(l/Centimetre)), HalfUp(float64(l/Inch)))
}

// Inch is one inch.
const Inch Length = 25.4

// Centimetre is one centimetre.
const Centimetre Length = 10

// Unit is what a person reads and writes lengths in.
type Unit string

// The two units people choose between.
const (
	Centimetres Unit = "cm"
	Inches      Unit = "in"
)

// ParseUnit reads the name of a unit; anything else is an error that lists the two.
func ParseUnit(name string) (Unit, error) {
	switch Unit(name) {
	case Centimetres, Inches:
		return Unit(name), nil
	}
	return "", fmt.Errorf("read %q, expected cm or in", name)
}

// Size is the length of one such unit.
func (u Unit) Size() Length {
	if u == Inches {
		return Inch
	}
	return Centimetre
}

// Show spells the length in the unit: centimetres with one decimal, inches to
// the nearest eighth as a fraction.
func (u Unit) Show(l Length) string {
	if u != Inches {
		return fmt.Sprintf("%.1f cm", float64(l/Centimetre))
	}
	eighths := int(math.Round(math.Abs(float64(l/Inch)) * 8))
	sign := ""
	if l < 0 && eighths > 0 {
		sign = "-"
	}
	whole, part := eighths/8, eighths%8
	fraction := [...]string{"", "1/8", "1/4", "3/8", "1/2", "5/8", "3/4", "7/8"}[part]
	switch {
	case part == 0:
		return fmt.Sprintf("%s%d in", sign, whole)
	case whole == 0:
		return fmt.Sprintf("%s%s in", sign, fraction)
	default:
		return fmt.Sprintf("%s%d %s in", sign, whole, fraction)
	}
}

// suffix is how people write a unit, and its length.
type suffix struct {
	text string
	size Length
}

// cutUnit takes the unit off a text; without one it is that of the size given.
func cutUnit(text string, units []suffix, size Length) (rest string, _ Length) {
	rest = strings.ToLower(strings.TrimSpace(text))
	for _, s := range units {
		if cut, ok := strings.CutSuffix(rest, s.text); ok {
			return strings.TrimSpace(cut), s.size
		}
	}
	return rest, size
}

var suffixes = []suffix{
	{"millimetres", 1}, {"millimeters", 1}, {"centimetres", Centimetre}, {"centimeters", Centimetre},
	{"inches", Inch}, {"inch", Inch}, {"mm", 1}, {"cm", Centimetre}, {"in.", Inch}, {"in", Inch},
	{"''", Inch}, {"”", Inch}, {"″", Inch}, {"\"", Inch},
}

// ParseLength reads what a person typed: "24.1 cm", "24,1", `9 1/2"`, "9½ in",
// "241 mm". A number without a unit is in the unit given. The error says what
// was read and what is understood.
func ParseLength(text string, unit Unit) (Length, error) {
	rest, size := cutUnit(text, suffixes, unit.Size())
	number, ok := parseNumber(rest)
	if !ok {
		return 0, fmt.Errorf(`read %q; a length looks like 24.1 cm, 241 mm or 9 1/2"`, clip(text))
	}
	return Length(number) * size, nil
}

// ParseNumber reads a plain number with a point or a comma, or a fraction such as "8 1/2".
func ParseNumber(text string) (float64, error) {
	number, ok := parseNumber(strings.TrimSpace(text))
	if !ok {
		return 0, fmt.Errorf("read %q; a number looks like 32 or 32.5", clip(text))
	}
	return number, nil
}

var vulgar = map[rune]float64{
	'½': 1. / 2, '¼': 1. / 4, '¾': 3. / 4, '⅛': 1. / 8, '⅜': 3. / 8, '⅝': 5. / 8, '⅞': 7. / 8,
	'⅓': 1. / 3, '⅔': 2. / 3, '⅙': 1. / 6, '⅚': 5. / 6, '⅕': 1. / 5, '⅖': 2. / 5, '⅗': 3. / 5, '⅘': 4. / 5,
}

func parseNumber(text string) (float64, bool) {
	sign := 1.0
	for _, minus := range []string{"-", "−"} {
		if cut, ok := strings.CutPrefix(text, minus); ok {
			text, sign = strings.TrimSpace(cut), -1
			break
		}
	}
	whole, fraction := text, 0.0
	if runes := []rune(text); len(runes) > 0 {
		if value, ok := vulgar[runes[len(runes)-1]]; ok {
			whole, fraction = string(runes[:len(runes)-1]), value
		} else if strings.Contains(text, "/") {
			var ok bool
			if whole, fraction, ok = cutFraction(text); !ok {
				return 0, false
			}
		}
	}
	whole = strings.TrimSpace(whole)
	if whole == "" {
		return sign * fraction, fraction > 0
	}
	if fraction > 0 && strings.ContainsAny(whole, ".,") {
		return 0, false
	}
	value, ok := decimal(whole)
	return sign * (value + fraction), ok
}

// cutFraction splits "9 1/2" or "9-1/2" into "9" and 0.5, and "1/2" into "" and 0.5.
func cutFraction(text string) (whole string, fraction float64, ok bool) {
	above, below, _ := strings.Cut(text, "/")
	above = strings.TrimSpace(above)
	if at := strings.LastIndexAny(above, " -"); at >= 0 {
		whole, above = strings.TrimRight(above[:at], " "), above[at+1:]
	}
	a, errA := strconv.ParseUint(above, 10, 16)
	b, errB := strconv.ParseUint(strings.TrimSpace(below), 10, 16)
	if errA != nil || errB != nil || b == 0 || a >= b {
		return "", 0, false
	}
	return whole, float64(a) / float64(b), true
}

// decimal reads digits with at most one point or comma: no signs, exponents or groups.
func decimal(text string) (float64, bool) {
	const longest = 12
	if len(text) > longest || strings.Trim(text, "0123456789.,") != "" || strings.Count(text, ".")+strings.Count(text, ",") > 1 {
		return 0, false
	}
	value, err := strconv.ParseFloat(strings.Replace(text, ",", ".", 1), 64)
	return value, err == nil
}

func clip(text string) string {
	const most = 40
	runes := []rune(text)
	if len(runes) > most {
		return string(runes[:most]) + "…"
	}
	return text
}

// Tenth rounds the length half up to a tenth of a millimetre, as documents write it.
func (l Length) Tenth() Length { return Length(HalfUp(float64(l)*10)) / 10 }
