package design

import (
	"fmt"
	"slices"

	"mala/core/length"
	"mala/core/material"
	"mala/core/pattern"
)

// Tier says how much of a design a change touches: the lower, the more it is the same piece.
type Tier int

// The tiers. What lies beyond the bead line has one as well.
const (
	LongRuns   Tier = iota + 1 // running beads, or all gaps of a piece of bare cord
	Repeats                    // whole repeats; the outermost runs alone
	Separators                 // separators in all places alike, or what lies between in each repeat
	Fittings                   // a ring more, another place of an extender, links of chain
	Spacers                    // another spacer
	Clasps                     // another clasp
	Slack
)

// Knob is one thing that can be set to make a strand longer or shorter. All that is alike changes
// alike.
type Knob struct {
	Tier    Tier
	Counts  []*pattern.Node // whose counts change
	Step    int             // by how many at a time
	Least   int             // of the lowest count
	Most    int             // of the highest
	Usual   int             // up to which the highest is usual; beyond it is for where nothing else does
	Gaps    []*pattern.Node // bare cord that changes, by GapStep a time
	Stretch *Stretch        // written out repeats, of which whole ones come or go
}

// GapStep is how finely bare cord is set, in mm.
const GapStep = length.MM(0.5)

// Knobs lists what can be set in a strand, the most regular first. What is pinned stays.
func (d *Strand) Knobs(pinned func(n *pattern.Node) bool) []Knob {
	line := d.Row.Line
	if line == nil || len(d.Beads) == 0 || line.OpenFill() != nil {
		return nil // a fill takes up whatever changes
	}
	k := &knobs{Strand: d, pinned: pinned, role: d.roleOfNodes()}
	k.walk(line.Items, false)
	k.running()
	k.outermost()
	k.repeats()
	k.between()
	k.gaps()
	slices.SortStableFunc(k.out, func(a, b Knob) int { return int(a.Tier) - int(b.Tier) })
	return k.out
}

// roleOfNodes is the role of each run of the line, by the number of its node: that of the bead it begins
// with.
func (d *Strand) roleOfNodes() map[int]Role {
	out := map[int]Role{}
	for i := range d.Beads {
		if _, known := out[d.Beads[i].Node]; !known {
			out[d.Beads[i].Node] = d.Roles[i]
		}
	}
	return out
}

// Special says whether what a node of the line gives comes only with more than itself: letters, what
// hangs, what is capped, what comes once.
func (d *Strand) Special(n *pattern.Node) bool {
	for i := range d.Beads {
		if d.Beads[i].Node == n.ID {
			switch d.Roles[i] {
			case Running, Rung, Spacing, Separator, Accent, Ending:
			default:
				return true
			}
		}
	}
	return false
}

// knobs is what is found on the way.
type knobs struct {
	*Strand
	pinned func(n *pattern.Node) bool
	role   map[int]Role
	open   []*pattern.Node // runs that lie in no repeat
	inside []*pattern.Node // and those that do
	groups []*pattern.Node
	bare   []*pattern.Node
	out    []Knob
}

// walk parts the runs of a line into those that come once, or once on either side, and those of a
// repeat. The centre of a mirror stays.
func (k *knobs) walk(items []*pattern.Node, repeated bool) {
	for _, n := range items {
		switch u := n.Unit.(type) {
		case pattern.Bead:
			if repeated {
				k.inside = append(k.inside, n)
			} else {
				k.open = append(k.open, n)
			}
		case pattern.Gap:
			k.bare = append(k.bare, n)
		case *pattern.Group:
			again := n.Count > 1
			if again && !repeated {
				k.groups = append(k.groups, n)
			}
			k.walk(u.Items, repeated || again)
		case *pattern.Mirror:
			k.walk(u.Half, repeated || n.Count > 1)
			k.centre(u.Centre)
		}
	}
}

// centre takes no more than bare cord from the middle of a mirror.
func (k *knobs) centre(items []*pattern.Node) {
	for _, n := range items {
		if n.IsGap() {
			k.bare = append(k.bare, n)
		}
		k.centre(n.Items())
	}
}

