package format

import "fmt"

// Upgrade brings a document of an older version to the one written now: every row
// and fitting without an id gets one. The same document always gets the same ids.
func (d *Document) Upgrade() {
	d.Format = PieceFormat
	used := map[string]bool{}
	each := func(do func(id *string, prefix string)) {
		for i := range d.Sections {
			for j := range d.Sections[i].Rows {
				r := &d.Sections[i].Rows[j]
				do(&r.ID, "r")
				for _, list := range [][]Fitting{r.Left, r.Right} {
					for k := range list {
						do(&list[k].ID, "f")
					}
				}
			}
		}
		for i := range d.Joins {
			do(&d.Joins[i].ID, "j")
			for k := range d.Joins[i].Fittings {
				do(&d.Joins[i].Fittings[k].ID, "f")
			}
		}
		for _, list := range [][]Fitting{d.Closure.Left, d.Closure.Right} {
			for k := range list {
				do(&list[k].ID, "f")
			}
		}
	}
	each(func(id *string, _ string) { used[*id] = true })
	each(func(id *string, prefix string) {
		for n := 1; *id == ""; n++ {
			if fresh := fmt.Sprint(prefix, n); !used[fresh] {
				*id = fresh
				used[fresh] = true
			}
		}
	})
}
