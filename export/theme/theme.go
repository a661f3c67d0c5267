// Package theme holds the colours of the product once, for the page's style, its canvases, its component library and for pictures as
// files: paper for every day, a blackboard for a dark room, and strong light for a board in the sun and for weak eyes.
package theme

import (
	"fmt"
	"math"
	"reflect"
	"strconv"
	"strings"

	"parvix/core/stage/picture"
)

// Theme is one set of colours, as hexadecimal sRGB.
type Theme struct {
	// Key is its name in the page's styles; Words is what a teacher reads.
	Key, Words string
	// IsDark tells that what is written is lighter than what it is written on.
	IsDark bool
	Tokens
}

// Tokens are the colours by what they are for. The tags are their names in the page's styles.
type Tokens struct {
	// Paper lies under everything, Sheet under panels and cards, Deck under the dials.
	Paper string `css:"paper"`
	Sheet string `css:"sheet"`
	Deck  string `css:"deck"`
	// Ink is what is written, Muted what is written beside it.
	Ink   string `css:"ink"`
	Muted string `css:"muted"`
	// Head is the bar at the top and the numbers of scenes.
	Head        string `css:"head"`
	OnHead      string `css:"on-head"`
	OnHeadMuted string `css:"on-head-muted"`
	// Grid, FineGrid and Axis are the plane's; Parent is a parent function's.
	Grid     string `css:"grid"`
	FineGrid string `css:"grid-fine"`
	Axis     string `css:"axis"`
	Parent   string `css:"parent"`
	// Hairline parts what lies side by side.
	Hairline string `css:"hairline"`
	// Brass is the one main action of a screen, Sea the others and links.
	Brass   string `css:"brass"`
	OnBrass string `css:"on-brass"`
	Sea     string `css:"sea"`
	OnSea   string `css:"on-sea"`
	// Wrong and its ground tell a mistake, Caution's ground what deserves a second look.
	Wrong         string `css:"wrong"`
	WrongGround   string `css:"wrong-ground"`
	CautionGround string `css:"caution-ground"`
	// Hues are those of curves and dials, in the order in which they are given out.
	Hues [8]string `css:"hue"`
	// Ramp is for the members of a family, from the first to the last value.
	Ramp [9]string `css:"ramp"`
	// Tints are the hues mixed with the sheet, as many for each: the faces of surfaces from light to dark, and their lines.
	Tints [8 * picture.Tones]string `css:"tint"`
}

// All are the themes, the usual first.
var All = []Theme{Paper, Board, Strong}

// Paper is a chart room: paper, ink, brass.
var Paper = Theme{Key: "paper", Words: "paper", Tokens: tinted(Tokens{
	Paper: "#EEF1EE", Sheet: "#FFFEFA", Deck: "#E1E8E6", Ink: "#14283A", Muted: "#51626F",
	Head: "#14283A", OnHead: "#FFFEFA", OnHeadMuted: "#C3CED6",
	Grid: "#D5DEE3", FineGrid: "#E9EEF0", Axis: "#5B6B78", Parent: "#7C8893", Hairline: "#D3DBDC",
	Brass: "#E9B44C", OnBrass: "#14283A", Sea: "#0B6B6F", OnSea: "#FFFEFA",
	Wrong: "#A3281C", WrongGround: "#FBEAE6", CautionGround: "#FDF3DC",
	Hues: [8]string{"#0B4F8C", "#B5452C", "#0B6B6F", "#6A4C9C", "#8A5A00", "#A8326E", "#3F6212", "#4A4F57"},
	Ramp: [9]string{"#35308A", "#1F5A9E", "#0B7486", "#147A4A", "#5F7310", "#9A6200", "#B5481B", "#A32344", "#6D1A5B"},
})}

// Board is chalk on a blackboard.
var Board = Theme{Key: "board", Words: "blackboard", IsDark: true, Tokens: tinted(Tokens{
	Paper: "#0F1B22", Sheet: "#16262F", Deck: "#1B2D37", Ink: "#F3EFE4", Muted: "#B7C4CC",
	Head: "#091217", OnHead: "#F7F3E8", OnHeadMuted: "#B9C6CD",
	Grid: "#2C414D", FineGrid: "#1F323C", Axis: "#9DAEB8", Parent: "#8F9CA6", Hairline: "#3A505C",
	Brass: "#E9B44C", OnBrass: "#14283A", Sea: "#7AD3D0", OnSea: "#0F1B22",
	Wrong: "#FFA694", WrongGround: "#43231E", CautionGround: "#3D331C",
	Hues: [8]string{"#82BDF5", "#FF9C7D", "#5CD1C2", "#C8ABF5", "#E5B64A", "#F78FC0", "#A9D06C", "#C9CED5"},
	Ramp: [9]string{"#A9A4FF", "#86BDF6", "#63CBDD", "#6DD3A0", "#B9CC62", "#E8B450", "#FF9E75", "#FF8FA6", "#E796D6"},
})}

