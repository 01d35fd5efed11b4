package backup

import (
	"archive/zip"
	"fmt"
	"strings"
	"time"

	"mala/photo"
	"mala/store"
)

// photoFile says what a photograph shows; the picture lies beside it as JPEG in its largest size, from
// which the others are made again.
type photoFile struct {
	ID        string             `json:"id"`
	Of        store.PicturedKind `json:"of"`
	OfID      string             `json:"ofId"`
	Place     int                `json:"place"`
	CreatedAt time.Time          `json:"createdAt"`
	DeletedAt *time.Time         `json:"deletedAt,omitempty"`
}

// putPhoto writes a photograph. JPEG does not get smaller by packing it.
func putPhoto(out *zip.Writer, p store.Photo, put func(name string, what any) error) error {
	of := p.Of()
	if err := put(photoFolder+p.ID+".json", photoFile{p.ID, of.Kind, of.ID, p.Place, p.CreatedAt, when(p.DeletedAt)}); err != nil {
		return err
	}
	file, err := out.CreateHeader(&zip.FileHeader{Name: photoFolder + p.ID + ".jpg", Method: zip.Store})
	if err != nil {
		return err
	}
	_, err = file.Write(p.Large)
	return err
}

// fillPhotos reads the photographs, each as strictly as one that is sent.
func fillPhotos(in *zip.Reader, into store.Snapshot, counts *Counts) error {
	for _, file := range in.File {
		name, is := strings.CutSuffix(file.Name, ".json")
		if !is || !strings.HasPrefix(name, photoFolder) {
			continue
		}
		var about photoFile
		if err := read(in, file.Name, &about); err != nil {
			return err
		}
		data, err := readBytes(in, name+".jpg", photo.MaxBytes)
		if err != nil {
			return err
		}
		picture, err := photo.Kept(data)
		if err != nil {
			return fmt.Errorf("%s.jpg: %w", name, err)
		}
		counts.Photos++
		if err := into.Photo(store.PhotoOf(store.Pictured{Kind: about.Of, ID: about.OfID}, picture, about.ID, about.Place, about.CreatedAt, deleted(about.DeletedAt))); err != nil {
			return fmt.Errorf("%s: %w", file.Name, err)
		}
	}
	return nil
}
