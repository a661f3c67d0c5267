package browser

import (
	"testing"

	"github.com/go-rod/rod"
	"github.com/go-rod/rod/lib/input"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/stage/document"
)

func undone(t *testing.T, l *lesson) {
	t.Helper()
	click(t, one(t, l.page, `[aria-label="Undo"]`))
}

// The looks of two curves are changed at once, as one step.
func TestSeveralEntriesGetOneLook(t *testing.T) {
	l := emptyBench(t)
	l.paste("f(x) = x\ng(x) = x^2\nh(x) = 2")
	for _, name := range []string{"f", "h"} {
		click(t, one(t, l.page, `[aria-label="Choose `+name+` to change its look"]`))
	}
	saying(t, l.page, ".together", "2 chosen")
	l.choose("Weight", "bold")
	until(t, l.page, `() => parvix.document().shown.map(s => s.look.weight ?? '').join() === 'bold,,bold'`)
	undone(t, l)
	until(t, l.page, `() => parvix.document().shown.every(s => !s.look.weight)`)
	click(t, saying(t, l.page, ".together button", "Done"))
	until(t, l.page, `() => !document.querySelector('.together')`)
}

// In which scenes an entry is seen is told and changed by its marks, with the keyboard too; a row is dragged into another place.
func TestMarksTellTheScenesAndRowsAreDragged(t *testing.T) {
	l := emptyBench(t)
	l.paste("f(x) = x\ng(x) = x^2")
	l.click(".ribbon button", `^\+ scene`)
	until(t, l.page, `() => parvix.document().scenes.length === 2`)
	mark := one(t, l.page, `[aria-label^="g, seen in scene 1"]`)
	require.NoError(t, mark.Focus())
	press(t, l.page, input.Space)
	until(t, l.page, `() => document.querySelector('[aria-label^="g, seen in scene 1"]').getAttribute('aria-pressed') === 'false'`)
	doc := documentOf(t, l.page)
	assert.Equal(t, []string{doc.Shown[1].ID}, doc.Scenes[0].Hidden)
	assert.Empty(t, doc.Scenes[1].Hidden)
	ask[any](t, l.page, `() => {
		const data = new DataTransfer();
		const rows = document.querySelectorAll('[aria-label=Shown] .entry');
		rows[1].dispatchEvent(new DragEvent('dragstart', { bubbles: true, dataTransfer: data }));
		rows[0].dispatchEvent(new DragEvent('drop', { bubbles: true, cancelable: true, dataTransfer: data }));
	}`)
	until(t, l.page, `id => parvix.document().shown[0].id === id`, doc.Shown[1].ID)
}

// Looking through the sheet of a window, and leaving it, is no step; a label says words of its own.
func TestWhatIsOnlyLookedAtIsNoStep(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	copyBench(t, page, fountain)
	drawn(t, page)
	click(t, saying(t, page, ".chip", "^window"))
	one(t, page, `.window-form [aria-label="x from"]`)
	for range 9 {
		press(t, page, input.Tab)
	}
	press(t, page, input.Escape)
	until(t, page, `() => !document.querySelector('.window-form')`)
	assert.True(t, ask[bool](t, page, `() => document.querySelector('[aria-label="Undo"]').disabled`))

	click(t, one(t, page, `[aria-label=Shown] .entry:nth-child(2) .says`))
	require.NoError(t, one(t, page, `select[aria-label="Label"]`).Select([]string{"own words"}, true, rod.SelectorTypeText))
	write(t, one(t, page, `input[aria-label="Words of the label"]`), "the jet")
	click(t, saying(t, page, ".entry-form button", "Keep"))
	until(t, page, `() => parvix.document().shown[1].look.words === 'the jet'`)
	labelled(t, page, "thejet")
}

// Curves are left pale where they were before a dial moved, until that is dismissed or another demonstration is opened.
func TestCurvesAreLeftAsTheyWereBefore(t *testing.T) {
	l := emptyBench(t)
	l.state("f(x) = x + a")
	l.click(".ribbon button", "as before")
	one(t, l.page, `.ribbon [aria-pressed="true"]`)
	pull(t, l.page, one(t, l.page, `[data-dial="a"] .pointer`), 60, 0)
	drawn(t, l.page)
	w := seen(t, l.page)
	var before [][2]float64
	for k := range 20 {
		x := w.Left + (w.Right-w.Left)*(float64(k)+0.5)/20
		if p := w.pixel(x, x+1); w.holds(p, 10) {
			before = append(before, p)
		}
	}
	pale := func() (n int) {
		for _, at := range before {
			if shadeOn(t, l.page, 0, at) > 10 {
				n++
			}
		}
		return n
	}
	assert.Greater(t, pale(), len(before)/2)
	l.click(".ribbon button", "as before")
	drawn(t, l.page)
	assert.Less(t, pale(), len(before)/2)
}

// All panels are fitted by one action, which is one step.
func TestAllPanelsAreFittedAtOnce(t *testing.T) {
	l := emptyBench(t)
	l.state("f(x) = x^2 − 3")
	l.click(".chips button", "panels")
	l.click(".panel-menu button", "same picture")
	until(t, l.page, `() => document.querySelectorAll('.plane').length === 2`)
	moved := func() (list []document.Window) {
		for _, p := range documentOf(t, l.page).Panels {
			list = append(list, p.Window)
		}
		return list
	}
	for panel := range 2 {
		plane := l.page.MustElements(".plane")[panel]
		require.NoError(t, plane.Focus())
		press(t, l.page, input.ArrowRight, input.ArrowRight, input.ArrowRight)
	}
	drawn(t, l.page)
	before := moved()
	l.click(".chips button", "panels")
	l.click(".panel-menu button", "Fit all")
	until(t, l.page, `before => parvix.document().panels.every((p, k) => p.window.left !== before[k].left)`, before)
	undone(t, l)
	until(t, l.page, `before => parvix.document().panels.every((p, k) => p.window.left === before[k].left)`, before)
}
