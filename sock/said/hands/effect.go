package hands

import "acornstep/sock/rows/needle"

// Effect is what a move does to a needle: what it declares, a row that opens it has to do, at that place.
type Effect struct {
	// Ops are the operations that it is the sequence of.
	Ops []needle.Code
	// Side faces the knitter while it is done; empty for either.
	Side needle.Side
	// Takes is what lies on the needle for it.
	Takes Taken
	// First: it comes right after a turn, before anything else.
	First bool
	// Turn says whether the row turns when it is done.
	Turn Turning
	// Bare: nothing is slipped, pulled up, laid over or hung after the turn.
	Bare bool
	// Wraps is how many wraps it leaves round the stitch that waits.
	Wraps int
}

// Taken is what is special about the loops that a move takes.
type Taken uint8

// What a move can take.
const (
	AnyLoop Taken = iota
	DoubleStitch
	WrappedStitch
	OverAndStitch
	PinnedLoop
	StrandOfGap
)

// Turning says whether a row turns at the end of a move.
type Turning int8

// Whether a row turns.
const (
	RunsOn Turning = iota - 1
	MayTurn
	Turns
)

// Effect is what the sequence declares to do; it has no operations where the hands only hold something, or no row opens it.
func (q *Sequence) Effect() Effect { return effects[q.Name] }

// effects are what the moves declare, by their names.
var effects = func() map[string]Effect {
	is := func(list ...needle.Code) []needle.Code { return list }
	all := map[string]Effect{
		"co-magic": {Ops: is(needle.CO)}, "co-magic-knot": {Ops: is(needle.CO)}, "co-turkish": {Ops: is(needle.CO)},
		"co-figure-eight": {Ops: is(needle.CO)}, "co-chain": {Ops: is(needle.COChain)}, "unzip": {Ops: is(needle.Unzip)},
		"garter-edge": {Ops: is(needle.PU)}, "pick-up-left": {Ops: is(needle.PU)}, "pick-up-right": {Ops: is(needle.PU)},
		"corner-bar-left": {Ops: is(needle.PC)}, "corner-bar-right": {Ops: is(needle.PC)},
		"outer-legs": {Ops: is(needle.PC)}, "one-strand": {Ops: is(needle.PC)},
		"wrapped-neighbour": {Ops: is(needle.WT), Turn: Turns, Wraps: 1},
		"corner-gone":       {Ops: is(needle.K2tog, needle.P2tog), Turn: RunsOn}, "gusset": {Ops: is(needle.K2tog, needle.SSK), Turn: RunsOn},
		"rib": {Ops: is(needle.K, needle.P)}, "turn": {Ops: is(needle.Turn), Turn: Turns, Bare: true},
		"sl-rs": {Ops: is(needle.Sl), Side: needle.RS}, "sl-ws": {Ops: is(needle.Sl), Side: needle.WS},
		"flap-set-up": {Ops: is(needle.Sl), Side: needle.WS, First: true},
		"flap-rs":     {Ops: is(needle.Sl), Side: needle.RS}, "flap-ws": {Ops: is(needle.Sl), Side: needle.WS},
		"flap-turn-rs": {Ops: is(needle.SSK, needle.Sl, needle.Turn), Side: needle.RS},
		"flap-turn-ws": {Ops: is(needle.P2tog, needle.Sl, needle.Turn), Side: needle.WS},

		"double-first": {Ops: is(needle.DS), Side: needle.WS, First: true},
		"over-first":   {Ops: is(needle.YO), First: true}, "pin-first": {Ops: is(needle.SlPin), First: true}, "lift-first": {Ops: is(needle.Sl), First: true},
		"wrap-second": {Ops: is(needle.WT), Turn: Turns, Wraps: 2},
	}
	for _, code := range needle.Codes() {
		if name := code.String(); Find(name) != nil && all[name].Ops == nil {
			all[name] = Effect{Ops: is(code)}
		}
	}
	for _, f := range []struct {
		id    string
		side  needle.Side
		kds   needle.Code
		kw    needle.Code
		kpin  needle.Code
		overs []needle.Code
		lift  needle.Code
		backs []needle.Code
	}{
		{"-rs", needle.RS, needle.Kds, needle.KW, needle.KPin, is(needle.K2tog, needle.K3tog), needle.KLift, is(needle.K2tog, needle.M1)},
		{"-ws", needle.WS, needle.Pds, needle.PW, needle.PPin, is(needle.SSP, needle.SSSP), needle.PLift, is(needle.P2tog, needle.M1P)},
	} {
		all["double-out"+f.id] = Effect{Ops: is(needle.DS), Side: f.side, First: true}
		all["over-out"+f.id] = Effect{Ops: is(needle.YO), Side: f.side, First: true}
		all["pin-out"+f.id] = Effect{Ops: is(needle.SlPin), Side: f.side, First: true}
		all["lift-out"+f.id] = Effect{Ops: is(needle.Sl), Side: f.side, First: true}
		all["wrap-out"+f.id] = Effect{Ops: is(needle.WT), Side: f.side, Turn: Turns, Wraps: 1}
		all["double-back"+f.id] = Effect{Ops: is(f.kds), Takes: DoubleStitch, Turn: Turns}
		all["wrap-back"+f.id] = Effect{Ops: is(f.kw), Takes: WrappedStitch, Turn: Turns}
		all["pin-back"+f.id] = Effect{Ops: is(f.kpin, needle.Turn), Takes: PinnedLoop, Turn: Turns}
		all["over-back"+f.id] = Effect{Ops: f.overs, Takes: OverAndStitch, Turn: Turns}
		all["lift-back"+f.id] = Effect{Ops: f.backs, Takes: StrandOfGap, Turn: Turns}
		all["klift"+f.id] = Effect{Ops: is(f.lift), Takes: StrandOfGap}
	}
	for _, end := range []string{"-round", "-last"} {
		all["double"+end] = Effect{Ops: is(needle.Kds, needle.Pds), Takes: DoubleStitch, Turn: RunsOn}
		all["wrap"+end] = Effect{Ops: is(needle.KW, needle.PW), Takes: WrappedStitch, Turn: RunsOn}
		all["pin"+end] = Effect{Ops: is(needle.KPin, needle.PPin), Takes: PinnedLoop, Turn: RunsOn}
		all["over"+end] = Effect{Ops: is(needle.K2tog, needle.K3tog, needle.SSK, needle.SSSK, needle.P2tog, needle.P3tog, needle.SSP, needle.SSSP),
			Takes: OverAndStitch, Turn: RunsOn}
		all["lift"+end] = Effect{Ops: is(needle.KLift, needle.PLift, needle.K2tog, needle.M1), Takes: StrandOfGap, Turn: RunsOn}
	}
	for _, name := range []string{"bo-together", "bo-together-end", "bo-yarn-over", "bo-yarn-over-end", "bo-sewn", "bo-sewn-end"} {
		all[name] = Effect{Ops: is(needle.BO)}
	}
	return all
}()
