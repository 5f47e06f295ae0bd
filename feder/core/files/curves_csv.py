"""Curves of a damper from a bench's CSV file: a column of velocity and a column of force for each click."""

import re

from feder.core.document.damper import CurveRow
from feder.core.files.table import ReadCell, read_table
from feder.core.numbers.errors import BadFile, Fault, OutOfRange
from feder.core.solvers.damper_curve import curve_of

MOST_ROWS = 100_000
MOST_POINTS = 400
VELOCITY = ("velocity", "speed", "v")
KNOB = re.compile(r"(rebound|bump|compression|high bump|high speed|both|clicks?)\s*(\d+)")
ACTS = {
    "rebound": "rebound",
    "bump": "bump",
    "compression": "bump",
    "high bump": "high_bump",
    "high speed": "high_bump",
    "both": "both",
    "click": "both",
    "clicks": "both",
}


def curves_from_csv(data: str | bytes, read_cell: ReadCell) -> list[CurveRow]:
    """Rows of curves: velocity first, then columns of force named by their clicks ("rebound 4 bump 11").

    A bare velocity is in mm/s, a bare force in N; a head may name another unit. Many readings are thinned.

    Raises:
        BadFile: with all faults; nothing is read in part.
    """
    table = read_table(data, ["velocity", "force"], most=MOST_ROWS, free=True)
    faults: list[Fault] = []
    if not table.columns or table.columns[0] not in VELOCITY:
        raise BadFile([{"place": "line 1", "message": "the first column must be velocity, the others force"}])
    columns = table.columns[1:]
    if not columns:
        raise BadFile([{"place": "line 1", "message": "there is no column of force beside the velocity"}])
    points: dict[str, list[tuple[float, float]]] = {c: [] for c in columns}
    for number, row in table.rows:
        for column in columns:
            if not row[column].strip():
                continue
            try:
                v = table.read(row, table.columns[0], "m/s", "mm/s", read_cell)
                points[column].append((v, table.read(row, column, "N", "N", read_cell)))
            except ValueError as error:
                faults.append({"place": f"line {number}, {column}", "message": str(error)})
    rows = []
    for column in columns:
        try:
            kept = _thinned(sorted(points[column]))
            curve_of(kept)
            clicks = {ACTS[words]: int(click) for words, click in KNOB.findall(column)}
            rows.append(CurveRow.model_validate({"points": kept, **clicks}))
        except OutOfRange as error:
            faults.append({"place": column, "message": error.rule})
    if faults:
        raise BadFile(faults[:50])
    return rows


def _thinned(points: list[tuple[float, float]]) -> list[tuple[float, float]]:
    """At most so many points, the means of neighbours; few are left as they are."""
    if len(points) <= MOST_POINTS:
        return points
    step = -(-len(points) // MOST_POINTS)
    parts = [points[i : i + step] for i in range(0, len(points), step)]
    return [(sum(v for v, _ in p) / len(p), sum(f for _, f in p) / len(p)) for p in parts]
