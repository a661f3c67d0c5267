//go:build js && wasm

// Command corewasm is the core in the browser: the only importer of syscall/js.
//
// Questions go through the global function parvixAsk (JSON in, JSON out), which also gives the garbage collector room;
// frames go through exports that take and return numbers, since those cost next to nothing. An export never panics:
// it returns a value that says that nothing was done.
package main

import (
	"fmt"
	"runtime"
	"runtime/debug"
	"runtime/metrics"
	"syscall/js"
	"unsafe"

	"parvix/core/ask/door"
	"parvix/core/stage/document"
)

var the = door.New()

func main() {
	js.Global().Set("parvixAsk", js.FuncOf(func(_ js.Value, args []js.Value) (answer any) {
		defer func() {
			if r := recover(); r != nil {
				answer = `{"problem":{"code":"mistake","message":"Parvix made a mistake with this entry. Undo the last change."}}`
				report(r)
			}
		}()
		return string(the.Ask([]byte(args[0].String())))
	}))
	js.Global().Set("parvixTextSize", js.FuncOf(func(_ js.Value, args []js.Value) any {
		the.TextSize(args[0].Int(), args[1].String(), args[2].Float(), args[3].Float())
		return nil
	}))
	js.Global().Set("parvixRest", js.FuncOf(func(js.Value, []js.Value) any {
		rest()
		return nil
	}))
	js.Global().Call("parvixReady")
	select {}
}

// While the garbage collector marks, each pointer that is written costs a frame several steps, and between exports it gets no further.
// So a core that draws frames lets it go through everything at once between two frames, when there is as much garbage as there are
// things in use, and long before it would begin by itself.
const (
	leastGarbage = 4 << 20
	byItself     = 400 // per cent of what is in use
)

var heap = []metrics.Sample{{Name: "/memory/classes/heap/objects:bytes"}, {Name: "/gc/heap/live:bytes"}}

func rest() {
	metrics.Read(heap)
	all, used := heap[0].Value.Uint64(), heap[1].Value.Uint64()
	if all > 2*used+leastGarbage {
		runtime.GC()
	}
	runtime.Gosched()
}

// drawing tells that this core has drawn a frame.
var drawing bool

// report tells a programmer's mistake to whoever looks at the console.
func report(mistake any) {
	js.Global().Get("console").Call("error", "core: "+fmt.Sprint(mistake))
}

// guarded runs a hot call; a programmer's mistake leaves the last picture standing.
func guarded(run func()) (ok bool) {
	defer func() {
		if r := recover(); r != nil {
			report(r)
			ok = false
		}
	}()
	run()
	return true
}

//go:wasmexport dragDial
func dragDial(i int32, fraction float64) { guarded(func() { the.DragDial(int(i), fraction) }) }

//go:wasmexport setDial
func setDial(i int32, value float64) { guarded(func() { the.SetDial(int(i), value) }) }

//go:wasmexport stepDial
func stepDial(i int32, steps float64) { guarded(func() { the.StepDial(int(i), steps) }) }

//go:wasmexport stopDial
func stopDial(i int32, way float64) { guarded(func() { door.StopDial(the, int(i), way) }) }

//go:wasmexport sweepDial
func sweepDial(i int32, start, elapsed float64) int32 {
	ended := true
	guarded(func() { ended = the.SweepDial(int(i), start, elapsed) })
	if ended {
		return 1
	}
	return 0
}

//go:wasmexport goStep
func goStep(shown int32, position float64) { guarded(func() { the.GoStep(int(shown), position) }) }

//go:wasmexport beginScene
func beginScene(i int32) { guarded(func() { the.BeginScene(int(i)) }) }

//go:wasmexport goScene
func goScene(share float64) { guarded(func() { the.GoScene(share) }) }

//go:wasmexport settleLabels
func settleLabels() { guarded(func() { door.SettleLabels(the) }) }

//go:wasmexport startingValues
func startingValues() { guarded(the.StartingValues) }

//go:wasmexport panelSize
func panelSize(panel int32, width, height float64) {
	guarded(func() { the.PanelSize(int(panel), width, height) })
}

//go:wasmexport turn
func turn(shown int32) { guarded(func() { the.Turn(int(shown)) }) }

//go:wasmexport turnLabel
func turnLabel(shown int32) { guarded(func() { door.TurnLabel(the, int(shown)) }) }

