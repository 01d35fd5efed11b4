package buying

import (
	"math"
	"slices"

	"mala/core/length"
	"mala/core/money"
	"mala/core/supply"
	"mala/desk"
	"mala/words"
	"mala/words/en"
)

// buyLengths buys what is cut from a spool: every cut from one length. Packs are chosen by
// the length of all cuts, and that is raised until each cut finds its place.
func (b *Buyer) buyLengths(n *Needed) {
	if len(n.Cuts) == 0 {
		return
	}
	var from []supply.Choice
	longest := n.Cuts[0]
	for _, p := range n.packs {
		if mm := p.Holds[0].Length; p.Holds[0].Of == n.Of && mm >= longest {
			from = append(from, supply.Choice{Pack: p, Holds: []int{int(math.Floor(float64(mm)))}})
		}
	}
	if from == nil {
		n.Line.Lacks = en.Says(words.NoLongPack)
		return
	}
	total := Sum(n.Cuts)
	for need := total; ; need += longest {
		counts := supply.Cheapest([]int{int(math.Ceil(float64(need)))}, from, b.day)
		var spools []length.MM
		for i, count := range counts {
			spools = append(spools, slices.Repeat([]length.MM{length.MM(from[i].Holds[0])}, count)...)
		}
		if !fits(n.Cuts, spools) {
			continue // the spools grow with every turn, so it ends
		}
		for i, count := range counts {
			if count == 0 {
				continue
			}
			mm := length.MM(from[i].Holds[0])
			each := from[i].Pack.Each(count, b.day)
			n.Line.HeldMm += mm * length.MM(count)
			n.Bought += each * money.Amount(count)
			b.add(from[i].Pack, count, 0, mm, each)
		}
		n.Line.LeftMm = desk.Exact(n.Line.HeldMm - total)
		n.Used = n.Bought.Share(int64(math.Round(float64(total)*10)), int64(math.Round(float64(n.Line.HeldMm)*10)))
		return
	}
}

// fits says whether every cut, the longest first, finds a spool with enough left.
func fits(cuts, spools []length.MM) bool {
	left := slices.Clone(spools)
	first := 0
	for i, mm := range cuts {
		if i > 0 && cuts[i-1] != mm {
			first = 0
		}
		for first < len(left) && left[first] < mm {
			first++ // it has no room for any other as long
		}
		if first == len(left) {
			return false
		}
		left[first] -= mm
	}
	return true
}
