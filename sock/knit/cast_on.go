package knit

import "acornstep/sock/needle"

// castOn is a way to put the first loops on two needles.
type castOn struct {
	// turned lists the loops of s that sit with the leading leg behind, by the start loop.
	turned func(s int, startLoop string) [][2]int
}

var castOns = map[string]castOn{
	"magic": magicCastOn,
}

// magicCastOn lays loops in turn on two needles held together. The loops of
// needle 2 lie with the leading leg behind; begun from a twist, its first one
// is already right.
var magicCastOn = castOn{
	turned: func(s int, startLoop string) [][2]int {
		switch startLoop {
		case "twist":
			return [][2]int{{s/2 + 1, s}}
		case "slip_knot":
			return [][2]int{{s / 2, s}}
		default:
			return nil
		}
	},
}

// castOnRing puts s loops on two needles as the design says.
func (h *hands) castOnRing(s *Sock, loops int) {
	h.enter(needle.CastOn)
	h.begin(needle.FlatRow)
	h.do(needle.CO, loops)
	h.row.Turned = castOns[s.Design.Toe.CastOn].turned(loops, s.Design.Toe.StartLoop)
	h.instep = loops / 2
	row := h.end()
	if err := h.machine.LayTurned(row.Turned); err != nil {
		h.fail(err)
	}
}
