package desk_test

import (
	"math"
	"slices"
	"testing"

	"mala/desk"
	"mala/desk/testdesk"
	"mala/format"
)

func factsOf(t *testing.T, id string, house format.House) desk.ComponentFacts {
	t.Helper()
	catalogue := testdesk.Catalogue(t)
	i := slices.IndexFunc(catalogue, func(m format.Material) bool { return m.ID == id })
	m, faults := format.Listed(catalogue).Make(&catalogue[i], "")
	if faults != nil {
		t.Fatal(faults)
	}
	return desk.FactsOf(m, house)
}

func TestWhatTheMakerShows(t *testing.T) {
	near := func(name string, got, want float64) {
		if math.Abs(got-want) > 1e-3 {
			t.Errorf("%s: %v, want %v", name, got, want)
		}
	}
	drop := factsOf(t, "sail-drop", format.House{})
	near("loop of 2 from 0.6", float64(drop.Pin.LoopMm), math.Pi*2.6)
	near("needed", float64(drop.Pin.NeededMm), float64(drop.Pin.StackMm)+math.Pi*2.6)
	near("cut off", float64(drop.Pin.CutOffMm), 50-float64(drop.Pin.NeededMm))
	near("stem to bend", float64(drop.Pin.StemMm), math.Pi*2.6)
	near("along the cord", float64(drop.TakesMm), 0.7)
	if !drop.Hangs || drop.Faces != "any" || len(drop.Bought) != 5 || len(drop.Checks) != 0 || len(drop.Outline.Looks) != 5 {
		t.Errorf("%+v", drop)
	}
	fixed := factsOf(t, "sail-drop", format.House{PinLoops: "fixed"})
	near("by a fixed length", float64(fixed.Pin.NeededMm), float64(drop.Pin.StackMm)+9)
	if one, two := factsOf(t, "crab-on-ring", format.House{}), factsOf(t, "crab-on-two", format.House{}); one.Faces != "front" || two.Faces != "side" || len(two.Checks) != 1 || two.Checks[0].Code != "lies-sideways" {
		t.Errorf("a crab faces %s on one ring, %s on two: %+v", one.Faces, two.Faces, two.Checks)
	}
	pendant := factsOf(t, "lantern-pendant", format.House{})
	counts := map[string]int{}
	for _, c := range pendant.Bought {
		counts[c.Material] = c.Count
	}
	if counts["head-pin-38"] != 2 || counts["sea-pearl-6"] != 2 || counts["sea-pearl-4"] != 1 || counts["ring-5"] != 1 || counts["ring-7"] != 1 {
		t.Errorf("bought %v", counts)
	}
	if i := slices.IndexFunc(pendant.Parts, func(p desk.PartOf) bool { return p.Material == "pearl-drop" }); i < 0 || pendant.Parts[i].Count != 2 || len(pendant.Parts[i].Parts) != 3 || pendant.Parts[i].Parts[0].Count != 2 {
		t.Errorf("parts %+v", pendant.Parts)
	}
	coil := factsOf(t, "pearl-coil", format.House{})
	near("a coil uses its whole pin", float64(coil.Pin.NeededMm), 50)
	// Pearls of 6 on coils of 3.7: two neighbours share the way round.
	if coil.Hangs || coil.SpreadOver != 2 || coil.Pin.Turns < 6 || coil.DropMm < 10 {
		t.Errorf("coil %+v, %+v", coil, coil.Pin)
	}
	tassel := factsOf(t, "brine-tassel", format.House{})
	if i := slices.IndexFunc(tassel.Bought, func(c desk.Count) bool { return c.Material == "silk-04" }); i < 0 || tassel.Bought[i].CutMm == nil || *tassel.Bought[i].CutMm != 25*2*42 {
		t.Errorf("cord of the tassel: %+v", tassel.Bought)
	}
}
