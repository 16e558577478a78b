package hands

import (
	"slices"
	"strings"

	"acornstep/sock/figures/at"
	"acornstep/sock/papers/design"
	"acornstep/sock/rows/needle"
)

// move is the sequence that shows an operation where it stands, by its place in the row; empty for none.
func (r *reader) move(place int, o needle.Op) string {
	switch o.Code {
	case needle.CO, needle.COChain:
		return r.castOn(o.Code.String())
	case needle.BO:
		r.all(o.Code.String(), design.Find(at.BindOff, r.p.Design.BindOff).Shows)
		return ""
	case needle.K, needle.P:
		if !r.flat() && r.has(needle.K) && r.has(needle.P) {
			return "rib"
		}
		return o.Code.String()
	case needle.Sl:
		return r.slip(place)
	case needle.M1, needle.M1P:
		if r.turns.lifts && place > 0 && r.row.Ops[place-1].Code.IsDecrease() {
			return r.lifted(o.Code)
		}
		return o.Code.String()
	case needle.K2tog, needle.P2tog, needle.K3tog, needle.SSK, needle.SSP, needle.SSSK, needle.SSSP, needle.P3tog:
		return r.together(place, o.Code, r.onFlap())
	case needle.PU:
		return r.pick()
	case needle.PC:
		return r.corner()
	case needle.Turn:
		return r.turn(r.onFlap())
	case needle.Unzip, needle.Kfb, needle.Pfb, needle.Ktbl, needle.Ptbl, needle.M1L, needle.M1R:
		return o.Code.String()
	}
	return r.turning(place, o)
}

// turning is the sequence of an operation that belongs to a way of turning; empty for any other.
func (r *reader) turning(place int, o needle.Op) string {
	switch o.Code {
	case needle.YO:
		if place == 0 && r.turns.overs && r.flat() {
			return r.turns.begins + "-out" + r.id()
		}
		return o.Code.String()
	case needle.DS:
		if place == 0 && r.firstOfHeel() {
			return "double-first"
		}
		return "double-out" + r.id()
	case needle.Kds, needle.Pds:
		return r.back("double", o)
	case needle.WT:
		switch {
		case r.wraps > 1:
			return "wrap-second"
		case r.beside():
			return "wrapped-neighbour"
		}
		return "wrap-out" + r.id()
	case needle.KW, needle.PW:
		return r.back("wrap", o)
	case needle.SlPin:
		return "pin-out" + r.id()
	case needle.KPin, needle.PPin:
		return r.back("pin", o)
	case needle.KLift, needle.PLift:
		if r.flat() {
			return "klift" + worked(o)
		}
		return "lift-round"
	}
	return ""
}

// castOn shows the first loop where the cast-on has a way of its own for it, and adds every move of the cast-on.
func (r *reader) castOn(op string) string {
	toe := &r.p.Design.Toe
	shows := design.Find(at.ToeCastOn, toe.CastOn).Shows
	knot := slices.IndexFunc(shows, func(name string) bool { return strings.HasSuffix(name, "-knot") })
	if knot >= 0 && toe.StartLoop == "slip_knot" {
		return shows[knot]
	}
	r.all(op, shows)
	return ""
}

// slip is the sequence of a slipped stitch.
func (r *reader) slip(place int) string {
	switch flap := r.onFlap(); {
	case flap && r.decreases():
		return "flap-turn" + r.id()
	case flap && r.row.Side == needle.WS && r.firstOfHeel():
		return "flap-set-up"
	case flap:
		return "flap" + r.id()
	case r.turns.lifts && place == 0 && r.flat():
		return r.turns.begins + "-out" + r.id()
	}
	return "sl" + r.id()
}

// onFlap says whether the row belongs to a heel with a flap.
func (r *reader) onFlap() bool { return r.row.Section == needle.Heel && r.flaps }
