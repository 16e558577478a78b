// Package strip is the whole sock in one line: how many stitches each row works, section by section.
package strip

import (
	"acornstep/sock/rows/knitted"
	"acornstep/sock/rows/needle"
)

// Part is a section of the strip.
type Part struct {
	Section string `json:"section"`
	Worked  []int  `json:"worked"`
	// Rows are those that people count: a turn alone is none.
	Rows int `json:"rows"`
	// Contrast: it is knitted in the other yarn, but for a row or two on the way there and back.
	Contrast bool `json:"contrast,omitempty"`
}

// onTheWay is how many rows of a heel in the other yarn are knitted in the sock's own.
const onTheWay = 2

// Of gives the strip of a sock; a row that only turns is as high as nothing.
func Of(t *knitted.Sock) []Part {
	var parts []Part
	others := 0 // rows of the part in the other yarn
	for i := range t.Rows {
		if n := len(parts); n == 0 || parts[n-1].Section != string(t.Rows[i].Section) {
			parts = append(parts, Part{Section: string(t.Rows[i].Section)})
			others = 0
		}
		last := &parts[len(parts)-1]
		last.Worked = append(last.Worked, t.Steps[i].Worked)
		if !t.Rows[i].TurnsOnly() {
			last.Rows++
		}
		if t.Rows[i].Colour == needle.Contrast {
			others++
		}
		last.Contrast = others > 0 && len(last.Worked)-others <= onTheWay
	}
	return parts
}
