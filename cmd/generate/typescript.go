package main

import (
	"bytes"
	"fmt"
	"go/ast"
	"path/filepath"
	"strings"

	"parvix/core/maths/circle"
	"parvix/core/stage/document"
	"parvix/core/stage/kinds/figure"
)

// crossing lists the folders whose types cross to the page.
func crossing() []string {
	return append(documentFolders(), "core/stage/kind", "core/stage/evaluate", "core/ask/study", "core/ask/door", "core/ask/edit", "core/stage/found", "core/stage/picture", "server/domain", "server/api")
}

// Go names that say little without their package, that two packages share, or that TypeScript knows already.
var renamed = map[string]string{"kind.Line": "NamedLine", "circle.Now": "CircleNow", "steps.View": "StepsView", "steps.Now": "StepsNow",
	"trajectory.View": "TrajectoryView", "api.Problem": "HttpProblem", "domain.Entry": "ShelfEntry", "family.Given": "Family", "figure.Shape": "FigureShape",
	"circle.Piece": "CirclePiece", "trajectory.Piece": "TrajectoryPiece", "text.Piece": "Piece"}

// typescript writes the page's types.
func typescript(root string) ([]byte, error) {
	var b bytes.Buffer
	b.WriteString("// Written by “go run ./cmd/generate” from Go's types; change those.\n")
	for _, folder := range crossing() {
		k, err := readKinds(filepath.Join(root, folder))
		if err != nil {
			return nil, err
		}
		pkg := filepath.Base(folder)
		fmt.Fprintf(&b, "\n// %s\n", folder)
		for _, e := range k.enums {
			e.write(&b, pkg)
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
	entries(&b)
	b.WriteString("\n/** How many points a shape joins; −1 for three or more, up to mostCorners. */\nexport const pointsOf: Record<FigureShape, number> = {\n")
	for _, shape := range figure.Shapes() {
		fmt.Fprintf(&b, "  %s: %d,\n", shape, shape.Points())
	}
	fmt.Fprintf(&b, "};\nexport const mostCorners = %d;\n", figure.MaxCorners)
	radians, degrees := circle.Special()
	fmt.Fprintf(&b, "\n/** The special angles of a turn, by the unit of angles. */\nexport const specialAngles: Record<AngleUnit, string[]> = {\n  radian: [%s],\n  degree: [%s],\n};\n",
		quoted(radians), quoted(degrees))
	fmt.Fprintf(&b, "\n/** The version of the format of documents. */\nexport const formatVersion = %d;\n", document.Version)
	return b.Bytes(), nil
}

// quoted are strings of TypeScript.
func quoted(list []string) string {
	return "'" + strings.Join(list, "', '") + "'"
}

// entries writes the union of the entries of all kinds.
func entries(b *bytes.Buffer) {
	b.WriteString("\n/** The bodies of entries, by their kind. */\nexport interface Bodies {\n")
	for _, of := range bodies() {
		fmt.Fprintf(b, "  %s: %s;\n", of.kind, tsName(of.pkg, of.name))
	}
	b.WriteString(`}

export type Kind = keyof Bodies;

/** An entry of one kind. */
export interface EntryOf<K extends Kind> {
  id: string;
  kind: K;
  look: Look;
  where?: Where;
  body: Bodies[K];
}

/** An entry of any kind: its kind tells its body. */
export type Entry = { [K in Kind]: EntryOf<K> }[Kind];
`)
}

func (e enumKind) write(b *bytes.Buffer, pkg string) {
	switch {
	case !e.numeric && len(e.texts) > 0:
		fmt.Fprintf(b, "\n/** %s */\nexport type %s = '%s';\n", e.doc, tsName(pkg, e.name), strings.Join(e.texts, "' | '"))
	case e.numeric && pkg == "picture" && len(e.numbers) > 0:
		fmt.Fprintf(b, "\n/** %s */\nexport const %s = {\n", e.doc, e.name)
		for i, n := range e.numbers {
			fmt.Fprintf(b, "  %s: %d,\n", e.names[i], n)
		}
		b.WriteString("} as const;\n")
	}
}

// tsName is what a Go type is called on the page; the body of a kind has the kind's name in front.
func tsName(pkg, name string) string {
	if other := renamed[pkg+"."+name]; other != "" {
		return other
	}
	if name == "Body" || name == "PartBody" {
		return strings.ToUpper(pkg[:1]) + pkg[1:] + name
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
	}
	switch pkg, name := qualified(pkg, x); name {
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
