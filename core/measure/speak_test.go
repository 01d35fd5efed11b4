package measure

import "mala/core/way"

// ItemName names an item of the cut in English, as it is read. It is set from outside of the
// package, which the words import.
var ItemName func(way.Item) string
