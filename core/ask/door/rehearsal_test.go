package door_test

import (
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/door"
	"parvix/demo"
)

// A rehearsal runs what a hand will: nothing of it is seen in what is in play, on any demonstration.
func TestOfARehearsalNothingIsSeen(t *testing.T) {
	assert.Nil(t, door.Rehearse(door.New()), "there is nothing to rehearse")
	documents, err := demo.Documents()
	require.NoError(t, err)
	for _, d := range documents {
		it := loaded(t, d)
		for range 2 {
			require.True(t, it.Frame(0, 900, 450))
		}
		before := slices.Clone(it.Floats())
		rehearsal := door.Rehearse(it)
		for range 3 {
			rehearsal.Turn()
		}
		require.True(t, it.Frame(0, 900, 450))
		assert.Equal(t, before, it.Floats(), d.Title)
		assert.Empty(t, it.Texts(), d.Title)
	}
}
