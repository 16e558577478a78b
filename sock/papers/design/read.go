package design

import (
	"encoding/json"
	"slices"
	"strings"
	"unicode/utf8"

	"acornstep/sock/figures/at"
	"acornstep/sock/figures/document"
	"acornstep/sock/figures/measure"
)

// Read reads a design document and fills every default. The error is a
// document.Faults that lists all that is wrong, each with the field's path.
func Read(text []byte) (Design, error) { return ReadIn(text, "") }

// ReadIn is Read with lengths in its sentences spelled in the unit that the
// reader thinks in; without a unit they are in millimetres.
func ReadIn(text []byte, unit measure.Unit) (Design, error) {
	return read(text, validation{unit: unit})
}

// ReadRepeated reads the design that a plan repeats. The plan's rows are there
// already, so a plan by others may leave out the foot or name techniques that
// this program does not know; what it does say is possible, or refused.
func ReadRepeated(text []byte) (Design, error) {
	return read(text, validation{repeated: true})
}

// Validate judges a design that was changed by other ways than a document as
// strictly as one that is read. The error is document.Faults.
func (d Design) Validate() error {
	text, err := json.Marshal(d)
	if err != nil {
		return document.Faults{{Message: err.Error()}} // a number that JSON does not have
	}
	_, err = Read(text)
	return err
}

func read(text []byte, v validation) (Design, error) {
	d := Blank()
	read, faults := document.Read(text, &d)
	present := given{}
	for path, there := range read {
		present[at.Path(path)] = there
	}
	if read == nil || len(faults) > 0 && faults[0].Field == "" {
		return Design{}, faults // no document at all: nothing in it can be missing
	}
	for _, field := range []at.Path{at.Format, at.Version} {
		if !present[field] && !v.repeated {
			faults.Add(string(field), "is required")
		}
	}
	if present[at.Format] && d.Format != Format {
		return Design{}, document.Faults{{Field: string(at.Format), Message: "read " + quote(d.Format) + ", expected " + quote(Format)}}
	}
	if d.Version > Version {
		// A newer document may have fields that this program cannot judge.
		newer := document.Faults{}
		newer.Add(string(at.Version), "read %d; this program knows versions up to %d: a newer program wrote this design", d.Version, Version)
		return Design{}, newer
	}
	v.faults, v.present = faults, present
	v.check(&d)
	if err := v.faults.Err(); err != nil {
		return Design{}, err
	}
	if d.Foot.Length > 0 {
		d.fill(present)
	}
	return d, nil
}

// given are the fields that a document has.
type given map[at.Path]bool

type validation struct {
	faults  document.Faults
	present given
	unit    measure.Unit
	// repeated: the design stands in a plan that has its rows already.
	repeated bool
}

// bad says whether the field is already known to be unreadable, so that it is reported once.
func (v *validation) bad(field at.Path) bool {
	return slices.ContainsFunc(v.faults, func(f document.Fault) bool { return f.Field == string(field) })
}

func (v *validation) fault(field at.Path, format string, args ...any) {
	v.faults.Add(string(field), format, args...)
}

func (v *validation) check(d *Design) {
	if v.present[at.Version] && !v.bad(at.Version) && d.Version < 1 {
		v.fault(at.Version, "read %d, expected %d", d.Version, Version)
	}
	if name := strings.TrimSpace(d.Name); !v.bad(at.Name) && (name == "" || utf8.RuneCountInString(d.Name) > 120) {
		v.fault(at.Name, "read %s; a name has 1 to 120 characters", quote(d.Name))
	}
	v.checkFoot(d)
	v.checkGauge(d)
	for _, c := range Choices() {
		value, _ := d.Get(c.Field).(string)
		if names := c.Values; !v.repeated && !v.bad(c.Field) && len(names) > 0 && !slices.Contains(names, value) {
			v.fault(c.Field, "read %s, expected one of %s", quote(value), strings.Join(names, ", "))
		}
	}
	v.checkPatterns(d)
	v.checkCounts(d)
	v.checkParts(d)
	v.checkContradictions(d)
}

func quote(text string) string {
	const most = 40
	if runes := []rune(text); len(runes) > most {
		text = string(runes[:most]) + "…"
	}
	return `"` + text + `"`
}
