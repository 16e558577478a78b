package knit

import (
	"acornstep/sock/figures/at"
	"acornstep/sock/figures/measure"
	"acornstep/sock/figures/sheet"
	"acornstep/sock/figures/verdict"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/plan"
	"acornstep/sock/papers/yarn"
)

// About is what people read of a technique, and what choosing it means for a design.
type About struct {
	// Name is what the design calls it; Label stands on its card; Said is how it stands in a sentence.
	Name  string `json:"name"`
	Label string `json:"label"`
	Said  string `json:"said"`
	// Reason is why somebody takes it.
	Reason string `json:"reason"`
	// Term of the glossary that explains it.
	Term string `json:"term"`
	// Uses lists the fields of the design that mean something to it and to no other of its kind alone.
	Uses []at.Path `json:"uses"`
	// Resets lists the fields that are worked out anew when it is chosen.
	Resets []at.Path `json:"resets"`
	// Numbers can be typed exactly.
	Numbers []Number `json:"numbers"`
	// Allows restricts other fields: their possible values, the default first.
	Allows map[at.Path][]string `json:"-"`
	// Rows is what its rows are called: rounds or rows.
	Rows string `json:"rows"`
	// Leaves is what a turning style leaves on the needle at each turn.
	Leaves string `json:"-"`
	// InGarter is what a turning style asks of whoever turns so in garter; empty for most.
	InGarter string `json:"-"`
	// Counts is how many things it has the knitter count at once: our estimate.
	Counts int `json:"-"`
	// Shows lists the moves of the hands that belong to it, by their names, in the order of the work; a turning
	// style's are in its own book.
	Shows []string `json:"-"`
	// WidensFoot: a heel for which the foot grows wider before it is turned.
	WidensFoot bool `json:"-"`
	// AtEdges: a way of closing a corner that picks nothing up besides the edges.
	AtEdges bool `json:"-"`
	// Holds is how many rounds what it picks up in a corner usually stays; 0 for as many as a blank design says.
	Holds int `json:"-"`
	// Sides: a toe whose increases stand at its sides, so that from a row that went otherwise its rounds can be made anew.
	Sides bool `json:"-"`
}

// Number is a field of the design that an expert types.
type Number struct {
	Field  at.Path `json:"field"`
	Label  string  `json:"label"`
	Suffix string  `json:"suffix"`
	Hint   string  `json:"hint"`
}

// Usual figures stand in for the fields of a design that are typed as figures and left empty; by the field, in its unit.
func Usual() map[at.Path]float64 {
	d := design.Blank()
	return map[at.Path]float64{
		at.FitGirthEase: d.Fit.GirthEasePct, at.HeelFlapRowFactor: d.Heel.FlapRowFactor,
		at.FootLengthToe: float64(thumbLength), at.FootLengthHeel: float64(thumbLength),
		at.CornerPickUp: float64(d.Corner.PickUp), at.CornerHoldRounds: float64(d.Corner.HoldRounds),
		at.YarnBallGrams: d.Yarn.BallGrams, at.YarnBallMetres: d.Yarn.BallMetres,
	}
}

// Technique is anything that can be chosen by name.
type Technique interface{ About() *About }

// Kind is a field of the design for which techniques are listed.
type Kind struct {
	Field at.Path
	List  func() []Technique
}

// Kinds are all fields for which techniques are listed, in the order of the work.
var Kinds = []Kind{
	{at.ToeKind, listed(&toes)}, {at.ToeCastOn, listed(&castOns)}, {at.HeelKind, listed(&heels)}, {at.HeelTurn, listed(&turnings)},
	{at.CornerMethod, listed(&corners)}, {at.BindOff, listed(&bindOffs)},
}

func listed[T Technique](list *[]T) func() []Technique {
	return func() []Technique {
		all := make([]Technique, len(*list))
		for i, t := range *list {
			all[i] = t
		}
		return all
	}
}

// named finds a technique of a list; the first stands in for a name that nobody registered, which no design that was read has.
func named[T Technique](list []T, name string) T {
	for _, t := range list {
		if t.About().Name == name {
			return t
		}
	}
	return list[0]
}

func init() {
	for _, kind := range Kinds {
		for _, t := range kind.List() {
			register(kind.Field, t.About())
		}
	}
}

func register(field at.Path, a *About) {
	design.Register(design.Technique{Field: field, Name: a.Name, Uses: a.Uses, Allows: a.Allows, Shows: a.Shows,
		WidensFoot: a.WidensFoot, AtEdges: a.AtEdges, Holds: a.Holds})
}

