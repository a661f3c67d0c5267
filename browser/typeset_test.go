package browser

import (
	"cmp"
	"encoding/json"
	"math"
	"os"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/formula/expr"
	"parvix/core/formula/typeset"
	"parvix/core/stage/compose"
	"parvix/core/stage/evaluate"
	"parvix/demo"
)

// written are formulas as Parvix writes them: all of the demonstrations, their labels and values, and what a class types.
func written(t *testing.T) (list []string) {
	t.Helper()
	docs, err := demo.Documents()
	require.NoError(t, err)
	for _, d := range docs {
		e := evaluate.Load(d, nil)
		for _, f := range e.Functions {
			list = append(list, e.LaTeX(f.Formula, e.Class), e.Now(f))
		}
		for scene := range d.Scenes {
			e.BeginScene(scene)
			e.GoScene(1)
			for panel := range d.Panels {
				var c compose.Composer
				for _, l := range c.Compose(e.Frame(panel, 700, 500)).Labels {
					list = append(list, l.LaTeX)
				}
			}
		}
	}
	scope := &expr.Scope{Functions: map[string]int{"f": 1, "g": 1}, Names: map[string]bool{}}
	for _, text := range typed {
		f, err := expr.Parse(text, scope.With("x", "a", "b", "t", "θ", "n", "k", "h", "x_1", "r_max"))
		require.NoError(t, err, text)
		list = append(list, expr.LaTeX(f.Node, nil))
	}
	slices.Sort(list)
	return slices.Compact(list)
}

// typed are formulas of every shape: fractions in fractions, roots, scripts, absolute values, cases, letters with an index.
var typed = []string{"x²", "a(x − h)² + k", "1/(x − 2)", "(x² − 1)/(x + 1)", "√(x² + 1)", "√(a/b)", "cbrt(x/2)", "|x − 3|", "|x/2|", "2^x", "e^(−x²/2)",
	"a b^(x − h) + k", "log_2(x)", "ln(x + 1)", "sin(x)", "sin(2x)²", "cos(θ/2)", "tan(x − π/4)", "arcsin(x/2)", "x_1 + 1", "r_max t", "floor(x/2)", "ceil(x)",
	"f(x) + g(x)", "f'(x)", "f''(x)/2", "sum(1/k² for k from 1 to n)", "1/(1 + 1/x)", "(a + b)/(a − b)", "a/(b x + 1) − x/2", "x^(1/2)", "x^(a/b)", "2^(2^x)",
	"√(1 + √(1 + x))", "(x + 1)(x − 1)", "3·10^4", "−x", "−(x + 1)²", "x³ − 3x² + 2x − 1", "1/√(2π)·e^(−x²/2)", "90°", "(sin(x) + cos(x))²", "sinh(x)/cosh(x)",
	"x/2 + x/3", "5/6", "(1 + x)^n", "√x/(1 + √x)", "|x| + |x − 1|", "e^(a t)·cos(b t)", "exp(−t/2)", "max(x, 1)", "x^2/(x^2 + 1)", "√((x + 1)/(x − 1))", "((x+1)/2)^3"}

// A formula has the size in the picture that it has beside it, and its parts stand in the same places: within a pixel at 20
// pixels an em, as the typesetter of the page sets it.
func TestFormulasOfThePictureAreThoseOfThePage(t *testing.T) {
	page := visit(t, 1280, 800)
	goTo(t, page, "/")
	source, err := os.ReadFile("../web/node_modules/katex/dist/katex.min.js")
	require.NoError(t, err)
	_, err = page.Eval("() => { " + string(source) + "; window.setter = (typeof katex !== 'undefined' ? katex : self.katex) }")
	require.NoError(t, err)
	list := written(t)
	require.GreaterOrEqual(t, len(list), 200)
	given, err := json.Marshal(list)
	require.NoError(t, err)
	got := ask[[]struct {
		Width, Height, Depth float64
		Letters              []letterAt
	}](t, page, `async (text) => {
		const list = JSON.parse(text), box = document.createElement('div');
		box.style.cssText = 'position:absolute;left:0;top:0;white-space:nowrap;visibility:hidden';
		document.body.append(box);
		const set = (latex) => {
			const line = document.createElement('div');
			line.style.cssText = 'width:max-content;white-space:nowrap';
			line.innerHTML = setter.renderToString(latex, { output: 'html', trust: true, strict: false });
			line.firstElementChild.style.fontSize = '20px';
			box.append(line);
			return line;
		};
		const lines = list.map(set);
		await document.fonts.ready;
		return list.map((latex, i) => {
			const tree = setter.__renderToHTMLTree(latex, { output: 'html', trust: true, strict: false });
			const bases = tree.children[0].children.filter((c) => c.classes.includes('katex-base'));
			const spans = [...lines[i].querySelectorAll('.katex-base')].map((b) => b.getBoundingClientRect());
			const letters = [], origin = lines[i].getBoundingClientRect().left, range = document.createRange();
			const walk = document.createTreeWalker(lines[i], NodeFilter.SHOW_TEXT);
			for (let node = walk.nextNode(); node; node = walk.nextNode())
				for (let k = 0; k < node.data.length; k++) {
					if (/[\s\u200b\u00a0]/.test(node.data[k])) continue;
					range.setStart(node, k);
					range.setEnd(node, k + 1);
					letters.push({ letter: node.data[k], x: range.getBoundingClientRect().left - origin });
				}
			return {
				letters,
				width: spans.reduce((sum, r) => sum + r.width, 0),
				height: 20 * Math.max(...bases.map((b) => b.height)),
				depth: 20 * Math.max(...bases.map((b) => b.depth)),
			};
		});
	}`, string(given))
	wrong, letters := 0, 0
	for i, latex := range list {
		b := typeset.Set(latex)
		for what, pair := range map[string][2]float64{"width": {20 * b.Width, got[i].Width}, "height": {20 * b.Height, got[i].Height}, "depth": {20 * b.Depth, got[i].Depth}} {
			if math.Abs(pair[0]-pair[1]) > 1 {
				wrong++
				t.Logf("%s of %s: %.2f, beside the picture %.2f", what, latex, pair[0], pair[1])
			}
		}
		mine, others := lettersOf(b), inOrder(got[i].Letters)
		if !assert.Equal(t, spelt(others), spelt(mine), latex) {
			continue
		}
		letters += len(mine)
		for k := range mine {
			assert.InDelta(t, others[k].X, mine[k].X, 1, "%s of %s", mine[k].Letter, latex)
		}
	}
	t.Logf("%d formulas, %d letters", len(list), letters)
	assert.Zero(t, wrong)
}

// letterAt is a sign with its left side, in pixels.
type letterAt struct {
	Letter string
	X      float64
}

// lettersOf are the signs of a box at 20 pixels an em; roots' signs are drawn beside the picture, not written.
func lettersOf(b typeset.Box) (list []letterAt) {
	for _, run := range b.Runs {
		x := run.X
		for _, letter := range run.Text {
			if letter != '√' && letter != ' ' {
				list = append(list, letterAt{string(letter), 20 * x})
			}
			x += typeset.Width(run.Face, string(letter)) * run.Size
		}
	}
	return inOrder(list)
}

// inOrder sorts signs by what they are, and those that are the same from left to right.
func inOrder(list []letterAt) []letterAt {
	slices.SortFunc(list, func(a, b letterAt) int { return cmp.Or(strings.Compare(a.Letter, b.Letter), cmp.Compare(a.X, b.X)) })
	return list
}

func spelt(list []letterAt) (text string) {
	for _, l := range list {
		text += l.Letter
	}
	return text
}
