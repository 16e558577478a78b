package tally

import (
	"fmt"
	"math"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"acornstep/sock/craft/knit"
	"acornstep/sock/figures/day"
	"acornstep/sock/needles/logbook"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/plan"
	"acornstep/sock/papers/yarn"
	"acornstep/sock/rows/knitted"
)

func sockOf(t require.TestingT, fields string) (*plan.Plan, *knitted.Sock) {
	d, err := design.Read([]byte(`{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44},"leg":{"height_mm":180}` + fields + `}`))
	require.NoError(t, err)
	p, err := knit.Make(d)
	require.NoError(t, err)
	traced, err := knitted.Of(p.Rows)
	require.NoError(t, err)
	return p, traced
}

const today = day.Date("2026-11-23")

const twoYarns = `,"yarn":{"contrast":["toe","heel","cuff"]}`

func at(t *testing.T, p *plan.Plan, id string) int {
	t.Helper()
	for i := range p.Rows {
		if p.Rows[i].ID == id {
			return i
		}
	}
	require.Fail(t, "no row "+id)
	return 0
}

// book gives events their names and their order, a minute and a half apart.
func book(events ...logbook.Event) []logbook.Event {
	for i := range events {
		e := &events[i]
		e.ID, e.Device, e.Clock, e.Version = fmt.Sprint("e", i), "d", int64(i+1), 1
		e.At = 1_795_000_000_000 + int64(i)*(90*time.Second).Milliseconds()
		e.Sock = max(e.Sock, 1)
	}
	return events
}

func scrap(t *testing.T, sum Tally, yarn string) Scrap {
	t.Helper()
	for _, s := range sum.Scraps {
		if s.Yarn == yarn {
			return s
		}
	}
	require.Fail(t, "no yarn "+yarn)
	return Scrap{}
}

// Toe: cast on 32, a set-up round of 32, nine increase rounds of 32, 36 … 64 with a plain one of 36, 40 … 68
// after each: 32 + 32 + 432 + 468 = 964 stitches. A scrap that lost 4 g over them has 4/964 g a stitch, and
// the second toe takes another 4 g: with 8 % in reserve 4.35 g.
func TestAScrapIsEnoughOrNot(t *testing.T) {
	p, traced := sockOf(t, twoYarns)
	before := Of(pairOf(p, traced), nil, today)
	names := []string{}
	for _, s := range before.Scraps {
		names = append(names, s.Yarn)
		assert.False(t, s.Weighed)
	}
	assert.Equal(t, []string{"contrast", "toe", "heel", "cuff"}, names)
	all := scrap(t, before, "contrast")
	assert.InDelta(t, all.Needs, scrap(t, before, "toe").Needs+scrap(t, before, "heel").Needs+scrap(t, before, "cuff").Needs, 1e-9)
	assert.InDelta(t, 2*all.Needs, all.Pair, 1e-9, "both socks are still to knit")
	assert.InDelta(t, 10, all.Needs, 6, "about 10 g a sock for all three")

	foot := at(t, p, "foot-1")
	sum := Of(pairOf(p, traced), book(logbook.Event{Kind: logbook.Weighed, Grams: 12, Text: "toe"},
		logbook.Event{Kind: logbook.RowDone, Row: foot - 1}, logbook.Event{Kind: logbook.Weighed, Row: foot, Grams: 8, Text: "toe"}),
		today)
	toe := scrap(t, sum, "toe")
	assert.True(t, toe.Weighed)
	assert.InDelta(t, 4.0/964, toe.PerStitch, 1e-9)
	assert.InDelta(t, 0, toe.Needs, 1e-9, "this toe is knitted")
	assert.InDelta(t, 4/0.92, toe.Pair, 1e-6)
	assert.Zero(t, scrap(t, sum, "heel").PerStitch, "another scrap")
	assert.Nil(t, sum.Ball, "the sock's own yarn was not weighed")
	one, traced := sockOf(t, "")
	assert.Empty(t, Of(pairOf(one, traced), nil, today).Scraps, "a sock of one yarn has no scraps")
}

