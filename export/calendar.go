package export

import (
	"bytes"
	"fmt"
	"strings"
	"time"
)

// Part is a section that is still to be knitted.
type Part struct {
	Name  string
	Rows  int
	Takes time.Duration
}

// evening is how long somebody knits on one day, when nobody said otherwise: an estimate.
const evening = 90 * time.Minute

// Calendar writes the sections still to come as whole-day events (RFC 5545),
// one after the other from tomorrow on, an evening of knitting each day.
func Calendar(id, name string, parts []Part, now time.Time) []byte {
	var b bytes.Buffer
	line := func(format string, args ...any) { b.WriteString(fold(fmt.Sprintf(format, args...))) }
	line("BEGIN:VCALENDAR")
	line("VERSION:2.0")
	line("PRODID:-//Acorn Step//Plan//EN")
	day := now.AddDate(0, 0, 1)
	for i, p := range parts {
		days := max(1, int((p.Takes+evening-1)/evening))
		end := day.AddDate(0, 0, days)
		line("BEGIN:VEVENT")
		line("UID:%s-%d@acorn-step", id, i)
		line("DTSTAMP:%s", now.UTC().Format("20060102T150405Z"))
		line("DTSTART;VALUE=DATE:%s", day.Format("20060102"))
		line("DTEND;VALUE=DATE:%s", end.Format("20060102"))
		line("SUMMARY:%s", escape(fmt.Sprintf("%s: %s, %d rows", name, strings.ReplaceAll(p.Name, "_", " "), p.Rows)))
		line("END:VEVENT")
		day = end
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
