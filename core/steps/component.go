package steps

import (
	"fmt"
	"strings"

	"mala/core/check"
	"mala/core/length"
	"mala/core/material"
)

// componentsFirst makes all components before anything is strung, those that are
// part of others before them, with how many of each.
func (w *writer) componentsFirst() {
	var order []*material.Material
	count := map[string]int{}
	var need func(m *material.Material, n int)
	need = func(m *material.Material, n int) {
		if m.Component == nil {
			return
		}
		for _, p := range m.Component.Parts {
			need(p.Of, n*p.Count)
		}
		if count[m.ID] == 0 {
			order = append(order, m)
		}
		count[m.ID] += n
	}
	for _, c := range w.m.Tally {
		need(c.Material, c.Count)
	}
	for _, m := range order {
		w.component(m, count[m.ID])
	}
}

// component makes one, measures it, and then the rest.
func (w *writer) component(m *material.Material, n int) {
	c := m.Component
	w.notesOf(m)
	for _, p := range c.Parts {
		w.notesOf(p.Of)
	}
	first := ""
	if n > 1 {
		first = fmt.Sprintf(" (the first of %d)", n)
	}
	w.do("Make %s%s: %s.", lower(m.Name), first, w.howMade(m))
	before := fmt.Sprintf("Before %s is used", lower(m.Name))
	switch {
	case n > 2:
		before = fmt.Sprintf("Before you make the other %d", n-1)
	case n == 2:
		before = "Before you make the other one"
	}
	w.gate(before, w.rightOf(m)...)
}

// howMade says how one component is made, in a sentence without its end.
func (w *writer) howMade(m *material.Material) string {
	c := m.Component
	var does []string
	add := func(says string, args ...any) { does = append(does, fmt.Sprintf(says, args...)) }
	if pin := c.Pin; pin != nil {
		add("put %s on %s", strungOn(pin), lower(pin.Of.Name))
		if c.Kind == material.Coil {
			add("wind the free end of the pin from its tip round a rod of %s, turn beside turn, down to the bead, about %.0f turns", w.in(pin.Rod), pin.Turns)
			add("slide the coil off and press the tip inwards")
			return strings.Join(does, "; ")
		}
		w.turnLoop(pin, add)
	}
	if c.Kind == material.Tassel {
		add("cut %d strands of %s, each of %s", c.Strands, lower(c.Cord.Name), w.in(2*c.Leg))
		add("fold them over %s", lower(c.Rings[len(c.Rings)-1].Name))
		add("bind them with one more strand just below the fold, and trim the ends to %s", w.in(c.Leg))
	}
	if c.Kind == material.BeadedBead {
		add("weave it of %s", listOf(c.Parts))
	}
	if len(c.Below) > 0 {
		add("hang %s on %s", names(c.Below), lastLinkOf(c))
	}
	if n := len(c.Rings); n > 0 && c.Kind != material.Tassel {
		add("open %s by twisting %s sideways, put %s on, and twist %s shut", names(c.Rings), themOrIt(n), themOrIt(n), themOrIt(n))
	} else if n > 1 {
		add("close every ring")
	}
	return strings.Join(does, "; ")
}

func (w *writer) turnLoop(pin *material.Pin, add func(string, ...any)) {
	needed := check.PinNeeded(pin, w.h)
	add("bend the stem over at a right angle above the last bead, leave %s of it and cut off the rest", w.in(needed-pin.Stack))
	add("turn a loop round a rod of %s", w.in(pin.Loop.Inside))
	if pin.Loop.Kind == material.WrappedLoop {
		add("wind the end %d times round the stem and press its tip in", pin.Loop.Turns)
	}
}

// rightOf says what must be true of the first one.
func (w *writer) rightOf(m *material.Material) []string {
	c := m.Component
	var must []string
	switch c.Kind {
	case material.Coil:
		must = []string{fmt.Sprintf("the coil is %s long and slides on the cord", w.in(c.Pin.Coiled)), "the tip does not scratch"}
	case material.BeadedBead:
		return []string{fmt.Sprintf("it measures %s across and %s along its hole", w.in(m.Bead.Across), w.in(m.Bead.Length()))}
	case material.Carrier:
		must = []string{fmt.Sprintf("it reaches %s down from the middle of the cord", w.in(c.StandsOff))}
	case material.BeadLink:
		must = []string{fmt.Sprintf("between the insides of its loops it measures %s", w.in(m.Finding.Inside))}
	default:
		must = []string{fmt.Sprintf("it hangs %s down from the cord", w.in(m.Bead.Drop))}
	}
	if c.Pin != nil && c.Kind != material.Coil {
		must = append(must, "the loop is closed and centred over the stem")
		if c.Pin.Of.Finding.Type == material.EyePin {
			plane := "in one plane"
			if c.Pin.Crosswise {
				plane = "crosswise"
			}
			must = append(must, "both loops lie "+plane)
		}
	}
	if len(c.Rings) > 0 {
		must = append(must, "no gap shows where a ring is closed")
	}
	if c.Faces && !c.Sideways {
		must = append(must, "the charm faces forward")
	}
	return must
}

