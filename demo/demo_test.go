package demo_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/evaluate"
	"parvix/demo"
)

func TestEveryDemonstrationIsUnderstoodWhole(t *testing.T) {
	documents, err := demo.Documents()
	require.NoError(t, err)
	require.NotEmpty(t, documents)
	for _, d := range documents {
		e := evaluate.Load(d, nil)
		assert.Empty(t, e.Problems, d.Title)
		assert.Empty(t, e.Missing, d.Title)
		for _, p := range e.Parameters {
			assert.Contains(t, d.Scenes[0].Values, p.Stated.Name, "%s: a starting value for every dial", d.Title)
			assert.True(t, p.Value >= p.From && p.Value <= p.To, "%s: %s starts within its ends", d.Title, p.Stated.Name)
		}
		assert.NotEmpty(t, d.Said, "%s says something", d.Title)
	}
}
