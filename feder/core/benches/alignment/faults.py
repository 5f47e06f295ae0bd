"""Whose fault it is: what a read-out says in words, the cause before what follows from it."""

from dataclasses import dataclass, field
from typing import Literal

from feder.core.benches.alignment.aligned import AlignedEnd, AlignedWheel
from feder.core.benches.alignment.wear import WornTyre
from feder.core.document.base import Place
from feder.core.practice.thresholds import CROSS_ANGLE, SCRUB_LIMIT, THRUST_LOOK, WHEEL_LOOK
from feder.core.report.shapes import Figure

Grade = Literal["stop", "look", "note"]


@dataclass(slots=True)
class AlignmentWord:
    """One thing said of a read-out: whose fault, the number, and what it does. `text` has places for `numbers`."""

    rule: str
    grade: Grade
    place: str
    text: str
    reason: str
    mend: str
    numbers: dict[str, Figure] = field(default_factory=dict)


def faults_of(
    by: dict[Place, AlignedWheel],
    ends: list[AlignedEnd],
    thrust: float | None,
    wheel: float | None,
    steering: float | None,
    worn: list[WornTyre],
) -> list[AlignmentWord]:
    """What is at fault, the cause before what follows from it."""
    said: list[AlignmentWord] = []
    if thrust is not None and abs(thrust) >= THRUST_LOOK - 1e-9:
        said.append(
            AlignmentWord(
                "thrust_off", "look", "rear",
                "The rear axle points {thrust} to the {side}: it runs askew and the steering wheel stands off."
                .replace("{side}", "right" if thrust > 0 else "left"),
                "Both rear wheels roll along one line, half the difference of their toes; the front wheels follow "
                "it, however well they are set.",
                "Set the rear toes first, each for itself; then the front",
                {"thrust": Figure(abs(thrust), "rad")},
            )
        )  # fmt: skip
    said += [w for e in ends if (w := _toe_word(by, e)) is not None]
    front = next((e for e in ends if e.end == "front"), None)
    if front is not None and front.cross_caster is not None and abs(front.cross_caster) >= CROSS_ANGLE - 1e-9:
        side = "right" if front.cross_caster > 0 else "left"
        said.append(
            AlignmentWord(
                "cross_caster", "look", "front",
                f"Caster differs by {{cross}} left less right: it pulls to the {side}, the side with less of it.",
                "From half a degree on the difference is felt at the wheel.",
                "Set caster before camber, and camber before toe",
                {"cross": Figure(front.cross_caster, "rad")},
            )
        )  # fmt: skip
    for end in ends:
        if end.cross_camber is not None and abs(end.cross_camber) >= CROSS_ANGLE - 1e-9:
            side = "left" if end.cross_camber > 0 else "right"
            pulls = f" it pulls to the {side}, the side with the more positive one." if end.end == "front" else "."
            said.append(
                AlignmentWord(
                    "cross_camber", "look", end.end,
                    f"Camber of the {end.end} differs by {{cross}} left less right:{pulls}".replace(":.", "."),
                    "A wheel leaning out more than its fellow pushes sideways.",
                    "Set camber of the side that is off what is wanted; then toe",
                    {"cross": Figure(end.cross_camber, "rad")},
                )
            )  # fmt: skip
    for place, told in by.items():
        if told.camber_off:
            said.append(
                AlignmentWord(
                    "camber_off", "look", place.value,
                    f"Camber {place.words} is {{now}}, wanted {{wanted}}.",
                    "So far off its wish it wears and grips otherwise than planned.",
                    "Set it at its adjuster, then toe again",
                    {
                        "now": Figure(told.now.camber or 0.0, "rad"),
                        "wanted": Figure(told.wanted.camber or 0.0, "rad"),
                    },
                )
            )  # fmt: skip
    if wheel is not None and abs(wheel) >= WHEEL_LOOK - 1e-9 and not said:
        side = "right" if wheel > 0 else "left"
        said.append(
            AlignmentWord(
                "wheel_off_centre", "look", "front",
                f"The steering wheel stands {{wheel}} to the {side} when it runs straight.",
                "The axle's total toe is sound; it is not shared alike, and the wheels share it on the road.",
                "Turn both front rods alike, one shorter, the other longer, the wheel held straight",
                {"wheel": Figure(abs(wheel), "rad")},
            )
        )  # fmt: skip
    said += [_wear_word(w) for w in worn if w.grade]
    return said


def _toe_word(by: dict[Place, AlignedWheel], end: AlignedEnd) -> AlignmentWord | None:
    if end.scrub is None or end.total is None:
        return None
    numbers = {"scrub": Figure(abs(end.scrub), "m/km"), "limit": Figure(float(SCRUB_LIMIT), "m/km")}
    if end.eats:
        way, edge = ("out", "inner") if end.total < 0 else ("in", "outer")
        camber = [w.now.camber for p, w in by.items() if p.end == end.end and w.now.camber is not None]
        stands = "" if any(w.camber_off for p, w in by.items() if p.end == end.end) or not camber else (
            " Camber stands within its band: it is the toe's doing first."
        )  # fmt: skip
        return AlignmentWord(
            "toe_scrubs", "look", end.end,
            f"Toe {way} of the {end.end}: {{scrub}} of scrub eats the {edge} edges, limit {{limit}}.{stands}",
            "Running straight both wheels share the axle's total toe, each slips half of it sideways.",
            _instead(end), numbers,
        )  # fmt: skip
    rims = [w for p, w in by.items() if p.end == end.end and w.toe_off]
    if rims:
        return AlignmentWord(
            "toe_off", "note", end.end,
            f"Toe of the {end.end} is off what is wanted; it scrubs {{scrub}}, under the limit of {{limit}}.",
            "It eats no tyre, but steers otherwise than planned.", "Turn the rods as told", numbers,
        )  # fmt: skip
    if end.wanted_eats and end.scrub_wanted is not None:
        numbers["scrub"] = Figure(abs(end.scrub_wanted), "m/km")
        return AlignmentWord(
            "wanted_toe_scrubs", "note", end.end,
            f"The toe wanted at the {end.end} itself scrubs {{scrub}}; {{limit}} is the limit.",
            "On a circuit it may be worth its tyres; on the road it is not.", "Want less of it", numbers,
        )  # fmt: skip
    return None


def _instead(end: AlignedEnd) -> str:
    """What to set it to; a toe that is wanted and itself eats tyres mends nothing."""
    if not end.wanted_eats:
        return "Set the toe to what is wanted, rear before front"
    return "The toe wanted here eats them too: want less of it, then set it, rear before front"


def _wear_word(worn: WornTyre) -> AlignmentWord:
    return AlignmentWord(
        "tyre_wears", worn.grade or "note", worn.place.value, worn.words, worn.reason, worn.mend,
        {"less": Figure(worn.less, "m")},
    )  # fmt: skip
