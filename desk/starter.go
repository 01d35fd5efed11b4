package desk

import (
	"context"
	"errors"
	"math"
	"slices"

	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
	"mala/core/start"
	"mala/core/suggest"
	"mala/format"
	"mala/words/en"
)

// startTolerance is how far off its target a new piece may be.
const startTolerance = length.MM(3)

// leastStart is the shortest length that a new piece is begun with: a small ornament's, or a doll's bracelet.
const leastStart = length.MM(50)

// Answers is what a new piece is begun from: what it is, how it closes, and how long it should be or
// whom it is for; without either the length is left open.
type Answers struct {
	Name, Kind, Closure string
	Target              length.MM
	Body                *format.Body // with the measure of the one it is for; of no ornament
	Rows                int
	Join                string // of several rows
	Bead                string // the id of the bead it opens with; empty for the one that goes best
	Pattern             string // how beads follow one another; one throughout where it is empty
}

// Starter is a new piece. It opens with a strand of one bead that fills the length, to type over,
// or with several, joined in one of the ways of suggest; of what is in stock, where that is known
// and goes. The error is format.Faults.
func Starter(ctx context.Context, s Answers, shelf *Shelf, house format.House) (format.Document, error) {
	if s.Body == nil || s.Body.MeasureMm == 0 || s.Target > 0 {
		return s.ofLength(ctx, shelf, house)
	}
	if s.Kind == string(piece.Ornament) {
		return format.Document{}, format.Faults{{Where: "body", Says: "Ornaments are not worn. Leave the body out."}}
	}
	if s.Body.MeasureMm < leastStart {
		return format.Document{}, format.Faults{{Where: "body.measureMm", Says: "That is too small for a wearer. Give at least 50 mm."}}
	}
	s.Target = s.Body.MeasureMm + startEase
	for range startTries {
		doc, err := s.ofLength(ctx, shelf, house)
		if err != nil {
			return doc, err
		}
		doc.Body = s.Body
		a, err := Analyse(ctx, &doc, Options{House: house})
		if err != nil || a.Fit == nil {
			return doc, err
		}
		if a.Fit.Suits { // whole beads come to what they come to
			doc.Target.FinishedMm = length.MM(math.Round(2*float64(a.Target.Mm)) / 2)
			return doc, nil
		}
		if s.Target = a.Fit.SuitedMm; s.Target < leastStart {
			break
		}
	}
	return s.forWearerAsItComes(ctx, shelf, house)
}

// startEase is the ease that a new piece is first tried with, and startTries is how often it is
// brought nearer to what suits.
const (
	startEase  = length.MM(20)
	startTries = 3
)

// forWearerAsItComes is the piece where no number of whole beads suits the wearer: its problem says so.
func (s Answers) forWearerAsItComes(ctx context.Context, shelf *Shelf, house format.House) (format.Document, error) {
	s.Target = max(s.Target, leastStart)
	doc, err := s.ofLength(ctx, shelf, house)
	doc.Body = s.Body
	return doc, err
}

func (s Answers) ofLength(ctx context.Context, shelf *Shelf, house format.House) (format.Document, error) {
	if !(s.Target >= 0 && s.Target <= length.Longest) {
		return format.Document{}, format.Faults{{Where: "targetMm", Says: "Give a length up to 100 m, or leave it open."}}
	}
	if s.Target > 0 && s.Target < leastStart {
		return format.Document{}, format.Faults{{Where: "targetMm", Says: "That is too short for a piece. Give at least 50 mm."}}
	}
	doc := format.Document{Format: format.PieceFormat, Name: s.Name, Kind: s.Kind, Palette: map[string]string{}, Closure: format.Closure{Type: s.Closure},
		Sections: []format.Section{{Rows: []format.Row{{ID: "r1"}}}}}
	all := shelf.Beside(&doc)
	var bead *material.Material
	if s.Bead != "" {
		if i := slices.IndexFunc(all, func(m *material.Material) bool { return m.ID == s.Bead && m.Bead != nil }); i >= 0 {
			bead = all[i]
		} else {
			return doc, format.Faults{{Where: "bead", Says: "The catalogue has no bead with the id " + s.Bead + "."}}
		}
	}
	begin := func(from []*material.Material) (*piece.Piece, error) {
		return start.New(piece.Kind(s.Kind), piece.ClosureType(s.Closure), s.Target, startTolerance, bead, house.Resolve(), from)
	}
	p, err := begin(inStock(all, shelf))
	if err != nil || len(p.Leading().Line.Items) == 0 {
		p, err = begin(all)
	}
	if err != nil {
		return doc, format.Faults{{Where: "closure", Says: err.Error()}}
	}
	if p, err = s.inPattern(p, all, shelf); err != nil {
		return doc, err
	}
	if s.Rows > 1 {
		if p, err = suggest.Rows(p, s.Rows, suggest.Join(s.Join), all); err != nil {
			says := err.Error()
			var lacks *suggest.Lacks
			if errors.As(err, &lacks) {
				says = en.Lacks(lacks)
			}
			return doc, format.Faults{{Where: "rows", Says: says}}
		}
	}
	empty := &piece.Piece{House: p.House}
	doc.Take(empty, p, shelf.find)
	opt := Options{House: house, Shelf: shelf}
	if bead != nil || s.Pattern != "" {
		doc = mended(ctx, doc, opt)
	}
	return asNear(ctx, doc, opt), nil
}

// inPattern lays the pattern that was asked for, of what is in stock where that goes.
func (s Answers) inPattern(p *piece.Piece, all []*material.Material, shelf *Shelf) (*piece.Piece, error) {
	of := suggest.Pattern(s.Pattern)
	if of == "" {
		return p, nil
	}
	if !slices.Contains(suggest.Patterns(), of) {
		return nil, format.Faults{{Where: "pattern", Says: "A new piece has no such pattern. Choose one of those listed."}}
	}
	for _, from := range [][]*material.Material{inStock(all, shelf), all} {
		if laid := suggest.Lay(p, of, from); laid != nil {
			return laid, nil
		}
	}
	return nil, format.Faults{{Where: "pattern", Says: en.LacksBead(of)}}
}

// mostTolerance is how far off its length a new piece may be where whole beads or whole repeats come no
// nearer, in mm.
const mostTolerance = length.MM(10)

// asNear lets the target have the tolerance that whole beads need.
func asNear(ctx context.Context, doc format.Document, opt Options) format.Document {
	a, err := Analyse(ctx, &doc, opt)
	if err != nil || a.Target == nil || a.Target.Within {
		return doc
	}
	if off := length.MM(math.Ceil(math.Abs(float64(a.Target.OffMm)))); off <= mostTolerance {
		doc.Target.ToleranceMm = off
	}
	return doc
}

// mended is the piece with what the bead that was chosen asks for: another crimp, or a bead beside it.
func mended(ctx context.Context, doc format.Document, opt Options) format.Document {
	fixes, err := FixAll(ctx, &doc, opt)
	if err != nil || len(fixes.Operations) == 0 {
		return doc
	}
	edited, err := Apply(&doc, fixes.Operations, opt)
	if err != nil {
		return doc
	}
	return edited.Document
}

// inStock leaves out what the shop has run out of.
func inStock(all []*material.Material, shelf *Shelf) []*material.Material {
	if shelf == nil {
		return all
	}
	var out []*material.Material
	for _, m := range all {
		if n, known := shelf.Stock[m.ID]; !known || n > 0 {
			out = append(out, m)
		}
	}
	return out
}
