"""Which springs of the shelf fit where one stands, and which is the one that stands there."""

from feder.core.document.setup import SpringPart
from feder.core.practice.thresholds import SAME_DIAMETER


def fits_place(part: SpringPart, inside: float | None) -> bool:
    """Whether a spring fits a place of this inside diameter; one that does not tell its own is let through."""
    return inside is None or part.inside_diameter is None or abs(part.inside_diameter - inside) <= SAME_DIAMETER


def same_spring(one: SpringPart, other: SpringPart) -> bool:
    """Whether two parts are the same article: code, rate and free length."""
    return (one.code, one.rate.value, one.free_length) == (other.code, other.rate.value, other.free_length)
