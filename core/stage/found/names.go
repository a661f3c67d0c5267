package found

import "parvix/core/stage/document"

// names are the findings in the words of the classroom.
var names = map[document.Finding]string{
	document.Domain: "domain", document.Range: "range", document.YIntercept: "y-intercept", document.Zeros: "zeros",
	document.Maxima: "maxima", document.Minima: "minima", document.Inflections: "inflections", document.Increasing: "increasing on",
	document.Decreasing: "decreasing on", document.ConcaveUp: "concave up on", document.ConcaveDown: "concave down on",
	document.VerticalAsymptotes: "vertical asymptotes", document.LevelAsymptotes: "horizontal asymptotes",
	document.SlantedAsymptotes: "slanted asymptotes", document.Holes: "holes", document.Jumps: "jumps", document.Period: "period",
	document.Amplitude: "amplitude", document.CentreLine: "centre line", document.Symmetry: "symmetry",
	document.QuarterPoints: "quarter points",
}

// single are the names of lists with one member.
var single = map[document.Finding]string{
	document.Zeros: "zero", document.Maxima: "maximum", document.Minima: "minimum", document.Inflections: "inflection",
	document.VerticalAsymptotes: "vertical asymptote", document.LevelAsymptotes: "horizontal asymptote",
	document.SlantedAsymptotes: "slanted asymptote", document.Holes: "hole", document.Jumps: "jump",
	document.QuarterPoints: "quarter point, a quarter period from the centre",
}

// Name is a finding in the words of the classroom.
func Name(f document.Finding) string { return names[f] }

// NameOfOne is the name of one member of a finding.
func NameOfOne(f document.Finding) string { return NameOfMany(f, 1) }

// NameOfMany is the name of a list with so many members.
func NameOfMany(f document.Finding, count int) string {
	if name, ok := single[f]; ok && count == 1 {
		return name
	}
	return names[f]
}
