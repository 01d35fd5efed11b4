package check

import (
	"maps"
	"slices"

	"mala/core/design"
	"mala/core/edit"
	"mala/core/material"
	"mala/core/measure"
)

// The rings whose order is looked at: long enough to have one, and not so long
// that looking takes its time.
const (
	fewestRound = 6
	mostRound   = 2000
)

// loopBreak fires when a ring's pattern does not meet itself cleanly: somewhere
// stands a repeat and a part of one, or the one place where two alike lie side by
// side in a mirrored ring. It does not matter where the line starts, nor what hangs
// on the cord.
var loopBreak = Check{
	Code: "loop-break", Step: StepLayOut,
	Strand: func(_ *View, s *measure.Strand) []Problem {
		b := breakIn(s)
		if b == nil {
			return nil
		}
		f := Problem{Severity: Warn, At: s.Row.AtBead(b.before), Fact: RepeatCut{b.period, b.repeats, b.part}}
		if b.part == 0 {
			f.Fact = TwinsMeet{s.Beads[b.before].Material}
		}
		return []Problem{f}
	},
	Fix: func(v *View, f *Problem, _ Shelf) []Fix {
		s := v.Strand(f.At.Row)
		b := breakIn(s)
		if b == nil {
			return nil
		}
		if b.part == 0 {
			return secondCentre(v, s, b)
		}
		n := len(s.Beads)
		missing := ""
		for k := b.part; k < b.period; k++ {
			missing += spell(s, b.at[(b.start+k)%len(b.at)], b.at[(b.start+k)%len(b.at)]+1) + " "
		}
		fixes := []Fix{fix(FinishRepeat{}, putAtJoin(s, b, missing))}
		if from := b.before + 1 - b.part; from >= 0 {
			fixes = append(fixes, fix(RemoveBeads{b.part}, edit.Delete{At: s.Row.At(), From: from, To: b.before + 1}))
		}
		if to := (b.before+1)%n + b.part; to <= n {
			fixes = append(fixes, fix(RemoveBeads{b.part}, edit.Delete{At: s.Row.At(), From: to - b.part, To: to}))
		}
		return fixes
	},
}

// ringBreak is where a ring's pattern breaks: behind which bead, and the whole
// repeats and the part of one that meet there, or no part for two alike.
type ringBreak struct {
	before                int // the bead of the strand before the join
	period, repeats, part int
	start                 int // where the repeats begin, in the order of what is strung
	at                    []int
}

func breakIn(s *measure.Strand) *ringBreak {
	if !s.Ring {
		return nil
	}
	order, at := design.RingOrder(s)
	n := len(order)
	if n < fewestRound || n > mostRound {
		return nil
	}
	if found, _ := beadInRepeats(s); found != nil {
		return nil // patternBreak says where
	}
	for p := 1; p <= n/2; p++ {
		end, ok := mismatchesEnd(order, p)
		switch {
		case !ok:
		case n%p == 0 || p == 1:
			return nil // whole repeats, or one kind of bead
		default:
			return &ringBreak{before: at[end], period: p, repeats: n / p, part: n % p, start: (end + 1) % n, at: at}
		}
	}
	if i := onlyTwins(order); i >= 0 && design.ReadsBothWays(append(order[i+1:n:n], order[:i+1]...)) {
		return &ringBreak{before: at[i], start: (i + 1) % n, at: at}
	}
	return nil
}

// mismatchesEnd says whether some rotation of the order repeats every p beads,
// but for a part of a repeat at its end: then the places where a bead differs from
// the one p further on lie within p of each other. It gives the last of them.
func mismatchesEnd(order []design.Seen, p int) (last int, ok bool) {
	n := len(order)
	var off []int
	for i := range order {
		if order[i] != order[(i+p)%n] {
			if off = append(off, i); len(off) > p {
				return 0, false
			}
		}
	}
	if len(off) == 0 {
		return n - 1, true
	}
	for k := range off {
		first := off[(k+1)%len(off)]
		if span := (off[k] - first + n) % n; span < p {
			return off[k], true
		}
	}
	return 0, false
}

// onlyTwins finds the one place where two alike lie side by side round the ring;
// -1 if there is none, or more than one.
func onlyTwins(order []design.Seen) int {
	found := -1
	for i := range order {
		if order[i] != order[(i+1)%len(order)] {
			continue
		}
		if found >= 0 {
			return -1
		}
		found = i
	}
	return found
}

// putAtJoin puts text behind the bead before the join, outside of all groups and
// mirrors if that is the end of the line.
func putAtJoin(s *measure.Strand, b *ringBreak, text string) edit.Op {
	if b.before+1 == len(s.Beads) {
		return appended(s, text)
	}
	return edit.Between{At: s.Row.At(), Gap: b.before + 1, Beads: text}
}

// secondCentre offers a bead at the join of a mirrored ring, first the one that
// its other centre has.
func secondCentre(v *View, s *measure.Strand, b *ringBreak) []Fix {
	n := len(b.at)
	keys := slices.Sorted(maps.Keys(v.Piece.Palette))
	if n%2 == 1 {
		across := s.Beads[b.at[(b.start+n/2)%n]].Key
		keys = append([]string{across}, slices.DeleteFunc(keys, func(k string) bool { return k == across })...)
	}
	var fixes []Fix
	for _, key := range keys {
		if m := v.Piece.Palette[key]; !m.Bead.Hangs() {
			fixes = append(fixes, fix(PutBead{m, AtJoin}, putAtJoin(s, b, key)))
		}
	}
	return fixes
}

// RepeatCut says how often the repeat of a ring fits round it, and how many beads are left over.
type RepeatCut struct{ Repeat, Times, Left int }

// TwinsMeet says that two alike touch at the join of a ring and nowhere else.
type TwinsMeet struct{ Bead *material.Material }

// FinishRepeat puts in what the last repeat lacks.
type FinishRepeat struct{}

// RemoveBeads removes this many beads.
type RemoveBeads struct{ Beads int }

func (RepeatCut) fact() {}
func (TwinsMeet) fact() {}

func (FinishRepeat) effect() {}
func (RemoveBeads) effect()  {}
