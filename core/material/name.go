package material

import (
	"unicode"
	"unicode/utf8"
)

// InSentence is a name or words as they stand within a sentence, with a small first letter.
func InSentence(name string) string {
	first, size := utf8.DecodeRuneInString(name)
	if size == 0 {
		return name
	}
	return string(unicode.ToLower(first)) + name[size:]
}
