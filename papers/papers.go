// Package papers prints what goes with a kit as PDF at true scale: for the packer, the buyer
// and the shelf. Every paper carries what it was made from as attachments, so that anybody
// can work it out again; Verify does.
package papers

import (
	"bytes"
	"cmp"
	"context"
	"encoding/json"
	"fmt"
	"slices"
	"strings"
	"time"

	"codeberg.org/go-pdf/fpdf"

	"mala/core/length"
	"mala/desk"
	"mala/desk/buying"
	"mala/desk/kits"
	"mala/format"
	"mala/words"
	"mala/words/en"
)

// Format is the format and version of the order that a paper carries.
const Format = "mala-paper/1"

// The names of the attachments.
const (
	kitName   = "kit.json"
	orderName = "order.json"
)

// Order says which paper of a kit is wanted, and carries all that follows from neither the kit
// nor its pieces.
type Order struct {
	Format    string            `json:"format"`
	Paper     string            `json:"paper"`
	Cell      kits.CellOf       `json:"cell"`
	Copies    int               `json:"copies"`
	Version   int               `json:"version" doc:"The number of the kit's version."`
	Unit      string            `json:"unit"`
	Sheet     string            `json:"sheet"`
	Day       string            `json:"day" doc:"2026-11-27"`
	Selling   format.Selling    `json:"selling"`
	Rules     int               `json:"rules,omitempty" doc:"By which rules and wording it was printed; absent of the first."`
	Seal      string            `json:"seal,omitempty" doc:"Of all words on it."`
	Materials []format.Material `json:"materials,omitempty" doc:"With their packs and places, as the catalogue had them."`
}

// kinds are the papers in the order they are offered, and what each is called.
var kinds = []struct {
	name  string
	title words.Key
	print func(*paper)
}{
	{"packing", words.PackingList, (*paper).packing},
	{"materials", words.MaterialsList, (*paper).materials},
	{"instructions", words.Instructions, (*paper).instructions},
	{"labels", words.Labels, (*paper).labels},
	{"cards", words.PriceCard, (*paper).cards},
	{"shop-card", words.ShopCard, (*paper).shopCard},
}

// Kinds are the names of the papers.
func Kinds() []string {
	var out []string
	for _, k := range kinds {
		out = append(out, k.name)
	}
	return out
}

// Title is what a paper is called.
func Title(kind string) string {
	for _, k := range kinds {
		if k.name == kind {
			return en.Says(k.title)
		}
	}
	return ""
}

// mostLabels is how many labels are printed at once.
const mostLabels = 1000

// Check says what cannot be. The error is format.Faults.
func (o *Order) Check() error {
	var faults format.Faults
	add := func(where, says string) { faults = append(faults, format.Fault{Where: where, Says: says}) }
	if o.Format != Format {
		add("format", fmt.Sprintf("This PDF's order is in format %q; this version of Mala reads %q.", o.Format, Format))
	}
	if !slices.Contains(Kinds(), o.Paper) {
		add("paper", "There is no such paper. Ask for one of "+strings.Join(Kinds(), ", ")+".")
	}
	if !slices.Contains(Sheets(), o.Sheet) {
		add("sheet", "Print on A4 or Letter.")
	}
	if !slices.Contains([]string{"mm", "cm", "in"}, o.Unit) {
		add("unit", "Lengths are in mm, cm or in.")
	}
	if _, err := time.Parse(time.DateOnly, o.Day); err != nil {
		add("day", "A day is written like 2026-11-27.")
	}
	if o.Paper == "labels" && o.Copies > mostLabels {
		add("copies", fmt.Sprintf("Print at most %d labels at once.", mostLabels))
	}
	if faults != nil {
		return faults
	}
	return nil
}

// paper is one that is being printed.
type paper struct {
	*sheet
	kit   *format.Kit
	order *Order
	bill  *kits.KitBill
	each  []piece
	title string
	cell  string
}

