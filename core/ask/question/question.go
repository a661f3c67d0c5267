// Package question answers the questions of “parvix math”: JSON in, JSON out, one question at a time.
package question

import (
	"bytes"
	"encoding/json"
	"errors"
	"fmt"
	"reflect"
	"slices"
	"sort"
	"strings"
	"unicode/utf8"

	"parvix/core/formula/expr"
	"parvix/core/formula/problem"
	"parvix/core/formula/symbolic"
)

// Question holds the fields of every ask; docs/math.md says which of them count.
type Question struct {
	Ask       string                     `json:"ask"`
	ID        json.RawMessage            `json:"id,omitempty"`
	Expr      string                     `json:"expr"`
	A         string                     `json:"a"`
	B         string                     `json:"b"`
	With      map[string]json.RawMessage `json:"with"`
	AngleUnit string                     `json:"angleUnit"`
	Angle     typed                      `json:"angle"`
	Radius    *Number                    `json:"radius"`
	By        string                     `json:"by"`
	Form      symbolic.Form              `json:"form"`
	From      *Number                    `json:"from"`
	To        *Number                    `json:"to"`
	Bottom    *Number                    `json:"bottom"`
	Top       *Number                    `json:"top"`
	Width     float64                    `json:"width"`
	Height    float64                    `json:"height"`
	Of        string                     `json:"of"`
	As        string                     `json:"as"`
	X         column                     `json:"x"`
	Y         column                     `json:"y"`
	Z         string                     `json:"z"`
	R         typed                      `json:"r"`
	Step      *Number                    `json:"step"`
	Values    column                     `json:"values"`
	Text      string                     `json:"text"`
	Model     string                     `json:"model"`
	Unknowns  letterList                 `json:"unknowns"`
	Start     json.RawMessage            `json:"start"`
	// At is a place {x, y} of a surface, or a value of a curve's parameter.
	At      json.RawMessage            `json:"at"`
	Level   *Number                    `json:"level"`
	XFrom   *Number                    `json:"xFrom"`
	XTo     *Number                    `json:"xTo"`
	YFrom   *Number                    `json:"yFrom"`
	YTo     *Number                    `json:"yTo"`
	Section map[string]json.RawMessage `json:"section"`

	names []string // letters that are known besides those of With
}

// Number is a JSON number or a formula without letters, such as "2pi"; Node keeps it exact.
type Number struct {
	Value float64
	Node  expr.Node
}

// UnmarshalJSON reads a number or a formula; its value follows once the unit of angles is known (settle).
func (n *Number) UnmarshalJSON(data []byte) (err error) {
	n.Node, err = valueNode(data)
	return err
}

// settle works the value out; a ° counts in the unit of the question.
func (n *Number) settle(field string, degrees bool) (err error) {
	n.Node = symbolic.Radians(n.Node, degrees)
	if n.Value, err = constant(n.Node); err != nil {
		return problem.New("field", 0, 0, field, strings.TrimSuffix(err.Error(), "."))
	}
	return nil
}

// settleNumbers works out the fields that are numbers.
func (q *Question) settleNumbers(degrees bool) error {
	for _, f := range []struct {
		name   string
		number *Number
	}{{"from", q.From}, {"to", q.To}, {"bottom", q.Bottom}, {"top", q.Top}, {"step", q.Step}, {"radius", q.Radius},
		{"level", q.Level}, {"xFrom", q.XFrom}, {"xTo", q.XTo}, {"yFrom", q.YFrom}, {"yTo", q.YTo}} {
		if f.number == nil {
			continue
		}
		if err := f.number.settle(f.name, degrees); err != nil {
			return err
		}
	}
	return nil
}

// column is a list of numbers, or a formula for a coordinate.
type column struct {
	Numbers []float64
	Text    string
}

