package measure

import (
	"errors"
	"fmt"
	"math"
	"strings"
	"testing"

	"mala/core/length"
	"mala/core/material"
	"mala/core/pattern"
	"mala/core/piece"
	"mala/core/testparts"
)

func mm(v float64) length.MM { return length.MM(v) }

func bead(t testing.TB, id string, b material.Bead, mass float64) *material.Material {
	t.Helper()
	return testparts.Bead(t, id, b, mass)
}

func round(t testing.TB, d, hole length.MM) *material.Material {
	return bead(t, "round", material.Bead{Shape: material.Round, Across: d, Hole: hole}, 0.5)
}

func finding(t testing.TB, f material.Finding) *material.Material {
	t.Helper()
	made, err := material.NewFinding(f)
	if err != nil {
		t.Fatal(err)
	}
	return &material.Material{ID: string(f.Type), Name: string(f.Type), Class: material.ClassFinding, Finding: made}
}

// fittings gives each finding an id of its own.
func fittings(prefix string, of ...*material.Material) []piece.Fitting {
	var out []piece.Fitting
	for i, m := range of {
		out = append(out, piece.Fitting{ID: piece.ID(fmt.Sprint(prefix, i+1)), Of: m})
	}
	return out
}

func cord(typ material.CordType, d length.MM) *material.Material {
	return &material.Material{ID: string(typ), Name: string(typ), Class: material.ClassCord, Cord: &material.Cord{Type: typ, Diameter: d}}
}

// palette is the beads of the worked examples: R round 8, P round 4, G round 10
// with a large hole, S seed, T tube, B bicone, C cap.
func palette(t testing.TB) map[string]*material.Material {
	return map[string]*material.Material{
		"R": round(t, 8, 1),
		"P": round(t, 4, 0.8),
		"G": round(t, 10, 2.5),
		"S": bead(t, "seed", material.Bead{Shape: material.Seed, Across: 2.2, Along: 1.5, Hole: 0.8}, 0),
		"T": bead(t, "tube", material.Bead{Shape: material.Tube, Across: 4, Along: 6, Hole: 1.2}, 0),
		"B": bead(t, "bicone", material.Bead{Shape: material.Bicone, Across: 4, Along: 4, Hole: 0.9}, 0),
		"C": bead(t, "cap", material.Bead{Shape: material.Cap, Across: 6, Depth: 1.4, Wall: 0.35, Hole: 0.8}, 0),
		"D": bead(t, "tiny", material.Bead{Shape: material.Round, Across: 2.5, Hole: 0.8}, 0),
	}
}

// stretch is a bracelet knotted on elastic; strung is an open strand on wire
// with a crimp at each end.
func stretch(t testing.TB, line string) *piece.Piece {
	t.Helper()
	parsed := testparts.Line(t, line)
	return &piece.Piece{
		Kind: piece.Bracelet, Palette: palette(t), House: piece.DefaultHouse(),
		Closure:  piece.Closure{Type: piece.Knot},
		Sections: []piece.Section{{Rows: []*piece.Row{{ID: "r1", Cord: cord(material.Elastic, 0.7), Line: parsed, Passes: 1}}}},
	}
}

func strung(t testing.TB, line string) *piece.Piece {
	p := stretch(t, line)
	crimp := finding(t, material.Finding{Type: material.CrimpTube, Inside: 1.3, Outside: 2, Length: 2})
	p.Closure = piece.Closure{Type: piece.Clasp,
		Left:  fittings("cl", finding(t, material.Finding{Type: material.Lobster, Closed: 8.6}), finding(t, material.Finding{Type: material.JumpRing, Inside: 3.6, Wire: 0.7})),
		Right: fittings("cr", finding(t, material.Finding{Type: material.SplitRing, Inside: 4, Wire: 0.7})),
	}
	row := p.Leading()
	row.Cord, row.Left, row.Right = cord(material.Wire, 0.38), fittings("fl", crimp), fittings("fr", crimp)
	return p
}

func measured(t testing.TB, p *piece.Piece) *Measured {
	t.Helper()
	if faults := p.Check(); len(faults) > 0 {
		t.Fatal(faults)
	}
	m, err := Measure(p)
	if err != nil {
		t.Fatal(err)
	}
	return m
}

func near(t *testing.T, name string, got, want length.MM, within float64) {
	t.Helper()
	if math.Abs(float64(got-want)) > within {
		t.Errorf("%s = %.4f, want %.4f", name, float64(got), float64(want))
	}
}

