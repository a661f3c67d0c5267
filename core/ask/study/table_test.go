package study_test

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"parvix/core/ask/study"
)

// With equal steps in x: first differences constant, linear; second differences constant, quadratic; ratios constant,
// exponential (common practice).
func TestATableOfValuesTellsTheTypeByItsDifferences(t *testing.T) {
	d := demonstration(t, false, "l(x) = 3x − 2", "q(x) = 2x² − x", "g(x) = 5·2^x", "s(x) = sin(x)", "r(x) = √x")
	type row = study.ValuesRow
	linear := study.TableOf(d, d.Function("l"), 0, 1, 4)
	assert.Equal(t, []row{{X: "0", Y: "−2"}, {X: "1", Y: "1", First: "3", Ratio: "−0.5"}, {X: "2", Y: "4", First: "3", Second: "0", Ratio: "4"},
		{X: "3", Y: "7", First: "3", Second: "0", Ratio: "1.75"}}, linear.Rows)
	assert.Equal(t, "linear", linear.Type)
	assert.Contains(t, linear.Reason, "first differences")
	quadratic := study.TableOf(d, d.Function("q"), -1, 0.5, 5)
	assert.Equal(t, "quadratic", quadratic.Type)
	for _, r := range quadratic.Rows[2:] {
		assert.Equal(t, "1", r.Second, "2a·h² with a = 2, h = 1/2")
	}
	exponential := study.TableOf(d, d.Function("g"), -2, 1, 5)
	assert.Equal(t, "exponential", exponential.Type)
	for _, r := range exponential.Rows[1:] {
		assert.Equal(t, "2", r.Ratio)
	}
	assert.NotContains(t, []string{"linear", "quadratic", "exponential"}, study.TableOf(d, d.Function("s"), 0, 1, 6).Type)
}

// Steps such as 0.1 leave no traces of their binary digits in the table, and where there is no value it says so.
func TestATableShowsPlainNumbers(t *testing.T) {
	d := demonstration(t, false, "f(x) = x/10", "r(x) = √(x − 1)")
	table := study.TableOf(d, d.Function("f"), 0, 0.1, 4)
	assert.Equal(t, "0.3", table.Rows[3].X)
	assert.Equal(t, "0.03", table.Rows[3].Y)
	gaps := study.TableOf(d, d.Function("r"), 0, 1, 4)
	assert.Equal(t, "undefined", gaps.Rows[0].Y)
	assert.Equal(t, "undefined", gaps.Rows[1].First)
	assert.Empty(t, gaps.Type, "of a table with gaps no type is told")
	d.Document.DecimalComma = true
	assert.Equal(t, "0,3", study.TableOf(d, d.Function("f"), 0, 0.1, 4).Rows[3].X)
}
