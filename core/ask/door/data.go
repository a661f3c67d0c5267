package door

import (
	"fmt"

	"parvix/core/ask/edit"
	"parvix/core/ask/study"
	"parvix/core/formula/problem"
	"parvix/core/formula/tabular"
	"parvix/core/stage/document"
)

// onColumns answers what is asked about two columns of data.
func onColumns(answer func(door *Door, ask *Ask, a *Answer, x, y string) error) func(door *Door, ask *Ask, a *Answer) error {
	return func(door *Door, ask *Ask, a *Answer) error {
		if len(ask.Names) != 2 {
			return missing("names")
		}
		putValues(door.d, ask.Values)
		return answer(door, ask, a, ask.Names[0], ask.Names[1])
	}
}

func models(door *Door, ask *Ask, a *Answer, x, y string) (err error) {
	a.Models, err = study.ModelsOf(door.d, ask.ID, x, y, !ask.Empty)
	return err
}

func suspects(door *Door, ask *Ask, a *Answer, x, y string) (err error) {
	a.Suspects, err = study.SuspectsOf(door.d, ask.ID, x, y)
	return err
}

func bestDials(door *Door, ask *Ask, a *Answer, x, y string) (err error) {
	if a.Values, err = study.BestDials(door.d, ask.Text, ask.ID, x, y); err != nil {
		return err
	}
	a.Document, err = edit.Widen(door.d.Document, a.Values)
	return err
}

func summaries(door *Door, ask *Ask, a *Answer) (err error) {
	putValues(door.d, ask.Values)
	a.Summaries, err = study.Summaries(door.d, ask.ID)
	return err
}

// predict answers the value at a typed x, or the places of a typed y.
func predict(door *Door, ask *Ask, a *Answer) error {
	putValues(door.d, ask.Values)
	typed := Answer{}
	if err := typedValue(door, &Ask{Text: ask.From}, &typed); err != nil {
		p, _ := problem.Of(err)
		return p.In("", "from")
	}
	w := door.d.Document.Panels[0].Window
	if ask.Window != nil {
		w = *ask.Window
	}
	column := ""
	if len(ask.Names) > 0 {
		column = ask.Names[0]
	}
	p, err := study.Predict(door.d, ask.Text, ask.ID, column, typed.Number, ask.Empty, w.Left, w.Right)
	a.Prediction = p
	return err
}

// pasted reads a text as a table, in the demonstration's decimal sign.
func pasted(door *Door, ask *Ask, a *Answer) error {
	reading, err := tabular.Read(ask.Text)
	if err != nil {
		return err
	}
	comma := door.d != nil && door.d.Document.DecimalComma
	view := pastedView(reading.Table, comma)
	for _, other := range reading.Others {
		view.Others = append(view.Others, pastedView(other, comma))
	}
	a.Pasted = &view
	return nil
}

func pastedView(t tabular.Table, comma bool) PastedView {
	v := PastedView{Columns: []document.Column{}, Decimal: t.Decimal}
	for _, c := range t.Columns {
		column := document.Column{Name: c.Name, Unit: c.Unit}
		for _, cell := range c.Cells {
			column.Cells = append(column.Cells, cell.Typed(comma))
		}
		v.Columns = append(v.Columns, column)
	}
	rows := len(v.Columns[0].Cells)
	v.Words = fmt.Sprintf("%d rows, %d columns", rows, len(v.Columns))
	if t.Decimal == "," {
		v.Words += ", with the decimal comma"
	}
	return v
}