func TestStrungLengthsOfTheWorkedExamples(t *testing.T) {
	for _, tt := range []struct {
		line string
		want length.MM
	}{
		{"20R", 158.745},
		{"P G S P", 16.724},
		{"P G 4S P", 16.724},
		{"P G 8S P", 19.838},
		{"2B", 4 + 4},
	} {
		near(t, tt.line, measured(t, strung(t, tt.line)).Leading().Strung, tt.want, 0.001)
	}
	capped := measured(t, strung(t, "C D ~C")).Leading()
	near(t, "two caps mouth to mouth over a small bead, pole to pole", capped.Beads[2].At-capped.Beads[0].At, 3.5, 0.001)
	near(t, "a bare cord", measured(t, strung(t, "")).Leading().Strung, 0, 0)
}

func TestSwallowedBeadsAreReportedAndStillCounted(t *testing.T) {
	m := measured(t, strung(t, "P G 4S P"))
	s := m.Leading()
	if !s.Beads[1].Swallowed || !s.Beads[2].Swallowed || s.Beads[0].Swallowed {
		t.Errorf("swallowed: %v", s.Beads)
	}
	for _, c := range m.Tally {
		if c.Material.ID == "seed" && c.Count != 4 {
			t.Errorf("%d seeds counted, want 4", c.Count)
		}
	}
}

func TestLengthIsAddedUpInSeries(t *testing.T) {
	m := measured(t, strung(t, "20R"))
	s := m.Leading()
	near(t, "left end", s.Left.Length, 2+2+3.6+8.6, 1e-9)
	near(t, "right end", s.Right.Length, 2+2+4, 1e-9)
	near(t, "finished", m.Finished, s.Strung+s.Slack+16.2+8, 1e-9)
	p := strung(t, "20R")
	p.House.TargetCounts = piece.CountsBeads
	near(t, "against a target of the beads alone", measured(t, p).ForTarget, 158.745, 0.001)

	guard := finding(t, material.Finding{Type: material.WireGuard, Length: 4.2})
	p = strung(t, "20R")
	p.Leading().Left = append(p.Leading().Left, fittings("x", guard)...)
	near(t, "a guard in the loop's place", measured(t, p).Leading().Left.Length, 2+4.2+3.6+8.6, 1e-9)

	cover := finding(t, material.Finding{Type: material.CrimpCover, Outside: 3, Length: 3.1})
	p = strung(t, "20R")
	p.Leading().Left = append(p.Leading().Left, fittings("x", cover)...)
	near(t, "a cover in its crimp's place", measured(t, p).Leading().Left.Length, 3.1+2+3.6+8.6, 1e-9)
}

func TestACrimpBesideALargeHoleAddsNothing(t *testing.T) {
	s := measured(t, strung(t, "P G")).Leading()
	near(t, "left end", s.Left.Length, 2+2+3.6+8.6, 1e-9)
	near(t, "right end, its crimp swallowed", s.Right.Length, 2+4, 1e-9)
	if !s.Right.Parts[0].Swallowed || s.Left.Parts[0].Swallowed {
		t.Error("the crimp at the right should be swallowed, the left one not")
	}
}

func TestRingsOfEqualBeads(t *testing.T) {
	for _, tt := range []struct {
		line                  string
		strung, inside, slack length.MM
	}{
		{"22R", 174.62, 151.44, 3.16},
		{"30T", 180, 0, 12.61},
	} {
		s := measured(t, stretch(t, tt.line)).Leading()
		near(t, tt.line+" strung", s.Strung, tt.strung, 0.01)
		near(t, tt.line+" slack needed", s.slackNeeded(s.Strung), tt.slack, 0.01)
	}
	m := measured(t, stretch(t, "22R"))
	near(t, "inside of 22R", insideOf(t, m), 151.44, 0.01)
	p := stretch(t, "30T")
	p.Palette["T"] = bead(t, "tube", material.Bead{Shape: material.Tube, Across: 4, Along: 6, Hole: 1.2}, 0)
	near(t, "inside of 30 tubes 6 x 4", insideOf(t, measured(t, p)), 179.34, 0.01)
	near(t, "rule of thumb of 22R", m.Rule.Inside, 174.62-8*math.Pi, 0.01)
}

