// Command unroll writes core/numeric/program/loops.go: the loops over blocks, several values a turn.
//
// A turn of a loop costs more than the arithmetic in it: in WebAssembly Go's compiler returns to a jump table at every
// turn. Eight values a turn (four for the long kernels) take most of that away, and pointers to arrays the checks of
// bounds. The bodies below are the only source; run `go generate ./core/numeric/program` after a change.
package main

import (
	"fmt"
	"go/format"
	"log"
	"os"
	"strings"
)

// loop is a function over blocks: what each value of out becomes. In body X, Y and Z are values of the sources a, b and
// c, K and L scalars, and OUT is the value to be set.
type loop struct {
	name, comment, sources, scalars string
	turn                            int
	before, body, after             string
}

// flagged loops note arguments outside a kernel's range and compute these again.
const flag = "far := uint64(0)"

func flagged(safe, f string) string {
	return fmt.Sprintf("if far&signBit != 0 {\nrepair(out, a, %s, %s)\n}", safe, f)
}

const sine = `r := ((X - k*pi1) - k*pi2) - k*pi3
u := r * r
v := u * u
high := sine8*v + (sine7*u + sine6)
low := (sine5*u+sine4)*v + (sine3*u + sine2)
s := r + r*u*((high*(v*v)+low)*u+sine1)
OUT = math.Float64frombits(math.Float64bits(s) ^ math.Float64bits(t)<<63)
far |= angleBits - math.Float64bits(X)&^signBit`

var loops = []loop{
	{name: "addScalar", comment: "a + k", sources: "a", scalars: "k", turn: 16, body: "OUT = X + K"},
	{name: "subtractFrom", comment: "k − a", sources: "a", scalars: "k", turn: 16, body: "OUT = K - X"},
	{name: "scale", comment: "k·a", sources: "a", scalars: "k", turn: 16, body: "OUT = X * K"},
	{name: "divideByScalar", comment: "a/k", sources: "a", scalars: "k", turn: 16, body: "OUT = X / K"},
	{name: "divideScalar", comment: "k/a", sources: "a", scalars: "k", turn: 16, before: flag,
		after: "if far&signBit != 0 {\nundefinedWhereZero(out, a)\n}", body: "OUT = K / X; far |= math.Float64bits(X)&^signBit - 1"},
	{name: "addBlocks", comment: "a + b", sources: "ab", turn: 16, body: "OUT = X + Y"},
	{name: "subtractBlocks", comment: "a − b", sources: "ab", turn: 16, body: "OUT = X - Y"},
	{name: "multiplyBlocks", comment: "a·b", sources: "ab", turn: 16, body: "OUT = X * Y"},
	{name: "divideBlocks", comment: "a/b", sources: "ab", turn: 16, before: flag,
		after: "if far&signBit != 0 {\nundefinedWhereZero(out, b)\n}", body: "OUT = X / Y; far |= math.Float64bits(Y)&^signBit - 1"},
	{name: "scaleAddScalar", comment: "a·k + l", sources: "a", scalars: "kl", turn: 16, body: "OUT = X*K + L"},
	{name: "scaleAddBlock", comment: "a·k + b", sources: "ab", scalars: "k", turn: 16, body: "OUT = X*K + Y"},
	{name: "multiplyAddScalar", comment: "a·b + k", sources: "ab", scalars: "k", turn: 16, body: "OUT = X*Y + K"},
	{name: "multiplyAddBlocks", comment: "a·b + c", sources: "abc", turn: 16, body: "OUT = X*Y + Z"},
	{name: "negateBlock", comment: "−a", sources: "a", turn: 16, body: "OUT = -X"},
	{name: "absBlock", comment: "|a|", sources: "a", turn: 16, body: "OUT = math.Abs(X)"},
	{name: "sqrtBlock", comment: "√a", sources: "a", turn: 16, body: "OUT = math.Sqrt(X)"},
	{name: "sinBlock", comment: "sin a", sources: "a", turn: 4, before: flag, after: flagged("safeAngle", "math.Sin"),
		body: "t := X*(1/math.Pi) + roundMagic\nk := t - roundMagic\n" + sine},
	{name: "cosBlock", comment: "cos a = sin(a + π/2): the multiple of π is taken at half steps", sources: "a", turn: 4, before: flag,
		after: flagged("safeAngle", "math.Cos"),
		body:  "t := (X*(1/math.Pi) + 0.5) + roundMagic\nk := (t - roundMagic) - 0.5\n" + sine},
	{name: "expBlock", comment: "e^a", sources: "a", turn: 4, before: flag, after: flagged("safeExponent", "math.Exp"),
		body: `t := X*(1/math.Ln2) + roundMagic
k := t - roundMagic
r := (X - k*ln2Hi) - k*ln2Lo
u := r * r
v := u * u
low := (exp5*r+exp4)*u + (exp3*r + exp2)
high := (exp9*r+exp8)*u + (exp7*r + exp6)
p := ((exp11*r+exp10)*v+high)*v + low
p = p*u + r + 1
// The low bits of t hold k: adding them to the exponent multiplies by 2^k.
OUT = math.Float64frombits(math.Float64bits(p) + math.Float64bits(t)<<52)
far |= exponentBits - math.Float64bits(X)&^signBit`},
	{name: "lnBlock", comment: "ln a with a = 2^e·m, √½ ≤ m < √2, and ln m = 2 artanh((m−1)/(m+1))", sources: "a", turn: 2,
		before: "far := false", after: "if far {\nrepairLn(out, a)\n}",
		body: `bits := math.Float64bits(X)
// One more power of two when the mantissa lies above √2.
upper := (bits&mantissa + (1<<52 - sqrtHalfMantissa)) >> 52
e := float64(int64(bits>>52) - 1023 + int64(upper))
m := math.Float64frombits(bits&mantissa | (1023-upper)<<52)
f := m - 1
s := f / (m + 1)
u := s * s
v := u * u
p := ((ln7*u+ln6)*v+(ln5*u+ln4))*(v*v) + (ln3*u+ln2)*v + (ln1*u + ln0)
// 2s = f − s·f keeps the leading term exact near 1.
OUT = e*ln2Hi + (f - s*(f-2*u*p) + e*ln2Lo)
far = far || !(X >= smallestNormal && X <= math.MaxFloat64)`},
}

