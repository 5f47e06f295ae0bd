#!/usr/bin/env bash
# The inner loop: lint and types beside the unit tests; no browser, no server, no database.
set -euo pipefail
cd "$(dirname "$0")/.."
out=$(mktemp -d)
trap 'rm -rf "$out"' EXIT
declare -A jobs
start() { local name=$1; shift; ("$@" >"$out/$name" 2>&1) & jobs[$name]=$!; }

front() { cd frontend && npm run --silent lint && npm run --silent types && npm run --silent test; }
python_lint() { .venv/bin/ruff check . && .venv/bin/ruff format --check -q . && .venv/bin/lint-imports --no-cache && .venv/bin/mypy; }
units() { .venv/bin/python -m pytest -q -m "not slow" -n 2 --dist worksteal tests/architecture tests/core tests/units tests/calc tests/reference "$@"; }

start front-end front
start lint python_lint
start unit-tests units "$@"
failed=0
for name in "${!jobs[@]}"; do
  if wait "${jobs[$name]}"; then echo "ok    $name"; else failed=1; echo "FAILS $name"; tail -40 "$out/$name"; fi
done
exit $failed
