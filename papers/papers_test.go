package papers_test

import (
	"bytes"
	"encoding/json"
	"fmt"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"codeberg.org/go-pdf/fpdf"
	"github.com/pdfcpu/pdfcpu/pkg/api"
	"github.com/pdfcpu/pdfcpu/pkg/pdfcpu/model"

	"mala/core/length"
	"mala/demo"
	"mala/desk"
	"mala/desk/kits"
	"mala/desk/sizing"
	"mala/format"
	"mala/papers"
)

func order(paper string) *papers.Order {
	return &papers.Order{Format: papers.Format, Paper: paper, Copies: 3, Version: 7, Unit: "mm", Sheet: "A4", Day: "2026-11-27", Selling: format.DefaultSelling()}
}

func kitNamed(t testing.TB, name string) *format.Kit {
	t.Helper()
	kits, err := demo.Kits()
	if err != nil {
		t.Fatal(err)
	}
	for _, k := range kits {
		if k.Name == name {
			return k
		}
	}
	t.Fatalf("no kit %s", name)
	return nil
}

func printed(t testing.TB, k *format.Kit, o *papers.Order) []byte {
	t.Helper()
	data, err := papers.Print(t.Context(), k, o)
	if err != nil {
		t.Fatalf("%s, %s: %v", k.Name, o.Paper, err)
	}
	return data
}

// agrees prints and verifies a paper, and gives what was found.
func agrees(t testing.TB, k *format.Kit, o *papers.Order) {
	t.Helper()
	v, err := papers.Verify(t.Context(), printed(t, k, o))
	if err != nil || len(v.Wrong) > 0 || v.Texts < 8 || v.Code != kits.CodeOf(k) || v.Paper != papers.Title(o.Paper) {
		t.Fatalf("%s, %s: %v, %+v", k.Name, o.Paper, err, v)
	}
}

// Every paper of every demo piece can be printed, on both papers and in both units, says its code
// and agrees with itself.
func TestEveryPieceIsPrintedAndVerified(t *testing.T) {
	for i, name := range demo.Pieces() {
		doc, err := demo.Piece(name)
		if err != nil {
			t.Fatal(err)
		}
		k := &format.Kit{Format: format.KitFormat, Name: "Kit of " + doc.Name, Pieces: []format.KitPiece{{Quantity: 1 + i%2, Document: *doc}}}
		for j, paper := range papers.Kinds() {
			o := order(paper)
			o.Sheet, o.Unit = papers.Sheets()[(i+j)%2], []string{"mm", "in", "cm"}[(i+j)%3]
			agrees(t, k, o)
		}
	}
}

// A thousand pieces of random beads: each paper agrees with itself, and its counts with those of
// the sequence.
func TestAThousandRandomPieces(t *testing.T) {
	random := rand.New(rand.NewPCG(13, 6))
	var strung []*format.Document
	for _, name := range demo.Pieces() {
		if doc, err := demo.Piece(name); err == nil && len(doc.Sections) == 1 && len(doc.Sections[0].Rows) == 1 && len(doc.Palette) > 1 && doc.Kind != "ornament" && doc.Sections[0].Rows[0].Lacing == nil {
			strung = append(strung, doc)
		}
	}
	done := 0
	for done < 1000 {
		doc := *strung[random.IntN(len(strung))]
		letters := []string{}
		for l := range doc.Palette {
			letters = append(letters, l)
		}
		slices.Sort(letters)
		doc.Sections = slices.Clone(doc.Sections)
		doc.Sections[0].Rows = slices.Clone(doc.Sections[0].Rows)
		doc.Sections[0].Rows[0].Line, doc.Sizes, doc.Colourways, doc.Pinned, doc.Waived, doc.Written = lineOf(random, letters), nil, nil, nil, nil, nil
		k := &format.Kit{Format: format.KitFormat, Name: fmt.Sprintf("Random %d", done), Pieces: []format.KitPiece{{Quantity: 1 + random.IntN(3), Document: doc}}}
		a, err := desk.Analyse(t.Context(), &doc, desk.Options{Unit: length.InMillimetres})
		if err != nil {
			continue // such as a tail through more beads than there are
		}
		paper := papers.Kinds()[done%len(papers.Kinds())]
		agrees(t, k, order(paper))
		if paper == "materials" {
			holds(t, k, a)
		}
		done++
	}
}

