package steps

import (
	"testing"

	"mala/core/material"
	"mala/core/pattern"
	"mala/core/piece"
)

// told as strung on wire, with another line.
func onLine(t *testing.T, text string, change func(r *piece.Row)) string {
	t.Helper()
	line, err := pattern.Parse(text)
	if err != nil {
		t.Fatal(err)
	}
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
	inOrder(t, onLine(t, "P _14mm P", func(r *piece.Row) { r.Holder.Way = piece.HeldByFriction }), "nothing holds them but friction", "bead's edge 2 lies")
	crimps := func(r *piece.Row) { r.Holder = piece.Holder{Way: piece.HeldByCrimps, Of: r.Left[0].Of} }
	inOrder(t, onLine(t, "P _14mm P", crimps), "Thread 2 × crimp", "crimp 1 lies", "crimp 2 lies")
}

func TestDropsAreToldWhereTheyCome(t *testing.T) {
	text := onLine(t, "2P 2[3P . P] P [P . P] P", func(*piece.Row) {})
	inOrder(t, text, "String the runs", "At each of the 2 places of this drop go down through 3 ×", "round the outside of", "back up through the others to the strand; it takes",
		"GATE Before the next bead: the drop hangs", "At the place of this drop go down through 1 ×", "GATE Before the next bead")
}
