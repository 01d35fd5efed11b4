package main

import (
	"context"
	"slices"

	"github.com/urfave/cli/v3"

	"mala/core/length"
	"mala/core/together"
	"mala/desk"
	"mala/desk/sizing"
)

func rowsCommand() *cli.Command {
	return &cli.Command{
		Name:      "rows",
		Usage:     "print ways to size the rows of a piece file together, the most regular first (- reads standard input)",
		ArgsUsage: "equal|step|touching FILE|-",
		Flags: []cli.Flag{
			&cli.StringFlag{Name: "step", Value: "0", Usage: "of the goal step: how much longer each row is than the one before"},
			&cli.StringFlag{Name: "unit", Value: "mm", Usage: "unit of lengths: mm, cm or in", Sources: cli.EnvVars("MALA_UNIT")},
		},
		Action: func(ctx context.Context, cmd *cli.Command) error {
			goal := cmd.Args().First()
			if cmd.Args().Len() != 2 || !slices.Contains(together.Goals(), together.Goal(goal)) {
				return cli.Exit("Give a goal, equal, step or touching, and one piece file.", 2)
			}
			step, err := length.ParseSigned(cmd.String("step"), length.Unit(cmd.String("unit")))
			if err != nil {
				return cli.Exit(err.Error(), 2)
			}
			doc, err := readPiece(cmd.Args().Get(1))
			if err != nil {
				return cli.Exit(err.Error(), 2)
			}
			out, err := sizing.SizeTogether(ctx, &sizing.Together{Document: *doc, Goal: goal, StepMm: step}, desk.Options{Unit: length.Unit(cmd.String("unit"))})
			if err != nil {
				return cli.Exit(err.Error(), 2)
			}
			return printJSON(out)
		},
	}
}
