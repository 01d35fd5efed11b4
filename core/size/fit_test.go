package size

import (
	"math"
	"testing"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
	"mala/core/testparts"
)

// ring is a stretch bracelet of 22 rounds of 8, 151.44 inside, on elastic that
// goes 1.4 times its length.
func ring(t *testing.T, body piece.Body) *measure.Measured {
	t.Helper()
	return of(t, "22R", piece.Closure{Type: piece.Knot}, &material.Cord{Type: material.Elastic, Diameter: 0.7}, piece.Bracelet, body)
}

func of(t *testing.T, text string, closure piece.Closure, cord *material.Cord, kind piece.Kind, body piece.Body) *measure.Measured {
	t.Helper()
	line := testparts.Line(t, text)
	p := &piece.Piece{Kind: kind, House: piece.DefaultHouse(), Closure: closure, Body: &body,
		Palette:  map[string]*material.Material{"R": testparts.Bead(t, "round", material.Bead{Shape: material.Round, Across: 8, Hole: 1}, 0)},
		Sections: []piece.Section{{Rows: []*piece.Row{{ID: "r1", Line: line, Passes: 1, Cord: &material.Material{ID: "cord", Name: "cord", Class: material.ClassCord, Cord: cord}}}}}}
	m, err := measure.Measure(p)
	if err != nil {
		t.Fatal(err)
	}
	return m
}

func TestEaseAndItsWord(t *testing.T) {
	for _, tt := range []struct {
		measure length.MM
		word    string
		suits   bool
	}{{150, "comfortable", true}, {157, "comfortable", true}, {158, TooTight, false}, {145, TooLoose, false}} {
		f := Of(ring(t, piece.Body{Part: "wrist", Measure: tt.measure}))
		if math.Abs(float64(f.Ease-(151.44-tt.measure))) > 0.01 || f.Word != tt.word || f.Suits() != tt.suits {
			t.Errorf("on %v: ease %v, %s, suits %v; want %s, %v", tt.measure, f.Ease, f.Word, f.Suits(), tt.word, tt.suits)
		}
	}
	if Of(ring(t, piece.Body{Part: "wrist"})) != nil {
		t.Error("without a measure there is no ease")
	}
}

func TestAnAskedForFitNarrowsWhatSuits(t *testing.T) {
	clasp := piece.Closure{Type: piece.Clasp, Left: []piece.Fitting{{ID: "f1", Of: &material.Material{ID: "c", Class: material.ClassFinding, Finding: &material.Finding{Type: material.Lobster, Closed: 8}}}}}
	wire := &material.Cord{Type: material.Wire, Diameter: 0.38}
	m := of(t, "22R", clasp, wire, piece.Bracelet, piece.Body{Part: "wrist", Measure: 150})
	f := Of(m)
	if f.Word != "comfortable" || !f.Suits() {
		t.Fatalf("ease %v is %s", f.Ease, f.Word)
	}
	m.Piece.Body.Fit = "loose"
	f = Of(m)
	if f.Suits() || f.Middle != 20 {
		t.Errorf("asked for loose, %v suits, aiming at %v", f.Ease, f.Middle)
	}
	if want := m.Finished + 20 - f.Ease; math.Abs(float64(f.Suited(m)-want)) > 0.5 {
		t.Errorf("suited at %v, want %v to the millimetre", f.Suited(m), want)
	}
}

func TestTheShopsRangesCanBeInAnyOrder(t *testing.T) {
	m := ring(t, piece.Body{Part: "wrist", Measure: 160})
	m.Piece.House.Ease = append(m.Piece.House.Ease, piece.Ease{Part: "wrist", Stretch: true, Word: "hugging", From: -12, To: -6})
	if f := Of(m); f.Word != "hugging" || f.Wanted[0].Word != "hugging" || !f.Suits() {
		t.Errorf("%v of ease is %s of %v", f.Ease, f.Word, f.Wanted)
	}
}

