package check

import (
	"math"
	"strings"
	"testing"

	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
)

// ornament hangs on 19-strand wire: 12 rounds, a foot of this many grams, a loop so wide.
func ornament(t *testing.T, footG, girth float64, change ...change) *piece.Piece {
	t.Helper()
	foot := bead(t, "foot", material.Bead{Shape: material.Round, Across: 12, Hole: 1.2})
	foot.MassG = footG
	hang := func(p *piece.Piece, r *piece.Row) {
		p.Kind, p.Closure = piece.Ornament, piece.Closure{Type: piece.Hung}
		r.LeftEnding, r.RightEnding = piece.Ending{Way: piece.WayFootBead, Bead: foot}, piece.Ending{Way: piece.WayCordLoop, Girth: mmOf(girth)}
		for _, m := range p.Palette {
			m.MassG = 1
		}
		crimp := *r.Left[0].Of
		crimp.MassG = 0.0001
		r.Left[0].Of, r.Right[0].Of = &crimp, &crimp
		p.Hanging = &piece.Hanging{Over: piece.OverSupport, Girth: 100}
	}
	return necklace(t, "12R", append([]func(*piece.Piece, *piece.Row){hang}, change...)...)
}

func TestAnOrnamentIsJudgedAsItHangs(t *testing.T) {
	for _, f := range all(t, ornament(t, 12, 120)) {
		if f.Severity != Advise || f.Code == "foot-light" || f.Code == "leans" {
			t.Errorf("%s: %s", f.Code, spoken(f))
		}
	}
}

func TestTheTopLoopGoesOverWhatItShould(t *testing.T) {
	itself := func(p *piece.Piece, _ *piece.Row) { p.Hanging.Over = piece.OverItself }
	nobody := func(p *piece.Piece, _ *piece.Row) { p.Hanging = nil }
	unknown := func(p *piece.Piece, _ *piece.Row) { p.Hanging.Girth = 0 }
	round := math.Pi * 12
	for _, tt := range []struct {
		girth float64
		by    change
		want  Severity
	}{
		{99.99, nil2, Stop}, {100, nil2, Warn}, {102.99, nil2, Warn}, {103, nil2, ""},
		{round - 0.01, itself, Stop}, {round, itself, Warn}, {round + 2.99, itself, Warn}, {round + 3, itself, ""},
		{10, nobody, ""}, {10, unknown, ""},
	} {
		p := ornament(t, 12, tt.girth, tt.by)
		f := of(all(t, p), "loop-too-small")
		if f == nil && tt.want != "" || f != nil && f.Severity != tt.want {
			t.Errorf("%v round: %+v, want %s", tt.girth, f, tt.want)
		}
		if f == nil {
			continue
		}
		if fix, after := fixed(t, p, "loop-too-small"); fix == nil || after.Leading().RightEnding.Girth != length.MM(math.Ceil(map[bool]float64{true: 103, false: round + 3}[p.Hanging.Over == piece.OverSupport])) {
			t.Errorf("%+v", fix)
		}
	}
	none := ornament(t, 12, 120, func(_ *piece.Piece, r *piece.Row) { r.RightEnding = piece.Ending{} })
	if f := of(all(t, none), "loop-too-small"); f == nil || f.Severity != Warn || titled(f) != "No loop to hang it by" {
		t.Errorf("%+v", f)
	}
	if fix, after := fixed(t, none, "loop-too-small"); fix == nil || after.Leading().RightEnding.Way != piece.WayCordLoop || after.Leading().RightEnding.Girth != 103 {
		t.Errorf("%+v", fix)
	}
}

func nil2(*piece.Piece, *piece.Row) {}

// Nineteen strands take 10 g to hang straight; each round adds one.
func TestALightFootIsTold(t *testing.T) {
	for grams, says := range map[float64]string{9.99: "From bead 2 up it does", 4.5: "From bead 7 up it does", 10: "", 0: "Some beads have no weight"} {
		f := of(all(t, ornament(t, grams, 120)), "foot-light")
		if f == nil && says != "" || f != nil && (says == "" || f.Severity != Advise || !strings.Contains(spoken(f), says)) {
			t.Errorf("%v g: %+v, want %q", grams, f, says)
		}
	}
	waxed := ornament(t, 1, 120, cordOf(thread(material.Waxed, 0.5)), func(_ *piece.Piece, r *piece.Row) { r.Left, r.Right = nil, nil })
	if f := of(all(t, waxed), "foot-light"); f != nil {
		t.Errorf("waxed cord does not curl: %+v", f)
	}
}

