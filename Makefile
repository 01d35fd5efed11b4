# Two commands: make demo, make test.
.PHONY: demo demo-reset test build generate screenshots bench

PAGE_SOURCES := $(shell find web/src web/public web/index.html web/vite.config.ts package-lock.json -type f 2>/dev/null)

# Serves the app with the demo shop, setting up what is missing.
demo: setup-run build
	@exec bin/mala demo

# Starts over: takes the demo's data away. Stop the demo first.
demo-reset: setup-run build
	bin/mala reset

# Runs every test, setting up what is missing.
test: setup-run
	@scripts/setup.sh chromium
	@$(MAKE) --no-print-directory build
	@scripts/test.sh

build: bin/mala

bin/mala: web/dist/page/index.html $(shell find cmd core format store server localpg demo web -name '*.go' -o -name '*.sql' -o -path 'demo/*.json')
	go build -o bin/mala ./cmd/mala

web/dist/page/index.html: $(PAGE_SOURCES)
	npm run --silent build -- --logLevel warn
	@touch $@

# Renews what is made from the Go types: the OpenAPI document, the page's types,
# the schemas of the open files.
generate:
	go run ./cmd/mala openapi > web/src/api/openapi.json
	npm run --silent types
	go run ./cmd/mala schema piece > docs/format/piece.schema.json
	go run ./cmd/mala schema analysis > docs/format/analysis.schema.json

# Measures, and prints what docs/figures.md keeps.
bench: setup-run build
	@scripts/setup.sh chromium
	go test -run xxx -bench . -benchtime 1s ./core/... ./format
	npx playwright test --config e2e/speed.config.ts

# Renews the pictures in docs/screenshots from the demo shop.
screenshots: build
	@scripts/setup.sh chromium
	npx playwright test --config e2e/screenshots.config.ts

.PHONY: setup-run
setup-run:
	@scripts/setup.sh go node postgres packages
