"""What a stand-in measures: the true values of a made-up vehicle, or of one in the garage, as a file."""

import json
from pathlib import Path
from typing import Any

from feder.core.document.damper import DamperPart
from feder.core.document.document import Document
from feder.core.document.setup import SpringPart
from feder.core.numbers.errors import BadFile
from feder.instruments.kinds import CORNERS

Truth = dict[str, dict[str, Any]]
"""By kind of instrument what is true, in SI: by the place it is held at, or of a bench what is clamped in it."""

MADE_UP: Truth = {
    "scales": dict(zip(CORNERS, (312.5, 293.5, 203.0, 201.0), strict=True)),
    "level": {"": -0.0419},
    "height": {"": 0.6342},
    "gauge": {"": 1.9e5},
    "spring_bench": {"rate": 40.4e3, "travel": 0.06},
    "damper_bench": {
        "points": [[-0.6, -1700.0], [-0.12, -900.0], [0.0, 0.0], [0.12, 420.0], [0.6, 900.0]],
    },
    "logger": {"frequency": 1.62, "damping_ratio": 0.31, "bump": 0.04},
}
"""A car that nobody has."""


def truth_of(document: Document) -> Truth:
    """What stand-ins show of a vehicle of the garage: as it was surveyed; what it does not say is made up."""
    made: Truth = {kind: dict(told) for kind, told in MADE_UP.items()}
    first = next(iter(document.surveys), None)
    if first is None:
        return made
    for kind, names in (("scales", ("mass",)), ("height", None)):
        found: dict[str, list[float]] = {}
        for r in first.readings:
            if (r.quantity == "mass") == (names is not None):
                key = r.place.value if names else f"{r.quantity} {r.place.value}"
                found.setdefault(key, []).append(r.value)
        if found:
            made[kind] = {k: sum(v) / len(v) for k, v in found.items()}
    made["level"], made["gauge"] = {}, {}
    for place in document.places:
        side = getattr(document.setups[0].sides, place.value)
        for name in ("camber", "caster"):
            if getattr(side, name) is not None:
                made["level"][f"{name} {place.value}"] = getattr(side, name)
        if side.tyre_pressure is not None:
            made["gauge"][f"pressure {place.value}"] = side.tyre_pressure
    for wheel in first.wheels:
        where = wheel.place.value
        for name in ("camber", "caster", "toe_angle", "plate"):
            value = getattr(wheel, name)
            if value is not None:
                made["level"][f"{name} {where}"] = value
        if wheel.pressure_cold is not None:
            made["gauge"][f"pressure {where}"] = wheel.pressure_cold
    for end in ("front", "rear"):
        arm = getattr(document.vehicle.ends, end).arm
        if arm is not None:
            right = arm.angle if arm.right_angle is None else arm.right_angle
            made["level"] |= {f"arm {end}_left": arm.angle, f"arm {end}_right": right}
            made["level"] |= {f"chassis {end}_{side}": arm.chassis or 0.0 for side in ("left", "right")}
    for side in (getattr(document.setups[0].sides, p.value) for p in document.places):
        if isinstance(side.spring, SpringPart):
            made["spring_bench"] = {"rate": side.spring.rate.value, "travel": 0.06}
            break
    for side in (getattr(document.setups[0].sides, p.value) for p in document.places):
        part = getattr(side, "damper", None)
        if isinstance(part, DamperPart) and part.rows:
            made["damper_bench"] = {"points": [list(pair) for pair in sorted({(0.0, 0.0), *part.rows[0].points})]}
            break
    return made


def truth_from(path: Path) -> Truth:
    """The truth that a file tells, over the made-up one.

    Raises:
        BadFile: the file is none, or tells no numbers.
    """
    try:
        told = json.loads(path.read_text(encoding="utf-8"))
        if not isinstance(told, dict) or any(not isinstance(v, dict) for v in told.values()):
            raise ValueError("no object of objects")
    except (OSError, ValueError) as error:
        raise BadFile([{"place": str(path), "message": f"tells no true values: {error}"}]) from None
    unknown = set(told) - set(MADE_UP)
    if unknown:
        raise BadFile([{"place": str(path), "message": f"{sorted(unknown)[0]} is no instrument"}])
    return {kind: dict(told.get(kind, MADE_UP[kind])) for kind in MADE_UP}
