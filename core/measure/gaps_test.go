package measure

import (
	"fmt"
	"math"
	"math/rand/v2"
	"strings"
	"testing"

	"mala/core/length"
	"mala/core/material"
	"mala/core/pattern"
	"mala/core/piece"
	"mala/core/testparts"
)

// discs is a strand of nine discs 5 long and rounds of 6, on a line.
func discs(t *testing.T, line string) *piece.Piece {
	t.Helper()
	p := threeRows(t, "R")
	p.Palette["D"] = bead(t, "disc", material.Bead{Shape: material.Tube, Across: 8, Along: 5, Hole: 1}, 1)
	p.Rows()[0].Line = testparts.Line(t, line)
	return p
}

// The figures of the job: clear gaps lie between beads, pitches from middle to middle.
func TestGapsMeasured(t *testing.T) {
	for line, want := range map[string]length.MM{
		"8(D _14mm) D":     157,
		"8(D @14mm) D":     117,
		"8(D _5.6mm) D":    45 + 8*5.6,
		"D _3mm _4mm D":    17,
		"_10mm D":          15,
		"D 2_10mm":         25,
		"<2(D _14mm) | D>": 25 + 56,
		"D @5mm D":         10,
	} {
		m := measured(t, discs(t, line))
		s := m.Strands[0]
		if math.Abs(float64(s.Strung-want)) > 1e-9 {
			t.Errorf("%s is %v long, want %v", line, s.Strung, want)
		}
		if n := strings.Count(line, "D"); s.Count() > len(s.Beads) || s.Count() < n {
			t.Errorf("%s has %d beads", line, s.Count())
		}
		for _, c := range m.Tally {
			if c.Material.ID == "" || c.Material.ID == "disc" && c.Count != s.Count() {
				t.Errorf("%s: counted %+v", line, c)
			}
		}
		if len(m.Unweighed) > 0 && m.Unweighed[0] == "" {
			t.Errorf("%s: a gap is not weighed", line)
		}
	}
}

// A pitch is measured from middles whatever stands there, and clear gaps from face to
// face: both against a plain sum over random beads.
func TestRandomGapsAgainstAPlainSum(t *testing.T) {
	r := rand.New(rand.NewPCG(4, 40))
	for range 200 {
		p := discs(t, "D")
		half := map[string]float64{"D": 2.5, "R": float64(p.Palette["R"].Bead.Face(true).Reach())}
		keys, text, sum := []string{}, []string{}, 0.0
		for i := range 2 + r.IntN(8) {
			key := string("DR"[r.IntN(2)])
			if i > 0 {
				before := keys[len(keys)-1]
				if mm := 1 + r.IntN(40); r.IntN(2) == 0 {
					text = append(text, fmt.Sprintf("_%dmm", mm))
					sum += half[before] + float64(mm) + half[key]
				} else {
					text = append(text, fmt.Sprintf("@%dmm", mm+12))
					sum += float64(mm + 12)
				}
			}
			keys, text = append(keys, key), append(text, key)
		}
		sum += half[keys[0]] + half[keys[len(keys)-1]]
		p.Rows()[0].Line = testparts.Line(t, strings.Join(text, " "))
		m := measured(t, p)
		if got := float64(m.Strands[0].Strung); math.Abs(got-sum) > 1e-9 {
			t.Fatalf("%v is %v long, want %v", text, got, sum)
		}
		if held := m.Strands[0].Holders(); len(held) != 2*(len(keys)-1) {
			t.Fatalf("%v: held at %d places", text, len(held))
		}
		back := testparts.Line(t, "~("+strings.Join(text, " ")+")")
		p.Rows()[0].Line = back
		if m = measured(t, p); math.Abs(float64(m.Strands[0].Strung)-sum) > 1e-9 {
			t.Fatalf("reversed %v", m.Strands[0].Strung)
		}
	}
}

// onElastic measures the piece's first row as a ring of elastic.
func onElastic(t *testing.T, p *piece.Piece, thick length.MM) *Measured {
	t.Helper()
	cord, err := material.NewCord(material.Cord{Type: material.Elastic, Diameter: thick})
	if err != nil {
		t.Fatal(err)
	}
	p.Closure = piece.Closure{Type: piece.Knot}
	row := p.Rows()[0]
	row.Left, row.Right = nil, nil
	row.Cord = &material.Material{ID: "elastic", Name: "elastic", Class: material.ClassCord, Cord: cord}
	m := measured(t, p)
	return m
}

// A ring with gaps is as long wherever its line begins, and its cord bends where it is
// bare: long gaps between small beads lie nearly on a circle.
func TestGapsInARing(t *testing.T) {
	line := []string{"D", "_14mm", "R", "@20mm", "D", "_5mm", "R", "R", "_9mm"}
	first, inner := length.MM(0), length.MM(0)
	for turn := range line {
		p := discs(t, strings.Join(append(append([]string{}, line[turn:]...), line[:turn]...), " "))
		m := onElastic(t, p, 0.7)
		s := m.Strands[0]
		inside, ok := m.Inside()
		if turn == 0 {
			first, inner = s.Strung, inside
		}
		if math.Abs(float64(s.Strung-first)) > 1e-9 || len(s.Holders()) != 8 {
			t.Errorf("turned by %d: %v long, want %v; held at %d places", turn, s.Strung, first, len(s.Holders()))
		}
		if !ok || math.Abs(float64(inside-inner)) > 1e-3 || inside > first-math.Pi*0.7+1e-6 || inside < first-math.Pi*8-2 {
			t.Errorf("turned by %d: inside %v of %v", turn, inside, first)
		}
	}
}

