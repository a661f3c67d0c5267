package browser

import (
	"fmt"
	"math"
	"testing"

	"github.com/go-rod/rod"
	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/edit"
	"parvix/core/stage/document"
	"parvix/core/stage/kinds/text"
)

const lamp = "One turn of the lamp, two graphs"

// atTheBoard presents a copy of a demonstration.
func atTheBoard(t *testing.T, title string, width, height int) *rod.Page {
	t.Helper()
	page := visit(t, width, height)
	signInDemo(t, page)
	copyBench(t, page, title)
	drawn(t, page)
	click(t, saying(t, page, ".head button", "^Present$"))
	one(t, page, ".board-bar")
	drawn(t, page)
	return page
}

// Before a class the room of a panel on which a scene shows nothing goes to the others: a surface is not drawn on the plane of its section.
func TestAPanelThatShowsNothingLeavesItsRoom(t *testing.T) {
	page := atTheBoard(t, "A saddle between two wharves", 1280, 800)
	panelsOnStage(t, page, 1)
	press(t, page, input.PageDown)
	panelsOnStage(t, page, 2)
	press(t, page, input.PageDown)
	panelsOnStage(t, page, 1)
	press(t, page, input.Escape)
	panelsOnStage(t, page, 2)
}

func panelsOnStage(t *testing.T, page *rod.Page, wanted int) {
	t.Helper()
	until(t, page, `wanted => [...document.querySelectorAll('.plane')].filter(p => p.offsetParent).length === wanted`, wanted)
	drawn(t, page)
}

func tool(t *testing.T, page *rod.Page, words string) {
	t.Helper()
	click(t, saying(t, page, ".board-bar button", words))
}

// handwrite writes a line with the mouse on the last panel.
func handwrite(t *testing.T, page *rod.Page, places ...[2]float64) {
	t.Helper()
	layers, err := page.Elements(".ink-layer")
	require.NoError(t, err)
	box := layers[len(layers)-1].MustShape().Box()
	at := func(p [2]float64) proto.Point {
		return proto.Point{X: box.X + p[0]*box.Width, Y: box.Y + p[1]*box.Height}
	}
	require.NoError(t, page.Mouse.MoveTo(at(places[0])))
	require.NoError(t, page.Mouse.Down(proto.InputMouseButtonLeft, 1))
	for _, p := range places[1:] {
		require.NoError(t, page.Mouse.MoveLinear(at(p), 6))
	}
	require.NoError(t, page.Mouse.Up(proto.InputMouseButtonLeft, 1))
	drawn(t, page)
}

// The bar lies at the lower edge, to the left or the right; each of its keys is large enough for a standing hand and covers nothing.
func TestTheBarOfTheBoardIsForAStandingHand(t *testing.T) {
	for _, size := range [][2]int{{1024, 640}, {1280, 800}, {1920, 1080}} {
		page := atTheBoard(t, lamp, size[0], size[1])
		assert.Empty(t, ask[[]string](t, page, `() => [...document.querySelectorAll('.board-bar button')]
			.filter(b => b.getBoundingClientRect().width < 56 || b.getBoundingClientRect().height < 56).map(b => b.textContent)`), "%v", size)
		assert.Equal(t, float64(size[1]), ask[float64](t, page, `() => document.querySelector('.board-bar').getBoundingClientRect().bottom`))
		assert.LessOrEqual(t, ask[float64](t, page, `() => document.querySelector('.deck').getBoundingClientRect().bottom - document.querySelector('.board-bar').getBoundingClientRect().top`), 0.5)
		assertAccessible(t, page, fmt.Sprintf("presenting at %v", size))
		leftBefore := ask[float64](t, page, `() => document.querySelector('.board-bar .next').getBoundingClientRect().left`)
		tool(t, page, "side")
		until(t, page, `x => document.querySelector('.board-bar .next').getBoundingClientRect().left > x + 100`, leftBefore)
	}
}

// Ink lies over a text in a corner of a panel as it lies over the picture.
func TestInkLiesOverTexts(t *testing.T) {
	page := atTheBoard(t, lamp, 1280, 800)
	tool(t, page, "ink")
	click(t, one(t, page, `[aria-label="Write in red"]`))
	one(t, page, ".panel:last-child .corner p")
	across := ask[[]float64](t, page, `() => {
		const panel = [...document.querySelectorAll('.panel')].at(-1);
		const [text, layer] = ['.corner p', '.ink-layer'].map(s => panel.querySelector(s).getBoundingClientRect());
		const y = text.bottom - 4;
		return [(text.left + 20 - layer.left) / layer.width, (text.right - 20 - layer.left) / layer.width, (y - layer.top) / layer.height,
			(text.left + text.right) / 2, y];
	}`)
	handwrite(t, page, [2]float64{across[0], across[2]}, [2]float64{across[1], across[2]})
	until(t, page, `() => parvix.inked()`)
	at := paperAt(t, page, int(across[3]), int(math.Round(across[4])))
	assert.Greater(t, int(at.R), int(at.G)+60, "red ink, not the paper of the text: %v", at)
}

