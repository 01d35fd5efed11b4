package material

import (
	"math"
	"strings"
	"testing"
)

func TestWhatAFindingAddsInAChainPulledTight(t *testing.T) {
	for _, tt := range []struct {
		name string
		f    Finding
		want float64
	}{
		{"a ring its inside", Finding{Type: JumpRing, Inside: 3.6, Wire: 0.7}, 3.6},
		{"an extender one link's inside", Finding{Type: Extender, Inside: 3.2, Wire: 0.7, Links: 12}, 3.2},
		{"a clasp as closed", Finding{Type: Lobster, Closed: 8.6, Length: 10, Wire: 0.7}, 8.6},
		{"a clasp less twice its wire", Finding{Type: Hook, Length: 16, Wire: 1.2}, 13.6},
		{"a toggle from eye to eye", Finding{Type: Toggle, RingInside: 9, RingEye: 1.6, Wire: 1.8, BarEye: 1.6}, 14},
		{"a guard its length", Finding{Type: WireGuard, Length: 4}, 4},
	} {
		f, err := NewFinding(tt.f)
		if err != nil {
			t.Fatalf("%s: %v", tt.name, err)
		}
		if got := float64(f.InSeries()); math.Abs(got-tt.want) > 1e-9 {
			t.Errorf("%s: adds %v, want %v", tt.name, got, tt.want)
		}
	}
}

func TestWhatAFindingBears(t *testing.T) {
	for _, tt := range []struct {
		name  string
		f     Finding
		holds float64
		known bool
	}{
		{"an open round ring bends open", Finding{Type: JumpRing, Inside: 3.6, Wire: 0.7, Joint: "open"}, 7.98, true},
		{"an oval one is not known", Finding{Type: JumpRing, Inside: 3.6, Wire: 0.7, Joint: "open", Form: "oval"}, 0, false},
		{"nor a soldered one", Finding{Type: JumpRing, Inside: 3.6, Wire: 0.7, Joint: "soldered"}, 0, false},
		{"its own figure wins", Finding{Type: JumpRing, Inside: 3.6, Wire: 0.7, Strength: 20}, 20, true},
		{"a clasp by its own figure", Finding{Type: Lobster, Closed: 8, Strength: 60}, 60, true},
	} {
		holds, known := tt.f.Holds()
		if math.Abs(holds-tt.holds) > 0.01 || known != tt.known {
			t.Errorf("%s: %v, %v; want %v, %v", tt.name, holds, known, tt.holds, tt.known)
		}
	}
}

func TestWhatOpensToTakeAnotherIn(t *testing.T) {
	for _, tt := range []struct {
		f    Finding
		open bool
	}{
		{Finding{Type: JumpRing}, true}, {Finding{Type: JumpRing, Joint: "soldered"}, false}, {Finding{Type: SplitRing}, true},
		{Finding{Type: Extender}, false}, {Finding{Type: Extender, Joint: "open"}, true},
		{Finding{Type: Lobster}, false}, {Finding{Type: SpringRing, Eye: "open"}, true},
	} {
		if got := tt.f.IsOpen(); got != tt.open {
			t.Errorf("%s, joint %q, eye %q: opens %v", tt.f.Type, tt.f.Joint, tt.f.Eye, got)
		}
	}
}

func TestAnInvalidFindingIsReported(t *testing.T) {
	for says, f := range map[string]Finding{
		"It has 0 links":         {Type: Extender, Inside: 3, Wire: 0.6},
		"It has 900 links":       {Type: Extender, Inside: 3, Wire: 0.6, Links: 900},
		"a tube has":             {Type: CrimpTube, Inside: 2, Outside: 2, Length: 2},
		"give the length closed": {Type: Hook, Length: 2, Wire: 1},
		"The wire is missing":    {Type: JumpRing, Inside: 3},
	} {
		if _, err := NewFinding(f); err == nil || !strings.Contains(err.Error(), says) {
			t.Errorf("%+v: %v, want a sentence with %q", f, err, says)
		}
	}
}
