package piece

import (
	"fmt"
	"slices"
	"strconv"
	"strings"
	"unicode/utf8"

	"mala/core/length"
	"mala/core/material"
)

// Fault is one thing that keeps a piece from being measured, at its place.
type Fault struct {
	Where string // the field, as the open file names it: sections[0].rows[0].cord
	Says  string // one sentence for the designer
}

func (f Fault) Error() string { return f.Where + ": " + f.Says }

// Check says what is not well formed. A piece without faults can be measured.
func (p *Piece) Check() []Fault {
	var faults []Fault
	add := func(where, format string, args ...any) {
		faults = append(faults, Fault{where, fmt.Sprintf(format, args...)})
	}
	if !slices.Contains([]Kind{Necklace, Bracelet, Anklet, Ornament}, p.Kind) {
		add("kind", "%q is not made here yet. Use necklace, bracelet or anklet.", p.Kind)
	}
	if t := p.Target; t != nil {
		checkRange(add, "target.finishedMm", t.Finished, 1, length.Longest)
		checkRange(add, "target.toleranceMm", t.Tolerance, 0, t.Finished)
	}
	if b := p.Body; b != nil {
		if !slices.Contains([]string{"wrist", "neck", "ankle"}, b.Part) {
			add("body.part", "%q is not a part of the body. Use wrist, neck or ankle.", b.Part)
		}
		checkRange(add, "body.measureMm", b.Measure, 0, 2000)
		if b.Times < 0 || b.Times > MostTimes {
			add("body.times", "A piece goes round 1 to %d times, not %d.", MostTimes, b.Times)
		}
		checkRange(add, "body.handMm", b.Hand, 0, 2000)
		checkRange(add, "body.headMm", b.Head, 0, 2000)
		if utf8.RuneCountInString(b.For) > mostWord || utf8.RuneCountInString(b.Fit) > mostWord {
			add("body", "The name of a size or fit has at most %d characters.", mostWord)
		}
	}
	for i, w := range p.Waived {
		if strings.TrimSpace(w.Note) == "" || utf8.RuneCountInString(w.Note) > mostNote {
			add(fmt.Sprintf("waived[%d].note", i), "Give the reason for waiving the check, in at most %d characters.", mostNote)
		}
	}
	p.House.check(add)
	p.checkClosure(add)
	p.checkHanging(add)
	p.checkRows(add)
	if len(p.Sections) > 0 && (len(p.Rows()) == 0 || len(p.Rows()) > MostRows || len(p.Joins) != len(p.Sections)-1) || len(p.Sections) == 0 {
		return faults
	}
	p.checkIDs(add)
	p.checkPins(add)
	p.checkSizes(add)
	p.checkFolds(add)
	for i, s := range p.Sections {
		for j, r := range s.Rows {
			at := rowAt(i, j)
			r.check(add, at)
			p.checkLacing(r, add, at+".lacing")
			p.checkRiders(r, add, at+".riders")
			p.checkEnding(r, Left, add, at+".leftEnd")
			p.checkEnding(r, Right, add, at+".rightEnd")
		}
	}
	return faults
}

// checkIDs holds rows and fittings to an id of their own each.
func (p *Piece) checkIDs(add adder) {
	seen := map[ID]bool{}
	own := func(where string, id ID) {
		if id == "" || seen[id] {
			add(where, "The id %q is used twice. Give every row and fitting its own.", id)
		}
		seen[id] = true
	}
	each := func(where string, list []Fitting) {
		for i, f := range list {
			own(fmt.Sprintf("%s[%d].id", where, i), f.ID)
			if f.Links != 0 && !f.Of.HasLinks() {
				add(fmt.Sprintf("%s[%d].links", where, i), "Only a chain has links to count.")
			}
			f.checkBetween(func(says string, args ...any) { add(fmt.Sprintf("%s[%d].between", where, i), says, args...) })
			f.checkHung(func(says string, args ...any) { add(fmt.Sprintf("%s[%d].hung", where, i), says, args...) })
		}
	}
	each("closure.left", p.Closure.Left)
	each("closure.right", p.Closure.Right)
	for i, j := range p.Joins {
		own(fmt.Sprintf("joins[%d].id", i), j.ID)
		each(fmt.Sprintf("joins[%d].fittings", i), j.Fittings)
	}
	for i, s := range p.Sections {
		for j, r := range s.Rows {
			own(rowAt(i, j)+".id", r.ID)
			each(rowAt(i, j)+".left", r.Left)
			each(rowAt(i, j)+".right", r.Right)
		}
	}
}

// MostChain is how many links a chain has at most, and all chains of a closure.
const MostChain = 2000

// mostHung is how many things hang on one fitting.
const mostHung = 10

