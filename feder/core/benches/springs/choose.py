"""Choosing a spring: it keeps the height that is wanted, or stands on the perch and lets the height follow."""

from collections.abc import Iterator
from typing import Literal

from feder.core.document.base import EndName, Place
from feder.core.document.changes import Change
from feder.core.document.document import Document
from feder.core.document.leaf import LeafPart
from feder.core.document.setting import setting
from feder.core.document.setup import SpringPart
from feder.core.report.evaluate import evaluate_plain
from feder.core.standing.facts import index_of, places_of, setup_of, side_of, spring_moved

Sides = Literal["both", "left", "right"]


def choose_spring(
    document: Document, setup: str, end: EndName, part: SpringPart, sides: Sides = "both"
) -> Iterator[Change]:
    """The changes that fit a spring at an end.

    On the standard perch, or with a quoted drop, the collar is zero and the height follows; else the height asked
    for stays, or the one it has now where none was asked.
    """
    at, index = setup_of(document, setup), index_of(document, setup)
    moved = spring_moved(at, end)
    on_perch = not moved and (part.quoted_drop is not None or perched(document, setup, end))
    heights = _heights(document, setup)
    if moved:  # there it stood before it was lifted out: until another height is asked for
        heights = _heights(document, document.setups[0].id) | heights
    for place in places_of(document, end):
        if sides != "both" and place.is_left != (sides == "left"):
            continue
        side = side_of(at, place)
        yield from setting(index, place, spring=part)
        if on_perch:
            yield from setting(index, place, collar=0.0)
            continue
        now, asked = heights.get(place), side.hub_to_arch
        height = asked if side.set_by == "height" and asked is not None else now if now is not None else asked
        if height is not None:
            yield from setting(index, place, hub_to_arch=height)


def perched(document: Document, setup: str, end: EndName) -> bool:
    """Whether an end stands on the perch as it came: no collar, the spring's own length decides the height."""
    at = setup_of(document, setup)
    other = at.id == document.setups[0].id or spring_moved(at, end)
    sides = [side_of(at, p) for p in places_of(document, end)]
    return not other and all(s.set_by == "collar" and s.collar == 0 for s in sides)


def perch(document: Document, setup: str, end: EndName, *, on: bool) -> Iterator[Change]:
    """The changes that set an end on its perch, or back to the height asked for before, or else the one it has."""
    index, heights, at = index_of(document, setup), _heights(document, setup), setup_of(document, setup)
    for place in places_of(document, end):
        height = side_of(at, place).hub_to_arch or heights.get(place)
        if on:
            yield from setting(index, place, collar=0.0)
        elif height is not None:
            yield from setting(index, place, hub_to_arch=height)


def keep_found(document: Document, setup: str, end: EndName) -> Iterator[Change]:
    """The changes that keep the spring as found, a coil on its perch as found."""
    index, found = index_of(document, setup), document.setups[0]
    for place in places_of(document, end):
        was = side_of(found, place)
        yield from setting(index, place, spring=was.spring)
        if isinstance(was.spring, SpringPart | LeafPart):
            yield from setting(index, place, collar=was.collar or 0.0)


def _heights(document: Document, setup: str) -> dict[Place, float]:
    """The heights that the setup has now."""
    corners = evaluate_plain(document, setup).corners
    return {p: float(c.hub_to_arch.value) for p, c in corners.items() if c.hub_to_arch is not None}
