package region

import (
	"fmt"

	"parvix/core/stage/document"
)

// Body is a part of the plane: what lies between two curves, or between a curve and the axis, over an interval, or where all
// of some conditions hold.
type Body struct {
	// Function and Other are the names of the functions whose curves bound it; without Other it is the axis that does.
	Function string `json:"function,omitempty"`
	Other    string `json:"other,omitempty"`
	// From and To are the ends of the interval, formulas.
	From string `json:"from,omitempty"`
	To   string `json:"to,omitempty"`
	// Signed counts what lies below the other curve as negative.
	Signed bool `json:"signed,omitempty"`
	// Conditions are relations in x and y, as y ≥ x² or x² + y² < 9; with any there are no curves.
	Conditions []string `json:"conditions,omitempty"`
}

// MaxConditions is the largest number of conditions.
const MaxConditions = 8

// Kind names the kind.
func (*Body) Kind() document.Kind { return "region" }

// Refs are the curves with the ends, or the conditions.
func (b *Body) Refs() []document.Ref {
	between := len(b.Conditions) == 0
	list := []document.Ref{{Role: document.FunctionName, Field: "function", Text: &b.Function, Optional: !between},
		{Role: document.FunctionName, Field: "other", Text: &b.Other, Optional: true},
		{Field: "from", Text: &b.From, Optional: !between}, {Field: "to", Text: &b.To, Optional: !between}}
	for i := range b.Conditions {
		list = append(list, document.Ref{Role: document.Condition, Field: "conditions", Text: &b.Conditions[i], Variables: []string{"x", "y"}})
	}
	return list
}

// Check bounds the conditions.
func (b *Body) Check(c *document.Checker) {
	c.Require(len(b.Conditions) <= MaxConditions, "conditions", fmt.Sprintf("at most %d", MaxConditions))
	c.Require(len(b.Conditions) > 0 || b.Function != "", "function", "a function or a condition is needed")
}
