// Package format is the open file of a piece and its analysis: what is read and
// written by the page, the command line and anyone else. One document holds a
// piece with every material it uses.
package format

import (
	"fmt"
	"maps"
	"slices"

	"github.com/go-json-experiment/json"

	"mala/core/length"
	"mala/core/pattern"
	"mala/core/piece"
)

// PieceFormat is the format and version this program writes. Files of version 1
// are read as well: their rows and fittings have no ids, and are given some.
const PieceFormat = "mala-piece/2"

// Document is the open piece file.
type Document struct {
	Format     string            `json:"format" doc:"mala-piece/2"`
	Name       string            `json:"name" maxLength:"120"`
	Kind       string            `json:"kind" enum:"necklace,bracelet,anklet,ornament"`
	Notes      string            `json:"notes,omitempty" maxLength:"10000"`
	Tags       []string          `json:"tags,omitempty" doc:"Words for finding the piece."`
	Stack      string            `json:"stack,omitempty" maxLength:"40" doc:"What the pieces are called that it is worn together with."`
	Target     *Target           `json:"target,omitempty"`
	Body       *Body             `json:"body,omitempty"`
	Hanging    *Hanging          `json:"hanging,omitempty" doc:"Of an ornament."`
	Palette    map[string]string `json:"palette" doc:"The dishes: a letter and the id of its bead."`
	OneCord    []string          `json:"oneCord,omitempty" doc:"Letters of dishes whose beads ride on one of the cords that run side by side."`
	Closure    Closure           `json:"closure"`
	Sections   []Section         `json:"sections"`
	Joins      []Join            `json:"joins,omitempty" doc:"What lies between each section and the next."`
	House      House             `json:"house,omitempty"`
	Sizes      []Size            `json:"sizes,omitempty" doc:"The same pattern in other sizes."`
	Colourways []Colourway       `json:"colourways,omitempty" maxItems:"12" doc:"The same piece in other materials."`
	Written    *Written          `json:"written,omitempty" doc:"The pattern as it was written down, to be held against the piece."`
	Pinned     []Pin             `json:"pinned,omitempty" doc:"What stays as it is while the piece is brought to a length."`
	Waived     []Waiver          `json:"waived,omitempty" doc:"Waived checks, with reasons."`
	Materials  []Material        `json:"materials"`
	Photos     []FilePhoto       `json:"photos,omitempty" maxItems:"48" doc:"Photographs that the file carries along."`
}

// Written is a pattern as it was written down.
type Written struct {
	Text  string            `json:"text" maxLength:"65536"`
	Names map[string]string `json:"names,omitempty" doc:"What names in it mean: the id of a material, none where the piece has no such thing, or nothing where it is no material."`
}

// Target is the finished length asked for.
type Target struct {
	FinishedMm  length.MM `json:"finishedMm"`
	ToleranceMm length.MM `json:"toleranceMm"`
}

// Size is the piece in another size.
type Size struct {
	Name       string    `json:"name" maxLength:"40"`
	MeasureMm  length.MM `json:"measureMm,omitempty" doc:"Of the body that it is for."`
	FinishedMm length.MM `json:"finishedMm,omitempty" doc:"Or the length asked for."`
	Line       string    `json:"line" maxLength:"65536" doc:"The bead line, of several rows that of the first."`

	Rows  map[string]string `json:"rows,omitempty" doc:"Of a piece of several rows the bead line of each, by its id."`
	Links map[string]int    `json:"links,omitempty" doc:"The links of chains that have another number in this size, by the ids of the fittings."`

	Of     string            `json:"of,omitempty" maxLength:"65536" doc:"The piece's own bead line when the size was made."`
	OfRows map[string]string `json:"ofRows,omitempty" doc:"And those of its rows, by their ids."`
}

