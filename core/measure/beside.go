package measure

import "sync"

// sideBySide does n things at once and waits for them. Where one panics, so does it.
func sideBySide(n int, do func(i int)) {
	var all sync.WaitGroup
	raised := make([]any, n)
	for i := 1; i < n; i++ {
		all.Go(func() {
			defer func() { raised[i] = recover() }()
			do(i)
		})
	}
	do(0)
	all.Wait()
	for _, r := range raised {
		if r != nil {
			panic(r)
		}
	}
}

// Ahead begins work beside what follows, for whoever asks for it later: what it finds is
// kept by Wrap or Kept, which panic where it did.
func Ahead(work func()) {
	go func() {
		defer func() { _ = recover() }()
		work()
	}()
}
