package check

import (
	"math/rand/v2"
	"strings"
	"testing"

	"mala/core/measure"
	"mala/core/piece"
	"mala/core/testparts"
)

// spelled writes the beads of a line one by one.
func spelled(t *testing.T, line string) []string {
	t.Helper()
	parsed := testparts.Line(t, line)
	beads, err := parsed.Expand(nil)
	if err != nil {
		t.Fatal(err)
	}
	var out []string
	for _, b := range beads {
		out = append(out, b.Node.Key())
	}
	return out
}

func without(keys []string, i int) []string {
	return append(append([]string{}, keys[:i]...), keys[i+1:]...)
}

func withBead(keys []string, i int, key string) []string {
	return append(append(append([]string{}, keys[:i]...), key), keys[i:]...)
}

// mended is the beads as the slip says they should be.
func mended(s *measure.Strand, keys []string, l *slip) []string {
	switch l.kind {
	case missing:
		return withBead(keys, l.at, l.spell(s))
	case extra:
		return without(keys, l.at)
	}
	return withBead(without(keys, l.at), l.at, l.spell(s))
}

// regular says whether the beads are a mirror, or whole repeats of one stretch.
func regular(keys []string, ring bool) bool {
	n := len(keys)
	mirror := true
	for i := range keys {
		mirror = mirror && keys[i] == keys[n-1-i]
	}
	for p := 2; p <= n/2; p++ {
		repeats := !ring || n%p == 0
		for i := p; i < n && repeats; i++ {
			repeats = keys[i] == keys[i-p]
		}
		if repeats {
			return true
		}
	}
	if !ring || mirror {
		return mirror
	}
	for turn := range n {
		open := append(append([]string{}, keys[turn+1:]...), keys[:turn]...)
		same := true
		for i := range open {
			same = same && open[i] == open[len(open)-1-i]
		}
		if same {
			return true
		}
	}
	return false
}

// One bead of a regular order is left out, put in or taken for another, at every
// place in turn. Whatever is said about it makes the order regular again, and where
// a bead was left out of a mirror or a repeat it is noticed.
func TestOneSlipAnywhereInARegularOrder(t *testing.T) {
	for _, tt := range []struct {
		line                          string
		ring                          bool
		leftOut, putIn, takenForOther int // at how many places it is noticed
	}{
		{"3P T 4P G 4P T 3P", false, 14, 16, 12},
		{"T 3P T P G P T 3P T 3P G 3P T 3P T P G P T 3P T", false, 32, 32, 30},
		{"6(2P T F)", false, 16, 17, 17},
		{"8(P T)", false, 14, 16, 15},
		{"6(2P T F)", true, 24, 24, 24},
		{"5(P T F)", true, 0, 15, 15},
		{"A 3P T 4P T 3P B 3P T 4P T 3P", true, 24, 24, 24},
	} {
		keys := spelled(t, tt.line)
		found := [3]int{}
		try := func(kind int, spoilt []string) {
			if regular(spoilt, tt.ring) {
				return
			}
			line := strings.Join(spoilt, " ")
			var p *piece.Piece
			if tt.ring {
				p = stretch(t, line)
			} else {
				p = necklace(t, line)
			}
			m := measuredPiece(t, p)
			s := m.Leading()
			l := slipIn(&View{Measured: m}, s)
			if l == nil {
				return
			}
			found[kind]++
			if back := mended(s, spoilt, l); !regular(back, tt.ring) {
				t.Errorf("%s: in %s a bead is %s at %d, and %s is not regular either", tt.line, line, l.kind, l.at, strings.Join(back, " "))
			}
		}
		for i, key := range keys {
			try(0, without(keys, i))
			try(1, withBead(keys, i, key))
			other := "P"
			if key == "P" {
				other = "T"
			}
			try(2, withBead(without(keys, i), i, other))
		}
		if want := [3]int{tt.leftOut, tt.putIn, tt.takenForOther}; found != want {
			t.Errorf("%s, ring %v: noticed left out, put in, taken for another %v times, want %v of %d", tt.line, tt.ring, found, want, len(keys))
		}
	}
}

