package backup

import "testing"

func TestTooLittleRoomIsSeen(t *testing.T) {
	for free, want := range map[int]Finding{
		199:  {true, "Only 199 MB are free in x: saves will fail soon. Make room now."},
		200:  {false, "Only 200 MB are free in x. Make room soon."},
		2047: {false, "Only 2047 MB are free in x. Make room soon."},
		2048: {false, "2048 MB are free in x."},
	} {
		if got := roomOf("x", free); got != want {
			t.Errorf("%+v, want %+v", got, want)
		}
	}
	if got := room("/no/such/folder"); !got.Bad {
		t.Errorf("%+v", got)
	}
}
