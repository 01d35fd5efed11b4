package desk

import (
	"math"
	"slices"

	"mala/core/length"
	"mala/core/measure"
)

// sameStep is by how many mm steps between beads may differ that are laid alike: what
// their sums leave behind, far below what is seen.
const sameStep = 1e-9

// briefly gives the beads by their kinds.
func briefly(s *measure.Strand) *BeadRow {
	out := &BeadRow{Kinds: []BeadKind{}, Kind: []int{}, Node: []int{}, Count: []int{}, Runs: []int{}}
	for _, r := range s.Runs() {
		out.Runs = append(out.Runs, r.Count)
	}
	known := map[BeadKind]int{}
	at, step := length.MM(0), length.MM(0)
	for i := range s.Beads {
		b := &s.Beads[i]
		on := b.At - at - step
		at = b.At
		if i > 0 && alike(b, &s.Beads[i-1]) && math.Abs(float64(on)) < sameStep {
			out.Count[len(out.Count)-1]++
			continue
		}
		step += on
		kind := BeadKind{Key: b.Key, Material: b.Material.ID, StepMm: length.MM(math.Round(float64(step)*1e9) / 1e9),
			FromMm: Exact(b.From - b.At), ToMm: Exact(b.To - b.At), AcrossMm: b.Material.Bead.Across, Turned: b.Turned, Passes: b.Passes}
		k, ok := known[kind]
		if !ok {
			k = len(out.Kinds)
			known[kind], out.Kinds = k, append(out.Kinds, kind)
		}
		out.Kind, out.Node, out.Count = append(out.Kind, k), append(out.Node, b.Node), append(out.Count, 1)
	}
	return out
}

func alike(a, b *measure.Bead) bool {
	return a.Node == b.Node && a.Key == b.Key && a.Material == b.Material && a.Turned == b.Turned && a.Passes == b.Passes
}

// faceUnits is how many of a face's whole numbers are a millimetre.
const faceUnits = 1e4

func inFew(o *Outline) *FacesInFew {
	out := &FacesInFew{Left: wholeNumbers(o.Left)}
	if !slices.Equal(o.Left, o.Right) {
		out.Right = wholeNumbers(o.Right)
	}
	return out
}

func wholeNumbers(face [][2]float64) []int {
	out := make([]int, 0, 2*len(face))
	for _, point := range face {
		out = append(out, int(math.Round(point[0]*faceUnits)), int(math.Round(point[1]*faceUnits)))
	}
	return out
}
