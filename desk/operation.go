package desk

import (
	"context"
	"errors"
	"slices"
	"strings"

	"mala/core/edit"
	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/pattern"
	"mala/core/piece"
	"mala/format"
)

// Operation is one change to a piece: the same for keys, hands, fixes and the
// command line.
type Operation struct {
	Do          string             `json:"do" enum:"insert,between,delete,group,mirror,reverse,any-order,fill,ungroup,copy,count,step,turn,move,shuffle,letter,set-line,hang-drop,hang-loop,set-spacing,set-holder,set-riders,set-lacing,set-passes,set-one-cord,set-dish,remove-dish,set-rings,set-pin,add-row,remove-row,move-row,mirror-row,swap-beads,set-follow,set-port,set-gap,set-fold,set-twist,add-section,remove-section,set-cord,set-slack,set-cut,set-end,add-fitting,set-fitting,drop-fitting,move-fitting,set-links,set-fill,set-between,hang,unhang,set-kind,set-closure,set-hanging,set-pinned,set-sizes,set-target,set-body,set-house,waive,unwaive,set-details,set-stack,set-written,set-colourways"`
	At          *format.Place      `json:"at,omitempty"`
	From        int                `json:"from,omitempty" doc:"Gap before the first selected bead."`
	To          int                `json:"to,omitempty" doc:"Gap behind the last selected bead."`
	Text        string             `json:"text,omitempty" maxLength:"65536" doc:"A bead line, a letter, a choice, a reason: what the operation takes."`
	Field       string             `json:"field,omitempty" doc:"Of the house method or of an end; the code of a check to waive; the id of a component to make again."`
	Node        int                `json:"node,omitempty" doc:"Whose count to set, or what to turn."`
	N           int                `json:"n,omitempty" doc:"The count; of a move the gap to move to; of a shuffle its seed."`
	Closure     bool               `json:"closure,omitempty" doc:"The fitting belongs to the closure, not to the row."`
	Alike       bool               `json:"alike,omitempty" doc:"Of a change to a line: make it in every row with the same line."`
	Material    string             `json:"material,omitempty" doc:"The id of a material of the piece or the catalogue."`
	Mm          *length.MM         `json:"mm,omitempty"`
	ToleranceMm *length.MM         `json:"toleranceMm,omitempty"`
	Sizes       []format.Size      `json:"sizes,omitempty" maxItems:"12"`
	Hanging     *format.Hanging    `json:"hanging,omitempty"`
	Body        *format.Body       `json:"body,omitempty"`
	Details     *Details           `json:"details,omitempty"`
	Written     *format.Written    `json:"written,omitempty"`
	Colourways  []format.Colourway `json:"colourways,omitempty" maxItems:"12"`
}

// Details are what a piece is called and found by.
type Details struct {
	Name  string   `json:"name"`
	Notes string   `json:"notes,omitempty"`
	Tags  []string `json:"tags,omitempty"`
}

// The operations that change nothing that is computed.
const (
	setDetails = "set-details"
	setColours = "set-colourways" // keep the piece in the Colourways
	setWritten = "set-written"    // keep Written beside the piece; none removes it
	setStack   = "set-stack"      // worn together with the pieces of the stack Text; none for empty
)

// Edited is a document after operations: what to select in it, and for a copy the
// selection, spelled.
type Edited struct {
	Document format.Document `json:"document"`
	From     int             `json:"from"`
	To       int             `json:"to"`
	Text     string          `json:"text,omitempty"`

	built *piece.Piece // what the document comes to in the shop it was changed in; nil where its lines have errors
}

// OperationOf is an operation of the core as calls have it.
func OperationOf(op edit.Op) Operation {
	f := edit.FieldsOf(op)
	out := Operation{Do: string(op.Do()), From: f.From, To: f.To, Text: f.Text, Field: f.Field, Node: f.Node, N: f.N, Closure: f.Closure, Alike: f.Alike,
		Mm: f.Length, ToleranceMm: f.Tolerance}
	if f.At != (piece.Place{}) {
		at := format.PlaceOf(f.At)
		out.At = &at
	}
	if f.Material != nil {
		out.Material = f.Material.ID
	}
	return out
}

// core is the operation as the core has it. The error is format.Faults or *edit.Refused.
func (o *Operation) core(find func(id string) *material.Material) (edit.Op, error) {
	f := edit.Fields{At: piece.Whole(), From: o.From, To: o.To, Text: o.Text, Field: o.Field, Node: o.Node, N: o.N, Closure: o.Closure, Alike: o.Alike,
		Length: o.Mm, Tolerance: o.ToleranceMm, Body: o.Body.Core(), Hanging: o.Hanging.Core()}
	var err error
	if f.Sizes, err = format.SizesOf(o.Sizes); err != nil {
		return nil, err
	}
	if o.At != nil {
		f.At = o.At.Core()
	}
	if o.Material != "" {
		if f.Material = find(o.Material); f.Material == nil {
			return nil, format.Faults{{Where: "operation.material", Says: "No material in the piece or the catalogue has the id " + o.Material + "."}}
		}
	}
	return f.Op(edit.Do(o.Do))
}

