package measure

import (
	"math"
	"math/rand/v2"
	"testing"

	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
	"mala/core/testparts"
)

// split is the necklace of one row cut in sections by beads that its cord runs through:
// what is strung is the same as the whole line.
func split(t *testing.T, parts []string, beads []string) (series, whole *piece.Piece) {
	t.Helper()
	line := parts[0]
	for i, b := range beads {
		line += " " + b + " " + parts[i+1]
	}
	whole = threeRows(t, line)
	whole.Palette["B"] = bead(t, "ball", material.Bead{Shape: material.Round, Across: 12, Hole: 3.5}, 2)
	whole.Palette["O"] = bead(t, "oval", material.Bead{Shape: material.Oval, Across: 5, Along: 9, Hole: 1}, 0.4)
	series = whole.Clone()
	first := series.Leading()
	right := first.Right
	series.Sections = nil
	for i, text := range parts {
		parsed := testparts.Line(t, text)
		row := *first
		row.ID, row.Line = piece.ID("s"+string(rune('1'+i))), parsed
		row.Left, row.Right = nil, nil
		if i == 0 {
			row.Left = first.Left
		}
		if i == len(parts)-1 {
			row.Right = right
		}
		series.Sections = append(series.Sections, piece.Section{Rows: []*piece.Row{&row}})
		if i < len(beads) {
			id := string(rune('1' + i))
			series.Joins = append(series.Joins, &piece.Join{ID: piece.ID("j" + id), Fittings: []piece.Fitting{{ID: piece.ID("b" + id), Of: series.Palette[beads[i]]}}})
		}
	}
	if faults := series.Check(); len(faults) > 0 {
		t.Fatal(faults)
	}
	return series, whole
}

// A strand whose cord runs on through shared beads measures, weighs and is cut as the
// same beads on one strand, but for the slack at the joints of the shared beads.
func TestACordThatRunsOnIsOneStrand(t *testing.T) {
	r := rand.New(rand.NewPCG(5, 12))
	unit := []string{"R", "O", "R O", "3R", "2O R"}
	for range 40 {
		n := 2 + r.IntN(2)
		var parts, beads []string
		for i := range n {
			text := ""
			for range 2 + r.IntN(4) {
				text += unit[r.IntN(len(unit))] + " "
			}
			parts = append(parts, text)
			if i < n-1 {
				beads = append(beads, []string{"R", "O"}[r.IntN(2)])
			}
		}
		series, whole := split(t, parts, beads)
		zero := length.MM(0)
		for _, p := range []*piece.Piece{series, whole} {
			p.House.Tail = piece.TailTrimmed
			for _, row := range p.Rows() {
				row.Slack = &zero
			}
		}
		a, err := Measure(series)
		if err != nil {
			t.Fatal(err)
		}
		b, err := Measure(whole)
		if err != nil {
			t.Fatal(err)
		}
		for _, s := range a.Strands {
			if d := s.Finished() - b.Finished; math.Abs(float64(d)) > 1e-9 {
				t.Fatalf("%v with %v: %s measures %v, as one strand %v", parts, beads, s.Row.ID, s.Finished(), b.Finished)
			}
		}
		if d := a.Strands[0].CutLength() - b.Strands[0].CutLength(); math.Abs(float64(d)) > 1e-9 {
			t.Errorf("cut to %v, as one strand %v: %v", a.Strands[0].CutLength(), b.Strands[0].CutLength(), a.Strands[0].Cut())
		}
		if a.Strands[1].CutLength() != 0 || a.Strands[1].Start.By != StartNone {
			t.Errorf("its cord is that of the row before: %v", a.Strands[1].Cut())
		}
		if math.Abs(a.MassG-b.MassG) > 1e-9 {
			t.Errorf("it weighs %v, as one strand %v", a.MassG, b.MassG)
		}
		count := map[string]int{}
		for _, c := range b.Tally {
			count[c.Material.ID] = c.Count
		}
		for _, c := range a.Tally {
			if count[c.Material.ID] != c.Count {
				t.Errorf("%d × %s, as one strand %d", c.Count, c.Material.ID, count[c.Material.ID])
			}
		}
		ia, ok := a.Inside()
		ib, _ := b.Inside()
		if !ok || math.Abs(float64(ia-ib)) > 1.2 {
			t.Errorf("inside %v, as one strand %v", ia, ib)
		}
		for _, o := range a.Strands[0].Others() {
			alone := a.Strand(o.Strand.Row.ID)
			first := b.Strands[0].Beads[len(b.Strands[0].Beads)-len(alone.Beads)]
			if n == 2 && math.Abs(float64(o.Start+alone.Beads[0].At-first.At)) > 1e-9 {
				t.Errorf("the second section begins at %v, as one strand at %v", o.Start+alone.Beads[0].At, first.At)
			}
		}
	}
}