// SizesOf reads sizes. The error is Faults of their lines.
func SizesOf(sizes []Size) ([]piece.Size, error) {
	var out []piece.Size
	var faults Faults
	for i, s := range sizes {
		line, err := pattern.Parse(s.Line)
		for _, f := range pattern.Faults(err) {
			faults = append(faults, Fault{Where: fmt.Sprintf("sizes[%d].line", i), Says: fmt.Sprintf("Column %d: %s", f.Col, f.Says)})
		}
		size := piece.Size{Name: s.Name, Measure: s.MeasureMm, Finished: s.FinishedMm, Line: line}
		for _, id := range slices.Sorted(maps.Keys(s.Rows)) {
			row, err := pattern.Parse(s.Rows[id])
			for _, f := range pattern.Faults(err) {
				faults = append(faults, Fault{Where: fmt.Sprintf("sizes[%d].rows.%s", i, id), Says: fmt.Sprintf("Column %d: %s", f.Col, f.Says)})
			}
			put(&size.Rows, id, row)
		}
		for id, links := range s.Links {
			put(&size.Links, id, links)
		}
		// One that it was made of and that cannot be read is of no use.
		if of, err := pattern.Parse(s.Of); err == nil && s.Of != "" {
			size.Of = of
		}
		for id, text := range s.OfRows {
			if of, err := pattern.Parse(text); err == nil {
				put(&size.OfRows, id, of)
			}
		}
		out = append(out, size)
	}
	if faults != nil {
		return nil, faults
	}
	return out, nil
}

// put puts what an id has into a map that may not be there yet.
func put[V any](all *map[piece.ID]V, id string, v V) {
	if *all == nil {
		*all = map[piece.ID]V{}
	}
	(*all)[piece.ID(id)] = v
}

// Pin keeps something as it is: a whole row, a run of it, or the beads of a letter.
type Pin struct {
	Strand string `json:"strand,omitempty" doc:"The id of the row; absent of a letter."`
	Run    string `json:"run,omitempty" maxLength:"4096" doc:"As the line has it: 9P."`
	Nth    int    `json:"nth,omitempty" minimum:"0" doc:"Which of several written alike, from 0."`
	Letter string `json:"letter,omitempty"`
}

// Hanging is where an ornament hangs, and what its loop goes over.
type Hanging struct {
	At      string    `json:"at,omitempty" enum:"window,mirror,key"`
	Over    string    `json:"over,omitempty" enum:"support,itself" doc:"What hangs it up, or the ornament's own widest part: it is drawn through its loop."`
	GirthMm length.MM `json:"girthMm,omitempty" doc:"Once round what hangs it up, at its widest."`
}

// Core is it as the core has it; nil for nil.
func (h *Hanging) Core() *piece.Hanging {
	if h == nil {
		return nil
	}
	return &piece.Hanging{At: h.At, Over: h.Over, Girth: h.GirthMm}
}

func hangingOf(h *piece.Hanging) *Hanging {
	if h == nil {
		return nil
	}
	return &Hanging{h.At, h.Over, h.Girth}
}

// Body is the wearer.
type Body struct {
	Part      string    `json:"part" enum:"wrist,neck,ankle"`
	MeasureMm length.MM `json:"measureMm,omitempty"`
	HandMm    length.MM `json:"handMm,omitempty"`
	HeadMm    length.MM `json:"headMm,omitempty"`
	For       string    `json:"for,omitempty" maxLength:"40" doc:"The standard size or age the measure stands for."`
	Child     bool      `json:"child,omitempty"`
	Fit       string    `json:"fit,omitempty" maxLength:"40" doc:"The word for the ease that is wanted."`
	Times     int       `json:"times,omitempty" minimum:"1" maximum:"12" doc:"How often the piece goes round it; once if left out."`
}

// Place names anything in a piece: a row, one of its ends, a fitting, a bead. What
// does not apply is left out.
type Place struct {
	Strand  string `json:"strand,omitempty" doc:"The id of a row."`
	End     string `json:"end,omitempty" enum:"left,right"`
	Fitting string `json:"fitting,omitempty" doc:"The id of a fitting."`
	Element *int   `json:"element,omitempty" doc:"Which bead of the row, from 0."`
}

// Waiver accepts a check as it is.
type Waiver struct {
	Code string `json:"code" maxLength:"40"`
	Place
	Of   string `json:"of,omitempty" maxLength:"80" doc:"The id of the material it is about."`
	Note string `json:"note" maxLength:"500" doc:"The reason."`
}

// Closure lists its fittings from the outside in.
type Closure struct {
	Type  string    `json:"type" enum:"clasp,knot,none,tied,bar,hung"`
	Left  []Fitting `json:"left,omitempty"`
	Right []Fitting `json:"right,omitempty"`
}

