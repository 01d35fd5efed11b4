package measure

import (
	"math"
	"slices"

	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
)

// Role is what a part of an end is there for.
type Role string

// The roles.
const (
	RoleCrimp    Role = "crimp"
	RoleCover    Role = "cover"
	RoleGuard    Role = "guard"
	RoleCordEnd  Role = "cord-end"
	RoleFold     Role = "fold-over"
	RoleCone     Role = "cone-end"
	RoleBeads    Role = "bead-loop" // a loop of beads
	RoleCordLoop Role = "cord-loop" // a loop of the bare cord, with its knot
	RoleLeg      Role = "leg"       // with its bead, if it has one
	RoleTailBead Role = "tail-bead" // on a loose tail
	RoleFootBead Role = "foot-bead" // that the cord goes down through and round, at the foot of an ornament
	RoleFoldBead Role = "fold-bead" // that the cord is folded through, with the neck below it
	RoleLoop     Role = "loop"
	RoleRing     Role = "ring"
	RoleClasp    Role = "clasp"
	RoleChain    Role = "extender"
	RoleLinks    Role = "chain"

	RoleConnector Role = "connector"
	RoleBar       Role = "bar"         // tied at both ends
	RoleShared    Role = "shared-bead" // that cords of several rows run through
	RoleRow       Role = "row"         // of another section
	RoleRound     Role = "round"       // the cord round the wire of what is counted at the other end
)

// Part is one thing between the last bead and the middle of the clasp.
type Part struct {
	Role      Role
	Fitting   piece.ID           // empty for the wire's own loop
	Material  *material.Material // nil for the wire's own loop
	Length    length.MM          // what it adds to the piece pulled tight
	Swallowed bool               // it slips into its bead and adds nothing
	Free      bool               // it hangs beyond the place the piece is closed at, and adds nothing
	Hung      []*material.Material
	With      bool           // it is the other half's of a folded cord, which this one ends in too
	Shared    bool           // it belongs to the closure, where other rows may go on it too
	Across    *Strand        // of a row of another section
	Slack     length.MM      // of it, planned in this loop
	Loop      *BeadLoop      // of a loop of beads
	Girth     length.MM      // of a loop of bare cord, once round its inside
	Links     int            // of a chain, or of bead links
	Between   *piece.Between // of bead links
}

// The holds: a crimp, a knot on a guard, ring, clasp or loop of beads, a cord end or
// a cone over a knot, a fold-over end whose flaps press the cord, the knot that
// closes a ring on itself, the knot at the foot of a leg, the middle of the cord,
// folded, the links of a row of chain, which has no cord, or nothing.
const (
	HeldByCrimp   Hold = "crimp"
	HeldByKnot    Hold = "knot"
	HeldByCordEnd Hold = "cord-end"
	HeldByFold    Hold = "fold-over"
	HeldByCone    Hold = "cone-end"
	HeldByLeg     Hold = "leg"
	HeldByMiddle  Hold = "fold"
	HeldByRing    Hold = "ring"
	HeldByLinks   Hold = "links"
	HeldByStop    Hold = "stopped" // behind a crimp or an overhand knot alone
	HeldByRunning Hold = "through" // the cord runs on through a bead
	Unheld        Hold = "nothing"
)

// End is one end of a strand, its parts in threading order from the last bead
// outwards.
type End struct {
	Side    piece.Side
	Parts   []Part
	Length  length.MM
	Hold    Hold
	Wire    length.MM // that the cord lies straight round; 0 where it has a guard or a loop of its own
	Hitched bool      // in a lark's head
	Back    int       // the bead that the cord goes back through before its knot, -1 for none
	// Tail is how far the cord's tail goes back through the beads, and TailBeads
	// which beads it passes.
	Tail      length.MM
	TailBeads []int
	// TailShared is the shared bead that the tail goes on through, and TailInto the beads
	// beyond it, of the row TailRow.
	TailShared piece.ID
	TailRow    piece.ID
	TailInto   []int
	Hidden     *Knot // of a knot that is drawn into the last bead
}

// Crimped says whether a crimp holds the end.
func (e *End) Crimped() bool { return e.Hold == HeldByCrimp }

// With says whether the end lies in the other half's fittings of a folded cord.
func (e *End) With() bool { return len(e.Parts) > 0 && e.Parts[0].With }

// Find gives the first part of the role, nil for none.
func (e *End) Find(role Role) *Part {
	for i := range e.Parts {
		if e.Parts[i].Role == role {
			return &e.Parts[i]
		}
	}
	return nil
}

