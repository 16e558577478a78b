package web_test

import (
	"encoding/json"
	"net/http"
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sock/papers/basket"
	"acornstep/sock/rows/needle"
	"acornstep/sqlite"
	"acornstep/web"
)

// inTheHouse is a program that other devices reach, with a passphrase, at a time that can be moved.
func inTheHouse(t *testing.T, addresses []string) (h http.Handler, in func(*http.Request), sock string, now *time.Time) {
	store, err := sqlite.Open(t.Context(), t.TempDir()+"/socks.db", time.Now)
	require.NoError(t, err)
	t.Cleanup(func() { _ = store.Close() })
	at := time.Now()
	h = handler(t, web.Options{
		Basket: store, Feet: store, Swatches: store, Logbook: store, Discards: store, Importer: store, Shares: store, Practice: store, Visits: store,
		Passphrase: "first light",
		Addresses:  func() []string { return addresses }, Now: func() time.Time { return at },
	})
	in = loggedIn(t, h, "first light")
	made := ask(h, "POST", "/api/socks", `{"name":"Observatory roof socks","wearer":"Isolde","unit":"cm","draft":`+isoldeDraft+`}`, in)
	require.Equal(t, 201, made.Code, made.Body)
	var kept basket.Sock
	require.NoError(t, json.Unmarshal(made.Body.Bytes(), &kept))
	return h, in, "/api/socks/" + kept.ID, &at
}

// A pass lets one device in, once, within five minutes; where the house does not reach the program, the command is told.
func TestAPassIsUsedOnce(t *testing.T) {
	h, in, sock, now := inTheHouse(t, []string{"http://localhost:7768", "http://127.0.0.1:7768", "http://192.168.4.7:7768"})
	assert.Equal(t, 401, ask(h, "POST", sock+"/pass", "").Code, "only from inside")
	give := func() (token string) {
		r := ask(h, "POST", sock+"/pass", "", in)
		require.Equal(t, 201, r.Code, r.Body)
		var pass web.PassAnswer
		require.NoError(t, json.Unmarshal(r.Body.Bytes(), &pass))
		assert.Empty(t, pass.Command)
		token, found := strings.CutPrefix(pass.URL, "http://192.168.4.7:7768/pass/")
		require.True(t, found, pass.URL)
		return token
	}
	token := give()
	r := ask(h, "POST", "/api/pass", `{"token":"`+token+`"}`)
	require.Equal(t, 200, r.Code, r.Body)
	assert.Contains(t, r.Body.String(), strings.TrimPrefix(sock, "/api")+"/knit")
	came := func(request *http.Request) {
		for _, c := range r.Result().Cookies() {
			request.AddCookie(c)
		}
	}
	assert.Equal(t, 200, ask(h, "GET", sock, "", came).Code, "the phone is in")
	assert.Equal(t, 403, ask(h, "POST", "/api/pass", `{"token":"`+token+`"}`).Code, "once")
	late := give()
	*now = now.Add(6 * time.Minute)
	assert.Equal(t, 403, ask(h, "POST", "/api/pass", `{"token":"`+late+`"}`).Code, "its time is over")
	codes := map[int]int{}
	for range 30 {
		codes[ask(h, "POST", "/api/pass", `{"token":"GUESS"}`).Code]++
	}
	assert.Positive(t, codes[429], "guesses are slowed down like those of a passphrase: %v", codes)

	alone, in, sock, _ := inTheHouse(t, []string{"http://127.0.0.1:7768"})
	r = ask(alone, "POST", sock+"/pass", "", in)
	assert.Contains(t, r.Body.String(), "--listen 0.0.0.0")
	assert.Contains(t, r.Body.String(), `"url":""`)
}