// A tail goes back through beads only as far as the first gap.
func TestATailEndsWhereAGapBegins(t *testing.T) {
	for line, want := range map[string]struct {
		mm    length.MM
		beads int
	}{"4D _14mm 9D": {20, 4}, "9D _14mm D": {25, 5}, "_14mm 9D": {0, 0}, "5D _1mm D": {25, 5}} {
		p := discs(t, line)
		p.House.Tail, p.House.TailLength = piece.TailTucked, 25
		m := measured(t, p)
		if e := m.Strands[0].Left; math.Abs(float64(e.Tail-want.mm)) > 1e-9 || len(e.TailBeads) != want.beads {
			t.Errorf("%s: the tail goes back %v through %d beads, want %+v", line, e.Tail, len(e.TailBeads), want)
		}
		p.House.Tail, p.House.TailBeads = piece.TailBeads, 5
		if m = measured(t, p); len(m.Strands[0].Left.TailBeads) != want.beads {
			t.Errorf("%s: five beads are %d", line, len(m.Strands[0].Left.TailBeads))
		}
	}
	m := measured(t, discs(t, "8(D _14mm) D"))
	if s := m.Strands[0]; s.SlackLeast() != 0 || s.SlackNeeded != 0 {
		t.Errorf("bending opens %v, at least %v, where every bead stands alone", s.SlackNeeded, s.SlackLeast())
	}
}

// Knots use ten cords each, crimps are counted, friction takes nothing.
func TestWhatHoldsBeadsApart(t *testing.T) {
	crimp := &material.Material{ID: "holder", Name: "holder", Class: material.ClassFinding, Finding: &material.Finding{Type: material.CrimpTube, Inside: 1, Outside: 1.5, Length: 1.5}}
	cuts := map[piece.HolderWay]length.MM{}
	for _, h := range []piece.Holder{{}, {Way: piece.HeldByCrimps, Of: crimp}, {Way: piece.HeldByKnots}, {Way: piece.HeldByFriction}} {
		p := discs(t, "3(D _14mm) D")
		p.Rows()[0].Holder = h
		m := measured(t, p)
		s := m.Strands[0]
		cuts[h.Way] = s.CutLength()
		n := 0
		for _, c := range m.Tally {
			if c.Material == crimp {
				n = c.Count
			}
		}
		if want := map[bool]int{true: 6}[h.Way == piece.HeldByCrimps]; n != want {
			t.Errorf("%s: %d crimps, want %d", h.Way, n, want)
		}
		at := s.Holders()
		if len(at) != 6 || at[0].At != 5 || at[1].At != 19 || at[2].At != 24 || at[0].Side != piece.Right || at[1].Side != piece.Left {
			t.Errorf("held at %+v", at)
		}
	}
	cord := discs(t, "D").Rows()[0].Cord.Cord.Diameter
	if got, want := cuts[piece.HeldByKnots]-cuts[piece.HeldNotYet], 6*(10-2.5)*cord; math.Abs(float64(got-want)) > 1e-9 {
		t.Errorf("six knots take %v, want %v", got, want)
	}
	if cuts[piece.HeldByCrimps] != cuts[piece.HeldByFriction] || cuts[piece.HeldByFriction] != cuts[piece.HeldNotYet] {
		t.Errorf("%v", cuts)
	}
	for _, h := range []piece.Holder{{Way: piece.HeldByCrimps}, {Way: "glue"}, {Way: piece.HeldByKnots, Of: crimp}} {
		p := discs(t, "D _5mm D")
		p.Rows()[0].Holder = h
		if faults := p.Check(); len(faults) != 1 || faults[0].Where != "sections[0].rows[0].holder" {
			t.Errorf("%+v: %v", h, faults)
		}
	}
}

// However long the bare cord, it is parted into no more than a few thousand stretches.
func TestLongBareCordIsPartedCoarsely(t *testing.T) {
	for line, most := range map[string]int{"D _1000mm D": 350, "D 9000_1000mm D": 11_100, "99(D _1000mm)": 2300, "D _2mm D": 14} {
		m := measured(t, discs(t, line))
		if n := len(m.Strands[0].Round()); n > most {
			t.Errorf("%s lies round in %d parts", line, n)
		}
	}
}

func TestPitchesThatCannotBe(t *testing.T) {
	for line, want := range map[string]string{
		"@20mm D":         "between two beads",
		"D @20mm":         "between two beads",
		"D @20mm _5mm D":  "between two beads",
		"D @4.9mm D":      "these beads take 5 mm already",
		"{30mm: D @20mm}": "no gaps from middle to middle in a fill",
	} {
		_, err := Measure(discs(t, line))
		if err == nil || !strings.Contains(err.Error(), want) {
			t.Errorf("%s: %v, want %q", line, err, want)
		}
	}
	p := discs(t, "D")
	p.Rows()[0].LeftEnding = piece.Ending{Way: piece.WayLoop, Loop: &pattern.Line{}}
	p.Rows()[0].LeftEnding.Loop = testparts.Line(t, "9D _5mm")
	if _, err := Measure(p); err == nil || !strings.Contains(err.Error(), "in a loop") {
		t.Errorf("%v", err)
	}
}
