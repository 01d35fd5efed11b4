package caution

import (
	"slices"
	"testing"

	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
	"mala/core/steps"
)

func codes(m *measure.Measured) []string {
	var out []string
	for _, c := range For(m, nil) {
		out = append(out, string(c))
	}
	return out
}

func TestCautionsFollowFromWhatIsUsed(t *testing.T) {
	with := func(m material.Material) *measure.Measured {
		return &measure.Measured{Piece: &piece.Piece{Closure: piece.Closure{Type: piece.Clasp}}, Tally: []measure.Count{{Material: &m}}}
	}
	for code, m := range map[string]*measure.Measured{
		"cut-ends": with(material.Material{Cord: &material.Cord{Type: material.Wire}}),
		"cut-pins": with(material.Material{Finding: &material.Finding{Type: material.EyePin}}),
		"magnet":   with(material.Material{Finding: &material.Finding{Type: material.Magnetic}}),
		"metal":    with(material.Material{Metal: "brass"}),
		"stones":   with(material.Material{Bead: &material.Bead{}, Look: material.Look{Finish: "stone"}}),
		"oils":     with(material.Material{Bead: &material.Bead{}, Look: material.Look{Finish: "lava"}}),
	} {
		if got := codes(m); !slices.Contains(got, code) || !slices.Contains(got, "small-parts") {
			t.Errorf("got %v, want %s and small-parts", got, code)
		}
	}
	plain := with(material.Material{Metal: "Titanium", Cord: &material.Cord{Type: material.Thread}})
	if got := codes(plain); len(got) != 1 {
		t.Errorf("a plain thread strand: %v", got)
	}
	ring := with(material.Material{})
	ring.Piece.Closure.Type, ring.Finished = piece.Knot, 700
	if got := codes(ring); !slices.Contains(got, "tight-band") || !slices.Contains(got, "snag") {
		t.Errorf("a long ring: %v", got)
	}
	ring.Piece.Body = &piece.Body{Child: true}
	if got := codes(ring); slices.Contains(got, "glue") || !slices.Contains(got, "child") {
		t.Errorf("a ring for a child: %v", got)
	}
	glued := []steps.Step{{Does: steps.Stretch{}}, {Does: steps.Glue{On: steps.InTrough}}}
	if got := For(ring, glued); !slices.Contains(got, "glue") {
		t.Errorf("wherever glue is used: %v", got)
	}
	hung := with(material.Material{})
	hung.Piece.Closure.Type = piece.Hung
	for at, minds := range map[string]bool{"": true, piece.AtMirror: true, piece.AtWindow: false, piece.AtKey: false} {
		hung.Piece.Hanging = &piece.Hanging{At: at}
		if got := codes(hung); slices.Contains(got, "vehicle") != minds || slices.Contains(got, "tight-band") {
			t.Errorf("an ornament at %q: %v", at, got)
		}
	}
	if hung.Piece.Hanging = nil; !slices.Contains(codes(hung), "vehicle") {
		t.Error("where it hangs is not said")
	}
}

func TestCareFollowsFromWhatIsUsed(t *testing.T) {
	of := func(m material.Material) []Care {
		return CareFor(&measure.Measured{Piece: &piece.Piece{Closure: piece.Closure{Type: piece.Clasp}}, Tally: []measure.Count{{Material: &m}}})
	}
	for care, m := range map[Care]material.Material{
		"roll-on":     {Cord: &material.Cord{Type: material.Elastic}},
		"thread-dry":  {Cord: &material.Cord{Type: material.Thread}},
		"leather-dry": {Cord: &material.Cord{Type: material.Leather}},
		"pearl":       {Bead: &material.Bead{}, Look: material.Look{Finish: "pearl"}},
		"wood":        {Bead: &material.Bead{}, Look: material.Look{Finish: "wood"}},
		"lined":       {Bead: &material.Bead{}, Look: material.Look{Finish: "lined"}},
		"metal":       {Finding: &material.Finding{Type: material.JumpRing}, Metal: "brass"},
	} {
		if got := of(m); !slices.Equal(got, []Care{"take-off", care}) {
			t.Errorf("got %v, want take-off and %s", got, care)
		}
	}
	if got := of(material.Material{Bead: &material.Bead{}, Look: material.Look{Finish: "glass"}}); !slices.Equal(got, []Care{"take-off"}) {
		t.Errorf("plain glass: %v", got)
	}
	hung := &measure.Measured{Piece: &piece.Piece{Closure: piece.Closure{Type: piece.Hung}}}
	if got := CareFor(hung); !slices.Equal(got, []Care{"dust"}) {
		t.Errorf("an ornament: %v", got)
	}
}
