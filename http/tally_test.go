package http_test

import (
	"fmt"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/http"
	"acornstep/sock/basket"
	"acornstep/sock/replan"
	"acornstep/sock/whereami"
)

// striped is Isolde's sock with another yarn for toe, heel and cuff.
const striped = `{"design":{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44},"leg":{"height_mm":180},"yarn":{"contrast":["toe","heel","cuff"]}},"entries":{}}`

// inTwoYarns puts such a sock on the needles.
func (a api) inTwoYarns() (string, http.KnitView) {
	a.t.Helper()
	var sock basket.Sock
	a.do("POST", "/api/socks", `{"name":"Dusk","wearer":"","unit":"cm","draft":`+striped+`}`).into(a.t, &sock)
	path := "/api/socks/" + sock.ID
	var v http.KnitView
	r := a.do("POST", path+"/knit", "")
	require.Equal(a.t, 200, r.status, r.text)
	r.into(a.t, &v)
	return path, v
}

func rowOf(t *testing.T, v http.KnitView, id string) int {
	t.Helper()
	for i := range v.Rows {
		if v.Rows[i].ID == id {
			return i
		}
	}
	require.Fail(t, "no row "+id)
	return 0
}

func (a api) heard(path string, events ...string) http.Heard {
	a.t.Helper()
	var heard http.Heard
	r := a.do("POST", path+"/events", say(events...))
	require.Equal(a.t, 200, r.status, r.text)
	r.into(a.t, &heard)
	return heard
}

func scrap(t *testing.T, tally http.Tally, yarn string) http.Scrap {
	t.Helper()
	for _, s := range tally.Scraps {
		if s.Yarn == yarn {
			return s
		}
	}
	require.Fail(t, "no yarn "+yarn)
	return http.Scrap{}
}

// Toe: cast on 32, a set-up round of 32, nine increase rounds of 32, 36 … 64 with a plain one of 36, 40 … 68
// after each: 32 + 32 + 432 + 468 = 964 stitches. A scrap that lost 4 g over them has 4/964 g a stitch, and
// the second toe takes another 4 g: with 8 % in reserve 4.35 g.
func TestAScrapIsEnoughOrNot(t *testing.T) {
	a := start(t, "")
	path, v := a.inTwoYarns()
	names := []string{}
	for _, s := range v.Tally.Scraps {
		names = append(names, s.Yarn)
		assert.False(t, s.Weighed)
	}
	assert.Equal(t, []string{"contrast", "toe", "heel", "cuff"}, names)
	all := scrap(t, v.Tally, "contrast")
	assert.InDelta(t, all.Needs, scrap(t, v.Tally, "toe").Needs+scrap(t, v.Tally, "heel").Needs+scrap(t, v.Tally, "cuff").Needs, 1e-9)
	assert.InDelta(t, 2*all.Needs, all.Pair, 1e-9, "both socks are still to knit")
	assert.InDelta(t, 10, all.Needs, 6, "about 10 g a sock for all three")

	toeDone := rowOf(t, v, "foot-1")
	heard := a.heard(path, event("a", 1, `"kind":"weigh","row":0,"grams":12,"text":"toe"`),
		event("b", 2, fmt.Sprintf(`"kind":"row","row":%d`, toeDone-1)), event("c", 3, fmt.Sprintf(`"kind":"weigh","row":%d,"grams":8,"text":"toe"`, toeDone)))
	toe := scrap(t, heard.Tally, "toe")
	assert.True(t, toe.Weighed)
	assert.InDelta(t, 4.0/964, toe.PerStitch, 1e-9)
	assert.InDelta(t, 0, toe.Needs, 1e-9, "this toe is knitted")
	assert.InDelta(t, 4/0.92, toe.Pair, 1e-6)
	assert.Zero(t, scrap(t, heard.Tally, "heel").PerStitch, "another scrap")
	assert.Nil(t, heard.Tally.Ball, "the sock's own yarn was not weighed")
}

