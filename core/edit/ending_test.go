package edit

import (
	"errors"
	"strings"
	"testing"

	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
)

// tiedBench is a strand on waxed cord between two rings.
func tiedBench(t *testing.T, line string) *piece.Piece {
	p := bench(t, line)
	ring := &material.Material{ID: "ring", Name: "ring", Class: material.ClassFinding, Finding: &material.Finding{Type: material.JumpRing, Inside: 3.6, Wire: 0.7}}
	crimp := &material.Material{ID: "crimp", Name: "crimp", Class: material.ClassFinding, Finding: &material.Finding{Type: material.CrimpTube, Inside: 1.3, Outside: 2, Length: 2}}
	p.Closure = piece.Closure{Type: piece.Clasp, Left: []piece.Fitting{{ID: "f1", Of: ring}}, Right: []piece.Fitting{{ID: "f2", Of: ring}}}
	row := p.Leading()
	row.Cord = &material.Material{ID: "waxed", Class: material.ClassCord, Cord: &material.Cord{Type: material.Waxed, Diameter: 0.5}}
	row.Left, row.Right = []piece.Fitting{{ID: "f3", Of: crimp}, {ID: "f4", Of: ring}}, []piece.Fitting{{ID: "f5", Of: crimp}}
	return p
}

func endOp(side piece.Side, field, text string) Op {
	op, err := Fields{At: piece.Place{Side: side, Element: piece.NoElement}, Field: field, Text: text}.Op(setEnd)
	if err != nil {
		panic(err)
	}
	return op
}

func TestAnEndIsMadeAnotherWayWithWhatThatNeeds(t *testing.T) {
	button := &material.Material{ID: "button", Name: "button", Class: material.ClassFinding, Finding: &material.Finding{Type: material.ButtonEnd, Outside: 14, Length: 4, Inside: 2}}
	change := func(p *piece.Piece, ops ...Op) *piece.Piece {
		t.Helper()
		after := applied(t, p, nil, ops...)
		if faults := after.Check(); len(faults) > 0 {
			t.Fatal(faults)
		}
		return after
	}
	p := tiedBench(t, "9P L")
	loop := change(p, endOp(piece.Right, "way", "loop"))
	// Pearls of 4 with a hole of 0.8 lie 3.919 apart: 24 mm and π × 4 take 10.
	if got := loop.Leading().RightEnding.Loop.String(); got != "10P" {
		t.Errorf("a first loop of %s", got)
	}
	p.Closure.Left = []piece.Fitting{{ID: "f1", Of: button}}
	if got := change(p, endOp(piece.Right, "way", "loop")).Leading().RightEnding.Loop.String(); got != "14P" {
		t.Errorf("for a button that needs 39 mm: %s", got)
	}
	if got := change(loop, endOp(piece.Right, "loop", "6P L 6P")).Leading().RightEnding.Loop.String(); got != "6P L 6P" {
		t.Errorf("another loop: %s", got)
	}
	kept := change(loop, endOp(piece.Right, "way", ""), endOp(piece.Right, "way", "loop"))
	if got := kept.Leading().RightEnding.Loop.String(); got != "10P" {
		t.Errorf("tried another way and back: %s", got)
	}
	leg := change(tiedBench(t, "9P"), endOp(piece.Left, "way", "leg"))
	if l := leg.Leading(); leg.Closure.Type != piece.Tied || len(l.Left) != 0 || l.LeftEnding.Leg != 80 || len(leg.Closure.Left)+len(leg.Closure.Right) != 0 {
		t.Errorf("a leg leaves %+v, %+v", leg.Closure, l.Left)
	}
	if len(leg.Leading().Right) != 1 {
		t.Error("and takes the other end's fittings as well")
	}
	long, foot := length.MM(120), p.Palette["L"]
	leg = change(leg, SetEndLeg{At: piece.Place{Side: piece.Left, Element: -1}, Length: &long},
		SetEndBead{At: piece.Place{Side: piece.Left, Element: -1}, Bead: foot})
	if e := leg.Leading().LeftEnding; e.Leg != 120 || e.Bead != foot {
		t.Errorf("%+v", e)
	}
	if e := change(leg, endOp(piece.Left, "bead", "")).Leading().LeftEnding; e.Bead != nil {
		t.Errorf("the knot alone: %+v", e)
	}
	fold := change(tiedBench(t, "9P"), endOp(piece.Left, "way", "fold"))
	if r := fold.Leading(); r.Passes != 2 || len(r.Left) != 1 || r.Left[0].ID != "f4" {
		t.Errorf("a fold runs %d times, round %+v", r.Passes, r.Left)
	}
	if r := change(fold, endOp(piece.Left, "way", "")).Leading(); r.Passes != 1 {
		t.Errorf("unfolded it runs %d times", r.Passes)
	}
}