// UnmarshalJSON reads either.
func (c *column) UnmarshalJSON(data []byte) error {
	if json.Unmarshal(data, &c.Text) == nil {
		return nil
	}
	var one json.Number
	if json.Unmarshal(data, &one) == nil {
		node, err := valueNode(data)
		if err == nil {
			c.Text = expr.Text(node)
		}
		return err
	}
	var list []*float64
	if err := json.Unmarshal(data, &list); err != nil {
		return err
	}
	c.Numbers = make([]float64, len(list))
	for i, v := range list {
		if v == nil {
			return problem.New("unreadable", 0, 0, fmt.Sprintf("number %d of a list is missing", i+1))
		}
		c.Numbers[i] = *v
	}
	return nil
}

// unreadable says which field of a line has the wrong form, or that the line is no JSON.
func unreadable(err error) *problem.Problem {
	if p, known := problem.Of(err); known {
		return p
	}
	var kind *json.UnmarshalTypeError
	if !errors.As(err, &kind) {
		return problem.New("unreadable", 0, 0, err.Error())
	}
	wanted := map[reflect.Kind]string{reflect.Float64: "a number", reflect.String: "a text", reflect.Slice: "a list of numbers",
		reflect.Map: "an object of letters with numbers or formulas"}[kind.Type.Kind()]
	if kind.Field == "" {
		return problem.New("unreadable", 0, 0, "an object with a field “ask” is wanted")
	}
	return problem.New("field", 0, 0, kind.Field, wanted+" is wanted here, not "+map[string]string{"string": "a text", "number": "a number",
		"bool": "true or false", "array": "a list", "object": "an object"}[strings.Fields(kind.Value)[0]])
}

// byteOrderMark may stand in front of what some editors write.
var byteOrderMark = []byte("\ufeff")

// Answer answers one question in JSON, with its id echoed; a question that cannot be answered gives {"error": …}, and so
// does one with which Parvix makes a mistake.
func Answer(line []byte) (answer []byte) {
	var q Question
	line = bytes.TrimPrefix(line, byteOrderMark)
	defer func() {
		if mistake := recover(); mistake != nil {
			answer = answerWith(q.ID, map[string]any{"error": Error{"Parvix made a mistake with this question.", 0}})
		}
	}()
	fields := map[string]any{}
	err := json.Unmarshal(line, &q)
	if err != nil {
		fields["error"] = Error{unreadable(err).Error(), 0}
		// A line with a wrong field still names its id where that can be read.
		var id struct {
			ID json.RawMessage `json:"id"`
		}
		_ = json.Unmarshal(line, &id)
		q.ID = id.ID
	} else if fields, err = q.answer(); err != nil {
		fields = map[string]any{"error": q.describe(err)}
	}
	return answerWith(q.ID, fields)
}

// answerWith is an answer in JSON with the id of its question.
func answerWith(id json.RawMessage, fields map[string]any) []byte {
	if len(id) > 0 {
		fields["id"] = id
	}
	data, err := json.Marshal(fields)
	if err != nil {
		panic("question: " + err.Error())
	}
	return data
}

// Error is what is wrong and where: At counts Unicode code points of the expression from 0.
type Error struct {
	Message string `json:"message"`
	At      int    `json:"at"`
}

func (q *Question) describe(err error) Error {
	p, ok := problem.Of(err)
	if !ok {
		return Error{err.Error(), 0}
	}
	return Error{p.Error(), utf8.RuneCountInString(q.Expr[:min(p.Start, len(q.Expr))])}
}

