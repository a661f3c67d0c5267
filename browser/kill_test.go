package browser

import (
	"bufio"
	"bytes"
	"encoding/json"
	"fmt"
	"math/rand/v2"
	"net/http"
	"net/http/cookiejar"
	"os"
	"os/exec"
	"path/filepath"
	"strconv"
	"strings"
	"sync"
	"syscall"
	"testing"
	"time"

	"github.com/go-rod/rod"
	"github.com/go-rod/rod/lib/launcher"
	"github.com/go-rod/rod/lib/proto"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/stage/document"
)

// program is a running parvix of its own, with its own database.
type program struct {
	name, data, address string
	command             *exec.Cmd
}

// start runs the demo; after the first start always at the same address.
func (p *program) start(t *testing.T) {
	t.Helper()
	listen := p.address
	if listen == "" {
		listen = "127.0.0.1:0"
	}
	p.command = exec.Command(p.name, "demo", "--data", p.data, "--listen", listen, "--saves-per-minute", "1000000")
	out, err := p.command.StdoutPipe()
	require.NoError(t, err)
	p.command.Stderr = os.Stderr
	require.NoError(t, p.command.Start())
	for lines := bufio.NewScanner(out); lines.Scan(); {
		if _, address, ok := strings.Cut(lines.Text(), "ready at http://"); ok {
			p.address = address
			return
		}
	}
	t.Fatal("the program ended before it was ready")
}

func (p *program) killServer(t *testing.T) {
	t.Helper()
	require.NoError(t, p.command.Process.Kill())
	_ = p.command.Wait()
	p.start(t)
}

func (p *program) killDatabase(t *testing.T) {
	t.Helper()
	text, err := os.ReadFile(filepath.Join(p.data, "mariadb", "data", "parvix.pid"))
	require.NoError(t, err)
	pid, err := strconv.Atoi(strings.TrimSpace(string(text)))
	require.NoError(t, err)
	_ = syscall.Kill(pid, syscall.SIGKILL)
}

// saver saves over HTTP as a page does: the same save again until it is acknowledged.
type saver struct {
	title        string
	id           string
	acknowledged int
	conflicts    int
	last         int // status
}

func (s *saver) run(p *program, over <-chan struct{}) {
	client := &http.Client{Timeout: 5 * time.Second}
	signIn := func() {
		jar, _ := cookiejar.New(nil)
		client.Jar = jar
		s.call(client, "POST", "http://"+p.address+"/api/session/demo", struct{}{}, &struct{}{})
	}
	revision := 0
	for k := 1; ; {
		select {
		case <-over:
			return
		default:
		}
		if s.id == "" {
			signIn()
			var made struct{ ID string }
			if s.call(client, "POST", "http://"+p.address+"/api/demonstrations", map[string]string{"title": s.title}, &made) == http.StatusCreated {
				s.id, revision = made.ID, 1
			} else {
				time.Sleep(time.Second) // away, and sign-ins are counted
			}
			continue
		}
		body := map[string]any{"revision": revision, "save": fmt.Sprintf("%s-%d", s.id, k), "document": document.New(fmt.Sprintf("%s, save %d", s.title, k))}
		var answer struct{ Revision int }
		switch s.last = s.call(client, "PUT", "http://"+p.address+"/api/demonstrations/"+s.id, body, &answer); s.last {
		case http.StatusOK:
			revision, s.acknowledged = answer.Revision, k
			k++
		case http.StatusConflict:
			s.conflicts++
			return
		case http.StatusUnauthorized:
			time.Sleep(time.Second)
			signIn()
		default:
			time.Sleep(50 * time.Millisecond) // away: tried again
		}
	}
}

// call gives the status, 0 when there was no answer.
func (s *saver) call(client *http.Client, method, address string, body, answer any) int {
	data, err := json.Marshal(body)
	if err != nil {
		return 0
	}
	request, err := http.NewRequest(method, address, bytes.NewReader(data))
	if err != nil {
		return 0
	}
	request.Header.Set("Content-Type", "application/json")
	response, err := client.Do(request)
	if err != nil {
		return 0
	}
	defer response.Body.Close()
	if json.NewDecoder(response.Body).Decode(answer) != nil {
		return 0
	}
	return response.StatusCode
}

// mortal is a browser of its own on a profile that outlives it.
type mortal struct {
	profile string
	control *launcher.Launcher
	browser *rod.Browser
	page    *rod.Page
}

func (w *mortal) open(t *testing.T, address string) {
	t.Helper()
	w.control = headless().UserDataDir(w.profile)
	control, err := w.control.Launch()
	require.NoError(t, err)
	w.browser = rod.New().ControlURL(control)
	require.NoError(t, w.browser.Connect())
	w.page, err = w.browser.Page(proto.TargetCreateTarget{})
	require.NoError(t, err)
	w.page = w.page.Timeout(5 * time.Minute)
	_, err = w.page.EvalOnNewDocument(probe)
	require.NoError(t, err)
	if address != "" {
		require.NoError(t, w.page.Navigate(address))
		// A browser writes cookies to the disk some time later: a crash may sign out.
		until(t, w.page, `() => {
			document.querySelector('.card > .brass')?.click();
			return window.parvix && parvix.document() && parvix.opened() > 0;
		}`)
	}
}

