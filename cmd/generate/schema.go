package main

import (
	"bytes"
	"encoding/json"
	"go/ast"
	"path/filepath"

	"parvix/core/stage/document"
)

// schema writes the JSON Schema (draft 2020-12) of a demonstration's file.
func schema(root string) ([]byte, error) {
	k, err := readKinds(filepath.Join(root, "core/stage/document"))
	if err != nil {
		return nil, err
	}
	definitions := map[string]any{}
	for _, e := range k.enums {
		definitions[e.name] = map[string]any{"description": e.doc, "type": "string", "enum": e.texts}
	}
	for _, s := range k.structs {
		properties, required := map[string]any{}, []string{}
		for _, f := range s.fields {
			p := schemaKind(f.kind)
			if f.doc != "" {
				p["description"] = f.doc
			}
			if !f.optional {
				required = append(required, f.name)
			}
			properties[f.name] = p
		}
		definitions[s.name] = map[string]any{"description": s.doc, "type": "object", "additionalProperties": false,
			"properties": properties, "required": required}
	}
	whole := definitions["Document"].(map[string]any)
	properties := whole["properties"].(map[string]any)
	properties["format"] = map[string]any{"const": document.Format}
	properties["version"] = map[string]any{"const": document.Version}
	var b bytes.Buffer
	e := json.NewEncoder(&b)
	e.SetIndent("", "  ")
	e.SetEscapeHTML(false)
	err = e.Encode(map[string]any{
		"$schema":     "https://json-schema.org/draft/2020-12/schema",
		"title":       "Parvix demonstration, format version 1",
		"description": "One demonstration as a file. Formulas are textbook typing; at most 1 MB, 300 entries, 4 panels.",
		"$ref":        "#/$defs/Document",
		"$defs":       definitions,
	})
	return b.Bytes(), err
}

func schemaKind(x ast.Expr) map[string]any {
	switch x := x.(type) {
	case *ast.ArrayType:
		return map[string]any{"type": "array", "items": schemaKind(x.Elt)}
	case *ast.MapType:
		return map[string]any{"type": "object", "additionalProperties": schemaKind(x.Value)}
	case *ast.StarExpr:
		return schemaKind(x.X)
	}
	switch name := baseName(x); name {
	case "string":
		return map[string]any{"type": "string", "maxLength": 2000}
	case "bool":
		return map[string]any{"type": "boolean"}
	case "int":
		return map[string]any{"type": "integer"}
	case "float64":
		return map[string]any{"type": "number"}
	default:
		return map[string]any{"$ref": "#/$defs/" + name}
	}
}
