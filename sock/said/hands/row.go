package hands

import (
	"slices"
	"strings"

	"acornstep/sock/figures/at"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/needle"
)

// Shown is a move that a row asks for: the operation in whose words it is written, and the sequence that shows it.
type Shown struct {
	Op   string `json:"op,omitempty"`
	Move string `json:"move"`
	// New: no row before this one asked for it.
	New bool `json:"new,omitempty"`
}

// Rows are the moves of each row of a plan, in the order of its work, each once.
func Rows(p *plan.Plan) [][]Shown {
	list := make([][]Shown, len(p.Rows))
	seen := map[string]bool{}
	// Only a heel with a flap, or with a gusset before it, is turned by decreases that lean to the left on the right side.
	flaps := slices.ContainsFunc(p.Rows, func(r needle.Row) bool {
		return r.Section == needle.Heel && r.Kind == needle.FlatRow && slices.ContainsFunc(r.Ops, func(o needle.Op) bool { return o.Code == needle.SSK })
	})
	var m needle.Machine
	for i := range p.Rows {
		r := reader{p: p, row: &p.Rows[i], i: i, turns: styleOf(&p.Design), flaps: flaps, wraps: wrapsOf(&m, &p.Rows[i])}
		r.before()
		for at, o := range r.row.Ops {
			r.at = at
			if name := r.move(at, o); name != "" {
				r.add(o.Code.String(), name)
			}
		}
		for k := range r.shown {
			r.shown[k].New = !seen[r.shown[k].Move]
		}
		for _, s := range r.shown {
			seen[s.Move] = true
		}
		list[i] = r.shown
	}
	return list
}

// wrapsOf works a row, and says how many wraps its last operation left round the stitch that waits; 0 where it wraps none.
func wrapsOf(m *needle.Machine, row *needle.Row) int {
	if m.Work(row) != nil || len(row.Ops) == 0 || row.Ops[len(row.Ops)-1].Code != needle.WT {
		return 0
	}
	now := m.Snapshot()
	at := now.Cursor // the loop that was wrapped is the next one in the direction of the row
	if row.Side == needle.WS {
		at--
	}
	return int(now.Loops[(at+len(now.Loops))%len(now.Loops)].Wraps)
}

// Asked are the moves that the rows of a plan ask for, in the order of its work, each once.
func Asked(p *plan.Plan) []string {
	list := []string{}
	for _, shown := range Rows(p) {
		for _, s := range shown {
			if !slices.Contains(list, s.Move) {
				list = append(list, s.Move)
			}
		}
	}
	return list
}

// Lessons are those in which the moves of a plan can be practised, in the order in which it asks for them.
func Lessons(p *plan.Plan) []string {
	list := []string{}
	for _, name := range Asked(p) {
		if lesson := Find(name).Lesson; lesson != "" && !slices.Contains(list, lesson) {
			list = append(list, lesson)
		}
	}
	return list
}

// reader reads one row of a plan.
type reader struct {
	p     *plan.Plan
	row   *needle.Row
	i     int
	turns turnStyle
	// flaps: the heel is turned by decreases.
	flaps bool
	// wraps lie round the stitch that the row wrapped last.
	wraps int
	shown []Shown
	// at is the operation of the row that is looked at.
	at int
}

// add notes a move; the same one is shown once for each of its words.
func (r *reader) add(op, name string) {
	if Find(name) == nil || slices.Contains(r.shown, Shown{Op: op, Move: name}) {
		return
	}
	r.shown = append(r.shown, Shown{Op: op, Move: name})
}

// before is what the hands do before the first stitch of the row: hold other needles, take another yarn.
func (r *reader) before() {
	if r.i == 0 {
		return
	}
	last, d := &r.p.Rows[r.i-1], &r.p.Design
	now, was := d.NeedlesIn(string(r.row.Section)), d.NeedlesIn(string(last.Section))
	if r.i == 1 || now != was {
		for _, name := range holds[now] {
			r.add("", name)
		}
	}
	if r.i == 1 {
		for _, name := range design.Find(at.ToeCastOn, d.Toe.CastOn).Shows {
			if strings.HasSuffix(name, "-round") {
				r.add("", name)
			}
		}
	}
	switch {
	case r.row.Colour == last.Colour:
		if len(d.Yarn.Stripes) > 0 && r.i > 1 && r.p.Rows[r.i-2].Colour != last.Colour && r.row.Kind == needle.Round &&
			last.Kind == needle.Round {
			r.add("", "step-free")
		}
	case r.row.Colour == "":
		r.add("", "take-up")
	default:
		r.add("", "link")
	}
}

