package format

import (
	"fmt"
	"reflect"
	"slices"
	"strconv"
	"strings"

	"github.com/go-json-experiment/json"
)

// column is one column of the CSV: a field of a material, the fields of a part
// named with a dot: run.count.
type column struct {
	name string
	of   reflect.Type
	at   []int // the field, and of a part the field in it
}

// columns are those of the CSV, named as the fields of the file.
var columns = append(columnsOf(reflect.TypeFor[Material](), "", nil),
	column{name: onHandColumn, of: reflect.TypeFor[int]()}, column{name: archivedColumn, of: reflect.TypeFor[bool]()}, column{name: revisionColumn, of: reflect.TypeFor[int]()})

// ofRow says whether a column is of the row and not a field of its material.
func (c column) ofRow() bool {
	return c.name == onHandColumn || c.name == archivedColumn || c.name == revisionColumn
}

// set puts what a cell of such a column holds into the row; nil empties it.
func (row *CatalogueRow) set(c column, value any) {
	number, _ := value.(int64)
	switch c.name {
	case onHandColumn:
		row.OnHand = int(number)
	case archivedColumn:
		row.Archived, _ = value.(bool)
	case revisionColumn:
		row.Revision = number
	}
}

// own is the cell of such a column.
func (row *CatalogueRow) own(c column) string {
	switch {
	case c.name == onHandColumn:
		return strconv.Itoa(row.OnHand)
	case c.name == archivedColumn && row.Archived:
		return "true"
	case c.name == revisionColumn:
		return strconv.FormatInt(row.Revision, 10)
	}
	return ""
}

// ColumnNames lists the columns that are fields of a material.
func ColumnNames() []string {
	names := make([]string, 0, len(columns))
	for _, c := range columns {
		if !c.ofRow() {
			names = append(names, c.name)
		}
	}
	return names
}

// Field writes one field of the material as its column does: run.count.
func (d *Material) Field(name string) string {
	i := slices.IndexFunc(columns, func(c column) bool { return c.name == name })
	return columns[i].cell(reflect.ValueOf(d).Elem())
}

// packsType is a list of things, which a cell holds as the file does.
var packsType = reflect.TypeFor[[]Pack]()

func columnsOf(t reflect.Type, before string, at []int) []column {
	var out []column
	for i := range t.NumField() {
		name, _, _ := strings.Cut(t.Field(i).Tag.Get("json"), ",")
		kind := t.Field(i).Type
		if kind.Kind() == reflect.Pointer {
			out = append(out, columnsOf(kind.Elem(), before+name+".", append(slices.Clone(at), i))...)
			continue
		}
		out = append(out, column{before + name, kind, append(slices.Clone(at), i)})
	}
	return out
}

// cell writes the column's field of a material; an empty one is left empty.
func (c column) cell(v reflect.Value) string {
	for _, i := range c.at {
		if v.Kind() == reflect.Pointer {
			if v.IsNil() {
				return ""
			}
			v = v.Elem()
		}
		v = v.Field(i)
	}
	switch {
	case v.IsZero():
		return ""
	case v.Kind() == reflect.Float64:
		return strconv.FormatFloat(v.Float(), 'f', -1, 64)
	case v.Kind() == reflect.String:
		return v.String()
	case c.of == packsType:
		text, _ := json.Marshal(v.Interface()) // texts and numbers can always be written
		return string(text)
	}
	return fmt.Sprint(v.Interface())
}
