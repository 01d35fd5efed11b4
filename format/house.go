package format

import (
	"reflect"

	"github.com/go-json-experiment/json"

	"mala/core/length"
	"mala/core/piece"
)

// House is the house method: a shop's whole one, or the fields of it that a piece
// overrides. A field left out follows the one below: the piece the shop, the
// shop the defaults.
type House struct {
	Crimp          string        `json:"crimp,omitempty" enum:"folded,flat,three-sided"`
	Guards         string        `json:"guards,omitempty" enum:"never,single,always"`
	GuardThreads   string        `json:"guardThreads,omitempty" enum:"once,twice" doc:"How often the cord is led through a guard."`
	Covers         string        `json:"covers,omitempty" enum:"no,yes"`
	Attach         string        `json:"attach,omitempty" enum:"jump-rings,split-rings,direct"`
	Slack          string        `json:"slack,omitempty" enum:"snug,easy"`
	Tail           string        `json:"tail,omitempty" enum:"tucked,beads,trimmed"`
	TailMm         *length.MM    `json:"tailMm,omitempty"`
	TailBeads      *int          `json:"tailBeads,omitempty"`
	Allowance      string        `json:"allowance,omitempty" enum:"standard,generous,spool"`
	Stopper        string        `json:"stopper,omitempty" enum:"stopper,tape,clip,slip-knot,tied-bead,spare-crimp,crimped,spool"`
	LoopMm         *length.MM    `json:"loopMm,omitempty"`
	OrnamentCounts string        `json:"ornamentCounts,omitempty" enum:"loop,foot" doc:"What the target of an ornament counts: the loop it hangs by too, or only what hangs below."`
	TargetCounts   string        `json:"targetCounts,omitempty" enum:"closed,beads"`
	ElasticTailMm  *length.MM    `json:"elasticTailMm,omitempty"`
	ChildTailMm    *length.MM    `json:"childTailMm,omitempty"`
	Knot           string        `json:"knot,omitempty" enum:"surgeons,square,triple"`
	KnotPlace      string        `json:"knotPlace,omitempty" enum:"fits,hidden,shown"`
	Glue           string        `json:"glue,omitempty" enum:"yes,no"`
	Thread         string        `json:"thread,omitempty" enum:"single,doubled"`
	Order          string        `json:"order,omitempty" enum:"left,centre" doc:"Strung from the left, or from the centre outwards with both ends open."`
	PinLoops       string        `json:"pinLoops,omitempty" enum:"size,fixed" doc:"What a loop takes of its pin."`
	FixedLoopMm    *length.MM    `json:"fixedLoopMm,omitempty"`
	NeedleMm       *length.MM    `json:"needleMm,omitempty" doc:"Thickness of the needle that thread goes on with."`
	Curl7G         *float64      `json:"curl7G,omitempty" doc:"What has to hang below wire of 7 strands to pull its curl out."`
	Curl19G        *float64      `json:"curl19G,omitempty" doc:"Of 19 strands."`
	Curl49G        *float64      `json:"curl49G,omitempty" doc:"Of 49 strands."`
	Unit           string        `json:"unit,omitempty" enum:"mm,cm,in"`
	Ease           []Ease        `json:"ease,omitzero"`
	Sizes          []BodySize    `json:"sizes,omitzero"`
	Lengths        []NamedLength `json:"lengths,omitzero"`
}

// UnmarshalJSON reads a house method. Until November 2026 its allowance was called
// hand.
func (h *House) UnmarshalJSON(data []byte) error {
	type plain House
	var old struct {
		*plain
		Hand string `json:"hand"`
	}
	old.plain = (*plain)(h)
	if err := json.Unmarshal(data, &old, json.RejectUnknownMembers(true)); err != nil {
		return err
	}
	if h.Allowance == "" {
		h.Allowance = old.Hand
	}
	return nil
}

// Ease is a range of inside length less body measure, and the word for it.
type Ease struct {
	Part    string    `json:"part" enum:"wrist,neck,ankle"`
	Stretch bool      `json:"stretch,omitempty" doc:"For pieces that slip on, not for ones that open."`
	Word    string    `json:"word" maxLength:"40"`
	FromMm  length.MM `json:"fromMm"`
	ToMm    length.MM `json:"toMm" doc:"0 where there is no upper limit."`
}

// BodySize is a measure that stands for a standard size or an age.
type BodySize struct {
	Part      string    `json:"part" enum:"wrist,neck,ankle"`
	Name      string    `json:"name" maxLength:"40"`
	MeasureMm length.MM `json:"measureMm"`
	Child     bool      `json:"child,omitempty"`
}

// NamedLength is a finished length the trade has a name for.
type NamedLength struct {
	Kind   string    `json:"kind" enum:"necklace,bracelet,anklet"`
	Name   string    `json:"name" maxLength:"40"`
	FromMm length.MM `json:"fromMm"`
	ToMm   length.MM `json:"toMm" doc:"0 where there is no upper limit."`
}

