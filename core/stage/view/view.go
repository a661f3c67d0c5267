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
}

// Seen fits a panel's window to its size: with equal scales it grows in width or height, about its middle, so that
// everything in the window stays in sight whatever the panel's shape.
func Seen(p *document.Panel, width, height float64) View {
	v := View{p.Window, math.Max(width, 1), math.Max(height, 1)}
	if !p.EqualScales {
		return v
	}
	half := (v.Right - v.Left) * v.Height / v.Width / 2
	if middle := (v.Bottom + v.Top) / 2; half > v.Top-middle {
		v.Bottom, v.Top = middle-half, middle+half
		return v
	}
	half = (v.Top - v.Bottom) * v.Width / v.Height / 2
	middle := (v.Left + v.Right) / 2
	v.Left, v.Right = middle-half, middle+half
	return v
}

// Typed is the window that shows exactly the typed ends: with equal scales those of x, and the height follows.
func Typed(p *document.Panel, typed document.Window, width, height float64) document.Window {
	if p.EqualScales {
		half := (typed.Right - typed.Left) * height / width / 2
		middle := (p.Window.Bottom + p.Window.Top) / 2
		typed.Bottom, typed.Top = middle-half, middle+half
	}
	return typed
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
