package en

import (
	"go/ast"
	"go/parser"
	"go/token"
	"os"
	"regexp"
	"strings"
	"testing"

	"mala/core/caution"
	"mala/core/material"
	"mala/core/piece"
	"mala/core/tools"
	"mala/core/way"
	"mala/words"
)

// methods lists the types of a package that have a method of that name.
func methods(t *testing.T, folder, method string) []string {
	t.Helper()
	var out []string
	for _, file := range parsed(t, folder) {
		for _, d := range file.Decls {
			f, is := d.(*ast.FuncDecl)
			if is && f.Recv != nil && f.Name.Name == method {
				out = append(out, f.Recv.List[0].Type.(*ast.Ident).Name)
			}
		}
	}
	return out
}

func parsed(t *testing.T, folder string) []*ast.File {
	t.Helper()
	entries, err := os.ReadDir(folder)
	if err != nil {
		t.Fatal(err)
	}
	var out []*ast.File
	for _, e := range entries {
		if !strings.HasSuffix(e.Name(), ".go") || strings.HasSuffix(e.Name(), "_test.go") {
			continue
		}
		file, err := parser.ParseFile(token.NewFileSet(), folder+"/"+e.Name(), nil, 0)
		if err != nil {
			t.Fatal(err)
		}
		out = append(out, file)
	}
	return out
}

// spoken lists the types of another package that a switch of this one has a case for.
func spoken(t *testing.T, of string) map[string]bool {
	t.Helper()
	out := map[string]bool{}
	for _, file := range parsed(t, ".") {
		ast.Inspect(file, func(n ast.Node) bool {
			c, is := n.(*ast.CaseClause)
			if !is {
				return true
			}
			for _, e := range c.List {
				if s, is := e.(*ast.SelectorExpr); is {
					if pkg, is := s.X.(*ast.Ident); is && pkg.Name == of {
						out[s.Sel.Name] = true
					}
				}
			}
			return true
		})
	}
	return out
}

// Every kind of step, of gate, of what must be true and of making, of problem and of fix, of change
// and of reason has its words.
func TestEveryValueHasItsWords(t *testing.T) {
	for in, kinds := range map[string][]string{"steps": {"doing", "when", "point", "making"}, "check": {"fact", "effect"}, "solve": {"change", "reason"}, "suggest": {"reason"}} {
		has := spoken(t, in)
		for _, method := range kinds {
			all := methods(t, "../../core/"+in, method)
			if len(all) < 8 {
				t.Fatalf("only %d types are %s", len(all), method)
			}
			for _, name := range all {
				if name != "Gate" && !has[name] {
					t.Errorf("%s.%s has no words", in, name)
				}
			}
		}
	}
}

// Every caution, tool and use that is named in the core has its words.
func TestEveryNameHasItsWords(t *testing.T) {
	constants := func(folder, typ string) []string {
		var out []string
		for _, file := range parsed(t, folder) {
			ast.Inspect(file, func(n ast.Node) bool {
				v, is := n.(*ast.ValueSpec)
				if !is || v.Type == nil || len(v.Values) == 0 {
					return true
				}
				if id, is := v.Type.(*ast.Ident); is && id.Name == typ {
					out = append(out, strings.Trim(v.Values[0].(*ast.BasicLit).Value, `"`))
				}
				return true
			})
		}
		return out
	}
	for _, kind := range constants("../../core/tools", "Kind") {
		if toolNames[tools.Kind(kind)] == "" {
			t.Errorf("the tool %s has no name", kind)
		}
	}
	uses := constants("../../core/tools", "Use")
	if len(uses) < 20 {
		t.Fatalf("%d uses", len(uses))
	}
	for _, use := range uses {
		if toolUses[tools.Use(use)] == "" {
			t.Errorf("the use %s has no words", use)
		}
	}
	items := constants("../../core/way", "What")
	if len(items) < 30 {
		t.Fatalf("%d items of a cut", len(items))
	}
	for _, what := range items {
		bead := &material.Material{Name: "Lantern"}
		for _, side := range []piece.Side{"", piece.Left} {
			if name := CutItem(way.Item{What: way.What(what), Side: side, Of: bead, Turns: 1}); name == "" {
				t.Errorf("the item %s has no name", what)
			}
		}
	}
	keys := constants("..", "Key")
	if len(keys) < 25 || len(keys) != len(sentences) {
		t.Errorf("%d keys, %d sentences", len(keys), len(sentences))
	}
	for _, key := range keys {
		if sentences[words.Key(key)] == "" {
			t.Errorf("the key %s has no sentence", key)
		}
	}
	// Cautions are added by their codes.
	n := 0
	for _, file := range parsed(t, "../../core/caution") {
		ast.Inspect(file, func(node ast.Node) bool {
			c, is := node.(*ast.CallExpr)
			if !is || len(c.Args) != 1 {
				return true
			}
			f, is := c.Fun.(*ast.Ident)
			if !is || f.Name != "add" && f.Name != "keep" {
				return true
			}
			n++
			code := strings.Trim(c.Args[0].(*ast.BasicLit).Value, `"`)
			if f.Name == "add" && cautions[caution.Caution(code)] == "" || f.Name == "keep" && cares[caution.Care(code)] == "" {
				t.Errorf("%s has no sentence", code)
			}
			return true
		})
	}
	if n < 19 {
		t.Errorf("%d cautions and cares", n)
	}
}

// Rooms whose values are spoken here hold no phrase of their own: what a person reads is written in one
// place. Rooms that read what people type still say what is wrong with it.
func TestNoSentenceIsWrittenWhereItIsComputed(t *testing.T) {
	phrase := regexp.MustCompile("^[\"`][^<]*[A-Za-z]{2,} [a-z]{2,}")
	for _, room := range []string{"core/check", "core/drape", "core/solve", "core/steps", "core/suggest", "core/technique", "core/together", "core/tools", "core/way",
		"desk", "desk/buying", "desk/kits", "desk/sizing", "papers"} {
		for _, file := range parsed(t, "../../"+room) {
			tags := map[*ast.BasicLit]bool{}
			ast.Inspect(file, func(n ast.Node) bool {
				switch n := n.(type) {
				case *ast.Field:
					if n.Tag != nil {
						tags[n.Tag] = true
					}
				case *ast.CallExpr: // what a programmer reads, and what is wrong with a file
					if f, is := n.Fun.(*ast.Ident); is && (f.Name == "panic" || f.Name == "add" || f.Name == "fault") {
						return false
					}
				case *ast.FuncDecl:
					if n.Name.Name == "Error" {
						return false
					}
				case *ast.KeyValueExpr: // what is wrong with a call
					if key, is := n.Key.(*ast.Ident); is && key.Name == "Says" {
						return false
					}
				case *ast.BasicLit:
					if n.Kind == token.STRING && !tags[n] && phrase.MatchString(n.Value) {
						t.Errorf("%s writes %s", room, n.Value)
					}
				}
				return true
			})
		}
	}
}
