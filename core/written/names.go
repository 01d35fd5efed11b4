package written

import (
	"cmp"
	"math"
	"slices"
	"strconv"
	"strings"

	"mala/core/length"
	"mala/core/material"
)

// names are the materials that a text may speak of, with the words for each.
type names struct {
	all     []*material.Material
	letters map[string]int
	whole   [][]string // their names, word by word
	words   []map[string]int
}

// What a word is worth for knowing a material: one of its name's, or one for its kind.
const (
	ofName = 3
	ofKind = 2
)

var kindWords = map[material.FindingType]string{
	material.CrimpTube: "crimp tube", material.CrimpBead: "crimp bead", material.CrimpCover: "crimp cover", material.WireGuard: "wire guard protector",
	material.CordEnd: "cord end", material.ConeEnd: "cone end", material.FoldOver: "fold over end", material.JumpRing: "jump ring", material.SplitRing: "split ring",
	material.Lobster: "lobster clasp claw", material.SpringRing: "spring clasp", material.Toggle: "toggle clasp", material.Hook: "hook clasp", material.SHook: "s hook clasp",
	material.Magnetic: "magnetic magnet clasp", material.Slide: "slide clasp", material.ButtonEnd: "button clasp", material.Extender: "extender extension", material.Chain: "chain",
	material.Connector: "connector bar", material.FocalBar: "focal bar", material.HeadPin: "head pin headpin", material.EyePin: "eye pin eyepin",
}

var shapeWords = map[material.Shape]string{
	material.Cap: "cap cup beadcap", material.Seed: "seed", material.Spacer: "spacer", material.Charm: "charm", material.Rondelle: "rondelle", material.Bicone: "bicone",
	material.Tube: "tube", material.Button: "button", material.Letter: "letter", material.Nugget: "nugget", material.Chip: "chip", material.Round: "round", material.Drop: "drop",
}

var cordKinds = map[material.CordType]string{
	material.Wire: "wire beading stringing cord", material.Elastic: "elastic cord", material.Thread: "thread cord", material.Leather: "leather cord", material.Waxed: "cotton cord waxed", material.Nylon: "nylon line thread cord",
}

func newNames(all []*material.Material, palette map[string]*material.Material) *names {
	n := &names{all: all, letters: map[string]int{}}
	for i, m := range all {
		own := map[string]int{}
		put := func(text string, worth int) {
			for _, t := range lex(strings.ToLower(text), 0) {
				if t.sort == word {
					own[stem(t.text)] = max(worth, own[stem(t.text)])
				}
			}
		}
		switch {
		case m.Component != nil:
		case m.Finding != nil:
			put(kindWords[m.Finding.Type], ofKind)
		case m.Cord != nil:
			put(cordKinds[m.Cord.Type], ofKind)
		case m.Bead != nil:
			put(shapeWords[m.Bead.Shape], ofKind)
		}
		put(m.Metal, 1)
		put(m.Name, ofName)
		n.words = append(n.words, own)
		n.whole = append(n.whole, wordsOf(lex(m.Name, 0)))
		for letter, of := range palette {
			if of == m {
				n.letters[letter] = i
			}
		}
	}
	return n
}

// wordsOf are the words and numbers of tokens, in the singular.
func wordsOf(tokens []token) []string {
	var out []string
	for _, t := range tokens {
		if t.sort == word || t.sort == number || t.sort == size {
			out = append(out, plain(t))
		}
	}
	return out
}

// plain is a word in the singular, or a figure.
func plain(t token) string {
	if t.sort == word {
		return stem(t.text)
	}
	return strconv.FormatFloat(t.value, 'f', -1, 64)
}

// stem is a word in the singular.
func stem(w string) string {
	w = strings.TrimSuffix(strings.TrimSuffix(w, "'s"), "’s")
	switch {
	case strings.HasSuffix(w, "ies") && len(w) > 4:
		return w[:len(w)-3] + "y"
	case len(w) > 4 && (strings.HasSuffix(w, "sses") || strings.HasSuffix(w, "shes") || strings.HasSuffix(w, "ches") || strings.HasSuffix(w, "xes")):
		return w[:len(w)-2]
	case strings.HasSuffix(w, "s") && !strings.HasSuffix(w, "ss") && !strings.HasSuffix(w, "us") && len(w) > 3:
		return w[:len(w)-1]
	}
	return w
}

// mark makes names of the words that are a material's whole name, or the letter of its
// dish.
func (n *names) mark(tokens []token, text string) []token {
	var out []token
	for i := 0; i < len(tokens); {
		what, used := n.at(tokens, i, text)
		if used == 0 {
			out = append(out, tokens[i])
			i++
			continue
		}
		out = append(out, token{sort: name, text: tokens[i].text, what: what, from: tokens[i].from, to: tokens[i+used-1].to})
		i += used
	}
	return out
}

// at gives the material whose name begins at token i, the longest of them, and how many
// tokens that takes; one of several alike is known by its size later.
func (n *names) at(tokens []token, i int, text string) (what, used int) {
	if tokens[i].sort == word {
		own := text[tokens[i].from:tokens[i].to]
		letter := len(own) > 1 || own != "A" && own != "I" || i > 0 && (tokens[i-1].sort == number || tokens[i-1].is("(", "×", "x"))
		if k, ok := n.letters[own]; ok && letter {
			return k, 1
		}
	}
	for k, whole := range n.whole {
		if length := matches(tokens[i:], whole); len(whole) > 1 && length > used {
			what, used = k, length
		}
	}
	return what, used
}