// Ten leg rounds of 68 took 4 g: 0.4 g a round. Of 16 g 14.72 are free; 18 cuff rounds at 1.05 and two for the
// bind-off take 8.36 g: (14.72 − 8.36) / 0.4 = 15.9. A cuff in another yarn leaves 14.72 / 0.4 = 36.8 rounds.
func TestHowFarTheBallReaches(t *testing.T) {
	weighed := func(p *plan.Plan, more ...logbook.Event) []logbook.Event {
		leg := at(t, p, "leg-1")
		return book(append([]logbook.Event{
			{Kind: logbook.RowDone, Row: leg + 9}, {Kind: logbook.Weighed, Grams: 20},
			{Kind: logbook.RowDone, Row: leg + 19}, {Kind: logbook.Weighed, Grams: 16},
		}, more...)...)
	}
	one, traced := sockOf(t, "")
	b := Of(pairOf(one, traced), weighed(one), today).Ball
	assert.Equal(t, 15, b.Each[0].LegRounds)
	assert.Equal(t, 35, b.Each[0].FollowLeg, "twenty are knitted")
	assert.False(t, b.Each[0].Enough)
	assert.Equal(t, "(16.0 g × 0.92 − 0.0 g below the leg − 8.4 g for cuff and bind-off) / 0.40 g a round → 15", b.Each[0].Working)
	assert.Zero(t, b.Each[1].LegRounds, "16 g are not even a foot")
	assert.Zero(t, b.SharedLeg)

	// The first sock is off the needles, the second at its leg: (30 · 0.92 − 8.36) / 0.4 = 48.1.
	finished := logbook.Event{Kind: logbook.Finished, Row: len(one.Rows) - 1}
	second := logbook.Event{Kind: logbook.Placed, Sock: 2, Row: at(t, one, "leg-1")}
	refilled := []logbook.Event{finished, second, {Kind: logbook.Weighed, Grams: 15}, {Kind: logbook.Weighed, Grams: 30}}
	b = Of(pairOf(one, traced), weighed(one, refilled...), today).Ball
	assert.NotEmpty(t, b.Doubt, "another ball")
	assert.Equal(t, b.Each[1].FollowLeg, b.SharedLeg, "one sock is left")
	assert.Equal(t, "off the needles", b.Each[0].Working)

	two, traced := sockOf(t, twoYarns)
	assert.Equal(t, 36, Of(pairOf(two, traced), weighed(two), today).Ball.Each[0].LegRounds)
	// Both at the same round of the leg, another ball of 25 g, of whose stitches nothing was weighed: twenty rounds each are
	// knitted. In seed stitch of two rounds, after the plain ones, whole repeats are left.
	both := func(pattern string) *Ball {
		d := one.Design
		d.Leg.Pattern = pattern
		p, err := knit.Make(d)
		require.NoError(t, err)
		traced, err := knitted.Of(p.Rows)
		require.NoError(t, err)
		leg := at(t, p, "leg-1")
		return Of(pairOf(p, traced), weighed(p, logbook.Event{Kind: logbook.Placed, Sock: 2, Row: leg + 20}, logbook.Event{Kind: logbook.Weighed, Grams: 25}), today).Ball
	}
	b = both("stockinette")
	require.Len(t, b.Follow, 3)
	assert.Equal(t, []int{1, 2}, b.Follow[0].Socks)
	assert.Equal(t, []int{2}, b.Follow[2].Socks)
	assert.Equal(t, b.Each[1].FollowLeg, b.Follow[2].Rounds)
	per := yarn.GramsPerStitch(&one.Design) // another ball was begun, and nothing is weighed of it
	cuff := yarn.KeptBack(per, yarn.Leg{Stitches: 68, CuffRounds: 18})
	rounds := 20 + int((25*0.92-2*cuff)/(2*68*per))
	assert.Equal(t, rounds, b.Follow[0].Rounds)
	assert.InDelta(t, float64(rounds+18)/0.44, float64(b.Follow[0].Height), 1e-9)
	assert.InDelta(t, cuff+float64(rounds-20)*68*per, b.Follow[0].Takes[1], 1e-9)
	assert.LessOrEqual(t, b.Follow[0].Takes[0]+b.Follow[0].Takes[1], 25*0.92)
	// The place below the knee is guessed at 1.7 × 251, 426.7 mm above the floor, the heel's end at 50.2: 376.5 mm are 166 rounds, 18 of them cuff.
	leg := at(t, one, "leg-1")
	b = Of(pairOf(one, traced), book(logbook.Event{Kind: logbook.RowDone, Row: leg}, logbook.Event{Kind: logbook.Weighed, Grams: 500}), today).Ball
	assert.Equal(t, 148, b.Follow[1].Rounds, "no leg goes over the knee")
	seed := both("seed_stitch").Follow[0]
	assert.Equal(t, 2, seed.Repeat)
	assert.Zero(t, (seed.Rounds-knit.Measure(&one.Design).PlainRounds)%2)

	// Ripped back to the foot: 65 rounds of 68, and the 34 of the instep before and after the heel, are of its own
	// yarn: 4,488 at 4/680 g.
	back := Of(pairOf(two, traced), weighed(two, logbook.Event{Kind: logbook.Placed, Row: at(t, two, "foot-1")}), today).Ball
	assert.Contains(t, back.Each[0].Working, "26.4 g below the leg")
}

