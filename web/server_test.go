package web_test

import (
	"bytes"
	"context"
	"encoding/json"
	"fmt"
	"io"
	"log/slog"
	"net"
	"net/http"
	"net/http/cookiejar"
	"net/http/httptest"
	"path/filepath"
	"strings"
	"testing"
	"testing/fstest"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sqlite"
	"acornstep/web"
)

type api struct {
	t *testing.T
	*httptest.Server
	client *http.Client
	store  *sqlite.Store
	file   string
}

// start serves the whole program over a real socket, with a real database file.
func start(t *testing.T, passphrase string) api {
	t.Helper()
	return startWith(t, passphrase, "")
}

func startWith(t *testing.T, passphrase, scale string) api {
	t.Helper()
	file := filepath.Join(t.TempDir(), "socks.db")
	store, err := sqlite.Open(t.Context(), file, time.Now)
	require.NoError(t, err)
	t.Cleanup(func() { _ = store.Close() })
	handler, err := web.New(web.Options{
		Basket: store, Feet: store, Swatches: store, Logbook: store, Discards: store, Importer: store, Shares: store, Practice: store, Keeper: store,
		Log: slog.New(slog.DiscardHandler), Release: "test", Passphrase: passphrase, Scale: scale, Now: time.Now,
		Names: []string{"attic"},
		Interface: fstest.MapFS{
			"index.html":    {Data: []byte(`<meta name="csp-nonce" content="__NONCE__">`)},
			"assets/app.js": {Data: []byte(strings.Repeat("knit();", 500))},
		},
	})
	require.NoError(t, err)
	server := httptest.NewServer(handler)
	t.Cleanup(server.Close)
	jar, err := cookiejar.New(nil)
	require.NoError(t, err)
	return api{t, server, &http.Client{Jar: jar}, store, file}
}

type reply struct {
	status int
	header http.Header
	text   string
}

func (r reply) into(t *testing.T, v any) {
	t.Helper()
	require.NoError(t, json.Unmarshal([]byte(r.text), v), r.text)
}

func (a api) do(method, path, body string, headers ...string) reply {
	a.t.Helper()
	request, err := http.NewRequestWithContext(a.t.Context(), method, a.URL+path, strings.NewReader(body))
	require.NoError(a.t, err)
	for i := 0; i+1 < len(headers); i += 2 {
		if headers[i] == "Host" {
			request.Host = headers[i+1]
		}
		request.Header.Set(headers[i], headers[i+1])
	}
	response, err := a.client.Do(request)
	require.NoError(a.t, err)
	defer response.Body.Close()
	text, err := io.ReadAll(response.Body)
	require.NoError(a.t, err)
	return reply{response.StatusCode, response.Header, string(text)}
}

const isoldeDraft = `{"design":{"foot":{"length_mm":251,"ball_girth_mm":236},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44},"leg":{"height_mm":180}},"entries":{}}`

type sock struct {
	ID       string
	Revision int
	Name     string
	Draft    struct {
		Design  map[string]any
		Entries map[string]string
	}
	Digest struct {
		FootStitches int `json:"foot_stitches"`
		Missing      string
	}
}

type problem struct {
	Title, Detail string
	Errors        []struct{ Field, Message string }
	Current       *sock
}

