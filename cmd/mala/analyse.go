package main

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"os"

	"github.com/urfave/cli/v3"

	"mala/core/length"
	"mala/desk"
	"mala/format"
	"mala/server"
)

func analyseCommand() *cli.Command {
	return &cli.Command{
		Name:      "analyse",
		Usage:     "print the analysis of a piece file (- reads standard input)",
		ArgsUsage: "FILE|-",
		Flags: []cli.Flag{
			&cli.StringFlag{Name: "unit", Value: "mm", Usage: "unit of lengths in sentences: mm, cm or in", Sources: cli.EnvVars("MALA_UNIT")},
			&cli.BoolFlag{Name: "drawing", Usage: "add outlines, the lines' trees, and where everything lies in the pictures"},
			&cli.BoolFlag{Name: "fixes", Value: true, Usage: "search for the fix of every check"},
		},
		Action: func(ctx context.Context, cmd *cli.Command) error {
			if cmd.Args().Len() != 1 {
				return cli.Exit("Give one piece file, or - for standard input.", 2)
			}
			doc, err := readPiece(cmd.Args().First())
			if err != nil {
				return cli.Exit(err.Error(), 2)
			}
			a, err := desk.Analyse(ctx, doc, desk.Options{Unit: length.Unit(cmd.String("unit")), Fixes: cmd.Bool("fixes"), Drawing: cmd.Bool("drawing"), Picture: cmd.Bool("drawing")})
			if err != nil {
				return cli.Exit(err.Error(), 2)
			}
			return printJSON(a)
		},
	}
}

// readPiece reads a piece file, or standard input for -.
func readPiece(name string) (*format.Document, error) {
	data, err := readInput(name)
	if err != nil {
		return nil, err
	}
	return format.Read(data)
}

// printJSON writes a value for people to read as well.
func printJSON(value any) error {
	out := json.NewEncoder(os.Stdout)
	out.SetIndent("", "  ")
	out.SetEscapeHTML(false)
	return out.Encode(value)
}

// readInput reads a file, or standard input for -, up to a little more than a
// piece file may hold.
func readInput(name string) ([]byte, error) {
	in := os.Stdin
	if name != "-" {
		f, err := os.Open(name)
		if err != nil {
			return nil, fmt.Errorf("%s cannot be read: %w", name, errors.Unwrap(err))
		}
		defer f.Close()
		in = f
	}
	return io.ReadAll(io.LimitReader(in, format.MaxBytes+1))
}

func schemaCommand() *cli.Command {
	return &cli.Command{
		Name:      "schema",
		Usage:     "print the JSON Schema of an open format: piece, kit or analysis",
		ArgsUsage: "piece|kit|analysis",
		Action: func(_ context.Context, cmd *cli.Command) error {
			schema := map[string]func() []byte{"piece": format.PieceSchema, "kit": format.KitSchema, "analysis": desk.AnalysisSchema}[cmd.Args().First()]
			if schema == nil {
				return cli.Exit("Name a format: piece, kit or analysis.", 2)
			}
			_, err := os.Stdout.Write(schema())
			return err
		},
	}
}

func openapiCommand() *cli.Command {
	return &cli.Command{
		Name:  "openapi",
		Usage: "print the OpenAPI document of the calls the page makes",
		Action: func(context.Context, *cli.Command) error {
			data, err := server.Description()
			if err != nil {
				return err
			}
			var pretty any
			if err := json.Unmarshal(data, &pretty); err != nil {
				return err
			}
			return printJSON(pretty)
		},
	}
}
