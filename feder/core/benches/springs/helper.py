"""A helper or tender on a main spring: the pair as one spring, and pairs for one that would be loose at droop."""

from collections.abc import Sequence

from feder.core.benches.springs.fit import fits_place
from feder.core.document.base import RateValue
from feder.core.document.setup import SpringPart
from feder.core.practice.thresholds import SOFT_HELPER
from feder.core.practice.usual import RING


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
        soft = helper.rate.value <= SOFT_HELPER * main.rate.value
        if helper.tender_rate is not None or not soft or not fits_place(helper, main.inside_diameter):
            continue
        pair = paired(main, helper)
        if pair is not None and (pair.tender_travel or 0.0) > loose_by:
            made.append(pair)
    return sorted(made, key=lambda p: p.tender_travel or 0.0)
