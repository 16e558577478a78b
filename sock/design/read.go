package design

import (
	"slices"
	"strings"
	"unicode/utf8"

	"acornstep/sock/document"
	"acornstep/sock/measure"
)

// Read reads a design document and fills every default. The error is a
// document.Faults that lists all that is wrong, each with the field's path.
func Read(text []byte) (Design, error) { return ReadIn(text, "") }

// ReadIn is Read with lengths in its sentences spelled in the unit that the
// reader thinks in; without a unit they are in millimetres.
func ReadIn(text []byte, unit measure.Unit) (Design, error) {
	d := Blank()
	present, faults := document.Read(text, &d)
	if present == nil || len(faults) > 0 && faults[0].Field == "" {
		return Design{}, faults // no document at all: nothing in it can be missing
	}
	if !present["format"] || !present["version"] {
		for _, field := range []string{"format", "version"} {
			if !present[field] {
				faults.Add(field, "is required")
			}
		}
	}
	if present["format"] && d.Format != Format {
		return Design{}, document.Faults{{Field: "format", Message: "read " + quote(d.Format) + ", expected " + quote(Format)}}
	}
	if d.Version > Version {
		// A newer document may have fields that this program cannot judge.
		newer := document.Faults{}
		newer.Add("version", "read %d; this program knows versions up to %d: a newer program wrote this design", d.Version, Version)
		return Design{}, newer
	}
	v := validation{faults: faults, present: present, unit: unit}
	v.check(&d)
	if err := v.faults.Err(); err != nil {
		return Design{}, err
	}
	d.fill(present)
	return d, nil
}

type validation struct {
	faults  document.Faults
	present document.Present
	unit    measure.Unit
}

// bad says whether the field is already known to be unreadable, so that it is reported once.
func (v *validation) bad(field string) bool {
	return slices.ContainsFunc(v.faults, func(f document.Fault) bool { return f.Field == field })
}

func (v *validation) check(d *Design) {
	if v.present["version"] && !v.bad("version") && d.Version < 1 {
		v.faults.Add("version", "read %d, expected %d", d.Version, Version)
	}
	if name := strings.TrimSpace(d.Name); !v.bad("name") && (name == "" || utf8.RuneCountInString(d.Name) > 120) {
		v.faults.Add("name", "read %s; a name has 1 to 120 characters", quote(d.Name))
	}
	v.checkFoot(d)
	v.checkGauge(d)
	for _, c := range choices {
		if value := c.get(d); !v.bad(c.Field) && !slices.Contains(c.Values, value) {
			v.faults.Add(c.Field, "read %s, expected one of %s", quote(value), strings.Join(c.Values, ", "))
		}
	}
	v.checkCounts(d)
	v.checkContradictions(d)
}

func quote(text string) string {
	const most = 40
	if runes := []rune(text); len(runes) > most {
		text = string(runes[:most]) + "…"
	}
	return `"` + text + `"`
}
