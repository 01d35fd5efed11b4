package format

import (
	"mala/core/length"
	"mala/core/suggest"
)

// Suggestions are fittings for the ends of a strand.
type Suggestions struct {
	Items   []Suggestion `json:"items"`
	ByHouse *Fix         `json:"byHouse,omitempty" doc:"Builds both ends as the house does; absent if they are so."`
}

// Suggestion is one fitting and why it is the one.
type Suggestion struct {
	Does     string `json:"does" enum:"crimp,cover,guard,ring,clasp"`
	End      string `json:"end,omitempty" enum:"left,right"`
	Material string `json:"material"`
	Name     string `json:"name"`
	Reason   string `json:"reason"`
	Has      bool   `json:"has" doc:"The end has it already."`
	Fix      *Fix   `json:"fix,omitempty"`
}

// Suggest picks fittings from the shelf. The error is Faults.
func Suggest(doc *Document, opt Options) (*Suggestions, error) {
	m, err := doc.measured(opt.House)
	if err != nil {
		return nil, err
	}
	shelf := atHand(doc, opt.Shelf)
	out := &Suggestions{Items: []Suggestion{}}
	for _, s := range suggest.For(m, shelf) {
		item := Suggestion{Does: s.Does, End: s.End, Material: s.Material.ID, Name: s.Material.Name, Reason: s.Reason, Has: s.Has}
		if s.Fix != nil {
			item.Fix = fixOf(s.Fix, doc)
		}
		out.Items = append(out.Items, item)
	}
	if fix := suggest.ByHouse(m, shelf); fix != nil {
		out.ByHouse = fixOf(fix, doc)
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
	EndsDiffer bool      `json:"endsDiffer" doc:"Its ends are not built the house's way."`
}

// EffectOf works the document out under two house methods; nil if nothing that
// is counted changes or the piece does not read.
func EffectOf(doc *Document, before, after Options) *HouseEffect {
	a, err := figures(doc, before)
	if err != nil {
		return nil
	}
	b, err := figures(doc, after)
	if err != nil || sameFigures(a, b) {
		return nil
	}
	return &HouseEffect{Before: a, After: b}
}

func figures(doc *Document, opt Options) (HouseFigures, error) {
	a, err := Analyse(doc, opt)
	if err != nil {
		return HouseFigures{}, err
	}
	s := a.Strands[0]
	f := HouseFigures{FinishedMm: a.FinishedMm, SlackMm: s.SlackMm, CutMm: s.CutMm, Beads: s.Beads, Steps: len(a.Steps), Checks: []string{}}
	for _, c := range a.Checks {
		if c.Waived == "" {
			f.Checks = append(f.Checks, c.Title)
		}
	}
	if ends, err := Suggest(doc, opt); err == nil {
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
