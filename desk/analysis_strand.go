package desk

import "mala/core/length"

// FreeOf is a stretch of beads that may come in any order, and how long the row is finished
// where its order makes it shortest and longest.
type FreeOf struct {
	First   int       `json:"first"`
	Count   int       `json:"count"`
	LeastMm length.MM `json:"leastMm"`
	MostMm  length.MM `json:"mostMm"`
	About   bool      `json:"about,omitempty" doc:"There are too many orders to go through: both lie between these."`
}

// DropOf is a drop or a loop of the strand's own cord.
type DropOf struct {
	Key    string    `json:"key" doc:"As the line has it."`
	Count  int       `json:"count"`
	DeepMm length.MM `json:"deepMm" doc:"From the strand to the foot of its last bead."`
	CordMm length.MM `json:"cordMm" doc:"The length of cord that it uses."`
}

// HangerOf is how an ornament hangs.
type HangerOf struct {
	BelowMm  length.MM  `json:"belowLoopMm" doc:"How long it is without the loop that it hangs by."`
	MiddleMm length.MM  `json:"middleMm" doc:"Of its mass, below its top."`
	FootG    float64    `json:"footG" doc:"What hangs below its lowest bead."`
	CurlG    float64    `json:"curlG,omitempty" doc:"What has to hang below this wire to pull its curl out, by the house; absent of a cord that does not curl."`
	WidestMm length.MM  `json:"widestMm" doc:"Once round its widest part."`
	Below    []BelowRun `json:"below" doc:"What hangs below each run, the lowest first."`
	Leaning  []Leaning  `json:"leaning,omitempty" doc:"Beads that lean to their heavier side."`
}

// BelowRun is what hangs below a run of beads.
type BelowRun struct {
	Material string  `json:"material"`
	First    int     `json:"first"`
	Count    int     `json:"count"`
	BelowG   float64 `json:"belowG"`
}

// Leaning is a bead that leans.
type Leaning struct {
	Element int     `json:"element"`
	Deg     float64 `json:"deg"`
}

// LaceOf is the way of all cords through a laced row.
type LaceOf struct {
	FrontMm   length.MM `json:"frontMm" doc:"Over the fronts."`
	ThroughMm length.MM `json:"throughMm" doc:"Through the holes."`
	BackMm    length.MM `json:"backMm" doc:"Along the back, from flat to flat."`
	EdgesMm   length.MM `json:"edgesMm" doc:"At the back, from the outermost holes to the ends of the row."`
	StepMm    length.MM `json:"stepMm,omitempty" doc:"By which neighbours in two layers stand in front of one another."`
	TiltDeg   float64   `json:"tiltDeg,omitempty" doc:"Of flats that lean on one another."`
	OverlapMm length.MM `json:"overlapMm,omitempty" doc:"By which neighbours cover one another at most."`
}

// LegsOf is what a doubled cord is made in: the halves of a fold, or cords side by side.
type LegsOf struct {
	Count   int       `json:"count"`
	Folded  bool      `json:"folded"`
	EachMm  length.MM `json:"eachMm"`
	LeastMm length.MM `json:"leastMm"`
}

// RidersOf is what slides over a strand.
type RidersOf struct {
	Placed  []Placed  `json:"placed" doc:"As they rest, gathered in the middle of their run."`
	LongMm  length.MM `json:"longMm" doc:"Side by side."`
	RunMm   length.MM `json:"runMm" doc:"What they slide over; 0 if it is nothing."`
	FreeMm  length.MM `json:"freeMm" doc:"How far they can slide; less than 0 if they find no room."`
	FromMm  length.MM `json:"fromMm" doc:"Where the run begins, from the start of the strand."`
	HoleMm  length.MM `json:"holeMm" doc:"The finest of their holes."`
	ShownMm length.MM `json:"shownMm" doc:"How much of the run stays visible."`
}

// HeldAt is a place where a bead is held beside a gap.
type HeldAt struct {
	AtMm    length.MM `json:"atMm" doc:"The bead's face there, from the start of the strand."`
	Outward int       `json:"outward" enum:"-1,1" doc:"To which side of that face the gap lies."`
	LongMm  length.MM `json:"longMm" doc:"The length of gap that it uses."`
	Element int       `json:"element" doc:"The bead."`
}
