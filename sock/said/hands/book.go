package hands

import (
	"slices"
	"strings"

	"acornstep/sock/papers/design"
)

// Sequences are all moves that are shown, in the order in which they are learned.
var Sequences = practised(slices.Concat(castOns, stitches, turning, needlesHeld, doubleTurns.moves, wrapTurns.moves, overTurns.moves,
	pinTurns.moves, liftTurns.moves, flaps, corners, colours, bindOffs))

// holds are the moves that belong to the ways to hold a sock.
var holds = map[string][]string{
	"magic_loop": {"magic-loop", "tug"}, "two_circulars": {"two-circulars", "tug"}, "dpn4": {"dpn", "tug"}, "dpn5": {"dpn", "tug"},
	"short_circular": {"short-circular"},
}

// terms are the moves that show what a word of the craft means.
var terms = map[string][]string{
	"cast_on": {"co-magic", "co-magic-round"}, "bind_off": {"bo-together", "bo-together-end"},
	"double_stitch": {"double-out-ws", "double-back-rs"},
	"wrap":          {"wrap-out-rs", "wrap-back-rs"}, "kfb": {"kfb"}, "rib": {"rib"}, "magic_loop": {"magic-loop"},
	"picking_up": {"pick-up-left", "pick-up-right"},
	"flap":       {"flap-set-up", "flap-rs", "flap-ws"}, "gusset": {"gusset"},
	"corner": {"outer-legs", "one-strand", "wrapped-neighbour"},
	"turn":   {"double-out-rs", "wrap-out-rs", "over-out-rs", "pin-out-rs", "lift-out-rs"}, "wedge": {"kfb"}, "stockinette": {"k", "p"},
}

// Of are the names of the moves that belong to a choice, such as heel.turn:german, or to a word of the craft, such as term:rib.
func Of() map[string][]string {
	all := map[string][]string{}
	for key, names := range design.Shown() {
		all[key] = names
	}
	for way, names := range holds {
		all["needles:"+way] = names
	}
	for name, names := range terms {
		all["term:"+name] = names
	}
	for _, style := range turnStyles {
		for _, q := range style.moves {
			all["heel.turn:"+style.turn] = append(all["heel.turn:"+style.turn], q.Name)
		}
	}
	return all
}

// Find gives the sequence of a name; nil when there is none.
func Find(name string) *Sequence {
	for i := range Sequences {
		if Sequences[i].Name == name {
			return &Sequences[i]
		}
	}
	return nil
}

// practised says at which lesson each of these sequences can be tried.
func practised(list []Sequence) []Sequence {
	lessons := map[string]string{"kfb": "increase", "ktbl": "set-up", "co-magic": "cast-on", "co-magic-knot": "cast-on",
		"co-turkish": "turkish", "co-chain": "chain", "unzip": "unzip", "garter-edge": "garter-edge", "link": "join", "take-up": "join",
		"co-magic-round": "set-up", "rib": "rib", "outer-legs": "corner", "corner-gone": "corner-gone", "pick-up-left": "pick-up",
		"pick-up-right": "pick-up", "gusset": "gusset", "bo-together": "bind-off", "bo-yarn-over": "bind-off", "bo-sewn": "bind-off",
		"flap-set-up": "flap", "flap-rs": "flap", "flap-ws": "flap", "flap-turn-rs": "flap-turn", "flap-turn-ws": "flap-turn"}
	for i := range list {
		q := &list[i]
		q.Lesson = lessons[q.Name]
		for _, style := range turnStyles {
			if rest, is := strings.CutPrefix(q.Name, style.begins+"-"); is {
				q.Lesson = "heel-" + style.turn
				if strings.HasPrefix(rest, "out") {
					q.Lesson = "out-" + style.turn
				}
				if rest == "second" {
					q.Lesson = "second-wraps"
				}
			}
		}
	}
	return list
}

// turnStyle is a way of turning as its moves know it.
type turnStyle struct {
	// turn is what a design calls it; begins is what the names of its moves begin with.
	turn, begins string
	moves        []Sequence
	// lifts: the first stitch after a turn is slipped, and later the strand beside it takes the place of a decrease.
	lifts bool
	// overs: a yarn-over begins the row after a turn, and goes with its stitch and the one beyond the gap later.
	overs bool
}

// turnStyles are all of them; each stands in a file of its own.
var turnStyles = []turnStyle{doubleTurns, wrapTurns, overTurns, pinTurns, liftTurns}

// styleOf is how the turns of a design are worked; nothing is known of one that has no moves.
func styleOf(d *design.Design) turnStyle {
	if i := slices.IndexFunc(turnStyles, func(s turnStyle) bool { return s.turn == d.Heel.Turn }); i >= 0 {
		return turnStyles[i]
	}
	return turnStyle{}
}
