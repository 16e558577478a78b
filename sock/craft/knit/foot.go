package knit

import (
	"acornstep/sock/figures/measure"
	"acornstep/sock/figures/verdict"
	"acornstep/sock/rows/needle"
)

// LengthSchool is a way to know what toe and heel take of the foot.
type LengthSchool struct {
	Name string
	// takes gives the lengths to subtract.
	takes func(s *Sock) (toe, heel measure.Length)
}

// thumbLength is what the rule of thumb takes for a toe and for a heel, where nobody says what theirs takes: 38 to 50 mm are usual.
const thumbLength measure.Length = 45

// shortest is how much shorter than its foot a sock may come out by a school that does not count its rows.
const shortest measure.Length = 20

var schools = []LengthSchool{
	{"exact", func(s *Sock) (toe, heel measure.Length) { return s.Toe.Length, s.Heel.Length }},
	{"from_sock", func(s *Sock) (toe, heel measure.Length) { return s.givenOr(thumbLength) }},
	{"thumb", func(s *Sock) (toe, heel measure.Length) { return s.givenOr(thumbLength) }},
}

var lengthSchools = func() map[string]func(*Sock) (toe, heel measure.Length) {
	m := map[string]func(*Sock) (toe, heel measure.Length){}
	for _, school := range schools {
		m[school.Name] = school.takes
	}
	return m
}()

// givenOr is what the design says of a sock that fits, or the same length for both.
func (s *Sock) givenOr(otherwise measure.Length) (toe, heel measure.Length) {
	toe, heel = otherwise, otherwise
	if given := s.Design.FootLength.Toe; given != nil {
		toe = *given
	}
	if given := s.Design.FootLength.Heel; given != nil {
		heel = *given
	}
	return toe, heel
}

// BySchool is the foot by one school.
type BySchool struct {
	School string
	Rounds int
	// Length is what the sock then measures from tip to heel, by the rows that toe and heel really have.
	Length measure.Length
}

// FootRoundsBy is the number of foot rounds that each school gives, the exact one first.
func (s *Sock) FootRoundsBy() []BySchool {
	var list []BySchool
	for _, school := range schools {
		toe, heel := school.takes(s)
		rounds := max(0, s.roundsLeft(toe, heel))
		list = append(list, BySchool{school.Name, rounds, s.Toe.Length + s.Gauge.Height(float64(rounds)) + s.Heel.Length})
	}
	return list
}

// sizeFoot finds the rounds between toe and heel: what is left of the length
// when toe and heel are taken off by the school that the design follows.
func (s *Sock) sizeFoot() {
	d := s.Design
	s.FinishedLength = d.Foot.Length - d.Fit.LengthEase
	toe, heel := s.SchoolTakes()
	s.FootRounds = s.roundsBeforeHeel()
	if s.FootRounds < s.fewestFootRounds() {
		s.Checks.Say(verdict.OnLength, verdict.Stop, "no_foot_left",
			"Toe (%s) and heel (%s) are longer than the sock (%s): nothing is left for the foot. Choose a shorter toe, fewer turns or flap rows, or a finer gauge.",
			toe, heel, s.FinishedLength)
		return
	}
	s.HeelStarts = s.Toe.Length + s.Gauge.Height(float64(s.FootRounds))
	s.judgeLength()
}

// judgeLength says when rounds that were not counted from the rows of toe and heel make no sock for this foot.
func (s *Sock) judgeLength() {
	if s.Design.FootLength.School == "exact" && s.Design.FootLength.Rounds == nil {
		return
	}
	real, foot := s.HeelStarts+s.Heel.Length, s.Design.Foot.Length
	switch {
	case real > foot:
		s.Checks.Say(verdict.OnLength, verdict.Caution, "foot_long",
			"With toe and heel as they are knitted this sock measures %s, more than the foot's %s: it starts the heel too late.", real, foot)
	case real < foot-shortest:
		s.Checks.Say(verdict.OnLength, verdict.Caution, "foot_short",
			"With toe and heel as they are knitted this sock measures %s, %s less than the foot: it starts the heel too soon.", real, foot-real)
	}
}

