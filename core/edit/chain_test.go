package edit

import (
	"strings"
	"testing"

	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
)

func TestAChainHasItsLinksByNumberOrByLength(t *testing.T) {
	chain := &material.Material{ID: "chain", Name: "chain", Class: material.ClassFinding, Finding: &material.Finding{Type: material.Chain, Inside: 3, Wire: 0.6, Joint: "open"}}
	finer := &material.Material{ID: "finer", Name: "finer", Class: material.ClassFinding, Finding: &material.Finding{Type: material.Chain, Inside: 2, Wire: 0.4, Joint: "open"}}
	p := applied(t, tiedBench(t, "9P"), nil, AddFitting{At: piece.Place{Side: piece.Right, Element: -1}, Closure: true, N: 9, Of: chain})
	at := piece.Place{Fitting: p.Closure.Right[1].ID, Element: -1}
	links := func(ops ...Op) int {
		t.Helper()
		for i := range ops {
			f := FieldsOf(ops[i])
			f.At = at
			op, err := f.Op(ops[i].Do())
			if err != nil {
				t.Fatal(err)
			}
			ops[i] = op
		}
		after := applied(t, p, nil, ops...)
		return after.Closure.Right[1].Links
	}
	mm := func(v float64) *length.MM { l := length.MM(v); return &l }
	for name, tt := range map[string]struct{ got, want int }{
		"at first":                     {p.Closure.Right[1].Links, 10},
		"by number":                    {links(SetLinks{Links: 24}), 24},
		"by length":                    {links(SetLinks{Length: mm(72)}), 24},
		"to the nearest link":          {links(SetLinks{Length: mm(70.6)}), 24},
		"the one below":                {links(SetLinks{Length: mm(70.4)}), 23},
		"never none":                   {links(SetLinks{Length: mm(0.1)}), 1},
		"another chain keeps them":     {links(SetLinks{Links: 24}, SetFitting{Of: finer}), 24},
		"a ring in its place has none": {links(SetFitting{Of: p.Closure.Right[0].Of}), 0},
	} {
		if tt.got != tt.want {
			t.Errorf("%s: %d links, want %d", name, tt.got, tt.want)
		}
	}
	for says, op := range map[string]Op{
		"ring has no links": SetLinks{At: piece.Place{Fitting: p.Closure.Right[0].ID}, Links: 3},
		"no fitting":        SetLinks{At: piece.Place{Fitting: "f99"}, Links: 3},
	} {
		refuses(t, p, says, op)
	}
}

func TestAChainFillsUpUntilItIsGivenLinks(t *testing.T) {
	chain := &material.Material{ID: "chain", Name: "chain", Class: material.ClassFinding, Finding: &material.Finding{Type: material.Chain, Inside: 3, Wire: 0.6, Joint: "open"}}
	add := func(side piece.Side) Op {
		return AddFitting{At: piece.Place{Side: side, Element: -1}, Closure: true, N: 9, Of: chain}
	}
	mm := func(v float64) *length.MM { l := length.MM(v); return &l }
	target := func(v float64) Op { return SetTarget{Length: mm(v)} }
	p := applied(t, tiedBench(t, "9P"), nil, add(piece.Left), add(piece.Right), target(400))
	find := func(p *piece.Piece, side piece.Side) *piece.Fitting {
		list := *p.End(nil, side, true)
		return &list[len(list)-1]
	}
	do := func(p *piece.Piece, op Op) *piece.Piece {
		t.Helper()
		switch one := op.(type) {
		case SetFill:
			one.At = piece.Place{Fitting: find(p, piece.Left).ID, Element: -1}
			op = one
		case SetLinks:
			one.At = piece.Place{Fitting: find(p, piece.Left).ID, Element: -1}
			op = one
		}
		after := applied(t, p, nil, op)
		return after
	}
	filled := do(p, SetFill{Fill: piece.Yes})
	left, right := find(filled, piece.Left), find(filled, piece.Right)
	if !left.Fill || !right.Fill || left.Links != right.Links || left.Links < 40 {
		t.Fatalf("left %+v, right %+v", left, right)
	}
	longer := do(filled, target(460))
	if got := find(longer, piece.Left).Links - left.Links; got != 10 || find(longer, piece.Right).Links != find(longer, piece.Left).Links {
		t.Errorf("60 mm more take %d links of 3 mm a side, want 10", got)
	}
	if kept := do(longer, SetFill{Fill: piece.No}); find(kept, piece.Right).Fill || find(kept, piece.Left).Fill || find(kept, piece.Right).Links != find(longer, piece.Right).Links {
		t.Error("stopped, both keep their links")
	}
	if set := do(longer, SetLinks{Links: 12}); find(set, piece.Left).Links != 12 || find(set, piece.Left).Fill || find(set, piece.Right).Fill {
		t.Error("a number of links is kept")
	}
	if none := do(longer, SetTarget{}); find(none, piece.Left).Fill || find(none, piece.Left).Links != find(longer, piece.Left).Links {
		t.Error("without a target it keeps what it had")
	}
	refuses(t, do(p, SetTarget{}), "There is no length to fill up to", SetFill{Fill: piece.Yes, At: piece.Place{Fitting: find(p, piece.Left).ID, Element: -1}})
}

