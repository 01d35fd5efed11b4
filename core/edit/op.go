// Package edit is everything that can be done to a piece: each thing one
// operation, the same for keys, hands, fixes and the command line. An operation
// leaves the piece it is given alone and gives a changed one; mirrors and groups
// survive.
package edit

import (
	"fmt"
	"slices"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/pattern"
	"mala/core/piece"
	"mala/core/start"
)

// Do names an operation.
type Do string

// The operations on a row's bead line. Most work on the selection From to To,
// gaps of the sequence.
const (
	Insert     Do = "insert"      // put Text in the selection's place
	Between    Do = "between"     // put Text into gap From, outside of a group that ends there
	Delete     Do = "delete"      // remove the selection
	Group      Do = "group"       // bracket it
	Mirror     Do = "mirror"      // let it come back reversed
	Reverse    Do = "reverse"     // reverse it
	AnyOrder   Do = "any-order"   // let its beads come in any order, or not any more
	Fill       Do = "fill"        // repeat it to fill the length that is left
	Ungroup    Do = "ungroup"     // write out the group or mirror round it
	Copy       Do = "copy"        // spell it, changing nothing
	Count      Do = "count"       // give node Node the count N
	Step       Do = "step"        // give it N more, or fewer; it keeps at least one
	Turn       Do = "turn"        // reverse node Node where it stands
	Move       Do = "move"        // move the selection to gap N
	Shuffle    Do = "shuffle"     // put it into another order, by the seed N, no two alike touching
	Letter     Do = "letter"      // change letters: Text is the old one and the new one
	HangDrop   Do = "hang-drop"   // let the selected beads hang on the strand's own cord, the last one at the foot
	HangLoop   Do = "hang-loop"   // let the selected beads hang in a loop through the first of them
	SetSpacing Do = "set-spacing" // make the gap that is node Node Length long, read as Text: clear or pitch
	SetLine    Do = "set-line"    // take Text for the whole line
)

// The other operations.
const (
	SetDish     Do = "set-dish"     // give the letter Text, or a free one, the bead Material
	RemoveDish  Do = "remove-dish"  // remove the dish of the letter Text
	SetRings    Do = "set-rings"    // hang the component in dish Text on N rings, or put Material in the place of its ring N; the component of the id Field wherever it hangs
	SetPin      Do = "set-pin"      // make the component in dish Text, or that of the id Field, on the pin Material
	SetCord     Do = "set-cord"     // string the row on Material
	SetHolder   Do = "set-holder"   // hold the row's beads apart by Text: crimps of Material, knots, friction, or nothing yet
	SetPasses   Do = "set-passes"   // run the cord N times through the row's beads: doubled for 2
	SetOneCord  Do = "set-one-cord" // let the beads of the letter Text ride on one of several cords for N 1, on all for 0
	SetRiders   Do = "set-riders"   // let the beads of the line Text slide over the row; none removes them
	SetLacing   Do = "set-lacing"   // set the Field of how the row is laced: its way, pitch, overlap, lie, or what lies on top
	SetSlack    Do = "set-slack"    // to Length; none follows the house
	SetCut      Do = "set-cut"      // the cord has been cut to Length; none if it has not
	SetEnd      Do = "set-end"      // set the Field of how the end is made: its way, loop, leg, bead, tail or stop
	AddFitting  Do = "add-fitting"  // put Material at an end, behind its last fitting or beside the one at At
	SetFitting  Do = "set-fitting"  // put Material in the place of the fitting
	DropFitting Do = "drop-fitting" // remove the fitting
	SetLinks    Do = "set-links"    // give the chain at the fitting N links, or as many as make Length
	SetBetween  Do = "set-between"  // put N links of the chain Material between the bead links at the fitting; none without a Material
	SetFill     Do = "set-fill"     // let the chain at the fitting, and its like in the loop, fill up to the target: Text is yes or no
	Hang        Do = "hang"         // hang Material on the fitting, or on the loop of beads at an end
	Unhang      Do = "unhang"       // remove what hangs N-th there, from 0
	SetKind     Do = "set-kind"     // make it a Text
	SetClosure  Do = "set-closure"  // close it by Text, with what that needs
	SetTarget   Do = "set-target"   // to Length, or remove the target
	SetBody     Do = "set-body"     // make it for Body
	SetHanging  Do = "set-hanging"  // let the ornament hang as Hanging has it
	SetSizes    Do = "set-sizes"    // keep the piece in the sizes Sizes
	SetPinned   Do = "set-pinned"   // pin the row, its run that is node Node with the Field run, or the letter Text while it is brought to a length; again lets it go
	SetHouse    Do = "set-house"    // choose Text for the house method's field Field
	Waive       Do = "waive"        // accept the finding Field at At, because of Text
	Unwaive     Do = "unwaive"      // count it again
)