// holds says whether a materials list has the count of every bead that the sequence has.
func holds(t *testing.T, k *format.Kit, a *desk.Analysis) {
	t.Helper()
	texts := strings.Join(textsOf(t, printed(t, k, order("materials"))), "\n")
	for _, c := range a.Bought {
		if c.CutMm != nil {
			continue
		}
		if want := fmt.Sprintf("\n%d\n", c.Count*k.Pieces[0].Quantity); !strings.Contains(texts+"\n", want) {
			t.Errorf("%s: no count %q of %s in\n%s", k.Pieces[0].Document.Sections[0].Rows[0].Line, want, c.Material, texts)
		}
	}
}

// textsOf reads the texts by comparing the paper with nothing.
func textsOf(t testing.TB, data []byte) []string {
	t.Helper()
	texts, err := papers.TextsOf(data)
	if err != nil {
		t.Fatal(err)
	}
	return texts
}

func lineOf(random *rand.Rand, letters []string) string {
	var b strings.Builder
	for range 1 + random.IntN(6) {
		run := fmt.Sprintf("%d%s ", 1+random.IntN(9), letters[random.IntN(len(letters))])
		if random.IntN(4) == 0 {
			run = fmt.Sprintf("%d(%s %s) ", 2+random.IntN(3), strings.TrimSpace(run), letters[random.IntN(len(letters))])
		}
		b.WriteString(run)
	}
	line := strings.TrimSpace(b.String())
	if random.IntN(3) == 0 {
		line = "<" + line + " | " + letters[random.IntN(len(letters))] + ">"
	}
	return line
}

// A paper of an older piece, with the newer one attached, is found out figure by figure; so is one
// whose drawing alone is another's.
func TestWhatDoesNotFollowIsNamed(t *testing.T) {
	was, is := kitNamed(t, "Last Ferry"), kitNamed(t, "Last Ferry")
	is.Pieces[0].Document.Sections[0].Rows[0].Line = "<42P S 2T S 5P S T S 3P | L>"
	is.Sizes, was.Sizes = nil, nil
	for _, paper := range []string{"packing", "materials", "instructions"} {
		v, err := papers.Verify(t.Context(), swapped(t, printed(t, was, order(paper)), is, order(paper)))
		if err != nil {
			t.Fatal(err)
		}
		if !slices.ContainsFunc(v.Wrong, func(d papers.Disagreement) bool { return d.Paper == kits.CodeOf(was) && d.Should == kits.CodeOf(is) }) {
			t.Errorf("%s: the code is not among %+v", paper, v.Wrong)
		}
		stones := func(d papers.Disagreement) bool {
			return d.Paper == "4" && d.Should == "6" && strings.Contains(d.After, "Tide stone")
		}
		if paper != "instructions" && !slices.ContainsFunc(v.Wrong, stones) {
			t.Errorf("%s: four stones for six are not among %+v", paper, v.Wrong)
		}
		for _, d := range v.Wrong {
			if d.Page < 1 || d.Paper == d.Should {
				t.Errorf("%s: %+v", paper, d)
			}
		}
	}
	other := order("packing")
	other.Copies = 4
	v, err := papers.Verify(t.Context(), swapped(t, printed(t, was, order("packing")), was, other))
	if err != nil || len(v.Wrong) < 10 || v.Wrong[0].Should != "For 4 kits. The counts are of one; the last number is for all." {
		t.Errorf("%v, %+v", err, v)
	}
}

