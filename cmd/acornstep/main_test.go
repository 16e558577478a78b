package main

import (
	"bytes"
	"encoding/json"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

const isolde = `{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44},"leg":{"height_mm":180}}`

func call(input string, args ...string) (status int, out, errs string) {
	var o, e bytes.Buffer
	status = run(args, streams{strings.NewReader(input), &o, &e})
	return status, o.String(), e.String()
}

func TestPlanThenCheck(t *testing.T) {
	status, text, errs := call(isolde, "plan")
	require.Equal(t, 0, status, errs)
	var p struct{ Summary map[string]any }
	require.NoError(t, json.Unmarshal([]byte(text), &p))
	assert.EqualValues(t, 65, p.Summary["foot_rounds"])

	status, said, _ := call(text, "check")
	assert.Equal(t, 0, status)
	assert.Contains(t, said, "sound: 213 rows")

	status, said, _ = call(strings.Replace(text, `["ds",1]`, `["sl",1]`, 1), "check")
	assert.Equal(t, 1, status)
	assert.Contains(t, said, "heel-23, op 3:", "the missing double stitch shows when it should be worked")
}

func TestARefusedDesignHasALineForEachFault(t *testing.T) {
	status, out, errs := call(strings.Replace(isolde, `251`, `2510`, 1)[:len(isolde)]+`,"x":1}`, "plan")
	assert.Equal(t, 1, status)
	assert.Empty(t, out)
	assert.ElementsMatch(t, []string{"foot.length_mm", "x"}, fields(errs))
}

func fields(lines string) []string {
	var names []string
	for line := range strings.Lines(lines) {
		name, _, _ := strings.Cut(line, ":")
		names = append(names, name)
	}
	return names
}

func TestAStoppedPlanIsWrittenWithoutRows(t *testing.T) {
	status, out, errs := call(strings.Replace(isolde, `"height_mm":180`, `"height_mm":180,"stitches":40`, 1), "plan")
	assert.Equal(t, 1, status)
	assert.Contains(t, out, `"rows":[]`)
	assert.Contains(t, errs, "leg.stitches")
}

func TestHelpAndMistakes(t *testing.T) {
	for _, c := range commands() {
		status, _, help := call("", c.name, "--help")
		assert.Equal(t, 0, status)
		assert.Contains(t, help, "acornstep "+c.name+":")
	}
	status, out, _ := call("")
	assert.Equal(t, 0, status)
	assert.Contains(t, out, "check")
	status, _, errs := call("", "knit")
	assert.Equal(t, 2, status)
	assert.Contains(t, errs, `no command "knit"`)
	status, _, errs = call(isolde, "plan", "design.json")
	assert.Equal(t, 1, status)
	assert.Contains(t, errs, "standard input")
}

func TestOtherAddressesNeedAPassphrase(t *testing.T) {
	t.Setenv(passphraseVariable, "")
	db := filepath.Join(t.TempDir(), "socks.db")
	status, _, errs := call("", "serve", "--db", db, "--listen", "0.0.0.0:0")
	assert.Equal(t, 1, status)
	assert.Contains(t, errs, "--passphrase-file")
	_, err := os.Stat(db)
	assert.ErrorIs(t, err, os.ErrNotExist, "nothing is opened before that")

	empty := filepath.Join(t.TempDir(), "phrase")
	require.NoError(t, os.WriteFile(empty, []byte("\n"), 0o600))
	status, _, errs = call("", "serve", "--db", db, "--listen", "0.0.0.0:0", "--passphrase-file", empty)
	assert.Equal(t, 1, status)
	assert.Contains(t, errs, "is empty")
}
