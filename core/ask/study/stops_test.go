package study_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/edit"
	"parvix/core/ask/study"
	"parvix/core/stage/document"
)

// Between −π and π, 2 sin(2t) has its zeros, which are its inflections too, at the multiples of π/2 and its turning points halfway between; x³ − 3x
// has its zeros at 0 and ±√3 and its turning points at ±1 (worked by hand).
func TestASweepRestsAtFindings(t *testing.T) {
	d := document.New("")
	for _, line := range []string{"f(t) = 2 sin(2t)", "g(x) = x³ − 3x", "h(x) = e^x", "c = 0", "k(x) = x − c", "b = 1", "m(x) = x − b"} {
		var err error
		d, err = edit.Typed(d, "", line)
		require.NoError(t, err)
	}
	c := d.StatedNamed("c")
	c.From, c.To = "-π", "π"
	at := func(function string) []string {
		texts, err := study.Stops(d, "c", function, nil)
		require.NoError(t, err)
		return texts
	}
	assert.Equal(t, []string{"-π", "-3π/4", "-π/2", "-π/4", "0", "π/4", "π/2", "3π/4", "π"}, at("f"))
	c.From, c.To = "-5", "5"
	assert.Equal(t, []string{"−1.732050807569", "−1", "0", "1", "1.732050807569"}, at("g"))
	texts, err := study.Stops(d, "c", "m", map[string]float64{"b": 3})
	require.NoError(t, err)
	assert.Equal(t, []string{"3"}, texts, "at the values in play")
	for _, function := range []string{"h", "nothing", "k"} {
		_, err := study.Stops(d, "c", function, nil)
		assert.Error(t, err, function)
	}
}
