package kits

import (
	"context"
	"reflect"
	"slices"

	"mala/core/length"
	"mala/core/material"
	"mala/desk"
	"mala/format"
)

// Drift says that the catalogue has moved on since a piece took its copies: what
// changed, and the finished length before and after.
type Drift struct {
	Materials []string        `json:"materials" doc:"Ids of the materials that changed."`
	BeforeMm  length.MM       `json:"beforeMm"`
	AfterMm   length.MM       `json:"afterMm"`
	Document  format.Document `json:"document" doc:"The piece with the catalogue's materials, to use only if asked."`
}

// DriftOf compares the document's materials with the catalogue's of the same
// ids, by what is measured; nil if none differs. A component that has changed
// brings the parts that the document does not list.
func DriftOf(ctx context.Context, doc *format.Document, catalogue map[string]format.Material, parts []format.Material, house format.House) *Drift {
	d := &Drift{Document: *doc}
	d.Document.Materials = slices.Clone(doc.Materials)
	for i, own := range doc.Materials {
		now, ok := catalogue[own.ID]
		if !ok {
			continue
		}
		if !reflect.DeepEqual(measures(own), measures(now)) {
			d.Materials = append(d.Materials, own.ID)
			now.Packs, now.Place = nil, "" // of the catalogue alone
			d.Document.Materials[i] = now
		}
	}
	if d.Materials == nil {
		return nil
	}
	for _, part := range parts {
		if !slices.ContainsFunc(d.Document.Materials, func(m format.Material) bool { return m.ID == part.ID }) {
			d.Document.Materials = append(d.Document.Materials, part)
		}
	}
	d.Document = *d.Document.Tidied()
	if before, err := desk.Analyse(ctx, doc, desk.Options{House: house}); err == nil {
		d.BeforeMm = before.FinishedMm
	}
	if after, err := desk.Analyse(ctx, &d.Document, desk.Options{House: house}); err == nil {
		d.AfterMm = after.FinishedMm
	}
	return d
}

// measures leaves of a material what its figures follow from, with what a file may
// leave out filled in.
func measures(m format.Material) format.Material {
	m.Name, m.Price, m.Packs, m.Place, m.Look, m.Metal, m.Note = "", nil, nil, "", nil, "", ""
	if m.ThickMm == m.AcrossMm {
		m.ThickMm = 0
	}
	if m.Shape == format.Shape(material.Round) {
		m.AlongMm = 0
	}
	for _, usual := range []struct {
		field *string
		value string
	}{{&m.Facing, string(material.FacingNone)}, {&m.Sized, string(material.Nominal)}, {&m.Joint, "open"}, {&m.Form, "round"}, {&m.Eye, "closed"}} {
		if *usual.field == usual.value {
			*usual.field = ""
		}
	}
	if m.Shape == format.Shape(material.Cap) && m.Facing == string(material.FacingForeAft) {
		m.Facing = ""
	}
	return m
}
