// Package draft is a design while it is being typed: a document that may still
// lack what is required, and the entries as they stand in the fields.
package draft

import (
	"encoding/json"
	"errors"
	"fmt"
	"maps"
	"slices"
	"strconv"
	"strings"

	"acornstep/sock/figures/at"
	"acornstep/sock/figures/document"
	"acornstep/sock/figures/measure"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/swatch"
)

// Draft is a design document, perhaps incomplete, and the texts that were typed over it.
type Draft struct {
	// Design is the document; it may lack required fields.
	Design map[string]any `json:"design"`
	// Entries are texts by the path of their field, such as foot.length_mm.
	Entries map[string]string `json:"entries"`
}

// Limits of what is kept of an unfinished text.
const (
	maxEntries   = 60
	maxEntryText = 200
	// A field lies at most as deep as foot.length_mm.
	maxFieldName  = 60
	maxFieldParts = 2
)

// Reading is what a draft comes to.
type Reading struct {
	// Draft has the entries that could be read folded into the document; the others stay entries.
	Draft Draft
	// Design is complete when Faults is empty.
	Design design.Design
	Faults document.Faults
	// Unit is what the person reads and writes lengths in.
	Unit measure.Unit
}

// Read reads the entries in the unit that the person uses, lays them over the
// document and reads the result as a design.
func Read(d Draft, unit measure.Unit) Reading {
	r := Reading{Unit: unit, Draft: Draft{Design: clone(d.Design), Entries: map[string]string{}}}
	if r.Draft.Design == nil {
		r.Draft.Design = map[string]any{}
	}
	r.Draft.Design["format"], r.Draft.Design["version"] = design.Format, design.Version
	if len(d.Entries) > maxEntries {
		r.Faults.Add("", "read %d entries, at most %d are kept", len(d.Entries), maxEntries)
		return r
	}
	unread := document.Faults{}
	for _, field := range slices.Sorted(maps.Keys(d.Entries)) {
		if !possible(field) {
			r.Faults.Add("", "read an entry for %.40q…: a design has no such field", field)
			continue
		}
		text := d.Entries[field]
		value, err := readEntry(field, text, unit)
		if err == nil {
			err = set(r.Draft.Design, field, value)
			measured(r.Draft.Design, field)
		}
		if err != nil {
			unread.Add(field, "%s", err)
			r.Draft.Entries[field] = clip(text)
			_ = set(r.Draft.Design, field, nil)
		}
	}
	text, err := json.Marshal(r.Draft.Design)
	if err != nil {
		r.Faults.Add("", "the draft cannot be written as JSON: %s", err)
		return r
	}
	r.Design, err = design.ReadIn(text, unit)
	var faults document.Faults
	if errors.As(err, &faults) {
		for _, f := range faults {
			if !slices.ContainsFunc(unread, func(u document.Fault) bool { return u.Field == f.Field }) {
				unread = append(unread, f)
			}
		}
	}
	r.Faults = append(r.Faults, unread...)
	r.keepImpossible(d.Entries, unit)
	return r
}

// possible says whether a field can be one of a design by its length and depth alone.
func possible(field string) bool {
	return len(field) <= maxFieldName && strings.Count(field, ".") < maxFieldParts
}

// keepImpossible leaves an entry as it was typed when its value reads but is not possible.
func (r *Reading) keepImpossible(entries map[string]string, unit measure.Unit) {
	for _, f := range r.Faults {
		if text, typed := entries[f.Field]; typed && possible(f.Field) && strings.TrimSpace(text) != "" {
			r.Draft.Entries[f.Field] = clip(withUnit(f.Field, text, unit))
			_ = set(r.Draft.Design, f.Field, nil)
		}
	}
}

// withUnit adds the unit to a bare number, so that it means the same when
// somebody reads it in another unit later.
func withUnit(field, text string, unit measure.Unit) string {
	text = strings.TrimSpace(text)
	if _, err := measure.ParseNumber(text); err != nil {
		return text
	}
	switch {
	case strings.HasSuffix(field, "_mm"):
		return text + " " + string(unit)
	case at.Path(field) == at.YarnBallMetres && unit == measure.Inches:
		return text + " yd"
	case at.Path(field) == at.YarnBallMetres:
		return text + " m"
	case strings.HasPrefix(field, "gauge.") && unit == measure.Inches:
		return text + " per 4 in"
	case strings.HasPrefix(field, "gauge."):
		return text + " per 10 cm"
	default:
		return text
	}
}

