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

// fringed is a strand of rounds of 6 with seeds of 3.1 x 2.1 to hang from it.
func fringed(t *testing.T, line string) *piece.Piece {
	t.Helper()
	p := threeRows(t, "R")
	onTray(t, p, 0.1, map[string]material.Bead{
		"S": {Shape: material.Seed, Across: 3.1, Along: 2.1, Hole: 1},
		"B": {Shape: material.Round, Across: 6, Hole: 1},
		"T": {Shape: material.Tube, Across: 4, Along: 7, Hole: 1},
	})
	p.Rows()[0].Line = testparts.Line(t, line)
	return p
}

// onTray puts beads in a piece's palette, each under its key and of that mass in grams.
func onTray(t *testing.T, p *piece.Piece, mass float64, beads map[string]material.Bead) {
	t.Helper()
	for key, b := range beads {
		p.Palette[key] = bead(t, key, b, mass)
	}
}

func fringe(t *testing.T, line string) (*Measured, *Strand) {
	t.Helper()
	m := measured(t, fringed(t, line))
	return m, m.Strands[0]
}

// Ten seeds and a round: 21 down, 5.916 through the round, 8.420 round its outside, 21 up.
func TestADropMeasured(t *testing.T) {
	m, s := fringe(t, "6B [10S . B] 6B")
	d := s.Beads[6].Drop
	if d == nil || math.Abs(float64(d.Deep-26.916)) > 5e-4 || math.Abs(float64(d.Path-56.336)) > 5e-4 || math.Abs(float64(d.Round-8.420)) > 5e-4 {
		t.Fatalf("%+v", d)
	}
	if len(d.Beads) != 11 || d.Beads[0].Passes != 2 || d.Beads[9].Passes != 2 || d.Beads[10].Passes != 1 {
		t.Errorf("%+v", d.Beads)
	}
	// The cord that leaves holds its neighbours its diameter further apart, whatever hangs.
	_, plain := fringe(t, "12B")
	cord := s.Row.Cord.Cord.Diameter
	if got := s.Strung - plain.Strung; math.Abs(float64(got-cord)) > 1e-9 {
		t.Errorf("the strand grows by %v, want %v", got, cord)
	}
	if _, two := fringe(t, "6B 2[10S . B] 6B"); math.Abs(float64(two.Strung-plain.Strung-2*cord)) > 1e-9 {
		t.Errorf("two make it %v longer", two.Strung-plain.Strung)
	}
	if got := s.CutLength() - plain.CutLength(); math.Abs(float64(got-d.Path-cord-(s.Slack-plain.Slack))) > 1e-6 {
		t.Errorf("it takes %v of cord, its path is %v", got, d.Path)
	}
	found := map[string]int{}
	for _, c := range m.Tally {
		found[c.Material.ID] = c.Count
	}
	if found["S"] != 10 || found["B"] != 13 || s.Count() != 23 || s.AllBeads() != 23 || len(m.Unweighed) > 0 && strings.Contains(fmt.Sprint(m.Unweighed), d.Key) {
		t.Errorf("counted %v, %d beads, unweighed %v", found, s.Count(), m.Unweighed)
	}
}

// Round a tube the cord goes out along its end, down its side and in again.
func TestTheWayRoundABead(t *testing.T) {
	p := fringed(t, "B")
	for key, want := range map[string]float64{
		"B": 3 * (math.Pi - 2*math.Asin(0.5/3)),
		"T": 2*(2-0.5) + 7,
	} {
		if got := float64(p.Palette[key].Bead.WayRound()); math.Abs(got-want) > 1e-3 {
			t.Errorf("round %s it is %v, want %v", key, got, want)
		}
	}
}

