package server

import (
	"context"
	"fmt"
	"mime"
	"net/http"
	"time"

	"github.com/danielgtaylor/huma/v2"

	"mala/core/length"
	"mala/desk"
	"mala/desk/kits"
	"mala/format"
	"mala/store"
)

// KitCard is a kit as lists show it.
type KitCard struct {
	ID         string            `json:"id"`
	Revision   int               `json:"revision"`
	Name       string            `json:"name"`
	Choice     bool              `json:"choice,omitempty"`
	Pieces     []string          `json:"pieces" doc:"Their names."`
	Sizes      int               `json:"sizes"`
	Colourways int               `json:"colourways"`
	Documents  []format.Document `json:"documents" doc:"The first pieces as they are, for a picture."`
	UpdatedAt  time.Time         `json:"updatedAt"`
}

// KitList is part of the list of kits, and how many there are in all.
type KitList struct {
	Kits  []KitCard `json:"kits"`
	Total int       `json:"total"`
}

// KitState is a kit and the revision that a save states.
type KitState struct {
	ID        string       `json:"id"`
	Revision  int          `json:"revision" doc:"The number of the version that this is."`
	UpdatedAt time.Time    `json:"updatedAt"`
	Kit       format.Kit   `json:"kit"`
	Origins   []KitOrigin  `json:"origins" doc:"Of each of its pieces, how that has gone on since."`
	Materials []KitCarries `json:"materials" doc:"What the kit is made of, components with their parts."`
}

// KitCarries is a material of a kit.
type KitCarries struct {
	ID    string `json:"id"`
	Name  string `json:"name"`
	Class string `json:"class"`
}

// KitOrigin says what a piece is like as a kit holds it, and how it has gone on since it was put there.
type KitOrigin struct {
	Problems int      `json:"problems" doc:"How many it has in the kit, apart from those that are ignored and from what is short of stock."`
	Worst    string   `json:"worst,omitempty" enum:"stop,warn,advise,line" doc:"How grave the worst of them is."`
	Gone     bool     `json:"gone,omitempty" doc:"It was deleted; the kit keeps what it was."`
	Differs  []string `json:"differs,omitempty" doc:"What is different in the piece now."`
}

// KitVersionNote is one version of a kit as the list shows it.
type KitVersionNote struct {
	Number    int       `json:"number"`
	Aside     bool      `json:"aside,omitempty" doc:"It was refused, because someone else had saved."`
	CreatedAt time.Time `json:"createdAt"`
}

// KitID is the kit an address names.
type KitID struct {
	ID string `path:"id"`
}

// kitInput names a kit whose answer tells lengths in a unit.
type kitInput struct {
	KitID
	UnitParam
}

// KitVersionID is the version of a kit that an address names.
type KitVersionID struct {
	KitID
	Number int `path:"number"`
}

type saveKitInput struct {
	KitID
	UnitParam
	Body struct {
		Base int        `json:"base" doc:"The revision it was made from."`
		Kit  format.Kit `json:"kit"`
	}
}

type kitAnswer = answer[KitState]

