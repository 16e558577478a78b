package document

import "unicode"

// Printable says whether a letter can stand in a name: it is no control letter, no break of lines in disguise, and none that XML forbids.
func Printable(r rune) bool {
	return !unicode.IsControl(r) && r != '\u2028' && r != '\u2029' && r != '\ufffe' && r != '\uffff' && r != unicode.ReplacementChar
}

// Unprintable finds a letter that no name can hold.
func (f *Faults) Unprintable(field, text string) {
	for _, r := range text {
		if !Printable(r) {
			f.Add(field, "read the letter U+%04X, which cannot be printed: leave it out", r)
			return
		}
	}
}