// endOf puts the row's fittings and the closure's in a series. A ring in a
// chain pulled tight adds its inside, since its wire lies inside its neighbour;
// a swallowed crimp adds nothing; a cover stands in the place of its crimp; a
// crimped end ends in a loop of the wire, or in a guard's length.
func (mk *strandMaker) endOf(side piece.Side, beside *Bead) End {
	p, row, loop := mk.piece, mk.row, mk.loops[side]
	own := p.EndsIn(row, side)
	b := endBuilder{piece: p, row: row, outer: row, ending: own.Ending(side), beside: beside, beads: loop, crimp: -1, end: End{Side: side, Back: -1}}
	for _, f := range *p.End(own, side, false) {
		b.add(f)
	}
	b.loop()
	switch b.ending.Way {
	case piece.WayLeg:
		b.addLeg()
	case piece.WayCordLoop:
		if b.crimp < 0 {
			b.addCordLoop()
		}
	case piece.WayFootBead:
		if b.crimp < 0 {
			b.addFootBead()
		}
	case piece.WayFoldBead:
		b.addFoldBead()
	}
	for i := range b.end.Parts {
		b.end.Parts[i].With = own != row
	}
	if !mk.byItself {
		b.across(mk, side)
		b.close(*p.End(row, side, true), side)
	}
	for _, part := range b.end.Parts {
		b.end.Length += part.Length
	}
	b.end.Hold = b.hold()
	b.layRound()
	b.addTailBeads()
	b.end.Hitched = b.hitched() && b.end.Wire > 0
	return b.end
}

type endBuilder struct {
	piece  *piece.Piece
	row    *piece.Row
	outer  *piece.Row // of the outermost section, in the same loop: it goes on the closure
	ending *piece.Ending
	beside *Bead     // nil on a bare cord
	beads  *BeadLoop // nil without one
	end    End
	crimp  int // the part that grips the cord, -1 for none yet
	looped bool
}

func (b *endBuilder) add(fitting piece.Fitting) {
	f := fitting.Of.Finding
	part := Part{Fitting: fitting.ID, Material: fitting.Of, Length: f.InSeries(), Role: RoleRing, Hung: fitting.Hung}
	switch {
	case f.IsCrimp():
		part.Role = RoleCrimp
		part.Swallowed = b.crimp < 0 && b.slips(b.piece.House.ClosedCrimp(f))
		b.crimp = len(b.end.Parts)
	case f.Type == material.CrimpCover:
		part.Role = RoleCover
		part.Swallowed = b.slips(f.Outside)
		b.cover(&part)
	case f.Type == material.WireGuard:
		part.Role, b.looped = RoleGuard, true
	case f.Type == material.CordEnd:
		part.Role, b.looped = RoleCordEnd, true
	case f.Type == material.ConeEnd:
		part.Role, b.looped = RoleCone, true
		part.Length = coneTakes(f, b.beside, b.end.Side)
	case f.Type == material.FoldOver:
		part.Role, b.looped = RoleFold, true
	case f.IsClasp():
		part.Role = RoleClasp
		b.loop()
	case f.Type == material.Chain:
		part.links(fitting)
		b.loop()
	default:
		b.loop()
	}
	if part.Swallowed {
		part.Length = 0
	}
	b.end.Parts = append(b.end.Parts, part)
}

// cover lets a cover take the place of the crimp under it: the cord runs through
// it twice, and it needs free cord to either side of its crimp. It keeps no
// crimp out of a hole.
func (b *endBuilder) cover(cover *Part) {
	if b.crimp < 0 || cover.Swallowed {
		return
	}
	under := &b.end.Parts[b.crimp]
	under.Length = 0
}

// slips says whether something of that width passes into the hole of the bead
// beside it; one just as wide does.
func (b *endBuilder) slips(width length.MM) bool {
	return b.beside != nil && !b.beside.Material.Bead.Hangs() && b.beside.Flat() == nil && b.beside.Material.Bead.Hole >= width-closeEnough
}

// loop ends a crimped end in a loop of its wire unless a guard does, and any end
// that has one in its loop of beads.
func (b *endBuilder) loop() {
	if b.looped || b.crimp < 0 && b.beads == nil {
		return
	}
	b.looped = true
	switch b.ending.Way {
	case piece.WayStopped:
		return
	case piece.WayFootBead:
		b.addFootBead()
		return
	case piece.WayCordLoop:
		b.addCordLoop()
		return
	}
	if b.beads != nil {
		b.addLoop()
		return
	}
	b.end.Parts = append(b.end.Parts, Part{Role: RoleLoop, Length: b.piece.House.Loop})
}

