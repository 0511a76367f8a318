# Two commands do all the set-up: `make demo` and `make test`. Paths stay relative, so that a
# folder with a space in its name is no different from any other.
SHELL := bash
PY := .venv/bin/python
WEB_SOURCES := $(shell find web/src web/public -type f 2>/dev/null) web/index.html web/vite.config.ts

.PHONY: demo serve test check-core check-web bench crash sweep mutants golden screenshots reset-demo types lint browser

demo: .stamps/runtime web/dist/index.html
	@.venv/bin/runk demo $(ARGS)

serve: .stamps/runtime web/dist/index.html
	@.venv/bin/runk serve $(ARGS)

reset-demo: .stamps/runtime
	@.venv/bin/runk reset-demo

test: .stamps/dev web/dist/index.html browser
	@$(MAKE) --no-print-directory -j 2 check-core check-web
	$(PY) -m pytest -n 3 --dist worksteal

check-core: .stamps/dev
	.venv/bin/ruff check .
	.venv/bin/ruff format --check .
	.venv/bin/mypy
	.venv/bin/lint-imports

check-web: .stamps/node
	cd web && npm run --silent types && npm run --silent lint

bench: .stamps/dev web/dist/index.html
	$(PY) bench/run.py

crash: .stamps/dev
	$(PY) -m tests.crash.run

# The long half of every property, with another seed each time: `make sweep SEED=5` repeats one.
SEED ?= $(shell date +%s)
sweep: .stamps/dev
	@echo "Sweeping with seed $(SEED)"
	RUNK_SWEEP=1 $(PY) -m pytest tests -n 4 --dist worksteal -m "not browser" --hypothesis-seed=$(SEED) $(ARGS)

# What nobody notices when the core is changed: `make mutants ARGS="--seed 3 --many 40"`.
mutants: .stamps/dev
	$(PY) -m tests.mutants.run $(ARGS)

# Keep every answer and every route as it is now, and say what changed.
golden: .stamps/dev
	$(PY) -m tests.golden.test_golden

screenshots: .stamps/dev web/dist/index.html browser
	$(PY) -m tests.browser.take_screenshots

types: .stamps/dev .stamps/node
	$(PY) -m runk.api.schema web/openapi.json .stamps/models.json
	cd web && npm run --silent api

browser:
	@bash tools/ensure-browser.sh

.venv/bin/python:
	python3 -m venv .venv

.stamps/runtime: requirements.lock pyproject.toml | .venv/bin/python
	$(PY) -m pip install --quiet --disable-pip-version-check --require-hashes -r requirements.lock
	$(PY) -m pip install --quiet --disable-pip-version-check --no-deps --no-build-isolation -e .
	@mkdir -p .stamps && touch $@

.stamps/dev: requirements-dev.lock requirements-reference.lock .stamps/runtime
	$(PY) -m pip install --quiet --disable-pip-version-check --require-hashes -r requirements-dev.lock
	$(PY) -m pip install --quiet --disable-pip-version-check --no-deps --require-hashes -r requirements-reference.lock
	@mkdir -p .stamps && touch $@

.stamps/node: web/package-lock.json web/package.json
	cd web && npm ci --silent --no-audit --no-fund
	@mkdir -p .stamps && touch $@

web/dist/index.html: .stamps/node $(WEB_SOURCES)
	cd web && npm run --silent build -- --logLevel warn
	@touch $@
