package measure

import (
	"sync"

	"mala/core/length"
	"mala/core/material"
	"mala/core/pattern"
	"mala/core/piece"
	"mala/core/way"
)

// Bead is one bead of a strand, where it lies.
type Bead struct {
	Key       string
	Material  *material.Material
	Node      int       // of the bead line
	At        length.MM // middle, from the start of the strand
	From, To  length.MM // its own two faces at their furthest
	Passes    int       // how often the cord goes through it
	Turned    bool      // it opens to the left, or stands on its head
	OneCord   bool      // it rides on one of the cords that run side by side
	Swallowed bool      // it and a neighbour have no radius in common
	Drop      *Drop     // what hangs there on the strand's own cord; nil of a bead
}

// Strand is a measured row.
type Strand struct {
	Row         *piece.Row
	Ring        bool
	Fills       pattern.Fills
	Beads       []Bead
	Strung      length.MM
	Slack       length.MM // planned
	SlackNeeded length.MM
	Left, Right End
	Cords       []way.Cord // that begin in the row, each from tip to tip
	Knot        *Knot      // of a ring tied on itself
	Start       Start
	Lace        *Lace   // the way of the cord through a laced row; nil where it is strung
	Riders      *Riders // beads that slide over the strand; nil without any

	tight    length.MM // the loop pulled tight, without any slack
	half     *Strand   // the row on the other half of its cord, folded at the left
	times    int       // how often the loop goes round
	stopping length.MM // what stopping the first end uses of each cord beyond what the end has
	foot     bool      // it hangs, and its foot is made first
	gaps     []int     // where bare cord lies among the beads
	dropped  []int     // where what hangs on its own cord is
	kinds    []kind
	rode     []kind                         // those of the riders
	parts    []stiffPart                    // along the path that decides the length
	turns    int                            // how often that path goes round a ring
	share    map[*material.Material]float64 // mm of the strung length that each material gives

	round func() []Link // worked out when first asked for, as is the wrap
	wrap  func() (*Wrap, error)
}

// Times is how often the loop that the strand lies in goes round the body.
func (s *Strand) Times() int { return s.times }

// End gives the strand's end on a side.
func (s *Strand) End(side piece.Side) *End {
	if side == piece.Right {
		return &s.Right
	}
	return &s.Left
}

// Ends gives both ends, the left one first.
func (s *Strand) Ends() []*End { return []*End{&s.Left, &s.Right} }

// Beside gives the index of the bead beside an end, -1 on a bare cord.
func (s *Strand) Beside(side piece.Side) int {
	if len(s.Beads) == 0 || s.Beads[s.fromEnd(side, 0)].IsGap() {
		return -1
	}
	return s.fromEnd(side, 0)
}

// strandMaker lays out a row of a piece again and again: with other fills, and
// where its tails turn out to go.
type strandMaker struct {
	piece *piece.Piece
	row   *piece.Row
	table *contactTable
	loops map[piece.Side]*BeadLoop

	gaps     map[length.MM]*material.Material
	drops    map[string]*Drop
	weights  map[*material.Material]float64
	ways     map[*material.Material]length.MM
	byItself bool                   // without what lies beyond its own ends
	others   map[*piece.Row]*Strand // of other sections in its loop
}

func newStrandMaker(p *piece.Piece, row *piece.Row) (*strandMaker, error) {
	mk := &strandMaker{piece: p, row: row, table: newContactTable(len(p.Palette)), loops: map[piece.Side]*BeadLoop{}}
	for _, side := range piece.Sides() {
		loop, err := mk.loopAt(side)
		if err != nil {
			return nil, err
		}
		mk.loops[side] = loop
	}
	return mk, nil
}

// layOut lays the row out with the given fills. A bead that hangs is laid out on
// as many passes of the cord as the strand before had there; nil takes the row's.
func (mk *strandMaker) layOut(fills pattern.Fills, before *Strand) (*Strand, error) {
	s, err := mk.lay(mk.row.Line, fills, before, mk.piece.IsRing(mk.row))
	if err != nil {
		return nil, err
	}
	s.foot = mk.piece.Hangs()
	s.lace()
	s.Left, s.Right = mk.endAt(s, piece.Left), mk.endAt(s, piece.Right)
	return s, mk.ride(s)
}

