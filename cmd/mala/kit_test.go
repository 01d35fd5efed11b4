package main_test

import (
	"bytes"
	"encoding/json"
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"testing"

	"mala/demo"
	"mala/desk/kits"
	"mala/papers"
)

// The command line gives of a kit file what the page shows, prints its papers, and holds them to
// what they carry.
func TestKitAndVerify(t *testing.T) {
	bin, dir := build(t), t.TempDir()
	shown, err := demo.Kits()
	if err != nil {
		t.Fatal(err)
	}
	var file string
	for _, k := range shown {
		if k.Name == "Last Ferry" {
			data, _ := json.Marshal(k)
			file = filepath.Join(dir, "kit.json")
			if err := os.WriteFile(file, data, 0o600); err != nil {
				t.Fatal(err)
			}
		}
	}
	run := func(args ...string) (stdout []byte, stderr string, exit int) {
		cmd := exec.Command(bin, args...)
		var out, errs bytes.Buffer
		cmd.Stdout, cmd.Stderr = &out, &errs
		_ = cmd.Run()
		return out.Bytes(), errs.String(), cmd.ProcessState.ExitCode()
	}
	var m kits.KitMatrix
	if out, says, exit := run("kit", file); exit != 0 || json.Unmarshal(out, &m) != nil || len(m.Cells) != 12 || m.Cells[0].Unpriced == 0 {
		t.Errorf("%d %s, %d cells", exit, says, len(m.Cells))
	}
	csv := filepath.Join(dir, "catalogue.csv")
	if err := os.WriteFile(csv, []byte("id,class,name,shape,acrossMm,holeMm,place,packs,onHand\nsea-pearl-4,bead,Sea-pearl round,round,4,0.8,\"tray 4\",\"[{\"\"sold\"\":\"\"bag\"\",\"\"holds\"\":{\"\"count\"\":100},\"\"price\"\":\"\"5.00\"\"}]\",200\n"), 0o600); err != nil {
		t.Fatal(err)
	}
	var b kits.KitBill
	if out, says, exit := run("kit", "--bill", "--size", "2", "--copies", "10", "--catalogue", csv, file); exit != 0 || json.Unmarshal(out, &b) != nil || b.Copies != 10 || len(b.Price.Parts) != 1 || b.Buying.Packs[0].N != 11 {
		t.Errorf("%d %s, %+v, %+v", exit, says, b.Price.Parts, b.Buying.Packs)
	}
	pdf := filepath.Join(dir, "packing.pdf")
	out, says, exit := run("kit", "--paper", "packing", "--catalogue", csv, "--sheet", "Letter", file)
	if exit != 0 || os.WriteFile(pdf, out, 0o600) != nil {
		t.Fatal(exit, says)
	}
	var v papers.Verified
	if out, says, exit := run("verify", pdf); exit != 0 || json.Unmarshal(out, &v) != nil || v.Texts < 50 || len(v.Wrong) != 0 {
		t.Errorf("%d %s, %+v", exit, says, v)
	}
	for _, tt := range []struct {
		args []string
		says string
	}{
		{[]string{"kit"}, "Give one kit file"},
		{[]string{"kit", "nowhere.json"}, "cannot be read"},
		{[]string{"kit", "../../demo/pieces/last-ferry.json"}, "not a kit file"},
		{[]string{"kit", "--paper", "novel", file}, "There is no such paper"},
		{[]string{"kit", "--bill", "--colourway", "9", file}, "not sold in that size"},
		{[]string{"kit", "--copies", "0", file}, "1 to 10000 kits"},
		{[]string{"verify"}, "Give one PDF"},
		{[]string{"verify", file}, "This is not a PDF"},
	} {
		if _, says, exit := run(tt.args...); exit != 2 || !strings.Contains(says, tt.says) {
			t.Errorf("%v: %d, %s", tt.args, exit, says)
		}
	}
}
