package format

import (
	"fmt"
	"reflect"
	"slices"
	"strings"
	"unicode/utf8"

	"github.com/go-json-experiment/json"

	"mala/core/money"
)

// KitFormat is the format and version of a kit file.
const KitFormat = "mala-kit/1"

// Kit is the open kit file. It holds every piece as it was when it was put in, so that a
// kit stays what it is whatever becomes of its pieces.
type Kit struct {
	Format     string      `json:"format" doc:"mala-kit/1"`
	Name       string      `json:"name" maxLength:"120"`
	Notes      string      `json:"notes,omitempty" maxLength:"10000"`
	Choice     bool        `json:"choice,omitempty" doc:"The buyer chooses one of the pieces; else the kit holds all of them."`
	MadeUp     bool        `json:"madeUp,omitempty" doc:"It is sold made up."`
	Pieces     []KitPiece  `json:"pieces" maxItems:"12"`
	Sizes      []string    `json:"sizes,omitempty" doc:"Those that are sold, by their names in the pieces, nothing for the piece as it is; all if absent. A piece without a size of that name is as it is."`
	Colourways []string    `json:"colourways,omitempty" doc:"The same of colourways."`
	Own        []string    `json:"own,omitempty" doc:"Ids of materials that are the buyer's own."`
	Premade    []string    `json:"premade,omitempty" doc:"Ids of components that the shop makes itself."`
	Bags       []KitBag    `json:"bags,omitempty" maxItems:"24" doc:"What is packed together; what is in none of them is packed by the usual rule."`
	Tools      []string    `json:"tools,omitempty" doc:"Tools that are in the kit, by their names; the others are the buyer's own."`
	Photos     []FilePhoto `json:"photos,omitempty" maxItems:"48" doc:"Photographs that the file carries along."`
	Price      string      `json:"price,omitempty" maxLength:"12" doc:"What it is sold for, where that does not follow from the cost."`
}

// KitPiece is a version of a piece, and how many of it.
type KitPiece struct {
	Piece    string   `json:"piece,omitempty" doc:"Its id in the shop that made the kit."`
	Version  int      `json:"version,omitempty"`
	Quantity int      `json:"quantity"`
	Document Document `json:"document"`
}

// KitBag is a bag that the designer wants.
type KitBag struct {
	Name string   `json:"name" maxLength:"40"`
	Of   []string `json:"of" doc:"Ids of materials."`
}

// The limits of a kit.
const (
	mostKitPieces = 12
	mostQuantity  = 100
	mostBags      = 24
	mostListed    = 400
	mostCells     = 200
)

// ReadKit reads a kit file strictly. The error is Faults.
func ReadKit(data []byte) (*Kit, error) {
	if len(data) > MaxBytes {
		return nil, Faults{{Says: fmt.Sprintf("The file has %d MB; a kit file holds at most %d MB.", len(data)>>20, MaxBytes>>20)}}
	}
	var probe struct {
		Format string `json:"format"`
	}
	if err := json.Unmarshal(data, &probe); err != nil {
		return nil, readFault(data, err)
	}
	if probe.Format != KitFormat {
		return nil, notKit(probe.Format)
	}
	var k Kit
	if err := Unmarshal(data, &k); err != nil {
		return nil, err
	}
	k.Upgrade()
	return &k, nil
}

func notKit(format string) Faults {
	if strings.HasPrefix(format, "mala-kit/") {
		return Faults{{Where: "format", Says: fmt.Sprintf("This kit is %q; this Mala reads %q. Open it with a newer Mala.", format, KitFormat)}}
	}
	return Faults{{Where: "format", Says: fmt.Sprintf("%q is not a kit file. One begins with \"format\": %q.", format, KitFormat)}}
}

// Upgrade brings the pieces to the format written now, and writes lists out that are not
// there.
func (k *Kit) Upgrade() {
	if k.Pieces == nil {
		k.Pieces = []KitPiece{}
	}
	for i := range k.Bags {
		if k.Bags[i].Of == nil {
			k.Bags[i].Of = []string{}
		}
	}
	for i := range k.Pieces {
		k.Pieces[i].Document.Upgrade()
	}
}

