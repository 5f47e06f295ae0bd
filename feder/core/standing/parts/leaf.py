"""A leaf spring: its rate as measured, as typed, or by its leaves. Its length is not known, and not needed."""

from feder.core.document.base import Place
from feder.core.document.cursor import Cursor, node, number, quantity
from feder.core.document.leaf import LeafPart
from feder.core.formulas.leaf import leaf_spring_rate, rate_of_sag

CLAMPS = "by its leaves: clamps and full-length leaves make it stiffer, within 15 %"


def leaf_spring_rate_at(at: Cursor, place: Place) -> float:
    """Rate of the leaf spring that stands at a place of the document: what was measured before what was typed."""
    part: LeafPart = node(at)
    label = f"{place.words} spring {part.code}"
    if part.sagged is not None:
        by = "by tape and scales"
        return rate_of_sag(
            number(at.sagged[0][1], f"{label}, first load", source=by, unit="N"),
            number(at.sagged[1][1], f"{label}, second load", source=by, unit="N"),
            number(at.sagged[0][0], f"{label}, height under the first load", source=by, unit="m"),
            number(at.sagged[1][0], f"{label}, height under the second load", source=by, unit="m"),
        )
    rate = quantity(at.rate, f"{label}, rate")
    if rate is not None:
        return rate
    return leaf_spring_rate(
        number(at.leaves, f"{label}, leaves", source="counted", value=float(part.leaves or 0), unit=""),
        number(at.width, f"{label}, width"),
        number(at.thickness, f"{label}, thickness", source=CLAMPS, assumed=True),
        number(at.length, f"{label}, length between the eyes"),
        number(at.modulus, f"{label}, modulus"),
    )
