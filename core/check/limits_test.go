package check

import (
	"fmt"
	"testing"

	"mala/core/edit"
	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
)

// Each limit at it, a thousandth under it and a thousandth over it.
func TestEveryLimitAtUnderAndOver(t *testing.T) {
	hole := func(h length.MM) change {
		return func(p *piece.Piece, _ *piece.Row) {
			p.House.Tail = piece.TailTrimmed
			p.Palette["P"] = bead(t, "pearl", material.Bead{Shape: material.Round, Across: 4, Hole: h})
		}
	}
	crimpOf := func(inside length.MM) change {
		return leftEnd(finding("a crimp", "", material.Finding{Type: material.CrimpTube, Inside: inside, Outside: 3, Length: 2}))
	}
	coverOf := func(outside, along length.MM) change {
		return leftEnd(crimp18, finding("a cover", "", material.Finding{Type: material.CrimpCover, Outside: outside, Length: along}))
	}
	ringOf := func(inside length.MM) change {
		return closed(lobster, finding("a ring", "", material.Finding{Type: material.JumpRing, Inside: inside, Wire: 0.7, Joint: "open"}))
	}
	capOn := func(across length.MM) change {
		return func(p *piece.Piece, _ *piece.Row) {
			p.Palette["B"] = bead(t, "under", material.Bead{Shape: material.Round, Across: across, Hole: 0.9})
		}
	}
	base := measuredPiece(t, necklace(t, "20P"))
	s := base.Leading()
	inside, _ := measuredPiece(t, necklace(t, "43P")).Inside()
	// A ring 0.7 x 3.6 opens at 7.9767 N, ten times the weight of 81.313 g.
	const opensAt = 300 * 0.7 * 0.7 * 0.7 / (6 * 2.15) / gravity / tugged * 1000
	twenty := func(g float64) float64 { return g / 20 } // pearls of a piece whose findings weigh nothing
	for _, tt := range []struct {
		name, code string
		limit      float64
		piece      func(v float64) *piece.Piece
		// What is found under, at and over the limit; empty for nothing.
		under, at, over Severity
	}{
		{"a hole its cord only just passes", "hole-too-small", 0.38, func(v float64) *piece.Piece { return necklace(t, "20P", hole(length.MM(v))) }, Stop, Warn, Warn},
		{"a hole its cord passes with ease", "hole-too-small", 1.1 * 0.38, func(v float64) *piece.Piece { return necklace(t, "20P", hole(length.MM(v))) }, Warn, "", ""},
		{"a hole its elastic only just passes", "hole-too-small", 0.7, func(v float64) *piece.Piece {
			return stretch(t, "30P", hole(length.MM(v)), func(p *piece.Piece, _ *piece.Row) { p.House.KnotPlace = piece.KnotShown })
		}, Stop, "", ""},
		{"a hole its needle just passes", "hole-too-small", 0.45, func(v float64) *piece.Piece {
			return necklace(t, "40P", ends(guard), closed(lobster, jump), cordOf(thread(material.Thread, 0.2)), hole(length.MM(v)))
		}, Stop, "", ""},
		{"a hole its folded thread just passes", "hole-too-small", 0.6, func(v float64) *piece.Piece {
			return necklace(t, "40P", ends(guard), closed(lobster, jump), cordOf(thread(material.Thread, 0.3)), hole(length.MM(v)))
		}, Stop, "", ""},
		{"a crimp its cords just pass", "crimp-misfit", 2 * 0.38, func(v float64) *piece.Piece { return necklace(t, "20P", crimpOf(length.MM(v))) }, Stop, "", ""},
		{"a crimp that just grips", "crimp-misfit", 4 * 0.38, func(v float64) *piece.Piece { return necklace(t, "20P", crimpOf(length.MM(v))) }, "", "", Warn},
		{"a cover that just closes", "cover-misfit", 0.8 * 1.8 / 0.9, func(v float64) *piece.Piece { return necklace(t, "20P", coverOf(length.MM(v), 3)) }, Advise, "", ""},
		{"a cover that just holds", "cover-misfit", 0.8 * 1.8 / 0.35, func(v float64) *piece.Piece { return necklace(t, "20P", coverOf(length.MM(v), 4.5)) }, "", "", Advise},
		{"a cover as long as its crimp", "cover-misfit", 2, func(v float64) *piece.Piece { return necklace(t, "20P", coverOf(3, length.MM(v))) }, Advise, "", ""},
		{"under the target", "length-off", float64(base.Finished) + 3, func(v float64) *piece.Piece { return necklace(t, "20P", target(length.MM(v), 3)) }, "", "", Warn},
		{"over the target", "length-off", float64(base.Finished) - 3, func(v float64) *piece.Piece { return necklace(t, "20P", target(length.MM(v), 3)) }, Warn, "", ""},
		{"slack over what bending needs", "slack-long", float64(s.SlackNeeded) + 5, func(v float64) *piece.Piece { return necklace(t, "20P", slack(length.MM(v))) }, "", "", Advise},
		{"slack under the least", "slack-short", float64(s.SlackLeast()) - 0.05, func(v float64) *piece.Piece { return necklace(t, "20P", slack(length.MM(v))) }, Warn, "", ""},
		{"no ease", "ease-off", float64(inside) + 0.05 - 1e-6, func(v float64) *piece.Piece { return necklace(t, "43P", wrist(length.MM(v), "")) }, "", "", Warn},
		{"the most ease", "ease-off", float64(inside) - 25 - 0.05 + 1e-6, func(v float64) *piece.Piece { return necklace(t, "43P", wrist(length.MM(v), "")) }, Warn, "", ""},
		{"a ring as wide as what it holds", "ring-too-small", 1 + 2*0.38, func(v float64) *piece.Piece {
			p := necklace(t, "20P", ringOf(length.MM(v)))
			p.Leading().Passes = 2
			return p
		}, Stop, "", ""},
		{"a guard as wide as its cord", "crimp-misfit", 0.38, func(v float64) *piece.Piece { return necklace(t, "20P", leftEnd(crimp18, guardOf(length.MM(v)))) }, Stop, "", ""},
		{"a guard as wide as two turns of its cord", "crimp-misfit", 2 * 0.38, func(v float64) *piece.Piece {
			return necklace(t, "20P", leftEnd(crimp18, guardOf(length.MM(v))), house(func(h *piece.House) { h.GuardThreads = piece.GuardsTwice }))
		}, Stop, "", ""},
		{"a trough as wide as its cords", "crimp-misfit", 2 * 1.5, func(v float64) *piece.Piece {
			fold := finding("a fold", "", material.Finding{Type: material.FoldOver, Inside: length.MM(v), Length: 7, RingEye: 2})
			p := necklace(t, "9H", ends(fold), closed(lobster, jump), cordOf(thread(material.Leather, 1.5)))
			p.Leading().Passes = 2
			return p
		}, Stop, "", ""},
		{"a piece as heavy as its ring bears", "weak-link", opensAt, func(v float64) *piece.Piece { return necklace(t, "20P", weighing(twenty(v))) }, Advise, Advise, Warn},
		{"a piece as heavy as a round ring should carry", "weak-link", heavyPiece, func(v float64) *piece.Piece { return necklace(t, "20P", weighing(twenty(v))) }, "", "", Advise},
		{"a cap as wide as its bead", "cap-misfit", 6, func(v float64) *piece.Piece { return necklace(t, "9P C B ~C 9P", capOn(length.MM(v))) }, Warn, Warn, Warn},
		{"a cord cut to the least", "leg-short", float64(s.LeastCut()) - 0.05, func(v float64) *piece.Piece { return necklace(t, "20P", cutTo(length.MM(v))) }, Stop, Warn, Warn},
		{"a cord cut as the house does", "leg-short", float64(s.CutLength()) - 0.05, func(v float64) *piece.Piece { return necklace(t, "20P", cutTo(length.MM(v))) }, Warn, "", ""},
		{"elastic half as thick as passes", "elastic-misfit", 0.5 * 0.9 / 1.1, func(v float64) *piece.Piece { return stretch(t, "30P", cordOf(elastic(length.MM(v)))) }, Warn, "", ""},
		{"elastic as thick as passes with ease", "elastic-misfit", 0.9 / 1.1, func(v float64) *piece.Piece { return stretch(t, "30P", cordOf(elastic(length.MM(v)))) }, "", "", Advise},
		{"elastic as thick as passes at all", "elastic-misfit", 0.9, func(v float64) *piece.Piece { return stretch(t, "30P", cordOf(elastic(length.MM(v)))) }, Advise, Advise, ""},
	} {
		const thousandth = 1e-3
		for _, at := range []struct {
			off  float64
			want Severity
		}{{-thousandth, tt.under}, {0, tt.at}, {thousandth, tt.over}} {
			f := of(all(t, tt.piece(tt.limit+at.off)), tt.code)
			switch {
			case f == nil && at.want != "":
				t.Errorf("%s, %s at %v%+v: nothing, want %s", tt.name, tt.code, tt.limit, at.off, at.want)
			case f != nil && f.Severity != at.want:
				t.Errorf("%s, %s at %v%+v: %s, want %q: %s", tt.name, tt.code, tt.limit, at.off, f.Severity, at.want, spoken(f))
			}
		}
	}
}

