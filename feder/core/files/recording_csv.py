"""Recordings of wheel travel from any logger's CSV: columns chosen by the user, read in pieces, however long."""

import io
import re
from collections.abc import Callable, Iterator
from dataclasses import dataclass
from itertools import islice
from typing import IO

import numpy as np
from numpy.typing import NDArray

from feder.core.document.base import PLACES, WHEELS, Place
from feder.core.files.table import ReadCell
from feder.core.numbers.errors import BadFile

Array = NDArray[np.float64]
PIECE = 200_000
"""Lines read at a time."""
MOST_ROWS = 10_000_000
HEAD_BYTES, SHOWN = 65_536, 5
MOST_COLUMNS = 64
LONGEST = 2.0
"""Travel beyond which no wheel goes, m: a sensor's fault or another unit."""
FINEST, SLOWEST = 1e-5, 0.1
"""Shortest and longest step between readings, s."""
WORDS: dict[Place, tuple[str, ...]] = {
    Place.FRONT_LEFT: ("front left", "fl", "lf", "vl"),
    Place.FRONT_RIGHT: ("front right", "fr", "rf", "vr"),
    Place.REAR_LEFT: ("rear left", "rl", "lr", "hl"),
    Place.REAR_RIGHT: ("rear right", "rr", "hr"),
    Place.FRONT: ("front", "fork", "f"),
    Place.REAR: ("rear", "shock", "r"),
}


@dataclass(frozen=True, slots=True)
class RecordingHead:
    """The head of a file: its columns with their units, first lines, and which are guessed to be read."""

    columns: tuple[str, ...]
    units: tuple[str, ...]
    sample: tuple[tuple[str, ...], ...]
    time: int | None
    places: dict[Place, int]


@dataclass(frozen=True, slots=True)
class Chosen:
    """Which columns are read and what they mean; `rate` in Hz where no column tells the time."""

    places: dict[Place, int]
    time: int | None = None
    rate: float | None = None
    unit: str = "mm"
    time_unit: str = "s"
    bump_positive: bool = True


@dataclass(frozen=True, slots=True)
class Recorded:
    """A recording in SI: travel of each place in even steps, bump positive, as the sensors counted it."""

    places: tuple[Place, ...]
    step: float
    travel: Array
    gaps: int
    """Breaks in time; what lies beside each is not one with the other."""


def recording_head(data: bytes, *, two_wheels: bool) -> RecordingHead:
    """The head of a file as it is understood.

    Raises:
        BadFile: it has no head, or no two lines of numbers.
    """
    text = data[:HEAD_BYTES].decode("utf-8", "replace").lstrip("\ufeff")
    lines = [x for x in text.splitlines() if x.strip() and not x.startswith("#")]
    if len(lines) < 3:
        raise BadFile([{"place": "line 1", "message": "needs a head and lines of numbers under it"}])
    parts = _split(lines[0], _delimiter(lines[0]))
    if len(parts) > MOST_COLUMNS:
        raise BadFile([{"place": "line 1", "message": f"has more than {MOST_COLUMNS} columns"}])
    names, units = zip(*(_unit(p) for p in parts), strict=True)
    sample = tuple(tuple(_split(x, _delimiter(lines[0]))) for x in lines[1 : 1 + SHOWN])
    time = next((i for i, n in enumerate(names) if n in ("time", "t", "zeit", "seconds", "s")), None)
    return RecordingHead(names, units, sample, time, _guessed(names, two_wheels=two_wheels))


def _guessed(names: tuple[str, ...], *, two_wheels: bool) -> dict[Place, int]:
    found: dict[Place, int] = {}
    for place in WHEELS if two_wheels else PLACES:
        for i, name in enumerate(names):
            words = re.split(r"[^a-z]+", name)
            if i not in found.values() and (any(w in words for w in WORDS[place]) or WORDS[place][0] in name):
                found[place] = i
                break
    return found


def read_recording(
    file: IO[bytes],
    chosen: Chosen,
    read_cell: ReadCell,
    heard: Callable[[int], bool] = lambda rows: True,
) -> Recorded:
    """A file read to its end; `heard` is told the lines so far and says whether to go on.

    Times that are uneven are put on even steps, linearly between readings.

    Raises:
        BadFile: a cell that is no number, a time that does not rise, a travel that no wheel has, too many lines,
            or nothing to read; the line is named.
        Stopped: `heard` said to stop.
    """
    text = io.TextIOWrapper(file, encoding="utf-8", errors="replace", newline=None)
    try:
        return _read(text, chosen, read_cell, heard)
    finally:
        text.detach()


class Stopped(Exception):
    """Reading was stopped by whoever asked for it."""