// A link shows the pattern without the passphrase, and nothing else; taken back it shows nothing.
func TestAPatternIsLentAndTakenBack(t *testing.T) {
	h, in, sock, _ := inTheHouse(t, []string{"http://192.168.4.7:7768"})
	r := ask(h, "POST", sock+"/shares", "", in)
	require.Equal(t, 201, r.Code, r.Body)
	var made web.NewShare
	require.NoError(t, json.Unmarshal(r.Body.Bytes(), &made))
	path, found := strings.CutPrefix(made.URL, "http://192.168.4.7:7768")
	require.True(t, found)
	shown := ask(h, "GET", path, "")
	require.Equal(t, 200, shown.Code)
	assert.True(t, strings.HasPrefix(shown.Body.String(), "%PDF-"))
	for _, closed := range []string{sock, sock + "/files/pattern.pdf", sock + "/shares", "/api/socks"} {
		assert.Equal(t, 401, ask(h, "GET", closed, "").Code, closed)
	}
	assert.Equal(t, 404, ask(h, "GET", "/api/shared/GUESS", "").Code)

	var list web.ShareList
	require.NoError(t, json.Unmarshal(ask(h, "GET", sock+"/shares", "", in).Body.Bytes(), &list))
	require.Len(t, list.Shares, 1)
	assert.NotContains(t, made.URL, list.Shares[0].Hash, "the secret itself is kept nowhere")
	assert.Equal(t, 204, ask(h, "DELETE", sock+"/shares/"+list.Shares[0].Hash, "", in).Code)
	assert.Equal(t, 404, ask(h, "GET", path, "").Code, "taken back")
}

// What was ticked for a wearer stands where it is knitted and in the knitter's own pattern, and never in the one that is lent.
func TestCautionsStayInTheHouse(t *testing.T) {
	h, in, _, _ := inTheHouse(t, []string{"http://192.168.4.7:7768"})
	careful := strings.Replace(isoldeDraft, `"ball_girth_mm":236`, `"ball_girth_mm":236,"cautions":["circulation","numb_feet"]`, 1)
	made := ask(h, "POST", "/api/socks", `{"name":"Socks of a careful kind","wearer":"Marit","unit":"cm","draft":`+careful+`}`, in)
	require.Equal(t, 201, made.Code, made.Body)
	var kept basket.Sock
	require.NoError(t, json.Unmarshal(made.Body.Bytes(), &kept))
	path := "/api/socks/" + kept.ID
	var view web.KnitView
	require.NoError(t, json.Unmarshal(ask(h, "POST", path+"/knit", "", in).Body.Bytes(), &view))
	sections := map[needle.Section]int{}
	for _, c := range view.Cautions {
		sections[c.Section]++
	}
	assert.Positive(t, sections[needle.Cuff])
	assert.Positive(t, sections[needle.BindOff])
	own := ask(h, "GET", path+"/files/pattern.txt", "", in).Body.String()
	assert.Contains(t, own, "TAKE CARE\n- Cast on: For poor circulation")
	var share web.NewShare
	require.NoError(t, json.Unmarshal(ask(h, "POST", path+"/shares", "", in).Body.Bytes(), &share))
	secret, _ := strings.CutPrefix(share.URL, "http://192.168.4.7:7768")
	for address, says := range map[string]bool{path + "/files/pattern.pdf": true, secret: false} {
		text := strings.Join(strings.Fields(readPDF(t, ask(h, "GET", address, "", in).Body.Bytes())), " ")
		assert.Contains(t, text, "What lies ready")
		assert.Equal(t, says, strings.Contains(text, "clinician"), address)
	}
}

// readPDF has poppler read the text of a PDF.
func readPDF(t *testing.T, made []byte) string {
	if _, err := exec.LookPath("pdftotext"); err != nil {
		t.Skip("pdftotext is not here: make test installs poppler-utils")
	}
	file := filepath.Join(t.TempDir(), "pattern.pdf")
	require.NoError(t, os.WriteFile(file, made, 0o600))
	text, err := exec.Command("pdftotext", "-layout", file, "-").Output()
	require.NoError(t, err)
	return string(text)
}