func guardOf(inside length.MM) *material.Material {
	return finding(fmt.Sprint("guard ", float64(inside)), "", material.Finding{Type: material.WireGuard, Length: 4, Wire: 0.6, Inside: inside})
}

func TestAGuardTooNarrowIsReplacedByOneThatTakesTheCord(t *testing.T) {
	p := necklace(t, "20P", leftEnd(crimp18, guardOf(0.6)), house(func(h *piece.House) { h.GuardThreads = piece.GuardsTwice }))
	fix, after := fixed(t, p, "crimp-misfit", guardOf(0.7), guard, guardOf(1.2))
	if fix == nil || after.Leading().Left[1].Of.ID != "guard 1.2" {
		t.Errorf("fix %+v", fix)
	}
	if f := of(all(t, necklace(t, "20P", leftEnd(crimp18, guard))), "crimp-misfit"); f != nil {
		t.Errorf("a guard of unknown bore: %s", spoken(f))
	}
}

func foldOf(inside length.MM) *material.Material {
	return finding(fmt.Sprint("fold ", float64(inside)), "", material.Finding{Type: material.FoldOver, Inside: inside, Length: 7, RingEye: 2})
}

// The bar passes if all within half of it goes beside it through the ring.
func TestTheBarPassesUpToHalfItsLengthFromTheEnd(t *testing.T) {
	// Ring inside 9, bar 2 thick: 7 of room; the bar's eye is 2.
	for _, tt := range []struct {
		name string
		line string
		bar  length.MM
		want bool
	}{
		{"all fine", "20P", 60, false},
		{"a thick one at the far end", "G 20P", 20, false},
		{"a thick one just within", "20P G", 12.1, true},
		{"as thick as there is room", "20P W", 60, false},
		{"a little thicker", "20P X", 60, true},
		{"a charm", "20P Q", 20, false},
	} {
		bar := finding("a toggle", "", material.Finding{Type: material.Toggle, RingInside: 9, RingEye: 2, Wire: 1.5, Bar: tt.bar, BarThickness: 2, BarEye: 2})
		p := necklace(t, tt.line, closed(bar))
		p.Palette["W"] = bead(t, "seven", material.Bead{Shape: material.Round, Across: 7, Hole: 0.9})
		p.Palette["X"] = bead(t, "more than seven", material.Bead{Shape: material.Round, Across: 7.01, Hole: 0.9})
		f := of(all(t, p), "toggle-blocked")
		if (f != nil) != tt.want {
			t.Errorf("%s: %+v", tt.name, f)
		}
	}
	// What lies within half a bar: the end's own parts, the eye, then the beads.
	end := measuredPiece(t, necklace(t, "20P", closed(toggle10))).Leading().Right.Length
	for off, want := range map[length.MM]bool{-0.01: false, 0.01: true} {
		bar := finding("a toggle", "", material.Finding{Type: material.Toggle, RingInside: 9, RingEye: 2, Wire: 1.5, Bar: 2 * (end + 2 + off), BarThickness: 2, BarEye: 2})
		p := necklace(t, "20P X", closed(bar))
		p.Palette["X"] = bead(t, "more than seven", material.Bead{Shape: material.Round, Across: 7.01, Hole: 0.9})
		if f := of(all(t, p), "toggle-blocked"); (f != nil) != want {
			t.Errorf("half a bar %+v beyond the last bead's face: %+v", float64(off), f)
		}
	}
}

