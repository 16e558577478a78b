package archive

import (
	"archive/zip"
	"bytes"
	"encoding/base64"
	"encoding/json"
	"fmt"
	"math/rand/v2"
	"os"
	"slices"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sock/craft/knit"
	"acornstep/sock/needles/logbook"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/draft"
)

// photo is a picture as a device makes it; an archive carries its bytes, whatever they show.
var photo = picturePrefix + base64.StdEncoding.EncodeToString([]byte("\xff\xd8 a cold roof \xff\xd9"))

func roofSock(t testing.TB) Sock {
	text := []byte(`{"format":"acorn-step.design","version":1,"name":"Roof","foot":{"length_mm":251,"ball_girth_mm":236,"cautions":["circulation"]},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44}}`)
	d, err := design.Read(text)
	require.NoError(t, err)
	p, err := knit.Make(d)
	require.NoError(t, err)
	created := time.Date(2026, 11, 3, 21, 0, 0, 0, time.UTC)
	s := Sock{
		ID: "LANTERNHILL2", Name: "Roof socks", Wearer: "Isolde", Notes: "for the cold roof", Swatch: &Swatch{32, 44, "Dusk"},
		Draft:    draft.Draft{Entries: map[string]string{}},
		Editions: []Edition{{Version: 1, HeelPlace: "the ankle", Board: &d, Created: &created, Plan: p}},
		Events: []logbook.Event{
			{ID: "a", Device: "d", Clock: 1, At: 1_700_000_000_000, Kind: logbook.RowDone, Version: 1, Sock: 1, Row: 0},
			{ID: "b", Device: "d", Clock: 2, At: 1_700_000_100_000, Kind: logbook.Noted, Version: 1, Sock: 1, Row: 1, Text: "stars",
				Picture: photo},
		},
	}
	require.NoError(t, json.Unmarshal(text, &s.Draft.Design))
	return s
}

// Out and in it is the same sock, byte for byte in plans, events and photos; packed again, the same file.
func TestOutAndInIsTheSameSock(t *testing.T) {
	s, all := roofSock(t), Carries{Wearer: true, Dates: true}
	text, err := Pack(s, all)
	require.NoError(t, err)
	o, err := Open(text)
	require.NoError(t, err)
	assert.Equal(t, s.Events, o.Sock.Events)
	assert.Equal(t, "Isolde", o.Sock.Wearer)
	assert.Equal(t, s.Swatch, o.Sock.Swatch)
	require.Len(t, o.Sock.Editions, 1)
	assert.Equal(t, s.Editions[0].Plan.Rows, o.Sock.Editions[0].Plan.Rows)
	assert.Equal(t, s.Editions[0].Created, o.Sock.Editions[0].Created)
	again, err := Pack(*o.Sock, all)
	require.NoError(t, err)
	assert.True(t, bytes.Equal(text, again))
}

// What is not ticked does not go along, wherever it stands; cautions and their like never do.
func TestWhatIsNotTickedStays(t *testing.T) {
	text, err := Pack(roofSock(t), Carries{})
	require.NoError(t, err)
	r, err := zip.NewReader(bytes.NewReader(text), int64(len(text)))
	require.NoError(t, err)
	for _, f := range r.File {
		one, err := unpackOne(f)
		require.NoError(t, err)
		for _, word := range []string{"Isolde", "circulation", "1700000000000", "2026-11-03"} {
			assert.NotContains(t, string(one), word, f.Name)
		}
	}
	o, err := Open(text)
	require.NoError(t, err)
	assert.EqualValues(t, 251, o.Sock.Draft.Design["foot"].(map[string]any)["length_mm"], "the sizes it was made for")
	assert.Equal(t, photo, o.Sock.Events[1].Picture)
}

func TestABasketInOneArchive(t *testing.T) {
	one, other := roofSock(t), roofSock(t)
	other.ID, other.Name = "LANTERNHILL3", "Łódź, ½!"
	var b bytes.Buffer
	w, err := NewBasket(&b, Carries{})
	require.NoError(t, err)
	require.NoError(t, w.Add(one))
	require.NoError(t, w.Add(other))
	assert.False(t, w.Full())
	require.NoError(t, w.Close())
	r, err := NewReader(bytes.NewReader(b.Bytes()), int64(b.Len()))
	require.NoError(t, err)
	var names []string
	require.NoError(t, r.Each(func(_ string, o *Opened, wrong error) error {
		require.NoError(t, wrong)
		names = append(names, o.Sock.Name)
		return nil
	}))
	assert.Equal(t, []string{"Roof socks", "Łódź, ½!"}, names)
	_, err = Open(b.Bytes())
	assert.ErrorContains(t, err, "not of a sock")
}

