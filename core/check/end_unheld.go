package check

import (
	"cmp"
	"fmt"
	"slices"

	"mala/core/edit"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// endUnheld fires when nothing keeps the cord from running out of an end: wire
// without a crimp, or another cord with nothing to tie it to.
var endUnheld = Check{
	Code: "end-unheld", Step: StepEnds,
	End: func(_ *View, s *measure.Strand, e *measure.End) []Finding {
		if e.Hold != measure.Unheld {
			return nil
		}
		f := Finding{Severity: Stop, At: s.Row.AtEnd(e.Side), Title: "Nothing holds the " + string(e.Side) + " end"}
		if s.Row.Cord.Cord.Type == material.Wire {
			f.Says = fmt.Sprintf("%s at the %s end has no crimp, and wire cannot be knotted.", s.Row.Cord.Name, e.Side)
		} else {
			f.Says = fmt.Sprintf("%s at the %s end has no crimp, and no ring, guard or cord end to tie it to.", s.Row.Cord.Name, e.Side)
		}
		return []Finding{f}
	},
	Fix: func(v *View, f *Finding, bench Bench) []Fix {
		s := v.Strand(f.At.Row)
		if s.Row.Cord.Cord.Type != material.Wire {
			return foldedOver(s, f, bench)
		}
		need := material.HoleFor(2*s.Row.Passes, s.Row.Cord.Cord.Diameter)
		var fixes []Fix
		for _, c := range bench.Shelf {
			if c.Finding != nil && Grips(c.Finding, need) {
				fixes = append(fixes, fix("Crimp it with "+c.Name, edit.Op{Do: edit.AddFitting, At: s.Row.AtEnd(f.At.Side), Material: c}))
			}
		}
		return fixes
	},
}

// foldedOver ends a cord in a fold-over end that takes it, the narrowest first.
func foldedOver(s *measure.Strand, f *Finding, bench Bench) []Fix {
	var fit []*material.Material
	for _, c := range bench.Shelf {
		if c.Finding != nil && FoldsOver(c.Finding, s) {
			fit = append(fit, c)
		}
	}
	slices.SortFunc(fit, func(a, b *material.Material) int { return cmp.Compare(a.Finding.Inside, b.Finding.Inside) })
	var fixes []Fix
	for _, c := range fit {
		fixes = append(fixes, fix("End it in "+c.Name, edit.Op{Do: edit.AddFitting, At: s.Row.AtEnd(f.At.Side), Material: c}))
	}
	return fixes
}

// noClasp fires when a piece that closes by a clasp has none.
var noClasp = Check{
	Code: "no-clasp", Step: StepEnds,
	Piece: func(v *View) []Finding {
		if clasp, _ := v.Piece.Clasp(); v.Piece.Closure.Type != piece.Clasp || clasp != nil {
			return nil
		}
		return []Finding{{Severity: Stop, At: piece.Whole(), Title: "No clasp",
			Says: "The piece closes by a clasp, and neither end has one. Add a clasp, or choose another way to close it."}}
	},
	Fix: func(v *View, _ *Finding, bench Bench) []Fix {
		var fixes []Fix
		for _, c := range bench.Shelf {
			if c.Finding != nil && c.Finding.IsClasp() && !c.Finding.HasTwoHalves() {
				at := v.Leading().Row.AtEnd(piece.Left)
				fixes = append(fixes, fix("Close it with "+c.Name, edit.Op{Do: edit.AddFitting, At: at, Closure: true, Material: c}))
			}
		}
		return fixes
	},
}
