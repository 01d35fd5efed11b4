package solve

import (
	"context"
	"fmt"
	"math"
	"slices"
	"strings"
	"testing"
	"time"

	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
	"mala/core/testparts"
)

func saysOf(a Answer) string {
	var out []string
	for _, p := range a.Proposals {
		out = append(out, strings.Join(changed(p.Changes), " and "))
	}
	return strings.Join(out, "; ")
}

// Every proposal is what measuring it says, keeps what read the same both ways, and lies within.
func TestProposalsAreMeasuredAndKeepWhatReadsBothWays(t *testing.T) {
	m := necklace(t, "<9P 2S 7P S | G>")
	a := solved(t, m, to(float64(m.Finished)-21, 2), Rules{})
	if len(a.Proposals) < 4 || a.Why != nil || a.Nearest != nil || a.Now != m.Finished {
		t.Fatalf("%+v", a)
	}
	for i, p := range a.Proposals {
		if p.Measured.Finished != p.Value || math.Abs(float64(p.Off)) > 2 || p.Off != p.Value-(m.Finished-21) || !strings.HasPrefix(p.Line, "<") {
			t.Errorf("%v: %v, off %v, %s", changed(p.Changes), p.Value, p.Off, p.Line)
		}
		if i > 0 && p.cost.less(a.Proposals[i-1].cost) < 0 {
			t.Errorf("%v costs less than %v", changed(p.Changes), changed(a.Proposals[i-1].Changes))
		}
	}
	if one := solved(t, m, to(float64(m.Finished)-21, 2), Rules{Most: 1}); len(one.Proposals) != 1 || !slices.Equal(changed(one.Proposals[0].Changes), changed(a.Proposals[0].Changes)) {
		t.Errorf("%s", saysOf(one))
	}
	if there := solved(t, m, to(float64(m.Finished)-2, 1), Rules{}); m.Leading().Row.Line.String() != "<9P 2S 7P S | G>" || len(there.Proposals) == 0 {
		t.Errorf("%s; the piece is now %s", saysOf(there), m.Leading().Row.Line)
	}
}

func TestEveryKindOfMoveIsFound(t *testing.T) {
	shelf := []*material.Material{
		testparts.Bead(t, "spacer-3", material.Bead{Shape: material.Spacer, Across: 3, Along: 2, Hole: 1}, 0.1),
		testparts.Bead(t, "spacer-tight", material.Bead{Shape: material.Spacer, Across: 3, Along: 2.2, Hole: 0.5}, 0.1),
		{ID: "hook", Name: "Hook", Class: material.ClassFinding, Metal: "brass", Finding: &material.Finding{Type: material.Hook, Closed: 11.1}},
		{ID: "silver", Name: "Silver hook", Class: material.ClassFinding, Metal: "silver", Finding: &material.Finding{Type: material.Hook, Closed: 11.1}},
	}
	chain := &material.Material{ID: "chain", Name: "Chain", Class: material.ClassFinding, Metal: "brass", Finding: &material.Finding{Type: material.Chain, Inside: 3, Wire: 0.6}}
	twoRings := func(p *piece.Piece) {
		p.Closure.Left = append(p.Closure.Left, piece.Fitting{ID: "e2", Of: p.Closure.Right[0].Of})
	}
	withChain := func(p *piece.Piece) {
		p.Closure.Right = append([]piece.Fitting{{ID: "k", Of: chain, Links: 5}}, p.Closure.Right...)
	}
	pinned := Rules{Shelf: shelf, Pins: []piece.Pin{{Letter: "P"}, {Letter: "S"}, {Letter: "G"}, {Letter: "T"}}}
	for says, tt := range map[string]struct {
		by    float64
		tol   float64
		rules Rules
		of    func(p *piece.Piece)
	}{
		"both 20P to 19P":             {-7.84, 0.2, Rules{}, nil},
		"1 × spacer more at each end": {2 * 1.5, 0.35, Rules{}, nil},
		"one more ring at the left":   {3.6, 0.1, pinned, nil},
		"one ring less at the left":   {-3.6, 0.1, pinned, twoRings},
		"hook in place of lobster":    {2.5, 0.1, pinned, nil},
		"spacer of 2 mm along the cord in place of 1.5 mm along the cord": {10 * 0.5, 0.4, Rules{Most: 20, Shelf: shelf, Pins: []piece.Pin{{Letter: "P"}, {Letter: "G"}, {Letter: "T"}}}, nil},
		"3 links of chain in place of 5":                                  {-6, 0.1, pinned, withChain},
		"slack of ":                                                       {1.5, 0.3, pinned, nil},
	} {
		line := "20P G 20P"
		if strings.HasPrefix(says, "spacer of") {
			line = "5(4T S) 5(S 4T)"
		}
		change := tt.of
		if change == nil {
			change = func(*piece.Piece) {}
		}
		m := necklace(t, line, change)
		a := solved(t, m, to(float64(m.Finished)+tt.by, tt.tol), tt.rules)
		if !strings.Contains(saysOf(a), says) || strings.Contains(saysOf(a), "ilver") {
			t.Errorf("%+v mm: %q, want %q", tt.by, saysOf(a), says)
		}
	}
}

