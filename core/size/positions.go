package size

import (
	"mala/core/length"
	"mala/core/measure"
	"mala/core/piece"
)

// Position is one place to close the piece at, with what it covers.
type Position struct {
	measure.Position
	Inside length.MM
	Word   string   // of the wearer's ease there
	Covers []string // the standard sizes it suits, and the trade's name of its length
}

// Positions lists the places the piece can be closed at with the sizes that each
// covers: those whose measure leaves an ease within the house's ranges.
func Positions(m *measure.Measured) []Position {
	var out []Position
	inside, ok := m.Inside()
	for _, at := range m.Positions() {
		p := Position{Position: at}
		if ok {
			p.Inside = inside + (at.Finished-m.Finished)/length.MM(m.Piece.Times())
			p.covers(m.Piece)
		}
		out = append(out, p)
	}
	return out
}

// PartOf is the part of the body that a kind of piece is worn on; empty of an ornament.
func PartOf(kind piece.Kind) string {
	return map[piece.Kind]string{piece.Necklace: "neck", piece.Bracelet: "wrist", piece.Anklet: "ankle"}[kind]
}

func (p *Position) covers(of *piece.Piece) {
	if of.Body != nil && of.Body.Measure > 0 {
		f := &Fit{Ease: p.Inside - of.Body.Measure}
		p.Word = f.word(allRanges(of))
	}
	p.coversSizes(of)
	if name := LengthName(of, p.Finished); name != "" {
		p.Covers = append(p.Covers, name)
	}
}

// coversSizes adds the standard sizes that its inside length suits.
func (p *Position) coversSizes(of *piece.Piece) {
	part := PartOf(of.Kind)
	if of.Body != nil {
		part = of.Body.Part
	}
	for _, s := range of.House.Sizes {
		if s.Part != part {
			continue
		}
		like := *of
		like.Body = &piece.Body{Part: part, Measure: s.Measure}
		for _, e := range allRanges(&like) {
			if within(e, p.Inside-s.Measure) {
				p.Covers = append(p.Covers, s.Name)
				break
			}
		}
	}
}

// LengthName is the trade's name for such a finished length, "" if it has none.
func LengthName(p *piece.Piece, finished length.MM) string {
	for _, l := range p.House.Lengths {
		if l.Kind == p.Kind && finished >= l.From-nearly && (l.To == 0 || finished <= l.To+nearly) {
			return l.Name
		}
	}
	return ""
}
