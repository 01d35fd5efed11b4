package localpg

import (
	"bytes"
	"context"
	"errors"
	"fmt"
	"os"
	"os/exec"
	"path/filepath"
	"runtime"
	"strconv"
	"strings"
	"syscall"
	"time"
)

// child is the cluster's process. The kernel ends it cleanly if this program
// dies first, however it dies.
type child struct {
	cmd  *exec.Cmd
	done chan struct{}
}

func startChild(program string, args []string, owner *owner, logTo *os.File) (*child, error) {
	c := &child{cmd: exec.Command(program, args...), done: make(chan struct{})}
	c.cmd.Dir = "/"
	c.cmd.Stdout, c.cmd.Stderr = logTo, logTo
	c.cmd.SysProcAttr = &syscall.SysProcAttr{
		Credential: owner.credential(),
		Setpgid:    true,           // Ctrl-C is for this program, which stops the cluster last
		Pdeathsig:  syscall.SIGINT, // a fast, clean shutdown
	}
	started := make(chan error)
	go func() {
		// The death signal follows the thread that started the child, so the
		// thread has to stay as long as the child does.
		runtime.LockOSThread()
		err := c.cmd.Start()
		started <- err
		if err == nil {
			_ = c.cmd.Wait()
			close(c.done)
		}
	}()
	return c, <-started
}

// stop asks for a fast shutdown, and insists if that takes too long.
func (c *child) stop() error {
	_ = c.cmd.Process.Signal(syscall.SIGINT)
	select {
	case <-c.done:
		return nil
	case <-time.After(patience):
		_ = c.cmd.Process.Signal(syscall.SIGQUIT)
		<-c.done
		return errors.New("PostgreSQL did not stop in time and was stopped at once; it recovers at the next start")
	}
}

// endLeftover waits for a cluster that a killed program left in this folder,
// and asks it to stop if it does not go by itself.
func endLeftover(ctx context.Context, data string) error {
	asked := false
	deadline := time.Now().Add(patience)
	for tries := 0; ; tries++ {
		pid, alive := leftover(data)
		if !alive {
			return nil
		}
		if tries > 20 && !asked {
			asked = true
			_ = syscall.Kill(pid, syscall.SIGINT)
		}
		if time.Now().After(deadline) {
			return fmt.Errorf("an earlier PostgreSQL (process %d) still holds %s and does not stop", pid, data)
		}
		select {
		case <-ctx.Done():
			return ctx.Err()
		case <-time.After(50 * time.Millisecond):
		}
	}
}

// leftover reads who holds the data folder, and whether that is still a live
// PostgreSQL of this folder: not a zombie, nor another program with its number.
func leftover(data string) (pid int, alive bool) {
	note := filepath.Join(data, "postmaster.pid")
	text, err := os.ReadFile(note)
	if err != nil {
		return 0, false
	}
	first, _, _ := strings.Cut(string(text), "\n")
	pid, err = strconv.Atoi(strings.TrimSpace(first))
	if err != nil || pid <= 1 {
		return unreadable(note, data)
	}
	return pid, holds(pid, data)
}

// unreadable takes away a note that names no process, which PostgreSQL would not start beside,
// unless one runs on the folder all the same. The folder's lock keeps any other Mala out.
func unreadable(note, data string) (pid int, alive bool) {
	all, _ := filepath.Glob("/proc/[0-9]*")
	for _, path := range all {
		if pid, _ := strconv.Atoi(filepath.Base(path)); holds(pid, data) {
			return pid, true
		}
	}
	_ = os.Remove(note)
	return 0, false
}

// holds says whether the process is a PostgreSQL of the folder.
func holds(pid int, data string) bool {
	command, err := os.ReadFile(fmt.Sprintf("/proc/%d/cmdline", pid))
	return err == nil && bytes.Contains(command, []byte("\x00"+data+"\x00"))
}
