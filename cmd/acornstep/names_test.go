package main

import (
	"go/ast"
	"go/parser"
	"go/token"
	"io/fs"
	"path/filepath"
	"strconv"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sock/craft/knit"
)

// Whoever wants to know something of a technique asks it, and not for its name: a new one would be forgotten there.
func TestNobodyAsksWhichTechniqueItIs(t *testing.T) {
	names := map[string]bool{}
	for _, kind := range knit.Kinds {
		for _, technique := range kind.List() {
			names[technique.About().Name] = true
		}
	}
	require.Contains(t, names, "gusset_turn")
	isName := func(e ast.Expr) bool {
		text, is := e.(*ast.BasicLit)
		if !is || text.Kind != token.STRING {
			return false
		}
		name, err := strconv.Unquote(text.Value)
		return err == nil && names[name]
	}
	read := 0
	require.NoError(t, filepath.WalkDir(core, func(path string, _ fs.DirEntry, err error) error {
		if err != nil || !strings.HasSuffix(path, ".go") || strings.HasSuffix(path, "_test.go") {
			return err
		}
		set := token.NewFileSet()
		file, err := parser.ParseFile(set, path, nil, 0)
		if err != nil {
			return err
		}
		read++
		ast.Inspect(file, func(n ast.Node) bool {
			var asked []ast.Expr
			switch n := n.(type) {
			case *ast.BinaryExpr:
				if n.Op == token.EQL || n.Op == token.NEQ {
					asked = []ast.Expr{n.X, n.Y}
				}
			case *ast.CaseClause:
				asked = n.List
			}
			for _, e := range asked {
				assert.False(t, isName(e), "%s asks for a technique by its name", set.Position(e.Pos()))
			}
			return true
		})
		return nil
	}))
	assert.Greater(t, read, 200)
}
