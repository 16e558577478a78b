package words

import (
	"fmt"
	"slices"
	"strings"

	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/needle"
	"acornstep/sock/said/eyes"
)

// Literally knits rows from nothing but their words, as somebody who knows nothing
// else: each stitch on to the needle that the words name. What comes of it must be the rows, with their loops on
// their needles; where it is not, or where the words say nothing, the error names the row. Rows that do not say where
// their stitches lie, of a plan from elsewhere, are not asked.
func Literally(p *plan.Plan, said []Row) error {
	rows := p.Rows
	if slices.ContainsFunc(rows, func(r needle.Row) bool { return len(r.OnNeedles) == 0 }) {
		return nil
	}
	l := literal{slides: p.Rules >= slidingRules}
	for i := range min(len(rows), len(said)) {
		if err := l.knit(&rows[i], said[i].Parts, i == 0); err != nil {
			return fmt.Errorf("%s, read literally: %w", rows[i].ID, err)
		}
	}
	return nil
}

// literal is somebody who reads.
type literal struct {
	m needle.Machine
	// loops were on the needles when the row began.
	loops int
	// from is where the yarn was then, taken what the row has worked so far.
	from, taken int
	// marked is the first loop after the sole's marker, -1 where the halves are parted by needles.
	marked int
	// now are the needles in use after the present row; relaid says that its words laid the loops on them.
	now    int
	relaid bool
	// had is what lay on each needle before the row, once it was laid or slid.
	had [16]int
	// slides: whoever takes loops of two needles together slides them on to one first, and is told so.
	slides bool
	// needles were in use after the row before.
	needles int
}

// slidingRules are the first by which an operation takes all its loops from one needle.
const slidingRules = 2

func (l *literal) knit(row *needle.Row, parts []Part, castsOn bool) error {
	heading := needle.Row{ID: row.ID, Section: row.Section, Kind: row.Kind, Side: row.Side, Fabric: row.Fabric}
	begun := false
	l.loops, l.from, l.taken, l.marked = l.m.Count(), l.m.Cursor(), 0, -1
	if len(row.OnNeedles) == 1 && row.From == 0 && row.InstepBegins() == 0 {
		l.marked = row.SoleBegins(l.loops)
	}
	var ops []needle.Op
	l.now, l.relaid = len(row.OnNeedles), false
	for _, part := range parts {
		reading, err := Read(part, row.Side, Eyes{l.ahead(row), l.find})
		if err != nil {
			return err
		}
		if len(reading.Moves) > 0 {
			if err := l.slide(reading.Moves); err != nil {
				return err
			}
			continue
		}
		if reading.Lay != nil && len(reading.Ops) == 0 {
			if laid := total(reading.Lay); laid != l.m.Count() {
				return fmt.Errorf("%d stitches are to be laid on the needles, and there are %d", laid, l.m.Count())
			}
			if reading.From == 0 && l.m.Side() == needle.RS {
				reading.From = l.m.Cursor() - l.m.Count() // from where the yarn is
			}
			l.m.Lay(reading.From, reading.Lay...)
			l.relaid = true
			continue
		}
		if !begun {
			l.m.Lying(l.had[:])
			if err := l.m.Begin(&heading); err != nil {
				return err
			}
			begun = true
		}
		if err := l.stands(part.On, row, reading.Ops); err != nil {
			return err
		}
		if err := l.work(reading, len(row.OnNeedles) == 1); err != nil {
			return err
		}
		if reading.Lay != nil {
			l.m.Lay(0, reading.Lay...) // as they were cast on
		}
		for _, o := range reading.Ops {
			l.taken += o.N * o.Code.Takes()
		}
		ops = append(ops, reading.Ops...)
	}
	l.m.Hand(-1)
	l.needles = len(row.OnNeedles)
	if reached := l.m.Reached(); l.slides && len(reached) > 0 {
		return fmt.Errorf("loops of two needles are worked together, and nothing says to slide them first: %v", reached)
	}
	if castsOn {
		if err := l.m.LayTurned(row.Turned); err != nil {
			return err
		}
	}
	return l.compare(row, ops)
}

func total(counts []int) int {
	sum := 0
	for _, n := range counts {
		sum += n
	}
	return sum
}

// inHand says whether each needle holds what is worked on it: where a new one comes in they take up the stitches of others, and so they do
// in a round that goes over to other needles.
func (l *literal) inHand() bool {
	return l.slides && !slices.Contains(l.had[:min(l.now, len(l.had))], 0) && (l.needles == 0 || l.needles == l.now || l.relaid)
}

