package knit

import (
	"acornstep/sock/needle"
)

// wedgeToe starts with a strip of stitches and grows by four in each increase round.
type wedgeToe struct{}

// fewestToStart is the smallest strip that can be knitted on two needles.
const fewestToStart = 8

// wedgeStart chooses how many loops to cast on and how many of the increase
// rounds follow each other without a plain round between.
type wedgeStart func(s *Sock) (castOn, fast int)

var wedgeStarts = map[string]wedgeStart{
	"half": halfStart,
}

// halfStart is the largest even count not above half the stitches that leaves
// a multiple of four to add.
func halfStart(s *Sock) (castOn, fast int) {
	return largestStart(s.Stitches, s.Stitches/2), 0
}

// largestStart is the largest valid count for n stitches that is not above most.
func largestStart(n, most int) int {
	start := most - (most-n%4+4)%4
	return max(start, fewestToStart+(n%4))
}

func (wedgeToe) Size(s *Sock) {
	toe := s.Design.Toe
	n := s.Stitches
	castOn, fast := wedgeStarts[toe.Start](s)
	if given := toe.StartStitches; given != nil {
		castOn = *given
		if (n-castOn)%4 != 0 || castOn > n {
			s.say(Stop, "toe_start", "toe.start_stitches: read %d, but %d stitches round cannot be reached from it by fours. Start with %d or %d.",
				castOn, n, largestStart(n, castOn), min(largestStart(n, castOn)+4, n))
			return
		}
	}
	k := (n - castOn) / 4
	if given := toe.FastRounds; given != nil {
		fast = *given
	}
	if fast > k {
		s.say(Caution, "toe_fast_rounds", "The toe has only %d increase rounds, so not %d but all of them follow each other at once.", k, fast)
		fast = k
	}
	s.Toe = ToeSize{CastOn: castOn, IncreaseRounds: k, FastRounds: fast, Rounds: wedgeRounds(k, fast)}
	s.Toe.Length = s.Gauge.Height(float64(s.Toe.Rounds))
}

// wedgeRounds counts the set-up round, the fast increase rounds, and two
// rounds for each of the others; a toe always ends with a plain round.
func wedgeRounds(k, fast int) int {
	rounds := 1 + fast + 2*(k-fast)
	if fast == k {
		rounds++
	}
	return rounds
}

func (wedgeToe) Work(h *hands, s *Sock) {
	h.castOnRing(s, s.Toe.CastOn)
	h.enter(needle.Toe)
	h.setUpRound()
	increase := wedgeIncreases[s.Design.Toe.Increase]
	for i := range s.Toe.IncreaseRounds {
		each := h.instep
		h.round(func() { increase(h, each) }, func() { increase(h, each) })
		h.instep += 2
		if i >= s.Toe.FastRounds {
			h.plainRound()
		}
	}
	if s.Toe.FastRounds == s.Toe.IncreaseRounds {
		h.plainRound()
	}
}

// setUpRound knits the cast-on loops, those that lie turned through the back loop.
func (h *hands) setUpRound() {
	front, back := h.instep, h.sole()
	h.round(func() { h.settle(front) }, func() { h.settle(back) })
}

// wedgeIncreases are the ways to add two stitches to a needle of n, one near each end.
var wedgeIncreases = map[string]func(h *hands, n int){
	"kfb": func(h *hands, n int) {
		h.do(needle.K, 1)
		h.do(needle.Kfb, 1)
		h.do(needle.K, n-4)
		h.do(needle.Kfb, 1)
		h.do(needle.K, 1)
	},
}
