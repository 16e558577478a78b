package tables

import (
	"bytes"
	"encoding/csv"
	"errors"
	"fmt"
	"io"
	"slices"
	"strconv"
	"strings"

	"acornstep/sock/figures/day"
	"acornstep/sock/figures/document"
	"acornstep/sock/figures/measure"
	"acornstep/sock/papers/swatch"
	"acornstep/sock/people/feet"
)

// columnsOfFeet are those of a table of measurements; the first four have to be there when it is read.
var columnsOfFeet = []string{"measured_on", "side", "what", "length_mm", "source", "uncertainty_mm"}

// needed are so many of them.
const needed = 4

// A table has so many lines at most, and nothing on a foot is longer, in mm.
const (
	mostLines = 2000
	longest   = 10_000
)

// Measurements writes what was measured on a wearer as a table, one measurement a line, the oldest first.
func Measurements(w *feet.Wearer) ([]byte, error) {
	lines := [][]string{columnsOfFeet}
	for _, m := range w.Measurements {
		lines = append(lines, []string{string(m.On), string(m.Side), m.What, number(float64(m.Length)), m.Source,
			number(float64(m.Uncertainty))})
	}
	return Table(lines)
}

// Readings writes the counts on a swatch as a table.
func Readings(s *swatch.Swatch) ([]byte, error) {
	lines := [][]string{{"what", "count", "width_mm", "per_100mm"}}
	for _, r := range s.Readings {
		lines = append(lines, []string{r.What, number(r.Count), number(float64(r.Width)),
			strconv.FormatFloat(100*r.Count/float64(r.Width), 'f', 2, 64)})
	}
	return Table(lines)
}

// Table writes lines of cells, none of which a spreadsheet takes for a formula.
func Table(lines [][]string) ([]byte, error) {
	var b bytes.Buffer
	w := csv.NewWriter(&b)
	for _, line := range lines {
		for i := range line {
			line[i] = safe(line[i])
		}
		if err := w.Write(line); err != nil {
			return nil, fmt.Errorf("table: %w", err)
		}
	}
	w.Flush()
	return b.Bytes(), w.Error()
}

// ReadMeasurements reads such a table, with its columns in any order and commas
// or semicolons between them. What is wrong is document.Faults, each with its line; then nothing was read.
func ReadMeasurements(text string) ([]feet.Measurement, error) {
	r := csv.NewReader(strings.NewReader(strings.TrimPrefix(text, "\ufeff")))
	if first, _, _ := strings.Cut(text, "\n"); strings.Count(first, ";") > strings.Count(first, ",") {
		r.Comma = ';'
	}
	r.FieldsPerRecord, r.TrimLeadingSpace = -1, true
	head, err := r.Read()
	if err != nil {
		return nil, document.Faults{{Field: "text", Message: "this is no table: " + plainly(err)}}
	}
	at := map[string]int{}
	for i, name := range head {
		at[strings.ToLower(strings.TrimSpace(name))] = i
	}
	var faults document.Faults
	for _, name := range columnsOfFeet[:needed] {
		if _, there := at[name]; !there {
			faults.Add("text", "line 1: there is no column %s; a table has %s", name, strings.Join(columnsOfFeet, ", "))
		}
	}
	if len(faults) > 0 {
		return nil, faults
	}
	var list []feet.Measurement
	for n := 2; ; n++ {
		line, err := r.Read()
		if errors.Is(err, io.EOF) {
			break
		}
		if err != nil {
			return nil, document.Faults{{Field: "text", Message: fmt.Sprintf("line %d: %s", n, plainly(err))}}
		}
		if n > mostLines {
			return nil, document.Faults{{Field: "text", Message: fmt.Sprintf("it has more than %d lines", mostLines)}}
		}
		list = append(list, measurement(line, at, n, &faults))
	}
	if len(list) == 0 && len(faults) == 0 {
		faults.Add("text", "there is no measurement below its first line")
	}
	return list, faults.Err()
}

// plainly is an error without what only programmers call it.
func plainly(err error) string {
	if errors.Is(err, io.EOF) {
		return "it is empty"
	}
	return strings.TrimPrefix(err.Error(), "csv: ")
}

// measurement reads a line; what is wrong with it is added to the faults.
func measurement(line []string, at map[string]int, n int, faults *document.Faults) feet.Measurement {
	cell := func(name string) string {
		if i, there := at[name]; there && i < len(line) {
			return strings.TrimSpace(strings.TrimPrefix(line[i], "'"))
		}
		return ""
	}
	length := func(name string) measure.Length {
		text := cell(name)
		if text == "" && name == "uncertainty_mm" {
			return 0
		}
		mm, err := strconv.ParseFloat(strings.Replace(text, ",", ".", 1), 64)
		if err != nil || !(mm >= 0 && mm <= longest) { // what is no number at all is neither
			faults.Add("text", "line %d: %s: read %.20q, expected millimetres", n, name, text)
			return 0
		}
		return measure.Length(mm)
	}
	m := feet.Measurement{Side: feet.Side(cell("side")), What: cell("what"), Length: length("length_mm"),
		On: day.Date(cell("measured_on")), Source: cell("source"), Uncertainty: length("uncertainty_mm")}
	if m.Source == "" {
		m.Source = "tape"
	}
	for _, f := range m.Validate(measure.Centimetres) {
		if f.Field == "length" && slices.ContainsFunc(*faults, func(had document.Fault) bool {
			return strings.HasPrefix(had.Message, fmt.Sprintf("line %d: length_mm", n))
		}) {
			continue // it was no number at all
		}
		faults.Add("text", "line %d: %s: %s", n, f.Field, f.Message)
	}
	return m
}
