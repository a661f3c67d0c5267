// Package browser drives the real interface in headless Chromium, against the real server and a real MariaDB.
package browser

import (
	"context"
	"flag"
	"fmt"
	"net"
	"net/http"
	"os"
	"path/filepath"
	"slices"
	"sync"
	"sync/atomic"
	"testing"

	"github.com/go-rod/rod"
	"github.com/go-rod/rod/lib/launcher"
	"github.com/go-rod/rod/lib/proto"
	"github.com/stretchr/testify/require"

	"parvix/demo"
	"parvix/server"
	"parvix/server/domain"
	"parvix/server/mariadb"
	"parvix/server/store"
)

var (
	takeScreenshots = flag.Bool("screenshots", false, "write docs/screenshots")
	takeFigures     = flag.Bool("figures", false, "measure frames and openings")
	figuresAt       = flag.String("at", "1280x800", "the size of the window in which frames are measured")
	figuresSlowed   = flag.Float64("slowed", 1, "by how much the processor is slowed meanwhile")
	onlyFigures     = flag.String("only", "", "measure only the frames whose name says this")
)

// house is what all tests share: one browser, one database, one server.
var house struct {
	browser *rod.Browser
	db      *store.Store
	address string
	service *http.Server
	end     func()
	// demoTeacher owns the shelf on which most tests work, and demoShelf is what the demo put on it.
	demoTeacher uint64
	demoShelf   []domain.Entry
	// requests counts what reached the server.
	requests atomic.Int64
	// visited says that the browser's own context has a visitor.
	visited atomic.Bool
}

const (
	secondTeacher  = "Second teacher"
	secondPassword = "a long enough password"
)

func TestMain(m *testing.M) {
	flag.Parse()
	code, err := run(m)
	if err != nil {
		fmt.Fprintln(os.Stderr, "browser tests:", err)
		code = 1
	}
	os.Exit(code)
}

func run(m *testing.M) (code int, err error) {
	if _, err := os.Stat("../web/dist/index.html"); err != nil {
		return 0, fmt.Errorf("the front end is not built; run make test-browser")
	}
	folder, err := os.MkdirTemp("", "parvix-browser-")
	if err != nil {
		return 0, err
	}
	defer os.RemoveAll(folder)
	mysql, err := mariadb.Start(filepath.Join(folder, "db"))
	if err != nil {
		return 0, err
	}
	defer func() { _ = mysql.Stop() }()
	if house.db, err = store.Open(context.Background(), mysql.DSN); err != nil {
		return 0, err
	}
	if err := fillDemoShelf(context.Background()); err != nil {
		return 0, err
	}
	hash, err := domain.HashPassword(secondPassword)
	if err != nil {
		return 0, err
	}
	if _, err := house.db.AddTeacher(context.Background(), secondTeacher, hash); err != nil {
		return 0, err
	}
	if err := startServer("127.0.0.1:0"); err != nil {
		return 0, err
	}
	defer stopServer()
	control, err := headless().Launch()
	if err != nil {
		return 0, err
	}
	house.browser = rod.New().ControlURL(control)
	if err := house.browser.Connect(); err != nil {
		return 0, err
	}
	defer func() { _ = house.browser.Close() }()
	// The browser forgets its visitor when its last page is closed; this one stays.
	if _, err := house.browser.Page(proto.TargetCreateTarget{}); err != nil {
		return 0, err
	}
	return m.Run(), nil
}

// fillDemoShelf puts the demonstrations on the demo teacher's shelf and remembers them.
func fillDemoShelf(ctx context.Context) error {
	if err := demo.Load(ctx, house.db); err != nil {
		return err
	}
	teacher, err := house.db.TeacherNamed(ctx, demo.Teacher)
	if err != nil {
		return err
	}
	house.demoTeacher = teacher.ID
	house.demoShelf, err = house.db.List(ctx, teacher.ID, "", "")
	return err
}

// clearDemoShelf takes away what earlier tests left on the shelf, which shows only so many entries at once.
func clearDemoShelf(ctx context.Context) error {
	list, err := house.db.List(ctx, house.demoTeacher, "", "")
	if err != nil {
		return err
	}
	for _, e := range list {
		if slices.ContainsFunc(house.demoShelf, func(d domain.Entry) bool { return d.ID == e.ID }) {
			continue
		}
		if err := house.db.Delete(ctx, house.demoTeacher, e.ID); err != nil {
			return err
		}
	}
	return nil
}

// headless is Chromium without a window, as all tests use it.
func headless() *launcher.Launcher {
	return launcher.New().Bin("/usr/bin/chromium").NoSandbox(true).Set("disable-quic").
		Set("disable-component-update").Set("no-first-run").Set("disable-background-networking").Set("hide-scrollbars").
		Set("disable-gpu").Set("enable-logging", "stderr").Logger(&browserSays)
}

// browserSays keeps the last that Chromium wrote about itself, to be read when a page's process ends.
var browserSays lastWords

type lastWords struct {
	sync.Mutex
	words []byte
}

func (l *lastWords) Write(words []byte) (int, error) {
	const kept = 4000
	l.Lock()
	defer l.Unlock()
	l.words = append(l.words, words...)
	l.words = l.words[max(0, len(l.words)-kept):]
	return len(words), nil
}

func (l *lastWords) String() string {
	l.Lock()
	defer l.Unlock()
	return string(l.words)
}

// startServer serves at an address; port 0 picks a free one.
func startServer(at string) error {
	listener, err := net.Listen("tcp", at)
	if err != nil {
		return err
	}
	house.address = listener.Addr().String()
	handler, end := server.Handler(house.db, server.Options{DemoTeacher: demo.Teacher, SavesPerMinute: 100000})
	house.end = end
	house.service = &http.Server{Handler: http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		house.requests.Add(1)
		handler.ServeHTTP(w, r)
	})}
	go func() { _ = house.service.Serve(listener) }()
	return nil
}

// serverAway cuts every connection; a test that fails before it starts the server again leaves it to the others all the same.
func serverAway(t *testing.T) {
	t.Helper()
	stopServer()
	stopped := house.service
	t.Cleanup(func() {
		if house.service == stopped {
			require.NoError(t, startServer(house.address))
		}
	})
}

// stopServer cuts every connection, as a crash would.
func stopServer() {
	_ = house.service.Close()
	house.end()
}
