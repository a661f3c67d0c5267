package main

import (
	"fmt"
	"go/ast"
	"go/parser"
	"go/token"
	"path"
	"path/filepath"
	"reflect"
	"slices"
	"sort"
	"strconv"
	"strings"

	stage "parvix/core/stage/kinds"
)

// kinds are the exported types of some packages, as far as they matter outside Go.
type kinds struct {
	structs []structKind
	enums   []enumKind
}

type structKind struct {
	name, doc string
	fields    []field
}

type field struct {
	name, doc string
	kind      ast.Expr
	optional  bool
}

// enumKind is a type with constants: strings, or numbers counted by iota.
type enumKind struct {
	name, doc string
	numeric   bool
	names     []string
	texts     []string
	numbers   []int
}

// readKinds reads the exported structs with JSON tags and the enumerations of one folder.
func readKinds(folder string) (kinds, error) {
	files, err := filepath.Glob(filepath.Join(folder, "*.go"))
	if err != nil {
		return kinds{}, err
	}
	var k kinds
	enums := map[string]*enumKind{}
	for _, name := range files {
		if strings.HasSuffix(name, "_test.go") {
			continue
		}
		parsed, err := parser.ParseFile(token.NewFileSet(), name, nil, parser.ParseComments)
		if err != nil {
			return kinds{}, err
		}
		for _, d := range parsed.Decls {
			if g, ok := d.(*ast.GenDecl); ok {
				k.declaration(g, enums)
			}
		}
	}
	for _, e := range enums {
		if len(e.names) > 0 {
			k.enums = append(k.enums, *e)
		}
	}
	sort.Slice(k.enums, func(i, j int) bool { return k.enums[i].name < k.enums[j].name })
	return k, nil
}

func (k *kinds) declaration(g *ast.GenDecl, enums map[string]*enumKind) {
	switch g.Tok {
	case token.TYPE:
		for _, s := range g.Specs {
			t := s.(*ast.TypeSpec)
			if !t.Name.IsExported() {
				continue
			}
			switch kind := t.Type.(type) {
			case *ast.StructType:
				if fields := jsonFields(kind); len(fields) > 0 {
					k.structs = append(k.structs, structKind{t.Name.Name, words(g.Doc), fields})
				}
			case *ast.Ident:
				e := enum(enums, t.Name.Name)
				e.doc, e.numeric = words(g.Doc), kind.Name != "string"
			}
		}
	case token.CONST:
		constants(g, enums)
	}
}

func enum(enums map[string]*enumKind, name string) *enumKind {
	if enums[name] == nil {
		enums[name] = &enumKind{name: name}
	}
	return enums[name]
}

// constants reads one block: Name Type = "text", or a count by iota with an offset.
func constants(g *ast.GenDecl, enums map[string]*enumKind) {
	kind, offset := "", 0
	for i, s := range g.Specs {
		v := s.(*ast.ValueSpec)
		if id, ok := v.Type.(*ast.Ident); ok {
			kind = id.Name
		} else if len(v.Values) > 0 {
			kind = ""
		}
		if kind == "" || !v.Names[0].IsExported() {
			continue
		}
		e := enum(enums, kind)
		e.names = append(e.names, v.Names[0].Name)
		if len(v.Values) > 0 {
			if text, ok := v.Values[0].(*ast.BasicLit); ok {
				unquoted, _ := strconv.Unquote(text.Value)
				e.texts = append(e.texts, unquoted)
				continue
			}
			offset = iotaOffset(v.Values[0])
		}
		e.numbers = append(e.numbers, i+offset)
	}
}

func iotaOffset(x ast.Expr) int {
	if sum, ok := x.(*ast.BinaryExpr); ok {
		n, _ := strconv.Atoi(sum.Y.(*ast.BasicLit).Value)
		return n
	}
	return 0
}

func jsonFields(s *ast.StructType) []field {
	var fields []field
	for _, f := range s.Fields.List {
		if f.Tag == nil {
			continue
		}
		tag, _ := strconv.Unquote(f.Tag.Value)
		name, options, _ := strings.Cut(reflect.StructTag(tag).Get("json"), ",")
		if name == "" || name == "-" {
			continue
		}
		doc := words(f.Doc)
		if doc == "" {
			doc = words(f.Comment)
		}
		optional := strings.Contains(options, "omitempty") || strings.Contains(options, "omitzero")
		fields = append(fields, field{name, doc, f.Type, optional})
	}
	return fields
}

func words(c *ast.CommentGroup) string {
	if c == nil {
		return ""
	}
	return strings.Join(strings.Fields(c.Text()), " ")
}

// qualified is the package and the name of a type that stands in a package.
func qualified(pkg string, x ast.Expr) (string, string) {
	switch x := x.(type) {
	case *ast.StarExpr:
		return qualified(pkg, x.X)
	case *ast.SelectorExpr:
		if from, ok := x.X.(*ast.Ident); ok {
			pkg = from.Name
		}
	}
	return pkg, baseName(x)
}

// bodies are the types of the bodies of the kinds, by the kind, in the order in which they are listed.
func bodies() (list []body) {
	for _, make := range stage.All {
		of := make()
		kind := reflect.TypeOf(of).Elem()
		list = append(list, body{string(of.Kind()), strings.TrimPrefix(kind.PkgPath(), "parvix/"), path.Base(kind.PkgPath()), kind.Name()})
	}
	return list
}

// body is the type of the bodies of a kind.
type body struct{ kind, folder, pkg, name string }

// documentFolders are those whose types stand in a document's file.
func documentFolders() []string {
	folders := []string{"core/stage/document", "core/stage/kinds/family", "core/maths/locus"}
	for _, b := range bodies() {
		if !slices.Contains(folders, b.folder) {
			folders = append(folders, b.folder)
		}
	}
	return folders
}

// baseName is the type's name without its package or pointer.
func baseName(x ast.Expr) string {
	switch x := x.(type) {
	case *ast.Ident:
		return x.Name
	case *ast.SelectorExpr:
		return x.Sel.Name
	case *ast.StarExpr:
		return baseName(x.X)
	}
	return fmt.Sprintf("%T", x)
}