// alike parts nodes into those that are written alike: the same beads in the same number.
func alike(nodes []*pattern.Node, like func(n *pattern.Node) string) [][]*pattern.Node {
	var order []string
	of := map[string][]*pattern.Node{}
	for _, n := range nodes {
		key := like(n)
		if of[key] == nil {
			order = append(order, key)
		}
		of[key] = append(of[key], n)
	}
	var out [][]*pattern.Node
	for _, key := range order {
		out = append(out, of[key])
	}
	return out
}

func keyAndCount(n *pattern.Node) string { return fmt.Sprint(n.Count, n.Key()) }

// add makes a knob of nodes, but for those that are pinned; nil where it is there already, or has none.
func (k *knobs) add(tier Tier, nodes []*pattern.Node, step, least, most int) *Knob {
	nodes = slices.DeleteFunc(slices.Clone(nodes), func(n *pattern.Node) bool { return n.Count >= pattern.MaxCount || k.pinned(n) })
	if len(nodes) == 0 || slices.ContainsFunc(k.out, func(had Knob) bool { return slices.Equal(had.Counts, nodes) }) {
		return nil
	}
	k.out = append(k.out, Knob{Tier: tier, Counts: nodes, Step: step, Least: least, Most: most, Usual: most})
	return &k.out[len(k.out)-1]
}

// long lists the long runs that lie in no repeat, also not across where a ring is tied.
func (k *knobs) long() []*pattern.Node {
	var seam []*pattern.Node
	if first, last := k.Beads[0], k.Beads[len(k.Beads)-1]; k.Ring && first.Key == last.Key {
		a, b := k.Row.Line.Nodes[first.Node], k.Row.Line.Nodes[last.Node]
		if slices.Contains(k.inside, a) || slices.Contains(k.inside, b) {
			seam = []*pattern.Node{a, b}
		}
	}
	var long []*pattern.Node
	for _, n := range k.open {
		if k.role[n.ID] == Running && !slices.Contains(seam, n) {
			long = append(long, n)
		}
	}
	return long
}

// running lets long runs change: those that are alike together.
func (k *knobs) running() {
	long := k.long()
	classes := alike(long, keyAndCount)
	if blocks := alike(long, func(n *pattern.Node) string { return fmt.Sprint(n.Count) }); len(blocks) == 1 && len(classes) > 1 {
		k.add(LongRuns, long, 1, 1, pattern.MaxCount) // blocks of several colours, equally long
		for _, class := range classes {
			k.add(Repeats, class, k.parity(class), 1, pattern.MaxCount)
		}
		return
	}
	for _, class := range classes {
		k.add(LongRuns, class, k.parity(class), 1, pattern.MaxCount)
	}
}

// parity is by how many at a time a class of runs changes: by two where it is the middle of a strand
// that reads the same from both ends and has other long runs.
func (k *knobs) parity(class []*pattern.Node) int {
	middle := len(k.Beads) / 2
	others := slices.ContainsFunc(k.open, func(n *pattern.Node) bool { return n != class[0] && k.role[n.ID] == Running })
	if k.Mirror && others && len(class) == 1 && !k.Row.Line.IsMirror() && k.Beads[middle].Node == class[0].ID {
		return 2
	}
	return 1
}

// outermost lets the long runs nearest to the ends change alone: at both ends where there are two.
func (k *knobs) outermost() {
	long := k.long()
	if len(long) < 2 {
		return
	}
	first, last := long[0], long[len(long)-1]
	switch {
	case k.Row.Line.IsMirror():
		k.add(Repeats, []*pattern.Node{first}, 1, 1, pattern.MaxCount)
	case first.Key() == last.Key() && !k.pinned(first) && !k.pinned(last):
		k.add(Repeats, []*pattern.Node{first, last}, 1, 1, pattern.MaxCount)
	}
	if k.Mirror {
		return
	}
	if k.Ring && first.Key() == last.Key() && first.Count == last.Count {
		// They are one run of the ring, and stay as long on either side of where it is tied.
		k.add(Repeats, []*pattern.Node{last}, 1, last.Count-1, last.Count+1)
		return
	}
	for _, n := range []*pattern.Node{last, first} {
		k.add(Repeats, []*pattern.Node{n}, 1, 1, pattern.MaxCount)
	}
}

