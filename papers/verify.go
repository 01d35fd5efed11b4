package papers

import (
	"bytes"
	"context"
	"fmt"
	"io"
	"strings"

	"github.com/pdfcpu/pdfcpu/pkg/api"
	"github.com/pdfcpu/pdfcpu/pkg/pdfcpu"
	"github.com/pdfcpu/pdfcpu/pkg/pdfcpu/model"

	"mala/format"
	"mala/words"
	"mala/words/en"
)

// Disagreement is one thing on a paper that does not follow from what the paper carries.
type Disagreement struct {
	Page   int    `json:"page"`
	After  string `json:"after,omitempty" doc:"What stands before it."`
	Paper  string `json:"paper" doc:"What the paper says; nothing where it leaves something out."`
	Should string `json:"should" doc:"What follows from its attachments; nothing where it says too much."`
}

// Verified is what was found on a paper.
type Verified struct {
	Paper string         `json:"paper" doc:"What it is called."`
	Kit   string         `json:"kit"`
	Code  string         `json:"code"`
	Pages int            `json:"pages"`
	Texts int            `json:"texts" doc:"How many words and figures were compared."`
	Wrong []Disagreement `json:"wrong"`

	Older   bool           `json:"older,omitempty" doc:"It was printed by older rules or wording than today's."`
	Changed []Disagreement `json:"changed,omitempty" doc:"What follows otherwise by today's rules. Its words are those it was printed with."`
	Unsure  bool           `json:"unsure,omitempty" doc:"It was printed before papers kept a seal of their words: what was changed by hand and what by newer rules cannot be distinguished."`
}

// MostBytes is how large a paper may be that is verified.
const MostBytes = 32 << 20

// Verify reads a paper, works everything out again from what it carries, and names all that
// does not follow: text by text, then the drawings. The error is format.Faults of a file that
// is no paper of Mala.
func Verify(ctx context.Context, data []byte) (*Verified, error) {
	if len(data) > MostBytes {
		return nil, fault("The file has more than %d MB; no paper of Mala has.", MostBytes>>20)
	}
	was, err := open(data)
	if err != nil {
		return nil, err
	}
	kit, order, err := was.carries()
	if err != nil {
		return nil, err
	}
	anew, err := print(ctx, kit, order, false)
	if err != nil {
		return nil, err
	}
	is, err := open(anew)
	if err != nil {
		return nil, err
	}
	out := &Verified{Paper: Title(order.Paper), Kit: kit.Name, Pages: len(was.pages), Wrong: []Disagreement{}}
	out.Code = codeOf(is)
	for n := range max(len(was.pages), len(is.pages)) {
		a, b := was.page(n), is.page(n)
		texts, wanted := textsOf(a), textsOf(b)
		out.Texts += len(wanted)
		wrong := compare(n+1, texts, wanted)
		if len(wrong) == 0 && !bytes.Equal(a, b) {
			wrong = []Disagreement{{Page: n + 1, Paper: en.Says(words.AnotherDrawing), Should: en.Says(words.TheDrawing)}}
		}
		out.Wrong = append(out.Wrong, wrong...)
	}
	out.byOlderRules(order, was)
	return out, nil
}

// byOlderRules takes what differs only since the rules have changed for what it is: the words on
// the paper are still those that it was printed with.
func (v *Verified) byOlderRules(order *Order, was *opened) {
	if v.Older = order.Rules < Rules; !v.Older || len(v.Wrong) == 0 {
		return
	}
	switch order.Seal {
	case "":
		v.Unsure = true
	case was.seal():
		v.Changed, v.Wrong = v.Wrong, []Disagreement{}
	}
}

// The library would put settings and fonts into the folder of the user who runs it.
func init() { api.DisableConfigDir() }

func fault(says string, args ...any) error {
	return format.Faults{{Says: fmt.Sprintf(says, args...)}}
}

// opened is a PDF with its pages' contents.
type opened struct {
	ctx   *model.Context
	pages [][]byte
}

