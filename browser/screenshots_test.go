package browser

import (
	"fmt"
	"os"
	"path/filepath"
	"testing"

	"github.com/go-rod/rod"
	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
	"github.com/stretchr/testify/require"
)

// TestScreenshots takes the pictures of docs/screenshots, one of each main view, from the demo data.
func TestScreenshots(t *testing.T) {
	if !*takeScreenshots {
		t.Skip("pictures are taken by make screenshots")
	}
	folder := "../docs/screenshots"
	require.NoError(t, os.MkdirAll(folder, 0o755))
	shoot := func(page *rod.Page, name string) {
		// The pointer rests aside, so that nothing is hovered by chance.
		require.NoError(t, page.Mouse.MoveTo(proto.Point{X: 2, Y: 2}))
		data, err := page.Screenshot(false, nil)
		require.NoError(t, err)
		require.NoError(t, os.WriteFile(filepath.Join(folder, name+".png"), data, 0o644))
	}
	page := visit(t, 1280, 800)
	goTo(t, page, "/")
	saying(t, page, "button", "Look around as the demo teacher")
	shoot(page, "first-page")
	signInDemo(t, page)
	openShelf(t, page)
	until(t, page, `() => [...document.querySelectorAll('.card img')].every(i => i.complete && i.naturalWidth > 0)`)
	shoot(page, "shelf")

	copyBench(t, page, fountain)
	until(t, page, `() => { document.querySelector('.title button').textContent = 'The jet of the quay fountain'; return true; }`)
	pull(t, page, one(t, page, `[data-dial="t"] .pointer`), 115, 0)
	shoot(page, "bench")

	openFindings(t, page)
	for _, finding := range []string{"zeros", "yIntercept"} {
		click(t, one(t, page, `[data-finding="`+finding+`"] [title="Show on the stage"]`))
		until(t, page, `f => document.querySelector('[data-finding="' + f + '"] [aria-pressed=true]') !== null`, finding)
	}
	labelled(t, page, "5.74")
	shoot(page, "findings")
	require.NoError(t, one(t, page, ".plane").Focus())
	press(t, page, 'r')
	write(t, one(t, page, `[aria-label="Place at which is read"]`), "5")
	press(t, page, input.Enter)
	until(t, page, `() => document.querySelector('.card .value annotation')?.textContent.includes('(5)')`)
	shoot(page, "reading")
	click(t, saying(t, page, ".card button", "close"))
	click(t, saying(t, page, "[aria-label=Stated] button", "fold the findings"))

	click(t, one(t, page, `[aria-label="State a function or a parameter"]`))
	write(t, one(t, page, `input[aria-label="Statement"]`), "g(x) = b sin(2x + π/3")
	saying(t, page, ".formula-field .problem", "not closed")
	shoot(page, "stating")
	click(t, saying(t, page, ".entry-form button", "Cancel"))

	click(t, saying(t, page, ".head button", "^Present$"))
	drawn(t, page)
	shoot(page, "present")

	shootScene := func(title string, scene int, name string) *rod.Page {
		page := visit(t, 1280, 800)
		signInDemo(t, page)
		copyBench(t, page, title)
		until(t, page, `title => { document.querySelector('.title button').textContent = title; return true; }`, title)
		click(t, one(t, page, fmt.Sprintf(`[aria-label^="Scene %d:"]`, scene)))
		until(t, page, `at => parvix.scene() === at && !parvix.gliding()`, scene-1)
		drawn(t, page)
		if name != "" {
			shoot(page, name)
		}
		return page
	}
	shootScene("Where the gulls land", 3, "beside")
	shootScene("Where the jets turn", 3, "path")
	page = shootScene("The folding awning of the fish stall", 3, "")
	for k := 1; k <= 2; k++ {
		click(t, one(t, page, `[aria-label="One step forward"]`))
		until(t, page, `k => document.querySelector('.player .count').textContent.includes(k + ' of 3')`, k)
	}
	click(t, saying(t, page, ".player button", "steps in a table"))
	until(t, page, `() => /\(2,[^)]*0\.6\)/.test(parvix.words.flat().join(''))`)
	shoot(page, "steps")
	shootScene("One turn of the lamp, two graphs", 8, "circle")
	page = shootScene("The spot of the beam on the sea wall", 2, "")
	click(t, saying(t, page, ".head button", "^Present$"))
	drawn(t, page)
	ask[any](t, page, `() => localStorage.setItem('parvix-theme', 'board')`)
	require.NoError(t, page.Reload())
	one(t, page, ".board-bar")
	drawn(t, page)
	tool(t, page, "ink")
	click(t, one(t, page, `[aria-label="Write in red"]`))
	handwrite(t, page, [2]float64{0.62, 0.3}, [2]float64{0.7, 0.22}, [2]float64{0.78, 0.3}, [2]float64{0.7, 0.36}, [2]float64{0.62, 0.3})
	shoot(page, "blackboard")
	shootScene("The harbour master's flower bed", 2, "polar")
	shootScene("The pilot boat's path", 4, "parametric")
	shootScene("The channel through the mole", 1, "region")
	shootScene("A saddle between two wharves", 2, "space")
	page = visit(t, 1280, 800)
	signInDemo(t, page)
	newBench(t, page)
	saying(t, page, ".beginnings button", "Side by side")
	shoot(page, "begin")

	phone := visit(t, 390, 844)
	signInDemo(t, phone)
	copyBench(t, phone, "The float in the tide gauge")
	shoot(phone, "phone")

	page = shootScene("A slip in the tide table", 2, "")
	click(t, saying(t, page, "button", "table and models"))
	saying(t, page, ".doubts li", "stands out|usual distance")
	click(t, saying(t, page, "button", "compare the models"))
	saying(t, page, ".models li", "sinusoidal")
	shoot(page, "data")
}
