package server

import (
	"context"
	"fmt"
	"net/http"
	"time"

	"github.com/danielgtaylor/huma/v2"

	"mala/photo"
	"mala/store"
)

// Photo is a photograph of one thing. Its picture is fetched by its id and a size.
type Photo struct {
	ID        string    `json:"id"`
	Width     int       `json:"width" doc:"Of the large one, in pixels."`
	Height    int       `json:"height"`
	CreatedAt time.Time `json:"createdAt"`
}

// PhotoList is the photographs of one thing, the cover first.
type PhotoList struct {
	Photos []Photo `json:"photos"`
}

// Covers is the cover of each of several things that has one.
type Covers struct {
	Covers map[string]string `json:"covers" doc:"By the id of the thing, the id of its photograph."`
}

// PhotosOf names what photographs show.
type PhotosOf struct {
	Of string `path:"of" enum:"material,piece,version,kit" doc:"A component is a material."`
	ID string `path:"id" maxLength:"120" doc:"Its id; of a version that of the piece, a point and its number."`
}

func (p PhotosOf) pictured() store.Pictured {
	return store.Pictured{Kind: store.PicturedKind(p.Of), ID: p.ID}
}

// PhotoID is the photograph an address names.
type PhotoID struct {
	ID string `path:"id"`
}

// uploadWithin is how long sending a photograph may take.
const uploadWithin = 2 * time.Minute

// maxCovers is how many things may be asked about at once.
const maxCovers = 1000

func (s *server) registerPhotos(api huma.API) {
	call(api, huma.Operation{OperationID: "listPhotos", Method: http.MethodGet, Path: "/api/photos/{of}/{id}", Summary: "The photographs of a thing, the cover first"},
		func(ctx context.Context, in *PhotosOf) (*answer[PhotoList], error) {
			return photoList(s.store.Photos(ctx, in.pictured()))
		})
	limited(api, photo.MaxBytes+1<<20, huma.Operation{OperationID: "addPhoto", Method: http.MethodPost, Path: "/api/photos/{of}/{id}", BodyReadTimeout: uploadWithin,
		Summary: "Add a photograph; it is read, written again in three sizes, and nothing else of the file is kept"}, s.addPhoto)
	call(api, huma.Operation{OperationID: "orderPhotos", Method: http.MethodPut, Path: "/api/photos/{of}/{id}", Summary: "Put the photographs of a thing in order, the cover first"},
		func(ctx context.Context, in *struct {
			PhotosOf
			Body struct {
				IDs []string `json:"ids" maxItems:"24"`
			}
		}) (*answer[PhotoList], error) {
			return photoList(s.store.OrderPhotos(ctx, in.pictured(), in.Body.IDs))
		})
	call(api, huma.Operation{OperationID: "covers", Method: http.MethodPost, Path: "/api/covers", Summary: "The covers of several things of one kind"},
		func(ctx context.Context, in *struct {
			Body struct {
				Of  string   `json:"of" enum:"material,piece,kit"`
				IDs []string `json:"ids" maxItems:"1000"`
			}
		}) (*answer[Covers], error) {
			if len(in.Body.IDs) > maxCovers {
				return nil, &Problem{Title: "Invalid input", Status: http.StatusUnprocessableEntity, Detail: fmt.Sprintf("Ask about up to %d things at once.", maxCovers)}
			}
			covers, err := s.store.Covers(ctx, store.PicturedKind(in.Body.Of), in.Body.IDs)
			return &answer[Covers]{Covers{covers}}, err
		})
	call(api, huma.Operation{OperationID: "photo", Method: http.MethodGet, Path: "/api/photo/{id}/{size}", Summary: "A photograph as JPEG"}, s.photo)
	call(api, huma.Operation{OperationID: "deletePhoto", Method: http.MethodDelete, Path: "/api/photo/{id}", Summary: "Delete a photograph"},
		func(ctx context.Context, in *PhotoID) (*struct{}, error) { return nil, s.store.DeletePhoto(ctx, in.ID) })
	call(api, huma.Operation{OperationID: "undeletePhoto", Method: http.MethodPost, Path: "/api/photo/{id}/undelete", Summary: "Restore a deleted photograph"},
		func(ctx context.Context, in *PhotoID) (*struct{}, error) {
			return nil, s.store.RestorePhoto(ctx, in.ID)
		})
}

func photoOf(p store.Photo) Photo { return Photo{p.ID, p.Width, p.Height, p.CreatedAt} }

func photoList(rows []store.Photo, err error) (*answer[PhotoList], error) {
	list := PhotoList{make([]Photo, len(rows))}
	for i, p := range rows {
		list.Photos[i] = photoOf(p)
	}
	return &answer[PhotoList]{list}, err
}

func (s *server) addPhoto(ctx context.Context, in *struct {
	PhotosOf
	RawBody []byte `contentType:"application/octet-stream"`
}) (*answer[Photo], error) {
	if _, err := s.store.Photos(ctx, in.pictured()); err != nil {
		return nil, err
	}
	leave, err := s.turns.forPhoto(ctx)
	if err != nil {
		return nil, err
	}
	sizes, err := photo.Read(in.RawBody)
	leave()
	if err != nil {
		return nil, err
	}
	p, err := s.store.AddPhoto(ctx, in.pictured(), sizes)
	return &answer[Photo]{photoOf(p)}, err
}

// photo sends a picture. It never changes under its id, so that a browser may keep it.
func (s *server) photo(ctx context.Context, in *struct {
	PhotoID
	Size string `path:"size" enum:"large,medium,small"`
}) (*huma.StreamResponse, error) {
	data, err := s.store.PhotoFile(ctx, in.ID, in.Size)
	if err != nil {
		return nil, err
	}
	return &huma.StreamResponse{Body: func(c huma.Context) {
		c.SetHeader("Content-Type", "image/jpeg")
		c.SetHeader("Content-Disposition", `inline; filename="photograph.jpg"`)
		c.SetHeader("Cache-Control", "private, max-age=31536000, immutable")
		_, _ = c.BodyWriter().Write(data)
	}}, nil
}