func clip(text string) string {
	if len(text) > maxEntryText {
		return strings.ToValidUTF8(text[:maxEntryText], "")
	}
	return text
}

// readEntry reads one text: a length, a gauge or a number by the kind of its field. Nothing typed means nothing asked for.
func readEntry(field, text string, unit measure.Unit) (any, error) {
	if strings.TrimSpace(text) == "" {
		return nil, nil
	}
	switch {
	case strings.HasSuffix(field, "_mm"):
		length, err := measure.ParseLength(text, unit)
		return float64(length), err
	case at.Path(field) == at.YarnBallMetres:
		return measure.ParseYarn(text, unit)
	case strings.HasPrefix(field, "gauge."):
		return readGauge(text, unit)
	case at.Path(field) == at.HeelPickedUp:
		return readPair(text)
	default:
		return measure.ParseNumber(text)
	}
}

// readGauge reads one count, or several with semicolons between them, whose mean is taken.
func readGauge(text string, unit measure.Unit) (float64, error) {
	readings := []swatch.Reading{}
	for part := range strings.SplitSeq(text, ";") {
		per100, err := measure.ParseGauge(part, unit)
		if err != nil {
			return 0, err
		}
		readings = append(readings, swatch.Reading{Count: per100, Width: 100})
	}
	if len(readings) == 1 {
		return readings[0].Count, nil // whatever it is, the design says what is possible
	}
	counted, err := swatch.Count(readings)
	return counted.Mean, err
}

// readPair reads "21, 19": what was picked up at the left and at the right.
func readPair(text string) ([]int, error) {
	words := strings.FieldsFunc(text, func(r rune) bool { return r == ',' || r == ' ' || r == '/' || r == '+' })
	pair := make([]int, 0, 2)
	for _, word := range words {
		n, err := strconv.Atoi(word)
		if err != nil {
			break
		}
		pair = append(pair, n)
	}
	if len(pair) != 2 || len(words) != 2 {
		return nil, fmt.Errorf("read %q; two counts look like 21, 19", clip(text))
	}
	return pair, nil
}

// set puts a value at a path of the document; nil takes it away.
func set(tree map[string]any, field string, value any) error {
	path := strings.Split(field, ".")
	for _, name := range path[:len(path)-1] {
		next, ok := tree[name].(map[string]any)
		if !ok {
			if tree[name] != nil {
				return fmt.Errorf("%s is not an object", name)
			}
			next = map[string]any{}
			tree[name] = next
		}
		tree = next
	}
	last := path[len(path)-1]
	if value == nil {
		delete(tree, last)
	} else {
		tree[last] = value
	}
	return nil
}

// measured takes a measurement that was typed off the list of estimated ones.
func measured(tree map[string]any, field string) {
	name, ofFoot := strings.CutPrefix(field, "foot.")
	foot, _ := tree["foot"].(map[string]any)
	estimated, _ := foot["estimated"].([]any)
	if !ofFoot || estimated == nil {
		return
	}
	foot["estimated"] = slices.DeleteFunc(slices.Clone(estimated), func(e any) bool { return e == name })
}

// OfSecond is the draft of the second sock of a pair, of whose first the design is complete: for its own foot where that differs, and mirrored.
func OfSecond(d Draft, first design.Design) (Draft, error) {
	second := first.OfSecond()
	text, err := json.Marshal(second.Foot)
	if err != nil {
		return d, err
	}
	foot := map[string]any{}
	if err := json.Unmarshal(text, &foot); err != nil {
		return d, err
	}
	// What was guessed is guessed again, and not taken for measured.
	for _, name := range second.Foot.Estimated {
		delete(foot, name)
	}
	delete(foot, "estimated")
	other := Draft{Design: clone(d.Design), Entries: maps.Clone(d.Entries)}
	if other.Design == nil {
		other.Design = map[string]any{}
	}
	other.Design["foot"], other.Design["mirror"] = foot, second.Mirror
	delete(other.Design, "second_foot")
	maps.DeleteFunc(other.Entries, func(field, _ string) bool {
		return strings.HasPrefix(field, "foot.") || strings.HasPrefix(field, "second_foot.")
	})
	return other, nil
}

// clone copies the objects of a document, so that the caller's stay as they are.
func clone(tree map[string]any) map[string]any {
	if tree == nil {
		return nil
	}
	copied := make(map[string]any, len(tree))
	for name, value := range tree {
		if inner, ok := value.(map[string]any); ok {
			value = clone(inner)
		}
		copied[name] = value
	}
	return copied
}
