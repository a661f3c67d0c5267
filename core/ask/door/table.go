package door

import (
	"parvix/core/ask/study"
	"parvix/core/formula/problem"
	"parvix/core/stage/kinds/table"
)

// mostTableRows bounds a table of a function's values.
const mostTableRows = 60

// tabulate answers a function's values, or a table's points, with differences and ratios.
func tabulate(door *Door, ask *Ask, a *Answer) error {
	putValues(door.d, ask.Values)
	if f := door.d.Function(ask.ID); f != nil && f.Curve != nil {
		numbers := [2]float64{}
		for i, text := range []string{ask.From, ask.Step} {
			answer := Answer{}
			if err := typedValue(door, &Ask{Text: text}, &answer); err != nil {
				p, _ := problem.Of(err)
				return p.In("", []string{"from", "step"}[i])
			}
			numbers[i] = answer.Number
		}
		if !(numbers[1] > 0) {
			return problem.New("step", 0, len(ask.Step)).In("", "step")
		}
		a.Table = tableView(study.TableOf(door.d, f, numbers[0], numbers[1], max(2, min(ask.By, mostTableRows))))
		return nil
	}
	for _, s := range door.d.Shown {
		plotted, ok := s.Live.(*table.Live)
		if s.Entry.ID != ask.ID || !ok || len(plotted.Points) == 0 {
			continue
		}
		var x, y []float64
		for _, p := range plotted.Points {
			x, y = append(x, p[0]), append(y, p[1])
		}
		a.Table = tableView(study.Tabulate(door.d, x, y))
		return nil
	}
	return problem.New("not-a-function", 0, len(ask.ID), ask.ID)
}

func tableView(t study.ValuesTable) *TableView {
	v := &TableView{Rows: []TableRow{}, Type: t.Type, Reason: t.Reason}
	for _, r := range t.Rows {
		v.Rows = append(v.Rows, TableRow(r))
	}
	return v
}
