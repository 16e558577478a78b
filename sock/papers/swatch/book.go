package swatch

import (
	"strings"
	"time"
	"unicode/utf8"

	"acornstep/sock/figures/document"
	"acornstep/sock/figures/measure"
)

// Yarn is a yarn that somebody has.
type Yarn struct {
	ID       string  `json:"id"`
	Revision int     `json:"revision"`
	Name     string  `json:"name"`
	Grams    float64 `json:"ball_g"`
	Metres   float64 `json:"ball_m"`
	// Fibre and Note are free texts.
	Fibre string `json:"fibre"`
	Note  string `json:"note"`
}

// Needle is a needle that somebody has.
type Needle struct {
	ID       string `json:"id"`
	Revision int    `json:"revision"`
	// Size is the diameter in mm.
	Size measure.Length `json:"size_mm"`
	Name string         `json:"name"`
}

// Swatch is a piece knitted to find a gauge.
type Swatch struct {
	ID       string `json:"id"`
	Revision int    `json:"revision"`
	YarnID   string `json:"yarn_id"`
	NeedleID string `json:"needle_id"`
	// Form is round, flat or sock: the sock itself stands in for a swatch.
	Form   string `json:"form" enum:"round,flat,sock"`
	Washed bool   `json:"washed"`
	Note   string `json:"note"`
	// Readings of stitches and of rounds, the oldest first.
	Readings []Noted   `json:"readings"`
	Created  time.Time `json:"created"`
}

// Noted is one count on a swatch.
type Noted struct {
	ID string `json:"id"`
	// What is stitches or rounds.
	What  string         `json:"what" enum:"stitches,rounds"`
	Count float64        `json:"count"`
	Width measure.Length `json:"width_mm"`
}

// Of gives the readings of stitches or of rounds.
func (s *Swatch) Of(what string) []Reading {
	var list []Reading
	for _, t := range s.Readings {
		if t.What == what {
			list = append(list, Reading{t.Count, t.Width})
		}
	}
	return list
}

// Longest texts, in characters.
const (
	maxName = 80
	maxNote = 2000
)

func tooLong(faults *document.Faults, field, text string, most int) {
	if most == maxName {
		faults.Unprintable(field, text)
	}
	if n := utf8.RuneCountInString(text); n > most {
		faults.Add(field, "read %d characters; at most %d are kept", n, most)
	}
}

// Validate tidies a yarn and says what is wrong with it.
func (y *Yarn) Validate() document.Faults {
	var faults document.Faults
	y.Name, y.Fibre, y.Note = strings.TrimSpace(y.Name), strings.TrimSpace(y.Fibre), strings.TrimSpace(y.Note)
	if y.Name == "" {
		faults.Add("name", "is empty: give the yarn a name")
	}
	tooLong(&faults, "name", y.Name, maxName)
	tooLong(&faults, "fibre", y.Fibre, maxName)
	tooLong(&faults, "note", y.Note, maxNote)
	if y.Grams < 1 || y.Grams > 5000 {
		faults.Add("ball_g", "read %g; a ball weighs 1 to 5000 g", y.Grams)
	}
	if y.Metres < 1 || y.Metres > 50000 {
		faults.Add("ball_m", "read %g; a ball measures 1 to 50000 m", y.Metres)
	}
	return faults
}

// Thinnest and thickest needle, in mm.
const (
	thinnest = 0.5
	thickest = 15
)

// Validate tidies a needle and says what is wrong with it.
func (n *Needle) Validate() document.Faults {
	var faults document.Faults
	n.Name = strings.TrimSpace(n.Name)
	tooLong(&faults, "name", n.Name, maxName)
	if n.Size < thinnest || n.Size > thickest {
		faults.Add("size_mm", "read %g mm; a needle is %g to %d mm thick", float64(n.Size), thinnest, thickest)
	}
	return faults
}

// Validate tidies a swatch and says what is wrong with it; yarn and needle are the book's business.
func (s *Swatch) Validate() document.Faults {
	var faults document.Faults
	s.Note = strings.TrimSpace(s.Note)
	tooLong(&faults, "note", s.Note, maxNote)
	if s.Form != "round" && s.Form != "flat" && s.Form != "sock" {
		faults.Add("form", "read %.20q, expected round, flat or sock", s.Form)
	}
	return faults
}

// Validate says what is wrong with a count; unit is how lengths are shown.
func (t *Noted) Validate(unit measure.Unit) document.Faults {
	var faults document.Faults
	if t.What != "stitches" && t.What != "rounds" {
		faults.Add("what", "read %.20q, expected stitches or rounds", t.What)
	}
	const shortest, longest = 10, 1000
	if t.Width < shortest || t.Width > longest {
		faults.Add("width", "read %s; a count goes over %s to %s", unit.Show(t.Width), unit.Show(shortest), unit.Show(longest))
	} else if per100 := t.Count * 100 / float64(t.Width); t.Count <= 0 || per100 < 5 || per100 > 150 {
		faults.Add("count", "read %g over %s; that is no knitting: 5 to 150 over %s are", t.Count, unit.Show(t.Width), unit.Show(100))
	}
	return faults
}
