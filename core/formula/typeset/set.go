package typeset

import "math"

// style is that of a formula's part: displayed, in running text, a script, a script of a script.
type style int

const (
	display style = iota
	text
	script
	scriptscript
)

// size is the em of a style, in em of running text.
func (s style) size() float64 { return [...]float64{1, 1, 0.7, 0.5}[s] }

// The parameters of the faces by style (TeXbook, appendix G, with the names of its page 447), in em of the style.
type parameters struct {
	num1, num2, denom1, denom2, sup1, sup2, sup3, sub1, sub2, supDrop, subDrop, rule, quad float64
}

var byStyle = [...]parameters{
	text:         {0.677, 0.394, 0.686, 0.345, 0.413, 0.363, 0.289, 0.15, 0.247, 0.386, 0.05, 0.04, 1},
	script:       {0.732, 0.384, 0.752, 0.344, 0.503, 0.431, 0.286, 0.143, 0.286, 0.353, 0.071, 0.049, 1.171},
	scriptscript: {0.925, 0.387, 1.025, 0.532, 0.504, 0.404, 0.294, 0.2, 0.4, 0.494, 0.1, 0.049, 1.472},
}

func (s style) parameters() *parameters { return &byStyle[max(s, text)] }

const (
	axisHeight, xHeight = 0.25, 0.431
	// scriptSpace is left behind a script, nullSpace beside a fraction.
	scriptSpace, nullSpace = 0.05, 0.12
	// rootRule is the thickness of a root's bar.
	rootRule = 0.04
)

// setter sets parts in a style; a cramped one keeps exponents low.
type setter struct {
	style   style
	cramped bool
	class   string // the style class around
}

func (s setter) in(style style, cramped bool) setter {
	s.style, s.cramped = style, cramped
	return s
}

// between is the space between two classes in mu, as the TeXbook has it on page 170; negative ones are left out in scripts.
var between = [...][8]float64{
	ord:     {0, 3, -4, -5, 0, 0, 0, -3},
	op:      {3, 3, 0, -5, 0, 0, 0, -3},
	bin:     {-4, -4, 0, 0, -4, 0, 0, -4},
	rel:     {-5, -5, 0, 0, -5, 0, 0, -5},
	open:    {0, 0, 0, 0, 0, 0, 0, 0},
	closing: {0, 3, -4, -5, 0, 0, 0, -3},
	punct:   {-3, -3, 0, -5, -3, -3, -3, -3},
	inner:   {-3, 3, -4, -5, -3, 0, -3, -3},
}

// placed is an atom with its style class, in the order of the line.
type placed struct {
	node  node
	class class
	wears string
}

// flat puts the atoms of styled parts into their line.
func flat(list []node, wears string, out []placed) []placed {
	for _, n := range list {
		if s, is := n.(styled); is {
			out = flat(s.list, s.class, out)
			continue
		}
		out = append(out, placed{n, classOf(n), wears})
	}
	return out
}

func classOf(n node) class {
	switch n := n.(type) {
	case sign:
		return n.class
	case word:
		return n.class
	case large:
		return op
	case fence:
		return inner
	case scripted:
		if len(n.base) == 1 {
			if s, is := n.base[0].(styled); is && len(s.list) > 0 {
				return ord
			}
			return classOf(n.base[0])
		}
	}
	return ord
}

// isSpace tells whether an atom is room only.
func (p placed) isSpace() bool {
	_, is := p.node.(space)
	return is
}

// asOperands turns signs of operations without an operand beside them into ordinary ones: the minus of −1 (TeXbook, page 170).
func asOperands(line []placed) {
	before := -1
	for i := range line {
		if line[i].isSpace() {
			continue
		}
		if line[i].class == bin && (before < 0 || cancels(line[before].class)) {
			line[i].class = ord
		}
		if c := line[i].class; before >= 0 && line[before].class == bin && (c == rel || c == closing || c == punct) {
			line[before].class = ord
		}
		before = i
	}
	if before >= 0 && line[before].class == bin {
		line[before].class = ord
	}
}

func cancels(c class) bool { return c == bin || c == open || c == rel || c == op || c == punct }

