package steps

// Carry matches the runs of a row before and after a change of it, so that what was ticked stays
// ticked where the run is the same: for each run after, which it was before, -1 for a new one. As
// many as can be are matched, in their order, and of those as many as have kept their count.
func Carry(before, after []Run) []int {
	same := func(i, j int) int {
		a, b := &before[i], &after[j]
		switch {
		case a.Material != b.Material || a.Turned != b.Turned:
			return 0
		case a.Count == b.Count:
			return 3
		}
		return 2
	}
	// best[i][j] is the most that can be matched from there on.
	best := make([][]int, len(before)+1)
	for i := range best {
		best[i] = make([]int, len(after)+1)
	}
	for i := len(before) - 1; i >= 0; i-- {
		for j := len(after) - 1; j >= 0; j-- {
			best[i][j] = max(best[i+1][j], best[i][j+1])
			if v := same(i, j); v > 0 {
				best[i][j] = max(best[i][j], v+best[i+1][j+1])
			}
		}
	}
	out := make([]int, len(after))
	for j := range out {
		out[j] = -1
	}
	for i, j := 0, 0; i < len(before) && j < len(after); {
		switch v := same(i, j); {
		case v > 0 && best[i][j] == v+best[i+1][j+1]:
			out[j] = i
			i, j = i+1, j+1
		case best[i][j] == best[i+1][j]:
			i++
		default:
			j++
		}
	}
	return out
}