// Fitting is one finding in its place; its id stays the same as long as it does.
type Fitting struct {
	ID    string `json:"id"`
	Of    string `json:"of" doc:"The id of its material."`
	Hung  IDs    `json:"hung,omitempty" doc:"The ids of what hangs on it; of an extender on its last link."`
	Links int    `json:"links,omitempty" doc:"Of a chain, or of bead links that hang in one another; of one that fills up as they were worked out last."`
	Fill  bool   `json:"fill,omitempty" doc:"The chain takes as many whole links as bring its row nearest to its target, alike in all such chains of a loop."`

	Between *Between `json:"between,omitempty" doc:"Chain between each two of its bead links."`
}

// Between is chain between each two bead links.
type Between struct {
	Of    string `json:"of" doc:"The id of the chain."`
	Links int    `json:"links"`
}

// UnmarshalJSON reads a fitting, or the bare id of its material as files of
// version 1 have it.
func (f *Fitting) UnmarshalJSON(data []byte) error {
	if len(data) > 0 && data[0] == '"' {
		return json.Unmarshal(data, &f.Of)
	}
	type plain Fitting
	return json.Unmarshal(data, (*plain)(f), json.RejectUnknownMembers(true))
}

// Section is rows side by side between two joins.
type Section struct {
	Rows    []Row      `json:"rows,omitempty"`
	Twisted bool       `json:"twisted,omitempty" doc:"The rows are twisted together."`
	GapMm   *length.MM `json:"gapMm,omitempty" doc:"How far apart at the front two rows may hang; absent, three times the wider one."`
}

// Join is what lies between two sections, from left to right: rings, connectors and
// chain, or one bead that the cords of both run through.
type Join struct {
	ID       string    `json:"id"`
	Fittings []Fitting `json:"fittings"`
}

// Row is one strand, its fittings listed from the strand outwards.
type Row struct {
	ID      string     `json:"id"`
	Cord    string     `json:"cord,omitempty" doc:"Absent of a row of chain, which has the chain at its left end."`
	Line    string     `json:"line" maxLength:"65536" doc:"The bead line."`
	SlackMm *length.MM `json:"slackMm,omitempty" doc:"If absent, the house default."`
	Passes  int        `json:"passes,omitempty" doc:"How often the cord runs through every bead; 1 if left out."`
	CutMm   *length.MM `json:"cutMm,omitempty" doc:"What the cord has been cut to already."`
	Left    []Fitting  `json:"left,omitempty"`
	Right   []Fitting  `json:"right,omitempty"`
	FoldOf  string     `json:"foldOf,omitempty" doc:"The id of the row whose cord it is the other half of, folded at the left."`
	Lacing  *Lacing    `json:"lacing,omitempty" doc:"How a row of flats is laced; absent where the cord runs through all holes."`
	Riders  string     `json:"riders,omitempty" maxLength:"4096" doc:"Beads that slide over those of the line, as a bead line."`
	Holder  *Holder    `json:"holder,omitempty" doc:"What holds beads where gaps lie beside them."`

	LeftEnd  *Ending `json:"leftEnd,omitempty" doc:"How the end is made beyond its fittings."`
	RightEnd *Ending `json:"rightEnd,omitempty"`

	LeftPort  *Port     `json:"leftPort,omitempty" doc:"Where it goes on; if absent, the innermost fitting, in the order of the rows."`
	RightPort *Port     `json:"rightPort,omitempty"`
	Follow    string    `json:"follow,omitempty" enum:"equal,longer,touching,own" doc:"How its length follows from the row before it; absent it follows none."`
	FollowMm  length.MM `json:"followMm,omitempty" doc:"By how much it is longer; of a row of its own length that length."`
}

// Holder is what holds beads apart.
type Holder struct {
	Way string `json:"way" enum:"crimps,knots,friction,pressed"`
	Of  string `json:"of,omitempty" doc:"The id of the crimp."`
}

func holderOf(h piece.Holder) *Holder {
	if h.Way == piece.HeldNotYet {
		return nil
	}
	out := &Holder{Way: string(h.Way)}
	if h.Of != nil {
		out.Of = h.Of.ID
	}
	return out
}

