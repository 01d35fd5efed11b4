package en

import (
	"fmt"
	"strings"
	"testing"

	"mala/core/component"
	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
	"mala/core/steps"
	"mala/core/testparts"
)

func madeOf(t *testing.T, cord material.Cord, closure piece.ClosureType, change func(h *piece.House)) string {
	t.Helper()
	return told(measured(t, cord, closure, func(p *piece.Piece) { change(&p.House) }))
}

func measured(t *testing.T, cord material.Cord, closure piece.ClosureType, change func(p *piece.Piece)) *measure.Measured {
	t.Helper()
	line := testparts.Line(t, "20P H")
	bead := func(across, hole length.MM, name string) *material.Material {
		return testparts.Bead(t, name, material.Bead{Shape: material.Round, Across: across, Hole: hole}, 0)
	}
	fitting := func(name string, f material.Finding) *material.Material {
		return &material.Material{ID: name, Name: name, Class: material.ClassFinding, Finding: &f}
	}
	row := &piece.Row{ID: "r1", Line: line, Passes: 1, Cord: &material.Material{ID: "cord", Name: "Cord", Class: material.ClassCord, Cord: &cord}}
	c := piece.Closure{Type: closure}
	if closure == piece.Clasp {
		crimp := fitting("Crimp", material.Finding{Type: material.CrimpTube, Inside: 1.3, Outside: 1.8, Length: 2})
		row.Left, row.Right = fittings("l", crimp, fitting("Cover", material.Finding{Type: material.CrimpCover, Outside: 3, Length: 3})), fittings("r", crimp)
		ring := fitting("Ring", material.Finding{Type: material.JumpRing, Inside: 3, Wire: 0.7})
		c.Left = fittings("cl", fitting("Lobster", material.Finding{Type: material.Lobster, Closed: 8}), ring)
		c.Right = fittings("cr", ring)
	}
	p := &piece.Piece{Kind: piece.Bracelet, House: piece.DefaultHouse(), Closure: c, Target: &piece.Target{Finished: 180},
		Palette:  map[string]*material.Material{"P": bead(8, 1, "Pearl"), "H": bead(9, 2.5, "Barrel")},
		Sections: []piece.Section{{Rows: []*piece.Row{row}}}}
	change(p)
	m, err := measure.Measure(p)
	if err != nil {
		t.Fatal(err)
	}
	return m
}

func fittings(prefix string, of ...*material.Material) []piece.Fitting {
	var out []piece.Fitting
	for i, m := range of {
		out = append(out, piece.Fitting{ID: piece.ID(fmt.Sprint(prefix, i)), Of: m})
	}
	return out
}

