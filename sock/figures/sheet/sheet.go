// Package sheet is a sheet of reckoning: numbers with the arithmetic of each in one line.
package sheet

import (
	"fmt"
	"strings"

	"acornstep/sock/figures/measure"
)

// Line is one number and its arithmetic.
type Line struct {
	// Name is that of the plan's summary, or fit. and the name of a place.
	Name  string `json:"name"`
	Label string `json:"label"`
	// Result is the number as it is shown, Working how it comes about.
	Result  string `json:"result"`
	Working string `json:"working"`
	// Change is what would change it.
	Change string `json:"change"`
}

// Sheet collects lines in the unit that the person reads.
type Sheet struct {
	Unit  measure.Unit
	Lines []Line
}

// Add writes a line; working is a format for the arithmetic.
func (s *Sheet) Add(name, label, result, change, working string, args ...any) {
	s.Lines = append(s.Lines, Line{name, label, result, fmt.Sprintf(working, args...), change})
}

// Long is a length with the digits that a sum needs: 23.6 cm, 9.29 in.
func (s *Sheet) Long(l measure.Length) string {
	if s.Unit == measure.Inches {
		return Trim(fmt.Sprintf("%.2f", float64(l/measure.Inch))) + " in"
	}
	return Trim(fmt.Sprintf("%.2f", float64(l/measure.Centimetre))) + " cm"
}

// Per is a gauge by cm or by inch.
func (s *Sheet) Per(perMM float64) string {
	return Trim(fmt.Sprintf("%.2f", perMM*float64(s.Unit.Size())))
}

// Trim takes the zeros off the end of a decimal number.
func Trim(number string) string {
	if !strings.Contains(number, ".") {
		return number
	}
	return strings.TrimRight(strings.TrimRight(number, "0"), ".")
}
