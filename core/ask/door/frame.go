package door

import (
	"encoding/json"
	"math"

	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/circle"
	"parvix/core/stage/kinds/steps"
	"parvix/core/stage/picture"
	"parvix/core/stage/sample"
	"parvix/core/stage/view"
)

// The hot path: numbers in, numbers out. Indexes are those of Loaded.Dials and of the document's panels and shown
// entries; one that does not exist changes nothing.

// DragDial moves a dial to a share of its bar, on its steps.
func (door *Door) DragDial(i int, fraction float64) {
	if hasDial(door.d, i) {
		door.d.Set(i, door.d.Parameters[i].AtFraction(fraction))
	}
}

// SetDial gives a dial a value, which may lie off its steps and ends.
func (door *Door) SetDial(i int, value float64) {
	if hasDial(door.d, i) {
		door.d.Set(i, value)
	}
}

// StepDial moves a dial by steps.
func (door *Door) StepDial(i int, steps float64) {
	if hasDial(door.d, i) {
		door.d.Set(i, door.d.Parameters[i].Stepped(steps))
	}
}

// SweepDial puts a dial where its sweep stands after so many seconds from a share of its bar; it tells whether the
// sweep has ended.
func (door *Door) SweepDial(i int, start, elapsed float64) (ended bool) {
	if !hasDial(door.d, i) {
		return true
	}
	p := door.d.Parameters[i]
	if p.HasRested(start, elapsed) {
		return true
	}
	way, seconds := document.BackAndForth, 6.0
	if s := p.Stated.Sweep; s != nil {
		way, seconds = s.Way, s.Seconds
	}
	value, ended := p.SweepAt(way, seconds, start, elapsed)
	if stop, rests := p.RestsOn(value, way == document.Round); rests && elapsed > 0 {
		value, ended = stop, true
	}
	if ended {
		p.Rest(start, elapsed)
		door.d.Set(i, value)
	} else {
		door.d.Pass(i, value)
	}
	return ended
}

// StopDial puts a dial on the next value at which its sweep rests, up or down.
func StopDial(door *Door, i int, way float64) {
	if !hasDial(door.d, i) {
		return
	}
	if stop, is := door.d.Parameters[i].NextStop(way > 0); is {
		door.d.Set(i, stop)
	}
}

// StartingValues puts every dial and transformation back to where the scene has it.
func (door *Door) StartingValues() {
	if door.d != nil {
		door.d.StartingValues()
	}
}

// BeginScene makes another scene the one in play; GoScene moves to it.
func (door *Door) BeginScene(i int) {
	if door.d != nil {
		door.d.BeginScene(i)
	}
}

// GoScene stands at a share of the way to the scene that was begun.
func (door *Door) GoScene(share float64) {
	if door.d != nil {
		door.d.GoScene(share)
		if share >= 1 {
			SettleLabels(door)
		}
	}
}

// SettleLabels tells that a hand has let go: labels may stand anew where they are best.
func SettleLabels(door *Door) {
	for _, c := range door.composers {
		c.SettleLabels()
	}
}

// Moving tells whether the frames that come follow a hand, or stand.
func Moving(door *Door, on bool) { door.moving = on }

// Turn covers a shown entry that is seen, or reveals one that is not; Unturn undoes them all.
func (door *Door) Turn(shown int) {
	if door.d != nil && shown >= 0 && shown < len(door.d.Shown) {
		door.d.Turn(door.d.Shown[shown])
	}
}

// TurnLabel covers the label of a shown entry, or reveals it.
func TurnLabel(door *Door, shown int) {
	if door.d != nil && shown >= 0 && shown < len(door.d.Shown) {
		door.d.TurnLabel(door.d.Shown[shown])
	}
}

// Unturn shows what the scene shows.
func (door *Door) Unturn() {
	if door.d != nil {
		door.d.Unturn()
	}
}

// PanelSize tells how large a panel is before any is composed, since panels beside a circle have its scale.
func (door *Door) PanelSize(panel int, width, height float64) {
	if door.d != nil {
		door.d.SetSize(panel, width, height)
	}
}

// ClearTraces forgets recorded positions.
func (door *Door) ClearTraces() {
	if door.d != nil {
		door.d.ClearTraces()
	}
}

// DragPoint moves what a shown point hangs on towards a place in a panel's pixels.
func (door *Door) DragPoint(panel, shown int, width, height, px, py float64) {
	if entry, hand, v := take(door, panel, shown, width, height); entry >= 0 {
		hand.X, hand.Y, hand.PX, hand.PY = v.AtX(px), v.AtY(py), px, py
		door.d.Drag(entry, hand)
	}
}

