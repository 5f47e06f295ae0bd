"""What to turn for an alignment, in the order of work: heights, weights, caster, camber, toe rear and front."""

from collections.abc import Mapping
from dataclasses import dataclass, replace
from typing import Literal

from feder.core.benches.alignment.aligned import AlignedWheel
from feder.core.document.alignment import AlignmentAdjuster
from feder.core.document.base import PLACES, EndName, Place
from feder.core.document.document import Document
from feder.core.document.vehicle import End
from feder.core.formulas.alignment import tie_rod_turns, toe_at_rim
from feder.core.practice.thresholds import (
    CROSS_BAND,
    CROSS_WANTED,
    LEVEL_ENOUGH,
)
from feder.core.standing.facts import places_of, setup_of, side_of
from feder.core.standing.readings import readings_of

Sets = Literal["heights", "weights", "caster", "camber", "toe", "wheel"]
WOULD = {
    "camber": "slots, a cam bolt or a plate at the top would make it so",
    "caster": "a plate at the top or an adjustable rod would make it so",
    "toe": "an eccentric bolt or an adjustable link would make it so",
}
"""What makes an angle adjustable that is not."""


@dataclass(slots=True)
class AlignmentMove:
    """One wheel in a step: the change of the angle, and turns, marks or washers where they are known."""

    place: Place
    change: float
    """Toe, camber or caster, rad."""
    turns: float | None
    how: str
    """How it is set: "turn longer", "turn shorter", "eccentric" and the like."""
    left: float | None = None
    """Turns, marks or washers left beyond it."""
    waits: str = ""
    across: float | None = None
    """A change of toe at the rim, m."""


@dataclass(slots=True)
class AlignmentStep:
    """One step of the order of work: done, to do, or not to be had."""

    sets: Sets
    end: EndName | None
    state: Literal["done", "to do", "unknown", "not adjustable"]
    says: str
    moves: list[AlignmentMove]


def steps_of(
    document: Document, setup: str, by: Mapping[Place, AlignedWheel], rolled: bool
) -> list[AlignmentStep]:
    """Every step, in order. Rear toe comes before front; a rear that cannot be set is what the front is set to."""
    steps = [_heights(document, setup), _weights(document, setup)]
    ends: tuple[EndName, ...] = ("rear", "front")
    steps.append(_angle(document, "front", "caster", by))
    steps += [_angle(document, end, "camber", by) for end in ends]
    rear = _toe(document, "rear", by, 0.0)
    steps.append(rear)
    askew = _thrust_left(by) if rear.state == "not adjustable" else 0.0
    steps.append(_toe(document, "front", by, askew))
    steps.append(_wheel(steps, by, askew))
    return steps


def _heights(document: Document, setup: str) -> AlignmentStep:
    index, at = document.survey_index(setup, "hub_to_arch"), setup_of(document, setup)
    if not index:
        return AlignmentStep("heights", None, "unknown", "heights not read yet: they come first", [])
    off = []
    for place in document.places:
        values = [r.value for _, r in readings_of(document, place, "hub_to_arch", index)]
        wanted = side_of(at, place).hub_to_arch
        if values and wanted is not None:
            off.append(abs(sum(values) / len(values) - wanted))
    done = bool(off) and max(off) <= LEVEL_ENOUGH
    return AlignmentStep("heights", None, "done" if done else "to do", "heights" if done else "heights first", [])


def _weights(document: Document, setup: str) -> AlignmentStep:
    unread = AlignmentStep(
        "weights", None, "unknown", "corner weights not read: before camber, if they matter", []
    )
    index = document.survey_index(setup, "mass")
    if not index or document.places != PLACES:
        return unread
    read = [[r.value for _, r in readings_of(document, p, "mass", index)] for p in PLACES]
    if not all(read):
        return unread
    fl, fr, rl, rr = (sum(v) / len(v) for v in read)
    done = abs((fr + rl) / (fl + fr + rl + rr) - CROSS_WANTED) <= CROSS_BAND
    return AlignmentStep("weights", None, "done" if done else "to do", "corner weights", [])


def _angle(
    document: Document, end: EndName, name: Literal["camber", "caster"], by: Mapping[Place, AlignedWheel]
) -> AlignmentStep:
    """Camber or caster of an end."""
    at: End = getattr(document.vehicle.ends, end)
    adjuster = next((a for a in at.adjusters if a.sets == name), None)
    moves, known, needed = [], False, False
    for place in places_of(document, end):
        now, wanted = getattr(by[place].now, name), getattr(by[place].wanted, name)
        if now is None or wanted is None:
            continue
        known = True
        if abs(wanted - now) > _near(by[place], name) + 1e-9:
            needed = True
            moves.append(_adjusted(adjuster, place, now, wanted, wanted - now, name))
    words = f"{end} {name}"
    if not known:
        return AlignmentStep(name, end, "unknown", f"{words}: not read, or nothing wanted", [])
    if not needed:
        return AlignmentStep(name, end, "done", words, [])
    if adjuster is None:
        return AlignmentStep(name, end, "not adjustable", f"{words} is not adjustable: {WOULD[name]}", moves)
    return AlignmentStep(name, end, "to do", words, moves)


