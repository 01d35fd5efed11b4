package check

import (
	"fmt"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
)

// A cover closes round its crimp to a ball: it must be wider than the crimp, but
// not so much wider that it stays open.
const mostCover = 2.2

// coverMisfit fires when a crimp cover does not suit the crimp under it, or has
// none.
var coverMisfit = judgement{
	code: "cover-misfit",
	find: func(m *measure.Measured, _ length.Unit) []Finding {
		var found []Finding
		s := m.Strands[0]
		bothEnds(s, func(side string, e measure.End) {
			crimp := crimpOf(e)
			for _, p := range e.Parts {
				if p.Does != measure.DoesCover {
					continue
				}
				f := atEnd(s, "cover-misfit", Advise, side)
				switch c := p.Material.Finding; {
				case crimp == nil:
					f.Title = "A cover over nothing"
					f.Says = fmt.Sprintf("%s at the %s end has no crimp to cover.", p.Material.Name, side)
				case !Covers(c, crimp.Finding):
					f.Title = "Cover and crimp do not match"
					f.Says = fmt.Sprintf("%s is %s wide and %s long; %s under it at the %s end is %s wide and %s long.", p.Material.Name,
						mm(c.Outside), mm(c.Length), crimp.Name, side, mm(crimp.Finding.Outside), mm(crimp.Finding.Length))
				default:
					continue
				}
				found = append(found, f)
			}
		})
		return found
	},
	mend: func(m *measure.Measured, f Finding, bench Bench) []Fix {
		s := m.Strands[0]
		e := s.Left
		if f.End == "right" {
			e = s.Right
		}
		crimp := crimpOf(e)
		return eachOf(m, f.End, measure.DoesCover, func(p measure.Part) []Fix {
			var fixes []Fix
			if crimp != nil {
				fixes = instead(m, f.End, p.Material, bench.Shelf, func(c *material.Finding) bool {
					return c.Type == material.CrimpCover && Covers(c, crimp.Finding)
				})
			}
			return append(fixes, without(m, f.End, p.Material))
		})
	},
}

func crimpOf(e measure.End) *material.Material {
	for _, p := range e.Parts {
		if p.Does == measure.DoesCrimp {
			return p.Material
		}
	}
	return nil
}

// Covers says whether a crimp cover closes round the crimp.
func Covers(cover, crimp *material.Finding) bool {
	return cover.Outside > crimp.Outside && cover.Outside <= mostCover*crimp.Outside && cover.Length >= crimp.Length
}

// without takes one fitting out of an end.
func without(m *measure.Measured, end string, out *material.Material) Fix {
	ends := EndsOf(m.Piece)
	row, closure := ends.Side(end)
	for _, list := range []*[]*material.Material{row, closure} {
		for i, x := range *list {
			if x == out {
				*list = append((*list)[:i:i], (*list)[i+1:]...)
				break
			}
		}
	}
	return Fix{Says: "Leave out " + out.Name, Edit: Edit{Ends: &ends}}
}
