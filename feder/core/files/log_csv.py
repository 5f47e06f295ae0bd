"""The log as CSV, one row an entry, and back: words only, since a change comes from the setup itself."""

import csv
import io
from collections.abc import Iterable, Sequence

from feder.core.document.base import Place
from feder.core.document.entry import Entry, WheelPressure
from feder.core.files.table import plain, safe
from feder.core.numbers.errors import BadFile

COLUMNS = (
    "number", "at", "odometer km", "changed", "why", "felt", "words", "where", "surface", "weather",
    "air degC", "time s",
)  # fmt: skip


def log_to_csv(rows: Iterable[tuple[int, Entry, str]], places: Sequence[Place]) -> str:
    """Entries with their numbers and what was changed in words, one a row; pressures in bar."""
    out = io.StringIO()
    made = csv.writer(out)
    made.writerow([*COLUMNS, *(f"{p.words} {w} bar" for p in places for w in ("cold", "hot"))])
    for number, e, changed in rows:
        pressures = {p.place: p for p in e.pressures}
        told = [getattr(pressures.get(p), w, None) for p in places for w in ("cold", "hot")]
        made.writerow(
            [
                number, e.at, _written(e.odometer, 1e-3), safe(changed), safe(e.why),
                e.felt or "", safe("; ".join(e.words)), safe(e.where), e.surface or "", safe(e.weather),
                _written(e.air), _written(e.time), *(_written(v, 1e-5) for v in told),
            ]
        )  # fmt: skip
    return out.getvalue()


def _written(value: float | None, by: float = 1.0) -> str:
    return "" if value is None else f"{value * by:.10g}"


def log_from_csv(text: str, places: Sequence[Place], taken: Iterable[str] = ()) -> list[Entry]:
    """Entries of a CSV as `log_to_csv` writes it; columns in any order, unknown ones left alone.

    Raises:
        BadFile: no column "at", or a row that is no entry; nothing is read in part.
    """
    try:
        rows = list(csv.DictReader(io.StringIO(text.lstrip("﻿"), newline="")))
    except csv.Error as error:
        raise BadFile([{"place": "file", "message": f"is no table: {error}"}]) from None
    if not rows or "at" not in rows[0]:
        raise BadFile([{"place": "file", "message": 'has no row, or no column "at" with day and time'}])
    made, used = [], set(taken)
    for line, row in enumerate(rows, 2):
        name = f"csv-{row['at'] or ''}-{line}".lower().replace(":", "").replace("t", "-", 1)[:40]
        try:
            made.append(_entry(row, places, name if name not in used else f"{name[:32]}-{len(used)}"))
        except ValueError as error:
            first = str(error).splitlines()[0]
            raise BadFile([{"place": f"row {line}", "message": f"cannot be read: {first}"}]) from None
        used.add(made[-1].id)
    return made


def _entry(row: dict[str, str | None], places: Sequence[Place], name: str) -> Entry:
    def told(column: str) -> str:
        return plain((row.get(column) or "").strip())

    def number(column: str, by: float = 1.0) -> float | None:
        text = told(column).replace(",", ".")
        return None if not text else float(text) * by

    pressures = tuple(
        WheelPressure(place=p, cold=cold, hot=hot)
        for p in places
        for cold, hot in [(number(f"{p.words} cold bar", 1e5), number(f"{p.words} hot bar", 1e5))]
        if cold is not None or hot is not None
    )
    return Entry.model_validate(
        {
            "id": "".join(c if c.isalnum() else "-" for c in name).strip("-"),
            "at": told("at")[:16].replace(" ", "T"),
            "odometer": number("odometer km", 1000.0),
            "why": told("why"),
            "felt": told("felt") or None,
            "words": tuple(w.strip() for w in told("words").split(";") if w.strip()),
            "where": told("where"),
            "surface": told("surface") or None,
            "weather": told("weather"),
            "air": number("air degC"),
            "time": number("time s"),
            "pressures": pressures,
        }
    )
