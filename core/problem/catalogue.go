package problem

// catalogue: code → what is wrong and what would be right. {0}, {1} are the arguments.
var catalogue = map[string]string{
	// The text of a formula.
	"empty":               "Nothing is written here yet.",
	"too-long":            "The formula is longer than {0} characters. Name a part of it as a function of its own.",
	"too-deep":            "The brackets go deeper than {0} levels. Name a part of it as a function of its own.",
	"character":           "“{0}” has no meaning in a formula.",
	"unfinished":          "The formula stops after “{0}”; a value is missing there.",
	"value-missing":       "A value is missing before “{0}”.",
	"bracket-open":        "The bracket opened here is not closed.",
	"bracket-open-after":  "The bracket opened after {0} is not closed.",
	"bracket-close":       "This closing bracket was never opened.",
	"bars":                "These bars cannot be paired. Write abs( ) for one of them.",
	"extra":               "“{0}” does not fit here.",
	"argument-missing":    "{0} needs a value: write {0}(…).",
	"argument-count":      "{0} takes {1}, not {2}.",
	"function-bare":       "{0} is a function: write {0}(…).",
	"prime-not-function":  "Only a function has a derivative; {0} is not one.",
	"subscript":           "A letter or a number must follow “_”.",
	"base-missing":        "The base of {0} is missing after “_”.",
	"exponent-missing":    "An exponent is missing after “^”.",
	"condition":           "After “for” an interval is needed, such as “x from 0 to 4” or “0 ≤ x ≤ 4”.",
	"condition-variable":  "An interval bounds one variable: here {0}.",
	"condition-direction": "The signs of an interval point the same way, such as 0 ≤ x ≤ 4.",
	"equals":              "Only one “=” can stand in a statement, after the name: f(x) = … .",
	"head":                "On the left of “=” a name is needed, such as f(x).",
	"head-variable":       "“{0}” cannot be a variable.",
	"head-reserved":       "{0} is already the name of a constant or of a built-in function.",
	"number":              "“{0}” is not a number.",

	// Readings that deserve a second look.
	"reading-product":       "Read from left to right: 1/2x is (1/2)·x. Write brackets for 1/(2x).",
	"reading-inverse":       "{0}^-1 is read as the inverse function {1}.",
	"reading-short-inverse": "Read as {0}. For a product write a blank between the letters and state a.",

	// Names and the document.
	"name-taken":         "{0} is already stated.",
	"name-unknown":       "{0} has no meaning here.",
	"name-invalid":       "“{0}” cannot be a name: a letter, perhaps with an index such as x_1.",
	"no-value":           "{0} has no value yet.",
	"not-a-function":     "{0} is not a function that is stated here.",
	"circle":             "The definitions go round in a circle: {0}.",
	"variables":          "A curve needs a function of one variable; {0} has {1}.",
	"not-constant":       "{0} may not stand here: the value must not depend on it.",
	"ends":               "The smallest value must be below the largest.",
	"step":               "A step must be above 0.",
	"undefined-field":    "This has no value: {0}.",
	"limit":              "This demonstration has {0}; the limit is {1}.",
	"document-json":      "This is not a Parvix demonstration: {0}.",
	"document-version":   "This demonstration was made with a newer Parvix (format {0}; this one reads up to {1}).",
	"document-kind":      "“{0}” is not a kind of entry that Parvix knows.",
	"document-field":     "{0}: {1}.",
	"document-id":        "The id “{0}” is used twice or is empty.",
	"document-reference": "“{0}” refers to an entry that does not exist.",

	// Questions.
	"not-yet":     "not available yet: {0}",
	"question":    "There is no question “{0}”.",
	"field":       "The field “{0}” is missing or has the wrong form: {1}.",
	"work-limit":  "This needs more work than one answer may take.",
	"not-written": "This cannot be put into a formula: {0}.",
}
