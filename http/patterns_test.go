package http_test

import (
	"encoding/json"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/http"
	"acornstep/sock/leaflet"
)

// What is taken away of a sock that is designed, and of one on the needles; and comes back.
func TestFilesOfASock(t *testing.T) {
	a := start(t, "")
	path, _ := a.onNeedles()
	for file, has := range map[string]string{
		"pattern.pdf": "%PDF-", "pattern.txt": "ABBREVIATIONS", "design.json": `"acorn-step.design"`, "plan.json": `"acorn-step.plan"`, "rows.csv": "section,row,kind,side,worked", "drawing.svg": "<svg ",
	} {
		r := a.do("GET", path+"/files/"+file, "")
		assert.Equal(t, 200, r.status, file)
		assert.Contains(t, r.text, has, file)
	}
	assert.Equal(t, 404, a.do("GET", path+"/files/passphrase", "").status)
	assert.Contains(t, a.do("GET", path+"/files/pattern.pdf?paper=a7", "").text, "a7")
	assert.Contains(t, a.do("GET", path+"/files/pattern.txt?rows=some", "").text, "repeats or every")
	assert.Equal(t, 404, a.do("GET", "/api/socks/NOBODY/files/pattern.pdf", "").status)

	var l leaflet.Leaflet
	a.do("GET", path+"/pattern?rows=every", "").into(t, &l)
	assert.Greater(t, len(l.Sections[1].Items), 15, "every row on a line")
	assert.NotEmpty(t, l.Charts)

	for _, file := range []string{"design.json", "plan.json"} {
		text := a.do("GET", path+"/files/"+file, "").text
		body, err := json.Marshal(http.FileText{Text: text})
		require.NoError(t, err)
		var opened http.Opened
		r := a.do("POST", "/api/open", string(body))
		require.Equal(t, 200, r.status, r.text)
		r.into(t, &opened)
		assert.Equal(t, strings.TrimSuffix(file, ".json"), opened.Kind)
		assert.NotEmpty(t, opened.Draft.Design["foot"])
	}
}

// A file that is none of ours is refused with what was read.
func TestFilesThatAreNoneOfOurs(t *testing.T) {
	a := start(t, "")
	for text, says := range map[string]string{
		"milk": "no JSON", `{"format":"scarf"}`: "scarf", `{"format":"acorn-step.design","version":1}`: "is required", `{"format":"acorn-step.plan","version":1}`: "is required", "": "no JSON",
		`{"format":"acorn-step.plan","version":1,"summary":{},"rows":[{"id":"toe-1","section":"toe","n":1,"kind":"round","side":"RS","ops":[["k",4]],"stitches":4}]}`: "cannot be knitted",
	} {
		body, err := json.Marshal(http.FileText{Text: text})
		require.NoError(t, err)
		r := a.do("POST", "/api/open", string(body))
		assert.Equal(t, 422, r.status, text)
		assert.Contains(t, r.text, says, text)
	}
}

// An archive brings a sock into another basket with its plans and all that happened; twice changes nothing, and one that differs comes in beside it.
func TestAnArchiveGoesToAnotherBasket(t *testing.T) {
	a, b := start(t, ""), start(t, "")
	path, _ := a.onNeedles()
	require.Equal(t, 200, a.do("POST", path+"/events", say(event("a", 1, `"kind":"row","row":0`), event("b", 2, `"kind":"note","row":1,"text":"clouds, then stars"`))).status)
	packed := a.do("GET", path+"/files/archive.zip?dates=1", "").text
	take := func(text string) http.Imported {
		r := b.do("POST", "/api/archive", text)
		require.Equal(t, 200, r.status, r.text)
		var took http.Imported
		r.into(t, &took)
		require.Len(t, took.Socks, 1)
		return took
	}
	count := func() int {
		var list http.SockList
		b.do("GET", "/api/socks?limit=1", "").into(t, &list)
		return list.All
	}
	before := count()
	first := take(packed)
	assert.True(t, first.Socks[0].Came)
	assert.Equal(t, path, "/api/socks/"+first.Socks[0].ID)
	assert.Equal(t, before+1, count())
	assert.Equal(t, packed, b.do("GET", path+"/files/archive.zip?dates=1", "").text, "byte for byte")
	assert.Equal(t, a.do("GET", path+"/files/plan.json", "").text, b.do("GET", path+"/files/plan.json", "").text)
	assert.Contains(t, b.do("GET", path+"/log.csv", "").text, "clouds, then stars")
	assert.False(t, take(packed).Socks[0].Came, "twice changes nothing")
	assert.Equal(t, before+1, count())

	// Knitted on at the first place, it differs: it lies beside the one that is here, once.
	require.Equal(t, 200, a.do("POST", path+"/events", say(event("c", 3, `"kind":"row","row":1`))).status)
	further := a.do("GET", path+"/files/archive.zip?dates=1", "").text
	other := take(further)
	assert.True(t, other.Socks[0].Came)
	assert.Contains(t, other.Socks[0].Name, "(another copy)")
	assert.NotEqual(t, first.Socks[0].ID, other.Socks[0].ID)
	assert.False(t, take(further).Socks[0].Came)
	assert.Equal(t, before+2, count())
	assert.Contains(t, b.do("GET", "/api/socks/"+other.Socks[0].ID+"/log.csv", "").text, "clouds, then stars")

	// What is spoiled is refused in a sentence, and leaves nothing.
	for _, text := range []string{"milk", packed[:len(packed)/2]} {
		r := b.do("POST", "/api/archive", text)
		assert.Equal(t, 422, r.status)
		assert.Contains(t, r.text, "this is no zip")
	}
	assert.Equal(t, before+2, count())

	whole := b.do("GET", "/api/archive", "").text
	c := start(t, "")
	r := c.do("POST", "/api/archive", whole)
	require.Equal(t, 200, r.status, r.text)
	var took http.Imported
	r.into(t, &took)
	assert.Len(t, took.Socks, before+2)
}

// Measurements go out as a table and come back in, all of them or none.
func TestMeasurementsAsATable(t *testing.T) {
	a := start(t, "")
	var w http.WearerView
	a.do("POST", "/api/feet", `{"name":"Marit","cautions":[],"note":""}`).into(t, &w)
	path := "/api/feet/" + w.Wearer.ID
	body, err := json.Marshal(http.FileText{Text: "measured_on,side,what,length_mm\n2025-10-03,left,length_mm,243\n2025-10-03,left,ball_girth_mm,228\n"})
	require.NoError(t, err)
	r := a.do("POST", path+"/table", string(body))
	require.Equal(t, 201, r.status, r.text)
	assert.Contains(t, a.do("GET", path+"/measurements.csv", "").text, "2025-10-03,left,length_mm,243,tape")
	body, err = json.Marshal(http.FileText{Text: "measured_on,side,what,length_mm\n2025-11-03,left,length_mm,244\n2025-11-03,left,length_mm,long\n"})
	require.NoError(t, err)
	r = a.do("POST", path+"/table", string(body))
	assert.Equal(t, 422, r.status)
	assert.Contains(t, r.text, "line 3")
	assert.NotContains(t, a.do("GET", path+"/measurements.csv", "").text, "2025-11-03")
	assert.Equal(t, 404, a.do("GET", "/api/feet/NOBODY/measurements.csv", "").status)
	assert.Equal(t, 404, a.do("GET", "/api/swatches/NOBODY/readings.csv", "").status)
}
