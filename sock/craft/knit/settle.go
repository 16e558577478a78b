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
func (w *worker) settling() *settling {
	if (w.plain() == needle.P) != w.inside() {
		return &asPurl
	}
	return &asKnit
}

// inside says whether the next stitch is one of a sole, or of a heel on it, that is smooth inside.
func (w *worker) inside() bool {
	if !w.reverse[w.section] || w.fabric == needle.Garter {
		return false
	}
	at := w.machine.Cursor()
	if w.machine.Side() == needle.WS {
		at += w.machine.Count() - 1
	}
	return at%max(1, w.machine.Count()) >= w.machine.LoopsBefore(w.instep)
}

// sideEnds is how many of the next n stitches come before the work goes from the instep to the sole, or back.
func (w *worker) sideEnds(n int) int {
	if !w.reverse[w.section] {
		return n
	}
	at, all := w.machine.StitchesBefore(w.machine.Cursor()), w.machine.Stitches()
	if w.machine.Side() == needle.WS {
		at = (all - at) % max(1, all) // counted backward from the end of the sole
		if sole := all - w.instep; at < sole {
			return min(n, sole-at)
		}
		return min(n, all-at)
	}
	if at %= max(1, all); at < w.instep {
		return min(n, w.instep-at)
	}
	return min(n, all-at)
}

// settle works n stitches, each with whatever hangs on it from a turn that was
// made on the near side: its second leg, its wraps, its pin, or the yarn-overs before it.
func (w *worker) settle(n int) { w.settlePattern(n, false) }

// settleFar is settle for stitches that were turned on the far side, whose
// yarn-overs and pins lie beyond them.
func (w *worker) settleFar(n int) { w.settlePattern(n, true) }

// settlePattern settles n stitches, each as the pattern has it that the row crosses.
func (w *worker) settlePattern(n int, far bool) {
	if w.lace != nil && !far {
		n -= w.crossLace(n)
	}
	if w.over == nil || w.machine.Side() != needle.RS {
		for n > 0 && w.err == nil {
			alike := w.sideEnds(n)
			w.settleAs(w.settling(), alike, far)
			n -= alike
		}
		return
	}
	at, all := w.machine.StitchesBefore(w.machine.Cursor()), w.machine.Stitches()
	for n > 0 && w.err == nil {
		as, alike := w.inPattern(at), 1
		for alike < n && w.inPattern((at+alike)%all) == as {
			alike++
		}
		w.settleAs(as, alike, far)
		n, at = n-alike, (at+alike)%all
	}
}

func (w *worker) settleAs(as *settling, n int, far bool) {
	for ; n > 0 && w.err == nil; n-- {
		if ordinary := w.machine.OrdinaryAhead(n); ordinary > 0 && !far && !w.lifts {
			w.do(as.plain, ordinary)
			if n -= ordinary; n == 0 {
				return
			}
		}
		next, closed := w.machine.Peek(0), w.liftedFar
		w.liftedFar = false
		switch {
		case next.PinsBefore > 0 && !w.machine.AfterTurn() || // a pin where the work just turned waits beyond
			far && next.PinsAfter > 0:
			w.do(as.pinned, 1)
		case w.lifts && next.Kind == needle.Plain && next.Wraps == 0 && (far && next.GapAfter || next.GapBefore && !closed):
			w.do(as.lifted, 1)
			w.liftedFar = far && next.GapAfter
		case next.Kind == needle.YarnOver:
			overs := 1
			if w.machine.Peek(1).Kind == needle.YarnOver {
				overs = 2
			}
			w.do(as.before[overs], 1)
		case next.Kind == needle.Double:
			w.do(as.double, 1)
		case next.Wraps > 0:
			if w.fabric == needle.Garter {
				w.do(as.plain, 1) // in garter the wrap may stay: it does not show
			} else {
				w.do(as.wrapped, 1)
			}
		case far && w.machine.Peek(1).Kind == needle.YarnOver:
			overs := 1
			if w.machine.Peek(2).Kind == needle.YarnOver {
				overs = 2
			}
			w.do(as.beyond[overs], 1)
		case next.Turned && as.plain == needle.K:
			w.do(needle.Ktbl, 1)
		case next.Turned:
			w.do(needle.Ptbl, 1)
		default:
			w.do(as.plain, 1)
		}
	}
}
