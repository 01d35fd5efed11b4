package papers

import (
	"fmt"
	"slices"

	"mala/core/technique"
	"mala/desk"
	"mala/words"
	"mala/words/en"
)

// instructions are for the maker: components first, then every piece with its rows at true
// size, its steps with their gates, and a picture of each way of the hand.
func (p *paper) instructions() {
	p.head()
	p.bar()
	p.tools()
	var shown []technique.Technique
	for i := range p.each {
		one := &p.each[i]
		p.pieceSteps(one)
		for _, t := range one.analysis.Techniques {
			if name := technique.Technique(t); !slices.Contains(shown, name) {
				shown = append(shown, name)
			}
		}
	}
	if len(shown) > 0 {
		p.heading(en.Says(words.HowItIsDone))
		p.techniques(shown)
	}
	p.cautions()
}

func (p *paper) pieceSteps(one *piece) {
	if len(p.each) > 1 || one.quantity > 1 {
		name := one.doc.Name
		if one.quantity > 1 {
			name = fmt.Sprintf("%d × %s", one.quantity, name)
		}
		p.heading(name)
	}
	rows := rowsOf(one.doc, one.analysis)
	for i := range rows {
		p.row(one, &rows[i])
	}
	p.heading(en.Says(words.StepByStep))
	for n, step := range one.analysis.Steps {
		p.step(n+1, step)
	}
}

func (p *paper) row(one *piece, r *row) {
	from, _ := r.span()
	up, down := r.reach(from, from+p.foldedAt(r))
	p.headingOver(en.In(p.unit).AtTrueSize(r.number, r.strand.FinishedMm), up+down+8)
	p.folded(r)
	p.runs(one, r.strand)
}

// runs lists what is strung in order, each with the length reached behind it.
func (p *paper) runs(one *piece, s *desk.Strand) {
	runs := s.Runs
	if len(s.Outwards) > 0 {
		runs = s.Outwards
	}
	if len(runs) == 0 {
		return
	}
	const across = 3
	columns := []column{}
	for range across {
		columns = append(columns, column{title: "", mm: 9}, column{title: "", mm: 8, right: true, bold: true}, column{title: ""}, column{title: en.Says(words.Reached), mm: 19, right: true})
	}
	rows := make([][]cell, (len(runs)+across-1)/across)
	for i, run := range runs {
		at := i % len(rows)
		name := materialIn(one.doc, run.Material).Name
		if letter := run.Key; letter != "" && len(letter) < 4 {
			name = letter + " " + name
		}
		if run.Side != "" && (i == 0 || runs[i-1].Side != run.Side) {
			name += ", " + en.ToTheSide(run.Side)
		}
		if run.Free {
			name += ", " + en.Says(words.AnyOrder)
		}
		if run.Turned {
			name += ", " + en.Says(words.Reversed)
		}
		rows[at] = append(rows[at], p.tickAt(4), says(fmt.Sprint(run.Count)), says(name), says(run.ReachedMm.In(p.unit)))
	}
	for i := range rows {
		for len(rows[i]) < len(columns) {
			rows[i] = append(rows[i], cell{})
		}
	}
	p.table(columns, rows)
}

// step is a thing to do, or a gate with what must be true first.
func (p *paper) step(n int, step desk.MakingStep) {
	p.font("", 10.5)
	wide := p.width() - 10
	text := step.Says
	if len(step.Must) > 0 {
		text += ":"
		p.font("bold", 10.5)
	}
	lines := p.pdf.SplitText(plain(text), wide)
	p.room(float64(len(lines)+min(2, len(step.Must)))*5.2 + 2)
	x := p.pdf.GetX()
	for i, l := range lines {
		p.pdf.SetX(x)
		number := ""
		if i == 0 {
			number = fmt.Sprintf("%d", n)
		}
		p.pdf.CellFormat(7, 5.2, number, "", 0, "R", false, 0, "")
		p.pdf.SetX(x + 10)
		p.pdf.CellFormat(wide, 5.2, l, "", 1, "L", false, 0, "")
	}
	for _, must := range step.Must {
		p.font("", 10.5)
		for i, l := range p.pdf.SplitText(plain(must), wide-7) {
			p.room(6)
			if i == 0 {
				pdfInk{p.pdf, x + 10, p.pdf.GetY() + 0.8}.draw(box(0, 0, 3.4, 3.4), stroke(grey, 0.25))
			}
			p.pdf.SetX(x + 15)
			p.pdf.CellFormat(wide-7, 5.2, l, "", 1, "L", false, 0, "")
		}
	}
	p.pdf.SetXY(x, p.pdf.GetY()+1.2)
}

// cautions are what can hurt someone, each once.
func (p *paper) cautions() {
	var said []string
	for _, one := range p.each {
		for _, c := range one.analysis.Cautions {
			if !slices.Contains(said, c.Says) {
				said = append(said, c.Says)
			}
		}
	}
	if len(said) == 0 {
		return
	}
	p.heading(en.Says(words.Cautions))
	for _, text := range said {
		p.text("– " + text)
	}
}
