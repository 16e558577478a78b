// Package svg writes drawings as files of their own.
package svg

import (
	"fmt"
	"strings"

	"acornstep/sock/cloth/shape"
	"acornstep/sock/figures/document"
)

// Colours of a drawing: the sock's own yarn, and the contrast.
const (
	ownYarn      = "#55723a"
	contrastYarn = "#c07a3a"
)

// Of is the sock lying flat as a drawing of its own, a millimetre of it one unit.
func Of(d *shape.Profile, title string) []byte {
	var b strings.Builder
	const rim = 4
	fmt.Fprintf(&b, `<svg xmlns="http://www.w3.org/2000/svg" viewBox="%d %d %.1f %.1f" fill="none" stroke-linecap="round" stroke-width="1.2"><title>%s</title>`, -rim, -rim, d.Width+2*rim, d.Height+2*rim, escaped.Replace(printable(title)))
	for i := range d.Lines {
		line := &d.Lines[i]
		colour := ownYarn
		if line.Colour != "" {
			colour = contrastYarn
		}
		fmt.Fprintf(&b, `<path stroke="%s" d="`, colour)
		for k, p := range line.Points {
			fmt.Fprintf(&b, "%c%.2f %.2f", "ML"[min(k, 1)], p[0], d.Height-p[1])
		}
		b.WriteString(`"/>`)
	}
	b.WriteString("</svg>\n")
	return []byte(b.String())
}

// printable leaves out the letters that XML cannot hold.
func printable(text string) string {
	return strings.Map(func(r rune) rune {
		if document.Printable(r) {
			return r
		}
		return -1
	}, text)
}

var escaped = strings.NewReplacer("&", "&amp;", "<", "&lt;", ">", "&gt;", `"`, "&quot;")
