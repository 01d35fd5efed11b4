package en

import (
	"fmt"
	"strings"
	"time"
	"unicode"
	"unicode/utf8"

	"mala/core/length"
)

// ForKits says of how many kits the counts of a packing list are.
func ForKits(n int) string {
	return fmt.Sprintf("For %d kits. The counts are of one; the last number is for all.", n)
}

// For heads the column of what all kits take.
func For(n int) string { return fmt.Sprintf("For %d", n) }

// Bag heads what goes into a bag.
func Bag(name string) string { return "Bag: " + name }

// LinksOfBeads says how many bead links a row of chain has, as it is counted out.
func LinksOfBeads(n string) string { return n + " links" }

// ByMeasure says what seed beads weigh, and how long they lie in a tube; the weight in grams, nothing
// where that is not known.
func (p Speaker) ByMeasure(mass, least, most float64, tube length.MM) string {
	long := p.in(tube) + " in a tube"
	switch {
	case mass == 0:
		return long
	case mass < 1:
		return fmt.Sprintf("about %.2f g (%.2f to %.2f), %s", mass, least, most, long)
	}
	return fmt.Sprintf("about %.1f g (%.1f to %.1f), %s", mass, least, most, long)
}

// CutOfRow says how many pieces of cord are cut to a length, and for which row; 0 where there is one.
func (p Speaker) CutOfRow(n int, mm length.MM, row int) string {
	says := fmt.Sprintf("%d × %s", n, p.in(mm))
	if row > 0 {
		says += fmt.Sprintf(", row %d", row)
	}
	return says
}

// AtTrueSize heads the drawing of a row, by its number among several.
func (p Speaker) AtTrueSize(row int, long length.MM) string {
	name := "At true size"
	if row > 0 {
		name = fmt.Sprintf("Row %d at true size", row)
	}
	return fmt.Sprintf("%s, %s long", name, p.in(long))
}

// ToTheSide says to which side of the centre beads are strung.
func ToTheSide(side string) string { return "to the " + side }

// YouNeed says on a label what is in the kit and what the buyer needs.
func YouNeed(beads int, things []string) string {
	need := "nothing"
	if len(things) > 0 {
		need = small(strings.Join(things, ", "))
	}
	return fmt.Sprintf("%s. You need: %s.", Plural(beads, "bead"), need)
}

// SameAs says on a paper which other sizes come out the same.
func SameAs(sizes []string) string { return "the same as " + list(sizes) }

// WithTax says how much of a price is tax.
func WithTax(amount string) string { return "with " + amount + " of tax" }

// Version names a version.
func Version(n int) string { return fmt.Sprintf("version %d", n) }

// Page says which page of how many it is.
func Page(n int, of string) string { return fmt.Sprintf("page %d of %s", n, of) }

// Day writes a day.
func Day(day time.Time) string { return day.Format("2 January 2006") }

// Sentence puts things in a list, as a sentence.
func Sentence(things []string) string {
	text := strings.Join(things, ", ")
	if text == "" {
		return ""
	}
	first, size := utf8.DecodeRuneInString(text)
	return string(unicode.ToUpper(first)) + text[size:] + "."
}
