package edit_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/edit"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/spacecurve"
	"parvix/core/stage/kinds/surface"
	"parvix/core/stage/stagetest"
)

// ∂²f/∂x∂y is f differentiated by y, then by x; of x³y² it is 6x²y, ∂²f/∂y² is 2x³ (common practice).
func TestPartialDerivativesAreTypedAsQuotients(t *testing.T) {
	d := stated(t, "f(x, y) = x³ y²", "g(x) = ∂f/∂x(x, 2) + ∂f/∂y (x, 1)", "h(x) = ∂²f/∂x∂y(x, 3) + ∂^2 f/∂y^2(x, 1) + ∂²f/∂x²(1, x)")
	holds := func(d *document.Document) {
		e := evaluate.Load(d, nil)
		require.Empty(t, e.Problems)
		for name, want := range map[string]float64{"g": 3*9*4 + 2*27, "h": 6*9*3 + 2*27 + 6*9} {
			assert.Equal(t, want, e.Function(name).Curve.At(3, append([]float64{}, e.Inputs()...)), name)
		}
	}
	holds(d)
	renamed, err := edit.Rename(d, d.Stated[0].ID, "d")
	require.NoError(t, err)
	holds(renamed)
	for _, wrong := range []string{"∂f", "∂f/∂u(1, 2)", "∂²f/∂x(1, 2)", "∂f/∂x²(1, 2)", "∂f/∂x∂y(1, 2)", "∂²f/∂x²∂y(1, 2)", "∂k/∂x(1)", "∂f/x"} {
		_, err := edit.State(d, "", wrong)
		assert.ErrorContains(t, err, "partial derivative", wrong)
	}
}

// f(x, y) = x²y³ has f_x = 2xy³, f_y = 3x²y², f_xy = 6xy², f_yy = 6x²y (common practice); they are written as textbooks write them, and
// follow their function when it gets another name.
func TestPartialDerivativesAreWrittenAsInTextbooks(t *testing.T) {
	d := stated(t, "f(x, y) = x² y³", "g(x) = f_x(x, 2) + f_y(1, x)", "h(x) = f_xy(x, 1) + f_yy(1, x)")
	e := evaluate.Load(d, nil)
	require.Empty(t, e.Problems)
	for name, want := range map[string]float64{"g": 2*3*8 + 3*9, "h": 6*3 + 6*3} {
		in := append([]float64{}, e.Inputs()...)
		assert.Equal(t, want, e.Function(name).Curve.At(3, in), name)
	}
	renamed, err := edit.Rename(d, d.Stated[0].ID, "d")
	require.NoError(t, err)
	assert.Equal(t, "d_x(x, 2) + d_y(1, x)", renamed.Stated[1].Formula)
	assert.Equal(t, "d_xy(x, 1) + d_yy(1, x)", renamed.Stated[2].Formula)
	require.Empty(t, evaluate.Load(renamed, nil).Problems)
	circle := stated(t, "f(x, y) = x + y")
	circle.Stated[0].Formula = "f_x(x, y)"
	codes := evaluate.Load(circle, nil).Problems
	require.Len(t, codes, 1)
	assert.Equal(t, "circle", codes[0].Code)
}

