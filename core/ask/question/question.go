// Package question answers the questions of “parvix math”: JSON in, JSON out, one question at a time.
package question

import (
	"bytes"
	"encoding/json"
	"errors"
	"fmt"
	"math"
	"math/big"
	"reflect"
	"slices"
	"sort"
	"strconv"
	"strings"
	"unicode/utf8"

	"parvix/core/formula/expr"
	"parvix/core/formula/problem"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/exact"
	"parvix/core/numeric/program"
	"parvix/core/stage/sample"
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
	}{{"from", q.From}, {"to", q.To}, {"bottom", q.Bottom}, {"top", q.Top}, {"step", q.Step}, {"radius", q.Radius}} {
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
	return json.Unmarshal(data, &c.Numbers)
}

// later are the asks of the contract that are not answered yet.
var later = map[string]bool{"fit": true}

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
		return q.moving(unit == "degree")
	case "circle":
		return q.circle(unit == "degree")
	case "classify":
		return q.classify()
	}
	if later[q.Ask] {
		return nil, problem.New("not-yet", 0, 0, q.Ask)
	}
	return nil, problem.New("question", 0, 0, q.Ask)
}

// valueNode reads a JSON number exactly, or a string as a formula.
func valueNode(data []byte) (expr.Node, error) {
	var text string
	if err := json.Unmarshal(data, &text); err == nil {
		f, err := expr.Parse(text, nil)
		return f.Node, err
	}
	// The size comes first: the exact form of 1e999999999 fills any memory.
	size, err := strconv.ParseFloat(string(data), 64)
	if err != nil || len(data) > 40 || size != 0 && math.Abs(size) < 1e-300 {
		return nil, problem.New("number", 0, 0, string(data[:min(len(data), 40)]))
	}
	r, ok := new(big.Rat).SetString(string(data))
	if !ok || size == 0 && r.Sign() != 0 {
		return nil, problem.New("number", 0, 0, string(data))
	}
	if r.Sign() < 0 {
		return &expr.Neg{X: expr.Rat(r.Neg(r))}, nil
	}
	return expr.Rat(r), nil
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

func constant(n expr.Node) (float64, error) {
	p, err := program.Compile(n, []string{"\x00"})
	if err != nil {
		return 0, err
	}
	return p.At([]float64{0}), nil
}

func (q *Question) value(degrees bool) (map[string]any, error) {
	n, err := q.read(degrees)
	if err != nil {
		return nil, err
	}
	if _, err := program.Compile(n, []string{"\x00"}); err != nil {
		return nil, err // a letter without a value, at its place
	}
	settled := exact.Settled(n)
	in := []float64{0}
	v, err := widely(settled)
	if err != nil {
		return nil, err
	}
	closed, known := symbolic.Exact(n)
	if symbolic.IsUndefined(closed) {
		v = math.NaN()
	}
	if math.IsNaN(v) {
		reason := program.Why(settled, []string{"\x00"}, in)
		if reason == "" || symbolic.IsUndefined(closed) && reason == program.TooLarge {
			reason = "the denominator is 0"
			if c := poleOf(n); c != "" {
				reason = c
			}
		}
		return map[string]any{"value": "undefined", "reason": reason}, nil
	}
	answer := map[string]any{"value": jsonNumber(v)}
	if known {
		// A sum of roots has its own form, without roots in roots and in denominators; a decimal stays one.
		if v := exact.Of(n); !isRational(v) || expr.Any(closed, isCall) {
			closed = v.Node()
		}
		answer["exact"] = expr.Text(closed)
		// The exact form is rounded once and loses nothing to steps in between.
		if w, err := widely(closed); err == nil && w == w && !math.IsInf(w, 0) {
			answer["value"] = jsonNumber(w)
		}
	}
	return answer, nil
}

// widely is the value of a formula without letters, of which a part may be too large or too small for a float64.
func widely(n expr.Node) (float64, error) {
	v, err := constant(n)
	if err == nil && (v == 0 || math.IsNaN(v) || math.IsInf(v, 0)) {
		if wide, ok := program.Wide(n, []string{"\x00"}); ok {
			v = wide([]float64{0})
		}
	}
	return v, err
}

func isRational(v exact.Value) bool {
	_, is := v.Rat()
	return is
}

func isCall(n expr.Node) bool {
	_, is := n.(*expr.Call)
	return is
}

func poleOf(n expr.Node) string {
	reason := ""
	expr.Walk(symbolic.Simplify(n).Node, func(n expr.Node) bool {
		if c, ok := n.(*expr.Call); ok && symbolic.IsPole(c) {
			reason = c.Name + " has a pole here"
		}
		return reason == ""
	})
	return reason
}

func jsonNumber(v float64) any {
	switch {
	case math.IsNaN(v):
		return "undefined"
	case math.IsInf(v, 1):
		return "inf"
	case math.IsInf(v, -1):
		return "-inf"
	}
	return json.Number(strconv.FormatFloat(v+0, 'g', -1, 64)) // −0 is 0
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

func (q *Question) sample(degrees bool) (map[string]any, error) {
	for name, end := range map[string]*Number{"from": q.From, "to": q.To, "bottom": q.Bottom, "top": q.Top} {
		if end == nil || math.IsNaN(end.Value) || math.IsInf(end.Value, 0) {
			return nil, problem.New("field", 0, 0, name, "a number is needed")
		}
	}
	if q.From.Value >= q.To.Value || q.Bottom.Value >= q.Top.Value {
		return nil, problem.New("ends", 0, 0)
	}
	if !(q.Width >= 1 && q.Width <= 10000 && q.Height >= 1 && q.Height <= 10000) {
		return nil, problem.New("field", 0, 0, "width", "width and height are pixels from 1 to 10000")
	}
	n, err := q.read(degrees)
	if err != nil {
		return nil, err
	}
	f, err := sample.Compile(n, []string{"x"})
	if err != nil {
		return nil, err
	}
	var s sample.Sampler
	curve := s.Curve(f, []float64{0}, sample.View{Left: q.From.Value, Right: q.To.Value, Bottom: q.Bottom.Value,
		Top: q.Top.Value, Width: q.Width, Height: q.Height})
	lines := [][][2]float64{}
	for _, line := range curve.Lines {
		points := make([][2]float64, len(line))
		for i, p := range line {
			points[i] = [2]float64{p.X, p.Y}
		}
		lines = append(lines, points)
	}
	marks := []map[string]any{}
	for _, m := range curve.Marks {
		marks = append(marks, map[string]any{"x": m.X, "y": m.Y, "kind": m.Kind})
	}
	answer := map[string]any{"lines": lines, "marks": marks, "envelopes": envelopes(curve)}
	if !curve.Complete {
		answer["undecided"] = []string{fmt.Sprintf("the function breaks more often than can be drawn between %g and %g", q.From.Value, q.To.Value)}
	}
	return answer, nil
}

// envelopes are lists of {x, low, high}: there the function swings faster than the pixels can show.
func envelopes(curve sample.Curve) [][]map[string]any {
	list := [][]map[string]any{}
	for _, band := range curve.Envelopes {
		columns := make([]map[string]any, 0, len(band))
		for _, c := range band {
			columns = append(columns, map[string]any{"x": jsonNumber(c.X), "low": jsonNumber(c.Low), "high": jsonNumber(c.High)})
		}
		list = append(list, columns)
	}
	return list
}