func TestWhatIsPinnedStays(t *testing.T) {
	m := necklace(t, "9P G 9P S 9P")
	goal := to(float64(m.Finished)-8, 1)
	free := saysOf(solved(t, m, goal, Rules{Most: 40}))
	for name, tt := range map[string]struct {
		pin    piece.Pin
		keeps  []string
		leaves string
	}{
		"the second run":  {piece.Pin{Row: "r1", Run: "9P", Nth: 1}, nil, "9P to 7P"},
		"a letter":        {piece.Pin{Letter: "P"}, []string{"9P to", "pearl"}, ""},
		"of another row":  {piece.Pin{Row: "r2", Run: "9P"}, nil, "9P to 7P"},
		"written no more": {piece.Pin{Row: "r1", Run: "8P"}, nil, "9P to 7P"},
	} {
		a := solved(t, m, goal, Rules{Most: 40, Pins: []piece.Pin{tt.pin}})
		for _, never := range tt.keeps {
			if strings.Contains(saysOf(a), never) {
				t.Errorf("%s: %s", name, saysOf(a))
			}
		}
		if tt.leaves != "" && !strings.Contains(saysOf(a), tt.leaves) {
			t.Errorf("%s: %s", name, saysOf(a))
		}
	}
	second := solved(t, m, goal, Rules{Most: 40, Pins: []piece.Pin{{Row: "r1", Run: "9P", Nth: 1}}})
	for _, p := range second.Proposals {
		if !strings.Contains(p.Line, "G 9P ") {
			t.Errorf("the second run changed: %s", p.Line)
		}
	}
	if !strings.Contains(free, "9P to 7P") {
		t.Errorf("%s", free)
	}
	longer := to(float64(m.Finished)+8, 1)
	if last := solved(t, m, longer, Rules{Most: 40, Pins: []piece.Pin{{Row: "r1", Run: "9P", Nth: 2}}}); len(last.Proposals) == 0 || strings.Contains(saysOf(last), "pearl more") {
		t.Errorf("the last run is pinned: %s", saysOf(last))
	}
	for _, p := range solved(t, necklace(t, "<3P S | G>"), longer, Rules{Most: 40, Pins: []piece.Pin{{Row: "r1", Run: "3P"}}}).Proposals {
		if !strings.Contains(p.Line, "3P") {
			t.Errorf("the outer run is pinned: %s", p.Line)
		}
	}
	row := solved(t, m, goal, Rules{Pins: []piece.Pin{{Row: "r1"}}})
	if len(row.Proposals) > 0 || Reasoned(row.Why) != "The whole row is pinned. Unpin it to change it." {
		t.Errorf("%+v", row)
	}
}

func TestNoMoreIsTakenThanThereIs(t *testing.T) {
	m := necklace(t, "20P G 20P")
	goal := to(float64(m.Finished)+7.8, 0.5)
	for have, finds := range map[int]bool{42: true, 41: false} {
		a := solved(t, m, goal, Rules{Stock: map[string]int{"pearl": have}})
		if strings.Contains(saysOf(a), "both 20P to 21P") != finds {
			t.Errorf("%d pearls: %s", have, saysOf(a))
		}
	}
	none := solved(t, m, to(float64(m.Finished)+39.2, 0.3), Rules{Stock: map[string]int{}})
	if len(none.Proposals) > 0 || !strings.HasSuffix(Reasoned(none.Why), "With more in stock something does.") {
		t.Errorf("%s; %s", saysOf(none), Reasoned(none.Why))
	}
}

