package knit_test

import (
	"bytes"
	"crypto/sha256"
	"encoding/hex"
	"encoding/json"
	"flag"
	"fmt"
	"os"
	"path/filepath"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sock/craft/knit"
	"acornstep/sock/papers/design"
	"acornstep/sock/rows/needle"
)

var (
	update = flag.Bool("update", false, "write the corpus of rows anew; needs -reason")
	reason = flag.String("reason", "", "why rows of the corpus change")
)

const corpus = "testdata/corpus"

// The rows of some sixty designs, letter for letter: none changes by accident. Whoever means to change one says why,
//
//	go test ./sock/craft/knit -run Corpus -update -reason "the corner's op has a name of its own"
//
// which writes the rows anew and lists every one that changed, with the reason, in changes.md.
func TestCorpusOfRows(t *testing.T) {
	text, err := os.ReadFile(filepath.Join(corpus, "designs.jsonl"))
	require.NoError(t, err)
	hash := sha256.New()
	changed := []string{}
	designs := 0
	for line := range bytes.Lines(text) {
		designs++
		d, err := design.Read(bytes.TrimSpace(line))
		require.NoError(t, err)
		p, err := knit.Make(d)
		require.NoError(t, err, d.Name)
		require.NotEmpty(t, p.Rows, d.Name)
		now := written(t, p.Rows)
		file := filepath.Join(corpus, fileOf(d.Name))
		was, err := os.ReadFile(file)
		if *update {
			if lines := differ(string(was), now); len(lines) > 0 {
				changed = append(changed, fmt.Sprintf("%s: %s", d.Name, strings.Join(lines, ", ")))
			}
			require.NoError(t, os.WriteFile(file, []byte(now), 0o644))
		} else {
			require.NoError(t, err)
			if lines := differ(string(was), now); len(lines) > 0 {
				assert.Fail(t, "rows changed", "%s: %s", d.Name, strings.Join(lines, ", "))
			}
		}
		hash.Write([]byte(now))
	}
	assert.GreaterOrEqual(t, designs, 60)
	list := filepath.Join(corpus, "changes.md")
	name := hex.EncodeToString(hash.Sum(nil)[:6])
	if *update && len(changed) > 0 {
		require.NotEmpty(t, *reason, "say with -reason why rows change")
		said, _ := os.ReadFile(list)
		entry := fmt.Sprintf("%s\n## %s\n\n%s\n\n- %s\n", said, name, *reason, strings.Join(changed, "\n- "))
		require.NoError(t, os.WriteFile(list, []byte(entry), 0o644))
	}
	said, err := os.ReadFile(list)
	require.NoError(t, err)
	headings := strings.Split(string(said), "\n## ")
	assert.True(t, strings.HasPrefix(headings[len(headings)-1], name+"\n"),
		"the rows of the corpus are not those that changes.md names last (%s)", name)
}

func fileOf(name string) string {
	return strings.NewReplacer(" ", "-", ",", "").Replace(strings.ToLower(name)) + ".rows"
}

// written is a row a line, as the document has it; rows that differ in nothing but their number are folded into one line.
func written(t *testing.T, rows []needle.Row) string {
	t.Helper()
	var b strings.Builder
	for i := 0; i < len(rows); {
		first := bare(t, rows[i])
		last := i
		for last+1 < len(rows) && rows[last+1].Section == rows[i].Section && rows[last+1].N == rows[last].N+1 &&
			bare(t, rows[last+1]) == first {
			last++
		}
		fmt.Fprintf(&b, "%s", rows[i].ID)
		if last > i {
			fmt.Fprintf(&b, "..%s", rows[last].ID)
		}
		fmt.Fprintf(&b, " %s\n", first)
		i = last + 1
	}
	return b.String()
}

// bare is a row without its number.
func bare(t *testing.T, row needle.Row) string {
	t.Helper()
	text, err := json.Marshal(row)
	require.NoError(t, err)
	fields := map[string]json.RawMessage{}
	require.NoError(t, json.Unmarshal(text, &fields))
	delete(fields, "id")
	delete(fields, "n")
	text, err = json.Marshal(fields)
	require.NoError(t, err)
	return string(text)
}

// differ names the lines in which two texts differ, by their rows.
func differ(was, now string) []string {
	lines := func(text string) []string { return strings.Split(strings.TrimSpace(text), "\n") }
	before := lines(was)
	var list []string
	for _, line := range lines(now) {
		if !slices.Contains(before, line) {
			name, _, _ := strings.Cut(line, " ")
			list = append(list, name)
		}
	}
	if len(list) == 0 && was != now {
		list = append(list, "rows that are gone, or another order")
	}
	return list
}
