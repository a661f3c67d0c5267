package door

import (
	"parvix/core/formula/problem"
	"parvix/core/stage/kinds/trajectory"
)

// studyTrajectory answers what is found out about a trajectory at the values that the question names, and its table.
func studyTrajectory(door *Door, ask *Ask, a *Answer) (err error) {
	putValues(door.d, ask.Values)
	for _, s := range door.d.Shown {
		if m, ok := s.Live.(*trajectory.Live); ok && s.Entry.ID == ask.ID {
			a.Trajectory, err = m.Study(door.d, ask.Step)
			return err
		}
	}
	return problem.New("field", 0, 0, "id", "there is no such curve")
}
