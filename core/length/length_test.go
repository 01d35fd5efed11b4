package length

import (
	"encoding/json"
	"math"
	"math/rand/v2"
	"os"
	"strings"
	"testing"
)

func TestParseReadsWhatPeopleType(t *testing.T) {
	for _, tt := range []struct {
		in    string
		house Unit
		want  MM
	}{
		{`7 1/2"`, InMillimetres, 190.5},
		{"7.5 in", InMillimetres, 190.5},
		{"7 1/2", InMillimetres, 190.5},
		{"7-1/2 in", InMillimetres, 190.5},
		{"19cm", InInches, 190},
		{"19,5 cm", InMillimetres, 195},
		{"190 mm", InInches, 190},
		{"190", InMillimetres, 190},
		{"19", InCentimetres, 190},
		{"7", InInches, 177.8},
		{"7½”", InMillimetres, 190.5},
		{"7 ⅞″", InMillimetres, 200.025},
		{"¾ in", InMillimetres, 19.05},
		{"17 11⁄16 inches", InMillimetres, 449.2625},
		{"  7 1/2 ''  ", InMillimetres, 190.5},
		{"0", InMillimetres, 0},
		{"190.", InMillimetres, 190},
		{".5 mm", InInches, 0.5},
	} {
		got, err := Parse(tt.in, tt.house)
		if err != nil || math.Abs(float64(got-tt.want)) > 1e-9 {
			t.Errorf("Parse(%q, %s) = %v, %v, want %v", tt.in, tt.house, float64(got), err, float64(tt.want))
		}
	}
}

func TestParseRefusesWithASentence(t *testing.T) {
	for _, in := range []string{"", "   ", "-5 mm", "NaN", "1e9", "7 furlongs", "1/0", "1,250.5 mm", "7 1/2 1/4", "999999999 mm", "½½", "5 5", "\xff", strings.Repeat("9", 100), "mm", "<b>7</b>", "🙂"} {
		got, err := Parse(in, InMillimetres)
		if err == nil {
			t.Errorf("Parse(%q) = %v, want an error", in, float64(got))
			continue
		}
		if s := err.Error(); !strings.HasSuffix(s, ".") || strings.Contains(s, "strconv") {
			t.Errorf("Parse(%q) says %q, want a sentence for people", in, s)
		}
	}
}

func TestInWritesEachUnit(t *testing.T) {
	for _, tt := range []struct {
		in   MM
		unit Unit
		want string
	}{
		{190.5, InMillimetres, "190.5 mm"},
		{190, InMillimetres, "190 mm"},
		{190.04, InMillimetres, "190 mm"},
		{-0.01, InMillimetres, "0 mm"},
		{195, InCentimetres, "19.5 cm"},
		{190.5, InInches, "7 1/2 in"},
		{449.2625, InInches, "17 11/16 in"},
		{25.4, InInches, "1 in"},
		{1.6, InInches, "1.6 mm"},
		{12.69, InInches, "12.7 mm"},
		{12.7, InInches, "1/2 in"},
		{-12.69, InInches, "-12.7 mm"},
		{0, InInches, "0 in"},
		{-12.7, InInches, "-1/2 in"},
		{0.45, InInches, "0.5 mm"},
	} {
		if got := tt.in.In(tt.unit); got != tt.want {
			t.Errorf("%v in %s = %q, want %q", float64(tt.in), tt.unit, got, tt.want)
		}
	}
	if got := MM(0.8).Inches(ThirtySeconds); got != "1/32 in" {
		t.Errorf("0.8 mm to a thirty-second = %q, want 1/32 in", got)
	}
}

// A limit is never rounded to the side where it no longer holds.
func TestLimitsAreRoundedToTheSideWhereTheyHold(t *testing.T) {
	for _, tt := range []struct {
		in          MM
		unit        Unit
		least, most string
	}{
		{388.31, InMillimetres, "388.4 mm", "388.3 mm"},
		{388.3, InMillimetres, "388.3 mm", "388.3 mm"},
		{190.6, InInches, "7 9/16 in", "7 1/2 in"},
		{190.5, InInches, "7 1/2 in", "7 1/2 in"},
		{2.01, InInches, "2.1 mm", "2 mm"},
		{-3.01, InMillimetres, "-3 mm", "-3.1 mm"},
	} {
		if least, most := tt.in.AtLeast(tt.unit), tt.in.AtMost(tt.unit); least != tt.least || most != tt.most {
			t.Errorf("%v in %s: at least %q and at most %q, want %q and %q", float64(tt.in), tt.unit, least, most, tt.least, tt.most)
		}
	}
}

