package format

import "testing"

// A file carries as many photographs as leave it as large as a file may be.
func TestAFileCarriesWhatFindsRoom(t *testing.T) {
	megabyte := FilePhoto{JPEG: make([]byte, 1<<20)}
	for _, tt := range []struct{ taken, photos, want int }{{0, 2, 2}, {0, 4, 2}, {2 << 20, 4, 1}, {MaxBytes, 1, 0}, {0, 0, 0}} {
		photos := make([]FilePhoto, tt.photos)
		for i := range photos {
			photos[i] = megabyte
		}
		if got := len(Carry(photos, tt.taken)); got != tt.want {
			t.Errorf("%d MB taken, %d photographs: %d, want %d", tt.taken>>20, tt.photos, got, tt.want)
		}
	}
	if got := len(Carry(make([]FilePhoto, MaxFilePhotos+1), 0)); got != MaxFilePhotos {
		t.Errorf("%d of small ones", got)
	}
}