// Lacing is how cords go through the holes of flats that lie beside one another. They touch
// unless they have a pitch or an overlap.
type Lacing struct {
	Way       string            `json:"way" enum:"straight,diagonal,crossed" doc:"From hole to hole along the row, from a corner to the opposite one, or by two cords that cross on every front."`
	PitchMm   length.MM         `json:"pitchMm,omitempty" doc:"From middle to middle."`
	OverlapMm length.MM         `json:"overlapMm,omitempty" doc:"By which neighbours cover one another."`
	Tilted    bool              `json:"tilted,omitempty" doc:"Where they overlap each leans on the one before it; else every other one lies in front."`
	Tops      map[string]string `json:"tops,omitempty" doc:"By letter the letter of the smaller flat that is laced on it."`
}

func lacingOf(l *piece.Lacing) *Lacing {
	if l == nil {
		return nil
	}
	return &Lacing{string(l.Way), l.Pitch, l.Overlap, l.Tilted, maps.Clone(l.Tops)}
}

func (l *Lacing) lacing() *piece.Lacing {
	if l == nil {
		return nil
	}
	return &piece.Lacing{Way: piece.LacingWay(l.Way), Pitch: l.PitchMm, Overlap: l.OverlapMm, Tilted: l.Tilted, Tops: maps.Clone(l.Tops)}
}

// Port is where a row goes on at a join.
type Port struct {
	On   string `json:"on,omitempty" doc:"The id of a fitting of the closure."`
	Hole int    `json:"hole,omitempty" minimum:"0" doc:"Of a fitting with several holes, from 1."`
}

func portOf(p piece.Port) *Port {
	if p == (piece.Port{}) {
		return nil
	}
	return &Port{string(p.On), p.Hole}
}

func (p *Port) port() piece.Port {
	if p == nil {
		return piece.Port{}
	}
	return piece.Port{On: piece.ID(p.On), Hole: p.Hole}
}

// Ending is how one end of a row is made beyond its fittings.
type Ending struct {
	Way       Way        `json:"way,omitempty" doc:"A loop of beads, a bead and knot on a leg, the fold of the cord, or a knot drawn into the last bead; absent as the fittings have it."`
	Loop      string     `json:"loop,omitempty" maxLength:"4096" doc:"The bead line of a loop."`
	Hung      IDs        `json:"hung,omitempty" doc:"The ids of what hangs on the loop."`
	GirthMm   length.MM  `json:"girthMm,omitempty" doc:"Of a loop of bare cord: once round its inside."`
	LegMm     length.MM  `json:"legMm,omitempty" doc:"Cord between the strand and what ends a leg."`
	Bead      string     `json:"bead,omitempty" doc:"The id of the bead on a leg."`
	TailMm    *length.MM `json:"tailMm,omitempty" doc:"How far the tail goes back; the house decides if neither this nor tailBeads is given."`
	TailBeads *int       `json:"tailBeads,omitempty" doc:"Through how many beads the tail goes back."`
	Stop      string     `json:"stop,omitempty" enum:"stopper,tape,clip,slip-knot,tied-bead,spare-crimp,crimped,spool" doc:"Of the left end: how it is held while the strand is strung; absent as the house has it."`
}

