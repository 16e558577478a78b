# Acorn Step. `make demo` builds everything and starts it with made-up socks;
# `make test` installs what is missing and runs every check.

SHELL := /bin/bash
.SHELLFLAGS := -eu -o pipefail -c
.DEFAULT_GOAL := help

GO_VERSION := 1.26
NODE_VERSION := 20
BIN := bin/acornstep
NPM := npm --prefix ui
QUIET_NPM := --no-audit --no-fund --loglevel=error
PORT ?= 7768
# Inputs for each reader. A number of inputs, no time: where a deadline falls just
# as the workers stop, Go's fuzzer reports it as a failure of the reader.
FUZZTIME ?= 10000x
# Every folder with Go of ours.
GO_FOLDERS := cmd demo files load scale sock sqlite web ui/embed.go

export PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD = 1

.PHONY: help demo build trial ui house test proof reach vulnerable go-test fuzz lint parts e2e bench latency load screenshots tools chromium poppler format clean

help:
	@echo "make demo         build everything and start it with made-up socks"
	@echo "make test         install what is missing and run every check (CI does this)"
	@echo "make proof        what is too heavy for every day: thousands of designs, a million inputs for each reader, many devices"
	@echo "make build        build bin/acornstep with the interface inside"
	@echo "make bench        measure how fast a sock is planned"
	@echo "make load         let 50 devices tap on 10,000 socks and count what is lost; measure memory where many ask for much at once"
	@echo "make latency      measure from a key or a drag to the drawing"
	@echo "make screenshots  take the pictures in docs/screenshots anew"
	@echo "make house        draw the picture of the house in docs/architecture.md anew"
	@echo "make format       format the code"

tools:
	@command -v go >/dev/null || { echo "Go is missing: install Go $(GO_VERSION) or newer, then run this again."; exit 1; }
	@command -v node >/dev/null || { echo "Node.js is missing: install Node.js $(NODE_VERSION) or newer, then run this again."; exit 1; }
	@command -v npm >/dev/null || { echo "npm is missing: it comes with Node.js $(NODE_VERSION) or newer."; exit 1; }
	@node -e 'process.exit(+process.versions.node.split(".")[0] >= $(NODE_VERSION) ? 0 : 1)' || \
		{ echo "Node.js $$(node --version) is too old: install version $(NODE_VERSION) or newer."; exit 1; }

ui/node_modules/.installed: ui/package-lock.json
	@echo "== installing the interface's packages"
	@$(NPM) install --no-save $(QUIET_NPM)
	@touch $@

ui: tools ui/node_modules/.installed
	@echo "== building the interface"
	@$(NPM) run --silent build -- --logLevel warn

build: ui
	@echo "== building $(BIN)"
	@go build -o $(BIN) ./cmd/acornstep

trial: ui
	@echo "== building $(BIN)-trial, with techniques that are there to be tried only"
	@go build -tags trial -o $(BIN)-trial ./cmd/acornstep

demo: build
	@echo "== starting the demo"
	@./$(BIN) demo --listen 127.0.0.1:$(PORT)

lint: tools ui/node_modules/.installed
	@echo "== gofmt, go vet, staticcheck"
	@test -z "$$(gofmt -l $(GO_FOLDERS))" || { echo "These files need gofmt:"; gofmt -l $(GO_FOLDERS); exit 1; }
	@go vet ./...
	@go tool staticcheck ./...
	@echo "== Biome, TypeScript, generated types"
	@$(NPM) run --silent lint
	@ui/node_modules/.bin/openapi-typescript ui/src/api/openapi.json -o bin/schema.d.ts >/dev/null && cmp -s bin/schema.d.ts ui/src/api/schema.gen.d.ts || \
		{ echo "ui/src/api/schema.gen.d.ts is not what openapi.json says: run npm --prefix ui run types"; exit 1; }
	@$(NPM) run --silent typecheck

go-test: tools poppler
	@echo "== Go tests"
	@go test ./...
	@echo "== Go tests, with techniques that are there to be tried only"
	@go test -tags trial ./sock/craft/knit ./sock/judge/advise ./sock/craft/check ./sock/needles/knitting

fuzz: tools
	@echo "== fuzzing every reader with $(FUZZTIME:x= inputs)"
	@mkdir -p bin; go test -list '^Fuzz' ./... | awk '/^Fuzz/ {name[++n] = $$1} /^ok/ {for (i = 1; i <= n; i++) print $$2, name[i]; n = 0}' | while read -r room name; do \
		go test "$$room" -run '^$$' -fuzz "^$$name$$" -fuzztime $(FUZZTIME) -fuzzminimizetime 2s </dev/null >bin/fuzz.log 2>&1 || { cat bin/fuzz.log; exit 1; }; \
		tail -n 1 bin/fuzz.log; \
	done

chromium:
	@command -v chromium >/dev/null || { \
		echo "== installing Debian's chromium"; \
		command -v apt-get >/dev/null || { echo "chromium is missing and this is not Debian: install it, then run this again."; exit 1; }; \
		SUDO=""; [ "$$(id -u)" = 0 ] || SUDO="sudo"; \
		{ $$SUDO apt-get update -qq && $$SUDO env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq chromium >/dev/null; } || \
		{ echo "chromium could not be installed: install Debian's package chromium, then run this again."; exit 1; }; }

