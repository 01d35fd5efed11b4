package measure

import (
	"math/rand/v2"
	"testing"

	"mala/core/length"
	"mala/core/piece"
)

// plainCut is what the cords of a random series are cut to, followed row by row from the
// structure alone: two lengths a bead, two crimps and two loops an end, its tail, and a hand of 60.
func plainCut(t *testing.T, m *Measured) (total length.MM) {
	t.Helper()
	p := m.Piece
	end := func(r *piece.Row, side piece.Side) length.MM {
		crimps := length.MM(0)
		for _, f := range *p.End(r, side, false) {
			if f.Of.Finding.IsCrimp() {
				crimps += f.Of.Finding.Length
			}
		}
		if crimps == 0 {
			return 60 // nothing holds it yet
		}
		return 2*(crimps+p.House.Loop) + 60
	}
	for i, s := range p.Sections {
		for k, r := range s.Rows {
			if !r.Corded() {
				continue
			}
			own := m.Strand(r.ID)
			total += own.Strung + own.Slack
			comesIn := i > 0 && p.Joins[i-1].Through()
			if !comesIn {
				total += end(r, piece.Left) + own.Left.Tail
			}
			if goesOn := i < len(p.Joins) && p.Joins[i].Through(); goesOn {
				total += own.Right.Find(RoleShared).Length
				_ = k
				continue
			}
			total += end(r, piece.Right) + own.Right.Tail
		}
	}
	return total
}

// Over random series of rows, rings, chain and shared beads: the cut of all cords is that of a plain
// walk, and every bead and shared bead is met as often as it is passed.
func TestCordsOfASeriesAgreeWithAPlainWalk(t *testing.T) {
	r := rand.New(rand.NewPCG(28, 9))
	made, onwards := 0, 0
	for range 300 {
		p := inSeries(t, r)
		if len(p.Check()) > 0 {
			continue
		}
		made++
		m := measured(t, p)
		sum := length.MM(0)
		for _, s := range m.Strands {
			sum += s.CutLength()
			for i := range s.Beads {
				met := 0
				for _, o := range m.Strands {
					for k := range o.Cords {
						met += o.Cords[k].Meets(s.Row.ID, i)
					}
				}
				if met != s.Beads[i].Passes {
					t.Fatalf("row %s, bead %d: passed %d times, met %d times", s.Row.ID, i, s.Beads[i].Passes, met)
				}
			}
		}
		near(t, "all cords", sum, plainCut(t, m), 1e-6)
		for i, j := range p.Joins {
			if !j.Through() {
				continue
			}
			onwards++
			met := 0
			for _, s := range m.Strands {
				for k := range s.Cords {
					met += s.Cords[k].MeetsFitting(j.Fittings[0].ID)
				}
			}
			if want := m.SharedPasses(j.Fittings[0].ID, p.Sections[i].Rows); met != want {
				t.Fatalf("a shared bead is passed %d times, met %d times", want, met)
			}
		}
	}
	if made < 150 || onwards < 30 {
		t.Errorf("only %d pieces, %d shared beads", made, onwards)
	}
}
