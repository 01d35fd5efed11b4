package piece

// FoldedWith is the row that a row shares its cord with: one cord, folded in the middle at
// the left, each half a row of its own; nil if it shares it with none.
func (p *Piece) FoldedWith(r *Row) *Row {
	if r.FoldOf != "" {
		return p.Row(r.FoldOf)
	}
	for _, other := range p.Rows() {
		if other.FoldOf == r.ID && other != r {
			return other
		}
	}
	return nil
}

// EndsIn is the row whose fittings a row ends in at a side: both legs of a fold in what
// closes their loop at the left, and in one crimp at the right if they share it. It is the
// row itself where it has its own.
func (p *Piece) EndsIn(r *Row, side Side) *Row {
	if r.FoldOf == "" || side == Right && r.RightEnding.Way != WayWith {
		return r
	}
	if mate := p.Row(r.FoldOf); mate != nil {
		return mate
	}
	return r
}

// checkFolds holds each folded row to a mate that it can share a cord with.
func (p *Piece) checkFolds(add adder) {
	halves := map[ID]int{}
	for i, s := range p.Sections {
		for j, r := range s.Rows {
			at := rowAt(i, j)
			if r.LeftEnding.Way == WayWith || r.RightEnding.Way == WayWith && r.FoldOf == "" {
				add(at+".rightEnd.way", "Only the second half of a folded cord ends in the crimp of the first, at the right.")
			}
			if r.FoldOf == "" {
				continue
			}
			mate := p.Row(r.FoldOf)
			if halves[r.FoldOf]++; mate == nil || mate == r || p.SectionOf(mate) != &p.Sections[i] || mate.FoldOf != "" || halves[r.FoldOf] > 1 {
				add(at+".foldOf", "%q is no row beside this one whose cord has a half left. A cord is folded once, into two rows of one section.", string(r.FoldOf))
				continue
			}
			switch {
			case !r.Corded() || !mate.Corded() || r.Cord != mate.Cord || r.Passes != 1 || mate.Passes != 1:
				add(at+".foldOf", "Both halves are of one cord, which runs once through their beads.")
			case len(r.Left) > 0 || r.LeftEnding.Way != WayFittings:
				add(at+".left", "At the left lies the fold. What closes it is listed at the first of its two rows.")
			case r.RightEnding.Way == WayWith && len(r.Right) > 0:
				add(at+".right", "It ends in the crimp of the other half, and has no fittings of its own there.")
			}
		}
	}
}
