// Package words holds what languages have in common: the names of fixed sentences. Each language is a
// room of its own that speaks them, and the values of the core.
package words

// Key names a sentence that has no figures.
type Key string

// Why there are no ways to bring a piece to a length or to a wearer.
const (
	NotWorn       Key = "not-worn"        // an ornament
	NoMeasure     Key = "no-measure"      // of the wearer
	NoInside      Key = "no-inside"       // too few beads to close
	NoTarget      Key = "no-target"       // to come to
	AllRowPinned  Key = "all-row-pinned"  // in every section
	NotAllTried   Key = "not-all-tried"   // the time was up
	NoTime        Key = "no-time"         // left for a size
	NoInsideKept  Key = "no-inside-kept"  // to keep in a conversion
	RowsTogether  Key = "rows-together"   // of a conversion: sized together afterwards
	OneRowOnly    Key = "one-row-only"    // what is in hand
	NothingInHand Key = "nothing-in-hand" // was entered
	NotEnough     Key = "not-enough"      // in hand for one of any run
	NoRoomInside  Key = "no-room-inside"  // of what was made before
	NoEaseWord    Key = "no-ease-word"
	NoStackInside Key = "no-stack-inside" // of the piece that others are brought to
	HasError      Key = "has-error"       // one of a stack
	SeveralRows   Key = "several-rows"    // one of a stack
	FewerOfSize   Key = "fewer-of-size"   // a longer row of a graduated piece, for want of stock
)

// What a conversion changes beside the counts.
const (
	NoWearerYet Key = "no-wearer-yet"
	SizesGo     Key = "sizes-go"
)

// What is different in a piece that a kit has taken.
const (
	LineHasError  Key = "line-has-error"
	OtherFindings Key = "other-findings"
	OtherCut      Key = "other-cut"
	OtherSizes    Key = "other-sizes"
	OtherColours  Key = "other-colours"
)

// ALoop names a loop of beads among what an end may have.
const ALoop Key = "a-loop"

// The papers, their headings and the columns of their tables.
const (
	PackingList    Key = "packing-list"
	MaterialsList  Key = "materials-list"
	Instructions   Key = "instructions"
	Labels         Key = "labels"
	PriceCard      Key = "price-card"
	ShopCard       Key = "shop-card"
	MadeOf         Key = "made-of"
	Care           Key = "care"
	InThisKit      Key = "in-this-kit"
	BesideBags     Key = "beside-bags"
	BuyersOwn      Key = "buyers-own"
	Tools          Key = "tools"
	HowItIsDone    Key = "how-it-is-done"
	StepByStep     Key = "step-by-step"
	Cautions       Key = "cautions"
	TrueSize       Key = "true-size"
	OwnSize        Key = "own-size"
	What           Key = "what"
	Count          Key = "count"
	Spare          Key = "spare"
	PlaceOf        Key = "place"
	Reached        Key = "reached"
	YourOwn        Key = "your-own"
	InTheKit       Key = "in-the-kit"
	Optional       Key = "optional"
	AnyOrder       Key = "any-order"
	Reversed       Key = "reversed"
	BarMm          Key = "bar-mm" // the bar that a printer is checked by
	BarInches      Key = "bar-inches"
	AnotherDrawing Key = "another-drawing"
	KitAttached    Key = "kit-attached"
	OrderAttached  Key = "order-attached"
	PieceAttached  Key = "piece-attached"
	TheDrawing     Key = "the-drawing"
)

// Why something cannot be bought.
const (
	NoPack     Key = "no-pack"
	NoLongPack Key = "no-long-pack"
)
