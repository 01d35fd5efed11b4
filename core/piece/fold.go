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

// FoldsInTwo says whether the row's cord is folded at the left: into a row on each half, or
// laid double through all its beads.
func (p *Piece) FoldsInTwo(r *Row) bool { return p.FoldedWith(r) != nil || r.Passes%2 == 0 }

// checkFoldBead holds a fold through a bead to a cord that is folded and a bead that is there.
func (p *Piece) checkFoldBead(r *Row, side Side, add adder, where string) {
	f := r.Ending(side)
	switch {
	case side == Right || r.FoldOf != "":
		add(where+".way", "The fold of the cord lies at the left end, and its bead is listed at the first of its rows.")
	case !p.FoldsInTwo(r):
		add(where+".way", "The cord is not folded: run it twice through every bead, or string a second row on its other half.")
	case f.Bead == nil:
		add(where+".bead", "Name the bead that the cord is folded through.")
	case f.Bead.Bead == nil || f.Bead.Hangs() || f.Bead.Component != nil:
		add(where+".bead", "No cord can be folded through %s. Use a bead.", f.Bead.Name)
	case len(*p.End(r, side, false))+len(*p.End(r, side, true)) > 0:
		add(where+".way", "Nothing lies beyond the bead that the cord is folded through. Remove the fittings, or make the end another way.")
	}
	checkRange(add, where+".legMm", f.Leg, 0, longestNeck)
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

// FoldsAtLeft says whether the left end of the row is the middle of its cord.
func (r *Row) FoldsAtLeft() bool {
	switch r.LeftEnding.Way {
	case WayFold, WayFoldBead, WayFoldLoop:
		return true
	case WayCordLoop:
		return r.Passes%2 == 0
	}
	return r.FoldOf != ""
}
