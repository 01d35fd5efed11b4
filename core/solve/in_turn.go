package solve

import (
	"fmt"
	"iter"
	"math"
	"runtime"
	"slices"
	"sync"
)

// inTurn measures ways one after another, a few ahead at the same time. A way that adds and drops
// the same beads as one that came out far off, in other runs, is passed over.
func (t *task) inTurn(ways []way) iter.Seq2[int, *Proposal] {
	return func(yield func(int, *Proposal) bool) {
		far := map[string]bool{}
		for from := 0; from < len(ways); {
			var next []int
			for ; from < len(ways) && len(next) < runtime.GOMAXPROCS(0); from++ {
				w := &ways[from]
				alike := func(i int) bool { return ways[i].beads() == w.beads() }
				if math.Abs(w.off) > float64(t.goal.Tolerance) && slices.ContainsFunc(next, alike) {
					break // it may be known by then that it is far off
				}
				if !far[w.beads()] {
					next = append(next, from)
				}
			}
			measured := make([]*Proposal, len(next))
			var all sync.WaitGroup
			for k, i := range next {
				all.Go(func() { measured[k] = t.measure(&ways[i]) })
			}
			all.Wait()
			for k, i := range next {
				if p := measured[k]; p != nil && t.goal.Inside && math.Abs(float64(p.Off)) > float64(t.goal.Tolerance)+apart {
					far[ways[i].beads()] = true
				}
				if !yield(i, measured[k]) {
					return
				}
			}
		}
	}
}

// apart is by how much the inside lengths of two ways may differ that add and drop the same beads
// in different runs, in mm.
const apart = 1

// beads tells which beads a way adds and drops, where it changes nothing but counts; else each way
// by itself.
func (w *way) beads() string {
	sum := map[string]int{}
	for _, s := range w.at {
		if s.parts == nil {
			return fmt.Sprintf("%p", w)
		}
		for key, n := range s.adds {
			sum[key] += n
		}
	}
	return fmt.Sprint(len(w.at), sum)
}
