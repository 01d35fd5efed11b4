package desk

import (
	"mala/core/length"
	"mala/format"
)

// AnalysisFormat is the format and version of the analysis.
const AnalysisFormat = "mala-analysis/1"

// Analysis is everything that follows from a piece: lengths, positions, counts,
// cut, checks. The page and the command line show the same one.
type Analysis struct {
	Format      string         `json:"format"`
	FinishedMm  length.MM      `json:"finishedMm" doc:"Round the closed loop along the cord."`
	InsideMm    *length.MM     `json:"insideMm" nullable:"true" doc:"What the wearer feels; null where there is none."`
	InsideState string         `json:"insideState,omitempty" enum:"open,nothing,unsolved" doc:"Why there is no inside length: too few beads to close, no room left in the middle, or no solution found."`
	InsideRule  *InsideRule    `json:"insideRule,omitempty"`
	LengthName  string         `json:"lengthName,omitempty" doc:"The trade's name for such a finished length."`
	Suits       []string       `json:"suits,omitempty" doc:"The standard sizes that it suits as it is."`
	Fit         *Fit           `json:"fit,omitempty" doc:"How it sits on the body it is for."`
	Hanger      *HangerOf      `json:"hanger,omitempty" doc:"How an ornament hangs."`
	Positions   []Position     `json:"positions,omitempty" doc:"Where the clasp can be hooked in, the shortest first."`
	Target      *TargetState   `json:"target,omitempty"`
	Beads       int            `json:"beads" doc:"Of the whole piece: on its strands, in loops and on legs."`
	MassG       float64        `json:"massG"`
	Unweighed   []string       `json:"unweighed"`
	Strands     []Strand       `json:"strands"`
	Rows        *Rows          `json:"rows,omitempty" doc:"Of a piece of several rows: how they lie beside one another."`
	Tally       []Count        `json:"tally"`
	Bought      []Count        `json:"bought" doc:"The same with every component broken down to its parts."`
	Short       []ShortOf      `json:"short,omitempty" doc:"What there is too little of in stock to make one."`
	Sensitivity []Sensitivity  `json:"sensitivity"`
	Checks      []Check        `json:"checks"`
	Care        []string       `json:"care,omitempty" doc:"How the wearer keeps it as it is. None in few words."`
	Cautions    []CautionShown `json:"cautions" doc:"What to mind. None in few words."`
	Tools       []Tool         `json:"tools,omitzero" doc:"What is needed beside the materials, in the order it is first used; with the steps."`
	Techniques  []string       `json:"techniques,omitzero" doc:"Ways of the hand that the steps use and that can be shown, each once."`
	Steps       []MakingStep   `json:"steps,omitzero" doc:"The instructions, in order. Left out in few words."`
	Thread      []ThreadStep   `json:"thread" doc:"How far each step of the planning is."`
	Drawing     *Drawing       `json:"drawing,omitempty" doc:"What a picture needs; only on request."`
}

// InsideRule is the rule of thumb for the inside length.
type InsideRule struct {
	Mm      length.MM `json:"mm"`
	ThickMm length.MM `json:"thickMm" doc:"Thickness of the beads taken to touch."`
}

// Why a piece has no inside length.
const (
	InsideOpen     = "open"
	InsideNothing  = "nothing"
	InsideUnsolved = "unsolved"
)

// TargetState holds the piece against its target.
type TargetState struct {
	FinishedMm  length.MM `json:"finishedMm"`
	ToleranceMm length.MM `json:"toleranceMm"`
	Counts      string    `json:"counts" enum:"closed,beads,loop,foot" doc:"Whether the target counts the clasp or the beads alone; of an ornament, its loop too or only what hangs below it."`
	Mm          length.MM `json:"mm" doc:"The length held against the target."`
	OffMm       length.MM `json:"offMm" doc:"Over the target, or under it if negative."`
	Within      bool      `json:"within"`
}

// Rows is how several rows lie beside one another.
type Rows struct {
	Binding string        `json:"binding" doc:"The row with the smallest inside length: what the wearer feels first."`
	Main    []string      `json:"main" doc:"The rows of the section with the most: the target is theirs."`
	Between []BetweenRows `json:"between" doc:"Each of them and the next."`
	Fitting []RowsOn      `json:"fitting" doc:"What rows go on."`
}

// BetweenRows is how a row lies beside the next.
type BetweenRows struct {
	Upper   string     `json:"upper"`
	Lower   string     `json:"lower"`
	StepMm  length.MM  `json:"stepMm" doc:"By how much the second is longer."`
	GapMm   *length.MM `json:"gapMm,omitempty" doc:"At the front, where they hang."`
	LeastMm *length.MM `json:"leastMm,omitempty" doc:"Between the middles of their cords, where they come nearest."`
	NeedMm  length.MM  `json:"needMm" doc:"Half the width of each, together."`
}