func TestTheInsideOfMixedBeads(t *testing.T) {
	// A 4 mm seed between 8 mm rounds bridges and touches nothing: each pair turns
	// as one link would that is as long as both.
	m := measured(t, stretch(t, "11(R P)"))
	inside := insideOf(t, m)
	if rule := m.Rule.Inside; inside <= rule-8 || inside >= rule+8 {
		t.Errorf("inside %v is far from its rule of thumb %v", inside, rule)
	}
	// Taken one by one the small beads could only make it tighter.
	all := insideOf(t, measured(t, stretch(t, "22R")))
	if inside >= all {
		t.Errorf("11 rounds and 11 small ones go round %v, 22 rounds round %v", inside, all)
	}
	clasped := insideOf(t, measured(t, strung(t, "22R")))
	if clasped <= all {
		t.Errorf("with a clasp it goes round %v, without round %v", clasped, all)
	}
	if _, ok := measured(t, stretch(t, "2R")).Inside(); ok {
		t.Error("two beads go round nothing")
	}
	if _, ok := measured(t, stretch(t, "")).Inside(); ok {
		t.Error("a bare cord has no beads to lie inside")
	}
}

func TestTheLinksAddUpToTheLoop(t *testing.T) {
	for _, line := range []string{"P G 8S P 3R", "2(G S) B C R ~C 3T", "S G G S P C D ~C", "<3P C R ~C 2P | G>", "3R P 2G 5S B T"} {
		for kind, p := range map[string]*piece.Piece{"clasp": strung(t, line), "ring": stretch(t, line)} {
			m := measured(t, p)
			sum := 0.0
			for _, l := range m.Leading().links() {
				sum += l.Segment.Length
			}
			near(t, kind+" "+line, length.MM(sum), m.Finished-m.Leading().Slack, 1e-6)
		}
	}
}

func TestMissingSlackIsMissingInside(t *testing.T) {
	p := strung(t, "22R")
	with := insideOf(t, measured(t, p))
	none := length.MM(0)
	p.Leading().Slack = &none
	m := measured(t, p)
	near(t, "inside without slack", insideOf(t, m), with-m.Leading().SlackNeeded, 1e-6)
}

func TestARingIsAsLongWhereverItIsWritten(t *testing.T) {
	want := measured(t, stretch(t, "3R P 2G 5S B T")).Leading().Strung
	for _, line := range []string{"P 2G 5S B T 3R", "G 5S B T 3R P G", "3S B T 3R P 2G 2S", "T 3R P 2G 5S B"} {
		s := measured(t, stretch(t, line)).Leading()
		near(t, line, s.Strung, want, 1e-9)
		near(t, line+": first face", s.Beads[0].From, 0, 1e-9)
	}
}

func TestPositionsAreTheLongestPath(t *testing.T) {
	for _, line := range []string{"P G 8S P 3R", "2(G S) B C R ~C 3T", "S G G S P C D ~C"} {
		s := measured(t, strung(t, line)).Leading()
		for k := range s.Beads {
			want := math.Inf(-1)
			for j := range k {
				c, ok := material.Touch(s.Beads[j].Material.Bead.Face(!s.Beads[j].Turned), s.Beads[k].Material.Bead.Face(s.Beads[k].Turned))
				if ok {
					want = max(want, float64(s.Beads[j].At+c.Distance))
				}
			}
			if !math.IsInf(want, -1) {
				near(t, line, s.Beads[k].At, mm(want), 1e-9)
			}
		}
	}
}

func TestMirrorLeavesTheLengthAlone(t *testing.T) {
	a := measured(t, strung(t, "R C P 3B G T"))
	b := measured(t, strung(t, "~(R C P 3B G T)"))
	near(t, "reversed", b.Leading().Strung, a.Leading().Strung, 1e-9)
}

func TestCutIsASumThatCanBeRead(t *testing.T) {
	m := measured(t, strung(t, "20R"))
	s := m.Leading()
	for i, want := range []struct {
		name   string
		length length.MM
		spare  bool
	}{
		{"beads", s.Strung, false}, {"slack", s.Slack, false}, {"left crimp + loop x 2", 8, false}, {"left tail", 25, false}, {"left working end", 60, true},
		{"right crimp + loop x 2", 8, false}, {"right tail", 25, false}, {"right working end", 60, true},
	} {
		if len(s.Cut()) != 8 {
			t.Fatalf("cut = %v", s.Cut())
		}
		c := s.Cut()[i]
		if ItemName(c.Item) != want.name || c.Spare != want.spare {
			t.Errorf("item %d is %q, want %q", i, ItemName(c.Item), want.name)
		}
		near(t, want.name, c.Length, want.length, 1e-9)
	}
	near(t, "cut", s.CutLength(), s.Strung+s.Slack+186, 1e-9)

	elastic := measured(t, stretch(t, "22R")).Leading()
	near(t, "elastic", elastic.CutLength(), elastic.Strung+150, 1e-9)

	p := strung(t, "20R")
	p.House.Allowance, p.House.Tail = piece.AllowanceSpool, piece.TailTrimmed
	p.Leading().Passes = 2
	doubled := measured(t, p).Leading()
	near(t, "doubled from the spool, trimmed", doubled.CutLength(), 2*(doubled.Strung+doubled.Slack+16+25), 1e-9)
}