func TestTheLifeOfASock(t *testing.T) {
	a := start(t, "")
	made := a.do("POST", "/api/socks", `{"name":"Observatory roof socks","wearer":"Isolde","unit":"cm","draft":`+isoldeDraft+`}`)
	require.Equal(t, 201, made.status, made.text)
	var s sock
	made.into(t, &s)
	assert.Equal(t, 68, s.Digest.FootStitches)

	saved := a.do("PUT", "/api/socks/"+s.ID, `{"revision":1,"name":"Roof socks","wearer":"","unit":"in","draft":{"design":{},"entries":{"foot.length_mm":"9 7/8","foot.ball_girth_mm":"ask"}}}`)
	require.Equal(t, 200, saved.status, saved.text)
	saved.into(t, &s)
	assert.Equal(t, 2, s.Revision)
	assert.Equal(t, "ask", s.Draft.Entries["foot.ball_girth_mm"], "what cannot be read is kept as it was typed")
	assert.InDelta(t, 250.825, s.Draft.Design["foot"].(map[string]any)["length_mm"], 1e-9)
	assert.NotEmpty(t, s.Digest.Missing)

	stale := a.do("PUT", "/api/socks/"+s.ID, `{"revision":1,"name":"Other","draft":`+isoldeDraft+`}`)
	require.Equal(t, 409, stale.status)
	var p problem
	stale.into(t, &p)
	assert.Equal(t, "Roof socks", p.Current.Name)
	assert.Equal(t, "application/problem+json", stale.header.Get("Content-Type"))

	var copied sock
	a.do("POST", "/api/socks/"+s.ID+"/duplicate", "").into(t, &copied)
	assert.Equal(t, "Roof socks (copy)", copied.Name)
	assert.Equal(t, 204, a.do("DELETE", "/api/socks/"+s.ID, "").status)
	assert.Equal(t, 404, a.do("GET", "/api/socks/"+s.ID, "").status)
	assert.Equal(t, 200, a.do("POST", "/api/socks/"+s.ID+"/restore", "").status)
	var list struct{ Socks []sock }
	a.do("GET", "/api/socks", "").into(t, &list)
	assert.Len(t, list.Socks, 2)
}

func TestAPlanOfWhatIsTyped(t *testing.T) {
	a := start(t, "")
	var answer struct {
		Plan   *struct{ Summary map[string]any }
		Faults []struct{ Field, Message string }
		Counts []struct {
			Stitches int
			EasePct  float64 `json:"ease_pct"`
			Chosen   bool
		}
		Words []struct{ Parts []struct{ Short string } }
	}
	typed := `{"unit":"in","draft":{"design":{},"entries":{"foot.length_mm":"25.1 cm","foot.ball_girth_mm":"23,6cm","gauge.stitches_per_100mm":"32 per 10 cm","gauge.rounds_per_100mm":"44/10cm"}}}`
	a.do("POST", "/api/plan", typed).into(t, &answer)
	require.Empty(t, answer.Faults)
	assert.EqualValues(t, 65, answer.Plan.Summary["foot_rounds"])
	require.Len(t, answer.Counts, 3)
	assert.Equal(t, 64, answer.Counts[0].Stitches)
	assert.InDelta(t, 15.25, answer.Counts[0].EasePct, 0.01) // 64/0.32 = 200 mm on 236 mm
	assert.True(t, answer.Counts[1].Chosen)
	assert.Equal(t, "k1, kfb, k12, kfb, k1", answer.Words[2].Parts[0].Short)

	var drawing struct {
		Shape struct {
			Lines  []struct{ Row string }
			Height float64 `json:"height_mm"`
		}
		Pull  struct{ Spots []struct{ Word string } }
		Grips []struct{ Field string }
	}
	a.do("POST", "/api/drawing", typed).into(t, &drawing)
	assert.Equal(t, "cuff-18", drawing.Shape.Lines[len(drawing.Shape.Lines)-1].Row)
	assert.InDelta(t, 230, drawing.Shape.Height, 25, "the top of the sock above the floor")
	assert.Len(t, drawing.Grips, 4)
	assert.Greater(t, len(drawing.Pull.Spots), 100)
	var none struct{ Shape any }
	a.do("POST", "/api/drawing", `{"unit":"cm","draft":{"design":{},"entries":{}}}`).into(t, &none)
	assert.Nil(t, none.Shape, "a draft that gives no sock has no drawing")
	var rough, fine struct{ Shape struct{ Lines []any } }
	a.do("POST", "/api/drawing", strings.Replace(typed, `{"unit"`, `{"rough":true,"unit"`, 1)).into(t, &rough)
	a.do("POST", "/api/drawing", typed).into(t, &fine)
	assert.NotEqual(t, rough, fine)
}

