package check

import (
	"fmt"

	"mala/core/length"
	"mala/core/measure"
)

// legShort fires when the cord has been cut to less than its path, which stops
// the work, or leaves the hand less than the house allows.
var legShort = judgement{
	code:  "leg-short",
	stops: may,
	find: func(m *measure.Measured, unit length.Unit) []Finding {
		s := m.Strands[0]
		if s.Row.Cut == nil {
			return nil
		}
		f := Finding{Code: "leg-short", Strand: s.ID, Element: -1}
		switch cut := *s.Row.Cut; {
		case cut < s.PathLength()-nearly:
			f.Severity, f.Title = Stop, "Cut too short"
			f.Says = fmt.Sprintf("The cord is cut to %s; its path alone takes %s.", cut.In(unit), s.PathLength().In(unit))
		case cut < s.CutLength()-nearly:
			f.Severity, f.Title = Warn, "Little left to hold"
			f.Says = fmt.Sprintf("The cord is cut to %s; with what the hand needs it takes %s.", cut.In(unit), s.CutLength().In(unit))
		default:
			return nil
		}
		return []Finding{f}
	},
	mend: func(m *measure.Measured, _ Finding, bench Bench) []Fix {
		return []Fix{{Says: fmt.Sprintf("Cut a new one of %s", m.Strands[0].CutLength().In(bench.Unit)), Edit: Edit{Uncut: true}}}
	},
}

// nearly keeps what a ruler cannot show from deciding.
const nearly = length.MM(0.05)
