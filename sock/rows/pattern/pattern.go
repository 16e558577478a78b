// Package pattern is the book of stitch patterns. A pattern is a value: what it
// is called, the operations of one repeat, and how it changes the fabric. It
// travels with the design that uses it.
package pattern

import (
	"fmt"
	"slices"

	"acornstep/sock/figures/document"
	"acornstep/sock/rows/needle"
)

// Pattern is a stitch pattern that repeats round the sock.
type Pattern struct {
	// Name is what a design calls it, Label what people read.
	Name  string `json:"name"`
	Label string `json:"label"`
	// Repeat is the number of stitches of one repeat.
	Repeat int `json:"repeat"`
	// Rounds are the operations of one repeat, a list for each round.
	Rounds []needle.Ops `json:"rounds"`
	// Width is the girth it gives, compared with stockinette of as many stitches.
	Width float64 `json:"width"`
	// Stretch is the share of its own girth by which it stretches before it is tight; 0 where nobody measured it.
	Stretch float64 `json:"stretch,omitempty"`
	// Shoe is what to know before wearing it in a shoe; empty for nothing.
	Shoe string `json:"shoe,omitempty"`
}

// Book lists the patterns that the program knows; the first is the default of the leg.
var Book = []*Pattern{
	stockinette, rib1x1, rib2x2, rib3x1, brokenRib, seedStitch, garterRib, dewLace, eyeletCable, basketRib,
}

// common are the names of patterns that every reader of designs knows; they need not travel.
var common = []string{"stockinette", "rib_1x1", "rib_2x2"}

// Find gives the pattern of this name: one of the given ones, else one of the book; nil when nobody knows it.
func Find(name string, own []Pattern) *Pattern {
	if i := slices.IndexFunc(own, func(p Pattern) bool { return p.Name == name }); i >= 0 {
		return &own[i]
	}
	if i := slices.IndexFunc(Book, func(p *Pattern) bool { return p.Name == name }); i >= 0 {
		return Book[i]
	}
	return nil
}

// All lists the book, and of a design's own patterns those that it lacks.
func All(own []Pattern) []*Pattern {
	all := slices.Clone(Book)
	for i := range own {
		if Find(own[i].Name, nil) == nil {
			all = append(all, &own[i])
		}
	}
	return all
}

// Travels says whether a design that uses the pattern takes it along.
func (p *Pattern) Travels() bool { return !slices.Contains(common, p.Name) }

// Plain says whether every stitch is knitted, in every round: nothing shows, and an edge of it rolls.
func (p *Pattern) Plain() bool {
	for _, round := range p.Rounds {
		for _, o := range round {
			if o.Code != needle.K {
				return false
			}
		}
	}
	return true
}

// Draws says in a few words what it does to the girth.
func (p *Pattern) Draws() string {
	const much = 0.85
	switch {
	case p.Width < much:
		return "draws in and holds the leg up"
	case p.Width < 1:
		return "draws in a little"
	case p.Width > 1:
		return "widens a little"
	default:
		return "does not draw in"
	}
}

// plainStretch is how far stockinette on a leg stretches before it is tight: a sock a fifth smaller than the leg.
const plainStretch = 1/0.80 - 1

// Gives is the share of its own girth by which the pattern stretches before it
// is tight. Where nobody measured it, it gives back what it draws in, and then as much as stockinette.
func (p *Pattern) Gives() float64 {
	if p.Stretch > 0 {
		return p.Stretch
	}
	return (1+plainStretch)/p.Width - 1
}

// Limits of a pattern that a design brings along.
const (
	maxText              = 80
	maxRepeat, maxRounds = 48, 96
	minWidth, maxWidth   = 0.4, 1.6
	maxStretch           = 2
)

// Validate says what is wrong with a pattern; every round has to take and leave one repeat.
func (p *Pattern) Validate() document.Faults {
	var faults document.Faults
	if p.Name == "" || len(p.Name) > maxText {
		faults.Add("name", "read %d characters; a pattern's name has 1 to %d", len(p.Name), maxText)
	}
	if p.Label == "" || len(p.Label) > maxText {
		faults.Add("label", "read %d characters; a pattern's label has 1 to %d", len(p.Label), maxText)
	}
	if p.Repeat < 1 || p.Repeat > maxRepeat {
		faults.Add("repeat", "read %d, possible is 1 to %d", p.Repeat, maxRepeat)
	}
	if p.Width < minWidth || p.Width > maxWidth {
		faults.Add("width", "read %g, possible is %g to %g", p.Width, minWidth, maxWidth)
	}
	if p.Stretch < 0 || p.Stretch > maxStretch {
		faults.Add("stretch", "read %g, possible is 0 to %d", p.Stretch, maxStretch)
	}
	if n := len(p.Rounds); n < 1 || n > maxRounds {
		faults.Add("rounds", "read %d rounds, possible is 1 to %d", n, maxRounds)
	}
	for i, round := range p.Rounds {
		takes, makes := 0, 0
		for _, o := range round {
			if !inRounds(o.Code) {
				faults.Add(fmt.Sprintf("rounds[%d]", i), "read %s, which no stitch pattern in the round has", o.Code)
				return faults
			}
			takes, makes = takes+o.N*o.Code.Takes(), makes+o.N*o.Code.Makes()
		}
		if takes != p.Repeat || makes != p.Repeat {
			faults.Add(fmt.Sprintf("rounds[%d]", i), "takes %d stitches and leaves %d, expected %d and %d", takes, makes, p.Repeat,
				p.Repeat)
		}
	}
	return faults
}

// inRounds says whether an operation may stand in a pattern: it needs no turn and nothing that a turn left.
func inRounds(c needle.Code) bool {
	switch c {
	case needle.K, needle.P, needle.Ktbl, needle.Ptbl, needle.Kfb, needle.Pfb, needle.M1, needle.M1L, needle.M1R, needle.M1P, needle.Sl,
		needle.YO:
		return true
	}
	return c.IsDecrease()
}

func op(code needle.Code, n int) needle.Op { return needle.Op{Code: code, N: n} }
