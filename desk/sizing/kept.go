package sizing

import (
	"maps"
	"slices"

	"mala/core/measure"
	"mala/core/pattern"
	"mala/core/piece"
	"mala/desk"
	"mala/format"
	"mala/words/en"
)

// keptSize is a size as a piece keeps it: the lines of the document that was brought to it, and
// those of the piece that it was made of. Of several rows it is of a length, which they follow.
func keptSize(own *measure.Measured, ask *SizeWanted, way *SizeWay, sized *format.Document) *format.Size {
	out := &format.Size{Name: ask.Name, MeasureMm: ask.MeasureMm, FinishedMm: ask.FinishedMm, Line: way.Line}
	if of := own.Leading().Row.Line; of != nil {
		out.Of = of.String()
	}
	if !own.Piece.Several() {
		return out
	}
	if out.MeasureMm = 0; out.FinishedMm == 0 {
		out.FinishedMm = way.FinishedMm
	}
	out.Rows, out.OfRows = map[string]string{}, map[string]string{}
	for _, r := range own.Piece.Rows() {
		if r.Corded() {
			out.Rows[string(r.ID)], out.OfRows[string(r.ID)] = rowOf(sized, r.ID).Line, r.Line.String()
		}
	}
	eachFitting(sized, func(f *format.Fitting) {
		if was := own.Piece.Fitting(piece.ID(f.ID)); was != nil && was.Of.HasLinks() && !f.Fill && was.Links != f.Links {
			if out.Links == nil {
				out.Links = map[string]int{}
			}
			out.Links[f.ID] = f.Links
		}
	})
	return out
}

// rowOf finds a row of a document that has it.
func rowOf(doc *format.Document, id piece.ID) *format.Row {
	for i := range doc.Sections {
		for k := range doc.Sections[i].Rows {
			if r := &doc.Sections[i].Rows[k]; r.ID == string(id) {
				return r
			}
		}
	}
	return nil
}

// apart is a document with rows and fittings of its own, so that they can change.
func apart(doc *format.Document) *format.Document {
	out := *doc
	out.Sections, out.Joins = desk.CloneSections(doc.Sections), slices.Clone(doc.Joins)
	for i := range out.Sections {
		for k := range out.Sections[i].Rows {
			r := &out.Sections[i].Rows[k]
			r.Left, r.Right = slices.Clone(r.Left), slices.Clone(r.Right)
		}
	}
	for i := range out.Joins {
		out.Joins[i].Fittings = slices.Clone(out.Joins[i].Fittings)
	}
	out.Closure.Left, out.Closure.Right = slices.Clone(doc.Closure.Left), slices.Clone(doc.Closure.Right)
	return &out
}

// eachFitting goes through the fittings of a document.
func eachFitting(doc *format.Document, do func(*format.Fitting)) {
	lists := [][]format.Fitting{doc.Closure.Left, doc.Closure.Right}
	for i := range doc.Sections {
		for k := range doc.Sections[i].Rows {
			lists = append(lists, doc.Sections[i].Rows[k].Left, doc.Sections[i].Rows[k].Right)
		}
	}
	for i := range doc.Joins {
		lists = append(lists, doc.Joins[i].Fittings)
	}
	for _, list := range lists {
		for i := range list {
			do(&list[i])
		}
	}
}

// InSize is the document with the lines and chains of a size, and what is asked of that.
func InSize(doc *format.Document, s *format.Size) *format.Document {
	if s.Line == "" {
		return doc
	}
	out := apart(doc)
	out.MainRow().Line = s.Line
	for id, line := range s.Rows {
		if r := rowOf(out, piece.ID(id)); r != nil {
			r.Line = line
		}
	}
	eachFitting(out, func(f *format.Fitting) {
		if links, ok := s.Links[f.ID]; ok && !f.Fill {
			f.Links = links
		}
	})
	switch {
	case s.FinishedMm > 0:
		target := format.Target{FinishedMm: s.FinishedMm, ToleranceMm: piece.StandardTolerance}
		if doc.Target != nil {
			target.ToleranceMm = doc.Target.ToleranceMm
		}
		out.Target = &target
		if doc.Body != nil { // it is for someone else
			body := *doc.Body
			body.MeasureMm, body.For, body.HandMm, body.HeadMm, body.Fit = 0, "", 0, 0, ""
			out.Body = &body
		}
	case s.MeasureMm > 0 && doc.Body != nil:
		body := *doc.Body
		body.MeasureMm, body.For, body.HandMm, body.HeadMm = s.MeasureMm, "", 0, 0
		out.Body, out.Target = &body, nil
	}
	return out
}

// sizeDiffers counts the items of a piece's lines that have changed since one of its sizes was
// made of them; 0 where it is not known what it was made of.
func sizeDiffers(doc *format.Document, s *format.Size) int {
	if len(s.OfRows) == 0 {
		return itemsDiffer(s.Of, doc.MainRow().Line)
	}
	n := 0
	for _, id := range slices.Sorted(maps.Keys(s.OfRows)) {
		if r := rowOf(doc, piece.ID(id)); r != nil {
			n += itemsDiffer(s.OfRows[id], r.Line)
		}
	}
	for i := range doc.Sections {
		for _, r := range doc.Sections[i].Rows {
			if _, had := s.OfRows[r.ID]; !had && r.Line != "" {
				n++ // it came later
			}
		}
	}
	return n
}

// itemsDiffer counts the items in which a line differs from what it was.
func itemsDiffer(before, after string) int {
	was, err := pattern.Parse(before)
	now, nowErr := pattern.Parse(after)
	if before == "" || err != nil || nowErr != nil || was.String() == now.String() {
		return 0
	}
	a, b := was.Items, now.Items
	for len(a) > 0 && len(b) > 0 && a[0].String() == b[0].String() {
		a, b = a[1:], b[1:]
	}
	for len(a) > 0 && len(b) > 0 && a[len(a)-1].String() == b[len(b)-1].String() {
		a, b = a[:len(a)-1], b[:len(b)-1]
	}
	return max(len(a), len(b), 1)
}

// SizeNotes says what a shop should know of a size that it keeps: that it was made of an older pattern,
// and that it came out the same as one before it.
func SizeNotes(doc *format.Document, s *format.Size) []string {
	notes := olderSize(doc, s)
	for i := range doc.Sizes {
		other := &doc.Sizes[i]
		if other.Name == s.Name {
			break
		}
		if s.Line != "" && other.Line == s.Line && maps.Equal(other.Rows, s.Rows) && maps.Equal(other.Links, s.Links) {
			return append(notes, en.SameSize(s.Name, other.Name))
		}
	}
	return notes
}

// olderSize says that a size was made of an older pattern; nothing of one that was not.
func olderSize(doc *format.Document, s *format.Size) []string {
	if s.Line == "" {
		return nil
	}
	n := sizeDiffers(doc, s)
	if n == 0 {
		return nil
	}
	return []string{en.OlderSize(s.Name, n)}
}
