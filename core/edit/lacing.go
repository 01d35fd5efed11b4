package edit

import (
	"maps"
	"slices"

	"mala/core/length"
	"mala/core/material"
	"mala/core/pattern"
	"mala/core/piece"
)

// The operations on how a row of flats is laced.
type (
	SetLacingWay struct { // none strings the row again
		At  piece.Place
		Way piece.LacingWay `op:"Text"`
	}
	SetLacingPitch struct { // from middle to middle; none lets the flats touch
		At    piece.Place
		Pitch *length.MM `op:"Length"`
	}
	SetLacingOverlap struct { // by which they cover one another; none lets them touch
		At      piece.Place
		Overlap *length.MM `op:"Length"`
	}
	SetLacingLie struct { // tilted, or in layers
		At  piece.Place
		Lie string `op:"Text"`
	}
	SetLacingTop struct { // a letter, and that of the smaller flat on it; the first alone for none
		At      piece.Place
		Letters string `op:"Text"`
	}
)

// setLacing names them all; each has a field of its own.
const setLacing Do = "set-lacing"

func (SetLacingWay) Do() Do     { return setLacing }
func (SetLacingPitch) Do() Do   { return setLacing }
func (SetLacingOverlap) Do() Do { return setLacing }
func (SetLacingLie) Do() Do     { return setLacing }
func (SetLacingTop) Do() Do     { return setLacing }

func (SetLacingWay) field() string     { return "way" }
func (SetLacingPitch) field() string   { return "pitch" }
func (SetLacingOverlap) field() string { return "overlap" }
func (SetLacingLie) field() string     { return "lie" }
func (SetLacingTop) field() string     { return "top" }

// lieTilted and lieLayers are how flats lie that overlap.
const (
	lieTilted = "tilted"
	lieLayers = "layers"
)

func (o SetLacingWay) apply(p *piece.Piece, _ []*material.Material) error {
	row, err := rowOf(p, o.At)
	if err != nil {
		return err
	}
	if o.Way == "" {
		row.Lacing = nil
		return nil
	}
	l := piece.Lacing{}
	if row.Lacing != nil {
		l = *row.Lacing
	}
	row.Lacing = &l
	return setLacingWay(p, row, o.Way)
}

func (o SetLacingPitch) apply(p *piece.Piece, _ []*material.Material) error {
	return spaced(p, o.At, func(l *piece.Lacing) *length.MM { return &l.Pitch }, o.Pitch)
}

func (o SetLacingOverlap) apply(p *piece.Piece, _ []*material.Material) error {
	return spaced(p, o.At, func(l *piece.Lacing) *length.MM { return &l.Overlap }, o.Overlap)
}

// spaced lets flats touch, or lays them as far apart as is given.
func spaced(p *piece.Piece, at piece.Place, what func(*piece.Lacing) *length.MM, to *length.MM) error {
	row, l, err := lacingAt(p, at)
	if err != nil {
		return err
	}
	l.Pitch, l.Overlap = 0, 0
	if to != nil {
		*what(l) = *to
	}
	return lineFits(p, row)
}

func (o SetLacingLie) apply(p *piece.Piece, _ []*material.Material) error {
	_, l, err := lacingAt(p, o.At)
	if err != nil {
		return err
	}
	if o.Lie != lieTilted && o.Lie != lieLayers {
		return refuse("Flats that overlap lie tilted or in layers.")
	}
	l.Tilted = o.Lie == lieTilted
	return nil
}

func (o SetLacingTop) apply(p *piece.Piece, _ []*material.Material) error {
	_, l, err := lacingAt(p, o.At)
	if err != nil {
		return err
	}
	return setTop(p, l, o.Letters)
}

// lacingAt gives a row and its lacing, of its own. The error is a *Refused.
func lacingAt(p *piece.Piece, at piece.Place) (*piece.Row, *piece.Lacing, error) {
	row, err := rowOf(p, at)
	switch {
	case err != nil:
		return nil, nil, err
	case row.Lacing == nil:
		return nil, nil, refuse("This row is strung. Choose a way to lace it first.")
	}
	l := *row.Lacing
	row.Lacing = &l
	return row, &l, nil
}

// setLacingWay laces the row in a way, with as many cords as that usually takes; a cord that is
// folded stays so.
func setLacingWay(p *piece.Piece, row *piece.Row, way piece.LacingWay) error {
	if !slices.Contains(piece.LacingWays(), way) {
		return refuse("%q is no way to lace. Use straight, diagonal or crossed.", string(way))
	}
	if row.Riders != nil {
		return refuse("Beads slide over this row, and nothing slides over a laced one. Remove its sliding beads first.")
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
