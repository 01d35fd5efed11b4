package server

import (
	"net"
	"net/http"
	"net/url"
	"slices"
	"strings"

	"github.com/unrolled/secure"
)

// policy lets the page load its own parts and nothing else. Styles that are
// made while the page runs carry the nonce of the page they are made for.
const policy = "default-src 'none'; script-src 'self'; style-src 'self' $NONCE; img-src 'self' data: blob:; " +
	"font-src 'self'; connect-src 'self'; base-uri 'none'; form-action 'none'; frame-ancestors 'none'"

// secureHeaders sets the security headers, and refuses a request for a host
// that Mala is not: a page elsewhere that has its name point here gets nothing.
func secureHeaders(hosts []string) func(http.Handler) http.Handler {
	headers := secure.New(secure.Options{
		FrameDeny: true, ContentTypeNosniff: true, ReferrerPolicy: "no-referrer",
		CrossOriginOpenerPolicy: "same-origin", CrossOriginResourcePolicy: "same-origin",
		ContentSecurityPolicy: policy,
	})
	allowed := append([]string{"localhost", "127.0.0.1", "::1"}, hosts...)
	return func(next http.Handler) http.Handler {
		return headers.Handler(http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
			if !slices.Contains(allowed, hostName(r.Host)) {
				http.Error(w, "This host name is not allowed.", http.StatusMisdirectedRequest)
				return
			}
			next.ServeHTTP(w, r)
		}))
	}
}

// unkept tells browsers and what lies between to keep no copy of the shop's data.
func unkept(next http.Handler) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		if strings.HasPrefix(r.URL.Path, "/api/") {
			w.Header().Set("Cache-Control", "no-store")
		}
		next.ServeHTTP(w, r)
	})
}

// sameOrigin refuses a request that a page of another origin makes, one that only reads as well.
func sameOrigin() func(http.Handler) http.Handler {
	guard := http.NewCrossOriginProtection()
	refuse := http.HandlerFunc(func(w http.ResponseWriter, _ *http.Request) {
		http.Error(w, "Requests from another origin are not allowed.", http.StatusForbidden)
	})
	guard.SetDenyHandler(refuse)
	return func(next http.Handler) http.Handler {
		return guard.Handler(http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
			if origin := r.Header.Get("Origin"); origin != "" { // the guard lets what only reads through
				if u, err := url.Parse(origin); err != nil || u.Host != r.Host {
					refuse(w, r)
					return
				}
			}
			next.ServeHTTP(w, r)
		}))
	}
}

func hostName(hostPort string) string {
	if host, _, err := net.SplitHostPort(hostPort); err == nil {
		return host
	}
	return strings.Trim(hostPort, "[]")
}
