package main

import (
	"bytes"
	"encoding/json"
	"go/ast"
	"path/filepath"

	"parvix/core/stage/document"
)

// schema writes the JSON Schema (draft 2020-12) of a demonstration's file, with one for the body of each kind.
func schema(root string) ([]byte, error) {
	definitions := map[string]any{}
	for _, folder := range documentFolders() {
		k, err := readKinds(filepath.Join(root, folder))
		if err != nil {
			return nil, err
		}
		pkg := filepath.Base(folder)
		for _, e := range k.enums {
			if !e.numeric {
				definitions[definition(pkg, e.name)] = map[string]any{"description": e.doc, "type": "string", "enum": e.texts}
			}
		}
		for _, s := range k.structs {
			definitions[definition(pkg, s.name)] = object(pkg, s)
		}
	}
	var entries []any
	for _, b := range bodies() {
		entries = append(entries, entryOf(b))
	}
	definitions["Entry"] = map[string]any{"description": "An entry that is shown on the stage or said beside it.", "oneOf": entries}
	properties := definitions["Document"].(map[string]any)["properties"].(map[string]any)
	properties["format"] = map[string]any{"const": document.Format}
	properties["version"] = map[string]any{"const": document.Version}
	var b bytes.Buffer
	e := json.NewEncoder(&b)
	e.SetIndent("", "  ")
	e.SetEscapeHTML(false)
	err := e.Encode(map[string]any{
		"$schema":     "https://json-schema.org/draft/2020-12/schema",
		"title":       "Parvix demonstration, format version 3",
		"description": "One demonstration as a file. Formulas are textbook typing; at most 1 MB, 300 entries, 4 panels.",
		"$ref":        "#/$defs/Document",
		"$defs":       definitions,
	})
	return b.Bytes(), err
}

// definition names a type among the definitions: those of a document by their name alone, those of a kind behind its own.
func definition(pkg, name string) string {
	if pkg == "document" {
		return name
	}
	return pkg + "." + name
}

func object(pkg string, s structKind) map[string]any {
	properties, required := map[string]any{}, []string{}
	for _, f := range s.fields {
		p := schemaKind(pkg, f.kind)
		if f.doc != "" {
			p["description"] = f.doc
		}
		if !f.optional {
			required = append(required, f.name)
		}
		properties[f.name] = p
	}
	return map[string]any{"description": s.doc, "type": "object", "additionalProperties": false, "properties": properties, "required": required}
}

// entryOf is an entry with the body of one kind.
func entryOf(b body) map[string]any {
	ref := func(name string) map[string]any { return map[string]any{"$ref": "#/$defs/" + name} }
	return map[string]any{"type": "object", "additionalProperties": false, "required": []string{"id", "kind", "look", "body"},
		"properties": map[string]any{"id": map[string]any{"type": "string", "maxLength": 64}, "kind": map[string]any{"const": b.kind},
			"look": ref("Look"), "where": ref("Where"), "body": ref(definition(b.pkg, b.name))}}
}

func schemaKind(pkg string, x ast.Expr) map[string]any {
	switch x := x.(type) {
	case *ast.ArrayType:
		return map[string]any{"type": "array", "items": schemaKind(pkg, x.Elt)}
	case *ast.MapType:
		return map[string]any{"type": "object", "additionalProperties": schemaKind(pkg, x.Value)}
	case *ast.StarExpr:
		return schemaKind(pkg, x.X)
	}
	switch pkg, name := qualified(pkg, x); name {
	case "string":
		return map[string]any{"type": "string", "maxLength": 2000}
	case "bool":
		return map[string]any{"type": "boolean"}
	case "int":
		return map[string]any{"type": "integer"}
	case "float64":
		return map[string]any{"type": "number"}
	default:
		return map[string]any{"$ref": "#/$defs/" + definition(pkg, name)}
	}
}
