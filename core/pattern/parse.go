package pattern

import (
	"fmt"
	"unicode/utf8"
)

// The limits of a line. They keep a slip of the finger from taking the bench
// with it.
const (
	MaxBeads = 10_000
	MaxDepth = 200
	MaxBytes = 64 << 10
)

// Parse reads a bead line. An empty line is a bare cord. The error is a *Fault.
func Parse(text string) (*Line, error) {
	if len(text) > MaxBytes {
		return nil, fault(TooLong, 1, fmt.Sprintf("The line has %d kB; a line holds at most %d kB. Use counts and groups.", len(text)>>10, MaxBytes>>10), "a shorter line")
	}
	p := &parser{lex: lexer{rest: text, col: 1}}
	if err := p.advance(); err != nil {
		return nil, err
	}
	items, err := p.items(0)
	if err != nil {
		return nil, err
	}
	if p.tok.kind != tokenEnd {
		return nil, p.unopened()
	}
	line := &Line{Items: items}
	line.number()
	if err := line.checkFills(); err != nil {
		return nil, err
	}
	return line, nil
}

type parser struct {
	lex lexer
	tok token // the one being looked at
	end int   // column behind the last one taken
}

func (p *parser) advance() error {
	p.end = p.tok.col + utf8.RuneCountInString(p.tok.text)
	tok, err := p.lex.next()
	if err != nil {
		return err
	}
	p.tok = tok
	return nil
}

// items reads until something that cannot begin an item.
func (p *parser) items(depth int) ([]*Node, error) {
	var items []*Node
	for {
		switch p.tok.kind {
		case tokenKey, tokenGap, tokenCount, tokenReverse, tokenFree, tokenGroup, tokenMirror, tokenFill, tokenDrop:
			n, err := p.item(depth)
			if err != nil {
				return nil, err
			}
			last := len(items) - 1
			switch {
			case !n.isFootless():
				items = append(items, n)
			case last >= 0 && items[last].takesLoop(n):
				items[last].makeLoop(n)
				n = items[last]
			default:
				return nil, fault(Missing, n.Col, "A drop needs a . and the bead that its cord turns round, [10S . R]; a loop stands right behind the bead that it runs through, B[10S].", "a drop such as [10S . R]")
			}
			if err := n.checkHanging(); err != nil {
				return nil, err
			}
		default:
			return items, nil
		}
	}
}

// item reads [count] ["~"] unit.
func (p *parser) item(depth int) (*Node, error) {
	n := &Node{Count: 1, Col: p.tok.col}
	if depth >= MaxDepth {
		return nil, fault(TooDeep, p.tok.col, fmt.Sprintf("Groups can be nested at most %d deep.", MaxDepth), "fewer brackets")
	}
	if p.tok.kind == tokenCount {
		n.Count = p.tok.num
		if err := p.advance(); err != nil {
			return nil, err
		}
	}
	if p.tok.kind == tokenReverse {
		n.Reversed = true
		if err := p.advance(); err != nil {
			return nil, err
		}
	}
	free := p.tok.kind == tokenFree
	if free {
		if err := p.advance(); err != nil {
			return nil, err
		}
		if p.tok.kind != tokenGroup {
			return nil, fault(Missing, p.tok.col, "? needs a group behind it, of beads that may come in any order: ?(5P 3T).", "(")
		}
	}
	if err := p.unit(n, depth); err != nil {
		return nil, err
	}
	n.End = p.end
	if group, is := n.Unit.(*Group); is && free {
		group.Free = true
	}
	return n, n.checkFree()
}

func (p *parser) unit(n *Node, depth int) error {
	open := p.tok
	switch open.kind {
	case tokenKey:
		n.Unit = Bead{open.text}
		return p.advance()
	case tokenGap:
		n.Unit = Gap{open.text, open.mm, open.text[0] == pitch}
		return p.advance()
	case tokenGroup:
		group := &Group{}
		n.Unit = group
		return p.bracketed(group, &group.Items, depth, open, tokenGroupEnd, ")")
	case tokenFill:
		fill := &Fill{}
		n.Unit = fill
		return p.bracketed(fill, &fill.Items, depth, open, tokenFillEnd, "}")
	case tokenDrop:
		drop := &Drop{}
		n.Unit = drop
		return p.bracketed(drop, &drop.Items, depth, open, tokenDropEnd, "]")
	case tokenMirror:
		mirror := &Mirror{}
		n.Unit = mirror
		return p.bracketed(mirror, &mirror.Half, depth, open, tokenMirrorEnd, ">")
	}
	says := "A count needs a bead or a group after it."
	if n.Reversed {
		says = "~ needs a bead or a group behind it."
	}
	return fault(Missing, open.col, says, "a dish's letter, ( , <, { or [")
}

