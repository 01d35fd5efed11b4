#!/usr/bin/env bash
# Every test there is, each runner with its own closing lines.
set -euo pipefail
cd "$(dirname "$0")/.."
step() { printf '\n== %s\n' "$*"; }

step "gofmt, vet, static analysis"
unformatted=$(git ls-files '*.go' | xargs gofmt -l)
[ -z "$unformatted" ] || { echo "not formatted: $unformatted" >&2; exit 1; }
go vet ./...
go tool staticcheck ./...

step "Go tests"
# One package more at a time than there are processors: some only wait for a server to end.
go test -p "$(($(nproc) + 1))" ./...

step "types and lint of the page"
npm run --silent typecheck
npm run --silent lint

step "the page in Chromium"
npm run --silent e2e
