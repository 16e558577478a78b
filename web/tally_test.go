package web_test

import (
	"fmt"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sock/needles/replan"
	"acornstep/sock/needles/tally"
	"acornstep/sock/needles/whereami"
	"acornstep/sock/papers/basket"
	"acornstep/web"
)

// striped is Isolde's sock with another yarn for toe, heel and cuff.
const striped = `{"design":{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44},"leg":{"height_mm":180},"yarn":{"contrast":["toe","heel","cuff"]}},"entries":{}}`

// inTwoYarns puts such a sock on the needles.
func (a api) inTwoYarns() (string, web.KnitView) {
	a.t.Helper()
	var sock basket.Sock
	a.do("POST", "/api/socks", `{"name":"Dusk","wearer":"","unit":"cm","draft":`+striped+`}`).into(a.t, &sock)
	path := "/api/socks/" + sock.ID
	var v web.KnitView
	r := a.do("POST", path+"/knit", "")
	require.Equal(a.t, 200, r.status, r.text)
	r.into(a.t, &v)
	return path, v
}

func rowOf(t *testing.T, v web.KnitView, id string) int {
	t.Helper()
	for i := range v.Rows {
		if v.Rows[i].ID == id {
			return i
		}
	}
	require.Fail(t, "no row "+id)
	return 0
}

func (a api) heard(path string, events ...string) web.EventsSince {
	a.t.Helper()
	var heard web.EventsSince
	r := a.do("POST", path+"/events", say(events...))
	require.Equal(a.t, 200, r.status, r.text)
	r.into(a.t, &heard)
	return heard
}

func scrap(t *testing.T, sum tally.Tally, yarn string) tally.Scrap {
	t.Helper()
	for _, s := range sum.Scraps {
		if s.Yarn == yarn {
			return s
		}
	}
	require.Fail(t, "no yarn "+yarn)
	return tally.Scrap{}
}

// What is weighed of another yarn comes back reckoned; a repeat that no yarn has is refused.
func TestScrapsAndStripesOverTheWire(t *testing.T) {
	a := start(t, "")
	path, v := a.inTwoYarns()
	assert.Len(t, v.Tally.Scraps, 4, "all contrast, toe, heel and cuff")
	assert.Nil(t, v.Tally.Stripes)
	for _, part := range v.Strip {
		own := part.Section == "foot" || part.Section == "leg"
		assert.Equal(t, !own, part.Contrast, part.Section)
	}
	heard := a.heard(path, event("a", 1, `"kind":"weigh","row":0,"grams":12,"text":"toe"`),
		event("b", 2, `"kind":"stripes","row":0,"length_mm":8210,"text":"after the grey"`))
	assert.True(t, scrap(t, heard.Tally, "toe").Weighed)
	assert.False(t, scrap(t, heard.Tally, "heel").Weighed)
	require.NotNil(t, heard.Tally.Stripes)
	assert.InDelta(t, 10, heard.Tally.Stripes.FootRounds, 0.05)
	for _, wrong := range []string{"0", "200000"} {
		r := a.do("POST", path+"/events", say(event("c", 3, `"kind":"stripes","row":0,"length_mm":`+wrong)))
		assert.Equal(t, 422, r.status)
		assert.Contains(t, r.text, "up to 100 m of yarn")
	}
	var answer whereami.Answer
	a.do("POST", path+"/where", `{"logged":-1,"seen":{"repeats":3.6,"repeat_mm":8210,"needle1":34,"needle2":34,"right":0,"left":0},"unit":"cm"}`).into(t, &answer)
	// The toe is in the other yarn; 3.6 repeats are 36 rounds of the foot.
	assert.InDelta(t, rowOf(t, v, "foot-37"), answer.Matches[0].Row, 3)
}

func TestHowFarASockIs(t *testing.T) {
	a := start(t, "")
	path, v := a.onNeedles()
	progress := func() (p web.ProgressView) {
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
	second := fmt.Sprintf(`{"id":"c","device":"phone","clock":3,"at_ms":1795000000000,"version":1,"sock":2,"kind":"row","row":%d}`,
		len(v.Rows)-1)
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
		return a.do("POST", path+"/replan", fmt.Sprintf(`{"version":1,"happened":{"row":%d,"other_row":9999},"to_heel":%q,"unit":"cm","accept":false}`, rowOf(t, v, "foot-31"), toHeel))
	}
	require.Equal(t, 200, a.do("POST", path+"/events",
		say(strings.Replace(event("s", 1, `"kind":"row","row":2`), `"sock":1`, `"sock":2`, 1))).status)
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
