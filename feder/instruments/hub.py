"""All running instruments of one application, stand-ins included: started, told where they are held, stopped."""

import contextlib
import subprocess
import sys
import tempfile
from pathlib import Path
from threading import RLock, Thread

from feder.core.files.table import ReadCell
from feder.core.numbers.errors import FederError
from feder.instruments.kinds import KNOWN, KindName
from feder.instruments.line import reader_of
from feder.instruments.port import NoAnswer, checked_port
from feder.instruments.reader import NotSteady, Reader

STARTS_WITHIN = 20.0
"""Seconds within which a stand-in says where it is."""


class NotRunning(FederError, ValueError):
    """Something was asked of an instrument that was not started."""

    code = "not running"

    def __init__(self, words: str) -> None:
        super().__init__(f"The {words} are not started: start them under Instruments", key="instrument")


class StandInProcess:
    """A stand-in of Feder's own, in a process that ends with this one."""

    def __init__(self, kind: KindName, truth: str) -> None:
        folder = Path(tempfile.mkdtemp(prefix="feder-stand-in-"))
        self._file = folder / "truth.json"
        self._file.write_text(truth, encoding="utf-8")
        command = [sys.executable, "-m", "feder.cli", "instrument", kind.replace("_", "-"), "--port", "0"]
        self._process = subprocess.Popen(
            [*command, "--as", str(self._file), "--with-parent"],
            stdin=subprocess.PIPE, stdout=subprocess.PIPE, stderr=subprocess.DEVNULL, text=True,
        )  # fmt: skip
        self.url = self._said()

    def _said(self) -> str:
        """The address that it says first."""
        heard: list[str] = []

        def listen() -> None:
            assert self._process.stdout is not None
            heard.append(self._process.stdout.readline().strip())

        thread = Thread(target=listen, daemon=True)
        thread.start()
        thread.join(STARTS_WITHIN)
        if not heard or not heard[0].startswith("socket://"):
            self.end()
            raise NoAnswer("The stand-in did not start; try again")
        return heard[0]

    def end(self) -> None:
        """End the process and forget its file."""
        self._process.terminate()
        for pipe in (self._process.stdin, self._process.stdout):
            if pipe is not None:
                with contextlib.suppress(OSError):
                    pipe.close()
        try:
            self._process.wait(5.0)
        except subprocess.TimeoutExpired:
            self._process.kill()
            self._process.wait()
        self._file.unlink(missing_ok=True)
        with contextlib.suppress(OSError):
            self._file.parent.rmdir()


class Hub:
    """The running instruments, by the number under which each is kept."""

    def __init__(self, read_cell: ReadCell) -> None:
        self._read_cell, self._lock = read_cell, RLock()
        self._running: dict[int, Reader] = {}
        self._stand_ins: dict[int, StandInProcess] = {}

    def start(self, number: int, kind: KindName, url: str, baud: int, pattern: str, truth: str | None) -> Reader:
        """Start an instrument, or a stand-in where `truth` says what it measures; one that runs goes on.

        Raises:
            BadPort, BadPattern: it cannot be reached or read so.
            NoAnswer: a stand-in did not start.
        """
        with self._lock:
            found = self._running.get(number)
            if found is not None and found.running:
                return found
            read = reader_of(kind, pattern, self._read_cell)
            if truth is not None:
                process = self._stand_ins[number] = StandInProcess(kind, truth)
                url = process.url
            made = self._running[number] = Reader(kind, checked_port(url), baud, read)
            return made

    def stop(self, number: int) -> None:
        """Stop an instrument; its last readings stay until it is forgotten."""
        with self._lock:
            found, process = self._running.get(number), self._stand_ins.pop(number, None)
        if found is not None:
            found.stop()
        if process is not None:
            process.end()

    def forget(self, number: int) -> None:
        """Stop an instrument and drop its readings."""
        self.stop(number)
        with self._lock:
            self._running.pop(number, None)

    def of(self, number: int) -> Reader | None:
        """The reader of an instrument, running or stopped; nothing where it was never started."""
        with self._lock:
            return self._running.get(number)

    def running(self, number: int, kind: KindName) -> Reader:
        """The reader of an instrument that runs. Raises `NotRunning`."""
        found = self.of(number)
        if found is None or not found.running:
            raise NotRunning(KNOWN[kind].words)
        return found

    def held_at(self, number: int, at: str) -> None:
        """A stand-in is held somewhere else now; a real instrument is where its user holds it."""
        with self._lock:
            found, process = self._running.get(number), self._stand_ins.get(number)
        if found is not None and process is not None:
            found.say(f"at {at}")
            found.forget()

    def run(self, number: int, kind: KindName) -> None:
        """Begin a run of a bench: pairs are collected, a stand-in presses. Raises `NotSteady`, `NotRunning`."""
        if KNOWN[kind].pairs is None:
            raise NotSteady(f"{KNOWN[kind].words} have no runs")
        found = self.running(number, kind)
        found.run_begun()
        with self._lock:
            if number in self._stand_ins:
                found.say("run")

    def end(self) -> None:
        """Stop everything: no thread and no process is left behind."""
        with self._lock:
            numbers = list(self._running)
        for number in numbers:
            self.forget(number)
