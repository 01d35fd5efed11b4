package drape

import (
	"fmt"
	"math"
	"testing"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
	"mala/core/testparts"
)

// strand is a necklace of the line on wire between two crimps and a lobster, on a
// neck of a girth; 0 for no wearer.
func strand(t *testing.T, line string, girth length.MM, change func(p *piece.Piece)) *measure.Measured {
	t.Helper()
	parsed := testparts.Line(t, line)
	bead := func(id string, b material.Bead, g float64) *material.Material {
		return testparts.Bead(t, id, b, g)
	}
	fitting := func(id string, f material.Finding, g float64) piece.Fitting {
		return piece.Fitting{ID: piece.ID(id), Of: &material.Material{ID: id, Name: id, Class: material.ClassFinding, Finding: &f, MassG: g}}
	}
	row := &piece.Row{ID: "r1", Line: parsed, Passes: 1, Cord: &material.Material{ID: "wire", Class: material.ClassCord, Cord: &material.Cord{Type: material.Wire, Diameter: 0.38}}}
	for side, list := range map[piece.Side]*[]piece.Fitting{piece.Left: &row.Left, piece.Right: &row.Right} {
		*list = []piece.Fitting{fitting("crimp "+string(side), material.Finding{Type: material.CrimpTube, Inside: 1, Outside: 1.8, Length: 2}, 0.05)}
	}
	p := &piece.Piece{Kind: piece.Necklace, House: piece.DefaultHouse(), Sections: []piece.Section{{Rows: []*piece.Row{row}}},
		Closure: piece.Closure{Type: piece.Clasp, Left: []piece.Fitting{fitting("lobster", material.Finding{Type: material.Lobster, Closed: 9}, 0.4)}, Right: []piece.Fitting{fitting("ring", material.Finding{Type: material.JumpRing, Inside: 4, Wire: 0.7}, 0.1)}},
		Palette: map[string]*material.Material{
			"P": bead("pearl", material.Bead{Shape: material.Tube, Across: 2, Along: 2, Hole: 0.8}, 0.02),
			"H": bead("heavy", material.Bead{Shape: material.Tube, Across: 2, Along: 2, Hole: 0.8}, 4),
			"U": bead("unweighed", material.Bead{Shape: material.Tube, Across: 2, Along: 2, Hole: 0.8}, 0),
			"G": bead("round", material.Bead{Shape: material.Round, Across: 8, Hole: 1}, 0.6),
		}}
	if girth > 0 {
		p.Body = &piece.Body{Part: "neck", Measure: girth}
	}
	change(p)
	m, err := measure.Measure(p)
	if err != nil {
		t.Fatal(err)
	}
	return m
}

func as(*piece.Piece) {}

// A fine even strand of π W + 50 with W = 360/π + 2 hangs as a catenary.
func TestAnEvenNecklaceHangsAsACatenaryBelowTheNeck(t *testing.T) {
	m := strand(t, "206P", 360, as)
	n := Of(m)
	if n == nil {
		t.Fatal("it does not hang")
	}
	near(t, "between the neck's sides", n.Width, 360/math.Pi+2, 1e-9)
	front := float64(m.Finished) - math.Pi*n.Width/2
	near(t, "how deep", n.Depth, sag(t, front, n.Width), 0.005*n.Depth)
	if !n.OfBody || n.Girth != 360 || len(n.Assumed) != 0 {
		t.Errorf("%+v", n)
	}
	// Fine chain of thickness 4 with 50 of ease: domain's own figure.
	w := 360/math.Pi + 4
	near(t, "domain's chain", sag(t, math.Pi*w+50-math.Pi*w/2, w), 93.94, 0.01)
}

func TestTheClosureLiesAtTheBackAndBothSidesAreLevel(t *testing.T) {
	m := strand(t, "<100P G | G>", 360, as)
	n, s := Of(m), m.Leading()
	lobster := float64(-s.Left.Length) + 4.5
	back := n.At(lobster)
	near(t, "the clasp's middle", back.X, 0, 1e-6)
	near(t, "behind the neck", back.Y, -0.16*n.Width/2, 1e-6)
	if !back.Behind {
		t.Error("it lies in front")
	}
	for _, d := range []float64{0, 10, 40, 90, 150, 200} {
		a, b := n.At(lobster+d), n.At(lobster-d)
		near(t, fmt.Sprint("left and right, ", d), a.Y, b.Y, 1.5)
		near(t, fmt.Sprint("left and right, ", d), a.X, -b.X, 3)
		if a.Behind != (d < n.around()/2) {
			t.Errorf("%v from the clasp: behind %v", d, a.Behind)
		}
	}
	// What is strung next lies next: no jump where the neck's side is.
	before := n.At(0)
	for mm := 0.5; mm < float64(s.Strung); mm += 0.5 {
		now := n.At(mm)
		if step := math.Hypot(now.X-before.X, now.Y-before.Y); step > 0.51 {
			t.Fatalf("at %v it jumps by %v", mm, step)
		}
		before = now
	}
	lowest := n.AtBead(s, 101)
	near(t, "the middle bead lies lowest", lowest.Y, n.Depth, 0.6)
	near(t, "in the middle", lowest.X, 0, 5)
}

