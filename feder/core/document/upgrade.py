"""From format to format: an older file becomes the newest by the steps between, one after the other."""

from collections.abc import Callable, Mapping
from typing import Any

from feder.core.numbers.errors import BadFile

NEWEST = 2
"""The format that this Feder writes."""
Upgrade = Callable[[dict[str, Any]], dict[str, Any]]


def _measured_in_surveys(data: dict[str, Any]) -> dict[str, Any]:
    """Heights measured after fitting stood in the setups; each setup's become a survey of their own."""
    surveys, setups = [*(data.get("surveys") or ())], []
    taken = {s.get("id") for s in surveys}
    for number, setup in enumerate(data.get("setups") or ()):
        sides, readings = {}, []
        for place, side in (setup.get("sides") or {}).items():
            hub = side.get("measured")
            sides[place] = {k: v for k, v in side.items() if k != "measured"}
            if hub is not None:
                readings.append({"place": place, "quantity": "hub_to_arch", "value": hub, "how": "tape"})
        setups.append({**setup, "sides": sides})
        if readings and number:
            surveys = surveys or [{"id": "first"}]
            name = next(n for n in ("set-down", *(f"set-down-{k}" for k in range(2, 999))) if n not in taken)
            taken.add(name)
            surveys.append({"id": name, "setup": setup.get("id"), "readings": readings})
    return {**data, "surveys": surveys, "setups": setups}


UPGRADES: Mapping[int, Upgrade] = {1: _measured_in_surveys}
"""What makes of a document of one format that of the next, by the format it starts from."""


def upgraded(
    data: dict[str, Any], upgrades: Mapping[int, Upgrade] = UPGRADES, newest: int = NEWEST
) -> dict[str, Any]:
    """A document of any earlier format as one of the newest; its own data is left as it is.

    Raises:
        BadFile: it names no format, one that a newer Feder wrote, or one from which no step leads on.
    """
    at = data.get("format", 1)
    if not isinstance(at, int) or isinstance(at, bool) or at < 1:
        raise BadFile([{"place": "format", "message": "must be a whole number from 1 on"}])
    if at > newest:
        words = f"{at} was written by a newer Feder; this one reads formats up to {newest}"
        raise BadFile([{"place": "format", "message": words}])
    while at < newest:
        if at not in upgrades:
            raise BadFile([{"place": "format", "message": f"{at} cannot be read any more"}])
        data = {**upgrades[at](data), "format": at + 1}
        at += 1
    return data