func TestQuestionsAboutASock(t *testing.T) {
	a := start(t, "")
	var report struct {
		Candidates []struct {
			Heel    string
			Stretch float64 `json:"heel_stretch_pct"`
		}
	}
	a.do("POST", "/api/ways", `{"unit":"cm","draft":`+isoldeDraft+`}`).into(t, &report)
	require.Len(t, report.Candidates, 3)
	assert.Equal(t, "short_row", report.Candidates[0].Heel, "nobody measured the instep: the usual way comes first")
	assert.Less(t, report.Candidates[1].Stretch, 20.1, "the next of them goes on easily")
	var at struct {
		HeldLeft int `json:"held_left"`
		After    struct{ Count int }
	}
	a.do("POST", "/api/position", `{"unit":"cm","row":93,"draft":`+isoldeDraft+`}`).into(t, &at)
	assert.Equal(t, 68, at.After.Count)
	assert.Equal(t, 422, a.do("POST", "/api/position", `{"unit":"cm","row":9999,"draft":`+isoldeDraft+`}`).status)
	assert.Equal(t, 422, a.do("POST", "/api/ways", `{"unit":"cm","draft":{"design":{},"entries":{}}}`).status)
	var shoe struct {
		Length float64 `json:"length_mm"`
	}
	a.do("POST", "/api/shoe", `{"system":"eu","size":39}`).into(t, &shoe)
	assert.InDelta(t, 239, shoe.Length, 1e-9)
	assert.Equal(t, 422, a.do("POST", "/api/shoe", `{"system":"eu","size":3}`).status)
	var reference struct{ Glossary, Patterns []struct{ Name string } }
	a.do("GET", "/api/reference", "").into(t, &reference)
	assert.Len(t, reference.Glossary, 39)
	assert.GreaterOrEqual(t, len(reference.Patterns), 9)
}

func TestBadInputNamesTheField(t *testing.T) {
	a := start(t, "")
	cases := []struct {
		name, entries, field, says string
	}{
		{"a word", `{"foot.length_mm":"abc"}`, "foot.length_mm", `read "abc"`},
		{"nothing", `{"foot.length_mm":"0"}`, "foot.length_mm", "8.0 cm to 35.0 cm"},
		{"negative", `{"foot.length_mm":"-25"}`, "foot.length_mm", "read -25.0 cm"},
		{"ten times too long", `{"foot.length_mm":"251"}`, "foot.length_mm", "did you mean 251 mm?"},
		{"inches as cm", `{"foot.ball_girth_mm":"8"}`, "foot.ball_girth_mm", "did you mean 8 inches?"},
		{"gauge 3", `{"gauge.stitches_per_100mm":"3"}`, "gauge.stitches_per_100mm", "5 to 100"},
		{"gauge 300", `{"gauge.rounds_per_100mm":"300"}`, "gauge.rounds_per_100mm", "5 to 150"},
		{"ease", `{"fit.girth_ease_pct":"60"}`, "fit.girth_ease_pct", "0 to 25"},
		{"a field that is none", `{"foot.colour":"3"}`, "foot.colour", "unknown field"},
	}
	for _, c := range cases {
		t.Run(c.name, func(t *testing.T) {
			var answer struct {
				Faults []struct{ Field, Message string }
			}
			a.do("POST", "/api/plan", `{"unit":"cm","draft":{"design":{},"entries":`+c.entries+`}}`).into(t, &answer)
			for _, f := range answer.Faults {
				if f.Field == c.field {
					assert.Contains(t, f.Message, c.says)
					return
				}
			}
			assert.Failf(t, "no fault", "%s is not among %v", c.field, answer.Faults)
		})
	}
}