// take lets a hand take what a handle on a panel stands for, seen in its view: the entry's place, −1 where there is none.
func take(door *Door, panel, index int, width, height float64) (int, evaluate.Hand, view.View) {
	shown, grip := index%evaluate.GripStride, index/evaluate.GripStride-1
	if door.composer(panel) == nil || shown < 0 || shown >= len(door.d.Shown) {
		return -1, evaluate.Hand{}, view.View{}
	}
	p := door.d.Panel(panel)
	v := view.Seen(p, width, height)
	return shown, evaluate.Hand{Panel: p, View: v, Grip: grip, Pixel: (v.Right - v.Left) / v.Width, Grain: v.Grain()}, v
}

// NudgePoint moves what a shown point hangs on by steps of its dials, or by the window's grain where it is free.
func (door *Door) NudgePoint(panel, shown int, width, height, dx, dy float64) {
	if entry, hand, _ := take(door, panel, shown, width, height); entry >= 0 {
		hand.DX, hand.DY = dx, dy
		door.d.Nudge(entry, hand)
	}
}

// Zoom scales a panel's window in play about a place in pixels; a factor above 1 shows more.
func (door *Door) Zoom(panel int, width, height, px, py, factor float64) {
	if door.composer(panel) != nil {
		door.d.SetWindow(panel, view.Zoom(door.d.Panel(panel), width, height, px, py, factor))
	}
}

// Orbit turns a space panel by pixels of a hand's way.
func Orbit(door *Door, panel int, dx, dy float64) {
	if p := spacePanel(door, panel); p != nil {
		door.d.SetWindow(panel, view.Orbit(p.Window, dx, dy))
	}
}

// Look lets a space panel be seen from a direction in play, in degrees, with the box as large and where it is said.
func Look(door *Door, panel int, turn, tilt, zoom, across, up float64) {
	p := spacePanel(door, panel)
	if p == nil || !(math.Abs(tilt) <= 90 && zoom >= document.LeastZoom && zoom <= document.MostZoom) {
		return
	}
	w := p.Window
	w.Space.Turn, w.Space.Tilt, w.Space.Zoom, w.Space.Across, w.Space.Up = turn, tilt, zoom, across, up
	door.d.SetWindow(panel, w)
}

// spacePanel is a panel of space with its window in play, nil for another.
func spacePanel(door *Door, panel int) *document.Panel {
	if door.composer(panel) == nil {
		return nil
	}
	if p := door.d.Panel(panel); p.Kind == document.InSpace {
		return p
	}
	return nil
}

// Stretch stretches an axis of a panel, so that what was at one pixel along it is at another.
func Stretch(door *Door, panel int, width, height float64, onY bool, from, to float64) {
	if door.composer(panel) != nil {
		door.d.Stretch(panel, view.Stretched(door.d.Panel(panel), width, height, onY, from, to))
	}
}

// PutWindow gives a panel a window in play, with equal scales as it has them or without.
func PutWindow(door *Door, panel int, w document.Window, equal bool) {
	if p := spacePanel(door, panel); p != nil {
		w.Space = p.Window.Space
	}
	switch {
	case door.composer(panel) == nil || !(w.Left < w.Right && w.Bottom < w.Top) || !w.IsWide():
	case equal:
		door.d.SetWindow(panel, w)
	default:
		door.d.Stretch(panel, w)
	}
}

// RememberCurves keeps the curves as they were before dials moved, or forgets them.
func RememberCurves(door *Door, on bool) {
	if door.d != nil {
		door.d.RememberCurves(on)
	}
}

// Pan moves a panel's window in play by pixels.
func (door *Door) Pan(panel int, width, height, dx, dy float64) {
	if door.composer(panel) != nil {
		door.d.SetWindow(panel, view.Pan(door.d.Panel(panel), width, height, dx, dy))
	}
}

// GoStep puts a transformation in steps at a position between its parent, 0, and its last step.
func (door *Door) GoStep(shown int, position float64) {
	if door.d == nil || shown < 0 || shown >= len(door.d.Shown) {
		return
	}
	if t, ok := door.d.Shown[shown].Live.(evaluate.Stepped); ok {
		t.Go(position)
	}
}

// TypeSize tells how large the numbers on a panel's axes are written, as a multiple of the usual size.
func (door *Door) TypeSize(panel int, size float64) {
	if c := door.composer(panel); c != nil && size > 0.2 && size < 10 {
		c.Type = size
	}
}

