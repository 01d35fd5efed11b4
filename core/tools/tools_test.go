package tools

import (
	"fmt"
	"slices"
	"strings"
	"testing"

	"mala/core/material"
	"mala/core/piece"
	"mala/core/steps"
)

// listed writes the tools that steps use, a * behind an optional one.
func listed(house piece.House, does ...steps.Doing) []string {
	var all []steps.Step
	for _, d := range does {
		all = append(all, steps.Step{Does: d})
	}
	var out []string
	for _, t := range For(all, house) {
		text := string(t.Kind)
		if t.Rod > 0 {
			text += fmt.Sprintf(" of %v", float64(t.Rod))
		}
		for _, use := range t.For {
			text += " " + string(use)
		}
		if t.Optional {
			text += "*"
		}
		out = append(out, text)
	}
	return out
}

func TestToolsFollowFromWhatIsDone(t *testing.T) {
	cut := func(kind material.CordType) steps.Doing {
		return steps.Cut{Cord: &material.Material{Cord: &material.Cord{Type: kind}}}
	}
	inBag := func(kind material.CordType) steps.Doing {
		return steps.Cut{Cord: &material.Material{Cord: &material.Cord{Type: kind}}, InBag: true}
	}
	made := func(parts ...steps.Making) steps.Doing { return steps.Make{Parts: parts} }
	for _, tt := range []struct {
		name string
		does []steps.Doing
		want string
	}{
		{"nothing", nil, ""},
		{"wire", []steps.Doing{cut(material.Wire), steps.TrimTail{}}, "wire-cutters cut-wire trim-tails"},
		{"wire from a bag", []steps.Doing{inBag(material.Wire), steps.TrimTail{}}, "wire-cutters trim-tails"},
		{"wire from a bag, nothing trimmed", []steps.Doing{inBag(material.Wire)}, ""},
		{"elastic", []steps.Doing{cut(material.Elastic), steps.TrimAtKnot{}}, "scissors cut-elastic trim-tails, wire-needle draw-elastic*"},
		{"thread, its tail tucked", []steps.Doing{cut(material.Thread), steps.TuckTail{}}, "scissors cut-thread trim-tails, needle string-thread tuck-tails"},
		{"leather in a fold-over end", []steps.Doing{cut(material.Leather), steps.LayInTrough{}, steps.PressFlaps{}}, "scissors cut-cord trim-tails, flat-pliers fold-ends"},
		{"a cover", []steps.Doing{steps.CloseCover{}}, "flat-pliers close-covers"},
		{"rings, twice", []steps.Doing{steps.Attach{Opens: steps.JumpRing}, steps.Attach{Opens: steps.JumpRing}}, "two-pliers open-rings"},
		{"a soldered ring", []steps.Doing{steps.Attach{}}, ""},
		{"a split ring", []steps.Doing{steps.Attach{Opens: steps.SplitRing}}, "split-ring-pliers spread-rings*"},
		{"chain", []steps.Doing{steps.CountChain{}}, "wire-cutters part-chain"},
		{"bead links", []steps.Doing{steps.HookUp{}}, "two-pliers open-eyes"},
		{"a charm on rings", []steps.Doing{made(steps.PutOnRings{})}, "two-pliers open-rings"},
		{"a drop", []steps.Doing{made(steps.PutOn{}, steps.BendStem{}, steps.TurnLoop{})}, "wire-cutters trim-pins, round-pliers turn-loops"},
		{"a wrapped loop", []steps.Doing{made(steps.TurnLoop{Turns: 2})}, "round-pliers turn-loops, flat-pliers hold-loop"},
		{"coils of two sizes", []steps.Doing{made(steps.Wind{Rod: 1.5}), made(steps.Wind{Rod: 2})}, "wire-cutters trim-pins, rod of 1.5 wind-coils, rod of 2 wind-coils"},
		{"a tassel", []steps.Doing{made(steps.CutStrands{}, steps.Bind{})}, "scissors trim-tassels"},
		{"knots between beads", []steps.Doing{steps.HoldApart{Way: piece.HeldByKnots}}, "needle draw-knots"},
		{"beads pressed on", []steps.Doing{steps.HoldApart{Way: piece.HeldByPressing}}, "flat-pliers press-beads"},
		{"glue in a cord end and on a knot", []steps.Doing{steps.Glue{On: steps.InCordEnd}, steps.Glue{On: steps.OnKnot}}, "glue in-ends on-knots"},
	} {
		got := listed(piece.House{}, tt.does...)
		if want := strings.TrimSuffix("ruler measure, "+tt.want, ", "); strings.Join(got, ", ") != want {
			t.Errorf("%s:\n %s, want\n %s", tt.name, strings.Join(got, ", "), want)
		}
	}
}

func TestToolsFollowTheHouse(t *testing.T) {
	for crimp, want := range map[string]string{piece.CrimpFolded: "crimping-pliers fold-crimps", piece.CrimpFlat: "flat-pliers flatten-crimps", piece.CrimpThreeSided: "three-sided-pliers press-crimps"} {
		if got := listed(piece.House{}, steps.CloseCrimp{School: crimp}); !slices.Contains(got, want) {
			t.Errorf("%s: %v, want %s", crimp, got, want)
		}
		if got := listed(piece.House{Crimp: crimp}, steps.HoldApart{Way: piece.HeldByCrimps}); !slices.Contains(got, want) {
			t.Errorf("%s between beads: %v, want %s", crimp, got, want)
		}
	}
	for by, want := range map[string]string{piece.StopStopper: "bead-stopper", piece.StopTape: "tape", piece.StopClip: "clip", piece.StopSlipKnot: "", piece.StopSpool: ""} {
		got := listed(piece.House{}, steps.Hold{By: by})
		if has := len(got) == 2 && strings.HasPrefix(got[1], want+" "); has != (want != "") || want == "" && len(got) != 1 {
			t.Errorf("held by %s: %v", by, got)
		}
	}
}
