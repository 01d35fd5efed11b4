package length_test

import (
	"fmt"

	"mala/core/length"
)

func ExampleParse() {
	for _, text := range []string{"19 cm", `7 1/2"`, "190"} {
		l, err := length.Parse(text, length.InMillimetres)
		fmt.Println(l, l.In(length.InInches), err)
	}
	_, err := length.Parse("7 furlongs", length.InMillimetres)
	fmt.Println(err)
	// Output:
	// 190 mm 7 1/2 in <nil>
	// 190.5 mm 7 1/2 in <nil>
	// 190 mm 7 1/2 in <nil>
	// "furlongs" is not a unit Mala knows. Use mm, cm, in or ".
}

// The parts of a sum are rounded so that what is read of them adds up.
func ExampleParts() {
	parts, sum := length.Parts([]length.MM{10.04, 10.04, 10.04}, length.InMillimetres)
	fmt.Println(parts, sum)
	// Output: [10.1 mm 10 mm 10 mm] 30.1 mm
}