// swapped puts other attachments into a paper.
func swapped(t *testing.T, data []byte, k *format.Kit, o *papers.Order) []byte {
	t.Helper()
	kit, _ := json.Marshal(k)
	ordered, _ := json.Marshal(o)
	var out bytes.Buffer
	conf := model.NewDefaultConfiguration()
	ctx, err := api.ReadAndValidate(bytes.NewReader(data), conf)
	if err != nil {
		t.Fatal(err)
	}
	if _, err := ctx.RemoveAttachments(nil); err != nil {
		t.Fatal(err)
	}
	for name, content := range map[string][]byte{"kit.json": kit, "order.json": ordered} {
		if err := ctx.AddAttachment(model.Attachment{Reader: bytes.NewReader(content), ID: name, FileName: name}, false); err != nil {
			t.Fatal(err)
		}
	}
	if err := api.WriteContext(ctx, &out); err != nil {
		t.Fatal(err)
	}
	return out.Bytes()
}

func TestFilesThatAreNoPapers(t *testing.T) {
	other := fpdf.New("P", "mm", "A4", "")
	other.AddPage()
	var pdf bytes.Buffer
	if err := other.Output(&pdf); err != nil {
		t.Fatal(err)
	}
	good := printed(t, kitNamed(t, "Last Ferry"), order("cards"))
	newer := order("cards")
	newer.Format = "mala-paper/2"
	for says, data := range map[string][]byte{
		"This is not a PDF":           []byte("hello"),
		"damaged":                     good[:len(good)/2],
		"carries no kit":              pdf.Bytes(),
		"this version of Mala reads":  swapped(t, good, kitNamed(t, "Last Ferry"), newer),
		"not a kit file":              swapped(t, good, &format.Kit{Format: "mala-piece/2"}, order("cards")),
		"more than 32 MB":             make([]byte, papers.MostBytes+1),
		"not sold in that size":       swapped(t, good, kitNamed(t, "Last Ferry"), func() *papers.Order { o := order("cards"); o.Cell.Size = 9; return o }()),
		"1 to 10000 kits":             swapped(t, good, kitNamed(t, "Last Ferry"), func() *papers.Order { o := order("cards"); o.Copies = -1; return o }()),
		"A day is written like":       swapped(t, good, kitNamed(t, "Last Ferry"), func() *papers.Order { o := order("cards"); o.Day = "today"; return o }()),
		"Print on A4 or Letter":       swapped(t, good, kitNamed(t, "Last Ferry"), func() *papers.Order { o := order("cards"); o.Sheet = "A0"; return o }()),
		"There is no such paper":      swapped(t, good, kitNamed(t, "Last Ferry"), func() *papers.Order { o := order("x"); return o }()),
		"Print at most 1000 labels":   swapped(t, good, kitNamed(t, "Last Ferry"), func() *papers.Order { o := order("labels"); o.Copies = 1001; return o }()),
		"Lengths are in mm, cm or in": swapped(t, good, kitNamed(t, "Last Ferry"), func() *papers.Order { o := order("cards"); o.Unit = "ell"; return o }()),
	} {
		if v, err := papers.Verify(t.Context(), data); err == nil || !strings.Contains(err.Error(), says) {
			t.Errorf("%q: %v, %+v", says, err, v)
		}
	}
}

// Names of any script and length are printed, whatever the fonts hold.
func TestNamesOfEveryKind(t *testing.T) {
	for _, name := range []string{"𝔉erry 🚢 bell", "Паром", "最終フェリー", strings.Repeat("Ferry ", 19), strings.Repeat("x", 120), "(a) \\ b ) c", "\u202eturned"} {
		k := kitNamed(t, "Three evenings, the stack")
		k.Name = name
		for _, paper := range papers.Kinds() {
			agrees(t, k, order(paper))
		}
	}
}

