package web_test

import (
	"fmt"
	"net"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/scale"
	"acornstep/sock/needles/knitting"
	"acornstep/sock/needles/logbook"
	"acornstep/sock/needles/replan"
	"acornstep/sock/needles/whereami"
	"acornstep/sock/papers/basket"
	"acornstep/web"
)

// onNeedles puts Isolde's sock on the needles and gives its address and what knitting mode gets.
func (a api) onNeedles() (string, web.KnitView) {
	a.t.Helper()
	var sock basket.Sock
	r := a.do("POST", "/api/socks", `{"name":"Roof","wearer":"Isolde","unit":"cm","draft":`+isoldeDraft+`}`)
	require.Equal(a.t, 201, r.status, r.text)
	r.into(a.t, &sock)
	path := "/api/socks/" + sock.ID
	r = a.do("POST", path+"/knit", "")
	require.Equal(a.t, 200, r.status, r.text)
	var v web.KnitView
	r.into(a.t, &v)
	return path, v
}

func event(id string, clock int, more string) string {
	return fmt.Sprintf(`{"id":%q,"device":"phone","clock":%d,"at_ms":%d,"version":1,"sock":1,%s}`, id, clock,
		1_795_000_000_000+clock*90_000, more)
}

func say(events ...string) string {
	return `{"events":[` + strings.Join(events, ",") + `],"after":0}`
}

func TestKnittingFromTheFirstTapToTheLog(t *testing.T) {
	a := start(t, "")
	path, v := a.onNeedles()
	assert.Equal(t, 1, v.Version)
	require.Len(t, v.Needles, len(v.Rows)+1)
	assert.Equal(t, "32 in all", v.Needles[1].Check)
	assert.Equal(t, 36, v.Rows[2].Stitches)
	assert.Nil(t, v.Second, "a wedge toe has no left and right")

	var heard web.EventsSince
	r := a.do("POST", path+"/events", say(event("a", 1, `"kind":"row","row":0`), event("b", 2, `"kind":"row","row":1`),
		event("c", 3, `"kind":"note","row":2,"text":"clouds, then stars"`)))
	require.Equal(t, 200, r.status, r.text)
	r.into(t, &heard)
	assert.Equal(t, 2, heard.Tally.Book.Places[0].Row)
	assert.Len(t, heard.Events, 3)
	r = a.do("POST", path+"/events", say(event("b", 2, `"kind":"row","row":1`), event("u", 4, `"kind":"undo","row":1,"of":"b"`)))
	r.into(t, &heard)
	assert.Equal(t, 1, heard.Tally.Book.Places[0].Row, "heard twice, taken back once")
	assert.Contains(t, a.do("GET", path+"/log.csv", "").text, `"clouds, then stars"`)
	assert.Contains(t, a.do("GET", path+"/plan.ics", "").text, "BEGIN:VEVENT")
	var sock basket.Sock
	a.do("GET", path, "").into(t, &sock)
	assert.Equal(t, basket.Next{Text: "Knit on", Do: "knit"}, sock.Next)
}

func TestWhatTheNeedlesRefuse(t *testing.T) {
	a := start(t, "")
	path, _ := a.onNeedles()
	for body, says := range map[string]string{
		say(event("a", 1, `"kind":"knot","row":0`)):  "events[0].kind",
		say(event("a", 0, `"kind":"row","row":0`)):   "events[0].clock",
		say(event("a b", 1, `"kind":"row","row":0`)): "events[0].id",
		strings.Replace(say(event("a", 1, `"kind":"row","row":0`)), `"version":1`, `"version":7`,
			1): "this sock has 1 versions of its plan",
	} {
		r := a.do("POST", path+"/events", body)
		assert.Equal(t, 422, r.status)
		assert.Contains(t, r.text, says)
	}
	assert.Equal(t, 404, a.do("POST", "/api/socks/nobody/knit", "").status)
	r := a.do("POST", "/api/socks", `{"name":"Half","wearer":"","unit":"cm","draft":{"design":{},"entries":{}}}`)
	var sock basket.Sock
	r.into(t, &sock)
	r = a.do("POST", "/api/socks/"+sock.ID+"/knit", "")
	assert.Equal(t, 422, r.status)
	assert.Contains(t, r.text, "length: is required")
	assert.Contains(t, a.do("POST", "/api/socks/"+sock.ID+"/where", `{"logged":0,"seen":{},"unit":"cm"}`).text, "not on the needles yet")

	// Events for a sock that is out of the basket are kept, and say so.
	require.Equal(t, 204, a.do("DELETE", path, "").status)
	r = a.do("POST", path+"/events", say(event("a", 1, `"kind":"row","row":0`)))
	assert.Equal(t, 200, r.status)
	assert.Contains(t, r.text, `"deleted":true`)
	r = a.do("POST", path+"/events", say(event("beyond", 2, `"kind":"row","row":9999`)))
	assert.Equal(t, 422, r.status, "what its plan does not have was not knitted, in the bin or out of it")
	assert.Contains(t, r.text, "read 9999; in version 1")
	assert.Equal(t, 404, a.do("POST", "/api/socks/NOBODY000000/events", say(event("x", 1, `"kind":"row","row":0`))).status)
	require.Equal(t, 200, a.do("POST", path+"/restore", "").status)
	assert.Contains(t, a.do("GET", path+"/knit", "").text, `"id":"a"`)
}