ENOUGH = {"toe": 1 / 2, "camber": 1 / 2.5, "caster": 1 / 2.5}
"""With a hand at it anyway, what is set nearer than the practice's bounds by this share is left alone."""


def _near(wheel: AlignedWheel, name: str) -> float:
    """How near is near enough to leave an angle alone: as told with what is wanted, or well within the usual."""
    told: float | None = getattr(wheel.within_told, name)
    usual: float = getattr(wheel.within, name)
    return told if told is not None else usual * ENOUGH[name]


def _adjusted(
    adjuster: AlignmentAdjuster | None, place: Place, now: float, wanted: float, change: float, name: str
) -> AlignmentMove:
    if adjuster is None:
        return AlignmentMove(place, change, None, "")
    turns = None if adjuster.step is None else (wanted - now) / adjuster.step
    edge = adjuster.most if wanted > now else adjuster.least
    left = None
    if edge is not None and adjuster.step is not None:
        left = (edge - wanted if wanted > now else wanted - edge) / adjuster.step
    waits = "" if left is None or left >= -1e-9 else "past the end of its adjuster"
    return AlignmentMove(place, change, turns, adjuster.how, left, waits)


def _toe(document: Document, end: EndName, by: Mapping[Place, AlignedWheel], askew: float) -> AlignmentStep:
    """Toe of an end; a front that follows a rear which cannot be set is aimed along its thrust line."""
    at: End = getattr(document.vehicle.ends, end)
    adjuster, rod = next((a for a in at.adjusters if a.sets == "toe"), None), at.toe_rod
    moves, known, needed = [], False, False
    for place in places_of(document, end):
        wheel = by[place]
        now, wanted = wheel.now.toe, wheel.wanted.toe
        if now is None or wanted is None:
            continue
        known = True
        aim = wanted + (askew if place.is_left else -askew)
        rim = wheel.rim or 0.4
        if abs(aim - now) <= _near(wheel, "toe") + 1e-9:
            continue
        needed = True
        across = float(toe_at_rim(aim - now, rim))
        if rod is not None:
            longer = float(tie_rod_turns(aim - now, rod.arm, rod.lead)) * (1.0 if rod.behind else -1.0)
            how = "turn longer" if longer > 0 else "turn shorter"
            moves.append(AlignmentMove(place, aim - now, longer, how, across=across))
        elif adjuster is not None:
            rims = AlignmentAdjuster(
                how=adjuster.how, sets="toe", least=adjuster.least, most=adjuster.most, step=adjuster.step
            )
            moves.append(replace(_adjusted(rims, place, now * rim, aim * rim, aim - now, "toe"), across=across))
        else:
            waits = "lever and lead of its rod tell the turns" if end == "front" else ""
            moves.append(AlignmentMove(place, aim - now, None, "", across=across, waits=waits))
    words = "rear toe, at the links" if end == "rear" else "front toe, at the rods"
    if not known:
        return AlignmentStep("toe", end, "unknown", f"{end} toe: not read, or nothing wanted", [])
    if not needed:
        return AlignmentStep("toe", end, "done", f"{end} toe", [])
    if end == "rear" and rod is None and adjuster is None:
        return AlignmentStep("toe", end, "not adjustable", f"rear toe is not adjustable: {WOULD['toe']}", moves)
    if askew and end == "front":
        words += ", set to the line of the rear"
    return AlignmentStep("toe", end, "to do", words, moves)


def _thrust_left(by: Mapping[Place, AlignedWheel]) -> float:
    left, right = (by[p].now.toe if p in by else None for p in (Place.REAR_LEFT, Place.REAR_RIGHT))
    return 0.0 if left is None or right is None else (left - right) / 2


def _wheel(steps: list[AlignmentStep], by: Mapping[Place, AlignedWheel], askew: float) -> AlignmentStep:
    """The steering wheel: straight once both front rods stand as told."""
    front = [by[p] for p in by if p.end == "front"]
    if len(front) != 2 or any(w.now.toe is None for w in front):
        return AlignmentStep("wheel", None, "unknown", "steering wheel centred", [])
    to_do = any(s.state == "to do" and s.sets == "toe" for s in steps)
    return AlignmentStep("wheel", None, "to do" if to_do else "done", "steering wheel centred", [])