// Said is how a technique stands in a sentence, by its field and name; the name itself for one that is no technique.
func Said(field at.Path, name string) string {
	for _, kind := range Kinds {
		if kind.Field != field {
			continue
		}
		for _, t := range kind.List() {
			if a := t.About(); a.Name == name {
				return a.Said
			}
		}
	}
	return name
}

// GrowsAtSides says whether the toe of a design increases at its sides.
func GrowsAtSides(d *design.Design) bool { return named(toes, d.Toe.Kind).About().Sides }

// Leaves is what the turns of a design leave on the needle, as people call it.
func Leaves(d *design.Design) string {
	if d.Uses(at.HeelTurn) {
		if leaves := named(turnings, d.Heel.Turn).About().Leaves; leaves != "" {
			return leaves
		}
	}
	return "stitches beyond the gap"
}

// Numbers are what the technique of a field that the sock has can be given exactly; none for a field without techniques.
func (s *Sock) Numbers(field at.Path) []Number {
	for _, kind := range Kinds {
		if kind.Field != field {
			continue
		}
		for _, t := range kind.List() {
			if a := t.About(); a.Name == s.Design.Get(field) {
				return a.Numbers
			}
		}
	}
	return nil
}

// Choose gives the changes that make a design's field this value: the value
// itself, and what has to be worked out anew with it. The one place where choices reset others.
func Choose(field at.Path, value any) design.Changes {
	changes := design.Changes{}
	for _, reset := range resets[field] {
		changes[reset] = nil
	}
	for _, kind := range Kinds {
		if kind.Field != field {
			continue
		}
		for _, t := range kind.List() {
			if t.About().Name == value {
				for _, reset := range t.About().Resets {
					changes[reset] = nil
				}
			}
		}
	}
	changes[field] = value
	return changes
}

// resets are the fields that choices other than techniques have worked out anew.
var resets = map[at.Path][]at.Path{
	at.FitMultiple: {at.Stitches},
	at.ToeStart:    {at.ToeStartStitches, at.ToeFastRounds},
	at.HeelShare:   {at.HeelStitches, at.HeelTurnsPerSide},
}

// Way is one way to use a technique that is worth trying beside others.
type Way struct {
	// Said is added to the technique's own name in a sentence; empty for its usual way.
	Said    string
	Changes design.Changes
}

// usualWay is what a technique without choices of its own has.
var usualWay = []Way{{"", design.Changes{}}}

// Drag is a number of the design that moves in even steps when a part of the drawing is dragged.
type Drag struct {
	Field at.Path
	Word  string
	// Step is how far the drawing moves, in mm, from one stop to the next; Now is the stop where it is, of Stops.
	Step       float64
	Now, Stops int
	// First is the field's value at stop 0, Each what a stop adds.
	First, Each float64
	// FirstCount rounds or turns are counted at stop 0, EachCount more at each stop.
	FirstCount, EachCount int
}

// Toe is a way to begin the sock.
type Toe interface {
	Technique
	// Size works out s.Toe; it may stop the sock.
	Size(s *Sock)
	// Work casts on and knits up to the full count.
	Work(w *worker, s *Sock)
	// Summarise says the toe's own counts, and Pin fixes them in a design.
	Summarise(s *Sock, into *plan.Summary)
	Pin(s *Sock, d *design.Design)
	// Explain writes the arithmetic of its numbers.
	Explain(s *Sock, on *sheet.Sheet)
	// Drag is how its depth is dragged; ok is false when it cannot be.
	Drag(s *Sock) (d Drag, ok bool)
	// Stitches is how many stitches it takes, without knitting it, to a twentieth.
	Stitches(s *Sock) float64
	// Ways are worth trying beside other toes.
	Ways() []Way
	// FewestFootRounds have to follow it: one that leaves a turn to the round after it needs that round.
	FewestFootRounds() int
	// Caution says what to know of it for this sock, and Ridged whether a foot feels ridges.
	Caution(s *Sock, say *verdict.Checks)
	Ridged() bool
}