// A series joined by rings, chain and a connector is the sum of its parts.
func TestASeriesIsTheSumOfItsSections(t *testing.T) {
	p := threeRows(t, "20R")
	finding := func(id piece.ID, f material.Finding, links int) piece.Fitting {
		return piece.Fitting{ID: id, Of: &material.Material{ID: string(id), Name: string(id), Class: material.ClassFinding, Finding: &f}, Links: links}
	}
	next := *p.Leading()
	next.ID, next.Line = "n1", testparts.Line(t, "15R")
	next.Left, next.Right = []piece.Fitting{{ID: "nl", Of: p.Leading().Left[0].Of}}, []piece.Fitting{{ID: "nr", Of: p.Leading().Right[0].Of}}
	p.Sections = append(p.Sections, piece.Section{Rows: []*piece.Row{&next}})
	p.Joins = []*piece.Join{{ID: "j", Fittings: []piece.Fitting{finding("x1", material.Finding{Type: material.JumpRing, Inside: 4, Wire: 0.8}, 0),
		finding("x2", material.Finding{Type: material.Chain, Inside: 3, Wire: 0.6, Joint: "open"}, 7), finding("x3", material.Finding{Type: material.Connector, Length: 6, Holes: 3, Spacing: 5}, 0)}}}
	m := measured(t, p)
	a, b := m.Strands[0], m.Strands[1]
	closure := length.MM(6 + 9 + 12 + 6) // ring, lobster, four links, ring
	own := func(s *Strand) length.MM { return s.Strung + 2*(2+p.House.Loop) }
	want := own(a) + own(b) + 4 + 21 + 6 + closure
	if math.Abs(float64(a.tight-want)) > 1e-9 || math.Abs(float64(b.tight-want)) > 1e-9 {
		t.Errorf("pulled tight %v and %v, want %v", a.tight, b.tight, want)
	}
	for _, s := range m.Strands {
		if math.Abs(float64(s.Finished()-want-a.Slack-b.Slack)) > 1e-9 {
			t.Errorf("%s measures %v, want %v and both slacks", s.Row.ID, s.Finished(), want)
		}
	}
	loop := float64(want)
	if a.SlackNeeded <= 0 || math.Abs(float64(a.SlackNeeded)-19*math.Tan(math.Pi*float64(a.parts[5].length)/loop)) > 0.1 {
		t.Errorf("its slack is worked out for the whole loop: %v of %v", a.SlackNeeded, loop)
	}
	for id, n := range map[string]int{"x1": 1, "x2": 7, "x3": 1, "round": 35, "wire": 2, "crimp": 4, "ring": 2} {
		found := 0
		for _, c := range m.Tally {
			if c.Material.ID == id {
				found = c.Count
			}
		}
		if found != n {
			t.Errorf("%d × %s, want %d", found, id, n)
		}
	}
	if got := p.TargetOf(&next); got == nil || got.Finished != 400 || len(m.Main()) != 1 {
		t.Errorf("asked of the second section: %v", got)
	}
}

