// Package basket describes what a knitter keeps: socks by name, each with the
// draft of its design.
package basket

import (
	"errors"
	"fmt"
	"strings"
	"time"
	"unicode/utf8"

	"acornstep/sock/figures/document"
	"acornstep/sock/papers/draft"
)

// Sock is a sock in the basket.
type Sock struct {
	ID string `json:"id"`
	// Revision grows by one with each save; a save names the revision it was made on.
	Revision int         `json:"revision"`
	Name     string      `json:"name"`
	Wearer   string      `json:"wearer"`
	Draft    draft.Draft `json:"draft"`
	// Notes are free text about the design.
	Notes string `json:"notes"`
	// Foot and Swatch are what the design was made for, nil when its figures were typed.
	Foot   *FootTaken   `json:"foot,omitempty"`
	Swatch *SwatchTaken `json:"swatch,omitempty"`
	Digest Digest       `json:"digest"`
	// OnNeedles: it is being knitted, from a plan of its own.
	OnNeedles bool `json:"on_needles"`
	// Practice: it is a piece to practise on, and none of the basket.
	Practice bool `json:"practice,omitempty"`
	// News and Next are worked out when a sock is read, never kept.
	News    []News    `json:"news"`
	Next    Next      `json:"next"`
	Created time.Time `json:"created"`
	Updated time.Time `json:"updated"`
}

// Digest is what a list shows of a sock without working it out.
type Digest struct {
	// FootStitches and Rows are 0 while the design is not complete.
	FootStitches int `json:"foot_stitches"`
	Rows         int `json:"rows"`
	// CastOn is what the first row puts on the needles.
	CastOn int `json:"cast_on"`
	// Missing names what the design still lacks, in a few words.
	Missing string `json:"missing"`
}

// Page asks for a part of the basket.
type Page struct {
	// From counts the socks before it, Limit those that it has at most.
	From, Limit int
	// Find is looked for in the names of socks and wearers; empty for all.
	Find string
	// Practice asks for the pieces to practise on instead.
	Practice bool
}

// Use is a sock with the foot and the swatch that it was designed for, by their ids; empty for none.
type Use struct {
	ID, Name, WearerID, SwatchID string
}

// Longest texts, in characters.
const (
	MaxName   = 120
	MaxWearer = 80
	MaxNotes  = 5000
)

// Validate tidies name and wearer and says what is wrong with them.
func (s *Sock) Validate() document.Faults {
	var faults document.Faults
	s.Name, s.Wearer = strings.TrimSpace(s.Name), strings.TrimSpace(s.Wearer)
	if n := utf8.RuneCountInString(s.Name); n == 0 {
		faults.Add("name", "is empty: give the sock a name of 1 to %d characters", MaxName)
	} else if n > MaxName {
		faults.Add("name", "read %d characters; a name has at most %d", n, MaxName)
	}
	faults.Unprintable("name", s.Name)
	faults.Unprintable("wearer", s.Wearer)
	if n := utf8.RuneCountInString(s.Wearer); n > MaxWearer {
		faults.Add("wearer", "read %d characters; a wearer's name has at most %d", n, MaxWearer)
	}
	if n := utf8.RuneCountInString(s.Notes); n > MaxNotes {
		faults.Add("notes", "read %d characters; notes have at most %d", n, MaxNotes)
	}
	return faults
}

// Variant is a design that was put aside under a name.
type Variant struct {
	ID      string      `json:"id"`
	Name    string      `json:"name"`
	Draft   draft.Draft `json:"draft"`
	Created time.Time   `json:"created"`
}

// Validate tidies the name of a variant and says what is wrong with it.
func (v *Variant) Validate() document.Faults {
	var faults document.Faults
	v.Name = strings.TrimSpace(v.Name)
	if n := utf8.RuneCountInString(v.Name); n == 0 || n > MaxName {
		faults.Add("name", "read %d characters; a name has 1 to %d", n, MaxName)
	}
	faults.Unprintable("name", v.Name)
	return faults
}

// ErrChanged is given for a save that was made on an older revision. Nothing was written.
var ErrChanged = errors.New("it was changed elsewhere meanwhile: look at it again, nothing of it was overwritten")

// ErrNotFound is given for a sock that is not in the basket.
var ErrNotFound = errors.New("there is no such sock, foot, swatch or yarn here, or it was deleted")

// ErrInUse is given for something that cannot be removed, since something else stands on it.
var ErrInUse = errors.New("something that is kept still stands on it: a yarn or needle goes after the swatches that are knitted with it")

// InBinFor is how long deleted things can be brought back.
const InBinFor = 90 * 24 * time.Hour

// Discarded is something in the bin.
type Discarded struct {
	Kind string `json:"kind" enum:"sock,variant,reading,measurement,tracing,swatch,wearer,yarn,needle"`
	ID   string `json:"id"`
	Name string `json:"name"`
	// Of names what it belonged to; empty for what stands by itself.
	Of      string    `json:"of"`
	Deleted time.Time `json:"deleted"`
	// Until it can be brought back.
	Until time.Time `json:"until"`
}

// Stale is the error of a save that was made on an older revision. Nothing was written.
type Stale struct {
	// Current is the sock as it is kept now.
	Current Sock
	Given   int
}

func (s *Stale) Error() string {
	return fmt.Sprintf("the sock was changed elsewhere: this save was made on revision %d, and revision %d is kept", s.Given,
		s.Current.Revision)
}
