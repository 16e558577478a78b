package knit

import (
	"acornstep/sock/needle"
)

// AnklePlan says in which rounds the foot's count becomes the leg's.
type AnklePlan struct {
	// Before and After are the stitches that come (positive) or go before and after the heel.
	Before, After int
	// footRounds and legRounds are the rounds, counted from 1, that change the count.
	footRounds, legRounds []change
}

// change is a round that adds or takes away stitches: four, or two at the last.
type change struct {
	round    int
	stitches int
}

// restAfterChange are the plain rounds between two rounds that change the count.
const restAfterChange = 2

// ringAtHeel is the count that the heel meets: the heel takes whichever is in force.
func (s *Sock) ringAtHeel() int {
	return s.Stitches + s.Ankle.Before
}

func (s *Sock) changeBeforeHeel() int {
	difference := s.LegStitches - s.Stitches
	switch s.Design.Ankle.Change {
	case "before_heel":
		return difference
	case "split":
		return difference / 4 * 2 // an even part, so that the halves stay whole
	default:
		return 0
	}
}

// changes splits a difference into rounds of four, the last of two if need be.
func changes(difference int) []change {
	var list []change
	step := 4
	if difference < 0 {
		step = -4
	}
	for difference != 0 {
		if abs(difference) < abs(step) {
			step = difference
		}
		list = append(list, change{stitches: step})
		difference -= step
	}
	return list
}

// changeRound works a round that changes the count; instep is the new number on needle 1.
func (h *hands) changeRound(place string, stitches int) {
	front, back := changePlaces[place](stitches)
	instep, sole := h.instep, h.sole()
	h.round(func() { front.work(h, instep) }, func() { back.work(h, sole) })
	h.instep += front.gain()
}

// spots are the places on one needle where a stitch comes or goes.
type spots struct {
	start, middle, end int // −1, 0 or +1 each
}

func (p spots) gain() int { return p.start + p.middle + p.end }

func (p spots) work(h *hands, n int) {
	edge := func(at int, decrease, increase needle.Code, first bool) {
		if at == 0 {
			return
		}
		if first {
			h.do(needle.K, 1)
		}
		if at < 0 {
			h.do(decrease, 1)
		} else {
			h.do(increase, 1)
		}
		if !first {
			h.do(needle.K, 1)
		}
	}
	// What each spot takes from the needle: an edge stitch, and two for a decrease.
	taken := func(at int) int {
		switch {
		case at < 0:
			return 3
		case at > 0:
			return 1
		default:
			return 0
		}
	}
	rest := n - taken(p.start) - taken(p.end)
	edge(p.start, needle.SSK, needle.M1R, true)
	if p.middle != 0 {
		left := (rest - max(0, -2*p.middle)) / 2
		h.do(needle.K, left)
		if p.middle < 0 {
			h.do(needle.K2tog, 1)
			h.do(needle.K, rest-left-2)
		} else {
			h.do(needle.M1L, 1)
			h.do(needle.K, rest-left)
		}
	} else {
		h.do(needle.K, rest)
	}
	edge(p.end, needle.K2tog, needle.M1L, false)
}

// changePlaces says where four stitches, or two, come or go on each needle.
var changePlaces = map[string]func(stitches int) (instep, sole spots){
	"sides": func(stitches int) (spots, spots) {
		sign := stitches / abs(stitches)
		if abs(stitches) == 2 {
			return spots{start: sign}, spots{start: sign}
		}
		return spots{start: sign, end: sign}, spots{start: sign, end: sign}
	},
}
