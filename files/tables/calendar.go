package tables

import (
	"bytes"
	"fmt"
	"strings"
	"time"

	"acornstep/sock/figures/day"
)

// Entry is something on whole days of the calendar, the last one included.
type Entry struct {
	Text     string
	From, To day.Date
}

// Calendar writes entries of a sock as whole-day events (RFC 5545).
func Calendar(id, name string, entries []Entry, now time.Time) []byte {
	var b bytes.Buffer
	line := func(format string, args ...any) { b.WriteString(fold(fmt.Sprintf(format, args...))) }
	on := func(d day.Date) string { return strings.ReplaceAll(string(d), "-", "") }
	line("BEGIN:VCALENDAR")
	line("VERSION:2.0")
	line("PRODID:-//Acorn Step//Plan//EN")
	for i, e := range entries {
		line("BEGIN:VEVENT")
		line("UID:%s-%d@acorn-step", id, i)
		line("DTSTAMP:%s", now.UTC().Format("20060102T150405Z"))
		line("DTSTART;VALUE=DATE:%s", on(e.From))
		line("DTEND;VALUE=DATE:%s", on(e.To.Add(1))) // the day after, as the format asks
		line("SUMMARY:%s", escape(name+": "+e.Text))
		line("END:VEVENT")
	}
	line("END:VCALENDAR")
	return b.Bytes()
}

var escaper = strings.NewReplacer(`\`, `\\`, ";", `\;`, ",", `\,`, "\n", `\n`, "\r", "")

func escape(text string) string { return escaper.Replace(text) }

// fold breaks a line after 75 octets, never within a character, as the format asks.
func fold(text string) string {
	const most = 75
	var b strings.Builder
	width := 0
	for _, r := range text {
		n := len(string(r))
		if width+n > most {
			b.WriteString("\r\n ")
			width = 1
		}
		b.WriteRune(r)
		width += n
	}
	b.WriteString("\r\n")
	return b.String()
}
