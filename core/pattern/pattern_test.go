package pattern

import (
	"math/rand/v2"
	"strings"
	"testing"
)

func mustParse(t testing.TB, text string) *Line {
	t.Helper()
	line, err := Parse(text)
	if err != nil {
		t.Fatalf("Parse(%q): %v", text, err)
	}
	return line
}

// spell writes the beads one by one, lower case where they are turned.
func spell(t testing.TB, line *Line, fill int) string {
	t.Helper()
	fills := Fills{}
	for _, n := range line.Nodes {
		if n.IsFill() {
			fills[n] = fill
		}
	}
	beads, err := line.Expand(fills)
	if err != nil {
		t.Fatal(err)
	}
	var b strings.Builder
	for _, p := range beads {
		if key := p.Node.Key(); p.Reversed {
			b.WriteString(strings.ToLower(key))
		} else {
			b.WriteString(key)
		}
	}
	return b.String()
}

func TestLinesExpandAndPrintCanonically(t *testing.T) {
	for _, tt := range []struct{ in, printed, beads string }{
		{"", "", ""},
		{" P ", "P", "P"},
		{"3P", "3P", "PPP"},
		{"3 P  L", "3P L", "PPPL"},
		{"1P", "P", "P"},
		{"HOPE", "H O P E", "HOPE"},
		{"2(A 3B)", "2(A 3B)", "ABBBABBB"},
		{"<2P L | S>", "<2P L | S>", "PPLSlpp"},
		{"<2P L|>", "<2P L |>", "PPLlpp"},
		{"<P|C H ~C>", "<P | C H ~C>", "PCHcp"},
		{"~(A 2B)", "~(A 2B)", "bba"},
		{"2~(A B)", "2~(A B)", "baba"},
		{"~(A ~B)", "~(A ~B)", "Ba"},
		{"~<A B | C D>", "~<A B | C D>", "ABdcba"},
		{"2<A|B>", "2<A | B>", "ABaABa"},
		{"{A B}", "{A B}", "ABAB"},
		{"{25mm: S}", "{25mm: S}", "SS"},
		{"{ 1 1/2\" :S}", "{1 1/2\": S}", "SS"},
		{"<{S} L | C>", "<{S} L | C>", "SSLClss"},
	} {
		line := mustParse(t, tt.in)
		if got := line.String(); got != tt.printed {
			t.Errorf("%q prints as %q, want %q", tt.in, got, tt.printed)
		}
		if got := spell(t, line, 2); got != tt.beads {
			t.Errorf("%q expands to %q, want %q", tt.in, got, tt.beads)
		}
	}
}

func TestFaultsSayWhereAndWhatWouldBeRight(t *testing.T) {
	deep := strings.Repeat("(", 201) + "P" + strings.Repeat(")", 201)
	for _, tt := range []struct {
		in    string
		wrong Code
		col   int
	}{
		{"3P 4", Missing, 5},
		{"P ~", Missing, 4},
		{"0P", BadCount, 1},
		{"P 10000P", BadCount, 3},
		{"99999999999999999999P", BadCount, 1},
		{"()", Empty, 1},
		{"P {}", Empty, 3},
		{"{25mm:}", Empty, 1},
		{"<|S>", Empty, 1},
		{"<P L>", NoCentre, 1},
		{"P <P L", NoCentre, 3},
		{"(P", Unclosed, 1},
		{"<P | S", Unclosed, 1},
		{"P)", Unopened, 2},
		{"(P>", Unopened, 3},
		{"P | S", Unopened, 3},
		{"<P | S | T>", Unopened, 8},
		{"é P", BadCharacter, 1},
		{"P 🙂", BadCharacter, 3},
		{"ßP", BadCharacter, 1},
		{"PL\xff", BadCharacter, 3},
		{"<script>", NoCentre, 1},
		{"{S} {T}", BadFill, 5},
		{"{S {25mm: T}}", BadFill, 4},
		{"{25furlongs: S}", BadLength, 2},
		{deep, TooDeep, 201},
		{strings.Repeat("P", MaxBytes+1), TooLong, 1},
	} {
		_, err := Parse(tt.in)
		f, ok := err.(*Fault)
		if !ok {
			t.Errorf("Parse(%.30q) = %v, want a fault", tt.in, err)
			continue
		}
		if f.Code != tt.wrong || f.Col != tt.col || f.Expected == "" || !strings.HasSuffix(f.Says, ".") {
			t.Errorf("Parse(%.30q) = %+v, want %s at column %d", tt.in, f, tt.wrong, tt.col)
		}
	}
}

