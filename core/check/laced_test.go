package check

import (
	"testing"

	"mala/core/edit"
	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
)

// laced is a row of ten flats 12 wide with holes of 1 in a square 3 apart, tied on rings.
func laced(t *testing.T, change func(p *piece.Piece, l *piece.Lacing)) *piece.Piece {
	t.Helper()
	return necklace(t, "10Z", ends(jump), closed(lobster, jump), cordOf(thread(material.Waxed, 0.5)), func(p *piece.Piece, r *piece.Row) {
		flat := func(id string, wide, apart length.MM, holes int) *material.Material {
			return bead(t, id, material.Bead{Shape: material.Button, Across: wide, Along: 2, Hole: 1, Holes: holes, Apart: apart})
		}
		p.Palette["Z"], p.Palette["Y"] = flat("large", 12, 3, 4), flat("small", 8, 3, 4)
		p.Palette["U"], p.Palette["V"] = flat("two", 8, 3, 2), flat("off", 8, 3.6, 4)
		p.Palette["J"] = flat("wide", 12.1, 3, 4)
		r.Lacing = &piece.Lacing{Way: piece.LacedDiagonal}
		change(p, r.Lacing)
	})
}

func TestFlatsOnFlatsLineUp(t *testing.T) {
	for top, want := range map[string]Severity{"Y": "", "U": Stop, "V": Stop, "J": Warn} {
		p := laced(t, func(_ *piece.Piece, l *piece.Lacing) { l.Tops = map[string]string{"Z": top} })
		f := of(all(t, p), "tops-misfit")
		if f == nil && want != "" || f != nil && (f.Severity != want || len(f.More) != 9) {
			t.Errorf("%s on Z: %+v, want %s", top, f, want)
		}
		if f == nil {
			continue
		}
		if fix, after := fixed(t, p, "tops-misfit"); fix == nil || len(after.Leading().Lacing.Tops) != 0 {
			t.Errorf("%s: %+v", top, fix)
		}
	}
}

// The edge of a flat 12 wide reaches a hole of 1 that ends 2 from the middle at a distance of 8.
func TestAFlatThatCoversAHoleIsFound(t *testing.T) {
	for _, set := range []func(l *piece.Lacing, at length.MM){
		func(l *piece.Lacing, at length.MM) { l.Pitch = at },
		func(l *piece.Lacing, at length.MM) { l.Overlap = 12 - at },
	} {
		for at, fires := range map[length.MM]bool{7.99: true, 8: false} {
			p := laced(t, func(_ *piece.Piece, l *piece.Lacing) { set(l, at) })
			f := of(all(t, p), "holes-covered")
			if fires != (f != nil) || f != nil && len(f.More) != 8 {
				t.Errorf("%v from middle to middle: %+v", at, f)
			}
			if !fires {
				continue
			}
			fix, after := fixed(t, p, "holes-covered")
			if l := after.Leading().Lacing; fix == nil || l.Reach(12) != 4 || of(all(t, after), "holes-covered") != nil {
				t.Errorf("%+v leaves %+v", fix, l)
			}
		}
	}
	apart := laced(t, func(_ *piece.Piece, l *piece.Lacing) { l.Pitch = 13 })
	if f := of(all(t, apart), "holes-covered"); f != nil {
		t.Errorf("%+v", f)
	}
}

// The cord lies at the back where the flats turn: no slack is asked for, and no hole is beside
// the end for anything to slip into.
func TestALacedRowIsJudgedAsItIsLaced(t *testing.T) {
	p := laced(t, func(p *piece.Piece, _ *piece.Lacing) { p.House.Slack = piece.SlackSnug })
	for _, f := range all(t, p) {
		if f.Severity != Advise {
			t.Errorf("%s: %s", f.Code, spoken(f))
		}
	}
	thick := laced(t, func(p *piece.Piece, _ *piece.Lacing) { p.Leading().Cord = thread(material.Waxed, 1.1) })
	if f := of(all(t, thick), "hole-too-small"); f == nil || f.Severity != Stop {
		t.Errorf("%+v", f)
	}
	if _, _, err := edit.Apply(p, nil, edit.SetLacingWay{Way: "crossed"}); err != nil {
		t.Error(err)
	}
}
