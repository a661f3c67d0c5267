package evaluate

import (
	"strings"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
	"parvix/core/stage/document"
)

// Partials are the names of the first and second partial derivatives of a stated function of several variables, as textbooks write them:
// f_x, f_y, f_xx, f_xy … Its letters are those of variables of one letter.
func Partials(f *document.Stated) (names []string) {
	if f.Kind != document.Function || len(f.Variables) < 2 || strings.Contains(f.Name, "_") {
		return nil
	}
	for _, v := range f.Variables {
		if len([]rune(v)) != 1 {
			continue
		}
		names = append(names, f.Name+"_"+v)
		for _, w := range f.Variables {
			if len([]rune(w)) == 1 {
				names = append(names, f.Name+"_"+v+w)
			}
		}
	}
	return names
}

// partialIn is the stated function of which a name is a partial derivative, and the letters by which it is; nil for another name.
func partialIn(fs *Formulas, name string) (of *Function, by []string) {
	base, letters, is := strings.Cut(name, "_")
	if !is || fs.functions[name] != nil {
		return nil, nil
	}
	of = fs.functions[base]
	if of == nil || of.Formula == nil {
		return nil, nil
	}
	for _, partial := range Partials(of.Stated) {
		if partial == name {
			for _, letter := range letters {
				by = append(by, string(letter))
			}
			return of, by
		}
	}
	return nil, nil
}

// definitionIn is what a name of a function stands for: a stated function, or a partial derivative of one; in degrees with its angles in
// radians, so that a derivative by an angle carries its factor π/180.
func definitionIn(fs *Formulas, name string, degrees bool) (symbolic.Definition, bool) {
	inRadians := func(n expr.Node) expr.Node {
		if degrees {
			return symbolic.Radians(n, true)
		}
		return n
	}
	if f := fs.functions[name]; f != nil && f.Formula != nil {
		return symbolic.Definition{Variables: f.Stated.Variables, Body: inRadians(f.body)}, true
	}
	of, by := partialIn(fs, name)
	if of == nil {
		return symbolic.Definition{}, false
	}
	n, err := symbolic.Inline(inRadians(of.body), func(name string) (symbolic.Definition, bool) { return definitionIn(fs, name, degrees) })
	if err != nil {
		return symbolic.Definition{}, false
	}
	for _, letter := range by {
		n = symbolic.Simplify(symbolic.Derivative(n, letter)).Node
	}
	return symbolic.Definition{Variables: of.Stated.Variables, Body: n}, true
}
