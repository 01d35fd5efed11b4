package format

import (
	"fmt"
	"slices"
)

// FilePhoto is a photograph that an open file carries along. It is never part of a piece or kit: who reads
// the file keeps it with what it shows.
type FilePhoto struct {
	Of   string `json:"of,omitempty" doc:"The id of the material that it shows; the piece or the kit itself if absent."`
	JPEG []byte `json:"jpeg" doc:"Base64."`
}

// MaxFilePhotos is how many photographs a file carries.
const MaxFilePhotos = 48

// photoFaults says what is wrong with photographs of a file that has these materials.
func photoFaults(photos []FilePhoto, materials []string) Faults {
	var faults Faults
	if len(photos) > MaxFilePhotos {
		faults = append(faults, Fault{Where: "photos", Says: fmt.Sprintf("A file carries at most %d photographs. Remove some.", MaxFilePhotos)})
	}
	for i, p := range photos {
		if p.Of != "" && !slices.Contains(materials, p.Of) {
			faults = append(faults, Fault{Where: fmt.Sprintf("photos[%d].of", i), Says: fmt.Sprintf("It shows %q, which is not among the materials.", p.Of)})
		}
	}
	return faults
}

func (d *Document) photoFaults() Faults {
	ids := make([]string, len(d.Materials))
	for i, m := range d.Materials {
		ids[i] = m.ID
	}
	return photoFaults(d.Photos, ids)
}

func (k *Kit) photoFaults() Faults {
	var ids []string
	for _, p := range k.Pieces {
		for _, m := range p.Document.Materials {
			ids = append(ids, m.ID)
		}
	}
	return photoFaults(k.Photos, ids)
}

// Carry adds photographs to a file as long as it stays as large as a file may be; those behind are left out.
func Carry(photos []FilePhoto, takenBytes int) []FilePhoto {
	const around = 256 // what JSON takes around each, and the indents
	for i, p := range photos {
		if takenBytes += len(p.JPEG)*4/3 + around; takenBytes > MaxBytes || i == MaxFilePhotos {
			return photos[:i]
		}
	}
	return photos
}

// MaterialIDs lists the materials of a kit's pieces, each once.
func (k *Kit) MaterialIDs() []string {
	var ids []string
	for i := range k.Pieces {
		ids = append(ids, k.Pieces[i].Document.Used()...)
	}
	slices.Sort(ids)
	return slices.Compact(ids)
}

// LeavePhotos takes the photographs out of a kit and its pieces: they are kept with what they show.
func (k *Kit) LeavePhotos() {
	k.Photos = nil
	for i := range k.Pieces {
		k.Pieces[i].Document.Photos = nil
	}
}
