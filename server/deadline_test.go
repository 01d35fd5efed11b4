package server

import (
	"context"
	"errors"
	"net/http"
	"net/http/httptest"
	"testing"
	"time"
)

// A call that hangs is ended and says so; one that goes through everything is given longer, and the
// page is never ended.
func TestACallThatHangsIsEnded(t *testing.T) {
	for path, want := range map[string]error{"/api/pieces": errTooLong, "/api/catalogue.csv": context.Canceled, "/api/house/try": context.Canceled, "/pieces/x": context.Canceled} {
		var cause, told error
		hangs := http.HandlerFunc(func(_ http.ResponseWriter, r *http.Request) {
			<-r.Context().Done()
			cause, told = context.Cause(r.Context()), logged(r.Context(), "hangs", r.Context().Err())
		})
		ctx, giveUp := context.WithCancel(t.Context())
		done := make(chan struct{})
		go func() {
			defer close(done)
			within(time.Millisecond, time.Hour, hangs).ServeHTTP(httptest.NewRecorder(), httptest.NewRequest("GET", path, nil).WithContext(ctx))
		}()
		if want == errTooLong {
			<-done
		} else {
			time.Sleep(20 * time.Millisecond) // far beyond the short limit
		}
		giveUp()
		<-done
		if cause != want && !errors.Is(cause, want) {
			t.Errorf("%s: ended for %v, want %v", path, cause, want)
		}
		var p *Problem
		if isTold := errors.As(told, &p) && p.Detail == errTooLong.Detail && p.Status == 503; isTold != (want == errTooLong) {
			t.Errorf("%s: %+v", path, told)
		}
	}
	if errTooLong.Request != "" {
		t.Error("the sentence of all was changed for one")
	}
}