// A ring of whole repeats and a part of one breaks, wherever its line begins; the
// fix finishes the repeat or takes the part out, whichever is less.
func TestARingAPartOfARepeatOverIsPutRightFromAnyPlace(t *testing.T) {
	for _, repeat := range []string{"P T", "P 2T", "A B F D", "2P T F"} {
		keys := spelled(t, repeat)
		for part := 1; part < len(keys); part++ {
			ring := append(spelled(t, "6("+repeat+")"), keys[:part]...)
			for turn := range ring {
				line := strings.Join(append(append([]string{}, ring[turn:]...), ring[:turn]...), " ")
				p := stretch(t, line)
				s, says := measuredPiece(t, p).Leading(), "loop-break"
				if b := breakIn(s); b == nil && slipIn(&View{Measured: measuredPiece(t, p)}, s) != nil && (part == 1 || part == len(keys)-1) {
					says = "pattern-break" // one bead, and not where the line begins and ends
				} else if b == nil || b.part == 0 || b.period != len(keys) || b.part != part || b.repeats != 6 {
					t.Errorf("%s: %+v, want a part of %d of %d", line, b, part, len(keys))
					continue
				}
				fix, after := fixed(t, p, says)
				if fix == nil {
					t.Errorf("%s is not put right", line)
					continue
				}
				var now []string
				for _, b := range measuredPiece(t, after).Leading().Beads {
					now = append(now, b.Key)
				}
				if !regular(now, true) || len(now)%len(keys) != 0 || max(len(now)-len(ring), len(ring)-len(now)) > min(part, len(keys)-part) {
					t.Errorf("%s: %s gives %s", line, spoken(fix), strings.Join(now, " "))
				}
			}
		}
	}
}

// A bead too many or too few anywhere in a ring of repeats is found, and named where it is: in the run
// that it belongs to. Only one at the join is said of the join.
func TestOneBeadInARingOfRepeatsIsNamedWhereItIs(t *testing.T) {
	r := rand.New(rand.NewPCG(9, 8))
	for range 200 {
		var repeat []string
		for range 3 + r.IntN(4) {
			repeat = append(repeat, []string{"P", "T", "F", "G"}[r.IntN(4)])
		}
		var keys []string
		for range 5 + r.IntN(4) {
			keys = append(keys, repeat...)
		}
		if spoilt := regularBy(repeat); len(keys) < fewestPattern || spoilt {
			continue
		}
		k := 1 + r.IntN(len(keys)-1)
		spoilt, kind := without(keys, k), missing
		if r.IntN(2) == 0 {
			spoilt, kind = withBead(keys, k, keys[r.IntN(len(keys))]), extra
		}
		s := measuredPiece(t, stretch(t, strings.Join(spoilt, " "))).Leading()
		l := slipIn(&View{Measured: measuredPiece(t, stretch(t, strings.Join(spoilt, " ")))}, s)
		if l == nil && breakIn(s) != nil {
			continue // at the join
		}
		if l == nil {
			t.Errorf("%v: nothing is found of a bead %s at %d", spoilt, kind, k)
			continue
		}
		if back := mended(s, spoilt, l); !regular(back, true) {
			t.Errorf("%v: a bead is %s at %d, said %s at %d", spoilt, kind, k, l.kind, l.at)
		}
	}
}

// regularBy says whether a stretch is itself repeats of a shorter one, or of one kind.
func regularBy(stretch []string) bool {
	for p := 1; p < len(stretch); p++ {
		if len(stretch)%p != 0 {
			continue
		}
		same := true
		for i := p; i < len(stretch); i++ {
			same = same && stretch[i] == stretch[i-p]
		}
		if same {
			return true
		}
	}
	return false
}