// RowsOn is a fitting that rows go on.
type RowsOn struct {
	Fitting  string   `json:"fitting"`
	Material string   `json:"material"`
	Side     string   `json:"side" enum:"left,right"`
	Rows     []string `json:"rows"`
	Holes    []int    `json:"holes,omitempty" doc:"In which hole each row is."`
	Empty    []int    `json:"empty,omitempty" doc:"Holes that no row is in."`
}

// Strand is one row, measured.
type Strand struct {
	ID            string       `json:"id"`
	FinishedMm    length.MM    `json:"finishedMm" doc:"Round the closed loop that it lies in."`
	InsideMm      *length.MM   `json:"insideMm,omitempty" doc:"What the wearer feels of it."`
	Target        *TargetState `json:"target,omitempty" doc:"What is asked of it."`
	WidthMm       length.MM    `json:"widthMm" doc:"Across, as it lies beside other rows."`
	Line          string       `json:"line" doc:"The bead line in its canonical form."`
	Ring          bool         `json:"ring"`
	StrungMm      length.MM    `json:"strungMm"`
	SlackMm       length.MM    `json:"slackMm"`
	SlackNeededMm length.MM    `json:"slackNeededMm"`
	CutMm         length.MM    `json:"cutMm"`
	LeftEnd       []string     `json:"leftEnd,omitempty" doc:"What lies at its left end, from the last bead outwards. Left out in few words."`
	RightEnd      []string     `json:"rightEnd,omitempty"`
	LeftWays      []string     `json:"leftWays" doc:"The ways in which its left end can be made, beyond what its fittings say."`
	RightWays     []string     `json:"rightWays"`
	CutRead       Read         `json:"cutRead"`
	Cut           []CutPart    `json:"cut"`
	Beads         int          `json:"beads"`
	Placed        []Placed     `json:"placed,omitzero"`
	Brief         *BeadRow     `json:"brief,omitempty" doc:"The same beads in few words, in place of placed, runs and outwards; only on request."`
	Runs          []RunOf      `json:"runs,omitzero" doc:"Alike beads in a row, from the left."`
	Outwards      []RunOf      `json:"outwards,omitempty" doc:"The runs in the order they are strung from the centre: to the right, then to the left. Absent if strung from the left."`
	Free          []FreeOf     `json:"free,omitempty" doc:"Stretches of beads that may come in any order."`
	Drops         []DropOf     `json:"drops,omitempty" doc:"The different drops and loops of its own cord."`
	Holders       []HeldAt     `json:"holders,omitempty" doc:"Where something holds a bead beside a gap."`
	Legs          *LegsOf      `json:"legs,omitempty" doc:"What a doubled cord is made in."`
	Riders        *RidersOf    `json:"riders,omitempty" doc:"Beads that slide over the strand."`
	Lace          *LaceOf      `json:"lace,omitempty" doc:"The way of the cord through a laced row."`
	Left          []EndPart    `json:"left"`
	Right         []EndPart    `json:"right"`
	LeftTail      Tail         `json:"leftTail"`
	RightTail     Tail         `json:"rightTail"`
	PathMm        length.MM    `json:"pathMm" doc:"What the cord covers, without working allowance."`
	LeastCutMm    length.MM    `json:"leastCutMm" doc:"The shortest cord it can be made with."`
	LeftHold      string       `json:"leftHold" enum:"crimp,knot,cord-end,cone-end,fold-over,ring,leg,fold,stopped,links,through,nothing" doc:"What keeps the cord in at the left."`
	RightHold     string       `json:"rightHold" enum:"crimp,knot,cord-end,cone-end,fold-over,ring,leg,fold,stopped,links,through,nothing"`
	LeftKnot      *Knot        `json:"leftKnot,omitempty" doc:"Of a knot that is to hide in the last bead."`
	RightKnot     *Knot        `json:"rightKnot,omitempty"`
	Knot          *Knot        `json:"knot,omitempty"`
	Start         Start        `json:"start"`
}

