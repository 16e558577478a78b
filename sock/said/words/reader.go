package words

import (
	"fmt"
	"slices"
	"strconv"
	"strings"

	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/needle"
	"acornstep/sock/rows/note"
	"acornstep/sock/said/eyes"
)

// Reader is what somebody goes by who knits from words and knows nothing else. Whatever the reader goes by, what comes of the words has to be
// the rows of the plan, each loop on its needle.
type Reader uint8

const (
	// ByCounts counts, and looks at nothing: words that name a place say nothing to this reader.
	ByCounts Reader = iota
	// ByLandmarks looks for each place that the words name, and walks along the needles until it is seen.
	ByLandmarks
	// ByNeedles takes only from the needle in the hand, wraps only what lies where the words say, begins only at the marker that
	// they name, and takes a waiting yarn up only where it hangs; places are looked for.
	ByNeedles
)

// Literally has words read by the strictest of all readers.
func Literally(p *plan.Plan, said []Row) error { return ByNeedles.Knit(p, said) }

// Knit knits rows from nothing but their words. Where what comes of it is not the plan's, or where the words say
// nothing, the error names the row. Rows that do not say where their stitches lie, of a plan from elsewhere, are not asked.
func (by Reader) Knit(p *plan.Plan, said []Row) error {
	rows := p.Rows
	if slices.ContainsFunc(rows, func(r needle.Row) bool { return len(r.OnNeedles) == 0 }) {
		return nil
	}
	k := knitter{by: by, slides: p.Rules >= slidingRules, known: map[heardAs]Sentence{}, hangs: -1}
	for i := range min(len(rows), len(said)) {
		if err := k.knit(&rows[i], said[i].Parts, i == 0); err != nil {
			return fmt.Errorf("%s, read literally: %w", rows[i].ID, err)
		}
	}
	return nil
}

// knitter is a reader at work.
type knitter struct {
	by Reader
	m  needle.Machine
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
	had [mostNeedles]int
	// slides: whoever takes loops of two needles together slides them on to one first, and is told so.
	slides bool
	// needles were in use after the row before.
	needles int
	// known are the sentences of parts that were read before: most rounds are worked like the one before.
	known map[heardAs]Sentence
	// hangs is the place in the ring where a yarn waits, -1 while none does.
	hangs int
	// begun: something was worked in the row. ops are all of that.
	begun bool
	ops   []needle.Op
}

// heardAs is what a part of a row says.
type heardAs struct {
	on, words string
	side      needle.Side
}

// parse reads a part, once for all rows that say the same.
func (k *knitter) parse(p Part, side needle.Side) (Sentence, int, error) {
	as := heardAs{p.On, p.Short, side}
	if said, known := k.known[as]; known {
		on := -1
		if said.does() {
			on = needleNamed(p.On)
		}
		return said, on, nil
	}
	said, on, err := Parse(p, side)
	if err == nil {
		k.known[as] = said
	}
	return said, on, err
}

// slidingRules are the first by which an operation takes all its loops from one needle.
const slidingRules = 2

func (k *knitter) knit(row *needle.Row, parts []Part, castsOn bool) error {
	k.loops, k.from, k.taken, k.marked = k.m.Count(), k.m.Cursor(), 0, -1
	if len(row.OnNeedles) == 1 && row.From == 0 && row.InstepBegins() == 0 {
		k.marked = row.SoleBegins(k.loops)
	}
	if err := k.strands(row.Note); err != nil && k.by == ByNeedles {
		return err
	}
	k.now, k.relaid, k.begun, k.ops = len(row.OnNeedles), false, false, nil
	for _, part := range parts {
		said, on, err := k.parse(part, row.Side)
		if err == nil && said.does() {
			err = k.work(row, part.On, said, on)
		} else if err == nil {
			err = k.lay(said)
		}
		if err != nil {
			return err
		}
	}
	k.m.Hand(-1)
	k.needles = len(row.OnNeedles)
	if reached := k.m.Reached(); k.by == ByNeedles && k.slides && len(reached) > 0 {
		return fmt.Errorf("loops of two needles are worked together, and nothing says to slide them first: %v", reached)
	}
	if castsOn {
		if err := k.m.LayTurned(row.Turned); err != nil {
			return err
		}
	}
	return k.compare(row)
}

