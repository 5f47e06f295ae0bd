"""What is due again after fitting, and when: by distance, and by the pace at which it was driven so far."""

from collections.abc import Collection, Sequence
from dataclasses import dataclass
from datetime import date, timedelta

from feder.core.benches.log.curve import Settling

BOLTS, HEIGHTS, TORQUE = 50e3, 200e3, 500e3
"""Distances after fitting: wheel bolts, heights, then every torque and the alignment again; general practice."""


@dataclass(slots=True)
class Due:
    """One re-check: distance since fitting, the day it will be at this pace, and whether it was done."""

    id: str
    words: str
    distance: float
    day: str | None
    done: bool


def due_of(
    settling: Settling, fitted_on: str | None, read: Sequence[tuple[str, float]], done: Collection[str]
) -> list[Due]:
    """Every re-check; `read` are days and distances since fitting that are known, `done` ids that are ticked."""
    heights = max([HEIGHTS, *(e.flat_at for e in settling.ends if e.flat_at is not None)])
    flat = bool(settling.ends) and all(e.flat for e in settling.ends)
    rows = [
        ("bolts", "wheel bolts to the maker's torque again", BOLTS),
        ("heights", "heights again", heights),
        ("torque", "every torque and the alignment again", max(TORQUE, heights)),
    ]
    return [
        Due(i, words, at, _day(at, fitted_on, read), i in done or (i == "heights" and flat))
        for i, words, at in rows
    ]


def pace_of(fitted_on: str | None, read: Sequence[tuple[str, float]]) -> float | None:
    """Distance a day since fitting, by the last day that is known; nothing where no day has passed."""
    told = sorted(read)
    if not told:
        return None
    first = (fitted_on, 0.0) if fitted_on is not None else told[0]
    days = (date.fromisoformat(told[-1][0]) - date.fromisoformat(first[0])).days
    return None if days <= 0 else (told[-1][1] - first[1]) / days


def _day(at: float, fitted_on: str | None, read: Sequence[tuple[str, float]]) -> str | None:
    pace = pace_of(fitted_on, read)
    if pace is None or pace <= 0:
        return None
    last = max(read)
    ahead = (at - last[1]) / pace
    if abs(ahead) > 3650:
        return None
    return (date.fromisoformat(last[0]) + timedelta(days=round(ahead))).isoformat()