// 100 g in 420 m are 0.742 mm thick: a stitch takes 2/0.44 + 1/0.32 + 5.94 × 0.742 = 12.08 mm, a round of 68 takes
// 821 mm: 8.21 m are ten rounds.
func TestStripesInRounds(t *testing.T) {
	a := start(t, "")
	path, v := a.onNeedles()
	assert.Nil(t, v.Tally.Stripes)
	heard := a.heard(path, event("a", 1, `"kind":"stripes","row":0,"length_mm":8210,"text":"after the grey"`))
	require.NotNil(t, heard.Tally.Stripes)
	assert.InDelta(t, 10, heard.Tally.Stripes.FootRounds, 0.05)
	assert.InDelta(t, 10, heard.Tally.Stripes.LegRounds, 0.05)
	heard = a.heard(path, event("b", 2, `"kind":"stripes","row":9,"length_mm":4105`))
	assert.InDelta(t, 5, heard.Tally.Stripes.FootRounds, 0.05, "said anew")
	assert.Equal(t, "after the grey", heard.Tally.Stripes.Began, "which does not forget where the first sock began")
	for _, wrong := range []string{"0", "200000"} {
		r := a.do("POST", path+"/events", say(event("c", 3, `"kind":"stripes","row":0,"length_mm":`+wrong)))
		assert.Equal(t, 422, r.status)
		assert.Contains(t, r.text, "up to 100 m of yarn")
	}
	var answer whereami.Answer
	a.do("POST", path+"/where", `{"logged":-1,"seen":{"repeats":5,"repeat_mm":8210,"needle1":34,"needle2":34,"right":0,"left":0},"unit":"cm"}`).into(t, &answer)
	// The toe takes about 11.6 m, 1.4 repeats; 3.6 more are 36 rounds of the foot.
	assert.InDelta(t, rowOf(t, v, "foot-37"), answer.Matches[0].Row, 3)
}

func TestHowFarASockIs(t *testing.T) {
	a := start(t, "")
	path, v := a.onNeedles()
	progress := func() (p http.Progress) {
		a.do("GET", path+"/progress", "").into(t, &p)
		return p
	}
	p := progress()
	assert.Equal(t, []any{1, "cast_on", 1, 0, 100}, []any{p.Sock, p.Section, p.N, p.Done, p.LeftPct})
	a.heard(path, event("a", 1, fmt.Sprintf(`"kind":"row","row":%d`, rowOf(t, v, "foot-30"))))
	p = progress()
	assert.Equal(t, []any{1, "foot", "round", 31, 65, 50}, []any{p.Sock, p.Section, p.Kind, p.N, p.Of, p.Done})
	drawn := 0
	for _, part := range p.Strip {
		drawn += len(part.Worked)
	}
	assert.Greater(t, drawn, p.Done)
	a.heard(path, event("b", 2, fmt.Sprintf(`"kind":"row","row":%d`, len(v.Rows)-1)))
	p = progress()
	assert.Equal(t, []any{2, "cast_on", 100}, []any{p.Sock, p.Section, p.LeftPct}, "then the second sock")
	second := fmt.Sprintf(`{"id":"c","device":"phone","clock":3,"at_ms":1795000000000,"version":1,"sock":2,"kind":"row","row":%d}`, len(v.Rows)-1)
	a.heard(path, second)
	assert.Zero(t, progress().Sock, "both are off the needles")
	assert.Equal(t, 404, a.do("GET", "/api/socks/nobody/progress", "").status)
}

// 30 rounds of the foot are done; 6.6 cm to the heel's place are 29 more. Past it by 1.5 cm are 7 rounds to rip.
func TestTheHeelsPlaceOverTheWire(t *testing.T) {
	a := start(t, "")
	path, v := a.onNeedles()
	assert.Equal(t, "at the bend in front of the ankle", v.HeelPlace)
	ask := func(toHeel string) reply {
		return a.do("POST", path+"/replan", fmt.Sprintf(`{"version":1,"happened":{"row":%d,"other_row":3},"to_heel":%q,"unit":"cm","accept":false}`, rowOf(t, v, "foot-31"), toHeel))
	}
	var proposal replan.Proposal
	ask("6.6").into(t, &proposal)
	assert.Contains(t, proposal.Text, "6 fewer rounds before the heel")
	require.NotNil(t, proposal.OtherRow)
	assert.Equal(t, 3, *proposal.OtherRow, "the sister stands in the toe")
	assert.Contains(t, ask("−1.5").text, "7 rounds ago")
	assert.Contains(t, ask("-1.5").text, "7 rounds ago")
	r := ask("soon")
	assert.Equal(t, 422, r.status)
	assert.Contains(t, r.text, `"field":"to_heel"`)
}
