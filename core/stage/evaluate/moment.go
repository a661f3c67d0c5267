package evaluate

import (
	"math/big"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/fit"
	"parvix/core/stage/found"
)

// What the kinds of entries are given of a demonstration, by what they do: they read a moment of it, understand an entry
// while it is loaded, or let a hand change what is in play.

// Moment is a demonstration as it can be read: the values in play, and how they are written. Nothing is changed by it.
type Moment interface {
	// Inputs are the inputs' values with room for the variable in front; they must not be kept.
	Inputs() []float64
	Before() (in []float64, number uint64)
	// Dial is a parameter by its place, with its value in play; it is only read.
	Dial(i int) *Parameter
	Stamp(f *Function) uint64
	StampOf(on []int, but int) uint64
	FoundOf(f *Function) (last *found.Found, current bool)
	FoundStamp() uint64
	Collapsed(f *Function) string
	Recorded(id string) []float64
	Numbers() map[string]*big.Rat
	NumbersBut(variables ...string) map[string]*big.Rat
	Named(name string) *Function
	Other(id string) *Shown
	// Visible are the shown entries that the scene does not hide, on whatever panel.
	Visible() []*Shown
	// TellsLabel tells whether an entry's label is not covered in play.
	TellsLabel(id string) bool
	Now(f *Function) string
	Spoken(f *Function) string
	DataOf(id string) *Data
	FitOf(f *Function) *fit.Fit
	SuspectsOf(data *Data, x, y *Column) []Suspect
	Lookup(name string) (symbolic.Definition, bool)
	Scope() *expr.Scope

	IsInDegrees() bool
	HasDecimalComma() bool
	RadiansPerUnit() float64
	Numeral(text string) string
	Typeset(latex string) string
	LaTeX(n expr.Node, class func(name string) string) string
	HeadLaTeX(name string, variables []string) string
	Class(name string) string
	FormulaWord(text string, variables ...string) Word
	LetterWord(name string) Word
}

// Loading is what an entry is understood with.
type Loading interface {
	Moment
	Find(parameter string) int
	Graph(name, object string) *Function
	Function(name string) *Function
	InputNames(variable string) []string
	Expression(text, object, field string, variables ...string) *Expression
	Constant(text string, fallback float64, object, field string) float64
	Statement(text string) (expr.Statement, error)
	Resolve(n expr.Node) (expr.Node, error)
	Dependencies(n expr.Node, variables []string) (on []int, waits []string)
	Wait(letters []string, typed expr.Node, object, field string)
	Report(err error, object, field string)
	AffordsCurves(count int, object, field string) bool
	PositionOf(id string, count int) float64
	CountCompile()
}

// Play is a moment that a hand changes.
type Play interface {
	Moment
	Set(i int, value float64)
	SetCell(data *Data, c *Column, row int, v float64)
}

// Telling is a moment with what texts need: what has moved since it was last told.
type Telling interface {
	Moment
	Moves() uint64
	HasMoved(x *Expression) bool
	Why(x *Expression) string
}
