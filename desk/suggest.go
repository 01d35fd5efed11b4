package desk

import (
	"context"

	"mala/core/length"
	"mala/core/piece"
	"mala/core/suggest"
	"mala/format"
	"mala/words"
	"mala/words/en"
)

// Suggestions are fittings for the ends of a strand.
type Suggestions struct {
	Items   []Suggestion `json:"items"`
	ByHouse *Fix         `json:"byHouse,omitempty" doc:"Builds both ends by the house method; absent if they are built so."`
}

// Suggestion is one fitting and why it is the one.
type Suggestion struct {
	Role     string `json:"role" enum:"crimp,fold-over,cover,guard,knot,bead-loop,ring,clasp"`
	End      string `json:"end,omitempty" enum:"left,right"`
	Material string `json:"material,omitempty" doc:"Absent for a loop of beads."`
	Name     string `json:"name"`
	Reason   string `json:"reason"`
	Has      bool   `json:"has" doc:"Already in place."`
	Fix      *Fix   `json:"fix,omitempty"`
}

// Suggest picks fittings from the shelf for a row; of no id, the first. The error is
// Faults.
func Suggest(doc *format.Document, row string, opt Options) (*Suggestions, error) {
	m, err := Measured(doc, opt.House)
	if err != nil {
		return nil, err
	}
	shelf, speak := opt.Shelf.Beside(doc), en.In(opt.Unit)
	out := &Suggestions{Items: []Suggestion{}}
	for _, s := range suggest.For(m, piece.ID(row), shelf) {
		item := Suggestion{Role: string(s.Role), End: string(s.Side), Name: en.Says(words.ALoop), Reason: speak.Reason(&s), Has: s.Has}
		if s.Material != nil {
			item.Material, item.Name = s.Material.ID, s.Material.Name
		}
		if s.Fix != nil {
			item.Fix = fixOf(s.Fix, speak)
		}
		out.Items = append(out.Items, item)
	}
	if fix := suggest.ByHouse(m, shelf); fix != nil {
		out.ByHouse = fixOf(fix, speak)
	}
	return out, nil
}

// HouseEffect is what another house method does to a piece.
type HouseEffect struct {
	Before HouseFigures `json:"before"`
	After  HouseFigures `json:"after"`
}

// HouseFigures are the figures of a piece that a house method moves.
type HouseFigures struct {
	FinishedMm length.MM `json:"finishedMm"`
	SlackMm    length.MM `json:"slackMm"`
	CutMm      length.MM `json:"cutMm"`
	Beads      int       `json:"beads"`
	Checks     []string  `json:"checks" doc:"The titles of the checks that are open."`
	Steps      int       `json:"steps" doc:"How many steps its making has."`
	EndsDiffer bool      `json:"endsDiffer" doc:"Its ends differ from the house method."`
}

// EffectOf works the document out under two house methods; nil if nothing that
// is counted changes or its bead line has an error.
func EffectOf(ctx context.Context, doc *format.Document, before, after Options) *HouseEffect {
	a, err := figures(ctx, doc, before)
	if err != nil {
		return nil
	}
	b, err := figures(ctx, doc, after)
	if err != nil || sameFigures(a, b) {
		return nil
	}
	return &HouseEffect{Before: a, After: b}
}

func figures(ctx context.Context, doc *format.Document, opt Options) (HouseFigures, error) {
	a, err := Analyse(ctx, doc, opt)
	if err != nil {
		return HouseFigures{}, err
	}
	f := HouseFigures{FinishedMm: a.FinishedMm, Beads: a.Beads, Steps: len(a.Steps), Checks: []string{}}
	for _, s := range a.Strands {
		f.SlackMm, f.CutMm = f.SlackMm+s.SlackMm, f.CutMm+s.CutMm
	}
	for _, c := range a.Checks {
		if c.Waived == "" {
			f.Checks = append(f.Checks, c.Title)
		}
	}
	if ends, err := Suggest(doc, "", opt); err == nil {
		f.EndsDiffer = ends.ByHouse != nil
	}
	return f, nil
}

func sameFigures(a, b HouseFigures) bool {
	same := len(a.Checks) == len(b.Checks)
	for i := 0; same && i < len(a.Checks); i++ {
		same = a.Checks[i] == b.Checks[i]
	}
	return same && a.FinishedMm == b.FinishedMm && a.SlackMm == b.SlackMm && a.CutMm == b.CutMm && a.Beads == b.Beads &&
		a.Steps == b.Steps && a.EndsDiffer == b.EndsDiffer
}
