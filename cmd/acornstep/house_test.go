package main

import (
	"go/parser"
	"go/token"
	"io/fs"
	"path"
	"path/filepath"
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
		"sock/rows/knitted":  {"sock/craft/knit", "sock/papers/plan"},
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
