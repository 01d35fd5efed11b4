package piece

import "mala/core/material"

// WaysAt lists the ways in which an end of a row can be made beyond what its fittings say: wire
// takes no knot, other cords but nylon no crimp, a fold lies at the left, the foot is that of an
// ornament. The way that it is made in is among them.
func (p *Piece) WaysAt(r *Row, side Side) []Way {
	if !r.Corded() {
		return nil
	}
	cord := r.Cord.Cord.Type
	wire, crimped := cord == material.Wire, r.crimped(p, side)
	fold := side == Left && !p.Hangs() && r.FoldOf == ""
	foot := side == Left && p.Hangs()
	suits := map[Way]bool{
		WayLoop: true, WayCordLoop: !wire || crimped, WayHiddenKnot: !wire, WayLeg: !wire && !p.Hangs(), WayTails: !wire && !crimped && !p.Hangs(),
		WayFold: fold, WayFoldBead: fold, WayFoldLoop: fold && crimped, WayLegLoop: side == Right && crimped && r.FoldsAtLeft() && r.FoldOf == "",
		WayUnderBead: wire || cord == material.Nylon, WayFootBead: foot, WayStopped: foot,
	}
	if p.SlipsOn() {
		suits = map[Way]bool{WayHiddenKnot: !wire && p.Closure.Type == OnBar, WayTails: !wire}
	}
	var out []Way
	for _, w := range Ways() {
		if w != WayFittings && (suits[w] || w == r.Ending(side).Way) {
			out = append(out, w)
		}
	}
	return out
}
