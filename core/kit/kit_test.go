package kit_test

import (
	"fmt"
	"strings"
	"testing"

	"mala/core/kit"
	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
	"mala/core/testparts"
)

func finding(id string, f material.Finding) *material.Material {
	return &material.Material{ID: id, Name: id, Class: material.ClassFinding, Finding: &f}
}

func fittings(prefix string, of ...*material.Material) []piece.Fitting {
	var out []piece.Fitting
	for i, m := range of {
		out = append(out, piece.Fitting{ID: piece.ID(fmt.Sprint(prefix, i)), Of: m})
	}
	return out
}

var (
	crimp    = finding("crimp", material.Finding{Type: material.CrimpTube, Inside: 1.3, Outside: 1.8, Length: 2})
	ring     = finding("ring", material.Finding{Type: material.JumpRing, Inside: 3, Wire: 0.7, Joint: "open"})
	lobster  = finding("lobster", material.Finding{Type: material.Lobster, Closed: 8})
	extender = finding("extender", material.Finding{Type: material.Extender, Inside: 3, Wire: 0.6, Links: 12})
	pin      = finding("pin", material.Finding{Type: material.HeadPin, Length: 30, Wire: 0.6, Outside: 1.5})
	wire     = &material.Material{ID: "wire", Name: "wire", Class: material.ClassCord, Cord: &material.Cord{Type: material.Wire, Diameter: 0.38}}
	floss    = &material.Material{ID: "floss", Name: "floss", Class: material.ClassCord, Cord: &material.Cord{Type: material.Thread, Diameter: 0.3}}
)

// strung is a bracelet of pearls with a drop of a garnet on a pin, tied on with floss, in its
// middle, closed at an extender.
func strung(t *testing.T, line string) *measure.Measured {
	t.Helper()
	bead := func(id string, across length.MM) *material.Material {
		return testparts.Bead(t, id, material.Bead{Shape: material.Round, Across: across, Hole: 1}, 0.1)
	}
	garnet := bead("garnet", 6)
	drop := bead("drop", 5)
	drop.Class = material.ClassComponent
	drop.Component = &material.Component{Kind: material.PinDrop, Parts: []material.PartCount{{Of: garnet, Count: 2}, {Of: pin, Count: 1}, {Of: floss, Count: 1, Length: 40}}}
	row := &piece.Row{ID: "r1", Line: testparts.Line(t, line), Passes: 1, Cord: wire, Left: fittings("l", crimp), Right: fittings("r", crimp)}
	m, err := measure.Measure(&piece.Piece{Kind: piece.Bracelet, House: piece.DefaultHouse(),
		Closure:  piece.Closure{Type: piece.Clasp, Left: fittings("cl", lobster, ring), Right: fittings("cr", extender, ring)},
		Palette:  map[string]*material.Material{"P": bead("pearl", 4), "G": garnet, "D": drop, "B": bead("barrel", 4.1)},
		Sections: []piece.Section{{Rows: []*piece.Row{row}}}})
	if err != nil {
		t.Fatal(err)
	}
	return m
}

// billed writes a bill: each material with its class, its count, what components take of it, and
// its spares; cords with their cuts.
func billed(k *kit.Kit) string {
	var out []string
	for _, l := range k.Bill() {
		text := fmt.Sprintf("%s %s %d", l.Of.ID, l.Class, l.Count)
		if l.For > 0 {
			text += fmt.Sprintf(" (%d made)", l.For)
		}
		if l.Spare > 0 {
			text += fmt.Sprintf(" +%d", l.Spare)
		}
		if l.Own {
			text += " own"
		}
		for _, c := range l.Cuts {
			text += fmt.Sprintf(" %dx%v", c.N, c.Length)
			if c.More > 0 {
				text += fmt.Sprintf("+%v", c.More)
			}
			if c.Made {
				text += " made"
			}
		}
		out = append(out, text)
	}
	return strings.Join(out, "\n")
}

