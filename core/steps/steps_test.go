package steps

import (
	"strings"
	"testing"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/pattern"
	"mala/core/piece"
)

func made(t *testing.T, cord material.Cord, closure piece.ClosureType, change func(h *piece.House)) string {
	t.Helper()
	return told(measured(t, cord, closure, func(p *piece.Piece) { change(&p.House) }))
}

func measured(t *testing.T, cord material.Cord, closure piece.ClosureType, change func(p *piece.Piece)) *measure.Measured {
	t.Helper()
	line, err := pattern.Parse("20P H")
	if err != nil {
		t.Fatal(err)
	}
	bead := func(across, hole length.MM, name string) *material.Material {
		b, err := material.NewBead(material.Bead{Shape: material.Round, Across: across, Hole: hole})
		if err != nil {
			t.Fatal(err)
		}
		return &material.Material{ID: name, Name: name, Class: material.ClassBead, Bead: b}
	}
	fitting := func(name string, f material.Finding) *material.Material {
		return &material.Material{ID: name, Name: name, Class: material.ClassFinding, Finding: &f}
	}
	row := piece.Row{Line: line, Passes: 1, Cord: &material.Material{ID: "cord", Name: "Cord", Class: material.ClassCord, Cord: &cord}}
	c := piece.Closure{Type: closure}
	if closure == piece.Clasp {
		crimp := fitting("Crimp", material.Finding{Type: material.CrimpTube, Inside: 1.3, Outside: 1.8, Length: 2})
		row.Left, row.Right = []*material.Material{crimp, fitting("Cover", material.Finding{Type: material.CrimpCover, Outside: 3, Length: 3})}, []*material.Material{crimp}
		ring := fitting("Ring", material.Finding{Type: material.JumpRing, Inside: 3, Wire: 0.7})
		c.Left = []*material.Material{fitting("Lobster", material.Finding{Type: material.Lobster, Closed: 8}), ring}
		c.Right = []*material.Material{ring}
	}
	p := &piece.Piece{Kind: piece.Bracelet, House: piece.DefaultHouse(), Closure: c, Target: &piece.Target{Finished: 180},
		Palette:  map[string]*material.Material{"P": bead(8, 1, "Pearl"), "H": bead(9, 2.5, "Barrel")},
		Sections: []piece.Section{{Rows: []piece.Row{row}}}}
	change(p)
	m, err := measure.Measure(p)
	if err != nil {
		t.Fatal(err)
	}
	return m
}

func told(m *measure.Measured) string {
	var out []string
	for _, s := range For(m, length.InMillimetres) {
		text := s.Says
		if s.Must != nil {
			text = "GATE " + text + ": " + strings.Join(s.Must, "; ")
		}
		out = append(out, text)
	}
	return strings.Join(out, "\n")
}

// inOrder says whether the parts stand in the text one after another.
func inOrder(t *testing.T, text string, parts ...string) {
	t.Helper()
	at := 0
	for _, part := range parts {
		i := strings.Index(text[at:], part)
		if i < 0 {
			t.Errorf("%q does not come in its place in:\n%s", part, text)
			return
		}
		at += i + len(part)
	}
}

func TestACrimpedStrandIsCheckedBeforeTheCutAndTheSecondCrimp(t *testing.T) {
	text := made(t, material.Cord{Type: material.Wire, Diameter: 0.38}, piece.Clasp, func(*piece.House) {})
	inOrder(t, text, "Count out 21 beads", "GATE Before you cut: ", "Cut ", ": cord. Use cutters, never scissors", "Stop the left end with a bead stopper",
		"String the runs from the left", "Left end: thread the crimp, Ring, and go back through the crimp. Tuck the tail back through", "fold it over", "Close Cover over the crimp",
		"GATE Before the right crimp is closed: ", "tried on", "of slack stands", "Right end:", "Clip the tails", "Left end: hang Lobster on Ring. Open the ring sideways", "GATE Before it leaves the bench: ")
}

func TestTheHousesWayIsTold(t *testing.T) {
	text := made(t, material.Cord{Type: material.Wire, Diameter: 0.38}, piece.Clasp, func(h *piece.House) {
		h.Stopper, h.Tail, h.Crimp = piece.StopSpool, piece.TailTrimmed, piece.CrimpFlat
	})
	inOrder(t, text, "on its spool, cord; the spool stops the left end", "from the left to the right", "Right end: thread the crimp, Ring, and go back through the crimp. Trim the tail close.", "Press the crimp flat",
		"GATE Before you cut", "cut from the spool", "GATE Before the left crimp")
	if strings.Contains(text, "Stop the left end") {
		t.Error("the spool is the stop")
	}
}

func TestAToggleHangsItsRingAtOneEndAndItsBarAtTheOther(t *testing.T) {
	toggle := material.Material{ID: "t", Name: "Toggle", Class: material.ClassFinding,
		Finding: &material.Finding{Type: material.Toggle, RingInside: 9, RingEye: 2, Wire: 1.5, Bar: 18, BarThickness: 2, BarEye: 2}}
	m := measured(t, material.Cord{Type: material.Wire, Diameter: 0.38}, piece.Clasp, func(p *piece.Piece) {
		p.Closure.Right = append([]*material.Material{}, p.Closure.Left[1])
		p.Closure.Left = []*material.Material{&toggle}
	})
	inOrder(t, told(m), "Left end: thread the crimp, the ring of Toggle,", "Right end: thread the crimp, Ring,", "Right end: hang the bar of Toggle on Ring.")
}

func TestAKnottedStrandHasItsGateBeforeTheGlue(t *testing.T) {
	elastic := material.Cord{Type: material.Elastic, Diameter: 0.7}
	inOrder(t, made(t, elastic, piece.Knot, func(*piece.House) {}), "GATE Before you cut", "Stretch the elastic", "GATE Before you knot: ",
		"surgeon's knot", "GATE Before the glue: the knot holds", "one drop of glue", "pull the knot into Barrel, bead 21")
	text := made(t, elastic, piece.Knot, func(h *piece.House) { h.Glue, h.KnotPlace, h.Knot = piece.No, piece.KnotShown, piece.KnotSquare })
	inOrder(t, text, "square knot", "the knot stays to be seen")
	if strings.Contains(text, "glue") {
		t.Error("this house uses no glue")
	}
}
