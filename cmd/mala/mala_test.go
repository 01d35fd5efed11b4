package main_test

import (
	"bytes"
	"encoding/json"
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"testing"

	"mala/desk"
	"mala/desk/sizing"
)

// build makes the binary once for all tests of this file.
func build(t *testing.T) string {
	t.Helper()
	bin := filepath.Join(t.TempDir(), "mala")
	if out, err := exec.Command("go", "build", "-o", bin, ".").CombinedOutput(); err != nil {
		t.Fatalf("%v: %s", err, out)
	}
	return bin
}

func TestAnalyse(t *testing.T) {
	bin := build(t)
	good, err := os.ReadFile("../../demo/pieces/harbour-lights.json")
	if err != nil {
		t.Fatal(err)
	}
	for _, tt := range []struct {
		name   string
		args   []string
		in     string
		exit   int
		stderr []string
	}{
		{"a file", []string{"analyse", "../../demo/pieces/harbour-lights.json"}, "", 0, nil},
		{"standard input", []string{"analyse", "-"}, string(good), 0, nil},
		{"a piece with a stop", []string{"analyse", "../../demo/pieces/quay-lanterns.json"}, "", 0, nil},
		{"no file", []string{"analyse", "nowhere.json"}, "", 2, []string{"nowhere.json cannot be read"}},
		{"no argument", []string{"analyse"}, "", 2, []string{"Give one piece file"}},
		{"two faults, a line each", []string{"analyse", "-"}, strings.Replace(strings.Replace(string(good), `"acrossMm": 3`, `"acrossMm": -3`, 1), `"Harbour Lights"`, `""`, 1), 2,
			[]string{"name: A name is needed.\n", "The diameter is -3 mm"}},
		{"a line with an error", []string{"analyse", "-"}, strings.Replace(string(good), "19P", "19é", 1), 2, []string{"sections[0].rows[0].line: column 7:"}},
	} {
		cmd := exec.Command(bin, tt.args...)
		var stdout, stderr bytes.Buffer
		cmd.Stdin, cmd.Stdout, cmd.Stderr = strings.NewReader(tt.in), &stdout, &stderr
		_ = cmd.Run()
		if got := cmd.ProcessState.ExitCode(); got != tt.exit {
			t.Errorf("%s: exit %d, want %d: %s", tt.name, got, tt.exit, stderr.String())
		}
		if tt.exit == 0 {
			var a desk.Analysis
			if err := json.Unmarshal(stdout.Bytes(), &a); err != nil || a.Format != desk.AnalysisFormat || a.FinishedMm <= 0 {
				t.Errorf("%s printed %v %.80s", tt.name, err, stdout.String())
			}
			continue
		}
		if stdout.Len() > 0 {
			t.Errorf("%s: bad input printed %.80q on standard output", tt.name, stdout.String())
		}
		for _, want := range tt.stderr {
			if !strings.Contains(stderr.String(), want) {
				t.Errorf("%s says %q, want %q", tt.name, stderr.String(), want)
			}
		}
	}
}

// The best ways to another length or wearer are printed as JSON; why there are none beside it.
func TestSolve(t *testing.T) {
	bin, file := build(t), "../../demo/pieces/harbour-lights.json"
	for _, tt := range []struct {
		args   []string
		exit   int
		line   string
		stderr string
	}{
		{[]string{"solve", file, "--to", "430mm"}, 0, "<2S 16P B L B 17P S A S 9P | C E ~C>", ""},
		{[]string{"solve", "--to", "16.93in", file}, 0, "<2S 16P B L B 17P S A S 9P | C E ~C>", ""},
		{[]string{"solve", file, "--fit", "neck=410"}, 0, "", ""},
		{[]string{"solve", file, "--to", "5"}, 0, "", "leaves nothing for beads"},
		{[]string{"solve", file, "--to", "far"}, 2, "", "--to: "},
		{[]string{"solve", file, "--fit", "neck"}, 2, "", "--fit: give a part and its measure"},
		{[]string{"solve", file, "--fit", "elbow=200"}, 2, "", "body.part"},
		{[]string{"solve"}, 2, "", "Give one piece file"},
	} {
		cmd := exec.Command(bin, tt.args...)
		var stdout, stderr bytes.Buffer
		cmd.Stdout, cmd.Stderr = &stdout, &stderr
		_ = cmd.Run()
		if got := cmd.ProcessState.ExitCode(); got != tt.exit || !strings.Contains(stderr.String(), tt.stderr) || (tt.stderr == "") != (stderr.Len() == 0) {
			t.Errorf("%v: exit %d, %q", tt.args, got, stderr.String())
		}
		if tt.exit != 0 {
			if stdout.Len() > 0 {
				t.Errorf("%v printed %.80q", tt.args, stdout.String())
			}
			continue
		}
		var ways []sizing.Way
		if err := json.Unmarshal(stdout.Bytes(), &ways); err != nil || (len(ways) > 0) != (tt.stderr == "") || tt.line != "" && ways[0].Line != tt.line {
			t.Errorf("%v: %v, %+v", tt.args, err, ways)
		}
	}
}

func TestHelpListsEverySetting(t *testing.T) {
	out, err := exec.Command(build(t), "help").Output()
	if err != nil {
		t.Fatal(err)
	}
	for _, want := range []string{"demo", "serve", "analyse", "--listen", "MALA_LISTEN", "DATABASE_URL", "--data", "MALA_DATA"} {
		if !strings.Contains(string(out), want) {
			t.Errorf("help does not tell of %s", want)
		}
	}
}