// Strong is for strong light and weak eyes: black on white, every colour as dark as it can be told from black.
var Strong = Theme{Key: "strong", Words: "strong light", Tokens: tinted(Tokens{
	Paper: "#EFEFEF", Sheet: "#FFFFFF", Deck: "#E4E4E4", Ink: "#000000", Muted: "#26323B",
	Head: "#000000", OnHead: "#FFFFFF", OnHeadMuted: "#E6E6E6",
	Grid: "#B4C1C8", FineGrid: "#DDE3E6", Axis: "#1D2A33", Parent: "#55606A", Hairline: "#5B6B78",
	Brass: "#FFC533", OnBrass: "#000000", Sea: "#004F53", OnSea: "#FFFFFF",
	Wrong: "#8A1409", WrongGround: "#FFF0ED", CautionGround: "#FFF6DD",
	Hues: [8]string{"#003F7F", "#96290F", "#005357", "#512E8A", "#6B4400", "#85164F", "#2D4B06", "#33383F"},
	Ramp: [9]string{"#231E73", "#0A4583", "#005566", "#055533", "#434F00", "#6F4300", "#8C2D06", "#82122F", "#560C47"},
})}

// Shares of a hue in its tints: the lightest face, each step to the next, and the lines.
const (
	lightestFace = 0.15
	tintStep     = 0.05
	meshLines    = 0.85
)

// tinted mixes the tints of a theme.
func tinted(t Tokens) Tokens {
	for hue, colour := range t.Hues {
		for tone := range picture.Tones {
			share := lightestFace + tintStep*float64(tone)
			if tone == picture.Tones-1 {
				share = meshLines
			}
			t.Tints[hue*picture.Tones+tone] = mixed(t.Sheet, colour, share)
		}
	}
	return t
}

// mixed is a colour on the way from one to another, in sRGB.
func mixed(from, to string, share float64) string {
	a, b := channels(from), channels(to)
	at := func(k int) int { return int(math.Round(float64(a[k]) + share*float64(b[k]-a[k]))) }
	return fmt.Sprintf("#%06X", at(0)<<16|at(1)<<8|at(2))
}

// channels are a colour's red, green and blue.
func channels(colour string) [3]int {
	rgb, err := strconv.ParseUint(strings.TrimPrefix(colour, "#"), 16, 24)
	if err != nil {
		panic("theme: " + colour)
	}
	return [3]int{int(rgb >> 16), int(rgb >> 8 & 0xFF), int(rgb & 0xFF)}
}

// Colours are the theme's by the core's colour numbers.
func (t Theme) Colours() map[picture.Colour]string {
	list := map[picture.Colour]string{picture.Ink: t.Ink, picture.Grid: t.Grid, picture.FineGrid: t.FineGrid,
		picture.Axis: t.Axis, picture.Grey: t.Parent, picture.Sheet: t.Sheet}
	for k, hue := range t.Hues {
		list[picture.Colour(k)] = hue
	}
	for k, colour := range t.Tints {
		list[picture.Tint+picture.Colour(k)] = colour
	}
	for k, colour := range t.Ramp {
		list[picture.Ramp+picture.Colour(k)] = colour
	}
	return list
}

// CSS writes the tokens as custom properties, one a line.
func (t Tokens) CSS(indent string) string {
	var w strings.Builder
	fields := reflect.ValueOf(t)
	for i := range fields.NumField() {
		name := fields.Type().Field(i).Tag.Get("css")
		if field := fields.Field(i); field.Kind() == reflect.Array {
			for k := range field.Len() {
				fmt.Fprintf(&w, "%s--%s-%d: %s;\n", indent, name, k, strings.ToLower(field.Index(k).String()))
			}
		} else {
			fmt.Fprintf(&w, "%s--%s: %s;\n", indent, name, strings.ToLower(field.String()))
		}
	}
	return w.String()
}
