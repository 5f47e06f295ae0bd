"""Rules on ratios, arms and travel limits: what was only assumed, and what cannot be."""

import itertools
from collections.abc import Iterator

from feder.core.document.base import ENDS
from feder.core.document.changes import put
from feder.core.document.vehicle import RatioAssumed, RatioFromLevers, RatioFromSweep, RatioTyped, TorsionArm
from feder.core.practice.thresholds import (
    LEVEL_TURNED,
    SWEEP_RESIDUAL,
)
from feder.core.report.findings.case import Case, angle, length, mass, share
from feder.core.report.shapes import Finding, Mend

USUAL_RATIO = (0.3, 1.15)


def unsprung_above_corner(case: Case) -> Iterator[Finding]:
    for place in case.places:
        corner = case.facts.corners[place]
        heavy = corner.end.unsprung_mass
        if corner.mass is not None and heavy is not None and heavy >= corner.mass:
            yield Finding(
                rule="unsprung_above_corner",
                grade="stop",
                place=place.value,
                station="geometry",
                text="Unsprung mass {unsprung} is not below the weight here, {mass}",
                numbers={"unsprung": mass(heavy), "mass": mass(corner.mass)},
                reason="Nothing would be left to ride on the spring. One of the two is mistyped, or the unsprung mass is "
                "that of the whole axle; it is wanted per corner.",
                mend=Mend(text="Check the weight and the unsprung mass per corner"),
            )


def ratio_of_nothing(case: Case) -> Iterator[Finding]:
    for name in ENDS:
        end = case.facts.ends[name].end
        for mount, words in ((end.spring, "spring"), (end.damper, "damper")):
            if mount is None or mount.ratio is None:
                continue
            ratio = mount.ratio
            bad = (isinstance(ratio, RatioTyped) and ratio.value <= 0) or (
                isinstance(ratio, RatioFromLevers) and abs(ratio.spring_angle) >= 1.57
            )
            if bad:
                yield Finding(
                    rule="ratio_of_nothing",
                    grade="stop",
                    place=name,
                    station="geometry",
                    text=f"The motion ratio of the {words} must be above 0",
                    reason="With a ratio of 0 the spring would not move with the wheel, and could carry nothing.",
                    mend=Mend(text="Measure again: travel of the spring over travel of the wheel"),
                )


def ratio_assumed(case: Case) -> Iterator[Finding]:
    for name in ENDS:
        ratio = case.facts.ends[name].spring.constant
        if ratio is not None and isinstance(case.facts.ends[name].end.spring.ratio, RatioAssumed):
            yield Finding(
                rule="ratio_assumed",
                grade="look",
                place=name,
                station="geometry",
                text="The motion ratio {ratio} is only the usual one of this layout",
                numbers={"ratio": share(ratio)},
                reason="It may be off by 15 %, and the wheel rate goes with its square: 30 %.",
                mend=Mend(text="Jack the wheel in steps with the spring out; note wheel and spring"),
            )


def ratio_inverted(case: Case) -> Iterator[Finding]:
    for name in ENDS:
        ratio = case.facts.ends[name].spring.constant
        typed = case.facts.ends[name].end.spring.ratio
        if (
            ratio is None
            or not isinstance(typed, RatioTyped)
            or case.document.vehicle.kind != "car"
            or USUAL_RATIO[0] <= ratio <= USUAL_RATIO[1]
        ):
            continue
        other = "wheel per spring" if typed.convention == "spring per wheel" else "spring per wheel"
        path: list[str | int] = ["vehicle", "ends", name, "spring", "ratio", "convention"]
        yield Finding(
            rule="ratio_inverted",
            grade="look",
            place=name,
            station="geometry",
            text="A motion ratio of {ratio} spring / wheel is rare on a car",
            numbers={"ratio": share(ratio)},
            reason="It looks like the inverse. The wheel rate goes with its square, so the error would be squared too.",
            mend=Mend(text=f"Read it as {other}", patch=[put(path, other)]),
        )


def limits_out_of_order(case: Case) -> Iterator[Finding]:
    """Hub to arch must fall from full droop over the stop to the damper solid."""
    for name in ENDS:
        end = case.facts.ends[name]
        heights = [("full droop", end.droop), ("stop touched", end.stop), ("damper solid", end.solid)]
        known = [(words, h) for words, h in heights if h is not None]
        for (above, high), (below, low) in itertools.pairwise(known):
            if low >= high:
                yield Finding(
                    rule="limits_out_of_order",
                    grade="stop",
                    place=name,
                    station="geometry",
                    text=f"Hub to arch with {below}, {{low}}, is not below that at {above}, {{high}}",
                    numbers={"low": length(low), "high": length(high)},
                    reason="From full droop to the solid damper the wheel only rises towards the arch.",
                    mend=Mend(text="Check both heights of the springless sweep"),
                )


def sweep_doubted(case: Case) -> Iterator[Finding]:
    for name in ENDS:
        end = case.facts.ends[name]
        if not isinstance(end.end.spring.ratio, RatioFromSweep):
            continue
        curve = end.spring.curve
        if curve is None:
            yield Finding(
                rule="sweep_without_curve",
                grade="stop",
                place=name,
                station="geometry",
                text="The sweep's pairs give no motion ratio above 0",
                reason="Hub to arch and the distance between the spring's seats must both shrink as the wheel rises, each wheel position once.",
                mend=Mend(text="Check the pairs: the larger hub to arch has the larger distance"),
            )
        elif curve.residual > SWEEP_RESIDUAL:
            yield Finding(
                rule="sweep_scattered",
                grade="look",
                place=name,
                station="geometry",
                text="One pair of the sweep lies {off} off the curve",
                numbers={"off": length(curve.residual)},
                reason="The wheel rate goes with the square of the ratio, so a slip of the tape counts twice.",
                mend=Mend(text="Measure that step again"),
            )


def level_of_arm(case: Case) -> Iterator[Finding]:
    """The level that read the arm: zeroed on the chassis, and the same way round on both sides."""
    for name in case.facts.ends:
        arm = case.facts.ends[name].end.arm
        if arm is None or case.facts.ends[name].end.layout != "torsion arm":
            continue
        if arm.chassis is None:
            yield Finding(
                rule="level_not_zeroed",
                grade="look",
                place=name,
                station="geometry",
                text="The arm's angle was read without one of the chassis",
                reason="The chassis stands level neither on the floor nor on the lift. Its angle goes into the arm's one to one.",
                mend=Mend(text="Read the chassis with the level the same way round, and type both"),
            )
        if _looks_turned(arm):
            yield Finding(
                rule="level_turned",
                grade="stop",
                place=name,
                station="geometry",
                text="The arm reads {left} on the left and {right} on the right",
                numbers={"left": angle(arm.angle), "right": angle(arm.right_angle or 0.0)},
                reason="Both arms hang alike, so the same number with the other sign means that the level was turned round.",
                mend=Mend(
                    text="Turn the level the same way round on both sides, or change the sign of one reading"
                ),
            )


def _looks_turned(arm: TorsionArm) -> bool:
    other = arm.right_angle
    return other is not None and abs(arm.angle) > LEVEL_TURNED and abs(arm.angle + other) < LEVEL_TURNED
