package expr

import "sort"

// Builtin describes a function that every formula may use.
type Builtin struct {
	// Min and Max are the numbers of arguments that may be written.
	Min, Max int
	// Bare tells that the function may stand without brackets, as in sin 2x.
	Bare bool
	// LaTeX is the operator's name, empty where the function has a notation of its own (root, bars).
	LaTeX string
}

var builtins = map[string]Builtin{
	"sin": {1, 1, true, `\sin`}, "cos": {1, 1, true, `\cos`}, "tan": {1, 1, true, `\tan`},
	"cot": {1, 1, true, `\cot`}, "sec": {1, 1, true, `\sec`}, "csc": {1, 1, true, `\csc`},
	"arcsin": {1, 1, true, `\arcsin`}, "arccos": {1, 1, true, `\arccos`}, "arctan": {1, 1, true, `\arctan`},
	"arccot": {1, 1, true, `\operatorname{arccot}`}, "arcsec": {1, 1, true, `\operatorname{arcsec}`},
	"arccsc": {1, 1, true, `\operatorname{arccsc}`},
	"sinh":   {1, 1, true, `\sinh`}, "cosh": {1, 1, true, `\cosh`}, "tanh": {1, 1, true, `\tanh`},
	"coth":   {1, 1, true, `\coth`},
	"arsinh": {1, 1, true, `\operatorname{arsinh}`}, "arcosh": {1, 1, true, `\operatorname{arcosh}`},
	"artanh": {1, 1, true, `\operatorname{artanh}`},
	"ln":     {1, 1, true, `\ln`}, "exp": {1, 1, true, `\exp`},
	"log":  {1, 1, true, `\log`},
	"sqrt": {1, 1, true, ""}, "cbrt": {1, 1, true, ""}, "root": {1, 1, true, ""},
	"abs": {1, 1, false, ""}, "floor": {1, 1, false, ""}, "ceil": {1, 1, false, ""},
	"sgn": {1, 1, true, `\operatorname{sgn}`},
	"min": {2, 9, false, `\min`}, "max": {2, 9, false, `\max`},
}

// IsBuiltin tells whether every formula may use name as a function.
func IsBuiltin(name string) bool {
	_, ok := builtins[name]
	return ok
}

// Builtins lists the functions that every formula may use, in alphabetical order.
func Builtins() []string {
	var names []string
	for name := range builtins {
		names = append(names, name)
	}
	sort.Strings(names)
	return names
}

// aliases are other spellings of one built-in function or constant.
var aliases = map[string]string{
	"tg": "tan", "ctg": "cot", "cosec": "csc", "arccosec": "arccsc", "sign": "sgn", "lg": "log",
	"arcsinh": "arsinh", "arccosh": "arcosh", "arctanh": "artanh",
}

// inverses: sin^-1 x is the inverse function, not 1/sin x.
var inverses = map[string]string{
	"sin": "arcsin", "cos": "arccos", "tan": "arctan", "cot": "arccot", "sec": "arcsec", "csc": "arccsc",
	"sinh": "arsinh", "cosh": "arcosh", "tanh": "artanh",
}

// shortInverses are read as inverses unless a is a letter of the demonstration: then a sin x is a product.
var shortInverses = map[string]string{
	"asin": "arcsin", "acos": "arccos", "atan": "arctan", "acot": "arccot", "asec": "arcsec", "acsc": "arccsc",
	"asinh": "arsinh", "acosh": "arcosh", "atanh": "artanh",
}

// greek: typed name → letter. π is a constant; ϕ and ϑ are other shapes of φ and θ.
var greek = map[string]string{
	"alpha": "α", "beta": "β", "gamma": "γ", "delta": "δ", "epsilon": "ε", "zeta": "ζ", "eta": "η", "theta": "θ",
	"iota": "ι", "kappa": "κ", "lambda": "λ", "mu": "μ", "nu": "ν", "xi": "ξ", "rho": "ρ", "sigma": "σ", "tau": "τ",
	"upsilon": "υ", "phi": "φ", "chi": "χ", "psi": "ψ", "omega": "ω",
	"Gamma": "Γ", "Delta": "Δ", "Theta": "Θ", "Lambda": "Λ", "Xi": "Ξ", "Sigma": "Σ", "Phi": "Φ", "Psi": "Ψ",
	"Omega": "Ω",
}

var greekLaTeX = func() map[string]string {
	commands := map[string]string{}
	for name, letter := range greek {
		commands[letter] = `\` + name
	}
	commands["υ"] = `\upsilon`
	return commands
}()
