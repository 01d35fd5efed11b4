package measure

import (
	"math"
	"math/rand/v2"
	"testing"

	"mala/core/length"
	"mala/core/material"
	"mala/core/pattern"
	"mala/core/piece"
	"mala/core/testparts"
)

// button is a flat so wide and thick, its holes so far apart.
func button(t testing.TB, id string, wide, thick, apart length.MM, holes int) *material.Material {
	t.Helper()
	return bead(t, id, material.Bead{Shape: material.Button, Across: wide, Along: thick, Hole: 1.2, Holes: holes, Apart: apart}, 0.5)
}

// lacedRow is a row of the flats B, S (four holes) and T (two) on waxed cord, without ends.
func lacedRow(t testing.TB, line string, cords int, l piece.Lacing) *piece.Piece {
	t.Helper()
	row := &piece.Row{ID: "r1", Cord: cord(material.Waxed, 1), Line: testparts.Line(t, line), Passes: cords, Lacing: &l}
	return &piece.Piece{Kind: piece.Bracelet, House: piece.DefaultHouse(), Closure: piece.Closure{Type: piece.Clasp},
		Palette:  map[string]*material.Material{"B": button(t, "big", 15, 3, 3, 4), "S": button(t, "small", 9, 2, 2, 4), "T": button(t, "two", 12, 2.5, 5, 2)},
		Sections: []piece.Section{{Rows: []*piece.Row{row}}}}
}

// Ten buttons of 15, 3 thick, holes 3 apart, at a pitch of 16: structure.md's worked figures.
func TestALacedRowIsAsLongAsItLiesAndItsCordAsItRuns(t *testing.T) {
	root2 := math.Sqrt2
	for _, tt := range []struct {
		name         string
		line         string
		cords        int
		lacing       piece.Lacing
		strung, path float64 // without the way to the ends
	}{
		{"diagonal", "10B", 1, piece.Lacing{Way: piece.LacedDiagonal, Pitch: 16}, 159, 222.501},
		{"straight, two cords", "10B", 2, piece.Lacing{Way: piece.LacedStraight, Pitch: 16}, 159, 2 * (10*(3+6) + 9*13)},
		{"crossed", "10B", 2, piece.Lacing{Way: piece.LacedCrossed, Pitch: 16}, 159, 2 * (10*(3*root2+6) + 9*13)},
		{"touching", "10B", 1, piece.Lacing{Way: piece.LacedDiagonal}, 150, 10*(3*root2+6) + 9*math.Sqrt(12*12+9)},
		{"of two sizes", "B S B", 2, piece.Lacing{Way: piece.LacedStraight}, 39, 2 * (3 + 2 + 3 + 2*(3+2+3) + 2*math.Sqrt(9.5*9.5+0.25))},
		{"with two holes", "3T", 1, piece.Lacing{Way: piece.LacedStraight}, 36, 3*(5+5) + 2*7},
		{"in two layers", "3B", 1, piece.Lacing{Way: piece.LacedStraight, Overlap: 4}, 37, 3*(3+6) + 2*math.Sqrt(8*8+9)},
		{"small on large", "2B", 1, piece.Lacing{Way: piece.LacedDiagonal, Tops: map[string]string{"B": "S"}}, 30, 2*(2*root2+10) + math.Sqrt(12*12+9)},
		{"apart", "B _5mm B", 1, piece.Lacing{Way: piece.LacedStraight}, 35, 2*(3+6) + 17},
	} {
		s := measured(t, lacedRow(t, tt.line, tt.cords, tt.lacing)).Leading()
		if math.Abs(float64(s.Strung)-tt.strung) > 1e-9 {
			t.Errorf("%s: %v long, want %v", tt.name, s.Strung, tt.strung)
		}
		if got := float64(s.Lace.Path() - s.Lace.Edges); math.Abs(got-tt.path) > 0.001 {
			t.Errorf("%s: the cord takes %.3f, want %.3f", tt.name, got, tt.path)
		}
		if s.PathLength() != s.Lace.Path() || s.SlackNeeded != 0 || s.SlackLeast() != 0 {
			t.Errorf("%s: a path of %v, slack of %v and at least %v", tt.name, s.PathLength(), s.SlackNeeded, s.SlackLeast())
		}
	}
	s := measured(t, lacedRow(t, "10B", 1, piece.Lacing{Way: piece.LacedDiagonal, Pitch: 16})).Leading()
	if s.Lace.Edges != 12 || s.Lace.Step != 0 || s.Lace.Tilt != 0 || s.Lace.Covered > 0 {
		t.Errorf("%+v", s.Lace)
	}
}