// strungOn lists the beads of a pin in runs.
func strungOn(pin *material.Pin) string {
	var out []string
	for i := 0; i < len(pin.Beads); {
		n, b := 1, pin.Beads[i]
		for i+n < len(pin.Beads) && pin.Beads[i+n].Material == b.Material && pin.Beads[i+n].Turned == b.Turned {
			n++
		}
		text := lower(b.Material.Name)
		if b.Turned {
			text = "reversed " + text
		}
		if n > 1 {
			text = fmt.Sprintf("%d %s", n, text)
		}
		out = append(out, text)
		i += n
	}
	// From the loop down as it is written; on the pin it begins at the head.
	for i, j := 0, len(out)-1; i < j; i, j = i+1, j-1 {
		out[i], out[j] = out[j], out[i]
	}
	return strings.Join(out, ", ")
}

func lastLinkOf(c *material.Component) string {
	if c.Pin != nil {
		return "the eye of the pin"
	}
	if c.Strung != nil {
		return "the loop of " + lower(c.Strung.Name)
	}
	return lower(c.Rings[len(c.Rings)-1].Name)
}

func names(list []*material.Material) string {
	var order []string
	count := map[string]int{}
	for _, m := range list {
		if count[m.Name] == 0 {
			order = append(order, m.Name)
		}
		count[m.Name]++
	}
	for i, name := range order {
		order[i] = lower(name)
		if n := count[name]; n > 1 {
			order[i] = fmt.Sprintf("%d × %s", n, lower(name))
		}
	}
	if n := len(order); n > 1 {
		return strings.Join(order[:n-1], ", ") + " and " + order[n-1]
	}
	return order[0]
}

func listOf(parts []material.PartCount) string {
	var out []string
	for _, p := range parts {
		out = append(out, fmt.Sprintf("%d %s", p.Count, lower(p.Of.Name)))
	}
	return strings.Join(out, " and ")
}

func themOrIt(n int) string {
	if n > 1 {
		return "them"
	}
	return "it"
}

// notesOf gives the bench note of a material, once.
func (w *writer) notesOf(m *material.Material) {
	if m.Note == "" || w.noted[m.ID] {
		return
	}
	w.noted[m.ID] = true
	w.do("%s: %s", m.Name, strings.TrimSuffix(m.Note, ".")+".")
}

// hanging says when what hangs goes on: a closed ring only while stringing, an open
// one also round the finished strand, tassels last.
func (w *writer) hanging() (later []string) {
	seen := map[*material.Material]bool{}
	for i := range w.s.Beads {
		m := w.s.Beads[i].Material
		if seen[m] || m.Component == nil || !m.Bead.Hangs() || w.s.Beads[i].Drop != nil {
			continue
		}
		seen[m] = true
		switch {
		case holdsTassel(m) && opens(m):
			later = append(later, fmt.Sprintf("Hang %s last, by its ring, between the same two beads as in the order.", lower(m.Name)))
		case len(m.Component.Rings) == 0:
			w.do("%s goes on the cord by its own loop, in its place in the order.", m.Name)
		case opens(m):
			w.do("%s goes on the cord by its ring, in its place in the order; opened, the ring also goes round the finished strand.", m.Name)
		default:
			w.do("%s has a closed ring: it goes on the cord while stringing, in its place in the order.", m.Name)
		}
	}
	return later
}

// opens says whether the ring on the cord can be opened.
func opens(m *material.Material) bool {
	return len(m.Component.Rings) > 0 && m.Component.Rings[0].Finding.IsOpen()
}

func holdsTassel(m *material.Material) bool {
	found := false
	m.Each(func(of *material.Material, _ int, mm length.MM) { found = found || of.Cord != nil && mm > 0 })
	return found && m.Component != nil && m.Component.Kind.Hangs()
}
