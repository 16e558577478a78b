package knit

import "acornstep/sock/rows/needle"

// castOn is a way to put the first loops on the needles.
type castOn struct {
	about About
	// turned lists the loops of s that sit with the leading leg behind, by the start loop.
	turned func(s int, startLoop string) [][2]int
	// begin says how the first loop comes on, by the start loop; nil where there is only one way.
	begin map[string]string
	// note is what the knitter looks at; square that for a square of garter, of which needle 1 is worked first, where it is another.
	note, square string
	// setUp is what there is to look for in the first round; it may be empty.
	setUp func(startLoop string) string
}

func (c castOn) About() *About { return &c.about }

// castOns lists the ways, the usual one first.
var castOns = []castOn{magicCastOn, turkishCastOn, figureEightCastOn, provisionalCastOn}

// castOnRing puts s loops on two needles as the design says.
func (w *worker) castOnRing(s *Sock, loops int, square bool) {
	w.enter(needle.CastOn)
	w.colour = s.colourOf("toe")
	w.begin(needle.FlatRow)
	w.do(needle.CO, loops)
	way := named(castOns, s.Design.Toe.CastOn)
	w.row.Turned = way.turned(loops, s.Design.Toe.StartLoop)
	w.remark(way.begin[s.Design.Toe.StartLoop])
	if square && way.square != "" {
		w.remark(way.square)
	} else {
		w.remark(way.note)
	}
	w.remark(s.tailNote())
	if s.Design.Needles == "short_circular" {
		w.remark("A short circular needle cannot hold a toe: begin on two needle tips, or a long loop, and go over to it when the toe is done.")
	}
	w.instep = loops / 2
	w.lay.begin(w, w.instep, loops-w.instep)
	row := w.end()
	if err := w.machine.LayTurned(row.Turned); err != nil {
		w.fail(err)
	}
}

// castOnChain picks up loops along a chain of waste yarn.
func (w *worker) castOnChain(s *Sock, loops int) {
	w.enter(needle.CastOn)
	w.colour = s.colourOf("toe")
	w.begin(needle.FlatRow)
	w.do(needle.COChain, loops)
	w.row.Side = needle.WS
	w.row.Note = named(castOns, s.Design.Toe.CastOn).note
	w.instep = loops
	w.lay.begin(w, loops, 0)
	w.end()
}
