package web_test

import (
	"bytes"
	"encoding/json"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/files/archive"
	"acornstep/sock/papers/basket"
	"acornstep/sock/teach/leaflet"
	"acornstep/web"
)

// What is taken away of a sock that is designed, and of one on the needles; and comes back.
func TestFilesOfASock(t *testing.T) {
	a := start(t, "")
	path, _ := a.onNeedles()
	for file, has := range map[string]string{
		"pattern.pdf": "%PDF-", "pattern.txt": "ABBREVIATIONS", "design.json": `"acorn-step.design"`, "plan.json": `"acorn-step.plan"`,
		"rows.csv": "section,row,kind,side,worked", "drawing.svg": "<svg ",
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
		body, err := json.Marshal(web.FileText{Text: text})
		require.NoError(t, err)
		var opened web.Opened
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
		"milk": "no JSON", `{"format":"scarf"}`: "scarf", `{"format":"acorn-step.design","version":1}`: "is required",
		`{"format":"acorn-step.plan","version":1}`: "is required", "": "no JSON",
		`{"format":"acorn-step.plan","version":1,"summary":{},"rows":[{"id":"toe-1","section":"toe","n":1,"kind":"round","side":"RS","ops":[["k",4]],"stitches":4}]}`: "cannot be knitted",
	} {
		body, err := json.Marshal(web.FileText{Text: text})
		require.NoError(t, err)
		r := a.do("POST", "/api/open", string(body))
		assert.Equal(t, 422, r.status, text)
		assert.Contains(t, r.text, says, text)
	}
}