// list sets atoms on a line; lengths are in em of running text.
func (s setter) list(nodes []node) (b Box) {
	line := flat(nodes, s.class, nil)
	asOperands(line)
	before := -1
	for i, p := range line {
		if gap, is := p.node.(space); is {
			b.Width += gap.mu / 18 * s.style.parameters().quad * s.style.size()
			continue
		}
		if before >= 0 {
			b.Width += s.gap(line[before].class, p.class)
		}
		before = i
		inner := s
		inner.class = p.wears
		set := inner.one(p.node)
		b.put(set, b.Width, 0)
		b.Width += set.Width
	}
	return b
}

func (s setter) gap(left, right class) float64 {
	mu := between[left][right]
	if mu < 0 && s.style >= script {
		return 0
	}
	return math.Abs(mu) / 18 * s.style.parameters().quad * s.style.size()
}

// one sets an atom.
func (s setter) one(n node) Box {
	switch n := n.(type) {
	case sign:
		return s.word(string(n.letter), n.face)
	case word:
		return s.word(n.text, n.face)
	case group:
		return s.list(n.list)
	case styled:
		s.class = n.class
		return s.list(n.list)
	case fraction:
		return s.fraction(n)
	case root:
		return s.root(n)
	case scripted:
		return s.scripted(n)
	case fence:
		return s.fence(n)
	case large:
		return s.large(n.letter)
	case table:
		return s.table(n)
	}
	return Box{}
}

// word sets letters side by side. What leans out of a single letter of a formula is added to its width.
func (s setter) word(letters string, face Face) (b Box) {
	size := s.style.size()
	for _, letter := range letters {
		g := glyphOf(face, letter)
		b.Runs = append(b.Runs, Run{Face: face, Size: size, X: b.Width, Text: string(letter), Class: s.class})
		b.Width += g.width * size
		if face == Italic {
			b.Width += g.italic * size
		}
		b.Height, b.Depth = max(b.Height, g.height*size), max(b.Depth, g.depth*size)
	}
	return b
}

// fraction follows rule 15 of appendix G.
func (s setter) fraction(f fraction) (b Box) {
	style := s.style
	if f.displayed {
		style = display
	}
	inner := [...]style2{display: {text, text}, text: {script, script}, script: {scriptscript, scriptscript}, scriptscript: {scriptscript, scriptscript}}[style]
	above, below := s.in(inner.above, s.cramped).list(f.above), s.in(inner.below, true).list(f.below)
	p, em := style.parameters(), style.size()
	rule, up, down := p.rule*em, p.num2*em, p.denom2*em
	clearance := rule
	if style == display {
		up, down, clearance = p.num1*em, p.denom1*em, 3*rule
	}
	axis := axisHeight * em
	if least := above.Depth + axis + rule/2 + clearance; up < least {
		up = least
	}
	if least := below.Height - axis + rule/2 + clearance; down < least {
		down = least
	}
	width := max(above.Width, below.Width)
	const side = nullSpace
	b.put(above, side+(width-above.Width)/2, -up)
	b.put(below, side+(width-below.Width)/2, down)
	b.Rules = append(b.Rules, Rule{side, -axis - rule/2, width, rule, s.class})
	b.Width = width + 2*side
	return b
}

type style2 struct{ above, below style }

// scripted follows rule 18 of appendix G.
func (s setter) scripted(n scripted) (b Box) {
	base := s.list(n.base)
	p, em := s.style.parameters(), s.style.size()
	small := min(max(s.style, text)+1, scriptscript)
	up, down := 0.0, 0.0
	if !isLetterBox(n.base) {
		up = base.Height - small.parameters().supDrop*small.size()
		down = base.Depth + small.parameters().subDrop*small.size()
	}
	least := p.sup2
	if s.style == display {
		least = p.sup1
	} else if s.cramped {
		least = p.sup3
	}
	b = base
	above, below := s.in(small, s.cramped).list(n.sup), s.in(small, true).list(n.sub)
	up = max(up, least*em, above.Depth+xHeight*em/4)
	switch {
	case n.sup != nil && n.sub != nil:
		down = max(down, p.sub2*em)
		rule := p.rule * em
		if up-above.Depth-(below.Height-down) < 4*rule {
			down = 4*rule - (up - above.Depth) + below.Height
			if raise := 0.8*xHeight*em - (up - above.Depth); raise > 0 {
				up, down = up+raise, down-raise
			}
		}
	case n.sub != nil:
		down = max(down, p.sub1*em, below.Height-0.8*xHeight*em)
	}
	width := 0.0
	if n.sup != nil {
		b.put(above, base.Width, -up)
		width = above.Width + scriptSpace
	}
	if n.sub != nil {
		lean := leanOf(n.base) * em
		b.put(below, base.Width-lean, down)
		width = max(width, below.Width+scriptSpace-lean)
	}
	b.Width = base.Width + width
	return b
}

