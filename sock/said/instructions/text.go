package instructions

import "strings"

// forEyes begins what is said of a line and not read: what is counted after it, what to know before.
const forEyes = " – "

// Line is an item as one line of text.
func (i *Item) Line() string {
	text := i.Label + "."
	if i.Text != "" {
		text = i.Label + ": " + i.Text + "."
	}
	for _, beside := range []string{i.Check, i.Note} {
		if beside != "" {
			text += forEyes + strings.ReplaceAll(beside, "\n", " ")
		}
	}
	return text
}

// Text is the instructions as lines, each section under its title.
func Text(sections []Section) string {
	var b strings.Builder
	for k := range sections {
		if k > 0 {
			b.WriteString("\n")
		}
		b.WriteString(strings.ToUpper(sections[k].Title) + "\n")
		for i := range sections[k].Items {
			b.WriteString(sections[k].Items[i].Line() + "\n")
		}
	}
	return b.String()
}
