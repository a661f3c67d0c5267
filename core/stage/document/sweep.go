package document

// Sweep says how a parameter moves by itself.
type Sweep struct {
	Way SweepWay `json:"way"`
	// Seconds is the pace: the time of one run from end to end.
	Seconds float64 `json:"seconds"`
	// Every is the distance of the values at which it rests, a formula; At are further ones. Empty for a sweep that rests nowhere.
	Every string   `json:"every,omitempty"`
	At    []string `json:"at,omitempty"`
	// Paces are stretches of values that are run through slower, or faster.
	Paces []Pace `json:"paces,omitempty"`
}

// Pace is a stretch of values that takes Times as long as it would.
type Pace struct {
	// From and To are its ends, formulas.
	From  string  `json:"from"`
	To    string  `json:"to"`
	Times float64 `json:"times"`
}

// MaxPaces is the largest number of stretches of a sweep, SlowestPace and FastestPace the bounds of how many times as long one takes.
const (
	MaxPaces    = 8
	SlowestPace = 50.0
	FastestPace = 0.02
)

// MaxStops is the largest number of values at which a sweep rests.
const MaxStops = 720

// SweepWay is the way of a sweep.
type SweepWay string

// The ways of a sweep.
const (
	Once         SweepWay = "once"
	Round        SweepWay = "round"
	BackAndForth SweepWay = "backAndForth"
)
