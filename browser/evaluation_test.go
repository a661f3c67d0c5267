package browser

import (
	"fmt"
	"net/http"
	"net/http/httptest"
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"
)

// evaluations prints how long a block of values takes in Chromium: the core in WebAssembly, inlined JavaScript, and a
// general-purpose evaluator from npm.
func evaluations(t *testing.T) {
	folder := t.TempDir()
	build := exec.Command("go", "test", "-c", "-o", filepath.Join(folder, "program.wasm"), "../core/numeric/program")
	build.Env = append(os.Environ(), "GOOS=js", "GOARCH=wasm")
	out, err := build.CombinedOutput()
	require.NoError(t, err, string(out))
	root, err := exec.Command("go", "env", "GOROOT").Output()
	require.NoError(t, err)
	files := http.NewServeMux()
	for name, path := range map[string]string{
		"program.wasm": filepath.Join(folder, "program.wasm"), "math.js": "../web/node_modules/mathjs/lib/browser/math.js",
		"wasm_exec.js": filepath.Join(strings.TrimSpace(string(root)), "lib/wasm/wasm_exec.js"), "evaluate.js": "../web/bench/evaluate.js",
	} {
		files.HandleFunc("/"+name, func(w http.ResponseWriter, r *http.Request) { http.ServeFile(w, r, path) })
	}
	files.HandleFunc("/", func(w http.ResponseWriter, _ *http.Request) {
		w.Header().Set("Content-Type", "text/html")
		_, _ = fmt.Fprint(w, `<script src="wasm_exec.js"></script><script src="math.js"></script><script src="evaluate.js"></script>`)
	})
	server := httptest.NewServer(files)
	defer server.Close()

	page := visit(t, 800, 600)
	require.NoError(t, page.Navigate(server.URL))
	require.NoError(t, page.WaitLoad())
	type figures struct {
		Name                  string
		Parvix, Hand, General float64
	}
	for _, f := range ask[[]figures](t, page, `() => measure()`) {
		fmt.Printf("figure|chromium|%s|%.2f|%.0f\n", f.Name, f.Parvix/f.Hand, f.General/f.Parvix)
	}
}
