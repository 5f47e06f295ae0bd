"""The shelf's springs as a CSV file, in and out."""

from collections.abc import Iterator
from typing import Any

from feder.core.document.setup import SpringPart
from feder.core.files.parts_csv import Columns
from feder.core.files.table import ReadCell


def _spring(members: dict[str, Any]) -> SpringPart:
    return SpringPart.model_validate(members | {"rate": {"value": members.get("rate"), "how": "maker"}})


def _told(part: SpringPart) -> dict[str, Any]:
    return dict(part) | {"rate": part.rate.value}


SPRINGS = Columns(
    {
        "code": None,
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
        "note": None,
    },
    ("code", "rate"),
    _spring,
    _told,
)


def springs_from_csv(data: str | bytes, read_cell: ReadCell) -> list[SpringPart]:
    """Springs from a CSV file. Raises `BadFile`."""
    return SPRINGS.read(data, read_cell)


def csv_rows(parts: list[SpringPart]) -> Iterator[list[str]]:
    """Springs as rows of a CSV file."""
    return SPRINGS.rows(parts)
