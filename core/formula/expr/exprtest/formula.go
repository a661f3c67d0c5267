// Package exprtest makes formulas out of any bytes, for fuzzing: every formula can come up, and all can be read.
package exprtest

import (
	"math/big"

	"parvix/core/formula/expr"
)

// Formula reads bytes as choices in a grammar of formulas in x, nested so deep at most; bytes that run out end every
// branch with a leaf.
func Formula(data []byte, depth int) expr.Node {
	m := &maker{data: data}
	return m.formula(depth)
}

type maker struct {
	data  []byte
	nodes int
}

// choice is the next byte, below n; 0 when there is none left.
func (m *maker) choice(n int) int {
	if len(m.data) == 0 {
		return 0
	}
	b := m.data[0]
	m.data = m.data[1:]
	return int(b) % n
}

var functions = []string{"sin", "cos", "tan", "ln", "sqrt", "abs", "exp", "arctan", "arcsin", "cbrt", "floor", "sinh", "cosh", "tanh"}

func (m *maker) formula(depth int) expr.Node {
	m.nodes++
	if depth == 0 || m.nodes > 24 || len(m.data) == 0 {
		return m.leaf()
	}
	switch k := m.choice(16); {
	case k < 3:
		return m.leaf()
	case k < 6:
		return expr.Plus(m.formula(depth-1), m.formula(depth-1))
	case k < 7:
		return expr.Minus(m.formula(depth-1), m.formula(depth-1))
	case k < 10:
		return expr.Times(m.formula(depth-1), m.formula(depth-1))
	case k < 12:
		return expr.Over(m.formula(depth-1), m.formula(depth-1))
	case k < 13:
		return expr.Power(m.formula(depth-1), m.exponent())
	case k < 14:
		return &expr.Neg{X: m.formula(depth - 1)}
	}
	return &expr.Call{Name: functions[m.choice(len(functions))], Args: []expr.Node{m.formula(depth - 1)}}
}

func (m *maker) leaf() expr.Node {
	switch m.choice(5) {
	case 0, 1, 2:
		return &expr.Name{Name: "x"}
	case 3:
		return expr.Num(int64(m.choice(7)))
	}
	switch m.choice(4) {
	case 0:
		// No π: rounded, sin π is no 0, and what hangs on that cannot be compared.
		return expr.Over(expr.Num(1), expr.Num(3))
	case 1:
		return &expr.Constant{Name: "e"}
	case 2:
		return expr.Rat(big.NewRat(int64(m.choice(40)), 10))
	}
	return &expr.Neg{X: expr.Num(int64(1 + m.choice(5)))}
}

func (m *maker) exponent() expr.Node {
	switch m.choice(6) {
	case 0, 1:
		return expr.Num(2)
	case 2:
		return expr.Num(3)
	case 3:
		return &expr.Neg{X: expr.Num(1)}
	case 4:
		return expr.Over(expr.Num(int64(1+m.choice(3))), expr.Num(int64(2+m.choice(3))))
	}
	return &expr.Name{Name: "x"}
}
