package format

import (
	"encoding/json"
	"reflect"

	"github.com/danielgtaylor/huma/v2"
)

// Schema gives the JSON Schema of the named format, "piece" or "analysis", made
// from the Go types; nil for any other name.
func Schema(name string) []byte {
	kinds := map[string]reflect.Type{"piece": reflect.TypeFor[Document](), "analysis": reflect.TypeFor[Analysis]()}
	kind, ok := kinds[name]
	if !ok {
		return nil
	}
	registry := huma.NewMapRegistry("#/$defs/", huma.DefaultSchemaNamer)
	root := registry.Schema(kind, true, "")
	text, err := json.MarshalIndent(map[string]any{
		"$schema": "https://json-schema.org/draft/2020-12/schema",
		"title":   "mala-" + name + "/1",
		"$ref":    root.Ref,
		"$defs":   registry.Map(),
	}, "", "  ")
	if err != nil {
		return nil
	}
	return append(text, '\n')
}
