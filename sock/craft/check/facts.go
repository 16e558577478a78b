package check

import (
	"acornstep/sock/rows/needle"
)

// facts are what the rows themselves say of a sock, gathered while they are knitted again.
type facts struct {
	castOn int
	chain  bool // cast on provisionally: the toe is knitted in short rows
	rows   map[needle.Section]int
	// toeIncreases are the rounds of the toe that increase; garterRows those of a square.
	toeIncreases, garterRows int
	foot                     int // stitches at the end of the toe
	// ring is the count that the heel met, and heelEnd what it left, yarn-overs of turns not counted.
	ring, heelEnd int
	heelRounds    int // full rounds between the halves of the heel
	heelGarter    bool
	// setUp is the number of loops that the first row of the heel works which begins on the wrong side; flapRows are
	// as long as it and lose nothing.
	setUp, flapRows int
	pickedUp        int // along the flap, with its corners
	gussetDecreases int // rounds of the gusset that decrease
	// leg is the count at the end of the leg, ankle that above the heel where pairs shape the leg; 0 where none do.
	leg, ankle int
	toe, heel  halves
}

// halves follow the turns of short rows while the work narrows.
type halves struct {
	left, right side
	// odd is 1 where the middle is a stitch, which is then counted to the left.
	odd int
}

// side is one edge of short rows: how many stitches lie between the middle
// and its newest turn, and how many turns there were while that shrank.
type side struct {
	turns, inside int
	widening      bool
}

// turn notes a turn with so many stitches between it and the middle of the work.
func (s *side) turn(inside int) {
	switch {
	case s.widening && s.turns == 0 && s.inside == 0:
		s.inside = inside // its only turn was run over on the way into a full round: this is the edge
	case s.widening:
	case s.turns > 0 && inside >= s.inside:
		s.widening = true
	default:
		s.turns, s.inside = s.turns+1, inside
	}
}

// span is the number of stitches over which the short rows go, where inside is
// counted from one place on both sides; turns are those on each side.
func (h *halves) span() (stitches, turns int) {
	if h.left == (side{widening: h.left.widening}) {
		// It never turned there: the heel lies about the middle all the same.
		return 2*(h.right.inside+h.right.turns) + h.odd, h.right.turns
	}
	return h.left.inside + h.left.turns + h.right.inside + h.right.turns, max(h.left.turns, h.right.turns)
}

// takes is the number of loops that a row works.
func takes(row *needle.Row) int {
	n := 0
	for _, o := range row.Ops {
		n += o.N * o.Code.Takes()
	}
	return n
}

func picksUp(row *needle.Row) int {
	n := 0
	for _, o := range row.Ops {
		if o.Code == needle.PU || o.Code == needle.PC {
			n += o.N
		}
	}
	return n
}

// shapesLeg says whether a round, with so many stitches before it, makes or takes away a pair at the centre back: two plain columns lie between
// its halves, also where the round begins between them. Pairs that lie elsewhere, or are more than one, change the count at the ankle.
func shapesLeg(row *needle.Row, before int) bool {
	if off := row.Stitches - before; off != 2 && off != -2 {
		return false
	}
	var codes []needle.Code
	var taken []int // stitches of the round before each
	for _, o := range row.Ops {
		for range o.N {
			next := 0
			if n := len(taken); n > 0 {
				next = taken[n-1] + codes[n-1].Takes()
			}
			codes, taken = append(codes, o.Code), append(taken, next)
		}
	}
	instep, sole := row.InstepBegins(), row.SoleBegins(before)
	centre := sole + (before-sole+instep)/2 // the second of the two columns
	at := func(i int) needle.Code { return codes[i%len(codes)] }
	for i := range codes {
		if at(i+1) != needle.K || at(i+2) != needle.K || taken[(i+2)%len(codes)] != centre%before {
			continue
		}
		first, last := at(i), at(i+3)
		grows := first == needle.M1R && last == needle.M1L
		narrows := (first == needle.SSK || first == needle.P2tog) && (last == needle.K2tog || last == needle.P2tog)
		if grows || narrows {
			return true
		}
	}
	return false
}

// endsInTurn says whether the work turns after the row.
func endsInTurn(row *needle.Row) bool {
	last := row.Ops[len(row.Ops)-1].Code
	return last == needle.Turn || last == needle.WT
}

// see notes what a row says that was just worked, with so many stitches on the needles before and after it.
func (f *facts) see(row *needle.Row, before, stitches int) {
	f.rows[row.Section]++
	switch row.Section {
	case needle.CastOn:
		f.castOn, f.chain = stitches, row.Ops[0].Code == needle.COChain
	case needle.Toe:
		if stitches > before {
			f.toeIncreases++
		}
		if row.Fabric == needle.Garter && !f.chain {
			f.garterRows++
		}
		f.foot = stitches
	case needle.Foot:
		// The first round settles the last turn of a short-row toe; one that makes the count even makes what the toe forgot.
		if f.rows[needle.Foot] == 1 && f.chain || f.foot%2 == 1 && stitches == f.foot+1 {
			f.foot = stitches
		}
	case needle.Heel:
		f.seeHeel(row, before, stitches)
	case needle.Gusset:
		up := picksUp(row)
		f.pickedUp += up
		if stitches < before+up {
			f.gussetDecreases++
		}
		f.leg = stitches
	case needle.Leg:
		if f.ankle == 0 && shapesLeg(row, before) {
			f.ankle = before
		}
		f.leg = stitches
	case needle.Cuff:
		if f.rows[needle.Leg] == 0 {
			f.leg = stitches
		}
	}
}

func (f *facts) seeHeel(row *needle.Row, before, stitches int) {
	f.heelEnd, f.leg = stitches, stitches
	if row.Fabric == needle.Garter {
		f.heelGarter = true
	}
	if row.Kind == needle.Round {
		f.heelRounds++
		f.heel.left.widening, f.heel.right.widening = true, true
		return
	}
	worked := takes(row)
	switch {
	case f.setUp == 0 && row.Side == needle.WS:
		f.setUp = worked
	case f.setUp > 0 && worked == f.setUp && stitches == before:
		f.flapRows++
	}
}
