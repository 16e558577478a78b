package web_test

import (
	"bytes"
	"encoding/base64"
	"fmt"
	"image"
	"image/jpeg"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sock/figures/measure"
	"acornstep/sock/judge/board"
	"acornstep/sock/papers/basket"
	"acornstep/sock/people/tracing"
	"acornstep/web"
)

// add makes a wearer by name and measures the left foot.
func (a api) wearer(name string, lengths map[string]string) web.WearerView {
	a.t.Helper()
	var v web.WearerView
	a.do("POST", "/api/feet", fmt.Sprintf(`{"name":%q,"cautions":[],"note":""}`, name)).into(a.t, &v)
	for what, length := range lengths {
		r := a.do("POST", "/api/feet/"+v.Wearer.ID+"/measurements",
			fmt.Sprintf(`{"side":"left","what":%q,"length":%q,"unit":"cm","measured_on":"2026-11-01","guessed":false}`, what, length))
		require.Equal(a.t, 201, r.status, r.text)
		r.into(a.t, &v)
	}
	return v
}

func TestAFootInBothUnits(t *testing.T) {
	a := start(t, "")
	v := a.wearer("Isolde", map[string]string{"length_mm": `9 7/8"`, "ball_girth_mm": "23.6"})
	assert.InDelta(t, 250.8, float64(v.Left.Taken.Lengths["length_mm"]), 0.05)
	assert.Equal(t, measure.Length(236), v.Left.Taken.Lengths["ball_girth_mm"])
	// Guessed: 0.2 of the length, 1.38 of the ball, the ankle as the ball.
	assert.InDelta(t, 50.2, float64(v.Left.Guesses["toe_depth_mm"]), 0.05)
	assert.InDelta(t, 325.7, float64(v.Left.Guesses["heel_diagonal_mm"]), 0.05)
	assert.Empty(t, v.Right.Newest)
}

func TestWhatFeetRefuse(t *testing.T) {
	a := start(t, "")
	v := a.wearer("Isolde", nil)
	measurements := "/api/feet/" + v.Wearer.ID + "/measurements"
	for _, c := range []struct{ name, path, body, says string }{
		{"no name", "/api/feet", `{"name":" ","cautions":[],"note":""}`, "name: read 0 characters"},
		{"a caution nobody knows", "/api/feet", `{"name":"O","cautions":["height"],"note":""}`, `cautions: read \"height\"`},
		{"words", measurements, `{"side":"left","what":"length_mm","length":"long","unit":"cm","measured_on":"2026-11-01","guessed":false}`, "a length looks like"},
		{"inches as cm", measurements, `{"side":"left","what":"length_mm","length":"4","unit":"cm","measured_on":"2026-11-01","guessed":false}`, "8.0 cm to 35.0 cm"},
		{"a day to come", measurements, `{"side":"left","what":"length_mm","length":"25","unit":"cm","measured_on":"2199-11-01","guessed":false}`, "still to come"},
		{"no day", measurements, `{"side":"left","what":"length_mm","length":"25","unit":"cm","measured_on":"soon","guessed":false}`,
			"a day looks like"},
		{"a third foot", measurements, `{"side":"middle","what":"length_mm","length":"25","unit":"cm","measured_on":"2026-11-01","guessed":false}`, "expected left or right"},
		{"growth of nothing", "/api/feet/" + v.Wearer.ID + "/growth", `{"side":"left","day":"2027-01-01","unit":"cm"}`,
			"has not been measured"},
	} {
		r := a.do("POST", c.path, c.body)
		assert.Equal(t, 422, r.status, c.name)
		assert.Contains(t, r.text, c.says, c.name)
	}
	assert.Equal(t, 404, a.do("GET", "/api/feet/nobody", "").status)
	assert.Equal(t, 404, a.do("DELETE", "/api/feet/nobody", "").status)
}

func TestAStaleWearerWritesNothing(t *testing.T) {
	a := start(t, "")
	v := a.wearer("Isolde", nil)
	path := "/api/feet/" + v.Wearer.ID
	require.Equal(t, 200, a.do("PUT", path, `{"revision":1,"name":"Isolde of the roof","cautions":["numb_feet"],"note":""}`).status)
	r := a.do("PUT", path, `{"revision":1,"name":"Mine","cautions":[],"note":""}`)
	assert.Equal(t, 409, r.status)
	assert.Contains(t, r.text, "changed elsewhere")
	assert.Contains(t, a.do("GET", path, "").text, "Isolde of the roof")
}

