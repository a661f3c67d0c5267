package main

import (
	"fmt"
	"strings"

	"parvix/export/theme"
)

// themesCSS writes the colours of every theme, the usual one for a page that names none.
func themesCSS(string) ([]byte, error) {
	var w strings.Builder
	w.WriteString("/* Made by cmd/generate from export/theme; do not edit. */\n")
	for k, t := range theme.All {
		selector := fmt.Sprintf(":root[data-theme='%s']", t.Key)
		if k == 0 {
			selector = ":root"
		}
		fmt.Fprintf(&w, "%s {\n  color-scheme: %s;\n%s}\n", selector, schemeOf(t), t.CSS("  "))
	}
	return []byte(w.String()), nil
}

func schemeOf(t theme.Theme) string {
	if t.IsDark {
		return "dark"
	}
	return "light"
}

// themesTS writes what the component library and the menu of themes need.
func themesTS(string) ([]byte, error) {
	var w strings.Builder
	w.WriteString("// Made by cmd/generate from export/theme; do not edit.\n\n")
	w.WriteString("/** The themes, the usual first. */\nexport const themes = [\n")
	for _, t := range theme.All {
		fmt.Fprintf(&w, "  { key: '%s', words: '%s', isDark: %v },\n", t.Key, t.Words, t.IsDark)
	}
	w.WriteString("] as const;\n\nexport type ThemeKey = (typeof themes)[number]['key'];\n")
	return []byte(w.String()), nil
}