// close adds the closure's fittings, listed from the outside in. Where the clasp
// can be hooked into several of them, the piece is measured at the shortest.
func (b *endBuilder) close(closure []piece.Fitting, side piece.Side) {
	chain := placesOf(b.piece, side)
	joined := b.piece.JoinedAt(b.outer, side)
	for i := joined; i >= 0; i-- {
		f := closure[i].Of.Finding
		part := Part{Role: RoleRing, Fitting: closure[i].ID, Material: closure[i].Of, Length: f.InSeries(), Hung: closure[i].Hung, Shared: true}
		switch {
		case f.IsClasp():
			part.Role = RoleClasp
		case f.Type == material.Connector:
			part.Role = RoleConnector
		case f.Type == material.FocalBar:
			part.Role = RoleBar
		case f.Type == material.Chain:
			part.links(closure[i])
		case f.Type == material.Extender:
			part.Role = RoleChain
			if !chain.holds(i) {
				part.Length = f.Inside * length.MM(f.Links)
			}
		}
		if chain.holds(i) && i != chain.inner {
			part.Length, part.Free = 0, true
		}
		if i == joined && f.IsRing() {
			part.Length -= b.fansOut(b.outer, f, side)
		}
		b.end.Parts = append(b.end.Parts, part)
	}
}

// links makes the part a chain by the link.
func (p *Part) links(chain piece.Fitting) {
	p.Role, p.Links, p.Between = RoleLinks, chain.Links, chain.Between
	p.Length = chain.ChainLength()
}

// Piece is one stiff thing of a part: a link of a chain, or all of another part.
type Piece struct {
	Of     *material.Material
	Length length.MM
}

// Pieces lists the stiff things of the part from the strand outwards: every link, and
// those of the chain between bead links.
func (p *Part) Pieces() []Piece {
	if p.Between == nil {
		n := max(1, p.Links)
		return slices.Repeat([]Piece{{p.Material, p.Length / length.MM(n)}}, n)
	}
	var out []Piece
	chain := Piece{p.Between.Of, p.Between.Of.Finding.Inside}
	for k := range p.Links {
		if k > 0 {
			out = append(out, slices.Repeat([]Piece{chain}, p.Between.Links)...)
		}
		out = append(out, Piece{p.Material, p.Material.Finding.Inside})
	}
	return out
}

// fansOut is how much shorter the row is at a side for lying beside others on one
// ring: of rows side by side round its inside those further out lie higher, by
// R (1 - cos φ) with R = (inside - thickness) / 2.
func (b *endBuilder) fansOut(row *piece.Row, ring *material.Finding, side piece.Side) length.MM {
	rows := b.piece.AllOf(b.piece.Joined(row, side).ID, side)
	if len(rows) < 2 {
		return 0
	}
	thick := make([]length.MM, len(rows))
	for i, r := range rows {
		thick[i] = GoesOnWith(r, side)
	}
	return fan(ring.Inside, thick, slices.Index(rows, row))
}

// fan is how much higher the k-th of things side by side round the inside of a ring
// lies than one at its bottom would. Neighbours touch.
func fan(inside length.MM, thick []length.MM, k int) length.MM {
	at := make([]float64, len(thick))
	for i := 1; i < len(thick); i++ {
		r := float64(inside-max(thick[i-1], thick[i])) / 2
		if r <= 0 {
			return 0
		}
		at[i] = at[i-1] + 2*math.Asin(min(1, float64(thick[i-1]+thick[i])/4/r))
	}
	phi := at[k] - at[len(at)-1]/2
	r := max(0, float64(inside-thick[k])/2)
	return length.MM(r * (1 - math.Cos(min(math.Abs(phi), math.Pi/2))))
}

// GoesOnWith is how thick a row is where it goes on a join: the wire of its outermost
// fitting, or its cords.
func GoesOnWith(r *piece.Row, side piece.Side) length.MM {
	list := *(&piece.Piece{}).End(r, side, false)
	for i := len(list) - 1; i >= 0; i-- {
		if f := list[i].Of.Finding; f.Wire > 0 && !f.IsCrimp() && f.Type != material.CrimpCover {
			return f.Wire
		}
	}
	if !r.Corded() {
		return r.Chain().Of.Finding.Wire
	}
	return r.Cord.Cord.Diameter * length.MM(r.Passes)
}

// runsOn says whether the cord runs on through a bead at the end.
func (b *endBuilder) runsOn() bool {
	j := b.piece.JoinAt(b.row, b.end.Side)
	return j != nil && j.Through()
}
