"""A stand-in as a process: it speaks to whoever connects on this machine, or at a pseudo-terminal."""

import contextlib
import os
import select
import signal
import socket
import sys
import threading
import time
import tty
from collections.abc import Callable
from pathlib import Path
from typing import Protocol

from feder.instruments.kinds import KNOWN, KindName
from feder.instruments.stand_ins.benches import DamperBench, SpringBench
from feder.instruments.stand_ins.gauges import Gauge
from feder.instruments.stand_ins.logger import Logger
from feder.instruments.stand_ins.truth import MADE_UP, truth_from

MOST_CLIENTS = 8


class StandIn(Protocol):
    """An instrument that is not there."""

    @property
    def per_second(self) -> float: ...

    def told(self, line: str) -> None: ...

    def lines(self, now: float) -> list[str]: ...


def stand_in(kind: KindName, file: Path | None, seed: int) -> StandIn:
    """The stand-in of a kind, which measures what the file tells, or the made-up car. Raises `BadFile`."""
    truth = (MADE_UP if file is None else truth_from(file))[kind]
    if kind == "spring_bench":
        return SpringBench(truth, seed)
    if kind == "damper_bench":
        return DamperBench(truth, seed)
    if kind == "logger":
        return Logger(truth, seed)
    return Gauge(kind, truth, seed)


def speak(made: StandIn, send: Callable[[bytes], None], hear: Callable[[], bytes], ends: threading.Event) -> None:
    """Say what there is to say, in its own rhythm, and listen to where it is held, until the line ends."""
    begun, rest = time.monotonic(), b""
    while not ends.is_set():
        rest = (rest + hear())[-400:]
        *whole, rest = rest.split(b"\n")
        for line in whole:
            made.told(line.decode("ascii", "replace").strip())
        said = made.lines(time.monotonic() - begun)
        if said:
            send(("\n".join(said) + "\n").encode("ascii"))
        ends.wait(1.0 / made.per_second)


def serve_tcp(make: Callable[[], StandIn], port: int, ready: Callable[[str], None], ends: threading.Event) -> None:
    """Listen on 127.0.0.1 and speak to each that connects. `ready` is told the address; raises OSError."""
    with socket.create_server(("127.0.0.1", port)) as server:
        server.settimeout(0.2)
        ready(f"socket://127.0.0.1:{server.getsockname()[1]}")
        speaking: list[threading.Thread] = []
        while not ends.is_set():
            try:
                client, _ = server.accept()
            except TimeoutError:
                continue
            speaking = [t for t in speaking if t.is_alive()]
            if len(speaking) >= MOST_CLIENTS:
                client.close()
                continue
            thread = threading.Thread(target=_client, args=(make(), client, ends), daemon=True)
            thread.start()
            speaking.append(thread)


def _client(made: StandIn, client: socket.socket, ends: threading.Event) -> None:
    with client, contextlib.suppress(OSError):
        client.setsockopt(socket.IPPROTO_TCP, socket.TCP_NODELAY, 1)

        def hear() -> bytes:
            if not select.select([client], [], [], 0)[0]:
                return b""
            came = client.recv(400)
            if not came:
                raise ConnectionError("closed")
            return came

        speak(made, client.sendall, hear, ends)


def serve_pty(make: Callable[[], StandIn], ready: Callable[[str], None], ends: threading.Event) -> None:
    """Speak at a pseudo-terminal, as at a serial port; what nobody reads is lost, as it is there."""
    ours, theirs = os.openpty()
    try:
        tty.setraw(theirs)
        os.set_blocking(ours, False)
        ready(os.ttyname(theirs))

        def send(data: bytes) -> None:
            with contextlib.suppress(BlockingIOError):
                os.write(ours, data)

        def hear() -> bytes:
            try:
                return os.read(ours, 400)
            except (BlockingIOError, OSError):
                return b""

        speak(make(), send, hear, ends)
    finally:
        os.close(ours)
        os.close(theirs)


def _until_closed(ends: threading.Event) -> None:
    sys.stdin.read()
    ends.set()


def run(kind: KindName, *, port: int, pty: bool, file: Path | None, seed: int, with_parent: bool = False) -> int:
    """The command `feder instrument`: serve until interrupted, or until standard input closes where `with_parent`.

    Gives the exit code; raises `BadFile`.
    """
    stand_in(kind, file, seed)  # a file that tells nothing is refused before anything listens
    ends = threading.Event()
    for name in (signal.SIGTERM, signal.SIGINT):
        signal.signal(name, lambda *_: ends.set())

    if with_parent:
        threading.Thread(target=_until_closed, args=(ends,), daemon=True).start()

    def ready(at: str) -> None:
        sys.stdout.write(f"{at}\n# a stand-in for {KNOWN[kind].words}; Ctrl-C ends it\n")
        sys.stdout.flush()

    def make() -> StandIn:
        return stand_in(kind, file, seed)

    try:
        if pty:
            serve_pty(make, ready, ends)
        else:
            serve_tcp(make, port, ready, ends)
    except OSError as error:
        sys.stderr.write(f"Port {port} cannot be used ({error.strerror}); --port 0 takes a free one\n")
        return 1
    return 0
