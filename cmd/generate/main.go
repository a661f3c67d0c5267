// Command generate writes what follows from Go: the page's types (web/src/generated/types.ts), the colours of its themes
// (themes.css, themes.ts) and the JSON Schema of a demonstration's file (docs/format/demonstration-3.schema.json). A test
// fails when they are stale.
package main

import (
	"fmt"
	"os"
	"path/filepath"
)

func main() {
	root := "."
	if len(os.Args) > 1 {
		root = os.Args[1]
	}
	for name, make := range outputs {
		text, err := make(root)
		if err == nil {
			err = write(filepath.Join(root, name), text)
		}
		if err != nil {
			fmt.Fprintln(os.Stderr, "generate:", err)
			os.Exit(1)
		}
	}
}

// outputs: file → what makes it from the folder of the module.
var outputs = map[string]func(root string) ([]byte, error){
	"web/src/generated/types.ts":              typescript,
	"web/src/generated/themes.css":            themesCSS,
	"web/src/generated/themes.ts":             themesTS,
	"docs/format/demonstration-3.schema.json": schema,
}

func write(name string, text []byte) error {
	if err := os.MkdirAll(filepath.Dir(name), 0o755); err != nil {
		return err
	}
	return os.WriteFile(name, text, 0o644)
}
