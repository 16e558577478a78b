package web_test

import (
	"database/sql"
	"encoding/json"
	"fmt"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sock/needles/knitting"
	"acornstep/sock/papers/basket"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/plan"
	"acornstep/web"
)

// found is a new sock, still without a plan, and an edition for it.
func (a api) found() (id string, e *knitting.Edition) {
	a.t.Helper()
	var sock basket.Sock
	a.do("POST", "/api/socks", `{"name":"Found","wearer":"","unit":"cm","draft":{"design":{},"entries":{}}}`).into(a.t, &sock)
	d, err := design.Read([]byte(`{"format":"acorn-step.design","version":1,"foot":{"length_mm":251},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44}}`))
	require.NoError(a.t, err)
	e, err = knitting.Begin(d)
	require.NoError(a.t, err)
	return sock.ID, e
}

// A plan by others says rows, summary and gauge; it is knitted from like any other, and what needs a design says so.
func TestAPlanByOthersIsKnitted(t *testing.T) {
	a := start(t, "")
	id, e := a.found()
	path := "/api/socks/" + id
	text, err := json.Marshal(map[string]any{
		"format": plan.Format, "version": plan.Version, "summary": e.Plan.Summary, "rows": e.Plan.Rows,
		"design": map[string]any{"gauge": e.Plan.Design.Gauge},
	})
	require.NoError(t, err)
	bare, err := plan.Read(text)
	require.NoError(t, err)
	require.NoError(t, a.store.AddEdition(t.Context(), id, &knitting.Edition{Line: knitting.Line{Version: 1}, Plan: bare}, [2]int{}))

	var v web.KnitView
	r := a.do("GET", path+"/knit", "")
	require.Equal(t, 200, r.status, r.text)
	r.into(t, &v)
	assert.Len(t, v.Rows, len(e.Plan.Rows))
	assert.Nil(t, v.Offer)
	assert.Equal(t, 200, a.do("POST", path+"/events", say(event("a", 1, `"kind":"row","row":40`))).status)
	assert.Equal(t, 200, a.do("GET", path+"/progress", "").status)
	assert.Equal(t, 200, a.do("POST", path+"/where", `{"logged":3,"seen":{"needle1":34},"unit":"cm"}`).status)
	r = a.do("POST", path+"/replan", `{"version":1,"happened":{"row":40},"length":"11.8","unit":"cm","accept":true}`)
	assert.Equal(t, 422, r.status)
	assert.Contains(t, r.text, "came without a design")
}

// What is kept of a plan that nobody can make any more says so in a sentence, and the board still opens it.
func TestAPlanWithoutRowsSaysSo(t *testing.T) {
	a := start(t, "")
	id, e := a.found()
	path := "/api/socks/" + id
	require.NoError(t, a.store.AddEdition(t.Context(), id, e, [2]int{}))
	db, err := sql.Open("sqlite", a.file)
	require.NoError(t, err)
	defer func() { _ = db.Close() }()
	_, err = db.Exec(`UPDATE editions SET document = NULL`)
	require.NoError(t, err)
	for _, ask := range []reply{a.do("GET", path+"/knit", ""),
		a.do("POST", path+"/replan", `{"version":1,"happened":{"row":40},"length":"7","unit":"in","accept":true}`)} {
		assert.Equal(t, 409, ask.status)
		assert.Contains(t, ask.text, "kept without its rows")
	}
	assert.Equal(t, 200, a.do("GET", path, "").status)
}

// A version that an older program kept without its rows does not keep its sock from being carried: the archive
// begins with the first that has them, and what was ticked on the one before names the same rows.
func TestAnArchiveBeginsWithTheFirstRows(t *testing.T) {
	a, b := start(t, ""), start(t, "")
	id, e := a.found()
	path := "/api/socks/" + id
	require.NoError(t, a.store.AddEdition(t.Context(), id, e, [2]int{}))
	require.Equal(t, 200, a.do("POST", path+"/events",
		say(event("a", 1, `"kind":"row","row":40`), event("n", 2, `"kind":"note","row":41,"text":"clouds"`))).status)
	next := *e
	next.Version, next.Reason = 2, "The rows come from this program."
	for i := range len(e.Plan.Rows) + 1 {
		next.Places = append(next.Places, i)
	}
	require.NoError(t, a.store.AddEdition(t.Context(), id, &next, [2]int{41, 0}))
	db, err := sql.Open("sqlite", a.file)
	require.NoError(t, err)
	defer func() { _ = db.Close() }()
	_, err = db.Exec(`UPDATE editions SET document = NULL WHERE version = 1`)
	require.NoError(t, err)

	packed := a.do("GET", path+"/files/archive.zip?dates=1", "")
	require.Equal(t, 200, packed.status, packed.text)
	r := b.do("POST", "/api/archive", packed.text)
	require.Equal(t, 200, r.status, r.text)
	var there, here web.KnitView
	b.do("GET", path+"/knit", "").into(t, &there)
	a.do("GET", path+"/knit", "").into(t, &here)
	assert.Equal(t, 1, there.Version)
	assert.Equal(t, here.Rows, there.Rows)
	assert.Equal(t, here.Tally.Book.Places, there.Tally.Book.Places)
	assert.Contains(t, b.do("GET", path+"/log.csv", "").text, "clouds")
	assert.Equal(t, packed.text, b.do("GET", path+"/files/archive.zip?dates=1", "").text, "byte for byte")
	assert.Equal(t, 200, a.do("GET", "/api/archive", "").status)
}

// An offer is made until it is answered.
func TestAnOfferIsAnsweredOnce(t *testing.T) {
	a := start(t, "")
	path, v := a.onNeedles()
	// An older program made another foot of these figures: three rounds longer.
	d, err := design.Read([]byte(`{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44},"foot_length":{"rounds":68},"leg":{"height_mm":180}}`))
	require.NoError(t, err)
	e, err := knitting.Begin(d)
	require.NoError(t, err)
	e.Version, e.Plan.Design.FootLength.Rounds, e.Board = 2, nil, nil
	require.NoError(t, a.store.AddEdition(t.Context(), v.ID, e, [2]int{}))

	var offered web.KnitView
	a.do("GET", path+"/knit", "").into(t, &offered)
	require.NotNil(t, offered.Offer)
	assert.Contains(t, offered.Offer.Text, "older version of the program")
	answer := func(take bool) web.KnitView {
		var after web.KnitView
		r := a.do("POST", path+"/offer", fmt.Sprintf(`{"version":2,"name":%q,"take":%t}`, offered.Offer.Name, take))
		require.Equal(t, 200, r.status, r.text)
		r.into(t, &after)
		return after
	}
	left := answer(false)
	assert.Nil(t, left.Offer, "it is said once")
	assert.Equal(t, 2, left.Version)
	assert.Equal(t, 2, answer(true).Version, "an offer that was left is not there to be taken")
}