# poppler reads the PDFs that the tests make.
poppler:
	@command -v pdftotext >/dev/null || { \
		echo "== installing Debian's poppler-utils"; \
		command -v apt-get >/dev/null || { echo "pdftotext is missing and this is not Debian: install poppler, then run this again."; exit 1; }; \
		SUDO=""; [ "$$(id -u)" = 0 ] || SUDO="sudo"; \
		{ $$SUDO apt-get update -qq && $$SUDO env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq poppler-utils >/dev/null; } || \
		{ echo "poppler could not be installed: install Debian's package poppler-utils, then run this again."; exit 1; }; }

# Parts of the interface that need no browser.
parts: ui/node_modules/.installed
	@echo "== parts of the interface by themselves"
	@ui/node_modules/.bin/playwright test --config e2e/parts.config.ts

e2e: build trial chromium
	@echo "== the interface in Chromium"
	@ui/node_modules/.bin/playwright test --config e2e/playwright.config.ts

test: tools build lint go-test fuzz parts e2e

# Packages whose properties are drawn at random, and how many draws a proof takes of each.
PROPERTIES := ./sock/judge/advise ./sock/cloth/fabric ./sock/said/hands ./sock/said/instructions ./sock/cloth/chart ./sock/said/words ./sock/craft/knit ./sock/needles/knitting ./sock/rows/needle ./sock/needles/replan ./sock/said/position ./sock/cloth/shape ./sock/needles/tally ./sock/needles/logbook ./sock/papers/yarn ./sock/judge/fit ./sock/judge/handle ./sock/needles/whereami ./sock/teach/practice ./sock/cloth/body ./sock/cloth/cloth
PROOF_CHECKS ?= 3000

# What the API allows is asked by one hand after the other: nothing of it is shared, and it is asked below.
proof: tools
	@echo "== properties, $(PROOF_CHECKS) draws each"
	@go test $(PROPERTIES) -timeout 60m -rapid.checks=$(PROOF_CHECKS)
	@go test -tags trial ./sock/craft/knit -timeout 60m -rapid.checks=$(PROOF_CHECKS)
	@echo "== 20,000 designs on all needles: their words read by counts, by landmarks, by the needle in the hand; their notes, true and spoiled"
	@go test ./sock/craft/knit -run 'WordsReadLiterally|WrongWord|WrongPlace|FalseNote' -timeout 120m -rapid.checks=20000
	@echo "== what happens to one sock of a pair, 20,000 draws"
	@go test ./sock/needles/replan -run EitherSock -timeout 60m -rapid.checks=20000
	@echo "== 300 socks put on feet"
	@go test -tags proof ./sock/cloth/worn -run Three -v -timeout 60m
	@$(MAKE) --no-print-directory fuzz FUZZTIME=1000000x
	@echo "== what shares memory between hands"
	@go test -race -skip DescriptionAllows ./web ./sqlite ./cmd/... ./files/archive ./scale ./sock/needles/knitting ./sock/cloth/worn -short -timeout 60m
	@echo "== everything that the API allows, and copies put back under taps, at length"
	@ACORNSTEP_PROOF=1 go test ./web ./sqlite ./files/archive ./cmd/... -run 'Allows|Restored|Restore|Spoiled' -timeout 60m
	@$(MAKE) --no-print-directory reach
	@$(MAKE) --no-print-directory vulnerable
	@$(MAKE) --no-print-directory load

reach: build trial chromium
	@echo "== every screen in both lights on every width, knitting at both sizes, every page in inches, every kind of lesson by keys and by touch"
	@WHOLE=1 ui/node_modules/.bin/playwright test --config e2e/playwright.config.ts reach practice knit.spec inches

# Known vulnerabilities are looked up where the machine reaches the lists; where it does not, it says so.
vulnerable: tools ui/node_modules/.installed
	@echo "== known vulnerabilities, where their lists can be reached"
	@$(NPM) audit --omit=dev --audit-level=high || echo "npm's list was not reached, or names something: see above"
	@go run golang.org/x/vuln/cmd/govulncheck@latest ./... || echo "Go's list was not reached, or names something: see above"

bench: tools
	@go test ./sock/... -run '^$$' -bench . -benchmem

screenshots: build trial chromium poppler
	@ui/node_modules/.bin/playwright test --config e2e/screenshots.config.ts screenshots

house: tools
	@go test ./cmd/acornstep -run ThePageShowsTheHouse -update

load: build
	@go run ./load
	@go run ./load -heavy $(BIN)

latency: build trial chromium
	@ui/node_modules/.bin/playwright test --config e2e/latency.config.ts

ui/public/sample-tracing.jpg: build trial chromium
	@ui/node_modules/.bin/playwright test --config e2e/screenshots.config.ts sample

format: ui/node_modules/.installed
	@gofmt -w $(GO_FOLDERS)
	@$(NPM) run --silent format

clean:
	@rm -rf bin ui/node_modules e2e/results
	@find ui/dist -mindepth 1 ! -name .gitkeep -delete
