package main_test

import (
	"bufio"
	"bytes"
	"encoding/json"
	"fmt"
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

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/stage/document"
)

// built is the folder of the program.
var built string

func TestMain(m *testing.M) {
	var err error
	if built, err = os.MkdirTemp("", "parvix-program-"); err != nil {
		panic(err)
	}
	code := m.Run()
	_ = os.RemoveAll(built)
	os.Exit(code)
}

// program builds parvix once for the tests of this package.
var program = sync.OnceValues(func() (string, error) {
	name := filepath.Join(built, "parvix")
	out, err := exec.Command("go", "build", "-o", name, ".").CombinedOutput()
	if err != nil {
		return "", fmt.Errorf("%w: %s", err, out)
	}
	return name, nil
})

// running is a started “parvix demo”.
type running struct {
	command *exec.Cmd
	address string
}

// start runs the demo on a data folder and waits until it says that it is ready.
func start(t *testing.T, data string) *running {
	t.Helper()
	name, err := program()
	require.NoError(t, err)
	command := exec.Command(name, "demo", "--data", data, "--listen", "127.0.0.1:0", "--saves-per-minute", "1000000")
	out, err := command.StdoutPipe()
	require.NoError(t, err)
	command.Stderr = os.Stderr
	require.NoError(t, command.Start())
	for lines := bufio.NewScanner(out); lines.Scan(); {
		if _, address, ok := strings.Cut(lines.Text(), "ready at "); ok {
			return &running{command, address}
		}
	}
	t.Fatal("the program ended before it was ready")
	return nil
}

func (r *running) visitor(t *testing.T) *http.Client {
	t.Helper()
	jar, err := cookiejar.New(nil)
	require.NoError(t, err)
	client := &http.Client{Jar: jar, Timeout: 10 * time.Second}
	response, err := client.Post(r.address+"/api/session/demo", "application/json", strings.NewReader("{}"))
	require.NoError(t, err)
	require.NoError(t, response.Body.Close())
	require.Equal(t, 200, response.StatusCode)
	return client
}

func send(client *http.Client, method, address string, body, answer any) (status int, err error) {
	data, err := json.Marshal(body)
	if err != nil {
		return 0, err
	}
	request, err := http.NewRequest(method, address, bytes.NewReader(data))
	if err != nil {
		return 0, err
	}
	request.Header.Set("Content-Type", "application/json")
	response, err := client.Do(request)
	if err != nil {
		return 0, err
	}
	defer response.Body.Close()
	return response.StatusCode, json.NewDecoder(response.Body).Decode(answer)
}

type stored struct {
	ID       string
	Revision uint64
	Document *document.Document
}

// TestEveryAcknowledgedSaveSurvivesKillingServerAndDatabase kills both with signal 9 while savers save as fast as they
// can, in five rounds of a hundred saves and more, and reads back what had been acknowledged.
func TestEveryAcknowledgedSaveSurvivesKillingServerAndDatabase(t *testing.T) {
	if testing.Short() {
		t.Skip("runs the program several times")
	}
	const savers, rounds, savesARound = 4, 5, 100
	data := t.TempDir()
	acknowledged := map[string]stored{}
	var lock sync.Mutex
	total := 0
	for range rounds {
		server := start(t, data)
		client := server.visitor(t)
		check(t, client, server.address, acknowledged)
		enough := make(chan struct{})
		var once sync.Once
		count := 0
		var work sync.WaitGroup
		for saver := range savers {
			var made stored
			status, err := send(client, "POST", server.address+"/api/demonstrations", map[string]string{"title": fmt.Sprint("Saver ", saver)}, &made)
			require.NoError(t, err)
			require.Equal(t, 201, status)
			work.Add(1)
			go func() {
				defer work.Done()
				for revision := uint64(1); ; revision++ {
					doc := document.New(fmt.Sprintf("Saver %d, save %d", saver, revision))
					var answer stored
					status, err := send(client, "PUT", server.address+"/api/demonstrations/"+made.ID,
						map[string]any{"revision": revision, "document": doc}, &answer)
					if err != nil || status != 200 {
						return // killed
					}
					lock.Lock()
					acknowledged[made.ID] = stored{made.ID, answer.Revision, doc}
					total++
					if count++; count >= savesARound {
						once.Do(func() { close(enough) })
					}
					lock.Unlock()
				}
			}()
		}
		<-enough
		kill(t, server, data)
		work.Wait()
	}
	server := start(t, data)
	check(t, server.visitor(t), server.address, acknowledged)
	assert.GreaterOrEqual(t, total, 500)
	t.Logf("%d saves were acknowledged in %d rounds, none was lost", total, rounds)
	require.NoError(t, server.command.Process.Signal(os.Interrupt))
	assert.NoError(t, server.command.Wait(), "Ctrl-C stops everything cleanly")
	assert.NoFileExists(t, filepath.Join("/proc", databasePid(t, data), "cmdline"), "the database too")
}

func databasePid(t *testing.T, data string) string {
	t.Helper()
	text, err := os.ReadFile(filepath.Join(data, "mariadb", "data", "parvix.pid"))
	if err != nil {
		return "none"
	}
	return strings.TrimSpace(string(text))
}

func kill(t *testing.T, server *running, data string) {
	t.Helper()
	killDatabase(t, data)
	require.NoError(t, server.command.Process.Kill())
	_ = server.command.Wait()
}