func (f *Fitting) checkHung(add func(says string, args ...any)) {
	if len(f.Hung) == 0 {
		return
	}
	if !f.Carries() {
		add("Nothing can hang on %s. Hang it on a ring, an extender or a clasp.", f.Of.Name)
	}
	if len(f.Hung) > mostHung {
		add("At most %d things hang on one fitting. Remove some.", mostHung)
	}
	for _, m := range f.Hung {
		if !m.Hangs() {
			add("%s does not hang. Charms do, and components that hang.", m.Name)
		}
	}
}

// Carries says whether something can hang on the fitting.
func (f *Fitting) Carries() bool {
	of := f.Of.Finding
	return of != nil && (of.IsRing() || of.IsClasp() || of.Type == material.Extender)
}

// How long a word of a table and the note of a waiver may be.
const (
	mostWord  = 40
	mostNote  = 500
	mostTable = 60
)

type adder func(where, format string, args ...any)

func checkRange(add adder, where string, v, least, most length.MM) {
	if !(v >= least && v <= most) {
		add(where, "%v mm is out of range. Use %v to %v mm.", float64(v), float64(least), float64(most))
	}
}

// rowAt names a row as the open file does.
func rowAt(section, row int) string {
	return "sections[" + strconv.Itoa(section) + "].rows[" + strconv.Itoa(row) + "]"
}

// Check says what is wrong with a shop's house method.
func (h House) Check() []Fault {
	var faults []Fault
	h.check(func(where, format string, args ...any) {
		faults = append(faults, Fault{where, fmt.Sprintf(format, args...)})
	})
	return faults
}

func (h House) check(add adder) {
	for _, c := range Choices() {
		if value := *c.Of(&h); !slices.Contains(c.Allowed, value) {
			add("house."+c.Field, "%q is not one of the choices. Use one of %s.", value, strings.Join(c.Allowed, ", "))
		}
	}
	if !slices.Contains([]length.Unit{length.InMillimetres, length.InCentimetres, length.InInches}, h.Unit) {
		add("house.unit", "%q is not a unit. Use mm, cm or in.", h.Unit)
	}
	checkRange(add, "house.tailMm", h.TailLength, 0, mostAllowance)
	checkRange(add, "house.loopMm", h.Loop, 0, mostAllowance)
	checkRange(add, "house.elasticTailMm", h.ElasticTail, 0, mostAllowance)
	checkRange(add, "house.childTailMm", h.ChildTail, 0, mostAllowance)
	checkRange(add, "house.needleMm", h.Needle, 0, 5)
	checkRange(add, "house.fixedLoopMm", h.FixedLoop, 1, mostAllowance)
	if h.TailBeads < 0 || h.TailBeads > mostTailBeads {
		add("house.tailBeads", "A tail goes back through 0 to %d beads, not %d.", mostTailBeads, h.TailBeads)
	}
	h.checkTables(add)
}

// checkTables holds the shop's tables to rows that can be: named, and with their
// ends the right way round.
func (h House) checkTables(add adder) {
	row := func(table string, i int) adder {
		return func(field, says string, args ...any) {
			add(fmt.Sprintf("house.%s[%d].%s", table, i, field), says, args...)
		}
	}
	named := func(row adder, field, word string) {
		if strings.TrimSpace(word) == "" || utf8.RuneCountInString(word) > mostWord {
			row(field, "Give the row a name of 1 to %d characters.", mostWord)
		}
	}
	if len(h.Ease) > mostTable || len(h.Sizes) > mostTable || len(h.Lengths) > mostTable {
		add("house", "A table has at most %d rows.", mostTable)
	}
	for i, e := range h.Ease {
		row := row("ease", i)
		named(row, "word", e.Word)
		checkRange(row, "fromMm", e.From, -200, 2000)
		if e.To != 0 || e.From < 0 {
			checkRange(row, "toMm", e.To, e.From, 2000)
		}
	}
	for i, grams := range []float64{h.Curl7, h.Curl19, h.Curl49} {
		if !(grams >= 0 && grams <= mostCurl) {
			add("house."+[]string{"curl7G", "curl19G", "curl49G"}[i], "What pulls a wire straight weighs 0 to %d g.", mostCurl)
		}
	}
	for i, b := range h.Sizes {
		row := row("sizes", i)
		named(row, "name", b.Name)
		checkRange(row, "measureMm", b.Measure, 20, 2000)
	}
	for i, l := range h.Lengths {
		row := row("lengths", i)
		named(row, "name", l.Name)
		checkRange(row, "fromMm", l.From, 1, length.Longest)
		if l.To != 0 {
			checkRange(row, "toMm", l.To, l.From, length.Longest)
		}
	}
}

