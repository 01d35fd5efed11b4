package format_test

import (
	"encoding/json"
	"os"
	"reflect"
	"strings"
	"testing"

	"mala/core/length"
	"mala/format"
)

func TestAPieceFollowsItsShopAndTheShopTheDefaults(t *testing.T) {
	doc := read(t, example)
	plain := analysed(t, doc, format.Options{})
	shop := format.Options{House: format.House{Slack: "easy", Hand: "generous"}}
	followed := analysed(t, doc, shop)
	if by := followed.Strands[0].CutMm - plain.Strands[0].CutMm; by < 129.9 || by > 130.1 {
		t.Errorf("in a generous house it is cut %v longer", by)
	}
	doc.House = format.House{Hand: "standard"}
	if own := analysed(t, doc, shop); own.Strands[0].CutMm != plain.Strands[0].CutMm {
		t.Errorf("with a way of its own it is cut to %v, want %v", own.Strands[0].CutMm, plain.Strands[0].CutMm)
	}
}

func TestOneHouseOverAnotherAndBesideIt(t *testing.T) {
	tail := length.MM(40)
	below := format.House{Slack: "easy", Tail: "trimmed", TailMm: &tail}
	over := format.House{Slack: "snug"}.Over(below)
	if over.Slack != "snug" || over.Tail != "trimmed" || *over.TailMm != 40 {
		t.Errorf("laid over: %+v", over)
	}
	if beside := over.Beside(below); !reflect.DeepEqual(beside, format.House{Slack: "snug"}) {
		t.Errorf("what differs: %+v", beside)
	}
	whole := format.DefaultHouse()
	if !reflect.DeepEqual(whole.Beside(format.DefaultHouse()), format.House{}) {
		t.Error("the defaults differ from themselves")
	}
	if err := whole.Check(); err != nil {
		t.Error(err)
	}
}

func TestAHouseThatCannotBeIsTold(t *testing.T) {
	far := length.MM(9000)
	many := 99
	for where, h := range map[string]format.House{
		"house.tail":               {Tail: "curled"},
		"house.unit":               {Unit: "ell"},
		"house.tailMm":             {TailMm: &far},
		"house.tailBeads":          {TailBeads: &many},
		"house.ease[0].toMm":       {Ease: []format.Ease{{Part: "wrist", Word: "odd", FromMm: 10, ToMm: 5}}},
		"house.sizes[0].measureMm": {Sizes: []format.BodySize{{Part: "wrist", Name: "no one", MeasureMm: 0}}},
		"house.lengths[0].name":    {Lengths: []format.NamedLength{{Kind: "necklace", FromMm: 300, ToMm: 400}}},
	} {
		err := h.Check()
		if faults, ok := err.(format.Faults); !ok || faults[0].Where != where || !strings.HasSuffix(faults[0].Says, ".") {
			t.Errorf("%s: %v", where, err)
		}
	}
}

func TestDoubledThreadPassesTwice(t *testing.T) {
	doc := read(t, example)
	doc.Sections[0].Rows[0].Cord = "thread"
	doc.Materials = append(doc.Materials, format.Material{ID: "thread", Class: "cord", Name: "Thread", Type: "thread", DiameterMm: 0.2})
	passes := func(h format.House) int {
		a := analysed(t, doc, format.Options{House: h})
		return a.Strands[0].Placed[len(a.Strands[0].Placed)/2].Passes
	}
	if single, doubled := passes(format.House{}), passes(format.House{Thread: "doubled"}); single != 1 || doubled != 2 {
		t.Errorf("single thread passes %d times, doubled %d", single, doubled)
	}
	doc.Sections[0].Rows[0].Passes = 3
	if own := passes(format.House{Thread: "doubled"}); own != 3 {
		t.Errorf("a row of its own passes %d times", own)
	}
}

func TestWhatAnotherHouseDoesIsTold(t *testing.T) {
	doc := read(t, example)
	house := func(h format.House) format.Options { return format.Options{House: h, Unit: length.InMillimetres} }
	if effect := format.EffectOf(doc, house(format.House{}), house(format.House{Knot: "triple"})); effect != nil {
		t.Errorf("a knot moves a crimped strand: %+v", effect)
	}
	effect := format.EffectOf(doc, house(format.House{}), house(format.House{Stopper: "spool"}))
	if effect == nil || effect.After.CutMm >= effect.Before.CutMm || effect.After.Steps == effect.Before.Steps {
		t.Errorf("from the spool: %+v", effect)
	}
	doc.Sections[0].Rows[0].Line = "9("
	if effect := format.EffectOf(doc, house(format.House{}), house(format.House{Hand: "spool"})); effect != nil {
		t.Error("a line that does not read comes to something")
	}
}

func TestThreadAndStepsFollowThePiece(t *testing.T) {
	states := func(doc *format.Document) map[string]string {
		out := map[string]string{}
		for _, s := range analysed(t, doc, format.Options{}).Thread {
			out[s.Step] = s.State
		}
		return out
	}
	doc := read(t, example)
	doc.House.Tail = "trimmed" // its pearls only just take two passes
	doc.Body, doc.Target.FinishedMm = nil, analysed(t, doc, format.Options{}).FinishedMm
	if got, want := states(doc), map[string]string{"decide": "settled", "lay-out": "settled", "fit": "untouched", "ends": "settled"}; !reflect.DeepEqual(got, want) {
		t.Errorf("settled but for its wearer: %v", got)
	}
	doc.Target = nil
	doc.Closure.Left, doc.Sections[0].Rows[0].Left, doc.Sections[0].Rows[0].Right = nil, nil, nil
	doc.Closure.Right = nil
	if got := states(doc); got["decide"] != "untouched" || got["ends"] != "untouched" {
		t.Errorf("nothing decided and no ends: %v", got)
	}
	doc = read(t, example)
	doc.House.Tail = "trimmed"
	cut := length.MM(100)
	doc.Sections[0].Rows[0].CutMm = &cut
	if got := states(doc); got["ends"] != "wrong" {
		t.Errorf("cut too short: %v", got)
	}
	doc.Waived = []format.Waiver{{Code: "leg-short", Note: "joined"}}
	if got := states(doc); got["ends"] != "settled" {
		t.Errorf("cut too short, and may be: %v", got)
	}
}

func TestEveryPieceOfTheShopLiesRoundSomething(t *testing.T) {
	entries, err := os.ReadDir("../demo/pieces")
	if err != nil {
		t.Fatal(err)
	}
	for _, e := range entries {
		data, err := os.ReadFile("../demo/pieces/" + e.Name())
		if err != nil {
			t.Fatal(err)
		}
		a := analysed(t, read(t, string(data)), format.Options{Drawing: true, Round: true})
		round := a.Drawing.Round
		if a.InsideMm == nil || round == nil {
			t.Errorf("%s goes round nothing", e.Name())
			continue
		}
		turn, touching := 0.0, 0
		for _, l := range round.Links {
			turn += l.SweepRad
			if l.GapMm < 0.02 {
				touching++
			}
		}
		if turn < 6.28 || turn > 6.29 || touching < 3 {
			t.Errorf("%s goes %v round and touches at %d places", e.Name(), turn, touching)
		}
		text, err := json.Marshal(a)
		if err != nil || len(text) == 0 {
			t.Error(err)
		}
	}
}

func analysed(t *testing.T, doc *format.Document, opt format.Options) *format.Analysis {
	t.Helper()
	a, err := format.Analyse(doc, opt)
	if err != nil {
		t.Fatal(err)
	}
	return a
}