// lay sets the beads of a line against each other.
func (mk *strandMaker) lay(line *pattern.Line, fills pattern.Fills, before *Strand, ring bool) (*Strand, error) {
	placed, err := line.Expand(fills)
	if err != nil {
		return nil, err
	}
	s := &Strand{Row: mk.row, Ring: ring, times: mk.piece.Times(), Fills: fills, Beads: make([]Bead, len(placed))}
	s.round, s.wrap = sync.OnceValue(s.links), sync.OnceValues(s.wrapRound)
	st := &stack{table: mk.table, beads: make([]faces, len(placed))}
	looks, turns := make([]nodeLook, len(line.Nodes)), newTurns()
	drops, hanging := map[*pattern.Node]*Drop{}, 0
	for i, b := range placed {
		if b.Node.IsGap() {
			continue
		}
		l := &looks[b.Node.ID]
		if l.material == nil {
			if b.Node.Hangs() {
				if drops[b.Node], err = mk.drop(b.Node); err != nil {
					return nil, err
				}
				*l = mk.lookOf(drops[b.Node].Material)
			} else {
				*l = mk.look(b.Node.Key())
			}
		}
		l = l.next(turns, b)
		way := 0
		if b.Reversed && l.turns {
			way = 1
		}
		s.Beads[i] = Bead{Key: b.Node.Key(), Material: l.material, Node: b.Node.ID, Turned: way == 1, Passes: mk.passesOf(b.Node.Key(), l.material)}
		s.Beads[i].OneCord = s.Beads[i].Passes < mk.row.Passes && l.material.Bead.Flat == nil
		if d := drops[b.Node]; d != nil {
			s.Beads[i].Key, s.Beads[i].Drop = d.Key, d
			s.dropped = append(s.dropped, i)
			if hanging += d.Count(); hanging > pattern.MaxBeads {
				return nil, pattern.TooManyHang(b.Node)
			}
		}
		st.beads[i] = l.faces[way]
		if before != nil && l.material.Bead.Hangs() {
			st.beads[i] = mk.table.of(l.material, way == 1, before.Beads[i].Passes, mk.row.Cord.Cord.Diameter)
		}
	}
	if err := mk.layGaps(s, st, placed); err != nil {
		return nil, err
	}
	s.place(st)
	return s, nil
}

// nodeLook is what the beads of one node look like, in both ways they can lie.
type nodeLook struct {
	material *material.Material
	faces    [2]faces
	turns    bool
	inTurn   []nodeLook // of a dish that holds several, each use taking the next
	back     bool       // a mirror runs them back
}

// turns counts what has been taken of dishes that hold several.
type turns struct {
	taken  map[string]int          // by letter
	mirror map[*pattern.Node][]int // what a node's beads took that no mirror has given back
}

func newTurns() *turns { return &turns{map[string]int{}, map[*pattern.Node][]int{}} }

// next is the look of the next bead of a letter. Where a mirror runs back, a bead
// takes what the one that it mirrors took.
func (l *nodeLook) next(t *turns, b pattern.Placed) *nodeLook {
	n := len(l.inTurn)
	if n == 0 {
		return l
	}
	if before := t.mirror[b.Node]; l.back && b.Reversed && len(before) > 0 {
		last := len(before) - 1
		t.mirror[b.Node] = before[:last]
		return &l.inTurn[before[last]]
	}
	k := t.taken[b.Node.Key()] % n
	t.taken[b.Node.Key()]++
	t.mirror[b.Node] = append(t.mirror[b.Node], k)
	return &l.inTurn[k]
}

func (mk *strandMaker) look(key string) nodeLook {
	m := mk.piece.Palette[key]
	lie := func(m *material.Material) *material.Material { return m }
	if mk.row.Lacing != nil {
		lie = func(m *material.Material) *material.Material { return mk.laced(key, m) }
	}
	l := mk.lookOf(lie(m))
	if m.Component != nil {
		l.back = m.Component.Back
		for _, one := range m.Component.Turn {
			l.inTurn = append(l.inTurn, mk.lookOf(lie(one)))
		}
	}
	return l
}

// lookAt is the look of a node, whatever hangs there. The error is a *pattern.Fault.
func (mk *strandMaker) lookAt(n *pattern.Node) (nodeLook, error) {
	if !n.Hangs() {
		return mk.look(n.Key()), nil
	}
	d, err := mk.drop(n)
	if err != nil {
		return nodeLook{}, err
	}
	return mk.lookOf(d.Material), nil
}

