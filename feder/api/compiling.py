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
    folder = data / "compiled"
    with contextlib.suppress(OSError):
        folder.mkdir(parents=True, exist_ok=True)
        os.environ.setdefault("NUMBA_CACHE_DIR", str(folder))
    thread = Thread(target=_compile, daemon=True, name="compiling")
    thread.start()
    return thread


def _compile() -> None:
    # a compiler in this process would hold up its answers
    with contextlib.suppress(OSError, subprocess.SubprocessError):
        subprocess.run([sys.executable, "-m", MODULE], check=False, timeout=300, stdin=subprocess.DEVNULL)
    from feder.core.benches.prove.warm import warm

    warm()
