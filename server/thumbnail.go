package server

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"

	"github.com/danielgtaylor/huma/v2"

	"mala/desk"
	"mala/format"
)

// Thumbnail is all that a piece's picture in a list is painted from.
type Thumbnail struct {
	Document format.Document `json:"document"`
	Analysis *desk.Analysis  `json:"analysis"`
	Picture  *desk.Picture   `json:"picture"`
}

// mostThumbnail is how many bytes of it are kept with a piece at most; a larger one is made again.
const mostThumbnail = 256 << 10

// thumbnail gives what was kept with the piece, and makes and keeps it where it is of an older state
// of the piece or of the house method.
func (s *server) thumbnail(ctx context.Context, in *struct {
	PieceID
	Of int64 `query:"of" doc:"The revision that the list shows."`
}) (*huma.StreamResponse, error) {
	_, house := s.shelf.at(ctx)
	of := fmt.Sprintf("%d/%d", in.Of, house.Revision)
	picture, kept, err := s.store.Thumbnail(ctx, in.ID)
	if err != nil {
		return nil, err
	}
	if kept != of || len(picture) == 0 {
		if picture, err = s.makeThumbnail(ctx, in.ID, house.Revision); err != nil {
			return nil, err
		}
	}
	return &huma.StreamResponse{Body: func(c huma.Context) {
		c.SetHeader("Content-Type", "application/json")
		_, _ = c.BodyWriter().Write(picture)
	}}, nil
}

func (s *server) makeThumbnail(ctx context.Context, id string, house int64) (json.RawMessage, error) {
	p, err := s.store.Piece(ctx, id)
	if err != nil {
		return nil, err
	}
	shown, err := s.shown(ctx, &p.Document)
	if err != nil {
		return nil, err
	}
	data, err := json.Marshal(shown)
	if err == nil && len(data) <= mostThumbnail {
		err = s.store.KeepThumbnail(ctx, id, data, fmt.Sprintf("%d/%d", p.Revision, house))
	}
	return data, errors.Join(err, ctx.Err())
}

// shown is what a picture of a piece is painted from: only the whole, and nothing that is said of it.
func (s *server) shown(ctx context.Context, doc *format.Document) (*Thumbnail, error) {
	leave, err := s.turns.forPiece(ctx, doc)
	if err != nil {
		return nil, err
	}
	defer leave()
	opt := s.options(ctx, "")
	analysis, err := drawn(ctx, doc, opt, true)
	if err != nil {
		return nil, err
	}
	picture, err := desk.PictureOf(doc, opt.House)
	if err != nil {
		return nil, err
	}
	analysis.Checks, analysis.Steps = nil, nil
	return &Thumbnail{*doc, analysis, &desk.Picture{Whole: picture.Whole}}, nil
}
