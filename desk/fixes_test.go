package desk_test

import (
	"encoding/json"
	"testing"

	"mala/demo"
	"mala/desk"
)

// The fixes of a piece with nothing wrong are an empty list, not none.
func TestFixesAreAListWhereNothingIsWrong(t *testing.T) {
	for _, name := range demo.Pieces() {
		doc, err := demo.Piece(name)
		if err != nil {
			t.Fatal(err)
		}
		a, err := desk.Analyse(t.Context(), doc, desk.Options{})
		if err != nil {
			t.Fatal(err)
		}
		fixes, err := desk.Fixes(t.Context(), doc, desk.Options{})
		if text, _ := json.Marshal(fixes); err != nil || len(fixes) != len(a.Checks) || string(text) == "null" {
			t.Errorf("%s: %d fixes of %d checks, %v", name, len(fixes), len(a.Checks), err)
		}
	}
}