// Beyond a section of one row each row goes on in the row of its own number: the second loop is longer by
// what both its rows are.
func TestLoopsGoOnInTheirOwnRowBeyondASingleOne(t *testing.T) {
	p := threeRows(t, "30R", "34R")
	section := func(lines ...string) piece.Section {
		out := piece.Section{}
		for _, line := range lines {
			row := *p.Leading()
			row.ID, row.Line = piece.ID("n"+line), testparts.Line(t, line)
			row.Left, row.Right = []piece.Fitting{{ID: piece.ID("a" + line), Of: p.Leading().Left[0].Of}}, []piece.Fitting{{ID: piece.ID("b" + line), Of: p.Leading().Left[0].Of}}
			out.Rows = append(out.Rows, &row)
		}
		return out
	}
	p.Sections = append(p.Sections, section("10R"), section("20R", "25R"))
	ring := &material.Material{ID: "ring", Name: "ring", Class: material.ClassFinding, Finding: &material.Finding{Type: material.JumpRing, Inside: 9, Wire: 1.2}}
	p.Joins = []*piece.Join{{ID: "j", Fittings: []piece.Fitting{{ID: "k", Of: ring}}}, {ID: "i", Fittings: []piece.Fitting{{ID: "m", Of: ring}}}}
	m := measured(t, p)
	for k, want := range []string{"n20R", "n25R"} {
		others := m.Strands[k].Others()
		if len(others) != 2 || string(others[0].Strand.Row.ID) != "n10R" || string(others[1].Strand.Row.ID) != want {
			t.Errorf("row %d lies in a loop with %v", k+1, others)
		}
	}
	round := p.Palette["R"].Bead.Length()
	if by := m.Strands[1].Finished() - m.Strands[0].Finished() - 9*round; math.Abs(float64(by)) > 0.5 {
		t.Errorf("the second loop is longer by %v than its beads", by)
	}
}

// Rows beside rows across a connector: each loop goes through the rows of its own
// number, and of fewer through the last.
func TestLoopsGoThroughTheRowsOfTheirNumber(t *testing.T) {
	p := threeRows(t, "30R", "32R", "34R")
	bar := &material.Material{ID: "bar", Name: "bar", Class: material.ClassFinding, Finding: &material.Finding{Type: material.Connector, Length: 6, Holes: 3, Spacing: 5}}
	section := piece.Section{}
	for i, line := range []string{"5R", "9R"} {
		row := *p.Leading()
		row.ID, row.Line = piece.ID("n"+string(rune('1'+i))), testparts.Line(t, line)
		row.Left, row.Right = []piece.Fitting{{ID: piece.ID("a" + line), Of: p.Leading().Left[0].Of}}, []piece.Fitting{{ID: piece.ID("b" + line), Of: p.Leading().Left[0].Of}}
		section.Rows = append(section.Rows, &row)
	}
	p.Sections = append(p.Sections, section)
	p.Joins = []*piece.Join{{ID: "j", Fittings: []piece.Fitting{{ID: "k", Of: bar}}}}
	m := measured(t, p)
	for k, beyond := range []string{"n1", "n2", "n2"} {
		if others := m.Strands[k].Others(); len(others) != 1 || string(others[0].Strand.Row.ID) != beyond {
			t.Errorf("row %d lies in a loop with %v", k+1, others)
		}
	}
	if p.Hole(p.Rows()[2], piece.Right) != 3 || p.Hole(p.Rows()[4], piece.Left) != 2 || len(p.EmptyHoles("k", piece.Left)) != 1 || len(p.EmptyHoles("k", piece.Right)) != 0 {
		t.Errorf("in holes %d and %d, empty %v", p.Hole(p.Rows()[2], piece.Right), p.Hole(p.Rows()[4], piece.Left), p.EmptyHoles("k", piece.Left))
	}
	if m.Leading().Row.ID != "r1" || len(m.Main()) != 3 {
		t.Error("the section with the most rows is asked for")
	}
}