// roundsBeforeHeel is how many rounds the foot has, as its school reckons or as they are given.
func (s *Sock) roundsBeforeHeel() int {
	if given := s.Design.FootLength.Rounds; given != nil {
		return *given
	}
	return s.roundsLeft(s.SchoolTakes())
}

// roundsLeft is what remains of the sock's length without toe and heel, in rounds; negative when they are longer than it.
func (s *Sock) roundsLeft(toe, heel measure.Length) int {
	return s.Gauge.RoundsIn(s.Design.Foot.Length - s.Design.Fit.LengthEase - toe - heel)
}

// fewestFootRounds is what the toe asks for.
func (s *Sock) fewestFootRounds() int { return s.toe().FewestFootRounds() }

// gussetFrom is the first foot round that may increase for a gusset; after the last round when there is none. One that was begun goes on
// from where it was, and what lies between its last increase and a heel that comes later is plain.
func (s *Sock) gussetFrom() int {
	if s.went != nil && s.went.GussetFrom > 0 && s.Heel.GussetIncreases > 0 {
		return s.went.GussetFrom
	}
	return max(s.went.gussetAtSoonest(), s.FootRounds-2*s.Heel.GussetIncreases+1)
}

// foot knits straight from the toe to the heel, with the rounds that change
// the count and those that increase for a gusset.
func (s *Sock) foot(w *worker) {
	w.enter(needle.Foot)
	extra := s.extraToeRounds()
	for i := 1; i <= s.FootRounds; i++ {
		if w.colour = s.colourOf("toe"); i > extra {
			w.stripe(s)
		}
		stitches := changeIn(s.Ankle.footRounds, i)
		switch from := s.gussetFrom(); {
		case stitches != 0:
			w.changeRound(s.placeOnFoot(stitches), stitches)
		case i >= from && (i-from)%2 == 0 && (i-from)/2 < s.Heel.GussetIncreases:
			s.gussetIncreaseRound(w)
		default:
			front, back := w.instep, w.sole()
			w.round(func() { s.workInstep(w, front) }, func() { s.workSole(w, back) })
		}
		if i == 1 {
			s.beginInstep(w)
		}
	}
	s.beginInstep(w)
}

// extraToeRounds are the rounds of the foot that go on in the toe's colour.
func (s *Sock) extraToeRounds() int {
	if s.colourOf("toe") == "" {
		return 0
	}
	return min(s.FootRounds, s.Gauge.RoundsIn(s.Design.Toe.ColourExtra))
}

// beginInstep lays the instep's pattern out, after the round that settles what a toe may have left.
func (s *Sock) beginInstep(w *worker) {
	switch p := s.instepPattern(); {
	case laysOut(p):
		w.layOut(p, false)
	case !p.Plain():
		w.lace = p
	}
}

// placeOnFoot is where the count changes before the heel. Only a short-row heel
// can lap over on the instep; the others need a sole of half the stitches, so
// there the back cannot have the whole change; nor can it have an odd pair,
// which would put the heel beside the middle.
func (s *Sock) placeOnFoot(stitches int) string {
	if place := s.Design.Ankle.Place; place != "back" || s.heel().LapsOver() && stitches%4 == 0 {
		return place
	}
	return "sides"
}

// workSole works stitches of the sole: smooth outside, or inside for skin that dislikes purl bumps.
func (s *Sock) workSole(w *worker, n int) {
	if w.reverse[needle.Foot] {
		w.settleAs(&asPurl, n, false)
		return
	}
	w.settle(n)
}

// workInstep works all stitches of the instep, in its pattern if it has one.
func (s *Sock) workInstep(w *worker, n int) {
	p := s.instepPattern()
	if w.section == needle.Foot && w.row.N == 1 {
		w.settleFar(1) // a short-row toe leaves its last turn to the first stitch
		w.settle(n - 1)
		return
	}
	if p.Plain() || w.over != nil || w.lace != nil {
		w.settle(n)
		return
	}
	w.patternCentred(p, w.instepRow, n)
	w.instepRow++
}

// SchoolTakes is what the school of the design takes off the foot for toe and heel.
func (s *Sock) SchoolTakes() (toe, heel measure.Length) {
	return lengthSchools[s.Design.FootLength.School](s)
}