func TestEveryBeadKnowsItsNodeThroughMirrorAndRepeat(t *testing.T) {
	line := mustParse(t, "<2(A B) | C>")
	beads, _ := line.Expand(nil)
	for _, p := range beads {
		if line.Nodes[p.Node.ID] != p.Node {
			t.Fatalf("node %d is not where its number says", p.Node.ID)
		}
		if text := "<2(A B) | C>"[p.Node.Col-1 : p.Node.End-1]; text != p.Node.Key() {
			t.Errorf("bead %s came from %q", p.Node.Key(), text)
		}
	}
	if a := beads[0].Node; beads[2].Node != a || beads[len(beads)-1].Node != a {
		t.Error("the A of every repeat, and of the mirrored half, is one node")
	}
}

func TestTooManyBeadsIsRefusedBeforeTheyAreLaidOut(t *testing.T) {
	line := mustParse(t, "9999(9999(9999(9999(9999P))))")
	if _, err := line.Expand(nil); err == nil || err.(*Fault).Code != TooMany {
		t.Errorf("got %v, want too many beads", err)
	}
	if _, err := mustParse(t, "9999P P").Expand(nil); err != nil {
		t.Errorf("ten thousand beads are allowed, got %v", err)
	}
	empty := mustParse(t, "9999(9999(9999({P})))")
	if beads, err := empty.Expand(nil); err != nil || len(beads) != 0 {
		t.Errorf("fills of nothing = %d beads, %v", len(beads), err)
	}
}

func TestReversingTwiceIsTheSameLine(t *testing.T) {
	rng := rand.New(rand.NewPCG(1, 2))
	for range 500 {
		text := randomItems(rng, 3)
		once := spell(t, mustParse(t, text), 2)
		if twice := spell(t, mustParse(t, "~(~("+text+"))"), 2); twice != once {
			t.Fatalf("%q spells %q, turned twice %q", text, once, twice)
		}
		mirrored := spell(t, mustParse(t, "<"+text+" |>"), 2)
		if half := len(mirrored) / 2; mirrored[:half] != once {
			t.Fatalf("the half of %q is %q", mirrored, once)
		}
	}
}

// randomItems makes a line of up to four items, nested at most depth deep,
// without an open fill.
func randomItems(rng *rand.Rand, depth int) string {
	var items []string
	for range 1 + rng.IntN(4) {
		item := ""
		if rng.IntN(2) == 0 {
			item += string(rune('2' + rng.IntN(3)))
		}
		if rng.IntN(4) == 0 {
			item += "~"
		}
		switch k := rng.IntN(6); {
		case depth > 0 && k == 0:
			item += "(" + randomItems(rng, depth-1) + ")"
		case depth > 0 && k == 1:
			item += "<" + randomItems(rng, depth-1) + " | " + randomItems(rng, 0) + ">"
		default:
			item += string(rune('A' + rng.IntN(4)))
		}
		items = append(items, item)
	}
	return strings.Join(items, " ")
}

func FuzzParse(f *testing.F) {
	for _, s := range []string{"<2S 19P B L B 11P S A S 7P | C E ~C>", "6(A 3B)", "{25mm: S} {P}", "~<A|>", "Pa 3~(B)", "{½: S}", "<S _10mm 2[3(S T) . ~R] | @25mm> 3_1/2in", "[S . R][T.P]_5mm@6mm", "2~B[5S D[2S] [S . R]] P[S]~Ca[<T | S>] B[10S . R]"} {
		f.Add(s)
	}
	f.Fuzz(func(t *testing.T, s string) {
		line, err := Parse(s)
		if err != nil {
			if _, ok := err.(*Fault); !ok {
				t.Fatalf("%q: %v is no fault", s, err)
			}
			return
		}
		printed := line.String()
		again, err := Parse(printed)
		if err != nil {
			t.Fatalf("%q prints as %q, which does not parse: %v", s, printed, err)
		}
		if again.String() != printed || len(again.Nodes) != len(line.Nodes) {
			t.Fatalf("%q prints as %q, which prints as %q", s, printed, again)
		}
		_, _ = line.Expand(Fills{line.OpenFill(): 3})
	})
}
