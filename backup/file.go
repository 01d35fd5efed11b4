// Package backup writes a whole shop into one open file, and reads it into an empty place: a zip
// of JSON, with the pieces as the piece files they are.
package backup

import (
	"fmt"
	"time"

	"mala/format"
	"mala/store"
)

// Format is the format and version of the files that are written.
const Format = "mala-backup/4"

// The formats before: the first knows no deleted materials and no days for copies set aside, the first two
// no kits, and none of them photographs.
const (
	first  = "mala-backup/1"
	second = "mala-backup/2"
	third  = "mala-backup/3"
)

// The names of what is in a file, beside the pieces.
const (
	aboutName     = "about.json"
	shopName      = "shop.json"
	catalogueName = "catalogue.json"
	sellingName   = "selling.json"
	pieceFolder   = "pieces/"
	kitFolder     = "kits/"
	photoFolder   = "photos/"
)

// about is what the file says of itself, written last: a file without it is cut short.
type about struct {
	Format string    `json:"format"`
	MadeAt time.Time `json:"madeAt"`
	Counts
}

// Counts is how much a file holds.
type Counts struct {
	Pieces    int `json:"pieces"`
	Versions  int `json:"versions"`
	Materials int `json:"materials"`
	Kits      int `json:"kits"`
	Photos    int `json:"photos,omitempty"`
}

// String names them in a sentence.
func (c Counts) String() string {
	return fmt.Sprintf("%d pieces with %d versions, %d kits, %d materials and %d photographs", c.Pieces, c.Versions, c.Kits, c.Materials, c.Photos)
}

type shopFile struct {
	House           format.House `json:"house"`
	Revision        int64        `json:"revision"`
	KeepDeletedDays int          `json:"keepDeletedDays"`
	KeepAsideDays   int          `json:"keepAsideDays"`
}

// sellingFile is how the shop packs and prices.
type sellingFile struct {
	Selling  *format.Selling `json:"selling,omitempty"`
	Revision int64           `json:"revision"`
}

type catalogueFile struct {
	Materials []materialFile `json:"materials"`
}

type materialFile struct {
	Material  format.Material `json:"material"`
	OnHand    int             `json:"onHand"`
	Archived  bool            `json:"archived,omitempty"`
	Revision  int64           `json:"revision"`
	UpdatedAt time.Time       `json:"updatedAt"`
	DeletedAt *time.Time      `json:"deletedAt,omitempty"`
}

type pieceFile struct {
	ID        string          `json:"id"`
	Revision  int64           `json:"revision"`
	CreatedAt time.Time       `json:"createdAt"`
	UpdatedAt time.Time       `json:"updatedAt"`
	DeletedAt *time.Time      `json:"deletedAt,omitempty"`
	Document  format.Document `json:"document"`
	Versions  []versionFile   `json:"versions"`
}

type versionFile struct {
	Number    int             `json:"number"`
	Reason    store.Reason    `json:"reason"`
	Label     string          `json:"label,omitempty"`
	CreatedAt time.Time       `json:"createdAt"`
	House     format.House    `json:"house,omitempty"`
	Document  format.Document `json:"document"`
}

type kitFile struct {
	ID        string           `json:"id"`
	Revision  int              `json:"revision"`
	CreatedAt time.Time        `json:"createdAt"`
	UpdatedAt time.Time        `json:"updatedAt"`
	DeletedAt *time.Time       `json:"deletedAt,omitempty"`
	Document  format.Kit       `json:"document"`
	Versions  []kitVersionFile `json:"versions"`
}

type kitVersionFile struct {
	Number    int        `json:"number"`
	Aside     bool       `json:"aside,omitempty"`
	CreatedAt time.Time  `json:"createdAt"`
	Document  format.Kit `json:"document"`
}
