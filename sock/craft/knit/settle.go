package knit

import "acornstep/sock/rows/needle"

// asKnit names the operations that settle a loop as a knit stitch, asPurl as a
// purl: what to do with a plain loop, a double stitch, a wrapped loop, a
// pinned one, and with yarn-overs that lie before or beyond their stitch.
type settling struct {
	plain, double, wrapped, pinned, lifted needle.Code
	before, beyond                         [3]needle.Code // by the number of yarn-overs
}

var asKnit = settling{needle.K, needle.Kds, needle.KW, needle.KPin, needle.KLift,
	[3]needle.Code{needle.K, needle.K2tog, needle.K3tog}, [3]needle.Code{needle.K, needle.SSK, needle.SSSK}}

var asPurl = settling{needle.P, needle.Pds, needle.PW, needle.PPin, needle.PLift,
	[3]needle.Code{needle.P, needle.SSP, needle.SSSP}, [3]needle.Code{needle.P, needle.P2tog, needle.P3tog}}

// settling chooses by the side that shows, and by the place on a foot whose sole is smooth inside.
func (h *hands) settling() *settling {
	if (h.plain() == needle.P) != h.inside() {
		return &asPurl
	}
	return &asKnit
}

// inside says whether the next stitch is one of a sole, or of a heel on it, that is smooth inside.
func (h *hands) inside() bool {
	if !h.reverse[h.section] || h.fabric == needle.Garter {
		return false
	}
	at := h.machine.Cursor()
	if h.machine.Side() == needle.WS {
		at += h.machine.Count() - 1
	}
	return at%max(1, h.machine.Count()) >= h.machine.LoopsBefore(h.instep)
}

// sideEnds is how many of the next n stitches come before the work goes from the instep to the sole, or back.
func (h *hands) sideEnds(n int) int {
	if !h.reverse[h.section] {
		return n
	}
	at, all := h.machine.StitchesBefore(h.machine.Cursor()), h.machine.Stitches()
	if h.machine.Side() == needle.WS {
		at = (all - at) % max(1, all) // counted backward from the end of the sole
		if sole := all - h.instep; at < sole {
			return min(n, sole-at)
		}
		return min(n, all-at)
	}
	if at %= max(1, all); at < h.instep {
		return min(n, h.instep-at)
	}
	return min(n, all-at)
}

// settle works n stitches, each with whatever hangs on it from a turn that was
// made on the near side: its second leg, its wraps, its pin, or the yarn-overs before it.
func (h *hands) settle(n int) { h.settlePattern(n, false) }

// settleFar is settle for stitches that were turned on the far side, whose
// yarn-overs and pins lie beyond them.
func (h *hands) settleFar(n int) { h.settlePattern(n, true) }

// settlePattern settles n stitches, each as the pattern has it that the row crosses.
func (h *hands) settlePattern(n int, far bool) {
	if h.lace != nil && !far {
		n -= h.crossLace(n)
	}
	if h.over == nil || h.machine.Side() != needle.RS {
		for n > 0 && h.err == nil {
			alike := h.sideEnds(n)
			h.settleAs(h.settling(), alike, far)
			n -= alike
		}
		return
	}
	at, all := h.machine.StitchesBefore(h.machine.Cursor()), h.machine.Stitches()
	for n > 0 && h.err == nil {
		as, alike := h.inPattern(at), 1
		for alike < n && h.inPattern((at+alike)%all) == as {
			alike++
		}
		h.settleAs(as, alike, far)
		n, at = n-alike, (at+alike)%all
	}
}

func (h *hands) settleAs(as *settling, n int, far bool) {
	for ; n > 0 && h.err == nil; n-- {
		if ordinary := h.machine.OrdinaryAhead(n); ordinary > 0 && !far && !h.lifts {
			h.do(as.plain, ordinary)
			if n -= ordinary; n == 0 {
				return
			}
		}
		next, closed := h.machine.Peek(0), h.liftedFar
		h.liftedFar = false
		switch {
		case next.PinsBefore > 0 && !h.machine.AfterTurn() || // a pin where the work just turned waits beyond
			far && next.PinsAfter > 0:
			h.do(as.pinned, 1)
		case h.lifts && next.Kind == needle.Plain && next.Wraps == 0 && (far && next.GapAfter || next.GapBefore && !closed):
			h.do(as.lifted, 1)
			h.liftedFar = far && next.GapAfter
		case next.Kind == needle.YarnOver:
			overs := 1
			if h.machine.Peek(1).Kind == needle.YarnOver {
				overs = 2
			}
			h.do(as.before[overs], 1)
		case next.Kind == needle.Double:
			h.do(as.double, 1)
		case next.Wraps > 0:
			if h.fabric == needle.Garter {
				h.do(as.plain, 1) // in garter the wrap may stay: it does not show
			} else {
				h.do(as.wrapped, 1)
			}
		case far && h.machine.Peek(1).Kind == needle.YarnOver:
			overs := 1
			if h.machine.Peek(2).Kind == needle.YarnOver {
				overs = 2
			}
			h.do(as.beyond[overs], 1)
		case next.Turned && as.plain == needle.K:
			h.do(needle.Ktbl, 1)
		case next.Turned:
			h.do(needle.Ptbl, 1)
		default:
			h.do(as.plain, 1)
		}
	}
}