// Apply carries operations out on the document. What is written and does not
// change stays as it is written; a line that has errors does not keep other
// things from being changed. The error is format.Faults.
func Apply(doc *format.Document, operations []Operation, opt Options) (Edited, error) {
	out := Edited{Document: *doc}
	d := &out.Document
	d.Sections = CloneSections(doc.Sections)
	for i := range operations {
		o := &operations[i]
		out.From, out.To, out.Text = o.From, o.To, ""
		if o.Do == setDetails {
			if o.Details == nil {
				return Edited{}, format.Faults{{Where: "operation.details", Says: "Give the details to set."}}
			}
			d.Name, d.Notes, d.Tags = o.Details.Name, o.Details.Notes, o.Details.Tags
			continue
		}
		if o.Do == setColours {
			setColourways(d, o.Colourways, opt.Shelf)
			continue
		}
		if o.Do == setWritten {
			d.Written = o.Written
			continue
		}
		if o.Do == setStack {
			d.Stack = strings.TrimSpace(o.Text)
			continue
		}
		result, err := applyOne(d, o, opt)
		if err != nil {
			return Edited{}, err
		}
		if out.Text = result.Text; !result.Stays {
			out.From, out.To = result.From, result.To
		}
	}
	var err error
	if out.built, err = d.Piece(opt.House); err == nil {
		return out, nil
	}
	out.built = nil
	if err := d.Check(); err != nil {
		return Edited{}, err
	}
	return out, nil
}

// Analyse works out the document as it is now, with the options that it was changed with. The error is
// as that of the function Analyse.
func (e *Edited) Analyse(ctx context.Context, opt Options) (*Analysis, error) {
	if e.built == nil {
		return Analyse(ctx, &e.Document, opt)
	}
	m, err := measureOf(&e.Document, e.built)
	if err != nil {
		return nil, err
	}
	return analyse(ctx, m, &e.Document, opt)
}

func applyOne(d *format.Document, o *Operation, opt Options) (edit.Result, error) {
	if edit.Do(o.Do) == (edit.SetLine{}).Do() {
		return edit.Result{Stays: true}, SetLine(d, o)
	}
	if edit.Do(o.Do) == (edit.SetHouse{}).Do() && o.Text == "" {
		if !d.House.Clear(o.Field) {
			return edit.Result{}, format.Faults{{Where: "operation.field", Says: "The house method has no choice called " + o.Field + "."}}
		}
		return edit.Result{Stays: true}, nil
	}
	before, err := d.Piece(opt.House)
	if faults, ok := err.(format.Faults); err != nil && (!ok || !faults.OfLine() || edit.IsLineOp(edit.Do(o.Do))) {
		return edit.Result{}, err
	}
	shelf := opt.Shelf.Beside(d)
	op, err := o.core(func(id string) *material.Material {
		if i := slices.IndexFunc(shelf, func(m *material.Material) bool { return m.ID == id }); i >= 0 {
			return shelf[i]
		}
		return nil
	})
	if err != nil {
		return edit.Result{}, faultOf(d, o, err)
	}
	after, result, err := edit.Apply(before, shelf, op)
	if err != nil {
		return edit.Result{}, faultOf(d, o, err)
	}
	d.Take(before, after, opt.Shelf.find)
	return result, nil
}

// setColourways keeps the colourways with what they need of the shelf, and drops what none
// needs any more.
func setColourways(d *format.Document, list []format.Colourway, shelf *Shelf) {
	d.Colourways = list
	for needed := d.Used(); len(needed) > 0; needed = needed[1:] {
		if slices.ContainsFunc(d.Materials, func(m format.Material) bool { return m.ID == needed[0] }) {
			continue
		}
		if m, ok := shelf.find(needed[0]); ok {
			d.Materials = append(slices.Clip(d.Materials), m)
			needed = append(needed, m.Refers()...)
		}
	}
	d.Materials = d.Tidied().Materials
}

// SetLine takes a line as it is typed, whether or not it can be read yet.
func SetLine(d *format.Document, o *Operation) error {
	for i := range d.Sections {
		for j := range d.Sections[i].Rows {
			if r := &d.Sections[i].Rows[j]; o.At == nil || o.At.Strand == "" || o.At.Strand == r.ID {
				r.Line = o.Text
				return nil
			}
		}
	}
	return format.Faults{{Where: "operation.at", Says: "This piece has no such row."}}
}

// faultOf gives what went wrong its place.
func faultOf(d *format.Document, o *Operation, err error) error {
	var measured *measure.Fault
	var line *pattern.Fault
	var faults format.Faults
	switch {
	case errors.As(err, &faults):
		return faults
	case errors.As(err, &measured):
		return d.LineFault(measured.Row, measured.Err)
	case errors.As(err, &line):
		return format.Faults{{Where: "operation", Column: line.Col, Says: line.Says, Expected: line.Expected}}
	}
	return format.Faults{{Where: "operation", Says: err.Error()}}
}

// CloneSections copies sections with lists of rows of their own.
func CloneSections(sections []format.Section) []format.Section {
	out := slices.Clone(sections)
	for i := range out {
		out[i].Rows = slices.Clone(out[i].Rows)
	}
	return out
}
