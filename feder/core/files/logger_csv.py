"""A let-go from any logger's CSV file: a column of time and one of height or acceleration, chosen by the user."""

from collections.abc import Sequence
from dataclasses import dataclass
from math import isfinite

from feder.core.document.bounce import MOST_READINGS, Kind, LetGo
from feder.core.files.table import DECIMAL_COMMA, ReadCell, Table, read_table
from feder.core.numbers.errors import BadFile, Fault

MOST_ROWS = 200_000
SHOWN = 5
"""Lines of a preview."""
BEFORE, AFTER = 2.5, 4.5
"""Of a long file so much is kept before and after the let-go, s."""
SLOWEST = 0.2
"""Longest step between readings that tells a swing, s."""
SI: dict[Kind, tuple[str, str]] = {"height": ("m", "mm"), "acceleration": ("m/s^2", "m/s^2")}
"""Unit of a reading, and the one of a bare number."""
FREE_FALL = 9.80665
MOST_FAULTS = 20


@dataclass(frozen=True, slots=True)
class LoggerFile:
    """What a file holds, which columns are read, and the let-go in it or why there is none."""

    columns: tuple[str, ...]
    units: dict[str, str]
    lines: int
    sample: tuple[tuple[str, ...], ...]
    time: str
    reading: str
    kind: Kind
    run: LetGo | None
    trouble: str


def logger_file(
    data: str | bytes,
    read_cell: ReadCell,
    *,
    name: str = "",
    time: str = "",
    reading: str = "",
    kind: Kind | None = None,
) -> LoggerFile:
    """A logger's file as it is understood; what was not chosen is guessed from the head.

    A bare time is in s, a bare height in mm, a bare acceleration in m/s²; a head may name another unit.

    Raises:
        BadFile: it is no table of columns.
    """
    table = read_table(data, ["time", "height"], most=MOST_ROWS, free=True)
    if len(table.columns) < 2 or not table.rows:
        words = "needs a head and two columns: time, and height or acceleration"
        raise BadFile([{"place": "line 1", "message": words}])
    time = time if time in table.columns else _guess(table.columns, ("time", "t", "seconds", "sec"), 0)
    others = tuple(c for c in table.columns if c != time)
    reading = (
        reading if reading in others else _guess(others, ("floor to arch", "height", "arch", "pos", "acc", "a"), 0)
    )
    if kind is None:
        kind = "acceleration" if reading.startswith(("acc", "a ", "az")) or reading == "a" else "height"
    run, trouble = None, ""
    try:
        run = _run(table, time, reading, kind, read_cell, name)
    except BadFile as bad:
        trouble = "; ".join(f"{f['place']}: {f['message']}" for f in bad.faults[:3])
    return LoggerFile(
        columns=table.columns,
        units=table.units,
        lines=len(table.rows),
        sample=tuple(tuple(row[c] for c in table.columns) for _, row in table.rows[:SHOWN]),
        time=time,
        reading=reading,
        kind=kind,
        run=run,
        trouble=trouble,
    )


def _guess(columns: tuple[str, ...], words: tuple[str, ...], otherwise: int) -> str:
    for word in words:
        for column in columns:
            if column == word or (len(word) > 2 and word in column):
                return column
    return columns[otherwise]


def _run(table: Table, time: str, reading: str, kind: Kind, read_cell: ReadCell, name: str) -> LetGo:
    times = _column(table, time, "s", "s", read_cell)
    values = _column(table, reading, *SI[kind], read_cell)
    for (line, _), a, b in zip(table.rows[1:], times, times[1:], strict=False):
        if b <= a:
            raise BadFile([{"place": f"line {line}", "message": f"{time} must rise from line to line"}])
    step = (times[-1] - times[0]) / (len(times) - 1) if len(times) > 1 else 0.0
    if len(times) < 8 or step > SLOWEST:
        words = "8 readings or more are needed, 5 a second at least"
        if step > SLOWEST:
            words = (
                f"{step:g} s lie between readings, too far to see a swing; if {time} is in ms, say so in its head"
            )
        raise BadFile([{"place": time, "message": words}])
    return let_go_of(times, values, name)


def let_go_of(times: Sequence[float], values: Sequence[float], name: str = "") -> LetGo:
    """Of a recording the let-go in it, with no more readings than one keeps."""
    pairs = _thinned(_about_the_let_go(list(zip(times, values, strict=True))))
    return LetGo(
        name=(name or "let-go")[:60], times=tuple(t for t, _ in pairs), readings=tuple(v for _, v in pairs)
    )


def _factor(table: Table, column: str, si: str, bare: str, read_cell: ReadCell) -> float:
    """What makes a column's numbers SI."""
    unit = table.units.get(column, bare)
    # of a mass g is the gram, of an acceleration that of free fall
    if si == "m/s^2" and unit.lower() == "g":
        return FREE_FALL
    try:
        return read_cell(f"1 {unit}", si, None)
    except ValueError as error:
        raise BadFile([{"place": f"line 1, {column}", "message": str(error)}]) from None


def _column(table: Table, column: str, si: str, bare: str, read_cell: ReadCell) -> list[float]:
    """A column in SI: its unit is read once, its cells are numbers."""
    factor = _factor(table, column, si, bare, read_cell)
    made: list[float] = []
    faults: list[Fault] = []
    for line, row in table.rows:
        text = row[column].strip()
        if table.comma and DECIMAL_COMMA.match(text):
            text = text.replace(",", ".", 1)
        try:
            value = float(text)
            if not isfinite(value):
                raise ValueError
            made.append(value * factor)
        except ValueError:
            faults.append({"place": f"line {line}, {column}", "message": f"'{text[:30]}' is no number"})
            if len(faults) >= MOST_FAULTS:
                break
    if faults:
        raise BadFile(faults)
    return made


def _about_the_let_go(pairs: list[tuple[float, float]]) -> list[tuple[float, float]]:
    """Of a long recording the part about its largest excursion from the mean."""
    if pairs[-1][0] - pairs[0][0] <= BEFORE + AFTER:
        return pairs
    mean = sum(v for _, v in pairs) / len(pairs)
    top = max(pairs, key=lambda pair: abs(pair[1] - mean))[0]
    return [p for p in pairs if top - BEFORE <= p[0] <= top + AFTER]


def _thinned(pairs: list[tuple[float, float]]) -> list[tuple[float, float]]:
    """At most so many readings, the means of neighbours."""
    if len(pairs) <= MOST_READINGS:
        return pairs
    every = -(-len(pairs) // MOST_READINGS)
    parts = [pairs[i : i + every] for i in range(0, len(pairs), every)]
    return [(sum(t for t, _ in p) / len(p), sum(v for _, v in p) / len(p)) for p in parts]
