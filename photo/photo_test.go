package photo

import (
	"bytes"
	"encoding/binary"
	"errors"
	"hash/crc32"
	"image"
	"image/color"
	"image/gif"
	"image/jpeg"
	"image/png"
	"strings"
	"testing"
)

// flag is a picture that looks different from every side: red at the top left, green at the top right,
// blue at the bottom left, white at the bottom right.
func flag(w, h int) *image.NRGBA {
	img := image.NewNRGBA(image.Rect(0, 0, w, h))
	for y := range h {
		for x := range w {
			c := color.NRGBA{255, 255, 255, 255}
			switch {
			case x < w/2 && y < h/2:
				c = color.NRGBA{220, 20, 20, 255}
			case y < h/2:
				c = color.NRGBA{20, 200, 20, 255}
			case x < w/2:
				c = color.NRGBA{20, 20, 220, 255}
			}
			img.SetNRGBA(x, y, c)
		}
	}
	return img
}

func asJPEG(t testing.TB, img image.Image) []byte {
	t.Helper()
	var out bytes.Buffer
	if err := jpeg.Encode(&out, img, &jpeg.Options{Quality: 95}); err != nil {
		t.Fatal(err)
	}
	return out.Bytes()
}

// held adds to a JPEG file what a camera says of how it was held, in either order of bytes, with a place
// and a name beside it.
func held(data []byte, o int, order binary.AppendByteOrder) []byte {
	sign := "II*\x00"
	if order == binary.AppendByteOrder(binary.BigEndian) {
		sign = "MM\x00*"
	}
	exif := order.AppendUint32([]byte("Exif\x00\x00"+sign), 8)
	exif = order.AppendUint16(exif, 2)
	exif = append(order.AppendUint32(order.AppendUint16(order.AppendUint16(exif, 0x010f), 2), 4), "GPS!"...)
	exif = order.AppendUint32(order.AppendUint16(order.AppendUint16(exif, tagOrientation), 3), 1)
	exif = append(order.AppendUint16(exif, uint16(o)), 0, 0)
	exif = append(order.AppendUint32(exif, 0), "harbour quay 7"...)
	out := append([]byte{0xff, 0xd8, 0xff, markApplication1}, binary.BigEndian.AppendUint16(nil, uint16(len(exif)+2))...)
	return append(append(out, exif...), data[2:]...)
}

func corner(t *testing.T, data []byte) (w, h int, topLeft string) {
	t.Helper()
	img, err := jpeg.Decode(bytes.NewReader(data))
	if err != nil {
		t.Fatal(err)
	}
	b := img.Bounds()
	r, g, bl, _ := img.At(b.Dx()/4, b.Dy()/4).RGBA()
	switch {
	case r > 40000 && g > 40000 && bl > 40000:
		topLeft = "white"
	case r > 40000:
		topLeft = "red"
	case g > 40000:
		topLeft = "green"
	case bl > 40000:
		topLeft = "blue"
	}
	return b.Dx(), b.Dy(), topLeft
}

func TestAPhotographIsUprightHoweverTheCameraWasHeld(t *testing.T) {
	data := asJPEG(t, flag(120, 80))
	for _, order := range []binary.AppendByteOrder{binary.LittleEndian, binary.BigEndian} {
		for o, want := range map[int]string{0: "red", 1: "red", 2: "green", 3: "white", 4: "blue", 5: "red", 6: "blue", 7: "white", 8: "green", 9: "red"} {
			p, err := Read(held(data, o, order))
			if err != nil {
				t.Fatal(err)
			}
			wantW, wantH := 120, 80
			if o >= 5 && o <= 8 {
				wantW, wantH = 80, 120
			}
			if w, h, got := corner(t, p.Large); got != want || w != wantW || h != wantH || p.Width != w || p.Height != h {
				t.Errorf("held %d: %d by %d, %s at the top left; want %s", o, w, h, got, want)
			}
		}
	}
}

func TestNothingOfTheFileIsKept(t *testing.T) {
	p, err := Read(append(held(asJPEG(t, flag(120, 80)), 6, binary.LittleEndian), "<script>behind the picture</script>"...))
	if err != nil {
		t.Fatal(err)
	}
	for _, size := range [][]byte{p.Large, p.Medium, p.Small} {
		for _, secret := range []string{"Exif", "GPS!", "harbour", "script"} {
			if bytes.Contains(size, []byte(secret)) {
				t.Errorf("%q is kept", secret)
			}
		}
	}
}

