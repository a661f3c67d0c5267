package main_test

import (
	"fmt"
	"net/http"
	"os"
	"slices"
	"strconv"
	"strings"
	"sync"
	"sync/atomic"
	"syscall"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/stage/document"
	"parvix/core/stage/kinds/curve"
	"parvix/core/stage/kinds/point"
	"parvix/core/stage/kinds/trace"
)

// monsters are documents that took minutes or gigabytes to draw before their work was bounded.
func monsters() []*document.Document {
	stating := func(lines ...string) *document.Document {
		d := document.New("monster")
		for i, line := range lines {
			name, formula, _ := strings.Cut(line, " = ")
			d.Stated = append(d.Stated, document.Stated{ID: fmt.Sprint("s", i), Kind: document.Function, Name: name, Variables: []string{"x"}, Formula: formula})
			d.Shown = append(d.Shown, document.Entry{ID: fmt.Sprint("c", i), Body: &curve.Body{Function: name}})
		}
		return d
	}
	traces := stating("f = x^2")
	var kept []float64
	for i := range 10000 {
		kept = append(kept, float64(i%1000)/100-5, float64(i)/1000-5)
	}
	traces.Shown = append(traces.Shown, document.Entry{ID: "p", Body: &point.Body{Name: "P", X: "1", Y: "1"}})
	for i := range 4 {
		traces.Shown = append(traces.Shown, document.Entry{ID: fmt.Sprint("t", i), Body: &trace.Body{Of: "p", Kept: kept}})
	}
	return []*document.Document{
		stating("f = sin(x^2)e^x/(x^3-5x+1)", "g = f''''(x)"),
		stating("f = x^2+1/x", "g = f(f(x))", "h = g(g(x))", "k = h(h(x))", "l = k(k(x))"),
		stating("f = sin(x^2 cos(x^3 e^x))/(1+x^2 tan(x))^x", "g = f''''''''(x)"),
		stating("f = sum(sum(sin(i j x) for i from 1 to 1000) for j from 1 to 1000)"),
		traces,
	}
}

// highWater is the most memory that a process has held, in MB.
func highWater(t *testing.T, pid int) int {
	t.Helper()
	status, err := os.ReadFile(fmt.Sprintf("/proc/%d/status", pid))
	require.NoError(t, err)
	for _, line := range strings.Split(string(status), "\n") {
		if rest, ok := strings.CutPrefix(line, "VmHWM:"); ok {
			kilobytes, err := strconv.Atoi(strings.Fields(rest)[0])
			require.NoError(t, err)
			return kilobytes >> 10
		}
	}
	return 0
}

// TestTheWorstDocumentsDisturbNobody sends monsters as fast as they are taken while fifty users save, and holds that every
// save is taken and that memory stays bounded. How long the saves take is told, not judged, since machines differ; quality
// asks for 100 ms at the 95th percentile.
func TestTheWorstDocumentsDisturbNobody(t *testing.T) {
	if testing.Short() {
		t.Skip("sends some thousand requests")
	}
	const users, saves, senders = 50, 8, 3
	server := start(t, t.TempDir())
	client := server.visitor(t)
	client.Transport = &http.Transport{MaxIdleConnsPerHost: users}
	var over atomic.Bool
	var sent atomic.Int64
	var sending sync.WaitGroup
	for k := range senders {
		sending.Add(1)
		go func() {
			defer sending.Done()
			for i := k; !over.Load(); i++ {
				list := monsters()
				var answer stored
				status, err := send(client, "POST", server.address+"/api/demonstrations/import", list[i%len(list)], &answer)
				assert.NoError(t, err)
				assert.Equal(t, http.StatusCreated, status, "a monster is taken like any other")
				sent.Add(1)
				response, err := client.Get(server.address + "/api/demonstrations/" + answer.ID + "/picture.svg")
				if assert.NoError(t, err) {
					_ = response.Body.Close()
				}
			}
		}()
	}
	var lock sync.Mutex
	var times []time.Duration
	var saving sync.WaitGroup
	for user := range users {
		saving.Add(1)
		go func() {
			defer saving.Done()
			var made stored
			status, err := send(client, "POST", server.address+"/api/demonstrations", map[string]string{"title": fmt.Sprint("User ", user)}, &made)
			assert.NoError(t, err)
			assert.Equal(t, http.StatusCreated, status)
			for revision := 1; revision <= saves; revision++ {
				doc := document.New(fmt.Sprintf("User %d, save %d", user, revision))
				begun := time.Now()
				status, err := send(client, "PUT", server.address+"/api/demonstrations/"+made.ID,
					map[string]any{"revision": revision, "save": fmt.Sprint(user, "-", revision), "document": doc}, &stored{})
				took := time.Since(begun)
				assert.NoError(t, err)
				assert.Equal(t, http.StatusOK, status, "nobody is thrown out")
				lock.Lock()
				times = append(times, took)
				lock.Unlock()
				// A page saves a second after the last edit; fifty of them do not all save at once.
				time.Sleep(time.Duration(150+3*user) * time.Millisecond)
			}
		}()
	}
	saving.Wait()
	over.Store(true)
	sending.Wait()
	slices.Sort(times)
	memory := highWater(t, server.command.Process.Pid)
	assert.Less(t, memory, 512, "MB")
	t.Logf("%d saves beside %d monsters: median %v, 95th percentile %v; at most %d MB", len(times), sent.Load(),
		times[len(times)/2].Round(time.Millisecond), times[len(times)*95/100].Round(time.Millisecond), memory)
	require.NoError(t, server.command.Process.Signal(syscall.SIGINT))
	assert.NoError(t, server.command.Wait())
}
