// Package server is the door to Mala: the page, and the typed calls it makes.
// It decodes, limits and answers; every rule of the job is asked of the core
// through the desk.
package server

import (
	"context"
	"errors"
	"fmt"
	"io"
	"io/fs"
	"log/slog"
	"net/http"
	"reflect"
	"time"

	"github.com/danielgtaylor/huma/v2"
	"github.com/danielgtaylor/huma/v2/adapters/humachi"
	"github.com/go-chi/chi/v5"
	"github.com/go-chi/chi/v5/middleware"
	"github.com/goccy/go-json"

	"mala/format"
	"mala/store"
)

// Config is what a server needs.
type Config struct {
	Store *store.Store
	Page  fs.FS    // the built page; nil serves one that says it is missing
	Hosts []string // host names that requests may be for, beside loopback
	Log   *slog.Logger
	// Trouble is why the database does not answer, if that is known.
	Trouble func() error
	// Until is how long it hears of what other servers change; nil hears nothing.
	Until context.Context
}

// server is the state behind the handlers.
type server struct {
	store  *store.Store
	shelf  *shelf
	onHand *onHand
	turns  *turns
	log    *slog.Logger
}

// New makes the handler for everything Mala serves.
func New(cfg Config) http.Handler {
	r := chi.NewRouter()
	r.Use(middleware.RequestID, middleware.Recoverer, secureHeaders(cfg.Hosts), unkept, sameOrigin(), knowing(cfg.Trouble), timely, fewUploads, smaller)
	counts := &onHand{store: cfg.Store}
	s := &server{store: cfg.Store, shelf: &shelf{store: cfg.Store, counts: counts}, onHand: counts, turns: newTurns(), log: cfg.Log}
	if cfg.Until != nil {
		go cfg.Store.Moved(cfg.Until, s.shelf.moved)
	}
	s.register(newAPI(r))
	r.Handle("/api/*", http.HandlerFunc(noSuchCall))
	r.Handle("/*", pageHandler(cfg.Page))
	return r
}

// Description is the OpenAPI document of the calls, as JSON.
func Description() ([]byte, error) {
	api := newAPI(chi.NewRouter())
	(&server{}).register(api)
	return api.OpenAPI().MarshalJSON()
}

// maxBody is the most a request may carry; a piece file and some room around it.
const maxBody = format.MaxBytes + 64<<10

func newAPI(r chi.Router) huma.API {
	huma.DefaultArrayNullable = false
	huma.NewError = newProblem
	cfg := huma.DefaultConfig("Mala", "1")
	cfg.OpenAPIPath, cfg.DocsPath, cfg.SchemasPath = "/api/openapi", "", ""
	cfg.CreateHooks = nil
	strict := cfg.Formats["application/json"]
	strict.Unmarshal, strict.Marshal = format.Unmarshal, writeAnswer
	cfg.Formats = map[string]huma.Format{"application/json": strict, "json": strict}
	return humachi.New(r, cfg)
}

// writeAnswer writes what is asked for at every key in a third of the time that the
// standard encoder takes.
func writeAnswer(w io.Writer, answer any) error {
	out := json.NewEncoder(w)
	out.SetEscapeHTML(false)
	return out.Encode(answer)
}

func (s *server) register(api huma.API) {
	s.registerHealth(api)
	s.registerAnalysis(api)
	s.registerBuy(api)
	s.registerStarts(api)
	s.registerMaterials(api)
	s.registerCSV(api)
	s.registerPieces(api)
	s.registerKept(api)
	s.registerVersions(api)
	s.registerHouse(api)
	s.registerKits(api)
	s.registerPacked(api)
	s.registerPhotos(api)
	s.registerSelling(api)
	s.registerPapers(api)
	describe(api, reflect.TypeFor[HouseTrial](), reflect.TypeFor[Thumbnail](), reflect.TypeFor[Progress]())
}

// call registers one typed call. Bodies are read strictly by the open format,
// whose sentences are the ones to show, so the framework's own checks stay out.
func call[I, O any](api huma.API, op huma.Operation, handler func(context.Context, *I) (*O, error)) {
	limited(api, maxBody, op, handler)
}

// limited is call with a limit of its own on the body.
func limited[I, O any](api huma.API, limit int64, op huma.Operation, handler func(context.Context, *I) (*O, error)) {
	op.MaxBodyBytes = limit
	op.SkipValidateBody = true
	huma.Register(api, op, func(ctx context.Context, in *I) (*O, error) {
		out, err := handler(ctx, in)
		if err != nil {
			return nil, logged(ctx, op.OperationID, err)
		}
		return out, nil
	})
}

// describe puts the types of answers that are sent piece by piece into the description of the calls.
func describe(api huma.API, types ...reflect.Type) {
	for _, t := range types {
		api.OpenAPI().Components.Schemas.Schema(t, true, "")
	}
}

// answer is a response with a JSON body.
type answer[T any] struct{ Body T }

// logged gives an error its answer. The cause of an unexpected one goes to the log
// under the id of the request, which the answer carries.
func logged(ctx context.Context, operation string, err error) error {
	if errors.Is(err, context.DeadlineExceeded) && context.Cause(ctx) == errTooLong {
		tooLong := *errTooLong
		err = &tooLong
	}
	answer := asProblem(err)
	var p *Problem
	if errors.As(answer, &p) && p.Status == http.StatusServiceUnavailable {
		if why := troubleIn(ctx); why != nil {
			p.Detail = fmt.Sprintf("The database does not answer; Mala keeps trying. Saved work is safe. The cause: %v.", why)
		}
	}
	if errors.As(answer, &p) && p.Status >= http.StatusInternalServerError && ctx.Err() == nil {
		p.Request = middleware.GetReqID(ctx)
		slog.ErrorContext(ctx, "request failed", "operation", operation, "request", p.Request, "status", p.Status, "cause", err)
	}
	return answer
}

// Alive says that the server answers.
type Alive struct {
	Server string `json:"server" enum:"up"`
}

// Health says whether the database answers.
type Health struct {
	Database string `json:"database" enum:"up"`
}

func (s *server) registerHealth(api huma.API) {
	call(api, huma.Operation{OperationID: "live", Method: http.MethodGet, Path: "/api/live", Summary: "Whether the server itself answers, whatever the database does"},
		func(context.Context, *struct{}) (*answer[Alive], error) { return &answer[Alive]{Alive{"up"}}, nil })
	call(api, huma.Operation{OperationID: "health", Method: http.MethodGet, Path: "/api/health", Summary: "Whether the database answers"},
		func(ctx context.Context, _ *struct{}) (*answer[Health], error) {
			ctx, cancel := context.WithTimeout(ctx, 2*time.Second)
			defer cancel()
			if err := s.store.Ping(ctx); err != nil {
				return nil, errors.Join(errAway, err)
			}
			return &answer[Health]{Health{"up"}}, nil
		})
}
