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
	"parvix/core/stage/kinds/parametric"
	"parvix/core/stage/kinds/path"
	"parvix/core/stage/kinds/point"
	"parvix/core/stage/kinds/region"
	"parvix/core/stage/kinds/scatter"
	"parvix/core/stage/kinds/spacecurve"
	"parvix/core/stage/kinds/steps"
	"parvix/core/stage/kinds/surface"
	"parvix/core/stage/kinds/table"
	"parvix/core/stage/kinds/text"
	"parvix/core/stage/kinds/trace"
	"parvix/core/stage/kinds/trajectory"
)

// All makes an empty body of each kind.
var All = []func() kind.Body{
	func() kind.Body { return &curve.Body{} },
	func() kind.Body { return &point.Body{} },
	func() kind.Body { return &guide.Body{} },
	func() kind.Body { return &trace.Body{} },
	func() kind.Body { return &finding.Body{} },
	func() kind.Body { return &steps.Body{} },
	func() kind.Body { return &path.Body{} },
	func() kind.Body { return &table.Body{} },
	func() kind.Body { return &scatter.Body{} },
	func() kind.Body { return &trajectory.Body{} },
	func() kind.Body { return &trajectory.PartBody{} },
	func() kind.Body { return &circle.Body{} },
	func() kind.Body { return &circle.PartBody{} },
	func() kind.Body { return &figure.Body{} },
	func() kind.Body { return &region.Body{} },
	func() kind.Body { return &parametric.Body{} },
	func() kind.Body { return &spacecurve.Body{} },
	func() kind.Body { return &spacecurve.PartBody{} },
	func() kind.Body { return &surface.Body{} },
	func() kind.Body { return &surface.PartBody{} },
	func() kind.Body { return &text.Body{} },
}

func init() {
	for _, make := range All {
		document.Register(func() document.Body { return make() })
		evaluate.Register(make().Kind(), func(d evaluate.Loading, e *document.Entry) evaluate.Live {
			if live := e.Body.(kind.Body).Load(d, e); live != nil {
				return live
			}
			return nil
		})
	}
}
