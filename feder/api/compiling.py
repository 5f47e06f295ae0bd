"""The simulation compiled behind the server's start, in a process of its own, and kept in the data folder."""

import contextlib
import os
import subprocess
import sys
from pathlib import Path
from threading import Thread

MODULE = "feder.core.benches.prove.warm"


def compile_behind(data: Path) -> Thread:
    """Compile in the background; whoever asks for a run before that is done waits for it, nobody else."""
    with contextlib.suppress(OSError):
        folder = Path(os.environ.setdefault("NUMBA_CACHE_DIR", str(data / "compiled")))
        folder.mkdir(parents=True, exist_ok=True)
    thread = Thread(target=_compile, daemon=True, name="compiling")
    thread.start()
    return thread


def _compile() -> None:
    # a compiler in this process would hold up its answers
    if not _is_compiled():
        null = subprocess.DEVNULL
        with contextlib.suppress(OSError, subprocess.SubprocessError):
            told = [sys.executable, "-m", MODULE]
            subprocess.run(told, check=False, timeout=300, stdin=null, stdout=null, stderr=null)
    from feder.core.benches.prove.warm import warm

    warm()


def _is_compiled() -> bool:
    """Whether what is kept is no older than the equations."""
    written = (Path(__file__).parents[1] / "core" / "benches" / "prove" / "kernel.py").stat().st_mtime
    folder = os.environ.get("NUMBA_CACHE_DIR")
    kept = Path(folder).rglob("kernel.march*.nbi") if folder else ()
    return any(index.stat().st_mtime >= written for index in kept)
