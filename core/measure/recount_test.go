package measure

import (
	"fmt"
	"math"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
	"mala/core/testparts"
)

// recount counts a piece from its structure alone: letters of its lines, fittings with
// their links and what hangs on them, one cord for every strand that does not come in
// from the section before.
func recount(p *piece.Piece) (all map[string]int, byRow []map[string]int) {
	all = map[string]int{}
	fittings := func(list []piece.Fitting, into ...map[string]int) {
		for _, f := range list {
			for _, m := range into {
				m[f.Of.ID] += max(1, f.Links)
				if f.Between != nil && f.Links > 1 {
					m[f.Between.Of.ID] += f.Between.Links * (f.Links - 1)
				}
				for _, hung := range f.Hung {
					m[hung.ID]++
				}
			}
		}
	}
	fittings(p.Closure.Left, all)
	fittings(p.Closure.Right, all)
	for _, j := range p.Joins {
		fittings(j.Fittings, all)
	}
	for i, s := range p.Sections {
		for _, r := range s.Rows {
			row := map[string]int{}
			fittings(r.Left, all, row)
			fittings(r.Right, all, row)
			for _, letter := range strings.Fields(r.Line.String()) {
				all[p.Palette[letter].ID]++
				row[p.Palette[letter].ID]++
			}
			if r.Corded() && (i == 0 || !p.Joins[i-1].Fittings[0].Of.IsBead()) {
				all[r.Cord.ID]++
				row[r.Cord.ID]++
			}
			byRow = append(byRow, row)
		}
	}
	return all, byRow
}

// inSeries is a random piece of several sections and rows, joined in every way there is.
func inSeries(t *testing.T, r *rand.Rand) *piece.Piece {
	t.Helper()
	p := threeRows(t, "R")
	ball := bead(t, "ball", material.Bead{Shape: material.Round, Across: 12, Hole: 4}, 2)
	p.Palette["S"] = bead(t, "seed", material.Bead{Shape: material.Round, Across: 2, Hole: 0.8}, 0.01)
	charm := &material.Material{ID: "charm", Name: "charm", Class: material.ClassBead, Bead: &material.Bead{Shape: material.Charm, Across: 5, Along: 9, Hole: 2}}
	stoneLinks := beadLink("stone-link", 15)
	crimp, ring := p.Rows()[0].Left[0].Of, p.Closure.Left[1].Of
	row := p.Rows()[0]
	id := 0
	fitting := func(of *material.Material, links int) piece.Fitting {
		id++
		f := piece.Fitting{ID: piece.ID(fmt.Sprint("x", id)), Of: of, Links: links}
		for of == ring && r.IntN(3) == 0 {
			f.Hung = append(f.Hung, charm)
		}
		return f
	}
	ends := func(one *piece.Row, side piece.Side) {
		list := p.End(one, side, false)
		*list = []piece.Fitting{fitting(crimp, 0)}
		for r.IntN(3) == 0 {
			*list = append(*list, fitting(ring, 0))
		}
	}
	made := func() *piece.Row {
		id++
		one := *row
		one.ID, one.Follow, one.Left, one.Right = piece.ID(fmt.Sprint("x", id)), piece.Follow{}, nil, nil
		text := ""
		for range 4 + r.IntN(12) {
			text += string("RS"[r.IntN(2)]) + " "
		}
		one.Line = testparts.Line(t, text)
		ends(&one, piece.Left)
		ends(&one, piece.Right)
		return &one
	}
	p.Sections = nil
	for i := range 1 + r.IntN(4) {
		s, n := piece.Section{}, 1+r.IntN(4)
		through := i > 0 && r.IntN(3) == 0
		if through {
			n = len(p.Sections[i-1].Rows)
		}
		for k := range n {
			one := made()
			if chain := r.IntN(6) == 0 && !through; chain {
				one.OfChain()
				one.Left, one.Right = []piece.Fitting{fitting(linked(3), 1+r.IntN(40))}, nil
				if r.IntN(2) == 0 {
					one.Left[0] = fitting(stoneLinks, 1+r.IntN(12))
					one.Left[0].Between = []*piece.Between{nil, {Of: linked(3), Links: 1 + r.IntN(4)}}[r.IntN(2)]
				}
			}
			if through {
				before := p.Sections[i-1].Rows[k]
				before.Right, one.Left = nil, nil
				if !before.Corded() {
					through = false
					before.Right = nil
					ends(one, piece.Left)
				}
			}
			s.Rows = append(s.Rows, one)
		}
		if i > 0 {
			join := &piece.Join{ID: piece.ID(fmt.Sprint("j", i))}
			switch {
			case through:
				join.Fittings = []piece.Fitting{fitting(ball, 0)}
			case r.IntN(2) == 0:
				join.Fittings = []piece.Fitting{fitting(linked(2), 1+r.IntN(9)), fitting(ring, 0)}
			default:
				join.Fittings = []piece.Fitting{fitting(ring, 0)}
			}
			p.Joins = append(p.Joins, join)
		}
		p.Sections = append(p.Sections, s)
	}
	return p
}

