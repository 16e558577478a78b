package web_test

import (
	"encoding/json"
	"maps"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"acornstep/sock/papers/basket"
)

// questions are bodies that are answered as they stand, by address; SOCK is one on the needles, WEARER and SWATCH are kept ones.
var questions = map[string]string{
	"POST /api/plan":                     `{"unit":"cm","brief":true,"draft":` + isoldeDraft + `}`,
	"POST /api/ways":                     `{"unit":"cm","draft":` + isoldeDraft + `}`,
	"POST /api/working":                  `{"unit":"in","draft":` + isoldeDraft + `}`,
	"POST /api/position":                 `{"unit":"cm","row":93,"draft":` + isoldeDraft + `}`,
	"POST /api/shoe":                     `{"system":"eu","size":39}`,
	"POST /api/socks":                    `{"name":"Roof","wearer":"Isolde","unit":"cm","notes":"","draft":` + isoldeDraft + `}`,
	"POST /api/socks/SOCK/events":        `{"after":0,"events":[{"id":"x","device":"phone","clock":7,"at_ms":1795000000000,"kind":"weigh","version":1,"sock":1,"row":3,"grams":71.5,"text":""}]}`,
	"POST /api/socks/SOCK/where":         `{"logged":3,"unit":"cm","length":"11.8","seen":{"needle1":34,"needle2":34,"right":3,"left":4,"side":"WS","tail":"left","last":"plain","increases":2,"ridges":0,"chains":0,"repeats":2.5,"repeat_mm":8000}}`,
	"POST /api/socks/SOCK/count":         `{"row":5,"counted":36}`,
	"POST /api/socks/SOCK/replan":        `{"version":1,"unit":"cm","accept":false,"length":"","to_heel":"","happened":{"row":52,"other_row":3,"heel_late":3,"leg_rounds":60,"cast_on":32}}`,
	"POST /api/socks/SOCK/variants":      `{"name":"before the heel","draft":` + isoldeDraft + `}`,
	"POST /api/feet":                     `{"name":"Oswin"}`,
	"POST /api/feet/WEARER/measurements": `{"side":"left","what":"length_mm","length":"24.2","unit":"cm","measured_on":"2026-11-01","guessed":false}`,
	"POST /api/yarns":                    `{"revision":0,"name":"Dusk","ball_g":"100","ball_m":"420","fibre":"wool","note":""}`,
	"POST /api/needles":                  `{"size_mm":"2,5","name":"birch"}`,
	"POST /api/tracing":                  `{"marks":{"sheet":"a4","corners":[[0,0],[1000,0],[1000,700],[0,700]],"scale":[],"known_mm":0,"heel":[100,300],"toe":[900,320],"ball":[[600,200],[600,450]],"little_toe":[[800,400]]},"apart":"20","unit":"cm"}`,
}

// nasty are things that no field wants, as JSON.
var nasty = []string{
	`null`, `true`, `-1`, `0`, `1e15`, `-1e300`, `0.5`, `""`, `"−1"`, `"12345678901234567890"`, `"\u0000"`, `"’; DROP TABLE socks; --"`,
	`"` + strings.Repeat("row ", 40_000) + `"`, `[]`, `{}`, `[[[]]]`, `{"a":{"b":1}}`,
}

// spoil puts something else in one place of a body.
func spoil(t *rapid.T, value any) any {
	deeper := rapid.IntRange(0, 3).Draw(t, "deeper") > 0
	switch v := value.(type) {
	case map[string]any:
		if len(v) > 0 && deeper {
			key := rapid.SampledFrom(slices.Sorted(maps.Keys(v))).Draw(t, "field")
			switch rapid.IntRange(0, 8).Draw(t, "how") {
			case 0:
				delete(v, key)
			case 1:
				v[key+"_"] = v[key]
			default:
				v[key] = spoil(t, v[key])
			}
			return v
		}
	case []any:
		if len(v) > 0 && deeper {
			i := rapid.IntRange(0, len(v)-1).Draw(t, "item")
			if rapid.IntRange(0, 4).Draw(t, "how") == 0 {
				return append(v, v[i])
			}
			v[i] = spoil(t, v[i])
			return v
		}
	}
	var thing any
	require.NoError(t, json.Unmarshal([]byte(rapid.SampledFrom(nasty).Draw(t, "nasty")), &thing))
	return thing
}

// Whatever is asked, the answer is an answer or a problem in a sentence: never a crash, and nothing is lost.
func TestNoQuestionBreaksTheProgram(t *testing.T) {
	a := start(t, "")
	path, _ := a.onNeedles()
	var wearer struct{ Wearer struct{ ID string } }
	a.do("POST", "/api/feet", `{"name":"Oswin"}`).into(t, &wearer)
	var before basket.Sock
	a.do("GET", path, "").into(t, &before)
	addresses := slices.Sorted(maps.Keys(questions))
	place := strings.NewReplacer("/api/socks/SOCK", path, "WEARER", wearer.Wearer.ID)
	for _, address := range addresses {
		method, to, _ := strings.Cut(place.Replace(address), " ")
		r := a.do(method, to, questions[address])
		require.Less(t, r.status, 300, "%s: %s", address, r.text)
	}
	rapid.Check(t, func(t *rapid.T) {
		address := rapid.SampledFrom(addresses).Draw(t, "address")
		var body any
		require.NoError(t, json.Unmarshal([]byte(questions[address]), &body))
		for range rapid.IntRange(1, 3).Draw(t, "times") {
			body = spoil(t, body)
		}
		text, err := json.Marshal(body)
		require.NoError(t, err)
		method, to, _ := strings.Cut(place.Replace(address), " ")
		r := a.do(method, to, string(text))
		if r.status >= 500 {
			t.Fatalf("%s answers %d to %.300s: %s", address, r.status, text, r.text)
		}
		if r.status < 400 {
			return
		}
		var p problem
		if err := json.Unmarshal([]byte(r.text), &p); err != nil || p.Title == "" || p.Detail == "" {
			t.Fatalf("%s answers %d to %.300s without a sentence: %s", address, r.status, text, r.text)
		}
	})
	var after basket.Sock
	a.do("GET", path, "").into(t, &after)
	require.Equal(t, before, after)
}
