package chain

// ringSolver solves a symmetric system in which every unknown meets only its two
// neighbours round a ring, for three right sides at once. The corner that closes
// the ring is taken out as one more column. It also holds the method's scratch
// space.
type ringSolver struct {
	rows          []ringRow
	border        [2][]float64
	spare, ds, dz []float64
	inverse       []float64 // of the distances of the hinges
	bars          []bar
}

// ringRow is one unknown's row: its own entry (its reciprocal once eliminated),
// the one it shares with the next unknown, the last one's being the ring's corner,
// the corner's column, and its right sides, then its solutions.
type ringRow struct {
	main, off, last float64
	right           [3]float64
}

func (m *ringSolver) make(n int) {
	block := make([]float64, 6*n)
	cut := func() []float64 {
		out := block[:n:n]
		block = block[n:]
		return out
	}
	m.spare, m.ds, m.dz, m.inverse = cut(), cut(), cut(), cut()
	for i := range m.border {
		m.border[i] = cut()
	}
	m.rows = make([]ringRow, n)
	m.bars = make([]bar, n)
}

// add puts a 2 by 2 block on unknowns i and j, its neighbour.
func (m *ringSolver) add(i, j int, ii, ij, jj float64) {
	m.rows[i].main += ii
	m.rows[j].main += jj
	m.rows[i].off += ij
}

// solve eliminates from the first unknown to the last but one, carrying the
// coupling of each to the last along. The matrix is negative definite, so no
// pivoting is needed; false if it is not.
func (m *ringSolver) solve() bool {
	rows := m.rows
	end := len(rows) - 1
	last := &rows[end]
	rows[0].last += last.off
	rows[end-1].last += rows[end-1].off
	// A little stiffness keeps a hinge that nothing holds where it is.
	for i := range rows {
		rows[i].main -= 1e-14
	}
	for i := 0; i < end; i++ {
		row := &rows[i]
		if !(row.main < 0) {
			return false
		}
		row.main = 1 / row.main
		f := row.last * row.main
		last.main -= f * row.last
		for k := range row.right {
			last.right[k] -= f * row.right[k]
		}
		if i+1 == end {
			break
		}
		next, g := &rows[i+1], row.off*row.main
		next.main -= g * row.off
		next.last -= g * row.last
		for k := range row.right {
			next.right[k] -= g * row.right[k]
		}
	}
	if !(last.main < 0) {
		return false
	}
	for k := range last.right {
		last.right[k] /= last.main
	}
	for i := end - 1; i >= 0; i-- {
		row := &rows[i]
		for k := range row.right {
			v := row.right[k] - row.last*last.right[k]
			if i+1 < end {
				v -= row.off * rows[i+1].right[k]
			}
			row.right[k] = v * row.main
		}
	}
	return true
}
