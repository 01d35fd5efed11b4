package format

import (
	"fmt"
	"maps"
	"slices"
	"strings"
	"unicode"
	"unicode/utf8"

	"mala/core/material"
	"mala/core/pattern"
	"mala/core/piece"
)

// The limits of a document.
const (
	maxName      = 120
	maxNotes     = 10_000
	maxWritten   = 64 << 10 // bytes
	maxMeanings  = 500
	maxMaterials = 1000
	maxFittings  = 20
	maxTags      = 20
	maxTag       = 40
	maxWaived    = 50
)

// Piece turns the document into a well-formed piece in a shop of this house
// method. The error is Faults: all that is wrong, each at its place, those of the
// bead lines last. If lines alone are at fault the piece is given all the same,
// with those lines left empty.
func (d *Document) Piece(shop House) (*piece.Piece, error) {
	d.Upgrade()
	b := &builder{doc: d, house: d.House.Merge(shop).Resolve(), materials: map[string]*material.Material{}}
	b.texts()
	b.readMaterials()
	p := &piece.Piece{Name: d.Name, Notes: d.Notes, Kind: piece.Kind(d.Kind), House: b.house, Palette: b.palette()}
	if d.Target != nil {
		p.Target = &piece.Target{Finished: d.Target.FinishedMm, Tolerance: d.Target.ToleranceMm}
	}
	p.Hanging = d.Hanging.Core()
	if d.Body != nil {
		p.Body = d.Body.Core()
	}
	for _, key := range d.OneCord {
		if p.OneCord == nil {
			p.OneCord = map[string]bool{}
		}
		if p.OneCord[key] = true; p.Palette[key] == nil {
			b.add("oneCord", "%q is no dish of this piece. Name the letter of a dish.", key)
		}
	}
	sizes, err := SizesOf(d.Sizes)
	if faults, wrong := err.(Faults); wrong {
		b.faults = append(b.faults, faults...)
	}
	p.Sizes = sizes
	for _, pin := range d.Pinned {
		p.Pins = append(p.Pins, piece.Pin{Row: piece.ID(pin.Strand), Run: pin.Run, Nth: pin.Nth, Letter: pin.Letter})
	}
	for _, w := range d.Waived {
		p.Waived = append(p.Waived, piece.Waiver{Code: w.Code, At: w.Place.place(), Of: w.Of, Note: w.Note})
	}
	p.Closure = piece.Closure{Type: piece.ClosureType(d.Closure.Type),
		Left: b.fittings("closure.left", d.Closure.Left), Right: b.fittings("closure.right", d.Closure.Right)}
	for i, s := range d.Sections {
		p.Sections = append(p.Sections, b.section(i, s))
	}
	for i, j := range d.Joins {
		p.Joins = append(p.Joins, &piece.Join{ID: piece.ID(j.ID), Fittings: b.fittings(fmt.Sprintf("joins[%d].fittings", i), j.Fittings)})
	}
	if len(b.faults) == 0 {
		for _, f := range p.Check() {
			b.add(f.Where, "%s", f.Says)
		}
	}
	if len(b.faults) > 0 {
		return nil, b.faults
	}
	if b.lines(p); len(b.faults) > 0 {
		return p, b.faults
	}
	return p, nil
}

// place is the place as the core has it.
func (p Place) place() piece.Place {
	out := piece.Place{Row: piece.ID(p.Strand), Side: piece.Side(p.End), Fitting: piece.ID(p.Fitting), Element: piece.NoElement}
	if p.Element != nil {
		out.Element = *p.Element
	}
	return out
}

// PlaceOf is a place of the core as files and calls have it.
func PlaceOf(p piece.Place) Place {
	out := Place{Strand: string(p.Row), End: string(p.Side), Fitting: string(p.Fitting)}
	if p.Element >= 0 {
		element := p.Element
		out.Element = &element
	}
	return out
}

// Core is the place as the core has it.
func (p Place) Core() piece.Place { return p.place() }

type builder struct {
	doc       *Document
	house     piece.House
	materials map[string]*material.Material
	faults    Faults
}

func (b *builder) add(where, says string, args ...any) {
	b.faults = append(b.faults, Fault{Where: where, Says: fmt.Sprintf(says, args...)})
}

