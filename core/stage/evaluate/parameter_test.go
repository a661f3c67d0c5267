package evaluate_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
)

// turning is a dial from 0 to 2π whose sweep rests every 15° and at 1 radian.
func turning(t *testing.T, way document.SweepWay) *evaluate.Parameter {
	t.Helper()
	d := document.New("")
	d.Stated = []document.Stated{{ID: "s1", Kind: document.Parameter, Name: "a", From: "0", To: "2π", Step: "π/180",
		Sweep: &document.Sweep{Way: way, Seconds: 6, Every: "π/12", At: []string{"1", "9"}}}}
	d.Scenes[0].Values = map[string]float64{"a": 0.2}
	e := evaluate.Load(d, nil)
	require.Empty(t, e.Problems)
	return e.Parameters[0]
}

// A sweep rests at the next value where it is to rest, and a key goes there at once; what lies beyond the ends is none.
func TestASweepRestsAtItsStops(t *testing.T) {
	p := turning(t, document.Once)
	stop, is := p.NextStop(true)
	assert.True(t, is)
	assert.InDelta(t, math.Pi/12, stop, 1e-12)
	stop, _ = p.NextStop(false)
	assert.Zero(t, stop)
	_, rests := p.RestsOn(0.25, false)
	assert.False(t, rests, "π/12 is not reached yet")
	stop, rests = p.RestsOn(0.9, false)
	assert.True(t, rests)
	assert.InDelta(t, math.Pi/12, stop, 1e-12, "the first on the way, not the last")
	p.Value = 0.95
	stop, _ = p.NextStop(true)
	assert.Equal(t, 1.0, stop)
	p.Value = 2 * math.Pi
	_, is = p.NextStop(true)
	assert.False(t, is, "9 lies beyond the end")
}

// One that goes round comes to its end before it begins anew; backwards it rests on what lies below.
func TestASweepThatGoesRoundRestsAtItsEndFirst(t *testing.T) {
	p := turning(t, document.Round)
	p.Value = 6.2
	stop, rests := p.RestsOn(0.1, true)
	assert.True(t, rests)
	assert.InDelta(t, 2*math.Pi, stop, 1e-12)
	p.Value = 0.5
	stop, rests = p.RestsOn(0.1, false)
	assert.True(t, rests)
	assert.InDelta(t, math.Pi/12, stop, 1e-12)
}

// A stretch that takes three times as long: of a bar from 0 to 1 in 6 s, the half from 1/4 to 3/4, is run through from 1.5 s to 10.5 s; the whole
// takes 12 s. Back it is the same, and stretches that lie on each other both hold.
func TestASweepHasItsPaces(t *testing.T) {
	d := document.New("")
	d.Stated = []document.Stated{{ID: "a", Kind: document.Parameter, Name: "a", From: "0", To: "1", Step: "0.01",
		Sweep: &document.Sweep{Way: document.BackAndForth, Seconds: 6, Paces: []document.Pace{{From: "3/4", To: "1/4", Times: 3}}}}}
	require.NoError(t, d.Check())
	at := func(start, elapsed float64) float64 {
		v, _ := evaluate.Load(d, nil).Parameters[0].SweepAt(document.BackAndForth, 6, start, elapsed)
		return v
	}
	for elapsed, want := range map[float64]float64{0: 0, 1.5: 0.25, 6: 0.5, 10.5: 0.75, 12: 1, 18: 0.5, 24: 0} {
		assert.InDelta(t, want, at(0, elapsed), 1e-9, "after %v s", elapsed)
	}
	assert.InDelta(t, 0.25, at(1.5, 4.5), 1e-9, "begun in the middle on the way back")
	v, ended := evaluate.Load(d, nil).Parameters[0].SweepAt(document.Once, 6, 0, 12)
	assert.True(t, ended)
	assert.Equal(t, 1.0, v)
	d.Stated[0].Sweep.Paces = append(d.Stated[0].Sweep.Paces, document.Pace{From: "0", To: "0.5", Times: 2})
	assert.InDelta(t, 0.25, at(0, 3), 1e-9)
	assert.InDelta(t, 0.5, at(0, 12), 1e-9)
	d.Stated[0].Sweep.Paces[1].Times = 1000
	assert.Error(t, d.Check())
}
