package measure

import (
	"math"

	"mala/core/length"
	"mala/core/material"
	"mala/core/pattern"
	"mala/core/piece"
)

// Bead is one bead of a strand, where it lies.
type Bead struct {
	Key       string
	Material  *material.Material
	Node      int       // of the bead line
	At        length.MM // middle, from the first face of the strand
	From, To  length.MM // its own two faces
	Turned    bool      // it opens to the left, or stands on its head
	Passes    int       // how often the cord goes through it
	Swallowed bool      // it and a neighbour have no radius in common
}

// Strand is a measured row.
type Strand struct {
	ID          string
	Row         *piece.Row
	Ring        bool
	Fills       pattern.Fills
	Beads       []Bead
	Joints      []Joint // the contacts that decide the length
	ends        lying   // the faces at both ends of that path, of an open strand
	kinds       []kind
	path        func() []onPath                // the beads along the path that decides the length
	share       map[*material.Material]float64 // mm of the strung length that each material gives
	Strung      length.MM
	Slack       length.MM // planned
	SlackNeeded length.MM
	Left, Right End
	Cut         []CutPart
	Knot        *Knot // of a ring tied on itself
	Start       Start
}

// layOut lays out the row of the piece with the given fills.
func layOut(p *piece.Piece, row *piece.Row, table *contactTable, fills pattern.Fills) (*Strand, error) {
	placed, err := row.Line.Expand(fills)
	if err != nil {
		return nil, err
	}
	s := &Strand{ID: "1.1", Row: row, Ring: p.IsRing(row), Fills: fills, Beads: make([]Bead, len(placed))}
	st := &stack{table: table, beads: make([]lying, len(placed))}
	// What a node's beads look like is found once for each way they can lie.
	type look struct {
		material *material.Material
		faces    [2]lying
		turns    bool
	}
	looks := make([]look, len(row.Line.Nodes))
	for i, b := range placed {
		l := &looks[b.Node.ID]
		if l.material == nil {
			m := p.Palette[b.Node.Key]
			*l = look{material: m, turns: m.Bead.Turns(), faces: [2]lying{table.of(m, false), table.of(m, true)}}
		}
		turned, way := b.Reversed && l.turns, 0
		if turned {
			way = 1
		}
		s.Beads[i] = Bead{Key: b.Node.Key, Material: l.material, Node: b.Node.ID, Turned: turned, Passes: row.Passes}
		st.beads[i] = l.faces[way]
	}
	s.place(st)
	s.Left = endOf(p, row.Left, p.Closure.Left, s.first())
	s.Right = endOf(p, row.Right, p.Closure.Right, s.last())
	return s, nil
}

// kind is how many beads of one material a strand has.
type kind struct {
	material *material.Material
	count    int
}

// countKinds counts the beads by material, in the order they are first strung.
func (s *Strand) countKinds(st *stack) {
	at := make([]int, len(st.table.kinds))
	for _, b := range st.beads {
		k := b.left.kind()
		if at[k] == 0 {
			s.kinds = append(s.kinds, kind{material: st.table.kinds[k]})
			at[k] = len(s.kinds)
		}
		s.kinds[at[k]-1].count++
	}
}

func (s *Strand) first() *Bead {
	if len(s.Beads) == 0 {
		return nil
	}
	return &s.Beads[0]
}

func (s *Strand) last() *Bead {
	if len(s.Beads) == 0 {
		return nil
	}
	return &s.Beads[len(s.Beads)-1]
}

// place takes the positions over from the stack.
func (s *Strand) place(st *stack) {
	n := len(s.Beads)
	if n == 0 {
		return
	}
	s.countKinds(st)
	var l laid
	if s.Ring {
		l, s.Joints, s.path = st.ring()
	} else {
		l = st.straight()
		s.Joints = st.joints(l, l.last)
		s.path = func() []onPath { return st.path(l) }
		s.ends = lying{left: st.beads[l.first].left, right: st.beads[l.last].right}
	}
	s.Strung = l.strung
	for i := range s.Beads {
		b, lies := &s.Beads[i], st.beads[i]
		b.At = l.at[i] - l.start
		b.From, b.To = b.At-st.table.reach[lies.left], b.At+st.table.reach[lies.right]
		if l.swallowed[i] {
			b.Swallowed, s.Beads[(i+n-1)%n].Swallowed = true, true
		}
	}
	s.shares(st.table)
}

// slackNeeded is the sum of the gaps that bending into a loop of this length
// opens on the axis: 2ρ tan(t/2) at each joint of contact radius ρ, which turns
// by t = 2π × its contact distance / the loop.
func slackNeeded(joints []Joint, loop length.MM) length.MM {
	sum := 0.0
	for _, j := range joints {
		half := math.Pi * float64(j.Contact.Distance/loop)
		if half < math.Pi/2 {
			sum += 2 * j.Contact.Radius * math.Tan(half) * float64(j.Count)
		}
	}
	return length.MM(sum)
}

// SlackLeast is the slack below which the strand will not lie round: the sum of
// SlackNeeded with ρ - (hole - cord)/2 in place of each ρ, as the cord lies to
// the inside of its holes. Of two beads the finer hole decides.
func (s *Strand) SlackLeast() length.MM {
	loop := s.Strung + s.Left.Length + s.Right.Length
	inner := make([]Joint, len(s.Joints))
	for i, j := range s.Joints {
		inner[i] = j
		inner[i].Contact.Radius = max(0, j.Contact.Radius-float64(j.hole-s.Row.Cord.Cord.Diameter)/2)
	}
	return slackNeeded(inner, loop)
}
