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

	"github.com/alexedwards/scs/mysqlstore"
	"github.com/alexedwards/scs/v2"

	"parvix/demo"
	"parvix/server/api"
	"parvix/server/domain"
	"parvix/server/mariadb"
	"parvix/server/store"
	"parvix/web"
)

// storage says where the data lives; the same for every command that touches it.
type storage struct {
	Data string `help:"Folder of the private database." default:".data" env:"PARVIX_DATA" type:"path"`
	DSN  string `name:"dsn" help:"Use this MariaDB instead of a private one." env:"PARVIX_DSN"`
}

// open starts the private server when no other is named; close ends it.
func (s *storage) open() (opened *store.Store, stop func(), err error) {
	dsn, stop := s.DSN, func() {}
	if dsn == "" {
		db, err := mariadb.Start(filepath.Join(s.Data, "mariadb"))
		if err != nil {
			return nil, nil, err
		}
		dsn, stop = db.DSN, func() { _ = db.Stop() }
	}
	opened, err = store.Open(dsn)
	if err != nil {
		stop()
		return nil, nil, err
	}
	return opened, stop, nil
}

type serveCommand struct {
	storage
	Listen           string `help:"Address to listen on." default:"127.0.0.1:8420" env:"PARVIX_LISTEN"`
	OpenRegistration bool   `help:"Let anybody make an account." env:"PARVIX_OPEN_REGISTRATION"`
	SavesPerMinute   int    `help:"How often one person may save in a minute." default:"120"`
}

type demoCommand struct{ serveCommand }

// Run serves.
func (c *serveCommand) Run() error { return c.serve(false) }

// Run serves with the demo data.
func (c *demoCommand) Run() error { return c.serve(true) }

func (c *serveCommand) serve(withDemo bool) error {
	ctx, cancel := signal.NotifyContext(context.Background(), os.Interrupt, syscall.SIGTERM)
	defer cancel()
	db, stop, err := c.open()
	if err != nil {
		return err
	}
	defer stop()
	config := api.Config{Store: db, Sessions: sessions(db, c.Listen), Page: web.Files(), Healthy: db.Pool().Ping,
		OpenRegistration: c.OpenRegistration, SavesPerMinute: c.SavesPerMinute}
	if withDemo {
		if err := loadDemo(db); err != nil {
			return err
		}
		config.DemoTeacher = demo.Teacher
	}
	listener, err := net.Listen("tcp", c.Listen)
	if err != nil {
		return err
	}
	server := &http.Server{Handler: api.New(config), ReadHeaderTimeout: 5 * time.Second, ReadTimeout: 30 * time.Second,
		WriteTimeout: 60 * time.Second, MaxHeaderBytes: 32 << 10}
	fmt.Printf("Parvix is ready at http://%s\n", listener.Addr())
	if withDemo {
		fmt.Println("Press “Look around as the demo teacher” on the first page. Ctrl-C stops Parvix; the data stays.")
	}
	ended := make(chan error, 1)
	go func() { ended <- server.Serve(listener) }()
	select {
	case err := <-ended:
		return err
	case <-ctx.Done():
	}
	patience, done := context.WithTimeout(context.Background(), 5*time.Second)
	defer done()
	if err := server.Shutdown(patience); err != nil && !errors.Is(err, context.DeadlineExceeded) {
		return err
	}
	return nil
}

// sessions keeps sign-ins in the database; the cookie is Secure except on plain http to loopback.
func sessions(db *store.Store, listen string) *scs.SessionManager {
	m := scs.New()
	m.Store = mysqlstore.NewWithCleanupInterval(db.Pool(), 10*time.Minute)
	m.Lifetime = 14 * 24 * time.Hour
	m.Cookie.Name = "parvix_session"
	m.Cookie.SameSite = http.SameSiteLaxMode
	host, _, _ := net.SplitHostPort(listen)
	ip := net.ParseIP(host)
	m.Cookie.Secure = host != "localhost" && (ip == nil || !ip.IsLoopback())
	return m
}

// loadDemo makes the demo teacher and the demonstrations once.
func loadDemo(db *store.Store) error {
	if _, err := db.TeacherNamed(demo.Teacher); err == nil {
		return nil
	} else if !errors.Is(err, domain.ErrNotFound) {
		return err
	}
	documents, err := demo.Documents()
	if err != nil {
		return err
	}
	// Nobody knows this password: the way in is the one-click sign-in.
	hash, err := domain.HashPassword(api.NewID() + api.NewID())
	if err != nil {
		return err
	}
	t, err := db.AddTeacher(demo.Teacher, hash)
	if err != nil {
		return err
	}
	// The first file is to stand first on the shelf, which lists the newest first.
	for i := len(documents) - 1; i >= 0; i-- {
		d := documents[i]
		if err := db.Add(&domain.Demonstration{ID: api.NewID(), OwnerID: t.ID, Title: d.Title, Document: d, Picture: api.Draw(d)}); err != nil {
			return err
		}
	}
	return nil
}
