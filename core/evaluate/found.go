package evaluate

import (
	"math"
	"math/big"

	"parvix/core/document"
	"parvix/core/expr"
	"parvix/core/symbolic"
)

// Found is what core/study has found out about a function at given values of the parameters. It is an input like the
// recorded positions of a trace: it comes from the other core, which may take longer than a frame.
type Found struct {
	Function string `json:"function"`
	// Values are those of the parameters that the function depends on, Formula is its formula with them.
	Values  map[string]float64 `json:"values"`
	Formula string             `json:"formula"`
	// Period is 0 for none; points and upright guides repeat with it.
	Period float64                           `json:"period"`
	Points map[document.Finding][]FoundPoint `json:"points"`
	Guides map[document.Finding][]FoundGuide `json:"guides"`
	// Told are the findings in LaTeX.
	Told map[document.Finding]string `json:"told"`
}

// FoundPoint is a point of the graph, or a hole or a jump's end when Open.
type FoundPoint struct {
	X    float64 `json:"x"`
	Y    float64 `json:"y"`
	Open bool    `json:"open,omitempty"`
}

// FoundGuide is the line x = At, or y = Slope·x + At.
type FoundGuide struct {
	Upright bool    `json:"upright,omitempty"`
	Slope   float64 `json:"slope,omitempty"`
	At      float64 `json:"at"`
}

// WithNumbers is a function's formula, without stated functions and in radians, with the parameters' values put in as
// fractions.
func (d *Demonstration) WithNumbers(f *Function) expr.Node {
	with := map[string]expr.Node{}
	for name, v := range d.numbersNow() {
		if name != f.Stated.Variables[0] {
			with[name] = fractionNode(v)
		}
	}
	return symbolic.Substitute(f.Inlined, with)
}

func fractionNode(v *big.Rat) expr.Node {
	if v.Sign() < 0 {
		return &expr.Neg{X: expr.Rat(new(big.Rat).Neg(v))}
	}
	return expr.Rat(v)
}

// ValuesOf are the values of the parameters that a function depends on.
func (d *Demonstration) ValuesOf(f *Function) map[string]float64 {
	values := map[string]float64{}
	for _, i := range f.on {
		values[d.Parameters[i].Stated.Name] = d.Parameters[i].Value
	}
	return values
}

// PutFound takes findings in; what shows or tells them is computed again.
func (d *Demonstration) PutFound(found *Found) {
	d.found[found.Function] = found
	d.foundTick++
}

// FoundOf gives the last findings of a function; current tells that they hold for the values in play.
func (d *Demonstration) FoundOf(f *Function) (found *Found, current bool) {
	found = d.found[f.Stated.Name]
	if found == nil || found.Formula != f.Stated.Formula {
		return nil, false
	}
	for _, i := range f.on {
		if p := d.Parameters[i]; found.Values[p.Stated.Name] != p.Value {
			return found, false
		}
	}
	return found, true
}

// ShownPoints are the points of a shown finding in play between left and right. current is false while they are still
// being computed; then those of the closed forms stand in, or none.
func (d *Demonstration) ShownPoints(s *Shown, left, right float64) (points []FoundPoint, current bool) {
	found, current := d.FoundOf(s.Curve)
	if current {
		return repeated(found.Points[s.Entry.Finding], found.Period, left, right), true
	}
	return s.closed.points(d, left, right)
}

// ShownGuides are the same for guides.
func (d *Demonstration) ShownGuides(s *Shown, left, right float64) (guides []FoundGuide, current bool) {
	found, current := d.FoundOf(s.Curve)
	if !current {
		places, ok := s.closed.points(d, left, right)
		for _, p := range places {
			guides = append(guides, FoundGuide{Upright: true, At: p.X})
		}
		return guides, ok
	}
	for _, g := range found.Guides[s.Entry.Finding] {
		if !g.Upright || found.Period == 0 {
			guides = append(guides, g)
			continue
		}
		for _, p := range repeated([]FoundPoint{{X: g.At}}, found.Period, left, right) {
			guides = append(guides, FoundGuide{Upright: true, At: p.X})
		}
	}
	return guides, true
}

// maxRepeats bounds how many copies of a periodic finding are drawn.
const maxRepeats = 200

func repeated(points []FoundPoint, period, left, right float64) []FoundPoint {
	if period == 0 {
		return points
	}
	var list []FoundPoint
	for _, p := range points {
		for k := math.Ceil((left - p.X) / period); p.X+k*period <= right && len(list) < maxRepeats; k++ {
			list = append(list, FoundPoint{p.X + k*period, p.Y, p.Open})
		}
	}
	return list
}
