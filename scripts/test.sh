#!/usr/bin/env bash
# Every check: lint, types, import rules, then all tests.
set -euo pipefail
cd "$(dirname "$0")/.."
step() { printf '\n== %s\n' "$*"; }

step "lint"
.venv/bin/ruff check .
.venv/bin/ruff format --check -q .
(cd frontend && npm run --silent lint)
step "types"
.venv/bin/mypy
(cd frontend && npm run --silent types)
step "import rules"
.venv/bin/lint-imports --no-cache | grep -E "KEPT|BROKEN|Contracts:" || { .venv/bin/lint-imports --no-cache; exit 1; }
.venv/bin/lint-imports --no-cache >/dev/null
step "front-end unit tests"
(cd frontend && npm run --silent test)
step "core, units, calc, store, API, sheet, package and browser tests"
.venv/bin/python -m pytest -q -n "${FEDER_TEST_WORKERS:-3}" --dist worksteal "$@"
