package measure

import (
	"runtime"
	"sync"
	"sync/atomic"
)

// sideBySide does n things, as many at once as there are processors, and waits for them.
// Where one panics, so does it.
func sideBySide(n int, do func(i int)) {
	var all sync.WaitGroup
	var begun atomic.Int32
	raised := make([]any, n)
	each := func() {
		for i := int(begun.Add(1)) - 1; i < n; i = int(begun.Add(1)) - 1 {
			func() {
				defer func() { raised[i] = recover() }()
				do(i)
			}()
		}
	}
	for range min(n, runtime.GOMAXPROCS(0)) - 1 {
		all.Go(each)
	}
	each()
	all.Wait()
	for _, r := range raised {
		if r != nil {
			panic(r)
		}
	}
}

// Ahead begins work beside what follows, for the one that asks for it later: what it finds is
// kept by Wrap or Kept, which panic where it did.
func Ahead(work func()) {
	go func() {
		defer func() { _ = recover() }()
		work()
	}()
}
