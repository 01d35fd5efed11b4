package suggest

// Reasoned says a suggestion's reason, and Refusal why rows are not joined, in English: what a person
// reads is what is held here. They are set from outside of the package, which the words import.
var (
	Reasoned func(*Suggestion) string
	Refusal  func(error) string
)
