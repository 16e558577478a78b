package main

import (
	"go/parser"
	"go/token"
	"io/fs"
	"os"
	"path"
	"path/filepath"
	"regexp"
	"slices"
	"strconv"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

// imports reads which of our packages each of them imports, tests left out.
func imports(t *testing.T) map[string][]string {
	t.Helper()
	const root = "../.."
	found := map[string][]string{}
	require.NoError(t, filepath.WalkDir(root, func(file string, entry fs.DirEntry, err error) error {
		if err != nil || entry.IsDir() && entry.Name() == "node_modules" {
			return fs.SkipDir
		}
		if !strings.HasSuffix(file, ".go") || strings.HasSuffix(file, "_test.go") {
			return nil
		}
		parsed, err := parser.ParseFile(token.NewFileSet(), file, nil, parser.ImportsOnly)
		if err != nil {
			return err
		}
		relative, err := filepath.Rel(root, filepath.Dir(file))
		if err != nil {
			return err
		}
		name := filepath.ToSlash(relative)
		for _, i := range parsed.Imports {
			imported, err := strconv.Unquote(i.Path.Value)
			if err != nil {
				return err
			}
			found[name] = append(found[name], strings.TrimPrefix(imported, "acornstep/"))
		}
		return nil
	}))
	return found
}

// reach is all that a package imports, and what those import.
func reach(all map[string][]string, from string) map[string]bool {
	seen := map[string]bool{}
	var walk func(string)
	walk = func(name string) {
		for _, next := range all[name] {
			if !seen[next] {
				seen[next] = true
				walk(next)
			}
		}
	}
	walk(from)
	return seen
}

// The arrows of the house go one way.
func TestArrowsGoOneWay(t *testing.T) {
	all := imports(t)
	require.Greater(t, len(all), 35)
	for name, list := range all {
		if !strings.HasPrefix(name, "sock/") {
			continue
		}
		for _, imported := range list {
			ours := strings.HasPrefix(imported, "sock/")
			standard := !strings.Contains(strings.SplitN(imported, "/", 2)[0], ".")
			assert.True(t, ours || standard, "%s imports %s: the core stands on itself", name, imported)
			assert.NotContains(t, []string{"net/http", "database/sql", "os", "math/rand", "math/rand/v2", "crypto/rand"}, imported, name)
		}
		for imported := range reach(all, name) {
			assert.False(t, imported == "web" || imported == "sqlite" || imported == "demo", "%s reaches %s", name, imported)
		}
	}
	for from, not := range map[string][]string{
		"sock/craft/check":   {"sock/craft/knit"}, // who checks knows less than who makes
		"sock/rows/trace":    {"sock/craft/knit", "sock/papers/plan"},
		"sock/papers/plan":   {"sock/craft/knit"},
		"sock/papers/draft":  {"sock/craft/knit"},
		"sock/papers/basket": {"sock/craft/knit"},
		"demo":               {"web"},
		"files/tables":       {"web", "sock/craft/knit"},
		"files/pdf":          {"web", "sqlite"},
		"files/archive":      {"web", "sqlite", "sock/craft/knit"},
		"sqlite":             {"web"},
	} {
		require.Contains(t, all, from)
		for _, name := range not {
			assert.False(t, reach(all, from)[name], "%s reaches %s", from, name)
		}
	}
	for name := range all {
		if name != path.Join("cmd", "acornstep") && name != "load" {
			assert.NotContains(t, all[name], "web", name)
		}
	}
}

// shared are the style sheets of every screen; windows.css only fits them to the width of a window.
var shared = []string{"base.css", "frame.css", "drawing.css"}

var (
	comments  = regexp.MustCompile(`(?s)/\*.*?\*/`)
	selectors = regexp.MustCompile(`[^{}]+\{`)
	// aClass begins a part of a selector; what follows an element or another class there is a state of it, as in .way.chosen.
	aClass = regexp.MustCompile(`(?:^|[\s>+~,(])\.([a-zA-Z][\w-]*)`)
)

// styled says which screens' style sheets a class stands in; a screen with several has its name before a dash: knit-panel.css.
type styled struct {
	sheets []string
	// alone: it is the first of a selector, and so styled wherever it stands.
	alone bool
}

func classes(t *testing.T) map[string]styled {
	t.Helper()
	found := map[string]styled{}
	sheets, err := filepath.Glob("../../ui/src/styles/*.css")
	require.NoError(t, err)
	for _, file := range sheets {
		screen, _, _ := strings.Cut(strings.TrimSuffix(filepath.Base(file), ".css"), "-")
		sheet := screen + ".css"
		if sheet == "windows.css" {
			continue
		}
		text, err := os.ReadFile(file)
		require.NoError(t, err)
		for _, block := range selectors.FindAllString(comments.ReplaceAllString(string(text), ""), -1) {
			for selector := range strings.SplitSeq(block, ",") {
				for i, class := range aClass.FindAllStringSubmatch(strings.TrimSpace(selector), -1) {
					c := found[class[1]]
					if !slices.Contains(c.sheets, sheet) {
						c.sheets = append(c.sheets, sheet)
					}
					c.alone = c.alone || i == 0
					found[class[1]] = c
				}
			}
		}
	}
	return found
}

// A class that one screen styles for itself is no other screen's; what several share is in a shared sheet.
func TestClassNamesAreScopedToTheirScreen(t *testing.T) {
	all := classes(t)
	require.Contains(t, all, "way")
	for class, c := range all {
		isShared := slices.ContainsFunc(c.sheets, func(sheet string) bool { return slices.Contains(shared, sheet) })
		if !strings.HasPrefix(class, "ant-") && c.alone && !isShared {
			assert.Len(t, c.sheets, 1, class)
		}
	}
}