// isLetterBox tells whether scripts hang on a single sign.
func isLetterBox(base []node) bool {
	if len(base) == 0 {
		return true
	}
	if len(base) != 1 {
		return false
	}
	switch n := base[0].(type) {
	case sign:
		return true
	case group:
		return len(n.list) == 1 && isLetterBox(n.list)
	case word:
		return n.class == ord && len([]rune(n.text)) == 1
	}
	return false
}

// leanOf is how far a single letter leans over its index.
func leanOf(base []node) float64 {
	if len(base) == 1 {
		if n, is := base[0].(sign); is && n.face == Italic {
			return glyphOf(Italic, n.letter).italic
		}
	}
	return 0
}

// root follows rule 11 of appendix G; the sign is the first of its sizes that is tall enough.
func (s setter) root(n root) (b Box) {
	p, em := s.style.parameters(), s.style.size()
	body := s.in(s.style, true).list(n.body)
	if body.Height == 0 {
		body.Height = xHeight * em
	}
	theta := p.rule * em
	phi := theta
	if s.style == display {
		phi = xHeight * em
	}
	clearance := theta + phi/4
	face, tall, advance := surd((body.Height + body.Depth + clearance + theta) / em)
	tall *= em
	rule := rootRule * em
	if room := tall - rule; room > body.Height+body.Depth+clearance {
		clearance = (clearance + room - body.Height - body.Depth) / 2
	}
	shift := tall - body.Height - clearance - rule
	left := 0.0
	if n.index != nil {
		index := s.in(scriptscript, false).list(n.index)
		raise := 0.6 * (body.Height + clearance + 2*rule - max(body.Depth, shift))
		b.put(index, 5.0/18*em, -raise)
		left = 5.0/18*em + index.Width - 10.0/18*em
	}
	g := glyphOf(face, '√')
	// The sign hangs from the bar.
	stretch := tall / (g.height + g.depth)
	b.Runs = append(b.Runs, Run{Face: face, Size: stretch, X: left, Y: shift - g.depth*stretch, Text: "√", Class: s.class})
	b.put(body, left+advance*em, 0)
	b.Rules = append(b.Rules, Rule{left + advance*em, shift - tall, body.Width, rule, s.class})
	b.Width = left + advance*em + body.Width
	b.Height, b.Depth = max(b.Height, tall-shift+rule), max(b.Depth, shift)
	return b
}

// surd chooses the root's sign for a height: its face, its own height and its width.
func surd(height float64) (face Face, tall, advance float64) {
	if height <= 1 {
		return Roman, 1, 0.833
	}
	for k, own := range []float64{1.2, 1.8, 2.4, 3} {
		if height <= own {
			return Size1 + Face(k), own, 1
		}
	}
	return Size4, height, 1.056
}

// large sets a sign that is larger than its line, about the axis.
func (s setter) large(letter rune) (b Box) {
	em := s.style.size()
	face := Size1
	if s.style == display {
		face = Size2
	}
	g := glyphOf(face, letter)
	shift := ((g.height-g.depth)/2 - axisHeight) * em
	b.put(Box{Height: g.height * em, Depth: g.depth * em, Runs: []Run{{Face: face, Size: em, Text: string(letter), Class: s.class}}}, 0, shift)
	b.Width = (g.width + g.italic) * em
	return b
}

// fence sets fences as tall as what they enclose (TeXbook, page 152: nine tenths of it, or half an em less).
func (s setter) fence(f fence) (b Box) {
	em := s.style.size()
	body := s.list(f.body)
	least := fenceFor(body, em)
	for _, part := range []Box{s.delimiter(f.left, least), body, s.delimiter(f.right, least)} {
		b.put(part, b.Width, 0)
		b.Width += part.Width
	}
	return b
}

// fenceFor is how tall a fence has to be.
func fenceFor(body Box, em float64) float64 {
	axis := axisHeight * em
	reach := max(body.Height-axis, body.Depth+axis)
	return max(reach/500*901, 2*reach-0.5*em)
}

