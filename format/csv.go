package format

import (
	"bytes"
	"encoding/csv"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"reflect"
	"slices"
	"strconv"
	"strings"
	"unicode/utf8"
)

// CatalogueRow is a material with how many lie on the shelf, as the catalogue's
// CSV holds it.
type CatalogueRow struct {
	Line     int // of the file, from 1
	Material Material
	OnHand   int
	Archived bool
	Revision int64 // that the file was exported with; 0 where it does not say
}

// RowFault is a row that was refused and why.
type RowFault struct {
	Line int
	Says string
}

// MaxRows is the most rows a catalogue file may hold, and MaxCatalogueBytes its
// size.
const (
	MaxRows           = 250_000
	MaxCatalogueBytes = 128 << 20
	onHandColumn      = "onHand"
	archivedColumn    = "archived"
	revisionColumn    = "revision"
	idColumn          = "id"
)

// ReadCSV reads a catalogue. A row of a material that is known changes only what the file has a
// column for; known gives it by its id, and may be nil. Rows with errors are returned with the reason
// and left out; the error is Faults if the file as a whole cannot be read.
func ReadCSV(data []byte, known func(id string) (CatalogueRow, bool)) (rows []CatalogueRow, refused []RowFault, err error) {
	in, fields, err := openCSV(data)
	if err != nil {
		return nil, nil, err
	}
	seen := map[string]int{}
	for {
		record, err := in.Read()
		if err == io.EOF {
			return rows, refused, nil
		}
		if err != nil {
			return nil, nil, Faults{{Says: fmt.Sprintf("The file is not valid CSV: %v.", errors.Unwrap(err))}}
		}
		line, _ := in.FieldPos(0)
		if len(rows)+len(refused) >= MaxRows {
			return nil, nil, Faults{{Says: fmt.Sprintf("The file has more than %d rows. Import it in parts.", MaxRows)}}
		}
		row, says := rowOf(fields, record, known)
		row.Line = line
		if first, twice := seen[row.Material.ID]; says == "" && twice {
			says = fmt.Sprintf("id: %s is already in row %d. Give each material one row.", row.Material.ID, first)
		}
		if says != "" {
			refused = append(refused, RowFault{line, says})
			continue
		}
		seen[row.Material.ID] = line
		rows = append(rows, row)
	}
}

// CheckCSV says by its error whether the file is too large, or its first row does not name columns.
func CheckCSV(data []byte) error {
	_, _, err := openCSV(data)
	return err
}

// openCSV reads the first row, and gives the reader of the others.
func openCSV(data []byte) (*csv.Reader, []column, error) {
	if len(data) > MaxCatalogueBytes {
		return nil, nil, Faults{{Says: fmt.Sprintf("The file has %d MB; a catalogue file holds at most %d MB.", len(data)>>20, MaxCatalogueBytes>>20)}}
	}
	if line := longRow(data); line > 0 {
		return nil, nil, Faults{{Says: fmt.Sprintf("The row that begins at line %d is longer than %d kB. A quote may be missing its other one.", line, maxRow>>10)}}
	}
	in := csv.NewReader(bytes.NewReader(bytes.TrimPrefix(data, []byte("\ufeff"))))
	in.FieldsPerRecord = -1
	in.ReuseRecord = true
	head, err := in.Read()
	if err != nil {
		return nil, nil, Faults{{Says: "The first row should name the columns: id, class, name, and the fields of a material."}}
	}
	fields, err := headOf(slices.Clone(head))
	return in, fields, err
}

// maxRow is how many bytes a row may have: a reader holds all of its cells at once.
const maxRow = 256 << 10

// longRow gives the line that a row begins at which is longer than that; 0 where there is none. A line
// that ends between quotes does not end its row.
func longRow(data []byte) int {
	began, beganAt, line, quoted := 0, 1, 1, false
	for i, c := range data {
		switch {
		case i-began > maxRow:
			return beganAt
		case c == '"':
			quoted = !quoted
		case c == '\n':
			if line++; !quoted {
				began, beganAt = i+1, line
			}
		}
	}
	return 0
}

// headOf finds the column of each name.
func headOf(names []string) ([]column, error) {
	var out []column
	for _, name := range names {
		name = strings.TrimSpace(name)
		i := slices.IndexFunc(columns, func(c column) bool { return c.name == name })
		if i < 0 {
			return nil, Faults{{Where: name, Says: fmt.Sprintf("No column is called %q. Columns are named as the fields of the piece file.", name)}}
		}
		if slices.ContainsFunc(out, func(c column) bool { return c.name == name }) {
			return nil, Faults{{Where: name, Says: fmt.Sprintf("The column %q is there twice. Keep one of them.", name)}}
		}
		out = append(out, columns[i])
	}
	return out, nil
}