func killDatabase(t *testing.T, data string) {
	t.Helper()
	pid, err := strconv.Atoi(databasePid(t, data))
	require.NoError(t, err)
	require.NoError(t, syscall.Kill(pid, syscall.SIGKILL))
}

func TestAKilledDatabaseComesBackWithinThreeSeconds(t *testing.T) {
	data := t.TempDir()
	server := start(t, data)
	client := server.visitor(t)
	killDatabase(t, data)
	require.Eventually(t, func() bool {
		response, err := client.Get(server.address + "/api/demonstrations")
		if err != nil {
			return false
		}
		defer response.Body.Close()
		return response.StatusCode == http.StatusOK
	}, 3*time.Second, 20*time.Millisecond)
	live, err := client.Get(server.address + "/api/health/live")
	require.NoError(t, err)
	require.NoError(t, live.Body.Close())
	assert.Equal(t, http.StatusOK, live.StatusCode)
	require.NoError(t, server.command.Process.Signal(os.Interrupt))
	assert.NoError(t, server.command.Wait())
}

func TestAnAccountIsMadeWhileTheServiceRuns(t *testing.T) {
	data := t.TempDir()
	server := start(t, data)
	name, err := program()
	require.NoError(t, err)
	command := exec.Command(name, "account", "add", "Pilot", "--data", data)
	command.Stdin = strings.NewReader("a long enough password\n")
	out, err := command.CombinedOutput()
	require.NoError(t, err, string(out))
	var who struct{ Name string }
	status, err := send(&http.Client{}, "POST", server.address+"/api/session", map[string]string{"name": "pilot", "password": "a long enough password"}, &who)
	require.NoError(t, err)
	assert.Equal(t, http.StatusOK, status)
	assert.Equal(t, "Pilot", who.Name)
	for _, wrong := range []string{"   ", strings.Repeat("n", 90), "a\x07b"} {
		out, err := exec.Command(name, "account", "add", wrong, "--data", data).CombinedOutput()
		assert.Error(t, err)
		assert.Contains(t, string(out), "a name has 1 to 80 characters")
	}
	require.NoError(t, server.command.Process.Signal(os.Interrupt))
	assert.NoError(t, server.command.Wait())
}

// check reads every acknowledged save back; a later one that was stored but not acknowledged any more may stand there.
func check(t *testing.T, client *http.Client, address string, acknowledged map[string]stored) {
	t.Helper()
	for id, want := range acknowledged {
		response, err := client.Get(address + "/api/demonstrations/" + id)
		require.NoError(t, err)
		var got stored
		require.NoError(t, json.NewDecoder(response.Body).Decode(&got))
		require.NoError(t, response.Body.Close())
		if got.Revision == want.Revision {
			assert.Equal(t, want.Document.Title, got.Document.Title)
			continue
		}
		assert.Equal(t, want.Revision+1, got.Revision, "only the save in flight may be newer")
	}
}

func TestASecondParvixOnTheSameDataIsRefusedInWords(t *testing.T) {
	if testing.Short() {
		t.Skip("waits for the first to end")
	}
	data := t.TempDir()
	first := start(t, data)
	name, err := program()
	require.NoError(t, err)
	out, err := exec.Command(name, "demo", "--data", data, "--listen", "127.0.0.1:0").CombinedOutput()
	assert.Error(t, err)
	assert.Contains(t, string(out), "another Parvix uses this data folder")
	require.NoError(t, first.command.Process.Signal(os.Interrupt))
	assert.NoError(t, first.command.Wait())
}

func TestTheCommandAnswersInOrder(t *testing.T) {
	name, err := program()
	require.NoError(t, err)
	command := exec.Command(name, "math", "--batch", "-")
	command.Stdin = strings.NewReader(`{"id":1,"ask":"value","expr":"2 + 3"}` + "\n" + `{"id":2,"ask":"value","expr":"2 +"}` + "\n\n" + `{"id":"c","ask":"simplify","expr":"x + x"}`)
	out, err := command.Output()
	require.NoError(t, err)
	lines := strings.Split(strings.TrimSpace(string(out)), "\n")
	require.Len(t, lines, 3)
	assert.JSONEq(t, `{"id":1,"value":5,"exact":"5"}`, lines[0])
	assert.Contains(t, lines[1], `"error"`)
	assert.Contains(t, lines[2], `"2x"`)

	out, err = exec.Command(name, "math", "value", "a x", "with.a=2", "with.x=1/4").Output()
	require.NoError(t, err)
	assert.Contains(t, string(out), "0.5")
	out, err = exec.Command(name, "math", "value", "2 + )").CombinedOutput()
	assert.Error(t, err)
	assert.Contains(t, string(out), "value is missing")
}

func TestAnAccountIsMadeOnTheCommandLine(t *testing.T) {
	name, err := program()
	require.NoError(t, err)
	data := t.TempDir()
	command := exec.Command(name, "account", "add", "Harbour master", "--data", data)
	command.Stdin = strings.NewReader("short\n")
	out, err := command.CombinedOutput()
	assert.Error(t, err)
	assert.Contains(t, string(out), "10 to 200 characters")
	command = exec.Command(name, "account", "add", "Harbour master", "--data", data)
	command.Stdin = strings.NewReader("a long enough password\n")
	out, err = command.CombinedOutput()
	assert.NoError(t, err, string(out))
	assert.Contains(t, string(out), "Harbour master may sign in now")
}
