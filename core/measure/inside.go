package measure

import (
	"math"
	"sort"

	"mala/core/length"
	"mala/core/material"
)

// inside gives the inside length of a ring of equal beads in closed form, nil
// for any other strand: n segments of p hinged w inside their joints go round a
// circle of radius q where p = 2(q + w) tan(π/n).
func (s *Strand) inside() *length.MM {
	n := len(s.Beads)
	if !s.Ring || n < 3 || len(s.kinds) != 1 || len(s.Joints) != 1 || s.Joints[0].Count != n {
		return nil
	}
	first := s.Beads[0].Material
	if first.Bead.Facing == material.FacingForeAft {
		return nil
	}
	c := s.Joints[0].Contact
	w := float64(first.Bead.Thick)/2 - c.Radius
	q := float64(c.Distance)/(2*math.Tan(math.Pi/float64(n))) - w
	inside := length.MM(2 * math.Pi * q)
	if s.Row.Cord.Cord.Type != material.Elastic {
		inside -= max(0, s.SlackNeeded-s.Slack)
	}
	return &inside
}

// Rule is the rule of thumb for the inside length: the finished length as it
// lies, less π times the thickness of the beads that touch.
type Rule struct {
	Inside length.MM
	Thick  length.MM // the thickness it was worked out with
}

// rule takes as the beads that touch those that make up the strand: the
// thickness that half of its length reaches.
func (s *Strand) rule(finished length.MM) *Rule {
	if len(s.Beads) == 0 {
		return nil
	}
	byThick := map[length.MM]length.MM{}
	total := length.MM(0)
	for _, k := range s.kinds {
		along := k.material.Bead.Length() * length.MM(k.count)
		byThick[k.material.Bead.Thick] += along
		total += along
	}
	thick := make([]length.MM, 0, len(byThick))
	for t := range byThick {
		thick = append(thick, t)
	}
	sort.Slice(thick, func(i, j int) bool { return thick[i] > thick[j] })
	sum := length.MM(0)
	for _, t := range thick {
		if sum += byThick[t]; sum*2 >= total {
			return &Rule{Inside: finished - math.Pi*t, Thick: t}
		}
	}
	return nil
}
