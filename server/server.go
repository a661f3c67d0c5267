// Package server puts the parts together: sessions in the database, the API, the page.
package server

import (
	"net/http"
	"time"

	"github.com/alexedwards/scs/mysqlstore"
	"github.com/alexedwards/scs/v2"

	"parvix/server/api"
	"parvix/server/pictures"
	"parvix/server/store"
	"parvix/web"
)

// Options are the settings of a server.
type Options struct {
	// SecureCookies is false only on plain http to loopback.
	SecureCookies bool
	// DemoTeacher, when not empty, may sign in with one click.
	DemoTeacher      string
	OpenRegistration bool
	// SavesPerMinute limits one person; 0 means the usual.
	SavesPerMinute int
	// Proxies is the number of reverse proxies in front of the server.
	Proxies int
	// Room, when not nil, tells how many bytes the disk of the data has left.
	Room func() int64
}

// Handler serves Parvix from a database; close ends what it does beside the requests.
func Handler(db *store.Store, o Options) (handler http.Handler, close func()) {
	pool := pictures.New(db)
	sessions := scs.New()
	sessions.Store = mysqlstore.NewWithCleanupInterval(db.Pool(), 10*time.Minute)
	sessions.Lifetime = 14 * 24 * time.Hour
	sessions.Cookie.Name = "parvix_session"
	sessions.Cookie.SameSite = http.SameSiteLaxMode
	sessions.Cookie.Secure = o.SecureCookies
	return api.New(api.Config{Store: db, Sessions: sessions, Page: web.Files(), Pictures: pool, Ready: db.Pool().Ping, Room: o.Room,
		DemoTeacher: o.DemoTeacher, OpenRegistration: o.OpenRegistration, SavesPerMinute: o.SavesPerMinute, Proxies: o.Proxies}), pool.Close
}
