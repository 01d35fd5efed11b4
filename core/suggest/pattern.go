package suggest

import (
	"cmp"
	"math"
	"slices"
	"strings"

	"mala/core/check"
	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/pattern"
	"mala/core/piece"
	"mala/core/start"
)

// Pattern is how the beads of a new piece follow one another.
type Pattern string

// The patterns; the bead that the piece opens with is most of each.
const (
	Plain   Pattern = "plain"   // one bead throughout
	Spaced  Pattern = "spaced"  // a spacer after every few
	InTurn  Pattern = "turn"    // two beads in turn
	Accents Pattern = "accents" // a larger bead after every few
	Focal   Pattern = "focal"   // a large bead in the middle
	Pendant Pattern = "pendant" // something that hangs in the middle
)

// Patterns lists them.
func Patterns() []Pattern { return []Pattern{Plain, Spaced, InTurn, Accents, Focal, Pendant} }

// laid is how a pattern is written, the usual way first: B is the bead that the piece opens with, X what
// comes to it, S a spacer beside that, where there is one; braces are what fills up to the target.
type laid struct {
	lines []string
	round []string // in a ring, where that is written in another way
	goes  func(b, x *material.Material) bool
	off   func(b, x *material.Material) float64 // from what goes best
}

var patterns = map[Pattern]laid{
	Spaced: {[]string{"{4B X}", "{3B X}", "{5B X}", "{2B X}"}, nil, func(b, x *material.Material) bool { return spaces(x, b) }, offSpacer},
	InTurn: {[]string{"{B X}"}, nil, func(b, x *material.Material) bool { return regular(x) && !spaces(x, b) },
		func(b, x *material.Material) float64 { return aside(x.Bead.Across, b.Bead.Across) }},
	Accents: {[]string{"<{5B X} | 5B>", "<{4B X} | 4B>", "<{4B X} | 5B>", "<{5B X} | 4B>", "<{3B X} | 3B>", "<{3B X} | 4B>", "<{2B X} | 3B>"}, []string{"{5B X}", "{4B X}", "{3B X}", "{2B X}"},
		func(b, x *material.Material) bool { return regular(x) && x.Bead.Across > b.Bead.Across },
		func(b, x *material.Material) float64 { return aside(x.Bead.Across, 1.4*b.Bead.Across) }},
	Focal: {[]string{"<{B} S | X>", "<{B} 2S | X>", "<{B} | X>"}, nil, func(b, x *material.Material) bool { return strung(x) && x.Bead.Across >= 1.5*b.Bead.Across },
		func(b, x *material.Material) float64 { return aside(x.Bead.Across, 2.5*b.Bead.Across) }},
	Pendant: {[]string{"<{B} S | X>", "<{B} 2S | X>", "<{B} | X>"}, nil, func(_, x *material.Material) bool { return x.Hangs() && x.Bead.Shape == material.Charm },
		func(_, x *material.Material) float64 { return aside(x.Bead.Drop, usualDrop) }},
}

// usualDrop is about how far a pendant hangs.
const usualDrop = length.MM(20)

func aside(a, b length.MM) float64 { return math.Abs(math.Log(float64(a / b))) }

// spaces says whether a bead only keeps others of this size apart.
func spaces(m, b *material.Material) bool {
	small := (m.Bead.Shape == material.Round || m.Bead.Shape == material.Rondelle) && m.Bead.Length() <= 0.6*b.Bead.Length()
	return strung(m) && (m.Bead.Shape == material.Spacer || small) && m.Bead.Across <= b.Bead.Across
}

// offSpacer is how far a spacer is from one that goes best: one made for it, a little narrower than the
// beads.
func offSpacer(b, x *material.Material) float64 {
	off := aside(x.Bead.Across, 0.8*b.Bead.Across)
	if x.Bead.Shape != material.Spacer {
		off++
	}
	return off
}

// regular says whether beads of this shape are strung one beside another.
func regular(m *material.Material) bool {
	return strung(m) && slices.Contains([]material.Shape{material.Round, material.Rondelle, material.Bicone, material.Cube, material.Oval}, m.Bead.Shape)
}

