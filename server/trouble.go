package server

import (
	"context"
	"net/http"
)

type troubleKey struct{}

// knowing lets answers say why the database does not answer.
func knowing(trouble func() error) func(http.Handler) http.Handler {
	return func(next http.Handler) http.Handler {
		if trouble == nil {
			return next
		}
		return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
			next.ServeHTTP(w, r.WithContext(context.WithValue(r.Context(), troubleKey{}, trouble)))
		})
	}
}

// troubleIn is why the database does not answer; nil if that is not known.
func troubleIn(ctx context.Context) error {
	if trouble, ok := ctx.Value(troubleKey{}).(func() error); ok {
		return trouble()
	}
	return nil
}
