package chain

// ringSolver solves a symmetric system in which every unknown meets only its two
// neighbours round a ring, for three right sides at once. The corner that closes
// the ring is taken out as one more column. It also holds the method's scratch
// space.
type ringSolver struct {
	main, off     []float64    // off[i] couples i and i+1, the last one the ring's corner
	right         [3][]float64 // right sides, then solutions
	border        [2][]float64
	last          []float64 // the corner's column
	spare, ds, dz []float64
	bars          []bar
}

func (m *ringSolver) make(n int) {
	block := make([]float64, 11*n)
	cut := func() []float64 {
		out := block[:n:n]
		block = block[n:]
		return out
	}
	m.main, m.off, m.last, m.spare, m.ds, m.dz = cut(), cut(), cut(), cut(), cut(), cut()
	for i := range m.right {
		m.right[i] = cut()
	}
	for i := range m.border {
		m.border[i] = cut()
	}
	m.bars = make([]bar, n)
}

func (m *ringSolver) clearAll() {
	clear(m.main)
	clear(m.off)
	for i := range m.right {
		clear(m.right[i])
	}
}

// add puts a 2 by 2 block on unknowns i and j, its neighbour.
func (m *ringSolver) add(i, j int, ii, ij, jj float64) {
	m.main[i] += ii
	m.main[j] += jj
	m.off[i] += ij
}

// solve eliminates from the first unknown to the last but one, carrying the
// coupling of each to the last along. The matrix is negative definite, so no
// pivoting is needed; false if it is not.
func (m *ringSolver) solve() bool {
	n := len(m.main)
	end := n - 1
	clear(m.last)
	m.last[0] += m.off[end]
	m.last[end-1] += m.off[end-1]
	// A little stiffness keeps a hinge that nothing holds where it is.
	for i := range m.main {
		m.main[i] -= 1e-14
	}
	for i := 0; i < end; i++ {
		if !(m.main[i] < 0) {
			return false
		}
		f := m.last[i] / m.main[i]
		m.main[end] -= f * m.last[i]
		for k := range m.right {
			m.right[k][end] -= f * m.right[k][i]
		}
		if i+1 == end {
			break
		}
		g := m.off[i] / m.main[i]
		m.main[i+1] -= g * m.off[i]
		m.last[i+1] -= g * m.last[i]
		for k := range m.right {
			m.right[k][i+1] -= g * m.right[k][i]
		}
	}
	if !(m.main[end] < 0) {
		return false
	}
	for k := range m.right {
		r := m.right[k]
		r[end] /= m.main[end]
		for i := end - 1; i >= 0; i-- {
			v := r[i] - m.last[i]*r[end]
			if i+1 < end {
				v -= m.off[i] * r[i+1]
			}
			r[i] = v / m.main[i]
		}
	}
	return true
}