func open(data []byte) (out *opened, err error) {
	// A reader of files from anywhere may stumble: that is one more file that is no PDF.
	defer func() {
		if recover() != nil {
			err = fault("This is not a PDF, or it is damaged.")
		}
	}()
	conf := model.NewDefaultConfiguration()
	conf.ValidationMode = model.ValidationRelaxed
	ctx, err := api.ReadAndValidate(bytes.NewReader(data), conf)
	if err != nil {
		return nil, fault("This is not a PDF, or it is damaged.")
	}
	out = &opened{ctx: ctx}
	for n := 1; n <= ctx.PageCount; n++ {
		r, err := pdfcpu.ExtractPageContent(ctx, n)
		if err != nil || r == nil {
			out.pages = append(out.pages, nil)
			continue
		}
		content, err := io.ReadAll(io.LimitReader(r, MostBytes))
		if err != nil {
			return nil, fault("Page %d of this PDF is damaged.", n)
		}
		out.pages = append(out.pages, content)
	}
	return out, nil
}

func (o *opened) page(n int) []byte {
	if n < len(o.pages) {
		return o.pages[n]
	}
	return nil
}

// carries reads the kit and the order that a paper carries.
func (o *opened) carries() (*format.Kit, *Order, error) {
	files, err := o.ctx.ExtractAttachments(nil)
	if err != nil {
		return nil, nil, notOurs()
	}
	found := map[string][]byte{}
	for _, f := range files {
		data, err := io.ReadAll(io.LimitReader(f, MostBytes))
		if err == nil {
			found[f.FileName] = data
		}
	}
	if found[kitName] == nil || found[orderName] == nil {
		return nil, nil, notOurs()
	}
	kit, err := format.ReadKit(found[kitName])
	if err != nil {
		return nil, nil, err
	}
	var order Order
	if err := format.Unmarshal(found[orderName], &order); err != nil {
		return nil, nil, err
	}
	return kit, &order, nil
}

func notOurs() error {
	return fault("This PDF carries no kit: it is of another program, or its attachments were left out. Print the paper again.")
}

// codeOf is the code on a paper.
func codeOf(o *opened) string {
	for _, t := range textsOf(o.page(0)) {
		if len(t) == 9 && t[4] == '-' && strings.ToUpper(t) == t {
			return t
		}
	}
	return ""
}

// textsOf are the texts of a page in the order they were set. They are strings of two bytes
// a character, as the fonts of the papers have them.
func textsOf(content []byte) []string {
	var out []string
	for i := 0; i < len(content); i++ {
		if content[i] != '(' {
			continue
		}
		text, end := literal(content, i+1)
		i = end
		if tail := content[end+1:]; len(tail) >= 3 && strings.HasPrefix(strings.TrimLeft(string(tail[:min(len(tail), 6)]), " "), "Tj") {
			if read := strings.TrimSpace(wide(text)); read != "" {
				out = append(out, read)
			}
		}
	}
	return out
}

// literal reads a string of a PDF up to its closing bracket.
func literal(content []byte, at int) (text []byte, end int) {
	deep := 1
	for i := at; i < len(content); i++ {
		switch c := content[i]; {
		case c == '\\' && i+1 < len(content):
			i++
			switch content[i] {
			case 'n':
				text = append(text, '\n')
			case 'r':
				text = append(text, '\r')
			default:
				text = append(text, content[i])
			}
			continue
		case c == '(':
			deep++
		case c == ')':
			if deep--; deep == 0 {
				return text, i
			}
		}
		text = append(text, content[i])
	}
	return text, len(content) - 1
}

func wide(text []byte) string {
	var b strings.Builder
	for i := 0; i+1 < len(text); i += 2 {
		b.WriteRune(rune(text[i])<<8 | rune(text[i+1]))
	}
	return b.String()
}

// TextsOf are all texts of a paper, page by page.
func TextsOf(data []byte) ([]string, error) {
	o, err := open(data)
	if err != nil {
		return nil, err
	}
	var out []string
	for _, page := range o.pages {
		out = append(out, textsOf(page)...)
	}
	return out, nil
}
