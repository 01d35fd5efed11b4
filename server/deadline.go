package server

import (
	"context"
	"net/http"
	"slices"
	"strings"
	"time"
)

// How long a call may take: any, and those that go through the whole catalogue or every piece. Of what
// is sent line by line each line may take as long as an answer.
const (
	answerWithin = 15 * time.Second
	longWithin   = 10 * time.Minute
	lineWithin   = time.Minute
)

// longCalls begin the addresses of calls that take longer by their nature.
var longCalls = []string{"/api/catalogue", "/api/house/try", "/api/materials/effect", "/api/backup.zip", "/api/photos"}

// timely ends a call that takes too long: a database that hangs, or a piece that is too large,
// lets no one wait for ever.
func timely(next http.Handler) http.Handler {
	return within(answerWithin, longWithin, next)
}

func within(short, long time.Duration, next http.Handler) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		if !strings.HasPrefix(r.URL.Path, "/api/") {
			next.ServeHTTP(w, r)
			return
		}
		limit := short
		if slices.ContainsFunc(longCalls, func(begins string) bool { return strings.HasPrefix(r.URL.Path, begins) }) {
			limit = long
		}
		ctx, cancel := context.WithTimeoutCause(r.Context(), limit, errTooLong)
		defer cancel()
		next.ServeHTTP(w, r.WithContext(ctx))
	})
}

// errTooLong is why a call was ended.
var errTooLong = &Problem{Title: "Took too long", Status: http.StatusServiceUnavailable,
	Detail: "This took too long and was stopped: the database does not answer, or the piece is very large. What you typed is still here; try again in a moment."}