// A row is drawn as long as it is, and a bar of 100 mm is 100.0 mm: points of 1/72 inch.
func TestTheBarIsTrue(t *testing.T) {
	for unit, mm := range map[string]float64{"mm": 100, "in": 101.6} {
		o := order("instructions")
		o.Unit = unit
		lines, err := papers.LongestLines(printed(t, kitNamed(t, "Last Ferry"), o))
		if err != nil {
			t.Fatal(err)
		}
		if !slices.ContainsFunc(lines, func(l float64) bool { return l > mm-0.02 && l < mm+0.02 }) {
			t.Errorf("no line of %v mm among %v", mm, lines)
		}
	}
}

// analysed is a piece of the demo with all that is drawn of it.
func analysed(t *testing.T, name string) (*format.Document, *desk.Analysis) {
	t.Helper()
	doc, err := demo.Piece(name)
	if err != nil {
		t.Fatal(err)
	}
	a, err := desk.Analyse(t.Context(), doc, desk.Options{Drawing: true})
	if err != nil {
		t.Fatal(err)
	}
	return doc, a
}

func TestPicturesForListings(t *testing.T) {
	for _, name := range demo.Pieces() {
		doc, a := analysed(t, name)
		p, err := desk.PictureOf(doc, format.House{})
		if err != nil {
			t.Fatal(err)
		}
		a.Drawing.Picture = p
		beads := a.Beads
		for _, view := range []string{papers.ViewWhole, papers.ViewLaid} {
			svg, err := papers.PictureSVG(doc, a, view, true, "")
			if err != nil {
				t.Errorf("%s: %v", name, err)
				continue
			}
			n := strings.Count(svg, "<path")
			if n < beads/2 || strings.Contains(svg, "NaN") || !strings.Contains(svg, "<title>") || strings.Count(svg, `fill="#dad4c5"`) < 1 {
				t.Errorf("%s: %d paths of %d beads", name, n, beads)
			}
			whole := p.Whole
			if view == papers.ViewLaid && p.Laid != nil {
				whole = p.Laid
			}
			lined, err := papers.PictureSVG(doc, a, view, false, length.InMillimetres)
			wide, high := length.MM(whole.Box[2]-whole.Box[0]).In(length.InMillimetres), length.MM(whole.Box[3]-whole.Box[1]).In(length.InMillimetres)
			if err != nil || strings.Contains(lined, `fill="#dad4c5"`) || strings.Count(lined, "<text") != 2 || !strings.Contains(lined, ">"+wide+"<") || !strings.Contains(lined, ">"+high+"<") || strings.Count(lined, "<path")-n != 5 {
				t.Errorf("%s: %v, the lines of %s by %s", name, err, wide, high)
			}
		}
		for i := range a.Strands {
			if svg, err := papers.DiagramOf(doc, a, i); err != nil || !strings.Contains(svg, "mm\"") || strings.Contains(svg, "NaN") {
				t.Errorf("%s, row %d: %v", name, i, err)
			}
		}
		if _, err := papers.DiagramOf(doc, a, len(a.Strands)); err == nil {
			t.Errorf("%s has a row too many", name)
		}
	}
	if papers.TechniqueSVG("nothing") != "" || !strings.Contains(papers.TechniqueSVG("open-ring"), "Opening a ring") {
		t.Error("pictures of techniques")
	}
}

func BenchmarkPapersOfOneKit(b *testing.B) {
	k := kitNamed(b, "Last Ferry")
	for b.Loop() {
		for _, paper := range papers.Kinds() {
			printed(b, k, order(paper))
		}
	}
}

func TestEveryTechniqueHasAPicture(t *testing.T) {
	if missing := papers.PicturesMissing(); missing != nil {
		t.Error(missing)
	}
}

