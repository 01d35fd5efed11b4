package money

import (
	"math"
	"testing"
)

func TestAmountsAreReadAndWritten(t *testing.T) {
	for text, want := range map[string]string{"4": "4.00", "4.2": "4.20", "4,20": "4.20", " 0.05 ": "0.05", "12345678": "", "10000000": "10000000.00", "10000000.01": "", "0": "0.00",
		"": "", ".": "", "4.": "", ".5": "", "-1": "", "4.205": "", "1,000.00": "", "4 20": "", "four": "", "٤": "", "1e3": ""} {
		got, err := Parse(text)
		if (err == nil) != (want != "") || err == nil && got.String() != want {
			t.Errorf("%q: %s, %v, want %q", text, got, err, want)
		}
	}
	if got := Amount(-5).String(); got != "-0.05" {
		t.Error(got)
	}
}

func TestSharesAreRoundedToTheNearest(t *testing.T) {
	for _, tt := range []struct{ of, n, all, want int64 }{{420, 1, 2, 210}, {421, 1, 2, 211}, {100, 1, 3, 33}, {200, 1, 3, 67}, {100, 0, 3, 0}, {100, 3, 3, 100}, {100, 1, 0, 100}, {1, 1, 4, 0}, {-420, 1, 4, -105}, {-5, 1, 4, -1}, {-6, 1, 4, -1}, {-7, 1, 4, -2},
		{1e15, 3e15, 4e15, 75e13}, {9e18, 9e18, 9e18, 9e18}, {1, math.MaxInt64, math.MaxInt64, 1}, {math.MaxInt64, 1, 1, math.MaxInt64}} {
		if got := Amount(tt.of).Share(tt.n, tt.all); got != Amount(tt.want) {
			t.Errorf("%d of %d of %d: %d, want %d", tt.n, tt.all, tt.of, got, tt.want)
		}
	}
}