// An archive brings a sock into another basket with its plans and all that happened; twice changes nothing, and one
// that differs comes in beside it.
func TestAnArchiveGoesToAnotherBasket(t *testing.T) {
	a, b := start(t, ""), start(t, "")
	path, _ := a.onNeedles()
	require.Equal(t, 200, a.do("POST", path+"/events",
		say(event("a", 1, `"kind":"row","row":0`), event("b", 2, `"kind":"note","row":1,"text":"clouds, then stars"`))).status)
	packed := a.do("GET", path+"/files/archive.zip?dates=1", "").text
	take := func(text string) web.Imported {
		r := b.do("POST", "/api/archive", text)
		require.Equal(t, 200, r.status, r.text)
		var took web.Imported
		r.into(t, &took)
		require.Len(t, took.Socks, 1)
		return took
	}
	count := func() int {
		var list web.SockList
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
	var took web.Imported
	r.into(t, &took)
	assert.Len(t, took.Socks, before+2)
}

// What is given away says nothing of its wearer's health, unless that is ticked; nor is a name what cannot be printed.
func TestWhatIsGivenAwayKeepsCautions(t *testing.T) {
	a := start(t, "")
	careful := strings.Replace(isoldeDraft, `"ball_girth_mm":236`, `"ball_girth_mm":236,"cautions":["circulation","numb_feet"]`, 1)
	var sock basket.Sock
	r := a.do("POST", "/api/socks", `{"name":"Given","wearer":"","unit":"cm","draft":`+careful+`}`)
	require.Equal(t, 201, r.status, r.text)
	r.into(t, &sock)
	for _, file := range []string{"design.json", "plan.json"} {
		path := "/api/socks/" + sock.ID + "/files/" + file
		for _, word := range []string{"circulation", "numb_"} {
			assert.NotContains(t, a.do("GET", path, "").text, word, file)
			assert.Contains(t, a.do("GET", path+"?cautions=1", "").text, word, file)
		}
	}
	r = a.do("POST", "/api/socks", `{"name":"bell\u0007","wearer":"","unit":"cm","draft":`+isoldeDraft+`}`)
	assert.Equal(t, 422, r.status)
	assert.Contains(t, r.text, "U+0007, which cannot be printed")
}

// A sock in the bin comes back with its archive; where the archive differs from it, it comes in beside, and it is
// said where the other lies. A name of 120 letters has room for being a copy. Of a basket what can come comes, and
// the rest is named.
func TestWhatCanComeComes(t *testing.T) {
	a := start(t, "")
	path, v := a.onNeedles()
	packed := a.do("GET", path+"/files/archive.zip?dates=1", "").text
	require.Equal(t, 200, a.do("POST", path+"/events", say(event("a", 1, `"kind":"row","row":0`))).status)
	further := a.do("GET", path+"/files/archive.zip?dates=1", "").text
	take := func(text string) []web.ImportedSock {
		r := a.do("POST", "/api/archive", text)
		require.Equal(t, 200, r.status, r.text)
		var took web.Imported
		r.into(t, &took)
		return took.Socks
	}
	require.Equal(t, 204, a.do("DELETE", path, "").status)
	back := take(further)
	assert.Equal(t, []web.ImportedSock{{ID: v.ID, Name: "Roof", Came: true, Why: "It lay in the bin, and is back."}}, back)
	require.Equal(t, 200, a.do("GET", path, "").status)
	require.Equal(t, 204, a.do("DELETE", path, "").status)
	beside := take(packed)
	require.Len(t, beside, 1)
	assert.True(t, beside[0].Came)
	assert.Contains(t, beside[0].Why, "stays there")
	assert.Equal(t, 404, a.do("GET", path, "").status)

	var long basket.Sock
	a.do("POST", "/api/socks", `{"name":"`+strings.Repeat("n", basket.MaxName)+`","wearer":"","unit":"cm","draft":`+isoldeDraft+
		`}`).into(t, &long)
	of := "/api/socks/" + long.ID
	text := a.do("GET", of+"/files/archive.zip", "").text
	require.Equal(t, 200, a.do("POST", of+"/knit", "").status)
	named := take(text)
	assert.True(t, named[0].Came)
	assert.Len(t, named[0].Name, basket.MaxName)
	assert.True(t, strings.HasSuffix(named[0].Name, " (another copy)"))

	// One of three was changed on its way: the two others come.
	var whole bytes.Buffer
	w, err := archive.NewBasket(&whole, archive.Carries{})
	require.NoError(t, err)
	for _, text := range []string{packed, further, text} {
		o, err := archive.Open([]byte(text))
		require.NoError(t, err)
		if text == further {
			o.Sock.Events[0].Row = 9999
		}
		require.NoError(t, w.Add(*o.Sock))
	}
	require.NoError(t, w.Close())
	b := start(t, "")
	r := b.do("POST", "/api/archive", whole.String())
	require.Equal(t, 200, r.status, r.text)
	var took web.Imported
	r.into(t, &took)
	require.Len(t, took.Socks, 3)
	assert.Equal(t, []bool{true, false, true}, []bool{took.Socks[0].Came, took.Socks[1].Came, took.Socks[2].Came})
	assert.Contains(t, took.Socks[1].Why, "stands at row 9999")

	// In parts, each part opens by itself; a beginning that is none is refused.
	part := b.do("GET", "/api/archive?from=1", "")
	assert.Equal(t, "2", part.header.Get("Acorn-Step-All"))
	assert.Empty(t, part.header.Get("Acorn-Step-Next"))
	assert.Equal(t, 422, b.do("GET", "/api/archive?from=x", "").status)
	c := start(t, "")
	require.Equal(t, 200, c.do("POST", "/api/archive", part.text).status)
}

// Measurements go out as a table and come back in, all of them or none.
func TestMeasurementsAsATable(t *testing.T) {
	a := start(t, "")
	var w web.WearerView
	a.do("POST", "/api/feet", `{"name":"Marit","cautions":[],"note":""}`).into(t, &w)
	path := "/api/feet/" + w.Wearer.ID
	body, err := json.Marshal(web.FileText{Text: "measured_on,side,what,length_mm\n2025-10-03,left,length_mm,243\n2025-10-03,left,ball_girth_mm,228\n"})
	require.NoError(t, err)
	r := a.do("POST", path+"/table", string(body))
	require.Equal(t, 201, r.status, r.text)
	assert.Contains(t, a.do("GET", path+"/measurements.csv", "").text, "2025-10-03,left,length_mm,243,tape")
	body, err = json.Marshal(web.FileText{Text: "measured_on,side,what,length_mm\n2025-11-03,left,length_mm,244\n2025-11-03,left,length_mm,long\n"})
	require.NoError(t, err)
	r = a.do("POST", path+"/table", string(body))
	assert.Equal(t, 422, r.status)
	assert.Contains(t, r.text, "line 3")
	assert.NotContains(t, a.do("GET", path+"/measurements.csv", "").text, "2025-11-03")
	assert.Equal(t, 404, a.do("GET", "/api/feet/NOBODY/measurements.csv", "").status)
	assert.Equal(t, 404, a.do("GET", "/api/swatches/NOBODY/readings.csv", "").status)
}