// indexOf is the number of a row.
func indexOf(v *web.KnitView, id string) int {
	return slices.IndexFunc(v.Rows, func(r knitting.Row) bool { return r.ID == id })
}

func TestABadEventNeverStandsBeforeTheNext(t *testing.T) {
	a := start(t, "")
	path, v := a.onNeedles()
	body := say(event("a", 1, `"kind":"row","row":0`),
		strings.Replace(event("far", 2, `"kind":"row","row":1`), `"clock":2`, `"clock":1125899906842624`, 1),
		event("deep", 2, fmt.Sprintf(`"kind":"row","row":%d`, len(v.Rows))),
		event("b", 2, `"kind":"row","row":1`),
		event("a", 3, `"kind":"row","row":2`),
		event("end", 3, fmt.Sprintf(`"kind":"note","row":%d,"text":"off the needles at last"`, len(v.Rows))))
	var heard web.EventsSince
	r := a.do("POST", path+"/events", body)
	require.Equal(t, 200, r.status, r.text)
	r.into(t, &heard)
	assert.Equal(t, 2, heard.Tally.Book.Places[0].Row)
	require.Len(t, heard.Refused, 3)
	for i, want := range []web.Refused{{ID: "far", Status: 422, Detail: "clock: read "}, {ID: "deep", Status: 422, Detail: "row: read "},
		{ID: "a", Status: 409, Detail: "another event has the id"}} {
		assert.Equal(t, want.ID, heard.Refused[i].ID)
		assert.Equal(t, want.Status, heard.Refused[i].Status)
		assert.Contains(t, heard.Refused[i].Detail, want.Detail)
	}
	assert.Equal(t, 409, a.do("POST", path+"/events", say(event("a", 3, `"kind":"row","row":2`))).status, "alone it is a problem")
	assert.Equal(t, 422, a.do("POST", path+"/events", say(event("p", 3, `"kind":"plan","row":2,"places":[9,9]`))).status,
		"only the program bends plans")
	a.do("POST", path+"/events", say(event("c", 4, `"kind":"row","row":2`))).into(t, &heard)
	assert.Equal(t, 3, heard.Tally.Book.Places[0].Row, "counting goes on")
}

// The first sock stands before foot-20, the second before heel-40, and the first's heel comes three rounds late.
// Whatever the request says of the other sock: its knitted rows and its place are what they were, and the proposal
// says what it means for it.
func TestWhatIsToldOfOneSockLeavesTheOther(t *testing.T) {
	a := start(t, "")
	path, v := a.onNeedles()
	foot, heel := indexOf(&v, "foot-20"), indexOf(&v, "heel-40")
	second := strings.Replace(event("b", 2, fmt.Sprintf(`"kind":"row","row":%d`, heel-1)), `"sock":1`, `"sock":2`, 1)
	require.Equal(t, 200, a.do("POST", path+"/events", say(event("a", 1, fmt.Sprintf(`"kind":"row","row":%d`, foot-1)), second)).status)
	r := a.do("POST", path+"/replan", fmt.Sprintf(`{"version":1,"happened":{"row":%d,"heel_late":3,"other_row":0},"unit":"cm","accept":true}`, foot))
	require.Equal(t, 200, r.status, r.text)
	assert.Contains(t, r.text, "The second sock has knitted past it (heel, row 39 comes next)")
	var next web.KnitView
	a.do("GET", path+"/knit", "").into(t, &next)
	assert.Equal(t, v.Rows, next.Second)
	places := next.Tally.Book.Places
	assert.Equal(t, [2]string{"foot-20", "heel-40"}, [2]string{next.Rows[places[0].Row].ID, next.Second[places[1].Row].ID})
	assert.Equal(t, 68, next.Rows[foot].Of, "the first has its three rounds more")

	// A finished sock is never told anew, and no decision binds it.
	end := strings.Replace(event("e", 5, fmt.Sprintf(`"kind":"finish","row":%d`, heel)), `"sock":1`, `"sock":2`, 1)
	require.Equal(t, 200, a.do("POST", path+"/events", say(strings.Replace(end, `"version":1`, `"version":2`, 1))).status)
	r = a.do("POST", path+"/replan", fmt.Sprintf(`{"version":2,"happened":{"sock":2,"row":%d,"leg_rounds":9},"unit":"cm","accept":true}`,
		heel))
	assert.Equal(t, 422, r.status)
	assert.Contains(t, r.text, "off the needles")
	r = a.do("POST", path+"/decide", fmt.Sprintf(`{"version":2,"unit":"cm","sock":0,"accept":true,"draft":%s}`,
		strings.Replace(isoldeDraft, `"design":{`, `"design":{"cuff":{"height_mm":60},`, 1)))
	require.Equal(t, 200, r.status, r.text)
	assert.Contains(t, r.text, "The second sock is off the needles, and stays as it is.")
	var last web.KnitView
	a.do("GET", path+"/knit", "").into(t, &last)
	assert.Equal(t, next.Second, last.Second)
}

