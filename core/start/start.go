// Package start picks what a new piece, or a piece that closes another way,
// begins with: a cord, a bead that fills the length, and what its ends need, out
// of what the shop has.
package start

import (
	"cmp"
	"fmt"
	"math"
	"slices"

	"mala/core/length"
	"mala/core/material"
	"mala/core/pattern"
	"mala/core/piece"
)

// The cord in mm that a new piece is strung on, by type, and the bead it starts
// with, by kind.
var (
	firstCord = map[material.CordType]length.MM{material.Wire: 0.36, material.Elastic: 0.7, material.Waxed: 1, material.Leather: 1, material.Thread: 0.3, material.Nylon: 0.3}
	firstBead = map[piece.Kind]length.MM{piece.Necklace: 4, piece.Bracelet: 6, piece.Anklet: 4, piece.Ornament: 8}
)

// firstBeads is how many beads a piece begins with that is of no certain length.
const firstBeads = 20

// firstLeg is how long the legs are that a piece is tied with.
const firstLeg = length.MM(120)

// firstHang is once round the inside of the loop that a new ornament hangs by, and firstFoot
// about how wide the bead at its foot is.
const (
	firstHang = length.MM(120)
	firstFoot = length.MM(12)
)

// snug is how much wider than its cords a hole should be.
const snug = 1.1

// NoCord says that the shelf has no cord to string the piece on.
type NoCord struct{ Wanted material.CordType }

func (e *NoCord) Error() string {
	return "The catalogue has no " + string(e.Wanted) + " to string this on. Add one to the materials first."
}

// NoBar says that the shelf has no bar to tie a piece on.
type NoBar struct{}

func (*NoBar) Error() string {
	return "The catalogue has no bar to tie this on. Add one to the materials first."
}

// New gives a piece from three answers: a strand of one bead that fills the
// length, to type over, on the cord and with the ends the shelf has for it. Without a
// target the strand has a few beads. They are of the bead that is given, or of the one that goes best. The error is a *NoCord.
func New(kind piece.Kind, closure piece.ClosureType, target length.MM, tolerance length.MM, bead *material.Material, house piece.House, shelf []*material.Material) (*piece.Piece, error) {
	row := &piece.Row{ID: "r1", Passes: 1}
	p := &piece.Piece{Kind: kind, House: house, Palette: map[string]*material.Material{}, Sections: []piece.Section{{Rows: []*piece.Row{row}}}}
	if target > 0 {
		p.Target = &piece.Target{Finished: target, Tolerance: tolerance}
	}
	if err := Close(p, closure, shelf); err != nil {
		return nil, err
	}
	line := ""
	if bead == nil && p.SlipsOn() && closure != piece.OnBar {
		if knot := knotBead(p, shelf); knot != nil {
			line = dish(p, knot) + " "
		}
	}
	if bead == nil {
		bead = fillBead(p, shelf)
	}
	if bead != nil {
		if key := dish(p, bead); target > 0 {
			line += "{" + key + "}"
		} else {
			line += fmt.Sprint(firstBeads, key)
		}
	}
	var err error
	row.Line, err = pattern.Parse(line)
	return p, err
}

// Close changes how a piece closes, with what that needs of the shelf: crimps,
// rings and a lobster for a clasp; nothing on a ring, which is strung on elastic; a
// leg of cord at either end of what is tied; a foot and a loop for what hangs. The error is a *NoCord or a
// *NoBar.
func Close(p *piece.Piece, closure piece.ClosureType, shelf []*material.Material) error {
	wanted := cordsFor(closure)
	p.Closure = piece.Closure{Type: closure}
	for _, row := range p.Rows() {
		row.Left, row.Right = nil, nil
		row.LeftPort, row.RightPort = piece.Port{}, piece.Port{}
		if way := row.LeftEnding.Way; way == piece.WayFold || way == piece.WayFoldBead {
			row.Passes = 1
		}
		row.LeftEnding, row.RightEnding = piece.Ending{}, piece.Ending{}
		if row.Cord == nil || !slices.Contains(wanted, row.Cord.Cord.Type) {
			row.Cord = firstOf(shelf, wanted)
		}
		if row.Cord == nil {
			return &NoCord{wanted[0]}
		}
		if closure == piece.Tied {
			leg := piece.Ending{Way: piece.WayLeg, Leg: firstLeg}
			row.LeftEnding, row.RightEnding = leg, leg
		}
		if closure != piece.Clasp && closure != piece.Hung {
			row.Slack = nil
			continue
		}
		if closure == piece.Hung {
			row.Slack = nil
			hang(row, shelf)
		}
		need := material.HoleFor(2*row.Passes, row.Cord.Cord.Diameter)
		crimp := best(shelf, func(m *material.Material) bool {
			return m.Finding != nil && m.Finding.Type == material.CrimpTube && m.Finding.Inside >= need
		}, func(m *material.Material) float64 { return float64(m.Finding.Inside) })
		for _, side := range piece.Sides() {
			put(p, p.End(row, side, false), crimp)
		}
	}
	switch closure {
	case piece.Clasp:
		closeByClasp(p, shelf)
	case piece.OnBar:
		bar := best(shelf, func(m *material.Material) bool { return m.Finding != nil && m.Finding.Type == material.FocalBar },
			func(m *material.Material) float64 { return float64(m.Finding.Length) })
		if bar == nil {
			return &NoBar{}
		}
		put(p, &p.Closure.Left, bar)
	}
	return nil
}

