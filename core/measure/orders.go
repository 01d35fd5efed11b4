package measure

import (
	"math"

	"mala/core/length"
)

// countOrders is how many different orders there are of this many of each kind, or more than are
// laid out one by one.
func countOrders(left []int) int {
	count, n := 1, 0
	for _, k := range left {
		for i := 1; i <= k; i++ {
			n++
			if count = count * n / i; count > mostLaid {
				return count
			}
		}
	}
	return count
}

// eachOrder calls do with every different order.
func eachOrder[T any](kinds []T, left []int, do func(order []T)) {
	total := 0
	for _, n := range left {
		total += n
	}
	rest, order := append([]int(nil), left...), make([]T, 0, total)
	var walk func()
	walk = func() {
		if len(order) == total {
			do(order)
			return
		}
		for k := range kinds {
			if rest[k] == 0 {
				continue
			}
			rest[k]--
			order = append(order, kinds[k])
			walk()
			order = order[:len(order)-1]
			rest[k]++
		}
	}
	walk()
}

// pairTable is how far apart kinds of beads lie, and what their first and last add.
type pairTable struct {
	between        [][]float64
	before, behind []float64
	written        length.MM // the stretch as it is written
	passing        bool      // beads pass into the holes of others
}

func (p *pairTable) negative() *pairTable {
	minus := func(list []float64) []float64 {
		out := make([]float64, len(list))
		for i, v := range list {
			out[i] = -v
		}
		return out
	}
	out := &pairTable{before: minus(p.before), behind: minus(p.behind)}
	for _, row := range p.between {
		out.between = append(out.between, minus(row))
	}
	return out
}

// order is a way through all of them with the least sum, closed back to its first or not; nil
// if there are more states than are gone through.
func (p *pairTable) order(left []int, closed bool) []int {
	if !closed {
		_, order := p.shortest(left)
		return order
	}
	least := math.Inf(1)
	var best []int
	for first := range left {
		round := &pairTable{between: p.between, before: make([]float64, len(left)), behind: make([]float64, len(left))}
		for k := range left {
			round.before[k], round.behind[k] = math.Inf(1), p.between[k][first]
		}
		round.before[first] = 0
		if sum, order := round.shortest(left); order != nil && sum < least {
			least, best = sum, order
		}
	}
	return best
}

// shortest is the least sum of a way through this many of each kind, and the way.
func (p *pairTable) shortest(left []int) (least float64, order []int) {
	states, total := len(left), 0
	place := make([]int, len(left))
	for i, n := range left {
		place[i] = states
		total += n
		if states *= n + 1; states > mostOrders {
			return 0, nil
		}
	}
	// best[state + last] is the least for what has been strung, the last bead being of that kind.
	best, from := make([]float64, states), make([]int32, states)
	for i := range best {
		best[i] = math.Inf(1)
	}
	done := make([]int, len(left))
	for state := 0; state < states; state += len(left) {
		rest := state
		for i := len(left) - 1; i >= 0; i-- {
			done[i] = rest / place[i]
			rest %= place[i]
		}
		for next := range left {
			if done[next] == left[next] {
				continue
			}
			to := state + place[next] + next
			if state == 0 {
				best[to] = p.before[next]
				continue
			}
			for last := range left {
				if v := best[state+last] + p.between[last][next]; v < best[to] {
					best[to], from[to] = v, int32(last)
				}
			}
		}
	}
	least = math.Inf(1)
	end := states - len(left)
	last := 0
	for k := range left {
		if v := best[end+k] + p.behind[k]; v < least {
			least, last = v, k
		}
	}
	order = make([]int, total)
	for i, state := total-1, end; i >= 0; i-- {
		order[i] = last
		before := int(from[state+last])
		state -= place[last]
		last = before
	}
	return least, order
}

// bounds are what no order can fall below or go beyond. Beads that pass into a hole may add
// nothing.
func (p *pairTable) bounds(left []int) (least, most float64) {
	n := 0
	for _, k := range left {
		n += k
	}
	low, high := math.Inf(1), math.Inf(-1)
	for _, row := range p.between {
		for _, v := range row {
			low, high = min(low, v), max(high, v)
		}
	}
	ends := func(better func(x, y float64) float64, of []float64) float64 {
		out := of[0]
		for _, v := range of {
			out = better(out, v)
		}
		return out
	}
	lower, higher := func(x, y float64) float64 { return min(x, y) }, func(x, y float64) float64 { return max(x, y) }
	return low*float64(n-1) + ends(lower, p.before) + ends(lower, p.behind), high*float64(n-1) + ends(higher, p.before) + ends(higher, p.behind)
}