func (b *builder) texts() {
	if err := checkName(b.doc.Name); err != "" {
		b.add("name", "%s", err)
	}
	if utf8.RuneCountInString(b.doc.Notes) > maxNotes {
		b.add("notes", "The notes are longer than %d characters. Shorten them.", maxNotes)
	}
	if len(b.doc.Tags) > maxTags {
		b.add("tags", "A piece has at most %d tags. Remove some.", maxTags)
	}
	if len(b.doc.Waived) > maxWaived {
		b.add("waived", "At most %d checks can be waived. Fix some.", maxWaived)
	}
	if b.doc.Stack != "" && (checkName(b.doc.Stack) != "" || utf8.RuneCountInString(b.doc.Stack) > maxTag) {
		b.add("stack", "A stack has a name of a word or two of plain text, at most %d characters.", maxTag)
	}
	b.colourways()
	if w := b.doc.Written; w != nil {
		b.written(w)
	}
	for i, tag := range b.doc.Tags {
		if checkName(tag) != "" || utf8.RuneCountInString(tag) > maxTag {
			b.add(fmt.Sprintf("tags[%d]", i), "A tag is a word or two of plain text, at most %d characters.", maxTag)
		}
	}
}

func (b *builder) written(w *Written) {
	if len(w.Text) > maxWritten {
		b.add("written.text", "The written pattern has %d kB; the most is %d kB. Paste the part about this piece.", len(w.Text)>>10, maxWritten>>10)
	}
	if len(w.Names) > maxMeanings {
		b.add("written.names", "At most %d names can be given a meaning.", maxMeanings)
	}
	for phrase, id := range w.Names {
		if checkName(phrase) != "" || id == "" || len(id) > maxName {
			b.add("written.names", "A name in the text is a few words, and means the id of a material, or none.")
			return
		}
	}
}

// checkName takes a name in any script, and says what is wrong with another.
func checkName(name string) string {
	switch {
	case strings.TrimSpace(name) == "":
		return "A name is needed."
	case utf8.RuneCountInString(name) > maxName:
		return fmt.Sprintf("A name has at most %d characters.", maxName)
	case strings.ContainsFunc(name, unicode.IsControl) || !utf8.ValidString(name):
		return "A name is one line of plain text."
	}
	return ""
}

func (b *builder) readMaterials() {
	if len(b.doc.Materials) > maxMaterials {
		b.add("materials", "A piece uses at most %d materials; this one lists %d.", maxMaterials, len(b.doc.Materials))
		return
	}
	stock := Listed(b.doc.Materials)
	for i := range b.doc.Materials {
		doc := &b.doc.Materials[i]
		where := fmt.Sprintf("materials[%d]", i)
		if b.materials[doc.ID] != nil {
			b.add(where+".id", "%s: %q is listed twice. Give each material an id of its own.", doc.Name, doc.ID)
			continue
		}
		made, faults := stock.Make(doc, where)
		b.faults = append(b.faults, faults...)
		if made != nil {
			b.materials[doc.ID] = made
		}
	}
	b.tellApart()
}

// tellApart gives materials of one name their sizes too, so that a sentence that names one can mean no
// other.
func (b *builder) tellApart() {
	named := map[string]int{}
	for i := range b.doc.Materials {
		named[b.doc.Materials[i].Name]++
	}
	for i := range b.doc.Materials {
		m := &b.doc.Materials[i]
		if made := b.materials[m.ID]; made != nil && named[m.Name] > 1 && m.SizeText() != "" {
			made.Name = m.Name + " " + m.SizeText()
		}
	}
}

func (b *builder) palette() map[string]*material.Material {
	palette := map[string]*material.Material{}
	for _, key := range slices.Sorted(maps.Keys(b.doc.Palette)) {
		where := "palette." + key
		if !isKey(key) {
			b.add(where, "A dish's letter is A to Z, optionally followed by one small letter.")
			continue
		}
		if m := b.find(where, b.doc.Palette[key]); m != nil {
			if m.Bead == nil {
				b.add(where, "%s is not a bead. Dishes hold beads.", m.Name)
			}
			palette[key] = m
		}
	}
	return palette
}

