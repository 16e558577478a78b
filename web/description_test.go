package web_test

import (
	"bytes"
	"encoding/json"
	"log/slog"
	"maps"
	"math/rand/v2"
	"net/http"
	"net/url"
	"os"
	"runtime"
	"slices"
	"strings"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sqlite"
	"acornstep/web"
)

// schema is what the description says of a value.
type schema struct {
	Ref        string             `json:"$ref"`
	Type       any                `json:"type"`
	Enum       []any              `json:"enum"`
	Properties map[string]*schema `json:"properties"`
	Required   []string           `json:"required"`
	Items      *schema            `json:"items"`
	AnyOf      []*schema          `json:"anyOf"`
	MinItems   int                `json:"minItems"`
	More       json.RawMessage    `json:"additionalProperties"`
}

// operation is one call as the description has it.
type operation struct {
	Parameters []struct {
		Name, In string
	} `json:"parameters"`
	Body struct {
		Content map[string]struct{ Schema *schema } `json:"content"`
	} `json:"requestBody"`
}

// asker makes questions from nothing but the description.
type asker struct {
	*rand.Rand
	schemas map[string]*schema
	// ids of things that are there.
	ids []string
}

// texts are what somebody types, means or breaks.
var texts = []string{
	"", "25.1", "9 7/8", "0", "-1", "1e9", "cm", "in", "row", "left", "2026-11-01", "Oswin", "rib_2x2", "short_row", "all", "hat", "…",
	"\x00", "𝒶",
	strings.Repeat(".", 3000), strings.Repeat("x", 70_000), "NaN", "../../etc/passwd", "'; DROP TABLE socks; --",
}

func (a *asker) text() string {
	if n := a.IntN(len(texts) + 2); n < len(texts) {
		return texts[n]
	}
	return a.id()
}

func (a *asker) id() string { return a.ids[a.IntN(len(a.ids))] }

func (a *asker) number() any {
	return []any{0, 1, 2, 3, 7, 32, 44, 68, 150, 251, 236, -1, -7, 0.5, 25.1, 1e9, 1 << 40, -1e300, 1e300, 999_999_999}[a.IntN(20)]
}

func (a *asker) value(s *schema, deep int) any {
	if name, isRef := strings.CutPrefix(s.Ref, "#/components/schemas/"); isRef {
		s = a.schemas[name]
		if name == "Draft" && a.IntN(3) > 0 {
			return json.RawMessage(isoldeDraft)
		}
	}
	if a.IntN(60) == 0 {
		return []any{nil, true, "", 0, []any{}, map[string]any{}, []any{[]any{nil}}}[a.IntN(7)]
	}
	switch {
	case len(s.Enum) > 0:
		return s.Enum[a.IntN(len(s.Enum))]
	case len(s.AnyOf) > 0:
		return a.value(s.AnyOf[a.IntN(len(s.AnyOf))], deep+1)
	}
	switch kind := a.kind(s.Type); kind {
	case "string":
		return a.text()
	case "integer", "number":
		return a.number()
	case "boolean":
		return a.IntN(2) == 0
	case "array":
		list := []any{}
		for range max(s.MinItems, a.IntN(4)) {
			if s.Items != nil && deep < 8 {
				list = append(list, a.value(s.Items, deep+1))
			}
		}
		if a.IntN(200) == 0 && len(list) > 0 {
			one, err := json.Marshal(list[0])
			if err == nil { // as many as fit into a body
				list = slices.Repeat(list[:1], 200_000/(len(one)+1)+1)
			}
		}
		return list
	case "null":
		return nil
	}
	object := map[string]any{}
	if deep > 8 {
		return object
	}
	for _, name := range slices.Sorted(maps.Keys(s.Properties)) {
		property := s.Properties[name]
		if slices.Contains(s.Required, name) && a.IntN(30) > 0 || a.IntN(2) == 0 {
			object[name] = a.value(property, deep+1)
		}
	}
	if len(s.Properties) == 0 {
		for range a.IntN(4) {
			object[[]string{"foot", "gauge.stitches_per_100mm", "foot.length_mm", "heel", "leg", "x", "",
				strings.Repeat("a.", 2000)}[a.IntN(8)]] = a.text()
		}
	}
	return object
}

func (a *asker) kind(of any) string {
	switch kinds := of.(type) {
	case string:
		return kinds
	case []any:
		if len(kinds) > 0 {
			kind, _ := kinds[a.IntN(len(kinds))].(string)
			return kind
		}
	}
	return "object"
}

