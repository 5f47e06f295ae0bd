"""What can be doubted of a measured damper curve: few velocities, where it begins and ends, what was left in."""

from collections.abc import Iterator, Sequence
from typing import NamedTuple

from feder.core.practice.targets import HIGH_SPEED
from feder.core.practice.thresholds import LEFT_IN, SLOWEST_READ

ENOUGH = 3
"""Velocities on one side from which a bend can be seen."""
SIDES = ("rebound", "bump")
Points = Sequence[Sequence[float]]


class Doubt(NamedTuple):
    """A doubt in words, with the numbers that stand in them: name, value, SI unit."""

    text: str
    numbers: dict[str, tuple[float, str]]


def doubts_of(points: Points, sides: Sequence[str] = SIDES) -> Iterator[Doubt]:
    """What can be doubted of one curve, [velocity, force], closing positive; `sides` are those that it tells."""
    rest: dict[str, float] = {}
    for words, way in zip(SIDES, (-1.0, 1.0), strict=True):
        if words not in sides:
            continue
        side = sorted((v * way, f * way) for v, f in points if v * way > 0)
        if not side:
            yield Doubt(f"no velocity in {words}: the other side goes straight on", {})
            continue
        if len(side) < ENOUGH:
            yield Doubt(
                f"{len(side)} {'velocity' if len(side) == 1 else 'velocities'} in {words}: no bend is seen", {}
            )
        if side[0][0] > SLOWEST_READ:
            yield Doubt(f"{words} begins at {{speed}}: low speed lies before it", {"speed": (side[0][0], "m/s")})
        if side[-1][0] < HIGH_SPEED - 1e-9:
            yield Doubt(f"{words} ends at {{speed}}: beyond it goes straight on", {"speed": (side[-1][0], "m/s")})
        if len(side) >= ENOUGH and side[0][0] <= SLOWEST_READ:
            (v, f), (after, more) = side[0], side[1]
            rest[words] = (f - (more - f) / (after - v) * v) * way
    if len(rest) == 2:
        gas, friction = (rest["bump"] + rest["rebound"]) / 2, (rest["bump"] - rest["rebound"]) / 2
        if abs(gas) > LEFT_IN:
            yield Doubt("at rest it stands at {force}: gas push was left in", {"force": (gas, "N")})
        if friction > LEFT_IN:
            yield Doubt(
                "both sides begin {force} apart from rest: friction was left in", {"force": (friction, "N")}
            )