// find looks an id up among the document's materials.
func (b *builder) find(where, id string) *material.Material {
	m := b.materials[id]
	if m == nil && !slices.ContainsFunc(b.doc.Materials, func(doc Material) bool { return doc.ID == id }) {
		b.add(where, "No material has the id %q. List it under materials.", id)
	}
	return m
}

func (b *builder) fittings(where string, list []Fitting) []piece.Fitting {
	if len(list) > maxFittings {
		b.add(where, "An end has at most %d fittings.", maxFittings)
		return nil
	}
	var out []piece.Fitting
	for i, f := range list {
		if m := b.find(fmt.Sprintf("%s[%d]", where, i), f.Of); m != nil {
			made := piece.Fitting{ID: piece.ID(f.ID), Of: m, Links: f.Links, Fill: f.Fill}
			if chain := f.Between; chain != nil {
				if of := b.find(fmt.Sprintf("%s[%d].between.of", where, i), chain.Of); of != nil {
					made.Between = &piece.Between{Of: of, Links: chain.Links}
				}
			}
			if f.Fill {
				made.Links = max(1, made.Links)
			}
			for k, id := range f.Hung {
				if hung := b.find(fmt.Sprintf("%s[%d].hung[%d]", where, i, k), id); hung != nil {
					made.Hung = append(made.Hung, hung)
				}
			}
			out = append(out, made)
		}
	}
	return out
}

func (b *builder) section(i int, s Section) piece.Section {
	out := piece.Section{Twisted: s.Twisted, Gap: s.GapMm}
	for j, row := range s.Rows {
		where := fmt.Sprintf("sections[%d].rows[%d]", i, j)
		r := &piece.Row{ID: piece.ID(row.ID), Line: &pattern.Line{}, Slack: row.SlackMm, Passes: row.Passes, FoldOf: piece.ID(row.FoldOf), Cut: row.CutMm,
			Left: b.fittings(where+".left", row.Left), Right: b.fittings(where+".right", row.Right),
			LeftPort: row.LeftPort.port(), RightPort: row.RightPort.port(), Follow: piece.Follow{Rule: piece.Rule(row.Follow), Step: row.FollowMm}}
		if row.Cord == "" {
			r.OfChain()
		} else {
			r.Cord = b.find(where+".cord", row.Cord)
		}
		if r.Passes == 0 {
			r.Passes = 1
			if r.Cord != nil && r.Cord.Cord != nil && r.Cord.Cord.Type == material.Thread && b.house.Thread == piece.ThreadDoubled {
				r.Passes = 2
			}
		}
		for _, side := range piece.Sides() {
			*r.Ending(side) = b.ending(where+"."+string(side)+"End", *row.ending(side))
		}
		r.Lacing = row.Lacing.lacing()
		if row.Riders != "" {
			riders, err := pattern.Parse(row.Riders)
			for _, f := range pattern.Faults(err) {
				b.add(where+".riders", "Column %d: %s", f.Col, f.Says)
			}
			r.Riders = riders
		}
		if h := row.Holder; h != nil {
			r.Holder.Way = piece.HolderWay(h.Way)
			if h.Of != "" {
				r.Holder.Of = b.find(where+".holder.of", h.Of)
			}
		}
		out.Rows = append(out.Rows, r)
	}
	return out
}

// lines reads the bead lines last, when all else is right, so that the faults of
// lines are the only ones left. A line with several faults shows the first of
// them and every letter without a dish.
func (b *builder) lines(p *piece.Piece) {
	for i := range p.Sections {
		for j, row := range p.Sections[i].Rows {
			where := fmt.Sprintf("sections[%d].rows[%d].line", i, j)
			line, err := pattern.Parse(b.doc.Sections[i].Rows[j].Line)
			if !row.Corded() && err == nil && len(line.Items) > 0 {
				b.add(where, "A row of chain has no beads. Give it a cord, or leave the line empty.")
				continue
			}
			if err == nil {
				err = row.TakeLine(line, p.Palette)
			}
			for _, f := range pattern.Faults(err) {
				b.faults = append(b.faults, Fault{Where: where, Column: f.Col, Says: f.Says, Expected: f.Expected, Place: Place{Strand: string(row.ID)}})
			}
		}
	}
}
