package mariadb_test

import (
	"database/sql"
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"syscall"
	"testing"
	"time"

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
	require.NoError(t, first.Stop())
	assert.Error(t, first.Process().Signal(syscall.Signal(0)), "Stop waits for the end")

	second, err := mariadb.Start(folder)
	require.NoError(t, err)
	assert.Equal(t, "Möwe π", query(t, second, "SELECT word FROM kept"))
	require.NoError(t, second.Stop())
}

func TestAKilledServerIsStartedAgainWithItsDataAndTheSameAddress(t *testing.T) {
	s, err := mariadb.Start(t.TempDir())
	require.NoError(t, err)
	defer func() { require.NoError(t, s.Stop()) }()
	execute(t, s, "CREATE TABLE kept (word VARCHAR(20))")
	execute(t, s, "INSERT INTO kept VALUES ('tide')")
	before := s.Process().Pid
	require.NoError(t, s.Process().Signal(syscall.SIGKILL))
	require.Eventually(t, func() bool { return s.Process().Pid != before && answers(s) }, 3*time.Second, 20*time.Millisecond)
	assert.Equal(t, "tide", query(t, s, "SELECT word FROM kept"))
}

func answers(s *mariadb.Server) bool {
	db, err := sql.Open("mysql", s.DSN)
	if err != nil {
		return false
	}
	defer db.Close()
	return db.Ping() == nil
}

func TestAServerThatEndsAgainAndAgainIsGivenUp(t *testing.T) {
	s, err := mariadb.Start(t.TempDir())
	require.NoError(t, err)
	killed := 0
	for kill := s.Process(); ; {
		select {
		case err := <-s.Failed:
			assert.ErrorContains(t, err, "ended 10 times within a minute")
			return
		default:
		}
		if kill != s.Process() || killed == 0 {
			kill = s.Process()
			_ = kill.Signal(syscall.SIGKILL)
			killed++
		}
		time.Sleep(5 * time.Millisecond) // no event tells of a new process
	}
}

func TestAnotherProgramFindsTheRunningServer(t *testing.T) {
	folder := t.TempDir()
	_, running := mariadb.Join(folder)
	assert.False(t, running)
	s, err := mariadb.Start(folder)
	require.NoError(t, err)
	dsn, running := mariadb.Join(folder)
	assert.True(t, running)
	assert.Equal(t, s.DSN, dsn)
	require.NoError(t, s.Stop())
	_, running = mariadb.Join(folder)
	assert.False(t, running)
}

func TestALongPathHasItsSocketElsewhereAndLeavesNothingThere(t *testing.T) {
	temporary := t.TempDir()
	t.Setenv("TMPDIR", temporary)
	folder := filepath.Join(t.TempDir(), strings.Repeat("long", 30))
	for range 2 {
		s, err := mariadb.Start(folder)
		require.NoError(t, err)
		assert.Equal(t, "1", query(t, s, "SELECT 1"))
		require.NoError(t, s.Stop())
	}
	left, err := os.ReadDir(temporary)
	require.NoError(t, err)
	assert.Empty(t, left)
}

func TestAServerLeftByAKilledParvixIsEndedAndItsFolderTakenOver(t *testing.T) {
	folder := t.TempDir()
	s, err := mariadb.Start(folder)
	require.NoError(t, err)
	execute(t, s, "CREATE TABLE kept (word VARCHAR(20))")
	require.NoError(t, s.Stop())
	data := filepath.Join(folder, "data")
	orphan := exec.Command("/usr/sbin/mariadbd", "--no-defaults", "--user=root", "--datadir="+data, "--socket="+filepath.Join(folder, "orphan.sock"),
		"--pid-file="+filepath.Join(data, "parvix.pid"), "--skip-networking")
	require.NoError(t, orphan.Start())
	ended := make(chan error, 1)
	go func() { ended <- orphan.Wait() }()
	require.Eventually(t, func() bool {
		_, err := os.Stat(filepath.Join(data, "parvix.pid"))
		return err == nil
	}, 20*time.Second, 20*time.Millisecond)

	second, err := mariadb.Start(folder)
	require.NoError(t, err)
	<-ended
	execute(t, second, "INSERT INTO kept VALUES ('tide')")
	require.NoError(t, second.Stop())
}
