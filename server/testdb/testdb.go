// Package testdb gives tests a private MariaDB of their own on a temporary folder.
package testdb

import (
	"context"
	"fmt"
	"os"
	"path/filepath"
	"testing"

	"parvix/server/mariadb"
	"parvix/server/store"
)

// Run starts a server, migrates, calls the tests of a package with the store, and stops. Use it from TestMain.
func Run(m *testing.M, use func(db *store.Store)) (code int) {
	folder, err := os.MkdirTemp("", "parvix-test-")
	if err != nil {
		return failed(err)
	}
	defer os.RemoveAll(folder)
	server, err := mariadb.Start(filepath.Join(folder, "db"))
	if err != nil {
		return failed(fmt.Errorf("%w (make test-server installs MariaDB)", err))
	}
	defer func() { _ = server.Stop() }()
	db, err := store.Open(context.Background(), server.DSN)
	if err != nil {
		return failed(err)
	}
	use(db)
	return m.Run()
}

func failed(err error) int {
	fmt.Fprintln(os.Stderr, "test database:", err)
	return 1
}
