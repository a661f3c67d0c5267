package door

import (
	"parvix/core/ask/study"
	"parvix/core/formula/problem"
	"parvix/core/stage/found"
)

// ReadingView is a point read off a curve.
type ReadingView struct {
	// Function is the function's name, or the id of a parametric curve's entry.
	Function string `json:"function"`
	// XText is the place as it may be typed, LaTeX the reading.
	XText string `json:"xText"`
	LaTeX string `json:"latex"`
	// Special is the finding's name that the point is a member of; Reason says why there is no value.
	Special string `json:"special,omitempty"`
	Reason  string `json:"reason,omitempty"`
	// Defined tells that there is a value; X and Y are then the point's place on the panel in pixels.
	Defined bool    `json:"defined"`
	X       float64 `json:"x"`
	Y       float64 `json:"y"`
	// KeepX and KeepY are the coordinates of a point that keeps the reading, as they may be typed.
	KeepX string `json:"keepX"`
	KeepY string `json:"keepY"`
}

// read reads a curve off at a typed place, or the one that is nearest to a touched place of the panel.
func read(door *Door, ask *Ask, a *Answer, on asked) (err error) {
	var r *study.Reading
	switch curve := study.CurveOf(door.d, ask.ID); {
	case ask.Text == "":
		r, err = study.ReadAt(door.d, on.panel, on.view, on.seen.AtX(ask.X), on.seen.AtY(ask.Y))
	case curve != nil:
		r, err = study.ReadCurveTyped(door.d, curve, ask.Text)
	default:
		f := door.d.Function(ask.ID)
		if f == nil || f.Curve == nil {
			return problem.New("not-a-function", 0, 0, ask.ID)
		}
		r, err = study.ReadTyped(door.d, f, ask.Text)
	}
	if err != nil || r == nil {
		return err
	}
	a.Reading = &ReadingView{Function: r.Function, XText: r.XText, LaTeX: r.LaTeX, Special: found.NameOfOne(r.Special), Reason: r.Reason,
		Defined: r.Y == r.Y, X: on.seen.X(r.X), KeepX: r.XText, KeepY: r.Function + "(" + r.XText + ")"}
	if r.KeepX != "" {
		a.Reading.KeepX, a.Reading.KeepY = r.KeepX, r.KeepY
	}
	if a.Reading.Defined {
		a.Reading.Y = on.seen.Y(r.Y)
	}
	return nil
}
