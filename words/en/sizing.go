package en

import (
	"fmt"

	"mala/core/length"
	"mala/core/piece"
	"mala/core/size"
)

// OfRow says of which row a sentence is.
func OfRow(row int, says string) string { return fmt.Sprintf("Row %d: %s", row, says) }

// LinksNow says how many links a row of chain has in place of how many.
func LinksNow(row, now, was int) string {
	return fmt.Sprintf("row %d: %s in place of %d", row, Plural(now, "link"), was)
}

// RowOff says that a row cannot be brought to its length.
func (p Speaker) RowOff(row int, off length.MM) string {
	return fmt.Sprintf("Row %d would be %s off its length: what it is made of comes in no such number. Let its chain fill up, or size the rows together, under Lay out.", row, p.in(off))
}

// RowStays says that the links of a row come no nearer to its length.
func (p Speaker) RowStays(row int, off length.MM) string {
	return fmt.Sprintf("row %d stays %s off its length: its links come no nearer", row, p.in(off))
}

// NothingForBeads says that what is not beads takes all of a length.
func (p Speaker) NothingForBeads(taken, want length.MM) string {
	return fmt.Sprintf("What is not beads takes %s, so %s leaves nothing for them. Ask for a longer piece.", p.in(taken), p.in(want))
}

// Unworn says why a wearer cannot wear a piece: which row is the tightest, and what room it leaves.
func (p Speaker) Unworn(row int, fit *size.Fit) string {
	if fit.Passage != nil && !fit.Passage.Passes {
		return fmt.Sprintf("Row %d, the tightest, does not pass the %s.", row, fit.Passage.Over)
	}
	return fmt.Sprintf("Row %d, the tightest, measures %s inside, an ease of %s: %s.", row, p.in(fit.Inside), p.in(fit.Ease), fit.Word)
}

// TargetTo says where a target moves to.
func (p Speaker) TargetTo(to length.MM) string { return "target to " + p.in(to) }

// OnlyLength says that a piece without an inside length is compared by its length alone.
func OnlyLength(name string) string {
	return name + " has no inside length, so only its length can be compared."
}

// SameSize says that a size came out the same as another.
func SameSize(name, other string) string {
	return fmt.Sprintf("%s comes out the same as %s: offer them as one size, or choose another way for one of them.", name, other)
}

// OlderSize says that a size was made of an older pattern.
func OlderSize(name string, items int) string {
	return fmt.Sprintf("%s was made of an older pattern: %s of it changed since. Make the sizes again.", name, Plural(items, "item"))
}

// TooManyStacked says that more pieces are in a stack than are worn together.
func TooManyStacked(most int, stack string) string {
	return fmt.Sprintf("At most %d pieces are worn together, and more are in the stack %s. Give some of them another stack, or none.", most, stack)
}

// StackDiffers says how far pieces of one strung length differ inside, or of one inside length in
// their strung length.
func (p Speaker) StackDiffers(by length.MM, ofOneStrung bool) string {
	if ofOneStrung {
		return fmt.Sprintf("Of one strung length they differ by %s inside: the thicker the beads, the less room they leave. Bring them to one inside length to sit alike.", p.in(by))
	}
	return fmt.Sprintf("Of one inside length they differ by %s in strung length: thicker beads need more of it.", p.in(by))
}

// KindTo says that a piece of one kind becomes one of another.
func KindTo(was, now string) string { return fmt.Sprintf("%s to %s", was, now) }

// ClosedBy says how a piece closes.
func ClosedBy(closure piece.ClosureType) string { return closed[closure] }

var closed = map[piece.ClosureType]string{
	piece.Clasp: "closed by a clasp", piece.Knot: "tied in a ring", piece.None: "a ring that slips on", piece.OnBar: "on a bar", piece.Tied: "tied by the wearer",
}

// ColourwayOff says by how much the materials of a colourway make the piece longer, or shorter below 0.
func (p Speaker) ColourwayOff(by length.MM) string {
	more := "longer"
	if by < 0 {
		more, by = "shorter", -by
	}
	return fmt.Sprintf("In these materials it is %s %s, and no other counts were found to bring it back.", p.in(by), more)
}
