package measure

import (
	"fmt"
	"math"
)

// Yard is one yard: what who knits in inches measures yarn in.
const Yard Length = 914.4

const metre Length = 1000

// AboutYarn says a length of yarn for somebody who cuts it, in both units, rounded up so that it suffices.
func (l Length) AboutYarn() string {
	return fmt.Sprintf("about %.0f m (%.0f yd)", math.Ceil(float64(l/metre)), math.Ceil(float64(l/Yard)))
}

// Yarn is a length of yarn in metres as a person reads it who thinks in the unit: in whole metres or yards.
func (u Unit) Yarn(metres float64) string {
	if u == Inches {
		return fmt.Sprintf("%d yd", HalfUp(metres*float64(metre/Yard)))
	}
	return fmt.Sprintf("%d m", HalfUp(metres))
}

var yarnSuffixes = []suffix{
	{"metres", metre}, {"meters", metre}, {"metre", metre}, {"meter", metre}, {"yards", Yard}, {"yard", Yard},
	{"yds", Yard}, {"yds.", Yard}, {"yd.", Yard}, {"yd", Yard}, {"m", metre},
}

// ParseYarn reads a length of yarn in metres: "420", "420 m", "459 yd". A number
// without a unit is in metres for who thinks in centimetres, else in yards.
func ParseYarn(text string, unit Unit) (metres float64, err error) {
	size := metre
	if unit == Inches {
		size = Yard
	}
	rest, size := cutUnit(text, yarnSuffixes, size)
	number, ok := parseNumber(rest)
	if !ok {
		return 0, fmt.Errorf("read %q; a length of yarn looks like 420 m or 459 yd", clip(text))
	}
	return number * float64(size/metre), nil
}
