package measure

import (
	"math"
	"slices"

	"mala/core/chain"
	"mala/core/material"
)

// barSteps is how often the loop is laid round the body again until its bars lie on it.
const barSteps = 12

// followBars lets bars that are bent more than the body they lie on touch it with their
// ends instead of their middle: such a bar rises above its body by no more than the body
// itself does. It says whether that changed any segment; the links are then others.
func followBars(links *[]Link, segments []chain.Segment, radius float64) bool {
	changed := false
	for i, l := range *links {
		if l.Part == nil || l.Part.Role != RoleBar {
			continue
		}
		f := l.Part.Material.Finding
		rise := min(float64(f.Rise), material.RiseRound(radius+float64(f.Wire)/2, f.Length))
		reach := float64(f.Wire)/2 - rise
		if math.Abs(reach-segments[i].Reach) > 1e-6 {
			if !changed {
				*links = slices.Clone(*links)
			}
			(*links)[i].Segment.Reach = reach
			segments[i].Reach, changed = reach, true
		}
	}
	return changed
}