func main() {
	var b strings.Builder
	b.WriteString("// Code generated by core/numeric/program/unroll; DO NOT EDIT.\n\npackage program\n\nimport \"math\"\n")
	for _, l := range loops {
		l.write(&b)
	}
	source, err := format.Source([]byte(b.String()))
	if err != nil {
		log.Fatalf("unroll: %v\n%s", err, b.String())
	}
	if err := os.WriteFile("loops.go", source, 0o644); err != nil {
		log.Fatal("unroll: ", err)
	}
}

func (l loop) write(b *strings.Builder) {
	names := strings.Split(l.sources, "")
	fmt.Fprintf(b, "\n// %s writes %s; out must not be a source.\nfunc %s(out, %s []float64", l.name, l.comment, l.name, strings.Join(names, ", "))
	if l.scalars != "" {
		fmt.Fprintf(b, ", %s float64", strings.Join(strings.Split(l.scalars, ""), ", "))
	}
	b.WriteString(") {\n")
	for _, s := range names {
		fmt.Fprintf(b, "%s = %s[:len(out)]\n", s, s)
	}
	fmt.Fprintf(b, "%s\ni := 0\nfor ; i+%d <= len(out); i += %d {\n", l.before, l.turn, l.turn)
	for _, s := range append([]string{"out"}, names...) {
		fmt.Fprintf(b, "%s%d := (*[%d]float64)(%s[i:])\n", s, l.turn, l.turn, s)
	}
	for k := range l.turn {
		l.value(b, func(s string) string { return fmt.Sprintf("%s%d[%d]", s, l.turn, k) })
	}
	b.WriteString("}\nfor ; i < len(out); i++ {\n")
	l.value(b, func(s string) string { return s + "[i]" })
	fmt.Fprintf(b, "}\n%s\n}\n", l.after)
}

// value writes the body once, with its names put in; a longer body has a scope of its own.
func (l loop) value(b *strings.Builder, at func(source string) string) {
	long := strings.Contains(l.body, "\n")
	text := strings.ReplaceAll(l.body, "OUT", at("out"))
	for i, s := range strings.Split(l.sources, "") {
		letter := string("XYZ"[i])
		if long {
			continue
		}
		text = strings.ReplaceAll(text, letter, at(s))
	}
	if !long {
		text = strings.ReplaceAll(strings.ReplaceAll(text, "K", "k"), "L", "l")
	} else {
		text = "{\nx := " + at("a") + "\n" + strings.ReplaceAll(text, "X", "x") + "\n}"
	}
	b.WriteString(text + "\n")
}
