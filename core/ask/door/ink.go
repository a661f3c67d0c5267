package door

import (
	"parvix/core/ask/edit"
	"parvix/core/stage/view"
)

// seenAs is how a panel is seen in a size; false where there is none.
func seenAs(door *Door, panel int, width, height float64) (view.View, bool) {
	if door.composer(panel) == nil {
		return view.View{}, false
	}
	return view.Seen(door.d.Panel(panel), width, height), true
}

// InkFrom begins a line by hand at a place in a panel's pixels.
func InkFrom(door *Door, panel, colour int, width, height, px, py float64) {
	if v, is := seenAs(door, panel, width, height); is {
		door.d.Ink.Begin(panel, colour, v.AtX(px), v.AtY(py))
	}
}

// InkTo leads the line on.
func InkTo(door *Door, panel int, width, height, px, py float64) {
	if v, is := seenAs(door, panel, width, height); is {
		door.d.Ink.GoOn(v.AtX(px), v.AtY(py))
	}
}

// InkUp ends the line.
func InkUp(door *Door, panel int, width, height float64) {
	if v, is := seenAs(door, panel, width, height); is {
		door.d.Ink.End(v)
	}
}

// InkBack takes the scene's last line back.
func InkBack(door *Door) {
	if door.d != nil {
		door.d.Ink.TakeBack()
	}
}

// InkWipe takes the scene's ink off.
func InkWipe(door *Door) {
	if door.d != nil {
		door.d.Ink.Wipe()
	}
}

// InkForget goes back to the ink that the document keeps.
func InkForget(door *Door) {
	if door.d != nil {
		door.d.Ink.Forget()
	}
}

// keepInk gives the document with the ink in play.
func keepInk(door *Door, ask *Ask, a *Answer) (err error) {
	a.Document, err = edit.KeepInk(ask.Document, door.d.Ink.Kept())
	return err
}
