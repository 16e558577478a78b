package instructions

import "strings"

// forEyes begins what is said of a line and not read: what is counted after it.
const forEyes = " – "

// beforehand begins a line that says what to do, or to know, before a row; it is not read.
const beforehand = "Before "

// before names the row before which the note of an item is said; empty where there is none.
func (i *Item) before() string {
	if i.Note == "" {
		return ""
	}
	row, _, _ := strings.Cut(i.Label, " (")
	first, _, _ := strings.Cut(row, " to ")
	first, _, _ = strings.Cut(first, " and ")
	return beforehand + strings.Replace(strings.ToLower(first), "s ", " ", 1)
}

// Line is an item as lines of text, its note before what it is about.
func (i *Item) Line() string {
	text := i.Label + "."
	if i.Text != "" {
		text = i.Label + ": " + i.Text + "."
	}
	if i.Check != "" {
		text += forEyes + i.Check
	}
	if i.Note != "" {
		text = i.Before + ": " + strings.ReplaceAll(i.Note, "\n", " ") + "\n" + text
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