func TestATailIsSetForOneEnd(t *testing.T) {
	p := tiedBench(t, "9P")
	ten := length.MM(10)
	right := piece.Place{Side: piece.Right, Element: -1}
	tail := func(p *piece.Piece, op Op) piece.Tail {
		after := applied(t, p, nil, op)
		return after.Leading().RightEnding.Tail
	}
	if got := tail(p, SetEndTail{right, &ten}); got.Length == nil || *got.Length != 10 || got.Beads != nil {
		t.Errorf("%+v", got)
	}
	if got := tail(p, SetEndTailBeads{right, 3}); got.Beads == nil || *got.Beads != 3 || got.Length != nil {
		t.Errorf("%+v", got)
	}
	p.Leading().RightEnding.Tail = piece.Tail{Length: &ten}
	if got := tail(p, SetEndTail{right, nil}); got.Length != nil || got.Beads != nil {
		t.Errorf("as the house: %+v", got)
	}
}

func TestTheFirstEndIsHeldAsSaid(t *testing.T) {
	after, _, err := Apply(tiedBench(t, "9P"), nil, endOp(piece.Left, "stop", piece.StopClip))
	if err != nil || after.Leading().LeftEnding.Stop != piece.StopClip {
		t.Errorf("%v", err)
	}
}

func TestWhatCannotBeDoneAtAnEndIsRefused(t *testing.T) {
	bare := tiedBench(t, "9P")
	bare.Palette = map[string]*material.Material{}
	bare.Leading().Line.Items, bare.Leading().Line.Nodes = nil, nil
	for name, tt := range map[string]struct {
		piece *piece.Piece
		op    Op
		says  string
	}{
		"no side":            {tiedBench(t, "9P"), SetEndWay{At: piece.Whole(), Way: "loop"}, "left or right"},
		"no such row":        {tiedBench(t, "9P"), SetEndWay{At: piece.Place{Row: "r9", Side: piece.Left}}, "no row"},
		"no such way":        {tiedBench(t, "9P"), endOp(piece.Left, "way", "bow"), "no way"},
		"a leg of nothing":   {tiedBench(t, "9P"), endOp(piece.Left, "leg", ""), "length of the leg"},
		"no bead for it":     {bare, endOp(piece.Left, "way", "loop"), "Add a dish"},
		"no loop to hang on": {tiedBench(t, "9P"), Hang{At: piece.Place{Side: piece.Left, Element: -1}, Of: bare.Palette["P"]}, "no loop of beads"},
	} {
		_, _, err := Apply(tt.piece, nil, tt.op)
		if err == nil || !strings.Contains(err.Error(), tt.says) {
			t.Errorf("%s: %v", name, err)
		}
	}
	_, _, err := Apply(tiedBench(t, "9P"), nil, endOp(piece.Left, "loop", "9("))
	var refused *Refused
	if err == nil || errors.As(err, &refused) {
		t.Errorf("a loop that cannot be read: %v", err)
	}
}

func TestALoopKeepsItsBeadsThroughItsDishes(t *testing.T) {
	p := applied(t, tiedBench(t, "9P"), nil, endOp(piece.Right, "loop", "8L"))
	refuses(t, p, "loop of beads", RemoveDish{Letter: "L"})
	after := applied(t, p, nil, Letter{Letters: "L K"})
	if got := after.Leading().RightEnding.Loop.String(); got != "8K" || after.Palette["K"] == nil {
		t.Errorf("another letter: %s", got)
	}
	if got := p.Leading().RightEnding.Loop.String(); got != "8L" {
		t.Errorf("the piece it was made of has %s", got)
	}
	charm := &material.Material{ID: "charm", Name: "charm", Class: material.ClassBead, Bead: &material.Bead{Shape: material.Charm, Across: 8, Hole: 3, Along: 0.8, Drop: 12}}
	at := piece.Place{Side: piece.Right, Element: -1}
	hung := applied(t, p, nil, Hang{At: at, Of: charm}, Hang{At: at, Of: charm}, Unhang{At: at, N: 0})
	if len(hung.Leading().RightEnding.Hung) != 1 || len(p.Leading().RightEnding.Hung) != 0 {
		t.Errorf("hung on the loop: %+v", hung)
	}
	if _, _, err := Apply(hung, nil, Unhang{At: at, N: 1}); err == nil {
		t.Error("what is not there is taken off")
	}
}
