package papers

// compare lines up what a page says with what it should say, and names what differs, with
// what stands before it.
func compare(page int, says, should []string) []Disagreement {
	var out []Disagreement
	before := ""
	var gone, missing []string
	flush := func() {
		for i := range max(len(gone), len(missing)) {
			d := Disagreement{Page: page, After: before}
			if i < len(gone) {
				d.Paper = gone[i]
			}
			if i < len(missing) {
				d.Should = missing[i]
			}
			out = append(out, d)
		}
		gone, missing = nil, nil
	}
	i, k := 0, 0
	for _, same := range append(common(says, should), [2]int{len(says), len(should)}) {
		gone, missing = append(gone, says[i:same[0]]...), append(missing, should[k:same[1]]...)
		flush()
		if same[0] < len(says) {
			before = says[same[0]]
		}
		i, k = same[0]+1, same[1]+1
	}
	return out
}

// mostCompared is up to how many texts are lined up by the longest common sequence; of more
// their places decide.
const mostCompared = 4000

// common gives the places of a longest sequence that both have.
func common(a, b []string) [][2]int {
	var out [][2]int
	from := 0
	for from < len(a) && from < len(b) && a[from] == b[from] {
		out = append(out, [2]int{from, from})
		from++
	}
	endA, endB := len(a), len(b)
	var tail [][2]int
	for endA > from && endB > from && a[endA-1] == b[endB-1] {
		endA, endB = endA-1, endB-1
		tail = append(tail, [2]int{endA, endB})
	}
	n, m := endA-from, endB-from
	if n > 0 && m > 0 && n <= mostCompared && m <= mostCompared {
		long := make([][]int16, n+1)
		for i := range long {
			long[i] = make([]int16, m+1)
		}
		for i := n - 1; i >= 0; i-- {
			for k := m - 1; k >= 0; k-- {
				if a[from+i] == b[from+k] {
					long[i][k] = long[i+1][k+1] + 1
				} else {
					long[i][k] = max(long[i+1][k], long[i][k+1])
				}
			}
		}
		for i, k := 0, 0; i < n && k < m; {
			switch {
			case a[from+i] == b[from+k]:
				out = append(out, [2]int{from + i, from + k})
				i, k = i+1, k+1
			case long[i+1][k] >= long[i][k+1]:
				i++
			default:
				k++
			}
		}
	}
	for i := len(tail) - 1; i >= 0; i-- {
		out = append(out, tail[i])
	}
	return out
}
