package format

import (
	"errors"
	"fmt"
	"strconv"
	"strings"

	"github.com/go-json-experiment/json"
	"github.com/go-json-experiment/json/jsontext"
)

// MaxBytes is the most a piece file may hold.
const MaxBytes = 4 << 20

// Read reads a piece file strictly: unknown or repeated fields, trailing text
// and a format of another version are refused. It does not look at the values;
// Piece does. The error is Faults.
func Read(data []byte) (*Document, error) {
	if len(data) > MaxBytes {
		return nil, Faults{{Says: fmt.Sprintf("The file has %d MB; a piece file holds at most %d MB.", len(data)>>20, MaxBytes>>20)}}
	}
	var probe struct {
		Format string `json:"format"`
	}
	if err := json.Unmarshal(data, &probe); err != nil {
		return nil, readFault(data, err)
	}
	if err := CheckFormat(probe.Format); err != nil {
		return nil, err
	}
	var doc Document
	if err := Unmarshal(data, &doc); err != nil {
		return nil, err
	}
	doc.Upgrade()
	return &doc, nil
}

// CheckFormat refuses what is no piece file, or one of a newer version.
func CheckFormat(format string) error {
	family, version, _ := strings.Cut(format, "/")
	ours, oursVersion, _ := strings.Cut(PieceFormat, "/")
	n, err := strconv.Atoi(version)
	known, _ := strconv.Atoi(oursVersion)
	switch {
	case family != ours || err != nil || n < 1:
		return Faults{{Where: "format", Says: fmt.Sprintf("%q is not a piece file. One begins with \"format\": %q.", format, PieceFormat)}}
	case n > known:
		return Faults{{Where: "format", Says: fmt.Sprintf("This file is version %d; this Mala reads up to version %d. Open it with a newer Mala.", n, known)}}
	}
	return nil
}

// Unmarshal reads JSON strictly into v: names as they are written, none twice,
// none unknown, nothing behind. The error is Faults with the place.
func Unmarshal(data []byte, v any) error {
	if err := json.Unmarshal(data, v, json.RejectUnknownMembers(true)); err != nil {
		return readFault(data, err)
	}
	return nil
}

// readFault says in a sentence what the reader stumbled over.
func readFault(data []byte, err error) error {
	f := Fault{Says: "This is not valid JSON."}
	var syntactic *jsontext.SyntacticError
	var semantic *json.SemanticError
	switch {
	case errors.As(err, &syntactic):
		f.Where = place(syntactic.JSONPointer)
		line, col := lineAndColumn(data, syntactic.ByteOffset)
		f.Says = fmt.Sprintf("Line %d, character %d is not valid JSON.", line, col)
		if errors.Is(err, jsontext.ErrDuplicateName) {
			f.Says = "This field is given twice. Keep one of them."
		}
	case errors.As(err, &semantic):
		f.Where = place(semantic.JSONPointer)
		switch {
		case errors.Is(err, json.ErrUnknownName):
			f.Says = "There is no such field here. Check its spelling, or remove it."
		case semantic.GoType != nil:
			f.Says = fmt.Sprintf("This should be %s, not %s.", wanted(semantic.GoType.Kind().String()), given(semantic.JSONKind))
		}
	}
	return Faults{f}
}

// place turns /materials/2/holeMm into materials[2].holeMm.
func place(p jsontext.Pointer) string {
	var b strings.Builder
	for token := range p.Tokens() {
		switch _, err := strconv.Atoi(token); {
		case err == nil:
			b.WriteString("[" + token + "]")
		case b.Len() > 0:
			b.WriteString("." + token)
		default:
			b.WriteString(token)
		}
	}
	return b.String()
}

func lineAndColumn(data []byte, offset int64) (line, col int) {
	before := string(data[:min(int(offset), len(data))])
	last := strings.LastIndexByte(before, '\n')
	return strings.Count(before, "\n") + 1, len([]rune(before[last+1:])) + 1
}

func wanted(kind string) string {
	switch kind {
	case "string":
		return "text"
	case "float64":
		return "a number"
	case "int", "int64":
		return "a whole number"
	case "slice":
		return "a list"
	case "bool":
		return "true or false"
	}
	return "an object"
}

func given(kind jsontext.Kind) string {
	switch kind {
	case '"':
		return "text"
	case '0':
		return "this number"
	case '[':
		return "a list"
	case '{':
		return "an object"
	case 'n':
		return "null"
	}
	return "true or false"
}
