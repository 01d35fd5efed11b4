package measure_test

import (
	"mala/core/measure"
	"mala/words/en"
)

func init() { measure.ItemName = en.CutItem }
