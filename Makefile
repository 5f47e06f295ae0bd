# Two commands matter: make demo, make test. Each sets up whatever is missing or has changed, and says so.
# the simulation is compiled once, at set-up
export NUMBA_CACHE_DIR ?= $(CURDIR)/.setup/compiled

.PHONY: demo serve test setup check contracts screenshots bench mutants

demo: setup
	@.venv/bin/feder demo

serve: setup
	@.venv/bin/feder serve

setup:
	@scripts/setup.sh app

test:
	@scripts/setup.sh tests
	@scripts/test.sh

check: # the inner loop: lint, types and unit tests
	@scripts/setup.sh tests
	@scripts/check.sh

screenshots:
	@scripts/setup.sh tests
	@.venv/bin/python scripts/screenshots.py

bench:
	@scripts/setup.sh tests
	@.venv/bin/python benchmarks/run.py
	@PYTHONPATH=. .venv/bin/python benchmarks/drag.py
	@PYTHONPATH=. .venv/bin/python benchmarks/prove.py

contracts: # OpenAPI, JSON Schema, unit table and TypeScript types, from the code
	@scripts/setup.sh app
	@.venv/bin/python scripts/export_contracts.py
	@cd frontend && npm run -s schema

mutants: # small wrong changes, one at a time: do the tests notice? (about 30 min; not in CI)
	@scripts/setup.sh tests
	@.venv/bin/python scripts/mutants.py