// What is read of the parts adds up to what is read of the sum, each at most one step away.
func TestPartsAddUpAsTheyAreRead(t *testing.T) {
	r := rand.New(rand.NewPCG(10, 28))
	for unit, step := range map[Unit]MM{InMillimetres: 0.1, InCentimetres: 0.1, InInches: Inch / 16} {
		for range 300 {
			var of []MM
			total := MM(0)
			for range 1 + r.IntN(9) {
				of = append(of, MM(r.Float64()*200))
				total += of[len(of)-1]
			}
			parts, sum := Parts(of, unit)
			read := MM(0)
			for i, text := range parts {
				l, err := Parse(text, unit)
				if err != nil || math.Abs(float64(l-of[i])) > float64(step)+1e-9 {
					t.Fatalf("%v is read as %q", float64(of[i]), text)
				}
				read += l
			}
			if whole, err := Parse(sum, unit); err != nil || math.Abs(float64(whole-read)) > 1e-9 || math.Abs(float64(whole-total)) > float64(step) {
				t.Fatalf("%v add up to %v, and are said to come to %q", parts, float64(read), sum)
			}
		}
	}
	if parts, sum := Parts(nil, InMillimetres); parts != nil || sum != "0 mm" {
		t.Errorf("%v, %q", parts, sum)
	}
}

func TestParseAndPrintAreInverseWithinTheResolution(t *testing.T) {
	half := map[Unit]float64{InMillimetres: 0.05, InCentimetres: 0.05, InInches: 25.4 / 32}
	for unit, tolerance := range half {
		for l := MM(0); l < 900; l += 0.37 {
			text := l.In(unit)
			back, err := Parse(text, unit)
			if err != nil || math.Abs(float64(back-l)) > tolerance+1e-9 {
				t.Fatalf("%v printed as %q reads as %v, %v", float64(l), text, float64(back), err)
			}
			if again := back.In(unit); again != text {
				t.Fatalf("%q reads as %v and prints as %q", text, float64(back), again)
			}
		}
	}
}

func FuzzParse(f *testing.F) {
	for _, s := range []string{`7 1/2"`, "19,5 cm", "½", "1/3", "7⅞”", "-1", "1.2.3"} {
		f.Add(s)
	}
	f.Fuzz(func(t *testing.T, s string) {
		l, err := Parse(s, InMillimetres)
		if err != nil {
			return
		}
		if math.IsNaN(float64(l)) || l < 0 || l > Longest {
			t.Fatalf("Parse(%q) = %v", s, float64(l))
		}
	})
}

// The page writes lengths too, and is held to the same table.
func TestInWritesTheTableThePageIsHeldTo(t *testing.T) {
	data, err := os.ReadFile("testdata/printed.json")
	if err != nil {
		t.Fatal(err)
	}
	var table []struct {
		MM   MM
		Unit Unit
		Text string
	}
	if err := json.Unmarshal(data, &table); err != nil || len(table) == 0 {
		t.Fatal(err)
	}
	for _, row := range table {
		if got := row.MM.In(row.Unit); got != row.Text {
			t.Errorf("%v in %s = %q, want %q", float64(row.MM), row.Unit, got, row.Text)
		}
	}
}

func TestAnEaseCanBeNegative(t *testing.T) {
	for in, want := range map[string]MM{"-6 mm": -6, "−1/4 in": -6.35, " 10": 10, "-0,5 cm": -5} {
		if got, err := ParseSigned(in, InMillimetres); err != nil || got != want {
			t.Errorf("ParseSigned(%q) = %v, %v; want %v", in, got, err, want)
		}
	}
	if _, err := ParseSigned("--6", InMillimetres); err == nil {
		t.Error("two signs are one too many")
	}
}
