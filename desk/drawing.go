package desk

import (
	"math"
	"slices"

	"mala/core/material"
	"mala/core/measure"
	"mala/core/pattern"
	"mala/core/piece"
	"mala/format"
)

// outlinePoints is how many points one face is drawn with.
const outlinePoints = 17

// mostItems is how many items of bead lines a brief answer has as trees.
const mostItems = 2000

func (a *Analysis) draw(m *measure.Measured, brief bool) {
	a.Drawing = &Drawing{Outlines: map[string]Outline{}}
	items := 0
	for _, s := range m.Strands {
		items += len(s.Row.Line.Nodes)
	}
	for _, s := range m.Strands {
		if brief && items > mostItems {
			break
		}
		a.Drawing.Lines = append(a.Drawing.Lines, LineTree{string(s.Row.ID), nodesOf(s.Row.Line.Items, s.Fills, pinnedIn(m.Piece, s.Row))})
	}
	outline := func(id string, of *material.Material) {
		o := OutlineOf(of)
		if o == nil {
			return
		}
		if brief {
			o.Brief = inFew(o)
			o.Left, o.Right = [][2]float64{}, [][2]float64{}
		}
		a.Drawing.Outlines[id] = *o
	}
	for _, mat := range m.Piece.Palette {
		outline(mat.ID, mat)
		if mat.Component == nil {
			continue
		}
		for _, one := range mat.Component.Turn {
			outline(one.ID, one)
		}
	}
	for _, s := range m.Strands {
		drops, _ := s.Drops()
		for _, d := range drops {
			outline(d.Key, d.Material)
		}
		for _, e := range s.Ends() {
			for _, p := range e.Parts {
				if p.Material != nil {
					outline(p.Material.ID, p.Material)
				}
				for _, hung := range p.Hung {
					outline(hung.ID, hung)
				}
			}
		}
	}
}

// facesOf draws a bead's faces, closest together where they fall away most steeply.
func facesOf(b *material.Bead) Outline {
	face := func(f material.Face) [][2]float64 {
		points := make([][2]float64, outlinePoints)
		edge := f.Edge()
		if b.Shape == material.Fringe {
			edge = float64(b.Across) / 2 // its face keeps off every bead, but is not drawn
		}
		for i := range points {
			part := math.Sin(math.Pi / 2 * float64(i) / (outlinePoints - 1))
			r := f.Rim() + (edge-f.Rim())*part
			points[i] = [2]float64{Thousandth(r), math.Round(f.At(r)*1e4) / 1e4}
		}
		return points
	}
	return Outline{Left: face(b.BodyFace(false)), Right: face(b.BodyFace(true)), HoleMm: b.Hole}
}

func nodesOf(items []*pattern.Node, fills pattern.Fills, pinned func(n *pattern.Node) bool) []Node {
	out := []Node{}
	for _, n := range items {
		node := Node{ID: n.ID, Kind: string(n.Unit.Kind()), Count: n.Count, Reversed: n.Reversed, Key: n.Key(), Repeats: fills[n], Pinned: pinned(n)}
		switch u := n.Unit.(type) {
		case pattern.Gap:
			node.Length, node.Mm, node.Pitch = u.Typed(), u.Length, u.Middles
		case *pattern.Group:
			node.Free = u.Free
		case *pattern.Fill:
			node.Length = u.Text
		case *pattern.Drop, *pattern.Loop:
			node.Key = n.DropKey()
		}
		if items := n.Items(); len(items) > 0 {
			node.Items = nodesOf(items, fills, pinned)
		}
		if centre := n.Centre(); len(centre) > 0 {
			node.Centre = nodesOf(centre, fills, pinned)
		}
		out = append(out, node)
	}
	return out
}

// pinnedIn says which runs of a row are pinned by themselves.
func pinnedIn(p *piece.Piece, row *piece.Row) func(n *pattern.Node) bool {
	return func(n *pattern.Node) bool {
		return slices.ContainsFunc(p.Pins, func(pin piece.Pin) bool { return pin.Row == row.ID && pin.Run != "" && pin.Names(row.Line, n) })
	}
}

// PictureOf draws the document. The error is format.Faults.
func PictureOf(doc *format.Document, house format.House) (*Picture, error) {
	m, err := Measured(doc, house)
	if err != nil {
		return nil, err
	}
	return pictureOf(m), nil
}
