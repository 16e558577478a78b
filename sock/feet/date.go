package feet

import (
	"fmt"
	"time"
)

// Date is a day, written 2026-11-23.
type Date string

// layout of a Date.
const layout = time.DateOnly

// ParseDate reads a day; the error says what was read.
func ParseDate(text string) (Date, error) {
	day, err := time.Parse(layout, text)
	if err != nil || day.Year() < 1900 || day.Year() > 2200 {
		return "", fmt.Errorf("read %.20q; a day looks like 2026-11-23", text)
	}
	return Date(text), nil
}

// DateOf is the day of a moment, in its own time zone.
func DateOf(moment time.Time) Date { return Date(moment.Format(layout)) }

// daysUntil counts the days to another date; dates are valid.
func (d Date) daysUntil(other Date) float64 {
	from, _ := time.Parse(layout, string(d))
	to, _ := time.Parse(layout, string(other))
	return to.Sub(from).Hours() / 24
}