// id is the end of a name for the side that faces the knitter.
func (r *reader) id() string {
	if r.row.Side == needle.WS {
		return "-ws"
	}
	return "-rs"
}

// flat says whether the row is one of the short rows.
func (r *reader) flat() bool { return r.row.Kind != needle.Round }

// all adds every move of a choice.
func (r *reader) all(op string, moves []string) {
	for _, name := range moves {
		if !strings.HasSuffix(name, "-round") && !strings.HasSuffix(name, "-knot") && name != "unzip" { // they have rows of their own
			r.add(op, name)
		}
	}
}

func (r *reader) has(code needle.Code) bool {
	return slices.ContainsFunc(r.row.Ops, func(o needle.Op) bool { return o.Code == code })
}

func (r *reader) decreases() bool {
	return slices.ContainsFunc(r.row.Ops, func(o needle.Op) bool { return o.Code.IsDecrease() })
}

// firstOfHeel says whether no short row of this section was worked before.
func (r *reader) firstOfHeel() bool {
	for i := r.i - 1; i >= 0 && r.p.Rows[i].Section == r.row.Section; i-- {
		if r.p.Rows[i].Side == needle.WS || len(r.p.Rows[i].Groups) > 0 {
			return false
		}
	}
	return true
}

// worked is the end of a name for an operation: as it is worked on the right side, with knits, or on the wrong one. In garter every row
// is knitted.
func worked(o needle.Op) string {
	if o.Code.IsPurl() {
		return "-ws"
	}
	return "-rs"
}

// turnsBack says whether the row ends with a turn.
func (r *reader) turnsBack() bool { return r.has(needle.Turn) || r.has(needle.WT) }

// beside says whether the row wraps a stitch beside the heel, which carries no wrap of it.
func (r *reader) beside() bool {
	return design.Find(at.CornerMethod, r.p.Design.Corner.Method).AtEdges && r.row.Section == needle.Heel && len(r.row.Groups) == 3 &&
		(r.row.Groups[0] == 0 || r.row.Groups[2] == 0) && r.has(needle.WT) && r.late()
}

// late says whether the row takes back what earlier rows left.
func (r *reader) late() bool {
	return slices.ContainsFunc(r.row.Ops, func(o needle.Op) bool { return o.Code.ClosesGap() || o.Code.IsDecrease() }) || r.row.Fabric == needle.Garter
}

// back is how what a turn left is worked: in a row of the heel, in a full round between its halves, or for the last time.
func (r *reader) back(style string, o needle.Op) string {
	switch {
	case r.turnsBack():
		return style + "-back" + worked(o)
	case r.flat() && r.followed():
		return style + "-round"
	case r.flat():
		return style + "-last"
	case r.row.Section == needle.Heel || r.row.Section == needle.Toe:
		return style + "-round"
	}
	return style + "-last"
}

// together is why stitches are worked together.
func (r *reader) together(at int, o needle.Code, flap bool) string {
	turned := r.row.Section == needle.Heel || r.row.Section == needle.Toe
	switch {
	case r.turns.lifts && at+1 < len(r.row.Ops) && (r.row.Ops[at+1].Code == needle.M1 || r.row.Ops[at+1].Code == needle.M1P):
		return r.lifted(o)
	case flap && r.flat() && (o == needle.SSK || o == needle.P2tog):
		return "flap-turn" + r.id()
	case r.row.Section == needle.Gusset:
		return "gusset"
	case turned && r.turns.overs && r.has(needle.Unzip):
		return r.turns.begins + "-last"
	case turned && r.turns.overs && r.turnsBack():
		return r.turns.begins + "-back" + worked(needle.Op{Code: o})
	case turned && r.turns.overs && r.flat() && !r.followed():
		return r.turns.begins + "-last"
	case turned && r.turns.overs:
		return r.turns.begins + "-round"
	case r.turns.overs && r.i > 0 && r.p.Rows[r.i-1].Section == needle.Heel:
		return r.turns.begins + "-last"
	case r.cornerStands():
		return "corner-gone"
	}
	return o.String()
}

