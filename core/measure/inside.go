package measure

import (
	"math"
	"sort"

	"mala/core/chain"
	"mala/core/length"
	"mala/core/material"
)

// Link is one stiff part of the loop as it goes round a body: a bead, cut at
// its contact planes, or a fitting.
type Link struct {
	Bead    int // index in the strand, -1 for a fitting
	Part    *Part
	Segment chain.Segment
	Before  float64 // how far the middle of the bead lies from the hinge that begins it, in mm
}

// Lie is the piece round the widest thing it goes round without strain.
type Lie struct {
	Links  []Link
	Chain  *chain.Lie
	Inside length.MM // what the wearer feels
}

// lie works out how the loop lies round a body. It is nil for a piece that goes
// round nothing. Wire whose slack is short of what bending needs is that much
// less inside; elastic opens by itself.
func (s *Strand) lie() *Lie {
	links := s.links()
	segments := make([]chain.Segment, len(links))
	for i, l := range links {
		segments[i] = l.Segment
	}
	round, err := chain.Tightest(segments)
	if err != nil {
		return nil
	}
	inside := length.MM(round.Girth())
	if s.Row.Cord.Cord.Type != material.Elastic {
		inside -= max(0, s.SlackNeeded-s.Slack)
	}
	if inside <= 0 {
		return nil
	}
	return &Lie{Links: links, Chain: round, Inside: inside}
}

// links lists the loop's stiff parts from the strand's left end on. A bead
// between contacts of radius ρ is as long as its two faces there, and reaches
// half its thickness less the mean ρ inside the line of its hinges.
func (s *Strand) links() []Link {
	if s.path == nil {
		return nil
	}
	list := &linkList{}
	for _, p := range s.path() {
		b := s.Beads[p.bead].Material.Bead
		list.add(Link{Bead: p.bead, Before: p.before, Segment: chain.Segment{Length: p.length, Reach: float64(b.Thick)/2 - (p.left+p.right)/2}})
	}
	list.end(s.Right)
	left := &linkList{}
	left.end(s.Left)
	for i := len(left.links) - 1; i >= 0; i-- {
		list.add(left.links[i])
	}
	return list.closed()
}

// linkList gathers links. One that adds next to nothing, as a cap that stands
// hardly proud of its bead, is joined to its neighbour.
type linkList struct {
	links []Link
	carry float64
}

const leastLink = 0.05 // mm

func (l *linkList) add(link Link) {
	link.Segment.Length += l.carry
	link.Before += l.carry
	l.carry = 0
	if link.Segment.Length < leastLink {
		l.carry = link.Segment.Length
		return
	}
	l.links = append(l.links, link)
}

// closed gives the links, what is still carried joined to the last one.
func (l *linkList) closed() []Link {
	if n := len(l.links); n > 0 {
		l.links[n-1].Segment.Length += l.carry
	}
	return l.links
}

// end adds an end's fittings from the strand outwards. A toggle hinges between
// its ring and its bar.
func (l *linkList) end(e End) {
	for i := range e.Parts {
		p := &e.Parts[i]
		if p.Length <= 0 {
			continue
		}
		add := func(mm length.MM) {
			l.add(Link{Bead: -1, Part: p, Segment: chain.Segment{Length: float64(mm), Reach: p.reach()}})
		}
		if f := p.finding(); f != nil && f.Type == material.Toggle && f.Closed == 0 {
			add(p.Length - f.BarEye)
			add(f.BarEye)
			continue
		}
		add(p.Length)
	}
}

func (p *Part) finding() *material.Finding {
	if p.Material == nil {
		return nil
	}
	return p.Material.Finding
}

// reach is how far a fitting reaches inwards from the cord: half its outside, or
// half its wire as it lies flat.
func (p *Part) reach() float64 {
	f := p.finding()
	switch {
	case f == nil:
		return 0
	case f.IsCrimp() || f.Type == material.CrimpCover:
		return float64(f.Outside) / 2
	}
	return float64(f.Wire) / 2
}

// Rule is the rule of thumb for the inside length: the finished length as it
// lies, less π times the thickness of the beads that touch.
type Rule struct {
	Inside length.MM
	Thick  length.MM // the thickness it was worked out with
}

// rule takes as the beads that touch those that make up the strand: the
// thickness that half of its length reaches.
func (s *Strand) rule(finished length.MM) *Rule {
	if len(s.Beads) == 0 {
		return nil
	}
	byThick := map[length.MM]length.MM{}
	total := length.MM(0)
	for _, k := range s.kinds {
		along := k.material.Bead.Length() * length.MM(k.count)
		byThick[k.material.Bead.Thick] += along
		total += along
	}
	thick := make([]length.MM, 0, len(byThick))
	for t := range byThick {
		thick = append(thick, t)
	}
	sort.Slice(thick, func(i, j int) bool { return thick[i] > thick[j] })
	sum := length.MM(0)
	for _, t := range thick {
		if sum += byThick[t]; sum*2 >= total {
			return &Rule{Inside: finished - math.Pi*t, Thick: t}
		}
	}
	return nil
}
