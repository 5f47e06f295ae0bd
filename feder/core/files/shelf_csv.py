"""The shelf's springs as a CSV file, in and out."""

from collections.abc import Iterator

from pydantic import ValidationError

from feder.core.document.document import faults_of
from feder.core.document.setup import SpringPart
from feder.core.files.table import ReadCell, Table, read_table
from feder.core.numbers.errors import BadFile, Fault

COLUMNS = {
    "code": "",
    "rate": "N/m",
    "free_length": "m",
    "inside_diameter": "m",
    "wire_diameter": "m",
    "active_coils": "",
    "solid_length": "m",
    "quoted_drop": "m",
    "added_from": "N",
    "added_to": "N",
    "most_load": "N",
    "note": "",
}
"""Columns of a shelf file and the SI unit of each; a cell may carry its own unit."""
MOST_ROWS = 20_000
TEXT_COLUMNS = ("code", "note")


def springs_from_csv(data: str | bytes, read_cell: ReadCell) -> list[SpringPart]:
    """Springs from a CSV file with a head of column names.

    Raises:
        BadFile: with all faults; nothing is read in part.
    """
    table = read_table(data, [c.replace("_", " ") for c in COLUMNS], needed=("code", "rate"), most=MOST_ROWS)
    parts: list[SpringPart] = []
    faults: list[Fault] = []
    for number, row in table.rows:
        members = _members(table, number, row, read_cell, faults)
        try:
            if members is not None:
                parts.append(SpringPart.model_validate(members))
        except ValidationError as error:
            faults += [
                {"place": f"line {number}, {f['place']}", "message": f["message"]} for f in faults_of(error)
            ]
    if not parts and not faults:
        faults.append({"place": "line 2", "message": "the file holds no parts"})
    if faults:
        raise BadFile(faults)
    return parts


BARE = {"m": "mm", "N/m": "N/mm", "N": "N", "": None}
"""Unit of a number that carries none, and whose column names none."""


def _members(
    table: Table, number: int, row: dict[str, str], read_cell: ReadCell, faults: list[Fault]
) -> dict[str, object] | None:
    """The members of one line; nothing where a cell cannot be read."""
    members: dict[str, object] = {}
    before = len(faults)
    for column, cell in row.items():
        name = column.replace(" ", "_")
        if not cell.strip():
            continue
        try:
            members[name] = (
                cell.strip()
                if name in TEXT_COLUMNS
                else table.read(row, column, COLUMNS[name], BARE[COLUMNS[name]], read_cell)
            )
        except ValueError as error:
            faults.append({"place": f"line {number}, {name}", "message": str(error)})
    if len(faults) > before:
        return None
    if "rate" in members:
        members["rate"] = {"value": members["rate"], "how": "maker"}
    return members


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
