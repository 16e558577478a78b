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

	"acornstep/sock/papers/design"
	"acornstep/sock/rows/pattern"
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

// Every value of every choice gives a plan that checks, or a stop that says why.
func TestEveryChoiceWorksFromTheCommandLine(t *testing.T) {
	planned := 0
	try := func(field, value string) {
		var tree map[string]any
		require.NoError(t, json.Unmarshal([]byte(isolde), &tree))
		at := tree
		path := strings.Split(field, ".")
		for _, name := range path[:len(path)-1] {
			if at[name] == nil {
				at[name] = map[string]any{}
			}
			at = at[name].(map[string]any)
		}
		at[path[len(path)-1]] = value
		switch {
		case field == "toe.cast_on" && value == "provisional":
			at["kind"] = "short_row"
		case field == "foot_length.school":
			at["toe_mm"], at["heel_mm"] = 45, 55
		}
		text, err := json.Marshal(tree)
		require.NoError(t, err)
		status, plan, errs := call(string(text), "plan")
		require.Equal(t, 0, status, "%s %s: %s", field, value, errs)
		status, said, _ := call(plan, "check")
		assert.Equal(t, 0, status, "%s %s: %s", field, value, said)
		status, said, _ = call(plan, "explain", "-words")
		assert.Equal(t, 0, status)
		assert.Contains(t, said, "leg-1")
		planned++
	}
	for _, c := range design.Choices() {
		for _, value := range c.Values {
			try(string(c.Field), value)
		}
	}
	for i, p := range pattern.Book {
		try("leg.pattern", p.Name)
		try("leg.instep_pattern", p.Name)
		if i > 0 {
			try("cuff.pattern", p.Name)
		}
	}
	assert.Greater(t, planned, 75)
}

func TestCompareRanks(t *testing.T) {
	status, out, errs := call(isolde, "compare")
	require.Equal(t, 0, status, errs)
	var report struct {
		Tried      int
		Candidates []struct{ Misfit float64 }
	}
	require.NoError(t, json.Unmarshal([]byte(out), &report))
	assert.GreaterOrEqual(t, report.Tried, 500)
	assert.LessOrEqual(t, report.Candidates[0].Misfit, report.Candidates[1].Misfit)
}

func TestUnknownPatternsAreNamed(t *testing.T) {
	status, out, errs := call(strings.Replace(isolde, `"height_mm":180`, `"height_mm":180,"pattern":"argyle"`, 1), "plan")
	assert.Equal(t, 1, status)
	assert.Empty(t, out)
	assert.Contains(t, errs, `leg.pattern: read "argyle", expected one of stockinette, rib_1x1`)
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

	require.NoError(t, os.WriteFile(empty, []byte("nebula\n"), 0o600))
	status, _, errs = call("", "serve", "--db", db, "--listen", "0.0.0.0:0", "--passphrase-file", empty)
	assert.Equal(t, 1, status)
	assert.Contains(t, errs, "has 6 letters")
	assert.Contains(t, errs, "at least 8")
}

// The pattern of a design and of its plan is the same; the words of the instructions stand in explain too, and what
// is no form is refused.
func TestThePatternFromTheCommandLine(t *testing.T) {
	status, text, errs := call(isolde, "pattern")
	require.Equal(t, 0, status, errs)
	assert.Less(t, strings.Count(text, "\n"), 110)
	assert.Contains(t, text, "Rounds 2 and 3, 8 times more (to round 19).")
	_, made, _ := call(isolde, "plan")
	_, same, _ := call(made, "pattern")
	assert.Equal(t, text, same)
	_, said, _ := call(made, "explain", "-repeats")
	assert.NotEmpty(t, said)
	assert.Contains(t, text, said)
	status, paper, _ := call(isolde, "pattern", "-form", "pdf", "-paper", "letter", "-rows", "every", "-large")
	assert.Equal(t, 0, status)
	assert.True(t, strings.HasPrefix(paper, "%PDF-"))
	for _, wrong := range [][]string{{"-form", "scroll"}, {"-paper", "a7"}, {"-rows", "some"}, {"-unit", "ell"}, {"and"}} {
		status, _, errs := call(isolde, append([]string{"pattern"}, wrong...)...)
		assert.NotEqual(t, 0, status)
		assert.Contains(t, errs, wrong[len(wrong)-1])
	}
	status, _, errs = call(`{"format":"scarf"}`, "pattern")
	assert.Equal(t, 1, status)
	assert.NotEmpty(t, errs)
}

// What is done before a row is told before it, and a turn alone is no row for people.
func TestExplainTellsNotesAndTurns(t *testing.T) {
	_, made, _ := call(`{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44},"yarn":{"contrast":["cuff"]}}`, "plan")
	_, said, _ := call(made, "explain")
	assert.Contains(t, said, "before cast_on-1: Lay the yarn over the needle and cross the two strands once under it")
	assert.Contains(t, said, "before cuff-1: Change to the contrast yarn")
	assert.NotContains(t, said, "heel-1 (")
	_, flap, _ := call(`{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44},"heel":{"kind":"flap_under"},"yarn":{"contrast":["heel"]}}`, "plan")
	_, turned, _ := call(flap, "explain")
	assert.Contains(t, turned, "before heel-2: Break the sock's yarn off", "the turn that it stands before is told with the row after it")
	assert.Regexp(t, `(?m)^heel-2 \(WS\): turn; needle 2 \(sole\): ds, p33, turn\. 68 stitches\.$`, said)
}