// What is promised for both legs is there: with it, both socks take no more than the ball has without its reserve.
func TestBothSocksFromOneBall(t *testing.T) {
	p, traced := sockOf(t, "")
	rapid.Check(t, func(t *rapid.T) {
		one, two := rapid.IntRange(1, len(p.Rows)-1).Draw(t, "first"), rapid.IntRange(1, len(p.Rows)-1).Draw(t, "second")
		grams := rapid.Float64Range(1, 150).Draw(t, "grams")
		b := Of(pairOf(p, traced), book(logbook.Event{Kind: logbook.Placed, Row: one},
			logbook.Event{Kind: logbook.Placed, Sock: 2, Row: two}, logbook.Event{Kind: logbook.Weighed, Grams: grams}), today).Ball
		o := Knitted{p, traced}
		per := yarn.GramsPerStitch(&p.Design)
		sock := knit.Measure(&p.Design)
		takes, done := 0.0, 0
		for _, row := range []int{one, two} {
			below, legs := o.beforeLeg(row)
			takes += per*float64(below) + yarn.KeptBack(per, sock.LegYarn())
			done += legs
		}
		takes += float64(2*b.SharedLeg-done) * per * float64(sock.LegStitches)
		if 2*b.SharedLeg > done && takes > grams*(1-yarn.Reserve)+1e-9 {
			t.Fatalf("legs of %d rounds take %.2f g of %.2f", b.SharedLeg, takes, grams)
		}
		for _, r := range b.Each {
			if r.LegRounds > 0 && 2*b.SharedLeg > done+r.LegRounds {
				t.Fatalf("one leg alone gets %d rounds more, both get %d", r.LegRounds, b.SharedLeg)
			}
		}
	})
}

// 100 g in 420 m are 0.742 mm thick: a stitch takes 2/0.44 + 1/0.32 + 5.94 × 0.742 = 12.08 mm, a round of 68 takes
// 821 mm: 8.21 m are ten rounds.
func TestStripesInRounds(t *testing.T) {
	p, traced := sockOf(t, "")
	sum := Of(pairOf(p, traced), book(logbook.Event{Kind: logbook.Striped, Length: 8210, Text: "after the grey"}), today)
	require.NotNil(t, sum.Stripes)
	assert.InDelta(t, 10, sum.Stripes.FootRounds, 0.05)
	assert.InDelta(t, 10, sum.Stripes.LegRounds, 0.05)
	sum = Of(pairOf(p, traced), book(logbook.Event{Kind: logbook.Striped, Length: 8210, Text: "after the grey"},
		logbook.Event{Kind: logbook.Striped, Length: 4105}), today)
	assert.InDelta(t, 5, sum.Stripes.FootRounds, 0.05, "said anew")
	assert.Equal(t, "after the grey", sum.Stripes.Began, "which does not forget where the first sock began")
}

// A yarn whose colours are told on the board, 5 m and 3.21 m, is not asked about again: where the first sock began is all that is kept of it.
func TestAYarnThatWasToldOnTheBoardIsNotAskedAboutAgain(t *testing.T) {
	p, traced := sockOf(t, `,"yarn":{"repeat_mm":[5000,3210]}`)
	sum := Of(pairOf(p, traced), book(), today)
	require.NotNil(t, sum.Stripes)
	assert.True(t, sum.Stripes.OfDesign)
	assert.InDelta(t, 8210, sum.Stripes.Repeat, 0.01)
	sum = Of(pairOf(p, traced), book(logbook.Event{Kind: logbook.Striped, Length: 4000, Text: "after the grey"}), today)
	assert.InDelta(t, 8210, sum.Stripes.Repeat, 0.01)
	assert.Equal(t, "after the grey", sum.Stripes.Began)
}