func TestABillBreaksComponentsDown(t *testing.T) {
	m := strung(t, "20P G D 20P")
	s := m.Leading()
	cut, least := s.CutLength(), s.LeastCut()
	k := &kit.Kit{Pieces: []kit.Piece{{Of: m, Quantity: 3}}, Rules: kit.DefaultRules()}
	want := strings.Join([]string{"pin finding 3 (3 made)", "floss cord 3 (3 made) 3x40 mm made", "pearl seed 120 +6", "garnet bead 9 (6 made) +1", "crimp crimp 6 +1", "lobster finding 3", "ring ring 6 +1", "extender extender 3 +1", fmt.Sprintf("wire cord 3 3x%v", cut)}, "\n")
	if got := billed(k); sorted(got) != sorted(want) || !inOrder(got, "pin", "floss", "pearl", "crimp", "wire") {
		t.Errorf("%s\nwant\n%s", got, want)
	}
	if least >= cut {
		t.Fatalf("cut %v, of at least %v", cut, least)
	}
	k.Learner = true
	if got := billed(k); !strings.Contains(got, fmt.Sprintf("wire cord 3 3x%v+%v", cut, cut-least)) || !strings.Contains(got, "3x40 mm made") {
		t.Errorf("for a learner: %s", got)
	}
	k.Rules = []kit.Rule{{Class: kit.ClassCord, Least: 9, Hundredth: 1000}}
	more := length.MM(int(float64(cut)*0.1) + 1)
	if got := billed(k); !strings.Contains(got, fmt.Sprintf("3x%v+%v", cut, cut-least+more)) || !strings.Contains(got, "3x40 mm+4 mm made") || strings.Contains(got, "cord 3 +") {
		t.Errorf("with a tenth more: %s, want %v more", got, cut-least+more)
	}
	k.Premade, k.Own = map[string]bool{"drop": true}, map[string]bool{"pearl": true}
	k.Rules = kit.DefaultRules()
	got := billed(k)
	for _, part := range []string{"drop focal 3", "garnet focal 3", "pearl seed 120 own"} {
		if !strings.Contains(got, part) {
			t.Errorf("no %q in %s", part, got)
		}
	}
	if strings.Contains(got, "pin") || strings.Contains(got, "floss") {
		t.Errorf("what the shop makes is broken down: %s", got)
	}
}

func sorted(text string) string {
	lines := strings.Split(text, "\n")
	for i := range lines {
		for k := range i {
			if lines[i] < lines[k] {
				lines[i], lines[k] = lines[k], lines[i]
			}
		}
	}
	return strings.Join(lines, "\n")
}

func inOrder(text string, parts ...string) bool {
	for _, part := range parts {
		_, rest, found := strings.Cut(text, part)
		if !found {
			return false
		}
		text = rest
	}
	return true
}

func TestClassesAndTheirEdges(t *testing.T) {
	two := &kit.Kit{Pieces: []kit.Piece{{Of: strung(t, "P B G"), Quantity: 1}, {Of: strung(t, "2P B G"), Quantity: 2}}, Rules: kit.DefaultRules()}
	class, by := map[string]kit.Class{}, map[string][]int{}
	for _, l := range two.Bill() {
		class[l.Of.ID], by[l.Of.ID] = l.Class, l.ByPiece
	}
	// A bead of 4 mm is a seed, one of 4.1 is not; what no piece has twice is a focal one.
	if class["pearl"] != kit.ClassSeed || class["barrel"] != kit.ClassFocal || class["garnet"] != kit.ClassFocal {
		t.Errorf("%v", class)
	}
	if fmt.Sprint(by["pearl"], by["barrel"]) != "[1 4] [1 2]" {
		t.Errorf("%v", by)
	}
	more := &kit.Kit{Pieces: []kit.Piece{{Of: strung(t, "P 2B D 2D"), Quantity: 1}}, Premade: map[string]bool{"drop": true}}
	for _, l := range more.Bill() {
		class[l.Of.ID] = l.Class
	}
	if class["barrel"] != kit.ClassBead || class["drop"] != kit.ClassComponent || class["pearl"] != kit.ClassFocal {
		t.Errorf("%v", class)
	}
}

func TestSparesOfWhatComesInParts(t *testing.T) {
	l := &kit.Line{Of: extender, Class: kit.ClassExtender, Count: 2, Spare: 1}
	for kits, want := range map[int]int{0: 0, 1: 3, 11: 23, 12: 25, 13: 28} {
		if got := l.Takes(kits); got != want {
			t.Errorf("%d kits take %d, want %d", kits, got, want)
		}
	}
	whole := &kit.Line{Of: ring, Class: kit.ClassRing, Count: 2, Spare: 1}
	if l.PackedParts() != 25 || whole.Takes(4) != 12 || whole.Parts() != 1 {
		t.Errorf("%d, %d", l.PackedParts(), whole.Takes(4))
	}
	if l.Own = true; l.PackedParts() != 0 || l.Takes(5) != 0 {
		t.Error("what the buyer has is packed")
	}
}

// packed writes the bags: each with what lies in it, counted and spare.
func packed(k *kit.Kit) string {
	var out []string
	for _, b := range k.Pack(k.Bill()) {
		text := b.Name + ":"
		for _, i := range b.Items {
			text += fmt.Sprintf(" %s %d+%d", i.Line.Of.ID, i.Count, i.Spare)
			for _, c := range i.Cuts {
				text += fmt.Sprintf("/%d", c.N)
			}
		}
		if b.Why != "" {
			text += " | " + b.Why
		}
		out = append(out, text)
	}
	return strings.Join(out, "\n")
}