// Op is one operation with what it needs.
type Op struct {
	Do        Do
	At        piece.Place
	From, To  int
	Text      string
	Field     string
	Node, N   int
	Closure   bool // of an added fitting: it belongs to the closure, not to the row
	Alike     bool // of an operation on a line: do it to every row with the same line
	Material  *material.Material
	Length    *length.MM
	Tolerance *length.MM
	Body      *piece.Body
	Hanging   *piece.Hanging
	Sizes     []piece.Size
}

// Result is what an operation leaves selected, and for a copy the selection
// spelled out.
type Result struct {
	From, To int
	Text     string
}

// Apply carries the operations out one after another on a copy of the piece and
// gives that, with the result of the last. The shelf is what may be fetched for a
// new closure. The error is a *pattern.Fault, a *measure.Fault or a *Refused.
func Apply(p *piece.Piece, shelf []*material.Material, ops ...Op) (*piece.Piece, Result, error) {
	var out Result
	p = p.Clone()
	for _, op := range ops {
		var err error
		if out, err = apply(p, shelf, op); err != nil {
			return nil, Result{}, err
		}
	}
	if !slices.ContainsFunc(ops, func(op Op) bool { return op.Do == SetSizes }) { // new ones are refused
		p.ForgetGone()
	}
	return fillUp(p), out, nil
}

// Refused says in a sentence why an operation cannot be carried out.
type Refused struct{ Says string }

func (r *Refused) Error() string { return r.Says }

func refuse(says string, args ...any) error { return &Refused{fmt.Sprintf(says, args...)} }

func apply(p *piece.Piece, shelf []*material.Material, op Op) (Result, error) {
	if IsLineOp(op.Do) {
		return editLines(p, op)
	}
	keep := Result{From: op.From, To: op.To}
	switch op.Do {
	case SetDish, RemoveDish:
		return keep, setDish(p, op)
	case SetRings, SetPin:
		return keep, changeComponent(p, op)
	case SetLacing:
		return keep, setLacing(p, op)
	case SetRiders:
		return keep, setRiders(p, op)
	case SetPasses, SetOneCord:
		return keep, setDoubled(p, op)
	case SetCord, SetSlack, SetCut, SetHolder:
		return keep, setStrand(p, op)
	case SetEnd:
		return keep, setEnd(p, op)
	case AddFitting, SetFitting, DropFitting:
		return keep, setFitting(p, op)
	case SetLinks:
		return keep, setLinks(p, op)
	case SetBetween:
		return keep, setBetween(p, op)
	case SetFill:
		return keep, setFill(p, op)
	case Hang, Unhang:
		return keep, hang(p, op)
	case SetKind:
		return keep, setKind(p, piece.Kind(op.Text), shelf)
	case SetSizes:
		p.Sizes = op.Sizes
		return keep, nil
	case SetPinned:
		return keep, setPin(p, op)
	case SetHanging:
		p.Hanging = op.Hanging
		return keep, nil
	case AddRow, RemoveRow, MoveRow, MirrorRow, SwapBeads, SetFollow, SetPort, SetGap, SetFold, SetTwist, AddSection, RemoveSection:
		return keep, editRows(p, op)
	case SetClosure:
		if p.Several() && piece.ClosureType(op.Text) != piece.Clasp {
			return keep, refuse("Several rows go on a clasp or on rings. Remove rows first.")
		}
		if len(p.Joins) > 0 {
			return keep, refuse("It closes with a clasp already. Change its fittings one by one, or remove sections first.")
		}
		return keep, closeBy(p, piece.ClosureType(op.Text), shelf)
	case SetTarget:
		return keep, setTarget(p, op)
	case SetBody:
		p.Body = op.Body
		return keep, nil
	case SetHouse:
		return keep, setHouse(p, op)
	case Waive, Unwaive:
		return keep, setWaiver(p, op)
	}
	return keep, refuse("There is no operation called %q.", string(op.Do))
}

// setKind makes the piece another kind. An ornament hangs; what was one closes by a clasp.
func setKind(p *piece.Piece, kind piece.Kind, shelf []*material.Material) error {
	was := p.Kind
	if kind != piece.Ornament && was != piece.Ornament {
		p.Kind = kind
		return nil
	}
	if kind == was {
		return nil
	}
	if p.Several() || len(p.Joins) > 0 {
		return refuse("An ornament hangs on one strand. Remove the other rows and sections first.")
	}
	p.Kind = kind
	if kind == piece.Ornament {
		return closeBy(p, piece.Hung, shelf)
	}
	return closeBy(p, piece.Clasp, shelf)
}

// closeBy closes the piece another way; what hangs is an ornament, and goes round nobody.
func closeBy(p *piece.Piece, closure piece.ClosureType, shelf []*material.Material) error {
	p.Hanging = nil
	switch {
	case closure == piece.Hung:
		p.Kind, p.Body = piece.Ornament, nil
	case p.Kind == piece.Ornament:
		p.Kind = piece.Necklace
	}
	return start.Close(p, closure, shelf)
}

