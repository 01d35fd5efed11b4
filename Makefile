# make help lists what there is; the lines behind "##" are its text.
.PHONY: help demo demo-reset test check build generate screenshots bench load mutate

PAGE_SOURCES := $(shell find web/src web/public web/index.html web/vite.config.ts package-lock.json -type f 2>/dev/null)

help: ## list these commands
	@grep -hE '^[a-z-]+:.*##' $(MAKEFILE_LIST) | sed -E 's/^([a-z-]+):.*## (.*)/\1\t\2/' | expand -t 15

demo: setup-run build ## set up what is missing and serve the demo shop
	@exec bin/mala demo

demo-reset: setup-run build ## delete the demo's data; stop the demo first
	bin/mala reset

test: setup-run ## set up what is missing and run every test
	@scripts/setup.sh chromium poppler
	@$(MAKE) --no-print-directory build
	@scripts/test.sh

check: setup-run ## the quick part of the tests, to be run while working
	@scripts/setup.sh chromium
	@$(MAKE) --no-print-directory build
	@scripts/check.sh

build: bin/mala ## build the page and bin/mala

# Whatever the binary is made of: every Go file but those of tests, migrations, the demo, fonts.
GO_SOURCES := go.mod go.sum $(shell find . \( -path ./node_modules -o -path ./.mala -o -path ./.git -o -path './web/dist' \) -prune -o \( -name '*.go' ! -name '*_test.go' -o -name '*.sql' -o -path './demo/*.json' -o -path './papers/fonts/*' \) -type f -print)

bin/mala: web/dist/page/index.html $(GO_SOURCES)
	go build -o bin/mala ./cmd/mala

web/dist/page/index.html: $(PAGE_SOURCES)
	npm run --silent build -- --logLevel warn
	@touch $@

generate: ## renew the OpenAPI document, the page's types and the schemas from the Go types
	go run ./cmd/mala openapi > web/src/api/openapi.json
	npm run --silent types
	go run ./cmd/mala schema piece > docs/format/piece.schema.json
	go run ./cmd/mala schema kit > docs/format/kit.schema.json
	go run ./cmd/mala schema analysis > docs/format/analysis.schema.json

bench: setup-run build ## measure what docs/figures.md keeps
	@scripts/setup.sh chromium
	GOGC=2000 go test -run xxx -bench . -benchtime 1s ./core/... ./desk/... ./papers # as cmd/mala/serve.go collects
	npx playwright test --config e2e/speed.config.ts

load: setup-run build ## measure Mala with as much in it as a large shop has, into docs/figures.md
	@scripts/setup.sh chromium
	go run ./load

screenshots: build ## renew docs/screenshots from the demo shop
	@scripts/setup.sh chromium poppler
	npx playwright test --config e2e/screenshots.config.ts

# Deliberate faults, one at a time, in the rules of the job: which do the tests miss?
# Properties are tried less often (-short), or it would take a day.
GREMLINS := go run github.com/go-gremlins/gremlins/cmd/gremlins@v0.6.0
PACKAGE ?= $(filter-out core/testparts,$(wildcard core/*))
mutate: setup-run ## put deliberate faults into core/ and list those no test finds (PACKAGE=core/size for one)
	@for package in $(PACKAGE); do \
	  echo "== $$package"; go clean -testcache; \
	  GOFLAGS="-short -vet=off" $(GREMLINS) unleash --workers 2 --timeout-coefficient 10 --output-statuses lct ./$$package; \
	done

.PHONY: setup-run
setup-run:
	@scripts/setup.sh go node postgres packages
