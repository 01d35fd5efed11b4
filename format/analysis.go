package format

import "mala/core/length"

// AnalysisFormat is the format and version of the analysis.
const AnalysisFormat = "mala-analysis/1"

// Analysis is everything that follows from a piece: lengths, positions, counts,
// cut, checks. The page and the command line show the same one.
type Analysis struct {
	Format      string         `json:"format"`
	FinishedMm  length.MM      `json:"finishedMm" doc:"Round the closed loop along the cord."`
	InsideMm    *length.MM     `json:"insideMm" nullable:"true" doc:"What the wearer feels; null where it is not worked out."`
	InsideRule  *InsideRule    `json:"insideRule,omitempty"`
	LengthName  string         `json:"lengthName,omitempty" doc:"The trade's name for such a finished length."`
	Fit         *Fit           `json:"fit,omitempty" doc:"How it sits on the body it is for."`
	Positions   []Position     `json:"positions,omitempty" doc:"Where the clasp can be hooked in, the shortest first."`
	Target      *TargetState   `json:"target,omitempty"`
	MassG       float64        `json:"massG"`
	Unweighed   []string       `json:"unweighed"`
	Strands     []Strand       `json:"strands"`
	Tally       []Count        `json:"tally"`
	Sensitivity []Sensitivity  `json:"sensitivity"`
	Checks      []Check        `json:"checks"`
	Cautions    []CautionShown `json:"cautions"`
	Steps       []MakingStep   `json:"steps" doc:"How it is made, in order."`
	Thread      []ThreadStep   `json:"thread" doc:"How far each step of the planning is."`
	Drawing     *Drawing       `json:"drawing,omitempty" doc:"What a picture needs; only on request."`
}

// InsideRule is the rule of thumb for the inside length.
type InsideRule struct {
	Mm      length.MM `json:"mm"`
	ThickMm length.MM `json:"thickMm" doc:"Thickness of the beads taken to touch."`
}

// TargetState holds the piece against its target.
type TargetState struct {
	FinishedMm  length.MM `json:"finishedMm"`
	ToleranceMm length.MM `json:"toleranceMm"`
	Counts      string    `json:"counts" enum:"closed,beads" doc:"Whether the target counts the clasp or the beads alone."`
	Mm          length.MM `json:"mm" doc:"The length held against the target."`
	OffMm       length.MM `json:"offMm" doc:"Over the target, or under it if negative."`
	Within      bool      `json:"within"`
}

// Strand is one row, measured.
type Strand struct {
	ID            string    `json:"id"`
	Line          string    `json:"line" doc:"The bead line in its canonical form."`
	Ring          bool      `json:"ring"`
	StrungMm      length.MM `json:"strungMm"`
	SlackMm       length.MM `json:"slackMm"`
	SlackNeededMm length.MM `json:"slackNeededMm"`
	CutMm         length.MM `json:"cutMm"`
	Cut           []CutPart `json:"cut"`
	Beads         int       `json:"beads"`
	Placed        []Placed  `json:"placed"`
	Runs          []RunOf   `json:"runs"`
	Left          []EndPart `json:"left"`
	Right         []EndPart `json:"right"`
	LeftTail      Tail      `json:"leftTail"`
	RightTail     Tail      `json:"rightTail"`
	PathMm        length.MM `json:"pathMm" doc:"What the cord covers, with nothing over to hold or tie."`
	Knot          *Knot     `json:"knot,omitempty"`
	Start         Start     `json:"start"`
}

// Start is how the end that is strung first is stopped.
type Start struct {
	Side  string    `json:"side" enum:"left,right"`
	By    string    `json:"by" enum:"stopper,tape,spool"`
	TipMm length.MM `json:"tipMm" doc:"From the cord's tip; 0 on the spool."`
}

// Tail is how far a cord's tail goes back, through how many beads, and whether
// the finest of them takes it.
type Tail struct {
	Mm     length.MM `json:"mm"`
	Beads  int       `json:"beads"`
	Finest string    `json:"finest,omitempty" doc:"The bead with the finest hole among them."`
	HoleMm length.MM `json:"holeMm,omitempty"`
	NeedMm length.MM `json:"needMm,omitempty" doc:"What its passes need."`
	Passes int       `json:"passes,omitempty" doc:"How often the cord goes through it."`
}

