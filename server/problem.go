package server

import (
	"context"
	"errors"
	"net"
	"net/http"
	"strings"

	"github.com/danielgtaylor/huma/v2"
	"github.com/jackc/pgx/v5/pgconn"

	"mala/format"
	"mala/photo"
	"mala/store"
)

// Problem is an answer that says what is wrong, where, and what would be right
// (application/problem+json).
type Problem struct {
	Title   string         `json:"title"`
	Status  int            `json:"status"`
	Detail  string         `json:"detail" doc:"One sentence for the person at the bench."`
	Faults  []ProblemFault `json:"faults,omitempty"`
	Current *PieceState    `json:"current,omitempty" doc:"Of a stale save: the current piece."`
	Request string         `json:"request,omitempty" doc:"Of an unexpected error: the id it has in the server's log."`
	KeptAs  int            `json:"keptAs,omitempty" doc:"Of a stale save: the version the rejected state was saved as."`
}

// ProblemFault is one thing wrong at its place.
type ProblemFault struct {
	Where    string `json:"where,omitempty"`
	Column   int    `json:"column,omitempty"`
	Says     string `json:"says"`
	Expected string `json:"expected,omitempty"`

	Place *format.Place `json:"place,omitempty" doc:"The part of the piece, if it is one."`
}

func problemFaults(faults format.Faults) []ProblemFault {
	out := make([]ProblemFault, len(faults))
	for i, f := range faults {
		out[i] = ProblemFault{Where: f.Where, Column: f.Column, Says: f.Says, Expected: f.Expected}
		if f.Place != (format.Place{}) {
			out[i].Place = &faults[i].Place
		}
	}
	return out
}

func (p *Problem) Error() string  { return p.Detail }
func (p *Problem) GetStatus() int { return p.Status }

// ContentType names the kind of answer.
func (p *Problem) ContentType(string) string { return "application/problem+json" }

// errAway says that the database does not answer.
var errAway = errors.New("the database does not answer")

// newProblem makes the framework's own errors Mala's. An internal error never
// shows its cause.
func newProblem(status int, message string, errs ...error) huma.StatusError {
	p := &Problem{Title: http.StatusText(status), Status: status, Detail: sentence(message)}
	if status >= http.StatusInternalServerError {
		return p
	}
	if status == http.StatusRequestEntityTooLarge {
		p.Detail = "The request is too large. A piece file has at most 4 MB, a picture 20 MB, a catalogue file 128 MB."
	}
	for _, err := range errs {
		var detail *huma.ErrorDetail
		if errors.As(err, &detail) {
			where, says := splitPlace(detail.Message)
			p.Faults = append(p.Faults, ProblemFault{Where: where, Says: says})
		}
	}
	if len(p.Faults) > 0 {
		p.Detail = p.Faults[0].Says
	}
	return p
}

func sentence(s string) string {
	if s == "" {
		return "Something went wrong."
	}
	return strings.ToUpper(s[:1]) + strings.TrimSuffix(s[1:], ".") + "."
}

// splitPlace takes apart what format.Fault put together: place: sentence.
func splitPlace(message string) (where, says string) {
	first, _, _ := strings.Cut(message, "\n")
	where, says, ok := strings.Cut(first, ": ")
	if !ok || strings.Contains(where, " ") {
		return "", first
	}
	return where, says
}

