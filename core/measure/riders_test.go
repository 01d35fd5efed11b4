package measure

import (
	"math"
	"testing"

	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
	"mala/core/testparts"
)

// ridden is a strand with riders L, tubes 5.2 long, of that hole; seeds E of 2.2 x 1.5.
func ridden(t *testing.T, line, riders string, hole length.MM) *piece.Piece {
	t.Helper()
	p := fringed(t, line)
	onTray(t, p, 0.5, map[string]material.Bead{
		"L": {Shape: material.Tube, Across: 8, Along: 5.2, Hole: hole},
		"E": {Shape: material.Seed, Across: 2.2, Along: 1.5, Hole: 0.8},
	})
	p.Rows()[0].Riders = testparts.Line(t, riders)
	return p
}

func ride(t *testing.T, p *piece.Piece) (*Measured, *Riders) {
	t.Helper()
	m := measured(t, p)
	return m, m.Leading().Riders
}

// 24 riders 5.2 long on a run of 180 leave 55.2 free; a hole of 2.6 passes seeds of 2.2,
// one of 2.2 does not.
func TestRidersOnARun(t *testing.T) {
	m, r := ride(t, ridden(t, "B 120E B", "24L", 2.6))
	if math.Abs(float64(r.Run()-180)) > 1e-9 || math.Abs(float64(r.Long-124.8)) > 1e-9 || math.Abs(float64(r.Free()-55.2)) > 1e-9 {
		t.Errorf("a run of %v, %v of riders, %v free", r.Run(), r.Long, r.Free())
	}
	if r.First != 1 || r.Last != 120 || r.Hole != 2.6 {
		t.Errorf("they slide over %d to %d with a hole of %v", r.First, r.Last, r.Hole)
	}
	// They rest in the middle of it, side by side.
	middle := (r.From + r.To) / 2
	if math.Abs(float64(r.Beads[0].From+r.Beads[23].To)/2-float64(middle)) > 1e-9 || math.Abs(float64(r.Beads[1].At-r.Beads[0].At-5.2)) > 1e-9 {
		t.Errorf("they lie from %v to %v", r.Beads[0].From, r.Beads[23].To)
	}
	if _, r := ride(t, ridden(t, "B 120E B", "24L", 2.2)); r.First != -1 || r.Run() != 0 {
		t.Errorf("2.2 passes from %d", r.First)
	}
	counted, plain := map[string]int{}, ridden(t, "B 120E B", "L", 2.6)
	for _, c := range m.Tally {
		counted[c.Material.ID] = c.Count
	}
	plain.Rows()[0].Riders = nil
	without := measured(t, plain)
	if counted["L"] != 24 || m.Leading().AllBeads() != 122+24 || math.Abs(m.MassG-without.MassG-12) > 1e-9 {
		t.Errorf("counted %v, %d beads, %v g of %v", counted, m.Leading().AllBeads(), m.MassG, without.MassG)
	}
	if m.Finished != without.Finished || m.Leading().CutLength() != without.Leading().CutLength() {
		t.Errorf("finished %v, cut %v; without them %v and %v", m.Finished, m.Leading().CutLength(), without.Finished, without.Leading().CutLength())
	}
}

// Of several runs the longest is ridden; what stops them is any bead that their finest hole
// does not pass, a drop, or a thing that hangs.
func TestTheLongestRunIsRidden(t *testing.T) {
	for line, want := range map[string][2]int{
		"20E B 30E B 10E":   {21, 50},
		"30E B 30E":         {0, 29},
		"20E [3E . B] 25E":  {21, 45},
		"B 10E 10S B":       {1, 10},
		"9E _20mm 9E B 20E": {0, 18},
		"B":                 {-1, -1},
		"B 5E B[30E] 4E B":  {1, 5},
	} {
		if _, r := ride(t, ridden(t, line, "2L", 2.6)); r.First != want[0] || r.Last != want[1] {
			t.Errorf("%s: from %d to %d, want %v", line, r.First, r.Last, want)
		}
	}
	// The finest hole of several kinds decides: that of a round of 6 passes nothing.
	if _, r := ride(t, ridden(t, "B 60E B", "3L B 3L", 2.6)); r.First != -1 || r.Hole != 1 {
		t.Errorf("from %d with a hole of %v", r.First, r.Hole)
	}
}

// Round a wrist the riders lie on the body, and the rest of the loop as before.
func TestRidersRoundTheWrist(t *testing.T) {
	p := ridden(t, "120E", "20L", 2.6)
	m := onElastic(t, p, 0.5)
	w, err := m.Wrap()
	if err != nil {
		t.Fatal(err)
	}
	whole, over := 0.0, 0
	for _, l := range w.Links {
		whole += l.Segment.Length
		if l.Rider != nil {
			over++
			if l.Segment.Reach != 4 || math.Abs(l.Segment.Length-5.2) > 1e-9 {
				t.Errorf("a rider is %+v", l.Segment)
			}
		}
	}
	if over != 20 || math.Abs(whole-float64(m.Leading().Strung)) > 1e-6 {
		t.Errorf("%d riders in a loop of %v, want %v", over, whole, m.Leading().Strung)
	}
	with, _ := m.Inside()
	p.Rows()[0].Riders = nil
	without, _ := onElastic(t, p, 0.5).Inside()
	if with >= without-5 || with < without-2*math.Pi*4 {
		t.Errorf("%v inside, without them %v", with, without)
	}
}
