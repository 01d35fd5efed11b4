package measure

import (
	"slices"
	"sync"
	"testing"
)

func TestAllIsDoneSideBySide(t *testing.T) {
	for n := 1; n < 9; n++ {
		var mu sync.Mutex
		var done []int
		sideBySide(n, func(i int) {
			mu.Lock()
			defer mu.Unlock()
			done = append(done, i)
		})
		slices.Sort(done)
		if len(done) != n || done[0] != 0 || done[n-1] != n-1 {
			t.Errorf("of %d are done %v", n, done)
		}
	}
}

// What goes wrong beside the rest is not lost, and does not end the server: it comes up where
// it is asked for.
func TestAPanicComesUpWhereItIsAskedFor(t *testing.T) {
	raised := func(do func()) (with any) {
		defer func() { with = recover() }()
		do()
		return nil
	}
	for at := range 3 {
		with := raised(func() {
			sideBySide(3, func(i int) {
				if i == at {
					panic("wrong")
				}
			})
		})
		if with != "wrong" {
			t.Errorf("of number %d comes up %v", at, with)
		}
	}
	m, begun := &Measured{}, make(chan bool)
	work := func() any {
		close(begun)
		panic("wrong")
	}
	Ahead(func() { m.Kept("what", work) })
	<-begun
	for range 2 {
		if with := raised(func() { m.Kept("what", work) }); with != "wrong" {
			t.Errorf("asked for later comes up %v", with)
		}
	}
}

func TestWhatIsKeptIsWorkedOutOnce(t *testing.T) {
	m, times := &Measured{}, 0
	work := func() any {
		times++
		return times
	}
	var all sync.WaitGroup
	for range 8 {
		all.Go(func() {
			if got := m.Kept("one", work); got != 1 {
				t.Errorf("it gives %v", got)
			}
		})
	}
	all.Wait()
	if other := m.Kept("other", work); other != 2 {
		t.Errorf("another gives %v", other)
	}
}
