package en

import (
	"fmt"
	"strings"

	"mala/core/measure"
	"mala/core/piece"
	"mala/core/steps"
)

// Step is a step as it is read: a sentence, or a gate with what must be true first.
type Step struct {
	ID   string
	Says string
	Must []string
}

// Steps speaks the steps of a piece. Of several rows an end that is made like that of a row
// before is known by it.
func (p Speaker) Steps(all []steps.Step) []Step {
	t := &teller{Speaker: p, told: map[string]toldEnd{}}
	for i := 0; i < len(all); {
		n := endOf(all[i:])
		if n == 0 {
			t.out = append(t.out, p.Step(all[i]))
			i++
			continue
		}
		t.end(all[i : i+n])
		i += n
	}
	return t.out
}

// Step speaks one step by itself.
func (p Speaker) Step(s steps.Step) Step {
	if g, is := s.Does.(steps.Gate); is {
		out := Step{ID: s.ID, Says: ofRow(s.Row, when(g.At))}
		for _, m := range g.Must {
			out.Must = append(out.Must, p.point(m))
		}
		return out
	}
	return Step{ID: s.ID, Says: ofRow(s.Row, p.doing(s.Does))}
}

// ofRow puts the row that is spoken of before a sentence.
func ofRow(row int, says string) string {
	switch {
	case row == 0:
		return says
	case strings.HasPrefix(says, "Left end") || strings.HasPrefix(says, "Right end"):
		return fmt.Sprintf("Row %d, %s", row, lower(says))
	}
	return fmt.Sprintf("Row %d: %s", row, lower(says))
}

// title names an end at the start of a sentence: of an ornament its foot and its top.
func title(e steps.End) string {
	switch {
	case e.Hangs && e.Side == piece.Left:
		return "Foot"
	case e.Hangs:
		return "Top"
	case e.Side == piece.Left:
		return "Left"
	}
	return "Right"
}

// thing names a fitting at an end.
func thing(t *steps.Thing) string {
	if t == nil || t.Of == nil {
		return "the end"
	}
	name := lower(t.Of.Name)
	if t.Links > 0 {
		name = fmt.Sprintf("%d links of %s", t.Links, name)
	}
	switch t.Half {
	case steps.ItsRing:
		name = "the ring of " + name
	case steps.ItsBar:
		name = "the bar of " + name
	case steps.OtherHalf:
		name = "the other half of " + name
	}
	switch {
	case t.Hole > 0:
		return fmt.Sprintf("hole %d of %s", t.Hole, name)
	case t.Bar != "":
		return fmt.Sprintf("the %s hole of %s", t.Bar, name)
	}
	return name
}

// loopOf names the beads of a loop in runs.
func loopOf(l *measure.BeadLoop) string {
	names := make([]string, len(l.Beads))
	for i := range l.Beads {
		names[i] = lower(l.Beads[i].Material.Name)
	}
	return runs(names) + " for the loop"
}

// hungRuns lists what hangs in runs, from the strand down.
func hungRuns(hung []measure.HungBead) string {
	names := make([]string, len(hung))
	for i := range hung {
		names[i] = lower(hung[i].Material.Name)
		if d := hung[i].Drop; d != nil && d.Through == nil {
			names[i] = "drop " + d.Key
		}
	}
	return runs(names)
}

// around is what the cord goes through and round, beginning behind the crimp or at the beads.
func (p Speaker) around(a steps.Around) string {
	var out []string
	switch {
	case a.Guard > 1:
		out = append(out, "the guard twice")
	case a.Guard > 0:
		out = append(out, "the guard")
	}
	switch {
	case a.Foot != nil:
		out = append(out, "down through "+lower(a.Foot.Name)+" and round its outside")
	case a.Girth > 0:
		out = append(out, fmt.Sprintf("leave a loop of %s round its inside", p.in(a.Girth)))
	case a.Loop != nil:
		out = append(out, loopOf(a.Loop))
	case a.On != nil:
		out = append(out, thing(a.On))
	}
	return strings.Join(out, ", ")
}

// toldEnd is an end that has been described in full.
type toldEnd struct {
	row   int
	steps []Step
}

type teller struct {
	Speaker
	out  []Step
	told map[string]toldEnd // by the shape of its steps
}

// endOf is how many steps from the first on make one end of a row among several; 0 if the first
// belongs to no such end.
func endOf(all []steps.Step) int {
	side, is := endSide(all[0].Does)
	if all[0].Row == 0 || !is {
		return 0
	}
	n := 1
	for n < len(all) && all[n].Row == all[0].Row && follows(all[n].Does, side) {
		n++
	}
	return n
}

// endSide is the side of an end that a step begins to make.
func endSide(d steps.Doing) (piece.Side, bool) {
	switch d := d.(type) {
	case steps.ClipLeg:
		return d.Side, true
	case steps.ThreadCrimp:
		return d.Side, true
	case steps.TieOn:
		return d.Side, true
	case steps.TieOff:
		return d.Side, true
	case steps.TieInCone:
		return d.Side, true
	case steps.LayInTrough:
		return d.Side, true
	case steps.LoopOfCord:
		return d.Side, true
	case steps.TieLeg:
		return d.Side, true
	}
	return "", false
}

// follows says whether a step goes on with the end that was begun.
func follows(d steps.Doing, side piece.Side) bool {
	switch d := d.(type) {
	case steps.LeaveRoom, steps.CloseCrimp, steps.SlideOver, steps.CloseCover, steps.Tie, steps.Glue, steps.LetDry, steps.HideKnot, steps.PressFlaps,
		steps.DrawCone, steps.TrimAtBead, steps.TrimAtKnot, steps.TieTails:
		return true
	case steps.ThreadCrimp:
		return d.Side == side // behind the leg that is clipped
	case steps.TrimTail:
		return !d.Named
	case steps.TuckTail:
		return !d.Both
	case steps.Gate:
		switch d.At.(type) {
		case steps.After, steps.BeforeLoopFixed:
			return true
		}
	}
	return false
}

// end tells the steps of one end of a row: what differs in its figures from an end with the same
// steps in full, and every gate.
func (t *teller) end(all []steps.Step) {
	told := make([]Step, len(all))
	side, _ := endSide(all[0].Does)
	shape := string(side)
	for i, s := range all {
		told[i] = t.Step(s)
		shape += withoutFigures(told[i].Says)
	}
	row := all[0].Row
	before, known := t.told[shape]
	if !known {
		t.told[shape] = toldEnd{row, told}
		t.out = append(t.out, told...)
		return
	}
	differs := false
	for i, s := range told {
		if s.Must == nil && withoutRow(s.Says) != withoutRow(before.steps[i].Says) {
			t.out, differs = append(t.out, s), true
		}
	}
	like := Step{ID: all[0].ID + ":like", Says: ofRow(row, fmt.Sprintf("%s end: make it as that of row %d.", title(steps.End{Side: side}), before.row))}
	if differs {
		like.Says = ofRow(row, fmt.Sprintf("Go on as with row %d.", before.row))
	}
	t.out = append(t.out, like)
	for _, s := range told {
		if s.Must != nil {
			t.out = append(t.out, s)
		}
	}
}

// withoutRow leaves out which row a sentence is about.
func withoutRow(says string) string {
	if _, rest, ok := strings.Cut(says, ": "); ok {
		return rest
	}
	return says
}

// withoutFigures leaves out every digit.
func withoutFigures(says string) string {
	return strings.Map(func(r rune) rune {
		if r >= '0' && r <= '9' || r == '.' {
			return -1
		}
		return r
	}, says)
}