func TestAPendantPullsTheFrontDown(t *testing.T) {
	plain, heavy := Of(strand(t, "<110P | P>", 360, as)), Of(strand(t, "<110P | H>", 360, as))
	if heavy.Depth < plain.Depth+5 {
		t.Errorf("%v with the heavy bead, %v without", heavy.Depth, plain.Depth)
	}
	aside := Of(strand(t, "80P H 140P", 360, as))
	if d := aside.AtBead(strand(t, "80P H 140P", 360, as).Leading(), 80); d.Y < plain.At(160).Y {
		t.Errorf("a heavy bead at the left lies at %v", d.Y)
	}
	assumed := Of(strand(t, "<110P | U>", 360, as))
	if len(assumed.Assumed) != 1 || assumed.Assumed[0] != "unweighed" {
		t.Errorf("assumed %v", assumed.Assumed)
	}
	// 2 mm of tube 2 across with a hole of 0.8 weigh 2.5 × 5.28 mm³.
	if g := (&Necklace{assumed: map[*material.Bead]float64{}}).weigh(strand(t, "U", 0, as).Piece.Palette["U"]); math.Abs(g-2.5*math.Pi/4*(4-0.64)*2/1000) > 1e-4 {
		t.Errorf("it is taken to weigh %v g", g)
	}
}

// A strand hung on two lengths of chain of its own weight a millimetre hangs as a fine
// chain does.
func TestChainSidesHangLinkByLink(t *testing.T) {
	link := material.Finding{Type: material.Chain, Inside: 2, Wire: 0.6, Joint: "open"}
	m := strand(t, "60P", 360, func(p *piece.Piece) {
		chain := &material.Material{ID: "chain", Class: material.ClassFinding, Finding: &link, MassG: 0.02}
		p.Closure.Left = append(p.Closure.Left, piece.Fitting{ID: "x1", Of: chain, Links: 75})
		p.Closure.Right = append(p.Closure.Right, piece.Fitting{ID: "x2", Of: chain, Links: 75})
	})
	n := Of(m)
	near(t, "how deep", n.Depth, sag(t, float64(m.Finished)-math.Pi*n.Width/2, n.Width), 0.01*n.Depth)
	if light := (&Necklace{}).weigh(&material.Material{Finding: &link}); math.Abs(light-link.LinkMass()) > 1e-12 {
		t.Errorf("a link that is not weighed is taken for %v g", light)
	}
}

// Every bead weighs on the part of the front in which its middle lies, at the middle of all
// that weighs there; what lies round the back of the neck weighs on none.
func TestEveryBeadWeighsWhereItLies(t *testing.T) {
	m := strand(t, "9G <40P 3H 12P G P | G> 4(H 5P)", 360, as)
	n, s := Of(m), m.Leading()
	parts, cuts := n.front()
	near(t, "as long as the front", cuts[len(parts)]-cuts[0], n.whole-n.around(), 1e-9)
	behind := 0
	weight, moment := make([]float64, len(parts)), make([]float64, len(parts))
	for _, b := range s.Beads {
		u := n.along(float64(b.At) * float64(s.Strung+s.Slack) / float64(s.Strung))
		at := -1
		for i := range parts {
			if cuts[i] <= u && u < cuts[i+1] {
				at = i
			}
		}
		if at < 0 {
			behind++
			continue
		}
		weight[at], moment[at] = weight[at]+b.Material.MassG, moment[at]+(u-cuts[at])*b.Material.MassG
	}
	if behind < 20 || behind > 80 {
		t.Fatalf("%d beads lie behind", behind)
	}
	for i, p := range parts {
		near(t, "long", p.Length, cuts[i+1]-cuts[i], 1e-12)
		near(t, "weighs", p.Weight, weight[i], 1e-12)
		if weight[i] > 0 {
			near(t, "weighs at", p.At, moment[i]/weight[i], 1e-9)
		}
	}
}

func TestTheNeckIsTheBodysOrTheHouses(t *testing.T) {
	if n := Of(strand(t, "250P", 0, as)); n == nil || n.Girth != 360 || n.OfBody {
		t.Errorf("for no wearer: %+v", n)
	}
	house := Of(strand(t, "250P", 0, func(p *piece.Piece) {
		for _, mm := range []length.MM{330, 340, 380, 300} {
			p.House.Sizes = append(p.House.Sizes, piece.BodySize{Part: "neck", Name: "x", Measure: mm, Child: mm == 300})
		}
	}))
	if house.Girth != 340 || house.OfBody {
		t.Errorf("the house's middle neck: %+v", house)
	}
	wrist := Of(strand(t, "250P", 0, func(p *piece.Piece) { p.Body = &piece.Body{Part: "wrist", Measure: 150} }))
	if wrist.Girth != 360 {
		t.Errorf("a wrist is no neck: %+v", wrist)
	}
}

func TestWhatLiesCloseOrIsNoNecklaceDoesNotHang(t *testing.T) {
	// A strand 2 thick follows a neck from 25 mm less than its own way round, less π × 2.
	limit := strand(t, "187P", 0, as).Finished - 2*math.Pi - 25
	for name, tt := range map[string]struct {
		line  string
		girth length.MM
		kind  piece.Kind
		hangs bool
	}{
		"a bracelet":              {"206P", 360, piece.Bracelet, false},
		"a bare cord":             {"", 360, piece.Necklace, false},
		"25 longer than the neck": {"187P", limit - 0.01, piece.Necklace, true},
		"a little less":           {"187P", limit + 0.01, piece.Necklace, false},
	} {
		n := Of(strand(t, tt.line, tt.girth, func(p *piece.Piece) { p.Kind = tt.kind }))
		if (n != nil) != tt.hangs {
			t.Errorf("%s: hangs %v", name, n != nil)
		}
	}
}
