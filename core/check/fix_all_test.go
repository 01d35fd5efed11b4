package check

import (
	"testing"

	"mala/core/edit"
	"mala/core/piece"
)

// All fixes carried out one after the other leave what is said to be left, and nothing that was not there.
func TestAllFixesTogetherLeaveWhatTheySay(t *testing.T) {
	for name, p := range map[string]*piece.Piece{
		"too short, no slack": necklace(t, "20P", slack(0), target(106, 3)),
		"no crimp, no clasp":  necklace(t, "20P", leftEnd(), closed()),
		"a wide crimp":        necklace(t, "20P", leftEnd(tinyCrimp), closed(lobster, soldered)),
		"a bead too few":      necklace(t, "3P T 4P G 4P T 2P", slack(0)),
		"right as it is":      necklace(t, "20P", closed(lobster, jump)),
	} {
		m := measuredPiece(t, p)
		all := FixAll(t.Context(), m, Shelf{Materials: shelf(t)}, nil)
		var ops []edit.Op
		for i := range all.Fixes {
			ops = append(ops, all.Fixes[i].Ops...)
		}
		after, err := edit.Try(p, shelf(t), ops...)
		if err != nil {
			t.Fatalf("%s: %v", name, err)
		}
		worse := 0
		for _, f := range All(after) {
			if f.Severity != Advise {
				worse++
			}
		}
		before := 0
		for _, f := range All(m) {
			if f.Severity != Advise {
				before++
			}
		}
		if worse != len(all.Left) || len(New(All(m), All(after))) > 0 || before > 0 && worse >= before || (len(all.Fixes) > 0) != (before > 0) {
			t.Errorf("%s: %d before, %d after, %d said to be left by %d fixes", name, before, worse, len(all.Left), len(all.Fixes))
		}
	}
}