// What pulls a light foot straight is the lightest bead that does, of those in stock.
func TestAHeavierFootMendsALightOneAndWhatLeans(t *testing.T) {
	weight := func(id string, shape material.Shape, grams float64) *material.Material {
		b := bead(t, id, material.Bead{Shape: shape, Across: 14, Along: 14, Hole: 1.2})
		b.MassG = grams
		return b
	}
	shelf := Shelf{Materials: []*material.Material{weight("lead", material.Round, 30), weight("iron", material.Round, 10.5), weight("brass", material.Round, 10),
		weight("chip", material.Chip, 10), weight("short", material.Round, 9.9)}, Stock: Stock{"iron": 3, "lead": 3, "brass": 0, "chip": 9, "short": 9}}
	offered := func(p *piece.Piece, code string) string {
		m := measuredPiece(t, p)
		found := All(m)
		f := of(found, code)
		if f == nil {
			t.Fatalf("%s is not found", code)
		}
		fix := FixOf(t.Context(), m, found, f, shelf)
		if fix == nil {
			return ""
		}
		return spoken(fix)
	}
	if got := offered(ornament(t, 9, 120), "foot-light"); got != "Hang iron at the foot" {
		t.Errorf("a foot of 9 g: %q", got)
	}
	shelf.Stock["brass"] = 1
	if got := offered(ornament(t, 9, 120), "foot-light"); got != "Hang brass at the foot" {
		t.Errorf("with brass in stock: %q", got)
	}
	leaning := ornament(t, 12, 120, func(p *piece.Piece, _ *piece.Row) {
		p.Palette["R"] = bead(t, "paddle", material.Bead{Shape: material.Oval, Across: 20, Along: 8, Hole: 1, HoleOff: 6})
		p.Palette["R"].MassG = 3
	})
	if got := offered(leaning, "leans"); got != "Hang lead at the foot" {
		t.Errorf("what leans: %q", got)
	}
}

func TestWhatLeansAndWhatSlipsIsTold(t *testing.T) {
	off := func(by float64) change {
		return func(p *piece.Piece, _ *piece.Row) {
			p.Palette["R"] = bead(t, "paddle", material.Bead{Shape: material.Oval, Across: 20, Along: 8, Hole: 1, HoleOff: mmOf(by)})
			p.Palette["R"].MassG = 3
		}
	}
	// The lowest: m e / (m L/2 + W L) against tan 5°, W with the crimp's weight.
	edge, long := 3.0, 0.0
	for range 9 { // its length depends a little on where the hole lies
		long = float64(ornament(t, 12, 120, off(edge)).Palette["R"].Bead.Length())
		edge = math.Tan(5*math.Pi/180) * (3*long/2 + 12.0001*long) / 3
	}
	if f := of(all(t, ornament(t, 12, 120, off(edge-0.001))), "leans"); f != nil {
		t.Errorf("%+v", f)
	}
	if f := of(all(t, ornament(t, 12, 120, off(edge+0.001))), "leans"); f == nil || len(f.More) != 0 || f.At.Element != 0 {
		t.Errorf("%+v", f)
	}
	knotted := func(hole float64) *piece.Piece {
		return ornament(t, 12, 120, cordOf(thread(material.Waxed, 0.4)), func(p *piece.Piece, r *piece.Row) {
			r.Left, r.Right, r.LeftEnding = nil, nil, piece.Ending{Way: piece.WayStopped}
			p.Palette["R"] = bead(t, "last", material.Bead{Shape: material.Round, Across: 8, Hole: mmOf(hole)})
		})
	}
	for hole, stops := range map[float64]bool{0.99: false, 1: true} { // the knot is 2.5 × 0.4 thick
		if f := of(all(t, knotted(hole)), "end-unheld"); stops != (f != nil) {
			t.Errorf("hole %v: %+v", hole, f)
		}
	}
}
