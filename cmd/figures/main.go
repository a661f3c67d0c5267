// Command figures runs the benchmarks, natively, in WebAssembly and in the browser, and writes docs/performance.md.
package main

import (
	"bytes"
	"cmp"
	"fmt"
	"log"
	"math"
	"os"
	"os/exec"
	"path/filepath"
	"regexp"
	"runtime"
	"slices"
	"strconv"
	"strings"
	"time"
)

const page = "docs/performance.md"

func main() {
	log.SetFlags(0)
	log.Print("native …")
	native := benchmarks(nil, "./core/...", "./server/...")
	log.Print("WebAssembly under Node …")
	root := strings.TrimSpace(output(exec.Command("go", "env", "GOROOT")))
	wasm := benchmarks([]string{"GOOS=js", "GOARCH=wasm"}, "-exec="+filepath.Join(root, "lib/wasm/go_js_wasm_exec"),
		"./core/formula/symbolic", "./core/maths/analyse", "./core/stage/sample", "./core/stage/compose", "./core/ask/door")
	log.Print("browser …")
	browser := figures(output(exec.Command("go", "test", "-count=1", "-timeout", "30m", "-v", "-run", "TestFigures", "./browser", "-figures")))
	if err := os.WriteFile(page, []byte(write(native, wasm, browser)), 0o644); err != nil {
		log.Fatal(err)
	}
	log.Print("written: ", page)
}

func output(c *exec.Cmd) string {
	c.Stderr = os.Stderr
	out, err := c.Output()
	if err != nil {
		log.Fatalf("figures: %v: %v\n%s", c.Args, err, out)
	}
	return string(out)
}

// times are the nanoseconds of each benchmark, by package and name, as api.Save; memory is left out.
type times map[string]float64

var line = regexp.MustCompile(`(?m)^(?:pkg: \S*/(\w+)|Benchmark(\S+?)(?:-\d+)?\s+\d+\s+([\d.]+) ns/op.*)$`)

// benchmarks runs every benchmark three times and keeps the best, which a busy host disturbs least.
func benchmarks(env []string, arguments ...string) times {
	c := exec.Command("go", append([]string{"test", "-run", "^$", "-bench", ".", "-benchtime", "150ms", "-count", "3"}, arguments...)...)
	c.Env = append(os.Environ(), env...)
	best, pkg := times{}, ""
	for _, m := range line.FindAllStringSubmatch(output(c), -1) {
		if m[1] != "" {
			pkg = m[1]
			continue
		}
		name, ns := pkg+"."+m[2], number(m[3])
		if old, known := best[name]; !known || ns < old {
			best[name] = ns
		}
	}
	return best
}

// figures are the rows that the browser prints: “figure|kind|…”.
func figures(text string) map[string][][]string {
	rows := map[string][][]string{}
	for _, l := range strings.Split(text, "\n") {
		if parts := strings.Split(strings.TrimSpace(l), "|"); parts[0] == "figure" {
			rows[parts[1]] = append(rows[parts[1]], parts[2:])
		}
	}
	return rows
}

func write(native, wasm times, browser map[string][][]string) string {
	var b bytes.Buffer
	fmt.Fprintf(&b, "# Figures\n\nMade by `make bench` on %s, with %s, on %d processors (%s). Ratios are of one run; a busy host\nshifts times more than ratios.",
		time.Now().Format("2 January 2006"), runtime.Version(), runtime.NumCPU(), processor())
	if host := browser["host"]; len(host) > 0 {
		fmt.Fprintf(&b, " While the browser's figures were taken the host took %s %% of the processors' busy\ntime for others.", host[0][0])
	}
	b.WriteString("\n\n")
	evaluation(&b, native, browser["chromium"])
	work(&b, native, wasm)
	b.WriteString("## In the page, 1280×800, Chromium without a graphics processor\n\n| what | measured | budget |\n|---|---|---|\n")
	for _, row := range browser["page"] {
		fmt.Fprintf(&b, "| %s | %s | %s |\n", row[0], row[1], row[2])
	}
	b.WriteString("| parses, compiles, requests in a drag | 0, 0, 0 (a browser test) | 0 |\n\n## Server\n\n| what | measured | budget |\n|---|---|---|\n")
	fmt.Fprintf(&b, "| a save over HTTP with the transaction on disk, mean | %.1f ms | p95 30 ms |\n", native["api.Save"]/1e6)
	return b.String()
}

