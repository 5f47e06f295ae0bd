"""A document with its adjusters set: what is tried at one corner then moves the others too."""

from typing import Any

from feder.core.document.base import Place
from feder.core.document.changes import with_sides
from feder.core.document.document import Document
from feder.core.report.shapes import Figure, Report


def at_adjusters(document: Document, setup: str, report: Report) -> Document:
    """The document with every corner set by the adjuster that the report answers, no longer by its height.

    A corner whose adjuster is not known keeps its load and goes where the others leave it.
    """

    def told(figure: Figure | None) -> float | None:
        return None if figure is None else float(figure.value)

    moves: dict[Place, dict[str, Any]] = {}
    for place, corner in report.corners.items():
        if corner.free_angle is not None:
            moves[place] = {"set_by": "free angle", "free_angle": told(corner.free_angle)}
        elif corner.pressure is not None:
            moves[place] = {"set_by": "pressure", "pressure": told(corner.pressure)}
        else:
            moves[place] = {"set_by": "collar", "collar": told(corner.collar)}
    return with_sides(document, setup, moves)


def set_free(document: Document, setup: str, free: dict[Place, float]) -> Document:
    """The document with the free angles of some corners set."""
    return with_sides(document, setup, {p: {"set_by": "free angle", "free_angle": v} for p, v in free.items()})
