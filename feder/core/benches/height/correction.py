"""After fitting: from the heights measured on the set-down vehicle to the collars that reach its target."""

from dataclasses import dataclass

from feder.core.document.base import Place
from feder.core.document.changes import with_sides
from feder.core.document.document import Document
from feder.core.practice.thresholds import LEVEL_ENOUGH
from feder.core.report.evaluate import evaluate_plain
from feder.core.standing.facts import setup_of, side_of
from feder.core.standing.readings import readings_of


@dataclass(slots=True)
class CornerCorrection:
    """One corner: what was measured, what is wanted, and the collar move between (up positive)."""

    place: Place
    measured: float
    wanted: float
    collar: float | None
    turns: float | None
    within: bool
    """Whether it already stands within 2 mm."""


def correction(document: Document, setup: str) -> list[CornerCorrection]:
    """Collar moves from the measured to the wanted heights, all corners together.

    Both states are balanced as a whole vehicle and their collars subtracted: what is unknown of seats and springs
    falls out, and the load that one corner's move sends to the others is counted. Empty until every corner is
    measured and has a height wanted.

    Raises:
        UnknownSetup: the document has no such setup.
    """
    at = setup_of(document, setup)
    wanted = {p: side_of(at, p).hub_to_arch for p in document.places}
    measured = measured_heights(document, setup)
    if any(v is None for v in (*wanted.values(), *measured.values())):
        return []
    there = evaluate_plain(_asked(document, setup, wanted), setup)
    here = evaluate_plain(_asked(document, setup, measured), setup)
    rows = []
    for place in document.places:
        side, a, b = side_of(at, place), there.corners[place].collar, here.corners[place].collar
        move = None if a is None or b is None else float(a.value) - float(b.value)
        pitch = side.seat.pitch if side.seat else None
        m, w = measured[place] or 0.0, wanted[place] or 0.0
        turns = None if move is None or not pitch else move / pitch
        rows.append(CornerCorrection(place, m, w, move, turns, abs(m - w) <= LEVEL_ENOUGH))
    return rows


def measured_heights(document: Document, setup: str) -> dict[Place, float | None]:
    """Hub to arch at each corner as read with a setup on the wheels, repeats averaged; None where it was not."""
    survey = document.survey_index(setup, "hub_to_arch")
    found: dict[Place, float | None] = dict.fromkeys(document.places)
    if survey is None:
        return found
    for place in document.places:
        values = [r.value for _, r in readings_of(document, place, "hub_to_arch", survey)]
        found[place] = sum(values) / len(values) if values else None
    return found


def _asked(document: Document, setup: str, heights: dict[Place, float | None]) -> Document:
    """The document with these heights asked for in one setup."""
    return with_sides(document, setup, {p: {"set_by": "height", "hub_to_arch": h} for p, h in heights.items()})
