package design

import (
	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// Role is what a bead is in a strand.
type Role string

// The roles.
const (
	Running   Role = "running"   // of a long run: with more or fewer of it the design is the same
	Rung      Role = "rung"      // of a run that rises to the centre, and is not the smallest size
	Spacing   Role = "spacing"   // of a short run of such beads, which keeps others apart
	Separator Role = "separator" // small beads between others
	Accent    Role = "accent"    // comes a few times
	Feature   Role = "feature"   // comes once: a focal, a pendant
	Word      Role = "word"      // a letter
	Capped    Role = "capped"    // a cap, or what lies between a cap and its bead
	Hanging   Role = "hanging"   // hangs on the strand, by itself or on its cord
	Ending    Role = "ending"    // beside a crimp or a toggle, where it is for a reason
	Bare      Role = "bare"      // cord without beads
)

// Strand is what a strand is to its designer.
type Strand struct {
	*measure.Strand
	Roles  []Role // of each of its beads
	Mirror bool   // it reads the same from both ends

	piece *piece.Piece
	runs  []run
}

// run is beads of one dish beside one another.
type run struct {
	from, to int // in the sequence
	key      string
	along    length.MM // of all of it
}

func (r *run) count() int { return r.to - r.from }

// The bounds of what is read: how many beads a run has at least that may be a long one, what part of
// the longest it is, how many beads are a long run whatever the others are, how many beads may lie
// between two caps that belong to them, and how small a bead is that only separates others.
const (
	fewestRunning = 3
	longEnough    = 0.5
	manyBeads     = 8
	mostBetween   = 5
	smallEnough   = 0.6
)

// Of reads a strand of a piece.
func Of(p *piece.Piece, s *measure.Strand) *Strand {
	d := &Strand{Strand: s, Roles: make([]Role, len(s.Beads)), Mirror: Symmetric(s), piece: p}
	d.markSpecial()
	d.markCapped()
	d.findRuns()
	d.markRuns()
	d.markRungs()
	d.markEndings()
	return d
}

// markSpecial gives a role to what has one by itself.
func (d *Strand) markSpecial() {
	for i := range d.Beads {
		switch b := &d.Beads[i]; {
		case b.IsGap():
			d.Roles[i] = Bare
		case b.Drop != nil || b.Material.Bead.Hangs():
			d.Roles[i] = Hanging
		case b.Material.Bead.Shape == material.Letter:
			d.Roles[i] = Word
		}
	}
}

// markCapped gives one to caps and to what lies in them.
func (d *Strand) markCapped() {
	isCap := func(i int) bool {
		return i >= 0 && i < len(d.Beads) && d.Roles[i] != Hanging && d.Beads[i].Material.Bead.Shape == material.Cap
	}
	for i := range d.Beads {
		if !isCap(i) {
			continue
		}
		d.Roles[i] = Capped
		if d.Beads[i].Turned {
			if i > 0 && d.Roles[i-1] == "" {
				d.Roles[i-1] = Capped
			}
			continue
		}
		to := i + 1
		for to < len(d.Beads) && to-i <= mostBetween && !isCap(to) {
			to++
		}
		if !isCap(to) || !d.Beads[to].Turned {
			to = min(i+2, len(d.Beads)) // it caps one bead, on this side alone
		}
		for k := i + 1; k < to; k++ {
			if d.Roles[k] == "" {
				d.Roles[k] = Capped
			}
		}
	}
}

// findRuns parts the rest into runs.
func (d *Strand) findRuns() {
	for i := range d.Beads {
		if d.Roles[i] != "" {
			continue
		}
		b := &d.Beads[i]
		if last := len(d.runs) - 1; last >= 0 && d.runs[last].to == i && d.runs[last].key == b.Key {
			d.runs[last].to, d.runs[last].along = i+1, d.runs[last].along+b.Material.Bead.Length()
			continue
		}
		d.runs = append(d.runs, run{i, i + 1, b.Key, b.Material.Bead.Length()})
	}
}

// round is a run as it lies in a ring, where the last and the first may be one.
func (d *Strand) round(i int) run {
	r := d.runs[i]
	first, last := d.runs[0], d.runs[len(d.runs)-1]
	if d.Ring && len(d.runs) > 1 && first.key == last.key && first.from == 0 && last.to == len(d.Beads) && (i == 0 || i == len(d.runs)-1) {
		r.along, r.to = first.along+last.along, r.to+first.count()+last.count()-r.count()
	}
	return r
}

// markRuns gives a role to runs, by how long they are beside the others.
func (d *Strand) markRuns() {
	longest := length.MM(0)
	for i := range d.runs {
		if r := d.round(i); r.count() >= fewestRunning {
			longest = max(longest, r.along)
		}
	}
	runs, running := map[string]int{}, map[string]bool{}
	for i := range d.runs {
		r := d.round(i)
		runs[r.key]++
		if r.count() >= fewestRunning && (r.along >= longEnough*longest || r.count() >= manyBeads) {
			d.mark(i, Running)
			running[r.key] = true
		}
	}
	for i, r := range d.runs {
		switch {
		case d.Roles[r.from] != "":
		case running[r.key]:
			d.mark(i, Spacing)
		case d.small(i):
			d.mark(i, Separator)
		case runs[r.key] == 1:
			d.mark(i, Feature)
		default:
			d.mark(i, Accent)
		}
	}
}

func (d *Strand) mark(i int, role Role) {
	for k := d.runs[i].from; k < d.runs[i].to; k++ {
		d.Roles[k] = role
	}
}

// small says whether the beads of a run are small beside what lies at either side of it.
func (d *Strand) small(i int) bool {
	r := d.runs[i]
	bead := d.Beads[r.from].Material.Bead
	if bead.Shape == material.Spacer {
		return true
	}
	beside := length.MM(0)
	for _, k := range []int{r.from - 1, r.to} {
		if k >= 0 && k < len(d.Beads) && d.Roles[k] != Bare {
			beside = max(beside, d.Beads[k].Material.Bead.Length())
		}
	}
	return bead.Length() <= smallEnough*beside
}

// markRungs finds sizes that rise to the centre: of those only the smallest runs on.
func (d *Strand) markRungs() {
	var rising []int // runs to the middle
	for i := range d.runs {
		if d.Roles[d.runs[i].from] == Running && d.runs[i].from < len(d.Beads)/2 {
			rising = append(rising, i)
		}
	}
	across := func(i int) length.MM { return d.Beads[d.runs[i].from].Material.Bead.Across }
	const fewestSizes = 3
	if len(rising) < fewestSizes || !d.Mirror {
		return
	}
	for k := 1; k < len(rising); k++ {
		if across(rising[k]) <= across(rising[k-1]) {
			return
		}
	}
	smallest := d.runs[rising[0]].key
	for i, r := range d.runs {
		if d.Roles[r.from] == Running && r.key != smallest {
			d.mark(i, Rung)
		}
	}
}

// markEndings finds what lies at the ends for a reason: a short run beside a long one.
func (d *Strand) markEndings() {
	if d.Ring || len(d.runs) < 2 {
		return
	}
	for _, at := range [][2]int{{0, 1}, {len(d.runs) - 1, len(d.runs) - 2}} {
		r := d.runs[at[0]]
		outermost := r.from == 0 || r.to == len(d.Beads)
		if next := d.runs[at[1]]; outermost && d.Roles[r.from] != Running && d.Roles[r.from] != Rung && (d.Roles[next.from] == Running || d.Roles[next.from] == Rung) {
			d.mark(at[0], Ending)
		}
	}
}