// piece is a piece of the kit with all that follows from it.
type piece struct {
	doc      *format.Document
	analysis *desk.Analysis
	quantity int
}

// Print prints a paper of a kit. The error is format.Faults, or the context's.
func Print(ctx context.Context, kit *format.Kit, order *Order) ([]byte, error) {
	today := *order
	today.Rules = Rules
	return print(ctx, kit, &today, true)
}

// print prints it small, or plainly to be read at once.
func print(ctx context.Context, kit *format.Kit, order *Order, small bool) ([]byte, error) {
	if err := order.Check(); err != nil {
		return nil, err
	}
	day, _ := time.Parse(time.DateOnly, order.Day)
	from := kits.Packing{Supplies: buying.Supplies{Materials: order.Materials, Stock: map[string]int{}, Day: day}, Selling: order.Selling}
	opt := desk.Options{Unit: length.Unit(order.Unit), Drawing: true, Picture: order.Paper == "shop-card"}
	bill, err := kits.KitBillOf(ctx, kit, order.Cell, order.Copies, from, opt)
	if err != nil {
		return nil, err
	}
	p := &paper{kit: kit, order: order, bill: bill, title: Title(order.Paper)}
	for i := range bill.Documents {
		d := &bill.Documents[i]
		opt.Given = bill.Given(i)
		a, err := desk.Analyse(ctx, &d.Document, opt)
		if err != nil {
			return nil, err
		}
		p.each = append(p.each, piece{&d.Document, a, d.Quantity})
	}
	p.cell = cellOf(kit, order.Cell)
	foot := strings.Join([]string{kit.Name, cmp.Or(p.cell, p.title), en.Version(order.Version), bill.Code, en.Day(day)}, " · ")
	p.sheet = newSheet(order.Sheet, opt.Unit, p.title+", "+kit.Name, foot, day)
	p.pdf.SetCompression(small)
	for _, k := range kinds {
		if k.name == order.Paper {
			k.print(p)
		}
	}
	if small { // what is read at once needs no attachments
		if err := p.attach(); err != nil {
			return nil, err
		}
	}
	var out bytes.Buffer
	if err := p.pdf.Output(&out); err != nil {
		return nil, err
	}
	return out.Bytes(), ctx.Err()
}

// attach puts in what the paper follows from.
func (p *paper) attach() error {
	kit, err := json.MarshalIndent(p.kit, "", " ")
	if err != nil {
		return err
	}
	p.order.Seal = p.seal()
	order, err := json.MarshalIndent(p.order, "", " ")
	if err != nil {
		return err
	}
	list := []fpdf.Attachment{{Content: kit, Filename: kitName, Description: en.Says(words.KitAttached)}, {Content: order, Filename: orderName, Description: en.Says(words.OrderAttached)}}
	for i, one := range p.each {
		data, err := json.MarshalIndent(one.doc, "", " ")
		if err != nil {
			return err
		}
		list = append(list, fpdf.Attachment{Content: data, Filename: fmt.Sprintf("piece-%d.json", i+1), Description: en.Says(words.PieceAttached)})
	}
	p.pdf.SetAttachments(list)
	return nil
}

// cellOf is a thing's size and colourway, and of a choice which piece.
func cellOf(kit *format.Kit, c kits.CellOf) string {
	var out []string
	if kit.Choice && c.Option < len(kit.Pieces) {
		out = append(out, kit.Pieces[c.Option].Document.Name)
	}
	for _, name := range []string{kit.SizesSold()[c.Size], kit.ColourwaysSold()[c.Colourway]} {
		if name != "" {
			out = append(out, name)
		}
	}
	return strings.Join(out, ", ")
}

// head is the top of a paper.
func (p *paper) head() {
	about := p.cell
	if len(p.bill.SameAs) > 0 {
		about = strings.Trim(about+", "+en.SameAs(p.bill.SameAs), ", ")
	}
	if lengths := p.lengths(); lengths != "" {
		about = strings.Trim(about+" · "+lengths, " ·")
	}
	p.top(p.title, p.kit.Name, about, p.bill.Code, p.squaresText())
}

