// Package core_test holds the house to its rules of import.
package core_test

import (
	"io/fs"
	"os"
	"os/exec"
	"path/filepath"
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
		if strings.HasSuffix(pkg, "/minimax") || strings.HasSuffix(pkg, "/unroll") || strings.HasSuffix(pkg, "/metrics") {
			continue // a tool: computes the kernels' coefficients, writes the loops or the sizes of glyphs
		}
		for _, name := range all {
			for _, forbidden := range []string{"net", "net/http", "os", "os/exec", "syscall/js", "time", "database/sql"} {
				assert.NotEqual(t, forbidden, name, pkg)
			}
			assert.False(t, strings.HasPrefix(name, "parvix/server"), "%s imports %s", pkg, name)
		}
	}
}

// groups of the core, from the bottom: each stands on those before it.
var groups = []string{"formula", "numeric", "maths", "stage", "ask"}

func groupOf(pkg string) int {
	for i, group := range groups {
		if strings.HasPrefix(pkg, "parvix/core/"+group+"/") {
			return i
		}
	}
	return -1
}

func TestEachGroupOfTheCoreStandsOnThoseBeforeIt(t *testing.T) {
	for pkg, all := range imports(t, "Imports", "parvix/core/...") {
		if pkg == "parvix/core" {
			continue // these rules
		}
		require.GreaterOrEqual(t, groupOf(pkg), 0, "%s belongs to no group", pkg)
		for _, name := range all {
			if strings.HasPrefix(name, "parvix/core/") {
				assert.LessOrEqual(t, groupOf(name), groupOf(pkg), "%s imports %s", pkg, name)
			}
		}
	}
}

func TestTheStairIsWalkedDownOnly(t *testing.T) {
	// From the top: document, view, evaluate, sample, compose, picture. A lower one never imports a higher one.
	for pkg, forbidden := range map[string][]string{
		"formula/symbolic": {"maths/analyse"},
		"maths/series":     {"maths/analyse", "maths/solve"},
		"maths/solve":      {"maths/analyse"},
		"stage/document":   {"stage/view", "stage/evaluate", "stage/sample", "stage/compose", "stage/picture"},
		"stage/view":       {"stage/evaluate", "stage/sample", "stage/compose", "stage/picture"},
		"stage/evaluate":   {"stage/compose", "stage/picture"},
		"stage/sample":     {"stage/document", "stage/evaluate", "stage/compose", "stage/picture"},
		"stage/picture":    {"stage/document", "stage/evaluate", "stage/sample", "stage/compose"},
		"ask/study":        {"stage/compose", "stage/picture", "ask/door"},
	} {
		known := imports(t, "Imports", "parvix/core/"+pkg)
		for _, all := range known {
			for _, name := range forbidden {
				assert.NotContains(t, all, "parvix/core/"+name, pkg)
			}
		}
	}
}

func TestAKindStandsAloneAndTheStairKnowsNone(t *testing.T) {
	const kinds = "parvix/core/stage/kinds"
	for pkg, all := range imports(t, "Imports", "parvix/core/stage/...") {
		if pkg == kinds || strings.HasSuffix(pkg, "/stagetest") {
			continue // the list of all
		}
		for _, name := range all {
			// A family is what curves and trajectories share.
			if strings.HasPrefix(name, kinds) && name != kinds+"/family" {
				t.Errorf("%s imports %s", pkg, name)
			}
		}
	}
}

// The kinds and what draws them read a moment of a demonstration, or move what a hand holds; the whole of it is none of their
// business.
func TestAPictureIsMadeOfFramesAndAKindIsGivenOnlyWhatItNeeds(t *testing.T) {
	for _, folder := range []string{"stage/compose", "stage/kind", "stage/kinds"} {
		require.NoError(t, filepath.WalkDir(folder, func(path string, _ fs.DirEntry, err error) error {
			if !strings.HasSuffix(path, ".go") || strings.HasSuffix(path, "_test.go") {
				return err
			}
			source, err := os.ReadFile(path)
			assert.NotContains(t, string(source), "evaluate.Demonstration", path)
			return err
		}))
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