func (mk *strandMaker) lookOf(m *material.Material) nodeLook {
	of := func(turned bool) faces { return mk.table.of(m, turned, mk.passes(m), mk.row.Cord.Cord.Diameter) }
	return nodeLook{material: m, turns: m.Bead.Turns(), faces: [2]faces{of(false), of(true)}}
}

// passesOf is that of the bead of a letter, which may ride on one of several cords.
func (mk *strandMaker) passesOf(key string, m *material.Material) int {
	if m.Bead.Flat != nil {
		return mk.lacedPasses(m.Bead)
	}
	if mk.piece.OneCord[key] {
		return 1
	}
	return mk.passes(m)
}

// passes is how often the cord runs through a bead, before any tail does; one that
// hangs on one cord has the others beside it.
func (mk *strandMaker) passes(m *material.Material) int {
	if m.Bead.OneCord {
		return 1
	}
	return mk.row.Passes
}

func (mk *strandMaker) endAt(s *Strand, side piece.Side) End {
	var beside *Bead
	if i := s.Beside(side); i >= 0 {
		beside = &s.Beads[i]
	}
	return mk.endOf(side, beside)
}

// kind is how many beads of one material a strand has.
type kind struct {
	material *material.Material
	count    int
}

// countKinds counts the beads by material, in the order they are first strung.
func (s *Strand) countKinds() {
	at := map[*material.Material]int{}
	for i := range s.Beads {
		b := &s.Beads[i]
		switch {
		case b.IsGap():
		case b.Drop != nil:
			b.Drop.Each(func(one *HungBead) { s.countOne(at, one.Material) })
		default:
			s.countOne(at, b.Material)
			if f := b.Flat(); f != nil && f.Top != nil {
				s.countOne(at, f.Top)
			}
		}
	}
}

func (s *Strand) countOne(at map[*material.Material]int, m *material.Material) {
	k, known := at[m]
	if !known {
		k = len(s.kinds)
		at[m], s.kinds = k, append(s.kinds, kind{material: m})
	}
	s.kinds[k].count++
}

// place takes the positions over from the stack.
func (s *Strand) place(st *stack) {
	n := len(s.Beads)
	if n == 0 {
		return
	}
	s.countKinds()
	l := st.straightOrLoop(s.Ring)
	s.Strung, s.parts, s.turns = l.strung, st.partsOf(l), l.turns
	s.share = s.shares(st, l)
	swallowed := false
	for i := range s.Beads {
		b, lies := &s.Beads[i], st.beads[i]
		b.At = l.at[i]
		b.From, b.To = b.At-st.table.faces[lies.left].Reach(), b.At+st.table.faces[lies.right].Reach()
		if next := (i + 1) % n; (i+1 < n || s.Ring && n > 1) && !st.table.between(lies.right, st.beads[next].left).touches {
			b.Swallowed, s.Beads[next].Swallowed = true, true
			swallowed = true
		}
	}
	if !swallowed {
		return
	}
	for i := range s.Beads {
		if b := &s.Beads[i]; b.Swallowed && b.Material.Bead.Hangs() && b.Drop == nil {
			s.inItsRoom(st, i)
		}
	}
}

// inItsRoom lays a charm whose ring passes into a hole beside it in the middle of the room it
// has: between the nearest beads on either side that it does not pass into, or the ends of the
// strand.
func (s *Strand) inItsRoom(st *stack, i int) {
	b, own := &s.Beads[i], st.beads[i]
	least, most := st.table.faces[own.left].AtRim(), s.Strung-st.table.faces[own.right].AtRim()
	for k := i - 1; k >= 0; k-- {
		if c := st.table.between(st.beads[k].right, own.left); c.touches {
			least = s.Beads[k].At + c.Distance
			break
		}
	}
	for k := i + 1; k < len(s.Beads); k++ {
		if c := st.table.between(own.right, st.beads[k].left); c.touches {
			most = s.Beads[k].At - c.Distance
			break
		}
	}
	half := (b.To - b.From) / 2
	b.At = (least + most) / 2
	b.From, b.To = b.At-half, b.At+half
}

func (s *stack) straightOrLoop(ring bool) layout {
	if ring {
		return s.loop()
	}
	return s.straight()
}