// Start is how the end that is strung first is stopped.
type Start struct {
	Side  string    `json:"side" enum:"left,right"`
	By    string    `json:"by" enum:"stopper,tape,clip,slip-knot,tied-bead,spare-crimp,crimped,spool,fold,foot,none"`
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
	Pull     bool      `json:"pull,omitempty" doc:"It fits when tied tight and pulled."`
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
	TiedMm    length.MM   `json:"tiedMm,omitempty" doc:"Cord of the legs that stays between the ends of a tied piece for that ease."`
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

// Tool is something needed to make the piece.
type Tool struct {
	Name     string `json:"name"`
	For      string `json:"for"`
	Optional bool   `json:"optional,omitempty" doc:"The work can be done without it."`
}

// MakingStep is one thing to do; a gate has what must be true first.
type MakingStep struct {
	ID   string   `json:"id" doc:"It stays with what the step is about."`
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
	Read Read      `json:"read" doc:"As it is written: the parts add up to their sum as it is written."`
}

// Read is a length as it is written in each unit.
type Read struct {
	Mm string `json:"mm"`
	In string `json:"in"`
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

// BeadRow is a strand's beads in few words: what kinds there are, and of each stretch
// of alike beads from one item of the line the kind, the item, and how many there are.
type BeadRow struct {
	Kinds []BeadKind `json:"kinds"`
	Kind  []int      `json:"kind"`
	Node  []int      `json:"node"`
	Count []int      `json:"count"`
	Runs  []int      `json:"runs" doc:"How many beads each run has, from the left."`
}

// BeadKind is what alike beads share.
type BeadKind struct {
	Key      string    `json:"key"`
	Material string    `json:"material"`
	StepMm   length.MM `json:"stepMm" doc:"Between its middle and that of the bead before it; of the first bead, the start of the strand."`
	FromMm   length.MM `json:"fromMm" doc:"From its middle, as toMm."`
	ToMm     length.MM `json:"toMm"`
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
	Free      bool      `json:"free,omitempty" doc:"It may be mixed with the free runs beside it."`
	Side      string    `json:"side,omitempty" enum:"left,right" doc:"Of the centre, where it is strung from there; reached is from the centre."`
}

// EndPart is one thing of an end, in threading order from the last bead.
type EndPart struct {
	Role      string    `json:"role" enum:"crimp,cover,guard,cord-end,cone-end,fold-over,loop,bead-loop,cord-loop,leg,fold-bead,foot-bead,tail-bead,round,ring,clasp,extender,chain,connector,bar,shared-bead"`
	Fitting   string    `json:"fitting,omitempty"`
	Material  string    `json:"material,omitempty"`
	Mm        length.MM `json:"mm"`
	FromMm    length.MM `json:"fromMm" doc:"Where it begins along the straight cord, from the start of the strand."`
	ToMm      length.MM `json:"toMm"`
	Swallowed bool      `json:"swallowed"`
	Shared    bool      `json:"shared,omitempty" doc:"It belongs to the closure, where other rows may go on it too."`
	With      bool      `json:"with,omitempty" doc:"It is the other half's of a folded cord, which ends in it too."`
	Free      bool      `json:"free,omitempty" doc:"It hangs beyond the place the piece is closed at."`
	Carries   bool      `json:"carries,omitempty" doc:"Something can hang on it."`
	Hung      []string  `json:"hung,omitempty" doc:"What hangs on it, by the ids of the materials."`
	Loop      *BeadLoop `json:"loop,omitempty" doc:"Of a loop of beads."`
	Links     int       `json:"links,omitempty" doc:"Of a chain, or of bead links."`
	Between   *Between  `json:"between,omitempty"`
	GirthMm   length.MM `json:"girthMm,omitempty" doc:"Of a loop of bare cord: once round its inside."`
	LegMm     length.MM `json:"legMm,omitempty" doc:"Of a leg: cord between the strand and what ends it."`
}

// BeadLoop is a loop of beads at an end of a strand.
type BeadLoop struct {
	GirthMm  length.MM  `json:"girthMm" doc:"Inside, once round."`
	StrungMm length.MM  `json:"strungMm"`
	ThickMm  length.MM  `json:"thickMm"`
	Beads    []LoopBead `json:"beads"`
}

// LoopBead is a bead of a loop; its middle is from where the loop begins.
type LoopBead struct {
	Material string    `json:"material"`
	AtMm     length.MM `json:"atMm"`
	Turned   bool      `json:"turned,omitempty"`
}

// Count is how many of a material, for a cord also how much is cut.
type Count struct {
	Material string     `json:"material"`
	Count    int        `json:"count"`
	ByStrand []int      `json:"byStrand"`
	CutMm    *length.MM `json:"cutMm,omitempty" doc:"Of a cord what is cut, of a chain how long its links are in all."`
	Lost     int        `json:"lost,omitempty" doc:"Links of a chain that are lost in cutting it."`
	Parts    []PartOf   `json:"parts,omitempty" doc:"What these components are made of."`
}

// ShortOf is how much of a material the piece takes beyond what is in stock: a number, or mm of what
// has a length.
type ShortOf struct {
	Material string  `json:"material"`
	Has      int     `json:"has"`
	Short    float64 `json:"short"`
}

// Sensitivity is how far the finished length moves per 0.1 mm of a material.
type Sensitivity struct {
	Material   string    `json:"material"`
	SizedBy    string    `json:"sizedBy"`
	MmPerTenth length.MM `json:"mmPerTenth"`
}

// Check is one judgement, with its places and its fix.
type Check struct {
	Code     string `json:"code"`
	Severity string `json:"severity" enum:"stop,warn,advise"`
	format.Place
	Of      string         `json:"of,omitempty" doc:"The material it is about, where its place does not tell: give it to waive this one alone."`
	More    []format.Place `json:"more,omitempty" doc:"The other places of the same cause."`
	Column  int            `json:"column,omitempty"`
	Title   string         `json:"title"`
	Says    string         `json:"says"`
	Step    string         `json:"step" enum:"decide,lay-out,fit,ends" doc:"Where in the planning it is put right."`
	Waived  string         `json:"waived,omitempty" doc:"The reason it was accepted for."`
	Fix     *Fix           `json:"fix,omitempty" doc:"Only where fixes were asked for."`
	Fixable bool           `json:"fixable,omitempty" doc:"A fix may be found on request."`
}

// Fix is a list of operations that put a finding right.
type Fix struct {
	Says       string      `json:"says"`
	Operations []Operation `json:"operations"`
}

// AllFixes are the fixes of every stop and every warning, to be carried out in one step.
type AllFixes struct {
	Says       []string    `json:"says" doc:"What each of them changes, in their order."`
	Operations []Operation `json:"operations"`
	Left       []string    `json:"left" doc:"The stops and warnings that are left then."`
}

// CautionShown is one thing that can hurt someone.
type CautionShown struct {
	Code string `json:"code"`
	Says string `json:"says"`
}

// Drawing is what a picture of the piece needs beside the positions.
type Drawing struct {
	Outlines map[string]Outline `json:"outlines" doc:"By material."`
	Lines    []LineTree         `json:"lines,omitzero" doc:"The bead lines as trees. In few words they are left out where they have more items than anybody looks through."`
	Picture  *Picture           `json:"picture,omitempty" doc:"Only on request."`
}

// LineTree is the bead line of a strand as a tree.
type LineTree struct {
	Strand string `json:"strand"`
	Nodes  []Node `json:"nodes"`
}

// Outline is a bead's two faces as points [radius, distance from its middle] in
// mm, from the hole outwards, not turned. Lengths are worked out from the same
// faces, so neighbours drawn from them touch.
type Outline struct {
	Left   [][2]float64 `json:"left"`
	Right  [][2]float64 `json:"right"`
	Brief  *FacesInFew  `json:"brief,omitempty" doc:"The faces in few words, in place of both."`
	HoleMm length.MM    `json:"holeMm"`

	Seats   []SeatDrawn `json:"seats,omitempty" doc:"Of a component: where its parts lie."`
	Looks   []SeatLook  `json:"looks,omitempty" doc:"What those parts are drawn from."`
	DropMm  length.MM   `json:"dropMm,omitempty" doc:"Of a component: how far it reaches from the middle of the cord."`
	WidthMm length.MM   `json:"widthMm,omitempty"`
}

// FacesInFew is two faces in whole numbers: of each point in turn the radius and the
// distance from the middle, in ten-thousandths of a millimetre.
type FacesInFew struct {
	Left  []int `json:"left"`
	Right []int `json:"right,omitempty" doc:"None where it is as the left one."`
}

// Node is one item of the bead line.
type Node struct {
	ID       int       `json:"id"`
	Pinned   bool      `json:"pinned,omitempty"`
	Kind     string    `json:"kind" enum:"bead,gap,drop,loop,group,mirror,fill"`
	Count    int       `json:"count"`
	Reversed bool      `json:"reversed,omitempty"`
	Key      string    `json:"key,omitempty"`
	Length   string    `json:"length,omitempty"`
	Mm       length.MM `json:"mm,omitempty" doc:"Of a gap."`
	Pitch    bool      `json:"pitch,omitempty" doc:"Of a gap: from middle to middle."`
	Free     bool      `json:"free,omitempty" doc:"Of a group: its beads may come in any order."`
	Repeats  int       `json:"repeats,omitempty" doc:"How often a fill was found to repeat."`
	Items    []Node    `json:"items,omitempty"`
	Centre   []Node    `json:"centre,omitempty"`
}

// Between is chain between each two bead links.
type Between = format.Between