// rowOf makes a material of one record, or says in a sentence why it cannot.
func rowOf(fields []column, record []string, known func(id string) (CatalogueRow, bool)) (CatalogueRow, string) {
	var row CatalogueRow
	if len(record) > len(fields) {
		return row, fmt.Sprintf("The row has %d cells for %d columns.", len(record), len(fields))
	}
	object := map[string]any{}
	if i := slices.IndexFunc(fields, func(c column) bool { return c.name == idColumn }); i >= 0 && i < len(record) && known != nil {
		if old, ok := known(strings.TrimSpace(record[i])); ok {
			row.OnHand, row.Archived = old.OnHand, old.Archived
			object = fieldsOf(old.Material)
		}
	}
	for i, text := range record {
		c := fields[i]
		if !utf8.ValidString(text) {
			return row, fmt.Sprintf("%s: the text is not in UTF-8. Save the file as UTF-8, and import it again.", c.name)
		}
		if text = asItWas(strings.TrimSpace(text)); text == "" {
			clearField(object, c.name)
			row.set(c, nil)
			continue
		}
		value, says := cellValue(c, text)
		if says != "" {
			return row, says
		}
		if c.ofRow() {
			row.set(c, value)
			continue
		}
		first, rest, deeper := strings.Cut(c.name, ".")
		if !deeper {
			object[first] = value
			continue
		}
		part, _ := object[first].(map[string]any)
		if part == nil {
			part = map[string]any{}
			object[first] = part
		}
		part[rest] = value
	}
	data, err := json.Marshal(object)
	if err == nil {
		err = Unmarshal(data, &row.Material)
	}
	if err != nil {
		return row, err.Error()
	}
	// A component is looked at together with its parts, which may be further down.
	if row.Material.Component != nil {
		return row, ""
	}
	if _, faults := row.Material.Material(""); faults != nil {
		return row, strings.TrimPrefix(strings.ReplaceAll(faults.Error(), "\n", " "), ".")
	}
	return row, ""
}

// fieldsOf are the fields of a material by their names in the file.
func fieldsOf(m Material) map[string]any {
	out := map[string]any{}
	if data, err := json.Marshal(m); err == nil {
		_ = json.Unmarshal(data, &out)
	}
	return out
}

// clearField removes a field; a part of which nothing is left goes with it.
func clearField(object map[string]any, name string) {
	first, rest, deeper := strings.Cut(name, ".")
	part, _ := object[first].(map[string]any)
	if !deeper || part == nil {
		if !deeper {
			delete(object, first)
		}
		return
	}
	if clearField(part, rest); len(part) == 0 {
		delete(object, first)
	}
}

func cellValue(c column, text string) (any, string) {
	if c.of == packsType {
		var list []any
		if err := json.Unmarshal([]byte(text), &list); err != nil {
			return nil, c.name + `: that is no list of packs. Write them as the piece file does: [{"sold": "bag", "holds": {"count": 50}, "price": "4.20"}].`
		}
		return list, ""
	}
	switch c.of.Kind() {
	case reflect.Slice:
		return strings.Fields(text), ""
	case reflect.Map:
		return pairsOf(c, text)
	case reflect.Bool:
		switch strings.ToLower(text) { // spreadsheets write TRUE
		case "true":
			return true, ""
		case "false":
			return false, ""
		}
		return nil, fmt.Sprintf("%s: %q is neither true nor false.", c.name, text)
	case reflect.Float64:
		v, err := strconv.ParseFloat(strings.Replace(text, ",", ".", 1), 64)
		if err != nil || v != v || v-v != 0 {
			return nil, fmt.Sprintf("%s: %q is not a number. Write one like 4.2.", c.name, text)
		}
		return v, ""
	case reflect.Int:
		v, err := strconv.ParseInt(text, 10, 32)
		if err != nil || v < 0 {
			return nil, fmt.Sprintf("%s: %q is not a whole number. Write one like 40.", c.name, text)
		}
		return v, ""
	}
	return text, ""
}

// pairsOf reads a cell of pairs: P=pearl-4 C=cap-6.
func pairsOf(c column, text string) (any, string) {
	out := map[string]any{}
	for _, pair := range strings.Fields(text) {
		name, value, ok := strings.Cut(pair, "=")
		if !ok {
			return nil, fmt.Sprintf("%s: %q has no = in it. Write pairs like P=pearl-4, with spaces between.", c.name, pair)
		}
		if _, twice := out[name]; twice {
			return nil, fmt.Sprintf("%s: %s is there twice. Keep one of them.", c.name, name)
		}
		out[name] = value
		if c.of.Elem().Kind() == reflect.Int {
			n, says := cellValue(column{name: c.name, of: c.of.Elem()}, value)
			if says != "" {
				return nil, says
			}
			out[name] = n
		}
	}
	return out, ""
}
