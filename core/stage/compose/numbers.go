package compose

import (
	"math"
	"strings"

	"parvix/core/formula/number"
	"parvix/core/formula/typeset"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/picture"
)

// numbering gives the numbers beside the axes their places.
type numbering struct {
	*Brush
	set      func(latex string) typeset.Box
	numerals []numeral
	// taken is where they stand.
	taken []box
}

// numeral is a number beside an axis, or the axis' name.
type numeral struct {
	text string
	// latex is set for what is written as a formula.
	latex string
	// places are where it may stand, the usual first; chosen is one of them, hidden for none.
	places []standing
	chosen int
	onY    bool
	// mayMiss tells that it is left out rather than crossed: the zero and the names.
	mayMiss bool
}

// hidden is chosen for a number that is left out.
const hidden = -1

// standing is a place of a number: its box, and where its text begins, ends or has its middle.
type standing struct {
	box   box
	x, y  float64
	align picture.Align
}

// Room of a number in pixels: a digit of the shipped face is about 8 wide and 14 high at the usual size.
const digitWidth, digitHeight = 8.0, 14.0

// Gaps in pixels between an axis and its numbers, and between a number and the place it is moved from.
const belowAxis, besideAxis, asideOfTick = 7.0, 8.0, 5.0

// fractionEm is the em of a fraction beside an axis in pixels: its parts are as large as the other numbers; nameEm that of a name.
const fractionEm, nameEm = 20.0, 19.0

// sizeOf is the room of a number.
func (c *numbering) sizeOf(n *numeral) Size {
	if n.latex == "" {
		return Size{digitWidth * c.size() * float64(len([]rune(n.text))), digitHeight * c.size()}
	}
	set, em := c.set(n.latex), c.emOf(n)
	return Size{set.Width * em, (set.Height + set.Depth) * em}
}

func (c *numbering) emOf(n *numeral) float64 {
	if n.text == "" {
		return nameEm * c.size()
	}
	return fractionEm * c.size()
}

// at lays a number out: across and down are −1, 0 or 1 for before, about and behind the place.
func (c *numbering) at(size Size, x, y float64, across, down float64) standing {
	b := box{x - size.Width*(1-across)/2, y - size.Height*(1-down)/2, size.Width, size.Height}
	align := picture.Centre
	switch across {
	case -1:
		align = picture.Right
	case 1:
		align = picture.Left
	}
	return standing{b, x, b.y + b.height/2, align}
}

// find gathers what stands beside the axes, with its places: beside its tick, on the other side of the axis, moved aside, or
// at the edge of the panel. Where an axis is out of sight its numbers stand at that edge.
func (c *numbering) find(x, y axis, names [2]string, outward float64) {
	v, size := c.View, c.size()
	c.numerals = c.numerals[:0]
	zeroX, zeroY := v.X(0), v.Y(0)
	lowest := 2 * (belowAxis + digitHeight/2) * size
	for _, t := range x.ticks {
		if stacked(t.text) != "" {
			lowest = 2.4 * (belowAxis + digitHeight/2) * size
			break
		}
	}
	axisY := math.Max(0, math.Min(zeroY, v.Height-lowest))
	axisX := math.Max(30*size, math.Min(zeroX, v.Width-4))
	c.name(names[0], false, [2][4]float64{{v.Width - 4, axisY - belowAxis, -1, -1}, {v.Width - 4, axisY + belowAxis, -1, 1}})
	c.name(names[1], true, [2][4]float64{{axisX + besideAxis, 3, 1, 1}, {axisX - besideAxis, 3, -1, 1}})
	for _, t := range x.ticks {
		n := numeral{text: t.text, latex: stacked(t.text)}
		room := c.sizeOf(&n)
		at := v.X(t.value) + math.Copysign(outward*size, t.value)
		if t.value == 0 || at < room.Width/2 || at > v.Width-room.Width/2 {
			continue
		}
		under, over := axisY+belowAxis*size, axisY-belowAxis*size
		n.places = []standing{c.at(room, at, under, 0, 1), c.at(room, at, over, 0, -1),
			c.at(room, at-asideOfTick, under, -1, 1), c.at(room, at+asideOfTick, under, 1, 1),
			c.at(room, at+asideOfTick, over, 1, -1), c.at(room, at-asideOfTick, over, -1, -1), c.at(room, at, v.Height-3, 0, -1),
			c.at(room, at, under+digitHeight*size, 0, 1), c.at(room, at, 3, 0, 1)}
		c.numerals = append(c.numerals, n)
	}
	for _, t := range y.ticks {
		n := numeral{text: t.text, latex: stacked(t.text), onY: true}
		room := c.sizeOf(&n)
		at := v.Y(t.value) - math.Copysign(outward*size, t.value)
		if t.value == 0 || at < room.Height*0.6 || at > v.Height-room.Height*0.6 {
			continue
		}
		left, right := axisX-besideAxis, axisX+besideAxis
		n.places = []standing{c.at(room, left, at, -1, 0), c.at(room, right, at, 1, 0),
			c.at(room, left, at-asideOfTick, -1, -1), c.at(room, left, at+asideOfTick, -1, 1),
			c.at(room, right, at-asideOfTick, 1, -1), c.at(room, right, at+asideOfTick, 1, 1), c.at(room, 4, at, 1, 0),
			c.at(room, v.Width-4, at, -1, 0)}
		c.numerals = append(c.numerals, n)
	}
	if zeroX > 20 && zeroX < v.Width && zeroY > 0 && zeroY < v.Height-20 {
		n := numeral{text: "0", mayMiss: true}
		room := c.sizeOf(&n)
		for _, q := range [4][2]float64{{-1, 1}, {1, 1}, {-1, -1}, {1, -1}} {
			n.places = append(n.places, c.at(room, zeroX+q[0]*besideAxis, zeroY+q[1]*belowAxis*size, q[0], q[1]))
		}
		c.numerals = append(c.numerals, n)
	}
}