// slide moves loops to a neighbouring needle.
func (l *literal) slide(moves []needle.Move) error {
	const room = 16
	all := make([]int, max(room, l.needles))
	from := l.m.Lying(all)
	on, from, err := needle.Slid(all[:l.needles], from, moves)
	if err != nil {
		return err
	}
	l.m.Lay(from, on...)
	return nil
}

// ahead is how many stitches come up to the end of a needle; on one short circular needle the markers say where a half ends.
func (l *literal) ahead(row *needle.Row) func(int) int {
	if len(row.OnNeedles) > 1 {
		return l.m.AheadOn
	}
	return func(int) int {
		// What lies beyond the sole's marker is as it was before the row, until the work comes there.
		beyond, left := l.loops-row.SoleBegins(l.loops), l.m.Count()-l.m.Cursor()
		if left > beyond {
			return left - beyond
		}
		return left
	}
}

// stands says whether the yarn is where a part begins: at the marker that it names.
func (l *literal) stands(on string, row *needle.Row, ops []needle.Op) error {
	rest, named := strings.CutPrefix(strings.TrimPrefix(on, "back "), "from the ")
	if !named || len(row.OnNeedles) != 1 || len(ops) == 0 || ops[0].Code == needle.Start {
		return nil
	}
	at := l.m.AtRoundStart()
	if !strings.HasPrefix(rest, "start ") {
		// As the loops lay before the row: what it makes moves the marker on.
		place := l.from + l.taken
		if l.m.Side() == needle.WS {
			place = l.from - l.taken
		}
		at = (place+l.loops)%l.loops == row.SoleBegins(l.loops)
	}
	if !at || strings.HasPrefix(on, "back ") != (l.m.Side() == needle.WS) {
		return fmt.Errorf("%q is not where the yarn is", on)
	}
	return nil
}

// find looks along the needles for a landmark.
func (l *literal) find(landmark string, taken int) (int, bool) {
	rs := l.m.Side() == needle.RS
	var markers []int
	if l.marked >= 0 && l.loops > 0 {
		place := l.from + l.taken
		if !rs {
			place = l.from - l.taken
		}
		markers = ahead(place, l.loops, rs, 0, l.marked)
	}
	return eyes.Ahead(l.m.Snapshot(), rs, markers...).To(landmark, taken)
}

// work does what a part says, and lays it on the needle that it names.
func (l *literal) work(reading Reading, onOne bool) error {
	if onOne {
		reading.Needle = 0
	}
	l.m.Hand(max(reading.Needle, -1))
	for _, o := range reading.Ops {
		if on := l.m.AheadOn(reading.Needle); o.Code == needle.BO && on < o.N {
			return fmt.Errorf("%d are to be bound off of that needle, and %d lie on it", o.N, on)
		}
		if o.Code == needle.WT && l.slides && !onOne && reading.Needle >= 0 {
			want := reading.Needle
			if reading.Wraps >= 0 {
				want = reading.Wraps
			}
			if on := l.m.NextOn(); on != want {
				return fmt.Errorf("the next stitch of needle %d is to be wrapped, and it lies on needle %d", want+1, on+1)
			}
		}
		if onOne || reading.Needle < 0 || o.Code.Takes() == 0 || !l.inHand() {
			if err := l.m.Do(o); err != nil {
				return err
			}
			continue
		}
		for range o.N {
			if on := l.m.NextOn(); on != reading.Needle {
				return fmt.Errorf("%s is worked on needle %d, and the next loop lies on needle %d", o.Code, reading.Needle+1, on+1)
			}
			if err := l.m.Do(needle.Op{Code: o.Code, N: 1}); err != nil {
				return err
			}
		}
	}
	return nil
}

// compare holds what was read against the row.
func (l *literal) compare(row *needle.Row, ops []needle.Op) error {
	if l.m.Count() != row.Stitches {
		return fmt.Errorf("there are %d stitches, the row says %d", l.m.Count(), row.Stitches)
	}
	const room = 16 // needles
	on := make([]int, max(room, len(row.OnNeedles)))
	from := l.m.Lying(on)
	needles := len(row.OnNeedles)
	if !slices.Equal(on[:needles], row.OnNeedles) || row.Stitches > 0 && needles > 1 && (from-row.From)%row.Stitches != 0 {
		return fmt.Errorf("the needles hold %v from loop %d, the row says %v from %d", on[:needles], from, row.OnNeedles, row.From)
	}
	if !slices.Equal(oneByOne(ops), oneByOne(row.Ops)) {
		return fmt.Errorf("it is worked %v, the row says %v", ops, row.Ops)
	}
	return nil
}

// oneByOne are operations each by itself: how runs are split does not matter.
func oneByOne(ops []needle.Op) []needle.Code {
	var list []needle.Code
	for _, o := range ops {
		for range o.N {
			list = append(list, o.Code)
		}
	}
	return list
}