// TextSize tells the measured size of a text on the panel.
func (door *Door) TextSize(panel int, id string, width, height float64) {
	if c := door.composer(panel); c != nil {
		if c.TextSizes == nil {
			c.TextSizes = map[string]compose.Size{}
		}
		c.TextSizes[id] = compose.Size{Width: width, Height: height}
	}
}

func hasDial(d *evaluate.Demonstration, i int) bool {
	return d != nil && i >= 0 && i < len(d.Parameters)
}

func (door *Door) composer(panel int) *compose.Composer {
	if door.d == nil || panel < 0 || panel >= len(door.d.Document.Panels) {
		return nil
	}
	id := door.d.Document.Panels[panel].ID
	if door.composers[id] == nil {
		door.composers[id] = &compose.Composer{}
	}
	return door.composers[id]
}

// FrameHeader is the count of numbers before the dials: dials, 1 when the ground changed, lengths of ground and live.
const FrameHeader = 4

// Frame updates the values and composes a panel. Floats then holds the header, for each dial its value and its share of
// the bar, the ground when it changed since the panel's last frame, and the live records. Texts holds FrameTexts in
// JSON, empty when they are those of the panel's last frame. false when there is nothing to draw.
func (door *Door) Frame(panel int, width, height float64) bool {
	c := door.composer(panel)
	if c == nil {
		return false
	}
	d := door.d
	if c.Cells, c.Tolerance = 0, 0; door.moving {
		c.Cells, c.Tolerance = compose.MovingCells, sample.Moving
	}
	p := c.Compose(d.Frame(panel, width, height))
	sent := door.sentTo(panel)
	ground, changed := p.Ground, float32(1)
	if sent.ground == p.GroundStamp {
		ground, changed = nil, 0
	}
	sent.ground = p.GroundStamp
	door.floats = append(door.floats[:0], float32(len(d.Parameters)), changed, float32(len(ground)), float32(len(p.Live)))
	// No list is null, so that the page can walk them all.
	texts := FrameTexts{Dials: []string{}, Words: append([]string{}, p.Words...),
		Said: [][]PieceView{}, Steps: []steps.Now{}, Circles: []circle.Now{}, Moved: d.Moved(), Idle: []string{}, Coarse: append([]string{}, c.Coarse...),
		LeftOut: p.LeftOut, Numbers: append([]picture.Number{}, p.Numbers...)}
	for _, q := range d.Parameters {
		door.floats = append(door.floats, float32(q.Value), float32(q.Fraction(q.Value)))
	}
	door.floats = append(append(door.floats, ground...), p.Live...)
	// What belongs to the demonstration is told once, with the first panel.
	if panel == 0 {
		tell(d, &texts)
		tellFormulas(door, &texts)
	}
	data, err := json.Marshal(texts)
	if err != nil {
		panic("door: " + err.Error())
	}
	door.texts = data
	if string(data) == sent.texts {
		door.texts = nil
	}
	sent.texts = string(data)
	return true
}

// tell writes the words of a frame that belong to no panel.
func tell(d *evaluate.Demonstration, texts *FrameTexts) {
	texts.Idle, texts.Inked = d.Idle(), d.Ink.IsInPlay()
	for _, q := range d.Parameters {
		texts.Dials = append(texts.Dials, d.Numeral(q.Text()))
	}
	for _, s := range d.Said {
		texts.Said = append(texts.Said, pieces(s))
	}
	for i, s := range d.Shown {
		if !d.InScene(s) {
			continue
		}
		switch live := s.Live.(type) {
		case *steps.Live:
			texts.Steps = append(texts.Steps, live.Now(d, s.Entry, i))
		case *circle.Live:
			if live.Exists() {
				texts.Circles = append(texts.Circles, live.Now(d, s.Entry.ID))
			}
		}
	}
}

// formulasEvery is with how many frames the formulas are told while a hand moves: to write them takes as long as a seventh of a frame's
// mathematics, and to lay them out on the page as long as all of it.
const formulasEvery = 7

func tellFormulas(door *Door, texts *FrameTexts) {
	if door.untold++; door.moving && door.untold < formulasEvery {
		return
	}
	door.untold = 0
	for _, f := range door.d.Functions {
		texts.Now = append(texts.Now, door.d.Now(f))
	}
}

// sent is what a panel on the page has already.
type sent struct {
	ground uint64
	texts  string
}

func (door *Door) sentTo(panel int) *sent {
	for len(door.sent) <= panel {
		door.sent = append(door.sent, sent{})
	}
	return &door.sent[panel]
}

// Floats and Texts are the last frame's; they are overwritten by the next.
func (door *Door) Floats() []float32 { return door.floats }

// Texts is FrameTexts in JSON.
func (door *Door) Texts() []byte { return door.texts }