// strung says whether a bead lies in the strand like others.
func strung(m *material.Material) bool {
	return m.Bead != nil && m.Component == nil && material.Hides(m.Bead.Shape) && m.Bead.Shape != material.Letter && m.Bead.Facing == material.FacingNone && m.Bead.Holes <= 1
}

// mostTried is how many materials are tried in a pattern.
const mostTried = 8

// Lay gives a piece that opens with one bead a pattern of it, with what goes best of the shelf: of the
// few that are nearest in size the one that brings the least trouble. Nil where nothing goes.
func Lay(p *piece.Piece, of Pattern, shelf []*material.Material) *piece.Piece {
	how, known := patterns[of]
	row := p.Leading()
	if !known || len(row.Line.Items) == 0 {
		return p
	}
	last := row.Line.Items[len(row.Line.Items)-1].String()
	key := strings.Trim(last, "{}0123456789")
	bead := p.Palette[key]
	var fit []*material.Material
	for _, m := range shelf {
		if m.ID != bead.ID && m.Bead != nil && how.goes(bead, m) {
			fit = append(fit, m)
		}
	}
	slices.SortFunc(fit, func(a, b *material.Material) int {
		return cmp.Or(cmp.Compare(how.off(bead, a), how.off(bead, b)), cmp.Compare(a.ID, b.ID))
	})
	spacer := spacerFor(bead, shelf)
	var out *piece.Piece
	least := math.Inf(1)
	for _, m := range fit[:min(len(fit), mostTried)] {
		lines := how.lines
		if p.SlipsOn() && how.round != nil {
			lines = how.round
		}
		for _, line := range lines {
			next := p.Clone()
			if trouble := write(next, key, last, line, m, spacer); trouble < least {
				out, least = next, trouble
			}
		}
	}
	return out
}

// spacerFor is the spacer that lies beside a focal; nil where the shelf has none.
func spacerFor(bead *material.Material, shelf []*material.Material) *material.Material {
	var best *material.Material
	how := patterns[Spaced]
	for _, m := range shelf {
		if m.ID != bead.ID && m.Bead != nil && how.goes(bead, m) && (best == nil || how.off(bead, m) < how.off(bead, best)) {
			best = m
		}
	}
	return best
}

// warned is what a problem weighs, in mm of length.
const warned = 1000

// counted writes a pattern of no certain length.
var counted = strings.NewReplacer("<{B}", "<10B", "<{", "<2(", "{", "5(", "}", ")")

// write lays the pattern into the piece, in the place of the run at the end of its line, and gives how
// well it goes there: the less the better, by the problems that stop it, the others, and how far off its
// length it is.
func write(p *piece.Piece, key, run, text string, other, spacer *material.Material) float64 {
	row := p.Leading()
	dish := func(m *material.Material) string {
		k := start.FreeKey(p, m.Name)
		p.Palette[k] = m
		return k
	}
	if !strings.HasPrefix(run, "{") {
		text = counted.Replace(text)
	}
	s := ""
	if strings.Contains(text, "S") && spacer != nil && spacer.ID != other.ID {
		s = dish(spacer)
	}
	text = strings.NewReplacer("B", key, "X", dish(other), "S", s).Replace(text)
	before := strings.TrimSuffix(row.Line.String(), run)
	if before != "" && !strings.HasPrefix(text, "<") { // repeats all round have no place for a bead of its own
		delete(p.Palette, strings.TrimSpace(before))
		before = ""
	}
	line, err := pattern.Parse(before + text)
	if err != nil {
		return math.Inf(1)
	}
	row.Line = line
	m, err := measure.Measure(p)
	if err != nil {
		return math.Inf(1)
	}
	trouble := 0.0
	if p.Target != nil {
		trouble = max(0, math.Abs(float64(m.ForTarget-p.Target.Finished))-float64(p.Target.Tolerance))
	}
	for _, f := range check.All(m) {
		switch f.Severity {
		case check.Stop:
			trouble += 10 * warned
		case check.Warn:
			trouble += warned
		}
	}
	return trouble
}
