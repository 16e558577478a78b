package knit

import (
	"slices"

	"acornstep/sock/papers/design"
	"acornstep/sock/papers/plan"
)

// Went is what really happened on the needles where it is not what was planned.
// The rows that are made with it are those that were knitted, as far as they
// are knitted, and from there on those that bring the sock back to its counts.
type Went struct {
	// CastOn is the number of loops on both needles together; 0 as the design has it.
	CastOn int
	// Toe are the rounds of a wedge toe that are knitted after its set-up round.
	Toe []ToeRound
	// Gusset are the rounds that are knitted after the one that picks up the second edge.
	Gusset []GussetRound
	// GussetFrom is the foot round, counted from 1, in which a gusset that is knitted before its heel began to increase; 0 where it has not.
	GussetFrom int
	// StripesFrom is the row, counted from 0, with which stripes begin that were decided when some rounds were knitted; 0 for the first that can have them.
	StripesFrom int
	// FootPlain are the foot rounds that are knitted while it has not.
	FootPlain int
}

// gussetAtSoonest is the first foot round in which such a gusset increases, or can; 0 where nothing is knitted of the foot.
func (w *Went) gussetAtSoonest() int {
	switch {
	case w == nil:
		return 0
	case w.GussetFrom > 0:
		return w.GussetFrom
	case w.FootPlain > 0:
		return w.FootPlain + 1
	}
	return 0
}

// ToeRound is what a round of a wedge toe adds at the start and the end of
// needle 1, and at the start and the end of needle 2: 1, 0, or -1 for a decrease.
type ToeRound [4]int

// plain says whether the round changes nothing.
func (r ToeRound) plain() bool { return r == ToeRound{} }

// increases says whether the round makes a stitch anywhere.
func (r ToeRound) increases() bool { return slices.Max(r[:]) > 0 }

// GussetRound is a round of the gusset: on which sides of the back it decreases.
type GussetRound struct{ Left, Right bool }

func (r GussetRound) decreases() bool { return r.Left || r.Right }

// MakeWent does as Make for a sock of which some rows are knitted, not all of them as they were planned.
func MakeWent(d design.Design, w Went) (*plan.Plan, error) {
	p, _, err := makeSock(d, &w, judgeAnyway)
	return p, err
}

// restOfToe brings two needles of so many stitches to the wanted count: the
// stitch that is odd first, at the end that has fewer so far, then two on each
// needle in every second round. The last round is a plain one.
func restOfToe(done []ToeRound, now [2]int, want int) []ToeRound {
	var rest []ToeRound
	var added ToeRound
	for _, r := range done {
		for end, n := range r {
			added[end] += n
		}
	}
	// Where the work stands on a round that changed the count, a plain one comes first.
	pause := len(done) > 0 && !done[len(done)-1].plain()
	for now[0] != want || now[1] != want {
		if pause {
			rest = append(rest, ToeRound{})
		}
		pause = true
		var round ToeRound
		for needle, n := range now {
			start, end := 2*needle, 2*needle+1
			step := 1
			if n > want {
				step = -1
			}
			switch off := (want - n) * step; {
			case off == 0:
			case off%2 == 0:
				round[start], round[end] = step, step
			case (added[end]-added[start])*step < 0:
				round[end] = step
			default:
				round[start] = step
			}
			now[needle] += round[start] + round[end]
			added[start] += round[start]
			added[end] += round[end]
		}
		rest = append(rest, round)
	}
	if last := len(rest) - 1; last >= 0 && !rest[last].plain() || last < 0 && pause {
		rest = append(rest, ToeRound{})
	}
	return rest
}

// toeAsItWent are all rounds of a wedge toe after its set-up round: those that are knitted, and the rest.
func (s *Sock) toeAsItWent() []ToeRound {
	castOn := s.went.CastOn
	now := [2]int{castOn / 2, castOn - castOn/2}
	for _, r := range s.went.Toe {
		now[0] += r[0] + r[1]
		now[1] += r[2] + r[3]
	}
	return append(s.went.Toe[:len(s.went.Toe):len(s.went.Toe)], restOfToe(s.went.Toe, now, s.Stitches/2)...)
}
