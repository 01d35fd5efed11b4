package supply

import (
	"cmp"
	"math"
	"slices"
	"time"

	"mala/core/money"
)

// Choice is one pack as it is chosen from: how much it holds of each of the things
// needed, in their order.
type Choice struct {
	Pack  *Pack
	Holds []int
}

// Cheapest gives how many of each choice to buy so that they hold all that is needed for
// the least money, then with the fewest packs; nil where they cannot. It is exact: every
// mix that might be cheaper is looked at. Mixed sets and price breaks are as good as any.
func Cheapest(need []int, choices []Choice, day time.Time) []int {
	s := &mixer{need: need, choices: choices, day: day, now: make([]int, len(choices)), most: math.MaxInt64}
	for i := range choices {
		s.order = append(s.order, i)
	}
	s.least = make([][]float64, len(choices)+1)
	slices.SortStableFunc(s.order, func(a, b int) int { return cmp.Compare(s.perUnit(a), s.perUnit(b)) })
	s.bounds()
	s.try(0, slices.Clone(need), 0, 0)
	return s.best
}

type mixer struct {
	need    []int
	choices []Choice
	day     time.Time
	order   []int       // the cheapest by what they hold first
	least   [][]float64 // from which place of the order on, what one of each thing costs at least
	now     []int
	best    []int
	most    money.Amount // what the best costs
	packs   int          // how many it has
}

// lowest is the least that one pack of a choice can cost.
func (s *mixer) lowest(i int) money.Amount { return s.choices[i].Pack.Each(math.MaxInt, s.day) }

func (s *mixer) perUnit(i int) float64 {
	useful := 0
	for k, holds := range s.choices[i].Holds {
		useful += min(holds, s.need[k])
	}
	return float64(s.lowest(i)) / float64(max(1, useful))
}

func (s *mixer) bounds() {
	last := make([]float64, len(s.need))
	for k := range last {
		last[k] = math.Inf(1)
	}
	s.least[len(s.order)] = last
	for at := len(s.order) - 1; at >= 0; at-- {
		own := slices.Clone(s.least[at+1])
		for k, holds := range s.choices[s.order[at]].Holds {
			if holds > 0 {
				own[k] = min(own[k], float64(s.lowest(s.order[at]))/float64(holds))
			}
		}
		s.least[at] = own
	}
}

// try chooses from the place of the order on.
func (s *mixer) try(at int, left []int, cost money.Amount, packs int) {
	open := false
	bound := 0.0
	for k, n := range left {
		if n > 0 {
			open = true
			bound = max(bound, float64(n)*s.least[at][k])
		}
	}
	if !open {
		if cost < s.most || cost == s.most && packs < s.packs {
			s.best, s.most, s.packs = slices.Clone(s.now), cost, packs
		}
		return
	}
	// A hundredth is let pass for what the division lost.
	if float64(cost)+bound-0.01 > float64(s.most) || math.IsInf(bound, 1) {
		return
	}
	i := s.order[at]
	for _, n := range s.counts(i, left) {
		rest := slices.Clone(left)
		for k, holds := range s.choices[i].Holds {
			rest[k] -= n * holds
		}
		s.now[i] = n
		s.try(at+1, rest, cost+money.Amount(n)*s.choices[i].Pack.Each(n, s.day), packs+n)
	}
	s.now[i] = 0
}

// counts are the numbers of a pack worth trying: as many as cover all, fewer, and those at
// which a price break begins, which may cost less than fewer would.
func (s *mixer) counts(i int, left []int) []int {
	most := 0
	for k, holds := range s.choices[i].Holds {
		if holds > 0 && left[k] > 0 {
			most = max(most, (left[k]+holds-1)/holds)
		}
	}
	var out []int
	for _, b := range s.choices[i].Pack.Breaks {
		if b.From > most && most > 0 {
			out = append(out, b.From)
		}
	}
	for n := most; n >= 0; n-- {
		out = append(out, n)
	}
	return out
}
