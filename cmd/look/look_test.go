package main

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/stage/document"
	"parvix/core/stage/legible"
	"parvix/demo"
)

// Of sixty made-up scenes every label is plain in every size, and none goes back and forth in a drag of three seconds. An axis keeps two
// numbers even where curves cross all of them: these alone are covered.
func TestMadeUpScenesAreLegible(t *testing.T) {
	var all legible.Verdict
	list := generated()
	require.Len(t, list, 60)
	for _, d := range list {
		v, changes, _ := look(d, "")
		all.Add(v, d.Title)
		assert.Zero(t, changes, "%s: labels that change sides more than once", d.Title)
	}
	for _, fault := range all.Covering {
		assert.True(t, strings.HasSuffix(fault, "a number a line"), fault)
	}
	assert.Empty(t, all.Ambiguous)
	assert.Empty(t, all.Blurred)
	assert.Empty(t, all.Far)
}

// The demonstrations whose labels are nearest to each other keep them on their sides in drags too.
func TestCrowdedDemonstrationsAreCalmInDrags(t *testing.T) {
	crowded := map[string]bool{"The harbour master's flower bed": true, "Two ways to coil a rope": true, "The spot of the beam on the sea wall": true}
	documents, err := demo.Documents()
	require.NoError(t, err)
	for _, d := range documents {
		if crowded[d.Title] {
			delete(crowded, d.Title)
			calm(t, d)
		}
	}
	assert.Empty(t, crowded, "there are no such demonstrations")
}

func calm(t *testing.T, d *document.Document) {
	t.Helper()
	v, changes, moved := look(d, "")
	assert.Positive(t, moved, d.Title)
	assert.Zero(t, changes, "%s: labels that change sides more than once", d.Title)
	assert.Empty(t, v.Covering, d.Title)
}