func TestWhatWasTypedIsSentAgainSinceItsAnswerWasLost(t *testing.T) {
	a := start(t, "")
	v := a.wearer("Isolde", nil)
	path, body := "/api/feet/"+v.Wearer.ID, `{"revision":1,"name":"Isolde of the roof","cautions":["numb_feet"],"note":""}`
	first := a.do("PUT", path, body)
	require.Equal(t, 200, first.status)
	assert.Equal(t, first.text, a.do("PUT", path, body).text)

	var sock basket.Sock
	a.do("POST", "/api/socks", `{"name":"Roof","wearer":"","unit":"cm","draft":{"design":{},"entries":{}}}`).into(t, &sock)
	path, body = "/api/socks/"+sock.ID, `{"revision":1,"name":"Roof","wearer":"","unit":"cm","draft":{"design":{},"entries":{"foot.length_mm":"25.1"}}}`
	first = a.do("PUT", path, body)
	require.Equal(t, 200, first.status, first.text)
	require.Contains(t, first.text, `"length_mm":251`, "as it was read, not as it was typed")
	again := a.do("PUT", path, body)
	assert.Equal(t, 200, again.status, again.text)
	assert.Equal(t, first.text, again.text)
	assert.Equal(t, 409, a.do("PUT", path, strings.Replace(body, "25.1", "25.2", 1)).status)
}

func TestASockSaysWhenItsFootHasChanged(t *testing.T) {
	a := start(t, "")
	v := a.wearer("Vidar", map[string]string{"length_mm": "25.1", "ball_girth_mm": "23.6"})
	foot := fmt.Sprintf(`{"wearer_id":%q,"side":"left","lengths":{"length_mm":251,"ball_girth_mm":236},"estimated":[],"cautions":[]}`,
		v.Wearer.ID)
	var sock basket.Sock
	r := a.do("POST", "/api/socks", `{"name":"Roof","wearer":"Vidar","unit":"cm","draft":`+isoldeDraft+`,"foot":`+foot+`}`)
	require.Equal(t, 201, r.status, r.text)
	r.into(t, &sock)
	assert.Empty(t, sock.News)
	assert.Equal(t, "Cast on 32 stitches", sock.Next.Text)

	a.do("POST", "/api/feet/"+v.Wearer.ID+"/measurements",
		`{"side":"left","what":"length_mm","length":"25.5","unit":"cm","measured_on":"2026-11-02","guessed":false}`)
	a.do("GET", "/api/socks/"+sock.ID, "").into(t, &sock)
	require.Len(t, sock.News, 1)
	assert.Equal(t, "Vidar", sock.News[0].Name)
	assert.Equal(t, measure.Length(255), sock.News[0].Foot.Lengths["length_mm"])
	assert.Contains(t, sock.Next.Text, "Vidar's foot has changed")
	assert.Contains(t, a.do("GET", "/api/feet/"+v.Wearer.ID, "").text, `"used_by":[{"id":"`+sock.ID)

	require.Equal(t, 204, a.do("DELETE", "/api/feet/"+v.Wearer.ID, "").status)
	var kept basket.Sock // the news that was read before must not linger in it
	a.do("GET", "/api/socks/"+sock.ID, "").into(t, &kept)
	require.Len(t, kept.News, 1)
	assert.True(t, kept.News[0].Gone)
	assert.Equal(t, "Cast on 32 stitches", kept.Next.Text, "the sock keeps what it took")
	require.Equal(t, 204, a.do("POST", "/api/feet/"+v.Wearer.ID+"/restore", "").status)

	bad := strings.Replace(foot, v.Wearer.ID, "nobody", 1)
	assert.Equal(t, 404, a.do("POST", "/api/socks",
		`{"name":"Roof","wearer":"","unit":"cm","draft":`+isoldeDraft+`,"foot":`+bad+`}`).status)
}

const scanMarks = `"marks":{"sheet":"","corners":[],"scale":[[100,50],[900,50]],"known_mm":200,"heel":[100,400],"toe":[1104,400],"ball":[],"little_toe":[]}`

