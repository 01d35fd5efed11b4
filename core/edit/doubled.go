package edit

import (
	"mala/core/piece"
)

// setDoubled runs the cord several times through a row, or lets beads ride on one of the
// cords. The error is a *Refused.
func setDoubled(p *piece.Piece, op Op) error {
	row, err := rowOf(p, op)
	switch {
	case err != nil:
		return err
	case op.Do == SetOneCord && p.Palette[op.Text] == nil:
		return refuse("There is no dish %s.", op.Text)
	case op.Do == SetOneCord:
		if p.OneCord == nil {
			p.OneCord = map[string]bool{}
		}
		if delete(p.OneCord, op.Text); op.N > 0 {
			p.OneCord[op.Text] = true
		}
		return nil
	case !row.Corded():
		return refuse("A row of chain has no cord.")
	case (row.LeftEnding.Way == piece.WayFold || row.LeftEnding.Way == piece.WayFoldBead && p.FoldedWith(row) == nil) && op.N%2 != 0:
		return refuse("The cord is folded at the left, so it runs twice through every bead. Make that end another way first.")
	}
	row.Passes = op.N
	return nil
}
