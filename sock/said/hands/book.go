package hands

import (
	"slices"
	"strings"

	"acornstep/sock/papers/design"
)

// Sequences are all moves that are shown, in the order in which they are learned.
var Sequences = practised(slices.Concat(castOns, stitches, needlesHeld, doubleTurns, wrapTurns, overTurns, pinTurns, liftTurns, flaps, corners, colours, bindOffs))

// turnStyles are what the moves of each turning style begin with.
var turnStyles = map[string]string{"german": "double", "wrap": "wrap", "yarn_over": "over", "pinned": "pin", "lift": "lift"}

// choices are the moves that belong to what a design can choose, by the field and its value; a turning style has its own.
var choices = map[string][]string{
	"toe.kind:wedge":            {"kfb"},
	"toe.kind:garter_square":    {"garter-edge"},
	"toe.kind:short_row":        {"co-chain", "unzip"},
	"toe.cast_on:magic":         {"co-magic", "co-magic-round", "co-magic-knot"},
	"toe.cast_on:turkish":       {"co-turkish"},
	"toe.cast_on:figure_eight":  {"co-figure-eight"},
	"toe.cast_on:provisional":   {"co-chain", "unzip"},
	"heel.kind:flap_under":      {"flap-set-up", "flap-rs", "flap-ws", "flap-turn-rs", "flap-turn-ws", "pick-up-left", "corner-bar-left", "pick-up-right", "corner-bar-right", "gusset"},
	"heel.kind:gusset_turn":     {"m1l", "m1r", "flap-turn-rs", "flap-turn-ws"},
	"corner.method:outer_legs":  {"outer-legs", "corner-gone"},
	"corner.method:lift":        {"one-strand", "corner-gone"},
	"corner.method:wrap_instep": {"wrapped-neighbour"},
	"bind_off:k2tog":            {"bo-together", "bo-together-end"},
	"bind_off:yarn_over":        {"bo-yarn-over", "bo-yarn-over-end"},
	"bind_off:sewn":             {"bo-sewn", "bo-sewn-end"},
	"needles:magic_loop":        {"magic-loop", "tug"},
	"needles:two_circulars":     {"two-circulars", "tug"},
	"needles:dpn4":              {"dpn", "tug"},
	"needles:dpn5":              {"dpn", "tug"},
	"needles:short_circular":    {"short-circular"},
}

// terms are the moves that show what a word of the craft means.
var terms = map[string][]string{
	"cast_on": {"co-magic", "co-magic-round"}, "bind_off": {"bo-together", "bo-together-end"}, "double_stitch": {"double-out-ws", "double-back-rs"},
	"wrap": {"wrap-out-rs", "wrap-back-rs"}, "kfb": {"kfb"}, "rib": {"rib"}, "magic_loop": {"magic-loop"}, "picking_up": {"pick-up-left", "pick-up-right"},
	"flap": {"flap-set-up", "flap-rs", "flap-ws"}, "gusset": {"gusset"}, "corner": {"outer-legs", "one-strand", "wrapped-neighbour"},
	"turn": {"double-out-rs", "wrap-out-rs", "over-out-rs", "pin-out-rs", "lift-out-rs"}, "wedge": {"kfb"}, "stockinette": {"k", "p"},
}

// Of are the names of the moves that belong to a choice, such as heel.turn:german, or to a word of the craft, such as term:rib.
func Of() map[string][]string {
	all := map[string][]string{}
	for key, names := range choices {
		all[key] = names
	}
	for name, names := range terms {
		all["term:"+name] = names
	}
	for style, prefix := range turnStyles {
		for i := range Sequences {
			if strings.HasPrefix(Sequences[i].Name, prefix+"-") {
				all["heel.turn:"+style] = append(all["heel.turn:"+style], Sequences[i].Name)
			}
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
	lessons := map[string]string{"kfb": "increase", "ktbl": "set-up", "co-magic": "cast-on", "co-magic-knot": "cast-on", "co-magic-round": "set-up", "rib": "rib", "outer-legs": "corner", "corner-gone": "corner-gone", "pick-up-left": "pick-up", "pick-up-right": "pick-up", "gusset": "gusset", "bo-together": "bind-off", "bo-yarn-over": "bind-off", "bo-sewn": "bind-off", "flap-set-up": "flap", "flap-rs": "flap", "flap-ws": "flap", "flap-turn-rs": "flap-turn", "flap-turn-ws": "flap-turn"}
	for i := range list {
		q := &list[i]
		q.Lesson = lessons[q.Name]
		for style, prefix := range turnStyles {
			if rest, is := strings.CutPrefix(q.Name, prefix+"-"); is {
				q.Lesson = "heel-" + style
				if strings.HasPrefix(rest, "out") {
					q.Lesson = "out-" + style
				}
			}
		}
	}
	return list
}

// styleOf is what the moves of a design's turns begin with.
func styleOf(d *design.Design) string { return turnStyles[d.Heel.Turn] }
