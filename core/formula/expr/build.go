package expr

// Trees put together by the program, without places in a text.

// Plus is a + b.
func Plus(a, b Node) Node { return &Binary{Op: Add, L: a, R: b} }

// Minus is a − b.
func Minus(a, b Node) Node { return &Binary{Op: Sub, L: a, R: b} }

// Times is a·b.
func Times(a, b Node) Node { return &Binary{Op: Mul, L: a, R: b} }

// Over is a/b.
func Over(a, b Node) Node { return &Binary{Op: Div, L: a, R: b} }

// Power is a^b.
func Power(a, b Node) Node { return &Binary{Op: Pow, L: a, R: b} }

// Opposite is −n.
func Opposite(n Node) Node { return &Neg{X: n} }

// Apply is a function of its arguments.
func Apply(name string, args ...Node) Node { return &Call{Name: name, Args: args} }

// Named is a letter.
func Named(name string) Node { return &Name{Name: name} }

// Pi is π.
func Pi() Node { return &Constant{Name: "pi"} }
