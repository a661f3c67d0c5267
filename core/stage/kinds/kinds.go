// Package kinds lists the kinds of shown entries. Who reads a document that holds some imports it.
package kinds

import (
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kind"
	"parvix/core/stage/kinds/circle"
	"parvix/core/stage/kinds/curve"
	"parvix/core/stage/kinds/figure"
	"parvix/core/stage/kinds/finding"
	"parvix/core/stage/kinds/guide"
	"parvix/core/stage/kinds/part"
	"parvix/core/stage/kinds/path"
	"parvix/core/stage/kinds/point"
	"parvix/core/stage/kinds/steps"
	"parvix/core/stage/kinds/table"
	"parvix/core/stage/kinds/trace"
	"parvix/core/stage/kinds/trajectory"
)

var all = map[document.ShownKind]kind.Kind{
	document.Curve:       curve.Kind{},
	document.Point:       point.Kind{},
	document.Guide:       guide.Kind{},
	document.Trace:       trace.Kind{},
	document.Found:       finding.Kind{},
	document.Steps:       steps.Kind{},
	document.Path:        path.Kind{},
	document.Table:       table.Kind{},
	document.CircleEntry: circle.Kind{},
	document.PartOf:      part.Kind{},
	document.Moving:      trajectory.Kind{},
	document.FigureEntry: figure.Kind{},
}

func init() {
	for name, k := range all {
		evaluate.Register(name, func(d *evaluate.Demonstration, e *document.Shown) evaluate.Live {
			if live := k.Load(d, e); live != nil {
				return live
			}
			return nil
		})
	}
}

// Of is a kind by its name; nil when there is none.
func Of(name document.ShownKind) kind.Kind { return all[name] }