// zipOf packs files as they are, for archives that nobody should make.
func zipOf(t testing.TB, files ...string) []byte {
	var b bytes.Buffer
	w := zip.NewWriter(&b)
	for i := 0; i < len(files); i += 2 {
		f, err := w.Create(files[i])
		require.NoError(t, err)
		_, err = f.Write([]byte(files[i+1]))
		require.NoError(t, err)
	}
	require.NoError(t, w.Close())
	return b.Bytes()
}

// Hostile archives are refused in a sentence that says what was found.
func TestHostileArchives(t *testing.T) {
	bomb := string(make([]byte, mostOfOne+2))
	for says, text := range map[string][]byte{
		"this is no zip":              []byte("milk"),
		"has no place in an archive":  zipOf(t, "../../etc/passwd", "root"),
		"has no place in an archive ": zipOf(t, "plans/../../x.json", "{}"),
		"it has no manifest.json":     zipOf(t, "sock.json", "{}"),
		"there twice":                 zipOf(t, "sock.json", "{}", "sock.json", "{}"),
		"more than 16777216 bytes":    zipOf(t, "manifest.json", bomb),
		"its manifest is none of":     zipOf(t, "manifest.json", `{"format":"scarf"}`),
		"a newer program made it":     zipOf(t, "manifest.json", `{"format":"acorn-step.archive","version":2}`),
		"lists 0 files, it has 1": zipOf(t, "manifest.json", `{"format":"acorn-step.archive","version":1,"kind":"sock"}`,
			"sock.json", "{}"),
		"of the kind \"hat\"": zipOf(t, "manifest.json", `{"format":"acorn-step.archive","version":1,"kind":"hat"}`),
		"is not the one that its": zipOf(t, "manifest.json",
			`{"format":"acorn-step.archive","version":1,"kind":"sock","files":[{"name":"sock.json","bytes":2,"sha256":"00"}]}`,
			"sock.json", "{}"),
		"of its manifest is not there": zipOf(t, "manifest.json",
			`{"format":"acorn-step.archive","version":1,"kind":"sock","files":[{"name":"log.json","bytes":2,"sha256":"00"}]}`,
			"sock.json", "{}"),
		"it has no sock.json": zipOf(t, "manifest.json", `{"format":"acorn-step.archive","version":1,"kind":"sock"}`),
	} {
		_, err := Open(text)
		require.Error(t, err, says)
		assert.Contains(t, err.Error(), says[:len(says)-1])
	}
}

