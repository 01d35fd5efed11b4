package photo

import (
	"bytes"
	"encoding/binary"
	"image"

	"github.com/disintegration/imaging"
)

// orientation is how a camera was held, as EXIF numbers it: 1 is upright (Exif 2.3, tag 0x0112).
type orientation int

const upright orientation = 1

// apply turns a picture upright.
func (o orientation) apply(img *image.NRGBA) *image.NRGBA {
	switch o {
	case 2:
		return imaging.FlipH(img)
	case 3:
		return imaging.Rotate180(img)
	case 4:
		return imaging.FlipV(img)
	case 5:
		return imaging.Transpose(img)
	case 6:
		return imaging.Rotate270(img)
	case 7:
		return imaging.Transverse(img)
	case 8:
		return imaging.Rotate90(img)
	}
	return img
}

// The markers of a JPEG file that matter here.
const (
	markStartOfScan   = 0xda
	markProgressive   = 0xc2
	markApplication1  = 0xe1
	markApplications  = 0xe0
	markComment       = 0xfe
	tagOrientation    = 0x0112
	exifEntry         = 12 // bytes of one entry of its list
	mostExifEntries   = 512
	exifListFromStart = 4
)

// segments gives each part of a JPEG file before its picture: its marker and what it holds, until see
// returns false.
func segments(data []byte, see func(marker byte, body []byte) bool) {
	if !bytes.HasPrefix(data, []byte{0xff, 0xd8}) {
		return
	}
	for at := 2; at+4 <= len(data) && data[at] == 0xff; {
		marker, size := data[at+1], int(binary.BigEndian.Uint16(data[at+2:]))
		if marker == 0xff { // filling
			at++
			continue
		}
		end := at + 2 + size
		if marker == markStartOfScan || size < 2 || end > len(data) || !see(marker, data[at+4:end]) {
			return
		}
		at = end
	}
}

func progressive(data []byte) bool {
	found := false
	segments(data, func(marker byte, _ []byte) bool {
		found = marker == markProgressive
		return !found
	})
	return found
}

// plain says whether a JPEG file holds nothing but a picture: no notes of programs or cameras before it,
// and nothing behind it.
func plain(data []byte) bool {
	is := bytes.HasSuffix(data, []byte{0xff, 0xd9})
	segments(data, func(marker byte, _ []byte) bool {
		is = is && (marker < markApplications || marker > markComment)
		return is
	})
	return is
}

// orientationOf reads how the camera was held from a JPEG file; upright where it does not say.
func orientationOf(data []byte) orientation {
	out := upright
	segments(data, func(marker byte, body []byte) bool {
		if exif, is := bytes.CutPrefix(body, []byte("Exif\x00\x00")); is && marker == markApplication1 {
			out = orientationIn(exif)
			return false
		}
		return true
	})
	return out
}

// orientationIn looks through the first list of an EXIF block, which is laid out as a TIFF file is.
func orientationIn(exif []byte) orientation {
	var order binary.ByteOrder = binary.LittleEndian
	switch {
	case bytes.HasPrefix(exif, []byte("MM\x00*")):
		order = binary.BigEndian
	case !bytes.HasPrefix(exif, []byte("II*\x00")):
		return upright
	}
	if len(exif) < 2*exifListFromStart {
		return upright
	}
	list := int64(order.Uint32(exif[exifListFromStart:]))
	if list+2 > int64(len(exif)) {
		return upright
	}
	n := min(int(order.Uint16(exif[list:])), mostExifEntries)
	for entries := exif[list+2:]; n > 0 && len(entries) >= exifEntry; n, entries = n-1, entries[exifEntry:] {
		if order.Uint16(entries) != tagOrientation {
			continue
		}
		if o := orientation(order.Uint16(entries[8:])); o >= upright && o <= 8 {
			return o
		}
	}
	return upright
}
