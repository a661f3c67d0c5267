# The commands of Parvix. Each installs and builds what is missing and skips what is up to date.
SHELL := /bin/bash
.SHELLFLAGS := -eu -o pipefail -c
.DEFAULT_GOAL := help

GO_FILES := $(shell find core cmd export server demo web -name '*.go' -not -path '*/node_modules/*' 2>/dev/null)
WEB_FILES := $(shell find web/src web/public -type f -not -name core.wasm -not -name wasm_exec.js -not -name '*.test.ts') \
	web/index.html web/package.json web/vite.config.ts
WASM := web/src/core/core.wasm
PAGE := web/dist/index.html

.PHONY: help demo test test-core test-page test-server test-browser test-wasm bench look fuzz lint screenshots generate build clean

help: ## What can be done here
	@grep -hE '^[a-z-]+:.*## ' $(MAKEFILE_LIST) | sed -E 's/:.*## /\t/' | expand -t 16

demo: bin/parvix ## Start Parvix with its demo data
	@scripts/need database
	@bin/parvix demo

build: bin/parvix ## Build front end and program

test: lint-quick test-page $(PAGE) ## Everything: core, server with a real database, browser
	@scripts/need database browser
	go test -timeout 45m ./...

test-core: ## The core alone; needs nothing but Go
	go test ./core/... ./export/... ./demo/...

test-page: web/node_modules/.installed $(WASM) ## The page's own logic without a browser, its types and its rules
	cd web && npm run --silent test && npm run --silent check && npm run --silent lint

test-wasm: ## The core's tests in WebAssembly, run by Node
	GOOS=js GOARCH=wasm go test -exec="$$(go env GOROOT)/lib/wasm/go_js_wasm_exec" ./core/...

test-server: ## The server against a real MariaDB
	@scripts/need database
	go test ./server/... ./cmd/...

test-browser: $(PAGE) ## The real interface in headless Chromium
	@scripts/need database browser
	go test -timeout 45m ./browser/...

bench: $(PAGE) ## Figures, native, in WebAssembly and in the browser: writes docs/performance.md
	@scripts/need database browser
	go run ./cmd/figures

fuzz: ## Look for formulas and files that break something (FUZZTIME=10m)
	go test -run '^$$' -fuzz FuzzParse -fuzztime $${FUZZTIME:-60s} ./core/formula/expr
	go test -run '^$$' -fuzz FuzzDecode -fuzztime $${FUZZTIME:-60s} ./core/stage/document
	go test -run '^$$' -fuzz FuzzSimplify -fuzztime $${FUZZTIME:-60s} ./core/formula/symbolic
	go test -run '^$$' -fuzz FuzzFindings -fuzztime $${FUZZTIME:-60s} ./core/maths/analyse

.PHONY: lint-quick
lint-quick:
	@test -z "$$(gofmt -l $$(git ls-files '*.go'))" || { gofmt -l $$(git ls-files '*.go'); echo 'gofmt would change these files'; exit 1; }

lint: lint-quick test-page ## gofmt, vet, staticcheck, eslint, prettier, vue-tsc
	go vet ./...
	go tool staticcheck ./...
	GOOS=js GOARCH=wasm go vet ./cmd/corewasm

look: ## Judge the labels of all demo scenes and of made-up ones
	go run ./cmd/look

screenshots: $(PAGE) ## Take the pictures of docs/screenshots again
	@scripts/need database browser
	go test -count=1 -run TestScreenshots ./browser -screenshots

generate: web/node_modules/.installed ## Write the files that follow from Go's types
	go run ./cmd/generate
	go generate ./core/formula/typeset

clean: ## Remove what was built; the demo data in .data stays
	rm -rf bin web/node_modules $(WASM) web/src/core/wasm_exec.js
	find web/dist -mindepth 1 -not -name placeholder.html -delete

web/node_modules/.installed: web/package.json web/package-lock.json
	cd web && npm ci --no-progress
	touch $@

# What no frame runs is not inlined into its callers: the module is 5 % smaller for the pages that load it, its findings come
# no later and its frames take the same (benchmarks in pairs, in WebAssembly).
COLD := $(patsubst %,-gcflags=parvix/core/%=-l,formula/... ask/... stage/document maths/transform maths/solve maths/locus)

$(WASM): $(filter core/% cmd/corewasm/% export/%,$(GO_FILES)) go.mod
	cp "$$(go env GOROOT)/lib/wasm/wasm_exec.js" web/src/core/wasm_exec.js
	GOOS=js GOARCH=wasm go build -trimpath -ldflags='-s -w' $(COLD) -o $@ ./cmd/corewasm

$(PAGE): web/node_modules/.installed $(WASM) $(WEB_FILES)
	cd web && npm run --silent build -- --logLevel warn
	touch $@

bin/parvix: $(PAGE) $(GO_FILES) server/api/openapi.json $(wildcard demo/*.json server/store/migrations/*) go.mod
	go build -trimpath -o $@ ./cmd/parvix
