package measure

import (
	"testing"

	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
)

// sided is a strand between two lengths of chain.
func sided(t testing.TB, line string, joint string, links int) *piece.Piece {
	p := strung(t, line)
	chain := finding(t, material.Finding{Type: material.Chain, Inside: 3, Wire: 0.6, Joint: joint})
	p.Closure.Left = append(p.Closure.Left[:1:1], piece.Fitting{ID: "x1", Of: chain, Links: links}, p.Closure.Left[1])
	p.Closure.Right = append(p.Closure.Right, piece.Fitting{ID: "x2", Of: chain, Links: links + 2})
	return p
}

func TestAChainAddsTheInsideOfEachLink(t *testing.T) {
	plain, m := measured(t, strung(t, "20R")), measured(t, sided(t, "20R", "open", 12))
	near(t, "finished", m.Finished-m.Leading().Slack, plain.Finished-plain.Leading().Slack+3*(12+14), 1e-9)
	s := m.Leading()
	chain := s.Left.Find(RoleLinks)
	if chain == nil || chain.Links != 12 {
		t.Fatalf("%+v", s.Left.Parts)
	}
	near(t, "at the left", chain.Length, 36, 1e-9)
	near(t, "no cord for it", s.CutLength()-measured(t, strung(t, "20R")).Leading().CutLength(), s.Slack-plain.Leading().Slack, 1e-9)
	hinged := 0
	for _, l := range s.Round() {
		if l.Part != nil && l.Part.Role == RoleLinks {
			hinged++
			near(t, "a link", length.MM(l.Segment.Length), 3, 1e-9)
		}
	}
	if hinged != 26 {
		t.Errorf("it hinges at %d links", hinged)
	}
	for _, x := range m.Sensitivity {
		if x.Material.ID == "chain" {
			near(t, "a tenth on each link", x.PerTenth, 2.6, 1e-9)
		}
	}
}

func TestLinksAreCountedWeighedAndLostInCutting(t *testing.T) {
	for joint, lost := range map[string]int{"open": 0, "soldered": 2} {
		m := measured(t, sided(t, "20R", joint, 12))
		for _, c := range append(m.Tally, m.Bought()...) {
			if c.Material.ID == "chain" && (c.Count != 26 || c.Length != 78 || c.Lost != lost) {
				t.Errorf("%s: %d links, %v, %d lost", joint, c.Count, c.Length, c.Lost)
			}
		}
	}
	light, heavy := measured(t, strung(t, "20R")), measured(t, sided(t, "20R", "open", 12))
	link := finding(t, material.Finding{Type: material.Chain, Inside: 3, Wire: 0.6}).Finding.LinkMass()
	if got := heavy.MassG - light.MassG; got < 26*link-1e-9 || got > 26*link+1e-9 || link < 0.02 || link > 0.04 {
		t.Errorf("26 links of %v g weigh %v", link, got)
	}
	p := sided(t, "20R", "open", 12)
	p.Closure.Left[1].Of.MassG = 0.5
	if got := measured(t, p).MassG - light.MassG; got < 13-1e-9 || got > 13+1e-9 {
		t.Errorf("26 links of half a gram weigh %v", got)
	}
}
