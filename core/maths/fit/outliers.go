package fit

import (
	"math"
	"slices"

	"gonum.org/v1/gonum/stat/distuv"

	"parvix/core/maths/statistics"
)

// doubt is the chance of marking any value at all where every value is right.
const doubt = 0.005

// Outliers are points that lie farther from the function than the others make likely: externally studentised residuals beyond the quantile
// of Student's t for the largest of all (Cook & Weisberg, Residuals and Influence in Regression, 1982, 2.2.2). The farthest is left out and
// the function fitted again to the others, until none is left that stands out, so that one wild value does not hide another.
func (f *Fit) Outliers(x, y []float64) []statistics.Suspect {
	out, rest := f.withoutOutliers(x, y)
	if len(out) == 0 {
		return nil
	}
	usual := math.Max(statistics.MAD(rest.Residuals), statistics.Resolution(y)/2)
	var list []statistics.Suspect
	for _, i := range out {
		list = append(list, statistics.Suspect{Index: i, Reason: statistics.FarOff(math.Abs(y[i]-rest.At(x[i]))/usual, "from the curve")})
	}
	return list
}

// withoutOutliers tells which points stand out, and gives the fit to the others.
func (f *Fit) withoutOutliers(x, y []float64) (out []int, rest *Fit) {
	rest = f
	n, p := len(x), len(f.Model.Letters)
	grain := statistics.Resolution(y)
	kept := make([]int, n)
	for i := range kept {
		kept[i] = i
	}
	for rest.Studentised != nil && len(out) <= n/5 {
		farthest := 0
		for k := range kept {
			if math.Abs(rest.Studentised[k]) > math.Abs(rest.Studentised[farthest]) {
				farthest = k
			}
		}
		limit := distuv.StudentsT{Mu: 0, Sigma: 1, Nu: float64(len(kept) - p - 1)}.Quantile(1 - doubt/2/float64(len(kept)))
		if !(math.Abs(rest.Studentised[farthest]) > limit) || math.Abs(rest.Residuals[farthest]) < grain {
			break
		}
		others := slices.Delete(slices.Clone(kept), farthest, farthest+1)
		var tx, ty []float64
		for _, i := range others {
			tx, ty = append(tx, x[i]), append(ty, y[i])
		}
		again := f.Model.To(tx, ty, rest.Coefficients)
		if !again.Converged() {
			break
		}
		out, kept, rest = append(out, kept[farthest]), others, again
	}
	slices.Sort(out)
	return out, rest
}

// mostModelled bounds the tables that are held against models; longer ones are dense enough for their neighbours to tell.
const mostModelled = 400

// common are the models against which a table is held.
var common = []Name{Linear, Quadratic, Cubic, Exponential, Logistic, Sinusoidal}

// Suspects are the values of a table that stand out: against the model that explains the others best, where one does so as well as their
// neighbours do, else against these.
func Suspects(x, y []float64) []statistics.Suspect {
	near, spread := statistics.OffNeighbours(x, y)
	if len(x) > mostModelled {
		return near
	}
	lowest := math.Inf(1)
	var list []statistics.Suspect
	for _, name := range common {
		m, _ := NewModel(name, "x")
		f := m.To(x, y, nil)
		if !f.Converged() || f.Studentised == nil {
			continue
		}
		out, rest := f.withoutOutliers(x, y)
		p, n := float64(len(m.Letters)), float64(len(rest.Residuals))
		left := math.Max(rest.SSE, n*math.Pow(statistics.Resolution(y)/4, 2))
		// Akaike's criterion, corrected for few points (Hurvich & Tsai 1989); each value that is left out counts as two letters.
		k := p + 1 + 2*float64(len(out))
		all := float64(len(x))
		if all-k-1 <= 0 {
			continue
		}
		criterion := all*math.Log(left/n) + 2*k + 2*k*(k+1)/(all-k-1)
		if deviation := math.Sqrt(left / (n - p)); criterion < lowest && deviation < 1.6*spread {
			lowest, list = criterion, f.Outliers(x, y)
		}
	}
	if math.IsInf(lowest, 1) {
		return near
	}
	return list
}
