// Package day is a day of the calendar, without a clock or a time zone.
package day

import (
	"fmt"
	"time"
)

// Date is a day, written 2026-11-23. Dates sort as text.
type Date string

// layout of a Date.
const layout = time.DateOnly

// Parse reads a day of the years 1900 to 2200; the error says what was read.
func Parse(text string) (Date, error) {
	d, err := time.Parse(layout, text)
	if err != nil || d.Year() < 1900 || d.Year() > 2200 {
		return "", fmt.Errorf("read %.20q; a day looks like 2026-11-23", text)
	}
	return Date(text), nil
}

// Of is the day of a moment, in its own time zone.
func Of(moment time.Time) Date { return Date(moment.Format(layout)) }

// Text is the day as people write it, in the one form that every screen has: Nov 23, 2026.
func (d Date) Text() string { return d.time().Format("Jan 2, 2006") }

// Until counts the days to another date, fewer than none when that is over; both are valid.
func (d Date) Until(other Date) int { return int(other.time().Sub(d.time()) / (24 * time.Hour)) }

// Add is so many days later.
func (d Date) Add(days int) Date { return Of(d.time().AddDate(0, 0, days)) }

func (d Date) time() time.Time {
	t, _ := time.Parse(layout, string(d))
	return t
}