// Flats that lean on one another lie face to face: at a distance P they are P sin t thick.
func TestFlatsThatLeanAreAsLongAsTheyLie(t *testing.T) {
	s := measured(t, lacedRow(t, "4B", 1, piece.Lacing{Way: piece.LacedStraight, Overlap: 9, Tilted: true})).Leading()
	const tilt = math.Pi / 6 // sin t = 3/6
	want := 3*6 + 15*math.Cos(tilt) + 3*math.Sin(tilt)
	back := 3 * math.Sqrt((6-3*math.Cos(tilt))*(6-3*math.Cos(tilt))+(3*math.Sin(tilt))*(3*math.Sin(tilt)))
	if math.Abs(float64(s.Strung)-want) > 1e-9 || math.Abs(s.Lace.Tilt-tilt) > 1e-12 || math.Abs(float64(s.Lace.Back)-back) > 1e-9 || s.Lace.Step != 0 || s.Lace.Covered != 9 {
		t.Errorf("%v long, want %v; %+v, want %v back", s.Strung, want, s.Lace, back)
	}
	if thick := s.Beads[0].Material.Bead.Thick; math.Abs(float64(thick)-(15*math.Sin(tilt)+3*math.Cos(tilt))) > 1e-9 {
		t.Errorf("%v thick", thick)
	}
	layers := measured(t, lacedRow(t, "4B", 1, piece.Lacing{Way: piece.LacedStraight, Overlap: 9})).Leading()
	if layers.Lace.Step != 3 || layers.Lace.Tilt != 0 || layers.Beads[1].Material.Bead.Thick != 6 || layers.Strung != 33 {
		t.Errorf("%+v, %v long", layers.Lace, layers.Strung)
	}
}

// All flats lie on the cord at their backs, whatever their thickness, and turn there.
func TestLacedFlatsLieOnTheirCord(t *testing.T) {
	inside := func(line string, tops map[string]string) float64 {
		mm, ok := measured(t, lacedRow(t, line, 1, piece.Lacing{Way: piece.LacedDiagonal, Tops: tops})).Inside()
		if !ok {
			t.Fatal(line)
		}
		return float64(mm)
	}
	// A closed ring of equal parts: p = 2 (q + w) tan(π/n), w the cord's thickness.
	want := 2 * math.Pi * (15/(2*math.Tan(math.Pi/12)) - 1)
	for _, tops := range []map[string]string{nil, {"B": "S"}} {
		if got := inside("12B", tops); math.Abs(got-want) > 0.01 {
			t.Errorf("%.3f inside, want %.3f", got, want)
		}
	}
}