// kill ends the browser as a crash does.
func (w *mortal) kill() {
	w.control.Kill()
}

// TestNoKillLosesASaveOrMakesAConflict kills server, database and browser and cuts the network, twenty times in an order of
// chance, while a teacher edits on the page and others save as fast as they can: what was acknowledged is there, the page's
// last edit too, and nobody was told of a conflict.
func TestNoKillLosesASaveOrMakesAConflict(t *testing.T) {
	if testing.Short() {
		t.Skip("takes a minute")
	}
	const kills, savers, enough = 20, 4, 2000
	built := t.TempDir()
	p := &program{name: filepath.Join(built, "parvix"), data: t.TempDir()}
	out, err := exec.Command("go", "build", "-o", p.name, "../cmd/parvix").CombinedOutput()
	require.NoError(t, err, string(out))
	p.start(t)
	defer func() {
		_ = p.command.Process.Signal(os.Interrupt)
		_ = p.command.Wait()
	}()

	over := make(chan struct{})
	var saving sync.WaitGroup
	list := make([]*saver, savers)
	for k := range list {
		list[k] = &saver{title: fmt.Sprint("Saver ", k)}
		saving.Add(1)
		go func() {
			defer saving.Done()
			list[k].run(p, over)
		}()
	}

	w := &mortal{profile: t.TempDir()}
	w.open(t, "")
	require.NoError(t, w.page.Navigate("http://"+p.address+"/"))
	click(t, saying(t, w.page, "button", "Look around as the demo teacher"))
	click(t, saying(t, w.page, "button", "New demonstration"))
	until(t, w.page, `() => window.parvix && parvix.document() && parvix.opened() > 0`)
	address := w.page.MustInfo().URL

	chance := rand.New(rand.NewPCG(6, 2026))
	title, count := "", [4]int{}
	for k := range kills {
		title = fmt.Sprintf("Edit %d", k)
		rename(t, w.page, title)
		time.Sleep(time.Duration(100+chance.IntN(1500)) * time.Millisecond) // before, while or after it is saved
		kind := chance.IntN(4)
		count[kind]++
		switch kind {
		case 0:
			p.killServer(t)
		case 1:
			p.killDatabase(t)
		case 2:
			w.kill()
			w.open(t, address)
			assert.Equal(t, title, ask[string](t, w.page, `() => parvix.document().title`), "after the browser was killed")
		case 3:
			require.NoError(t, proto.NetworkEmulateNetworkConditions{Offline: true, DownloadThroughput: -1, UploadThroughput: -1}.Call(w.page))
			time.Sleep(time.Second)
			require.NoError(t, proto.NetworkEmulateNetworkConditions{DownloadThroughput: -1, UploadThroughput: -1}.Call(w.page))
		}
		assert.Empty(t, w.page.MustElements(".ant-modal"), "after kill %d", k+1)
	}
	require.Eventually(t, func() bool {
		total := 0
		for _, s := range list {
			total += s.acknowledged
		}
		return total >= enough
	}, time.Minute, 100*time.Millisecond, "%+v %+v %+v %+v", *list[0], *list[1], *list[2], *list[3])
	close(over)
	saving.Wait()
	w.page = w.page.CancelTimeout().Timeout(2 * time.Minute)
	require.NoError(t, w.page.Wait(rod.Eval(`() => parvix.saving() === 'saved'`)))
	assert.Equal(t, title, stored(t, w.page).Title, "the page's last edit")
	w.kill()

	jar, err := cookiejar.New(nil)
	require.NoError(t, err)
	client := &http.Client{Jar: jar, Timeout: 10 * time.Second}
	total := 0
	for _, s := range list {
		require.Equal(t, http.StatusOK, s.call(client, "POST", "http://"+p.address+"/api/session/demo", struct{}{}, &struct{}{}))
		var got struct{ Document document.Document }
		require.Equal(t, http.StatusOK, s.call(client, "GET", "http://"+p.address+"/api/demonstrations/"+s.id, nil, &got))
		assert.Contains(t, []string{fmt.Sprintf("%s, save %d", s.title, s.acknowledged), fmt.Sprintf("%s, save %d", s.title, s.acknowledged+1)},
			got.Document.Title, "only a save in flight may be newer")
		assert.Zero(t, s.conflicts, s.title)
		total += s.acknowledged
	}
	var aside []struct{ Title string }
	require.Equal(t, http.StatusOK, list[0].call(client, "GET", "http://"+p.address+"/api/demonstrations?words=aside", nil, &aside))
	assert.Empty(t, aside, "nothing had to be set aside")
	t.Logf("%d saves were acknowledged; killed: server %d, database %d, browser %d, network %d times; none was lost, no conflict",
		total, count[0], count[1], count[2], count[3])
}
