package format

import (
	"math"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/pattern"
)

// Options say how an analysis is told.
type Options struct {
	Unit    length.Unit          // that sentences speak in
	Shelf   []*material.Material // what fixes may fetch beside the piece's own
	Drawing bool                 // with what a picture needs
	Round   bool                 // and with the loop as it lies round a body
	House   House                // the shop's house method
}

// Analyse works out the document. The error is Faults.
func Analyse(doc *Document, opt Options) (*Analysis, error) {
	m, err := doc.measured(opt.House)
	if err != nil {
		return nil, err
	}
	a := &Analysis{Format: AnalysisFormat, FinishedMm: exact(m.Finished), MassG: thousandth(m.MassG), Unweighed: nonNil(m.Unweighed)}
	a.insides(m)
	a.target(m)
	for _, s := range m.Strands {
		a.Strands = append(a.Strands, strandOf(s))
	}
	a.counts(m)
	a.judge(m, doc, opt)
	a.fit(m)
	a.making(m, opt)
	if opt.Drawing {
		a.draw(m, opt.Round)
	}
	return a, nil
}

// measured measures the piece in a shop of this house method. The error is Faults.
func (d *Document) measured(house House) (*measure.Measured, error) {
	p, err := d.pieceOf(house)
	if err != nil {
		return nil, err
	}
	m, err := measure.Measure(p)
	if err != nil {
		return nil, lineFault("sections[0].rows[0].line", err)
	}
	return m, nil
}

// exact rounds away what floating-point sums leave behind a millionth of a
// millimetre.
func exact(l length.MM) length.MM { return length.MM(math.Round(float64(l)*1e6) / 1e6) }

func thousandth(v float64) float64 { return math.Round(v*1000) / 1000 }

// nonNil writes an empty list as [] and not as null.
func nonNil[T any](list []T) []T {
	if list == nil {
		return []T{}
	}
	return list
}

func (a *Analysis) insides(m *measure.Measured) {
	if mm, ok := m.Inside(); ok {
		inside := exact(mm)
		a.InsideMm = &inside
	}
	if m.Rule != nil {
		a.InsideRule = &InsideRule{Mm: exact(m.Rule.Inside), ThickMm: m.Rule.Thick}
	}
}

func (a *Analysis) target(m *measure.Measured) {
	t := m.Piece.Target
	if t == nil {
		return
	}
	off := exact(m.ForTarget - t.Finished)
	a.Target = &TargetState{FinishedMm: t.Finished, ToleranceMm: t.Tolerance, Counts: m.Piece.House.TargetCounts,
		Mm: exact(m.ForTarget), OffMm: off, Within: math.Abs(float64(off)) <= float64(t.Tolerance)+1e-9}
}

func strandOf(s *measure.Strand) Strand {
	out := Strand{ID: s.ID, Line: s.Row.Line.String(), Ring: s.Ring, StrungMm: exact(s.Strung), SlackMm: exact(s.Slack),
		SlackNeededMm: exact(s.SlackNeeded), CutMm: exact(s.CutLength()), Beads: len(s.Beads),
		Placed: make([]Placed, len(s.Beads)), Left: partsOf(s.Left), Right: partsOf(s.Right), Runs: []RunOf{},
		PathMm: exact(s.PathLength()),
		Start:  Start{s.Start.Side, s.Start.By, exact(s.Start.Tip)}}
	out.LeftTail = tailOf(s, s.Left, s.Beads[:s.Left.TailBeads])
	out.RightTail = tailOf(s, s.Right, s.Beads[len(s.Beads)-s.Right.TailBeads:])
	if k := s.Knot; k != nil {
		out.Knot = &Knot{AcrossMm: exact(k.Across)}
		if k.Bead >= 0 {
			out.Knot.Element = &k.Bead
		}
	}
	for _, c := range s.Cut {
		out.Cut = append(out.Cut, CutPart{c.Part, exact(c.Length)})
	}
	for i, b := range s.Beads {
		out.Placed[i] = Placed{Key: b.Key, Material: b.Material.ID, Node: b.Node, AtMm: exact(b.At), FromMm: exact(b.From), ToMm: exact(b.To),
			AlongMm: exact(b.To - b.From), AcrossMm: b.Material.Bead.Across, Turned: b.Turned, Passes: b.Passes}
	}
	for _, r := range s.Runs() {
		out.Runs = append(out.Runs, RunOf{r.Key, r.Material.ID, r.Turned, r.First, r.Count, exact(r.Reached)})
	}
	return out
}