// 20 rounds of 68 in 30 minutes are 1.32 s a stitch; a cuff of 18 rounds takes 1,224 stitches, 27 minutes.
func TestTheTimeThatIsLeft(t *testing.T) {
	p, traced := sockOf(t, "")
	first := at(t, p, "leg-20")
	var events []logbook.Event
	for row := first; row <= at(t, p, "leg-40"); row++ {
		events = append(events, logbook.Event{Kind: logbook.RowDone, Row: row})
	}
	sum := Of(pairOf(p, traced), book(events...), today)
	assert.InDelta(t, 90.0/68, sum.Pace.SecondsPerStitch, 0.01)
	assert.Equal(t, "leg", sum.Sections[0].Section)
	assert.Equal(t, p.Summary.LegRounds-40, sum.Sections[0].Rows)
	assert.Equal(t, 18*68, sum.Sections[1].Stitches)
	assert.InDelta(t, 18*90, sum.Sections[1].Seconds, 15)
	assert.Equal(t, 1, sum.Sections[0].Sock)
	assert.Equal(t, 2, sum.Sections[3].Sock, "leg, cuff and bind-off of the first, then the second, which is not begun")
	assert.Equal(t, 61-40, sum.Sections[0].Rows)
	assert.Equal(t, (61-40+18+1)*68, sum.Each[0].Stitches)
	assert.Equal(t, sum.StitchesLeft, sum.Each[0].Stitches+sum.Each[1].Stitches)
	assert.Equal(t, sum.Sections[2].DoneOn, sum.Each[0].DoneOn)
	assert.Equal(t, sum.DoneOn, sum.Each[1].DoneOn, "the pair is off with its second sock")
}

// 30 minutes on one day. The cuff takes 27 minutes and the bind-off of 68 stitches a minute and a half: both tomorrow.
// The second sock of so many rows is still to knit whole.
func TestAPresentIsAPair(t *testing.T) {
	p, traced := sockOf(t, "")
	cuff := at(t, p, "cuff-1")
	var events []logbook.Event
	for row := cuff - 21; row < cuff; row++ {
		events = append(events, logbook.Event{Kind: logbook.RowDone, Row: row})
	}
	sum := Of(pairOf(p, traced), book(events...), today)
	assert.Nil(t, sum.Due)
	assert.Equal(t, 2, sum.Sections[2].Sock)
	assert.Equal(t, []day.Date{"2026-11-24", "2026-11-24", "2026-11-24"},
		[]day.Date{sum.Sections[0].From, sum.Sections[0].DoneOn, sum.Each[0].DoneOn})

	events = append(events, logbook.Event{Kind: logbook.Promised, Text: "2026-12-24"})
	due := Of(pairOf(p, traced), book(events...), today).Due
	require.NotNil(t, due)
	assert.Equal(t, 31, due.Days)
	assert.Equal(t, 18+1+len(p.Rows), due.Rows)
	assert.Equal(t, int(math.Ceil(float64(due.Rows)/31)), due.RowsADay)
	all := 0
	for _, row := range traced.Steps {
		all += row.Worked
	}
	days := int(math.Ceil(float64(19*68+all) * 90 / 68 / (30 * 60)))
	assert.Equal(t, today.Add(days), due.PairOn)
	assert.Zero(t, due.Late)
	assert.Equal(t, 1, Of(pairOf(p, traced), book(events...), today.Add(32-days)).Due.Late, "begun a day too late")

	events = append(events, logbook.Event{Kind: logbook.Promised})
	assert.Nil(t, Of(pairOf(p, traced), book(events...), today).Due, "it is nobody's present any more")

	// A second sock with three rounds less of foot is counted by its own rows.
	short, own := sockOf(t, `,"foot_length":{"rounds":62}`)
	events = append(events, logbook.Event{Kind: logbook.Promised, Text: "2026-12-24"})
	assert.Equal(t, due.Rows-3, Of([2]Knitted{{p, traced}, {short, own}}, book(events...), today).Due.Rows)
}

