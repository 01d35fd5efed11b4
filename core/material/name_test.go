package material

import "testing"

func TestANameBeginsSmallWithinASentence(t *testing.T) {
	for name, want := range map[string]string{"Brass ring": "brass ring", "Øresund Pearl": "øresund Pearl", "4 mm round": "4 mm round", "Z": "z", "": ""} {
		if got := InSentence(name); got != want {
			t.Errorf("%q becomes %q", name, got)
		}
	}
}
