package check

import (
	"context"
	"fmt"
	"strings"
	"testing"

	"mala/core/edit"
	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
	"mala/core/testparts"
)

func bead(t testing.TB, id string, b material.Bead) *material.Material {
	t.Helper()
	return testparts.Bead(t, id, b, 0)
}

func finding(id, metal string, f material.Finding) *material.Material {
	return &material.Material{ID: id, Name: id, Class: material.ClassFinding, Metal: metal, Finding: &f}
}

func wire(d length.MM) *material.Material {
	return &material.Material{ID: fmt.Sprint("wire ", d), Name: "wire", Class: material.ClassCord, Cord: &material.Cord{Type: material.Wire, Diameter: d}}
}

func elastic(d length.MM) *material.Material {
	return &material.Material{ID: fmt.Sprint("elastic ", d), Name: "elastic", Class: material.ClassCord, Cord: &material.Cord{Type: material.Elastic, Diameter: d}}
}

func thread(typ material.CordType, d length.MM) *material.Material {
	return &material.Material{ID: string(typ), Name: string(typ), Class: material.ClassCord, Cord: &material.Cord{Type: typ, Diameter: d}}
}

var (
	crimp18   = finding("crimp", "brass", material.Finding{Type: material.CrimpTube, Inside: 1.3, Outside: 1.8, Length: 2})
	lobster   = finding("lobster", "brass", material.Finding{Type: material.Lobster, Closed: 8.6, Wire: 1, Eye: "closed"})
	jump      = finding("jump ring", "brass", material.Finding{Type: material.JumpRing, Inside: 3.6, Wire: 0.7, Joint: "open", Form: "round"})
	fine      = finding("fine ring", "brass", material.Finding{Type: material.JumpRing, Inside: 1.2, Wire: 0.5, Joint: "open", Form: "round"})
	soldered  = finding("soldered ring", "brass", material.Finding{Type: material.JumpRing, Inside: 4, Wire: 0.8, Joint: "soldered", Form: "round"})
	split     = finding("split ring", "brass", material.Finding{Type: material.SplitRing, Inside: 4, Wire: 1})
	silver    = finding("silver ring", "silver", material.Finding{Type: material.JumpRing, Inside: 3.6, Wire: 0.7, Joint: "open"})
	chainShut = finding("chain", "brass", material.Finding{Type: material.Extender, Inside: 3, Wire: 0.6, Links: 10, Joint: "soldered"})
	chainOpen = finding("open chain", "brass", material.Finding{Type: material.Extender, Inside: 3, Wire: 0.6, Links: 10, Joint: "open"})
	wideCrimp = finding("wide crimp", "brass", material.Finding{Type: material.CrimpTube, Inside: 1.8, Outside: 2.4, Length: 2})
	tinyCrimp = finding("tiny crimp", "brass", material.Finding{Type: material.CrimpTube, Inside: 0.7, Outside: 1.2, Length: 2})
	cover     = finding("cover 3", "brass", material.Finding{Type: material.CrimpCover, Outside: 3, Length: 3})
	bigCover  = finding("cover 5", "brass", material.Finding{Type: material.CrimpCover, Outside: 5, Length: 4})
	guard     = finding("guard", "brass", material.Finding{Type: material.WireGuard, Length: 4, Wire: 0.6})
	cordEnd   = finding("cord end", "brass", material.Finding{Type: material.CordEnd, Length: 6, Inside: 2})
	toggle10  = finding("toggle", "brass", material.Finding{Type: material.Toggle, RingInside: 9, RingEye: 2, Wire: 1.5, Bar: 18, BarThickness: 2, BarEye: 2})
)