// followed says whether the next row is of the same section.
func (r *reader) followed() bool {
	return r.i+1 < len(r.p.Rows) && r.p.Rows[r.i+1].Section == r.row.Section
}

// lifted is how a strand is lifted back: on the way to a turn, or for the last time.
func (r *reader) lifted(code needle.Code) string {
	if !r.turnsBack() {
		return r.turns.begins + "-last"
	}
	return r.turns.begins + "-back" + worked(needle.Op{Code: code})
}

// cornerStands says whether stitches of the corners are on the needles still.
func (r *reader) cornerStands() bool {
	for i := r.i - 1; i > 0; i-- {
		row := &r.p.Rows[i]
		if row.Section != needle.Leg && row.Section != needle.Cuff {
			return false
		}
		for _, o := range row.Ops {
			switch {
			case o.Code == needle.PC, o.Code == needle.PU:
				return true
			case o.Code.IsDecrease():
				return false
			}
		}
	}
	return false
}

// pick is what is picked up here.
func (r *reader) pick() string {
	switch {
	case r.row.Section == needle.Toe:
		return "garter-edge"
	case r.row.Section == needle.Gusset:
		along := "pick-up-" + r.edge()
		if r.p.Rules < cornerRules && r.made(needle.PU) == 1 {
			// By the rules of then the edge and the strand in its corner were one operation.
			r.add(needle.PU.String(), along)
			return "corner-bar-" + r.edge()
		}
		return along
	}
	return r.corner()
}

// cornerRules are the first by which a stitch made in a corner has an operation of its own.
const cornerRules = 2

// made is how often a row has an operation.
func (r *reader) made(code needle.Code) int {
	n := 0
	for _, o := range r.row.Ops {
		if o.Code == code {
			n++
		}
	}
	return n
}

// corner is how the stitch in a corner is made: beside a flap of the corner's strand, else as the design has it.
func (r *reader) corner() string {
	if r.row.Section == needle.Gusset {
		return "corner-bar-" + r.edge()
	}
	if shows := design.Find(at.CornerMethod, r.p.Design.Corner.Method).Shows; len(shows) > 0 {
		return shows[0] // what comes after it takes the stitch off again
	}
	return ""
}

// edge is the side of the heel along which, or at whose end, the row picks up: the left one comes first.
func (r *reader) edge() string {
	if r.pickedBefore() {
		return "right"
	}
	return "left"
}

// pickedBefore says whether the other edge of the flap was picked up already: stitches were worked since.
func (r *reader) pickedBefore() bool {
	picked := false
	for i := r.i - 1; i >= 0 && r.p.Rows[i].Section == needle.Gusset && !picked; i-- {
		picked = slices.ContainsFunc(r.p.Rows[i].Ops, picksUp)
	}
	if picked {
		return true
	}
	for _, o := range r.row.Ops[:r.at] {
		if picked && o.Code.Takes() > 0 {
			return true
		}
		picked = picked || picksUp(o)
	}
	return false
}

func picksUp(o needle.Op) bool { return o.Code == needle.PU || o.Code == needle.PC }

// turn is what the hands do once the work is turned: the first move of the next row.
func (r *reader) turn(flap bool) string {
	if flap && (r.row.Side == needle.RS && r.has(needle.SSK) || r.row.Side == needle.WS && r.has(needle.P2tog) && !r.has(needle.M1P)) {
		return "flap-turn" + r.id()
	}
	if r.i+1 >= len(r.p.Rows) || len(r.p.Rows[r.i+1].Ops) == 0 {
		return ""
	}
	next := reader{p: r.p, row: &r.p.Rows[r.i+1], i: r.i + 1, turns: r.turns, flaps: r.flaps}
	switch first := next.row.Ops[0]; first.Code {
	case needle.DS, needle.YO, needle.SlPin, needle.Sl:
		return next.move(0, first)
	}
	switch {
	case r.has(needle.KPin):
		return "pin-back-rs"
	case r.has(needle.PPin):
		return "pin-back-ws"
	}
	return "turn" // nothing is left at it
}
