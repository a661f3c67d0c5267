package door

import (
	"parvix/core/ask/edit"
	"parvix/core/ask/study"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/transform"
	"parvix/core/stage/document"
	"parvix/core/stage/found"
	"parvix/core/stage/kinds/surface"
)

// edits make another document of the question's, without a look at what is in play.
var edits = map[AskKind]func(ask *Ask) (*document.Document, error){
	AskUpgrade: func(ask *Ask) (*document.Document, error) { return ask.Document, nil }, // reading it has done that
	AskState:   func(ask *Ask) (*document.Document, error) { return edit.Typed(ask.Document, ask.ID, ask.Text) },
	AskRename:  func(ask *Ask) (*document.Document, error) { return edit.Rename(ask.Document, ask.ID, ask.Text) },
	AskDelete:  func(ask *Ask) (*document.Document, error) { return edit.Delete(ask.Document, ask.ID) },
	AskAddParameters: func(ask *Ask) (*document.Document, error) {
		return edit.AddParameters(ask.Document, ask.Names)
	},
	AskPut: func(ask *Ask) (*document.Document, error) {
		if ask.Entry == nil {
			return nil, missing("entry")
		}
		d, err := edit.Put(ask.Document, *ask.Entry)
		if err != nil {
			return nil, err
		}
		return edit.WithDials(d, ask.Document)
	},
	AskPutData: func(ask *Ask) (*document.Document, error) {
		if ask.Stated == nil {
			return nil, missing("stated")
		}
		return edit.PutData(ask.Document, *ask.Stated)
	},
	AskRemoveRow: func(ask *Ask) (*document.Document, error) { return edit.RemoveRow(ask.Document, ask.ID, ask.Row) },
	AskKeepModel: func(ask *Ask) (*document.Document, error) {
		if len(ask.Names) != 2 {
			return nil, missing("names")
		}
		return edit.KeepModel(ask.Document, ask.ID, ask.Names[0], ask.Names[1], ask.Text)
	},
	AskFreeze:   func(ask *Ask) (*document.Document, error) { return edit.Freeze(ask.Document, ask.ID) },
	AskDecimals: func(ask *Ask) (*document.Document, error) { return edit.Decimals(ask.Document, ask.Comma) },
	AskMove:     func(ask *Ask) (*document.Document, error) { return edit.Move(ask.Document, ask.ID, ask.By), nil },
	AskMoveCurve: func(ask *Ask) (*document.Document, error) {
		if ask.Moving == nil {
			return nil, missing("moving")
		}
		return edit.MoveCurve(ask.Document, ask.ID, *ask.Moving)
	},
	AskWriteAs: func(ask *Ask) (*document.Document, error) {
		return edit.WriteAs(ask.Document, ask.ID, symbolic.Form(ask.Text))
	},
	AskFromParent: func(ask *Ask) (*document.Document, error) {
		return edit.FromParent(ask.Document, transform.Kind(ask.Text))
	},
	AskGuides: func(ask *Ask) (*document.Document, error) {
		finding := document.Finding(ask.Text)
		return edit.GuidesThrough(ask.Document, ask.ID, finding, func() []found.Point { return study.PlacesOf(ask.Document, ask.ID, finding) })
	},
	AskTransformed: func(ask *Ask) (*document.Document, error) {
		return edit.Transformed(ask.Document, ask.ID, edit.Transformation(ask.Text))
	},
	AskStops: func(ask *Ask) (*document.Document, error) {
		places, err := study.Stops(ask.Document, ask.ID, ask.Text, ask.Values)
		if err != nil {
			return nil, err
		}
		return edit.RestAt(ask.Document, ask.ID, places)
	},
	AskFamily: func(ask *Ask) (*document.Document, error) {
		return edit.FamilyOf(ask.Document, ask.Text, ask.Panel, ask.Empty)
	},
	AskRunAlong: func(ask *Ask) (*document.Document, error) { return edit.RunAlong(ask.Document, ask.Scene) },
	AskShowPiece: func(ask *Ask) (*document.Document, error) {
		if ask.Piece == nil {
			return nil, missing("piece")
		}
		return edit.ShowPiece(ask.Document, *ask.Piece)
	},
	AskAddScene: func(ask *Ask) (*document.Document, error) {
		return edit.AddScene(ask.Document, ask.Scene, ask.Text, ask.Values, ask.Steps)
	},
	AskRemoveScene: func(ask *Ask) (*document.Document, error) { return edit.RemoveScene(ask.Document, ask.Scene) },
	AskAddPanel:    func(ask *Ask) (*document.Document, error) { return edit.AddPanel(ask.Document, ask.Panel, ask.Empty) },
	AskAddSpace:    func(ask *Ask) (*document.Document, error) { return edit.AddSpace(ask.Document) },
	AskAddSection: func(ask *Ask) (*document.Document, error) {
		return edit.AddSection(ask.Document, ask.ID, surface.Axis(ask.Text), ask.Scene)
	},
	AskAddMap: func(ask *Ask) (*document.Document, error) {
		return edit.AddMap(ask.Document, ask.ID, ask.Scene)
	},
	AskRemovePanel: func(ask *Ask) (*document.Document, error) { return edit.RemovePanel(ask.Document, ask.Panel) },
	AskWatch:       func(ask *Ask) (*document.Document, error) { return edit.Watch(ask.Document, ask.ID, ask.Scene) },
	AskAddCircle: func(ask *Ask) (*document.Document, error) {
		if ask.Circle == nil {
			return nil, missing("circle")
		}
		return edit.AddCircle(ask.Document, *ask.Circle, ask.Empty)
	},
	AskBegin: func(ask *Ask) (*document.Document, error) { return edit.Begin(ask.Document, edit.Idea(ask.Text)) },
}
