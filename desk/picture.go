package desk

import (
	"mala/core/length"
	"mala/core/measure"
)

// Seat is where something lies in a picture: its middle in mm, and which way the
// cord runs there, as an angle from x. X goes to the right, y down.
type Seat struct {
	X     float64 `json:"x"`
	Y     float64 `json:"y"`
	Angle float64 `json:"angle"`
}

// Whole is the whole piece as a picture: its middle at 0, the closure at the top.
type Whole struct {
	Shape  string      `json:"shape" enum:"circle,wrap,hanging,rows,hung,straight" doc:"On the circle of its finished length, as a ring lies by itself, as a necklace hangs, its rows straight side by side, an ornament straight down, or laid along."`
	Rows   []WholeRow  `json:"rows"`
	Bars   []Bar       `json:"bars,omitempty" doc:"Of rows side by side: what they go on hole by hole."`
	Box    [4]float64  `json:"box" doc:"Left, top, right and bottom of all that is drawn."`
	Flat   bool        `json:"flat,omitempty" doc:"Beads are seen by their thickness, not by their width."`
	Middle *[2]float64 `json:"middle,omitempty" doc:"Of an ornament: the middle of its mass."`
	Neck   *Neck       `json:"neck,omitempty" doc:"What a necklace hangs on; what lies above y = 0 is behind it."`

	early []SeatOfPart // of the first row, laid before it
}

// Bar is a half of a clasp, or a connector, that lies across rows with a hole for each.
type Bar struct {
	Material string    `json:"material"`
	X        float64   `json:"x"`
	Y        float64   `json:"y"`
	LengthMm float64   `json:"lengthMm"`
	WidthMm  float64   `json:"widthMm"`
	Holes    []float64 `json:"holes" doc:"The middle of each, from the top."`
}

// WholeRow is where a row of it lies. What rows share lies with the first of them.
type WholeRow struct {
	Holders []Seat       `json:"holders,omitempty" doc:"What holds beads beside gaps."`
	Riders  []Seat       `json:"riders,omitempty" doc:"Beads that slide over the others."`
	Strand  string       `json:"strand"`
	Beads   []Seat       `json:"beads" doc:"By element."`
	Gaps    []Seat       `json:"gaps" doc:"Before each bead, and behind the last."`
	Parts   []SeatOfPart `json:"parts" doc:"The fittings."`
	Cord    [][2]float64 `json:"cord" doc:"The line of the cord."`
}

// Neck is what a necklace hangs on.
type Neck struct {
	GirthMm length.MM `json:"girthMm"`
	OfBody  bool      `json:"ofBody" doc:"It is the neck of the body it is for, not one taken for it."`
	WidthMm float64   `json:"widthMm" doc:"Between its sides, where the front begins to hang."`
	DepthMm float64   `json:"depthMm" doc:"How far below them the strand hangs."`
	Assumed []string  `json:"assumed,omitempty" doc:"Materials whose weight was assumed."`
}

// SeatOfPart is where a part of an end lies.
type SeatOfPart struct {
	Seat
	End      string  `json:"end" enum:"left,right"`
	Index    int     `json:"index" doc:"Which part of the end."`
	Link     int     `json:"link,omitempty" doc:"Which link of a chain, from 0."`
	LengthMm float64 `json:"lengthMm"`
	Of       string  `json:"of,omitempty" doc:"The id of its material, where that is not the part's: of chain between bead links."`
}

// otherOf is the material of one thing of a part, where it is not the part's own.
func otherOf(p *measure.Part, one measure.Piece) string {
	if one.Of == p.Material || one.Of == nil {
		return ""
	}
	return one.Of.ID
}

// Wrap is the loop round the widest thing it goes round, seen from above with that
// in the middle, the closure at the top.
type Wrap struct {
	Strand   string       `json:"strand"`
	InsideMm length.MM    `json:"insideMm"`
	RadiusMm length.MM    `json:"radiusMm"`
	Beads    []SeatOfBead `json:"beads"`
	Fittings []SeatOfLink `json:"fittings"`
	Turns    int          `json:"turns" doc:"How often it goes round; several turns are drawn a little from the side."`
	Touching int          `json:"touching" doc:"How many beads touch."`
	Bare     [][4]float64 `json:"bare,omitempty" doc:"Stretches of bare cord, each from a place to the next."`
	ReachMm  float64      `json:"reachMm" doc:"How far all of it reaches from the middle."`
}

// SeatOfBead is where a bead lies in a wrap.
type SeatOfBead struct {
	Seat
	Strand  string      `json:"strand"`
	Element int         `json:"element"`
	Touch   *[2]float64 `json:"touch,omitempty" doc:"Where it touches."`
}

// SeatOfLink is where a fitting lies in a wrap, edge on.
type SeatOfLink struct {
	Seat
	Material string  `json:"material,omitempty"`
	LengthMm float64 `json:"lengthMm"`
	ThickMm  float64 `json:"thickMm"`
	Count    int     `json:"count,omitempty" doc:"Of a loop of beads: how many of the material lie along it."`
}

// Picture is a piece as the page draws it.
type Picture struct {
	Whole *Whole `json:"whole,omitempty"`
	Laid  *Whole `json:"laid,omitempty" doc:"Of a necklace that hangs: laid flat on its circle; of an ornament: laid along."`
	Wraps []Wrap `json:"wraps" doc:"How each row goes round a body; of one without an inside length there is none."`
}
