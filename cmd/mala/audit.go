package main

import (
	"context"
	"errors"
	"fmt"
	"io"
	"os"
	"strings"

	"github.com/urfave/cli/v3"

	"mala/core/written"
	"mala/desk"
	"mala/format"
)

func auditCommand() *cli.Command {
	return &cli.Command{
		Name:      "audit",
		Usage:     "hold a written pattern against a piece file, and print what it says and what disagrees (- reads standard input)",
		ArgsUsage: "PIECE TEXT|-",
		Flags: []cli.Flag{
			&cli.StringSliceFlag{Name: "name", Usage: "what a name in the text means: --name 'ivory pearls=sea-pearl-4', =none where the piece has none, =nothing where it is no material"},
			&cli.BoolFlag{Name: "corrected", Usage: "print the corrected text instead"},
		},
		Action: func(_ context.Context, cmd *cli.Command) error {
			if cmd.Args().Len() != 2 {
				return cli.Exit("Give a piece file and a text.", 2)
			}
			doc, err := readPiece(cmd.Args().First())
			if err != nil {
				return cli.Exit(err.Error(), 2)
			}
			text, err := readText(cmd.Args().Get(1))
			if err != nil {
				return cli.Exit(err.Error(), 2)
			}
			answers := map[string]string{}
			for _, answer := range cmd.StringSlice("name") {
				phrase, id, ok := strings.Cut(answer, "=")
				if !ok {
					return cli.Exit("Give names as PHRASE=ID.", 2)
				}
				answers[phrase] = id
			}
			audit, err := desk.AuditText(doc, text, answers, format.House{})
			if err != nil {
				return cli.Exit(err.Error(), 2)
			}
			if cmd.Bool("corrected") {
				_, err := io.WriteString(os.Stdout, audit.Corrected)
				return err
			}
			return printJSON(audit)
		},
	}
}

// readText reads a text file, - for standard input, no more of it than is audited.
func readText(path string) (string, error) {
	in := io.Reader(os.Stdin)
	if path != "-" {
		file, err := os.Open(path)
		if err != nil {
			return "", fmt.Errorf("%s cannot be read: %w", path, errors.Unwrap(err))
		}
		defer func() { _ = file.Close() }()
		in = file
	}
	data, err := io.ReadAll(io.LimitReader(in, written.MostBytes+1))
	return string(data), err
}