def _read(text: io.TextIOWrapper, chosen: Chosen, read_cell: ReadCell, heard: Callable[[int], bool]) -> Recorded:
    if not chosen.places:
        raise BadFile([{"place": "columns", "message": "choose the column of one wheel at least"}])
    if chosen.time is None and not chosen.rate:
        raise BadFile([{"place": "rate", "message": "needs a column of time, or the readings in a second"}])
    scale = _factor(chosen.unit, "m", read_cell) * (1 if chosen.bump_positive else -1)
    line_no = 1
    head = text.readline()
    while head and (not head.strip() or head.startswith("#")):
        head, line_no = text.readline(), line_no + 1
    delimiter = _delimiter(head)
    columns = ([] if chosen.time is None else [chosen.time]) + list(chosen.places.values())
    pieces: list[Array] = []
    for piece, first in _pieces(text, delimiter, columns, line_no + 1):
        pieces.append(piece.astype(np.float32 if chosen.time is None else np.float64, copy=False))
        if first + len(piece) - line_no - 1 > MOST_ROWS:
            raise BadFile([{"place": "file", "message": f"has more than {MOST_ROWS // 10**6} million lines"}])
        if not heard(first + len(piece) - line_no - 1):
            raise Stopped
    if not pieces or sum(map(len, pieces)) < 3:
        raise BadFile([{"place": "file", "message": "has no lines of numbers"}])
    told = np.concatenate(pieces)
    del pieces
    travel = told[:, 0 if chosen.time is None else 1 :].T * scale
    if (
        not np.isfinite(travel).all()
        or np.abs(travel - np.median(travel[:, :1000], axis=1)[:, None]).max() > LONGEST
    ):
        raise BadFile([{"place": "unit", "message": f"in {chosen.unit} a wheel would travel more than 2 m"}])
    places = tuple(chosen.places)
    if chosen.time is None:
        return Recorded(places, _checked_step(1.0 / float(chosen.rate or 1.0)), travel, 0)
    times = told[:, 0] * _factor(chosen.time_unit, "s", read_cell)
    return Recorded(places, *_even(times, travel, line_no + 1))


def _even(times: Array, travel: Array, first: int) -> tuple[float, Array, int]:
    """Even steps, the readings on them, and how many breaks there are."""
    steps = np.diff(times)
    if (steps <= 0).any():
        line = first + 1 + int(np.argmax(steps <= 0))
        raise BadFile([{"place": f"line {line}", "message": "the time must rise from line to line"}])
    step = _checked_step(float(np.median(steps)))
    gaps = int((steps > 10 * step).sum())
    if np.abs(steps - step).max() < 0.02 * step:
        return float((times[-1] - times[0]) / (len(times) - 1)), travel, 0
    count = int((times[-1] - times[0]) / step) + 1
    if count > 2 * MOST_ROWS:
        raise BadFile(
            [{"place": "time", "message": "has breaks longer than what was recorded; cut the file there"}]
        )
    even = times[0] + step * np.arange(count)
    return step, np.array([np.interp(even, times, row) for row in travel]), gaps


def _checked_step(step: float) -> float:
    if not FINEST <= step <= SLOWEST:
        words = f"{1 / step:g} readings a second: from 10 to 100,000 can be read; is the time in another unit?"
        raise BadFile([{"place": "time", "message": words}])
    return step


def _pieces(text: io.TextIOWrapper, delimiter: str, columns: list[int], line: int) -> Iterator[tuple[Array, int]]:
    """Lines as numbers, so many at a time, with the line of the first."""
    comma = delimiter != ","
    while lines := list(islice(text, PIECE)):
        try:
            yield _numbers(lines, delimiter, columns, comma=comma), line
        except ValueError:
            raise _fault(lines, delimiter, columns, line, comma=comma) from None
        line += len(lines)


def _numbers(lines: list[str], delimiter: str, columns: list[int], *, comma: bool) -> Array:
    if comma and any("," in x for x in lines[:50]):
        lines = [x.replace(",", ".") for x in lines]
    if not any(x.strip() for x in lines):
        return np.empty((0, len(columns)))
    return np.loadtxt(lines, delimiter=delimiter, usecols=columns, ndmin=2, comments="#")


def _fault(lines: list[str], delimiter: str, columns: list[int], line: int, *, comma: bool) -> BadFile:
    """Which line and column is at fault: they are looked through one at a time, as numpy counts them otherwise."""
    for k, text in enumerate(lines):
        if not text.strip() or text.startswith("#"):
            continue
        cells = _split(text, delimiter)
        for column in columns:
            cell = cells[column] if column < len(cells) else ""
            try:
                float(cell.replace(",", ".") if comma else cell)
            except ValueError:
                words = f"'{cell[:30]}' is no number" if cell else "is missing"
                return BadFile([{"place": f"line {line + k}, column {column + 1}", "message": words}])
    return BadFile([{"place": f"line {line}", "message": "cannot be read as numbers"}])


def _factor(unit: str, si: str, read_cell: ReadCell) -> float:
    try:
        return read_cell(f"1 {unit}", si, None)
    except ValueError as error:
        raise BadFile([{"place": "unit", "message": f"{unit}: {error}"}]) from None


def _delimiter(head: str) -> str:
    return next((d for d in ("\t", ";") if d in head), ",")


def _split(line: str, delimiter: str) -> list[str]:
    return [c.strip().strip('"') for c in line.rstrip("\r\n").split(delimiter)]


def _unit(cell: str) -> tuple[str, str]:
    """Name and unit of a column's head: `front left (mm)`, `time [s]`."""
    found = re.fullmatch(r"(.*?)\s*[\[(]([^\])]{0,12})[\])]\s*", cell)
    name, unit = (found[1], found[2]) if found else (cell, "")
    return name.strip().lower()[:60], unit.strip()


def from_lines(readings: list[tuple[str, float]]) -> Recorded:
    """A recording off a logger's lines: each set of readings follows its time; a set that broke off is left out.

    Raises:
        BadFile: there are too few sets, or they have no time.
    """
    sets: list[dict[str, float]] = []
    for name, value in readings:
        if name == "time":
            sets.append({})
        if sets:
            sets[-1][name] = value
    places = [p for p in Place if any(p.value in s for s in sets[:3])]
    whole = [s for s in sets if all(p.value in s for p in places)]
    if len(whole) < 30 or not places:
        raise BadFile(
            [{"place": "recording", "message": "is too short: 30 sets of readings with their time at least"}]
        )
    times = np.array([s["time"] for s in whole])
    travel = np.array([[s[p.value] for s in whole] for p in places])
    return Recorded(tuple(places), *_even(times, travel, 1))
