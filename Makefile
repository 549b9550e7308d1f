# Two commands matter: `make demo` runs Zirkel with made-up studies, `make test` checks everything.
PYTHON ?= python3
HOST ?= 127.0.0.1
PORT ?= 8765
DATA ?= data
OPTIONS ?=
VENV := .venv
BIN := $(VENV)/bin
STATE := .state
FRONT := $(shell find frontend/src frontend/generated frontend/public -type f 2>/dev/null) frontend/index.html \
	frontend/vite.config.ts frontend/tsconfig.json
PAGES := src/zirkel/web/pages/index.html
export OPENBLAS_NUM_THREADS := 1
export PIP_DISABLE_PIP_VERSION_CHECK := 1

.PHONY: demo serve dev build wheel test check unit campaign types lock bench pictures clean

demo: $(STATE)/run $(PAGES)
	$(BIN)/zirkel serve --demo --host $(HOST) --port $(PORT) --data $(DATA) $(OPTIONS)

serve: $(STATE)/run $(PAGES)
	$(BIN)/zirkel serve --host $(HOST) --port $(PORT) --data $(DATA) $(OPTIONS)

# The pages as they are being written (http://localhost:5173), before the real server.
dev: $(STATE)/run $(PAGES)
	$(BIN)/zirkel serve --demo --data $(DATA) & trap "kill $$!" EXIT; cd frontend && npx vite

build: $(PAGES)

# One file that installs anywhere, without Node: its pages are in it.
wheel: $(STATE)/check $(PAGES)
	rm -rf build dist
	$(BIN)/pip wheel --quiet --no-deps --no-build-isolation --wheel-dir dist .

test: check unit

check: $(STATE)/check $(STATE)/node $(STATE)/typegen
	$(BIN)/ruff format --check src tests bench scripts
	$(BIN)/ruff check src tests bench scripts
	$(BIN)/mypy
	$(BIN)/deptry src
	$(BIN)/python -m zirkel.web.openapi > frontend/generated/openapi.json
	cd frontend/typegen && npm run --silent check || (echo "The API changed: run make types"; exit 1)
	cd frontend && npm run --silent lint
	cd frontend && npm run --silent types

unit: wheel
	sh scripts/ensure-chromium.sh
	PYTHONWARNINGS=error $(BIN)/python -m tests

# Statistics over many seeds, long searches, attacks: before an issue is closed.
campaign: $(STATE)/check $(PAGES)
	sh scripts/ensure-chromium.sh
	ZIRKEL_CAMPAIGN=1 $(BIN)/python -m tests tests.core tests.pictures tests.store tests.web \
		tests.browser.test_enough
	$(BIN)/python -m bench beginners turned heads practice checking sure worth campaign strangers fuzz

types: $(STATE)/check $(STATE)/typegen
	$(BIN)/python -m zirkel.web.openapi > frontend/generated/openapi.json
	cd frontend/typegen && npm run --silent generate

# The pinned lists, made from what pyproject.toml declares.
lock: $(STATE)/check
	$(BIN)/uv pip compile --quiet pyproject.toml --no-annotate --custom-compile-command "make lock" \
		--output-file requirements/run.txt
	$(BIN)/uv pip compile --quiet pyproject.toml --group check --constraint requirements/run.txt \
		--no-annotate --custom-compile-command "make lock" --output-file requirements/check.txt

bench: $(STATE)/check $(PAGES)
	sh scripts/ensure-chromium.sh
	$(BIN)/python -m bench

pictures: $(STATE)/check $(PAGES)
	sh scripts/ensure-chromium.sh
	$(BIN)/python -m scripts.take_pictures

clean:
	rm -rf $(STATE) $(VENV) build dist src/zirkel/web/pages frontend/node_modules frontend/typegen/node_modules

$(VENV)/bin/python:
	$(PYTHON) -m venv $(VENV)

$(STATE)/run: requirements/run.txt pyproject.toml | $(VENV)/bin/python
	$(BIN)/pip install --quiet -r requirements/run.txt
	$(BIN)/pip install --quiet --no-deps --editable .
	mkdir -p $(STATE) && touch $@

$(STATE)/check: requirements/check.txt $(STATE)/run
	$(BIN)/pip install --quiet -r requirements/check.txt
	mkdir -p $(STATE) && touch $@

$(STATE)/node: frontend/package.json frontend/package-lock.json
	cd frontend && npm ci --no-audit --no-fund
	mkdir -p $(STATE) && touch $@

$(STATE)/typegen: frontend/typegen/package.json frontend/typegen/package-lock.json
	cd frontend/typegen && npm ci --no-audit --no-fund
	mkdir -p $(STATE) && touch $@

$(PAGES): $(STATE)/node $(FRONT)
	cd frontend && npm run --silent build
	gzip -9 -k -f src/zirkel/web/pages/assets/*.js src/zirkel/web/pages/assets/*.css $(PAGES)
