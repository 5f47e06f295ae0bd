"""The equations compiled before anybody asks: a made-up vehicle is driven over a short road."""

import numpy as np

from feder.core.benches.prove.click_map import drive_corner
from feder.core.benches.prove.run import Stop, run
from feder.core.benches.prove.tables import speeds, travels
from feder.core.benches.prove.vehicle import Axle, Vehicle, Wheel
from feder.core.document.base import PLACES
from feder.core.document.road import RoadPiece, Trial
from feder.core.numbers.quantities import G


def toy_vehicle() -> Vehicle:
    """A vehicle of round numbers, on linear springs and dampers."""
    z, v = travels(), speeds()
    wheels = tuple(
        Wheel(
            place=place, x=1.2 if place.end == "front" else -1.2, y=0.7 if place.is_left else -0.7, load=250 * G,
            unsprung=35.0, tyre_rate=2e5, spring=250 * G + 2e4 * z, stop=np.zeros_like(z), ratio=np.ones_like(z),
            damper=1500 * v, friction=0.0, droop=-0.1, touch=0.1, solid=0.1, wheel_rate=2e4, hub_to_arch=0.35,
            hub_height=0.3,
        )
        for place in PLACES
    )  # fmt: skip
    axles = (
        Axle("front", 0.0, 1.0, live=False, track=1.4, roll_centre=None),
        Axle("rear", 0.0, 1.0, live=False, track=1.4, roll_centre=None),
    )
    return Vehicle(wheels, axles, 2.4, 1440.0, 240.0, 0.5, ())


def warm() -> None:
    """Compile what is not compiled yet, and load what is."""
    trial = Trial(pieces=(RoadPiece(kind="bump", length=1, height=0.01),), speed=10)
    made = run(toy_vehicle(), trial)
    drive_corner(made.vehicle.wheels[0], [made.vehicle.wheels[0].damper], trial, made.road, 0.0, Stop())


if __name__ == "__main__":
    warm()
