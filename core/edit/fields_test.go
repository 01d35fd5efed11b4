package edit

import (
	"go/ast"
	"go/parser"
	"go/token"
	"os"
	"reflect"
	"strings"
	"testing"

	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
)

// Every type that is an operation can be named by a call, and none stands for two.
func TestEveryOperationHasItsName(t *testing.T) {
	entries, err := os.ReadDir(".")
	if err != nil {
		t.Fatal(err)
	}
	known := map[string]bool{}
	for _, op := range blank {
		known[reflect.TypeOf(op).Name()] = true
	}
	found := 0
	for _, e := range entries {
		if !strings.HasSuffix(e.Name(), ".go") || strings.HasSuffix(e.Name(), "_test.go") {
			continue
		}
		file, err := parser.ParseFile(token.NewFileSet(), e.Name(), nil, 0)
		if err != nil {
			t.Fatal(err)
		}
		for _, d := range file.Decls {
			f, is := d.(*ast.FuncDecl)
			if !is || f.Recv == nil || f.Name.Name != "Do" {
				continue
			}
			found++
			if name := f.Recv.List[0].Type.(*ast.Ident).Name; !known[name] {
				t.Errorf("no call names %s", name)
			}
		}
	}
	if found < 60 || len(blank) != found+4 { // a bracket is one type with five names
		t.Errorf("%d operations, %d names", found, len(blank))
	}
}

// What a call says comes to the operation field by field, and back.
func TestAnOperationReadsBack(t *testing.T) {
	mm, tolerance := length.MM(12), length.MM(2)
	full := Fields{At: piece.Place{Row: "r2", Side: piece.Right, Fitting: "f3", Element: 4}, From: 5, To: 6, Node: 7, N: 8, Text: "text", Field: "field", Closure: true, Alike: true,
		Material: &material.Material{ID: "m"}, Length: &mm, Tolerance: &tolerance, Body: &piece.Body{Part: "wrist"}, Hanging: &piece.Hanging{Over: "itself"}, Sizes: []piece.Size{{Name: "S"}}}
	for name, proto := range blank {
		in := full
		if name.field != "" {
			in.Field = name.field
		}
		op, err := in.Op(name.do)
		if err != nil || reflect.TypeOf(op) != reflect.TypeOf(proto) || op.Do() != name.do {
			t.Fatalf("%v: %T, %v", name, op, err)
		}
		out := FieldsOf(op)
		again, err := out.Op(op.Do())
		if err != nil || !reflect.DeepEqual(again, op) {
			t.Errorf("%v: %+v, read back %+v, %v", name, op, again, err)
		}
		// Every field of the operation was filled by one of the call's.
		v := reflect.ValueOf(op)
		for i := range v.NumField() {
			if v.Field(i).IsZero() {
				t.Errorf("%v: nothing came to %s", name, v.Type().Field(i).Name)
			}
		}
	}
	for do, field := range map[Do]string{"set-end": "nose", "set-lacing": "nose", "dance": ""} {
		if _, err := (Fields{Field: field}).Op(do); err == nil || !strings.HasSuffix(err.Error(), ".") {
			t.Errorf("%s %s: %v", do, field, err)
		}
	}
}