func TestTopsAreCountedAndWeighedAndHolesShareTheCords(t *testing.T) {
	m := measured(t, lacedRow(t, "3B 2S", 2, piece.Lacing{Way: piece.LacedCrossed, Tops: map[string]string{"B": "S"}}))
	counts := map[string]int{}
	for _, c := range m.Tally {
		counts[c.Material.ID] += c.Count
	}
	if counts["big"] != 3 || counts["small"] != 5 || m.MassG != 4 || m.Leading().AllBeads() != 8 || m.Leading().Count() != 5 {
		t.Errorf("%v, %v g", counts, m.MassG)
	}
	for _, tt := range []struct {
		line  string
		way   piece.LacingWay
		cords int
		want  int
	}{
		{"B", piece.LacedDiagonal, 2, 2}, {"B", piece.LacedCrossed, 2, 1}, {"B", piece.LacedCrossed, 4, 2},
		{"B", piece.LacedStraight, 1, 1}, {"B", piece.LacedStraight, 3, 2}, {"T", piece.LacedStraight, 3, 3},
	} {
		if b := measured(t, lacedRow(t, tt.line, tt.cords, piece.Lacing{Way: tt.way})).Leading().Beads[0]; b.Passes != tt.want {
			t.Errorf("%s %s with %d cords: %d in a hole, want %d", tt.line, tt.way, tt.cords, b.Passes, tt.want)
		}
	}
}

// plainPath follows the cords hole by hole over flats given by their middles, with nothing
// that it shares with what it checks.
func plainPath(way piece.LacingWay, cords int, at, apart, through []float64, closed float64) float64 {
	type hole struct{ x, y float64 }
	sum := 0.0
	for k := range cords {
		var first, last hole
		for i := range at {
			h := apart[i] / 2
			in, out := hole{at[i] - h, h}, hole{at[i] + h, -h}
			if way == piece.LacedStraight {
				out.y = h
			}
			if way == piece.LacedStraight && k%2 == 1 || way == piece.LacedCrossed && (k+i)%2 == 1 {
				in.y, out.y = -in.y, -out.y
			}
			sum += math.Hypot(out.x-in.x, out.y-in.y) + 2*through[i]
			if i == 0 {
				first = in
			} else {
				sum += math.Hypot(in.x-last.x, in.y-last.y)
			}
			last = out
		}
		if closed > 0 {
			sum += math.Hypot(first.x+closed-last.x, first.y-last.y)
		}
	}
	return sum
}

func TestAnyLacedRowTakesTheCordThatIsFollowedHoleByHole(t *testing.T) {
	r := rand.New(rand.NewPCG(26, 11))
	for range 300 {
		n := 1 + r.IntN(12)
		way := piece.LacingWays()[r.IntN(3)]
		cords := (1 + r.IntN(2)) * (&piece.Lacing{Way: way}).Cords()
		p := lacedRow(t, "B", cords, piece.Lacing{Way: way})
		pitch, line := length.MM(0), ""
		if r.IntN(2) == 0 {
			pitch = 20 + length.MM(r.IntN(10))
		}
		p.Leading().Lacing.Pitch = pitch
		var at, apart, through []float64
		x := 0.0
		for range n {
			key := []string{"B", "S"}[r.IntN(2)]
			b := p.Palette[key].Bead
			share := float64(b.Across) / 2
			if pitch > 0 {
				share = float64(pitch) / 2
			}
			if len(at) == 0 {
				x = float64(b.Across)/2 - share
			}
			at = append(at, x+share)
			x += 2 * share
			apart, through = append(apart, float64(b.Apart)), append(through, float64(b.Along))
			line += key + " "
		}
		p.Leading().Line = testparts.Line(t, line)
		closed := 0.0
		if r.IntN(3) == 0 && pitch == 0 {
			p.Closure.Type, p.Leading().Cord = piece.Knot, cord(material.Elastic, 1)
			closed = x
		}
		s := measured(t, p).Leading()
		if got, want := float64(s.Lace.Path()-s.Lace.Edges), plainPath(way, cords, at, apart, through, closed); math.Abs(got-want) > 1e-6 {
			t.Fatalf("%s, %s, %d cords, pitch %v, closed %v: %v, want %v", line, way, cords, pitch, closed, got, want)
		}
	}
}

