package desk

import (
	"reflect"

	"mala/format"
)

// AnalysisSchema is the JSON Schema of the analysis, made from the Go types.
func AnalysisSchema() []byte { return format.SchemaOf(reflect.TypeFor[Analysis](), AnalysisFormat) }