// Random drops against a plain sum: as deep as the same beads strung, twice that of cord
// less the bead at the foot, and counted bead by bead.
func TestRandomDropsAgainstAPlainSum(t *testing.T) {
	r := rand.New(rand.NewPCG(6, 60))
	for range 120 {
		var beads []string
		for range 1 + r.IntN(12) {
			beads = append(beads, string("SBT"[r.IntN(3)]))
		}
		turn := string("SBT"[r.IntN(3)])
		text := fmt.Sprintf("[%s . %s]", strings.Join(beads, " "), turn)
		_, strung := fringe(t, strings.Join(append(beads, turn), " "))
		p := fringed(t, "B "+text+" B")
		m := measured(t, p)
		d := m.Strands[0].Beads[1].Drop
		last := p.Palette[turn].Bead
		through := 2 * float64(last.Face(true).AtRim())
		want := 2*(float64(strung.Strung)-through) + through + float64(last.WayRound())
		if math.Abs(float64(d.Deep-strung.Strung)) > 1e-9 || math.Abs(float64(d.Path)-want) > 1e-9 {
			t.Fatalf("%s: %v deep, %v of cord; want %v and %v", text, d.Deep, d.Path, strung.Strung, want)
		}
		if m.Strands[0].Count() != len(beads)+3 {
			t.Fatalf("%s: %d beads", text, m.Strands[0].Count())
		}
		// A mirror shows it in both halves, and a ring carries it wherever its line begins.
		p.Rows()[0].Line = testparts.Line(t, "<B "+text+" | B>")
		if m = measured(t, p); m.Strands[0].Count() != 2*(len(beads)+2)+1 {
			t.Fatal("mirrored: not twice as many")
		}
	}
}

func TestDropsOnARing(t *testing.T) {
	first := length.MM(0)
	parts := []string{"B", "B", "[2S . B]", "B", "T", "[S . T]", "B"}
	for turn := range parts {
		p := fringed(t, strings.Join(append(append([]string{}, parts[turn:]...), parts[:turn]...), " "))
		m := onElastic(t, p, 0.5)
		if turn == 0 {
			first = m.Strands[0].Strung
		}
		if math.Abs(float64(m.Strands[0].Strung-first)) > 1e-9 {
			t.Errorf("turned by %d: %v, want %v", turn, m.Strands[0].Strung, first)
		}
	}
}

func TestWhatCannotHangInADrop(t *testing.T) {
	p := fringed(t, "B [2H . B] B")
	p.Palette["H"] = bead(t, "Shell", material.Bead{Shape: material.Charm, Across: 5, Hole: 2, Along: 0.6, Drop: 9}, 0)
	if _, err := Measure(p); err == nil || !strings.Contains(err.Error(), "Shell hangs by itself") {
		t.Errorf("%v", err)
	}
	p.Rows()[0].Line = testparts.Line(t, "B [2X . B] B")
	if _, err := Measure(p); err == nil || !strings.Contains(err.Error(), "X") {
		t.Errorf("%v", err)
	}
}

// A charm slides onto the cord of a loop, takes of it what its ring is thick, and hangs below.
func TestACharmHangsInALoop(t *testing.T) {
	loop := func(line string) *Drop {
		p := fringed(t, line)
		p.Palette["H"] = bead(t, "Shell", material.Bead{Shape: material.Charm, Across: 5, Hole: 2, Along: 0.6, Drop: 19}, 1)
		m, err := Measure(p)
		if err != nil {
			t.Fatalf("%s: %v", line, err)
		}
		drops, _ := m.Strands[0].Drops()
		return drops[0]
	}
	with, without := loop("B B[6S H 6S] B"), loop("B B[12S] B")
	charm := with.Beads[6]
	if off := float64(with.Strung - without.Strung - 0.6); math.Abs(off) > 0.1 {
		t.Errorf("its beads are %v, and %v without the charm", with.Strung, without.Strung)
	}
	if !charm.Material.Bead.Hangs() || math.Abs(float64(with.Deep-charm.At-19)) > 1e-6 || with.Count() != 14 {
		t.Errorf("it hangs from %v and reaches down to %v", charm.At, with.Deep)
	}
	seats := with.Material.Component.Seats
	if last := slices.IndexFunc(seats, func(s material.Seat) bool { return s.Role == material.SeatCharm }); last < 0 || math.Abs(seats[last].X) > 0.5 || seats[last].Y < float64(charm.At) {
		t.Errorf("%+v", seats)
	}
}

// However a line is written, no more than 10,000 beads hang in its drops, and alike drops
// are worked out once.
func TestNoMoreHangThanAStrandMayHave(t *testing.T) {
	if _, err := Measure(fringed(t, "9999[399S . B]")); err == nil || !strings.Contains(err.Error(), "More than 10000 beads hang") {
		t.Errorf("%v", err)
	}
	if _, err := Measure(fringed(t, "26[399S . B]")); err == nil {
		t.Error("10,400 beads hang")
	}
	_, s := fringe(t, "24[399S . B] "+strings.Repeat("B [S . B] ", 20))
	if drops, count := s.Drops(); len(drops) != 2 || count[drops[0]] != 24 || count[drops[1]] != 20 {
		t.Errorf("%d different drops", len(drops))
	}
}
