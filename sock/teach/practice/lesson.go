// Package practice is needles to practise on: few stitches in thick yarn, on
// which hands act one move at a time; drawn as they are held, mistakes and all. The needle machine carries every move out
// exactly, also when it is wrong, and says what came of it. Nothing is kept: a
// run is a lesson and the list of all its moves.
package practice

import (
	"fmt"
	"slices"
	"sync"

	"acornstep/sock/craft/knit"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/needle"
)

// Lesson is some rows of a small sock that are worked move by move.
type Lesson struct {
	Name  string `json:"name"`
	Title string `json:"title"`
	About string `json:"about"`
	// Knows names what somebody has knitted who did it three times without a fault, such as turn:german; empty for
	// nothing that is asked for.
	Knows string `json:"knows"`
	// Moves are how many it takes without a fault, Keys those that it needs, in the order in which it asks for them.
	Moves int      `json:"moves"`
	Keys  []Action `json:"keys"`

	// fields are what its sock has besides those of the small one, yarn what its yarn has.
	fields, yarn string
	from, to     string
	// fetches: its first loops are fetched by two needles in turn.
	fetches bool
}

// small is a sock of 24 stitches in thick yarn.
const small = `{"format":"acorn-step.design","version":1,"name":"Practice","stitches":24,"foot":{"length_mm":200,"ball_girth_mm":170},"gauge":{"stitches_per_100mm":16,"rounds_per_100mm":22},"leg":{"height_mm":90}%s,"yarn":{"ball_g":100,"ball_m":120%s}}`

func lessons() []Lesson {
	list := []Lesson{
		{Name: "cast-on", Title: "The cast-on", About: "Two strands, two needles: each fetches the strand of the other one, in turn. The first loop is on the upper needle.", from: "cast_on-1", to: "cast_on-1", fetches: true},
		{Name: "turkish", Title: "Turkish winding", About: "The yarn is wound round both needles from below upward, half as many times as there will be stitches.",
			fields: `,"toe":{"cast_on":"turkish"}`, from: "cast_on-1", to: "toe-1"},
		{Name: "chain", Title: "A chain in waste yarn", About: "Through each bar on the back of the chain one loop is drawn.",
			fields: `,"toe":{"kind":"short_row"}`, from: "cast_on-1", to: "toe-1"},
		{Name: "set-up", Title: "The first round",
			About: "Needle 1 is knitted, needle 2 through the back loop where its loops lie turned.", from: "toe-1", to: "toe-1"},
		{Name: "increase", Title: "A round of increases",
			About: "One stitch, knit into the front and the back of the next; the same before the last stitch of each needle.",
			Knows: "toe:wedge", from: "toe-2", to: "toe-2"},
	}
	for _, t := range knit.Turnings() {
		a := t.About()
		fields := fmt.Sprintf(`,"heel":{"turn":%q}`, a.Name)
		list = append(list,
			Lesson{Name: "out-" + a.Name, Title: capital(a.Said) + ": out", About: "The first turns: each row stops one stitch sooner.",
				fields: fields, from: "heel-2", to: "heel-5"},
			Lesson{Name: "heel-" + a.Name, Title: capital(a.Said) + ": a whole small heel", About: "Out to the centre and back again.",
				Knows: "turn:" + a.Name, fields: fields, from: "heel-2", to: "heel-end"},
		)
	}
	flap := `,"heel":{"kind":"flap_under"}`
	list = append(list,
		Lesson{Name: "second-wraps", Title: "Wraps: a second one", About: "Widening, the next stitch has a wrap already: it gets another, and later both are lifted.",
			fields: `,"heel":{"turn":"wrap"}`, from: "second-wrap", to: "second-wrap-end"},
		Lesson{Name: "unzip", Title: "A short-row toe is closed", About: "The stitches in the waste yarn come on to the needle one by one; then the first whole round.",
			fields: `,"toe":{"kind":"short_row"}`, from: "unzip", to: "unzip"},
		Lesson{Name: "garter-edge", Title: "Picking up along garter", About: "One stitch for each ridge along one edge, the other half of the cast-on, and one for each ridge again.",
			fields: `,"toe":{"kind":"garter_square"}`, from: "garter-edge", to: "garter-edge"},
		Lesson{Name: "join", Title: "A heel in another yarn", About: "The new strand is laid round the one that waits before its first stitch; at the end the waiting one is taken up.",
			yarn: `,"contrast":["heel"]`, from: "joins", to: "joins-next"},
	)
	return append(list,
		Lesson{Name: "corner", Title: "The corners of a heel", About: "A stitch is picked up before the instep and before the back.",
			from: "leg-1", to: "leg-1"},
		Lesson{Name: "corner-gone", Title: "The corner stitches go",
			About: "Each goes with its neighbour, at the beginning of its half.", from: "leg-4", to: "leg-6"},
		Lesson{Name: "flap", Title: "A flap", About: "The set-up row from the wrong side, then slip and knit, slip and purl.",
			fields: flap, from: "heel-2", to: "heel-6"},
		Lesson{Name: "flap-turn", Title: "The turn of a flap",
			About: "A decrease over the gap at the end of each row, until nothing is left outside.", Knows: "heel:flap_under",
			fields: flap, from: "turn", to: "heel-end"},
		Lesson{Name: "pick-up", Title: "Picking up along the flap", About: "One stitch in each link of both chains, one in each corner.",
			fields: flap, from: "gusset-1", to: "gusset-2"},
		Lesson{Name: "gusset", Title: "A round of the gusset", About: "After the instep k1, ssk; before it k2tog, k1.", fields: flap,
			from: "gusset-4", to: "gusset-4"},
		Lesson{Name: "rib", Title: "A round of rib",
			About: "The yarn goes between the tips to the front before a purl, to the back before a knit.", from: "cuff-1", to: "cuff-1"},
		Lesson{Name: "bind-off", Title: "Binding off", About: "Two together: work the next stitch in pattern, then both together; the edge has to stretch.",
			from: "bind_off-1", to: "bind_off-1"},
	)
}