func (q *Question) answer() (map[string]any, error) {
	unit := q.AngleUnit
	if unit == "" && (q.Angle == "degree" || q.Angle == "radian") {
		unit = string(q.Angle)
	}
	if unit != "" && unit != "radian" && unit != "degree" {
		return nil, problem.New("field", 0, 0, "angleUnit", "“radian” or “degree”")
	}
	if err := q.settleNumbers(unit == "degree"); err != nil {
		return nil, err
	}
	switch q.Ask {
	case "value":
		return q.value(unit == "degree")
	case "simplify":
		return q.simplify(unit == "degree")
	case "derivative":
		return q.derivative(unit == "degree")
	case "sample":
		return q.sample(unit == "degree")
	case "features":
		return q.features(unit == "degree")
	case "same":
		return q.same(unit == "degree")
	case "transformation":
		return q.transformation(unit == "degree")
	case "locus":
		return q.locus(unit == "degree")
	case "effect":
		return q.effect(unit == "degree")
	case "polar", "parametric":
		return q.running(unit == "degree")
	case "surface":
		return spatial{q}.surface(unit == "degree")
	case "circle":
		return q.circle(unit == "degree")
	case "classify":
		return q.classify()
	case "fit":
		return dataset{q}.fit(unit == "degree")
	case "stats":
		return stats(q.Values.Numbers)
	case "table":
		return table(q.Text)
	case "suspect":
		return dataset{q}.suspect()
	}
	return nil, problem.New("question", 0, 0, q.Ask)
}

// read parses the expression with the given names known and puts the given values in.
func (q *Question) read(degrees bool) (expr.Node, error) { return q.readText(q.Expr, degrees) }

func (q *Question) readText(text string, degrees bool) (expr.Node, error) {
	n, err := q.readAsWritten(text)
	if err != nil {
		return nil, err
	}
	return symbolic.Radians(n, degrees), nil
}

// readAsWritten leaves angles in the unit in which they are written.
func (q *Question) readAsWritten(text string) (expr.Node, error) {
	names := make([]string, 0, len(q.With))
	for typed := range q.With {
		names = append(names, typed)
	}
	sort.Strings(names)
	scope := (&expr.Scope{}).With(append(names, q.names...)...)
	f, err := expr.Parse(text, scope)
	if err != nil {
		return nil, err
	}
	with := map[string]expr.Node{}
	for _, typed := range names {
		name, ok := expr.NameOf(typed)
		if !ok {
			return nil, problem.New("name-invalid", 0, 0, typed)
		}
		if with[name], err = valueNode(q.With[typed]); err != nil {
			return nil, problem.New("field", 0, 0, "with", typed+": "+strings.TrimSuffix(err.Error(), "."))
		}
	}
	return symbolic.Substitute(f.Node, with), nil
}

func shown(r symbolic.Result) map[string]any {
	answer := map[string]any{"text": expr.Text(r.Node), "latex": expr.LaTeX(r.Node, nil), "mathml": expr.MathML(r.Node)}
	if len(r.Conditions) > 0 {
		answer["conditions"] = r.Conditions
	}
	return answer
}

func (q *Question) simplify(degrees bool) (map[string]any, error) {
	n, err := q.read(degrees)
	if err != nil {
		return nil, err
	}
	if q.Form == "" {
		return shown(symbolic.Shorten(n)), nil
	}
	x := q.By
	if x == "" {
		x = "x"
	}
	if !slices.Contains(symbolic.Forms(), q.Form) {
		return nil, problem.New("field", 0, 0, "form", fmt.Sprintf("one of %v", symbolic.Forms()))
	}
	conditions := symbolic.Simplify(n).Conditions
	n, ok := symbolic.WriteAs(n, x, q.Form)
	if !ok {
		return map[string]any{"text": nil, "reason": "there is no such form"}, nil
	}
	return shown(symbolic.Result{Node: n, Conditions: conditions}), nil
}

func (q *Question) derivative(degrees bool) (map[string]any, error) {
	by := q.By
	if by == "" {
		by = "x"
	}
	name, ok := expr.NameOf(by)
	if !ok {
		return nil, problem.New("field", 0, 0, "by", "the letter to differentiate by")
	}
	n, err := q.read(degrees)
	if err != nil {
		return nil, err
	}
	return shown(symbolic.Simplify(symbolic.Derivative(n, name))), nil
}
