package en

import (
	"strings"
	"testing"

	"mala/core/material"
	"mala/core/piece"
	"mala/core/testparts"
)

// told as strung on wire, with another line.
func onLine(t *testing.T, text string, change func(r *piece.Row)) string {
	t.Helper()
	line := testparts.Line(t, text)
	return told(measured(t, material.Cord{Type: material.Wire, Diameter: 0.38}, piece.Clasp, func(p *piece.Piece) {
		p.Leading().Line = line
		change(p.Leading())
	}))
}

func TestBeadsAreHeldApartOneAfterTheOther(t *testing.T) {
	knots := func(r *piece.Row) { r.Holder.Way = piece.HeldByKnots }
	inOrder(t, onLine(t, "P _14mm P _14mm P", knots), "GATE Before you cut", "laid out with their gaps they measure", "String the runs",
		"tie an overhand knot tight against every bead on each side where a gap lies, 4 in all",
		"GATE Before the next one, each time: knot 1 lies", "from the start", "knot 2 lies", "14 mm from the one before", "knot 4 lies", "Right end: thread")
	inOrder(t, onLine(t, "P _14mm P", func(r *piece.Row) { r.Holder.Way = piece.HeldByFriction }), "is given beside it.\nPush the beads to their places: nothing holds them but friction", "the left edge of pearl 2 lies")
	crimps := func(r *piece.Row) { r.Holder = piece.Holder{Way: piece.HeldByCrimps, Of: r.Left[0].Of} }
	inOrder(t, onLine(t, "P _14mm P", crimps), "Thread the crimps that hold the beads apart on the way, as told next.", "Thread 2 × crimp", "crimp 1 lies", "crimp 2 lies")
}

func TestDropsAreToldWhereTheyCome(t *testing.T) {
	text := onLine(t, "2P 2[3P . P] P [P . P] P", func(*piece.Row) {})
	inOrder(t, text, "String the runs", "Where the order comes to a drop, make it as told next.", "At each of the 2 places of this drop go down through 3 ×", "round the outside of", "back up through the others to the strand; it takes",
		"GATE Before the next bead: the drop hangs", "At the place of this drop go down through 1 ×", "GATE Before the next bead")
}

func TestLoopsAreToldFromTheBeadThatTheyHangThrough(t *testing.T) {
	text := onLine(t, "2P P[3P P[2P] 3P] P", func(*piece.Row) {})
	inOrder(t, text, "String the runs", "Where the order comes to a loop, make it as told next.", "At the place of this loop go through", "take up 3 ×", "with its loop", "again from the same side", "In it", "has a loop of its own", "take up 2 ×",
		"GATE Before the next bead: the loop hangs")
	both := onLine(t, "2P [3P . P] P P[4P] P", func(*piece.Row) {})
	inOrder(t, both, "String the runs", "Where the order comes to a drop or a loop, make it as told next.", "of this drop", "of this loop")
	text = onLine(t, "2P P[4P [3P . P] 4P] P", func(*piece.Row) {})
	inOrder(t, text, "1 × drop [3P . P]", "In it drop [3P . P] hangs: down through 3 ×")
}

func TestAPieceOnABarIsTiedTwiceAndTrimmedLast(t *testing.T) {
	bar, err := material.NewFinding(material.Finding{Type: material.FocalBar, Length: 30, Outside: 7, Wire: 2, Inside: 1.5})
	if err != nil {
		t.Fatal(err)
	}
	text := told(measured(t, material.Cord{Type: material.Elastic, Diameter: 0.7}, piece.Knot, func(p *piece.Piece) {
		p.Closure = piece.Closure{Type: piece.OnBar, Left: []piece.Fitting{{ID: "bar", Of: &material.Material{ID: "bar", Name: "Bar", Class: material.ClassFinding, Finding: bar}}}}
	}))
	inOrder(t, text, "thread the left hole of bar", "After the knot", "thread the right hole of bar", "After the knot", "GATE Before either tail is clipped", "Thread both tails back")
	if strings.Contains(text, "Thread the tail back through the last beads and trim it") {
		t.Error("a tail is trimmed before both knots hold")
	}
}
