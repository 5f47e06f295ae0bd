#!/usr/bin/env bash
# Set up what is missing or has changed. "app": to run Feder. "tests": also Chromium from Debian.
set -euo pipefail
cd "$(dirname "$0")/.."
what=${1:-app}
stamps=.setup
mkdir -p "$stamps"

say() { printf 'feder: %s\n' "$*"; }
need() { command -v "$1" >/dev/null || { say "$1 is needed: $2"; exit 1; }; }

# fresh NAME SUM: whether the step NAME was last done for this content
fresh() { [ -f "$stamps/$1" ] && [ "$(cat "$stamps/$1")" = "$2" ]; }
sum_of() { cat "$@" | sha256sum | cut -d' ' -f1; }

debian() { # install Debian packages, as root or with sudo; else tell the command
  local as_root=()
  if [ "$(id -u)" != 0 ]; then
    if sudo -n true 2>/dev/null; then as_root=(sudo -n); else say "please run: sudo apt-get install $*"; return 1; fi
  fi
  "${as_root[@]}" apt-get update -qq && "${as_root[@]}" env DEBIAN_FRONTEND=noninteractive \
    apt-get install -y -qq --no-install-recommends "$@" >/dev/null
}

need python3 "Python 3.11 or newer"
need npm "Node.js 20.19 or newer with npm"

# what only tests need is left out of an app's set-up, and stays where it is there
set_of=runtime
if [ "$what" = tests ] || [ "$(cat "$stamps/python-set" 2>/dev/null)" = test ]; then set_of=test; fi
python_sum=$(sum_of "requirements/$set_of.txt" pyproject.toml feder/__init__.py)
if ! fresh python "$python_sum" || [ ! -x .venv/bin/feder ]; then
  say "Python packages (about 20 s)"
  [ -x .venv/bin/python ] || python3 -m venv .venv
  [ -x .venv/bin/uv ] || .venv/bin/python -m pip install --quiet uv
  .venv/bin/uv pip sync --quiet --require-hashes --compile-bytecode "requirements/$set_of.txt"
  .venv/bin/uv pip install --quiet --no-deps --editable .
  echo "$python_sum" >"$stamps/python"
  echo "$set_of" >"$stamps/python-set"
fi

export NUMBA_CACHE_DIR=${NUMBA_CACHE_DIR:-$PWD/$stamps/compiled}
kernel_sum=$(sum_of feder/core/benches/prove/kernel.py "requirements/$set_of.txt")
if ! fresh kernel "$kernel_sum"; then
  say "compiling the simulation (about 15 s)"
  mkdir -p "$NUMBA_CACHE_DIR"
  .venv/bin/python -m feder.core.benches.prove.warm
  echo "$kernel_sum" >"$stamps/kernel"
fi

.venv/bin/python -m compileall -q feder # so that every start is quick, whatever the environment says of bytecode

node_sum=$(sum_of frontend/package.json frontend/package-lock.json)
if ! fresh node "$node_sum" || [ ! -d frontend/node_modules ]; then
  say "front-end packages (about 30 s)"
  (cd frontend && npm ci --silent --no-progress)
  echo "$node_sum" >"$stamps/node"
fi

source_sum=$(find frontend/src frontend/public frontend/index.html frontend/vite.config.ts frontend/package-lock.json -type f 2>/dev/null | LC_ALL=C sort | xargs sha256sum | sha256sum | cut -d' ' -f1)
if ! fresh build "$source_sum" || [ ! -f feder/web/index.html ]; then
  say "building the front end (about 5 s)"
  (cd frontend && npm run --silent build -- --logLevel warn)
  echo "$source_sum" >"$stamps/build"
fi

if ! fresh pango yes; then
  if ldconfig -p 2>/dev/null | grep -q libpangoft2-1.0; then
    echo yes >"$stamps/pango"
  else
    say "Pango for PDF files, from Debian"
    if debian libpango-1.0-0 libpangoft2-1.0-0; then echo yes >"$stamps/pango"; else say "without it the PDF button says so; printing from the browser works"; fi
  fi
fi

if [ "$what" = tests ] && ! command -v chromium >/dev/null; then
  say "Chromium from Debian, for the browser tests"
  debian chromium
fi
