package edit

import (
	"testing"

	"mala/core/material"
	"mala/core/piece"
)

// A piece becomes an ornament with a foot and a loop, and closes by a clasp again.
func TestAPieceIsMadeAnOrnamentAndBack(t *testing.T) {
	wire := &material.Material{ID: "wire", Class: material.ClassCord, Cord: &material.Cord{Type: material.Wire, Diameter: 0.38}}
	p := tiedBench(t, "9P L")
	crimp := p.Leading().Left[0].Of
	p.Leading().Cord, p.Body = wire, &piece.Body{Part: "wrist", Measure: 160}
	shelf := []*material.Material{wire, crimp, p.Palette["P"], p.Closure.Left[0].Of}
	hung := applied(t, p, shelf, SetKind{Kind: "ornament"})
	row := hung.Leading()
	if faults := hung.Check(); len(faults) > 0 || !hung.Hangs() || hung.Body != nil || row.LeftEnding.Way != piece.WayFootBead || row.RightEnding.Way != piece.WayCordLoop || len(row.Left) != 1 || len(row.Right) != 1 {
		t.Fatalf("%v, %+v", faults, row)
	}
	window := &piece.Hanging{At: piece.AtWindow, Over: piece.OverSupport, Girth: 90}
	hung = applied(t, hung, shelf, SetHanging{Hanging: window})
	if hung.Hanging != window {
		t.Errorf("%+v", hung.Hanging)
	}
	stopped := applied(t, hung, shelf, endOp(piece.Left, "way", "stopped"))
	again := applied(t, stopped, shelf, endOp(piece.Left, "way", "foot-bead"))
	if stopped.Leading().LeftEnding.Way != piece.WayStopped || again.Leading().LeftEnding.Bead == nil || len(again.Check())+len(stopped.Check()) > 0 {
		t.Errorf("%+v, %v", again.Leading(), again.Check())
	}
	mirrored := applied(t, hung, shelf, MirrorRow{At: row.At()})
	if r := mirrored.Leading(); r.LeftEnding.Way != piece.WayFootBead || r.Line.String() == row.Line.String() {
		t.Errorf("%+v", r)
	}
	refuses(t, hung, "no legs to tie", endOp(piece.Left, "way", "leg"))
	refuses(t, p, "is no way", endOp(piece.Left, "way", "dangling"))
	refuses(t, crimpedRows(t, 2), "hangs on one strand", SetKind{Kind: "ornament"})
	for _, op := range []Op{SetKind{Kind: "bracelet"}, SetClosure{Closure: "clasp"}} {
		back := applied(t, hung, shelf, op)
		if faults := back.Check(); len(faults) > 0 || back.Hangs() || back.Hanging != nil || back.Kind == piece.Ornament || back.Leading().LeftEnding.Way != piece.WayFittings {
			t.Errorf("%s: %v, %+v", op.Do(), faults, back.Leading())
		}
	}
	if same := applied(t, hung, shelf, SetKind{Kind: "ornament"}); same.Hanging == nil {
		t.Error("it is one already, and stays as it is")
	}
}

func TestOrnamentsThatCannotBe(t *testing.T) {
	for says, change := range map[string]func(p *piece.Piece, r *piece.Row){
		"kind ornament goes with closure hung": func(p *piece.Piece, _ *piece.Row) { p.Kind = piece.Necklace },
		"not worn":                             func(p *piece.Piece, _ *piece.Row) { p.Body = &piece.Body{Part: "wrist"} },
		"no place to hang it":                  func(p *piece.Piece, _ *piece.Row) { p.Hanging = &piece.Hanging{At: "mast"} },
		"nothing that a loop goes over":        func(p *piece.Piece, _ *piece.Row) { p.Hanging = &piece.Hanging{Over: "moon"} },
		"hanging.girthMm":                      func(p *piece.Piece, _ *piece.Row) { p.Hanging = &piece.Hanging{Girth: 1001} },
		"Only the foot of an ornament":         func(_ *piece.Piece, r *piece.Row) { r.RightEnding.Way = piece.WayStopped },
		"Nothing but a crimp holds": func(p *piece.Piece, r *piece.Row) {
			r.Left = append(r.Left, p.NewFitting(tiedBench(t, "P").Closure.Left[0].Of))
		},
		"Name the bead at the foot": func(_ *piece.Piece, r *piece.Row) { r.LeftEnding.Bead = nil },
		"Only an ornament hangs. Leave it out": func(p *piece.Piece, _ *piece.Row) {
			p.Kind, p.Closure.Type, p.Hanging = piece.Necklace, piece.Clasp, &piece.Hanging{}
		},
	} {
		p := tiedBench(t, "9P")
		row := p.Leading()
		p.Kind, p.Closure = piece.Ornament, piece.Closure{Type: piece.Hung}
		row.Left, row.Right = nil, nil
		row.LeftEnding, row.RightEnding = piece.Ending{Way: piece.WayFootBead, Bead: p.Palette["P"]}, piece.Ending{Way: piece.WayCordLoop, Girth: 100}
		if faults := p.Check(); len(faults) > 0 {
			t.Fatal(faults)
		}
		if change(p, row); !faulted(p.Check(), says) {
			t.Errorf("%v, want %q", p.Check(), says)
		}
	}
}
