package main

import (
	"context"
	"fmt"
	"os"
	"time"

	"github.com/urfave/cli/v3"

	"mala/core/length"
	"mala/desk"
	"mala/desk/buying"
	"mala/desk/kits"
	"mala/format"
	"mala/papers"
)

func kitCommand() *cli.Command {
	return &cli.Command{
		Name:      "kit",
		Usage:     "print what a kit file comes to in all that it is sold in, or one thing of it (- reads standard input)",
		ArgsUsage: "FILE",
		Flags: []cli.Flag{
			&cli.IntFlag{Name: "copies", Usage: "how many are packed at a time", Value: 1},
			&cli.StringFlag{Name: "unit", Usage: "mm, cm or in", Value: "mm"},
			&cli.StringFlag{Name: "catalogue", Usage: "a CSV file of the catalogue, with packs, stock and places"},
			&cli.BoolFlag{Name: "bill", Usage: "print the bill of one thing, by --option, --size and --colourway"},
			&cli.IntFlag{Name: "option", Usage: "of a choice: which piece, from 0"},
			&cli.IntFlag{Name: "size", Usage: "which size, from 0"},
			&cli.IntFlag{Name: "colourway", Usage: "which colourway, from 0"},
			&cli.StringFlag{Name: "paper", Usage: "write one paper as PDF to standard output: packing, materials, instructions, labels or cards"},
			&cli.StringFlag{Name: "sheet", Usage: "A4 or Letter", Value: "A4"},
		},
		Action: func(ctx context.Context, cmd *cli.Command) error {
			if cmd.Args().Len() != 1 {
				return cli.Exit("Give one kit file, or - for standard input.", 2)
			}
			data, err := readInput(cmd.Args().First())
			if err != nil {
				return cli.Exit(err.Error(), 2)
			}
			kit, err := format.ReadKit(data)
			if err != nil {
				return cli.Exit(err.Error(), 2)
			}
			from, err := packingFrom(cmd.String("catalogue"))
			if err != nil {
				return cli.Exit(err.Error(), 2)
			}
			return printKit(ctx, cmd, kit, from)
		},
	}
}

func printKit(ctx context.Context, cmd *cli.Command, kit *format.Kit, from kits.Packing) error {
	opt := desk.Options{Unit: length.Unit(cmd.String("unit"))}
	cell := kits.CellOf{Option: cmd.Int("option"), Size: cmd.Int("size"), Colourway: cmd.Int("colourway")}
	var out any
	var err error
	switch {
	case cmd.String("paper") != "":
		var data []byte
		data, err = papers.Print(ctx, kit, &papers.Order{Format: papers.Format, Paper: cmd.String("paper"), Cell: cell, Copies: cmd.Int("copies"), Unit: cmd.String("unit"),
			Sheet: cmd.String("sheet"), Day: from.Day.Format(time.DateOnly), Selling: from.Selling, Materials: from.Materials})
		if err == nil {
			_, err = os.Stdout.Write(data)
			return err
		}
	case cmd.Bool("bill"):
		out, err = kits.KitBillOf(ctx, kit, cell, cmd.Int("copies"), from, opt)
	default:
		out, err = kits.KitMatrixOf(ctx, kit, cmd.Int("copies"), from, opt)
	}
	if err != nil {
		return cli.Exit(err.Error(), 2)
	}
	return printJSON(out)
}

// packingFrom is what a shop packs from: its catalogue as exported, and the usual rules.
func packingFrom(path string) (kits.Packing, error) {
	from := kits.Packing{Supplies: buying.Supplies{Stock: map[string]int{}, Day: time.Now()}, Selling: format.DefaultSelling()}
	if path == "" {
		return from, nil
	}
	data, err := os.ReadFile(path)
	if err != nil {
		return from, err
	}
	rows, _, err := format.ReadCSV(data, func(string) (format.CatalogueRow, bool) { return format.CatalogueRow{}, false })
	for _, row := range rows {
		from.Materials = append(from.Materials, row.Material)
		from.Stock[row.Material.ID] = row.OnHand
	}
	return from, err
}

func verifyCommand() *cli.Command {
	return &cli.Command{
		Name:      "verify",
		Usage:     "work a printed paper out again from what it carries, and name all that does not follow (exit 1 if anything does not)",
		ArgsUsage: "FILE.pdf",
		Action: func(ctx context.Context, cmd *cli.Command) error {
			if cmd.Args().Len() != 1 {
				return cli.Exit("Give one PDF.", 2)
			}
			data, err := os.ReadFile(cmd.Args().First())
			if err != nil {
				return cli.Exit(cmd.Args().First()+" cannot be read.", 2)
			}
			found, err := papers.Verify(ctx, data)
			if err != nil {
				return cli.Exit(err.Error(), 2)
			}
			if err := printJSON(found); err != nil {
				return err
			}
			switch {
			case len(found.Wrong) > 0 && found.Unsure:
				return cli.Exit("The paper was printed by older rules, before papers kept a seal of their words: what differs may follow from the rules, or was changed by hand. Print it again.", 1)
			case len(found.Changed) > 0:
				fmt.Fprintln(os.Stderr, "The paper was printed by older rules; by today's what is listed as changed follows otherwise. Nothing on it was changed by hand.")
			}
			if len(found.Wrong) > 0 {
				return cli.Exit("The paper does not say what follows from its piece.", 1)
			}
			return nil
		},
	}
}
