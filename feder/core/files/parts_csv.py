"""Parts of a shelf as a CSV file, whatever their kind: columns with units, read whole or not at all."""

from collections.abc import Callable, Iterator, Mapping
from dataclasses import dataclass
from typing import Any, Generic, TypeVar

from pydantic import ValidationError

from feder.core.document.document import faults_of
from feder.core.files.table import ReadCell, Table, read_table
from feder.core.numbers.errors import BadFile, Fault

MOST_ROWS = 20_000
BARE = {"m": "mm", "N/m": "N/mm", "N": "N", "Pa": "bar", "N*s/m": "N*s/m", "m/s": "m/s", "": None}
"""Unit of a number that carries none, and whose column names none."""
Part = TypeVar("Part")


@dataclass(frozen=True)
class Columns(Generic[Part]):
    """The columns of a kind of part: the SI unit of each (nothing for text), and the ways in and out of one."""

    units: Mapping[str, str | None]
    needed: tuple[str, ...]
    part_of: Callable[[dict[str, Any]], Part]
    """A part of the members that a line tells. Raises `ValueError`, with its place where the model refuses it."""
    members_of: Callable[[Part], Mapping[str, Any]]
    """What a part has in each column."""

    def read(self, data: str | bytes, read_cell: ReadCell) -> list[Part]:
        """Parts from a CSV file with a head of column names.

        Raises:
            BadFile: with all faults; nothing is read in part.
        """
        table = read_table(data, [c.replace("_", " ") for c in self.units], needed=self.needed, most=MOST_ROWS)
        parts: list[Part] = []
        faults: list[Fault] = []
        for number, row in table.rows:
            members = self._members(table, number, row, read_cell, faults)
            try:
                if members is not None:
                    parts.append(self.part_of(members))
            except ValidationError as error:
                faults += [
                    {"place": f"line {number}, {f['place']}", "message": f["message"]} for f in faults_of(error)
                ]
            except ValueError as error:
                faults.append({"place": f"line {number}", "message": str(error)})
        if not parts and not faults:
            faults.append({"place": "line 2", "message": "the file holds no parts"})
        if faults:
            raise BadFile(faults)
        return parts

    def _members(
        self, table: Table, number: int, row: dict[str, str], read_cell: ReadCell, faults: list[Fault]
    ) -> dict[str, Any] | None:
        """The members of one line; nothing where a cell cannot be read."""
        members: dict[str, Any] = {}
        before = len(faults)
        for column, cell in row.items():
            name = column.replace(" ", "_")
            if not cell.strip():
                continue
            unit = self.units[name]
            try:
                members[name] = (
                    cell.strip() if unit is None else table.read(row, column, unit, BARE[unit], read_cell)
                )
            except ValueError as error:
                faults.append({"place": f"line {number}, {name}", "message": str(error)})
        return members if len(faults) == before else None

    def rows(self, parts: list[Part]) -> Iterator[list[str]]:
        """The shelf as rows of a CSV file in SI with units in every cell, header first."""
        yield list(self.units)
        for part in parts:
            told = self.members_of(part)
            yield [_cell(told.get(name), unit) for name, unit in self.units.items()]


def _cell(value: Any, unit: str | None) -> str:
    if value is None:
        return ""
    return str(value) if unit is None else f"{value:.6g} {unit}".strip()
