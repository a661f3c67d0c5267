package main

import (
	"bytes"
	"fmt"
	"go/ast"
	"path/filepath"
	"strings"

	"parvix/core/stage/document"
)

// folders whose types cross to the page.
var crossing = []string{"core/stage/document", "core/ask/door", "core/ask/edit", "core/stage/found", "core/stage/kind", "core/stage/kinds/circle", "core/stage/kinds/steps", "core/stage/kinds/trajectory", "core/stage/picture", "server/domain", "server/api"}

// Go names that two packages share, that say little without their package, or that TypeScript knows already.
var renamed = map[string]string{"kind.Line": "NamedLine", "circle.Now": "CircleNow", "steps.View": "StepsView", "steps.Now": "StepsNow",
	"trajectory.View": "TrajectoryView", "picture.Label": "Label", "api.Problem": "HttpProblem"}

// typescript writes the page's types.
func typescript(root string) ([]byte, error) {
	var b bytes.Buffer
	b.WriteString("// Written by “go run ./cmd/generate” from Go's types; change those.\n")
	for _, folder := range crossing {
		k, err := readKinds(filepath.Join(root, folder))
		if err != nil {
			return nil, err
		}
		pkg := filepath.Base(folder)
		fmt.Fprintf(&b, "\n// %s\n", folder)
		for _, e := range k.enums {
			e.write(&b)
		}
		for _, s := range k.structs {
			name := tsName(pkg, s.name)
			fmt.Fprintf(&b, "\n/** %s */\nexport interface %s {\n", s.doc, name)
			for _, f := range s.fields {
				if f.doc != "" {
					fmt.Fprintf(&b, "  /** %s */\n", f.doc)
				}
				mark := ""
				if f.optional {
					mark = "?"
				}
				fmt.Fprintf(&b, "  %s%s: %s;\n", f.name, mark, tsKind(pkg, f.kind))
			}
			b.WriteString("}\n")
		}
	}
	b.WriteString("\n/** How many points a shape joins; −1 for three or more, up to mostCorners. */\nexport const pointsOf: Record<FigureShape, number> = {\n")
	for _, shape := range document.Shapes() {
		fmt.Fprintf(&b, "  %s: %d,\n", shape, shape.Points())
	}
	fmt.Fprintf(&b, "};\nexport const mostCorners = %d;\n", document.MaxCorners)
	return b.Bytes(), nil
}

func (e enumKind) write(b *bytes.Buffer) {
	switch {
	case !e.numeric && len(e.texts) > 0:
		fmt.Fprintf(b, "\n/** %s */\nexport type %s = '%s';\n", e.doc, e.name, strings.Join(e.texts, "' | '"))
	case e.numeric && len(e.numbers) > 0:
		fmt.Fprintf(b, "\n/** %s */\nexport const %s = {\n", e.doc, e.name)
		for i, n := range e.numbers {
			fmt.Fprintf(b, "  %s: %d,\n", e.names[i], n)
		}
		b.WriteString("} as const;\n")
	}
}

// tsName is what a Go type is called on the page.
func tsName(pkg, name string) string {
	if other := renamed[pkg+"."+name]; other != "" {
		return other
	}
	return name
}

// tsKind is a field's type on the page; pkg is the package in which it stands.
func tsKind(pkg string, x ast.Expr) string {
	switch x := x.(type) {
	case *ast.ArrayType:
		return tsKind(pkg, x.Elt) + "[]"
	case *ast.MapType:
		return "Record<string, " + tsKind(pkg, x.Value) + ">"
	case *ast.StarExpr:
		return tsKind(pkg, x.X)
	case *ast.SelectorExpr:
		if from, ok := x.X.(*ast.Ident); ok {
			pkg = from.Name
		}
	}
	switch name := baseName(x); name {
	case "string", "Time":
		return "string"
	case "bool":
		return "boolean"
	case "int", "uint64", "float64", "float32", "Colour":
		return "number"
	case "RawMessage":
		return "unknown"
	default:
		return tsName(pkg, name)
	}
}
