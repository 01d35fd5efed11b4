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
	Strung      length.MM
	Slack       length.MM // planned
	SlackNeeded length.MM
	Left, Right End
	Cut         []CutPart
}

// layOut lays out the row of the piece with the given fills.
func layOut(p *piece.Piece, row *piece.Row, table *contactTable, fills pattern.Fills) (*Strand, error) {
	placed, err := row.Line.Expand(fills)
	if err != nil {
		return nil, err
	}
	s := &Strand{ID: "1.1", Row: row, Ring: p.IsRing(row), Fills: fills, Beads: make([]Bead, len(placed))}
	st := &stack{table: table, faces: make([]faceOf, len(placed))}
	var node *pattern.Node
	var m *material.Material
	for i, b := range placed {
		if b.Node != node {
			node, m = b.Node, p.Palette[b.Node.Key]
		}
		turned := b.Reversed && m.Bead.Turns()
		s.Beads[i] = Bead{Key: node.Key, Material: m, Node: node.ID, Turned: turned, Passes: row.Passes}
		st.faces[i] = table.of(m.Bead, turned)
	}
	s.place(st)
	s.Left = endOf(p, row.Left, p.Closure.Left, s.first())
	s.Right = endOf(p, row.Right, p.Closure.Right, s.last())
	return s, nil
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
	var l laid
	if s.Ring {
		l, s.Joints = st.ring()
	} else {
		l = st.straight()
		s.Joints = st.joints(l, rightmost(st, l))
	}
	s.Strung = l.strung
	start := length.MM(0)
	if !s.Ring {
		start = leftmost(st, l)
	}
	for i := range s.Beads {
		b, f := &s.Beads[i], st.faces[i]
		b.At = l.at[i] - start
		b.From, b.To = b.At-st.table.reach[f.left], b.At+st.table.reach[f.right]
		if next := i + 1; next < n || s.Ring && n > 1 {
			if next %= n; st.swallowed(i, next) {
				b.Swallowed, s.Beads[next].Swallowed = true, true
			}
		}
	}
}

// leftmost is where the leftmost face of the stack lies.
func leftmost(st *stack, l laid) length.MM {
	at := length.MM(math.Inf(1))
	for k, x := range l.at {
		at = min(at, x-st.table.reach[st.faces[k].left])
	}
	return at
}

// rightmost is the bead whose right face ends the stack.
func rightmost(st *stack, l laid) int {
	last, at := 0, length.MM(math.Inf(-1))
	for k, x := range l.at {
		if end := x + st.table.reach[st.faces[k].right]; end > at {
			last, at = k, end
		}
	}
	return last
}

// slackNeeded is the sum of the gaps that bending into a loop of this length
// opens on the axis: 2ρ tan(t/2) at each joint of contact radius ρ, which turns
// by t = 2π × its contact distance / the loop.
func slackNeeded(joints []Joint, loop length.MM) length.MM {
	sum := 0.0
	for _, j := range joints {
		half := math.Pi * float64(j.Contact.Distance/loop)
		if half < math.Pi/2 {
			sum += 2 * j.Contact.Radius * math.Tan(half)
		}
	}
	return length.MM(sum)
}
