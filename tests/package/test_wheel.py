"""What is handed on: a wheel, installed where nothing of the workshop's own folder is, serves the application."""

import os
import re
import shutil
import socket
import subprocess
import sys
import time
import urllib.error
import urllib.request
import zipfile
from pathlib import Path

import pytest

ROOT = Path(__file__).parents[2]
UV = Path(sys.executable).parent / "uv"
SOURCES = ("feder", "pyproject.toml", "README.md", "LICENSE")


def run(*command: str | Path) -> None:
    done = subprocess.run([str(c) for c in command], capture_output=True, text=True, timeout=300, check=False)
    assert done.returncode == 0, done.stderr


@pytest.fixture(scope="module")
def packed(tmp_path_factory) -> tuple[Path, Path]:
    """Source archive, and the wheel built from it, made of a copy of the sources."""
    copy, out = tmp_path_factory.mktemp("source"), tmp_path_factory.mktemp("packed")
    for name in SOURCES:
        if (ROOT / name).is_dir():
            shutil.copytree(ROOT / name, copy / name, ignore=shutil.ignore_patterns("__pycache__"))
        else:
            shutil.copy(ROOT / name, copy / name)
    run(UV, "build", "--quiet", "--out-dir", out, copy)
    (wheel,), (archive,) = out.glob("*.whl"), out.glob("*.tar.gz")
    return archive, wheel


def test_the_wheel_holds_what_is_served_and_its_licence_but_no_test(packed):
    names = zipfile.ZipFile(packed[1]).namelist()
    for wanted in ("feder/web/index.html", "feder/sheet/templates/", "feder/sheet/fonts/", "/LICENSE"):
        assert any(wanted in name for name in names), wanted
    assert not [name for name in names if "test" in name.lower()]
    meta = zipfile.ZipFile(packed[1]).read(next(n for n in names if n.endswith("METADATA"))).decode()
    assert "License-Expression: MIT" in meta
    assert "# Feder" in meta  # the readme


def test_a_wheel_in_an_empty_environment_serves_the_application(packed, tmp_path):
    venv, python = tmp_path / "venv", tmp_path / "venv" / "bin" / "python"
    run(UV, "venv", "--quiet", "--python", sys.executable, venv)
    run(
        UV, "pip", "sync", "--quiet", "--python", python, "--require-hashes", ROOT / "requirements" / "runtime.txt"
    )
    run(UV, "pip", "install", "--quiet", "--python", python, "--no-deps", packed[1])
    with socket.socket() as free:
        free.bind(("127.0.0.1", 0))
        port = free.getsockname()[1]
    env = {k: v for k, v in os.environ.items() if not k.startswith(("PYTHON", "FEDER_"))}
    env |= {"FEDER_PORT": str(port), "FEDER_DATA": str(tmp_path / "data")}
    with subprocess.Popen(
        [venv / "bin" / "feder", "serve"],
        cwd=tmp_path,
        env=env,
        stdout=subprocess.PIPE,
        stderr=subprocess.STDOUT,
        text=True,
    ) as served:
        try:
            at = f"http://127.0.0.1:{port}"
            page = answer(at + "/", served)
            assert '<div id="app"' in page
            script = re.search(r'src="(/assets/[^"]+\.js)"', page)
            assert script
            assert len(answer(at + script[1], served)) > 10_000
            assert answer(at + "/api/vehicles", served).strip().startswith(("{", "["))
        finally:
            served.terminate()


def answer(url: str, served: subprocess.Popen[str]) -> str:
    """What is served at an address, once it is."""
    for _ in range(600):
        try:
            with urllib.request.urlopen(url, timeout=10) as found:
                return found.read().decode()
        except urllib.error.HTTPError:
            raise
        except OSError:
            assert served.poll() is None, served.stdout.read() if served.stdout else ""
            time.sleep(0.2)
    raise AssertionError(f"nothing answers at {url}")
