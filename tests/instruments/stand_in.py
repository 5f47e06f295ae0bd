"""Stand-ins of the tests: Feder's own by either way, and devices that say what a test wants."""

import contextlib
import json
import socket
import subprocess
import sys
import threading
import time
from collections.abc import Callable, Iterator


@contextlib.contextmanager
def played(kind: str, *words: str, truth: dict | None = None, folder=None) -> Iterator[str]:
    """A stand-in of Feder's own as a process; gives its address."""
    if truth is not None:
        (folder / "truth.json").write_text(json.dumps(truth))
        words = (*words, "--as", str(folder / "truth.json"))
    command = [sys.executable, "-m", "feder.cli", "instrument", kind, *words]
    with subprocess.Popen(command, stdout=subprocess.PIPE, text=True) as process:
        try:
            yield process.stdout.readline().strip()
        finally:
            process.terminate()


class Device:
    """A device of a test's own: sends what it is given to whoever connects."""

    def __init__(self) -> None:
        self._server = socket.create_server(("127.0.0.1", 0))
        self.url = f"socket://127.0.0.1:{self._server.getsockname()[1]}"
        self.client: socket.socket | None = None
        self._accepted = threading.Event()
        self._all: list[socket.socket] = []
        self._thread = threading.Thread(target=self._accept, daemon=True)
        self._thread.start()

    def _accept(self) -> None:
        with contextlib.suppress(OSError):
            while True:
                self.client, _ = self._server.accept()
                self._all.append(self.client)
                time.sleep(0.2)  # what comes in the moment of opening is dropped, as at a serial port
                self._accepted.set()

    def send(self, data: bytes) -> None:
        assert self._accepted.wait(5)
        self.client.sendall(data)

    def unplug(self) -> None:
        self._accepted.clear()
        self.client.close()

    def close(self) -> None:
        with contextlib.suppress(OSError):
            self._server.shutdown(socket.SHUT_RDWR)  # wakes the thread that waits for somebody to connect
        self._server.close()
        self._thread.join(5)
        for client in self._all:
            client.close()


def until(said: Callable[[], object], seconds: float = 8.0) -> object:
    """What is said once it is true, or what it was last."""
    end = time.monotonic() + seconds
    while not (value := said()) and time.monotonic() < end:
        time.sleep(0.02)
    return value