// Knot is how a ring is tied on itself.
type Knot struct {
	AcrossMm length.MM `json:"acrossMm"`
	Element  *int      `json:"element,omitempty" doc:"The bead whose hole takes it."`
}

// Fit is how a piece sits on a body.
type Fit struct {
	MeasureMm length.MM   `json:"measureMm"`
	EaseMm    length.MM   `json:"easeMm"`
	Word      string      `json:"word" doc:"Of the range the ease lies in; too tight, too loose."`
	Suits     bool        `json:"suits"`
	Wanted    []EaseRange `json:"wanted"`
	SuitedMm  length.MM   `json:"suitedMm" doc:"The target at which the ease would be in the middle of what is wanted."`
	AimMm     length.MM   `json:"aimMm" doc:"That middle."`
	Passage   *Passage    `json:"passage,omitempty"`
}

// EaseRange is one range of ease that is right.
type EaseRange struct {
	Word   string     `json:"word"`
	FromMm length.MM  `json:"fromMm"`
	ToMm   *length.MM `json:"toMm,omitempty" doc:"Absent where there is no upper limit."`
}

// Passage is what a piece that does not open must go over.
type Passage struct {
	Over        string    `json:"over" enum:"hand,head"`
	NeedMm      length.MM `json:"needMm"`
	Measured    bool      `json:"measured"`
	StretchedMm length.MM `json:"stretchedMm"`
	Passes      bool      `json:"passes"`
}

// Position is one place the clasp can be hooked in.
type Position struct {
	Link       int       `json:"link"`
	FinishedMm length.MM `json:"finishedMm"`
	InsideMm   length.MM `json:"insideMm,omitempty"`
	Word       string    `json:"word,omitempty"`
	Covers     []string  `json:"covers"`
}

// MakingStep is one thing to do; a gate has what must be true first.
type MakingStep struct {
	Says string   `json:"says"`
	Must []string `json:"must,omitempty"`
}

// ThreadStep is one step of the planning.
type ThreadStep struct {
	Step  string `json:"step" enum:"decide,lay-out,fit,ends"`
	State string `json:"state" enum:"untouched,settled,wrong"`
}

// CutPart is one item of the cut sum.
type CutPart struct {
	Part string    `json:"part"`
	Mm   length.MM `json:"mm"`
}

// Placed is one bead where it lies, from the first face of the strand.
type Placed struct {
	Key      string    `json:"key"`
	Material string    `json:"material"`
	Node     int       `json:"node"`
	AtMm     length.MM `json:"atMm"`
	FromMm   length.MM `json:"fromMm"`
	ToMm     length.MM `json:"toMm"`
	AlongMm  length.MM `json:"alongMm"`
	AcrossMm length.MM `json:"acrossMm"`
	Turned   bool      `json:"turned"`
	Passes   int       `json:"passes"`
}

// RunOf is alike beads in a row and the length reached behind them.
type RunOf struct {
	Key       string    `json:"key"`
	Material  string    `json:"material"`
	Turned    bool      `json:"turned"`
	First     int       `json:"first"`
	Count     int       `json:"count"`
	ReachedMm length.MM `json:"reachedMm"`
}

// EndPart is one thing of an end, in threading order from the last bead.
type EndPart struct {
	Does      string    `json:"does" enum:"crimp,cover,guard,loop,ring,clasp,extender"`
	Material  string    `json:"material,omitempty"`
	Mm        length.MM `json:"mm"`
	Swallowed bool      `json:"swallowed"`
}

// Count is how many of a material, for a cord also how much is cut.
type Count struct {
	Material string     `json:"material"`
	Count    int        `json:"count"`
	ByStrand []int      `json:"byStrand"`
	CutMm    *length.MM `json:"cutMm,omitempty"`
}

// Sensitivity is how far the finished length moves per 0.1 mm of a material.
type Sensitivity struct {
	Material   string    `json:"material"`
	SizedBy    string    `json:"sizedBy"`
	MmPerTenth length.MM `json:"mmPerTenth"`
}

