package edit_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/edit"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/trajectory"
)

// A curve that is turned, mirrored or stretched lies where the plane takes each of its places (rotation by α: (x cos α − y sin α, x sin α + y cos α);
// common practice), and in degrees too: closed ones on the same turn, others on the interval that goes with them.
func TestCurvesAreTurnedMirroredAndStretched(t *testing.T) {
	spiral := func(unit document.AngleUnit) *document.Document {
		d := document.New("")
		d.AngleUnit = unit
		d, err := edit.Typed(d, "", map[document.AngleUnit]string{document.Radian: "r = θ/3 + 1", document.Degree: "r = θ/180 + 1"}[unit])
		require.NoError(t, err)
		return d
	}
	cardioid, err := edit.Typed(document.New(""), "", "r = 1 + cos(θ)")
	require.NoError(t, err)
	path, err := edit.Put(document.New(""), document.Entry{Body: &trajectory.Body{X: "t² − 1", Y: "t", Variable: "t", From: "-1", To: "2"}})
	require.NoError(t, err)
	for name, before := range map[string]*document.Document{"spiral": spiral(document.Radian), "in degrees": spiral(document.Degree), "cardioid": cardioid, "path": path} {
		for way, to := range map[edit.Transformation]func(x, y float64) (float64, float64){
			edit.Turned:    func(x, y float64) (float64, float64) { return (x - y) / math.Sqrt2, (x + y) / math.Sqrt2 },
			edit.MirroredX: func(x, y float64) (float64, float64) { return x, -y },
			edit.MirroredY: func(x, y float64) (float64, float64) { return -x, y },
			edit.Stretched: func(x, y float64) (float64, float64) { return 2 * x, 2 * y },
		} {
			d, err := edit.Transformed(before, before.Shown[0].ID, way)
			require.NoError(t, err, name, way)
			e := evaluate.Load(d, nil)
			require.Empty(t, e.Problems, name, way)
			old, new := e.Shown[0].Live.(*trajectory.Live), e.Shown[1].Live.(*trajectory.Live)
			for _, share := range []float64{0, 0.2, 0.77, 1} {
				p := old.Place(old.From + share*(old.To-old.From))
				x, y := to(p.X, p.Y)
				least := math.Inf(1)
				const looks = 3000
				for k := range looks + 1 {
					q := new.Place(new.From + (new.To-new.From)*float64(k)/looks)
					least = math.Min(least, math.Hypot(q.X-x, q.Y-y))
				}
				assert.Less(t, least, 0.01, "%s %s: %v is taken to (%g, %g)", name, way, p, x, y)
			}
			assert.InDelta(t, old.To-old.From, new.To-new.From, 1e-9, "%s %s: no longer and no shorter", name, way)
		}
	}
	_, err = edit.Transformed(cardioid, cardioid.Shown[0].ID, "bent")
	assert.Error(t, err)
	_, err = edit.Transformed(cardioid, "nothing", edit.Turned)
	assert.Error(t, err)
}
