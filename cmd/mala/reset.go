package main

import (
	"context"
	"fmt"
	"path/filepath"

	"github.com/urfave/cli/v3"

	"mala/localpg"
)

func resetCommand() *cli.Command {
	return &cli.Command{
		Name:  "reset",
		Usage: "delete the private PostgreSQL and all its data, to start over",
		Action: func(ctx context.Context, cmd *cli.Command) error {
			dir, err := localpg.Remove(ctx, filepath.Join(cmd.String("data"), "pg"))
			if err != nil {
				return err
			}
			fmt.Printf("%s is gone; the next demo starts over.\n", dir)
			return nil
		},
	}
}