// asProblem gives each kind of error its answer.
func asProblem(err error) error {
	var faults format.Faults
	var stale *store.Stale
	var staleMaterial *store.StaleMaterial
	var staleHouse *store.StaleHouse
	var staleKit *store.StaleKit
	var staleSelling *store.StaleSelling
	var deleted *store.DeletedMaterial
	var needed *store.Needed
	var refused *photo.Refused
	var problem *Problem
	switch {
	case errors.As(err, &problem):
		return problem
	case errors.As(err, &faults):
		return &Problem{Title: "Invalid input", Status: http.StatusUnprocessableEntity, Detail: faults[0].Says, Faults: problemFaults(faults)}
	case errors.As(err, &stale):
		current := stateOf(stale.Current, nil)
		return &Problem{Title: "Changed elsewhere", Status: http.StatusConflict, Detail: stale.Error(), Current: &current, KeptAs: stale.KeptAs}
	case errors.As(err, &staleMaterial):
		return &Problem{Title: "Changed elsewhere", Status: http.StatusConflict, Detail: staleMaterial.Error()}
	case errors.As(err, &staleKit):
		return &Problem{Title: "Changed elsewhere", Status: http.StatusConflict, Detail: staleKit.Error(), KeptAs: staleKit.KeptAs}
	case errors.As(err, &staleSelling):
		return &Problem{Title: "Changed elsewhere", Status: http.StatusConflict, Detail: staleSelling.Error()}
	case errors.As(err, &deleted):
		return &Problem{Title: "Deleted", Status: http.StatusConflict, Detail: deleted.Error()}
	case errors.As(err, &needed):
		return &Problem{Title: "Still needed", Status: http.StatusConflict, Detail: needed.Error()}
	case errors.As(err, &staleHouse):
		return &Problem{Title: "Changed elsewhere", Status: http.StatusConflict, Detail: staleHouse.Error()}
	case errors.As(err, &refused):
		return &Problem{Title: "Picture not read", Status: http.StatusUnprocessableEntity, Detail: refused.Says}
	case errors.Is(err, store.TooManyPacked{}), errors.Is(err, store.TooManyPhotos{}):
		return &Problem{Title: "Invalid input", Status: http.StatusUnprocessableEntity, Detail: err.Error()}
	case errors.Is(err, store.ErrNotFound):
		return &Problem{Title: "Not found", Status: http.StatusNotFound, Detail: "Not found. It may have been deleted."}
	case unkeepable(err) != nil:
		return unkeepable(err)
	case isFull(err):
		return &Problem{Title: "Database unavailable", Status: http.StatusServiceUnavailable, Detail: "The disk of the database is full, and this was not saved. Make room there; what you typed is still here and is saved as soon as there is."}
	case errors.Is(err, errAway), isAway(err):
		return &Problem{Title: "Database unavailable", Status: http.StatusServiceUnavailable, Detail: "The database does not answer. Saved work is safe; try again in a moment."}
	}
	return &Problem{Title: "Something went wrong", Status: http.StatusInternalServerError, Detail: "Something went wrong on the server. What you typed is still here; try again."}
}

// Answers of the database to what it cannot keep or find: characters that no text holds, a
// number beyond its range, an id that is none, and two of one id at once.
const (
	badText     = "22021"
	badEscape   = "22P05"
	outOfRange  = "22003"
	noSuchValue = "22P02"
	takenAtOnce = "23505"
)

// unkeepable is the problem of a request that the database refused for what it holds; nil
// of any other error.
func unkeepable(err error) error {
	var pg *pgconn.PgError
	if !errors.As(err, &pg) {
		return nil
	}
	switch pg.Code {
	case badText, badEscape:
		return &Problem{Title: "Invalid input", Status: http.StatusUnprocessableEntity, Detail: "The text contains a character that cannot be saved. Remove it and try again."}
	case outOfRange, noSuchValue:
		return &Problem{Title: "Not found", Status: http.StatusNotFound, Detail: "Not found. It may have been deleted."}
	case takenAtOnce:
		return &Problem{Title: "Changed elsewhere", Status: http.StatusConflict, Detail: "Someone else just created one with that name. Reload, then choose another name."}
	}
	return nil
}

// isFull says whether the database had no room to keep it.
func isFull(err error) bool {
	var pg *pgconn.PgError
	return errors.As(err, &pg) && (pg.Code == "53100" || pg.Code == "58030")
}

// isAway says whether the database could not be reached, or went away.
func isAway(err error) bool {
	var connect *pgconn.ConnectError
	var network net.Error
	var pg *pgconn.PgError
	if errors.As(err, &connect) {
		return true // whatever the database says of it
	}
	if errors.As(err, &pg) {
		return strings.HasPrefix(pg.Code, "57P") || strings.HasPrefix(pg.Code, "08") || pg.Code == "53300"
	}
	return errors.As(err, &network) || errors.Is(err, net.ErrClosed) ||
		errors.Is(err, context.DeadlineExceeded) || strings.Contains(err.Error(), "unexpected EOF") || strings.Contains(err.Error(), "conn closed")
}

// noSuchCall answers an address below /api that there is not.
func noSuchCall(w http.ResponseWriter, r *http.Request) {
	w.Header().Set("Content-Type", "application/problem+json")
	w.WriteHeader(http.StatusNotFound)
	_, _ = w.Write([]byte(`{"title":"No such call","status":404,"detail":"Unknown address. /api/openapi.json lists all calls."}` + "\n"))
}