// Nobody knows the pace before the first rows: evenings of 90 minutes at 1,500 stitches an hour, 2,250 stitches each.
func TestBeforeTheFirstRowsEveningsAreGuessed(t *testing.T) {
	p, traced := sockOf(t, "")
	sum := Of(pairOf(p, traced), nil, today)
	assert.Equal(t, today.Add((sum.StitchesLeft+2249)/2250), sum.DoneOn)
	assert.Zero(t, sum.SecondsLeft, "no pace is told")
}

// Sections follow each other day by day without a hole, and a day's share of rows is neither too small nor too large.
func TestTheCalendarHasNoHoles(t *testing.T) {
	p, traced := sockOf(t, "")
	rapid.Check(t, func(t *rapid.T) {
		row := rapid.IntRange(4, len(p.Rows)).Draw(t, "row")
		var events []logbook.Event
		for i := row - rapid.IntRange(0, 4).Draw(t, "ticked"); i < row; i++ {
			events = append(events, logbook.Event{Kind: logbook.RowDone, Row: i})
		}
		on := today.Add(rapid.IntRange(-40, 400).Draw(t, "due"))
		events = append(events, logbook.Event{Kind: logbook.Promised, Text: string(on)})
		sum := Of(pairOf(p, traced), book(events...), today)
		before := today
		for _, s := range sum.Sections {
			if s.From < before || s.From > before.Add(1) || s.From > s.DoneOn {
				t.Fatalf("%s is knitted from %s to %s, what is before it until %s", s.Section, s.From, s.DoneOn, before)
			}
			before = s.DoneOn
		}
		if sum.DoneOn > sum.Due.PairOn {
			t.Fatalf("the pair is done on %s, one of its socks on %s", sum.Due.PairOn, sum.DoneOn)
		}
		if days := max(1, sum.Due.Days); sum.Due.RowsADay*days < sum.Due.Rows || (sum.Due.RowsADay-1)*days >= sum.Due.Rows {
			t.Fatalf("%d rows in %d days, told %d a day", sum.Due.Rows, days, sum.Due.RowsADay)
		}
	})
}

// Wherever both socks stand, what is left is what is not done, and grows with nothing that is knitted.
func TestWhatIsLeftIsWhatIsNotDone(t *testing.T) {
	p, traced := sockOf(t, twoYarns)
	all := 0
	for i := range traced.Steps {
		all += traced.Steps[i].Worked
	}
	rapid.Check(t, func(t *rapid.T) {
		one, two := rapid.IntRange(0, len(p.Rows)).Draw(t, "first"), rapid.IntRange(1, len(p.Rows)).Draw(t, "second")
		sum := Of(pairOf(p, traced), book(logbook.Event{Kind: logbook.Placed, Row: one},
			logbook.Event{Kind: logbook.Placed, Sock: 2, Row: two}), today)
		left := 0
		for _, row := range []int{one, two} {
			for i := row; i < len(traced.Steps); i++ {
				left += traced.Steps[i].Worked
			}
		}
		if sum.StitchesLeft != left {
			t.Fatalf("%d stitches are left, told %d", left, sum.StitchesLeft)
		}
		progress := ProgressOf(pairOf(p, traced), sum.Book)
		switch {
		case one < len(p.Rows) && (progress.Sock != 1 || progress.Done != one):
			t.Fatalf("the first sock has %d rows, told %+v", one, progress)
		case one == len(p.Rows) && two < len(p.Rows) && (progress.Sock != 2 || progress.Done != two):
			t.Fatalf("the second sock has %d rows, told %+v", two, progress)
		case one == len(p.Rows) && two == len(p.Rows) && progress.Sock != 0:
			t.Fatalf("both are done, told %+v", progress)
		}
		for _, s := range sum.Scraps {
			if s.Needs < -1e-9 || s.Pair < s.Needs-1e-9 {
				t.Fatalf("%s takes %.2f g for this sock and %.2f g for the pair", s.Yarn, s.Needs, s.Pair)
			}
		}
	})
}

// pairOf are two socks by the same plan.
func pairOf(p *plan.Plan, traced *knitted.Sock) [2]Knitted {
	return [2]Knitted{{p, traced}, {p, traced}}
}