func (s *server) registerKits(api huma.API) {
	call(api, huma.Operation{OperationID: "listKits", Method: http.MethodGet, Path: "/api/kits", Summary: "The kits, the one changed last first"}, s.listKits)
	call(api, huma.Operation{OperationID: "createKit", Method: http.MethodPost, Path: "/api/kits", Summary: "Save a new kit, or read a kit file"},
		func(ctx context.Context, in *struct {
			UnitParam
			Body format.Kit
		}) (*kitAnswer, error) {
			s.standAlone(ctx, &in.Body)
			return s.kitState(ctx, in.Unit)(s.importKit(ctx, in.Body))
		})
	call(api, huma.Operation{OperationID: "getKit", Method: http.MethodGet, Path: "/api/kits/{id}", Summary: "One kit"},
		func(ctx context.Context, in *kitInput) (*kitAnswer, error) {
			return s.kitState(ctx, in.Unit)(s.store.Kit(ctx, in.ID))
		})
	call(api, huma.Operation{OperationID: "saveKit", Method: http.MethodPut, Path: "/api/kits/{id}", Summary: "Save a kit as its next version"},
		func(ctx context.Context, in *saveKitInput) (*kitAnswer, error) {
			s.standAlone(ctx, &in.Body.Kit)
			in.Body.Kit.LeavePhotos()
			if err := in.Body.Kit.Check(); err != nil {
				return nil, err
			}
			return s.kitState(ctx, in.Unit)(s.store.SaveKit(ctx, in.ID, in.Body.Base, in.Body.Kit))
		})
	call(api, huma.Operation{OperationID: "deleteKit", Method: http.MethodDelete, Path: "/api/kits/{id}", Summary: "Delete a kit"},
		func(ctx context.Context, in *KitID) (*struct{}, error) { return nil, s.store.DeleteKit(ctx, in.ID) })
	call(api, huma.Operation{OperationID: "undeleteKit", Method: http.MethodPost, Path: "/api/kits/{id}/undelete", Summary: "Restore a deleted kit"},
		func(ctx context.Context, in *kitInput) (*kitAnswer, error) {
			return s.kitState(ctx, in.Unit)(s.store.RestoreKit(ctx, in.ID))
		})
	call(api, huma.Operation{OperationID: "listKitVersions", Method: http.MethodGet, Path: "/api/kits/{id}/versions", Summary: "A kit's versions, the newest first"},
		func(ctx context.Context, in *KitID) (*answer[[]KitVersionNote], error) {
			rows, err := s.store.KitVersions(ctx, in.ID)
			notes := make([]KitVersionNote, len(rows))
			for i, v := range rows {
				notes[i] = KitVersionNote{v.Number, v.Aside, v.CreatedAt}
			}
			return &answer[[]KitVersionNote]{notes}, err
		})
	call(api, huma.Operation{OperationID: "getKitVersion", Method: http.MethodGet, Path: "/api/kits/{id}/versions/{number}", Summary: "One version of a kit"},
		func(ctx context.Context, in *KitVersionID) (*answer[format.Kit], error) {
			v, err := s.store.KitVersion(ctx, in.ID, in.Number)
			return &answer[format.Kit]{v.Document}, err
		})
	call(api, huma.Operation{OperationID: "kitFile", Method: http.MethodGet, Path: "/api/kits/{id}/file", Summary: "A kit as a kit file"}, s.kitFile)
	call(api, huma.Operation{OperationID: "kitPiece", Method: http.MethodPost, Path: "/api/kit-pieces/{id}", Summary: "A piece as a kit holds it: its draft, kept as a version"}, s.kitPiece)
}

func (s *server) listKits(ctx context.Context, in *struct {
	Search string `query:"search" maxLength:"200"`
	Limit  int    `query:"limit" default:"60" minimum:"1" maximum:"200"`
	Offset int    `query:"offset" minimum:"0"`
}) (*answer[KitList], error) {
	rows, total, err := s.store.Kits(ctx, in.Search, in.Limit, in.Offset)
	out := KitList{[]KitCard{}, total}
	for _, k := range rows {
		out.Kits = append(out.Kits, cardOf(k))
	}
	return &answer[KitList]{out}, err
}

// mostPictured is how many pieces of a kit a card shows.
const mostPictured = 3

func cardOf(k store.Kit) KitCard {
	doc := &k.Document
	out := KitCard{ID: k.ID, Revision: k.Revision, Name: k.Name, Choice: doc.Choice, Pieces: []string{}, Sizes: len(doc.SizesSold()), Colourways: len(doc.ColourwaysSold()), Documents: []format.Document{}, UpdatedAt: k.UpdatedAt}
	for i := range doc.Pieces {
		p := doc.Pieces[i].Document
		out.Pieces = append(out.Pieces, p.Name)
		if i < mostPictured {
			p.Sizes, p.Colourways, p.Written, p.Notes = nil, nil, nil, ""
			out.Documents = append(out.Documents, *p.Tidied())
		}
	}
	return out
}

