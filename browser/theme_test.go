package browser

import (
	"bytes"
	"fmt"
	"image/color"
	"image/png"
	"testing"

	"github.com/go-rod/rod"
	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/export/theme"
)

// paperAt is the colour of the middle of a place on the screen, as RRGGBB.
func paperAt(t *testing.T, page *rod.Page, x, y int) color.NRGBA {
	t.Helper()
	data, err := page.Screenshot(false, nil)
	require.NoError(t, err)
	picture, err := png.Decode(bytes.NewReader(data))
	require.NoError(t, err)
	return color.NRGBAModel.Convert(picture.At(x, y)).(color.NRGBA)
}

func inColour(t *testing.T, hex string) color.NRGBA {
	t.Helper()
	c := color.NRGBA{A: 255}
	_, err := fmt.Sscanf(hex, "#%02X%02X%02X", &c.R, &c.G, &c.B)
	require.NoError(t, err)
	return c
}

// The colours of the screen follow what the machine prefers until a theme is chosen, which stays; page, canvas and the library's
// dialogs wear the same.
func TestTheScreenWearsTheChosenColours(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	copyBench(t, page, fountain)
	drawn(t, page)
	prefer := func(name, value string) {
		t.Helper()
		require.NoError(t, proto.EmulationSetEmulatedMedia{Features: []*proto.EmulationMediaFeature{{Name: name, Value: value}}}.Call(page))
	}
	// A place of the plane between the lines of the grid.
	wears := func(is theme.Theme) {
		t.Helper()
		until(t, page, `key => document.documentElement.dataset.theme === key`, is.Key)
		drawn(t, page)
		assert.Equal(t, inColour(t, is.Sheet), paperAt(t, page, 56, 560), is.Key)
		assert.Equal(t, inColour(t, is.Head), paperAt(t, page, 700, 8), is.Key)
	}
	wears(theme.Paper)
	prefer("prefers-color-scheme", "dark")
	wears(theme.Board)
	prefer("prefers-contrast", "more")
	wears(theme.Strong)
	prefer("prefers-color-scheme", "light")
	wears(theme.Paper)

	// Where the machine forces its own colours on pages, pictures wear the nearest, and what tells by its colour keeps it.
	forced := func(is theme.Theme, scheme string) {
		t.Helper()
		require.NoError(t, proto.EmulationSetEmulatedMedia{Features: []*proto.EmulationMediaFeature{{Name: "forced-colors", Value: "active"},
			{Name: "prefers-color-scheme", Value: scheme}}}.Call(page))
		until(t, page, `key => document.documentElement.dataset.theme === key`, is.Key)
		drawn(t, page)
		assert.Equal(t, inColour(t, is.Sheet), paperAt(t, page, 56, 560), is.Key)
		until(t, page, `() => {
			const grounds = [...document.querySelectorAll('.dial .filled')].map(e => getComputedStyle(e).backgroundColor);
			return grounds.length > 1 && new Set(grounds).size === grounds.length;
		}`)
	}
	forced(theme.Board, "dark")
	forced(theme.Strong, "light")
	// A switch shows that it is one, and whether it is on.
	click(t, one(t, page, `[aria-label=Shown] [data-entry] .says`))
	until(t, page, `() => {
		const grounds = [...document.querySelectorAll('.folio .ant-switch')].map(e => [e.ariaChecked, getComputedStyle(e).backgroundColor]);
		return new Set(grounds.map(([on]) => on)).size === 2 && new Set(grounds.map(([, ground]) => ground)).size === 2;
	}`)
	press(t, page, input.Escape)
	prefer("forced-colors", "none")
	wears(theme.Paper)

	click(t, one(t, page, `[aria-label="Colours of the screen"]`))
	require.NoError(t, takeItem(page, "blackboard", patience))
	wears(theme.Board)
	require.NoError(t, page.Reload())
	drawn(t, page)
	wears(theme.Board)
	click(t, one(t, page, `[aria-label="Colours of the screen"]`))
	require.NoError(t, takeItem(page, "as this machine", patience))
	wears(theme.Paper)
}
