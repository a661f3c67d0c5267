package core_test

import (
	"go/ast"
	"go/parser"
	"go/token"
	"io/fs"
	"path/filepath"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

// What is larger than this cannot be read at one sitting.
const mostLines, mostFunctionLines, mostBranches, mostMethods = 400, 60, 25, 25

// branches counts the ways through a function as T. J. McCabe does: one, and one more for each condition (A complexity
// measure, IEEE Transactions on Software Engineering SE-2, 1976).
func branches(f *ast.FuncDecl) int {
	count := 1
	ast.Inspect(f, func(n ast.Node) bool {
		switch n := n.(type) {
		case *ast.IfStmt, *ast.ForStmt, *ast.RangeStmt:
			count++
		case *ast.CaseClause:
			if n.List != nil {
				count++
			}
		case *ast.BinaryExpr:
			if n.Op == token.LAND || n.Op == token.LOR {
				count++
			}
		}
		return true
	})
	return count
}

// receiver is the type that a function is a method of, empty for none.
func receiver(f *ast.FuncDecl) (name string) {
	if f.Recv == nil {
		return ""
	}
	ast.Inspect(f.Recv.List[0].Type, func(n ast.Node) bool {
		if id, ok := n.(*ast.Ident); ok && name == "" {
			name = id.Name
		}
		return true
	})
	return name
}

func TestTheStairAndWhatAsksItAreReadAtOneSitting(t *testing.T) {
	methods := map[string]int{}
	files := token.NewFileSet()
	read := 0
	for _, root := range []string{"stage", "ask"} {
		require.NoError(t, filepath.WalkDir(root, func(path string, e fs.DirEntry, err error) error {
			if err != nil || e.IsDir() || !strings.HasSuffix(path, ".go") || strings.HasSuffix(path, "_test.go") {
				return err
			}
			read++
			file, err := parser.ParseFile(files, path, nil, 0)
			require.NoError(t, err)
			assert.LessOrEqual(t, files.File(file.Pos()).LineCount(), mostLines+1, path)
			for _, d := range file.Decls {
				f, ok := d.(*ast.FuncDecl)
				if !ok {
					continue
				}
				lines := files.Position(f.End()).Line - files.Position(f.Pos()).Line + 1
				assert.LessOrEqual(t, lines, mostFunctionLines, "%s: %s", path, f.Name.Name)
				assert.LessOrEqual(t, branches(f), mostBranches, "%s: %s", path, f.Name.Name)
				if of := receiver(f); of != "" {
					methods[filepath.Dir(path)+"."+of]++
				}
			}
			return nil
		}))
	}
	require.Greater(t, read, 50)
	for of, count := range methods {
		assert.LessOrEqual(t, count, mostMethods, of)
	}
}