// Check is one judgement, with its place and its fix.
type Check struct {
	Code     string `json:"code"`
	Severity string `json:"severity" enum:"stop,warn,advise"`
	Strand   string `json:"strand"`
	End      string `json:"end,omitempty" enum:"left,right"`
	Element  *int   `json:"element,omitempty"`
	Column   int    `json:"column,omitempty"`
	Title    string `json:"title"`
	Says     string `json:"says"`
	Step     string `json:"step" enum:"lay-out,fit,ends" doc:"Where in the planning it is mended."`
	Waived   string `json:"waived,omitempty" doc:"Why it may stand."`
	Fix      *Fix   `json:"fix,omitempty"`
}

// Fix is an edit of the document that mends a finding: the fields given take the
// place of the document's own.
type Fix struct {
	Says      string            `json:"says"`
	Line      *string           `json:"line,omitempty"`
	Cord      string            `json:"cord,omitempty"`
	Palette   map[string]string `json:"palette,omitempty"`
	House     *House            `json:"house,omitempty"`
	TargetMm  *length.MM        `json:"targetMm,omitempty"`
	Ends      *Ends             `json:"ends,omitempty"`
	Forget    []string          `json:"forget,omitempty" doc:"Fields of the row to leave out: slackMm, cutMm."`
	Materials []string          `json:"materials,omitempty" doc:"Materials of the shelf to add to the piece first."`
}

// Ends is all that ends and closes a strand.
type Ends struct {
	Left         []string `json:"left"`
	Right        []string `json:"right"`
	ClosureLeft  []string `json:"closureLeft"`
	ClosureRight []string `json:"closureRight"`
}

// CautionShown is one thing that can hurt someone.
type CautionShown struct {
	Code string `json:"code"`
	Says string `json:"says"`
}

// Drawing is what a picture of the piece needs beside the positions.
type Drawing struct {
	Outlines map[string]Outline `json:"outlines" doc:"By material."`
	Nodes    []Node             `json:"nodes" doc:"The bead line as a tree."`
	Round    *Round             `json:"round,omitempty" doc:"How it lies round a body; only on request."`
}

// Round is the loop lying round the widest thing it goes round, its hinges given
// from the centre.
type Round struct {
	RadiusMm length.MM `json:"radiusMm"`
	Links    []Link    `json:"links"`
}

// Link is one stiff part of the loop: a bead or a fitting.
type Link struct {
	Element  *int      `json:"element,omitempty" doc:"The bead; absent for a fitting."`
	Material string    `json:"material,omitempty"`
	JointMm  length.MM `json:"jointMm" doc:"Distance of the hinge that begins it from the centre."`
	SweepRad float64   `json:"sweepRad"`
	GapMm    length.MM `json:"gapMm" doc:"How far it stays off the body."`
	LengthMm length.MM `json:"lengthMm"`
	BeforeMm length.MM `json:"beforeMm,omitempty" doc:"How far a bead's middle lies from the hinge that begins it."`
	ReachMm  length.MM `json:"reachMm" doc:"How far it reaches inside the line of its hinges."`
}

// Outline is a bead's two faces as points [radius, distance from its middle] in
// mm, from the hole outwards, not turned. Lengths are worked out from the same
// faces, so neighbours drawn from them touch.
type Outline struct {
	Left   [][2]float64 `json:"left"`
	Right  [][2]float64 `json:"right"`
	HoleMm length.MM    `json:"holeMm"`
}

// Node is one item of the bead line.
type Node struct {
	ID       int    `json:"id"`
	Kind     string `json:"kind" enum:"bead,group,mirror,fill"`
	Count    int    `json:"count"`
	Reversed bool   `json:"reversed"`
	Key      string `json:"key,omitempty"`
	Length   string `json:"length,omitempty"`
	Repeats  int    `json:"repeats,omitempty" doc:"How often a fill was found to repeat."`
	Column   int    `json:"column"`
	End      int    `json:"end"`
	Items    []Node `json:"items,omitempty"`
	Centre   []Node `json:"centre,omitempty"`
}