// Pieces of rows, sections and chain in random beads and in other sizes agree with themselves on
// every paper, with what the shop makes counted as made.
func TestRowsInSizesArePrintedAndVerified(t *testing.T) {
	random := rand.New(rand.NewPCG(27, 11))
	for i, name := range []string{"tidewrack", "slipway", "two-currents", "three-moorings", "net-loft", "strait-lamp"} {
		doc, err := demo.Piece(name + ".json")
		if err != nil {
			t.Fatal(err)
		}
		asked := []sizing.SizeWanted{{Name: "Short", FinishedMm: doc.Target.FinishedMm - length.MM(10+random.IntN(15))}, {Name: "Long", FinishedMm: doc.Target.FinishedMm + length.MM(10+random.IntN(25))}}
		run, err := sizing.RunSizes(t.Context(), &sizing.SizesWanted{Document: *doc, Sizes: asked}, desk.Options{})
		if err != nil {
			t.Fatal(err)
		}
		doc.Sizes = nil
		for _, s := range run.Sizes {
			if len(s.Items) == 0 {
				t.Errorf("%s, %v: %s", name, s.FinishedMm, s.Why)
				continue
			}
			doc.Sizes = append(doc.Sizes, *s.Items[0].Keep)
		}
		k := &format.Kit{Format: format.KitFormat, Name: "Kit of " + doc.Name, Pieces: []format.KitPiece{{Quantity: 1, Document: *doc}}}
		for _, m := range doc.Materials {
			if m.Class == "component" && i%2 == 1 {
				k.Premade = append(k.Premade, m.ID)
			}
		}
		for size := range 3 {
			for j, paper := range papers.Kinds() {
				o := order(paper)
				o.Cell, o.Unit = kits.CellOf{Size: size}, []string{"mm", "in"}[j%2]
				agrees(t, k, o)
			}
			a, err := kits.KitBillOf(t.Context(), k, kits.CellOf{Size: size}, 1, kits.Packing{Selling: format.DefaultSelling()}, desk.Options{Unit: length.InMillimetres})
			if err != nil {
				t.Fatal(err)
			}
			text := "\n" + strings.Join(textsOf(t, printed(t, k, &papers.Order{Format: papers.Format, Paper: "packing", Copies: 1, Version: 7, Unit: "mm", Sheet: "A4", Day: "2026-11-27", Selling: format.DefaultSelling(), Cell: kits.CellOf{Size: size}})), "\n") + "\n"
			for _, l := range a.Lines {
				if l.Class == "seed" && !strings.Contains(text, fmt.Sprintf("\n%d\n", l.Count)) {
					t.Errorf("%s, size %d: no %d %s in %s", name, size, l.Count, l.Name, text)
				}
			}
		}
	}
}

// A size that comes out the same as another says so at the head of its papers.
func TestAPaperSaysWhichSizesComeOutTheSame(t *testing.T) {
	doc, err := demo.Piece("last-ferry.json")
	if err != nil {
		t.Fatal(err)
	}
	line := doc.Sections[0].Rows[0].Line
	doc.Colourways, doc.Sizes = nil, []format.Size{{Name: "Small", FinishedMm: 480, Line: line}, {Name: "Tall", FinishedMm: 500, Line: line}, {Name: "Long", FinishedMm: 520, Line: line + " S"}}
	k := &format.Kit{Format: format.KitFormat, Name: "Kit", Sizes: []string{"Small", "Tall", "Long"}, Pieces: []format.KitPiece{{Quantity: 1, Document: *doc}}}
	for size, want := range map[int]string{0: "the same as Tall", 1: "the same as Small", 2: ""} {
		for _, paper := range []string{"packing", "instructions"} {
			o := order(paper)
			o.Cell = kits.CellOf{Size: size}
			text := strings.Join(textsOf(t, printed(t, k, o)), " ")
			if want != "" && !strings.Contains(text, want) || want == "" && strings.Contains(text, "the same as") {
				t.Errorf("%s of %s: %.300s", paper, k.Sizes[size], text)
			}
		}
	}
}
