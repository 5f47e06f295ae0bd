"""Alignment: read-outs before and after against what is wanted, what they do, and whose fault it is."""

from dataclasses import dataclass
from typing import Literal

from feder.core.benches.alignment.aligned import (
    AlignedEnd,
    AlignedWheel,
    found_angles,
    is_aligned,
    read_angles,
    wheel_of,
)
from feder.core.benches.alignment.faults import AlignmentWord, faults_of
from feder.core.benches.alignment.over_height import OverHeight, over_height
from feder.core.benches.alignment.rods import AlignmentStep, steps_of
from feder.core.benches.alignment.wear import WornTyre, wear_of
from feder.core.benches.settle.setdown import Round, rounds_of
from feder.core.document.base import ENDS, EndName, Place
from feder.core.document.document import Document
from feder.core.formulas.alignment import at_steering_wheel, scrub, steered_by, thrust_angle
from feder.core.numbers.working import untraced
from feder.core.practice.thresholds import CROSS_ANGLE, SCRUB_LIMIT
from feder.core.standing.facts import places_of, setup_of


@dataclass(slots=True)
class AlignmentBench:
    """The alignment of a setup in one round."""

    round: int | None
    rounds: list[Round]
    date: str | None
    before_date: str | None
    before_words: str
    against: str
    wheels: list[AlignedWheel]
    ends: list[AlignedEnd]
    thrust: float | None
    thrust_wanted: float | None
    steering: float | None
    """How far the road wheels are steered running straight, right positive; `steering_wheel` at the wheel."""
    steering_wheel: float | None
    steering_then: float | None
    """The same once everything is turned as told."""
    pull: Literal["left", "right", "no", ""]
    pull_by: str
    words: list[AlignmentWord]
    steps: list[AlignmentStep]
    over: list[OverHeight]
    worn: list[WornTyre]


def alignment(document: Document, setup: str, survey: int | None = None) -> AlignmentBench:
    """What a round's read-out says, by default the newest; before it the round before, or as found.

    Raises:
        UnknownSetup: the document has no such setup.
    """
    at = setup_of(document, setup)
    rounds = [i for i in document.rounds_of(setup) if i and is_aligned(document.surveys[i])]
    index = survey if survey in rounds else (rounds[-1] if rounds else None)
    now = None if index is None else document.surveys[index]
    first = document.setups[0]
    with untraced():
        wheels = [
            wheel_of(
                document, place, found_angles(document, first, place), read_angles(document, at, now, place), at
            )
            for place in document.places
        ]
        ends = [_end_of(document, end, wheels) for end in ENDS]
        by = {w.place: w for w in wheels}
        thrust = _thrust(by, "now")
        steering = None if now is None else _steering(by, "now")
        ratio = document.vehicle.steering_ratio
        wheel = None if steering is None or ratio is None else float(at_steering_wheel(steering, ratio))
        worn = wear_of(
            document, {e.end: (e.scrub, e.total) for e in ends}, {w.place: w.now.camber for w in wheels}
        )
        pull, pull_by = _pull(ends)
        steps = [] if now is None else steps_of(document, setup, by, now.conditions.rolled)
        words = faults_of(by, ends, thrust, wheel, steering, worn) if now is not None else []
        found_survey = document.survey
        return AlignmentBench(
            index,
            rounds_of(document, setup),
            None if now is None else now.date,
            None if found_survey is None else found_survey.date,
            first.name,
            "centre line" if now is None else now.against,
            wheels,
            ends,
            thrust,
            _thrust(by, "wanted"),
            steering,
            wheel,
            _steering(by, "wanted"),
            pull,
            pull_by,
            words,
            steps,
            [o for end in ENDS if (o := over_height(document, setup, end)) is not None],
            worn,
        )


def _end_of(document: Document, end: EndName, wheels: list[AlignedWheel]) -> AlignedEnd:
    here = [w for w in wheels if w.place in places_of(document, end)]
    made = AlignedEnd(end)
    if len(here) != 2:
        return made
    left, right = here

    def pair(at: str, of: str) -> tuple[float, float] | None:
        a, b = getattr(getattr(left, at), of), getattr(getattr(right, at), of)
        return None if a is None or b is None else (a, b)

    if (read := pair("now", "toe")) is not None:
        made.total = sum(read)
        made.across = sum(pair("now", "across") or ())
        made.scrub = float(scrub(made.total / 2))
        made.eats = abs(made.scrub) > SCRUB_LIMIT
    if (want := pair("wanted", "toe")) is not None:
        made.total_wanted = sum(want)
        made.across_wanted = sum(pair("wanted", "across") or ())
        made.scrub_wanted = float(scrub(made.total_wanted / 2))
        made.wanted_eats = abs(made.scrub_wanted) > SCRUB_LIMIT
    for name in ("camber", "caster"):
        if (read := pair("now", name)) is not None:
            setattr(made, f"cross_{name}", read[0] - read[1])
    return made


def _thrust(by: dict[Place, AlignedWheel], at: str) -> float | None:
    left, right = (getattr(by[p], at).toe if p in by else None for p in (Place.REAR_LEFT, Place.REAR_RIGHT))
    return None if left is None or right is None else float(thrust_angle(left, right))


def _steering(by: dict[Place, AlignedWheel], at: str) -> float | None:
    thrust = _thrust(by, at)
    left, right = (getattr(by[p], at).toe if p in by else None for p in (Place.FRONT_LEFT, Place.FRONT_RIGHT))
    return None if thrust is None or left is None or right is None else float(steered_by(thrust, left, right))


def _pull(ends: list[AlignedEnd]) -> tuple[Literal["left", "right", "no", ""], str]:
    """To which side it pulls: of the more positive camber, of the less positive caster; by the larger of them."""
    front = next((e for e in ends if e.end == "front"), None)
    if front is None or (front.cross_camber is None and front.cross_caster is None):
        return "", ""
    camber, caster = front.cross_camber or 0.0, front.cross_caster or 0.0
    strong = [
        (abs(v), side, words)
        for v, side, words in (
            (camber, "left" if camber > 0 else "right", "camber"),
            (caster, "right" if caster > 0 else "left", "caster"),
        )
        if abs(v) >= CROSS_ANGLE - 1e-9
    ]
    if not strong:
        return "no", ""
    _, side, words = max(strong)
    return side, words  # type: ignore[return-value]