func TestWhatSlipsOnMustPass(t *testing.T) {
	// 1.4 x 174.62 is 69.85 more than as it lies.
	f := Of(ring(t, piece.Body{Part: "wrist", Measure: 150}))
	if p := f.Passage; math.Abs(float64(p.Stretched)-(151.44+69.85)) > 0.01 || p.Need != 187.5 || p.Measured || !p.Passes {
		t.Errorf("over the hand: %+v", p)
	}
	f = Of(ring(t, piece.Body{Part: "wrist", Measure: 150, Hand: 230}))
	if p := f.Passage; !p.Measured || p.Passes {
		t.Errorf("over a hand of 230: %+v", p)
	}
	if want := length.MM(math.Round(float64(174.62 + (230-221.29)/1.4))); math.Abs(float64(f.Suited(ring(t, *handed(150, 230)))-want)) > 1 {
		t.Errorf("suited at %v, want %v", f.Suited(ring(t, *handed(150, 230))), want)
	}
	if p := Of(ring(t, piece.Body{Part: "neck", Measure: 100})).Passage; p.Over != "head" || p.Need != 600 {
		t.Errorf("over the head: %+v", p)
	}
	if p := Of(ring(t, piece.Body{Part: "ankle", Measure: 150})).Passage; p != nil {
		t.Errorf("what a foot takes is not known: %+v", p)
	}
}

func TestWithNoUpperLimitWhatSuitsIsRightAsItIs(t *testing.T) {
	clasp := piece.Closure{Type: piece.Clasp, Left: []piece.Fitting{{ID: "f1", Of: &material.Material{ID: "c", Class: material.ClassFinding, Finding: &material.Finding{Type: material.Lobster, Closed: 8}}}}}
	wire := &material.Cord{Type: material.Wire, Diameter: 0.38}
	m := of(t, "50R", clasp, wire, piece.Necklace, piece.Body{Part: "neck", Measure: 330})
	f := Of(m)
	if f.Word != "free" || !f.AsItIs() || math.Abs(float64(f.Suited(m)-m.Finished)) > 0.5 {
		t.Errorf("%s with %v of ease, suited at %v of %v", f.Word, f.Ease, f.Suited(m), m.Finished)
	}
	m.Piece.Body.Measure = 380
	if f := Of(m); f.AsItIs() || f.Suited(m) <= m.Finished {
		t.Errorf("too tight, it is suited at %v of %v", f.Suited(m), m.Finished)
	}
}

func handed(measure, hand length.MM) *piece.Body {
	return &piece.Body{Part: "wrist", Measure: measure, Hand: hand}
}