// DefaultHouse is the whole house method that a shop starts from.
func DefaultHouse() House {
	p := piece.DefaultHouse()
	var h House
	own := h.choices()
	for _, c := range piece.Choices() {
		*own[c.Field] = *c.Of(&p)
	}
	h.TailMm, h.LoopMm, h.ElasticTailMm, h.ChildTailMm = &p.TailLength, &p.Loop, &p.ElasticTail, &p.ChildTail
	h.FixedLoopMm, h.NeedleMm = &p.FixedLoop, &p.Needle
	h.Curl7G, h.Curl19G, h.Curl49G = &p.Curl7, &p.Curl19, &p.Curl49
	h.TailBeads, h.Unit = &p.TailBeads, string(p.Unit)
	for _, e := range p.Ease {
		h.Ease = append(h.Ease, Ease{e.Part, e.Stretch, e.Word, e.From, e.To})
	}
	for _, s := range p.Sizes {
		h.Sizes = append(h.Sizes, BodySize{s.Part, s.Name, s.Measure, s.Child})
	}
	for _, l := range p.Lengths {
		h.Lengths = append(h.Lengths, NamedLength{string(l.Kind), l.Name, l.From, l.To})
	}
	return h
}

// choices are the fields of the choices by their names in the file.
func (h *House) choices() map[string]*string {
	return map[string]*string{
		"crimp": &h.Crimp, "guards": &h.Guards, "covers": &h.Covers, "attach": &h.Attach, "slack": &h.Slack, "tail": &h.Tail,
		"allowance": &h.Allowance, "stopper": &h.Stopper, "targetCounts": &h.TargetCounts, "ornamentCounts": &h.OrnamentCounts, "knot": &h.Knot, "knotPlace": &h.KnotPlace,
		"glue": &h.Glue, "thread": &h.Thread, "pinLoops": &h.PinLoops, "guardThreads": &h.GuardThreads, "order": &h.Order,
	}
}

// Clear lets a choice follow the house below again; false if there is none of that
// name.
func (h *House) Clear(field string) bool {
	choice := h.choices()[field]
	if choice != nil {
		*choice = ""
	}
	return choice != nil
}

// Merge lays the fields of h over those of the house below.
func (h House) Merge(below House) House {
	out := reflect.ValueOf(&below).Elem()
	own := reflect.ValueOf(h)
	for i := range own.NumField() {
		if f := own.Field(i); !f.IsZero() {
			out.Field(i).Set(f)
		}
	}
	return below
}

// Diff leaves of h only what differs from the house below.
func (h House) Diff(below House) House {
	own, other := reflect.ValueOf(&h).Elem(), reflect.ValueOf(below)
	for i := range own.NumField() {
		if f := own.Field(i); reflect.DeepEqual(f.Interface(), other.Field(i).Interface()) {
			f.SetZero()
		}
	}
	return h
}

// Resolve gives the house method with everything filled in.
func (h House) Resolve() piece.House {
	out := piece.DefaultHouse()
	own := h.choices()
	for _, c := range piece.Choices() {
		if choice := *own[c.Field]; choice != "" {
			*c.Of(&out) = choice
		}
	}
	fill(&out.TailLength, h.TailMm)
	fill(&out.TailBeads, h.TailBeads)
	fill(&out.Loop, h.LoopMm)
	fill(&out.ElasticTail, h.ElasticTailMm)
	fill(&out.ChildTail, h.ChildTailMm)
	fill(&out.FixedLoop, h.FixedLoopMm)
	fill(&out.Needle, h.NeedleMm)
	fill(&out.Curl7, h.Curl7G)
	fill(&out.Curl19, h.Curl19G)
	fill(&out.Curl49, h.Curl49G)
	if h.Unit != "" {
		out.Unit = length.Unit(h.Unit)
	}
	h.tables(&out)
	return out
}

// fill takes over what is given.
func fill[T any](to, own *T) {
	if own != nil {
		*to = *own
	}
}

// tables takes over the tables that are given, also empty ones.
func (h House) tables(out *piece.House) {
	if h.Ease != nil {
		out.Ease = make([]piece.Ease, len(h.Ease))
	}
	for i, e := range h.Ease {
		out.Ease[i] = piece.Ease{Part: e.Part, Stretch: e.Stretch, Word: e.Word, From: e.FromMm, To: e.ToMm}
	}
	if h.Sizes != nil {
		out.Sizes = make([]piece.BodySize, len(h.Sizes))
	}
	for i, s := range h.Sizes {
		out.Sizes[i] = piece.BodySize{Part: s.Part, Name: s.Name, Measure: s.MeasureMm, Child: s.Child}
	}
	if h.Lengths != nil {
		out.Lengths = make([]piece.NamedLength, len(h.Lengths))
	}
	for i, l := range h.Lengths {
		out.Lengths[i] = piece.NamedLength{Kind: piece.Kind(l.Kind), Name: l.Name, From: l.FromMm, To: l.ToMm}
	}
}

// Check says what is wrong with a shop's house method. The error is Faults.
func (h House) Check() error {
	var faults Faults
	for _, f := range h.Resolve().Check() {
		faults = append(faults, Fault{Where: f.Where, Says: f.Says})
	}
	if faults != nil {
		return faults
	}
	return nil
}
