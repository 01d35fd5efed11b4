package suggest_test

import (
	"mala/core/length"
	"mala/core/suggest"
	"mala/words/en"
)

func init() {
	suggest.Reasoned = en.In(length.InMillimetres).Reason
	suggest.Refusal = func(err error) string {
		if lacks, is := err.(*suggest.Lacks); is {
			return en.Lacks(lacks)
		}
		return err.Error()
	}
}
