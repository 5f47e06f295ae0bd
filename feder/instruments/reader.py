"""One running instrument: a thread that reads its lines, keeps the last readings and says how it is."""

import contextlib
import time
from collections import deque
from collections.abc import Callable
from dataclasses import dataclass, field, replace
from statistics import fmean
from threading import Event, Lock, Thread
from typing import Literal

import serial

from feder.core.numbers.errors import FederError
from feder.instruments.kinds import KNOWN, KindName
from feder.instruments.line import BadLine, Reading
from feder.instruments.port import NoAnswer, opened

Way = Literal["stopped", "connecting", "steady", "moving", "silent", "lost", "unread"]
"""How an instrument is: not started, not yet heard, at rest, moving, quiet, gone, or speaking otherwise."""

SILENT_AFTER = 3.0
AGAIN_AFTER = 1.0
WINDOW = 1.0
"""Seconds of readings that say whether it is steady, and of which a reading is taken."""
FEWEST = 3
ON_THEIR_WAY = 0.4
"""How long a line may be on its way, s."""
KEPT, TRACED, LINES = 400, 90, 40
MOST_IN_A_READ = 400
"""Lines of one read that are looked at, the last ones; a flood is told, not followed. A recording loses none."""
MOST_PAIRS = 400
MOST_RECORDED = 4_000_000


class NotSteady(FederError, ValueError):
    """A reading was to be taken of an instrument that does not rest, or says nothing."""

    code = "not steady"

    def __init__(self, message: str) -> None:
        super().__init__(message, key="instrument")


@dataclass(frozen=True, slots=True)
class Taken:
    """A reading as it was taken: the mean of the steady ones, those themselves, how far apart they lie, in SI."""

    name: str
    value: float
    raw: tuple[float, ...]
    spread: float
    unit: str


@dataclass(slots=True)
class _Held:
    """Readings of one name, with when they came."""

    last: Reading
    at: float
    recent: deque[tuple[float, float, bool | None]] = field(default_factory=lambda: deque(maxlen=KEPT))
    trace: deque[tuple[float, float]] = field(default_factory=lambda: deque(maxlen=TRACED))


@dataclass(frozen=True, slots=True)
class Shown:
    """The last reading of one name: its value in SI, whether it is steady, its age, a trace of those before."""

    name: str
    value: float
    unit: str
    steady: bool
    age: float
    trace: tuple[float, ...]


