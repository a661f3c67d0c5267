// Package core_test holds the house to its rules of import.
package core_test

import (
	"os/exec"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

// imports lists what the packages under a pattern import, tests left out, by package.
func imports(t *testing.T, format, pattern string) map[string][]string {
	t.Helper()
	out, err := exec.Command("go", "list", "-f", "{{.ImportPath}} {{join ."+format+" \" \"}}", pattern).Output()
	if err != nil {
		t.Skip("the go command is not at hand here")
	}
	list := map[string][]string{}
	for _, line := range strings.Split(strings.TrimSpace(string(out)), "\n") {
		words := strings.Fields(line)
		list[words[0]] = words[1:]
	}
	require.NotEmpty(t, list)
	return list
}

func TestTheCoreKnowsNoScreenNoNetworkNoClock(t *testing.T) {
	for pkg, all := range imports(t, "Imports", "parvix/core/...") {
		if strings.HasSuffix(pkg, "/minimax") || strings.HasSuffix(pkg, "/unroll") {
			continue // a tool: computes the kernels' coefficients, writes the loops
		}
		for _, name := range all {
			for _, forbidden := range []string{"net", "net/http", "os", "os/exec", "syscall/js", "time", "database/sql"} {
				assert.NotEqual(t, forbidden, name, pkg)
			}
			assert.False(t, strings.HasPrefix(name, "parvix/server"), "%s imports %s", pkg, name)
		}
	}
}

func TestTheStairIsWalkedDownOnly(t *testing.T) {
	// From the top: document, evaluate, sample, compose, picture. A lower one never imports a higher one.
	// What computes with formulas alone knows no document.
	formulas := []string{"document", "evaluate", "compose", "picture", "study", "door"}
	for pkg, forbidden := range map[string][]string{
		"parvix/core/symbolic": append(formulas, "program", "analyse"),
		"parvix/core/exact":    append(formulas, "analyse", "solve"),
		"parvix/core/series":   append(formulas, "analyse", "solve"),
		"parvix/core/solve":    append(formulas, "analyse"),
		"parvix/core/breaks":   append(formulas, "analyse", "sample"),
		"parvix/core/analyse":  append(formulas, "sample"),
		"parvix/core/study":    {"compose", "picture", "door"},
		"parvix/core/document": {"evaluate", "sample", "compose", "picture"},
		"parvix/core/evaluate": {"compose", "picture"},
		"parvix/core/sample":   {"document", "evaluate", "compose", "picture"},
		"parvix/core/picture":  {"document", "evaluate", "sample", "compose"},
	} {
		for _, all := range imports(t, "Imports", pkg) {
			for _, name := range forbidden {
				assert.NotContains(t, all, "parvix/core/"+name, pkg)
			}
		}
	}
}

func TestTheAPIDoesNotKnowTheDatabase(t *testing.T) {
	for pkg, all := range imports(t, "Imports", "parvix/server/api") {
		for _, name := range all {
			assert.False(t, strings.HasPrefix(name, "gorm.io") || strings.HasPrefix(name, "parvix/server/store") || strings.HasPrefix(name, "database/"), "%s imports %s", pkg, name)
		}
	}
	for _, all := range imports(t, "Imports", "parvix/server/domain") {
		for _, name := range all {
			assert.False(t, strings.HasPrefix(name, "gorm.io") || strings.HasPrefix(name, "github.com/go-chi"), name)
		}
	}
}

func TestOnlyTheWasmCommandKnowsTheBrowser(t *testing.T) {
	t.Setenv("GOOS", "js")
	t.Setenv("GOARCH", "wasm")
	for pkg, all := range imports(t, "Imports", "parvix/...") {
		for _, name := range all {
			if name == "syscall/js" {
				assert.Equal(t, "parvix/cmd/corewasm", pkg)
			}
		}
	}
}