func capital(text string) string { return string(text[0]-'a'+'A') + text[1:] }

// course is a lesson with its rows.
type course struct {
	Lesson
	plan *plan.Plan
	// first and last are the rows that are worked.
	first, last int
}

var courses = sync.OnceValues(func() ([]course, error) {
	var list []course
	for _, l := range lessons() {
		c, err := l.course()
		if err != nil {
			return nil, fmt.Errorf("lesson %s: %w", l.Name, err)
		}
		list = append(list, c)
	}
	return list, nil
})

func (l Lesson) course() (course, error) {
	d, err := design.Read(fmt.Appendf(nil, small, l.fields, l.yarn))
	if err != nil {
		return course{}, err
	}
	p, err := knit.Make(d)
	if err != nil {
		return course{}, err
	}
	if stop := p.Stopped(); stop != nil {
		return course{}, fmt.Errorf("%s", stop.Text)
	}
	c := course{Lesson: l, plan: p, first: rowOf(p, l.from), last: rowOf(p, l.to)}
	if c.first < 0 || c.last < c.first {
		return c, fmt.Errorf("no rows %s to %s", l.from, l.to)
	}
	who, err := c.begin()
	if err != nil {
		return c, err
	}
	for !who.done {
		move, ok := who.next()
		if !ok {
			return c, fmt.Errorf("no move leads on in %s", p.Rows[who.row].ID)
		}
		if err := who.act(move); err != nil || who.fault != nil {
			return c, fmt.Errorf("%s in %s: %v %v", move, p.Rows[who.row].ID, err, who.fault)
		}
		c.Moves++
		if !slices.Contains(c.Keys, move) {
			c.Keys = append(c.Keys, move)
		}
	}
	return c, nil
}

// rowOf finds a row by its id, or the first in which something named is done; "heel-end" is the last of the heel.
func rowOf(p *plan.Plan, id string) int {
	has := func(codes ...needle.Code) int {
		return slices.IndexFunc(p.Rows, func(r needle.Row) bool {
			return slices.ContainsFunc(r.Ops, func(o needle.Op) bool { return slices.Contains(codes, o.Code) })
		})
	}
	switch id {
	case "second-wrap":
		return has(needle.KW, needle.PW)
	case "second-wrap-end":
		return has(needle.KW, needle.PW) + 3
	case "unzip":
		return has(needle.Unzip)
	case "garter-edge":
		return has(needle.PU)
	case "joins", "joins-next":
		i := slices.IndexFunc(p.Rows, func(r needle.Row) bool { return r.Colour != "" })
		if id == "joins-next" {
			return i + 1
		}
		return i
	case "heel-end":
		last := -1
		for i := range p.Rows {
			if p.Rows[i].Section == needle.Heel {
				last = i
			}
		}
		return last
	case "turn":
		return slices.IndexFunc(p.Rows, func(r needle.Row) bool {
			return r.Section == needle.Heel && slices.ContainsFunc(r.Ops, func(o needle.Op) bool { return o.Code == needle.SSK })
		})
	}
	return slices.IndexFunc(p.Rows, func(r needle.Row) bool { return r.ID == id })
}

// Lessons are all that there are, in the order in which they are learned.
func Lessons() ([]Lesson, error) {
	all, err := courses()
	list := make([]Lesson, len(all))
	for i, c := range all {
		list[i] = c.Lesson
	}
	return list, err
}