// Whatever an event, a place or a board could not have been, made by this program, is refused: taken, it would end
// the page on which the sock is knitted, or every tap after it.
func TestWhatCouldNotHaveBeenSaidIsRefused(t *testing.T) {
	bent := logbook.Event{ID: "plan", Device: "acornstep", Clock: 3, Kind: logbook.Bent, Version: 2, Sock: 1, Row: 1, Places: []int{1, 0}}
	for says, spoil := range map[string]func(s *Sock){
		"event 1: sock":                  func(s *Sock) { s.Events[0].Sock = 7 },
		"event 1: row":                   func(s *Sock) { s.Events[0].Row = -3 },
		"event 2: clock":                 func(s *Sock) { s.Events[1].Clock = 1<<53 - 1 },
		"event 2: version":               func(s *Sock) { s.Events[1].Version = 9 },
		"event 3: sock":                  func(s *Sock) { s.Events[2].Sock = 7 },
		"event 3: clock":                 func(s *Sock) { s.Events[2].Clock = 1<<62 + 5 },
		"event 3: places: read -":        func(s *Sock) { s.Events[2].Places[0] = -1 },
		"event 3: places: read 1":        func(s *Sock) { s.Events[2].Places = []int{1} },
		"version 2: the places":          func(s *Sock) { s.Editions[1].Places[3] = -7 },
		"version 2: read 5 places":       func(s *Sock) { s.Editions[1].Places = s.Editions[1].Places[:5] },
		"version 2: read 9999":           func(s *Sock) { s.Editions[1].Holds = &[2]int{9999, 0} },
		"version 2: undecided: sock":     func(s *Sock) { s.Editions[1].Undecided.Sock = 7 },
		"version 2: undecided: before":   func(s *Sock) { s.Editions[1].Undecided.Before = 2 },
		"version 2: undecided: versions": func(s *Sock) { s.Editions[1].Undecided.Versions = []int{2, 1} },
		"the board of version 2":         func(s *Sock) { b := *s.Editions[1].Board; b.Toe.Kind = "moon"; s.Editions[1].Board = &b },
	} {
		s := roofSock(t)
		second := s.Editions[0]
		second.Version, second.Board = 2, &s.Editions[0].Plan.Design
		second.Undecided = &logbook.Undecided{Sock: 2, Text: "3 more rounds before the heel.", Before: 1}
		for i := range len(second.Plan.Rows) + 1 {
			second.Places = append(second.Places, i)
		}
		s.Editions = append(s.Editions, second)
		told := bent
		told.Places = slices.Clone(bent.Places)
		s.Events = append(s.Events, told)
		good, err := Pack(s, Carries{Dates: true})
		require.NoError(t, err)
		_, err = Open(good)
		require.NoError(t, err)
		spoil(&s)
		text, err := Pack(s, Carries{Dates: true})
		require.NoError(t, err)
		_, err = Open(text)
		require.Error(t, err, says)
		assert.Contains(t, err.Error(), says)
	}
}

// Spoiled on its way, an archive is refused, or it is the very same sock: five hundred times, anywhere.
func TestSpoiledArchives(t *testing.T) {
	whole, err := Pack(roofSock(t), Carries{Wearer: true, Dates: true})
	require.NoError(t, err)
	good, err := Open(whole)
	require.NoError(t, err)
	chance, refused := rand.New(rand.NewPCG(14, 11)), 0
	spoils := 500
	if os.Getenv("ACORNSTEP_PROOF") != "" {
		spoils = 2000
	}
	for i := range spoils {
		text := bytes.Clone(whole)
		switch i % 4 {
		case 0:
			text = text[:chance.IntN(len(text))]
		case 1:
			text[chance.IntN(len(text))] ^= byte(1 + chance.IntN(255))
		case 2:
			at := chance.IntN(len(text) - 16)
			copy(text[at:], "0123456789abcdef")
		default:
			at := chance.IntN(len(text))
			text = append(text[:at:at], append([]byte{byte(chance.IntN(256))}, text[at:]...)...)
		}
		o, err := Open(text)
		if err != nil {
			refused++
			continue
		}
		assert.Equal(t, good.Hash(), o.Hash(), "spoil %d", i)
		assert.Equal(t, good.Sock.Events, o.Sock.Events, "spoil %d", i)
	}
	assert.Greater(t, refused, spoils*4/5)
	// And with its content changed and packed anew: each file is held against its hash.
	for i := range 20 {
		r, err := zip.NewReader(bytes.NewReader(whole), int64(len(whole)))
		require.NoError(t, err)
		var files []string
		for k, f := range r.File {
			one, err := unpackOne(f)
			require.NoError(t, err)
			if f.Name != "README.txt" && f.Name != manifestName && k%len(r.File) == 2+i%(len(r.File)-2) {
				one[chance.IntN(len(one))] ^= 1
			}
			files = append(files, f.Name, string(one))
		}
		_, err = Open(zipOf(t, files...))
		assert.ErrorContains(t, err, "changed, or damaged", fmt.Sprint(i))
	}
}

func FuzzOpen(f *testing.F) {
	whole, err := Pack(roofSock(f), Carries{})
	require.NoError(f, err)
	f.Add(whole)
	f.Add(zipOf(f, "manifest.json", `{"format":"acorn-step.archive","version":1,"kind":"basket"}`))
	f.Fuzz(func(t *testing.T, text []byte) {
		if o, err := Open(text); err == nil && o.Sock != nil {
			_, err := Pack(*o.Sock, o.Carries)
			require.NoError(t, err)
		}
	})
}
