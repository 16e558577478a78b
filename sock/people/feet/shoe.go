package feet

import (
	"fmt"

	"acornstep/sock/figures/measure"
)

// ShoeSystem is a way to number shoes.
type ShoeSystem struct {
	Name, Label string
	Min, Max    float64
	// length is what the size says.
	length func(size float64) measure.Length
	// last: that length is the last's, on which the shoe is made, and not the foot's.
	last bool
	// Source says where the conversion comes from.
	Source string
}

// shoeRoom is how much longer than the foot a last is: 15 mm to what charts print for a size, and from there a quarter inch to the foot.
const shoeRoom measure.Length = 15 + 6

// ShoeUncertainty is how far a foot may be from what its shoe size says.
const ShoeUncertainty measure.Length = 6

const barleycorn = measure.Inch / 3

// ShoeSystems lists the systems.
var ShoeSystems = []ShoeSystem{
	{"mondopoint", "Mondopoint", 80, 350, func(s float64) measure.Length { return measure.Length(s) }, false,
		"Mondopoint is the length of the foot in millimetres."},
	{"eu", "EU", 15, 54, func(s float64) measure.Length { return measure.Length(s * 20 / 3) }, true,
		"An EU size counts Paris points of two thirds of a centimetre along the last."},
	{"uk", "UK", 1, 17, func(s float64) measure.Length { return measure.Length(s+25) * barleycorn }, true,
		"A UK size counts thirds of an inch, beginning at 25 of them."},
	{"us_women", "US women's", 2, 18, func(s float64) measure.Length { return measure.Length(s+22.5) * barleycorn }, true,
		"US women's sizes count thirds of an inch, two and a half below the UK's."},
	{"us_men", "US men's", 2, 18, func(s float64) measure.Length { return measure.Length(s+24) * barleycorn }, true,
		"US men's sizes count thirds of an inch, one below the UK's."},
	{"children", "UK children's", 0, 13.5, func(s float64) measure.Length { return measure.Length(s+12) * barleycorn }, true,
		"UK children's sizes count thirds of an inch, beginning at 12 of them."},
}

// FootOfShoe estimates the length of a foot from a shoe size. The error names
// the system or what sizes it has.
func FootOfShoe(system string, size float64) (length, uncertainty measure.Length, source string, err error) {
	for _, s := range ShoeSystems {
		if s.Name != system {
			continue
		}
		if size < s.Min || size > s.Max {
			return 0, 0, "", fmt.Errorf("size: read %g; %s sizes go from %g to %g", size, s.Label, s.Min, s.Max)
		}
		length = s.length(size)
		if s.last {
			length -= shoeRoom
		}
		return length, ShoeUncertainty, s.Source, nil
	}
	return 0, 0, "", fmt.Errorf("system: read %q, expected mondopoint, eu, uk, us_women, us_men or children", system)
}
