package check

// Speak says a problem or a fix in English: what a person reads is what is held here. It is set
// from outside of the package, which the words import.
var Speak func(of any) (title, says string)

// titled and spoken take a problem or a fix, or a pointer to one.
func titled(of any) string { title, _ := Speak(pointed(of)); return title }

func spoken(of any) string { _, says := Speak(pointed(of)); return says }

func pointed(of any) any {
	switch of := of.(type) {
	case Problem:
		return &of
	case Fix:
		return &of
	}
	return of
}
