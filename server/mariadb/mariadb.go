// Package mariadb runs a private MariaDB server: its own data folder, its own socket, no network, not the system's
// service. It needs Debian's mariadb-server-core.
package mariadb

import (
	"crypto/sha256"
	"errors"
	"fmt"
	"log/slog"
	"net"
	"os"
	"os/exec"
	"path/filepath"
	"runtime"
	"slices"
	"strconv"
	"strings"
	"sync"
	"syscall"
	"time"
)

// Server is a private server that is kept running: one that ends by itself is started again.
type Server struct {
	// DSN connects to the database “parvix”.
	DSN string
	// Failed gives the reason when the server is given up.
	Failed <-chan error

	folder, data, socket, log string
	lock                      sync.Mutex
	process                   *os.Process
	stopping                  bool
	owned                     *os.File // the lock on the folder
	ended                     chan struct{}
}

const (
	startTimeout = 30 * time.Second
	// A server that ends so often within the span is given up.
	mostEnds = 10
	span     = time.Minute
	// mostSocket is how long a socket's path may be; the kernel takes 107 characters.
	mostSocket = 107
)

// Start runs the server on the data folder, which is made when it is missing. The server ends with Stop.
func Start(folder string) (*Server, error) {
	s, err := at(folder)
	if err != nil {
		return nil, err
	}
	if err := os.MkdirAll(s.folder, 0o700); err != nil {
		return nil, fmt.Errorf("making the data folder: %w", err)
	}
	if s.owned, err = takeOver(s.folder, s.data); err != nil {
		return nil, err
	}
	if _, err := os.Stat(filepath.Join(s.data, "mysql")); errors.Is(err, os.ErrNotExist) {
		if err := initialise(s.data); err != nil {
			return nil, err
		}
	}
	if err := makeOwn(filepath.Dir(s.socket)); err != nil {
		return nil, err
	}
	failed, started := make(chan error, 1), make(chan error, 1)
	s.Failed = failed
	go s.keep(started, failed)
	return s, <-started
}

// Join gives the DSN of the server that another process runs on the data folder; false when there is none.
func Join(folder string) (dsn string, running bool) {
	s, err := at(folder)
	if err != nil || runningOn(s.data) == "" {
		return "", false
	}
	return s.DSN, true
}

// at says where everything of a data folder lies.
func at(folder string) (*Server, error) {
	folder, err := filepath.Abs(folder)
	if err != nil {
		return nil, err
	}
	s := &Server{folder: folder, data: filepath.Join(folder, "data"), log: filepath.Join(folder, "mariadb.log"), ended: make(chan struct{})}
	if s.socket = filepath.Join(folder, "run", "my.sock"); len(s.socket) > mostSocket {
		// The same folder each time, so that nothing piles up.
		sum := sha256.Sum256([]byte(folder))
		s.socket = filepath.Join(os.TempDir(), fmt.Sprintf("parvix-%x", sum[:6]), "my.sock")
	}
	s.DSN = user() + "@unix(" + s.socket + ")/parvix?parseTime=true&charset=utf8mb4&loc=UTC"
	return s, nil
}

// makeOwn makes a folder that nobody else may enter; one that somebody else has made is refused.
func makeOwn(folder string) error {
	if err := os.MkdirAll(folder, 0o700); err != nil {
		return err
	}
	info, err := os.Lstat(folder)
	if err != nil {
		return err
	}
	if owner, ok := info.Sys().(*syscall.Stat_t); !info.IsDir() || ok && int(owner.Uid) != os.Getuid() {
		return fmt.Errorf("%s belongs to somebody else", folder)
	}
	return os.Chmod(folder, 0o700)
}

// keep starts the server and starts it again whenever it ends. The kernel ends the server when the thread that started it
// ends (Pdeathsig), so one thread stays with it.
func (s *Server) keep(started, failed chan<- error) {
	runtime.LockOSThread()
	defer close(s.ended)
	defer func() { _ = s.owned.Close() }()
	var ends []time.Time
	for first := true; ; first = false {
		command, err := s.launch()
		if first {
			started <- err
		}
		if err == nil {
			err = command.Wait()
		} else if first {
			return
		}
		s.lock.Lock()
		stopping := s.stopping
		s.lock.Unlock()
		if stopping {
			_ = os.RemoveAll(filepath.Dir(s.socket))
			return
		}
		now := time.Now()
		ends = slices.DeleteFunc(append(ends, now), func(at time.Time) bool { return now.Sub(at) > span })
		if len(ends) >= mostEnds {
			failed <- fmt.Errorf("MariaDB ended %d times within a minute (see %s): %w", mostEnds, s.log, err)
			return
		}
		slog.Warn("MariaDB ended and is started again", "error", err)
	}
}

