// Package mariadb runs a private MariaDB server: its own data folder, its own socket, no network, not the system's
// service. It needs Debian's mariadb-server-core.
package mariadb

import (
	"context"
	"errors"
	"fmt"
	"net"
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"syscall"
	"time"
)

// Server is a running private server.
type Server struct {
	// DSN connects to the database “parvix”.
	DSN string
	// Process is the server's; tests kill it.
	Process *os.Process
	done    chan error
}

const startTimeout = 30 * time.Second

// Start runs the server on the data folder, which is made when it is missing. The server ends with Stop.
func Start(folder string) (*Server, error) {
	folder, err := filepath.Abs(folder)
	if err != nil {
		return nil, err
	}
	data := filepath.Join(folder, "data")
	if err := os.MkdirAll(folder, 0o700); err != nil {
		return nil, fmt.Errorf("making the data folder: %w", err)
	}
	if _, err := os.Stat(filepath.Join(data, "mysql")); errors.Is(err, os.ErrNotExist) {
		if err := initialise(data); err != nil {
			return nil, err
		}
	}
	// A socket's path holds at most 107 characters, so it lives in a short folder of its own.
	run, err := os.MkdirTemp("", "parvix-db-")
	if err != nil {
		return nil, err
	}
	socket := filepath.Join(run, "my.sock")
	if err := awaitEarlier(data); err != nil {
		return nil, err
	}
	start := filepath.Join(run, "init.sql")
	if err := os.WriteFile(start, []byte("CREATE DATABASE IF NOT EXISTS parvix CHARACTER SET utf8mb4;\n"), 0o600); err != nil {
		return nil, err
	}
	log := filepath.Join(folder, "mariadb.log")
	args := append(asRoot(), "--datadir="+data, "--socket="+socket, "--pid-file="+filepath.Join(data, "parvix.pid"),
		"--skip-networking", "--skip-name-resolve", "--character-set-server=utf8mb4",
		"--collation-server=utf8mb4_unicode_ci", "--innodb-buffer-pool-size=64M", "--local-infile=0",
		"--log-error="+log, "--init-file="+start)
	command := exec.Command(serverProgram(), append([]string{"--no-defaults"}, args...)...)
	// A Ctrl-C in the terminal reaches the whole group; the database must outlive the requests in flight.
	command.SysProcAttr = &syscall.SysProcAttr{Setpgid: true, Pdeathsig: syscall.SIGTERM}
	if err := command.Start(); err != nil {
		return nil, fmt.Errorf("starting mariadbd: %w", err)
	}
	s := &Server{Process: command.Process, done: make(chan error, 1),
		DSN: user() + "@unix(" + socket + ")/parvix?parseTime=true&charset=utf8mb4&loc=UTC"}
	go func() {
		err := command.Wait()
		_ = os.RemoveAll(run)
		s.done <- err
		close(s.done)
	}()
	return s, s.await(socket, log)
}

// serverProgram finds mariadbd, which lies outside a normal user's PATH.
func serverProgram() string {
	if name, err := exec.LookPath("mariadbd"); err == nil {
		return name
	}
	return "/usr/sbin/mariadbd"
}

func user() string {
	if os.Getuid() == 0 {
		return "root"
	}
	if name := os.Getenv("USER"); name != "" {
		return name
	}
	out, err := exec.Command("id", "-un").Output()
	if err != nil {
		return "root"
	}
	return strings.TrimSpace(string(out))
}

func asRoot() []string {
	if os.Getuid() == 0 {
		return []string{"--user=root"}
	}
	return nil
}

func initialise(data string) error {
	args := append([]string{"--no-defaults"}, asRoot()...)
	args = append(args, "--datadir="+data, "--auth-root-authentication-method=socket",
		"--auth-root-socket-user="+user(), "--skip-test-db", "--skip-name-resolve")
	if out, err := exec.Command("mariadb-install-db", args...).CombinedOutput(); err != nil {
		return fmt.Errorf("preparing the database folder: %w: %s", err, out)
	}
	return nil
}

// awaitEarlier waits for a server that still runs on this folder, as one does that is just being stopped; a second one
// beside it would hang.
func awaitEarlier(data string) error {
	const patience = 10 * time.Second
	for begun := time.Now(); ; time.Sleep(50 * time.Millisecond) {
		pid := running(data)
		if pid == "" {
			return nil
		}
		if time.Since(begun) > patience {
			return fmt.Errorf("another Parvix uses this data folder (its MariaDB is process %s)", pid)
		}
	}
}

// running is the process of a server on this folder, empty for none.
func running(data string) string {
	text, err := os.ReadFile(filepath.Join(data, "parvix.pid"))
	if err != nil {
		return ""
	}
	pid := strings.TrimSpace(string(text))
	name, err := os.ReadFile("/proc/" + pid + "/cmdline")
	if err != nil || !strings.Contains(string(name), "--datadir="+data) {
		return ""
	}
	return pid
}

func (s *Server) await(socket, log string) error {
	ctx, cancel := context.WithTimeout(context.Background(), startTimeout)
	defer cancel()
	ticker := time.NewTicker(30 * time.Millisecond)
	defer ticker.Stop()
	for {
		if c, err := net.Dial("unix", socket); err == nil {
			return c.Close()
		}
		select {
		case err := <-s.done:
			return fmt.Errorf("MariaDB ended at its start (see %s): %w", log, err)
		case <-ctx.Done():
			return fmt.Errorf("MariaDB did not answer in %v (see %s)", startTimeout, log)
		case <-ticker.C:
		}
	}
}

// Stop ends the server and waits for it.
func (s *Server) Stop() error {
	if err := s.Process.Signal(syscall.SIGTERM); err != nil && !errors.Is(err, os.ErrProcessDone) {
		return err
	}
	<-s.done
	return nil
}
