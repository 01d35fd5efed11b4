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

// Why something cannot be bought.
const (
	NoPack     Key = "no-pack"
	NoLongPack Key = "no-long-pack"
)