func told(m *measure.Measured) string {
	var out []string
	for _, s := range In(length.InMillimetres).Steps(steps.For(m, steps.Given{})) {
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
	text := madeOf(t, material.Cord{Type: material.Wire, Diameter: 0.38}, piece.Clasp, func(*piece.House) {})
	inOrder(t, text, "Count out 21 beads", "GATE Before you cut: ", "Cut ", "of cord with wire cutters", "Hold the left end with a bead stopper",
		"String the runs in order", "Left end: thread the crimp, ring, and go back through the crimp. Tuck the tail back through", "Leave 0.5 mm of bare cord on either side of the crimp",
		"turn it and fold it", "GATE After the crimp: it holds a firm pull", "Close cover over the crimp",
		"GATE Before the right crimp is closed: ", "tried on", "in its wearing curve, ", " of slack is left", "Right end:", "GATE After the crimp", "Trim the tail",
		"Left end: hang lobster on ring. Open the ring sideways", "GATE Before it is finished: it holds a firm pull; lying in its curve no more cord shows than planned")
	if strings.Contains(text, " 1 beads") || strings.Contains(text, "scissors") {
		t.Errorf("%s", text)
	}
}

func TestTheHousesWayIsFollowed(t *testing.T) {
	text := madeOf(t, material.Cord{Type: material.Wire, Diameter: 0.38}, piece.Clasp, func(h *piece.House) {
		h.Stopper, h.Tail, h.Crimp = piece.StopSpool, piece.TailTrimmed, piece.CrimpFlat
	})
	inOrder(t, text, "on its spool, cord. String from the free end: the run that goes on first ends up by the spool", "Right end: thread the crimp, ring, and go back through the crimp. Trim the tail close.", "Press the crimp flat",
		"GATE Before you cut", "cut from the spool", "GATE Before the left crimp")
	if strings.Contains(text, "Stop the left end") {
		t.Error("the spool is the stop")
	}
}

func TestTheStrandIsBegunTheHousesWay(t *testing.T) {
	wire := material.Cord{Type: material.Wire, Diameter: 0.38}
	begun := func(cord material.Cord, closure piece.ClosureType, by string) string {
		return madeOf(t, cord, closure, func(h *piece.House) { h.Stopper = by })
	}
	text := begun(wire, piece.Clasp, piece.StopCrimped)
	inOrder(t, text, "GATE Before you cut", "with wire cutters", "Left end: thread the crimp, ring, and go back through the crimp. Leave a tail of 25 mm.", "GATE After the crimp: it holds a firm pull",
		"String the first 4 beads over wire and tail together.", "String the runs", "Left end: trim the tail flush", "GATE Before the right crimp", "Right end: thread the crimp", "Tuck the tail back through", "Trim the tail flush")
	if strings.Contains(text, "from its tip") || strings.Contains(text, "Remove the stop") || strings.Count(text, "Left end: thread") != 1 {
		t.Errorf("nothing is stopped here: %s", text)
	}
	trimmed := madeOf(t, wire, piece.Clasp, func(h *piece.House) { h.Stopper, h.Tail = piece.StopCrimped, piece.TailTrimmed })
	if !strings.Contains(trimmed, "Trim the tail close.") || strings.Contains(trimmed, "over wire and tail") || strings.Contains(trimmed, "Left end: trim") {
		t.Errorf("a trimmed tail goes along in no bead: %s", trimmed)
	}
	inOrder(t, begun(wire, piece.Clasp, piece.StopSpareCrimp), "Hold the left end with a spare crimp pressed flat, ", "Cut off the spare crimp and hold the strand level.", "Left end: thread")
	inOrder(t, begun(wire, piece.Clasp, piece.StopClip), "Hold the left end with a clip, ", "Remove the stop and hold the strand level.")
	thread := material.Cord{Type: material.Thread, Diameter: 0.3}
	inOrder(t, begun(thread, piece.Clasp, piece.StopSlipKnot), "with a slip knot, ", "Undo the slip knot and hold the strand level.")
	inOrder(t, begun(thread, piece.Clasp, piece.StopTiedBead), "with a bead tied in that is no part of the piece, ", "Take off the tied bead and hold the strand level.")
	elastic := material.Cord{Type: material.Elastic, Diameter: 0.7}
	inOrder(t, begun(elastic, piece.Knot, piece.StopSlipKnot), "Stretch the elastic", "Hold the left end with a slip knot, 75 mm from its tip.")
	inOrder(t, begun(elastic, piece.Knot, piece.StopSpool), "Leave the elastic on its spool, cord.", "stretch it by hand", "String the runs", "GATE Before you cut",
		"Leave 75 mm of the free end to tie with, and cut from the spool 75 mm beyond the beads, with scissors.", "GATE Before you knot", "surgeon's knot")
}

func TestAToggleHangsItsRingAtOneEndAndItsBarAtTheOther(t *testing.T) {
	toggle := material.Material{ID: "t", Name: "Toggle", Class: material.ClassFinding,
		Finding: &material.Finding{Type: material.Toggle, RingInside: 9, RingEye: 2, Wire: 1.5, Bar: 18, BarThickness: 2, BarEye: 2}}
	m := measured(t, material.Cord{Type: material.Wire, Diameter: 0.38}, piece.Clasp, func(p *piece.Piece) {
		p.Closure.Right = p.Closure.Left[1:]
		p.Closure.Left = fittings("t", &toggle)
	})
	inOrder(t, told(m), "Left end: thread the crimp, the ring of toggle,", "Right end: thread the crimp, ring,", "Right end: hang the bar of toggle on ring.")
}

func TestElasticIsPulledTwiceGluedHiddenWhileWetAndTrimmedDry(t *testing.T) {
	elastic := material.Cord{Type: material.Elastic, Diameter: 0.7}
	inOrder(t, madeOf(t, elastic, piece.Knot, func(*piece.House) {}), "GATE Before you cut", "Stretch the elastic", "GATE Before you knot: ",
		"surgeon's knot", "Pull the knot, wait a minute, and pull it again", "GATE Before the glue: the knot holds", "one drop of glue",
		"Draw the knot into barrel, bead 21, while the glue is wet", "Let it dry", "GATE Before you trim: the glue is dry", "Trim the ends")
	text := madeOf(t, elastic, piece.Knot, func(h *piece.House) { h.Glue, h.KnotPlace, h.Knot = piece.No, piece.KnotShown, piece.KnotSquare })
	inOrder(t, text, "square knot", "knot, which stays visible")
	if strings.Contains(text, "glue") {
		t.Error("this house uses no glue")
	}
}

func TestWhatIsTiedSpeaksOfNoCrimp(t *testing.T) {
	guard := &material.Material{ID: "g", Name: "Guard", Class: material.ClassFinding, Finding: &material.Finding{Type: material.WireGuard, Length: 4}}
	cordEnd := &material.Material{ID: "e", Name: "Cord end", Class: material.ClassFinding, Finding: &material.Finding{Type: material.CordEnd, Length: 6}}
	tied := func(typ material.CordType, end *material.Material) string {
		return told(measured(t, material.Cord{Type: typ, Diameter: 0.5}, piece.Clasp, func(p *piece.Piece) {
			p.Leading().Left, p.Leading().Right = fittings("l", end), fittings("r", end)
		}))
	}
	thread, leather := tied(material.Thread, guard), tied(material.Leather, cordEnd)
	inOrder(t, thread, "GATE Before you cut", "Left end: thread the guard and ring, come back to the beads and tie a surgeon's knot", "GATE After the knot: it holds a firm pull", "GATE Before the right knot", "of slack is left between the beads and the knot", "Right end: thread the guard")
	inOrder(t, leather, "Left end: tie an overhand knot close to the beads, lay it in cord end, and fold", "GATE After the cord end", "Right end: tie an overhand knot")
	for _, text := range []string{thread, leather} {
		if strings.Contains(text, "crimp") || strings.Contains(text, "over the hand") || strings.Contains(text, "elastic") {
			t.Errorf("of a tied piece: %s", text)
		}
	}
}

func TestAnEndThatNothingHoldsHasAGate(t *testing.T) {
	text := told(measured(t, material.Cord{Type: material.Wire, Diameter: 0.38}, piece.Clasp, func(p *piece.Piece) { p.Leading().Left = nil }))
	inOrder(t, text, "GATE Before the left end: something holds it")
}

func TestWhatDoesNotApplyIsNotSaid(t *testing.T) {
	wire, thread := material.Cord{Type: material.Wire, Diameter: 0.38}, material.Cord{Type: material.Thread, Diameter: 0.5}
	guard := &material.Material{ID: "g", Name: "Guard", Class: material.ClassFinding, Finding: &material.Finding{Type: material.WireGuard, Length: 4}}
	cordEnd := &material.Material{ID: "e", Name: "Cord end", Class: material.ClassFinding, Finding: &material.Finding{Type: material.CordEnd, Length: 6}}
	tiedBy := func(end *material.Material, glue string) func(p *piece.Piece) {
		return func(p *piece.Piece) {
			p.House.Glue = glue
			p.Leading().Left, p.Leading().Right = fittings("l", end), fittings("r", end)
		}
	}
	none := length.MM(0)
	for _, tt := range []struct {
		name   string
		cord   material.Cord
		change func(p *piece.Piece)
		says   string
		not    string
	}{
		{"no target", wire, func(p *piece.Piece) { p.Target = nil }, "laid tight they measure", "is wanted"},
		{"a trimmed tail", wire, func(p *piece.Piece) { p.House.Tail = piece.TailTrimmed }, "Trim the tail close.", "flush"},
		{"a tucked tail", wire, func(*piece.Piece) {}, "Trim the tail flush", "Trim the tail close."},
		{"no slack on wire", wire, func(p *piece.Piece) { p.Leading().Slack = &none }, "Before the right crimp", "slack"},
		{"no slack on thread", thread, func(p *piece.Piece) { tiedBy(guard, piece.Yes)(p); p.Leading().Slack = &none }, "Before the right knot", "slack"},
		{"a knot without glue", thread, tiedBy(guard, piece.No), "After the knot", "glue"},
		{"a cord end without glue", thread, tiedBy(cordEnd, piece.No), "After the cord end", "glue"},
		{"a cord end with glue", thread, tiedBy(cordEnd, piece.Yes), "glue inside before the last fold", "crimp"},
	} {
		text := told(measured(t, tt.cord, piece.Clasp, tt.change))
		if !strings.Contains(text, tt.says) || strings.Contains(text, tt.not) {
			t.Errorf("%s: %q and not %q, in:\n%s", tt.name, tt.says, tt.not, text)
		}
	}
}

func TestAKnotHidesInTheFirstBeadTooAndDoesSoByGlueOrByPulling(t *testing.T) {
	first := func(glue string) string {
		return told(measured(t, material.Cord{Type: material.Elastic, Diameter: 0.7}, piece.Knot, func(p *piece.Piece) {
			line := testparts.Line(t, "H 20P")
			p.Leading().Line, p.House.Glue = line, glue
		}))
	}
	if text := first(piece.Yes); !strings.Contains(text, "Draw the knot into barrel, bead 1, while the glue is wet.") {
		t.Error(text)
	}
	if text := first(piece.No); !strings.Contains(text, "Draw the knot into barrel, bead 1, by pulling on the ends.") {
		t.Error(text)
	}
}

func TestComponentsAreMadeFirstAndHungByTheirRings(t *testing.T) {
	pin := &material.Material{ID: "pin", Name: "Head pin", Class: material.ClassFinding, Finding: &material.Finding{Type: material.HeadPin, Length: 40, Wire: 0.6, Outside: 1.6}}
	ring := func(joint string) *material.Material {
		return &material.Material{ID: "ring " + joint, Name: "Ring", Class: material.ClassFinding, Finding: &material.Finding{Type: material.JumpRing, Inside: 4, Wire: 0.8, Joint: joint}}
	}
	floss := &material.Material{ID: "floss", Name: "Floss", Class: material.ClassCord, Cord: &material.Cord{Type: material.Thread, Diameter: 0.4}}
	make := func(name string, p component.Plan) *material.Material {
		m, err := component.Make(name, name, p)
		if err != nil {
			t.Fatal(err)
		}
		return m
	}
	text := told(measured(t, material.Cord{Type: material.Elastic, Diameter: 0.7}, piece.Knot, func(p *piece.Piece) {
		pearl := p.Palette["P"]
		pearl.Note = "clear the hole first"
		beads := []material.PinBead{{Material: pearl}, {Material: pearl}, {Material: p.Palette["H"], Turned: true}}
		drop := make("Drop", component.Plan{Kind: material.PinDrop, Rings: []*material.Material{ring("soldered")}, Pin: pin, Loop: material.Loop{Kind: material.WrappedLoop, Inside: 2, Turns: 2}, Beads: beads})
		cluster := make("Cluster", component.Plan{Kind: material.Pendant, Rings: []*material.Material{ring("open")}, Below: []*material.Material{drop, drop}})
		tassel := make("Tassel", component.Plan{Kind: material.Tassel, Rings: []*material.Material{ring("open")}, Cord: floss, Strands: 12, Leg: 40})
		coil := make("Coil", component.Plan{Kind: material.Coil, Pin: pin, Rod: 1.5, Beads: beads[:1]})
		p.Palette["D"], p.Palette["K"], p.Palette["T"], p.Palette["C"] = drop, cluster, tassel, coil
		line := testparts.Line(t, "6P K 3P D 3P T 4P 3C H")
		p.Leading().Line = line
	}))
	for _, want := range []string{
		"Pearl: clear the hole first.",
		"Make drop (the first of 3): put reversed barrel, 2 pearl on head pin; bend the stem over",
		"turn a loop round a rod of 2 mm; wind the end 2 times round the stem",
		"Before you make the other 2",
		"Make cluster: hang 2 × drop on ring; open ring by twisting it sideways",
		"Make tassel: cut 12 strands of floss, each of 80 mm; fold them over ring; bind them with one more strand",
		"Make coil (the first of 3): put pearl on head pin; wind the free end of the pin from its tip round a rod of 1.5 mm",
		"Drop has a closed ring: it goes on the cord while stringing",
		"Cluster goes on the cord by its ring",
		"Hang tassel last",
	} {
		if !strings.Contains(text, want) {
			t.Errorf("nothing of %q in\n%s", want, text)
		}
	}
	if strings.Count(text, "clear the hole first") != 1 {
		t.Error("a bench note is given more than once")
	}
	for _, order := range [][2]string{{"Make drop", "Make cluster"}, {"Make coil", "Count out"}, {"String the runs", "Hang tassel last"}, {"Hang tassel last", "Before it is finished"}} {
		if strings.Index(text, order[0]) > strings.Index(text, order[1]) {
			t.Errorf("%q comes behind %q", order[0], order[1])
		}
	}
}

func TestACordInAFoldOverEndIsGluedBeforeItsFlapsArePressed(t *testing.T) {
	fold := &material.Material{ID: "fold", Name: "Fold", Class: material.ClassFinding, Finding: &material.Finding{Type: material.FoldOver, Inside: 2, Length: 7, RingEye: 2}}
	text := told(measured(t, material.Cord{Type: material.Leather, Diameter: 1.5}, piece.Clasp, func(p *piece.Piece) {
		p.Leading().Left, p.Leading().Right = fittings("l", fold), fittings("r", fold)
	}))
	at := -1
	for _, want := range []string{"Left end: trim the cord square, 7 mm beyond the last bead, and lay it in the trough of fold", "Put a drop of glue in the trough", "Press one flap down on the cord, then the other over that",
		"Let the glue dry", "After the fold-over end", "Before the right flaps are pressed", "Right end: trim the cord square"} {
		found := strings.Index(text, want)
		if found <= at {
			t.Errorf("%q does not come next in\n%s", want, text)
		}
		at = found
	}
	if strings.Contains(text, "Before the right knot") {
		t.Errorf("a knot is spoken of: %s", text)
	}
}

func TestFromTheCentreBothEndsStayOpen(t *testing.T) {
	text := told(measured(t, material.Cord{Type: material.Wire, Diameter: 0.38}, piece.Clasp, func(p *piece.Piece) { p.House.Order = piece.OrderCentre }))
	for _, want := range []string{"Mark the middle of the cord. Whenever it is set down, hold either end with a bead stopper", "from the left tip and", "first all to the right, then all to the left"} {
		if !strings.Contains(text, want) {
			t.Errorf("nothing of %q in\n%s", want, text)
		}
	}
	if strings.Contains(text, "Hold the left end") || strings.Contains(text, "in order and tick") {
		t.Errorf("it is stopped at one end too:\n%s", text)
	}
}
