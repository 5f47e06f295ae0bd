"""Parts on the workshop's shelf: springs as offered for a place, and reading them from CSV."""

import csv
import io
from collections.abc import Callable, Iterator

from pydantic import ValidationError

from feder.core.document.base import RateValue
from feder.core.document.document import faults_of
from feder.core.document.setup import SpringPart
from feder.core.formulas.coil import closed_end_coils, coil_spring_rate, solid_length_of
from feder.core.numbers.quantities import SPRING_STEEL_SHEAR_MODULUS

COLUMNS = {
    "code": "",
    "rate": "N/m",
    "free_length": "m",
    "inside_diameter": "m",
    "wire_diameter": "m",
    "active_coils": "",
    "solid_length": "m",
    "note": "",
}
"""Columns of a shelf file and the SI unit of each; a cell may carry its own unit."""
MOST_ROWS = 20_000
TEXT_COLUMNS = ("code", "note")

ReadCell = Callable[[str, str], float]


class BadShelfFile(ValueError):
    """A parts file that is refused whole: every fault with its line and column."""

    def __init__(self, faults: list[dict[str, str]]) -> None:
        super().__init__(f"{faults[0]['place']}: {faults[0]['message']}")
        self.faults = faults


def spring_from_wire(
    code: str, inside_diameter: float, wire_diameter: float, active_coils: float, free_length: float
) -> SpringPart:
    """A spring whose rate and solid length follow from its wire (closed and ground ends)."""
    mean = inside_diameter + wire_diameter
    rate = coil_spring_rate(wire_diameter, mean, active_coils, SPRING_STEEL_SHEAR_MODULUS)
    return SpringPart(
        code=code,
        rate=RateValue(value=float(rate), how="wire"),
        free_length=free_length,
        inside_diameter=inside_diameter,
        wire_diameter=wire_diameter,
        active_coils=active_coils,
        solid_length=float(solid_length_of(wire_diameter, closed_end_coils(active_coils))),
    )


def springs_from_csv(text: str, read_cell: ReadCell) -> list[SpringPart]:
    """Springs from a CSV file with a header row; `read_cell(text, si_unit)` reads a quantity.

    Comma, semicolon and tab are understood. Raises `BadShelfFile` with all faults; nothing is read in part.
    """
    first = text.lstrip("\ufeff").split("\n", 1)[0]
    delimiter = max(",;\t", key=first.count)
    rows = csv.reader(io.StringIO(text.lstrip("\ufeff")), delimiter=delimiter)
    header = [name.strip().lower().replace(" ", "_") for name in next(rows, [])]
    unknown = [name for name in header if name not in COLUMNS]
    missing = [name for name in ("code", "rate") if name not in header]
    if unknown or missing:
        words = f"unknown column {unknown[0]!r}" if unknown else f"column {missing[0]!r} is missing"
        raise BadShelfFile([{"place": "line 1", "message": f"{words}; known are {', '.join(COLUMNS)}"}])
    parts: list[SpringPart] = []
    faults: list[dict[str, str]] = []
    for number, row in enumerate(rows, start=2):
        if number > MOST_ROWS:
            raise BadShelfFile(
                [{"place": f"line {number}", "message": f"more than {MOST_ROWS} parts in one file"}]
            )
        if any(cell.strip() for cell in row):
            _read_row(number, dict(zip(header, row, strict=False)), read_cell, parts, faults)
    if not parts and not faults:
        faults.append({"place": "line 2", "message": "the file holds no parts"})
    if faults:
        raise BadShelfFile(faults)
    return parts


def _read_row(
    number: int, row: dict[str, str], read_cell: ReadCell, parts: list[SpringPart], faults: list[dict[str, str]]
) -> None:
    members: dict[str, object] = {}
    before = len(faults)
    for name, cell in row.items():
        if not cell.strip():
            continue
        try:
            members[name] = cell.strip() if name in TEXT_COLUMNS else read_cell(cell, COLUMNS[name])
        except ValueError as error:
            faults.append({"place": f"line {number}, {name}", "message": str(error)})
    if len(faults) > before:
        return
    if "rate" in members:
        members["rate"] = {"value": members["rate"], "how": "maker"}
    try:
        parts.append(SpringPart.model_validate(members))
    except ValidationError as error:
        faults += [{"place": f"line {number}, {f['place']}", "message": f["message"]} for f in faults_of(error)]


def csv_rows(parts: list[SpringPart]) -> Iterator[list[str]]:
    """The shelf as rows of a CSV file in SI with units in every cell, header first."""
    yield list(COLUMNS)
    for part in parts:
        row = []
        for name, unit in COLUMNS.items():
            value = part.rate.value if name == "rate" else getattr(part, name)
            row.append(
                "" if value is None else str(value) if name in TEXT_COLUMNS else f"{value:.6g} {unit}".strip()
            )
        yield row
