"""How large mistakes usually are, and how usual each size is against the others: experience, not measurement."""

import json
from functools import cache
from importlib import resources
from math import exp
from typing import NotRequired, TypedDict

Sizes = tuple[tuple[float, float], ...]
"""Sizes of a mistake, each with how usual it is against the others."""


class Told(TypedDict):
    """A mistake in the file: sizes listed with their weights, or steps with the most usual one and the spread."""

    says: str
    unit: str
    listed: NotRequired[list[tuple[float, float]]]
    both_ways: NotRequired[bool]
    first: NotRequired[float]
    last: NotRequired[float]
    step: NotRequired[float]
    around: NotRequired[float]
    spread: NotRequired[float]


def usual(mistake: str) -> Sizes:
    """The sizes of a mistake as they lie beside this file: a list, or steps spread round the most usual one."""
    told = _told()[mistake]
    listed = told.get("listed") or spread(told)
    ways = (-1, 1) if told.get("both_ways") else (1,)
    return tuple((way * float(size), weight) for size, weight in listed for way in ways)


def spread(told: Told) -> list[tuple[float, float]]:
    """Steps from the first size to the last, the nearer to the most usual one the more usual (normal)."""
    count = round((told["last"] - told["first"]) / told["step"]) + 1
    sizes = [told["first"] + n * told["step"] for n in range(count)]
    return [(size, exp(-(((size - told["around"]) / told["spread"]) ** 2) / 2)) for size in sizes]


@cache
def _told() -> dict[str, Told]:
    told: dict[str, Told] = json.loads(
        resources.files(__package__).joinpath("usual.json").read_text(encoding="utf-8")
    )
    return told
