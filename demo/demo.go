// Package demo holds the made-up demonstrations of Brackwater Quay.
package demo

import (
	"embed"
	"fmt"
	"io/fs"

	"parvix/core/stage/document"
	_ "parvix/core/stage/kinds" // whose entries it holds
)

//go:embed *.json
var files embed.FS

// Teacher is the made-up teacher that they belong to.
const Teacher = "Demo teacher"

// Documents reads them all, in the order of their file names.
func Documents() ([]*document.Document, error) {
	names, err := fs.Glob(files, "*.json")
	if err != nil {
		return nil, err
	}
	var list []*document.Document
	for _, name := range names {
		data, err := files.ReadFile(name)
		if err != nil {
			return nil, err
		}
		d, err := document.Decode(data)
		if err != nil {
			return nil, fmt.Errorf("%s: %w", name, err)
		}
		list = append(list, d)
	}
	return list, nil
}
