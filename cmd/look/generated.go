package main

import (
	"fmt"

	"parvix/core/stage/document"
	"parvix/core/stage/kinds/curve"
	"parvix/core/stage/kinds/family"
	"parvix/core/stage/kinds/guide"
	"parvix/core/stage/kinds/point"
)

// familiesLooked are functions with a parameter a that are drawn for several of its values.
var familiesLooked = []string{"a x²", "a x", "x² + a", "(x − a)²", "a sin x", "sin(a x)", "sin(x − a)", "e^(a x)", "a e^x", "a/x", "1/(x − a)",
	"|x − a|", "√(x − a)", "x³ + a x", "a ln x", "x² + a x", "cos x + a", "2^x + a", "1/(x² + a²)", "a x + 2"}

// mixtures are curves that stand on one panel together.
var mixtures = [][]string{
	{"x²", "2x + 1", "−x² + 3"}, {"sin x", "cos x", "sin x + cos x"}, {"e^x", "ln x", "x"}, {"1/x", "1/x²", "√x"},
	{"x³ − 3x", "3x² − 3", "6x"}, {"2^x", "3^x", "2^(−x)", "10^x"}, {"|x|", "|x − 2| + 1", "−|x| + 2"}, {"x", "x²", "x³", "x⁴"},
	{"sin x", "sin 2x", "sin 3x"}, {"tan x", "sin x"}, {"4/(1 + e^(−x))", "4e^x/(1 + e^x)²", "2"}, {"√(9 − x²)", "−√(9 − x²)"},
	{"x² − 4", "(x² − 4)/2", "|x² − 4|"}, {"x e^(−x)", "e^(−x)", "x"}, {"ln x", "log_2(x)", "lg x"}, {"2sin x + 1", "1", "sin x"},
	{"x²/4", "x − 1", "−x + 3", "2"}, {"(x − 1)(x + 2)", "x + 3", "1/(x + 2)"}, {"cos x", "1 − x²/2", "1 − x²/2 + x⁴/24"}, {"5", "x + 0.2", "x"},
}

// generated are 60 demonstrations: families, curves with points upon them, and curves with guides and findings beside them.
func generated() (list []*document.Document) {
	for i, formula := range familiesLooked {
		d := empty(fmt.Sprintf("family %s", formula))
		d.Stated = append(d.Stated, document.Stated{ID: "a", Kind: document.Parameter, Name: "a", From: "-3", To: "3", Step: "0.1"}, function("f", formula))
		d.Scenes[0].Values["a"] = 1
		values := [][]string{{"−2", "−1", "0", "1", "2"}, {"1/2", "1", "2"}, {"−3", "−2", "−1", "1", "2", "3"}}[i%3]
		d.Shown = append(d.Shown, document.Entry{ID: "c", Body: &curve.Body{Function: "f", Family: &family.Given{Parameter: "a", Values: values}}})
		list = append(list, d)
	}
	for _, formulas := range mixtures {
		list = append(list, mixture("curves", formulas))
		d := mixture("points", formulas)
		d.Stated = append(d.Stated, document.Stated{ID: "p", Kind: document.Parameter, Name: "p", From: "-4", To: "4", Step: "0.1"})
		d.Scenes[0].Values["p"] = 1
		for i := range formulas {
			d.Shown = append(d.Shown, document.Entry{ID: fmt.Sprintf("p%d", i), Look: document.Look{Colour: i, Label: document.LabelCoordinates},
				Body: &point.Body{Name: string(rune('P' + i)), X: "p", Y: fmt.Sprintf("f_%d(p)", i)}})
		}
		d.Shown = append(d.Shown, document.Entry{ID: "u", Look: document.Look{Colour: 5}, Body: &guide.Body{Direction: guide.Upright, At: "p"}},
			document.Entry{ID: "l", Look: document.Look{Colour: 5}, Body: &guide.Body{Direction: guide.Level, At: "f_0(p)"}})
		list = append(list, d)
	}
	return list
}

func mixture(title string, formulas []string) *document.Document {
	d := empty(title + " " + fmt.Sprint(formulas))
	for i, formula := range formulas {
		name := fmt.Sprintf("f_%d", i)
		d.Stated = append(d.Stated, function(name, formula))
		label := document.LabelName
		if i%2 == 0 {
			label = document.LabelFormula
		}
		d.Shown = append(d.Shown, document.Entry{ID: "c" + name, Look: document.Look{Colour: i, Label: label}, Body: &curve.Body{Function: name}})
	}
	return d
}

func empty(title string) *document.Document {
	d := document.New(title)
	d.Panels[0].Window = document.Window{Left: -6, Right: 6, Bottom: -4, Top: 4}
	return d
}

func function(name, formula string) document.Stated {
	return document.Stated{ID: "s" + name, Kind: document.Function, Name: name, Variables: []string{"x"}, Formula: formula}
}