// delimiter sets a fence of at least a height, about the axis.
func (s setter) delimiter(letter rune, least float64) (b Box) {
	em := s.style.size()
	if letter == 0 {
		b.Width = nullSpace
		return b
	}
	axis := axisHeight * em
	if letter == '|' {
		return s.bar(least)
	}
	face, size := s.faceOf(letter, least)
	g := glyphOf(face, letter)
	shift := (g.height-g.depth)/2*size - axis
	b.put(Box{Height: g.height * size, Depth: g.depth * size, Runs: []Run{{Face: face, Size: size, Text: string(letter), Class: s.class}}}, 0, shift)
	b.Width = g.width * size
	return b
}

// faceOf chooses the face in which a fence is tall enough, and the size of its em: first the sizes of its own style and
// smaller ones, then the large signs, at last a large one that is stretched.
func (s setter) faceOf(letter rune, least float64) (Face, float64) {
	for style := scriptscript; style >= max(s.style, text); style-- {
		g := glyphOf(Roman, letter)
		if size := style.size(); style <= max(s.style, text) && (g.height+g.depth)*size >= least {
			return Roman, size
		}
	}
	for face := Size1; face <= Size4; face++ {
		if g := glyphOf(face, letter); has(face, letter) && g.height+g.depth >= least {
			return face, 1
		}
	}
	g := glyphOf(Size4, letter)
	return Size4, least / (g.height + g.depth)
}

// bar sets the bar of an absolute value: a sign of its line, or pieces put on each other.
func (s setter) bar(least float64) (b Box) {
	em := s.style.size()
	if g := glyphOf(Roman, '∣'); least <= (g.height+g.depth)*em {
		return s.word("∣", Roman)
	}
	piece := glyphOf(Size1, '∣')
	each := piece.height + piece.depth
	tall := each * math.Max(2, math.Ceil(least/each))
	b.Width = piece.width
	axis := axisHeight * em
	const thick = 0.044
	b.Height, b.Depth = tall/2+axis, tall/2-axis
	b.Rules = []Rule{{(b.Width - thick*em) / 2, -b.Height, thick * em, tall, s.class}}
	return b
}

// Sizes of a table's rows, in em: the distance of its lines, of which 0.7 lie above the baseline, and the room between columns;
// cases stand further apart.
const (
	lineSkip, casesStretch  = 1.2, 1.2
	columnGap, columnMargin = 1.0, 0.5
)

// table sets rows of cells: cases to the left behind a brace, an array's in the middle of their columns.
func (s setter) table(n table) (b Box) {
	em := s.style.size()
	skip := lineSkip * em
	if n.cases {
		skip *= casesStretch
	}
	var cells [][]Box
	var widths, heights, depths []float64
	total := 0.0
	for i, row := range n.rows {
		var line []Box
		height, depth := 0.7*skip, 0.3*skip
		for k, cell := range row {
			box := s.in(max(s.style, text), false).list(cell)
			height, depth = max(height, box.Height), max(depth, box.Depth)
			if k == len(widths) {
				widths = append(widths, 0)
			}
			widths[k] = max(widths[k], box.Width)
			line = append(line, box)
		}
		if n.below[i] > 0 {
			depth = max(depth, n.below[i]*em+0.3*skip)
		}
		cells, heights, depths = append(cells, line), append(heights, height), append(depths, depth)
		total += height + depth
	}
	var rows Box
	margin := 0.0
	if !n.cases {
		margin = columnMargin * em
	}
	y := -total/2 - axisHeight*em
	for i, line := range cells {
		y += heights[i]
		x := margin
		for k, box := range line {
			if n.cases {
				rows.put(box, x, y)
			} else {
				rows.put(box, x+(widths[k]-box.Width)/2, y)
			}
			x += widths[k] + columnGap*em
		}
		y += depths[i]
	}
	for _, w := range widths {
		rows.Width += w
	}
	rows.Width += columnGap*em*float64(max(0, len(widths)-1)) + 2*margin
	rows.Height, rows.Depth = total/2+axisHeight*em, total/2-axisHeight*em
	if !n.cases {
		return rows
	}
	for _, part := range []Box{s.delimiter('{', fenceFor(rows, em)), rows, s.delimiter(0, 0)} {
		b.put(part, b.Width, 0)
		b.Width += part.Width
	}
	return b
}
