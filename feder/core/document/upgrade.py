"""From format to format: an older file becomes the newest by the steps between, one after the other."""

from collections.abc import Callable, Mapping
from typing import Any

from feder.core.numbers.errors import BadFile

NEWEST = 1
"""The format that this Feder writes."""
Upgrade = Callable[[dict[str, Any]], dict[str, Any]]
UPGRADES: Mapping[int, Upgrade] = {}
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
