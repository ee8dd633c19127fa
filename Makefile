# `make demo` tries the product, `make test` checks it. Both install what is missing and are quick the second time.

CARGO := cargo
BINARY := target/release/spirel
# With the made-up house and the stand-ins for instruments; a salon's own binary is built without.
DEMO := --features spirel/demo
FRONT_SOURCES := $(shell find web/src web/public locales -type f) web/index.html web/vite.config.ts web/tsconfig.json web/package.json

.PHONY: demo test build contract bench trials fuzz pictures database browser

## Serves the made-up house on http://127.0.0.1:8420 until Ctrl-C.
demo: database build
	exec $(BINARY) demo

## Formatting, lints, types, links in the documentation, unit tests, then Cargo's tests, of which one walks through the product in a browser.
# The last command is the one whose closing lines tell how many tests ran.
test: database browser web/node_modules/.package-lock.json web/dist/index.html
	$(CARGO) fmt --all --check
	cd web && npm run --silent types && npm run --silent lint && npm run --silent api -- --check && npm run --silent unit
	$(CARGO) clippy --locked --release --workspace --all-targets $(DEMO) -- -D warnings
	$(CARGO) clippy --locked --release --workspace --all-targets -- -D warnings
	RUSTDOCFLAGS='-A rustdoc::private_intra_doc_links -D rustdoc::broken_intra_doc_links' $(CARGO) doc --quiet --locked --release --no-deps --workspace --document-private-items $(DEMO)
	$(CARGO) test --locked --release --workspace --doc $(DEMO)
	$(CARGO) test --locked --release --workspace --exclude spirel-testkit $(DEMO) --lib --bins --tests

## The one binary, with the front end in it, and what it takes to try it.
build: web/dist/index.html
	$(CARGO) build --locked --release --package spirel $(DEMO)

## Writes again what is generated: the API's description, the schemas of the formats, the front end's types.
contract: build web/node_modules/.package-lock.json
	$(BINARY) openapi > docs/openapi.json
	$(BINARY) contract > web/src/api/contract.gen.json
	$(BINARY) schemas docs/formats
	cd web && npm run --silent api

## What the computations and the page cost (docs/performance.md).
bench: database browser build web/node_modules/.package-lock.json
	$(CARGO) bench --locked --package spirel-core
	cd web && npx playwright test --config speed.config.ts

## Kills server and database beside writers, then asks as fifty and two hundred people would (docs/robustness.md).
trials: database build
	$(CARGO) run --locked --release --package spirel $(DEMO) --example kills -- 20
	$(CARGO) run --locked --release --package spirel $(DEMO) --example first_starts -- 24
	$(CARGO) run --locked --release --package spirel $(DEMO) --example load

## Sends requests that are generated from the API's description.
fuzz: database build
	tools/fuzz

## Takes the pictures in docs/screenshots again.
pictures: database browser build web/node_modules/.package-lock.json
	cd web && npx playwright test --config pictures.config.ts

database:
	tools/debian-packages mariadb-server

browser:
	tools/debian-packages chromium

web/node_modules/.package-lock.json: web/package-lock.json
	cd web && npm ci --no-audit --no-fund
	touch $@

web/dist/index.html: web/node_modules/.package-lock.json $(FRONT_SOURCES)
	cd web && npm run --silent build