func processor() string {
	data, err := os.ReadFile("/proc/cpuinfo")
	if err != nil {
		return runtime.GOARCH
	}
	if m := regexp.MustCompile(`model name\s*: (.*)`).FindSubmatch(data); m != nil {
		return string(m[1])
	}
	return runtime.GOARCH
}

// evaluation compares a block of 1,024 values with loops by hand and with general-purpose evaluators.
func evaluation(b *bytes.Buffer, native times, chromium [][]string) {
	b.WriteString("## Evaluation of a block of 1,024 values\n\nGeneral-purpose evaluators, compiled once and run for each value: github.com/expr-lang/expr (Go) and mathjs (npm).\n\n" +
		"| function | Parvix ÷ Go loop by hand | Go evaluator ÷ Parvix | in Chromium: Parvix ÷ inlined JavaScript | npm evaluator ÷ Parvix |\n|---|---|---|---|---|\n")
	var logs [4]float64
	count := 0.0
	for _, row := range chromium {
		name := row[0]
		ratios := [4]float64{native["program.Evaluate/"+name+"/parvix"] / native["program.Evaluate/"+name+"/hand"],
			native["program.Evaluate/"+name+"/general"] / native["program.Evaluate/"+name+"/parvix"], number(row[1]), number(row[2])}
		fmt.Fprintf(b, "| %s | %.2f | %.0f | %.2f | %.0f |\n", name, ratios[0], ratios[1], ratios[2], ratios[3])
		for i, r := range ratios {
			logs[i] += math.Log(r)
		}
		count++
	}
	if count > 0 {
		mean := func(i int) float64 { return math.Exp(logs[i] / count) }
		fmt.Fprintf(b, "| **geometric mean** | **%.2f** | **%.0f** | **%.2f** | **%.0f** |\n", mean(0), mean(1), mean(2), mean(3))
	}
	b.WriteString("| budget | 1.2 | 20 | 2.0 | 20 |\n\n")
}

func number(text string) float64 {
	v, err := strconv.ParseFloat(text, 64)
	if err != nil {
		log.Fatal(err)
	}
	return v
}

// groups are the benchmarks of the work outside evaluation, with what quality allows.
var groups = []struct{ prefix, title, budget string }{
	{"analyse.Findings/", "Findings of one function", "50 ms typical, 300 ms worst"},
	{"symbolic.Simplify/", "Simplifying", ""},
	{"sample.Curve/", "Sampling a curve, 1,200×800 pixels", ""},
	{"compose.Worst/", "The worst documents, from file to picture", "50 ms native, 300 ms in the browser"},
	{"door.Frame", "The core's part of a frame with ten curves", "16.7 ms with drawing"},
}

func work(b *bytes.Buffer, native, wasm times) {
	b.WriteString("## The rest of the core\n\n| what | native | WebAssembly (Node) | budget |\n|---|---|---|---|\n")
	for _, g := range groups {
		for _, name := range sorted(native, g.prefix) {
			what := g.title
			if rest := strings.ReplaceAll(strings.TrimPrefix(name, g.prefix), "_", " "); rest != "" {
				what += ": " + strings.ReplaceAll(rest, "|", "\\|")
			}
			fmt.Fprintf(b, "| %s | %s | %s | %s |\n", what, duration(native[name]), duration(wasm[name]), g.budget)
		}
	}
	b.WriteString("\n")
}

func duration(ns float64) string {
	switch {
	case ns == 0:
		return "–"
	case ns < 1e6:
		return fmt.Sprintf("%.0f µs", ns/1e3)
	}
	return fmt.Sprintf("%.1f ms", ns/1e6)
}

func sorted(all times, prefix string) []string {
	var names []string
	for name := range all {
		if strings.HasPrefix(name, prefix) {
			names = append(names, name)
		}
	}
	// Quickest first: the reader sees where the time goes.
	slices.SortFunc(names, func(a, b string) int { return cmp.Compare(all[a], all[b]) })
	return names
}