func TestThreeSizesOfEveryKind(t *testing.T) {
	img := flag(2600, 1300)
	var asPNG, asGIF bytes.Buffer
	if err := errors.Join(png.Encode(&asPNG, img), gif.Encode(&asGIF, flag(300, 150), nil)); err != nil {
		t.Fatal(err)
	}
	for kind, data := range map[string][]byte{"jpeg": asJPEG(t, img), "png": asPNG.Bytes(), "gif": asGIF.Bytes()} {
		p, err := Read(data)
		if err != nil {
			t.Fatal(kind, err)
		}
		for i, size := range [][]byte{p.Large, p.Medium, p.Small} {
			side := []int{LargeSide, MediumSide, SmallSide}[i]
			if kind == "gif" {
				side = min(side, 300) // that is as large as it came
			}
			if w, h, _ := corner(t, size); w != side || h != side/2 {
				t.Errorf("%s: %d by %d, want %d", kind, w, h, side)
			}
		}
	}
	// A small one is not made larger, and what is see-through is white.
	var clear bytes.Buffer
	if err := png.Encode(&clear, image.NewNRGBA(image.Rect(0, 0, 40, 30))); err != nil {
		t.Fatal(err)
	}
	p, err := Read(clear.Bytes())
	if err != nil {
		t.Fatal(err)
	}
	if w, h, got := corner(t, p.Large); w != 40 || h != 30 || got != "white" {
		t.Errorf("%d by %d, %s", w, h, got)
	}
}

// sized is the beginning of a PNG file that says how large it is, of a depth in bits.
func sized(w, h uint32, depth byte) []byte {
	var out bytes.Buffer
	_ = png.Encode(&out, image.NewNRGBA64(image.Rect(0, 0, 1, 1)))
	data := out.Bytes()
	binary.BigEndian.PutUint32(data[16:], w)
	binary.BigEndian.PutUint32(data[20:], h)
	data[24] = depth
	binary.BigEndian.PutUint32(data[29:], crc32.ChecksumIEEE(data[12:29]))
	return data
}

func TestWhatIsRefusedAndWhy(t *testing.T) {
	whole := asJPEG(t, flag(200, 200))
	for says, data := range map[string][]byte{
		"The file is empty":               nil,
		"not a picture":                   []byte("<svg xmlns='http://www.w3.org/2000/svg'/>"),
		"HEIC":                            []byte("\x00\x00\x00\x18ftypheic\x00\x00\x00\x00"),
		"TIFF":                            []byte("II*\x00\x08\x00\x00\x00"),
		"a PDF":                           []byte("%PDF-1.7"),
		"damaged or cut short":            whole[:len(whole)/2],
		"15 by 200 pixels":                asJPEG(t, flag(15, 200)),
		"70 megapixels":                   sized(10_000, 7_000, 8),
		"3600000000 megapixels":           sized(60_000_000, 60_000_000, 8),
		"takes much memory":               sized(9_000, 6_500, 16),
		"has 21 MB; up to 20 MB":          make([]byte, MaxBytes+1),
		"damaged or cut short. Save it a": sized(400, 300, 8),
	} {
		_, err := Read(data)
		var refused *Refused
		if !errors.As(err, &refused) || !strings.Contains(err.Error(), says) {
			t.Errorf("want %q: %v", says, err)
		}
	}
	if _, err := Read(asJPEG(t, flag(16, 200))); err != nil {
		t.Errorf("16 pixels: %v", err)
	}
}

// A progressive picture keeps all its figures until the last pass: four bytes of each, for three planes.
func TestMemoryIsEstimatedBeforeItIsTaken(t *testing.T) {
	cfg := image.Config{ColorModel: color.YCbCrModel, Width: 8000, Height: 7500}
	plain, passes := []byte{0xff, 0xd8, 0xff, 0xc0, 0, 4, 0, 0}, []byte{0xff, 0xd8, 0xff, 0xc2, 0, 4, 0, 0}
	if got := decodedMB(plain, cfg); got != 180 {
		t.Errorf("%d MB", got)
	}
	if got := decodedMB(passes, cfg); got != 900 {
		t.Errorf("%d MB", got)
	}
}

func FuzzOrientation(f *testing.F) {
	f.Add(held(asJPEG(f, flag(20, 20)), 6, binary.LittleEndian))
	f.Fuzz(func(t *testing.T, data []byte) {
		if o := orientationOf(data); o < 1 || o > 8 {
			t.Errorf("%d", o)
		}
		progressive(data)
	})
}
