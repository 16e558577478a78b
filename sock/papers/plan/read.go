package plan

import (
	"encoding/json"
	"errors"

	"acornstep/sock/figures/document"
	"acornstep/sock/papers/design"
)

// Read reads a plan document of any origin, also one without a design. The error is a document.Faults. It
// does not say whether the plan is sound: that is Replay's business.
func Read(text []byte) (*Plan, error) {
	p := &Plan{}
	present, faults := document.Read(text, p)
	if present == nil {
		return nil, faults
	}
	if present["format"] && p.Format != Format {
		return nil, document.Faults{{Field: "format", Message: "read \"" + p.Format + "\", expected \"" + Format + "\""}}
	}
	if p.Version > Version {
		newer := document.Faults{}
		newer.Add("version", "read %d; this program knows versions up to %d: a newer program wrote this plan", p.Version, Version)
		return nil, newer
	}
	for _, field := range []string{"format", "version", "summary", "rows"} {
		if !present[field] {
			faults.Add(field, "is required")
		}
	}
	switch {
	case !present["rules"]:
		p.Rules = 1
	case p.Rules < 1 || p.Rules > Rules:
		faults.Add("rules", "read %d; this program knows the rules 1 to %d", p.Rules, Rules)
	}
	if err := faults.Err(); err != nil {
		return nil, err
	}
	if err := readItsDesign(p, text); err != nil {
		return nil, err
	}
	return p, nil
}

// readItsDesign reads the plan's design again on its own, with its defaults and
// ranges; paths are given from the plan's root. Without one the plan has no gauge.
func readItsDesign(p *Plan, text []byte) error {
	var outer struct {
		Design json.RawMessage `json:"design"`
	}
	if err := json.Unmarshal(document.TrimMark(text), &outer); err != nil {
		return document.Faults{{Field: "design", Message: err.Error()}}
	}
	if len(outer.Design) == 0 || string(outer.Design) == "null" {
		outer.Design = []byte("{}")
	}
	d, err := design.ReadRepeated(outer.Design)
	var faults document.Faults
	if errors.As(err, &faults) {
		for i := range faults {
			if faults[i].Field == "" {
				faults[i].Field = "design"
			} else {
				faults[i].Field = "design." + faults[i].Field
			}
		}
		return faults
	}
	p.Design = d
	return nil
}
