package surface

import (
	"math"

	"parvix/core/formula/number"
	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/picture"
	"parvix/core/stage/sample"
	"parvix/core/stage/solid"
	"parvix/core/stage/view"
)

// Bounds of level curves: how many at most, and of how many cells across a map is made.
const (
	mostLevels = 40
	mapCells   = 72
)

// heightsOf are the heights at which level curves are drawn between two ends, at a step or at round values.
func (p *Part) heightsOf(on *compose.On, low, high float64) (list []float64) {
	step := compose.RoundStep(high-low, 10)
	if p.step != nil {
		step = p.step.At(on.Now.Inputs())
	}
	if !(step > 0) || (high-low)/step > mostLevels {
		return nil
	}
	for k := math.Ceil(low/step - 1e-9); k*step <= high+step*1e-9; k++ {
		list = append(list, k*step)
	}
	return list
}

// levels puts level curves on the surface, and their shadows on the floor.
func (p *Part) levels(on *compose.On) []compose.Anchor {
	q := &on.View.Projection
	colour := compose.ColourOf(on.Entry)
	pen := compose.SpacePen(compose.Stroke(colour, on.Scaled(compose.GuideWidth), compose.PatternOf(on.Entry, picture.Whole), 1))
	if levelCells(on, p.surface()) == 0 {
		return nil
	}
	sheet, grid := p.sheet(on), p.latticeGrid(on)
	for _, height := range p.heightsOf(on, q.Box[2][0], q.Box[2][1]) {
		for _, line := range levelAt(grid, height) {
			on.Space.AddStrand(solid.Strand{Line: line, Pen: pen, On: sheet, Owner: on.Index})
			if !p.body.OnFloor {
				continue
			}
			floor := make([]view.Place, len(line))
			for k, at := range line {
				floor[k] = view.Place{at[0], at[1], q.Box[2][0]}
			}
			on.Space.AddStrand(solid.Strand{Line: floor, Pen: pen, Owner: on.Index})
		}
	}
	return nil
}

// levelEffort is by how much more a place costs where level curves are looked for on the sides of all cells.
const levelEffort = 3

// levelCells is of how many cells across level curves are made; 0 where they would take too long.
func levelCells(on *compose.On, of *Live) int {
	return compose.NetCells(on, mapCells, levelEffort*of.Work(on.Now))
}

// latticeGrid is the surface over the lattice of its panel.
func (p *Part) latticeGrid(on *compose.On) *sample.Grid {
	lattice := on.Space.Lattice
	grid := &sample.Grid{X: lattice.X, Y: lattice.Y, At: p.surface().At(on.Now, on.View.Projection.Box)}
	grid.Heights = p.gridHeights(on, grid)
	return grid
}

// levelAt is the level curve at a height in space.
func levelAt(grid *sample.Grid, height float64) (lines [][]view.Place) {
	for _, line := range grid.Level(height) {
		places := make([]view.Place, len(line))
		for k, point := range line {
			places[k] = view.Place{point.X, point.Y, height}
		}
		lines = append(lines, places)
	}
	return lines
}

// gridHeights are the surface's heights at the crossings of a grid, NaN where it is not there.
func (p *Part) gridHeights(on *compose.On, g *sample.Grid) []float64 {
	l := p.surface()
	in := l.inputs(on.Now)
	heights := l.Shape.Heights(g.X, g.Y, in)
	box := [3][2]float64{{g.X[0], g.X[len(g.X)-1]}, {g.Y[0], g.Y[len(g.Y)-1]}}
	ends := l.Rectangle(on.Now, box)
	for i, x := range g.X {
		for j, y := range g.Y {
			if !l.isThere(x, y, ends, in) {
				heights[i*len(g.Y)+j] = math.NaN()
			}
		}
	}
	return heights
}

// levelMap draws level curves in the plane, each with its height.
func (p *Part) levelMap(on *compose.On) (anchors []compose.Anchor) {
	v := on.View
	if len(p.surface().Function.Stated.Variables) != 2 {
		return nil
	}
	cells := levelCells(on, p.surface())
	if cells == 0 {
		return nil
	}
	even := func(low, high float64) (list []float64) {
		for k := range cells + 1 {
			list = append(list, low+(high-low)*float64(k)/float64(cells))
		}
		return list
	}
	box := [3][2]float64{{v.Left, v.Right}, {v.Bottom, v.Top}}
	grid := sample.Grid{X: even(v.Left, v.Right), Y: even(v.Bottom, v.Top), At: p.surface().At(on.Now, box)}
	grid.Heights = p.gridHeights(on, &grid)
	low, high := grid.Range()
	pen := compose.Stroke(compose.ColourOf(on.Entry), on.Scaled(compose.GuideWidth), compose.PatternOf(on.Entry, picture.Whole), 1)
	for k, height := range p.heightsOf(on, low, high) {
		begun := len(on.Pen.Data)
		for _, line := range grid.Level(height) {
			on.Line(line, pen)
		}
		if a, ok := on.OnLines(begun); ok && on.Entry.Look.Label != document.LabelNone {
			anchors = append(anchors, on.PartLabelled(k, a, number.Format(height, 3), pen.Colour)...)
		}
	}
	return anchors
}
