"""Why a figure changed: one thing at a time put back as it is in the other setup, and driven again."""

from collections.abc import Callable, Iterator
from dataclasses import dataclass, replace

import numpy as np

from feder.core.benches.prove.vehicle import Vehicle, Wheel, balanced
from feder.core.document.base import ENDS, EndName

Change = Callable[[Wheel, Wheel], Wheel]
SAME = 1e-9
"""Share of a table's largest value within which two tables are the same."""
SAME_SPRING = 0.005
"""Share by which wheel rates may differ and the springs be the same: what differs then is where they stand."""
HEIGHTS = 1e-3
"""Difference of height from which a room to the stops is the height's doing, m."""


@dataclass(frozen=True)
class PutBack:
    """A vehicle in which one thing of one end is as in the other setup."""

    end: EndName
    part: str
    """In words: springs, dampers, bump stops, room to its limits, tyres, unsprung masses, friction, bar."""
    vehicle: Vehicle


def put_back(now: Vehicle, was: Vehicle) -> Iterator[PutBack]:
    """Everything in which two vehicles differ, each put back alone; the body stays balanced where it stands."""
    for end in ENDS:
        pairs = [(i, now.wheels[i], was.wheels[i]) for i in now.at(end)]
        for part, differs, change in _PARTS:
            if not any(differs(a, b) for _, a, b in pairs):
                continue
            wheels = list(now.wheels)
            for i, a, b in pairs:
                wheels[i] = change(a, b)
            words = part
            if part == "bump stops" and any(abs(a.hub_to_arch - b.hub_to_arch) > HEIGHTS for _, a, b in pairs):
                words = "room to its limits"
            if part == "springs" and all(abs(a.wheel_rate / b.wheel_rate - 1) < SAME_SPRING for _, a, b in pairs):
                words = "height on its springs"
            yield PutBack(end, words, replace(now, wheels=balanced(wheels, now.axles)))
        mine, other = (next(a for a in v.axles if a.name == end) for v in (now, was))
        if mine.bar_rate != other.bar_rate:
            axles = tuple(replace(a, bar_rate=other.bar_rate) if a.name == end else a for a in now.axles)
            yield PutBack(end, "anti-roll bar", replace(now, axles=axles))


def _tables(name: str) -> Callable[[Wheel, Wheel], bool]:
    def differ(a: Wheel, b: Wheel) -> bool:
        one, other = getattr(a, name), getattr(b, name)
        return bool(
            np.abs((one - one[one.size // 2]) - (other - other[other.size // 2])).max() > SAME * _size(one)
        )

    return differ


def _size(table: "np.ndarray[tuple[int], np.dtype[np.float64]]") -> float:
    return float(np.abs(table).max()) or 1.0


def _numbers(*names: str) -> Callable[[Wheel, Wheel], bool]:
    return lambda a, b: any(abs(getattr(a, n) - getattr(b, n)) > SAME * (abs(getattr(a, n)) or 1) for n in names)


def _with(*names: str) -> Change:
    return lambda a, b: replace(a, **{n: getattr(b, n) for n in names})


_STOP = ("stop", "touch", "solid", "droop", "knows_stop")
_PARTS: tuple[tuple[str, Callable[[Wheel, Wheel], bool], Change], ...] = (
    ("springs", _tables("spring"), _with("spring", "wheel_rate")),
    ("dampers", lambda a, b: _tables("damper")(a, b) or _tables("ratio")(a, b), _with("damper", "ratio")),
    (
        "bump stops",
        lambda a, b: _numbers("touch", "solid", "droop")(a, b) or _tables("stop")(a, b),
        _with(*_STOP),
    ),
    ("tyres", _numbers("tyre_rate"), _with("tyre_rate")),
    ("unsprung masses", _numbers("unsprung"), _with("unsprung")),
    ("friction", _numbers("friction"), _with("friction")),
)
