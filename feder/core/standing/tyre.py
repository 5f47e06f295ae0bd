"""Loaded radius of a tyre: as read, or by the size on its side, assumed."""

from feder.core.document.conversion import EndChange
from feder.core.document.cursor import Cursor, node, number
from feder.core.document.tyre_size import size_parts
from feder.core.document.vehicle import Tyre
from feder.core.formulas.leaf import LOADED, moulded_radius, under_load
from feder.core.formulas.tyre_contact import radius_of_other_size

BY_SIZE = "by the size on its side; measure it with the wheel loaded"


def loaded_radius(at: Cursor, label: str) -> float | None:
    """The radius of a tyre at rest: as read, else by its size, marked; nothing where neither was told."""
    told: Tyre = node(at)
    if told.radius is not None:
        return number(at.radius, label)
    return None if told.size is None else _by_size(at, label)


def radius_in_setup(change: Cursor, found: Cursor, was: float | None, label: str) -> float | None:
    """The radius with what a setup replaces: as read, or by its size, from the one found where both are known."""
    told: EndChange = node(change)
    if told.tyre is None or (told.tyre.radius is None and told.tyre.size is None):
        return was
    if told.tyre.radius is not None:
        return number(change.tyre.radius, f"{label} in this setup")
    now = _by_size(change.tyre, f"{label} in this setup")
    tyre: Tyre = node(found)
    if was is None or tyre.radius is None or tyre.size is None:
        return now
    return radius_of_other_size(was, now, _by_size(found, f"{label} as found"))


def _by_size(at: Cursor, label: str) -> float:
    told: Tyre = node(at)
    assert told.size is not None
    parts = size_parts(told.size)
    width = number(at.size, f"{label}: width", source="its size", value=parts.width, unit="m")
    aspect = number(at.size, f"{label}: height over width", source="its size", value=parts.aspect, unit="")
    rim = number(at.size, f"{label}: rim", source="its size", value=parts.rim, unit="m")
    share = number(at.size, f"{label}: share under load", source=BY_SIZE, assumed=True, value=LOADED, unit="")
    return under_load(moulded_radius(width, aspect, rim), share)
