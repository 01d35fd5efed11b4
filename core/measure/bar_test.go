package measure

import (
	"math"
	"testing"

	"mala/core/chain"
	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
)

// onBar ties this many rounds of 6 on elastic to a bar of 30, 2 thick, whose middle rises.
func onBar(t *testing.T, line string, rise length.MM) *Measured {
	t.Helper()
	p := fringed(t, line)
	onElastic(t, p, 0.7)
	bar := finding(t, material.Finding{Type: material.FocalBar, Length: 30, Outside: 7, Wire: 2, Inside: 1.5, Rise: rise})
	p.Closure = piece.Closure{Type: piece.OnBar, Left: fittings("b", bar)}
	return measured(t, p)
}

func TestAStrandTiedToABar(t *testing.T) {
	m := onBar(t, "24B", 0)
	s := m.Leading()
	if s.Ring || s.Left.Hold != HeldByKnot || s.Right.Hold != HeldByKnot || !m.Piece.SlipsOn() {
		t.Fatalf("ring %v, held by %s and %s", s.Ring, s.Left.Hold, s.Right.Hold)
	}
	strung := 24 * math.Sqrt(35)
	if math.Abs(float64(m.Finished)-strung-30) > 1e-9 {
		t.Errorf("finished %v, want %v", m.Finished, strung+30)
	}
	if math.Abs(float64(s.CutLength())-strung-150) > 1e-9 {
		t.Errorf("cut to %v: two knots, each with a tail of 75", s.CutLength())
	}
	counted := 0
	for _, c := range m.Tally {
		if c.Material == m.Piece.Closure.Left[0].Of {
			counted += c.Count
		}
	}
	if counted != 1 {
		t.Errorf("%d bars", counted)
	}
}

// The bar is one stiff part: flat it reaches in by half of what it is thick, curved by so
// much less as it rises, and one that is bent more than the wrist touches with its ends.
func TestABarRoundTheWrist(t *testing.T) {
	for _, rise := range []length.MM{0, 2.5, 12} {
		m := onBar(t, "65S", rise)
		w, err := m.Wrap()
		if err != nil {
			t.Fatal(err)
		}
		var segments []chain.Segment
		bar := -1
		for i, l := range w.Links {
			if l.Part != nil {
				bar = i
			}
			segments = append(segments, l.Segment)
		}
		reach := 1 - float64(rise)
		q := w.Chain.Radius
		if rise == 12 {
			// Its ends lie on the body: half its thickness outside of it.
			if end := w.Chain.Joints[bar]; end < q+1-0.02 || end > q+1.2 {
				t.Errorf("an end of it lies %v from the middle of a body of %v", end, q)
			}
			continue
		}
		if segments[bar].Reach != reach || segments[bar].Length != 30 {
			t.Errorf("rising %v it is %+v", rise, segments[bar])
		}
		if again, err := chain.Tightest(segments); err != nil || math.Abs(again.Radius-q) > 1e-6 {
			t.Errorf("%v, %v", again, err)
		}
	}
	flat, _ := onBar(t, "24B", 0).Inside()
	curved, _ := onBar(t, "24B", 2.5).Inside()
	bent, _ := onBar(t, "24B", 12).Inside()
	if !(flat < curved && curved < bent+1e-6) {
		t.Errorf("flat %v, curved %v, bent %v inside", flat, curved, bent)
	}
}

// Rounds whose holes lie towards their backs lie round a wrist as any others: what is drawn
// together are the balls. Flat ones turn at the edge that lies to the body.
func TestHolesOffTheMiddleRoundTheWrist(t *testing.T) {
	inside := func(b material.Bead) (float64, *Strand) {
		p := fringed(t, "22X")
		onTray(t, p, 0, map[string]material.Bead{"X": b})
		m := onElastic(t, p, 0.5)
		mm, ok := m.Inside()
		if !ok {
			t.Fatal("it does not close")
		}
		return float64(mm), m.Leading()
	}
	// 22 balls of 8 that touch in their middles: p = 8 = 2 (q + 4) tan(π/22).
	ball := 2 * math.Pi * (4/math.Tan(math.Pi/22) - 4)
	for _, to := range []material.Toward{material.TowardBack, material.TowardFront} {
		if got, s := inside(material.Bead{Shape: material.Round, Across: 8, Hole: 1, HoleOff: 2, HoleTo: to}); math.Abs(got-ball) > 0.02 || s.SlackNeeded > 0 {
			t.Errorf("towards the %s %v inside, want %v", to, got, ball)
		}
	}
	// Hanging down along the arm it turns at the rim of its hole, as ever.
	down, _ := inside(material.Bead{Shape: material.Round, Across: 8, Hole: 1, HoleOff: 2})
	if want := 2 * math.Pi * (4/math.Tan(math.Pi/22) - 3.5); math.Abs(down-want) > 0.02 {
		t.Errorf("towards the top %v inside, want %v", down, want)
	}
	tube := material.Bead{Shape: material.Tube, Across: 6, Along: 8, Hole: 1}
	middle, _ := inside(tube)
	tube.HoleOff, tube.HoleTo = 1, material.TowardBack
	if back, _ := inside(tube); math.Abs(back-middle) > 1e-6 {
		t.Errorf("a tube bored towards its back has %v inside, in its middle %v", back, middle)
	}
}