// Material is a bead, a finding or a cord; which fields it has follows from its
// class.
type Material struct {
	ID    string `json:"id" maxLength:"64"`
	Class string `json:"class" enum:"bead,finding,cord,component"`
	Name  string `json:"name" maxLength:"120"`

	Shape      Shape     `json:"shape,omitempty"`
	AcrossMm   length.MM `json:"acrossMm,omitempty"`
	ThickMm    length.MM `json:"thickMm,omitempty"`
	AlongMm    length.MM `json:"alongMm,omitempty"`
	HoleMm     length.MM `json:"holeMm,omitempty"`
	DepthMm    length.MM `json:"depthMm,omitempty"`
	WallMm     length.MM `json:"wallMm,omitempty"`
	DropMm     length.MM `json:"dropMm,omitempty" doc:"How far a charm hangs below the cord."`
	LoopMm     length.MM `json:"loopMm,omitempty" doc:"Inside of the bead's own loop below it."`
	LoopWireMm length.MM `json:"loopWireMm,omitempty"`
	Facing     string    `json:"facing,omitempty" enum:"none,fore-aft,upright"`
	HoleOffMm  length.MM `json:"holeOffMm,omitempty" doc:"How far the hole lies off the bead's middle."`
	HoleTo     string    `json:"holeTo,omitempty" enum:"top,back,front" doc:"Towards which side it lies: the heavier one hangs down, lies in front, or lies to the body. The top if left out."`
	Drilled    string    `json:"drilled,omitempty" enum:"width,height"`
	Sized      string    `json:"sized,omitempty" enum:"nominal,calipered"`
	Run        *Run      `json:"run,omitempty"`
	MassG      float64   `json:"massG,omitempty"`
	DensityGCm float64   `json:"densityGCm3,omitempty"`
	Look       *Look     `json:"look,omitempty"`

	Type           Type      `json:"type,omitempty" doc:"Of a finding or cord."`
	InsideMm       length.MM `json:"insideMm,omitempty"`
	OutsideMm      length.MM `json:"outsideMm,omitempty"`
	LengthMm       length.MM `json:"lengthMm,omitempty"`
	ClosedMm       length.MM `json:"closedMm,omitempty"`
	WireMm         length.MM `json:"wireMm,omitempty"`
	Joint          string    `json:"joint,omitempty" enum:"open,soldered,split"`
	Form           string    `json:"form,omitempty" enum:"round,oval,flat,ball" doc:"Of a ring round or oval, of a button flat or ball."`
	Eye            string    `json:"eye,omitempty" enum:"open,closed"`
	Holes          int       `json:"holes,omitempty" doc:"For rows, of a slide clasp or a connector; through the face of a button, coin or disc that is laced, two or four in a square."`
	SpacingMm      length.MM `json:"spacingMm,omitempty" doc:"From hole to hole."`
	RiseMm         length.MM `json:"riseMm,omitempty" doc:"Of a bar: how far its middle rises above the line between its holes."`
	Links          int       `json:"links,omitempty" doc:"Of an extender."`
	RingInsideMm   length.MM `json:"ringInsideMm,omitempty"`
	RingEyeMm      length.MM `json:"ringEyeMm,omitempty"`
	BarMm          length.MM `json:"barMm,omitempty"`
	BarThicknessMm length.MM `json:"barThicknessMm,omitempty"`
	BarEyeMm       length.MM `json:"barEyeMm,omitempty"`

	DiameterMm length.MM `json:"diameterMm,omitempty"`
	Filaments  int       `json:"filaments,omitempty"`
	Stretch    float64   `json:"stretch,omitempty"`

	Component *Component `json:"component,omitempty" doc:"What a component is made of."`

	Metal     string  `json:"metal,omitempty" maxLength:"60"`
	StrengthN float64 `json:"strengthN,omitempty"`
	Price     *Price  `json:"price,omitempty"`
	Place     string  `json:"place,omitempty" maxLength:"40" doc:"Where it lies in the shop. In the catalogue only."`
	Packs     []Pack  `json:"packs,omitempty" maxItems:"12" doc:"What it is bought in. In the catalogue only."`
	Note      string  `json:"note,omitempty" maxLength:"500" doc:"For the bench, at the step that first uses it."`
}

// Run is beads strung tight and measured together.
type Run struct {
	Count      int       `json:"count"`
	MeasuredMm length.MM `json:"measuredMm"`
}

// Look is what a bead is drawn from.
type Look struct {
	Colour string `json:"colour,omitempty" pattern:"^#[0-9a-f]{6}$"`
	Finish Finish `json:"finish,omitempty"`
	Second string `json:"second,omitempty" pattern:"^#[0-9a-f]{6}$"`
}

// Price is what this many cost.
type Price struct {
	Amount float64 `json:"amount"`
	Per    int     `json:"per"`
}

// Row finds a row by its id; nil if there is none.
func (d *Document) Row(id string) *Row {
	for i := range d.Sections {
		for j := range d.Sections[i].Rows {
			if row := &d.Sections[i].Rows[j]; row.ID == id {
				return row
			}
		}
	}
	return nil
}

// MainRow is the leading row: the first of the section with the most.
func (d *Document) MainRow() *Row {
	most := &d.Sections[0]
	for i := range d.Sections {
		if len(d.Sections[i].Rows) > len(most.Rows) {
			most = &d.Sections[i]
		}
	}
	return &most.Rows[0]
}