// rowOf gives the row the operation is for: the one it names, or the leading one.
func rowOf(p *piece.Piece, op Op) (*piece.Row, error) {
	if op.At.Row == "" {
		return p.Leading(), nil
	}
	if row := p.Row(op.At.Row); row != nil {
		return row, nil
	}
	return nil, refuse("This piece has no row %q.", string(op.At.Row))
}

// editLines edits the line of a row, and with Alike of every row whose line is the same.
func editLines(p *piece.Piece, op Op) (Result, error) {
	row, err := rowOf(p, op)
	if err == nil && !row.Corded() {
		return Result{}, refuse("This row is chain. Beads need a cord: give it one first.")
	}
	if err != nil || !op.Alike || op.Do == Letter || op.Do == Copy {
		return editLine(p, op)
	}
	var out Result
	line := row.Line.String()
	for _, r := range p.Rows() {
		if r.Line.String() != line {
			continue
		}
		one := op
		one.At.Row = r.ID
		result, err := editLine(p, one)
		if err != nil {
			return Result{}, err
		}
		if r == row {
			out = result
		}
	}
	return out, nil
}

func setDish(p *piece.Piece, op Op) error {
	if op.Do == RemoveDish {
		for _, s := range p.Sizes {
			if slices.ContainsFunc(s.Lines(), func(l *pattern.Line) bool {
				return slices.ContainsFunc(l.Nodes, func(n *pattern.Node) bool { return n.Key() == op.Text })
			}) {
				return refuse("The dish %s is still in the size %s. Save the sizes anew first.", op.Text, s.Name)
			}
		}
		for _, row := range p.Rows() {
			for _, loop := range []*pattern.Line{row.LeftEnding.Loop, row.RightEnding.Loop} {
				if loop != nil && slices.ContainsFunc(loop.Nodes, func(n *pattern.Node) bool { return n.Key() == op.Text }) {
					return refuse("The dish %s is still in a loop of beads at an end. Change the loop first.", op.Text)
				}
			}
			if onTop(row.Lacing, op.Text) {
				return refuse("The dish %s is still laced on another, or has one laced on it. Change the lacing first.", op.Text)
			}
			if row.Riders != nil && slices.ContainsFunc(row.Riders.Nodes, func(n *pattern.Node) bool { return n.Key() == op.Text }) {
				return refuse("The dish %s still rides on a row. Change its riders first.", op.Text)
			}
			if row.Line != nil && slices.ContainsFunc(row.Line.Nodes, func(n *pattern.Node) bool { return n.Key() == op.Text }) {
				return refuse("The dish %s is still in the line. Remove its beads first.", op.Text)
			}
		}
		delete(p.Palette, op.Text)
		return nil
	}
	if op.Material == nil || op.Material.Bead == nil {
		return refuse("A dish holds a bead or a component.")
	}
	key := op.Text
	if key == "" {
		key = start.FreeKey(p, op.Material.Name)
	}
	p.Palette[key] = op.Material
	return nil
}

func setStrand(p *piece.Piece, op Op) error {
	row, err := rowOf(p, op)
	if err != nil {
		return err
	}
	switch op.Do {
	case SetSlack:
		row.Slack = op.Length
	case SetHolder:
		return setHolder(row, op)
	case SetCut:
		row.Cut = op.Length
	default:
		if op.Material == nil || op.Material.Cord == nil {
			return refuse("Beads are strung on a cord.")
		}
		row.Cord = op.Material
	}
	return nil
}

func setTarget(p *piece.Piece, op Op) error {
	if op.Length == nil && op.Tolerance == nil {
		p.Target = nil
		return nil
	}
	t := piece.Target{Tolerance: piece.StandardTolerance}
	if p.Target != nil {
		t = *p.Target
	}
	if op.Length != nil {
		t.Finished = *op.Length
	}
	if op.Tolerance != nil {
		t.Tolerance = *op.Tolerance
	}
	p.Target = &t
	return nil
}

func setHouse(p *piece.Piece, op Op) error {
	for _, c := range piece.Choices() {
		if c.Field == op.Field {
			if !slices.Contains(c.Allowed, op.Text) {
				return refuse("%q is not one of the choices. Use one of %v.", op.Text, c.Allowed)
			}
			*c.Of(&p.House) = op.Text
			return nil
		}
	}
	return refuse("The house method has no choice called %q.", op.Field)
}

func setWaiver(p *piece.Piece, op Op) error {
	p.Waived = slices.DeleteFunc(p.Waived, func(w piece.Waiver) bool { return w.Code == op.Field && w.At.Covers(op.At) })
	if op.Do == Waive {
		p.Waived = append(p.Waived, piece.Waiver{Code: op.Field, At: op.At, Note: op.Text})
	}
	return nil
}

// Try gives the piece measured as it would be after the operations.
func Try(p *piece.Piece, shelf []*material.Material, ops ...Op) (*measure.Measured, error) {
	after, _, err := Apply(p, shelf, ops...)
	if err != nil {
		return nil, err
	}
	return measure.Measure(after)
}
