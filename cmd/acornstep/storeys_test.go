package main

import (
	"flag"
	"fmt"
	"go/doc"
	"go/parser"
	"go/token"
	"os"
	"path"
	"path/filepath"
	"regexp"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

var update = flag.Bool("update", false, "draw the picture of the house in the docs anew")

// storeys of the core, the ground floor first. A room may know its neighbours and every storey below.
var storeys = []string{"figures", "people", "rows", "papers", "said", "craft", "cloth", "judge", "needles", "teach"}

const (
	core = "../../sock"
	page = "../../docs/architecture.md"
	// most is how many doors stand beside each other on a storey before nobody finds the right one.
	most = 9
)

// rooms are the packages of a storey, in order.
func rooms(t *testing.T, storey string) []string {
	t.Helper()
	entries, err := os.ReadDir(filepath.Join(core, storey))
	require.NoError(t, err)
	var found []string
	for _, e := range entries {
		if e.IsDir() {
			found = append(found, e.Name())
		}
	}
	return found
}

// floor is the storey of a package of the core, counted from the ground; -1 for any other.
func floor(name string) int {
	parts := strings.Split(name, "/")
	if len(parts) < 2 || parts[0] != "sock" {
		return -1
	}
	return slices.Index(storeys, parts[1])
}

func TestStoreysStandOnThoseBelow(t *testing.T) {
	entries, err := os.ReadDir(core)
	require.NoError(t, err)
	var found []string
	for _, e := range entries {
		found = append(found, e.Name())
	}
	assert.ElementsMatch(t, storeys, found, "every folder of the core is a storey")
	for _, storey := range storeys {
		assert.LessOrEqual(t, len(rooms(t, storey)), most, storey)
	}
	all := imports(t)
	arrows := 0
	for name, list := range all {
		for _, imported := range list {
			if floor(name) < 0 || floor(imported) < 0 {
				continue
			}
			arrows++
			assert.LessOrEqual(t, floor(imported), floor(name), "%s imports %s, which lives above it", name, imported)
		}
	}
	assert.Greater(t, arrows, 100)
}

// synopsis is the first sentence that a package says of itself, without "Package x is".
func synopsis(t *testing.T, folder string) string {
	t.Helper()
	files, err := filepath.Glob(filepath.Join(folder, "*.go"))
	require.NoError(t, err)
	for _, file := range files {
		if strings.HasSuffix(file, "_test.go") {
			continue
		}
		parsed, err := parser.ParseFile(token.NewFileSet(), file, nil, parser.ParseComments|parser.PackageClauseOnly)
		require.NoError(t, err)
		if parsed.Doc == nil {
			continue
		}
		said := (&doc.Package{}).Synopsis(parsed.Doc.Text())
		said = strings.TrimPrefix(said, "Package "+filepath.Base(folder)+" ")
		return strings.TrimSuffix(strings.TrimPrefix(said, "is "), ".")
	}
	require.Fail(t, "a package that does not say what it is", folder)
	return ""
}

// drawn is the storeys, the highest first: what each is, on which it really stands, and its rooms.
func drawn(t *testing.T) string {
	t.Helper()
	all := imports(t)
	var b strings.Builder
	for _, storey := range slices.Backward(storeys) {
		below := map[string]bool{}
		for _, room := range rooms(t, storey) {
			for _, imported := range all[path.Join("sock", storey, room)] {
				if f := floor(imported); f >= 0 && storeys[f] != storey {
					below[storeys[f]] = true
				}
			}
		}
		var on []string
		for _, s := range storeys {
			if below[s] {
				on = append(on, s)
			}
		}
		stands := "the ground"
		if len(on) > 0 {
			stands = strings.Join(on, ", ")
		}
		fmt.Fprintf(&b, "\n**sock/%s**: %s. *Stands on %s.*\n\n| room | |\n|---|---|\n", storey, synopsis(t, filepath.Join(core, storey)),
			stands)
		for _, room := range rooms(t, storey) {
			fmt.Fprintf(&b, "| `%s` | %s |\n", room, synopsis(t, filepath.Join(core, storey, room)))
		}
	}
	return b.String()
}

// The picture of the house on its page is the tree: it cannot say what is no longer so.
func TestThePageShowsTheHouseAsItIs(t *testing.T) {
	const begins, ends = "<!-- the house, drawn from the tree by `make house` -->\n", "\n<!-- the house ends -->"
	text, err := os.ReadFile(page)
	require.NoError(t, err)
	before, rest, found := strings.Cut(string(text), begins)
	require.True(t, found, "the page has no place for the house")
	shown, after, found := strings.Cut(rest, ends)
	require.True(t, found, "the house on the page has no end")
	if *update {
		require.NoError(t, os.WriteFile(page, []byte(before+begins+drawn(t)+ends+after), 0o644))
		return
	}
	assert.Equal(t, drawn(t), shown, "draw it anew with make house")
}

// aPlace is a file or folder as the page names it; *, … and {…} stand for what differs.
var aPlace = regexp.MustCompile("`((?:cmd|demo|docs|e2e|files|load|scale|sock|sqlite|ui|web)/[\\w*./-]+)`")

// Whatever the page says is somewhere is there.
func TestThePageNamesNothingThatIsNot(t *testing.T) {
	text, err := os.ReadFile(page)
	require.NoError(t, err)
	named := aPlace.FindAllStringSubmatch(string(text), -1)
	require.Greater(t, len(named), 30)
	for _, place := range named {
		found, err := filepath.Glob(filepath.Join("../..", place[1]))
		require.NoError(t, err)
		assert.NotEmpty(t, found, place[1])
	}
}