// bracketed reads what stands between the opening sign of a unit and its closing one.
func (p *parser) bracketed(unit Unit, items *[]*Node, depth int, open token, closing kind, sign string) error {
	if err := p.advance(); err != nil {
		return err
	}
	if fill, is := unit.(*Fill); is && p.tok.kind == tokenLength {
		fill.Length, fill.Text = p.tok.mm, p.tok.text
		if err := p.advance(); err != nil {
			return err
		}
	}
	var err error
	if *items, err = p.items(depth + 1); err != nil {
		return err
	}
	if len(*items) == 0 && (p.tok.kind == closing || p.tok.kind == tokenCentre || p.tok.kind == tokenTurn) {
		return fault(Empty, open.col, fmt.Sprintf("This %s is empty. Put a bead in it, or remove it.", unit.Kind()), "a dish's letter")
	}
	switch unit := unit.(type) {
	case *Mirror:
		if err := p.centre(unit, depth, open); err != nil {
			return err
		}
	case *Drop:
		if p.tok.kind != tokenTurn {
			break
		}
		if err := p.advance(); err != nil {
			return err
		}
		if unit.Foot, err = p.items(depth + 1); err != nil {
			return err
		}
	}
	switch p.tok.kind {
	case closing:
		return p.advance()
	case tokenEnd:
		return fault(Unclosed, open.col, fmt.Sprintf("This %s is not closed. Put a %s after its last bead.", unit.Kind(), sign), sign)
	}
	return p.unopened()
}

func (p *parser) centre(mirror *Mirror, depth int, open token) error {
	switch p.tok.kind {
	case tokenCentre:
	case tokenMirrorEnd, tokenEnd:
		return fault(NoCentre, open.col, "A mirror needs a | before its centre, even when the centre is empty: <20P L |>.", "|")
	default:
		return p.unopened()
	}
	if err := p.advance(); err != nil {
		return err
	}
	var err error
	mirror.Centre, err = p.items(depth + 1)
	return err
}

// isFootless says whether the node is a bracket with no foot: a loop, if it stands behind a bead.
func (n *Node) isFootless() bool {
	drop, is := n.Unit.(*Drop)
	return is && len(drop.Foot) == 0
}

// unopened is the fault for a sign that closes nothing.
func (p *parser) unopened() error {
	if p.tok.kind == tokenTurn {
		return fault(Unopened, p.tok.col, ". stands only inside a drop, before the bead that its cord turns round: [10S . R].", "a dish's letter")
	}
	if p.tok.kind == tokenCentre {
		return fault(Unopened, p.tok.col, "| stands only inside a mirror: <20P L | S>.", "a dish's letter")
	}
	return fault(Unopened, p.tok.col, fmt.Sprintf("This %s closes nothing. Remove it.", p.tok.text), "a dish's letter")
}

// checkFree holds a group of any order to plain beads.
func (n *Node) checkFree() error {
	group, is := n.Unit.(*Group)
	if !is || !group.Free {
		return nil
	}
	for _, one := range group.Items {
		if !one.IsBead() {
			return fault(BadFree, n.Col, "What comes in any order is beads alone, each with its count: ?(5P 3T).", "a dish's letter")
		}
	}
	return nil
}

// checkFills holds the line to one open fill, and none inside another.
func (l *Line) checkFills() error {
	var open *Node
	var walk func(items []*Node, inside bool) error
	walk = func(items []*Node, inside bool) error {
		for _, n := range items {
			fill, is := n.Unit.(*Fill)
			switch {
			case !is:
			case inside:
				return fault(BadFill, n.Col, "A fill cannot be inside another fill.", "a bead or a group")
			case fill.IsOpen() && open != nil:
				return fault(BadFill, n.Col, "A line has one open fill. Give this one a length: {25mm: S}.", "a fill with a length")
			case fill.IsOpen():
				open = n
			}
			for _, list := range n.Unit.lists() {
				if err := walk(*list, inside || is); err != nil {
					return err
				}
			}
		}
		return nil
	}
	return walk(l.Items, false)
}