// dishes is the beads of the tests: P a pearl of 4, G a round of 10 with a hole
// of 2.5, S a seed, T a spacer, Z a pearl drilled too fine, H a wooden bead with a
// hole of 2.5, R a round of 8, C a cap, Q a charm, E a heart drilled through its
// height, W a letter, A B D F I other rounds of 5.
func dishes(t testing.TB) map[string]*material.Material {
	all := map[string]*material.Material{
		"P": bead(t, "pearl", material.Bead{Shape: material.Round, Across: 4, Hole: 0.9}),
		"G": bead(t, "lantern", material.Bead{Shape: material.Round, Across: 10, Hole: 2.5}),
		"S": bead(t, "seed", material.Bead{Shape: material.Seed, Across: 2.2, Along: 1.5, Hole: 0.9}),
		"T": bead(t, "spacer", material.Bead{Shape: material.Spacer, Across: 3, Along: 1.2, Hole: 1}),
		"Z": bead(t, "fine pearl", material.Bead{Shape: material.Round, Across: 4, Hole: 0.6}),
		"H": bead(t, "wood", material.Bead{Shape: material.Round, Across: 8, Hole: 2.5}),
		"R": bead(t, "round", material.Bead{Shape: material.Round, Across: 8, Hole: 1}),
		"C": bead(t, "cap", material.Bead{Shape: material.Cap, Across: 6, Depth: 1.4, Wall: 0.35, Hole: 0.9}),
		"Q": bead(t, "charm", material.Bead{Shape: material.Charm, Across: 4.4, Hole: 3, Along: 0.7, Drop: 18}),
		"V": bead(t, "short charm", material.Bead{Shape: material.Charm, Across: 4.4, Hole: 3, Along: 0.7, Drop: 4}),
		"E": bead(t, "heart", material.Bead{Shape: material.Focal, Across: 9, Along: 9, Hole: 0.9, Facing: material.FacingUpright, Drilled: material.ThroughHeight}),
		"W": bead(t, "letter W", material.Bead{Shape: material.Letter, Across: 6, Along: 6, Hole: 0.9, Facing: material.FacingUpright, Drilled: material.ThroughWidth}),
		"X": bead(t, "letter X", material.Bead{Shape: material.Letter, Across: 6, Along: 6, Hole: 0.9, Facing: material.FacingUpright, Drilled: material.ThroughWidth}),
	}
	for _, key := range []string{"A", "B", "D", "F", "I"} {
		all[key] = bead(t, "bead "+key, material.Bead{Shape: material.Round, Across: 5, Hole: 0.9})
	}
	return all
}

func fittings(prefix string, of ...*material.Material) []piece.Fitting {
	var out []piece.Fitting
	for i, m := range of {
		out = append(out, piece.Fitting{ID: piece.ID(fmt.Sprint(prefix, i+1)), Of: m})
	}
	return out
}

// necklace is a strand on 0.38 wire between two crimps and a clasp.
func necklace(t testing.TB, line string, change ...func(p *piece.Piece, row *piece.Row)) *piece.Piece {
	t.Helper()
	parsed := testparts.Line(t, line)
	row := &piece.Row{ID: "r1", Cord: wire(0.38), Line: parsed, Passes: 1, Left: fittings("fl", crimp18), Right: fittings("fr", crimp18)}
	p := &piece.Piece{Kind: piece.Necklace, House: piece.DefaultHouse(), Palette: dishes(t),
		Closure: piece.Closure{Type: piece.Clasp, Left: fittings("cl", lobster)}, Sections: []piece.Section{{Rows: []*piece.Row{row}}}}
	for _, c := range change {
		c(p, row)
	}
	return p
}

// stretch is a ring on 0.7 elastic.
func stretch(t testing.TB, line string, change ...func(p *piece.Piece, row *piece.Row)) *piece.Piece {
	ring := func(p *piece.Piece, row *piece.Row) {
		p.Kind, p.Closure, p.House.KnotPlace = piece.Bracelet, piece.Closure{Type: piece.Knot}, piece.KnotHidden
		row.Left, row.Right, row.Cord = nil, nil, elastic(0.7)
	}
	return necklace(t, line, append([]func(*piece.Piece, *piece.Row){ring}, change...)...)
}

type change = func(p *piece.Piece, row *piece.Row)

