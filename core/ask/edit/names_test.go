package edit_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/edit"
	"parvix/core/formula/problem"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/circle"
	"parvix/core/stage/kinds/point"
	"parvix/core/stage/kinds/trajectory"
)

func TestALetterIsNotRenamedIntoOneThatMeansSomethingElseThere(t *testing.T) {
	for _, one := range []struct{ name, formula, to string }{
		{"a variable", "f(t) = (t + a) sin t", "t"},
		{"a running letter", "f(x) = sum(a k x for k from 1 to 4)", "k"},
		{"the variable of a function of two", "d(x, y) = a x y", "y"},
	} {
		d := stated(t, one.formula, "a = 2")
		_, err := edit.Rename(d, d.Stated[1].ID, one.to)
		assert.Equal(t, "name-captured", code(err), one.name)
		after, err := edit.Rename(d, d.Stated[1].ID, "c")
		require.NoError(t, err, one.name)
		assert.NotContains(t, after.Stated[0].Formula, "a ", one.name)
	}
	free := stated(t, "f(t) = sin t", "g(x) = a x", "a = 2")
	_, err := edit.Rename(free, free.Stated[2].ID, "t")
	assert.NoError(t, err, "where the variable's formula does not use it nothing is captured")
}

func TestWhatUsesADeletedFunctionSaysThatItIsGone(t *testing.T) {
	d := stated(t, "f(x) = x² + 1", "g(x) = f(x) − 2", "h(x) = 3g(x)")
	d, err := edit.Put(d, document.Entry{Body: &point.Body{X: "1.5", Y: "f(1.5)"}})
	require.NoError(t, err)
	d, err = edit.Delete(d, d.Stated[0].ID)
	require.NoError(t, err)
	e := evaluate.Load(d, nil)
	assert.Empty(t, e.Missing, "f is no letter that wants a dial")
	var said []string
	for _, p := range e.Problems {
		said = append(said, p.Code+" "+p.Args[0])
	}
	assert.ElementsMatch(t, []string{"gone f", "uses-broken g", "gone f"}, said, "g and the point; h only uses g")
	assert.Equal(t, "f(x) − 2", d.Stated[0].Formula, "what was typed stays as it is")

	again, err := edit.State(d, "", "f(x) = 2x")
	require.NoError(t, err)
	assert.Empty(t, again.Gone)
	assert.Empty(t, evaluate.Load(again, nil).Problems)

	changed, err := edit.State(d, d.Stated[0].ID, "g(x) = x − 2")
	require.NoError(t, err)
	assert.Equal(t, []string{"f"}, changed.Gone, "the point still uses it")
	lone, err := edit.Delete(stated(t, "f(x) = x²"), "s1")
	require.NoError(t, err)
	assert.Empty(t, lone.Gone, "nobody misses it")
}

func TestANewEntryIsNotBornHidden(t *testing.T) {
	d := stated(t, "a = 1")
	d, err := edit.Put(d, document.Entry{Body: &point.Body{X: "a", Y: "1"}})
	require.NoError(t, err)
	d, err = edit.AddScene(d, 0, "second", nil, nil)
	require.NoError(t, err)
	d.Scenes[1].Hidden = []string{d.Shown[0].ID}
	d, err = edit.Delete(d, d.Shown[0].ID)
	require.NoError(t, err)
	assert.Empty(t, d.Scenes[1].Hidden)
	d, err = edit.Put(d, document.Entry{Body: &point.Body{X: "2", Y: "a"}})
	require.NoError(t, err)
	assert.Equal(t, "p2", d.Shown[0].ID, "the first point's id is not used again")
	assert.False(t, d.Scenes[1].IsHidden(d.Shown[0].ID))
}

func TestRenamingReachesACirclesDialAndEveryOtherReference(t *testing.T) {
	d, err := edit.Begin(document.New("circle"), edit.IdeaCircle)
	require.NoError(t, err)
	driver := d.StatedNamed("θ")
	require.NotNil(t, driver)
	d, err = edit.Rename(d, driver.ID, "α")
	require.NoError(t, err)
	e := evaluate.Load(d, nil)
	assert.Empty(t, e.Problems)
	assert.Empty(t, e.Missing)
	for _, s := range d.Shown {
		if c, ok := s.Body.(*circle.Body); ok {
			assert.Equal(t, "α", c.Driver)
		}
	}
}

func TestACurveWhoseDialIsDeletedIsDrawnWhole(t *testing.T) {
	d := stated(t, "r = 2cos(3θ)")
	d, err := edit.Watch(d, d.Shown[0].ID, 0)
	require.NoError(t, err)
	dial := d.Parameters()[0]
	d, err = edit.Delete(d, dial.ID)
	require.NoError(t, err)
	for _, s := range d.Shown {
		if m, ok := s.Body.(*trajectory.Body); ok {
			assert.Empty(t, m.Driver)
		}
	}
	for _, p := range evaluate.Load(d, nil).Problems {
		t.Error(p)
	}
	var p *problem.Problem
	assert.NotErrorAs(t, d.Check(), &p)
}
