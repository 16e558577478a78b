package web

import (
	"context"

	"acornstep/sock/figures/day"
	"acornstep/sock/figures/measure"
	"acornstep/sock/needles/knitting"
	"acornstep/sock/needles/logbook"
	"acornstep/sock/needles/replan"
	"acornstep/sock/needles/tally"
	"acornstep/sock/papers/draft"
	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/strip"
	"acornstep/sock/said/position"
)

// Logbook keeps the plans that are knitted, and what happens on the needles.
type Logbook interface {
	AddEvents(ctx context.Context, sockID string, events []logbook.Event) (clashes []int, err error)
	Events(ctx context.Context, sockID string, after int64) ([]logbook.Event, int64, error)
	Editions(ctx context.Context, sockID string) ([]knitting.Line, error)
	// EditionsInBin are those of a sock that lies in the bin.
	EditionsInBin(ctx context.Context, sockID string) ([]knitting.Line, error)
	Edition(ctx context.Context, sockID string, version int) (*knitting.Edition, error)
	AddEdition(ctx context.Context, sockID string, e *knitting.Edition, at [2]int) error
	SayOffer(ctx context.Context, sockID string, version int, offer string) error
}

// KnitView is everything that knitting mode needs, also without a connection.
type KnitView struct {
	ID     string `json:"id"`
	Name   string `json:"name"`
	Wearer string `json:"wearer"`
	// Version of the plan that is knitted, and the versions before it; 0 while nothing is cast on.
	Version  int             `json:"version"`
	Versions []knitting.Line `json:"versions"`
	Rows     []knitting.Row  `json:"rows"`
	// Needles before each row and after the last.
	Needles []position.Needles `json:"needles"`
	Strip   []strip.Part       `json:"strip"`
	// HeelStartsAt is from the tip of the toe, in mm, HeelPlace where that lies on the foot.
	HeelStartsAt measure.Length `json:"heel_starts_at_mm"`
	HeelPlace    string         `json:"heel_place"`
	// Tellable is what can have gone otherwise, of each sock and in which rows.
	Tellable [2][]replan.Tellable `json:"tellable"`
	// Cautions about the health of whoever wears it, each at the section in which it matters.
	Cautions []plan.Caution `json:"cautions"`
	// Ready is what lies ready before casting on.
	Ready []string `json:"ready"`
	// Second are the rows of the second sock, and its needles, where the mirrored sock is knitted otherwise.
	Second        []knitting.Row     `json:"second,omitempty"`
	SecondNeedles []position.Needles `json:"second_needles,omitempty"`
	// Apart is where the socks of the pair differ, beyond being mirrored.
	Apart *replan.Apart `json:"apart,omitempty"`
	// Undecided is what happened to one sock and is still to be decided for the other.
	Undecided *logbook.Undecided `json:"undecided,omitempty"`
	// Offer is said once where this program would knit rows to come otherwise than the one that made the plan.
	Offer *knitting.Offer `json:"offer,omitempty"`
	// Course is where the rows of each version lie in the newest, for both socks, and how far they are the same rows.
	Course logbook.Courses `json:"course"`
	// Asked are ticks of rows that became others before they were heard.
	Asked []Strayed `json:"asked"`
	// Events that were written down, and the number of the last.
	Events []logbook.Event `json:"events"`
	Seq    int64           `json:"seq"`
	Tally  tally.Tally     `json:"tally"`
}

// OfferAnswer takes an offer to plan the rows to come anew, or leaves it.
type OfferAnswer struct {
	Version int    `json:"version"`
	Name    string `json:"name"`
	Take    bool   `json:"take"`
}

// today is the day on this machine.
func (s *server) today() day.Date { return day.Of(s.Now()) }

// startKnitting keeps the plan of the design, whole, as the first edition; for a
// sock that is on the needles already it changes nothing.
func (s *server) startKnitting(c call[nothing]) (KnitView, error) {
	sock, err := s.Basket.Get(c, c.ID)
	if err != nil {
		return KnitView{}, err
	}
	versions, err := s.Logbook.Editions(c, c.ID)
	if err != nil {
		return KnitView{}, err
	}
	if len(versions) == 0 {
		r := draft.Read(sock.Draft, measure.Centimetres)
		if err := r.Faults.Err(); err != nil {
			return KnitView{}, err
		}
		e, err := knitting.Begin(r.Design)
		if err != nil {
			return KnitView{}, err
		}
		if err := s.Logbook.AddEdition(c, c.ID, e, [2]int{}); err != nil {
			return KnitView{}, err
		}
	}
	return s.knitting(c)
}

// knitting is a sock on the needles, or one that could be cast on, to be read.
func (s *server) knitting(c call[nothing]) (KnitView, error) {
	sock, err := s.Basket.Get(c, c.ID)
	if err != nil {
		return KnitView{}, err
	}
	versions, err := s.Logbook.Editions(c, c.ID)
	if err != nil {
		return KnitView{}, err
	}
	if len(versions) == 0 {
		return shared(c, s.heavy, ofPreview, func() (KnitView, error) { return s.preview(&sock) })
	}
	o, err := s.shelf.sock(c, c.ID)
	if err != nil {
		return KnitView{}, err
	}
	if o, err = s.follow(c, &sock, o); err != nil {
		return KnitView{}, err
	}
	v := viewOfNeedles(&sock, o, o.tally(s.today()))
	done := o.done(s.today())
	v.Offer, v.Apart = o.Offer(done), replan.ApartOf(o.Edition)
	if u := o.Undecided; u != nil && !o.Off(u.Sock, done) {
		v.Undecided = u
	}
	v.Asked, err = s.strayed(c, o, v.Tally.Book.Strays)
	return v, err
}

// answerOffer takes the rows of today's program for what is still to come, or
// leaves the plan as it is; either way the offer is not said again.
func (s *server) answerOffer(c call[OfferAnswer]) (KnitView, error) {
	o, err := s.shelf.sock(c, c.ID)
	if err != nil {
		return KnitView{}, err
	}
	offer := o.Offer(o.done(s.today()))
	if c.Asked.Version == o.Version && offer != nil && offer.Name == c.Asked.Name {
		if err := s.Logbook.SayOffer(c, c.ID, o.Version, offer.Name); err != nil {
			return KnitView{}, err
		}
		s.shelf.forget(c.ID, o.Version)
		if c.Asked.Take {
			next := offer.Taken()
			if err := s.Logbook.AddEdition(c, c.ID, next, next.From(o.places(s.today()))); err != nil {
				return KnitView{}, err
			}
		}
	}
	return s.knitting(call[nothing]{Context: c.Context, ID: c.ID})
}
