package document

import (
	"encoding/json"
	"errors"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"
)

type inner struct {
	Count  int      `json:"count"`
	Length *float64 `json:"length_mm"`
}

type outer struct {
	Name   string            `json:"name"`
	Sure   bool              `json:"sure"`
	Inner  inner             `json:"inner"`
	Pair   *[2]int           `json:"pair"`
	Many   []inner           `json:"many"`
	Free   map[string]any    `json:"free"`
	Texts  map[string]string `json:"texts"`
	Hidden int               `json:"-"`
}

func TestReadingFillsWhatIsThere(t *testing.T) {
	o := outer{Name: "before", Inner: inner{Count: 7}}
	present, faults := Read([]byte(`{"sure":true,"inner":{"length_mm":2.5},"pair":[1,2],"many":[{"count":3},{}],"free":{"a":{"b":[1,null]}},"texts":{"x":"y","z":null}}`), &o)
	require.Empty(t, faults)
	assert.Equal(t, "before", o.Name, "what is missing stays")
	assert.Equal(t, 7, o.Inner.Count)
	assert.InDelta(t, 2.5, *o.Inner.Length, 0)
	assert.Equal(t, [2]int{1, 2}, *o.Pair)
	assert.Equal(t, 3, o.Many[0].Count)
	assert.Equal(t, map[string]string{"x": "y"}, o.Texts)
	assert.True(t, present["inner.length_mm"] && present["many[0].count"])
	assert.False(t, present["inner.count"] || present["texts.z"])
}

func TestNullMeansNothingWasSaid(t *testing.T) {
	o := outer{Name: "before"}
	present, faults := Read([]byte(`{"name":null,"pair":null,"inner":null}`), &o)
	assert.Empty(t, faults)
	assert.Equal(t, "before", o.Name)
	assert.Nil(t, o.Pair)
	assert.False(t, present["name"])
}

func TestEveryFaultHasItsPath(t *testing.T) {
	cases := map[string][]string{
		`{"Name":"x"}`:                     {"Name: unknown field"},
		`{"Hidden":1}`:                     {"Hidden: unknown field"},
		`{"inner":{"count":1.5,"size":2}}`: {"inner.count: read 1.5, expected a whole number", "inner.size: unknown field"},
		`{"inner":[1]}`:                    {"inner: read [1], expected an object"},
		`{"pair":[1]}`:                     {"pair: read 1 values, expected 2"},
		`{"pair":{"a":1}}`:                 {`pair: read {"a":1}, expected a list`},
		`{"many":[{"count":"3"},null]}`:    {`many[0].count: read "3", expected a whole number`, "many[1]: read null, expected a value"},
		`{"sure":"yes","name":3}`:          {`sure: read "yes", expected true or false`, "name: read 3, expected a text"},
		`{"inner":{"length_mm":1e999}}`:    {"inner.length_mm: read 1e999, expected a number"},
		`{"inner":{"count":1,"count":2}}`:  {"inner.count: this key stands twice in the same object"},
		`{"free":{"a":1,"a":2}}`:           {"free.a: this key stands twice in the same object"},
		`{"texts":{"a":1}}`:                {"texts.a: read 1, expected a text"},
		`{"texts":[]}`:                     {"texts: read [], expected an object"},
		`{"name":"a"} {}`:                  {"there is more text after the end of the document"},
		`{"name":`:                         {"the JSON ends too early"},
		``:                                 {"the JSON ends too early"},
		"{\"name\":\"\xc3\x28\"}":          {"the text is not valid UTF-8"},
		`{"name":'a'}`:                     {"this is not JSON"},
		strings.Repeat("[", 20000):         {"nested more than 64 deep"},
		`"just a text"`:                    {`read "just a text", expected an object`},
	}
	for text, want := range cases {
		var o outer
		_, faults := Read([]byte(text), &o)
		require.Len(t, faults, len(want), "%.60s gives %v", text, faults)
		for i := range want {
			assert.Contains(t, faults[i].Error(), want[i])
		}
	}
}

func TestFaultsAreAnErrorOnlyWhenThereAreSome(t *testing.T) {
	var f Faults
	assert.NoError(t, f.Err())
	f.Add("a.b", "read %d", 3)
	f.Add("", "whole")
	var back Faults
	require.True(t, errors.As(f.Err(), &back))
	assert.Equal(t, "a.b: read 3\nwhole", back.Error())
}

func TestATextEndsWhereItEnds(t *testing.T) {
	var o outer
	_, faults := Read([]byte(`{"name":"a\u0000b","texts":{"x":"\u0000"}}`), &o)
	require.Len(t, faults, 2)
	assert.Equal(t, "name", faults[0].Field)
	assert.Equal(t, "texts.x", faults[1].Field)
	assert.Contains(t, faults[0].Message, "code 0")
	assert.Empty(t, o.Name)
}

// anyText is anything but the character that no text has.
func anyText(t *rapid.T, label string) string {
	return strings.ReplaceAll(rapid.String().Draw(t, label), "\x00", "")
}

// Whatever encoding/json writes of a document reads back the same.
func TestWrittenDocumentsReadBack(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		length := rapid.Float64Range(-1e6, 1e6).Draw(t, "length")
		o := outer{
			Name: anyText(t, "name"), Sure: rapid.Bool().Draw(t, "sure"),
			Inner: inner{Count: rapid.IntRange(-1e6, 1e6).Draw(t, "count"), Length: &length}, Many: []inner{},
			Texts: rapid.MapOf(rapid.StringN(1, 8, -1), rapid.Custom(func(t *rapid.T) string { return anyText(t, "value") })).Draw(t,
				"texts"),
		}
		text, err := json.Marshal(o)
		if err != nil {
			t.Fatal(err)
		}
		var back outer
		if _, faults := Read(text, &back); len(faults) > 0 {
			t.Fatal(faults)
		}
		again, _ := json.Marshal(back)
		if string(again) != string(text) {
			t.Fatalf("%s became %s", text, again)
		}
	})
}

func FuzzRead(f *testing.F) {
	f.Add([]byte(`{"inner":{"count":1},"many":[{}],"free":{"a":[1]}}`))
	f.Add([]byte(`{"pair":[1,2],"texts":{"a":null}}`))
	f.Fuzz(func(t *testing.T, text []byte) {
		var o outer
		present, faults := Read(text, &o)
		if present == nil && len(faults) == 0 {
			t.Fatal("nothing was read and nothing is wrong")
		}
	})
}