// tailOf tells of a tail and of the finest hole on its way.
func tailOf(s *measure.Strand, e measure.End, passed []measure.Bead) Tail {
	t := Tail{Mm: exact(e.Tail), Beads: e.TailBeads}
	for _, b := range passed {
		need := material.HoleFor(b.Passes, s.Row.Cord.Cord.Diameter)
		if hole := b.Material.Bead.Hole; t.Finest == "" || hole-need < t.HoleMm-t.NeedMm {
			t.Finest, t.HoleMm, t.NeedMm, t.Passes = b.Material.ID, hole, exact(need), b.Passes
		}
	}
	return t
}

func partsOf(e measure.End) []EndPart {
	out := []EndPart{}
	for _, p := range e.Parts {
		part := EndPart{Does: p.Does, Mm: exact(p.Length), Swallowed: p.Swallowed}
		if p.Material != nil {
			part.Material = p.Material.ID
		}
		out = append(out, part)
	}
	return out
}

func (a *Analysis) counts(m *measure.Measured) {
	a.Tally, a.Sensitivity = []Count{}, []Sensitivity{}
	for _, c := range m.Tally {
		count := Count{Material: c.Material.ID, Count: c.Count, ByStrand: c.ByStrand}
		if c.Material.Class == material.ClassCord {
			cut := exact(c.Length)
			count.CutMm = &cut
		}
		a.Tally = append(a.Tally, count)
	}
	for _, s := range m.Sensitivity {
		a.Sensitivity = append(a.Sensitivity, Sensitivity{s.Material.ID, string(s.SizedFrom), exact(s.PerTenth)})
	}
}

// outlinePoints is how many points one face is drawn with.
const outlinePoints = 33

func (a *Analysis) draw(m *measure.Measured, round bool) {
	s := m.Strands[0]
	a.Drawing = &Drawing{Outlines: map[string]Outline{}, Nodes: nodesOf(s.Row.Line.Items, s.Fills)}
	for _, mat := range m.Piece.Palette {
		a.Drawing.Outlines[mat.ID] = OutlineOf(mat.Bead)
	}
	if l := m.Lie(); round && l != nil {
		a.Drawing.Round = roundOf(l)
	}
}

// OutlineOf draws a bead's faces, closest together where they fall away most
// steeply.
func OutlineOf(b *material.Bead) Outline {
	face := func(f material.Face) [][2]float64 {
		points := make([][2]float64, outlinePoints)
		for i := range points {
			part := math.Sin(math.Pi / 2 * float64(i) / (outlinePoints - 1))
			r := f.Rim() + (f.Edge()-f.Rim())*part
			points[i] = [2]float64{thousandth(r), math.Round(f.At(r)*1e4) / 1e4}
		}
		return points
	}
	return Outline{Left: face(b.Face(false)), Right: face(b.Face(true)), HoleMm: b.Hole}
}

func nodesOf(items []*pattern.Node, fills pattern.Fills) []Node {
	out := []Node{}
	for _, n := range items {
		node := Node{ID: n.ID, Kind: string(n.Kind), Count: n.Count, Reversed: n.Reversed, Key: n.Key, Length: n.LengthText,
			Repeats: fills[n], Column: n.Col, End: n.End}
		if len(n.Items) > 0 {
			node.Items = nodesOf(n.Items, fills)
		}
		if len(n.Centre) > 0 {
			node.Centre = nodesOf(n.Centre, fills)
		}
		out = append(out, node)
	}
	return out
}

// Check says whether a document can be kept: all of it stands, but for a bead
// line that may be half typed. The error is Faults.
func (d *Document) Check() error {
	_, err := d.Piece()
	if faults, ok := err.(Faults); ok && faults.OfLine() {
		return nil
	}
	return err
}
