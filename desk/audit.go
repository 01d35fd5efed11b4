package desk

import (
	"strings"
	"unicode/utf8"

	"mala/core/edit"
	"mala/core/material"
	"mala/core/piece"
	"mala/core/written"
	"mala/format"
)

// Audit is a written pattern held against a piece.
type Audit struct {
	Statements []Statement `json:"statements" doc:"In the order of the text; what it forgets is last."`
	Questions  []Question  `json:"questions" doc:"Names that may mean several materials, or none."`
	Unread     []Unread    `json:"unread" doc:"What was not understood."`
	Corrected  string      `json:"corrected" doc:"The text with everything corrected that can be."`
}

// Statement is one thing the text says. Places are in UTF-16 units of the text.
type Statement struct {
	Kind     string      `json:"kind" enum:"count,total,strung,repeat,packs,name,length,rows,row-step,cut,cord"`
	State    string      `json:"state" enum:"agrees,differs,crosses,asks,nothing,left-out"`
	Line     int         `json:"line"`
	From     int         `json:"from"`
	To       int         `json:"to"`
	Derived  string      `json:"derived,omitempty" doc:"What follows from the piece."`
	Why      string      `json:"why,omitempty"`
	Phrase   string      `json:"phrase,omitempty" doc:"What the text calls the material."`
	Material string      `json:"material,omitempty"`
	Also     [][2]int    `json:"also,omitempty" doc:"From and to of what else of the text it adds up."`
	Edits    []TextEdit  `json:"edits,omitempty" doc:"What corrects the text."`
	Take     []Operation `json:"take,omitempty" doc:"What takes its figure into the piece."`
}

// TextEdit puts other text in the place of some.
type TextEdit struct {
	From int    `json:"from"`
	To   int    `json:"to"`
	Text string `json:"text"`
}

// Question asks which material a phrase means.
type Question struct {
	Phrase string   `json:"phrase"`
	Likely []string `json:"likely" doc:"Ids of materials, the likeliest first."`
	Asked  int      `json:"asked" doc:"How many statements wait for the answer."`
}

// Unread is a part of the text that was not understood.
type Unread struct {
	Line    int  `json:"line"`
	From    int  `json:"from"`
	To      int  `json:"to"`
	Figures bool `json:"figures,omitempty" doc:"It has numbers that nothing was made of."`
}

// AuditText holds the text against the document; answers say which material a phrase
// means. The error is format.Faults.
func AuditText(doc *format.Document, text string, answers map[string]string, house format.House) (*Audit, error) {
	m, err := Measured(doc, house)
	if err != nil {
		return nil, err
	}
	text = strings.ReplaceAll(text, "\r\n", "\n")
	read, err := written.Read(text, m, answers)
	if err != nil {
		return nil, format.Faults{{Where: "written.text", Says: err.Error()}}
	}
	units := unitsBefore(text)
	out := &Audit{Statements: []Statement{}, Questions: []Question{}, Unread: []Unread{}}
	var edits []written.Edit
	for _, s := range read.Statements {
		one := Statement{Kind: string(s.Kind), State: string(s.State), Line: s.Line, From: units(s.From), To: units(s.To), Derived: s.Derived, Why: s.Why, Phrase: s.Phrase, Take: takeOf(&s.Take)}
		if s.Of != nil {
			one.Material = s.Of.ID
		}
		for _, also := range s.Also {
			one.Also = append(one.Also, [2]int{units(also[0]), units(also[1])})
		}
		for _, e := range s.Edits {
			one.Edits = append(one.Edits, TextEdit{units(e.From), units(e.To), e.Text})
		}
		edits = append(edits, s.Edits...)
		out.Statements = append(out.Statements, one)
	}
	for _, q := range read.Questions {
		out.Questions = append(out.Questions, Question{q.Phrase, idsOf(q.Likely), q.Asked})
	}
	for _, u := range read.Unread {
		out.Unread = append(out.Unread, Unread{u.Line, units(u.From), units(u.To), u.Figures})
	}
	out.Corrected = written.Correct(text, edits)
	return out, nil
}

func idsOf(list []*material.Material) []string {
	out := []string{}
	for _, m := range list {
		out = append(out, m.ID)
	}
	return out
}

// unitsBefore counts the UTF-16 units before a byte, as the page counts characters.
func unitsBefore(text string) func(at int) int {
	before := make([]int, len(text)+1)
	n := 0
	for i := 0; i < len(text); {
		r, size := utf8.DecodeRuneInString(text[i:])
		for k := range size {
			before[i+k] = n
		}
		if n++; r > 0xffff {
			n++
		}
		i += size
	}
	before[len(text)] = n
	return func(at int) int { return before[at] }
}

func takeOf(t *written.Take) []Operation {
	row := piece.Place{Row: piece.ID(t.Row), Element: piece.NoElement}
	switch {
	case t.Target != nil:
		return []Operation{OperationOf(edit.SetTarget{Length: t.Target})}
	case t.Cut != nil:
		return []Operation{OperationOf(edit.SetCut{At: row, Cut: t.Cut})}
	case t.Count > 0:
		return []Operation{OperationOf(edit.Count{At: row, Node: t.Node, To: t.Count})}
	case t.Line != "":
		return []Operation{OperationOf(edit.SetLine{At: row, Line: t.Line})}
	}
	return nil
}
