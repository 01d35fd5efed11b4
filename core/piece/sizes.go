package piece

import "mala/core/length"

// The tables a shop starts from; it edits them as its own.

func defaultEase() []Ease {
	return []Ease{
		{"wrist", false, "snug", 0, 6},
		{"wrist", false, "comfortable", 6, 15},
		{"wrist", false, "loose", 15, 25},
		{"wrist", true, "comfortable", -6, 6},
		{"neck", false, "close", 6, 25},
		{"neck", false, "free", 25, 0},
		{"neck", true, "free", 25, 0},
		{"ankle", false, "comfortable", 6, 25},
		{"ankle", true, "comfortable", -6, 6},
	}
}

func defaultSizes() []BodySize {
	return []BodySize{
		{"wrist", "age 3-4", 130, true},
		{"wrist", "age 5-7", 140, true},
		{"wrist", "age 8-10", 148, true},
		{"wrist", "age 11-13", 155, true},
		{"wrist", "adult small", 150, false},
		{"wrist", "adult medium", 165, false},
		{"wrist", "adult large", 180, false},
		{"wrist", "adult extra large", 195, false},
	}
}

func defaultLengths() []NamedLength {
	in := func(n float64) length.MM { return length.MM(n) * length.Inch }
	return []NamedLength{
		{Necklace, "collar", in(12), in(14)},
		{Necklace, "choker", in(15), in(16)},
		{Necklace, "princess", in(17), in(19)},
		{Necklace, "matinee", in(20), in(24)},
		{Necklace, "opera", in(28), in(36)},
		{Necklace, "rope", in(45), 0},
		{Bracelet, "adult", in(6.5), in(8)},
	}
}
