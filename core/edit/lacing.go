package edit

import (
	"maps"
	"slices"

	"mala/core/pattern"
	"mala/core/piece"
)

// The fields of a lacing that SetLacing sets.
const (
	LacingWay     = "way"     // Text: one of piece.LacingWays; none strings the row again
	LacingPitch   = "pitch"   // Length from middle to middle; none lets the flats touch
	LacingOverlap = "overlap" // Length by which they cover one another; none lets them touch
	LacingLie     = "lie"     // Text: tilted or layers
	LacingTop     = "top"     // Text: a letter, and that of the smaller flat on it; the first alone for none
)

// lieTilted and lieLayers are how flats lie that overlap.
const (
	lieTilted = "tilted"
	lieLayers = "layers"
)

// setLacing laces a row of flats, or changes how. The error is a *Refused.
func setLacing(p *piece.Piece, op Op) error {
	row, err := rowOf(p, op)
	switch {
	case err != nil:
		return err
	case op.Field == LacingWay && op.Text == "":
		row.Lacing = nil
		return nil
	case row.Lacing == nil && op.Field != LacingWay:
		return refuse("This row is strung. Choose a way to lace it first.")
	}
	l := piece.Lacing{}
	if row.Lacing != nil {
		l = *row.Lacing
	}
	row.Lacing = &l
	switch op.Field {
	case LacingWay:
		return setLacingWay(p, row, piece.LacingWay(op.Text))
	case LacingPitch, LacingOverlap:
		l.Pitch, l.Overlap = 0, 0
		if op.Length != nil && op.Field == LacingPitch {
			l.Pitch = *op.Length
		} else if op.Length != nil {
			l.Overlap = *op.Length
		}
		return lineFits(p, row)
	case LacingLie:
		if op.Text != lieTilted && op.Text != lieLayers {
			return refuse("Flats that overlap lie tilted or in layers.")
		}
		l.Tilted = op.Text == lieTilted
	case LacingTop:
		return setTop(p, &l, op.Text)
	default:
		return refuse("A lacing has no %q to set.", op.Field)
	}
	return nil
}

// setLacingWay laces the row in a way, with as many cords as that usually takes; a cord that is
// folded stays so.
func setLacingWay(p *piece.Piece, row *piece.Row, way piece.LacingWay) error {
	if !slices.Contains(piece.LacingWays(), way) {
		return refuse("%q is no way to lace. Use straight, diagonal or crossed.", string(way))
	}
	if row.Riders != nil {
		return refuse("Beads slide over this row, and nothing slides over a laced one. Remove its riders first.")
	}
	if p.FoldedWith(row) != nil {
		return refuse("This row is on half of a folded cord. Give it a cord of its own first.")
	}
	was := row.Lacing.Way
	row.Lacing.Way = way
	if !row.Corded() {
		return refuse("A row of chain is not laced.")
	}
	if folded := row.LeftEnding.Way == piece.WayFold || row.LeftEnding.Way == piece.WayFoldBead || row.LeftEnding.Way == piece.WayCordLoop && row.Passes%2 == 0; was != way && !folded {
		row.Passes = usualCords(p, row)
	}
	return lineFits(p, row)
}

// usualCords is one cord, or two where they cross, or where each of four holes is to be used
// by a cord that runs straight.
func usualCords(p *piece.Piece, row *piece.Row) int {
	four := slices.ContainsFunc(row.Line.Nodes, func(n *pattern.Node) bool {
		m := p.Palette[n.Key()]
		return m != nil && m.Bead.Holes == 4
	})
	if row.Lacing.Way == piece.LacedCrossed || row.Lacing.Way == piece.LacedStraight && four {
		return 2
	}
	return 1
}

// lineFits refuses a lacing that the beads of the row cannot have.
func lineFits(p *piece.Piece, row *piece.Row) error {
	if err := row.Lacing.CheckLine(row.Line, p.Palette); err != nil {
		return refuseLine(err)
	}
	return nil
}

// setTop lays a smaller flat on every one of a letter, or takes it off.
func setTop(p *piece.Piece, l *piece.Lacing, text string) error {
	l.Tops = maps.Clone(l.Tops)
	if p.Palette[text] != nil {
		delete(l.Tops, text)
		return nil
	}
	under, top, err := twoLetters(text)
	if err != nil {
		return err
	}
	for _, key := range []string{under, top} {
		if p.Palette[key] == nil {
			return refuse("There is no dish %s.", key)
		}
		if m := p.Palette[key]; !m.Bead.Laces() {
			return refuse("%s has not two or four holes through its face.", m.Name)
		}
	}
	if l.Tops == nil {
		l.Tops = map[string]string{}
	}
	l.Tops[under] = top
	return nil
}

// onTop says whether a dish is laced on others, or has one laced on it.
func onTop(l *piece.Lacing, key string) bool {
	if l == nil {
		return false
	}
	_, under := l.Tops[key]
	return under || slices.Contains(slices.Collect(maps.Values(l.Tops)), key)
}

// reletter follows a letter that is changed everywhere: the two change places.
func reletter(l *piece.Lacing, old, fresh string) *piece.Lacing {
	if l == nil || len(l.Tops) == 0 {
		return l
	}
	other := func(key string) string {
		switch key {
		case old:
			return fresh
		case fresh:
			return old
		}
		return key
	}
	out := *l
	out.Tops = map[string]string{}
	for under, top := range l.Tops {
		out.Tops[other(under)] = other(top)
	}
	return &out
}