func TestPartsOfRowsInSeriesEqualARecount(t *testing.T) {
	r := rand.New(rand.NewPCG(9, 26))
	made := 0
	for range 200 {
		p := inSeries(t, r)
		if len(p.Check()) > 0 {
			continue // a cord cannot run on from a row of chain
		}
		made++
		m := measured(t, p)
		all, byRow := recount(p)
		got := map[string]int{}
		for _, c := range m.Tally {
			got[c.Material.ID] += c.Count
			sum := 0
			for i := range byRow {
				sum += c.ByStrand[i]
				if len(byRow) > 1 && c.ByStrand[i] != byRow[i][c.Material.ID] {
					t.Fatalf("%s in row %d: %d, want %d", c.Material.ID, i+1, c.ByStrand[i], byRow[i][c.Material.ID])
				}
			}
			if sum > c.Count {
				t.Fatalf("%s: %d in rows, %d in all", c.Material.ID, sum, c.Count)
			}
		}
		if fmt.Sprint(got) != fmt.Sprint(all) {
			t.Fatalf("sections %d: counted %v, want %v", len(p.Sections), got, all)
		}
	}
	if made < 120 {
		t.Errorf("only %d pieces could be measured", made)
	}
}

// turned is the piece seen from behind: right for left.
func turned(t *testing.T, p *piece.Piece) *piece.Piece {
	t.Helper()
	p = p.Clone()
	p.Closure.Left, p.Closure.Right = p.Closure.Right, p.Closure.Left
	slices.Reverse(p.Sections)
	slices.Reverse(p.Joins)
	for _, j := range p.Joins {
		slices.Reverse(j.Fittings)
	}
	for _, r := range p.Rows() {
		letters := strings.Fields(r.Line.String())
		slices.Reverse(letters)
		if r.Corded() {
			r.Line = testparts.Line(t, strings.Join(letters, " "))
		}
		r.Left, r.Right = r.Right, r.Left
		r.LeftPort, r.RightPort = r.RightPort, r.LeftPort
		r.LeftEnding, r.RightEnding = r.RightEnding, r.LeftEnding
	}
	return p
}

// Seen from behind every row of a series is as long, as heavy and as close, and its cord
// is cut as long.
func TestASeriesTurnedRoundMeasuresTheSame(t *testing.T) {
	r := rand.New(rand.NewPCG(17, 4))
	made := 0
	for range 120 {
		p := inSeries(t, r)
		back := turned(t, p)
		if len(p.Check()) > 0 || len(back.Check()) > 0 || p.Main() != &p.Sections[0] && len(p.Sections) > 1 {
			continue
		}
		for i := range back.Sections {
			if len(back.Sections[i].Rows) == len(p.Main().Rows) && i != len(back.Sections)-1 {
				back = nil // another section is the main one seen from behind
				break
			}
		}
		if back == nil {
			continue
		}
		made++
		a, err := Measure(p)
		if err != nil {
			t.Fatal(err)
		}
		b, err := Measure(back)
		if err != nil {
			t.Fatal(err)
		}
		if math.Abs(a.MassG-b.MassG) > 1e-9 || math.Abs(float64(a.Finished-b.Finished)) > 1e-6 {
			t.Fatalf("%v mm, %v g; from behind %v mm, %v g", a.Finished, a.MassG, b.Finished, b.MassG)
		}
		cut, cutBack := length.MM(0), length.MM(0)
		for _, s := range a.Strands {
			o := b.Strand(s.Row.ID)
			if math.Abs(float64(s.Finished()-o.Finished())) > 1e-6 || math.Abs(float64(s.Strung-o.Strung)) > 1e-9 {
				t.Fatalf("row %s: %v long, %v strung; from behind %v and %v", s.Row.ID, s.Finished(), s.Strung, o.Finished(), o.Strung)
			}
			in, _ := s.Inside()
			if inBack, _ := o.Inside(); math.Abs(float64(in-inBack)) > 1e-3 {
				t.Fatalf("row %s: inside %v; from behind %v", s.Row.ID, in, inBack)
			}
			if s.Left.Hold != HeldByRunning {
				cut += s.CutLength()
			}
			if o.Left.Hold != HeldByRunning {
				cutBack += o.CutLength()
			}
		}
		if math.Abs(float64(cut-cutBack)) > 1e-6 {
			t.Fatalf("cut %v, from behind %v", cut, cutBack)
		}
	}
	if made < 30 {
		t.Errorf("only %d pieces could be turned", made)
	}
}