func TestTheReasonForNoProposalIsReported(t *testing.T) {
	m := necklace(t, "20P G 20P")
	b := BudgetOf(m, m.Leading(), 450)
	if b.Beads != 450-b.Ends-b.Slack || b.Ends != m.Leading().Left.Length+m.Leading().Right.Length || b.Slack != m.Leading().Slack {
		t.Errorf("%+v", b)
	}
	all := []piece.Pin{{Letter: "P"}, {Letter: "S"}, {Letter: "G"}, {Letter: "T"}}
	bare := func(p *piece.Piece) { p.Closure.Left, p.Closure.Right = p.Closure.Left[:1], nil }
	for says, a := range map[string]Answer{
		"leaves nothing for beads":         solved(t, m, to(20, 3), Rules{}),
		"There is no length to come to":    solved(t, m, to(0, 3), Rules{}),
		"fills up to its target by itself": solved(t, necklace(t, "{P}", func(p *piece.Piece) { p.Target = &piece.Target{Finished: 400, Tolerance: 3} }), to(400, 3), Rules{}),
		"a tolerance of ± ":                solved(t, m, to(float64(m.Finished)+1, 0), Rules{}),
		"Without the pins something does":  solved(t, m, to(float64(m.Finished)+39.2, 0.3), Rules{Pins: all}),
		"Everything that could change is pinned": solved(t, necklace(t, "3P", bare, func(p *piece.Piece) {
			p.Leading().Cord = &material.Material{ID: "e", Class: material.ClassCord, Cord: &material.Cord{Type: material.Elastic, Diameter: 0.7}}
			p.Closure, p.Leading().Left, p.Leading().Right = piece.Closure{Type: piece.Knot}, nil, nil
		}), to(40, 1), Rules{Pins: all}),
	} {
		if len(a.Proposals) > 0 || !strings.Contains(Reasoned(a.Why), says) {
			t.Errorf("%q with %s, want %q", Reasoned(a.Why), saysOf(a), says)
		}
	}
	for _, unit := range []length.Unit{length.InMillimetres, length.InCentimetres, length.InInches} {
		for off := 0.3; off < 2; off += 0.21 {
			why := ReasonIn(solved(t, m, to(float64(m.Finished)+off, 0), Rules{Pins: all}).Why, unit)
			_, told, _ := strings.Cut(why, "a tolerance of ± ")
			told, _, _ = strings.Cut(told, " would")
			tolerance, err := length.Parse(told, unit)
			if err != nil || float64(tolerance) > off+0.101 || strings.Contains(why, "off by 0 ") || len(solved(t, m, to(float64(m.Finished)+off, float64(tolerance)), Rules{Pins: all}).Proposals) == 0 {
				t.Errorf("%.2f mm off, %v: %s", off, err, why)
			}
		}
	}
	near := solved(t, m, to(float64(m.Finished)+1, 0), Rules{})
	if near.Nearest == nil || near.Nearest.Measured == nil || math.Abs(float64(near.Nearest.Off)) > 0.5 {
		t.Errorf("%+v", near.Nearest)
	}
}

// A stretch ring comes to an inside length, by whole repeats.
func TestARingComesToItsWearer(t *testing.T) {
	m := necklace(t, "17(T S)", func(p *piece.Piece) {
		p.Kind, p.Closure = piece.Bracelet, piece.Closure{Type: piece.Knot}
		row := p.Leading()
		row.Left, row.Right, row.Cord = nil, nil, &material.Material{ID: "elastic", Name: "elastic", Class: material.ClassCord, Cord: &material.Cord{Type: material.Elastic, Diameter: 0.7}}
	})
	inside, _ := m.Inside()
	a := solved(t, m, Goal{Row: "r1", Inside: true, Want: inside + 15, Tolerance: 3}, Rules{})
	if len(a.Proposals) == 0 || a.Proposals[0].Line != "19(T S)" {
		t.Fatalf("%s, %s", saysOf(a), Reasoned(a.Why))
	}
	is, _ := a.Proposals[0].Measured.Inside()
	if is != a.Proposals[0].Value || math.Abs(float64(is-inside-15)) > 3 {
		t.Errorf("%v inside, from %v", is, inside)
	}
}

func TestASearchEndsWithItsContext(t *testing.T) {
	ctx, cancel := context.WithCancel(t.Context())
	cancel()
	from := time.Now()
	a := Solve(ctx, necklace(t, freeRuns(10, 100)), to(5000, 1), Rules{})
	if time.Since(from) > 5*time.Second || len(a.Proposals) > 0 {
		t.Errorf("%s after %v", saysOf(a), time.Since(from))
	}
}

// freeRuns is a line of this many runs of this many beads each.
func freeRuns(runs, each int) string {
	var out []string
	for i := range runs {
		out = append(out, fmt.Sprintf("%d%s", each, []string{"P", "S", "T"}[i%3]))
	}
	return strings.Join(out, " ")
}

