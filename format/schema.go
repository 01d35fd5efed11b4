package format

import (
	"encoding/json"
	"reflect"

	"github.com/danielgtaylor/huma/v2"
)

// PieceSchema is the JSON Schema of the piece file, made from the Go types.
func PieceSchema() []byte { return SchemaOf(reflect.TypeFor[Document](), PieceFormat) }

// SchemaOf makes the JSON Schema of a type under a title.
func SchemaOf(kind reflect.Type, title string) []byte {
	registry := huma.NewMapRegistry("#/$defs/", huma.DefaultSchemaNamer)
	root := registry.Schema(kind, true, "")
	text, err := json.MarshalIndent(map[string]any{
		"$schema": "https://json-schema.org/draft/2020-12/schema",
		"title":   title,
		"$ref":    root.Ref,
		"$defs":   registry.Map(),
	}, "", "  ")
	if err != nil {
		return nil
	}
	return append(text, '\n')
}
