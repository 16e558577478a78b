package knitting

import (
	"errors"
	"fmt"
	"reflect"
	"slices"
	"time"

	"acornstep/sock/craft/knit"
	"acornstep/sock/figures/document"
	"acornstep/sock/needles/logbook"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/needle"
)

// Line is an edition in a line.
type Line struct {
	// Version counts the editions of a sock from 1.
	Version int `json:"version"`
	// Reason is why the edition before it was left; empty for the first.
	Reason  string    `json:"reason"`
	Created time.Time `json:"created"`
}

// Edition is one version of the plan that a sock is knitted from, as it is
// kept. The board may change the design meanwhile; what is on the needles
// follows its edition.
type Edition struct {
	Line
	// Plan is the document. A plan by others may lack a design.
	Plan *plan.Plan
	// Second is the plan of the second sock of the pair where its rows are others: mirrored, or decided for one
	// sock alone; nil where both are alike.
	Second *plan.Plan
	// HeelPlace names the place on the foot where the heel begins when the sock is tried on; empty when nobody said.
	HeelPlace string
	// Places are where each place of the edition before lies in this one: entry i is the row to come when i rows of
	// that one are done. Nil for the first edition.
	Places []int
	// SecondPlaces are those of the second sock where they are others; nil where they are not.
	SecondPlaces []int
	// Holds is, for each sock, up to how many rows done the edition before it and this one are the same sock: what is
	// knitted, and what is to be knitted alike. A tick of the edition before that says more was made on rows that became
	// others. Nil for the first edition, and where nobody kept it: then every tick is taken as it is.
	Holds *[2]int
	// Steps are what every edition up to this one says of the places of the one before it, by version; filled in
	// when an edition is read again.
	Steps []logbook.Step
	// Board is the design as the board had it when this was decided, without what was counted on the needles; nil when nobody kept it.
	Board *design.Design
	// Undecided is what happened to one sock and is still to be decided for the other; nil for nothing.
	Undecided *logbook.Undecided
	// SaidOffer names the [Offer] that was last said of it; empty while there was none.
	SaidOffer string
}

// Begin works a design out into the edition that a sock is begun from. What
// cannot be knitted is document.Faults.
func Begin(d design.Design) (*Edition, error) {
	p, sock, err := knit.MakeSock(d)
	if err != nil {
		return nil, err
	}
	if stop := p.Stopped(); stop != nil {
		return nil, document.Faults{{Message: stop.Text}}
	}
	e := &Edition{Line: Line{Version: 1}, Plan: p, HeelPlace: sock.HeelPlace(), Board: &d}
	e.Second, err = secondOf(p)
	return e, err
}

// SecondPlan is the plan by which the second sock is knitted.
func (e *Edition) SecondPlan() *plan.Plan {
	if e.Second != nil {
		return e.Second
	}
	return e.Plan
}

// PlanOf is the plan by which a sock, 1 or 2, is knitted.
func (e *Edition) PlanOf(sock int) *plan.Plan {
	if sock == 2 {
		return e.SecondPlan()
	}
	return e.Plan
}

// From is where rows of the edition before, one of each sock, lie in this one.
func (e *Edition) From(before [2]int) [2]int {
	for i, row := range before {
		places := e.Places
		if i == 1 && e.SecondPlaces != nil {
			places = e.SecondPlaces
		}
		if n := len(places); n > 0 {
			before[i] = places[min(row, n-1)]
		}
	}
	return before
}

// secondOf is the plan of the second sock of a pair, mirrored, and for its own foot where that differs; nil where its rows are the same.
func secondOf(p *plan.Plan) (*plan.Plan, error) {
	// What went otherwise on the needles is in the rows alone: whether mirroring changes any is asked of the design.
	first, err := knit.Make(p.Design)
	if err != nil {
		return nil, fmt.Errorf("first sock: %w", err)
	}
	second, err := knit.Make(p.Design.OfSecond())
	if err != nil {
		return nil, fmt.Errorf("second sock: %w", err)
	}
	if stop := second.Stopped(); stop != nil && p.Design.SecondFoot.Differs() {
		return nil, document.Faults{{Message: "the second foot: " + stop.Text}}
	}
	if second.Stopped() != nil || sameRows(first.Rows, second.Rows) {
		return nil, nil
	}
	return second, nil
}

// ErrNoRows is given for a plan that an older program kept as a design alone, from which no sock can be made any more.
var ErrNoRows = errors.New("this plan was kept without its rows, and its design gives no sock any more: its diary is safe; open it on the board, mend what is named there, and begin a new sock from it")

// Adopt makes the rows of a plan that was kept as a design alone. Judgements that came later do not stop what is on
// the needles already. It is the first edition that has rows; where those that were counted lie in it, whoever kept
// them knows.
func Adopt(d design.Design) (*Edition, error) {
	p, sock, err := knit.MakeAnyway(d)
	if err != nil {
		return nil, err
	}
	if len(p.Rows) == 0 {
		return nil, ErrNoRows
	}
	e := &Edition{Line: Line{Version: 1}, Plan: p, HeelPlace: sock.HeelPlace()}
	e.Second, err = secondOf(p)
	return e, err
}

func sameRows(a, b []needle.Row) bool { return slices.EqualFunc(a, b, SameRow) }

// sameLetter says whether two rows are the same in all that is written of them, where they lie on the needles and their notes included.
func sameLetter(a, b needle.Row) bool { return reflect.DeepEqual(a, b) }

func sameLetters(a, b []needle.Row) bool { return slices.EqualFunc(a, b, sameLetter) }

// SameRow says whether two rows are worked alike.
func SameRow(a, b needle.Row) bool {
	return a.ID == b.ID && a.Kind == b.Kind && a.Side == b.Side && a.Stitches == b.Stitches && a.Fabric == b.Fabric &&
		a.Colour == b.Colour &&
		slices.Equal(a.Ops, b.Ops) && slices.Equal(a.Markers, b.Markers)
}
