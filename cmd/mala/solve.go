package main

import (
	"context"
	"strconv"
	"strings"

	"github.com/urfave/cli/v3"

	"mala/core/length"
	"mala/desk"
	"mala/desk/sizing"
	"mala/format"
)

func solveCommand() *cli.Command {
	return &cli.Command{
		Name:      "solve",
		Usage:     "print the few best ways to bring a piece file to a length or a wearer, the most regular first (- reads standard input)",
		ArgsUsage: "FILE|-",
		Flags: []cli.Flag{
			&cli.StringFlag{Name: "to", Usage: "the finished length, such as 190mm or 7.5in; its target if left out"},
			&cli.StringFlag{Name: "fit", Usage: "whom it is to fit, such as wrist=165 or neck=14in"},
			&cli.StringFlag{Name: "unit", Value: "mm", Usage: "unit of bare numbers: mm, cm or in", Sources: cli.EnvVars("MALA_UNIT")},
		},
		Action: solveFile,
	}
}

func solveFile(ctx context.Context, cmd *cli.Command) error {
	if cmd.Args().Len() != 1 {
		return cli.Exit("Give one piece file, or - for standard input.", 2)
	}
	doc, err := readPiece(cmd.Args().First())
	if err != nil {
		return cli.Exit(err.Error(), 2)
	}
	aim := sizing.Aim{Document: *doc}
	unit := length.Unit(cmd.String("unit"))
	if to := cmd.String("to"); to != "" {
		if aim.ToMm, err = length.Parse(to, unit); err != nil {
			return cli.Exit("--to: "+err.Error(), 2)
		}
	}
	if fit := cmd.String("fit"); fit != "" {
		part, measure, found := strings.Cut(fit, "=")
		mm, err := length.Parse(measure, unit)
		if !found || err != nil {
			return cli.Exit("--fit: give a part and its measure, such as "+strconv.Quote("wrist=165")+".", 2)
		}
		aim.Wearer, aim.Document.Body = true, &format.Body{Part: part, MeasureMm: mm}
	}
	out, err := sizing.Solve(ctx, &aim, desk.Options{Unit: unit})
	if err != nil {
		return cli.Exit(err.Error(), 2)
	}
	if out.Why != "" {
		// The proposals are the answer; the reason for none goes to standard error.
		if _, err := cmd.Root().ErrWriter.Write([]byte(out.Why + "\n")); err != nil {
			return err
		}
	}
	return printJSON(out.Items)
}
