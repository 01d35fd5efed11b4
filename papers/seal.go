package papers

import (
	"crypto/sha256"
	"encoding/base32"
	"fmt"
	"strings"

	"codeberg.org/go-pdf/fpdf"
)

// Rules is by which rules and wording papers are printed today. It is raised whenever what
// follows from a kit changes, or how it is said: papers printed before then differ from what is
// worked out now, and are not wrong for that.
const Rules = 6

// sealed is a PDF that keeps in mind which words are set on it.
type sealed struct {
	*fpdf.Fpdf
	words []string
}

// pagesAlias stands for the number of pages until all are printed.
const pagesAlias = "{pages}"

// CellFormat sets a text, and keeps its words.
func (s *sealed) CellFormat(w, h float64, text, border string, ln int, align string, fill bool, link int, linkStr string) {
	s.words = append(s.words, strings.Fields(text)...)
	s.Fpdf.CellFormat(w, h, text, border, ln, align, fill, link, linkStr)
}

// MultiCell sets a text in lines, and keeps its words.
func (s *sealed) MultiCell(w, h float64, text, border, align string, fill bool) {
	s.words = append(s.words, strings.Fields(text)...)
	s.Fpdf.MultiCell(w, h, text, border, align, fill)
}

// seal is a short digest of all words on the paper, in their order. The foot of the last page is
// set when the file is closed, and is counted ahead.
func (s *sheet) seal() string {
	words := append([]string(nil), s.pdf.words...)
	words = append(words, strings.Fields(plain(s.foot))...)
	words = append(words, strings.Fields(s.pageOf())...)
	for i, word := range words {
		words[i] = strings.ReplaceAll(word, pagesAlias, fmt.Sprint(s.pdf.PageCount()))
	}
	return sealOf(words)
}

func sealOf(words []string) string {
	sum := sha256.Sum256([]byte(strings.Join(words, " ")))
	return base32.StdEncoding.EncodeToString(sum[:10])
}

// seal is the seal that the words of an opened paper have.
func (o *opened) seal() string {
	var words []string
	for _, page := range o.pages {
		for _, text := range textsOf(page) {
			words = append(words, strings.Fields(text)...)
		}
	}
	return sealOf(words)
}
