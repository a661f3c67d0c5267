package theme_test

import (
	"fmt"
	"math"
	"strconv"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/export/theme"
)

// linear is a colour in linear sRGB (IEC 61966-2-1).
func linear(t *testing.T, hex string) (rgb [3]float64) {
	t.Helper()
	require.Len(t, hex, 7, hex)
	for i := range rgb {
		n, err := strconv.ParseUint(hex[1+2*i:3+2*i], 16, 8)
		require.NoError(t, err)
		c := float64(n) / 255
		if c <= 0.04045 {
			rgb[i] = c / 12.92
		} else {
			rgb[i] = math.Pow((c+0.055)/1.055, 2.4)
		}
	}
	return rgb
}

// contrast is the contrast ratio of WCAG 2.2.
func contrast(t *testing.T, a, b string) float64 {
	t.Helper()
	luminance := func(hex string) float64 {
		c := linear(t, hex)
		return 0.2126*c[0] + 0.7152*c[1] + 0.0722*c[2]
	}
	x, y := luminance(a), luminance(b)
	return (math.Max(x, y) + 0.05) / (math.Min(x, y) + 0.05)
}

// The contrast of the examples in WCAG 2.2's understanding documents: black on white 21, #767676 on white just above 4.5.
func TestContrastIsThatOfTheStandard(t *testing.T) {
	assert.InDelta(t, 21, contrast(t, "#000000", "#FFFFFF"), 1e-9)
	assert.InDelta(t, 4.54, contrast(t, "#767676", "#FFFFFF"), 0.005)
}

// WCAG 2.2, 1.4.3 and 1.4.11: 4.5 for what is read, 3 for lines and marks; the theme for strong light keeps 7 for what is read (1.4.6).
func TestEveryThemeCanBeRead(t *testing.T) {
	for _, th := range theme.All {
		text := 4.5
		if th.Key == "strong" {
			text = 7
		}
		read := func(what, colour, ground string) {
			assert.GreaterOrEqual(t, contrast(t, colour, ground), text, "%s: %s", th.Key, what)
		}
		read("ink on the sheet", th.Ink, th.Sheet)
		read("ink on paper", th.Ink, th.Paper)
		read("ink on the deck", th.Ink, th.Deck)
		read("what stands beside, on the sheet", th.Muted, th.Sheet)
		read("what stands beside, on paper", th.Muted, th.Paper)
		read("what stands beside, on the deck", th.Muted, th.Deck)
		read("the head", th.OnHead, th.Head)
		read("beside it in the head", th.OnHeadMuted, th.Head)
		read("the main action", th.OnBrass, th.Brass)
		read("a link on the sheet", th.Sea, th.Sheet)
		read("a link on paper", th.Sea, th.Paper)
		read("on an action that is on", th.OnSea, th.Sea)
		read("a mistake", th.Wrong, th.WrongGround)
		read("a mistake on the sheet", th.Wrong, th.Sheet)
		read("a caution", th.Ink, th.CautionGround)
		for k, hue := range th.Hues {
			read(fmt.Sprintf("the label of hue %d", k), hue, th.Sheet)
		}
		for k, colour := range th.Ramp {
			read(fmt.Sprintf("the label of member %d", k), colour, th.Sheet)
		}
		for what, colour := range map[string]string{"axis": th.Axis, "parent": th.Parent} {
			assert.GreaterOrEqual(t, contrast(t, colour, th.Sheet), 3.0, "%s: %s", th.Key, what)
		}
	}
}

// deficiencies are how colours are seen without one kind of cones, in linear sRGB (Machado, Oliveira and Fernandes, IEEE Transactions on
// Visualization and Computer Graphics 15, 2009, severity 1).
var deficiencies = map[string][3][3]float64{
	"protanopia":   {{0.152286, 1.052583, -0.204868}, {0.114503, 0.786281, 0.099216}, {-0.003882, -0.048116, 1.051998}},
	"deuteranopia": {{0.367322, 0.860646, -0.227968}, {0.280085, 0.672501, 0.047413}, {-0.011820, 0.042940, 0.968881}},
	"tritanopia":   {{1.255528, -0.076749, -0.178779}, {-0.078411, 0.930809, 0.147602}, {0.004733, 0.691367, 0.303900}},
}

// lab is a colour of linear sRGB in CIELAB under D65.
func lab(c [3]float64) [3]float64 {
	f := func(t float64) float64 {
		if t > 216.0/24389 {
			return math.Cbrt(t)
		}
		return (24389.0/27*t + 16) / 116
	}
	x := f((0.4124*c[0] + 0.3576*c[1] + 0.1805*c[2]) / 0.95047)
	y := f(0.2126*c[0] + 0.7152*c[1] + 0.0722*c[2])
	z := f((0.0193*c[0] + 0.1192*c[1] + 0.9505*c[2]) / 1.08883)
	return [3]float64{116*y - 16, 500 * (x - y), 200 * (y - z)}
}

// The first three hues, which most scenes need, are told apart by whoever lacks one kind of cones: about 2.3 is a difference that can just be
// seen in CIELAB (Mahy, Van Eycken and Oosterlinck 1994); four times that is wanted.
func TestTheFirstHuesAreToldApartByEveryone(t *testing.T) {
	for _, th := range theme.All {
		for name, seen := range deficiencies {
			as := func(hex string) [3]float64 {
				c := linear(t, hex)
				var out [3]float64
				for i := range out {
					out[i] = math.Max(0, math.Min(1, seen[i][0]*c[0]+seen[i][1]*c[1]+seen[i][2]*c[2]))
				}
				return lab(out)
			}
			for i := range 3 {
				for k := range i {
					a, b := as(th.Hues[i]), as(th.Hues[k])
					apart := math.Sqrt(math.Pow(a[0]-b[0], 2) + math.Pow(a[1]-b[1], 2) + math.Pow(a[2]-b[2], 2))
					assert.Greater(t, apart, 9.2, "%s, %s: hues %d and %d", th.Key, name, k, i)
				}
			}
		}
	}
}