// Rows that were ticked on the version of before, beyond what both have in common, are kept, counted as far as they
// are the same, and asked about.
func TestATickOnTheVersionOfBeforeIsAsked(t *testing.T) {
	a := start(t, "")
	path, v := a.onNeedles()
	foot, heel := indexOf(&v, "foot-60"), indexOf(&v, "heel-3")
	require.Equal(t, 200, a.do("POST", path+"/events", say(event("a", 1, fmt.Sprintf(`"kind":"row","row":%d`, foot-1)))).status)
	require.Equal(t, 200, a.do("POST", path+"/replan",
		fmt.Sprintf(`{"version":1,"happened":{"row":%d,"heel_late":3},"unit":"cm","accept":true}`, foot)).status)
	require.Equal(t, 200, a.do("POST", path+"/events", say(event("late", 9, fmt.Sprintf(`"kind":"row","row":%d`, heel-1)))).status)
	look := func() (k web.KnitView) { a.do("GET", path+"/knit", "").into(t, &k); return k }
	k := look()
	require.Len(t, k.Asked, 1)
	q := k.Asked[0]
	assert.Equal(t, []any{1, 1, heel, "foot 66", "heel 2"}, []any{q.Sock, q.Version, q.Rows, q.Next, q.AlikeNext})
	assert.Contains(t, q.Text, "1 row of the first sock, heel 1, was ticked on a device")
	assert.Equal(t, "foot-66", k.Rows[k.Tally.Book.Places[0].Row].ID)
	assert.Contains(t, a.do("GET", path+"/log.csv", "").text, ",1,heel,1,row,", "the tick is kept")

	r := a.do("POST", path+"/replan", fmt.Sprintf(`{"version":2,"happened":{"sock":1,"row":%d,"by_version":1},"unit":"cm","accept":true}`,
		q.Rows))
	require.Equal(t, 200, r.status, r.text)
	k = look()
	assert.Empty(t, k.Asked)
	assert.Equal(t, 3, k.Version)
	assert.Equal(t, "heel-3", k.Rows[k.Tally.Book.Places[0].Row].ID)
	assert.Equal(t, 65, k.Rows[foot].Of, "the foot is as it was knitted")
	for i := range heel {
		assert.Equal(t, v.Rows[i].Parts, k.Rows[i].Parts)
	}
	for body, says := range map[string]string{`"row":4,"by_version":3`: "by_version", `"row":0,"by_version":1`: "row: read 0",
		`"row":4,"by_version":-1`: "by_version"} {
		r = a.do("POST", path+"/replan", fmt.Sprintf(`{"version":3,"happened":{%s},"unit":"cm","accept":true}`, body))
		assert.Equal(t, 422, r.status, body)
		assert.Contains(t, r.text, says)
	}
}