func TestRequestsThatCannotBeRead(t *testing.T) {
	a := start(t, "")
	cases := []struct {
		name, method, path, body string
		status                   int
		says                     string
	}{
		{"broken JSON", "POST", "/api/socks", `{"name":`, 400, "ends too early"},
		{"empty body", "POST", "/api/plan", ``, 400, "ends too early"},
		{"unknown field", "POST", "/api/socks", `{"name":"a","size":3}`, 422, "size: unknown field"},
		{"empty name", "POST", "/api/socks", `{"name":"  "}`, 422, "1 to 120 characters"},
		{"long name", "POST", "/api/socks", `{"name":"` + strings.Repeat("a", 121) + `"}`, 422, "read 121 characters"},
		{"wrong unit", "POST", "/api/plan", `{"unit":"ell","draft":{"design":{},"entries":{}}}`, 422, "expected cm or in"},
		{"ten megabytes", "POST", "/api/plan", strings.Repeat(" ", 10<<20), 413, "at most 262144"},
		{"no such sock", "GET", "/api/socks/nobody", ``, 404, "no such sock"},
		{"no such call", "GET", "/api/nothing", ``, 404, "nothing at"},
		{"no such method", "PATCH", "/api/socks", ``, 405, "PATCH"},
	}
	for _, c := range cases {
		t.Run(c.name, func(t *testing.T) {
			r := a.do(c.method, c.path, c.body)
			assert.Equal(t, c.status, r.status)
			var p problem
			r.into(t, &p)
			assert.Contains(t, p.Detail, c.says)
		})
	}
}

func TestForeignPagesGetNothing(t *testing.T) {
	a := start(t, "")
	assert.Equal(t, 421, a.do("GET", "/api/socks", "", "Host", "evil.example").status)
	assert.Equal(t, 403, a.do("GET", "/api/socks", "", "Origin", "https://evil.example").status)
	assert.Equal(t, 403, a.do("POST", "/api/socks", "{}", "Sec-Fetch-Site", "cross-site").status)
	assert.Equal(t, 200, a.do("GET", "/api/socks", "", "Host", "attic:7768").status)
	assert.Equal(t, 200, a.do("GET", "/api/socks", "", "Origin", a.URL).status)
}

func TestPagesCarryAStrictPolicyWithAFreshNonce(t *testing.T) {
	a := start(t, "")
	one, two := a.do("GET", "/socks/any", ""), a.do("GET", "/", "")
	assert.Equal(t, 200, one.status)
	assert.NotEqual(t, one.text, two.text)
	policy := one.header.Get("Content-Security-Policy")
	nonce := one.text[strings.Index(one.text, `content="`)+9 : len(one.text)-2]
	assert.Contains(t, policy, "'nonce-"+nonce+"'")
	assert.Contains(t, policy, "script-src 'self';")
	assert.Contains(t, policy, "frame-ancestors 'none'")
	assert.Equal(t, "nosniff", one.header.Get("X-Content-Type-Options"))
	assert.Contains(t, a.do("GET", "/assets/app.js", "").header.Get("Cache-Control"), "immutable")
	assert.Equal(t, 404, a.do("GET", "/assets/gone.js", "").status)
	packed := a.do("GET", "/assets/app.js", "", "Accept-Encoding", "gzip")
	assert.Equal(t, "gzip", packed.header.Get("Content-Encoding"))
	assert.Less(t, len(packed.text), 200)
}

func TestThePassphraseOpensAndClosesTheBasket(t *testing.T) {
	a := start(t, "first light")
	assert.Equal(t, 401, a.do("GET", "/api/socks", "").status)
	assert.Equal(t, 401, a.do("POST", "/api/plan", "{}").status)
	assert.Equal(t, 401, a.do("POST", "/api/session", `{"passphrase":"last light"}`).status)
	opened := a.do("POST", "/api/session", `{"passphrase":"first light"}`)
	require.Equal(t, 200, opened.status)
	cookie := opened.header.Get("Set-Cookie")
	assert.Contains(t, cookie, "HttpOnly")
	assert.Contains(t, cookie, "SameSite=Strict")
	assert.Equal(t, 200, a.do("GET", "/api/socks", "").status)
	assert.Equal(t, 200, a.do("DELETE", "/api/session", "").status)
	assert.Equal(t, 401, a.do("GET", "/api/socks", "").status)
}

func TestWrongTriesAreSlowedDown(t *testing.T) {
	h := handler(t, web.Options{Passphrase: "first light", Now: standing})
	try := func(passphrase string) *httptest.ResponseRecorder {
		answer := httptest.NewRecorder()
		h.ServeHTTP(answer, httptest.NewRequest("POST", "http://localhost/api/session",
			strings.NewReader(`{"passphrase":"`+passphrase+`"}`)))
		return answer
	}
	for range 3 {
		assert.Equal(t, 401, try("x").Code)
	}
	slowed := try("first light")
	assert.Equal(t, 429, slowed.Code)
	assert.NotEmpty(t, slowed.Header().Get("Retry-After"))
}