func TestWhatCanBeFixedByAnotherPartOfTheShelf(t *testing.T) {
	for _, tt := range []struct {
		code string
		p    *piece.Piece
		from []*material.Material
		want string // the material of the fix; empty for none
	}{
		{"crimp-misfit", necklace(t, "20P", leftEnd(tinyCrimp)), []*material.Material{wideCrimp}, ""},
		{"crimp-misfit", necklace(t, "20P", leftEnd(tinyCrimp)), []*material.Material{wideCrimp, crimp18}, "crimp"},
		{"cover-misfit", necklace(t, "20P", leftEnd(crimp18, bigCover)), []*material.Material{cover}, "cover 3"},
		{"ring-too-small", necklace(t, "20P", closed(lobster, fine)), []*material.Material{fine, jump}, "jump ring"},
		{"ring-too-small", necklace(t, "20P", closed(lobster, fine)), []*material.Material{soldered}, ""},
		{"end-unheld", necklace(t, "9H", ends(), closed(), cordOf(thread(material.Leather, 1.5))), []*material.Material{foldOf(3), foldOf(2), foldOf(1.4)}, "fold 2"},
		{"crimp-misfit", necklace(t, "9H", ends(foldOf(1.4)), closed(lobster, jump), cordOf(thread(material.Leather, 1.5))), []*material.Material{foldOf(1.4), foldOf(2)}, "fold 2"},
	} {
		fix, _ := fixed(t, tt.p, tt.code, tt.from...)
		got := ""
		if fix != nil && edit.FieldsOf(fix.Ops[0]).Material != nil {
			got = edit.FieldsOf(fix.Ops[0]).Material.ID
		}
		if got != tt.want {
			t.Errorf("%s: %q, want %q (%+v)", tt.code, got, tt.want, fix)
		}
	}
}