// Questions made from our own description, twenty thousand of them: none ends the
// program, none is answered with an error of its own, none stalls it, and nothing grows.
func TestNothingThatTheDescriptionAllowsBreaksTheProgram(t *testing.T) {
	text, err := web.Document()
	require.NoError(t, err)
	var doc struct {
		Paths      map[string]map[string]operation
		Components struct{ Schemas map[string]*schema }
	}
	require.NoError(t, json.Unmarshal(text, &doc))
	store, err := sqlite.Open(t.Context(), t.TempDir()+"/socks.db", time.Now)
	require.NoError(t, err)
	t.Cleanup(func() { _ = store.Close() })
	var log bytes.Buffer
	errorsOnly := slog.New(slog.NewTextHandler(&log, &slog.HandlerOptions{Level: slog.LevelError}))
	h := handler(t, web.Options{Basket: store, Feet: store, Swatches: store, Logbook: store, Discards: store, Importer: store,
		Shares: store, Practice: store, Keeper: store, Log: errorsOnly})
	a := &asker{rand.New(rand.NewPCG(20_261, 126)), doc.Components.Schemas, []string{"nobody"}}
	for _, path := range []string{"/api/socks", "/api/feet"} {
		body := `{"name":"Roof","wearer":"Isolde","unit":"cm","draft":` + isoldeDraft + `}`
		if path == "/api/feet" {
			body = `{"name":"Oswin"}`
		}
		var made struct {
			ID     string
			Wearer any
		}
		reply{text: ask(h, "POST", path, body).Body.String()}.into(t, &made)
		if id, isWearer := made.Wearer.(map[string]any); isWearer {
			made.ID, _ = id["id"].(string)
		}
		a.ids = append(a.ids, made.ID)
	}
	require.Equal(t, 200, ask(h, "POST", "/api/socks/"+a.ids[1]+"/knit", "").Code)

	type call struct {
		method, path string
		operation
	}
	var calls []call
	for path, methods := range doc.Paths {
		for method, o := range methods {
			if path != "/api/session" { // its brake is tested by itself
				calls = append(calls, call{strings.ToUpper(method), path, o})
			}
		}
	}
	slices.SortFunc(calls, func(a, b call) int { return strings.Compare(a.method+a.path, b.method+b.path) })
	require.Greater(t, len(calls), 50)
	heap := func() (live, taken uint64) {
		var m runtime.MemStats
		runtime.GC()
		runtime.GC() // what lies in pools goes the second time
		runtime.ReadMemStats(&m)
		return m.HeapAlloc, m.Sys
	}
	answered := map[int]int{}
	var before uint64
	questions := atLength(20_000, 5_000)
	for n := range questions {
		if n == questions/4 {
			before, _ = heap() // by then everything has been asked, and what is kept at hand is full
		}
		c := calls[a.IntN(len(calls))]
		path, query := c.path, url.Values{}
		for _, p := range c.Parameters {
			if p.In == "query" {
				query.Set(p.Name, a.text())
			}
			id := a.id()
			if a.IntN(20) == 0 {
				id = url.PathEscape(a.text())
			}
			path = strings.ReplaceAll(path, "{"+p.Name+"}", id)
		}
		body := ""
		if asked, has := c.Body.Content["application/json"]; has {
			written, err := json.Marshal(a.value(asked.Schema, 0))
			require.NoError(t, err)
			body = string(written)
		}
		r := ask(h, c.method, path+"?"+query.Encode(), body)
		answered[r.Code/100]++
		if r.Code >= http.StatusInternalServerError || r.Body.Len() > 4<<20 {
			t.Fatalf("%s %s answers %d to %.600s: %.300s\n%.2000s", c.method, path, r.Code, body, r.Body, log.String())
		}
		var made struct{ ID string }
		if r.Code == http.StatusCreated && json.Unmarshal(r.Body.Bytes(), &made) == nil && made.ID != "" && len(a.ids) < 40 {
			a.ids = append(a.ids, made.ID)
		}
	}
	after, taken := heap()
	t.Logf("%v answers by kind, heap %d MB, then %d MB, taken from the system %d MB", answered, before>>20, after>>20, taken>>20)
	assert.Greater(t, answered[2], questions/10, "many of them are understood")
	assert.Greater(t, answered[4], questions/10, "and many are not")
}

// atLength is how often something is asked: every day so often, and for a proof as often as it takes.
func atLength(proof, day int) int {
	if os.Getenv("ACORNSTEP_PROOF") != "" {
		return proof
	}
	return day
}
