package component

import (
	"math"

	"mala/core/material"
)

// carries strings a bead that has a loop of its own, on which the rest hangs. The
// loop lies like a ring seen from the front, its top at the bead's edge.
func (mk *maker) carries() error {
	p := &mk.plan
	switch {
	case p.Strung == nil:
		return fault("bead", "Choose the bead that is strung.")
	case p.Strung.Bead == nil || p.Strung.Bead.Loop <= 0:
		return fault("bead", "%s has no loop of its own. Choose a bead with one.", p.Strung.Name)
	case len(p.Below) == 0:
		return fault("below", "Nothing hangs here yet. Add a charm or a component below.")
	}
	if err := mk.checkBelow(); err != nil {
		return err
	}
	b := p.Strung.Bead
	mk.seat(material.Seat{Role: material.SeatBead, Of: p.Strung, Long: b.Length(), Wide: b.Across, Angle: -math.Pi / 2})
	top := b.Across/2 + b.LoopWire
	mk.seat(material.Seat{Role: material.SeatLoop, Of: p.Strung, Y: float64(top + b.Loop/2), Long: b.Loop, Wide: b.Loop, Wire: b.LoopWire})
	at := carrier{y: top + b.Loop + b.LoopWire/2, wire: b.LoopWire}
	low := at.y + at.wire/2
	for _, i := range outermostFirst(len(p.Below)) {
		low = max(low, mk.below(p.Below[i], i, at))
	}
	mk.out.StandsOff = low
	mk.measureAcross()
	return nil
}