// strands leaves a yarn hanging where the note of a row says so, and takes it up there alone: nothing was worked beyond it meanwhile, so it is as
// many loops from the start as it was.
func (k *knitter) strands(text string) error {
	for _, f := range note.Read(text) {
		switch f.Code {
		case note.YarnWaits:
			k.hangs = k.m.Cursor()
		case note.YarnTaken:
			at := k.m.Cursor()
			if k.hangs < 0 || k.loops == 0 || (at-k.hangs)%k.loops != 0 {
				return fmt.Errorf("a yarn is taken up %d loops from the start, and it hangs after %d", at, k.hangs)
			}
			k.hangs = -1
		}
	}
	return nil
}

// lay does what comes before anything is worked.
func (k *knitter) lay(said Sentence) error {
	for _, step := range said {
		switch s := step.(type) {
		case Slide:
			all := make([]int, max(mostNeedles, k.needles))
			from := k.m.Lying(all)
			on, from, err := needle.Slid(all[:k.needles], from, s.Moves)
			if err != nil {
				return err
			}
			k.m.Lay(from, on...)
		case Lay:
			if laid := total(s.On); laid != k.m.Count() || s.From > laid {
				return fmt.Errorf("%d stitches are to be laid on the needles from stitch %d on, and there are %d", laid, s.From, k.m.Count())
			}
			from := s.From
			if from == 0 && k.m.Side() == needle.RS {
				from = k.m.Cursor() - k.m.Count() // from where the yarn is
			}
			k.m.Lay(from, s.On...)
			k.relaid = true
		}
	}
	return nil
}

func total(counts []int) int {
	sum := 0
	for _, n := range counts {
		sum += n
	}
	return sum
}

// work does what a sentence says on a needle.
func (k *knitter) work(row *needle.Row, named string, said Sentence, on int) error {
	if !k.begun {
		k.m.Lying(k.had[:])
		heading := needle.Row{ID: row.ID, Section: row.Section, Kind: row.Kind, Side: row.Side, Fabric: row.Fabric}
		if err := k.m.Begin(&heading); err != nil {
			return err
		}
		k.begun = true
	}
	ahead := on // where nothing is named, the eyes look at no needle
	if len(row.OnNeedles) == 1 {
		on = 0
	}
	k.m.Hand(max(on, -1))
	see := sight{k, row, ahead, 0}
	wanted, err := said.ops(&see)
	if err != nil {
		return err
	}
	if err := k.stands(named, row, wanted); err != nil {
		return err
	}
	wraps := ""
	for _, step := range said {
		if d, is := step.(Do); is && d.On != "" {
			wraps = d.On
		}
	}
	for _, o := range wanted {
		if err := k.do(o, on, wraps, len(row.OnNeedles) == 1); err != nil {
			return err
		}
		k.taken += o.N * o.Code.Takes()
	}
	k.ops = append(k.ops, wanted...)
	if l, is := said[len(said)-1].(Lay); is {
		k.m.Lay(0, l.On...) // as they were cast on
	}
	return nil
}

// do works one kind of operation on the needle in the hand.
func (k *knitter) do(o needle.Op, on int, wraps string, onOne bool) error {
	if o.Code == needle.BO && k.m.AheadOn(on) < o.N {
		return fmt.Errorf("%d are to be bound off of that needle, and %d lie on it", o.N, k.m.AheadOn(on))
	}
	strict := k.by == ByNeedles && k.slides && !onOne && on >= 0
	if o.Code == needle.WT && strict {
		want := on
		if wraps != "" {
			want = needleNamed(wraps)
		}
		if lies := k.m.NextOn(); lies != want {
			return fmt.Errorf("the next stitch of needle %d is to be wrapped, and it lies on needle %d", want+1, lies+1)
		}
	}
	if !strict || o.Code.Takes() == 0 || !k.inHand() {
		return k.m.Do(o)
	}
	for range o.N {
		if lies := k.m.NextOn(); lies != on {
			return fmt.Errorf("%s is worked on needle %d, and the next loop lies on needle %d", o.Code, on+1, lies+1)
		}
		if err := k.m.Do(needle.Op{Code: o.Code, N: 1}); err != nil {
			return err
		}
	}
	return nil
}

// inHand says whether each needle holds what is worked on it: where a new one comes in they take up the stitches of others, and so they do
// in a round that goes over to other needles.
func (k *knitter) inHand() bool {
	return !slices.Contains(k.had[:min(k.now, len(k.had))], 0) && (k.needles == 0 || k.needles == k.now || k.relaid)
}

