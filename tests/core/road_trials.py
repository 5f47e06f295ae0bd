"""A plain vehicle and roads for what is driven in tests, and the same equations written another way."""

from dataclasses import replace

import numpy as np

from feder.core.benches.prove.road import Road, Stretch
from feder.core.benches.prove.tables import speeds, travels
from feder.core.benches.prove.vehicle import Axle, Vehicle, Wheel
from feder.core.document.base import PLACES, WHEELS, Place
from feder.core.document.road import RoadPiece, Trial
from feder.core.numbers.quantities import G

MASS = {"front": 270.0, "rear": 190.0}
RATE = {"front": 21e3, "rear": 24e3}
DAMPING = {"front": 1700.0, "rear": 1300.0}
WHEELBASE, TRACK = 2.44, 1.42


def wheel(place: Place, x: float, y: float, **but) -> Wheel:
    end, z = place.end, travels()
    made = {
        "place": place, "x": x, "y": y, "load": MASS[end] * G, "unsprung": 34.0 if end == "front" else 29.0,
        "tyre_rate": 2.05e5, "spring": MASS[end] * G + RATE[end] * z, "stop": np.zeros_like(z),
        "ratio": np.ones_like(z), "damper": DAMPING[end] * speeds(), "friction": 0.0, "droop": -0.2, "touch": 0.2,
        "solid": 0.2, "wheel_rate": RATE[end], "hub_to_arch": 0.35, "hub_height": 0.3,
    }  # fmt: skip
    return Wheel(**(made | but))


def axle(name: str, **but) -> Axle:
    return Axle(
        **({"name": name, "bar_rate": 0.0, "base": 1.0, "live": False, "track": TRACK, "roll_centre": None} | but)
    )


def car(**of_axles) -> Vehicle:
    """Linear springs, dampers and tyres, far from every limit."""
    ahead = WHEELBASE * MASS["rear"] / sum(MASS.values())
    wheels = tuple(
        wheel(p, ahead if p.end == "front" else ahead - WHEELBASE, TRACK / 2 if p.is_left else -TRACK / 2)
        for p in PLACES
    )
    mass = 2 * sum(MASS.values())
    axles = (axle("front", **of_axles), axle("rear", **of_axles))
    return Vehicle(
        wheels, axles, WHEELBASE, mass * ahead * (WHEELBASE - ahead), mass * (0.35 * TRACK) ** 2, 0.52, ()
    )


def bike() -> Vehicle:
    ahead = 1.4 * MASS["rear"] / sum(MASS.values())
    wheels = tuple(wheel(p, ahead if p is Place.FRONT else ahead - 1.4, 0.0) for p in WHEELS)
    axles = (axle("front", track=0.0), axle("rear", track=0.0))
    mass = sum(MASS.values())
    return Vehicle(wheels, axles, 1.4, mass * ahead * (1.4 - ahead), 0.0, 0.6, ())


def with_wheels(vehicle: Vehicle, end: str | None = None, **members) -> Vehicle:
    """The same with other members of its wheels, of one end or all."""
    changed = (replace(w, **members) if end in (None, w.place.end) else w for w in vehicle.wheels)
    return vehicle.with_wheels(tuple(changed))


def road(left, right=None, step: float = 0.005, name: str = "bumps") -> Road:
    """A road of heights."""
    heights = np.array([left, left if right is None else right])
    return Road(heights, (), (Stretch(name, 0.0, (heights.shape[1] - 1) * step, False, 0.0),), step)


def flat(metres: float, speed: float) -> Trial:
    return Trial(pieces=(RoadPiece(kind="flat", length=metres),), speed=speed)