// repeats lets whole repeats come and go: those written as a group, and those written out.
func (k *knobs) repeats() {
	for _, class := range alike(k.groups, func(n *pattern.Node) string { return n.String() }) {
		k.add(Repeats, class, 1, 1, pattern.MaxCount)
	}
	for _, s := range k.stretches() {
		k.out = append(k.out, Knob{Tier: Repeats, Stretch: s, Step: 1, Least: 1, Most: pattern.MaxCount})
	}
}

// The most separators beside one another, also in a repeat, and by what part what keeps others apart
// may change.
const (
	mostSeparators = 2
	mostInRepeats  = 3
	mostOfSpacing  = 2
)

// between lets what lies between others change, in all places alike.
func (k *knobs) between() {
	var nodes []*pattern.Node
	for _, n := range slices.Concat(k.open, k.inside) {
		switch k.role[n.ID] {
		case Separator, Spacing, Running, Ending:
			nodes = append(nodes, n)
		}
	}
	for _, class := range alike(nodes, keyAndCount) {
		n := class[0]
		repeated := slices.ContainsFunc(class, func(n *pattern.Node) bool { return slices.Contains(k.inside, n) })
		switch role := k.role[n.ID]; {
		case role == Ending && n.Count > 1: // one there stays
			k.add(Spacers, class, 1, 1, n.Count*mostOfSpacing)
		case role == Ending || role == Running && !repeated:
		case role == Separator && n.Count < fewestRunning:
			if all := alike(k.ofKey(n.Key()), keyAndCount); len(all) == 1 && len(all[0]) == len(class) {
				most := mostSeparators
				if repeated {
					most = mostInRepeats
				}
				if added := k.add(Separators, class, 1, 1, most); added != nil {
					added.Usual = mostSeparators
				}
			}
		case n.Count >= fewestRunning:
			k.add(Separators, class, 1, max(1, n.Count/mostOfSpacing), n.Count*mostOfSpacing)
		}
	}
}

// ofKey lists the runs of a dish anywhere in the line.
func (k *knobs) ofKey(key string) []*pattern.Node {
	var out []*pattern.Node
	for _, n := range k.Row.Line.Nodes {
		if n.IsBead() && n.Key() == key && !n.InDrop {
			out = append(out, n)
		}
	}
	return out
}

// gaps lets bare cord change: all of it by as much, else the outer pair alone.
func (k *knobs) gaps() {
	k.bare = slices.DeleteFunc(k.bare, k.pinned)
	if len(k.bare) == 0 {
		return
	}
	tier := Separators
	if !slices.Contains(k.Roles, Running) {
		tier = LongRuns
	}
	k.out = append(k.out, Knob{Tier: tier, Gaps: k.bare, Step: 1})
	outer := []*pattern.Node{k.bare[0]}
	if last := k.bare[len(k.bare)-1]; !k.Row.Line.IsMirror() {
		outer = append(outer, last)
	}
	single := func(n *pattern.Node) bool {
		return slices.Contains(k.Row.Line.Items, n) || k.Row.Line.IsMirror() && slices.Contains(k.Row.Line.Items[0].Items(), n)
	}
	if len(k.bare) > len(outer) && !slices.ContainsFunc(outer, func(n *pattern.Node) bool { return n.Count != 1 || !single(n) }) {
		k.out = append(k.out, Knob{Tier: tier + 1, Gaps: outer, Step: 1})
	}
}

// Separates says whether a bead may come beside others only to separate them: a spacer, or one that
// does so in the strand already.
func (d *Strand) Separates(key string, m *material.Material) bool {
	if m.Bead.Shape == material.Spacer {
		return true
	}
	for i, role := range d.Roles {
		if role == Separator && d.Beads[i].Key == key {
			return true
		}
	}
	return false
}