func TestATracingIsKeptWithASmallPreviewOnly(t *testing.T) {
	a := start(t, "")
	v := a.wearer("Isolde", nil)
	path := "/api/feet/" + v.Wearer.ID + "/tracings"
	preview := func(side int) string {
		var b bytes.Buffer
		require.NoError(t, jpeg.Encode(&b, image.NewGray(image.Rect(0, 0, side, side)), nil))
		return "data:image/jpeg;base64," + base64.StdEncoding.EncodeToString(b.Bytes())
	}
	body := func(preview string) string {
		return fmt.Sprintf(`{"side":"right","measured_on":"2026-11-01",%s,"preview":%q}`, scanMarks, preview)
	}
	for _, bad := range []string{"javascript:alert(1)", "data:image/svg+xml;base64,PHN2Zz4=", "data:image/jpeg;base64,PHN2Zz4=",
		preview(700), "data:image/jpeg;base64,*"} {
		r := a.do("POST", path, body(bad))
		assert.Equal(t, 422, r.status, "%.30s", bad)
		assert.Contains(t, r.text, "preview")
	}
	late := a.do("POST", path, strings.Replace(body(preview(100)), "2026-11-01", "2199-11-01", 1))
	assert.Equal(t, 422, late.status)
	assert.Contains(t, late.text, "still to come")
	r := a.do("POST", path, body(preview(100)))
	require.Equal(t, 201, r.status, r.text)
	r.into(t, &v)
	require.Len(t, v.Right.Newest, 1)
	assert.Equal(t, "tracing", v.Right.Newest[0].Source)
	assert.Equal(t, measure.Length(251), v.Right.Newest[0].Length)
	require.Len(t, v.Wearer.Tracings, 1)
	one := path + "/" + v.Wearer.Tracings[0].ID
	require.Equal(t, 204, a.do("DELETE", one, "").status)
	a.do("GET", "/api/feet/"+v.Wearer.ID, "").into(t, &v)
	assert.Empty(t, v.Wearer.Tracings)
	assert.Len(t, v.Right.Newest, 1, "its length is kept")
	require.Equal(t, 204, a.do("POST", one+"/restore", "").status)
	a.do("GET", "/api/feet/"+v.Wearer.ID, "").into(t, &v)
	assert.Len(t, v.Wearer.Tracings, 1)
}

func TestTheSwatchBook(t *testing.T) {
	a := start(t, "")
	ids := struct {
		ID string `json:"id"`
	}{}
	a.do("POST", "/api/yarns", `{"revision":0,"name":"Dusk","ball_g":"100","ball_m":"420","fibre":"","note":""}`).into(t, &ids)
	yarn := ids.ID
	a.do("POST", "/api/needles", `{"size_mm":"2,5","name":""}`).into(t, &ids)
	needle := ids.ID
	var v web.SwatchView
	r := a.do("POST", "/api/swatches", fmt.Sprintf(`{"revision":0,"yarn_id":%q,"needle_id":%q,"form":"round","washed":true,"note":""}`,
		yarn, needle))
	require.Equal(t, 201, r.status, r.text)
	r.into(t, &v)
	readings := "/api/swatches/" + v.Swatch.ID + "/readings"
	for _, body := range []string{
		`{"what":"stitches","count":"33","width":"4","unit":"in"}`, `{"what":"rounds","count":"22","width":"5","unit":"cm"}`,
	} {
		r = a.do("POST", readings, body)
		require.Equal(t, 201, r.status, r.text)
	}
	r.into(t, &v)
	assert.InDelta(t, 33/1.016, v.Judged.Stitches.Mean, 1e-6)
	require.NotNil(t, v.Taken)
	assert.InDelta(t, 44, v.Taken.Rounds, 1e-9)
	for body, says := range map[string]string{
		`{"what":"stitches","count":"many","width":"4","unit":"in"}`: "count: read",
		`{"what":"stitches","count":"32","width":"0","unit":"in"}`:   "width: read",
		`{"what":"rows","count":"32","width":"10","unit":"cm"}`:      "expected stitches or rounds",
	} {
		r = a.do("POST", readings, body)
		assert.Equal(t, 422, r.status)
		assert.Contains(t, r.text, says)
	}
	assert.Contains(t, a.do("POST", "/api/swatches/"+v.Swatch.ID+"/aim", `{"stitches":"36","unit":"cm"}`).text, `"best_size_mm":1.75`)
	assert.Equal(t, 404, a.do("POST", "/api/swatches",
		fmt.Sprintf(`{"revision":0,"yarn_id":"none","needle_id":%q,"form":"round","washed":true,"note":""}`, needle)).status)
	assert.Contains(t, a.do("POST", "/api/yarns", `{"revision":0,"name":"","ball_g":"x","ball_m":"1","fibre":"","note":""}`).text,
		"ball_g")
	require.Equal(t, 204, a.do("DELETE", "/api/swatches/"+v.Swatch.ID, "").status)
	assert.Contains(t, a.do("GET", "/api/book", "").text, `"swatches":[]`)
}

