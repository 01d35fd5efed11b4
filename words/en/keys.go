package en

import "mala/words"

// Says gives the sentence of a key.
func Says(key words.Key) string {
	says := sentences[key]
	if says == "" {
		panic("en: no words for " + string(key))
	}
	return says
}

var sentences = map[words.Key]string{
	words.NotWorn:        "Ornaments are not worn, so they have no wearer's size. Give the length to bring it to.",
	words.NoMeasure:      "The wearer's measure is not set. Enter it first.",
	words.NoInside:       "There is no inside length to fit: too few beads to close.",
	words.NoTarget:       "There is no target to come to. Set one first.",
	words.AllRowPinned:   "All of it is pinned, in every section. Unpin a row.",
	words.NotAllTried:    "Not all changes could be tried in time. Pin rows that are to stay, and try again.",
	words.NoTime:         "There was no time left for this size. Ask for fewer sizes at once, or pin more.",
	words.NoInsideKept:   "This piece has no inside length to keep. Give the length it is to have.",
	words.RowsTogether:   "Its rows are sized together: convert it here, and then size them in Lay out.",
	words.OneRowOnly:     "This is worked out for a piece of one row. Size the rows of this one together.",
	words.NothingInHand:  "Enter how many beads or how much cord there is.",
	words.NotEnough:      "What is in hand does not make this pattern, not even with one of any run or group. Enter more beads or cord, or unpin a run.",
	words.NoRoomInside:   "So short it leaves no room inside. Measure it again.",
	words.NoEaseWord:     "The house has no ease range with that word for such a piece. Choose another word.",
	words.NoStackInside:  "This piece has no inside length: too few beads to close. Give a length to bring them to.",
	words.HasError:       "It has an error. Open it to see where.",
	words.SeveralRows:    "It has several rows. Size them together in Lay out.",
	words.FewerOfSize:    "a longer row has fewer of a size, since there are no more in stock",
	words.NoWearerYet:    "without a wearer",
	words.SizesGo:        "without the sizes that are saved",
	words.LineHasError:   "its bead line has an error now",
	words.OtherFindings:  "other findings or cord",
	words.OtherCut:       "the cord is cut to another length",
	words.OtherSizes:     "other sizes",
	words.OtherColours:   "other colourways",
	words.ALoop:          "A loop of beads",
	words.PackingList:    "Packing list",
	words.MaterialsList:  "Materials list",
	words.Instructions:   "Instructions",
	words.Labels:         "Labels",
	words.PriceCard:      "Price card and shelf label",
	words.ShopCard:       "Shop card",
	words.MadeOf:         "Made of",
	words.Care:           "Care",
	words.InThisKit:      "In this kit",
	words.BesideBags:     "Loose in the kit",
	words.BuyersOwn:      "The buyer's own",
	words.Tools:          "Tools",
	words.HowItIsDone:    "How it is done",
	words.StepByStep:     "Step by step",
	words.Cautions:       "Mind this",
	words.TrueSize:       "True size",
	words.OwnSize:        "the pattern's own size",
	words.What:           "What",
	words.Count:          "Count",
	words.Spare:          "Spare",
	words.PlaceOf:        "Place",
	words.Reached:        "reached",
	words.YourOwn:        "your own",
	words.InTheKit:       "in the kit",
	words.Optional:       "optional",
	words.AnyOrder:       "any order",
	words.Reversed:       "reversed",
	words.BarMm:          "This bar is 100 mm long. If it is not, print again at 100 %, not fitted to the page.",
	words.BarInches:      "This bar is 4 inches long. If it is not, print again at 100 %, not fitted to the page.",
	words.AnotherDrawing: "another drawing",
	words.TheDrawing:     "the drawing of the piece",
	words.KitAttached:    "The kit with its pieces",
	words.OrderAttached:  "What was asked for",
	words.PieceAttached:  "A piece file",
	words.NoPack:         "No pack of it is known. Add one to it under Materials.",
	words.NoLongPack:     "No pack of it is known that is long enough. Add one to it under Materials.",
}
