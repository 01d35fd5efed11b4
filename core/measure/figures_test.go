package measure

import (
	"strings"
	"testing"

	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
)

// ringOf is a ring on 0.7 elastic of beads by their letters.
func ringOf(t testing.TB, line string, beads map[string]material.Bead) *piece.Piece {
	p := stretch(t, line)
	for key, b := range beads {
		p.Palette[key] = bead(t, strings.ToLower(key), b, 0)
	}
	return p
}

var (
	seed22  = material.Bead{Shape: material.Seed, Across: 2.2, Along: 1.5, Hole: 0.8}
	seed31  = material.Bead{Shape: material.Seed, Across: 3.1, Along: 2.1, Hole: 1}
	wide10  = material.Bead{Shape: material.Round, Across: 10, Hole: 2.5}
	oval9   = material.Bead{Shape: material.Oval, Across: 9, Along: 6, Hole: 4}
	cap6    = material.Bead{Shape: material.Cap, Across: 6, Depth: 1.4, Wall: 0.35, Hole: 1}
	round25 = material.Bead{Shape: material.Round, Across: 2.5, Hole: 1}
	round8  = material.Bead{Shape: material.Round, Across: 8, Hole: 1}
	round4  = material.Bead{Shape: material.Round, Across: 4, Hole: 0.8}
	tile    = material.Bead{Shape: material.Cube, Across: 12, Thick: 3, Along: 6, Hole: 1}
	letter7 = material.Bead{Shape: material.Letter, Across: 7, Thick: 3.6, Along: 7, Hole: 1}
)

func TestARingMeasuresTheSameWhereverItsLineStarts(t *testing.T) {
	seeds := map[string]material.Bead{"S": seed22, "W": wide10}
	ovals := map[string]material.Bead{"S": seed31, "P": oval9}
	caps := map[string]material.Bead{"B": round25, "C": cap6, "P": round8}
	for _, tt := range []struct {
		beads map[string]material.Bead
		lines string
		want  length.MM
	}{
		{seeds, "S 18W, 18W S, 9W S 9W", 174.284},
		{seeds, "17(S W), 17(W S)", 164.602},
		{ovals, "20(P 3S), 20(3S P), 20(S P 2S)", 126},
		{caps, "B ~C 18P C, ~C 18P C B, 18P C B ~C, C B ~C 18P, 9P C B ~C 9P", 146.312},
	} {
		for _, line := range strings.Split(tt.lines, ", ") {
			near(t, line, measured(t, ringOf(t, line, tt.beads)).Leading().Strung, tt.want, 0.001)
		}
	}
}

func TestAFillIsAsLongBehindALooseBeadAsBeforeIt(t *testing.T) {
	var counts []int
	for _, line := range []string{"S {W}", "{W} S"} {
		p := ringOf(t, line, map[string]material.Bead{"S": seed22, "W": wide10})
		p.Target = &piece.Target{Finished: 180, Tolerance: 3}
		counts = append(counts, len(measured(t, p).Leading().Beads))
	}
	if counts[0] != counts[1] || counts[0] != 20 {
		t.Errorf("filled to %v beads, want 20 both ways", counts)
	}
}

func TestThinFlatBeadsHingeAtHalfTheirThickness(t *testing.T) {
	near(t, "30 tiles", insideOf(t, measured(t, ringOf(t, "30F", map[string]material.Bead{"F": tile}))), 179.34, 0.01)
	near(t, "25 letters", insideOf(t, measured(t, ringOf(t, "25F", map[string]material.Bead{"F": letter7}))), 174.08, 0.01)
}

func TestSeatedCapsAreOneStiffPartWithTheirBead(t *testing.T) {
	beads := map[string]material.Bead{"B": round8, "C": cap6, "P": round4}
	m := measured(t, ringOf(t, "9(C B ~C P)", beads))
	near(t, "strung", m.Leading().Strung, 113.451, 0.001)
	near(t, "inside", insideOf(t, m), 88.959, 0.005)
	for _, line := range []string{"9(B ~C P C)", "9(~C P C B)", "9(P C B ~C)", "~(9(C B ~C P))"} {
		near(t, line, insideOf(t, measured(t, ringOf(t, line, beads))), insideOf(t, m), 0.001)
	}
	p := strung(t, "P 9(C B ~C P)")
	for key, b := range beads {
		p.Palette[key] = bead(t, key, b, 0)
	}
	s := measured(t, p).Leading()
	near(t, "strung with a round more", s.Strung, 117.370, 0.001)
	near(t, "slack in a loop of 144.370", s.slackNeeded(144.370), 2.484, 0.001)
}
