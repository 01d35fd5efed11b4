package measure

import (
	"cmp"
	"math"
	"slices"

	"mala/core/chain"
	"mala/core/length"
	"mala/core/material"
)

// Link is one stiff part of the loop as it goes round a body: a bead with the
// caps seated on it, cut at its contact planes, or a fitting.
type Link struct {
	Beads []BeadInLink // none for a fitting
	Part  *Part        // nil for beads
	// Material is what it is made of: of chain between bead links not the part's.
	Material *material.Material
	Of       *Strand // the row of another section that it belongs to; nil for the strand's own
	Rider    *Bead   // of a bead that slides over others
	Covered  bool    // of what is left of a bead beside riders that cover its middle
	Stretch  float64 // how many times its length it takes of the loop, with slack
	Segment  chain.Segment
}

// BeadInLink is a bead of a stiff part, with how far its middle lies in mm from
// the plane or hinge that begins it.
type BeadInLink struct {
	Bead   int
	Before float64
}

// Wrap is the piece round the widest thing it goes round without strain.
type Wrap struct {
	Links  []Link
	Chain  *chain.Wrap
	Inside length.MM // what the wearer feels
}

// wrapRound works out how the loop lies round a body. Wire whose slack is short of
// what bending needs is that much less inside; elastic opens by itself. The error
// is as Measured.Wrap's.
func (s *Strand) wrapRound() (*Wrap, error) {
	links := s.Round()
	segments := make([]chain.Segment, len(links))
	for i, l := range links {
		segments[i] = l.Segment
	}
	round, err := chain.Wound(segments, s.times)
	for n := 0; err == nil && n < barSteps && followBars(&links, segments, round.Radius); n++ {
		round, err = chain.Wound(segments, s.times)
	}
	if err != nil {
		return nil, err
	}
	inside := length.MM(round.Girth())
	if s.Row.Cord.Cord.Type != material.Elastic {
		missing := max(0, s.SlackNeeded-s.Slack)
		for _, o := range s.Others() {
			missing += max(0, o.Strand.slackNeeded(s.tight)-o.Slack)
		}
		inside -= missing / length.MM(s.times)
	}
	if inside <= 0 {
		return nil, chain.ErrNothing
	}
	return &Wrap{Links: links, Chain: round, Inside: inside}, nil
}

// links lists the loop's stiff parts from the strand's left end on. One between
// joints that turn at radius ρ reaches half its thickness less the mean ρ inside
// the line of its hinges.
func (s *Strand) links() []Link {
	list := append(s.ownLinks(s.Slack), s.Right.links()...)
	left := s.Left.links()
	for i := len(left) - 1; i >= 0; i-- {
		list = append(list, left[i])
	}
	return withoutSlivers(list)
}

// ownLinks are the strand's beads as stiff parts, its slack shared out over them.
func (s *Strand) ownLinks(slack length.MM) []Link {
	parts := s.once()
	stretch := 1.0
	if s.Strung > 0 {
		stretch = float64((s.Strung + slack) / s.Strung)
	}
	list := make([]Link, 0, len(parts)+len(s.Left.Parts)+len(s.Right.Parts))
	bends := s.bends()
	for _, p := range parts {
		if s.Beads[p.beads[0].Bead].IsGap() {
			list = append(list, s.bareLinks(p, stretch, bends)...)
			continue
		}
		list = append(list, Link{Beads: p.beads, Stretch: stretch, Segment: chain.Segment{Length: p.length, Reach: p.inwards - (p.left+p.right)/2}})
	}
	if s.Riders != nil {
		list = s.Riders.over(list)
	}
	return list
}

// bareLinks are a gap as it bends round a body: short straight stretches of cord.
func (s *Strand) bareLinks(p stiffPart, stretch, bends float64) []Link {
	n := max(1, int(math.Ceil(p.length/bends)))
	each := p.length / float64(n)
	out := make([]Link, n)
	for k := range out {
		out[k] = Link{Beads: []BeadInLink{{p.beads[0].Bead, each / 2}}, Stretch: stretch,
			Segment: chain.Segment{Length: each, Reach: float64(s.Row.Cord.Cord.Diameter) / 2}}
	}
	return out
}

// once gives the stiff parts of one turn. Of a ring whose path closes only after
// several turns those of the first are taken, stretched to the ring's length.
func (s *Strand) once() []stiffPart {
	if s.turns < 2 {
		return s.parts
	}
	var out []stiffPart
	sum := 0.0
	for _, p := range s.parts {
		if sum += p.length; sum > float64(s.Strung)+1e-6 {
			sum -= p.length
			break
		}
		out = append(out, p)
	}
	for i := range out {
		out[i].length *= float64(s.Strung) / sum
	}
	return out
}

// leastLink is the shortest stiff part in mm that is looked at by itself.
const leastLink = 0.05

// withoutSlivers shares out links that add next to nothing, as a cap that stands
// hardly proud of its bead, half to either neighbour, so that it matters neither
// which way the loop is read nor where it begins.
func withoutSlivers(links []Link) []Link {
	n := len(links)
	isSliver := func(i int) bool { return links[i].Segment.Length < leastLink }
	wide := 0
	for i := range links {
		if !isSliver(i) {
			wide++
		}
	}
	if wide == n || wide < 3 {
		return links
	}
	start := 0
	for isSliver(start) {
		start++
	}
	out := make([]Link, 0, wide)
	carried := 0.0
	for k := range n {
		link := links[(start+k)%n]
		if isSliver((start + k) % n) {
			carried += link.Segment.Length
			continue
		}
		if len(out) > 0 {
			out[len(out)-1].Segment.Length += carried / 2
		}
		link = link.moved(carried / 2)
		out = append(out, link)
		carried = 0
	}
	out[len(out)-1].Segment.Length += carried / 2
	out[0] = out[0].moved(carried / 2)
	if short := len(out); short < n {
		return withoutSlivers(rotated(out, start))
	}
	return out
}

