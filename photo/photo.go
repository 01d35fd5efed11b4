// Package photo reads a photograph that someone sends, and writes it again in three sizes: nothing of the
// file that came is kept, so neither what it says of the place and the camera nor what may hide in it.
package photo

import (
	"bytes"
	"errors"
	"fmt"
	"image"
	"image/color"
	"image/jpeg"

	// The formats that are read, by what a file begins with.
	_ "image/gif"
	_ "image/png"

	_ "golang.org/x/image/webp"

	"github.com/disintegration/imaging"
)

// The limits of a file that comes in.
const (
	MaxBytes     = 20 << 20
	maxPixels    = 60_000_000
	minSide      = 16
	maxDecodedMB = 400 // what decoding may take of memory
)

// The longest side of each size, in pixels.
const (
	LargeSide  = 2048
	MediumSide = 960
	SmallSide  = 256
)

const quality = 86 // of the JPEG files that are written

// Photo is a photograph in three sizes, each a JPEG file with nothing in it but the picture.
type Photo struct {
	Large, Medium, Small []byte
	Width, Height        int // of the large one
}

// Refused says why a file is not taken, in a sentence for the person who sent it.
type Refused struct{ Says string }

func (r *Refused) Error() string { return r.Says }

func refuse(says string, args ...any) error { return &Refused{fmt.Sprintf(says, args...)} }

// Read reads a file by what it is, whatever it is called: JPEG, PNG, GIF or WebP, upright by what its
// camera says. The error is a *Refused.
func Read(data []byte) (Photo, error) {
	if len(data) > MaxBytes {
		return Photo{}, refuse("The picture has %d MB; up to %d MB can be read. Save it smaller.", (len(data)+1<<20-1)>>20, MaxBytes>>20)
	}
	if says := known(data); says != "" {
		return Photo{}, &Refused{says}
	}
	cfg, _, err := image.DecodeConfig(bytes.NewReader(data))
	switch {
	case errors.Is(err, image.ErrFormat):
		return Photo{}, refuse("This is not a picture that can be read. JPEG, PNG, WebP and GIF can.")
	case err != nil:
		return Photo{}, damaged()
	case min(cfg.Width, cfg.Height) < minSide:
		return Photo{}, refuse("The picture is %d by %d pixels; it needs at least %d each way.", cfg.Width, cfg.Height, minSide)
	case cfg.Width > maxPixels/cfg.Height:
		return Photo{}, refuse("The picture has %.0f megapixels; up to %d can be read. Save it smaller.", float64(cfg.Width)*float64(cfg.Height)/1e6, maxPixels/1_000_000)
	case decodedMB(data, cfg) > maxDecodedMB:
		return Photo{}, refuse("The picture is large and saved in a way that takes much memory. Save it as an ordinary JPEG.")
	}
	img, _, err := image.Decode(bytes.NewReader(data))
	if err != nil {
		return Photo{}, damaged()
	}
	return written(img, orientationOf(data))
}

// Kept reads a large photograph that Read wrote: it stays as it is, to the byte, and the smaller ones
// are made from it. What another program wrote is read as by Read.
func Kept(data []byte) (Photo, error) {
	out, err := Read(data)
	if err == nil && plain(data) && max(out.Width, out.Height) <= LargeSide {
		out.Large = data
	}
	return out, err
}

func damaged() error {
	return refuse("The picture is damaged or cut short. Save it again as JPEG or PNG.")
}

// known gives the sentence for files that are pictures of a kind that is not read; nothing for others.
func known(data []byte) string {
	switch {
	case len(data) == 0:
		return "The file is empty."
	case len(data) > 12 && string(data[4:8]) == "ftyp":
		return "Pictures of this kind (HEIC, AVIF) cannot be read. Set the camera to JPEG, or save the picture as JPEG."
	case bytes.HasPrefix(data, []byte("II*\x00")), bytes.HasPrefix(data, []byte("MM\x00*")):
		return "TIFF and raw pictures cannot be read. Save it as JPEG."
	case bytes.HasPrefix(data, []byte("%PDF")):
		return "This is a PDF. Save the picture in it as JPEG."
	}
	return ""
}

// decodedMB estimates what decoding takes: pixels by their depth, and of a progressive JPEG all its
// coefficients, 4 bytes each for up to three planes.
func decodedMB(data []byte, cfg image.Config) int {
	each := 4
	switch cfg.ColorModel {
	case color.RGBA64Model, color.NRGBA64Model:
		each = 8
	case color.YCbCrModel:
		if each = 3; progressive(data) {
			each = 15
		}
	}
	return cfg.Width * cfg.Height / 1000 * each / 1000
}

// written makes the three sizes, each from the one before it. What is see-through becomes white.
func written(img image.Image, turn orientation) (Photo, error) {
	var out Photo
	var err error
	picture := turn.apply(onWhite(imaging.Fit(img, LargeSide, LargeSide, imaging.Lanczos)))
	out.Width, out.Height = picture.Bounds().Dx(), picture.Bounds().Dy()
	for _, size := range []struct {
		side int
		into *[]byte
	}{{LargeSide, &out.Large}, {MediumSide, &out.Medium}, {SmallSide, &out.Small}} {
		picture = imaging.Fit(picture, size.side, size.side, imaging.Lanczos)
		var file bytes.Buffer
		if err = jpeg.Encode(&file, picture, &jpeg.Options{Quality: quality}); err != nil {
			return out, err
		}
		*size.into = file.Bytes()
	}
	return out, nil
}

func onWhite(img *image.NRGBA) *image.NRGBA {
	if img.Opaque() {
		return img
	}
	white := imaging.New(img.Bounds().Dx(), img.Bounds().Dy(), color.White)
	return imaging.Overlay(white, img, image.Point{}, 1)
}
