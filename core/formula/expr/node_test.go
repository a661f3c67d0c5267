package expr_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/formula/expr"
)

func tree(t *testing.T, text string) expr.Node {
	t.Helper()
	f, err := expr.Parse(text, &expr.Scope{Functions: map[string]int{"f": 1, "g": 1}})
	require.NoError(t, err, text)
	return f.Node
}

// everyKind holds a node of every kind.
const everyKind = "−a·sin(30°) + f(x)^2 for x < b; sum(k·c for k from 1 to n) − π for x ≥ b"

func TestATreeNamesItsLettersAndTheFunctionsItUses(t *testing.T) {
	n := tree(t, everyKind)
	assert.ElementsMatch(t, []string{"a", "x", "b", "c", "n"}, expr.Names(n), "each once; the running letter of a sum is its own")
	assert.Equal(t, []string{"f"}, expr.Calls(n), "sin comes with the application")
	assert.Empty(t, expr.Names(tree(t, "sin(π/6) + e")))
	assert.Equal(t, []string{"g", "f"}, expr.Calls(tree(t, "g(f(x)) + g(x)")))
}

func TestAWalkVisitsEveryPartOnceParentsFirst(t *testing.T) {
	n := tree(t, "a(x + 1)²")
	var seen []string
	expr.Walk(n, func(n expr.Node) bool {
		seen = append(seen, expr.Text(n))
		return true
	})
	assert.Equal(t, []string{"a(x + 1)^2", "a", "(x + 1)^2", "x + 1", "x", "1", "2"}, seen)
	count := 0
	expr.Walk(n, func(n expr.Node) bool {
		count++
		_, isSum := n.(*expr.Binary)
		return isSum && count < 3
	})
	assert.Equal(t, 3, count, "a branch that is not wanted is not entered")
	isNumber := func(n expr.Node) bool { _, is := n.(*expr.Number); return is }
	assert.True(t, expr.Any(n, isNumber))
	assert.False(t, expr.Any(tree(t, "a x"), isNumber))
}

func TestMappingRebuildsEveryKindOfNode(t *testing.T) {
	n := tree(t, everyKind)
	var copied func(n expr.Node) expr.Node
	copied = func(n expr.Node) expr.Node { return expr.Map(n, copied) }
	assert.True(t, expr.Equal(n, copied(n)))
	var renamed func(n expr.Node) expr.Node
	renamed = func(n expr.Node) expr.Node {
		if name, is := n.(*expr.Name); is && name.Name == "c" {
			return expr.Num(7)
		}
		return expr.Map(n, renamed)
	}
	out := renamed(n)
	assert.NotContains(t, expr.Names(out), "c")
	assert.False(t, expr.Equal(n, out))
	assert.Contains(t, expr.Names(n), "c", "the tree itself stays")
}

func TestTreesAreEqualWhereverTheyWereTyped(t *testing.T) {
	for _, pair := range [][2]string{{"x²", "x^2"}, {"2 x", "2·x"}, {"1/2", "1 / 2"}, {"sqrt(x)", "√x"}, {"x for x<1", "x  for  x < 1"}, {"0.5", ".5"}} {
		assert.True(t, expr.Equal(tree(t, pair[0]), tree(t, pair[1])), "%s and %s", pair[0], pair[1])
	}
	for _, pair := range [][2]string{{"x²", "x³"}, {"x + 1", "x − 1"}, {"f(x)", "g(x)"}, {"f(x)", "f'(x)"}, {"x for x < 1", "x for x ≤ 1"}, {"x for x < 1", "x for x > 1"},
		{"sum(k for k from 1 to 3)", "sum(k for k from 1 to 4)"}, {"30°", "30"}, {"π", "e"}, {"min(x, 1)", "min(1, x)"}, {"−x", "x"}} {
		assert.False(t, expr.Equal(tree(t, pair[0]), tree(t, pair[1])), "%s and %s", pair[0], pair[1])
	}
}
