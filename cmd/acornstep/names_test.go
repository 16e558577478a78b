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
	"acornstep/sock/figures/at"
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
	read := 0
	everyFile(t, core, func(set *token.FileSet, file *ast.File) {
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
				assert.False(t, names[textOf(e)], "%s asks for a technique by its name", set.Position(e.Pos()))
			}
			return true
		})
	})
	assert.Greater(t, read, 200)
}

// A field of a design is named by its constant, nowhere by its path: a slip of the hand does not compile.
func TestFieldsAreNamedByTheirConstants(t *testing.T) {
	paths := map[string]bool{}
	for _, path := range at.All {
		paths[string(path)] = strings.Contains(string(path), ".") // a bare word means other things too
	}
	names := 0
	for _, folder := range []string{core, "../../web", "../../files", "../../sqlite", "../../demo", "."} {
		everyFile(t, folder, func(set *token.FileSet, file *ast.File) {
			ast.Inspect(file, func(n ast.Node) bool {
				if e, is := n.(*ast.BasicLit); is && paths[textOf(e)] {
					names++
					assert.Equal(t, "at", file.Name.Name, "%s spells the field %s", set.Position(e.Pos()), e.Value)
				}
				return true
			})
		})
	}
	assert.Greater(t, names, 50)
}

// everyFile shows every file of the program in a folder and below it, tests left out.
func everyFile(t *testing.T, folder string, see func(*token.FileSet, *ast.File)) {
	require.NoError(t, filepath.WalkDir(folder, func(path string, _ fs.DirEntry, err error) error {
		if err != nil || !strings.HasSuffix(path, ".go") || strings.HasSuffix(path, "_test.go") {
			return err
		}
		set := token.NewFileSet()
		file, err := parser.ParseFile(set, path, nil, 0)
		if err == nil {
			see(set, file)
		}
		return err
	}))
}

// textOf is the text of a string that stands in the code; empty for anything else.
func textOf(e ast.Expr) string {
	literal, is := e.(*ast.BasicLit)
	if !is || literal.Kind != token.STRING {
		return ""
	}
	text, _ := strconv.Unquote(literal.Value)
	return text
}