// squaresText is what the QR code says: which kit file, which thing of it.
func (p *paper) squaresText() string {
	return fmt.Sprintf("mala:%s:%d:%d-%d-%d", p.bill.Code, p.order.Version, p.order.Cell.Option, p.order.Cell.Size, p.order.Cell.Colourway)
}

// lengths are the finished lengths of the pieces.
func (p *paper) lengths() string {
	var out []string
	for _, one := range p.each {
		text := one.analysis.FinishedMm.In(p.unit)
		if one.quantity > 1 {
			text = fmt.Sprintf("%d × %s", one.quantity, text)
		}
		if len(p.each) > 1 {
			text = one.doc.Name + " " + text
		}
		out = append(out, text)
	}
	return strings.Join(out, ", ")
}

// materialOf finds a material of the bill with its outline.
func (p *paper) materialOf(id string) *format.Material {
	for _, one := range p.each {
		for i := range one.doc.Materials {
			if one.doc.Materials[i].ID == id {
				return &one.doc.Materials[i]
			}
		}
	}
	return &format.Material{}
}

// placeOf is where a material lies in the shop.
func (p *paper) placeOf(id string) string {
	for i := range p.order.Materials {
		if p.order.Materials[i].ID == id {
			return p.order.Materials[i].Place
		}
	}
	return ""
}

// picture is a thing at its true size.
func (p *paper) picture(line *kits.BillLine) cell { return p.pictureOf(p.materialOf(line.Material)) }

// pictureIn is what lies in a bag: of an extender, where only spare links do, one of them.
func (p *paper) pictureIn(line *kits.BillLine, item kits.BagItem) cell {
	m := p.materialOf(line.Material)
	if line.Class == "extender" && item.Count == 0 {
		link := *m
		link.Type, link.Links = "jump-ring", 0
		m = &link
	}
	return p.pictureOf(m)
}

func (p *paper) pictureOf(m *format.Material) cell {
	o, ok := p.bill.Outlines[m.ID]
	if !ok {
		if m.Class != "finding" {
			return cell{}
		}
		long, tall := findingSize(m)
		return cell{high: min(tall, 24), draw: func(x, y, wide, high float64) {
			if m.Type == "button" { // from its face, without its shank
				button(pdfInk{p.pdf, 0, 0}, m, x+wide/2, y+high/2)
				return
			}
			long := min(long, wide-6)
			finding(pdfInk{p.pdf, x + wide/2 - long/2, y + high/2}, roles[string(m.Type)], m, 0, long, 0)
		}}
	}
	up, down := extent(m, &o)
	return cell{high: up + down, draw: func(x, y, wide, high float64) {
		bead(pdfInk{p.pdf, x + wide/2, y + (high-up-down)/2 + up}, m, &o, 0, 0, false)
	}}
}

var roles = map[string]string{"crimp-tube": "crimp", "crimp-bead": "crimp", "crimp-cover": "cover", "wire-guard": "guard", "cord-end": "cord-end", "cone-end": "cone-end", "fold-over": "fold-over",
	"head-pin": "pin", "eye-pin": "pin", "jump-ring": "ring", "split-ring": "ring", "extender": "extender", "chain": "chain", "connector": "connector", "focal-bar": "bar"}

// extent is how far a bead or a component reaches above and below its cord.
func extent(m *format.Material, o *desk.Outline) (up, down float64) {
	up = o.Left[len(o.Left)-1][0]
	down = up
	if m.Shape == "charm" {
		return 0, max(float64(m.DropMm), 2)
	}
	for i, s := range o.Seats {
		if i == 0 {
			up, down = 0, 0
		}
		reach := max(float64(s.LongMm), float64(s.WideMm))/2 + float64(s.WireMm)
		up, down = max(up, reach-s.Y), max(down, s.Y+reach)
	}
	return up, down
}