func closed(left ...*material.Material) change {
	return func(p *piece.Piece, _ *piece.Row) { p.Closure.Left = fittings("cl", left...) }
}

func ends(of ...*material.Material) change {
	return func(_ *piece.Piece, row *piece.Row) {
		row.Left, row.Right = fittings("fl", of...), fittings("fr", of...)
	}
}

func leftEnd(of ...*material.Material) change {
	return func(_ *piece.Piece, row *piece.Row) { row.Left = fittings("fl", of...) }
}

func cordOf(c *material.Material) change {
	return func(_ *piece.Piece, row *piece.Row) { row.Cord = c }
}

func slack(mm length.MM) change {
	return func(_ *piece.Piece, row *piece.Row) { row.Slack = &mm }
}

func cutTo(mm length.MM) change {
	return func(_ *piece.Piece, row *piece.Row) { row.Cut = &mm }
}

func wrist(measure length.MM, fit string) change {
	return func(p *piece.Piece, _ *piece.Row) { p.Body = &piece.Body{Part: "wrist", Measure: measure, Fit: fit} }
}

func target(finished, tolerance length.MM) change {
	return func(p *piece.Piece, _ *piece.Row) {
		p.Target = &piece.Target{Finished: finished, Tolerance: tolerance}
	}
}

// weighing gives every pearl that many grams, in a piece with a ring.
func weighing(g float64) change {
	return func(p *piece.Piece, _ *piece.Row) {
		p.Closure.Left = fittings("cl", lobster, jump)
		p.Palette["P"].MassG = g
	}
}

func house(set func(h *piece.House)) change {
	return func(p *piece.Piece, _ *piece.Row) { set(&p.House) }
}

func measuredPiece(t testing.TB, p *piece.Piece) *measure.Measured {
	t.Helper()
	m, err := measure.Measure(p)
	if err != nil {
		t.Fatal(err)
	}
	return m
}

func all(t testing.TB, p *piece.Piece) []Problem {
	t.Helper()
	return All(measuredPiece(t, p))
}

func of(found []Problem, code string) *Problem {
	for i := range found {
		if found[i].Code == code {
			return &found[i]
		}
	}
	return nil
}

// fires is a piece on which a check says something, and its near miss, on which it is quiet.
type fires struct {
	code, says   string
	fires, quiet *piece.Piece
}

func fireAndStayQuiet(t *testing.T, cases map[string]fires) {
	t.Helper()
	for name, tt := range cases {
		if f := of(all(t, tt.fires), tt.code); f == nil || !strings.Contains(spoken(f), tt.says) {
			t.Errorf("%s: %+v, want %q", name, f, tt.says)
		}
		if f := of(all(t, tt.quiet), tt.code); f != nil {
			t.Errorf("%s fired on its near miss: %s", name, spoken(f))
		}
	}
}

// shelf is what fixes may fetch.
func shelf(t testing.TB) []*material.Material {
	return []*material.Material{lobster, jump, fine, soldered, split, chainOpen, wideCrimp, crimp18, cover, wire(0.25), elastic(0.5), elastic(0.8),
		bead(t, "shelf spacer", material.Bead{Shape: material.Spacer, Across: 3, Along: 1.2, Hole: 1})}
}

// fixed gives the fix of the finding of a code, and the piece after it.
func fixed(t testing.TB, p *piece.Piece, code string, from ...*material.Material) (*Fix, *piece.Piece) {
	t.Helper()
	m := measuredPiece(t, p)
	found := All(m)
	f := of(found, code)
	if f == nil {
		t.Fatalf("%s did not fire on %s", code, p.Leading().Line)
	}
	fix := FixOf(context.Background(), m, found, f, Shelf{Materials: from})
	if fix == nil {
		return nil, nil
	}
	after, _, err := edit.Apply(p, from, fix.Ops...)
	if err != nil {
		t.Fatalf("%s: %q cannot be carried out: %v", code, spoken(fix), err)
	}
	return fix, after
}
