package question

import (
	"encoding/json"
	"math"
	"math/big"
	"strconv"

	"parvix/core/formula/expr"
	"parvix/core/formula/problem"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/exact"
	"parvix/core/numeric/program"
)

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
		return expr.Opposite(expr.Rat(r.Neg(r))), nil
	}
	return expr.Rat(r), nil
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
	return valueOf(n)
}

// valueOf tells the value of a formula without letters: rounded, exactly where that is known, or why there is none.
func valueOf(n expr.Node) (map[string]any, error) {
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
