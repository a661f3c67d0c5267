package locus

var featureNames = map[Feature]string{Extrema: "turning point", Inflections: "inflection", YIntercept: "y-intercept",
	VerticalAsymptote: "vertical asymptote", HorizontalAsymptote: "horizontal asymptote",
	Intersections: "intersection"}

// Name is a feature in the words of the classroom.
func (f Feature) Name() string {
	if name, known := featureNames[f]; known {
		return name
	}
	return string(f)
}
