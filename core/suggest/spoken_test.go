package suggest_test

import (
	"mala/core/length"
	"mala/core/suggest"
	"mala/words/en"
)

func init() { suggest.Reasoned = en.In(length.InMillimetres).Reason }
