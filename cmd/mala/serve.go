package main

import (
	"context"
	"errors"
	"fmt"
	"log/slog"
	"net"
	"net/http"
	"os"
	"path/filepath"
	"runtime/debug"
	"strconv"
	"syscall"
	"time"

	"github.com/urfave/cli/v3"

	"mala/backup"
	"mala/demo/shop"
	"mala/localpg"
	"mala/server"
	"mala/store"
	"mala/web"
)

func serveFlags() []cli.Flag {
	return []cli.Flag{
		&cli.StringFlag{Name: "listen", Value: "127.0.0.1:7420", Usage: "address to serve on, of this machine alone; port 0 takes any that is free", Sources: cli.EnvVars("MALA_LISTEN")},
		&cli.StringFlag{Name: "database-url", Usage: "any PostgreSQL; without it, a private one is started on loopback", Sources: cli.EnvVars("DATABASE_URL")},
		&cli.StringFlag{Name: "data", Value: ".mala", Usage: "folder of the private PostgreSQL", Sources: cli.EnvVars("MALA_DATA")},
		&cli.StringFlag{Name: "backups", Usage: "folder for a copy a day; without it none are made", Sources: cli.EnvVars("MALA_BACKUPS")},
		&cli.IntFlag{Name: "keep-backups", Value: 30, Usage: "how many of those are kept", Sources: cli.EnvVars("MALA_KEEP_BACKUPS")},
		&cli.IntFlag{Name: "keep-backup-days", Value: 365, Usage: "how many days old one may become", Sources: cli.EnvVars("MALA_KEEP_BACKUP_DAYS")},
		&cli.StringSliceFlag{Name: "host", Usage: "another host name to answer for", Sources: cli.EnvVars("MALA_HOSTS")},
	}
}

func serveCommand() *cli.Command {
	return &cli.Command{Name: "serve", Usage: "serve the page",
		Action: func(ctx context.Context, cmd *cli.Command) error { return serve(ctx, cmd, false) }}
}

func demoCommand() *cli.Command {
	return &cli.Command{Name: "demo", Usage: "serve the page, with the demo shop if there is no data yet",
		Action: func(ctx context.Context, cmd *cli.Command) error { return serve(ctx, cmd, true) }}
}

// collectAt is how much, in percent of what is kept, is allocated until garbage is
// collected. Little is kept between requests, so the usual 100 would collect at every
// tenth keystroke, and each time slow the next few down; enoughMemory holds what large
// files take.
const collectAt = 2000

// enoughMemory is from how many bytes on garbage is collected as often as need be.
const enoughMemory = 512 << 20

func serve(ctx context.Context, cmd *cli.Command, withDemo bool) error {
	debug.SetGCPercent(collectAt)
	if os.Getenv("GOMEMLIMIT") == "" {
		debug.SetMemoryLimit(enoughMemory)
	}
	log := slog.New(slog.NewTextHandler(os.Stderr, nil))
	listener, err := listen(cmd.String("listen"))
	if err != nil {
		return err
	}
	defer listener.Close()
	url, where := cmd.String("database-url"), "the database given by database-url"
	var trouble func() error
	if url == "" {
		pg, err := localpg.Start(ctx, localpg.Options{Dir: filepath.Join(cmd.String("data"), "pg")})
		if err != nil {
			return err
		}
		defer func() {
			if err := pg.Stop(); err != nil {
				log.Warn("stopping PostgreSQL", "cause", err)
			}
		}()
		url, where, trouble = pg.URL, pg.Dir, pg.Trouble
	}
	s, err := store.Open(ctx, url)
	if err != nil {
		return fmt.Errorf("the database could not be opened: %w", err)
	}
	defer s.Close()
	if withDemo {
		if _, err := shop.Load(ctx, s); err != nil {
			return fmt.Errorf("the demo shop could not be loaded: %w", err)
		}
	}
	fmt.Printf("Mala is ready at http://%s\nIts data lives in %s\nCtrl-C stops it.\n", listener.Addr(), where)
	go server.AutosaveDrafts(ctx, s, time.Minute, log)
	go server.KeepFigured(ctx, s, time.Second, log)
	if dir := cmd.String("backups"); dir != "" {
		go backup.Nightly(ctx, s, backup.Keeping{Dir: dir, Most: cmd.Int("keep-backups"), Age: time.Duration(cmd.Int("keep-backup-days")) * 24 * time.Hour}, log)
	}
	return run(ctx, listener, server.New(server.Config{Store: s, Page: web.Page(), Hosts: cmd.StringSlice("host"), Log: log, Trouble: trouble, Until: ctx}))
}

// run serves until the context ends, then lets what is under way finish.
func run(ctx context.Context, listener net.Listener, handler http.Handler) error {
	srv := &http.Server{Handler: handler, ReadHeaderTimeout: 10 * time.Second, ReadTimeout: time.Minute, WriteTimeout: time.Minute, MaxHeaderBytes: 64 << 10}
	failed := make(chan error, 1)
	go func() { failed <- srv.Serve(listener) }()
	select {
	case err := <-failed:
		return err
	case <-ctx.Done():
	}
	fmt.Println("\nStopping.")
	grace, cancel := context.WithTimeout(context.Background(), 5*time.Second)
	defer cancel()
	return srv.Shutdown(grace)
}

// listen takes the address, which only this machine reaches: there are no accounts yet that would
// keep others out. The error says what to do.
func listen(address string) (net.Listener, error) {
	host, port, err := net.SplitHostPort(address)
	if err != nil {
		return nil, fmt.Errorf("%q is no address to listen on; write one like 127.0.0.1:7420", address)
	}
	if n, err := strconv.Atoi(port); err != nil || n < 0 || n > 65535 {
		return nil, fmt.Errorf("%q is no port; write one like 7420", port)
	}
	if ip := net.ParseIP(host); host != "localhost" && (ip == nil || !ip.IsLoopback()) {
		return nil, fmt.Errorf("%q can be reached from other machines, and Mala has no accounts yet that would keep strangers out; listen on 127.0.0.1", address)
	}
	l, err := net.Listen("tcp", address)
	if errors.Is(err, syscall.EADDRINUSE) {
		return nil, fmt.Errorf("port %s is taken by another program: stop that, or choose another port by --listen 127.0.0.1:PORT or MALA_LISTEN", port)
	}
	return l, err
}
