package piece

import "slices"

// Alone is the piece with the loop of one row alone: in every section the row that lies in it,
// and what a cord is folded with. The piece itself is left as it is.
func (p *Piece) Alone(id ID) *Piece {
	row := p.Row(id)
	keep := map[ID]bool{}
	for i := range p.Sections {
		in := p.In(row, &p.Sections[i])
		keep[in.ID] = true
		if mate := p.FoldedWith(in); mate != nil {
			keep[mate.ID] = true
		}
	}
	out := p.Clone()
	for i := range out.Sections {
		s := &out.Sections[i]
		s.Rows = slices.DeleteFunc(s.Rows, func(r *Row) bool { return !keep[r.ID] })
		s.Rows[0].Follow = Follow{}
	}
	return out
}