func TestTheTailPassesTheBeadsItIsTuckedInto(t *testing.T) {
	s := measured(t, strung(t, "20R")).Leading()
	// 25 mm reach into four beads of 7.94 at either end.
	for i, b := range s.Beads {
		want := 1
		if i < 4 || i >= 16 {
			want = 2
		}
		if b.Passes != want {
			t.Errorf("bead %d has %d passes, want %d", i, b.Passes, want)
		}
	}
}

func TestFillsTakeTheNearestWholeNumber(t *testing.T) {
	for _, tt := range []struct {
		line   string
		target length.MM
	}{
		{"{P}", 100}, {"R {P} R", 100}, {"<R {P B} | G>", 300}, {"{R}", 3}, {"4R {P}", 20},
	} {
		p := stretch(t, tt.line)
		p.Target = &piece.Target{Finished: tt.target, Tolerance: 3}
		m := measured(t, p)
		open := p.Leading().Line.OpenFill()
		chosen := m.Leading().Fills[open]
		best, bestOff := -1, math.Inf(1)
		for n := range 200 {
			mk, err := newStrandMaker(p, p.Leading())
			if err != nil {
				t.Fatal(err)
			}
			s, err := mk.layOut(pattern.Fills{open: n}, nil)
			if err != nil {
				t.Fatal(err)
			}
			s.finish(p)
			if off := math.Abs(float64(s.Finished() - tt.target)); off < bestOff-1e-9 {
				best, bestOff = n, off
			}
		}
		if chosen != best {
			t.Errorf("%s to %v: %d repeats, by trying all %d", tt.line, tt.target, chosen, best)
		}
	}
	near(t, "{25mm: T}", measured(t, stretch(t, "{25mm: T} R")).Leading().Beads[3].To, 24, 1e-9)
	if _, err := Measure(stretch(t, "{P}")); err == nil || !strings.Contains(err.Error(), "target") {
		t.Errorf("an open fill without a target: %v", err)
	}
}

func TestSensitivityIsTheSlope(t *testing.T) {
	p := strung(t, "P 30R G 10B P")
	m := measured(t, p)
	for _, s := range m.Sensitivity {
		if s.Material.Class != material.ClassBead {
			continue
		}
		const tiny = 1e-4
		grown := *s.Material.Bead
		n := 50
		grown.Run = material.Run{Count: n, Measured: (grown.Length() + grown.Pitch()*mm(float64(n-1))) * (1 + tiny/grown.Length())}
		bigger := strung(t, "P 30R G 10B P")
		for key, mat := range p.Palette {
			bigger.Palette[key] = mat
			if mat == s.Material {
				bigger.Palette[key] = bead(t, mat.ID, grown, 0)
			}
		}
		slope := (measured(t, bigger).Leading().Strung - m.Leading().Strung) / tiny * 0.1
		near(t, "0.1 mm on "+s.Material.ID, s.PerTenth, slope, 0.01)
	}
	rounds := measured(t, stretch(t, "72P"))
	near(t, "72 pearls", rounds.Sensitivity[0].PerTenth, 7.2, 0.001)
}

func TestWeightCountsWhatIsKnown(t *testing.T) {
	m := measured(t, stretch(t, "10R 4S"))
	near(t, "mass", mm(m.MassG), 5, 1e-9)
	if len(m.Unweighed) != 1 || m.Unweighed[0] != "seed" {
		t.Errorf("unweighed: %v", m.Unweighed)
	}
}

func TestALetterWithoutADishIsNamedAtItsPlace(t *testing.T) {
	_, err := Measure(stretch(t, "3P 12Q"))
	var f *pattern.Fault
	if !errors.As(err, &f) || f.Code != pattern.UnknownKey || f.Col != 6 {
		t.Errorf("got %v, want an unknown key at column 6", err)
	}
}

func TestRunsSayTheLengthReached(t *testing.T) {
	runs := measured(t, strung(t, "2R 3P C 2~C")).Leading().Runs()
	if len(runs) != 4 || runs[0].Count != 2 || runs[1].First != 2 || !runs[3].Turned {
		t.Fatalf("runs: %+v", runs)
	}
	near(t, "two rounds of 8", runs[0].Reached, 15.875, 0.001)
}

func insideOf(t *testing.T, m *Measured) length.MM {
	t.Helper()
	inside, ok := m.Inside()
	if !ok {
		t.Fatal("it has no inside length")
	}
	return inside
}
