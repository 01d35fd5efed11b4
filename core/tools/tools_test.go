package tools

import (
	"fmt"
	"slices"
	"strings"
	"testing"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// listed writes the tools of a piece that takes these materials, a * behind an optional one.
func listed(house piece.House, closure piece.ClosureType, strand *measure.Strand, of ...material.Material) []string {
	m := &measure.Measured{Piece: &piece.Piece{House: house, Closure: piece.Closure{Type: closure}}}
	for i := range of {
		m.Tally = append(m.Tally, measure.Count{Material: &of[i], Count: 1})
	}
	if strand != nil {
		m.Strands = []*measure.Strand{strand}
	}
	var out []string
	for _, t := range For(m, length.InMillimetres) {
		name := t.Name + ": " + t.For
		if t.Optional {
			name += "*"
		}
		out = append(out, name)
	}
	return out
}

func TestToolsFollowFromWhatIsUsed(t *testing.T) {
	finding := func(kind material.FindingType) material.Material {
		return material.Material{Finding: &material.Finding{Type: kind}}
	}
	cord := func(kind material.CordType) material.Material {
		return material.Material{Cord: &material.Cord{Type: kind}}
	}
	made := func(kind material.ComponentKind, pin *material.Pin) material.Material {
		return material.Material{Component: &material.Component{Kind: kind, Pin: pin}}
	}
	charm := made(material.CharmOnRings, nil)
	charm.Component.Rings = []*material.Material{{}}
	tassel := made(material.Tassel, nil)
	tassel.Component.Strands = 20
	drop := made(material.PinDrop, &material.Pin{})
	pendant := made(material.Pendant, nil)
	pendant.Component.Parts = []material.PartCount{{Of: &drop, Count: 1}}
	below := made(material.Pendant, nil)
	below.Component.Below = []*material.Material{&tassel}
	soldered := finding(material.JumpRing)
	soldered.Finding.Joint = "soldered"
	for _, tt := range []struct {
		name string
		of   []material.Material
		want string
	}{
		{"nothing", nil, ""},
		{"wire and crimps", []material.Material{cord(material.Wire), finding(material.CrimpTube)}, "Wire cutters: to cut the wire, Crimping pliers: to fold crimps"},
		{"crimp beads", []material.Material{finding(material.CrimpBead)}, "Crimping pliers: to fold crimps"},
		{"covers", []material.Material{finding(material.CrimpCover)}, "Flat-nose pliers: to close crimp covers"},
		{"elastic", []material.Material{cord(material.Elastic)}, "Scissors: to cut the elastic, Needle of thin folded wire: to draw the elastic through*"},
		{"thread", []material.Material{cord(material.Thread)}, "Scissors: to cut the thread, Beading needle: to string on thread, no thicker than 0.4 mm"},
		{"leather, folded over", []material.Material{cord(material.Leather), finding(material.FoldOver)}, "Scissors: to cut the cord, Flat-nose pliers: to fold the ends over"},
		{"rings, twice", []material.Material{finding(material.JumpRing), finding(material.JumpRing)}, "Two pairs of flat-nose pliers: to open and close rings"},
		{"a soldered ring", []material.Material{soldered}, ""},
		{"split rings", []material.Material{finding(material.SplitRing)}, "Split-ring pliers: to spread split rings*"},
		{"chain on wire", []material.Material{cord(material.Wire), finding(material.Chain)}, "Wire cutters: to cut the wire, to part the chain"},
		{"charms on rings", []material.Material{charm}, "Two pairs of flat-nose pliers: to open and close rings"},
		{"a drop", []material.Material{drop}, "Wire cutters: to trim pins, Round-nose pliers: to turn loops"},
		{"a drop in a pendant", []material.Material{pendant}, "Wire cutters: to trim pins, Round-nose pliers: to turn loops"},
		{"a wrapped loop", []material.Material{made(material.BeadLink, &material.Pin{Loop: material.Loop{Kind: material.WrappedLoop}})}, "Wire cutters: to trim pins, Round-nose pliers: to turn loops, Flat-nose pliers: to hold a loop while its end is wound"},
		{"a coil", []material.Material{made(material.Coil, &material.Pin{Rod: 1.5})}, "Wire cutters: to trim pins, Rod of 1.5 mm: to wind coils on"},
		{"a tassel below", []material.Material{below}, "Scissors: to trim tassels"},
	} {
		got := listed(piece.House{Needle: 0.4}, piece.Clasp, nil, tt.of...)
		if want := strings.TrimSuffix("Ruler: to measure the cord and the strand, "+tt.want, ", "); strings.Join(got, ", ") != want {
			t.Errorf("%s:\n %s, want\n %s", tt.name, strings.Join(got, ", "), want)
		}
	}
}

func TestToolsFollowTheHouse(t *testing.T) {
	for crimp, want := range map[string]string{piece.CrimpFolded: "Crimping pliers: to fold crimps", piece.CrimpFlat: "Flat-nose pliers: to flatten crimps", piece.CrimpThreeSided: "Three-sided crimping pliers: to press crimps"} {
		if got := listed(piece.House{Crimp: crimp}, piece.Clasp, nil, material.Material{Finding: &material.Finding{Type: material.CrimpTube}}); !slices.Contains(got, want) {
			t.Errorf("%s: %v, want %s", crimp, got, want)
		}
	}
	corded := func(by string) *measure.Strand {
		return &measure.Strand{Row: &piece.Row{Cord: &material.Material{Cord: &material.Cord{}}}, Start: measure.Start{By: by}}
	}
	for by, want := range map[string]string{piece.StopStopper: "Bead stopper", piece.StopTape: "Tape", piece.StopClip: "Clip", piece.StopSlipKnot: "", piece.StopSpool: ""} {
		got := listed(piece.House{}, piece.Clasp, corded(by))
		if has := len(got) == 2 && strings.HasPrefix(got[1], want+": "); has != (want != "") || want == "" && len(got) != 1 {
			t.Errorf("held by %s: %v", by, got)
		}
	}
	for _, tt := range []struct {
		glue    string
		closure piece.ClosureType
		hold    measure.Hold
		want    bool
	}{{piece.Yes, piece.Knot, "", true}, {piece.No, piece.Knot, "", false}, {piece.Yes, piece.Clasp, "", false}, {piece.Yes, piece.Clasp, measure.HeldByKnot, true}, {piece.Yes, piece.Clasp, measure.HeldByCone, true}, {piece.Yes, piece.Clasp, measure.HeldByCrimp, false}, {piece.Yes, piece.Clasp, measure.HeldByFold, false}, {piece.Yes, piece.Tied, "", false}, {piece.Yes, piece.OnBar, "", true}} {
		s := corded(piece.StopSpool)
		s.Right.Hold = tt.hold
		if got := slices.Contains(listed(piece.House{Glue: tt.glue}, tt.closure, s), "Jeweller's glue: on the knots"); got != tt.want {
			t.Error(fmt.Sprintf("%+v", tt), got)
		}
	}
}