// launch starts the server and waits until it answers.
func (s *Server) launch() (*exec.Cmd, error) {
	start := filepath.Join(filepath.Dir(s.socket), "init.sql")
	if err := os.WriteFile(start, []byte("CREATE DATABASE IF NOT EXISTS parvix CHARACTER SET utf8mb4;\n"), 0o600); err != nil {
		return nil, err
	}
	args := append(asRoot(), "--datadir="+s.data, "--socket="+s.socket, "--pid-file="+pidFile(s.data),
		"--skip-networking", "--skip-name-resolve", "--character-set-server=utf8mb4",
		"--collation-server=utf8mb4_unicode_ci", "--innodb-buffer-pool-size=64M", "--local-infile=0",
		"--log-error="+s.log, "--init-file="+start)
	command := exec.Command(serverProgram(), append([]string{"--no-defaults"}, args...)...)
	// A Ctrl-C in the terminal reaches the whole group; the database must outlive the requests in flight.
	command.SysProcAttr = &syscall.SysProcAttr{Setpgid: true, Pdeathsig: syscall.SIGTERM}
	if err := command.Start(); err != nil {
		return nil, fmt.Errorf("starting mariadbd: %w", err)
	}
	s.lock.Lock()
	s.process = command.Process
	stopping := s.stopping
	s.lock.Unlock()
	if stopping {
		_ = command.Process.Signal(syscall.SIGTERM)
	}
	return command, s.await(command)
}

// greets tells whether a server speaks first, as one does that is ready; the kernel takes a connection before that, and a
// server that is told to stop in between hangs.
func greets(socket string) bool {
	c, err := net.Dial("unix", socket)
	if err != nil {
		return false
	}
	defer c.Close()
	_ = c.SetReadDeadline(time.Now().Add(time.Second))
	_, err = c.Read(make([]byte, 1))
	return err == nil
}

// Process is the server's; tests kill it.
func (s *Server) Process() *os.Process {
	s.lock.Lock()
	defer s.lock.Unlock()
	return s.process
}

func pidFile(data string) string { return filepath.Join(data, "parvix.pid") }

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

// takeOver makes the folder this process's alone, and ends a server that a killed Parvix has left on it: a second one beside
// it would hang. The lock is let go when it is closed or the process ends, however it ends.
func takeOver(folder, data string) (lock *os.File, err error) {
	lock, err = os.OpenFile(filepath.Join(folder, "parvix.lock"), os.O_CREATE|os.O_RDWR, 0o600)
	if err != nil {
		return nil, err
	}
	const patience, grace, pause = 10 * time.Second, 5 * time.Second, 100 * time.Millisecond
	for begun := time.Now(); syscall.Flock(int(lock.Fd()), syscall.LOCK_EX|syscall.LOCK_NB) != nil; time.Sleep(pause) {
		if time.Since(begun) > patience {
			_ = lock.Close()
			return nil, fmt.Errorf("another Parvix uses this data folder (its MariaDB is process %s)", runningOn(data))
		}
	}
	for begun := time.Now(); ; time.Sleep(pause) {
		pid, err := strconv.Atoi(runningOn(data))
		if err != nil {
			return lock, nil
		}
		// It was told to end when its Parvix did, but one that had just been started may have missed that.
		signal := syscall.SIGTERM
		if time.Since(begun) > grace {
			signal = syscall.SIGKILL
		}
		_ = syscall.Kill(pid, signal)
	}
}

// runningOn is the process of a server on this folder, empty for none.
func runningOn(data string) string {
	text, err := os.ReadFile(pidFile(data))
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

// await waits until the server answers; one that ended or is late is waited for to the end.
func (s *Server) await(command *exec.Cmd) error {
	ticker := time.NewTicker(30 * time.Millisecond)
	defer ticker.Stop()
	for begun := time.Now(); ; <-ticker.C {
		if greets(s.socket) {
			return nil
		}
		// A process that has ended but was not waited for is a zombie.
		var status syscall.WaitStatus
		if pid, err := syscall.Wait4(command.Process.Pid, &status, syscall.WNOHANG, nil); err != nil || pid != 0 {
			return fmt.Errorf("MariaDB ended at its start (see %s)", s.log)
		}
		if time.Since(begun) > startTimeout {
			_ = command.Process.Kill()
			_ = command.Wait()
			return fmt.Errorf("MariaDB did not answer in %v (see %s)", startTimeout, s.log)
		}
	}
}

// Stop ends the server and waits for it. A server that has just begun to answer may miss a signal, so it is told again;
// after the last it is killed, which it recovers from.
func (s *Server) Stop() error {
	s.lock.Lock()
	s.stopping = true
	process := s.process
	s.lock.Unlock()
	const again, last = 500 * time.Millisecond, 40
	for tries := range last + 1 {
		signal := syscall.SIGTERM
		if tries == last {
			signal = syscall.SIGKILL
		}
		if err := process.Signal(signal); err != nil && !errors.Is(err, os.ErrProcessDone) {
			return err
		}
		select {
		case <-s.ended:
			return nil
		case <-time.After(again):
		}
	}
	<-s.ended
	return nil
}
