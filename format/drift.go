package format

import (
	"maps"
	"reflect"
	"slices"

	"mala/core/length"
)

// Drift says that the catalogue has moved on since a piece took its copies: what
// changed, and the finished length before and after.
type Drift struct {
	Materials []string  `json:"materials" doc:"Ids of the materials that changed."`
	BeforeMm  length.MM `json:"beforeMm"`
	AfterMm   length.MM `json:"afterMm"`
	Document  Document  `json:"document" doc:"The piece with the catalogue's materials, to keep only if told."`
}

// DriftOf compares the document's materials with the catalogue's of the same
// ids, passing over prices; nil if none differs.
func DriftOf(doc *Document, catalogue map[string]Material, house House) *Drift {
	d := &Drift{Document: *doc}
	d.Document.Materials = slices.Clone(doc.Materials)
	for i, own := range doc.Materials {
		now, ok := catalogue[own.ID]
		if !ok {
			continue
		}
		now.Price = own.Price
		if !reflect.DeepEqual(own, now) {
			d.Materials = append(d.Materials, own.ID)
			d.Document.Materials[i] = now
		}
	}
	if d.Materials == nil {
		return nil
	}
	if before, err := Analyse(doc, Options{House: house}); err == nil {
		d.BeforeMm = before.FinishedMm
	}
	if after, err := Analyse(&d.Document, Options{House: house}); err == nil {
		d.AfterMm = after.FinishedMm
	}
	return d
}

// Used lists the ids of the materials that the document refers to.
func (d *Document) Used() []string {
	used := map[string]bool{}
	for _, id := range d.Palette {
		used[id] = true
	}
	for _, list := range [][]string{d.Closure.Left, d.Closure.Right} {
		for _, id := range list {
			used[id] = true
		}
	}
	for _, s := range d.Sections {
		for _, r := range s.Rows {
			for _, id := range append(slices.Concat(r.Left, r.Right), r.Cord) {
				used[id] = true
			}
		}
	}
	return slices.Sorted(maps.Keys(used))
}

// Tidied is the document with only the materials it refers to.
func (d *Document) Tidied() *Document {
	out := *d
	used := d.Used()
	out.Materials = slices.DeleteFunc(slices.Clone(d.Materials), func(m Material) bool { return !slices.Contains(used, m.ID) })
	return &out
}