// hang gives an ornament its loop, and a bead at its foot.
func hang(row *piece.Row, shelf []*material.Material) {
	row.RightEnding = piece.Ending{Way: piece.WayCordLoop, Girth: firstHang}
	need := snug * material.HoleFor(row.Passes, row.Cord.Cord.Diameter)
	foot := best(shelf, func(m *material.Material) bool {
		return m.Class == material.ClassBead && m.Bead.Shape == material.Round && m.Bead.Hole >= need
	}, func(m *material.Material) float64 { return math.Abs(float64(m.Bead.Across - firstFoot)) })
	row.LeftEnding = piece.Ending{Way: piece.WayStopped}
	if foot != nil {
		row.LeftEnding = piece.Ending{Way: piece.WayFootBead, Bead: foot}
	}
}

// cordsFor are the types of cord that suit a closure, the most likely first.
func cordsFor(closure piece.ClosureType) []material.CordType {
	switch closure {
	case piece.Clasp, piece.Hung:
		return []material.CordType{material.Wire}
	case piece.Tied:
		return []material.CordType{material.Waxed, material.Leather, material.Thread, material.Nylon}
	}
	return []material.CordType{material.Elastic}
}

// firstOf is the cord of the shelf to begin with, of the first type that it has.
func firstOf(shelf []*material.Material, types []material.CordType) *material.Material {
	for _, t := range types {
		if c := best(shelf, func(m *material.Material) bool { return m.Cord != nil && m.Cord.Type == t },
			func(m *material.Material) float64 { return math.Abs(float64(m.Cord.Diameter - firstCord[t])) }); c != nil {
			return c
		}
	}
	return nil
}

// closeByClasp puts a lobster at the left and a ring at either side.
func closeByClasp(p *piece.Piece, shelf []*material.Material) {
	of := func(typ material.FindingType) *material.Material {
		return best(shelf, func(m *material.Material) bool {
			return m.Finding != nil && m.Finding.Type == typ && m.Finding.IsOpen() == (typ == material.JumpRing)
		},
			func(m *material.Material) float64 { return float64(m.Finding.Length + m.Finding.Inside) })
	}
	ring := of(material.JumpRing)
	put(p, &p.Closure.Left, of(material.Lobster))
	put(p, &p.Closure.Left, ring)
	put(p, &p.Closure.Right, ring)
}

func put(p *piece.Piece, list *[]piece.Fitting, of *material.Material) {
	if of != nil {
		*list = append(*list, p.NewFitting(of))
	}
}

// best picks the material that passes and is least off, by id where two are alike.
func best(shelf []*material.Material, ok func(m *material.Material) bool, off func(m *material.Material) float64) *material.Material {
	var fit []*material.Material
	for _, m := range shelf {
		if ok(m) {
			fit = append(fit, m)
		}
	}
	if len(fit) == 0 {
		return nil
	}
	return slices.MinFunc(fit, func(a, b *material.Material) int {
		return cmp.Or(cmp.Compare(off(a), off(b)), cmp.Compare(a.ID, b.ID))
	})
}

// knotBead is the bead to begin a ring with, whose hole hides the knot.
func knotBead(p *piece.Piece, shelf []*material.Material) *material.Material {
	across := length.MM(p.House.KnotAcross()) * p.Leading().Cord.Cord.Diameter
	return best(shelf, func(m *material.Material) bool {
		return m.Class == material.ClassBead && m.Bead.Hole >= across && m.Bead.Facing == material.FacingNone && material.Hides(m.Bead.Shape)
	}, func(m *material.Material) float64 { return float64(m.Bead.Hole + m.Bead.Across) })
}

// fillBead is the round bead to fill the length with; the tail goes back through
// the last ones of a crimped strand.
func fillBead(p *piece.Piece, shelf []*material.Material) *material.Material {
	row, passes := p.Leading(), 1
	if p.Closure.Type == piece.Clasp || p.Closure.Type == piece.Hung {
		passes = 2
	}
	need := snug * material.HoleFor(passes*row.Passes, row.Cord.Cord.Diameter)
	return best(shelf, func(m *material.Material) bool {
		return m.Class == material.ClassBead && m.Bead.Shape == material.Round && m.Bead.Hole >= need
	}, func(m *material.Material) float64 { return math.Abs(float64(m.Bead.Across - firstBead[p.Kind])) })
}

// dish gives the bead a letter: the first capital of its name that is free, else
// the first free one.
func dish(p *piece.Piece, bead *material.Material) string {
	key := FreeKey(p, bead.Name)
	p.Palette[key] = bead
	return key
}

// FreeKey is a letter for a new dish: the first of the name that no dish has,
// else the first free one, with a small letter behind it once all are taken.
func FreeKey(p *piece.Piece, name string) string {
	const letters = "ABCDEFGHIJKLMNOPQRSTUVWXYZ"
	for _, r := range upper(name) + letters {
		if p.Palette[string(r)] == nil {
			return string(r)
		}
	}
	for _, first := range letters {
		for small := 'a'; small <= 'z'; small++ {
			if key := string(first) + string(small); p.Palette[key] == nil {
				return key
			}
		}
	}
	return ""
}

// upper gives the letters A to Z of a name, capitals first as they stand.
func upper(name string) string {
	capitals, rest := "", ""
	for _, r := range name {
		switch {
		case r >= 'A' && r <= 'Z':
			capitals += string(r)
		case r >= 'a' && r <= 'z':
			rest += string(r - 'a' + 'A')
		}
	}
	return capitals + rest
}