// kitState gives what a call to the store gave its answer.
func (s *server) kitState(ctx context.Context, unit string) func(k store.Kit, err error) (*kitAnswer, error) {
	return func(k store.Kit, err error) (*kitAnswer, error) {
		if err != nil {
			return nil, err
		}
		out := KitState{ID: k.ID, Revision: k.Revision, UpdatedAt: k.UpdatedAt, Kit: k.Document, Origins: []KitOrigin{}, Materials: []KitCarries{}}
		seen := map[string]bool{}
		for i := range k.Document.Pieces {
			origin, err := s.originOf(ctx, &k.Document.Pieces[i], length.Unit(unit))
			if err != nil {
				return nil, err
			}
			out.Origins = append(out.Origins, origin)
			for _, m := range k.Document.Pieces[i].Document.Materials {
				if !seen[m.ID] {
					seen[m.ID] = true
					out.Materials = append(out.Materials, KitCarries{m.ID, m.Name, m.Class})
				}
			}
		}
		return &kitAnswer{out}, nil
	}
}

// originOf says how a piece has gone on since a kit took it.
func (s *server) originOf(ctx context.Context, p *format.KitPiece, unit length.Unit) (KitOrigin, error) {
	card := desk.CardOf(&p.Document, p.Document.House)
	out := KitOrigin{Problems: card.Problems, Worst: card.Worst}
	if p.Piece == "" {
		return out, nil
	}
	now, err := s.store.Piece(ctx, p.Piece)
	if err == store.ErrNotFound {
		out.Gone = true
		return out, nil
	}
	if err != nil {
		return KitOrigin{}, err
	}
	out.Differs = kits.DiffersFrom(&p.Document, s.standing(ctx, &now.Document), unit)
	return out, nil
}

// standing is a piece as it stands by itself: with the house method it is made by.
func (s *server) standing(ctx context.Context, doc *format.Document) *format.Document {
	out := doc.Tidied()
	out.House = out.House.Merge(s.options(ctx, "").House).Merge(format.DefaultHouse())
	return out
}

// standAlone fills in the house method of every piece that does not have all of it, so that
// what is printed follows from the kit alone.
func (s *server) standAlone(ctx context.Context, kit *format.Kit) {
	kit.Upgrade()
	house := s.options(ctx, "").House.Merge(format.DefaultHouse())
	for i := range kit.Pieces {
		doc := &kit.Pieces[i].Document
		doc.House = doc.House.Merge(house)
	}
}

// kitPiece keeps the piece's draft as a version, and gives it as a kit holds it.
func (s *server) kitPiece(ctx context.Context, in *PieceID) (*answer[format.KitPiece], error) {
	v, err := s.store.MakeVersion(ctx, in.ID, store.Kitted, "")
	if err != nil {
		return nil, err
	}
	piece, err := kitted(&v)
	if err != nil {
		return nil, err
	}
	return &answer[format.KitPiece]{*piece}, nil
}

// kitted is a version as a kit holds it: it stands by itself, with the house method that it
// was made by.
func kitted(v *store.Version) (*format.KitPiece, error) {
	doc := v.Document.Tidied()
	doc.House = doc.House.Merge(v.House).Merge(format.DefaultHouse())
	if _, err := doc.Piece(format.House{}); err != nil {
		return nil, format.Faults{{Where: "pieces", Says: fmt.Sprintf("The bead line of %s has an error. Put it right before the piece goes into a kit.", doc.Name)}}
	}
	return &format.KitPiece{Piece: v.PieceID, Version: v.Number, Quantity: 1, Document: *doc}, nil
}

func (s *server) kitFile(ctx context.Context, in *KitID) (*file, error) {
	k, err := s.store.Kit(ctx, in.ID)
	if err != nil {
		return nil, err
	}
	data, err := s.withPhotos(ctx, &k.Document, &k.Document.Photos, store.Pictured{Kind: store.OfKit, ID: in.ID}, k.Document.MaterialIDs())
	if err != nil {
		return nil, err
	}
	name := fmt.Sprintf("%s, version %d.json", k.Name, k.Revision)
	return &file{"application/json", mime.FormatMediaType("attachment", map[string]string{"filename": name}), data}, nil
}
