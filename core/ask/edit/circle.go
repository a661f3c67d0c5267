package edit

import (
	"slices"

	"parvix/core/formula/problem"
	"parvix/core/stage/document"
	"parvix/core/stage/kinds/circle"
	"parvix/core/stage/kinds/spacecurve"
	"parvix/core/stage/kinds/surface"
	"parvix/core/stage/kinds/trajectory"
)

// PieceWanted is a piece of a circle or of a trajectory that is to be shown in a scene, or hidden there.
type PieceWanted struct {
	Of    string `json:"of"`
	Piece string `json:"piece"`
	// Ratio is the trigonometric function of a circle's piece, or the coordinate of a trajectory's graph.
	Ratio string `json:"ratio"`
	Shown bool   `json:"shown"`
	Scene int    `json:"scene"`
}

// ShowPiece shows or hides a piece of a whole in a scene; what is not there yet is added. Without a piece it is all of a
// ratio: its length, its graph and, for the sine, the line that carries it over.
func ShowPiece(before *document.Document, w PieceWanted) (*document.Document, error) {
	d := clone(before)
	of := d.Find(w.Of)
	if of == nil || w.Scene < 0 || w.Scene >= len(d.Scenes) {
		return nil, problem.New("field", 0, 0, "of", "there is nothing of which it is a piece")
	}
	var err error
	switch of.Body.(type) {
	case *circle.Body:
		d, err = showOfCircle(d, of, w)
	case *trajectory.Body:
		d, err = showOfTrajectory(d, of, w)
	case *surface.Body:
		d, err = showOfSurface(d, of, w)
	case *spacecurve.Body:
		d, err = showOfSpaceCurve(d, of, w)
	default:
		err = problem.New("field", 0, 0, "of", "there is nothing of which it is a piece")
	}
	if err != nil {
		return nil, err
	}
	return d, d.Check()
}

func showOfCircle(d *document.Document, of *document.Entry, w PieceWanted) (*document.Document, error) {
	pieces := []circle.Piece{circle.Piece(w.Piece)}
	if w.Piece == "" {
		pieces = []circle.Piece{circle.Length, circle.Carried, circle.Graph}
	}
	for _, piece := range pieces {
		there := turnPiece(d, w, func(body document.Body) bool {
			p, ok := body.(*circle.PartBody)
			return ok && p.Of == w.Of && p.Piece == piece && (!piece.HasRatio() || p.Ratio == w.Ratio)
		})
		// Only the sine is carried over as it is; the others are turned, which is shown when it is asked for.
		if there || !w.Shown || w.Piece == "" && piece == circle.Carried && w.Ratio != "sin" {
			continue
		}
		part := circle.PartBody{Of: w.Of, Piece: piece}
		if piece.HasRatio() {
			part.Ratio, part.OnAxis, part.Rest = w.Ratio, onAxis(d, w.Of), restOf(d, w.Of)
		}
		var err error
		if d, err = Put(d, document.Entry{Where: of.Where, Body: &part}); err != nil {
			return nil, err
		}
	}
	return d, nil
}

func showOfTrajectory(d *document.Document, of *document.Entry, w PieceWanted) (*document.Document, error) {
	piece := trajectory.Piece(w.Piece)
	there := turnPiece(d, w, func(body document.Body) bool {
		p, ok := body.(*trajectory.PartBody)
		return ok && p.Of == w.Of && p.Piece == piece && p.Step == "" && p.At == "" && (piece != trajectory.Graph || p.Coordinate == w.Ratio)
	})
	if there || !w.Shown {
		return d, nil
	}
	if m := of.Body.(*trajectory.Body); m.Driver == "" && piece.IsAtPoint() {
		drive(d, m)
	}
	part, where := trajectory.PartBody{Of: w.Of, Piece: piece}, of.Where
	if piece == trajectory.Graph {
		// The graphs of coordinates stand in the last panel.
		part.Coordinate, where.Panels = w.Ratio, []string{d.Panels[len(d.Panels)-1].ID}
	}
	return Put(d, document.Entry{Where: where, Body: &part})
}

// turnPiece shows or hides in a scene what is there already; false where nothing is.
func turnPiece(d *document.Document, w PieceWanted, isIt func(document.Body) bool) (there bool) {
	for _, s := range d.Shown {
		if !isIt(s.Body) {
			continue
		}
		there = true
		scene := &d.Scenes[w.Scene]
		scene.Hidden = slices.DeleteFunc(scene.Hidden, func(id string) bool { return id == s.ID })
		if !w.Shown {
			scene.Hidden = append(scene.Hidden, s.ID)
		}
	}
	return there
}

// onAxis and restOf are how the other parts of a circle are drawn, so that a new one is drawn alike.
func onAxis(d *document.Document, of string) bool {
	return slices.ContainsFunc(d.Shown, func(s document.Entry) bool {
		p, ok := s.Body.(*circle.PartBody)
		return ok && p.Of == of && p.OnAxis
	})
}

func restOf(d *document.Document, of string) document.Rest {
	for _, s := range d.Shown {
		if p, ok := s.Body.(*circle.PartBody); ok && p.Of == of && p.Piece == circle.Graph {
			return p.Rest
		}
	}
	return ""
}