// Both socks of a pair are in the heel and the foot; the first was tried on, and the second goes on where it was.
func TestTwoDevicesWhileThePlanBends(t *testing.T) {
	a := start(t, "")
	path, v := a.onNeedles()
	foot, heel := indexOf(&v, "foot-31"), indexOf(&v, "heel-11")
	second := func(id string, clock, row int) string {
		return strings.Replace(event(id, clock, fmt.Sprintf(`"kind":"row","row":%d`, row)), `"sock":1`, `"sock":2`, 1)
	}
	require.Equal(t, 200, a.do("POST", path+"/events",
		say(event("a", 1, fmt.Sprintf(`"kind":"row","row":%d`, foot-1)), second("b", 2, heel))).status)
	r := a.do("POST", path+"/replan", fmt.Sprintf(`{"version":1,"happened":{"row":%d},"length":"12.8","unit":"cm","accept":true}`, foot))
	require.Equal(t, 200, r.status, r.text)
	var next web.KnitView
	a.do("GET", path+"/knit", "").into(t, &next)
	places := next.Tally.Book.Places
	assert.Equal(t, "foot-31", next.Rows[places[0].Row].ID)
	require.NotNil(t, next.Second, "the second has knitted past the foot: it keeps its rows, and the pair goes its two ways")
	assert.Equal(t, v.Rows, next.Second)
	assert.Equal(t, "heel-12", next.Second[places[1].Row].ID, "heel-11 is done, on whichever version")
	bent := next.Events[len(next.Events)-1]
	assert.Equal(t, logbook.Bent, bent.Kind)
	assert.Equal(t, []int{places[0].Row, places[1].Row}, bent.Places)

	// A device that was away goes on ticking on the old version, and is understood.
	var heard web.EventsSince
	a.do("POST", path+"/events", say(second("c", 3, heel+2))).into(t, &heard)
	assert.Equal(t, "heel-14", next.Second[heard.Tally.Book.Places[1].Row].ID)
	assert.Contains(t, a.do("GET", path+"/log.csv", "").text, ",2,heel,12,row,", "the diary names rows as they are now")
	r = a.do("POST", path+"/events", say(strings.Replace(event("d", 4, `"kind":"row","row":1`), `"version":1`, `"version":3`, 1)))
	assert.Equal(t, 422, r.status)
	assert.Contains(t, r.text, "this sock has 2 versions of its plan")
}

func TestWhereAmIOverTheWire(t *testing.T) {
	a := start(t, "")
	path, v := a.onNeedles()
	heel := 0
	for i, row := range v.Rows {
		if row.ID == "heel-8" {
			heel = i
		}
	}
	var answer whereami.Answer
	a.do("POST", path+"/where", `{"logged":3,"seen":{"needle1":34,"needle2":34,"right":3,"left":4,"side":"WS"},"unit":"cm"}`).into(t,
		&answer)
	assert.Equal(t, v.Rows[heel].ID, v.Rows[answer.Matches[0].Row].ID, "evidence beats the log")
	r := a.do("POST", path+"/where", `{"logged":3,"seen":{},"length":"long","unit":"cm"}`)
	assert.Equal(t, 422, r.status)
	assert.Contains(t, r.text, "a length looks like")
	assert.Contains(t, a.do("POST", path+"/count", `{"row":5,"counted":36}`).text, "The last increase round was knitted plain.")
}

func TestThePlanBendsAndKeepsItsVersions(t *testing.T) {
	a := start(t, "")
	path, v := a.onNeedles()
	row := 0
	for i := range v.Rows {
		if v.Rows[i].ID == "foot-31" {
			row = i
		}
	}
	ask := func(version int, accept bool) reply {
		return a.do("POST", path+"/replan", fmt.Sprintf(`{"version":%d,"happened":{"row":%d},"length":"12.2","unit":"cm","accept":%t}`,
			version, row, accept))
	}
	var proposal replan.Proposal
	ask(1, false).into(t, &proposal)
	assert.Contains(t, proposal.Text, "5 fewer rounds before the heel")
	assert.Contains(t, a.do("GET", path+"/knit", "").text, `"version":1,"versions":[{"version":1,`, "only looked at")
	require.Equal(t, 200, ask(1, true).status)
	assert.Equal(t, 409, ask(1, true).status, "another window accepted it first")
	var next web.KnitView
	a.do("GET", path+"/knit", "").into(t, &next)
	assert.Equal(t, 2, next.Version)
	assert.Contains(t, next.Versions[1].Reason, "5 fewer")
	assert.Equal(t, len(v.Rows)-5-3-1, len(next.Rows))
	for i := range row {
		assert.Equal(t, v.Rows[i].Parts, next.Rows[i].Parts)
	}
}

func TestTheScaleIsReadOrSaysWhyNot(t *testing.T) {
	a := start(t, "")
	assert.Contains(t, a.do("GET", "/api/scale", "").text, "no scale is connected")
	listener, err := net.Listen("tcp", "127.0.0.1:0")
	require.NoError(t, err)
	t.Cleanup(func() { _ = listener.Close() })
	var simulated scale.Simulated
	simulated.Put(71.3, 0)
	go func() { _ = simulated.Serve(listener) }()
	withScale := startWith(t, "", listener.Addr().String())
	assert.JSONEq(t, `{"grams":71.3}`, withScale.do("GET", "/api/scale", "").text)
}

