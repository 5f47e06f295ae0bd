"""Guesses about motion ratios: inverted, squared, columns or mounts exchanged."""

from collections.abc import Iterator
from math import sqrt
from typing import Any

from feder.core.causes.guess import Guess, Path, Typed, changed, number
from feder.core.document.base import EndName
from feder.core.document.vehicle import (
    Mount,
    RatioFromLeverage,
    RatioFromLevers,
    RatioFromSweep,
    RatioTyped,
)


def of_ratios(typed: Typed) -> Iterator[Guess]:
    for name, end, at in typed.ends():
        for member, mount in (("spring", end.spring), ("damper", end.damper)):
            if mount is not None and mount.ratio is not None:
                yield from _inverted(typed, name, member, (*at, member, "ratio"), mount.ratio)
        both = (end.spring.ratio, None if end.damper is None else end.damper.ratio)
        if end.damper is not None and all(isinstance(ratio, RatioTyped) for ratio in both):
            yield _mounts_exchanged(name, at, end.spring, end.damper)
    front, rear = typed.end("front"), typed.end("rear")
    if isinstance(front.spring.ratio, RatioTyped) and isinstance(rear.spring.ratio, RatioTyped):
        one, two = front.spring.ratio.value, rear.spring.ratio.value
        yield Guess(
            rule="cause_ends_exchanged",
            family="ratios",
            place="vehicle",
            station="geometry",
            text="Motion ratios of front and rear exchanged: {ratio_typed} in front, {ratio_meant} at the rear",
            act="Exchange front and rear",
            change=changed(
                (
                    (("vehicle", "ends", "front", "spring", "ratio", "value"), two),
                    (("vehicle", "ends", "rear", "spring", "ratio", "value"), one),
                )
            ),
            value=one,
            numbers={"ratio_typed": number(one, ""), "ratio_meant": number(two, "")},
            cost=0.6,
        )


def _inverted(typed: Typed, name: EndName, member: str, at: Path, ratio: Any) -> Iterator[Guess]:
    made: tuple[tuple[Path, Any], ...]
    match ratio:
        case RatioTyped(value=value, convention=convention) if value > 0:
            other = "wheel per spring" if convention == "spring per wheel" else "spring per wheel"
            made, told = (((*at, "convention"), other),), value
            text, act = (
                f"The {member}'s ratio of {{ratio_typed}} is {other}, not {convention}",
                f"Read it as {other}",
            )
            yield _squared(name, member, at, value)
        case RatioFromLevers():
            made = (
                ((*at, "spring_distance"), ratio.wheel_distance),
                ((*at, "wheel_distance"), ratio.spring_distance),
            )
            told = ratio.spring_distance / ratio.wheel_distance
            text, act = (
                f"Lever lengths of the {member} exchanged: pivot to {member} is told longer than pivot to wheel",
                "Exchange them",
            )
        case RatioFromSweep():
            made, told = (((*at, "points"), [[b, a] for a, b in ratio.points]),), ratio.points[0][0]
            text, act = (
                f"Columns of the {member}'s sweep exchanged: hub to arch stands where the distance of the seats belongs",
                "Exchange the columns",
            )
        case RatioFromLeverage():
            made, told = (((*at, "points"), [[t, 1 / r] for t, r in ratio.points if r > 0]),), ratio.points[0][1]
            text, act = (
                "The leverage curve is told the other way round: shock per wheel, not wheel per shock",
                "Turn it round",
            )
        case _:
            return
    yield Guess(
        rule="cause_ratio_inverted",
        family="ratios",
        place=name,
        station="geometry",
        text=text,
        act=act,
        change=changed(made),
        value=told,
        numbers={"ratio_typed": number(told, "")},
        cost=0.1,
        paths=(at,),
    )


def _squared(name: str, member: str, at: Path, value: float) -> Guess:
    """The square of the ratio typed as the ratio."""
    root = sqrt(value)
    return Guess(
        rule="cause_ratio_squared",
        family="ratios",
        place=name,
        station="geometry",
        text=f"The {member}'s ratio of {{ratio_typed}} is squared already: it is {{ratio_meant}}",
        act="Make it {ratio_meant}",
        change=changed((((*at, "value"), root),)),
        value=value,
        numbers={"ratio_typed": number(value, ""), "ratio_meant": number(root, "")},
        cost=0.55,
        paths=(at,),
    )


def _mounts_exchanged(name: str, at: Path, spring: Mount, damper: Mount) -> Guess:
    plain = [m.ratio.model_dump(mode="json") for m in (spring, damper) if m.ratio is not None]
    return Guess(
        rule="cause_mounts_exchanged",
        family="ratios",
        place=name,
        station="geometry",
        text="Motion ratios of spring and damper exchanged",
        act="Exchange spring and damper",
        change=changed((((*at, "spring", "ratio"), plain[1]), ((*at, "damper", "ratio"), plain[0]))),
        value=0.0,
        cost=0.35,
        paths=((*at, "spring", "ratio"), (*at, "damper", "ratio")),
    )
