package suggest

// Reasoned says a suggestion's reason in English: what a person reads is what is held here. It is
// set from outside of the package, which the words import.
var Reasoned func(*Suggestion) string