// matches says how many tokens the words take, 0 if they do not stand there.
func matches(tokens []token, whole []string) int {
	k := 0
	for i, t := range tokens {
		if t.sort == mark {
			if k == 0 || !t.is(",") {
				return 0
			}
			continue
		}
		if t.sort == name || plain(t) != whole[k] {
			return 0
		}
		if k++; k == len(whole) {
			return i + 1
		}
	}
	return 0
}

// phrase is what tokens call a thing: words up to one that begins something else.
func phrase(tokens []token) []token {
	var out []token
	for _, t := range tokens {
		switch {
		case t.sort == name:
			return []token{t}
		case t.sort != word:
		case t.is(stopsName...):
			if len(out) > 0 {
				return out
			}
		case !t.is(noName...) && !strings.Contains(t.text, "/"):
			out = append(out, t)
		}
	}
	return out
}

// nameFrom takes over which material tokens speak of, and what they say of its size.
func (s *Statement) nameFrom(tokens []token) {
	s.known = -1
	named := phrase(tokens)
	if len(named) == 0 {
		return
	}
	var texts []string
	for _, t := range named {
		texts = append(texts, t.text)
		s.words = append(s.words, stem(t.text))
	}
	s.Phrase, s.lastWord = strings.Join(texts, " "), texts[len(texts)-1]
	if named[0].sort == name {
		s.known = named[0].what
	}
	s.sizesFrom(tokens)
}

// sizesFrom takes over what tokens say of a material's size.
func (s *Statement) sizesFrom(tokens []token) {
	s.sizes, s.sizeAt = nil, nil
	for i, t := range tokens {
		if t.sort != size || t.mm() > 60 {
			continue
		}
		s.sizes, s.sizeAt = append(s.sizes, t.mm()), append(s.sizeAt, t)
		if i >= 2 && tokens[i-1].is("x", "×", "*") && tokens[i-2].sort == number && slices.ContainsFunc(tokens[:i-2], func(t token) bool { return t.counts() }) {
			first := tokens[i-2]
			first.unit = t.unit
			s.sizes, s.sizeAt = append(s.sizes, first.mm()), append(s.sizeAt, first)
		}
	}
}

// find gives the materials that the statement may mean, the likeliest first, and
// whether it means the first without doubt.
func (n *names) find(s *Statement) (likely []*material.Material, sure bool) {
	type match struct {
		of    *material.Material
		score float64
		whole bool
	}
	var found []match
	for i, m := range n.all {
		score, all := 0.0, true
		if s.known >= 0 {
			// Jump rings of 7 mm are heavy jump rings where those have that size.
			switch known := n.all[s.known]; {
			case known.Name == m.Name:
				score = 100
			case len(s.sizes) > 0 && !hasSizes(known, s.sizes) && hasSizes(m, s.sizes) && n.hasWords(i, n.whole[s.known]):
				score = 200
			default:
				continue
			}
		} else {
			for _, w := range s.words {
				worth := n.words[i][w]
				score += float64(worth)
				all = all && worth > 0
			}
			if score == 0 || score == 1 && len(s.words) > 1 {
				continue
			}
			score += 1 / float64(1+len(n.words[i]))
			if all {
				score += 10
			}
		}
		if len(s.sizes) > 0 && hasSizes(m, s.sizes) {
			score += 2
		}
		found = append(found, match{m, score, all})
	}
	slices.SortStableFunc(found, func(a, b match) int { return cmp.Compare(b.score, a.score) })
	for _, f := range found {
		likely = append(likely, f.of)
	}
	if len(found) == 0 {
		return nil, false
	}
	sure = found[0].whole && (len(found) == 1 || math.Floor(found[0].score) > math.Floor(found[1].score))
	return likely, sure
}

func (n *names) hasWords(i int, words []string) bool {
	return !slices.ContainsFunc(words, func(w string) bool { return n.words[i][w] == 0 })
}

// hasSizes says whether a material measures all of these somewhere.
func hasSizes(m *material.Material, sizes []length.MM) bool {
	own := sizesOf(m)
	return !slices.ContainsFunc(sizes, func(mm length.MM) bool {
		return !slices.ContainsFunc(own, func(of length.MM) bool { return math.Abs(float64(of-mm)) < 0.06 })
	})
}

// sizesOf are all measures that a material may be known by.
func sizesOf(m *material.Material) []length.MM {
	var out []length.MM
	switch {
	case m.Component != nil:
		return nil
	case m.Finding != nil:
		f := m.Finding
		out = []length.MM{f.Length, f.Outside, f.Inside, f.Wire, f.RingInside, f.Bar, f.Inside + 2*f.Wire}
	case m.Cord != nil:
		out = []length.MM{m.Cord.Diameter}
	case m.Bead != nil:
		out = []length.MM{m.Bead.Across, m.Bead.Along, m.Bead.Thick, m.Bead.Hole}
	}
	return slices.DeleteFunc(out, func(mm length.MM) bool { return mm <= 0 })
}
