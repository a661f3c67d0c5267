package door

import (
	"parvix/core/formula/problem"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kind"
	"parvix/core/stage/kinds/spacecurve"
	"parvix/core/stage/kinds/surface"
	"parvix/core/stage/kinds/trajectory"
)

// studyTrajectory answers what is found out about a trajectory, a curve in space or a surface at the values that the question names, and
// the table of a trajectory.
func studyTrajectory(door *Door, ask *Ask, a *Answer) (err error) {
	putValues(door.d, ask.Values)
	for _, s := range door.d.Shown {
		if s.Entry.ID != ask.ID {
			continue
		}
		switch live := s.Live.(type) {
		case *trajectory.Live:
			a.Trajectory, err = live.Study(door.d, ask.Step)
			return err
		case *spacecurve.Live:
			lines, err := live.Findings(door.d)
			a.Trajectory = onlyLines(lines)
			return err
		case *surface.Live:
			lines, err := live.Findings(door.d, floorOf(door.d, s))
			a.Trajectory = onlyLines(lines)
			return err
		}
	}
	return problem.New("field", 0, 0, "id", "there is no such curve")
}

// onlyLines are findings without a table.
func onlyLines(lines []kind.Line) *trajectory.View {
	return &trajectory.View{Lines: append([]kind.Line{}, lines...), Head: []string{}, Rows: [][]string{}, Numbers: [][]*float64{}}
}

// floorOf is the window in play of the space panel on which an entry stands.
func floorOf(d *evaluate.Demonstration, s *evaluate.Shown) document.Window {
	for i := range d.Document.Panels {
		if p := d.Panel(i); p.Kind == document.InSpace && s.Entry.IsOn(p.ID) {
			return p.Window
		}
	}
	return document.Window{}
}
