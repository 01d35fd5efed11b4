package format

import "strings"

const (
	digits  = "0123456789"
	hex     = digits + "abcdef"
	small   = "abcdefghijklmnopqrstuvwxyz"
	inID    = small + digits + "._-"
	longest = 64
)

// isID takes up to 64 small letters, digits, dots, underscores and hyphens, the first a
// letter or a digit.
func isID(text string) bool {
	return text != "" && len(text) <= longest && !strings.ContainsAny(text[:1], "._-") && only(text, inID)
}

// isColour takes a colour as #rrggbb.
func isColour(text string) bool {
	return len(text) == 7 && text[0] == '#' && only(text[1:], hex)
}

// isKey takes the letter of a dish: A to Z, and a small one behind it or not.
func isKey(text string) bool {
	return text != "" && len(text) <= 2 && text[0] >= 'A' && text[0] <= 'Z' && only(text[1:], small)
}

// only says whether a text has no other characters than these.
func only(text, characters string) bool { return strings.Trim(text, characters) == "" }
