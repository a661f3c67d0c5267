package main

import (
	"context"
	"errors"
	"fmt"
	"net"
	"net/http"
	"os"
	"os/signal"
	"path/filepath"
	"syscall"
	"time"

	"parvix/demo"
	"parvix/server"
	"parvix/server/mariadb"
	"parvix/server/store"
)

// storage says where the data lives; the same for every command that touches it.
type storage struct {
	Data string `help:"Folder of the private database." default:".data" env:"PARVIX_DATA" type:"path"`
	DSN  string `name:"dsn" help:"Use this MariaDB instead of a private one." env:"PARVIX_DSN"`
}

// database is a store with the server behind it.
type database struct {
	*store.Store
	// failed tells when a private server is given up; nil for another's.
	failed <-chan error
	stop   func()
}

func (s *storage) folder() string { return filepath.Join(s.Data, "mariadb") }

// open starts the private server when no other is named.
func (s *storage) open(ctx context.Context) (*database, error) {
	if s.DSN != "" {
		return connect(ctx, s.DSN)
	}
	private, err := mariadb.Start(s.folder())
	if err != nil {
		return nil, err
	}
	db, err := connect(ctx, private.DSN)
	if err != nil {
		_ = private.Stop()
		return nil, err
	}
	db.failed, db.stop = private.Failed, func() { _ = private.Stop() }
	return db, nil
}

// join is open beside a service that may run on the same data.
func (s *storage) join(ctx context.Context) (*database, error) {
	if dsn, running := mariadb.Join(s.folder()); s.DSN == "" && running {
		return connect(ctx, dsn)
	}
	return s.open(ctx)
}

func connect(ctx context.Context, dsn string) (*database, error) {
	opened, err := store.Open(ctx, dsn)
	if err != nil {
		return nil, err
	}
	return &database{Store: opened, stop: func() {}}, nil
}

// room is how many bytes the disk of a folder has left for this process, −1 where that is not known.
func room(folder string) int64 {
	var disk syscall.Statfs_t
	if err := syscall.Statfs(folder, &disk); err != nil {
		return -1
	}
	return int64(disk.Bavail) * disk.Bsize
}

type serveCommand struct {
	storage
	Listen           string `help:"Address to listen on." default:"127.0.0.1:8420" env:"PARVIX_LISTEN"`
	OpenRegistration bool   `help:"Let anybody make an account." env:"PARVIX_OPEN_REGISTRATION"`
	SavesPerMinute   int    `help:"How often one person may save in a minute." default:"120"`
	Proxies          int    `help:"Reverse proxies in front; then cookies are Secure and X-Forwarded-For names the visitor." env:"PARVIX_PROXIES"`
}

type demoCommand struct{ serveCommand }

// Run serves.
func (c *serveCommand) Run() error { return c.serve(false) }

// Run serves with the demo data.
func (c *demoCommand) Run() error { return c.serve(true) }

func (c *serveCommand) serve(withDemo bool) error {
	ctx, cancel := signal.NotifyContext(context.Background(), os.Interrupt, syscall.SIGTERM)
	defer cancel()
	db, err := c.open(ctx)
	if err != nil {
		return err
	}
	defer db.stop()
	options := server.Options{SecureCookies: c.Proxies > 0 || !isLoopback(c.Listen), OpenRegistration: c.OpenRegistration,
		SavesPerMinute: c.SavesPerMinute, Proxies: c.Proxies}
	if withDemo {
		if err := demo.Load(ctx, db.Store); err != nil {
			return err
		}
		options.DemoTeacher = demo.Teacher
	}
	if c.DSN == "" {
		options.Room = func() int64 { return room(c.Data) }
	}
	listener, err := net.Listen("tcp", c.Listen)
	if err != nil {
		return err
	}
	handler, end := server.Handler(db.Store, options)
	defer end()
	service := &http.Server{Handler: handler, ReadHeaderTimeout: 5 * time.Second, ReadTimeout: 30 * time.Second,
		WriteTimeout: 60 * time.Second, MaxHeaderBytes: 32 << 10}
	fmt.Printf("Parvix is ready at http://%s\n", listener.Addr())
	if withDemo {
		fmt.Println("Press “Look around as the demo teacher” on the first page. Ctrl-C stops Parvix; the data stays.")
	}
	ended := make(chan error, 1)
	go func() { ended <- service.Serve(listener) }()
	select {
	case err := <-ended:
		return err
	case err := <-db.failed:
		return fmt.Errorf("the database does not stay up: %w", err)
	case <-ctx.Done():
	}
	patience, done := context.WithTimeout(context.Background(), 5*time.Second)
	defer done()
	if err := service.Shutdown(patience); err != nil && !errors.Is(err, context.DeadlineExceeded) {
		return err
	}
	return nil
}

// isLoopback tells whether an address can be reached from this machine only.
func isLoopback(listen string) bool {
	host, _, _ := net.SplitHostPort(listen)
	ip := net.ParseIP(host)
	return host == "localhost" || ip != nil && ip.IsLoopback()
}