// Chain lies between bead links only, comes out again, and goes with the bead links.
func TestChainBetweenBeadLinks(t *testing.T) {
	chain := &material.Material{ID: "chain", Name: "chain", Class: material.ClassFinding, Finding: &material.Finding{Type: material.Chain, Inside: 3, Wire: 0.6, Joint: "open"}}
	link := &material.Material{ID: "link", Name: "link", Class: material.ClassComponent, Component: &material.Component{Kind: material.BeadLink, Pin: &material.Pin{}},
		Bead: &material.Bead{Shape: material.Charm, Across: 8, Hole: 2, Along: 0.6}, Finding: &material.Finding{Type: material.Chain, Inside: 15, Wire: 0.6, Joint: "open", Outside: 8}}
	p, _, err := Apply(tiedBench(t, "20P"), nil, AddRow{Chain: link})
	if err != nil || len(p.Check()) > 0 {
		t.Fatal(err, p.Check())
	}
	at := piece.Place{Fitting: p.Rows()[1].Left[0].ID, Element: -1}
	with, _, err := Apply(p, nil, SetBetween{At: at, Chain: chain, Links: 4}, AddRow{At: inRow(p.Rows()[1].ID)})
	if err != nil || len(with.Check()) > 0 {
		t.Fatal(err, with.Check())
	}
	for _, r := range with.Rows()[1:] {
		if b := r.Left[0].Between; b == nil || b.Of != chain || b.Links != 4 {
			t.Errorf("between them lies %+v", b)
		}
	}
	if f := with.Rows()[1].Left[0]; f.ChainLength() != length.MM(15*f.Links+12*(f.Links-1)) || f.LinksFor(15+27*6+13) != 7 || f.LinksFor(15+27*6+14) != 8 {
		t.Errorf("%d links make %v", f.Links, f.ChainLength())
	}
	for name, op := range map[string]Op{"taken out": SetBetween{At: at}, "chain instead of the links": SetFitting{At: at, Of: chain}} {
		if out, _, err := Apply(with, nil, op); err != nil || out.Rows()[1].Left[0].Between != nil || len(out.Check()) > 0 {
			t.Errorf("%s: %v %+v", name, err, out)
		}
	}
	for says, op := range map[string]Op{
		"Chain lies between bead links": SetBetween{At: at, Chain: link},
		"has no links to count":         SetBetween{At: piece.Place{Fitting: p.Closure.Right[0].ID}, Chain: chain},
	} {
		refuses(t, p, says, op)
	}
	for says, between := range map[string]*piece.Between{"is no chain": {Of: link, Links: 2}, "1 to 100 links of chain, not 0": {Of: chain}, "not 101": {Of: chain, Links: 101}} {
		wrong := with.Clone()
		wrong.Rows()[1].Left[0].Between = between
		if faults := wrong.Check(); len(faults) != 1 || !strings.Contains(faults[0].Says, says) || faults[0].Where != "sections[0].rows[1].left[0].between" {
			t.Errorf("%+v, want %q", faults, says)
		}
	}
}
