"""An alignment read-out as CSV: one row a wheel, columns by name, units behind the name or in the cell."""

import csv
import io
from collections.abc import Sequence
from math import radians

from feder.core.document.base import Place
from feder.core.document.survey import WheelRound
from feder.core.numbers.errors import BadFile

QUANTITIES = ("toe", "camber", "caster")
LENGTHS = {"mm": 1e-3, "in": 25.4e-3, "m": 1.0}
ANGLES = {"deg": radians(1.0), "°": radians(1.0), "min": radians(1 / 60), "'": radians(1 / 60), "rad": 1.0}


def alignment_from_csv(text: str) -> list[WheelRound]:
    """The wheels of a read-out. Columns `wheel`, `toe mm` or `toe deg`, `camber deg`, `caster deg`.

    A cell of degrees may be told as degrees and minutes, "1 30" or "-0:12"; sign before the degrees.

    Raises:
        BadFile: no column "wheel", a wheel twice or unknown, a unit or number that cannot be read.
    """
    lines = text.lstrip("﻿").splitlines()
    mark = ";" if lines and lines[0].count(";") > lines[0].count(",") else ","
    rows = list(csv.DictReader(io.StringIO("\n".join(lines)), delimiter=mark))
    names = {n.strip().lower(): n for n in (rows[0] if rows else {}) if n}
    if "wheel" not in names:
        raise BadFile([{"place": "file", "message": 'has no row, or no column "wheel"'}])
    columns = {n: _column(n) for n in names if n.split()[0] in QUANTITIES}
    made: list[WheelRound] = []
    for line, row in enumerate(rows, 2):
        told: dict[str, float | Place] = {"place": _place(row[names["wheel"]] or "", line)}
        for name, (member, by) in columns.items():
            cell = (row[names[name]] or "").strip()
            if cell:
                told[member] = _number(cell, line, name) * by
        try:
            made.append(WheelRound.model_validate(told))
        except ValueError as error:
            raise BadFile([{"place": f"row {line}", "message": str(error).splitlines()[0]}]) from None
    if len({w.place for w in made}) != len(made):
        raise BadFile([{"place": "file", "message": "tells a wheel twice"}])
    return made


def alignment_rows(wheels: Sequence[WheelRound]) -> list[list[str]]:
    """A read-out as rows of a CSV, its heading first, such as are read again."""
    made = [["wheel", "toe mm", "toe deg", "camber deg", "caster deg"]]
    for told in wheels:
        cells = (told.toe, told.toe_angle, told.camber, told.caster)
        units = (LENGTHS["mm"], ANGLES["deg"], ANGLES["deg"], ANGLES["deg"])
        if any(v is not None for v in cells):
            numbers = ["" if v is None else f"{v / by:.6g}" for v, by in zip(cells, units, strict=True)]
            made.append([told.place.words, *numbers])
    return made


def _column(name: str) -> tuple[str, float]:
    """What a column holds, and its unit in SI."""
    quantity, _, unit = name.partition(" ")
    unit = unit.strip(" ()[]") or ("mm" if quantity == "toe" else "deg")
    if quantity == "toe" and unit in LENGTHS:
        return "toe", LENGTHS[unit]
    if unit in ANGLES:
        return "toe_angle" if quantity == "toe" else quantity, ANGLES[unit]
    raise BadFile([{"place": f"column {name}", "message": f"has the unit {unit}, which is none of its own"}])


def _place(text: str, line: int) -> Place:
    told = text.strip().lower().replace(" ", "_").replace("-", "_")
    short = {"fl": "front_left", "fr": "front_right", "rl": "rear_left", "rr": "rear_right"}
    try:
        return Place(short.get(told, told))
    except ValueError:
        raise BadFile([{"place": f"row {line}", "message": f"names a wheel that there is not: {text}"}]) from None


def _number(cell: str, line: int, name: str) -> float:
    """A number; of degrees also with minutes behind a space or a colon."""
    text = cell.replace(",", ".").replace("−", "-").replace(":", " ")
    parts = text.split()
    try:
        first = float(parts[0])
        if len(parts) == 1:
            return first
        if len(parts) == 2 and 0 <= float(parts[1]) < 60:
            return (-1.0 if parts[0].startswith("-") else 1.0) * (abs(first) + float(parts[1]) / 60)
    except (ValueError, IndexError):
        pass
    raise BadFile([{"place": f"row {line}, {name}", "message": f"cannot be read as a number: {cell}"}])