//go:wasmexport unturn
func unturn() { guarded(the.Unturn) }

//go:wasmexport clearTraces
func clearTraces() { guarded(the.ClearTraces) }

//go:wasmexport dragPoint
func dragPoint(panel, shown int32, width, height, px, py float64) {
	guarded(func() { the.DragPoint(int(panel), int(shown), width, height, px, py) })
}

//go:wasmexport nudgePoint
func nudgePoint(panel, shown int32, width, height, dx, dy float64) {
	guarded(func() { the.NudgePoint(int(panel), int(shown), width, height, dx, dy) })
}

//go:wasmexport zoomWindow
func zoomWindow(panel int32, width, height, px, py, factor float64) {
	guarded(func() { the.Zoom(int(panel), width, height, px, py, factor) })
}

//go:wasmexport stretchWindow
func stretchWindow(panel int32, width, height float64, onY int32, from, to float64) {
	guarded(func() { door.Stretch(the, int(panel), width, height, onY != 0, from, to) })
}

//go:wasmexport putWindow
func putWindow(panel int32, left, right, bottom, top float64, equal int32) {
	guarded(func() {
		door.PutWindow(the, int(panel), document.Window{Left: left, Right: right, Bottom: bottom, Top: top}, equal != 0)
	})
}

//go:wasmexport moving
func moving(on int32) { guarded(func() { door.Moving(the, on != 0) }) }

//go:wasmexport orbit
func orbit(panel int32, dx, dy float64) { guarded(func() { door.Orbit(the, int(panel), dx, dy) }) }

//go:wasmexport look
func look(panel int32, turn, tilt, zoom, across, up float64) {
	guarded(func() { door.Look(the, int(panel), turn, tilt, zoom, across, up) })
}

//go:wasmexport rememberCurves
func rememberCurves(on int32) { guarded(func() { door.RememberCurves(the, on != 0) }) }

//go:wasmexport inkFrom
func inkFrom(panel, colour int32, width, height, px, py float64) {
	guarded(func() { door.InkFrom(the, int(panel), int(colour), width, height, px, py) })
}

//go:wasmexport inkTo
func inkTo(panel int32, width, height, px, py float64) {
	guarded(func() { door.InkTo(the, int(panel), width, height, px, py) })
}

//go:wasmexport inkUp
func inkUp(panel int32, width, height float64) {
	guarded(func() { door.InkUp(the, int(panel), width, height) })
}

//go:wasmexport inkBack
func inkBack() { guarded(func() { door.InkBack(the) }) }

//go:wasmexport inkWipe
func inkWipe() { guarded(func() { door.InkWipe(the) }) }

//go:wasmexport inkForget
func inkForget() { guarded(func() { door.InkForget(the) }) }

//go:wasmexport panWindow
func panWindow(panel int32, width, height, dx, dy float64) {
	guarded(func() { the.Pan(int(panel), width, height, dx, dy) })
}

//go:wasmexport typeSize
func typeSize(panel int32, size float64) { guarded(func() { the.TypeSize(int(panel), size) }) }

// rehearsed is the rehearsal under way, nil when there is none.
var rehearsed *door.Rehearsal

//go:wasmexport rehearse
func rehearse() {
	guarded(func() {
		if rehearsed == nil {
			rehearsed = door.Rehearse(the)
		}
		if rehearsed != nil {
			rehearsed.Turn()
		}
	})
}

//go:wasmexport endRehearsal
func endRehearsal() { rehearsed = nil }

// frame composes a panel and returns the count of its numbers, 0 when there is nothing.
//
//go:wasmexport frame
func frame(panel int32, width, height float64) int32 {
	if !drawing {
		drawing = true
		debug.SetGCPercent(byItself)
	}
	drawn := false
	if !guarded(func() { drawn = the.Frame(int(panel), width, height) }) || !drawn {
		return 0
	}
	return int32(len(the.Floats()))
}

//go:wasmexport floats
func floats() unsafe.Pointer { return unsafe.Pointer(unsafe.SliceData(the.Floats())) }

//go:wasmexport texts
func texts() unsafe.Pointer { return unsafe.Pointer(unsafe.SliceData(the.Texts())) }

//go:wasmexport textsLength
func textsLength() int32 { return int32(len(the.Texts())) }
