package localpg

import (
	"context"
	"crypto/sha256"
	"errors"
	"fmt"
	"net"
	"os"
	"os/user"
	"path/filepath"
	"slices"
	"strconv"
	"syscall"
	"time"
)

// owner is the user the cluster runs as when the program runs as root, which
// PostgreSQL refuses; nil for any other user.
type owner struct{ uid, gid int }

func findOwner() (*owner, error) {
	if os.Geteuid() != 0 {
		return nil, nil
	}
	u, err := user.Lookup("postgres")
	if err != nil {
		return nil, fmt.Errorf("run as root, the cluster needs the user postgres, which Debian's package makes: %w", err)
	}
	uid, errUID := strconv.Atoi(u.Uid)
	gid, errGID := strconv.Atoi(u.Gid)
	return &owner{uid, gid}, errors.Join(errUID, errGID)
}

func (o *owner) give(path string) error {
	if o == nil {
		return nil
	}
	return os.Chown(path, o.uid, o.gid)
}

func (o *owner) credential() *syscall.Credential {
	if o == nil {
		return nil
	}
	return &syscall.Credential{Uid: uint32(o.uid), Gid: uint32(o.gid)}
}

// prepareFolder makes the cluster's folder. As root, below a folder the
// cluster's user cannot reach, it takes one under /var/lib instead.
func prepareFolder(dir string) (string, *owner, error) {
	dir, err := filepath.Abs(dir)
	if err != nil {
		return "", nil, err
	}
	o, err := findOwner()
	if err != nil {
		return "", nil, err
	}
	if err := os.MkdirAll(filepath.Dir(dir), 0o755); err != nil {
		return "", nil, err
	}
	if o != nil && !reachable(filepath.Dir(dir)) {
		dir = fmt.Sprintf("/var/lib/mala-%x", sha256.Sum256([]byte(dir)))[:24]
	}
	if err := os.Mkdir(dir, 0o700); err != nil && !os.IsExist(err) {
		return "", nil, err
	}
	if name, err := foreign(dir); err != nil || name != "" {
		return "", nil, errors.Join(err, fmt.Errorf("%s holds %q, which Mala did not make, and stays as it is. Choose another folder by --data", dir, name))
	}
	return dir, o, o.give(dir)
}

// foreign names something in the folder that is not of the cluster; empty for nothing.
func foreign(dir string) (string, error) {
	entries, err := os.ReadDir(dir)
	if err != nil {
		return "", err
	}
	for _, e := range entries {
		if !slices.Contains([]string{"data", "data.new", "lock", keeperPassword, workerPassword, "postgres.log"}, e.Name()) {
			return e.Name(), nil
		}
	}
	return "", nil
}

// reachable says whether any user may pass through all of the path.
func reachable(path string) bool {
	for ; ; path = filepath.Dir(path) {
		info, err := os.Stat(path)
		if err != nil || info.Mode()&0o001 == 0 {
			return false
		}
		if path == filepath.Dir(path) {
			return true
		}
	}
}

// lockFolder keeps two programs from running one cluster. The lock goes with
// the process, however it ends.
func lockFolder(ctx context.Context, dir string) (*os.File, error) {
	f, err := os.OpenFile(filepath.Join(dir, "lock"), os.O_CREATE|os.O_RDWR, 0o600)
	if err != nil {
		return nil, err
	}
	for deadline := time.Now().Add(2 * time.Second); ; {
		if err = syscall.Flock(int(f.Fd()), syscall.LOCK_EX|syscall.LOCK_NB); err == nil {
			return f, nil
		}
		if time.Now().After(deadline) || ctx.Err() != nil {
			f.Close()
			return nil, fmt.Errorf("another Mala is already running with the data in %s. Use that one, or stop it first", dir)
		}
		time.Sleep(50 * time.Millisecond)
	}
}

func freePort() (int, error) {
	l, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		return 0, err
	}
	defer l.Close()
	return l.Addr().(*net.TCPAddr).Port, nil
}

// Remove takes the cluster in the folder away, with all its data. It refuses
// while a program runs it.
func Remove(ctx context.Context, dir string) (string, error) {
	dir, _, err := prepareFolder(dir)
	if err != nil {
		return "", err
	}
	lock, err := lockFolder(ctx, dir)
	if err != nil {
		return "", err
	}
	defer lock.Close()
	if err := endLeftover(ctx, filepath.Join(dir, "data")); err != nil {
		return "", err
	}
	return dir, os.RemoveAll(dir)
}
