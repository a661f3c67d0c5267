// Package view is a panel as it is seen: its window fitted to its size, places of the plane in pixels and back.
package view

import (
	"math"

	"parvix/core/stage/document"
)

// View is a panel's window as it is seen: the ends and the size in CSS pixels.
type View struct {
	document.Window
	Width, Height float64
	// Projection is that of a space panel.
	Projection Projection
}

// Seen fits a panel's window to its size: with equal scales it grows in width or height, about its middle, so that
// everything in the window stays in sight whatever the panel's shape.
func Seen(p *document.Panel, width, height float64) View {
	v := View{Window: p.Window, Width: math.Max(width, 1), Height: math.Max(height, 1)}
	if p.Kind == document.InSpace {
		v.Projection = projected(p, v.Width, v.Height)
		return v
	}
	if !p.EqualScales {
		return v
	}
	unit := unitOf(p)
	half := (v.Right - v.Left) * unit * v.Height / v.Width / 2
	if middle := (v.Bottom + v.Top) / 2; half > v.Top-middle {
		v.Bottom, v.Top = middle-half, middle+half
		return v
	}
	half = (v.Top - v.Bottom) / unit * v.Width / v.Height / 2
	middle := (v.Left + v.Right) / 2
	v.Left, v.Right = middle-half, middle+half
	return v
}

// unitOf is how long a unit of x is in units of y with equal scales: a radian is as long as 1, so that a degree is π/180.
func unitOf(p *document.Panel) float64 {
	if p.TicksX == document.TicksInDegrees {
		return math.Pi / 180
	}
	return 1
}

// Typed is the window that shows exactly the typed ends. With equal scales the ends of one axis are those that were changed, and the
// other's follow about their middle; x counts where both were.
func Typed(p *document.Panel, typed document.Window, width, height float64) document.Window {
	if !p.EqualScales {
		return typed
	}
	before := Seen(p, width, height)
	const rounding = 1e-4
	changed := func(a, b, extent float64) bool { return math.Abs(a-b) > rounding*extent }
	across, up := before.Right-before.Left, before.Top-before.Bottom
	if !changed(typed.Left, before.Left, across) && !changed(typed.Right, before.Right, across) &&
		(changed(typed.Bottom, before.Bottom, up) || changed(typed.Top, before.Top, up)) {
		half := (typed.Top - typed.Bottom) / unitOf(p) * width / height / 2
		middle := (before.Left + before.Right) / 2
		typed.Left, typed.Right = middle-half, middle+half
		return typed
	}
	half := (typed.Right - typed.Left) * unitOf(p) * height / width / 2
	middle := (before.Bottom + before.Top) / 2
	typed.Bottom, typed.Top = middle-half, middle+half
	return typed
}

// Stretched is the window in which what was at one pixel along an axis is at another: about the axes' origin, or the middle where
// that is out of sight or too near to the hand.
func Stretched(p *document.Panel, width, height float64, onY bool, from, to float64) document.Window {
	v := Seen(p, width, height)
	w := v.Window
	lo, hi, zero, extent := v.Left, v.Right, v.X(0), v.Width
	if onY {
		lo, hi, zero, extent = v.Bottom, v.Top, v.Y(0), v.Height
	}
	const tooNear = 12
	if zero < 0 || zero > extent || math.Abs(from-zero) < tooNear {
		zero = extent / 2
	}
	// The hand does not pull an axis over its origin.
	if (from-zero)*(to-zero) <= 0 || math.Abs(to-zero) < tooNear {
		return p.Window
	}
	factor, middle := (from-zero)/(to-zero), v.AtX(zero)
	if onY {
		middle = v.AtY(zero)
	}
	lo, hi = middle+(lo-middle)*factor, middle+(hi-middle)*factor
	if !(hi-lo >= narrowest && hi-lo <= widest) {
		return p.Window
	}
	if onY {
		w.Bottom, w.Top = lo, hi
	} else {
		w.Left, w.Right = lo, hi
	}
	return orBefore(p, w)
}

// X and Y turn a place of the plane into pixels; y is up in the plane and down in the picture.
func (v View) X(x float64) float64 { return (x - v.Left) / (v.Right - v.Left) * v.Width }

// Y is the vertical counterpart of X.
func (v View) Y(y float64) float64 { return (v.Top - y) / (v.Top - v.Bottom) * v.Height }

// AtX and AtY turn pixels into a place of the plane.
func (v View) AtX(px float64) float64 { return v.Left + px/v.Width*(v.Right-v.Left) }

// AtY is the vertical counterpart of AtX.
func (v View) AtY(py float64) float64 { return v.Top - py/v.Height*(v.Top-v.Bottom) }

// Grain is the size of a decimal step that is about two pixels wide: what a dragged point is rounded to.
func (v View) Grain() float64 {
	return math.Pow(10, math.Ceil(math.Log10(2*(v.Right-v.Left)/v.Width)))
}

// Widths that a window may have.
const narrowest, widest = 1e-6, 1e9

// Zoom scales a window about a place in pixels; a factor above 1 shows more.
func Zoom(p *document.Panel, width, height, px, py, factor float64) document.Window {
	if p.Kind == document.InSpace {
		return zoomed(p.Window, width, height, px, py, factor)
	}
	v := Seen(p, width, height)
	if w := (v.Right - v.Left) * factor; !(w >= narrowest && w <= widest) {
		return p.Window
	}
	x, y := v.AtX(px), v.AtY(py)
	return orBefore(p, document.Window{Left: x + (v.Left-x)*factor, Right: x + (v.Right-x)*factor,
		Bottom: y + (v.Bottom-y)*factor, Top: y + (v.Top-y)*factor})
}

// orBefore is the panel's own window instead of one whose numbers cannot be told apart.
func orBefore(p *document.Panel, w document.Window) document.Window {
	if !w.IsWide() {
		return p.Window
	}
	return w
}

// Pan moves a window by pixels.
func Pan(p *document.Panel, width, height, dx, dy float64) document.Window {
	if p.Kind == document.InSpace {
		return shifted(p.Window, width, height, dx, dy)
	}
	v := Seen(p, width, height)
	sx, sy := (v.Right-v.Left)/v.Width, (v.Top-v.Bottom)/v.Height
	return orBefore(p, document.Window{Left: v.Left - dx*sx, Right: v.Right - dx*sx, Bottom: v.Bottom + dy*sy, Top: v.Top + dy*sy})
}

// Sees tells whether a place of the plane lies in the window.
func (v View) Sees(x, y float64) bool {
	return x >= v.Left && x <= v.Right && y >= v.Bottom && y <= v.Top
}

// Margin is how far beyond the edge lines are followed, in pixels.
const Margin = 8

// Near tells whether a pixel lies on the panel or its margin.
func (v View) Near(x, y float64) bool {
	return x >= -Margin && x <= v.Width+Margin && y >= -Margin && y <= v.Height+Margin
}
