"""Rules on ratios, arms and travel limits: what was only assumed, and what cannot be."""

import itertools
from collections.abc import Iterator

from feder.core.document.base import ENDS, EndName
from feder.core.document.changes import put
from feder.core.document.vehicle import RatioAssumed, RatioFromLevers, RatioFromSweep, RatioTyped, TorsionArm
from feder.core.practice.thresholds import (
    ARMS_APART,
    SWEEP_RESIDUAL,
)
from feder.core.report.findings.case import Case, angle, length, mass, share
from feder.core.report.shapes import Finding, Mend


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
        apart = _arms_apart(case, name, arm)
        if apart is None or arm.right_angle is None:
            continue
        turned = abs(_arms_apart(case, name, arm.but(right_angle=-arm.right_angle)) or 0.0) < ARMS_APART
        told = {"left": angle(arm.angle), "right": angle(arm.right_angle)}
        if abs(apart) <= ARMS_APART:
            continue
        if turned:
            path: list[str | int] = ["vehicle", "ends", name, "arm", "right_angle"]
            yield Finding(
                rule="level_turned",
                grade="stop",
                place=name,
                station="geometry",
                text="The arm reads {left} on the left and {right} on the right: the level was turned round",
                numbers=told,
                reason="Both arms hang alike, so the same number with the other sign means that the level was turned round.",
                mend=Mend(text="Change the sign of the right one", patch=[put(path, -arm.right_angle)]),
            )
        else:
            yield Finding(
                rule="arms_apart",
                grade="look",
                place=name,
                station="geometry",
                text="The arm reads {left} on the left and {right} on the right: their heights make only {made} of that",
                numbers={**told, "made": angle(abs(arm.right_angle - arm.angle - apart))},
                reason="Two arms of one length stand apart by the difference of their heights over that length. One reading is off, an "
                "arm is bent, or a bar sits a spline away; its height would tell then.",
                mend=Mend(text="Read both arms again, the level on the same faces"),
            )


def _arms_apart(case: Case, end: EndName, arm: TorsionArm) -> float | None:
    """By how much the right arm stands lower than the left one, beside what their heights make of it.

    They may have been read with both wheels at one height: the way of reading that leaves less is taken.
    """
    left, right = (case.facts.corners[p].hub_to_arch for p in case.facts.places_at(end))
    if arm.right_angle is None or left is None or right is None:
        return None
    # a wheel that hangs lower has the larger hub to arch, and its arm the larger angle
    read = arm.right_angle - arm.angle
    return min(read, read - (float(right) - float(left)) / arm.length, key=abs)
