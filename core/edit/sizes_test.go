package edit

import (
	"testing"

	"mala/core/piece"
)

// The sizes of a piece go with its dishes: a letter changes in them too, and a dish that one of
// them uses stays.
func TestSizesGoWithTheDishes(t *testing.T) {
	p := tiedBench(t, "9P")
	small, large := tiedBench(t, "5P 2L").Leading().Line, p.Leading().Line
	sizes := []piece.Size{{Name: "small", Measure: 150, Line: small}, {Name: "large", Finished: 200, Line: large}}
	sized := applied(t, p, nil, SetSizes{Sizes: sizes})
	if len(sized.Check()) > 0 || len(sized.Sizes) != 2 || len(p.Sizes) > 0 {
		t.Fatalf("%v, %+v", sized.Check(), sized.Sizes)
	}
	swapped := applied(t, sized, nil, Letter{Letters: "P Qq"})
	if swapped.Sizes[0].Line.String() != "5Qq 2L" || swapped.Sizes[1].Line.String() != "9Qq" || sized.Sizes[0].Line.String() != "5P 2L" {
		t.Errorf("%v, %v", swapped.Sizes[0].Line, sized.Sizes[0].Line)
	}
	refuses(t, sized, "still in the size small", RemoveDish{Letter: "L"})
	if none := applied(t, sized, nil, SetSizes{}, RemoveDish{Letter: "L"}); len(none.Sizes) > 0 || none.Palette["L"] != nil {
		t.Errorf("%+v", none.Palette)
	}
	if twice := applied(t, sized, nil, SetSizes{Sizes: []piece.Size{sizes[0], sizes[0]}}); !faulted(twice.Check(), "Two sizes are called small") {
		t.Errorf("%v", twice.Check())
	}
}
