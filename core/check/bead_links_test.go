package check

import (
	"strings"
	"testing"

	"mala/core/component"
	"mala/core/edit"
	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
)

// Bead links that make a row of their own are judged as components are, and made again
// on a longer pin wherever the row has them.
func TestBeadLinksOfARowAreJudgedAndMended(t *testing.T) {
	eye := func(id string, long length.MM) *material.Material {
		return finding(id, "brass", material.Finding{Type: material.EyePin, Length: long, Wire: 0.6, Inside: 2})
	}
	short, long := eye("short eye pin", 11), eye("long eye pin", 30)
	link := dropOf(t, "P", func(p *component.Plan) { p.Kind, p.Pin, p.Rings = material.BeadLink, short, nil })
	link.ID, link.Name = "pearl-link", "Pearl link"
	p := necklace(t, "40P", closed(lobster, bigRing), func(p *piece.Piece, _ *piece.Row) { p.Closure.Right = fittings("cr", bigRing) })
	p, _, err := edit.Apply(p, nil, edit.AddRow{Chain: link})
	if err != nil || len(p.Check()) > 0 {
		t.Fatal(err, p.Check())
	}
	f := of(all(t, p), "leg-short")
	if f == nil || !strings.Contains(spoken(f), "Pearl link needs") || f.At.Fitting != p.Rows()[1].Left[0].ID {
		t.Fatalf("%+v", f)
	}
	fix, after := fixed(t, p, "leg-short", short, long)
	if fix == nil {
		t.Fatal("no fix")
	}
	if made := after.Rows()[1].Left[0].Of; made.Component.Pin.Of != long || !made.HasLinks() {
		t.Errorf("made on %s", made.Component.Pin.Of.Name)
	}
	if of(all(t, after), "leg-short") != nil {
		t.Error("it is still too short")
	}
	if p.Rows()[1].Left[0].Of != link {
		t.Error("the piece itself is left alone")
	}
}
