"""A helper or tender on a main spring: the pair as one spring, and pairs for one that would be loose at droop."""

from collections.abc import Sequence

from feder.core.document.base import RateValue
from feder.core.document.setup import SpringPart

SOFT = 0.35
"""A spring of at most this share of the main one's rate counts as its helper or tender."""
SAME_DIAMETER = 0.0015
"""Inside diameters that stand on one another differ by no more than this, m."""
RING = 0.005
"""Thickness of the ring between two springs, m; general practice, it adds to the length."""


def paired(main: SpringPart, helper: SpringPart) -> SpringPart | None:
    """Main spring and helper as one part; nothing where a length is missing.

    Free length, solid length and the ring between them add; the helper's travel ends at its solid length.
    """
    if main.free_length is None or helper.free_length is None or helper.solid_length is None:
        return None
    travel = helper.free_length - helper.solid_length
    if travel <= 0:
        return None
    solid = None if main.solid_length is None else main.solid_length + helper.solid_length + RING
    return SpringPart(
        code=f"{main.code} + {helper.code}"[:80],
        rate=RateValue(value=main.rate.value, how=main.rate.how, tolerance=main.rate.tolerance),
        free_length=main.free_length + helper.free_length + RING,
        inside_diameter=main.inside_diameter,
        wire_diameter=main.wire_diameter,
        active_coils=main.active_coils,
        solid_length=solid,
        tender_rate=helper.rate.value,
        tender_travel=travel,
    )


def pairs_for(main: SpringPart, loose_by: float, shelf: Sequence[SpringPart]) -> list[SpringPart]:
    """Pairs from the shelf that keep seated a main spring loose by so much, shortest helper first."""
    made = []
    for helper in shelf:
        apart = abs((helper.inside_diameter or 0.0) - (main.inside_diameter or 0.0))
        if helper.tender_rate is not None or helper.rate.value > SOFT * main.rate.value or apart > SAME_DIAMETER:
            continue
        pair = paired(main, helper)
        if pair is not None and (pair.tender_travel or 0.0) > loose_by:
            made.append(pair)
    return sorted(made, key=lambda p: p.tender_travel or 0.0)
