package format

import (
	"encoding/csv"
	"io"
	"reflect"
	"regexp"
	"strings"
)

// CSVWriter writes a catalogue, a row a material, as they come.
type CSVWriter struct {
	out    *csv.Writer
	record []string
}

// NewCSV begins a catalogue with the names of its columns.
func NewCSV(w io.Writer) (*CSVWriter, error) {
	out := &CSVWriter{csv.NewWriter(w), make([]string, len(columns))}
	for i, c := range columns {
		out.record[i] = c.name
	}
	return out, out.out.Write(out.record)
}

// Write writes one row.
func (w *CSVWriter) Write(row CatalogueRow) error {
	material := reflect.ValueOf(&row.Material).Elem()
	for i, c := range columns {
		if c.ofRow() {
			w.record[i] = row.own(c)
		} else {
			w.record[i] = harmless(c.cell(material))
		}
	}
	return w.out.Write(w.record)
}

// Flush writes what is left.
func (w *CSVWriter) Flush() error {
	w.out.Flush()
	return w.out.Error()
}

// formula begins what a spreadsheet would work out, with the quotes before it that keep it from that.
var formula = regexp.MustCompile(`^'*[=+\-@\t\r]`)

// harmless keeps a spreadsheet from working out what is text; asItWas takes it back.
func harmless(text string) string {
	if text == "" || !strings.ContainsRune("'=+-@\t\r", rune(text[0])) {
		return text
	}
	if formula.MatchString(text) {
		return "'" + text
	}
	return text
}

func asItWas(text string) string {
	if strings.HasPrefix(text, "'") && formula.MatchString(text) {
		return text[1:]
	}
	return text
}
