package piece

import (
	"slices"
	"testing"

	"mala/core/material"
)

// What can go to a spot is what a piece with it there is not refused for.
func TestWhatGoesWhere(t *testing.T) {
	for spot, want := range map[Spot]struct{ in, out []material.FindingType }{
		AtRow:     {[]material.FindingType{material.CrimpTube, material.WireGuard, material.ConeEnd, material.JumpRing, material.Lobster, material.Chain}, []material.FindingType{material.Toggle, material.HeadPin, material.Extender}},
		AtClosure: {[]material.FindingType{material.Toggle, material.ButtonEnd, material.SplitRing, material.Extender, material.Connector, material.FocalBar, material.Chain}, []material.FindingType{material.CrimpBead, material.EyePin, material.HeadPin, material.WireGuard}},
		AtJoin:    {[]material.FindingType{material.Connector, material.JumpRing, material.Chain}, []material.FindingType{material.Lobster, material.CrimpTube}},
		AsHolder:  {[]material.FindingType{material.CrimpTube, material.CrimpBead}, []material.FindingType{material.CrimpCover}},
		AsRing:    {[]material.FindingType{material.JumpRing, material.SplitRing}, []material.FindingType{material.Extender}},
		AsChain:   {[]material.FindingType{material.Chain}, []material.FindingType{material.Extender}},
	} {
		got := FindingsFor(spot)
		for _, in := range want.in {
			if !slices.Contains(got, in) {
				t.Errorf("%s takes no %s", spot, in)
			}
		}
		for _, out := range want.out {
			if slices.Contains(got, out) {
				t.Errorf("%s takes a %s", spot, out)
			}
		}
	}
	if got := FindingsFor("nose"); len(got) > 0 || len(Spots()) != 6 {
		t.Errorf("%v", got)
	}
}
