package analyse_test

import (
	"fmt"
	"os"
	"strings"
	"testing"
	"time"

	"github.com/stretchr/testify/require"

	"parvix/core/analyse"
	"parvix/core/expr"
)

func parse(t testing.TB, text string) expr.Node {
	t.Helper()
	f, err := expr.Parse(text, nil)
	require.NoError(t, err, text)
	return f.Node
}

func dump(f *analyse.Findings) string {
	var b strings.Builder
	pts := func(name string, l []analyse.Point) {
		if len(l) == 0 {
			return
		}
		fmt.Fprintf(&b, "  %s:", name)
		for _, p := range l {
			end := ""
			if p.End {
				end = "e"
			}
			fmt.Fprintf(&b, " (%s|%s)%s", p.X.Text(), p.Y.Text(), end)
		}
		b.WriteString("\n")
	}
	fmt.Fprintf(&b, "  D %s  R %s sym %s\n", analyse.Intervals(f.Domain), analyse.Intervals(f.Range), f.Symmetry)
	if f.Period != nil {
		fmt.Fprintf(&b, "  period %s\n", f.Period.Text())
		if f.Amplitude != nil {
			fmt.Fprintf(&b, "  ampl %s centre %s\n", f.Amplitude.Text(), f.CentreLine.Text())
		}
	}
	if f.YIntercept != nil {
		fmt.Fprintf(&b, "  y0 %s\n", f.YIntercept.Y.Text())
	}
	pts("zeros", f.Zeros)
	pts("max", f.Maxima)
	pts("min", f.Minima)
	pts("infl", f.Inflections)
	pts("holes", f.Holes)
	for _, l := range f.Vertical {
		fmt.Fprintf(&b, "  x = %s side %d\n", l.X.Text(), l.Side)
	}
	for _, l := range append(f.Horizontal, f.Slanted...) {
		fmt.Fprintf(&b, "  y = %s x + %s side %d\n", l.Slope.Text(), l.Lift.Text(), l.Side)
	}
	for _, j := range f.Jumps {
		fmt.Fprintf(&b, "  jump %s %s→%s val %s\n", j.X.Text(), j.Left.Text(), j.Right.Text(), j.Value.Text())
	}
	if len(f.Rising)+len(f.Falling) > 0 {
		fmt.Fprintf(&b, "  up %s down %s\n", analyse.Intervals(f.Rising), analyse.Intervals(f.Falling))
	}
	if len(f.ConcaveUp)+len(f.ConcaveDown) > 0 {
		fmt.Fprintf(&b, "  cup %s cap %s\n", analyse.Intervals(f.ConcaveUp), analyse.Intervals(f.ConcaveDown))
	}
	if len(f.Undecided) > 0 {
		fmt.Fprintf(&b, "  UNDECIDED %s\n", strings.Join(f.Undecided, "; "))
	}
	return b.String()
}

func TestDump(t *testing.T) {
	list := os.Getenv("FUNCTIONS")
	if list == "" {
		t.Skip()
	}
	for _, text := range strings.Split(list, ";;") {
		start := time.Now()
		f, err := analyse.Function(parse(t, text), "x", analyse.Bounds{})
		require.NoError(t, err)
		fmt.Printf("%s   [%v]\n%s", text, time.Since(start).Round(time.Microsecond), dump(f))
	}
}