func TestWhatIsAskedAboutADraft(t *testing.T) {
	a := start(t, "")
	ask := func(path, more string) reply { return a.do("POST", path, `{"unit":"in","draft":`+isoldeDraft+more+`}`) }
	assert.Contains(t, ask("/api/working", "").text, "9.29 in × 0.90 × 8.13 = 67.97 → 68")
	assert.Contains(t, ask("/api/options", "").text, `"field":"heel.kind"`)
	assert.Contains(t, ask("/api/whatif", `,"doubt":{"stitches_per_100mm":-0.5,"rounds_per_100mm":0,"length_mm":0,"yarn_pct":0}`).text,
		`"same":"9 %"`)
	assert.Equal(t, 422, ask("/api/whatif", `,"doubt":{"stitches_per_100mm":-50,"rounds_per_100mm":0,"length_mm":0,"yarn_pct":0}`).status)
	assert.Equal(t, 422, ask("/api/ways", `,"by":"colour","known":[]`).status)
	brief := a.do("POST", "/api/plan", `{"name":"","unit":"cm","brief":true,"draft":`+isoldeDraft+`}`)
	assert.Contains(t, brief.text, `"rows":[]`)
	assert.Contains(t, brief.text, `"strip":[{"section":"cast_on","worked":[32],"rows":1}`)
	assert.NotContains(t, brief.text, `"words"`)

	var pair web.PairAnswer
	ask("/api/pair", "").into(t, &pair)
	assert.Empty(t, pair.Differences, "two alike")
	a.do("POST", "/api/pair", `{"unit":"cm","draft":`+strings.Replace(isoldeDraft, `"design":{`, `"design":{"second_foot":{"length_mm":255},`, 1)+`}`).into(t, &pair)
	assert.Equal(t, []board.Difference{{Label: "Rounds to the heel", Left: 65, Right: 67}}, pair.Differences)
	assert.True(t, pair.Right.Plan.Design.Mirror)
	assert.Equal(t, 68, pair.Right.Plan.Summary.FootStitches)
}

// 1,004 of the 800 pixels that are 20 cm, or 8 inches, apart: 25.10 and 25.50 cm.
func TestARulerIsReadInItsUnit(t *testing.T) {
	a := start(t, "")
	marks := func(apart, unit string) string {
		return fmt.Sprintf(`{"marks":{"sheet":"","corners":[],"scale":[[100,50],[900,50]],"heel":[100,400],"toe":[1104,400],"ball":[],"little_toe":[]},"apart":%q,"unit":%q}`, apart, unit)
	}
	for _, c := range []struct {
		apart, unit string
		mm          float64
	}{{"20", "cm", 251}, {"8", "in", 255.016}, {"8 in", "cm", 255.016}, {"200 mm", "in", 251}} {
		r := a.do("POST", "/api/tracing", marks(c.apart, c.unit))
		require.Equal(t, 200, r.status, r.text)
		var found tracing.Foot
		r.into(t, &found)
		assert.InDelta(t, c.mm, float64(found.Length.Length), 0.06, "%s %s", c.apart, c.unit)
	}
	for _, bad := range []string{"long", "-3", "0.5", "400 cm"} {
		r := a.do("POST", "/api/tracing", marks(bad, "cm"))
		assert.Equal(t, 422, r.status, bad)
	}
	assert.Contains(t, a.do("POST", "/api/tracing", marks("long", "cm")).text, `"field":"apart"`)
}