// A function of x and y typed on an empty stage is seen in space; a section brings its dial, its graph beside, and both in one colour.
func TestASectionBringsItsGraph(t *testing.T) {
	d, err := edit.Typed(document.New(""), "", "z = (x² − y²)/3")
	require.NoError(t, err)
	require.Len(t, d.Panels, 1)
	assert.Equal(t, document.InSpace, d.Panels[0].Kind)
	assert.Equal(t, "(x² − y²)/3", d.Stated[0].Formula)
	for axis, formula := range map[surface.Axis]string{surface.AcrossX: "f(c, y)", surface.AcrossY: "f(x, c)"} {
		cut, err := edit.AddSection(d, d.Shown[0].ID, axis, 0)
		require.NoError(t, err)
		require.Len(t, cut.Panels, 2)
		assert.Equal(t, document.Plane, cut.Panels[1].Kind)
		assert.Equal(t, formula, cut.StatedNamed("g").Formula)
		assert.Equal(t, cut.Shown[1].Look.Colour, cut.Shown[2].Look.Colour)
		assert.Equal(t, cut.Shown[1].Look.Colour, cut.StatedNamed("c").Colour)
		require.Empty(t, evaluate.Load(cut, nil).Problems)
	}
	level, err := edit.AddSection(d, d.Shown[0].ID, surface.AcrossZ, 0)
	require.NoError(t, err)
	require.Empty(t, evaluate.Load(level, nil).Problems)
	_, err = edit.AddSection(d, "nothing", surface.AcrossX, 0)
	assert.Error(t, err)
	_, err = edit.AddSection(d, d.Shown[0].ID, "w", 0)
	assert.Error(t, err)
	for piece := range 2 {
		shown, err := edit.ShowPiece(d, edit.PieceWanted{Of: d.Shown[0].ID, Piece: []string{"tangentPlane", "levels"}[piece], Shown: true})
		require.NoError(t, err)
		require.Empty(t, evaluate.Load(shown, nil).Problems)
	}
}

// (cos t, sin t, t/5) is a curve in space; one that has no place at 0 runs on both sides of it.
func TestATripleIsACurveInSpace(t *testing.T) {
	d, err := edit.Typed(document.New(""), "", "(sin t, cos t, (e^t − 1)/t)")
	require.NoError(t, err)
	curve := d.Shown[0].Body.(*spacecurve.Body)
	assert.Equal(t, []string{"−π", "π"}, []string{curve.From, curve.To})
	d, err = edit.Typed(d, "", "(cos t, sin t, t/5)")
	require.NoError(t, err)
	curve = d.Shown[1].Body.(*spacecurve.Body)
	assert.Equal(t, []string{"0", "2π"}, []string{curve.From, curve.To})
	watched, err := edit.Watch(d, d.Shown[1].ID, 0)
	require.NoError(t, err)
	assert.NotEmpty(t, watched.Shown[1].Body.(*spacecurve.Body).Driver)
	require.Empty(t, evaluate.Load(watched, nil).Problems)
	plane, err := edit.Typed(document.New(""), "", "f(x) = x²")
	require.NoError(t, err)
	beside, err := edit.Typed(plane, "", "(cos t, sin t, t/5)")
	require.NoError(t, err)
	assert.Len(t, beside.Panels, 2, "space stands beside a plane on which something is shown")
}

// A map from above is a plane panel of its own with the axes of space; level curves in space stand there alone.
func TestLevelCurvesInSpaceAndAsAMap(t *testing.T) {
	d, err := edit.Typed(document.New(""), "", "f(x, y) = x² − y²")
	require.NoError(t, err)
	id := d.Shown[0].ID
	d, err = edit.AddSection(d, id, surface.AcrossY, 0)
	require.NoError(t, err)
	d, err = edit.ShowPiece(d, edit.PieceWanted{Of: id, Piece: string(surface.Levels), Shown: true})
	require.NoError(t, err)
	assert.Equal(t, []string{d.Panels[0].ID}, d.Shown[len(d.Shown)-1].Where.Panels)
	d, err = edit.AddMap(d, id, 0)
	require.NoError(t, err)
	require.Len(t, d.Panels, 3)
	above, space := d.Panels[2], d.Panels[0].Window
	assert.Equal(t, document.Plane, above.Kind)
	assert.Equal(t, [4]float64{space.Left, space.Right, space.Bottom, space.Top}, [4]float64{above.Window.Left, above.Window.Right, above.Window.Bottom, above.Window.Top})
	e := stagetest.Loaded(t, d)
	names := func(panel int) (list []string) {
		for _, s := range e.Frame(panel, 400, 300).Appearing {
			list = append(list, s.Entry.ID)
		}
		return list
	}
	assert.Equal(t, []string{d.Shown[len(d.Shown)-1].ID}, names(2))
	assert.NotContains(t, names(1), d.Shown[len(d.Shown)-1].ID)
	_, err = edit.AddMap(d, "nothing", 0)
	assert.Error(t, err)
}
