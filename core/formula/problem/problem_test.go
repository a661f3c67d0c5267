package problem_test

import (
	"fmt"
	"testing"

	"github.com/stretchr/testify/assert"

	"parvix/core/formula/problem"
)

func TestEveryCodeHasASentence(t *testing.T) {
	for _, code := range problem.Codes() {
		p := problem.New(code, 0, 0, "A", "B", "C")
		assert.NotEmpty(t, p.Error(), code)
		assert.NotContains(t, p.Error(), "{", code)
	}
	assert.Panics(t, func() { problem.New("no such code", 0, 0) })
}

func TestAProblemIsFoundInsideAnError(t *testing.T) {
	p := problem.New("empty", 1, 2)
	found, ok := problem.Of(fmt.Errorf("reading: %w", p))
	assert.True(t, ok)
	assert.Equal(t, p, found)
	_, ok = problem.Of(fmt.Errorf("something else"))
	assert.False(t, ok)
	assert.Equal(t, "s1", p.In("s1", "formula").Object)
	assert.Empty(t, p.Object, "the original stays as it was")
}