func TestEachPositionOfAnExtenderHasItsLengthAndSizes(t *testing.T) {
	fitting := func(f material.Finding) piece.Fitting {
		return piece.Fitting{ID: piece.ID(f.Type), Of: &material.Material{ID: string(f.Type), Name: string(f.Type), Class: material.ClassFinding, Finding: &f}}
	}
	clasp := piece.Closure{Type: piece.Clasp, Left: []piece.Fitting{fitting(material.Finding{Type: material.Lobster, Closed: 8})},
		Right: []piece.Fitting{fitting(material.Finding{Type: material.Extender, Inside: 3, Wire: 0.6, Links: 8})}}
	m := of(t, "22R", clasp, &material.Cord{Type: material.Wire, Diameter: 0.38}, piece.Bracelet, piece.Body{Part: "wrist", Measure: 150})
	at := Positions(m)
	if len(at) != 8 || at[0].Finished != m.Finished || math.Abs(float64(at[7].Finished-m.Finished-21)) > 1e-9 {
		t.Fatalf("positions %+v", at)
	}
	if at[0].Word != "comfortable" || at[7].Word != TooLoose {
		t.Errorf("worn at the first link %s, at the last %s", at[0].Word, at[7].Word)
	}
	covers := map[string]bool{}
	for _, p := range at {
		for _, name := range p.Covers {
			covers[name] = true
		}
	}
	if !covers["adult small"] || !covers["adult medium"] || covers["adult extra large"] {
		t.Errorf("it covers %v", covers)
	}
	clasp.Right = []piece.Fitting{fitting(material.Finding{Type: material.JumpRing, Inside: 4, Wire: 0.7}), fitting(material.Finding{Type: material.JumpRing, Inside: 3, Wire: 0.7})}
	m = of(t, "22R", clasp, &material.Cord{Type: material.Wire, Diameter: 0.38}, piece.Bracelet, piece.Body{Part: "wrist", Measure: 150})
	if at := m.Positions(); len(at) != 2 || at[0].Finished != m.Finished || math.Abs(float64(at[1].Finished-m.Finished-4)) > 1e-9 {
		t.Errorf("two rings in a row: %+v", at)
	}
	shortest := m.Finished
	clasp.Right = clasp.Right[1:]
	if one := of(t, "22R", clasp, &material.Cord{Type: material.Wire, Diameter: 0.38}, piece.Bracelet, piece.Body{Part: "wrist", Measure: 150}); math.Abs(float64(one.Finished-shortest)) > 1e-9 || one.Positions() != nil {
		t.Errorf("with the inner ring alone it measures %v, with both at its shortest %v", one.Finished, shortest)
	}
	bar := material.Finding{Type: material.Toggle, RingInside: 9, RingEye: 2, Wire: 1.5, BarEye: 2}
	clasp = piece.Closure{Type: piece.Clasp, Left: []piece.Fitting{fitting(bar)}, Right: []piece.Fitting{fitting(material.Finding{Type: material.JumpRing, Inside: 4, Wire: 0.7}), fitting(material.Finding{Type: material.SplitRing, Inside: 3, Wire: 0.7})}}
	m = of(t, "22R", clasp, &material.Cord{Type: material.Wire, Diameter: 0.38}, piece.Bracelet, piece.Body{Part: "wrist", Measure: 150})
	if at := m.Positions(); at != nil || math.Abs(float64(m.Leading().Right.Length-7)) > 1e-9 {
		t.Errorf("rings on a toggle's bar side: places %+v, length %v, want none and 7", at, m.Leading().Right.Length)
	}
}

func TestTheTradesNamesOfLengths(t *testing.T) {
	p := &piece.Piece{Kind: piece.Necklace, House: piece.DefaultHouse()}
	for finished, want := range map[length.MM]string{12 * length.Inch: "collar", 450: "princess", 48 * length.Inch: "rope", 10 * length.Inch: ""} {
		if got := LengthName(p, finished); got != want {
			t.Errorf("%v is %q, want %q", finished, got, want)
		}
	}
}

// Three times round a wrist each turn has a third of the strand, and a change of the target
// goes into all three.
func TestAStrandWoundRoundTheWrist(t *testing.T) {
	body := piece.Body{Part: "wrist", Measure: 150, Times: 3}
	m := ring(t, body)
	if _, ok := m.Inside(); !ok {
		t.Fatal("it does not close")
	}
	long := of(t, "66R", piece.Closure{Type: piece.Knot}, &material.Cord{Type: material.Elastic, Diameter: 0.7}, piece.Bracelet, body)
	f := Of(long)
	// 66 rounds three times round lie as 22 do once.
	if math.Abs(float64(f.Inside)-151.44) > 0.01 || math.Abs(float64(f.Ease)-1.44) > 0.01 || !f.Suits() {
		t.Errorf("%+v", f)
	}
	if math.Abs(float64(long.Rule.Inside-(long.Finished/3-math.Pi*8))) > 1e-9 {
		t.Errorf("by the rule of thumb %v", long.Rule.Inside)
	}
	long.Piece.Body.Fit = "snug"
	if want := length.MM(math.Round(float64(long.Finished + 3*(f.Measure+Of(long).Middle-f.Inside)))); f.Suited(long) != want && Of(long).Suited(long) != want {
		t.Errorf("suited at %v, want %v", Of(long).Suited(long), want)
	}
	// While the last turn goes over the hand the two others lie on the wrist.
	if p, want := f.Passage, 3*f.Inside+0.4*long.Finished-2*150; math.Abs(float64(p.Stretched-want)) > 1e-6 {
		t.Errorf("it opens to %v, want %v", p.Stretched, want)
	}
}
