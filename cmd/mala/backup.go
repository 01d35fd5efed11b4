package main

import (
	"context"
	"errors"
	"fmt"
	"os"
	"path/filepath"
	"time"

	"github.com/urfave/cli/v3"

	"mala/backup"
	"mala/localpg"
	"mala/store"
)

func backupCommand() *cli.Command {
	return &cli.Command{
		Name: "backup", ArgsUsage: "FILE", Usage: "write the whole shop into one file of open formats, also while it is served",
		Action: func(ctx context.Context, cmd *cli.Command) error {
			path := cmd.Args().First()
			if path == "" || cmd.Args().Len() > 1 {
				return cli.Exit("name the one file to write: mala backup shop.zip", 2)
			}
			return withStore(ctx, cmd, func(s *store.Store) error {
				counts, err := backup.WriteFile(ctx, s, path)
				if err != nil {
					return fmt.Errorf("the backup was not written: %w", err)
				}
				fmt.Printf("%s holds %s.\n", path, counts)
				return nil
			})
		},
	}
}

func restoreCommand() *cli.Command {
	return &cli.Command{
		Name: "restore", ArgsUsage: "FILE", Usage: "read a backup into an empty place",
		Action: func(ctx context.Context, cmd *cli.Command) error {
			file, err := os.Open(cmd.Args().First())
			if err != nil {
				return cli.Exit(fmt.Sprintf("name the backup to read: mala restore shop.zip (%v)", err), 2)
			}
			defer file.Close()
			about, err := file.Stat()
			if err != nil {
				return err
			}
			return withStore(ctx, cmd, func(s *store.Store) error {
				counts, err := backup.Restore(ctx, s, file, about.Size())
				switch {
				case errors.Is(err, store.ErrNotEmpty):
					return cli.Exit("there is a shop here already, and nothing was changed; restore into another place by --data FOLDER or --database-url", 2)
				case err != nil:
					return cli.Exit(fmt.Sprintf("nothing was restored: %v", err), 2)
				}
				fmt.Printf("%s are here again.\n", counts)
				return nil
			})
		},
	}
}

func doctorCommand() *cli.Command {
	return &cli.Command{
		Name: "doctor", Usage: "look whether the shop's data are whole, and say what to do",
		Action: func(ctx context.Context, cmd *cli.Command) error {
			return withStore(ctx, cmd, func(s *store.Store) error {
				data := cmd.String("data")
				if cmd.String("database-url") != "" {
					data = "" // it is elsewhere
				}
				findings, err := backup.Examine(ctx, s, data, cmd.String("backups"), time.Now())
				bad := 0
				for _, f := range findings {
					mark := "✓"
					if f.Bad {
						mark, bad = "✕", bad+1
					}
					fmt.Println(mark, f.Says)
				}
				if err != nil {
					return fmt.Errorf("the database could not be read to its end: %w", err)
				}
				if bad > 0 {
					return cli.Exit(fmt.Sprintf("%d of these need seeing to", bad), 1)
				}
				return nil
			})
		},
	}
}

// withStore opens the shop's database: the one that is named, that of a server that runs, or else
// the private one, which it starts for as long as it takes.
func withStore(ctx context.Context, cmd *cli.Command, do func(s *store.Store) error) error {
	url := cmd.String("database-url")
	if dir := filepath.Join(cmd.String("data"), "pg"); url == "" {
		running, err := localpg.Running(dir)
		if err != nil {
			return err
		}
		if s, err := store.Open(ctx, running); running != "" && err == nil {
			defer s.Close()
			return do(s)
		}
		pg, err := localpg.Start(ctx, localpg.Options{Dir: dir})
		if err != nil {
			return err
		}
		defer pg.Stop()
		url = pg.URL
	}
	s, err := store.Open(ctx, url)
	if err != nil {
		return fmt.Errorf("the database could not be opened: %w", err)
	}
	defer s.Close()
	return do(s)
}
