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
export OPENBLAS_NUM_THREADS := 1
export PIP_DISABLE_PIP_VERSION_CHECK := 1

.PHONY: demo test serve build check unit types bench pictures clean

demo: $(STATE)/run frontend/dist/index.html
	$(BIN)/zirkel serve --demo --host $(HOST) --port $(PORT) --data $(DATA) $(OPTIONS)

serve: $(STATE)/run frontend/dist/index.html
	$(BIN)/zirkel serve --host $(HOST) --port $(PORT) --data $(DATA) $(OPTIONS)

build: frontend/dist/index.html

test: check unit

check: $(STATE)/check $(STATE)/node $(STATE)/typegen
	$(BIN)/ruff format --check src tests bench scripts
	$(BIN)/ruff check src tests bench scripts
	$(BIN)/mypy
	$(BIN)/python -m zirkel.web.openapi | cmp - frontend/generated/openapi.json \
		|| (echo "The API changed: run make types"; exit 1)
	cd frontend/typegen && npm run --silent check
	cd frontend && npm run --silent lint
	cd frontend && npm run --silent types

unit: $(STATE)/check frontend/dist/index.html
	sh scripts/ensure-chromium.sh
	PYTHONWARNINGS=error $(BIN)/python -m unittest_parallel -s tests -t . -j 2 --level class -q

types: $(STATE)/check $(STATE)/typegen
	$(BIN)/python -m zirkel.web.openapi > frontend/generated/openapi.json
	cd frontend/typegen && npm run --silent generate

bench: $(STATE)/check frontend/dist/index.html
	sh scripts/ensure-chromium.sh
	$(BIN)/python -m bench

pictures: $(STATE)/check frontend/dist/index.html
	sh scripts/ensure-chromium.sh
	$(BIN)/python -m scripts.take_pictures

clean:
	rm -rf $(STATE) $(VENV) frontend/dist frontend/node_modules frontend/typegen/node_modules

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

frontend/dist/index.html: $(STATE)/node $(FRONT)
	cd frontend && npm run --silent build
	gzip -9 -k -f frontend/dist/assets/*.js frontend/dist/assets/*.css frontend/dist/index.html
