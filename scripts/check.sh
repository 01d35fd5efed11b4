#!/usr/bin/env bash
# The quick part of the tests: what can be known within a few minutes.
set -euo pipefail
cd "$(dirname "$0")/.."
step() { printf '\n== %s\n' "$*"; }

step "gofmt, vet, static analysis"
unformatted=$(git ls-files '*.go' | xargs gofmt -l)
[ -z "$unformatted" ] || { echo "not formatted: $unformatted" >&2; exit 1; }
go vet ./...
go tool staticcheck ./...

step "Go tests, the short ones"
go test -short ./core/... ./words/... ./format ./demo ./desk/... ./papers ./backup

step "types and lint of the page"
npm run --silent typecheck
npm run --silent lint

step "the page below the browser, and one walk through it"
npx playwright test --config e2e/playwright.config.ts parts lengths story.spec.ts:1