// moved is the link with this many mm more before what it carries.
func (l Link) moved(mm float64) Link {
	l.Segment.Length += mm
	l.Beads = append([]BeadInLink(nil), l.Beads...)
	for i := range l.Beads {
		l.Beads[i].Before += mm
	}
	return l
}

// own says whether the link is of the strand's own beads.
func (l *Link) own() bool { return len(l.Beads) > 0 && l.Of == nil }

// rotated puts the link that carries the first bead back in front.
func rotated(links []Link, start int) []Link {
	if start == 0 {
		return links
	}
	first := 0
	for i, l := range links {
		if l.own() && (!links[first].own() || l.Beads[0].Bead < links[first].Beads[0].Bead) {
			first = i
		}
	}
	return append(append([]Link(nil), links[first:]...), links[:first]...)
}

// links are the end's fittings from the strand outwards. A toggle hinges between
// its ring and its bar, a chain at every link.
func (e *End) links() []Link {
	var list []Link
	for i := range e.Parts {
		p := &e.Parts[i]
		if p.Length <= 0 {
			continue
		}
		if p.Role == RoleRow {
			list = append(list, p.acrossLinks(e.Side)...)
			continue
		}
		add := func(of *material.Material, mm length.MM) {
			list = append(list, Link{Part: p, Material: of, Stretch: 1, Segment: chain.Segment{Length: float64(mm), Reach: p.reach(of)}})
		}
		if f := p.finding(); f != nil && f.Type == material.Toggle && f.Closed == 0 {
			add(p.Material, p.Length-f.BarEye)
			add(p.Material, f.BarEye)
			continue
		}
		for _, one := range p.Pieces() {
			add(one.Of, one.Length)
		}
	}
	return list
}

func (p *Part) finding() *material.Finding { return findingOf(p.Material) }

func findingOf(m *material.Material) *material.Finding {
	if m == nil {
		return nil
	}
	return m.Finding
}

// reach is how far a fitting reaches inwards from the cord, in mm: half its
// outside, half its wire as it lies flat, half of what a loop or button is thick.
func (p *Part) reach(of *material.Material) float64 {
	f := findingOf(of)
	switch {
	case p.Loop != nil:
		return float64(p.Loop.Thick) / 2
	case p.Role == RoleShared || p.Role == RoleFoldBead:
		return float64(p.Material.Bead.Thick) / 2
	case f == nil:
		return 0
	case of.Component != nil:
		return float64(of.LinkThick()) / 2
	case f.Type == material.ButtonEnd:
		return float64(f.Length) / 2
	case f.Type == material.FocalBar:
		return float64(f.Wire)/2 - float64(f.Rise)
	case f.IsCrimp() || f.Type == material.CrimpCover || f.Type == material.ConeEnd:
		return float64(f.Outside) / 2
	}
	return float64(f.Wire) / 2
}

// Rule is the rule of thumb for the inside length: the finished length as it
// lies, by the times it goes round, less π times the thickness of the beads that touch.
type Rule struct {
	Inside length.MM
	Thick  length.MM // the thickness it was worked out with
}

// rule takes as the beads that touch those that make up the strand. Each counts by
// what it gives to the length, a cap by what it stands proud.
func (s *Strand) rule(finished length.MM) *Rule {
	thick := s.Thickness()
	if thick == 0 {
		return nil
	}
	return &Rule{Inside: finished/length.MM(s.times) - math.Pi*thick, Thick: thick}
}

// Thickness is the thickness that half of the strand's length reaches; 0 of a bare
// cord.
func (s *Strand) Thickness() length.MM {
	if !s.Row.Corded() {
		return s.Row.Chain().Of.LinkThick()
	}
	return s.reachedByHalf(func(b *material.Bead) length.MM { return b.Thick })
}

// Width is likewise the width across that half of the strand's length reaches, as rows
// lie side by side.
func (s *Strand) Width() length.MM {
	if !s.Row.Corded() {
		return s.Row.Chain().Of.Finding.LinkWidth()
	}
	return s.reachedByHalf(func(b *material.Bead) length.MM { return b.Across })
}

func (s *Strand) reachedByHalf(size func(b *material.Bead) length.MM) length.MM {
	type part struct {
		size  length.MM
		share float64
	}
	parts, total := make([]part, 0, len(s.kinds)), 0.0
	for _, k := range s.kinds {
		if b := k.material.Bead; !b.Hangs() {
			parts = append(parts, part{size(b), s.share[k.material]})
			total += s.share[k.material]
		}
	}
	slices.SortFunc(parts, func(a, b part) int { return cmp.Compare(b.size, a.size) })
	sum := 0.0
	for _, p := range parts {
		if sum += p.share; sum*2 >= total {
			return p.size
		}
	}
	return 0
}

// Round lists the stiff parts once round the loop, from the strand's left end on. It is
// worked out when first asked for.
func (s *Strand) Round() []Link {
	return s.round()
}