// What is written is seen, undone, wiped; it stays out of the document until it is kept, and then with its scene.
func TestInkIsWrittenAndKeptWithItsScene(t *testing.T) {
	page := atTheBoard(t, lamp, 1280, 800)
	tool(t, page, "ink")
	assertAccessible(t, page, "writing")
	click(t, one(t, page, `[aria-label="Write in red"]`))
	handwrite(t, page, [2]float64{0.3, 0.3}, [2]float64{0.5, 0.4}, [2]float64{0.6, 0.2})
	handwrite(t, page, [2]float64{0.3, 0.7}, [2]float64{0.6, 0.7})
	until(t, page, `() => parvix.inked()`)
	tool(t, page, "undo")
	click(t, one(t, page, `[aria-label^="The next scene"]`))
	until(t, page, `() => parvix.scene() === 1 && !parvix.gliding()`)
	assert.Nil(t, documentOf(t, page).Scenes[0].Ink)

	tool(t, page, "bench")
	click(t, saying(t, page, ".left-behind button", "Keep the ink"))
	until(t, page, `() => parvix.document().scenes[0].ink?.length === 1`)
	kept := documentOf(t, page)
	assert.Equal(t, 1, kept.Scenes[0].Ink[0].Colour)
	assert.Equal(t, "plane1", kept.Scenes[0].Ink[0].Panel)
	assert.Nil(t, kept.Scenes[1].Ink)
	until(t, page, `() => !document.querySelector('.left-behind')`)
}

// What is changed while presenting is set back, and can be had.
func TestAPanelOnWhichASceneDrawsNothingLeavesItsRoomAndItsTextIsStillRead(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	d := ofLines(t, "f(x) = x² + 1")
	d, err := edit.AddPanel(d, 0, true)
	require.NoError(t, err)
	d.Shown[0].Where.Panels = []string{d.Panels[0].ID}
	d = shown(t, d, document.Entry{Where: document.Where{Panels: []string{d.Panels[1].ID}}, Body: &text.Body{Pieces: []text.Piece{{Kind: text.Words, Text: "Where is it lowest?"}}}})
	goTo(t, page, "/bench/"+importDocument(t, page, d))
	drawn(t, page)
	panelsOnStage(t, page, 2)
	click(t, saying(t, page, "button", "^Present$"))
	panelsOnStage(t, page, 1)
	saying(t, page, ".under.beside p", "Where is it lowest")
}

func TestPresentingChangesNoDocument(t *testing.T) {
	page := atTheBoard(t, fountain, 1280, 800)
	before := documentOf(t, page)
	click(t, one(t, page, `[title="Largest value of k"]`))
	write(t, one(t, page, `input[aria-label="Largest value of k"]`), "9")
	press(t, page, input.Enter)
	until(t, page, `() => parvix.document().stated.find(s => s.name === 'k').to === '9'`)
	tool(t, page, "bench")
	saying(t, page, ".left-behind", "set back")
	assert.Equal(t, before.Stated, documentOf(t, page).Stated)
	click(t, saying(t, page, ".left-behind button", "Keep the changes"))
	until(t, page, `() => parvix.document().stated.find(s => s.name === 'k').to === '9'`)
}

// A scene holds back a curve and a label: the class predicts, then they are revealed one by one.
func TestWhatASceneHoldsBackIsRevealedOneByOne(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	copyBench(t, page, fountain)
	drawn(t, page)
	choose(t, page, one(t, page, `[aria-label=Shown] [data-entry="c1"]`), "Hold it back until")
	until(t, page, `() => parvix.document().scenes[0].held?.length === 1`)
	choose(t, page, one(t, page, `[aria-label=Shown] [data-entry="p1"]`), "Hold its label")
	until(t, page, `() => parvix.document().scenes[0].held?.length === 2`)
	drawn(t, page)
	says := func(words string) bool {
		t.Helper()
		return ask[bool](t, page, `words => parvix.labelled(words)`, words)
	}
	assert.True(t, says("V(3"), "on the bench nothing is held back")
	click(t, saying(t, page, ".head button", "^Present$"))
	saying(t, page, ".board-bar button", "reveal 2")
	until(t, page, `() => !parvix.labelled('V(3')`)
	assert.False(t, ask[bool](t, page, `() => parvix.words[0].includes('f')`))

	// A core that has to be started anew holds back what was held back.
	ask[any](t, page, `() => { parvix.words[0] = []; parvix.workers[0].terminate(); void parvix.values(); }`)
	until(t, page, `() => parvix.words[0].length > 0`)
	drawn(t, page)
	assert.False(t, ask[bool](t, page, `() => parvix.words[0].includes('f')`), "the curve is still covered")
	assert.False(t, says("V(3"), "and so is the label")
	tool(t, page, "reveal 2")
	until(t, page, `() => parvix.words[0].includes('f')`)
	assert.False(t, says("V(3"))
	tool(t, page, "reveal 1")
	until(t, page, `() => parvix.labelled('V(3')`)
	tool(t, page, "bench")
	until(t, page, `() => parvix.labelled('V(3')`)
}

