package length

import (
	"encoding/json"
	"math"
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
		{1.6, InInches, "1/16 in"},
		{-12.7, InInches, "-1/2 in"},
		{0.2, InInches, "0 in"},
		{-0.2, InInches, "0 in"},
	} {
		if got := tt.in.In(tt.unit); got != tt.want {
			t.Errorf("%v in %s = %q, want %q", float64(tt.in), tt.unit, got, tt.want)
		}
	}
	if got := MM(0.8).Inches(ThirtySeconds); got != "1/32 in" {
		t.Errorf("0.8 mm to a thirty-second = %q, want 1/32 in", got)
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
