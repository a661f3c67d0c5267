// Package edit changes a document where that needs to understand formulas: from document to document, or a problem.
package edit

import (
	"encoding/json"

	"parvix/core/formula/expr"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
)

// clone keeps the caller's document as it was, for undo.
func clone(d *document.Document) *document.Document {
	data, err := json.Marshal(d)
	if err != nil {
		panic("edit: " + err.Error())
	}
	out := &document.Document{}
	if err := json.Unmarshal(data, out); err != nil {
		panic("edit: " + err.Error())
	}
	return out
}

func scope(d *document.Document) *expr.Scope { return evaluate.ScopeOf(d) }
