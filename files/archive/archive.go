// Package archive carries socks from one basket to another: a zip of files with
// readable names, and a manifest with a hash of each. docs/archive.md describes it.
package archive

import (
	"crypto/sha256"
	"encoding/base32"
	"encoding/hex"
	"fmt"
	"slices"
	"time"

	"acornstep/sock/needles/logbook"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/draft"
	"acornstep/sock/papers/plan"
)

// The format of a manifest.
const (
	Format  = "acorn-step.archive"
	Version = 1
)

// Limits of an archive that is read: what is beyond them was not made by this program.
const (
	MostBytes = 64 << 20
	mostFiles = 20_000
	// Unpacked, of one file, of one sock, and of all that are in a basket; the last is never in memory at once.
	mostOfOne    = 16 << 20
	mostOfSock   = 32 << 20
	mostUnpacked = 512 << 20
	// mostOfDraft is as much as the program takes of a design that is typed.
	mostOfDraft = 256 << 10
)

// What one part of a basket has at most when it leaves in parts: each can be opened again by itself.
const (
	PartSocks = 100
	PartBytes = 48 << 20
)

// Carries says what of a person goes along; nothing does unless it is ticked.
type Carries struct {
	// Wearer is the name of whoever the sock is for, Dates when everything happened.
	Wearer bool `json:"wearer"`
	Dates  bool `json:"dates"`
}

// Sock is what an archive carries of a sock. Measurements, their history and cautions never go along: only the sizes it was made for.
type Sock struct {
	// ID is that of the sock where it was made: the same one comes twice under the same.
	ID     string      `json:"id"`
	Name   string      `json:"name"`
	Wearer string      `json:"wearer,omitempty"`
	Notes  string      `json:"notes"`
	Draft  draft.Draft `json:"draft"`
	// Swatch is the gauge that was taken, and what its yarn is called; nil when the figures were typed.
	Swatch   *Swatch         `json:"-"`
	Editions []Edition       `json:"-"`
	Events   []logbook.Event `json:"-"`
}

// Swatch is what a sock took of one.
type Swatch struct {
	Stitches float64 `json:"stitches_per_100mm"`
	Rounds   float64 `json:"rounds_per_100mm"`
	Yarn     string  `json:"yarn"`
}

// Edition is a version of the plan that the sock was knitted from.
type Edition struct {
	Version      int     `json:"version"`
	Reason       string  `json:"reason"`
	HeelPlace    string  `json:"heel_place"`
	Places       []int   `json:"places,omitempty"`
	SecondPlaces []int   `json:"second_places,omitempty"`
	Holds        *[2]int `json:"holds,omitempty"`
	// Undecided is what is still to be decided for one sock of the pair.
	Undecided *logbook.Undecided `json:"undecided,omitempty"`
	Board     *design.Design     `json:"board,omitempty"`
	Created   *time.Time         `json:"created,omitempty"`
	Plan      *plan.Plan         `json:"-"`
	Second    *plan.Plan         `json:"-"`
}

// planOf is the plan by which a sock, 1 or 2, is knitted.
func (e *Edition) planOf(sock int) *plan.Plan {
	if sock == 2 && e.Second != nil {
		return e.Second
	}
	return e.Plan
}

// follows says what is wrong with an edition that is said to come after another, wherever both come from: every
// place of that one has a place in this one, in the same order, and neither says that more holds than there is.
func (e *Edition) follows(before *Edition) error {
	for sock := 1; sock <= 2; sock++ {
		places, old, now := e.Places, len(before.planOf(sock).Rows), len(e.planOf(sock).Rows)
		if sock == 2 && e.SecondPlaces != nil {
			places = e.SecondPlaces
		}
		switch {
		case len(places) != old+1:
			return fmt.Errorf("version %d: read %d places of sock %d; the version before it has %d", e.Version, len(places), sock, old+1)
		case !slices.IsSorted(places) || places[0] < 0 || places[old] > now:
			return fmt.Errorf("version %d: the places of sock %d are not places of its %d rows, in their order", e.Version, sock, now)
		case e.Holds != nil && (e.Holds[sock-1] < 0 || e.Holds[sock-1] > old):
			return fmt.Errorf("version %d: read %d rows of sock %d that hold; the version before it has %d", e.Version, e.Holds[sock-1],
				sock, old)
		}
	}
	return nil
}

// Manifest lists what is in an archive.
type Manifest struct {
	Format  string  `json:"format"`
	Version int     `json:"version"`
	Kind    string  `json:"kind"` // sock or basket
	Name    string  `json:"name"`
	Carries Carries `json:"carries"`
	Files   []File  `json:"files"`
}

// File is one of them.
type File struct {
	Name   string `json:"name"`
	Bytes  int    `json:"bytes"`
	SHA256 string `json:"sha256"`
}

// Hash is the same for archives of the same content, whatever zip made of it.
func (m *Manifest) Hash() string {
	h := sha256.New()
	for _, f := range m.Files {
		if f.Name != swatchName { // a swatch belongs to its book: it is told, not taken
			fmt.Fprintf(h, "%s %s\n", f.Name, f.SHA256)
		}
	}
	return hex.EncodeToString(h.Sum(nil))
}

// CopyID is the id of a copy that lies beside a sock which differs from it: the same for the same archive.
func (m *Manifest) CopyID() string {
	const letters = 12
	sum := sha256.Sum256([]byte(m.Hash()))
	return base32.StdEncoding.EncodeToString(sum[:])[:letters]
}
