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
		"pattern.pdf": "%PDF-", "pattern.txt": "ABBREVIATIONS", "design.json": `"acorn-step.design"`, "plan.json": `"acorn-step.plan"`, "rows.csv": "section,row,kind,side,worked",
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
