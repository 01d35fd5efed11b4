package sizing

import (
	"mala/core/length"
	"mala/core/piece"
	"mala/core/size"
	"mala/desk"
	"mala/format"
	"mala/words"
	"mala/words/en"
)

// FromMade asks what follows for a piece from one that is already made.
type FromMade struct {
	Document   format.Document `json:"document"`
	Piece      string          `json:"piece,omitempty" doc:"The id of the one that is made."`
	InsideMm   length.MM       `json:"insideMm,omitempty" minimum:"0" maximum:"100000" doc:"The inside length of what was tried on, where that is no piece of the shop."`
	MeasuredMm length.MM       `json:"measuredMm,omitempty" minimum:"0" maximum:"100000" doc:"What it measured when it was made; as planned if absent."`
	LongerMm   length.MM       `json:"longerMm,omitempty" minimum:"-100000" maximum:"100000" doc:"How much longer this piece is to be; less than 0 for shorter."`
	Sat        string          `json:"sat,omitempty" maxLength:"40" doc:"How it sat on the wearer, in a word of the house's."`
}

// MadeBefore is what follows from it.
type MadeBefore struct {
	Name       string     `json:"name"`
	FinishedMm length.MM  `json:"finishedMm" doc:"Its length, as measured or as planned."`
	PlannedMm  length.MM  `json:"plannedMm"`
	InsideMm   *length.MM `json:"insideMm,omitempty"`
	AsLongMm   length.MM  `json:"asLongMm" doc:"The target of this piece for the same length, and so much longer."`
	SitsMm     *length.MM `json:"sitsMm,omitempty" doc:"Its target for the same inside length, and so much longer."`
	SatWords   []string   `json:"satWords" doc:"The words for how it sat, the tightest first."`
	Wearer     *TriedOn   `json:"wearer,omitempty" doc:"The wearer on whom it sat like that."`
	Why        string     `json:"why,omitempty" doc:"The reason that something is not known."`
}

// TriedOn is a wearer known by what was tried on.
type TriedOn struct {
	Part      string     `json:"part"`
	MeasureMm length.MM  `json:"measureMm"`
	EaseMm    length.MM  `json:"easeMm" doc:"The ease that the word stands for."`
	SuitedMm  *length.MM `json:"suitedMm,omitempty" doc:"The target of this piece that suits that wearer."`
}

// After works out what follows for a piece from one that is made. The error is format.Faults.
func After(in *FromMade, made *format.Document, opt desk.Options) (*MadeBefore, error) {
	if !(in.MeasuredMm >= 0 && in.MeasuredMm <= length.Longest && max(in.LongerMm, -in.LongerMm) <= length.Longest) {
		return nil, format.Faults{{Where: "measuredMm", Says: "A length is 0 to 100 m."}}
	}
	was, err := desk.Measured(made, opt.House)
	if err != nil {
		return nil, format.Faults{{Where: "piece", Says: made.Name + " has an error in its bead line, so it has no length."}}
	}
	m, err := desk.Measured(&in.Document, opt.House)
	if err != nil {
		return nil, err
	}
	out := &MadeBefore{Name: made.Name, PlannedMm: desk.Exact(was.ForTarget), FinishedMm: desk.Exact(was.ForTarget), SatWords: desk.NonNil(size.SatWords(was.Piece))}
	if in.MeasuredMm > 0 {
		out.FinishedMm = desk.Exact(in.MeasuredMm)
	}
	if out.AsLongMm = desk.Exact(out.FinishedMm + in.LongerMm); out.AsLongMm <= 0 {
		return nil, format.Faults{{Where: "longerMm", Says: "So much shorter leaves nothing. Make it shorter by less."}}
	}
	inside, ok := was.Inside()
	if was.Piece.Hangs() || !ok {
		out.Why = en.OnlyLength(made.Name)
		out.SatWords = []string{}
		return out, nil
	}
	if inside = desk.Exact(inside + (out.FinishedMm-out.PlannedMm)/length.MM(was.Piece.Times())); inside <= 0 {
		out.Why = en.Says(words.NoRoomInside)
		return out, nil
	}
	out.InsideMm = &inside
	if sits, ok := size.ForInside(m, inside+in.LongerMm); ok && sits > 0 && !m.Piece.Hangs() {
		out.SitsMm = &sits
	}
	if in.Sat != "" {
		out.Wearer, out.Why = triedOn(&in.Document, was.Piece, inside, in.Sat, opt)
	}
	return out, nil
}

// Tried works out the wearer on whom an inside length sat, of something that is no piece of the shop: it
// is taken for one of the same kind as this. The error is format.Faults.
func Tried(in *FromMade, opt desk.Options) (*MadeBefore, error) {
	m, err := desk.Measured(&in.Document, opt.House)
	if err != nil {
		return nil, err
	}
	if !(in.InsideMm > 0 && in.InsideMm <= length.Longest) {
		return nil, format.Faults{{Where: "insideMm", Says: "Give the inside length of what was tried on, up to 100 m."}}
	}
	inside := desk.Exact(in.InsideMm)
	out := &MadeBefore{InsideMm: &inside, SatWords: desk.NonNil(size.SatWords(m.Piece))}
	if in.Sat != "" {
		out.Wearer, out.Why = triedOn(&in.Document, m.Piece, inside, in.Sat, opt)
	}
	return out, nil
}

// triedOn is the wearer that an inside length of a piece sat on, or the reason that it is not known.
func triedOn(doc *format.Document, was *piece.Piece, inside length.MM, sat string, opt desk.Options) (*TriedOn, string) {
	mm, ease, ok := size.TriedOn(was, inside, sat)
	if !ok {
		return nil, en.Says(words.NoEaseWord)
	}
	return &TriedOn{Part: partOf(was), MeasureMm: desk.Exact(mm), EaseMm: ease, SuitedMm: suitedFor(doc, mm, partOf(was), opt)}, ""
}

// partOf is the part of the body that a piece is worn on.
func partOf(p *piece.Piece) string {
	if p.Body != nil {
		return p.Body.Part
	}
	return size.PartOf(p.Kind)
}

// suitedFor is the target of a piece that suits a measure; nil where it has no inside length.
func suitedFor(doc *format.Document, mm length.MM, part string, opt desk.Options) *length.MM {
	on := *doc
	on.Body = bodyFor(doc, mm)
	on.Body.Part = part
	m, err := desk.Measured(&on, opt.House)
	if err != nil {
		return nil
	}
	fit := size.Of(m)
	if fit == nil {
		return nil
	}
	suited := fit.Suited(m)
	return &suited
}
