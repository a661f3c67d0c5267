package browser

import (
	"fmt"
	"os"
	"testing"
)

func TestDbgDemos(t *testing.T) {
	page := visit(t, 1280, 800)
	for n, d := range map[string]int{"The sea bed before the mole": 5, "The gull's flight": 5, "A coil of rope": 6, "A saddle between two wharves": 5} {
		signInDemo(t, page)
		copyBench(t, page, n)
		for k := range d {
			if k > 0 {
				click(t, one(t, page, fmt.Sprintf(`[aria-label^="Scene %d:"]`, k+1)))
				ask[any](t, page, `() => new Promise(r => setTimeout(r, 900))`)
			}
			drawn(t, page)
			data, _ := page.Screenshot(false, nil)
			os.WriteFile(fmt.Sprintf("/tmp/shots/%c%d.png", n[4], k), data, 0o644)
		}
	}
}