func TestEveryLineLiesInItsBag(t *testing.T) {
	k := &kit.Kit{Pieces: []kit.Piece{{Of: strung(t, "20P G D 20P"), Quantity: 1}}, Rules: kit.DefaultRules()}
	want := `Components: pin 1+0 floss 1+0/1 garnet 2+0
Beads: pearl 40+3 garnet 1+1
Findings and cord: crimp 2+0 lobster 1+0 ring 2+0 extender 1+0 wire 1+0/1
For repairs: crimp 0+1 ring 0+1 extender 0+1 | Keep it: a ring that bends open, a crimp that was pressed badly or a link of the extender that gives way is replaced from it. Hung in the last link, the spare one makes the piece longer.`
	if got := words(packed(k)); got != words(want) {
		t.Errorf("%s\nwant\n%s", packed(k), want)
	}
	k.Bags = []kit.Bag{{Name: "Pearls", Of: []string{"pearl", "wire"}}, {Name: "Nothing", Of: []string{"other"}}}
	k.Own = map[string]bool{"lobster": true}
	k.Rules = []kit.Rule{{Class: kit.ClassCrimp, Least: 2}, {Class: kit.ClassRing, Least: 1}}
	got := packed(k)
	if !strings.Contains(got, "Pearls: pearl 40+0 wire 1+0/1") || strings.Contains(got, "lobster") || strings.Contains(got, "Nothing") ||
		!strings.Contains(got, "| Keep it: a ring that bends open or a crimp that was pressed badly is replaced from it.") || !inOrder(got, "Components:", "Pearls:", "Beads:", "Findings", "For repairs") {
		t.Errorf("%s", got)
	}
	k.Rules = []kit.Rule{{Class: kit.ClassExtender, Least: 1}}
	if got := packed(k); !strings.Contains(got, "Keep it: a link of the extender that gives way is replaced") {
		t.Errorf("%s", got)
	}
	k.Rules = nil
	if got := packed(k); strings.Contains(got, "For repairs") {
		t.Errorf("%s", got)
	}
}

// words puts what lies in each bag in one order.
func words(text string) string {
	var out []string
	for _, line := range strings.Split(text, "\n") {
		bag, why, _ := strings.Cut(line, " | ")
		name, rest, _ := strings.Cut(bag, ": ")
		items := strings.Fields(rest)
		for i := 0; i+1 < len(items); i += 2 {
			items[i] += " " + items[i+1]
		}
		var pairs []string
		for i := 0; i < len(items); i += 2 {
			pairs = append(pairs, items[i])
		}
		out = append(out, name+": "+strings.ReplaceAll(sorted(strings.Join(pairs, "\n")), "\n", ", ")+" | "+why)
	}
	return strings.Join(out, "\n")
}

func TestWorkIsCounted(t *testing.T) {
	k := &kit.Kit{Pieces: []kit.Piece{{Of: strung(t, "20P G D 20P"), Quantity: 2}}, Rules: kit.DefaultRules(), Own: map[string]bool{"pearl": true}}
	bill := k.Bill()
	if got := k.Work(bill, 4, false); fmt.Sprint(got) != fmt.Sprint(map[kit.Work]int{kit.Counting: 8, kit.Cutting: 4, kit.Packing: 4}) {
		t.Errorf("%v", got)
	}
	k.Premade = map[string]bool{"drop": true}
	if got := k.Work(k.Bill(), 4, false); got[kit.Making] != 2 || got[kit.Stringing] != 0 || got[kit.Crimping] != 0 {
		t.Errorf("%v", got)
	}
	k.Premade = nil
	if got := k.Work(bill, 1, true); fmt.Sprint(got) != fmt.Sprint(map[kit.Work]int{kit.Counting: 8, kit.Cutting: 4, kit.Packing: 1, kit.Making: 2, kit.Stringing: 84, kit.Crimping: 4, kit.Knotting: 0, kit.Opening: 4}) {
		t.Errorf("made up: %v", got)
	}
}

