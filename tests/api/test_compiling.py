"""The simulation is compiled behind the server's start, into the data folder, and not twice."""

import os

import pytest

from feder.api import compiling


@pytest.fixture
def folder(tmp_path, monkeypatch):
    monkeypatch.delenv("NUMBA_CACHE_DIR")
    return tmp_path


def test_a_first_start_compiles_into_the_data_folder_and_the_next_finds_it(folder):
    compiling.compile_behind(folder).join(timeout=240)
    assert os.environ["NUMBA_CACHE_DIR"] == str(folder / "compiled")
    kept = list((folder / "compiled").rglob("kernel.march*.nbi"))
    assert kept
    written = {k: k.stat().st_mtime_ns for k in kept}
    compiling.compile_behind(folder).join(timeout=240)
    assert {k: k.stat().st_mtime_ns for k in (folder / "compiled").rglob("kernel.march*.nbi")} == written


def test_what_is_older_than_the_equations_is_compiled_again(folder):
    assert not compiling._is_compiled()
    os.environ["NUMBA_CACHE_DIR"] = str(folder)
    old = folder / "kernel.march-1.nbi"
    old.write_bytes(b"")
    assert compiling._is_compiled()
    os.utime(old, (1, 1))
    assert not compiling._is_compiled()
