"""An end with what a setup replaces of it: one end to read, each number with the path at which it was told."""

from typing import Any

from feder.core.document.base import Model
from feder.core.document.conversion import NOT_CARRIED, EndChange
from feder.core.document.cursor import Cursor, node
from feder.core.document.vehicle import End, Limits, Tyre

MERGED = ("limits", "tyre")
"""Parts of which each member told stands before the one found; others are replaced as a whole."""
DAMPER_LIMITS = ("droop", "stop", "solid")


class Overlaid(Cursor):
    """A place whose members stand in one of two: in what is laid over it, where it is told there, or below."""

    __slots__ = ("_over", "_under")

    def __init__(self, merged: Model, under: Cursor, over: Cursor) -> None:
        super().__init__(merged, under._above, under._key)
        self._under, self._over = under, over

    def __getattr__(self, member: str) -> Cursor:
        value = getattr(self._node, member)
        told = member in type(node(self._over)).model_fields and getattr(node(self._over), member) is not None
        if told and member in MERGED and getattr(node(self._under), member) is not None:
            return Overlaid(value, self._under[member], self._over[member])
        return Cursor(value, self._over if told else self._under, member)

    def __getitem__(self, key: int | str) -> Cursor:
        return self.__getattr__(str(key))


def overlaid(found: Cursor, change: Cursor) -> Overlaid:
    """The end as found with a setup's change laid over it."""
    return Overlaid(merged(node(found), node(change)), found, change)


def merged(end: End, change: EndChange) -> End:
    """An end with what a setup replaces of it."""
    made: dict[str, Any] = {}
    if change.is_layout:
        made = {name: End.model_fields[name].get_default(call_default_factory=True) for name in NOT_CARRIED}
        # droop, stop and solid were those of the dampers that are gone; the tyre meets the arch where it did
        made["limits"] = end.limits.but(**dict.fromkeys(DAMPER_LIMITS))
        if end.unsprung_mass is not None:
            made["unsprung_mass"] = end.unsprung_mass.but(how="estimated")
    for name in type(change).model_fields:
        value = getattr(change, name)
        if value is None or name not in End.model_fields or name in ("tolerances", "limits", "tyre"):
            continue
        made[name] = value
    if change.limits is not None:
        made["limits"] = _over(made.get("limits", end.limits), change.limits)
    if change.tyre is not None:
        # another size: the radius read was that of the tyre found
        found = end.tyre if change.tyre.size is None else end.tyre.but(radius=None)
        made["tyre"] = _over(found, change.tyre)
    return end.but(**made)


def _over(under: Limits | Tyre, over: Limits | Tyre) -> Any:
    told = {n: v for n, v in over if v is not None and n != "tolerances"}
    return under.but(**told, tolerances=type(over.tolerances)({**under.tolerances, **over.tolerances}))
