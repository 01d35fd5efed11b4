package main

import (
	"bufio"
	"context"
	"fmt"
	"io"
	"os"
	"path/filepath"
	"strings"

	"github.com/urfave/cli/v3"

	"mala/localpg"
)

func resetCommand() *cli.Command {
	return &cli.Command{
		Name:  "reset",
		Usage: "delete the private PostgreSQL and all its data, to start over",
		Flags: []cli.Flag{&cli.BoolFlag{Name: "yes", Usage: "do so without asking"}},
		Action: func(ctx context.Context, cmd *cli.Command) error {
			if !cmd.Bool("yes") && !confirmed(os.Stdin, filepath.Join(cmd.String("data"), "pg")) {
				return cli.Exit("nothing was deleted", 2)
			}
			dir, err := localpg.Remove(ctx, filepath.Join(cmd.String("data"), "pg"))
			if err != nil {
				return err
			}
			fmt.Printf("%s is gone; the next demo starts over.\n", dir)
			return nil
		},
	}
}

// confirmed asks whether all the data may be deleted.
func confirmed(in io.Reader, dir string) bool {
	fmt.Printf("All pieces, kits, versions and materials in %s will be gone for good. Write yes to delete them: ", dir)
	answer, _ := bufio.NewReader(in).ReadString('\n')
	return strings.TrimSpace(answer) == "yes"
}