func TestTheServerFinishesItsAnswersWhenItStops(t *testing.T) {
	began, release := make(chan struct{}), make(chan struct{})
	handler := http.HandlerFunc(func(w http.ResponseWriter, _ *http.Request) {
		close(began)
		<-release
		_, _ = io.Copy(w, bytes.NewBufferString("done"))
	})
	listener, err := net.Listen("tcp", "127.0.0.1:0")
	require.NoError(t, err)
	ctx, stop := context.WithCancel(t.Context())
	served := make(chan error, 1)
	go func() { served <- web.Serve(ctx, listener, nil, handler) }()
	got := make(chan string, 1)
	go func() {
		response, err := http.Get("http://" + listener.Addr().String())
		if err != nil {
			got <- err.Error()
			return
		}
		defer response.Body.Close()
		text, _ := io.ReadAll(response.Body)
		got <- string(text)
	}()
	<-began
	stop()
	close(release)
	assert.Equal(t, "done", <-got)
	assert.NoError(t, <-served)
}

func BenchmarkPlanRequest(b *testing.B) {
	benchmarkRequest(b, "POST", "/api/plan", `{"name":"","unit":"cm","draft":`+isoldeDraft+`}`)
}
func BenchmarkBriefRequest(b *testing.B) {
	benchmarkRequest(b, "POST", "/api/plan", `{"name":"","unit":"cm","brief":true,"draft":`+isoldeDraft+`}`)
}
func BenchmarkHealthRequest(b *testing.B) { benchmarkRequest(b, "GET", "/api/health", "") }

func benchmarkRequest(b *testing.B, method, path, body string) {
	handler, err := web.New(web.Options{Interface: fstest.MapFS{}, Log: slog.New(slog.DiscardHandler), Now: time.Now})
	if err != nil {
		b.Fatal(err)
	}
	b.ReportAllocs()
	for b.Loop() {
		recorder := httptest.NewRecorder()
		handler.ServeHTTP(recorder, httptest.NewRequest(method, "http://127.0.0.1"+path, strings.NewReader(body)))
		if recorder.Code != http.StatusOK {
			b.Fatal(recorder.Body)
		}
	}
}

// The basket comes in parts, and by name whatever its case; nothing is answered twice.
func TestTheBasketComesInParts(t *testing.T) {
	a := start(t, "")
	for i := range 7 {
		r := a.do("POST", "/api/socks", fmt.Sprintf(`{"name":"Étoile %d","wearer":"Sunniva","unit":"cm","draft":{"design":{},"entries":{}}}`, i))
		require.Equal(t, 201, r.status, r.text)
	}
	part := func(query string) (names []string, all int) {
		var list web.SockList
		r := a.do("GET", "/api/socks?"+query, "")
		require.Equal(t, 200, r.status, r.text)
		r.into(t, &list)
		for _, sock := range list.Socks {
			names = append(names, sock.Name)
		}
		return names, list.All
	}
	first, all := part("limit=4")
	assert.Equal(t, 7, all)
	assert.Equal(t, []string{"Étoile 6", "Étoile 5", "Étoile 4", "Étoile 3"}, first)
	rest, _ := part("from=4&limit=4")
	assert.Equal(t, []string{"Étoile 2", "Étoile 1", "Étoile 0"}, rest)
	beyond, _ := part("from=99")
	assert.Empty(t, beyond)
	found, all := part("find=%C3%A9toile+3")
	assert.Equal(t, []string{"Étoile 3"}, found)
	assert.Equal(t, 1, all)
	_, all = part("find=sunniva")
	assert.Equal(t, 7, all, "a wearer is found too")
	for query, says := range map[string]string{"limit=9999": "at most 100", "from=-1": "at most 100",
		"from=two": "expected a whole number"} {
		r := a.do("GET", "/api/socks?"+query, "")
		assert.Equal(t, 422, r.status, query)
		assert.Contains(t, r.text, says)
	}
}
