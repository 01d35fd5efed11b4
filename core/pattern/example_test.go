package pattern_test

import (
	"fmt"

	"mala/core/pattern"
)

// A mirror about a centre, with a run and a group on its left half.
func ExampleParse() {
	line, err := pattern.Parse("<2P 3(A B) | C>")
	if err != nil {
		panic(err)
	}
	placed, err := line.Expand(nil)
	if err != nil {
		panic(err)
	}
	for _, b := range placed {
		fmt.Print(b.Node.Key())
	}
	fmt.Println("", line)
	// Output: PPABABABCBABABAPP <2P 3(A B) | C>
}

func ExampleFaults() {
	_, err := pattern.Parse("3P (A")
	for _, fault := range pattern.Faults(err) {
		fmt.Printf("column %d: %s\n", fault.Col, fault.Says)
	}
	// Output: column 4: This group is not closed. Put a ) after its last bead.
}
