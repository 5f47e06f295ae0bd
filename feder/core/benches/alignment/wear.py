"""Wear across a tyre: which edge goes, and whose doing it is; toe is asked before camber."""

from collections.abc import Mapping
from dataclasses import dataclass
from math import radians
from typing import Literal

from feder.core.document.base import EndName, Place
from feder.core.document.document import Document
from feder.core.practice.thresholds import SCRUB_LIMIT, TREAD_UNEVEN

STEEP = radians(-2.0)
"""Camber beyond which an inner edge wears by it alone, driven gently."""


@dataclass(slots=True)
class WornTyre:
    """One tyre: its last treads, inner to outer, and what they say."""

    place: Place
    date: str | None
    inner: float | None
    middle: float | None
    outer: float | None
    grade: Literal["look", "note", ""] = ""
    cause: Literal["toe", "camber", "pressure low", "pressure high", "cornering", ""] = ""
    words: str = ""
    reason: str = ""
    mend: str = ""
    less: float = 0.0
    """How much less tread the worn part has."""


def wear_of(
    document: Document,
    toes: Mapping[EndName, tuple[float | None, float | None]],
    cambers: Mapping[Place, float | None],
) -> list[WornTyre]:
    """The newest treads of each tyre with their cause; `toes` are scrub and total toe of each end as read last."""
    found = []
    for place in document.places:
        told = next(
            (
                (s, w)
                for s in reversed(document.surveys)
                if (w := s.wheel(place)) is not None and w.tread_middle is not None
            ),
            None,
        )
        if told is None:
            continue
        survey, wheel = told
        worn = WornTyre(place, survey.date, wheel.tread_inner, wheel.tread_middle, wheel.tread_outer)
        _judge(worn, *toes.get(place.end, (None, None)), cambers.get(place))
        found.append(worn)
    return found


def _judge(worn: WornTyre, scrub: float | None, total: float | None, camber: float | None) -> None:
    inner, middle, outer = worn.inner, worn.middle, worn.outer
    if inner is None or middle is None or outer is None:
        return
    where, even = worn.place.words, TREAD_UNEVEN - 1e-9
    if outer - inner >= even and middle - inner >= 0:
        toe_out = scrub is not None and total is not None and total < 0 and abs(scrub) > SCRUB_LIMIT
        worn.less = outer - inner
        if toe_out:
            cause, why = "toe", "toe out drags the inner edge over the road; camber alone wears it far less"
            mend = "Set the toe first; look at the edge again after the next thousand"
        elif camber is not None and camber < STEEP:
            cause, why = "camber", "toe stands where it eats nothing, and the wheel leans in far"
            mend = "Less negative camber, if it is driven straight more than round"
        elif scrub is None:
            cause, why, mend = "", "the toe was not read, and it is the first to be asked", "Read the toe"
        else:
            cause, why = "camber", "toe stands where it eats nothing; the wheel leans in, or did before it was set"
            mend = "Look at the edge again after the next thousand"
        _say(worn, cause, f"{where}: the inner edge has {{less}} less tread", why, mend)
    elif inner - outer >= even and middle - outer >= 0:
        worn.less = inner - outer
        toe_in = scrub is not None and total is not None and total > 0 and abs(scrub) > SCRUB_LIMIT
        why = "toe in drags the outer edge" if toe_in else "the outer edge carries in hard cornering"
        mend = "Set the toe first" if toe_in else "More negative camber, if it is driven so"
        _say(worn, "toe" if toe_in else "cornering", f"{where}: the outer edge has {{less}} less tread", why, mend)
    elif middle - (inner + outer) / 2 >= even:
        worn.less = middle - (inner + outer) / 2
        _say(
            worn,
            "pressure low",
            f"{where}: both edges have {{less}} less tread",
            "too little pressure",
            "More pressure",
        )
    elif (inner + outer) / 2 - middle >= even:
        worn.less = (inner + outer) / 2 - middle
        _say(
            worn,
            "pressure high",
            f"{where}: the middle has {{less}} less tread",
            "too much pressure",
            "Less pressure",
        )


def _say(worn: WornTyre, cause: str, words: str, why: str, mend: str) -> None:
    worn.grade, worn.cause = "look", cause  # type: ignore[assignment]
    worn.words = f"{words[0].upper()}{words[1:]}."
    worn.reason, worn.mend = f"{why[0].upper()}{why[1:]}.", mend