// Heel is a way to turn the corner.
type Heel interface {
	Technique
	// Size works out s.Heel; it may stop the sock.
	Size(s *Sock)
	// Work knits from the start of a round on the foot to the end of the heel.
	Work(w *worker, s *Sock)
	Summarise(s *Sock, into *plan.Summary)
	Pin(s *Sock, d *design.Design)
	Explain(s *Sock, on *sheet.Sheet)
	Stitches(s *Sock) float64
	Ways() []Way
	// BeginsAt names the place on the foot where it begins when the sock is tried on.
	BeginsAt() string
	// DiagonalGirth is the relaxed girth round the point of the heel and the bend of the ankle.
	DiagonalGirth(s *Sock) measure.Length
	// Stretch is the share by which its fabric can stretch, and Roomier how it gets more room.
	Stretch(s *Sock) float64
	Roomier() string
	// Eases are the changes of its own that give more room round the instep, the least first.
	Eases(s *Sock) []Easing
	// Suits says what speaks for it on this foot, and by how many percent points of stretch it suits it less.
	Suits(d *design.Design) (reason string, misfit float64)
	// LapsOver says whether it may be worked over more than the sole, so that a back that lost stitches still has room for it.
	LapsOver() bool
	Ridged(s *Sock) bool
}

// Easing is a change that gives more room, and how it is said.
type Easing struct {
	Said    string
	Changes design.Changes
}

// Eases are the changes of the heel that give more room round the instep, and then the other heels.
func (s *Sock) Eases() []Easing {
	list := s.heel().Eases(s)
	for _, h := range heels {
		if about := h.About(); about.Name != s.Design.Heel.Kind {
			list = append(list, Easing{"a " + about.Said + " heel", Choose(at.HeelKind, about.Name)})
		}
	}
	return list
}

// Toes and Heels list the ways to begin the sock and to turn its corner, the usual one first.
func Toes() []Toe { return toes }

// Heels lists the ways to turn the corner, the usual one first.
func Heels() []Heel { return heels }

// Turnings lists the styles of short rows, the usual one first.
func Turnings() []Technique { return listed(&turnings)() }

func (s *Sock) toe() Toe         { return named(toes, s.Design.Toe.Kind) }
func (s *Sock) heel() Heel       { return named(heels, s.Design.Heel.Kind) }
func (s *Sock) turning() turning { return named(turnings, s.Design.Heel.Turn) }
func (s *Sock) corner() corner   { return named(corners, s.Design.Corner.Method) }

// ExplainToe and ExplainHeel write the arithmetic of the toe's and the heel's numbers.
func (s *Sock) ExplainToe(on *sheet.Sheet) { s.toe().Explain(s, on) }

// ExplainHeel writes the arithmetic of the heel's numbers.
func (s *Sock) ExplainHeel(on *sheet.Sheet) { s.heel().Explain(s, on) }

// ToeDrag is how the depth of the toe is dragged.
func (s *Sock) ToeDrag() (Drag, bool) { return s.toe().Drag(s) }

// Suits says what speaks for the heel on this foot, and how many percent points of stretch speak against it.
func (s *Sock) Suits() (reason string, misfit float64) { return s.heel().Suits(s.Design) }

// ToeRows is what the rows of the toe are called: rounds or rows.
func (s *Sock) ToeRows() string { return s.toe().About().Rows }

// Counting is how many things the sock has the knitter count at once: our estimate.
func (s *Sock) Counting() int {
	n := s.toe().About().Counts + s.heel().About().Counts
	if s.Design.Toe.Start != "half" && s.Design.Uses(at.ToeStart) {
		n++ // two rhythms of increasing
	}
	if s.Design.Uses(at.HeelTurn) {
		n += s.turning().About().Counts
	}
	return n
}

// StitchesBelowLeg counts the stitches of toe, foot with gusset, and heel from their
// sizes, without knitting them: together within a twentieth of what the rows have.
func (s *Sock) StitchesBelowLeg() (toe, foot, heel float64) {
	g := float64(s.Heel.GussetIncreases)
	foot = float64(s.FootRounds)*float64(s.Stitches) + 2*g*(g+1)
	return s.toe().Stitches(s), foot, s.heel().Stitches(s)
}

// LegYarn is what reckoning the ball needs to know of the leg.
func (s *Sock) LegYarn() yarn.Leg {
	return yarn.Leg{Stitches: s.LegStitches, CuffRounds: s.CuffRounds, OtherCuff: s.colourOf("cuff") != ""}
}

// shortRowStitches are the stitches of so many rows for each turn, and one over the
// turns on either side, over h stitches; the row in the middle of them is as long as the mean.
func shortRowStitches(each, turns int, h float64) float64 {
	return float64(each*turns+2) * (h - float64(turns))
}
