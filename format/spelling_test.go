package format

import (
	"math/rand/v2"
	"regexp"
	"strings"
	"testing"
)

// Ids, colours and letters are taken as their patterns are written, at every length.
func TestSpellingsAreTakenAsTheirPatternsSay(t *testing.T) {
	r := rand.New(rand.NewPCG(8, 21))
	const some = "abfgzAFGZ0189._-# \n\u00e9"
	for name, one := range map[string]struct {
		takes   func(string) bool
		pattern *regexp.Regexp
		known   []string
	}{
		"an id":    {isID, regexp.MustCompile(`^[a-z0-9][a-z0-9._-]{0,63}$`), []string{"a", "0", "a.b_c-d", strings.Repeat("x", 64), strings.Repeat("x", 65), "", ".a", "-a", "_a", "a b", "Ab", "aA"}},
		"a colour": {isColour, regexp.MustCompile(`^#[0-9a-f]{6}$`), []string{"#a0b1c2", "#A0b1c2", "#a0b1c", "#a0b1c2d", "a0b1c2d", "#g00000", ""}},
		"a letter": {isKey, regexp.MustCompile(`^[A-Z][a-z]?$`), []string{"A", "Zz", "Aa", "AA", "a", "A1", "Aaa", "", "\u00c4"}},
	} {
		texts := one.known
		for range 3000 {
			var b strings.Builder
			for range r.IntN(9) {
				b.WriteString([]string{"#", "a", "F", "0", "b", string([]rune(some)[r.IntN(len([]rune(some)))])}[r.IntN(6)])
			}
			texts = append(texts, b.String())
		}
		for _, text := range texts {
			if want := one.pattern.MatchString(text); one.takes(text) != want {
				t.Errorf("%s: %q is taken %v", name, text, !want)
			}
		}
	}
}
