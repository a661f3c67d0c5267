package mariadb_test

import (
	"database/sql"
	"syscall"
	"testing"

	_ "github.com/go-sql-driver/mysql"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/server/mariadb"
)

func query(t *testing.T, s *mariadb.Server, text string) (value string) {
	t.Helper()
	db, err := sql.Open("mysql", s.DSN)
	require.NoError(t, err)
	defer db.Close()
	require.NoError(t, db.QueryRow(text).Scan(&value))
	return value
}

func execute(t *testing.T, s *mariadb.Server, text string) {
	t.Helper()
	db, err := sql.Open("mysql", s.DSN)
	require.NoError(t, err)
	defer db.Close()
	_, err = db.Exec(text)
	require.NoError(t, err)
}

func TestAPrivateServerKeepsItsDataAndListensToNoNetwork(t *testing.T) {
	folder := t.TempDir()
	first, err := mariadb.Start(folder)
	require.NoError(t, err)
	assert.Equal(t, "1", query(t, first, "SELECT @@skip_networking"))
	assert.Equal(t, "utf8mb4", query(t, first, "SELECT @@character_set_server"))
	execute(t, first, "CREATE TABLE kept (word VARCHAR(20))")
	execute(t, first, "INSERT INTO kept VALUES ('Möwe π')")
	require.NoError(t, first.Process.Signal(syscall.SIGKILL))

	second, err := mariadb.Start(folder)
	require.NoError(t, err, "it recovers after a crash")
	assert.Equal(t, "Möwe π", query(t, second, "SELECT word FROM kept"))
	require.NoError(t, second.Stop())
	assert.Error(t, second.Process.Signal(syscall.Signal(0)), "Stop waits for the end")
}
