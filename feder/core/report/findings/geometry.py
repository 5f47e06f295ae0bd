"""Rules on ratios and travel limits: what was only assumed, and what cannot be."""

import itertools
from collections.abc import Iterator

from feder.core.document.base import ENDS
from feder.core.document.changes import PatchStep
from feder.core.document.vehicle import RatioAssumed, RatioFromLevers, RatioTyped
from feder.core.report.findings.case import Case, Rule, length, share
from feder.core.report.shapes import Finding, Mend

USUAL_RATIO = (0.3, 1.15)
"""Motion ratios (spring / wheel) of cars; outside of it the inverse was probably typed."""


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
            mend=Mend(text=f"Read it as {other}", patch=[PatchStep(path=path, value=other)]),
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


GEOMETRY_RULES: tuple[Rule, ...] = (ratio_of_nothing, ratio_assumed, ratio_inverted, limits_out_of_order)