// Reading a sock does not cast it on; until its first row is done the plan follows the board, and from then on the board asks.
func TestThePlanFollowsTheBoardUntilTheFirstRow(t *testing.T) {
	a := start(t, "")
	var sock basket.Sock
	a.do("POST", "/api/socks", `{"name":"Preview","wearer":"","unit":"cm","draft":`+isoldeDraft+`}`).into(t, &sock)
	path := "/api/socks/" + sock.ID
	look := func() (v web.KnitView) {
		r := a.do("GET", path+"/knit", "")
		require.Equal(t, 200, r.status, r.text)
		r.into(t, &v)
		return v
	}
	v := look()
	assert.Zero(t, v.Version, "nothing is cast on")
	assert.NotEmpty(t, v.Rows)
	assert.False(t, sock.OnNeedles)
	a.do("POST", path+"/knit", "").into(t, &v)
	assert.Equal(t, 1, v.Version)

	cuff := func(mm int) string {
		return strings.Replace(isoldeDraft, `"design":{`, fmt.Sprintf(`"design":{"cuff":{"height_mm":%d},`, mm), 1)
	}
	save := func(revision int, draft string) {
		r := a.do("PUT", path, fmt.Sprintf(`{"name":"Preview","wearer":"","notes":"","unit":"cm","revision":%d,"draft":%s}`, revision,
			draft))
		require.Equal(t, 200, r.status, r.text)
	}
	save(sock.Revision, cuff(60))
	v = look()
	assert.Equal(t, 2, v.Version)
	assert.Equal(t, v.Version, look().Version, "it follows once")

	require.Equal(t, 200, a.do("POST", path+"/events", say(event("a", 1, `"kind":"row","row":40`))).status)
	save(sock.Revision+1, cuff(40))
	assert.Equal(t, 2, look().Version, "from the first row on it does not follow by itself")
	var answer web.DecideAnswer
	ask := func(accept bool) {
		r := a.do("POST", path+"/decide", fmt.Sprintf(`{"version":2,"unit":"cm","sock":0,"accept":%t,"draft":%s}`, accept, cuff(40)))
		require.Equal(t, 200, r.status, r.text)
		r.into(t, &answer)
	}
	ask(false)
	assert.True(t, answer.Plans)
	assert.Equal(t, [2]int{41, 0}, answer.Rows)
	assert.Equal(t, 2, look().Version)
	ask(true)
	assert.Equal(t, 3, answer.Version)
	assert.Equal(t, 3, look().Version)
	assert.Equal(t, 409, a.do("POST", path+"/decide",
		fmt.Sprintf(`{"version":2,"unit":"cm","sock":0,"accept":true,"draft":%s}`, cuff(50))).status)

	// What would change a row that is knitted is locked, and says which.
	var list struct {
		Choices []struct {
			Field   string
			Options []struct{ Label, Locked string }
		}
	}
	a.do("POST", "/api/options", fmt.Sprintf(`{"unit":"cm","sock_id":%q,"draft":%s}`, sock.ID, cuff(40))).into(t, &list)
	locked := map[string]string{}
	for _, c := range list.Choices {
		for _, o := range c.Options {
			locked[c.Field+" "+o.Label] = o.Locked
		}
	}
	assert.Equal(t, "cast on, row 1", locked["toe.kind Garter-square toe"])
	assert.Empty(t, locked["heel.kind Gusset first"])
}

// The fabric before a row is pictured from both sides; what cannot be asked for says so.
func TestTheFabricIsPictured(t *testing.T) {
	a := start(t, "")
	path, v := a.onNeedles()
	var list web.FabricList
	a.do("GET", path+"/fabric?row=96&rows=6", "").into(t, &list)
	require.Len(t, list.Pictures, 6)
	for i, view := range list.Pictures {
		assert.Equal(t, 96+i, view.Held.Row)
		assert.NotEqual(t, view.Held.Side, view.Turned.Side)
		assert.NotEmpty(t, view.Held.Strokes)
	}
	a.do("GET", path+fmt.Sprintf("/fabric?sock=2&row=%d&rows=6", len(v.Rows)), "").into(t, &list)
	assert.Len(t, list.Pictures, 1, "after the last row there is nothing more")
	for query, says := range map[string]string{"row=3&rows=0": "rows: read 0", "row=3&rows=99": "rows: read 99",
		"row=-1&rows=2": "row: read -1", "sock=3&row=1&rows=1": "sock: read 3", "row=x&rows=1": "whole number"} {
		r := a.do("GET", path+"/fabric?"+query, "")
		assert.Equal(t, 422, r.status, query)
		assert.Contains(t, r.text, says)
	}
}
