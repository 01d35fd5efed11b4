// Package format is the open file of a piece and its analysis: what is read and
// written by the page, the command line and anyone else. One document holds a
// piece with every material it uses.
package format

import "mala/core/length"

// PieceFormat is the format and version this program writes.
const PieceFormat = "mala-piece/1"

// Document is the open piece file.
type Document struct {
	Format    string            `json:"format" doc:"mala-piece/1"`
	Name      string            `json:"name" maxLength:"120"`
	Kind      string            `json:"kind" enum:"necklace,bracelet,anklet"`
	Notes     string            `json:"notes,omitempty" maxLength:"10000"`
	Tags      []string          `json:"tags,omitempty" doc:"Words to find the piece by."`
	Target    *Target           `json:"target,omitempty"`
	Body      *Body             `json:"body,omitempty"`
	Palette   map[string]string `json:"palette" doc:"The dishes: a letter and the id of its bead."`
	Closure   Closure           `json:"closure"`
	Sections  []Section         `json:"sections"`
	House     House             `json:"house,omitempty"`
	Waived    []Waiver          `json:"waived,omitempty" doc:"Checks that may stand, and why."`
	Materials []Material        `json:"materials"`
}

// Target is the finished length asked for.
type Target struct {
	FinishedMm  length.MM `json:"finishedMm"`
	ToleranceMm length.MM `json:"toleranceMm"`
}

// Body is whom it is for.
type Body struct {
	Part      string    `json:"part" enum:"wrist,neck,ankle"`
	MeasureMm length.MM `json:"measureMm,omitempty"`
	HandMm    length.MM `json:"handMm,omitempty"`
	HeadMm    length.MM `json:"headMm,omitempty"`
	For       string    `json:"for,omitempty" maxLength:"40" doc:"The standard size or age the measure stands for."`
	Child     bool      `json:"child,omitempty"`
	Fit       string    `json:"fit,omitempty" maxLength:"40" doc:"The word for the ease that is wanted."`
}

// Waiver lets a check stand.
type Waiver struct {
	Code string `json:"code" maxLength:"40"`
	End  string `json:"end,omitempty" enum:"left,right"`
	Note string `json:"note" maxLength:"500" doc:"Why it may stand."`
}

// Closure lists its fittings from the outside in.
type Closure struct {
	Type  string   `json:"type" enum:"clasp,knot,none"`
	Left  []string `json:"left,omitempty"`
	Right []string `json:"right,omitempty"`
}

// Section is rows side by side, or a chain.
type Section struct {
	Rows  []Row  `json:"rows,omitempty"`
	Chain string `json:"chain,omitempty"`
	Links int    `json:"links,omitempty"`
}

// Row is one strand, its fittings listed from the strand outwards.
type Row struct {
	Cord    string     `json:"cord"`
	Line    string     `json:"line" maxLength:"65536" doc:"The bead line."`
	SlackMm *length.MM `json:"slackMm,omitempty" doc:"Left out, it follows the house."`
	Passes  int        `json:"passes,omitempty" doc:"How often the cord runs through every bead; 1 if left out."`
	CutMm   *length.MM `json:"cutMm,omitempty" doc:"What the cord has been cut to already."`
	Left    []string   `json:"left,omitempty"`
	Right   []string   `json:"right,omitempty"`
}

// Material is a bead, a finding or a cord; which fields it has follows from its
// class.
type Material struct {
	ID    string `json:"id" maxLength:"64"`
	Class string `json:"class" enum:"bead,finding,cord"`
	Name  string `json:"name" maxLength:"120"`

	Shape      string    `json:"shape,omitempty"`
	AcrossMm   length.MM `json:"acrossMm,omitempty"`
	ThickMm    length.MM `json:"thickMm,omitempty"`
	AlongMm    length.MM `json:"alongMm,omitempty"`
	HoleMm     length.MM `json:"holeMm,omitempty"`
	DepthMm    length.MM `json:"depthMm,omitempty"`
	WallMm     length.MM `json:"wallMm,omitempty"`
	DropMm     length.MM `json:"dropMm,omitempty" doc:"How far a charm hangs below the cord."`
	Facing     string    `json:"facing,omitempty" enum:"none,fore-aft,upright"`
	Drilled    string    `json:"drilled,omitempty" enum:"width,height"`
	Sized      string    `json:"sized,omitempty" enum:"nominal,calipered"`
	Run        *Run      `json:"run,omitempty"`
	MassG      float64   `json:"massG,omitempty"`
	DensityGCm float64   `json:"densityGCm3,omitempty"`
	Look       *Look     `json:"look,omitempty"`

	Type           string    `json:"type,omitempty" doc:"Of a finding or cord."`
	InsideMm       length.MM `json:"insideMm,omitempty"`
	OutsideMm      length.MM `json:"outsideMm,omitempty"`
	LengthMm       length.MM `json:"lengthMm,omitempty"`
	ClosedMm       length.MM `json:"closedMm,omitempty"`
	WireMm         length.MM `json:"wireMm,omitempty"`
	Joint          string    `json:"joint,omitempty" enum:"open,soldered,split"`
	Form           string    `json:"form,omitempty" enum:"round,oval"`
	Eye            string    `json:"eye,omitempty" enum:"open,closed"`
	Holes          int       `json:"holes,omitempty"`
	Links          int       `json:"links,omitempty" doc:"Of an extender."`
	RingInsideMm   length.MM `json:"ringInsideMm,omitempty"`
	RingEyeMm      length.MM `json:"ringEyeMm,omitempty"`
	BarMm          length.MM `json:"barMm,omitempty"`
	BarThicknessMm length.MM `json:"barThicknessMm,omitempty"`
	BarEyeMm       length.MM `json:"barEyeMm,omitempty"`

	DiameterMm length.MM `json:"diameterMm,omitempty"`
	Filaments  int       `json:"filaments,omitempty"`
	Stretch    float64   `json:"stretch,omitempty"`

	Metal     string  `json:"metal,omitempty" maxLength:"60"`
	StrengthN float64 `json:"strengthN,omitempty"`
	Price     *Price  `json:"price,omitempty"`
}

// Run is beads strung tight and measured together.
type Run struct {
	Count      int       `json:"count"`
	MeasuredMm length.MM `json:"measuredMm"`
}

// Look is what a bead is drawn from.
type Look struct {
	Colour string `json:"colour,omitempty" pattern:"^#[0-9a-f]{6}$"`
	Finish string `json:"finish,omitempty" enum:"glass,pearl,metal,matte,wood,stone,faceted,lined,lava,translucent,pattern"`
	Second string `json:"second,omitempty" pattern:"^#[0-9a-f]{6}$"`
}

// Price is what so many cost.
type Price struct {
	Amount float64 `json:"amount"`
	Per    int     `json:"per"`
}
