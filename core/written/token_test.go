package written

import (
	"fmt"
	"strings"
	"testing"

	"mala/core/length"
)

// seen writes tokens so that a test can read them: words as they are, n4 for the number 4,
// 45mm for a length in millimetres.
func seen(tokens []token) string {
	var out []string
	for _, t := range tokens {
		switch t.sort {
		case number:
			out = append(out, fmt.Sprintf("n%g", t.value))
		case size:
			out = append(out, fmt.Sprintf("%.6gmm", float64(t.mm())))
		default:
			out = append(out, t.text)
		}
	}
	return strings.Join(out, " ")
}

func TestTokens(t *testing.T) {
	for line, want := range map[string]string{
		"102 Sea-pearls, 6mm":       "n102 sea pearls , 6mm",
		"1,200 seeds; 12,345,678 x": "n1200 seeds ; n1.2345678e+07 x",
		"19,5 cm 19.5cm":            "195mm 195mm",
		"1,200 mm":                  "1.2mm",
		"17 1/2 in. and 17-1/2\"":   "444.5mm and 444.5mm",
		"17½” 17 ½ inches ½ in":     "444.5mm 444.5mm 12.7mm",
		"3/4 in, 8/0 seeds":         "19.05mm , 8/0 seeds",
		"⅔ in ⅓ in ⅛ in ⅜ in ⅝ in ⅞ in ¼ in ¾ in": "16.9333mm 8.46667mm 3.175mm 9.525mm 15.875mm 22.225mm 6.35mm 19.05mm",
		"dozen pearls, two dozen":                 "n12 pearls , n24",
		"17 in. Cut 1 in. of it":                  "431.8mm . cut 25.4mm of it",
		".36 mm":                                  "0.36mm",
		"1 m 2 ft 1 yd half a metre":              "1000mm 609.6mm 914.4mm 500mm",
		"102 in all, 3 m each, 4 in a row":        "n102 in all , n3 m each , n4 in a row",
		"forty-two caps, twenty, a dozen":         "n42 caps , n20 , n12",
		"2 dozen, a pair of, three pairs":         "n24 , n2 of , n6",
		"two-row four-hole thirty-":               "n2 row four hole n30 -",
		"pearls ...... 8":                         "pearls : n8",
		"pearls … 8":                              "pearls : n8",
		"gull's eye":                              "gull's eye",
		"4 x 6mm (x3) 90° 🙂":                      "n4 x 6mm ( x n3 ) n90 ° 🙂",
		"a\tb|c":                                  "a , b | c",
		"1/0 5/99 1/65":                           "1/0 5/99 1/65",
		"9999999999999999999 0.1234567890123":     "n9.99999999999999e+14 n0 . n1.234567890123e+12",
	} {
		if got := seen(lex(line, 0)); got != want {
			t.Errorf("%q: %s, want %s", line, got, want)
		}
	}
}

func TestEveryUnitIsKnown(t *testing.T) {
	for units, mm := range map[string]length.MM{"mm millimetre millimetres millimeter millimeters": 1, "cm centimetre centimetres centimeter centimeters": 10, "m metre metres meter meters": 1000, "in inch inches \" ” ″": 25.4, "ft foot feet": 304.8, "yd yard yards": 914.4} {
		for _, unit := range strings.Fields(units) {
			if got := lex("2 "+unit, 0); len(got) != 1 || abs(got[0].mm()-2*mm) > 1e-9 {
				t.Errorf("2 %s: %+v", unit, got)
			}
		}
	}
}

func TestTokensKnowWhereTheyAre(t *testing.T) {
	line := "½ é 17 1/2 in sea-pearls 1,200 a dozen 🙂 forty-two"
	for _, tok := range lex(line, 100) {
		text := line[tok.from-100 : tok.to-100]
		if strings.TrimSpace(text) != text || text == "" {
			t.Errorf("%+v is at %q", tok, text)
		}
		if tok.sort == number && tok.end != tok.to || tok.sort == size && line[tok.end-100:tok.to-100] != " in" {
			t.Errorf("the figure of %q ends at %d", text, tok.end)
		}
	}
}

func TestFiguresAreWrittenInTheirOwnManner(t *testing.T) {
	for _, tt := range []struct {
		as   string
		mm   length.MM
		want string
	}{
		{"45 cm", 586, "58.6"}, {"45 cm", 590, "59"}, {"45,5 cm", 586, "58,6"}, {"450 mm", 586.4, "586"}, {"450.0 mm", 586.44, "586.4"},
		{"17 in", 457.2, "18"}, {"17 in", 390, "15 3/8"}, {"17 1/2 in", 450.85, "17 3/4"}, {"1/2 in", 19.05, "3/4"}, {"17½ in", 457.2, "18"}, {"1 m", 1166, "1.2"}, {"1.0 m", 1166, "1.2"}, {"2 ft", 762, "2.5"},
	} {
		tok := lex(tt.as, 0)[0]
		if got := tok.length(tt.mm, tt.as[tok.from:tok.end]); got != tt.want {
			t.Errorf("%v as %q: %q, want %q", tt.mm, tt.as, got, tt.want)
		}
	}
	for as, want := range map[string]string{"45 cm": "460.0", "450 mm": "456.0", "1 m": "500.0"} {
		tok := lex(as, 0)[0]
		if got := fmt.Sprintf("%.1f", float64(tok.up(455.1))); got != want {
			t.Errorf("455.1 mm rounded up as %q: %s, want %s", as, got, want)
		}
	}
	for as, want := range map[string]string{"5": "21 12 0", "five": "21 twelve 0"} {
		tok := lex(as, 0)[0]
		if got := tok.number(21) + " " + tok.number(12) + " " + tok.number(0); got != want {
			t.Errorf("as %q: %s, want %s", as, got, want)
		}
	}
	for as, want := range map[string]float64{"45 cm": 5, "45.5 cm": 0.5, "450 mm": 0.5, "18 in": 5, "17 3/4 in": 3.175, "17.5 in": 1.27} {
		if got := lex(as, 0)[0].roughly(); abs(got-length.MM(want)) > 1e-9 {
			t.Errorf("%q is right to %v mm, want %v", as, got, want)
		}
	}
}