// The curtain covers the stage from any side; a clicker's dark key draws it whole. The time is counted down.
func TestTheCurtainAndTheTime(t *testing.T) {
	page := atTheBoard(t, fountain, 1280, 800)
	tool(t, page, "curtain")
	click(t, one(t, page, `[aria-label="Draw the curtain from the left"]`))
	covered := `() => { const c = document.querySelector('.curtain').getBoundingClientRect(), s = document.querySelector('.stage').getBoundingClientRect();
		return c.width * c.height / (s.width * s.height); }`
	assert.InDelta(t, 0.5, ask[float64](t, page, covered), 0.01)
	pull(t, page, one(t, page, `[aria-label="Edge of the curtain"]`), 300, 0)
	assert.Greater(t, ask[float64](t, page, covered), 0.6)
	tool(t, page, "time")
	click(t, one(t, page, `[aria-label="5 minutes"]`))
	saying(t, page, ".timer .digits", "^(5:00|4:59)$")
	assertAccessible(t, page, "a curtain and the time")
	click(t, one(t, page, `[aria-label="Take the time away"]`))
	click(t, saying(t, page, ".curtain button", "take it away"))
	press(t, page, '.')
	until(t, page, `() => !!document.querySelector('.curtain')`)
	assert.InDelta(t, 1, ask[float64](t, page, covered), 0.01)
	press(t, page, '.')
	until(t, page, `() => !document.querySelector('.curtain')`)
}

// The teacher's window tells the notes and the scene to come, and leads the board.
func TestTheTeachersWindowLeadsTheBoard(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	copyBench(t, page, lamp)
	drawn(t, page)
	click(t, saying(t, page, ".note summary", "Your note"))
	write(t, one(t, page, ".note textarea"), "Ask first: how long is the arc?")
	press(t, page, input.Tab)
	until(t, page, `() => !!parvix.document().scenes[0].note`)
	click(t, saying(t, page, ".head button", "^Present$"))
	desk := sibling(t, page)
	goTo(t, desk, "/desk/"+ask[string](t, page, `() => location.pathname.split('/').at(-1)`))
	saying(t, desk, ".note", "how long is the arc")
	saying(t, desk, ".next h2", "The arc")
	assertAccessible(t, desk, "the teacher's window")
	click(t, saying(t, desk, "button", "next"))
	front(t, page)
	until(t, page, `() => parvix.scene() === 1`)
	one(t, page, ".board-bar") // another window at the front ends no talk

	// A second bench with the same demonstration stays where it is: the desk leads the one that presents, and follows the other one when
	// that has been closed.
	other := sibling(t, page)
	goTo(t, other, ask[string](t, page, `() => location.pathname`))
	drawn(t, other)
	front(t, desk)
	click(t, saying(t, desk, "button", "before"))
	front(t, page)
	until(t, page, `() => parvix.scene() === 0`)
	saying(t, desk, "h2", "^1 of")
	front(t, other)
	click(t, one(t, other, `[aria-label^="Scene 3:"]`))
	until(t, other, `() => parvix.scene() === 2`)
	saying(t, desk, "h2", "^1 of")
	goTo(t, page, "/shelf")
	saying(t, desk, "h2", "^3 of")
}

// A link leads to a scene and to the board; the browser's back button leads from the board to the bench, and from there to the shelf.
func TestLinksLeadToAScene(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	copyBench(t, page, lamp)
	drawn(t, page)
	click(t, one(t, page, `[aria-label^="Scene 3:"]`))
	until(t, page, `() => location.search === '?scene=3'`)
	until(t, page, `() => !parvix.gliding()`)
	require.NoError(t, page.Reload())
	drawn(t, page)
	until(t, page, `() => parvix.scene() === 2`)
	assert.Equal(t, "?scene=3", ask[string](t, page, `() => location.search`))

	click(t, saying(t, page, ".head button", "^Present$"))
	one(t, page, ".board-bar")
	assert.Contains(t, ask[string](t, page, `() => location.search`), "present")
	require.NoError(t, page.NavigateBack())
	until(t, page, `() => !document.querySelector('.board-bar') && parvix.scene() === 2`)
	assert.Contains(t, ask[string](t, page, `() => location.pathname`), "/bench/")

	click(t, saying(t, page, ".head button", "^Present$"))
	one(t, page, ".board-bar")
	press(t, page, input.Escape)
	until(t, page, `() => !document.querySelector('.board-bar') && !location.search.includes('present')`)
}