func (p *Piece) checkClosure(add adder) {
	c := &p.Closure
	switch c.Type {
	case Clasp:
	case Knot, None, Tied, Hung:
		if len(c.Left)+len(c.Right) > 0 {
			add("closure", "A piece closed by %q has no clasp or rings. Remove them, or close it with a clasp.", c.Type)
		}
		return
	case OnBar:
		if len(c.Left) != 1 || len(c.Right) > 0 || c.Left[0].Of.Finding == nil || c.Left[0].Of.Finding.Type != material.FocalBar {
			add("closure.left", "A piece tied on a bar has one bar, listed at the left. Name it, or close the piece another way.")
		}
		return
	default:
		add("closure.type", "%q is not a closure. Use clasp, knot, none, tied, bar or hung.", c.Type)
		return
	}
	clasps, links := 0, 0
	for _, side := range Sides() {
		fittings := *p.End(nil, side, true)
		for i := range fittings {
			m, where := fittings[i].Of, fmt.Sprintf("closure.%s[%d]", side, i)
			switch {
			case m.Finding == nil || !(m.Finding.IsClasp() || m.Finding.IsRing() || m.Finding.Type == material.Extender || m.Finding.Type == material.Chain || m.Finding.Type == material.Connector):
				add(where, "%s is not a clasp, ring, connector, extender or chain. Only those can be in a closure.", m.Name)
			case m.Finding.Type == material.Connector && i < len(fittings)-1:
				add(where, "Rows go on %s. Put it innermost.", m.Name)
			case m.Finding.IsClasp():
				clasps++
			case m.Finding.Type == material.Chain && (fittings[i].Links < 1 || fittings[i].Links > MostChain):
				add(where+".links", "A chain has 1 to %d links; this one has %d.", MostChain, fittings[i].Links)
			case m.Finding.Type == material.Chain:
				if links += fittings[i].Links; links > MostChain && links-fittings[i].Links <= MostChain {
					add(where+".links", "A closure has at most %d links of chain in all.", MostChain)
				}
			}
		}
	}
	if clasps > 1 {
		add("closure", "A piece closes with one clasp, listed on one side; this one lists %d.", clasps)
	}
}

// joinsAtRow says whether a finding can be at the end of a row.
func joinsAtRow(f *material.Finding) bool {
	switch f.Type {
	case material.CrimpCover, material.WireGuard, material.CordEnd, material.ConeEnd, material.FoldOver, material.Chain, material.Lobster, material.SpringRing, material.Hook, material.SHook:
		return true
	}
	return f.IsCrimp() || f.IsRing()
}

// checkChain holds a row of chain to chain and rings.
func (r *Row) checkChain(add adder, where string) {
	if r.Chain() == nil {
		add(where+".cord", "A row without a cord is one of chain or of bead links. Put them at its left end, or give it a cord.")
	}
	if r.LeftEnding.Way != WayFittings || r.RightEnding.Way != WayFittings {
		add(where+".leftEnd", "A row of chain has no cord to make an end of. Leave the way out.")
	}
	for _, side := range Sides() {
		for i, f := range *(&Piece{}).End(r, side, false) {
			if f.Of.Finding != nil && f.Of.Finding.Type != material.Chain && !f.Of.Finding.IsRing() && !f.Of.Finding.IsClasp() {
				add(fmt.Sprintf("%s.%s[%d]", where, side, i), "%s grips a cord, and a row of chain has none. Use rings, chain and bead links.", f.Of.Name)
			}
		}
	}
}

func (r *Row) check(add adder, where string) {
	if r.Cord == nil || r.Cord.Cord == nil {
		add(where+".cord", "A row needs a cord.")
	}
	if !r.Corded() {
		r.checkChain(add, where)
	}
	if r.Passes < 1 || r.Passes > 7 {
		add(where+".passes", "A cord runs 1 to 7 times through its beads, not %d.", r.Passes)
	}
	if r.Cut != nil {
		checkRange(add, where+".cutMm", *r.Cut, 1, length.Longest)
	}
	if says := r.Holder.Check(); says != "" {
		add(where+".holder", "%s", says)
	}
	if r.Slack != nil {
		checkRange(add, where+".slackMm", *r.Slack, 0, mostAllowance)
	}
	for _, side := range Sides() {
		fittings := *(&Piece{}).End(r, side, false)
		for i := range fittings {
			m := fittings[i].Of
			at := fmt.Sprintf("%s.%s[%d]", where, side, i)
			switch {
			case m.Finding == nil || !joinsAtRow(m.Finding):
				add(at, "%s cannot be at the end of a strand. Use a crimp, a cover, a guard, a cord end, a cone, a ring, a chain or a clasp that opens.", m.Name)
			case m.Finding.Type == material.Chain && (fittings[i].Links < 1 || fittings[i].Links > MostChain):
				add(at+".links", "A chain has 1 to %d links; this one has %d.", MostChain, fittings[i].Links)
			}
		}
	}
}
