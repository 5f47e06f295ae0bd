"""What one turn of an adjuster at one side does: heights of all corners, and the diagonal weight."""

from dataclasses import dataclass, field
from math import pi

from feder.core.benches.index.adjusters import at_adjusters, set_free
from feder.core.document.base import Place
from feder.core.document.document import Document
from feder.core.report.evaluate import evaluate_plain
from feder.core.report.shapes import Report

STEP = pi / 360
"""Half a degree: told where the adjuster's turn is not known, rad."""


@dataclass(slots=True)
class TurnEffect:
    """A small change of the free angle at one corner alone, body up; every other adjuster left as it is.

    `heights` are changes of hub to arch, m; `cross` that of the diagonal share front right with rear left.
    """

    by: float
    turn: bool
    """Whether `by` is one turn of the adjuster; else it is half a degree."""
    heights: dict[Place, float] = field(default_factory=dict)
    cross: float | None = None


def turn_effect(
    document: Document, setup: str, place: Place, per_turn: float | None, load_state: str | None = None
) -> TurnEffect | None:
    """What one turn at a corner does to the whole vehicle; nothing while it cannot stand on its adjusters.

    Half the step is tried each way, so that the answer is that of the middle.
    """
    asked = evaluate_plain(document, setup)
    free = asked.corners[place].free_angle
    if free is None:
        return None
    by = STEP if per_turn is None else per_turn
    base = at_adjusters(document, setup, asked)
    low, high = (
        evaluate_plain(set_free(base, setup, {place: float(free.value) + share * by}), setup, load_state)
        for share in (-0.5, 0.5)
    )
    made = TurnEffect(by, per_turn is not None)
    for p in document.places:
        one, two = low.corners[p].hub_to_arch, high.corners[p].hub_to_arch
        if one is None or two is None:
            return None
        made.heights[p] = float(two.value) - float(one.value)
    shares = [_cross(r) for r in (low, high)]
    if shares[0] is not None and shares[1] is not None:
        made.cross = shares[1] - shares[0]
    return made


def _cross(report: Report) -> float | None:
    found = report.vehicle.cross_fraction
    return None if found is None else float(found.value)
