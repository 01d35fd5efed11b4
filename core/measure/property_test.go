package measure

import (
	"fmt"
	"math"
	"math/rand/v2"
	"strings"
	"testing"

	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
)

// menagerie is beads that make trouble: large holes, small seeds, caps, flat and
// edge-drilled ones, discs hardly longer than their wall, a hung ring.
func menagerie() map[string]material.Bead {
	return map[string]material.Bead{
		"A": wide10, "B": round25, "C": cap6, "D": tile, "E": oval9, "F": letter7, "G": round8, "H": round4, "I": seed22, "J": seed31,
		"K": {Shape: material.Cap, Across: 8, Depth: 5, Wall: 0.4, Hole: 1.2},
		"L": {Shape: material.Disc, Across: 6, Along: 0.4, Hole: 3},
		"M": {Shape: material.Bicone, Across: 4, Along: 4, Hole: 0.9},
		"N": {Shape: material.Tube, Across: 8, Along: 12, Hole: 5},
		"O": {Shape: material.Charm, Across: 5.6, Hole: 4, Along: 0.8, Drop: 12},
		"P": {Shape: material.Coin, Across: 12, Thick: 4, Along: 12, Hole: 1},
	}
}

// randomBeads spells some beads of the menagerie one by one, some turned.
func randomBeads(r *rand.Rand, n int) []string {
	kinds := 2 + r.IntN(4)
	var from []string
	for range kinds {
		from = append(from, string(rune('A'+r.IntN(len(menagerie())))))
	}
	out := make([]string, n)
	for i := range out {
		out[i] = from[r.IntN(kinds)]
		if r.IntN(3) == 0 {
			out[i] = "~" + out[i]
		}
	}
	return out
}

// bruteCycle is the length of a ring by bisection on a full matrix: at a length
// too short some chain of contacts gains on every turn (Floyd and Warshall).
func bruteCycle(p *piece.Piece, beads []string, cord length.MM) float64 {
	n := len(beads)
	face := func(i int, right bool) material.Face {
		b := p.Palette[strings.TrimPrefix(beads[i], "~")].Bead
		if b.Hangs() {
			return b.Hung(cord)
		}
		return b.Face(right != (strings.HasPrefix(beads[i], "~") && b.Turns()))
	}
	contact := make([][]float64, n)
	for i := range contact {
		contact[i] = make([]float64, n)
		for j := range contact[i] {
			contact[i][j] = math.Inf(-1)
			if c, ok := material.Touch(face(i, true), face(j, false)); ok {
				contact[i][j] = float64(c.Distance)
			}
		}
	}
	gains := func(ring float64) bool {
		way := make([][]float64, n)
		for i := range way {
			way[i] = append([]float64{}, contact[i]...)
			for j := 0; j <= i; j++ {
				way[i][j] -= ring
			}
		}
		for k := range n {
			for i := range n {
				for j := range n {
					way[i][j] = max(way[i][j], way[i][k]+way[k][j])
				}
			}
		}
		for i := range n {
			if way[i][i] > 0 {
				return true
			}
		}
		return false
	}
	lo, hi := 0.0, 400.0
	for range 60 {
		if mid := (lo + hi) / 2; gains(mid) {
			lo = mid
		} else {
			hi = mid
		}
	}
	return hi
}

func TestRandomRingsMeasureAsTheirGreatestCycle(t *testing.T) {
	r := rand.New(rand.NewPCG(11, 5))
	for range 400 {
		beads := randomBeads(r, 1+r.IntN(14))
		p := ringOf(t, strings.Join(beads, " "), menagerie())
		want := bruteCycle(p, beads, 0.7)
		s := measured(t, p).Leading()
		near(t, strings.Join(beads, " "), s.Strung, length.MM(want), 1e-6)
		for i, b := range s.Beads {
			for j, other := range s.Beads {
				c, ok := touchOf(&b, &other)
				at := other.At
				if j <= i {
					at += s.Strung
				}
				if ok && at-b.At < c.Distance-1e-6 {
					t.Fatalf("%s: beads %d and %d run into each other by %v", strings.Join(beads, " "), i, j, c.Distance-at+b.At)
				}
			}
		}
	}
}

func touchOf(a, b *Bead) (material.Contact, bool) {
	face := func(x *Bead, right bool) material.Face {
		if x.Material.Bead.Hangs() {
			return x.Material.Bead.Hung(0.7)
		}
		return x.Material.Bead.Face(right != x.Turned)
	}
	return material.Touch(face(a, true), face(b, false))
}

// figures are what must not depend on how a ring is written.
func figures(t *testing.T, p *piece.Piece) string {
	m := measured(t, p)
	inside, ok := m.Inside()
	s := m.Leading()
	return fmt.Sprintf("strung %.4f inside %.2f %v slack %.4f least %.4f rule %.3f", s.Strung, inside, ok, s.slackNeeded(s.Strung), s.SlackLeast(), m.Rule.Inside)
}

func TestRandomRingsDoNotDependOnWhereTheyBeginNorOnTheWayRound(t *testing.T) {
	r := rand.New(rand.NewPCG(3, 14))
	for range 150 {
		beads := randomBeads(r, 6+r.IntN(30))
		line := strings.Join(beads, " ")
		want := figures(t, ringOf(t, line, menagerie()))
		for range 4 {
			cut := r.IntN(len(beads))
			turned := strings.Join(append(append([]string{}, beads[cut:]...), beads[:cut]...), " ")
			if got := figures(t, ringOf(t, turned, menagerie())); got != want {
				t.Fatalf("%s\n%s begun at %d\n%s", line, want, cut, got)
			}
		}
		if got := figures(t, ringOf(t, "~("+line+")", menagerie())); got != want {
			t.Fatalf("%s\n%s reversed\n%s", line, want, got)
		}
	}
}

func TestARandomStrandReversedMeasuresTheSame(t *testing.T) {
	r := rand.New(rand.NewPCG(8, 2))
	symmetric := func(line string) *piece.Piece {
		p := strung(t, line)
		for key, b := range menagerie() {
			p.Palette[key] = bead(t, strings.ToLower(key), b, 0)
		}
		p.Closure.Right = fittings("cr", p.Closure.Left[1].Of)
		p.House.Tail = piece.TailTrimmed
		return p
	}
	for range 300 {
		line := strings.Join(randomBeads(r, 1+r.IntN(30)), " ")
		a, b := measured(t, symmetric(line)), measured(t, symmetric("~("+line+")"))
		s, back := a.Leading(), b.Leading()
		if fmt.Sprintf("%.6f %.6f %.6f", s.Strung, s.SlackNeeded, s.SlackLeast()) != fmt.Sprintf("%.6f %.6f %.6f", back.Strung, back.SlackNeeded, back.SlackLeast()) {
			t.Fatalf("%s: %v %v, reversed %v %v", line, s.Strung, s.SlackNeeded, back.Strung, back.SlackNeeded)
		}
		if s.Strung <= 0 || s.SlackNeeded < 0 || s.SlackLeast() < 0 || s.SlackLeast() > s.SlackNeeded+1e-9 {
			t.Fatalf("%s: strung %v, slack %v of at least %v", line, s.Strung, s.SlackNeeded, s.SlackLeast())
		}
		if inside, ok := a.Inside(); ok && inside > a.Finished {
			t.Fatalf("%s: inside %v, more than its finished %v", line, inside, a.Finished)
		}
		for _, l := range s.links() {
			if l.Segment.Length <= 0 {
				t.Fatalf("%s: a link of %v", line, l.Segment.Length)
			}
		}
	}
}