class Reader:
    """Reads one instrument until it is stopped; a line that breaks off is taken up again where it comes back."""

    def __init__(
        self, kind: KindName, url: str, baud: int, read: Callable[[str], Reading | None], begun: bool = True
    ) -> None:
        self.kind, self.url, self.baud, self._read = kind, url, baud, read
        self._lock, self._end = Lock(), Event()
        self._held: dict[str, _Held] = {}
        self._lines: deque[tuple[str, str]] = deque(maxlen=LINES)
        self._heard: float | None = None
        self._trouble, self._connected, self._unread, self._skipped = "", False, 0, 0
        self._pairs: list[tuple[float, float]] | None = None
        self._recorded: list[tuple[str, float]] | None = None
        self._port: serial.SerialBase | None = None
        self._deaf_until = 0.0
        self._thread = Thread(target=self._run, daemon=True, name=f"instrument {kind}")
        if begun:
            self._thread.start()

    def stop(self) -> None:
        """End the thread and close the port; what was read last stays."""
        self._end.set()
        if self._thread.is_alive():
            self._thread.join(5.0)

    @property
    def running(self) -> bool:
        return self._thread.is_alive() and not self._end.is_set()

    def way(self) -> Way:
        """How it is now."""
        with self._lock:
            if not self.running:
                return "stopped"
            if self._trouble:
                return "lost"
            if not self._connected:
                return "connecting"
            quiet = self._heard is None or time.monotonic() - self._heard > SILENT_AFTER
            if quiet:
                return "unread" if self._unread and not self._held else "silent"
            return "steady" if all(self._steady(n) for n in self._held) else "moving"

    def told(self) -> tuple[str, float | None, int]:
        """Why it is lost, how long it has been quiet in s, and how many lines of a flood were passed over."""
        with self._lock:
            return (
                self._trouble,
                None if self._heard is None else time.monotonic() - self._heard,
                self._skipped,
            )

    def shown(self) -> list[Shown]:
        """The last readings, in the order of the kind."""
        with self._lock:
            now = time.monotonic()
            return [
                Shown(
                    n,
                    h.last.value,
                    h.last.unit,
                    self.running and now - h.at < SILENT_AFTER and self._steady(n),
                    now - h.at,
                    tuple(v for _, v in h.trace),
                )
                for n in KNOWN[self.kind].reads
                if (h := self._held.get(n)) is not None
            ]

    def lines(self) -> list[tuple[str, str]]:
        """The last lines as they came, each with what is wrong with it, or nothing."""
        with self._lock:
            return list(self._lines)

    def say(self, line: str) -> None:
        """A line to the other side: only a stand-in is told where it is held."""
        with contextlib.suppress(serial.SerialException, OSError):
            if self._port is not None:
                self._port.write(f"{line}\n".encode())

    def forget(self) -> None:
        """What was read before holds no more: the instrument is somewhere else now.

        Lines already on their way are of the place before: for a moment none is listened to.
        """
        with self._lock:
            self._held.clear()
            self._deaf_until = time.monotonic() + ON_THEIR_WAY

    def taken(self, name: str) -> Taken:
        """The mean of the steady readings of the last second. Raises `NotSteady`."""
        words = KNOWN[self.kind].words
        with self._lock:
            held, now = self._held.get(name), time.monotonic()
            if held is None or now - held.at > SILENT_AFTER:
                raise NotSteady(f"The {words} say nothing: see that it is on and connected")
            if not self._steady(name):
                raise NotSteady(f"The {words} still move: wait until the reading rests")
            values = self._window(held)
            return Taken(name, fmean(values), tuple(values), max(values) - min(values), held.last.unit)

    def run_begun(self) -> None:
        """Pairs of a bench are collected from now on."""
        with self._lock:
            self._pairs = []

    def run(self) -> list[tuple[float, float]] | None:
        """The pairs of a bench since its run was begun, in SI; nothing where none was."""
        with self._lock:
            return None if self._pairs is None else list(self._pairs)

    def run_ended(self) -> None:
        with self._lock:
            self._pairs = None

    def record(self) -> None:
        """Every reading is kept from now on, for a recording."""
        with self._lock:
            self._recorded = []

    def recording(self) -> int | None:
        """How many readings were kept so far; nothing where none is being made."""
        with self._lock:
            return None if self._recorded is None else len(self._recorded)

    def recorded(self) -> list[tuple[str, float]]:
        """End the recording: names and values in SI in the order in which they came."""
        with self._lock:
            made, self._recorded = self._recorded or [], None
            return made

    def _window(self, held: _Held) -> list[float]:
        """The last readings that belong together: those of a second, none before the last that moved."""
        made: list[float] = []
        for at, value, steady in reversed(held.recent):
            if steady is False or held.at - at > WINDOW:
                break
            made.append(value)
        return made[::-1]

    def _steady(self, name: str) -> bool:
        held = self._held[name]
        if held.last.steady is not None:
            return held.last.steady
        values = self._window(held)
        return len(values) >= FEWEST and max(values) - min(values) <= KNOWN[self.kind].spread

    def _run(self) -> None:
        while not self._end.is_set():
            try:
                port = opened(self.url, self.baud)
            except NoAnswer as error:
                with self._lock:
                    self._trouble, self._connected = error.message, False
                self._end.wait(AGAIN_AFTER)
                continue
            with self._lock:
                self._trouble, self._connected, self._port = "", True, port
            try:
                self._listen(port)
            except (serial.SerialException, OSError, TypeError):
                with self._lock:
                    self._trouble = "The line broke off: plugged in, switched on? It is taken up again by itself"
                    self._connected = False
                    self._held_apart()
                self._end.wait(AGAIN_AFTER)
            finally:
                with self._lock:
                    self._port = None
                with contextlib.suppress(serial.SerialException, OSError):
                    port.close()

    def _held_apart(self) -> None:
        """After a break the readings before it do not count as one with those that follow."""
        for held in self._held.values():
            held.recent.clear()
            held.last = replace(held.last, steady=None)

    def _listen(self, port: serial.SerialBase) -> None:
        rest = b""
        while not self._end.is_set():
            came = port.read(4096)
            if not came:
                continue
            *whole, rest = (rest + came).replace(b"\r", b"\n").split(b"\n")
            if len(rest) > 4096:
                rest = b""
                with self._lock:
                    self._unread += 1
                    self._lines.append(("…", "has no end"))
            lines = [x for x in whole if x.strip()]
            if len(lines) > MOST_IN_A_READ and self._recorded is None:
                with self._lock:
                    self._skipped += len(lines) - MOST_IN_A_READ
                lines = lines[-MOST_IN_A_READ:]
            self._take_in(lines)

    def _take_in(self, lines: list[bytes]) -> None:
        now = time.monotonic()
        with self._lock:
            if now < self._deaf_until:
                return
        for line in lines:
            text = line.decode("utf-8", "replace")[:300]
            try:
                reading = self._read(text)
            except BadLine as error:
                with self._lock:
                    self._unread += 1
                    self._lines.append((text[:120], error.message))
                continue
            with self._lock:
                self._lines.append((text[:120], ""))
                if reading is not None:
                    self._keep(reading, now)

    def _keep(self, reading: Reading, now: float) -> None:
        self._heard = now
        held = self._held.get(reading.name)
        if held is None:
            held = self._held[reading.name] = _Held(reading, now)
        held.last, held.at = reading, now
        held.recent.append((now, reading.value, reading.steady))
        if not held.trace or now - held.trace[-1][0] >= 0.05:
            held.trace.append((now, reading.value))
        if self._recorded is not None and len(self._recorded) < MOST_RECORDED:
            self._recorded.append((reading.name, reading.value))
        both = KNOWN[self.kind].pairs
        if both is None or self._pairs is None or reading.name != both[1] or len(self._pairs) >= MOST_PAIRS:
            return
        at = self._held.get(both[0])
        if at is not None and reading.steady and at.last.steady is not False:
            pair = (at.last.value, reading.value)
            if self._pairs and self._pairs[-1][0] == pair[0]:
                self._pairs[-1] = pair
            else:
                self._pairs.append(pair)