// stands says whether the yarn is where a part begins: at the marker that it names.
func (k *knitter) stands(on string, row *needle.Row, ops []needle.Op) error {
	rest, named := strings.CutPrefix(strings.TrimPrefix(on, "back "), "from the ")
	if k.by != ByNeedles || !named || len(row.OnNeedles) != 1 || len(ops) == 0 || ops[0].Code == needle.Start {
		return nil
	}
	at := k.m.AtRoundStart()
	if !strings.HasPrefix(rest, "start ") && k.loops > 0 {
		// As the loops lay before the row: what it makes moves the marker on.
		at = (k.place()+k.loops)%k.loops == row.SoleBegins(k.loops)
	}
	if !at || strings.HasPrefix(on, "back ") != (k.m.Side() == needle.WS) {
		return fmt.Errorf("%q is not where the yarn is", on)
	}
	return nil
}

// place is where the yarn is, as the loops lay before the row.
func (k *knitter) place() int {
	if k.m.Side() == needle.WS {
		return k.from - k.taken
	}
	return k.from + k.taken
}

// compare holds what was read against the row.
func (k *knitter) compare(row *needle.Row) error {
	if k.m.Count() != row.Stitches {
		return fmt.Errorf("there are %d stitches, the row says %d", k.m.Count(), row.Stitches)
	}
	on := make([]int, max(mostNeedles, len(row.OnNeedles)))
	from := k.m.Lying(on)
	needles := len(row.OnNeedles)
	if !slices.Equal(on[:needles], row.OnNeedles) || row.Stitches > 0 && needles > 1 && (from-row.From)%row.Stitches != 0 {
		return fmt.Errorf("the needles hold %v from loop %d, the row says %v from %d", on[:needles], from, row.OnNeedles, row.From)
	}
	if !slices.Equal(oneByOne(k.ops), oneByOne(row.Ops)) {
		return fmt.Errorf("it is worked %v, the row says %v", k.ops, row.Ops)
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

// ops are the operations of a sentence, for a reader who stands where it begins.
func (s Sentence) ops(see *sight) ([]needle.Op, error) {
	var list []needle.Op
	add := func(ops ...needle.Op) {
		list = append(list, ops...)
		for _, o := range ops {
			see.taken += o.N * o.Code.Takes()
		}
	}
	for _, step := range s {
		switch t := step.(type) {
		case Do:
			add(t.Op)
		case UpTo:
			n, err := see.far(t.Place)
			if err != nil {
				return nil, err
			}
			add(needle.Op{Code: t.Code, N: n})
		case Again:
			before := see.taken
			each, err := t.Steps.ops(see)
			if err != nil {
				return nil, err
			}
			times := t.Times
			if t.ToEnd {
				one := see.taken - before
				if all := see.ahead() - before; one == 0 || all%one != 0 {
					return nil, fmt.Errorf("%q: %d stitches do not go into the %d of the needle", t.Steps.Words(needle.RS, false), one, all)
				} else {
					times = all / one
				}
			}
			see.taken = before
			for range times {
				add(each...)
			}
		}
	}
	return list, nil
}

// sight is what a reader sees who stands where a part of a row begins and has worked some of it.
type sight struct {
	*knitter
	row    *needle.Row
	needle int
	taken  int
}

// far counts the stitches up to the end of the needle, to its last ones, or to something that is seen.
func (s *sight) far(place string) (int, error) {
	n, seen := 0, s.by != ByCounts
	last, counted := strings.CutPrefix(strings.Replace(place, "last stitch", "last 1", 1), "the last ")
	switch {
	case !seen:
	case place == "the end":
		n = s.ahead() - s.taken
	case counted:
		left, err := strconv.Atoi(last)
		if err != nil {
			return 0, fmt.Errorf("%q: %w", place, err)
		}
		n = s.ahead() - s.taken - left
	default:
		n, seen = s.find(place)
	}
	if !seen || n < 1 {
		return 0, fmt.Errorf("to %s: there is no such place ahead", place)
	}
	return n, nil
}

// ahead is how many stitches come up to the end of the needle; on one short circular needle the markers say where a half ends.
func (s *sight) ahead() int {
	if len(s.row.OnNeedles) > 1 {
		return s.m.AheadOn(s.needle)
	}
	// What lies beyond the sole's marker is as it was before the row, until the work comes there.
	beyond, left := s.loops-s.row.SoleBegins(s.loops), s.m.Count()-s.m.Cursor()
	if left > beyond {
		return left - beyond
	}
	return left
}

// find looks along the needles for a landmark.
func (s *sight) find(landmark string) (int, bool) {
	rs := s.m.Side() == needle.RS
	var markers []int
	if s.marked >= 0 && s.loops > 0 {
		markers = ahead(s.place(), s.loops, rs, 0, s.marked)
	}
	return eyes.Ahead(s.m.Snapshot(), rs, markers...).To(landmark, s.taken)
}
