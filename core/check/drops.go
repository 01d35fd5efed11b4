package check

import (
	"fmt"

	"mala/core/material"
	"mala/core/measure"
)

// inDrop stops beads of a drop whose hole is too small for the cord that goes down and
// back up through them. Alike drops are one finding, at the first of them.
func inDrop(v *View, s *measure.Strand, at int) []Finding {
	d := s.Beads[at].Drop
	for i := range at {
		if s.Beads[i].Drop == d {
			return nil
		}
	}
	var found []Finding
	judged := map[*material.Material]bool{}
	for i := range d.Beads {
		b := &d.Beads[i]
		passes := b.Passes * s.Row.Passes
		need := max(material.HoleFor(passes, s.Row.Cord.Cord.Diameter), NeedleNeeds(s, passes, v.Piece.House))
		if judged[b.Material] || b.Material.Bead.Hole >= need-tiny {
			continue
		}
		judged[b.Material] = true
		found = append(found, Finding{Severity: Stop, At: s.Row.AtBead(at), Title: "Hole too small for the cord", cause: "drop " + b.Material.ID + " " + d.Key,
			Says: fmt.Sprintf("%s of %s cord need a hole of %s; %s in the drop has %s.", times(passes), mm(s.Row.Cord.Cord.Diameter), mm(need), b.Material.Name, mm(b.Material.Bead.Hole))})
	}
	return found
}

// fewFilaments is how many strands a beading wire has at most that is too stiff to let a
// drop hang.
const fewFilaments = 7

// dropStiff advises where a drop is made of wire that stands off instead of hanging.
var dropStiff = Check{
	Code: "drop-stands-off", Step: StepLayOut,
	Strand: func(_ *View, s *measure.Strand) []Finding {
		c := s.Row.Cord.Cord
		if c.Type != material.Wire || c.Filaments == 0 || c.Filaments > fewFilaments {
			return nil
		}
		for i := range s.Beads {
			if s.Beads[i].Drop == nil {
				continue
			}
			return []Finding{{Severity: Advise, At: s.Row.AtBead(i), Title: "The drop stands off",
				Says: fmt.Sprintf("Wire of %d strands is stiff: a drop of it stands off instead of hanging. Wire of 19 hangs nearly straight, wire of 49 and thread hang freely.", c.Filaments)}}
		}
		return nil
	},
}
