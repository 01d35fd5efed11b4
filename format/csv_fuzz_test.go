package format_test

import (
	"bytes"
	"reflect"
	"testing"

	"mala/format"
)

// What is read of a catalogue is written and read back the same, whatever a
// stranger sends.
func FuzzReadCSV(f *testing.F) {
	head := "id,class,name,shape,acrossMm,holeMm,run.count,run.measuredMm,look.colour,onHand\n"
	f.Add([]byte(head + "pearl-4,bead,Pearl,round,4,0.8,,,#efe6da,12\n"))
	f.Add([]byte(head + "a,bead,\"A \"\"B\"\"\",round,4,0.8,20,79,,\n,,,,,,,,,\n"))
	f.Add([]byte("id,class,name,type,diameterMm\nw,cord,Wire,wire,0.38\n"))
	f.Add([]byte("id,class,name,component.kind,component.rings,component.palette,component.parts,component.crosswise,component.turns\na,component,A,link,ring ring,P=pearl C=cap,seed=12,true,2\n"))
	f.Fuzz(func(t *testing.T, data []byte) {
		rows, refused, err := format.ReadCSV(data, nil)
		if err != nil {
			return
		}
		for _, r := range refused {
			if r.Says == "" || r.Line < 2 {
				t.Fatalf("a row is rejected without reason or place: %+v", r)
			}
		}
		var out bytes.Buffer
		if err := writeCSV(&out, rows); err != nil {
			t.Fatal(err)
		}
		back, refused, err := format.ReadCSV(out.Bytes(), nil)
		if err != nil || len(refused) > 0 || len(back) != len(rows) {
			t.Fatalf("written as %s: %v %v", out.Bytes(), err, refused)
		}
		for i := range rows {
			if !reflect.DeepEqual(back[i].Material, rows[i].Material) || back[i].OnHand != rows[i].OnHand {
				t.Fatalf("row %d came back as %+v, was %+v", i, back[i], rows[i])
			}
		}
	})
}
