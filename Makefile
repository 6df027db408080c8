# Everything a fresh machine needs, installed when it is missing. `make demo` and `make test` are all there is to know.
.DEFAULT_GOAL := help
SHELL := /bin/bash
.SHELLFLAGS := -eu -o pipefail -c
STAMPS := .stamps
BIN := .venv/bin
PORT ?= 8420
BROWSER := $(shell command -v chromium-headless-shell)
DRIVER := $(shell command -v chromedriver)

# The description of the API, and the types of the web that are made from it: built, never committed.
API := src/monedero/api/openapi.json
TYPES := web/src/api/schema.d.ts
PYTHON_SOURCES := $(shell find src/monedero -name "*.py")
WEB_SOURCES := $(shell find web/src web/public -type f -not -name schema.d.ts 2>/dev/null) web/index.html web/buy.html web/vite.config.ts web/tsconfig.json
# What is tested on its own, with every branch counted; the rest runs faster uncounted.
ALONE := src tests/core tests/formats tests/figures tests/wording tests/cli tests/test_architecture.py
SITE := src/monedero/api/site/index.html

.PHONY: help contract demo test soak branches quick check types lock schemas screenshots bench clean

help: ## list what can be made
	@grep -E '^[a-z]+:.*## ' $(MAKEFILE_LIST) | sed -E 's/:.*## /\t/' | expand -t 14

demo: $(STAMPS)/run $(SITE) ## start Monedero with the demo shop and print its address
	@$(BIN)/monedero serve --data .demo --demo --port $(PORT)

test: check $(SITE) $(STAMPS)/browser ## lint, check types, run every test
	cd web && npm run --silent test
	$(BIN)/pytest --numprocesses 2 --dist worksteal --cov --cov-report=term $(ALONE)
	$(BIN)/pytest --numprocesses 2 --dist worksteal $(addprefix --ignore=,$(ALONE))

soak: $(SITE) $(STAMPS)/browser ## the same properties and attacks with ten times the examples, drawn anew; it takes hours
	MONEDERO_TESTS=soak $(BIN)/pytest --numprocesses 2 --dist worksteal --no-cov src tests/core tests/formats tests/figures tests/work tests/attacks tests/api/test_orders_at_random.py tests/api/test_any_way.py tests/browser/test_full_shop.py

branches: $(STAMPS)/dev ## measure how many branches of what works and of the API its own tests take
	$(BIN)/pytest --numprocesses 2 --dist worksteal --cov=monedero.work --cov=monedero.letters --cov=monedero.api --cov-fail-under=0 --cov-report=term tests/api tests/work tests/server tests/store tests/cli

quick: check ## lint, check types, test the core, the formats and the parts of the interface, without a browser
	cd web && npm run --silent test
	MONEDERO_TESTS=quick $(BIN)/pytest --numprocesses 2 --dist worksteal --no-cov src/monedero/core src/monedero/formats tests/core tests/formats

check: $(STAMPS)/dev $(STAMPS)/web $(TYPES) ## lint and check types, without tests
	$(BIN)/ruff format --check src tests tools bench
	$(BIN)/ruff check src tests tools bench
	$(BIN)/mypy
	$(BIN)/lint-imports
	$(BIN)/vulture
	cd web && npm run --silent lint && npm run --silent types

schemas: $(STAMPS)/dev $(TYPES) ## write the JSON Schemas of files, the API description and the types made from it
	$(BIN)/python -m tools.write_schemas files

screenshots: $(STAMPS)/dev $(SITE) $(STAMPS)/browser ## take the pictures in docs/screenshots from the demo data
	$(BIN)/python -m tools.screenshots

bench: $(STAMPS)/dev $(SITE) $(STAMPS)/browser ## measure speed and memory against the budgets
	$(BIN)/python -m bench

contract: $(STAMPS)/dev ## hold the gateway at GATEWAY, opened by FIELDS, to the contract of docs/gateway.md
	MONEDERO_GATEWAY='$(GATEWAY)' MONEDERO_GATEWAY_FIELDS='$(FIELDS)' $(BIN)/pytest tests/contract

lock: $(STAMPS)/dev ## resolve the Python requirements anew
	cd requirements && for set in run dev; do ../$(BIN)/pip-compile --quiet --upgrade --generate-hashes --no-strip-extras \
		--allow-unsafe --no-emit-index-url --no-emit-trusted-host --no-emit-find-links --output-file $$set.txt $$set.in; done

clean: ## take away what was made, but not the demo data
	rm -rf .venv $(STAMPS) web/node_modules src/monedero/api/site

$(BIN)/pip:
	python3 -m venv .venv

$(STAMPS)/run: requirements/run.txt pyproject.toml | $(BIN)/pip
	@mkdir -p $(STAMPS)
	$(BIN)/pip install --quiet --disable-pip-version-check --require-hashes -r requirements/run.txt
	$(BIN)/pip install --quiet --disable-pip-version-check --no-deps --no-build-isolation --editable .
	$(BIN)/python -m compileall -q src/monedero
	touch $@

$(STAMPS)/dev: requirements/dev.txt $(STAMPS)/run
	$(BIN)/pip install --quiet --disable-pip-version-check --require-hashes -r requirements/dev.txt
	touch $@

# Not `npm ci`: it refuses a lock file that lacks the optional packages of other platforms.
$(STAMPS)/web: web/package-lock.json web/package.json
	@mkdir -p $(STAMPS)
	cd web && npm install --no-save --silent --no-fund --no-audit
	touch $@

$(API): $(PYTHON_SOURCES) tools/write_schemas.py | $(STAMPS)/run
	$(BIN)/python -m tools.write_schemas api

$(TYPES): $(API) | $(STAMPS)/web
	cd web && npx openapi-typescript ../$(API) -o src/api/schema.d.ts > /dev/null

$(SITE): $(WEB_SOURCES) $(STAMPS)/web
	cd web && npm run --silent build -- --logLevel warn

# Debian's browser without windows and its driver, only where they are missing; a whole browser that is there will do.
$(STAMPS)/browser:
	@mkdir -p $(STAMPS)
ifneq ($(and $(BROWSER),$(DRIVER)),)
	@echo "Browser: $(BROWSER)"
else
	(apt-get update -qq && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends \
		chromium-headless-shell chromium-driver > /dev/null) || (command -v chromium && command -v chromedriver)
endif
	touch $@