// Beads of a loop at the end are strung as ever, and a crimp beside a flat slips into no hole.
func TestWhatLiesBeyondALacedRowIsStrung(t *testing.T) {
	p := lacedRow(t, "3B", 1, piece.Lacing{Way: piece.LacedDiagonal})
	crimp := finding(t, material.Finding{Type: material.CrimpTube, Inside: 0.8, Outside: 1.1, Length: 2})
	row := p.Leading()
	row.Left, row.Right, row.RightEnding = fittings("l", crimp), fittings("q", crimp), loopOf(t, "4S")
	s := measured(t, p).Leading()
	if loop := s.Right.Find(RoleBeads).Loop; loop.Strung != 8 || loop.Beads[0].Flat() != nil {
		t.Errorf("%+v", loop)
	}
	if s.Left.Parts[0].Swallowed || s.Left.Tail != 0 || s.Left.TailBeads != nil {
		t.Errorf("%+v", s.Left)
	}
	ten := length.MM(10)
	row.LeftEnding.Tail.Length = &ten
	if left := measured(t, p).Leading().Left; left.Tail != 10 || left.TailBeads != nil {
		t.Errorf("%+v", left)
	}
}

func TestOnlyFlatsWithHolesAreLaced(t *testing.T) {
	p := lacedRow(t, "B", 1, piece.Lacing{Way: piece.LacedDiagonal})
	p.Palette["P"] = bead(t, "pearl", material.Bead{Shape: material.Round, Across: 4, Hole: 1}, 0.1)
	pitched := piece.Lacing{Way: piece.LacedStraight, Pitch: 20}
	for line, tt := range map[string]struct {
		l   piece.Lacing
		col int
	}{
		"2B P":      {piece.Lacing{Way: piece.LacedStraight}, 4},
		"2B 3T":     {piece.Lacing{Way: piece.LacedDiagonal}, 4},
		"B T":       {piece.Lacing{Way: piece.LacedCrossed}, 3},
		"B _5mm B":  {pitched, 3},
		"B @20mm B": {piece.Lacing{Way: piece.LacedStraight}, 3},
		"B B[3S]":   {piece.Lacing{Way: piece.LacedStraight}, 3},
	} {
		faults := pattern.Faults(tt.l.CheckLine(testparts.Line(t, line), p.Palette))
		if len(faults) != 1 || faults[0].Col != tt.col {
			t.Errorf("%s: %v", line, faults)
		}
	}
	if err := (&piece.Lacing{Way: piece.LacedStraight}).CheckLine(testparts.Line(t, "2B 3T S"), p.Palette); err != nil {
		t.Error(err)
	}
}

// Leaning flats of two sizes each stand on their lower edge: the cord between them goes from hole
// to hole in space.
func TestTheCordBetweenLeaningFlatsOfTwoSizes(t *testing.T) {
	s := measured(t, lacedRow(t, "B S", 1, piece.Lacing{Way: piece.LacedStraight, Overlap: 3, Tilted: true})).Leading()
	hole := func(i int, side float64) (x, z float64) {
		f, b := s.Beads[i].Flat(), s.Beads[i].Material.Bead
		sin, cos := math.Sin(f.Tilt), math.Cos(f.Tilt)
		return float64(s.Beads[i].At) + float64(f.Through)/2*sin + side*float64(b.Apart)/2*cos, (float64(f.Wide)/2 + side*float64(b.Apart)/2) * sin
	}
	fromX, fromZ := hole(0, 1)
	toX, toZ := hole(1, -1)
	// Their holes lie 3 and 2 apart, so half of one lower in the second.
	if want := math.Hypot(math.Hypot(toX-fromX, toZ-fromZ), 0.5); s.Beads[0].Flat().Tilt == s.Beads[1].Flat().Tilt || math.Abs(float64(s.Lace.Back)-want) > 1e-9 {
		t.Errorf("%v, want %v", s.Lace.Back, want)
	}
	alone := measured(t, lacedRow(t, "B", 1, piece.Lacing{Way: piece.LacedStraight, Overlap: 3})).Leading()
	if alone.Lace.Step != 0 {
		t.Errorf("one flat alone lies in %v of layers", alone.Lace.Step)
	}
}