// A strand of 1,000 beads in ten free runs.
func BenchmarkSolve(b *testing.B) {
	m := necklace(b, freeRuns(10, 100))
	inside, _ := m.Inside()
	for name, goal := range map[string]Goal{"to a length": to(float64(m.Finished)-25, 2), "to a wearer": {Row: "r1", Inside: true, Want: inside - 25, Tolerance: 3}} {
		b.Run(name, func(b *testing.B) {
			var found Answer
			for b.Loop() {
				found = Solve(b.Context(), m, goal, Rules{})
			}
			if len(found.Proposals) == 0 {
				b.Fatal(found.Why)
			}
			b.ReportMetric(float64(found.Tried), "measured")
		})
	}
}

// What lies within the tolerance is a proposal, however much there is to look at.
func TestTheNearestWithinIsAProposal(t *testing.T) {
	m := necklace(t, "40(9T 7S 3P) 300(2T S G)", func(p *piece.Piece) {
		p.Kind, p.Closure = piece.Bracelet, piece.Closure{Type: piece.Knot}
		row := p.Leading()
		row.Left, row.Right, row.Cord = nil, nil, &material.Material{ID: "elastic", Name: "elastic", Class: material.ClassCord, Cord: &material.Cord{Type: material.Elastic, Diameter: 0.7}}
	})
	for want := length.MM(140); want < 400; want += 50 {
		a := solved(t, m, Goal{Row: "r1", Inside: true, Want: want, Tolerance: 6}, Rules{LineOnly: true})
		if len(a.Proposals) == 0 && a.Nearest != nil && math.Abs(float64(a.Nearest.Off)) <= 6 || len(a.Proposals) > 0 && (a.Why != nil || math.Abs(float64(a.Proposals[0].Off)) > 6) {
			t.Errorf("%v: %q, nearest %+v, %s", want, Reasoned(a.Why), a.Nearest, saysOf(a))
		}
	}
}

// Runs that change together keep their proportions; one does not swallow another; no bead only moves
// from one run to another.
func TestRunsKeepTheirProportions(t *testing.T) {
	m := necklace(t, "<G 12P G 19P G 13P | T>")
	few := solved(t, m, to(160, 4), Rules{LineOnly: true})
	if len(few.Proposals) == 0 || few.Proposals[0].Line != "<G 3P G 4P G 3P | T>" {
		t.Errorf("to a third: %+v", few.Proposals)
	}
	for _, want := range []float64{float64(m.Finished) - 100, float64(m.Finished) + 150} {
		for _, p := range solved(t, m, to(want, 5), Rules{LineOnly: true}).Proposals {
			if p.uneven > mostUneven {
				t.Errorf("to %.0f: %s", want, p.Line)
			}
		}
	}
	for _, p := range solved(t, m, to(float64(m.Finished)-2, 4), Rules{}).Proposals {
		t.Errorf("already there: %v", changed(p.Changes))
	}
}

// What is right already comes nearer or stays.
func TestWhatIsRightAlreadyOnlyComesNearer(t *testing.T) {
	m := necklace(t, "40P")
	for _, off := range []float64{0.3, 2.9} {
		a := solved(t, m, to(float64(m.Finished)+off, 4), Rules{LineOnly: true})
		if off < 1 && (len(a.Proposals) > 0 || a.Why != Why(Already{m.Finished, m.Finished + length.MM(off)})) {
			t.Errorf("%.1f off: %+v, %v", off, a.Proposals, a.Why)
		}
		if off > 1 && (len(a.Proposals) == 0 || a.Proposals[0].Line != "41P") {
			t.Errorf("%.1f off: %+v, %v", off, a.Proposals, a.Why)
		}
	}
}

// A run does not take what repeats beside it could.
func TestARunDoesNotGrowBesideRepeats(t *testing.T) {
	m := necklace(t, "<9(12S P) 9S | P>")
	longer := necklace(t, "<12(12S P) 9S | P>")
	for _, p := range solved(t, m, to(float64(longer.Finished), 3), Rules{LineOnly: true}).Proposals {
		if !strings.Contains(p.Line, "12(") && !strings.Contains(p.Line, "11(") && !strings.Contains(p.Line, "(1") {
			t.Errorf("%s", p.Line)
		}
	}
}

// Slack and bare cord are set once: no proposal differs from another by half a millimetre of them alone.
func TestSlackAndBareCordAreProposedOnce(t *testing.T) {
	m := necklace(t, "60P")
	slacks := 0
	for _, p := range solved(t, m, to(float64(m.Finished)+5, 3), Rules{}).Proposals {
		if says := changed(p.Changes); len(says) == 1 && strings.HasPrefix(says[0], "slack") {
			slacks++
		}
	}
	if slacks != 1 {
		t.Errorf("slack alone is proposed %d times", slacks)
	}
}
