package browser

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/stage/kinds/region"
)

// Between x² and the axis from 0 to 1 lies 1/3, up to 2 lies 8/3 (the integral of x² is x³/3).
func TestARegionIsShadedWithItsAreaAndAHandMovesItsEnd(t *testing.T) {
	l := emptyBench(t)
	l.state("f(x) = x²")
	l.open("Show something on the stage")
	l.item("the region between curves")
	l.click(".entry-form button", "Show it")
	l.atMost(4)
	drawn(t, l.page)
	w := seen(t, l.page)
	assert.Positive(t, shadeOn(t, l.page, 0, w.pixel(0.9, 0.3)), "shaded")
	for _, beside := range [][2]float64{{0.4, 0.5}, {1.5, 0.5}, {0.5, -0.2}} {
		assert.Zero(t, shadeOn(t, l.page, 0, w.pixel(beside[0], beside[1])), "%v", beside)
	}
	labelled(t, l.page, "0.3333")

	from, to := w.pixel(1, 0), w.pixel(2, 0)
	pull(t, l.page, one(t, l.page, `.handle[data-grip="2"]`), to[0]-from[0], to[1]-from[1])
	labelled(t, l.page, "2.6667")
	drawn(t, l.page)
	assert.Positive(t, shadeOn(t, l.page, 0, w.pixel(1.5, 0.5)), "where it reached not before")
	saved(t, l.page)
	body := stored(t, l.page).Shown[1].Body.(*region.Body)
	assert.Equal(t, region.Body{Function: "f", From: "0", To: "2"}, *body)

	l.openIn("[aria-label=Shown]", "What to do with region")
	l.item("Put its area into a text")
	until(t, l.page, `() => [...document.querySelectorAll('[aria-label=Said] annotation')].some(a => a.textContent.includes('\\frac{8}{3}'))`)
	assertAccessible(t, l.page, "a region between curves")
}

// Conditions are typed one beside the other; a wrong one is refused at its field, and what was typed stays.
func TestARegionOfConditionsIsWhereAllHold(t *testing.T) {
	l := emptyBench(t)
	l.open("Show something on the stage")
	l.item("the region where conditions hold")
	l.fill("Condition 1", "x² + y² < 4 +")
	l.click(".entry-form button", "Show it")
	saying(t, l.page, ".entry-form [role=alert]", ".")
	assert.Equal(t, "x² + y² < 4 +", ask[string](t, l.page, `() => document.querySelector('input[aria-label="Condition 1"]').value`))
	l.fill("Condition 1", "x² + y² < 4")
	l.click(".entry-form button", "another condition")
	l.fill("Condition 2", "y ≥ x")
	l.click(".entry-form button", "Show it")
	until(t, l.page, `() => !document.querySelector('.entry-form')`)
	drawn(t, l.page)
	w := seen(t, l.page)
	for place, want := range map[[2]float64]bool{{-1, 0.5}: true, {0.5, 1.5}: true, {1, 0.5}: false, {-1.6, 1.6}: false} {
		got := shadeOn(t, l.page, 0, w.pixel(place[0], place[1])) > 0
		assert.Equal(t, want, got, "%v", place)
	}
	saved(t, l.page)
	require.Len(t, stored(t, l.page).Shown, 1)
	body := stored(t, l.page).Shown[0].Body.(*region.Body)
	assert.Equal(t, []string{"x² + y² < 4", "y ≥ x"}, body.Conditions)
}
