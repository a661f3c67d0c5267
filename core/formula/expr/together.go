package expr

import "strings"

// Together lists parts; a line breaks between them, and else only where a part says so.
func Together(parts []string) string {
	for i, p := range parts {
		if !strings.Contains(p, MayBreak) {
			parts[i] = "{" + p + "}"
		}
	}
	return strings.Join(parts, `,\;`+MayBreak)
}

// MayBreak is where a line of a formula may break.
const MayBreak = `\allowbreak `