// Cords are cut for every row of every piece apart, chain by its links and lengths; a cord that is
// the other half of a fold is cut once.
func TestCutsAreThoseOfTheirRows(t *testing.T) {
	chain := finding("chain", material.Finding{Type: material.Chain, Inside: 3, Wire: 0.6})
	rows := func(change func(second, third *piece.Row)) *measure.Measured {
		m := strung(t, "20P")
		first := *m.Piece.Leading()
		second, third := first, piece.Row{ID: "r3", Passes: 1}
		second.ID, second.Left, second.Right = "r2", fittings("m", crimp), fittings("s", crimp)
		third.OfChain()
		third.Left = []piece.Fitting{{ID: "x1", Of: chain, Links: 30}}
		change(&second, &third)
		m.Piece.Sections[0].Rows = []*piece.Row{&first, &second, &third}
		out, err := measure.Measure(m.Piece)
		if err != nil {
			t.Fatal(err)
		}
		return out
	}
	alike := rows(func(_, _ *piece.Row) {})
	cut := alike.Leading().CutLength()
	k := &kit.Kit{Pieces: []kit.Piece{{Of: alike, Quantity: 2}, {Of: strung(t, "20P"), Quantity: 1}}}
	var got []string
	for _, l := range k.Bill() {
		for _, c := range l.Cuts {
			got = append(got, fmt.Sprintf("%s %d/%d %dx%.2f", l.Of.ID, c.Piece, c.Row, c.N, float64(c.Length)))
		}
		if l.Of == chain && (l.Count != 60 || fmt.Sprint(l.ByPiece) != "[60 0]") {
			t.Errorf("%+v", l)
		}
		if l.Of == wire && (l.Count != 5 || l.Total() < 5*cut-1 || l.Total() > 5*cut+1) {
			t.Errorf("%+v, want 5 of %v", l, cut)
		}
	}
	links := alike.ChainPieces(chain)[0]
	want := []string{fmt.Sprintf("chain 0/%d 2x%.2f", links.Strand, float64(links.Length)), fmt.Sprintf("wire 0/0 2x%.2f", float64(cut)), fmt.Sprintf("wire 0/1 2x%.2f", float64(alike.Strands[1].CutLength())),
		fmt.Sprintf("wire 1/0 1x%.2f", float64(k.Pieces[1].Of.Leading().CutLength()))}
	if sorted(strings.Join(got, "\n")) != sorted(strings.Join(want, "\n")) {
		t.Errorf("%v\nwant %v", got, want)
	}
	doubled := rows(func(second, _ *piece.Row) { second.Passes = 2 })
	n := 0
	for _, l := range (&kit.Kit{Pieces: []kit.Piece{{Of: doubled, Quantity: 1}}}).Bill() {
		for _, c := range l.Cuts {
			if l.Of == wire && c.Row == 1 {
				n += c.N
			}
		}
	}
	legs := doubled.Strands[1].Legs()
	if wants := map[bool]int{true: 1, false: 2}[legs == nil || legs.Folded]; n != wants {
		t.Errorf("%d lengths for a doubled row, %+v", n, legs)
	}
}

func TestKnotsAreCounted(t *testing.T) {
	elastic := &material.Material{ID: "elastic", Name: "elastic", Class: material.ClassCord, Cord: &material.Cord{Type: material.Elastic, Diameter: 0.7}}
	m := strung(t, "40P")
	row := *m.Piece.Leading()
	row.Cord, row.Left, row.Right = elastic, nil, nil
	m.Piece.Closure, m.Piece.Sections[0].Rows = piece.Closure{Type: piece.Knot}, []*piece.Row{&row}
	stretch, err := measure.Measure(m.Piece)
	if err != nil {
		t.Fatal(err)
	}
	k := &kit.Kit{Pieces: []kit.Piece{{Of: stretch, Quantity: 3}}}
	if got := k.Work(k.Bill(), 2, true); got[kit.Knotting] != 3 || got[kit.Crimping] != 0 || got[kit.Stringing] != 120 {
		t.Errorf("%v", got)
	}
	inner := testparts.Bead(t, "inner", material.Bead{Shape: material.Round, Across: 3, Hole: 1}, 0)
	inner.Component = &material.Component{Kind: material.PinDrop, Parts: []material.PartCount{{Of: pin, Count: 1}}}
	outer := testparts.Bead(t, "outer", material.Bead{Shape: material.Round, Across: 3, Hole: 1}, 0)
	outer.Component = &material.Component{Kind: material.Pendant, Parts: []material.PartCount{{Of: inner, Count: 2}, {Of: ring, Count: 1}}}
	stretch.Tally = append(stretch.Tally, measure.Count{Material: outer, Count: 1})
	if got := k.Work(k.Bill(), 2, true); got[kit.Making] != 9 {
		t.Errorf("%v: three of one that is made of two", got)
	}
	for _, l := range k.Bill() {
		if l.Of == pin && l.Count != 6 || l.Of == inner || l.Of == outer {
			t.Errorf("%d of %s", l.Count, l.Of.ID)
		}
	}
}
