// Command look judges the labels of pictures: of every scene of the demo data in three sizes, and of made-up families and scenes;
// and how often labels change sides while a dial is dragged.
package main

import (
	"flag"
	"fmt"
	"log"
	"os"
	"path/filepath"
	"strings"

	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/legible"
	"parvix/core/stage/sample"
	"parvix/demo"
	"parvix/export/svg"
)

// sizes are those of a stage: of a laptop, of a board and of a phone.
var sizes = []struct {
	name          string
	width, height float64
	isStacked     bool
}{{"laptop", 915, 560, false}, {"board", 1500, 830, false}, {"phone", 366, 400, true}}

// verbose lists every fault.
var verbose bool

func main() {
	flag.BoolVar(&verbose, "v", false, "list every fault")
	draw := flag.String("draw", "", "a folder for pictures of what has faults")
	flag.Parse()
	documents, err := demo.Documents()
	if err != nil {
		log.Fatal(err)
	}
	var total legible.Verdict
	changes, labels := 0, 0
	judge := func(d *document.Document) {
		v, c, n := look(d, *draw)
		total.Add(v, "")
		changes, labels = changes+c, labels+n
	}
	for _, d := range documents {
		judge(d)
	}
	fmt.Printf("demo data: ")
	report(&total, changes, labels)
	total, changes, labels = legible.Verdict{}, 0, 0
	for _, d := range generated() {
		judge(d)
	}
	fmt.Printf("generated: ")
	report(&total, changes, labels)
}

func report(v *legible.Verdict, changes, moved int) {
	fmt.Printf("%d labels, covering something %d, ambiguous %d, blurred %d, far without a leader %d; with a leader %d, left out %d; "+
		"of %d labels in drags %d change sides more than once\n", v.Labels, len(v.Covering), len(v.Ambiguous), len(v.Blurred), len(v.Far), v.Led, v.LeftOut, moved, changes)
	if !verbose {
		return
	}
	for _, list := range [][]string{v.Covering, v.Ambiguous, v.Blurred, v.Far} {
		fmt.Println(strings.Join(list, "\n"))
	}
}

// look judges every scene of a demonstration in every size, and drags every dial in the first of them.
func look(d *document.Document, draw string) (total legible.Verdict, changes, moved int) {
	e := evaluate.Load(d, nil)
	for scene := range d.Scenes {
		e.BeginScene(scene)
		e.GoScene(1)
		e.Update()
		for panel := range d.Panels {
			for _, size := range sizes {
				width := size.width
				if !size.isStacked {
					width /= float64(len(d.Panels))
				}
				where := fmt.Sprintf("%s, scene %d, panel %d, %s", d.Title, scene+1, panel+1, size.name)
				var c compose.Composer
				pic := c.Compose(e.Frame(panel, width, size.height))
				v := legible.Judge(pic)
				total.Add(v, where)
				if draw != "" && (len(v.Covering)+len(v.Ambiguous)+len(v.Far)+v.LeftOut > 0) {
					save(draw, where, svg.Picture(pic, width, size.height, where))
				}
			}
			c, n := drag(e, panel, sizes[0].width/float64(len(d.Panels)), sizes[0].height)
			changes, moved = changes+c, moved+n
		}
	}
	return total, changes, moved
}

func save(folder, name, svg string) {
	name = strings.NewReplacer(" ", "-", ",", "", "/", "-").Replace(name) + ".svg"
	if err := os.WriteFile(filepath.Join(folder, name), []byte(svg), 0o644); err != nil {
		log.Fatal(err)
	}
}

// A drag of three seconds is taken to have so many pictures, and to go over such a share of the bar, to the end that is farther.
const dragged, share = 90, 1.0 / 3

// drag takes each dial along its bar and counts the labels, and those that change sides more than once on the way.
func drag(e *evaluate.Demonstration, panel int, width, height float64) (changes, moved int) {
	for dial, p := range e.Parameters {
		c := compose.Composer{Tolerance: sample.Moving}
		var turns legible.Turns
		far := (p.To - p.From) * share
		if p.Value-p.From > p.To-p.Value {
			far = -far
		}
		start := p.Value
		for step := range dragged {
			e.Set(dial, start+far*float64(step)/dragged)
			turns.Add(c.Compose(e.Frame(panel, width, height)))
		}
		e.Set(dial, start)
		list := turns.BackAndForth()
		moved, changes = moved+len(turns.Of), changes+len(list)
		if verbose {
			for _, id := range list {
				fmt.Printf("%s, panel %d, dial %s: %s changes its side %d times\n", e.Document.Title, panel+1, p.Stated.Name, id, turns.Of[id])
			}
		}
	}
	return changes, moved
}