// shown writes clauses with what they speak of.
func shown(list []clause) string {
	var out []string
	for _, c := range list {
		text := seen(c.tokens)
		if len(c.aside) > 0 {
			text += " [" + seen(c.aside) + "]"
		}
		if c.row != whole {
			text += fmt.Sprintf(" @%d", c.row)
		}
		for flag, on := range map[string]bool{" each": c.each, " ends": c.ends, " sides": c.sides, " step": c.step} {
			if on {
				text += flag
			}
		}
		if c.times != 1 {
			text += fmt.Sprintf(" *%d", c.times)
		}
		out = append(out, text)
	}
	return strings.Join(out, " / ")
}

func TestClauses(t *testing.T) {
	for line, want := range map[string]string{
		"90 pearls, 8 caps and 2 crimps; 1 clasp":                "n90 pearls / n8 caps / n2 crimps / n1 clasp",
		"sea-pearl, 6 mm, 102":                                   "sea pearl 6mm n102",
		"sea-pearl | 6 mm | 102":                                 "sea pearl 6mm n102",
		"45 cm (17 3/4 in) long":                                 "450mm long [450.85mm]",
		"3 x (2 pearls, 1 cap), 2 pearls":                        "n2 pearls *3 / n1 cap *3 / n2 pearls",
		"(2 pearls, 1 cap) x 3":                                  "n2 pearls *3 / n1 cap *3",
		"2 x (3 x (1 pearl) 1 cap)":                              "n1 pearl *6 / n1 cap *2",
		"row 2: 4 pearls and 2 caps":                             ": n4 pearls @2 / n2 caps @2",
		"4 pearls and 2 caps in row 2":                           "n4 pearls @2 / n2 caps in @2",
		"4 pearls in the first row and 2 caps in the second row": "n4 pearls in the @1 / n2 caps in the @2",
		"a crimp and a ring at each end":                         "a crimp ends / a ring at ends",
		"2 crimps, one at each end":                              "n2 crimps / n1 at ends",
		"each side: 3 pearls, 2 caps":                            ": n3 pearls sides / n2 caps sides",
		"2 strands of pearls, 60 each":                           "n2 strands of pearls [n60 each]",
		"rings 5 mm x 1, 7 mm x 1":                               "rings 5mm x n1 / rings 7mm x n1",
		"4 pearls alternating with 3 caps":                       "n4 pearls / n3 caps",
		"4 pearls. 2 caps on each row.":                          "n4 pearls / n2 caps on each",
		"sea-pearl (6 mm) x 102":                                 "sea pearl x n102 [6mm]",
		"2 x (6 mm)":                                             "n2 x [6mm]",
		"(unclosed 3 pearls":                                     " [unclosed n3 pearls]",
		"":                                                       "",
	} {
		if got := shown(clauses(lex(line, 0), whole, false)); got != want {
			t.Errorf("%q:\n %s, want\n %s", line, got, want)
		}
	}
}

func TestWordsInTheSingular(t *testing.T) {
	for word, want := range map[string]string{"pearls": "pearl", "caps": "cap", "glass": "glass", "chips": "chip", "crosses": "cross", "boxes": "box", "berries": "berry", "brass": "brass", "brushes": "brush", "hus": "hus", "citrus": "citrus", "gull's": "gull", "as": "as"} {
		if got := stem(word); got != want {
			t.Errorf("%s: %s, want %s", word, got, want)
		}
	}
	for n, want := range map[int]string{1: "1 garnet on a coil", 2: "2 garnets on a coil", 0: "0 garnets on a coil"} {
		if got := several(n, "garnet on a coil"); got != want {
			t.Errorf("%s, want %s", got, want)
		}
	}
	if got := several(3, "lantern glass") + ", " + several(2, "beading wire, 19 strands"); got != "3 lantern glass, 2 beading wires, 19 strands" {
		t.Error(got)
	}
}

func TestTextsAreCorrected(t *testing.T) {
	text := "90 pearls and 8 caps"
	for _, tt := range []struct {
		edits []Edit
		want  string
	}{
		{nil, text},
		{[]Edit{{14, 15, "9"}, {0, 2, "102"}}, "102 pearls and 9 caps"},
		{[]Edit{{20, 20, "\n1 clasp"}, {20, 20, "\n2 rings"}}, text + "\n1 clasp\n2 rings"},
		{[]Edit{{0, 2, "102"}, {1, 2, "7"}}, "102 pearls and 8 caps"},
		{[]Edit{{0, 99, "no"}}, text},
	} {
		if got := Correct(text, tt.edits); got != tt.want {
			t.Errorf("%v: %q, want %q", tt.edits, got, tt.want)
		}
	}
}

func TestLinesBeginBehindTheirBullets(t *testing.T) {
	for line, want := range map[string]string{"- 3 caps": "3 caps", "  * - 3 caps": "3 caps", "1. 3 caps": "3 caps", "12) 3 caps": "3 caps", "3.5 caps": "3.5 caps", "3 caps": "3 caps", "Step 4: 3 caps": " 3 caps", "step by step": "step by step", "1234. caps": "1234. caps", "☐ caps": "caps", "": ""} {
		if got := line[bullet(line):]; got != want {
			t.Errorf("%q: %q, want %q", line, got, want)
		}
	}
}
