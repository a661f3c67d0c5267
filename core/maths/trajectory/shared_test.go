package trajectory_test

import (
	"bufio"
	"encoding/json"
	"math"
	"os"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/formula/expr"
	"parvix/core/maths/trajectory"
)

// pathOf is a polar curve, a parametric one or the graph of a function, over a turn or from −6 to 6; the spiral is one of a turn too.
func pathOf(t *testing.T, kind, text string) trajectory.Path {
	t.Helper()
	variable := map[string]string{"polar": "t", "parametric": "t", "graph": "x"}[kind]
	parse := func(text string) expr.Node {
		f, err := expr.Parse(text, (&expr.Scope{}).With(variable))
		require.NoError(t, err, text)
		return f.Node
	}
	var c *trajectory.Curve
	var err error
	from, to := 0.0, 2*math.Pi
	switch kind {
	case "polar":
		c, err = trajectory.Polar(parse(text), variable)
	case "graph":
		from, to = -6, 6
		c, err = trajectory.Parametric(parse("x"), parse(text), nil, variable)
	default:
		x, y, _ := cutPair(text)
		c, err = trajectory.Parametric(parse(x), parse(y), nil, variable)
	}
	require.NoError(t, err)
	return c.Path(from, to)
}

func cutPair(text string) (x, y string, ok bool) {
	depth := 0
	for i, r := range text {
		switch {
		case r == '(':
			depth++
		case r == ')':
			depth--
		case r == ',' && depth == 1:
			return text[1:i], text[i+1 : len(text)-1], true
		}
	}
	return "", "", false
}

// Where 36 pairs of curves meet, by mpmath (testdata/shared.py): crossings, touchings, and the pole, which each may pass at another angle.
func TestCurvesMeetWhereAnIndependentSolverFindsThem(t *testing.T) {
	file, err := os.Open("testdata/shared.jsonl")
	require.NoError(t, err)
	defer file.Close()
	pairs := 0
	for lines := bufio.NewScanner(file); lines.Scan(); {
		var c struct {
			A, R, B, S string
			Places     [][2]float64
		}
		require.NoError(t, json.Unmarshal(lines.Bytes(), &c))
		pairs++
		found, ok := trajectory.Shared(pathOf(t, c.A, c.R), pathOf(t, c.B, c.S))
		require.True(t, ok, "%s and %s", c.R, c.S)
		if !assert.Len(t, found, len(c.Places), "%s and %s: %v, not %v", c.R, c.S, found, c.Places) {
			continue
		}
		for _, want := range c.Places {
			least := math.Inf(1)
			for _, m := range found {
				least = math.Min(least, math.Hypot(m.X-want[0], m.Y-want[1]))
			}
			assert.Less(t, least, 2e-7, "%s and %s at %v: %v", c.R, c.S, want, found)
		}
	}
	assert.GreaterOrEqual(t, pairs, 36)
}

// A curve runs along itself: there are no single places.
func TestACurveDoesNotMeetItselfInPlaces(t *testing.T) {
	_, ok := trajectory.Shared(pathOf(t, "polar", "1 + cos(t)"), pathOf(t, "polar", "1 + cos(t)"))
	assert.False(t, ok)
}
