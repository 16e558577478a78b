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
func (h *hands) castOnRing(s *Sock, loops int, square bool) {
	h.enter(needle.CastOn)
	h.colour = s.colourOf("toe")
	h.begin(needle.FlatRow)
	h.do(needle.CO, loops)
	way := named(castOns, s.Design.Toe.CastOn)
	h.row.Turned = way.turned(loops, s.Design.Toe.StartLoop)
	h.remark(way.begin[s.Design.Toe.StartLoop])
	if square && way.square != "" {
		h.remark(way.square)
	} else {
		h.remark(way.note)
	}
	h.remark(s.tailNote())
	if s.Design.Needles == "short_circular" {
		h.remark("A short circular needle cannot hold a toe: begin on two needle tips, or a long loop, and go over to it when the toe is done.")
	}
	h.instep = loops / 2
	h.lay.begin(h, h.instep, loops-h.instep)
	row := h.end()
	if err := h.machine.LayTurned(row.Turned); err != nil {
		h.fail(err)
	}
}

// castOnChain picks up loops along a chain of waste yarn.
func (h *hands) castOnChain(s *Sock, loops int) {
	h.enter(needle.CastOn)
	h.colour = s.colourOf("toe")
	h.begin(needle.FlatRow)
	h.do(needle.COChain, loops)
	h.row.Side = needle.WS
	h.row.Note = named(castOns, s.Design.Toe.CastOn).note
	h.instep = loops
	h.lay.begin(h, loops, 0)
	h.end()
}
