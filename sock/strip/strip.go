// Package strip is the whole sock in one line: how many stitches each row works, section by section.
package strip

import (
	"acornstep/sock/needle"
	"acornstep/sock/trace"
)

// Part is a section of the strip.
type Part struct {
	Section string `json:"section"`
	Worked  []int  `json:"worked"`
	// Contrast: it is knitted in the other yarn, most of it: there are the stitches on the way there.
	Contrast bool `json:"contrast,omitempty"`
}

// Of gives the strip of a sock; a row that only turns is as high as nothing.
func Of(t *trace.Trace) []Part {
	var parts []Part
	others := 0 // rows of the part in the other yarn
	for i := range t.Rows {
		if n := len(parts); n == 0 || parts[n-1].Section != string(t.Rows[i].Section) {
			parts = append(parts, Part{Section: string(t.Rows[i].Section)})
			others = 0
		}
		last := &parts[len(parts)-1]
		last.Worked = append(last.Worked, t.Steps[i].Worked)
		if t.Rows[i].Colour == needle.Contrast {
			others++
		}
		last.Contrast = 2*others > len(last.Worked) // stripes of whole rounds leave it in the sock's own
	}
	return parts
}
