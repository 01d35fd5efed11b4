package check

import (
	"strings"
	"testing"

	"mala/core/material"
	"mala/core/piece"
)

// A loop of the bare cord is held against its button like one of beads, and is made wider.
func TestALoopOfBareCordIsHeldAgainstItsButton(t *testing.T) {
	with := func(girth float64) *piece.Piece {
		return necklace(t, "30P", ends(), closed(), cordOf(thread(material.Waxed, 0.4)), func(p *piece.Piece, r *piece.Row) {
			p.Closure.Left, p.Closure.Right = nil, fittings("cr", buttonFlat)
			r.LeftEnding = piece.Ending{Way: piece.WayCordLoop, Girth: mmOf(girth)}
		})
	}
	for girth, want := range map[float64]Severity{35.99: Stop, 36: Warn, 38.99: Warn, 39: "", 45: "", 45.01: Warn} {
		f := of(all(t, with(girth)), "loop-misfit")
		if f == nil && want != "" || f != nil && f.Severity != want {
			t.Errorf("%v round: %+v, want %s", girth, f, want)
		}
	}
	if fix, after := fixed(t, with(30), "loop-misfit"); fix == nil || after.Leading().LeftEnding.Girth != 39 {
		t.Errorf("%+v leaves %v", fix, after)
	}
}

// A bead that the cord is folded through is a button to the loop at the other end: a ball by
// its girth, a disc on its edge. It closes the piece, and its hole takes each cord once.
func TestALoopGoesOverTheBeadInTheFold(t *testing.T) {
	with := func(shape material.Shape, hole, girth float64) *piece.Piece {
		return necklace(t, "30P", ends(), closed(), cordOf(thread(material.Waxed, 0.4)), func(p *piece.Piece, r *piece.Row) {
			through := bead(t, "through", material.Bead{Shape: shape, Across: 12, Along: 3, Hole: mmOf(hole)})
			p.Closure.Left, p.Closure.Right, r.Left, r.Passes = nil, nil, nil, 2
			r.LeftEnding = piece.Ending{Way: piece.WayFoldBead, Bead: through, Leg: 3}
			if girth > 0 {
				r.RightEnding = piece.Ending{Way: piece.WayCordLoop, Girth: mmOf(girth)}
			}
		})
	}
	for _, tt := range []struct {
		shape    material.Shape
		girth    float64
		severity Severity
	}{
		{material.Round, 37.69, Stop}, {material.Round, 37.7, Warn}, {material.Round, 40.69, Warn}, {material.Round, 40.7, ""},
		{material.Disc, 29.99, Stop}, {material.Disc, 30, Warn}, {material.Disc, 33, ""}, {material.Disc, 39.01, Warn},
	} {
		found := all(t, with(tt.shape, 2, tt.girth))
		if f := of(found, "loop-misfit"); f == nil && tt.severity != "" || f != nil && f.Severity != tt.severity {
			t.Errorf("%s, %v round: %+v, want %s", tt.shape, tt.girth, f, tt.severity)
		}
		if f := of(found, "no-clasp"); f != nil {
			t.Errorf("%+v", f)
		}
	}
	fix, after := fixed(t, with(material.Round, 2, 0), "no-clasp")
	// Its own beads do not take the cord back through them, as a loop of beads would ask.
	if fix == nil || after.Leading().RightEnding.Way != piece.WayCordLoop {
		t.Errorf("%+v leaves %+v", fix, after.Leading().RightEnding)
	}
	for hole, stops := range map[float64]bool{0.39: true, 0.4: false} {
		if f := of(all(t, with(material.Disc, hole, 33)), "hole-too-small"); stops != (f != nil && strings.Contains(spoken(f), "in the fold at the left end")) {
			t.Errorf("hole %v: %+v", hole, f)
		}
	}
}

// What has been cut is given for each half of a fold, and for each of cords side by side.
func TestEachLegIsLongEnough(t *testing.T) {
	for passes, want := range map[int]string{2: "so each half of the fold has 100 mm; it needs at least", 3: "so each cord has 66.7 mm"} {
		p := necklace(t, "30P", ends(), closed(buttonFlat), cordOf(thread(material.Waxed, 0.4)), func(p *piece.Piece, r *piece.Row) {
			p.Closure.Left, p.Closure.Right = nil, fittings("cr", buttonFlat)
			cut := mmOf(200)
			r.Passes, r.Cut, r.LeftEnding = passes, &cut, piece.Ending{Way: piece.WayCordLoop, Girth: 40}
		})
		if f := of(all(t, p), "leg-short"); f == nil || !strings.Contains(spoken(f), want) {
			t.Errorf("%d cords: %+v, want %q", passes, f, want)
		}
	}
}

// In the crimp of a folded wire lie both legs once where they begin, and the clipped one
// beside the other's two where they end.
func TestTheCrimpsOfAFoldedWire(t *testing.T) {
	legs := func(inside float64, loop bool) *piece.Piece {
		return necklace(t, "40P", func(p *piece.Piece, r *piece.Row) {
			crimp := finding("crimp", "brass", material.Finding{Type: material.CrimpTube, Inside: mmOf(inside), Outside: 2.4, Length: 2})
			other := *r
			other.ID, other.FoldOf, other.Left, other.Right = "r2", "r1", nil, nil
			other.RightEnding = piece.Ending{Way: piece.WayWith}
			r.Left, r.Right = nil, fittings("fr", crimp)
			p.Closure.Left = fittings("cl", lobster, jump)
			if loop {
				r.Left, r.LeftEnding = fittings("fl", crimp), piece.Ending{Way: piece.WayLoop, Loop: necklace(t, "12P").Leading().Line}
				r.Right = fittings("fr", crimp18)
			}
			p.Sections[0].Rows = append(p.Sections[0].Rows, &other)
		})
	}
	three, two := 2.1547*0.38, 2*0.38
	for name, tt := range map[string]struct {
		p    *piece.Piece
		want string
	}{
		"three do not fit":      {legs(three-0.01, false), "3 passes of 0.38 mm cord need 0.82 mm"},
		"three do":              {legs(three+0.001, false), ""},
		"two legs do not fit":   {legs(two-0.01, true), "2 passes of 0.38 mm cord need 0.76 mm"},
		"two legs do":           {legs(two, true), ""},
		"too wide for two legs": {legs(2*two+0.01, true), "2 passes"},
	} {
		var said []string
		for _, f := range all(t, tt.p) {
			if f.Code == "crimp-misfit" {
				said = append(said, spoken(f))
			}
		}
		if tt.want == "" && len(said) > 0 || tt.want != "" && (len(said) != 1 || !strings.Contains(said[0], tt.want)) {
			t.Errorf("%s: %q, want %q", name, said, tt.want)
		}
	}
}