// name adds the name of an axis with its places, each an x, a y and the directions from there.
func (c *numbering) name(latex string, onY bool, places [2][4]float64) {
	if latex == "" {
		return
	}
	n := numeral{latex: latex, onY: onY, mayMiss: true}
	room := c.sizeOf(&n)
	for _, p := range places {
		n.places = append(n.places, c.at(room, p[0], p[1], p[2], p[3]))
	}
	c.numerals = append(c.numerals, n)
}

// leastNumbers is how many numbers an axis keeps even where curves cross them.
const leastNumbers = 2

// choose gives each number a place that no curve crosses.
func (c *numbering) choose() {
	c.taken = c.taken[:0]
	shown := map[bool]int{}
	var without []int
	for i := range c.numerals {
		n := &c.numerals[i]
		to := c.placeOf(n)
		if to == hidden && !n.mayMiss {
			without = append(without, i)
			continue
		}
		c.stand(n, to)
		if to != hidden && !n.mayMiss {
			shown[n.onY]++
		}
	}
	for _, i := range without {
		n, to := &c.numerals[i], hidden
		if shown[n.onY] < leastNumbers {
			shown[n.onY]++
			to = 0
		}
		c.stand(n, to)
	}
}

// placeOf is the first place of a number that is free: it goes back to the usual one when what crossed it has gone.
func (c *numbering) placeOf(n *numeral) int {
	for k, p := range n.places {
		if c.isFree(p.box) {
			return k
		}
	}
	return hidden
}

// stand puts a number in a place.
func (c *numbering) stand(n *numeral, to int) {
	if n.chosen = to; to != hidden {
		c.taken = append(c.taken, n.places[to].box)
	}
}

// isFree tells that a number's box lies on nothing that was drawn and on no other number.
func (c *numbering) isFree(b box) bool {
	if b.x < 0 || b.y < 0 || b.x+b.width > c.View.Width || b.y+b.height > c.View.Height {
		return false
	}
	for _, other := range c.taken {
		if b.meets(other) {
			return false
		}
	}
	return !c.Room.holds(b, anybody&^axisLine)
}

// writeNumerals writes the numbers at their places, with what moves: a curve that comes makes them give way.
func (c *Composer) writeNumerals() {
	c.pic.Numbers = c.pic.Numbers[:0]
	for i := range c.numbers.numerals {
		n := &c.numbers.numerals[i]
		if n.chosen == hidden {
			continue
		}
		p := n.places[n.chosen]
		if !n.mayMiss {
			c.pic.Numbers = append(c.pic.Numbers, picture.Number{X: p.box.x, Y: p.box.y, Width: p.box.width, Height: p.box.height, OnY: n.onY})
		}
		if n.latex != "" {
			set, em := c.set(n.latex), c.numbers.emOf(n)
			c.pic.Words = c.writeBox(set, em, p.box.x, p.box.y+set.Height*em, picture.Ink, true, c.pic.Words)
			continue
		}
		c.pic.Words = append(c.pic.Words, n.text)
		c.Pen.Text(picture.Ink, len(c.pic.Words)-1, p.x, p.y, p.align)
	}
}

// stacked is a fraction of π as a formula; empty for another number.
func stacked(text string) string {
	above, below, is := strings.Cut(text, "/")
	if !is || !strings.Contains(above, "π") {
		return ""
	}
	sign := ""
	if rest, negative := strings.CutPrefix(above, number.Minus); negative {
		sign, above = "-", rest
	}
	return sign + `\frac{` + strings.ReplaceAll(above, "π", `\pi `) + "}{" + below + "}"
}

// namesOf are the names of a panel's axes.
func namesOf(f *evaluate.Frame) [3]string {
	if f.View.Projection.Is {
		return namesInSpace(f)
	}
	names := axisNames(f)
	return [3]string{names[0], names[1]}
}

// axisNames are the names of a plane's axes: those that were given, else the letter that the functions on it hang on, and y.
func axisNames(f *evaluate.Frame) [2]string {
	if !f.Panel.Axes || f.Panel.Polar || f.Panel.Kind == document.Around {
		return [2]string{}
	}
	across := ""
	for _, a := range f.Appearing {
		letter := abscissaOf(f.Now, a.Live)
		switch {
		case letter == "" || letter == across:
		case across == "":
			across = letter
		default:
			across = "x"
		}
	}
	names := [2]string{"x", "y"}
	if across != "" {
		names[0] = evaluate.HeadLaTeX(across, nil)
	}
	for i, given := range [2]string{f.Panel.NameX, f.Panel.NameY} {
		if given != "" {
			names[i] = nameLaTeX(given)
		}
	}
	return names
}

// abscissaOf is the letter that an entry counts along the x-axis; empty for one that has none.
func abscissaOf(d evaluate.Moment, live any) string {
	switch l := live.(type) {
	case interface{ Graph() *evaluate.Function }:
		if variables := l.Graph().Stated.Variables; len(variables) > 0 {
			return variables[0]
		}
	case interface{ Abscissa(evaluate.Moment) string }:
		return l.Abscissa(d)
	}
	return ""
}

// nameLaTeX is a name of an axis: a single letter as a variable, anything longer as words.
func nameLaTeX(name string) string {
	if letters := []rune(name); len(letters) == 1 {
		return evaluate.HeadLaTeX(name, nil)
	}
	return WordsLaTeX(name)
}
