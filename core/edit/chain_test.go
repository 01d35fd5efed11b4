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
	p, _, err := Apply(tiedBench(t, "9P"), nil, Op{Do: AddFitting, At: piece.Place{Side: piece.Right, Element: -1}, Closure: true, N: 9, Material: chain})
	if err != nil {
		t.Fatal(err)
	}
	at := piece.Place{Fitting: p.Closure.Right[1].ID, Element: -1}
	links := func(ops ...Op) int {
		t.Helper()
		for i := range ops {
			ops[i].At = at
		}
		after, _, err := Apply(p, nil, ops...)
		if err != nil {
			t.Fatal(err)
		}
		return after.Closure.Right[1].Links
	}
	mm := func(v float64) *length.MM { l := length.MM(v); return &l }
	for name, tt := range map[string]struct{ got, want int }{
		"at first":                     {p.Closure.Right[1].Links, 10},
		"by number":                    {links(Op{Do: SetLinks, N: 24}), 24},
		"by length":                    {links(Op{Do: SetLinks, Length: mm(72)}), 24},
		"to the nearest link":          {links(Op{Do: SetLinks, Length: mm(70.6)}), 24},
		"the one below":                {links(Op{Do: SetLinks, Length: mm(70.4)}), 23},
		"never none":                   {links(Op{Do: SetLinks, Length: mm(0.1)}), 1},
		"another chain keeps them":     {links(Op{Do: SetLinks, N: 24}, Op{Do: SetFitting, Material: finer}), 24},
		"a ring in its place has none": {links(Op{Do: SetFitting, Material: p.Closure.Right[0].Of}), 0},
	} {
		if tt.got != tt.want {
			t.Errorf("%s: %d links, want %d", name, tt.got, tt.want)
		}
	}
	for says, op := range map[string]Op{
		"ring has no links": {Do: SetLinks, At: piece.Place{Fitting: p.Closure.Right[0].ID}, N: 3},
		"no fitting":        {Do: SetLinks, At: piece.Place{Fitting: "f99"}, N: 3},
	} {
		if _, _, err := Apply(p, nil, op); err == nil || !strings.Contains(err.Error(), says) {
			t.Errorf("%v, want %q", err, says)
		}
	}
}