// Check holds the kit to what can be; the pieces are looked at as they are measured. The
// error is Faults.
func (k *Kit) Check() error {
	b := &kitChecker{kit: k}
	if k.Format != KitFormat {
		return notKit(k.Format)
	}
	b.faults = append(b.faults, k.photoFaults()...)
	if says := checkName(k.Name); says != "" {
		b.add("name", "%s", says)
	}
	if utf8.RuneCountInString(k.Notes) > 10_000 {
		b.add("notes", "The notes are longer than 10000 characters. Shorten them.")
	}
	if len(k.Pieces) > mostKitPieces {
		b.add("pieces", "A kit holds at most %d pieces. Remove some.", mostKitPieces)
	}
	for i := range k.Pieces {
		b.piece(fmt.Sprintf("pieces[%d]", i), &k.Pieces[i])
	}
	b.names("sizes", k.Sizes, k.AllSizes())
	b.names("colourways", k.Colourways, k.AllColourways())
	b.cells()
	b.bags()
	for where, list := range map[string][]string{"own": k.Own, "premade": k.Premade, "tools": k.Tools} {
		if len(list) > mostListed {
			b.add(where, "That is a list of %d. It has at most %d.", len(list), mostListed)
		}
	}
	if k.Price != "" {
		if _, err := money.Parse(k.Price); err != nil {
			b.add("price", "%s", err.Error())
		}
	}
	if b.faults != nil {
		slices.SortStableFunc(b.faults, func(x, y Fault) int { return strings.Compare(x.Where, y.Where) })
		return b.faults
	}
	return nil
}

type kitChecker struct {
	kit    *Kit
	faults Faults
}

func (b *kitChecker) add(where, says string, args ...any) {
	b.faults = append(b.faults, Fault{Where: where, Says: fmt.Sprintf(says, args...)})
}

func (b *kitChecker) piece(at string, p *KitPiece) {
	if p.Quantity < 1 || p.Quantity > mostQuantity {
		b.add(at+".quantity", "A kit holds 1 to %d of a piece.", mostQuantity)
	}
	if p.Document.Format != PieceFormat {
		b.add(at+".document", "This is not a piece. Add one under Pieces.")
		return
	}
	if err := p.Document.Check(); err != nil {
		b.add(at+".document", "%s: %s", p.Document.Name, strings.SplitN(err.Error(), "\n", 2)[0])
	}
}

// names holds what is sold to what the pieces know.
func (b *kitChecker) names(where string, sold, known []string) {
	for i, name := range sold {
		switch {
		case name != "" && !slices.Contains(known, name):
			b.add(fmt.Sprintf("%s[%d]", where, i), "No piece of the kit has %q. Choose one that it has.", name)
		case slices.Contains(sold[:i], name):
			b.add(fmt.Sprintf("%s[%d]", where, i), "%q is there twice. Remove one.", name)
		}
	}
}

// cells holds what is sold to what can be looked at.
func (b *kitChecker) cells() {
	n := len(b.kit.SizesSold()) * len(b.kit.ColourwaysSold()) * max(1, len(b.kit.Pieces))
	if n > mostCells {
		b.add("sizes", "In every size and colourway these pieces come to %d finished ones; a kit has at most %d. Sell it in fewer.", n, mostCells)
	}
}

func (b *kitChecker) bags() {
	if len(b.kit.Bags) > mostBags {
		b.add("bags", "A kit has at most %d bags of its own.", mostBags)
		return
	}
	in := map[string]string{}
	for i, bag := range b.kit.Bags {
		at := fmt.Sprintf("bags[%d]", i)
		if checkName(bag.Name) != "" || utf8.RuneCountInString(bag.Name) > maxTag {
			b.add(at+".name", "A bag has a name of at most %d characters.", maxTag)
		}
		for _, id := range bag.Of {
			if other, ok := in[id]; ok {
				b.add(at+".of", "%s is in bag %q already. It lies in one of them.", id, other)
			}
			in[id] = bag.Name
		}
		if len(bag.Of) > mostListed {
			b.add(at+".of", "A bag names at most %d materials.", mostListed)
		}
	}
}

// AllSizes are the names of the sizes of all pieces, each once, after the piece as it is,
// which has no name.
func (k *Kit) AllSizes() []string {
	return k.namesOf(func(d *Document) (out []string) {
		for _, s := range d.Sizes {
			out = append(out, s.Name)
		}
		return out
	})
}

// AllColourways are the same of colourways.
func (k *Kit) AllColourways() []string {
	return k.namesOf(func(d *Document) (out []string) {
		for _, c := range d.Colourways {
			out = append(out, c.Name)
		}
		return out
	})
}

func (k *Kit) namesOf(of func(d *Document) []string) []string {
	out := []string{""}
	for i := range k.Pieces {
		for _, name := range of(&k.Pieces[i].Document) {
			if !slices.Contains(out, name) {
				out = append(out, name)
			}
		}
	}
	return out
}

// SizesSold are those that the kit is sold in.
func (k *Kit) SizesSold() []string { return orAll(k.Sizes, k.AllSizes) }

// ColourwaysSold are those that the kit is sold in.
func (k *Kit) ColourwaysSold() []string { return orAll(k.Colourways, k.AllColourways) }

func orAll(sold []string, all func() []string) []string {
	if len(sold) > 0 {
		return sold
	}
	return all()
}

// KitSchema is the JSON Schema of the kit file, made from the Go types.
func KitSchema() []byte { return SchemaOf(reflect.TypeFor[Kit](), KitFormat) }
