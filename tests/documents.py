"""Vehicles for tests that are not in the demo workshop: a car on torsion bars, a motorcycle, a bicycle on air."""

from math import radians

from feder.core.document.base import DampingValue, LengthValue, MassValue, RateValue
from feder.core.document.brief import Brief
from feder.core.document.document import Document, LoadItem, LoadState
from feder.core.document.setup import AirSpringPart, Setup, Sides, SideSetup, SpringPart, TorsionBarPart
from feder.core.document.survey import Reading, Survey
from feder.core.document.vehicle import (
    End,
    Ends,
    Fork,
    Limits,
    Mount,
    RatioFromLeverage,
    RatioTyped,
    TorsionArm,
    Tyre,
    Vehicle,
)
from tests.changes import with_end, with_side

BAR = TorsionBarPart(code="bar 22.5", diameter=0.0225, effective_length=1.0, inner_splines=36, outer_splines=40)
ARM = TorsionArm(length=0.38, angle=radians(13.0), chassis=radians(1.0), hub_to_arch=0.368)


def on_bars(car: Document) -> Document:
    """The demo car with its rear on trailing arms and torsion bars, 15 mm lower asked for."""
    car = with_end(
        car,
        "rear",
        layout="torsion arm",
        arm=ARM,
        spring=Mount(),
        damper=Mount(ratio=RatioTyped(value=0.8)),
        tyre=Tyre(radius=0.288),
    )
    car = with_end(car, "front", tyre=Tyre(radius=0.288))
    for place in ("rear_left", "rear_right"):
        car = with_side(car, "found", place, spring=BAR)
        hub = 0.353 if place == "rear_left" else 0.351
        car = with_side(car, "plan", place, spring=BAR, hub_to_arch=hub, seat=None)
    for place, hub in (("front_left", 0.376), ("front_right", 0.374)):
        car = with_side(car, "plan", place, hub_to_arch=hub)
    return car


LEVERAGE = ((0.0, 2.4), (0.03, 2.25), (0.06, 2.12), (0.09, 2.0), (0.12, 1.9))
FORK_SPRING = SpringPart(code="fork", rate=RateValue(value=8500), free_length=0.300, solid_length=0.13)
SHOCK_SPRING = SpringPart(code="shock", rate=RateValue(value=95e3), free_length=0.200, solid_length=0.10)


def roadster(rear: End | None = None, shock: SpringPart | AirSpringPart = SHOCK_SPRING) -> Document:
    """A motorcycle: telescopic fork, single shock on a linkage; a rider of 80 kg as a load."""
    front = End(
        layout="fork",
        fork=Fork(rake=radians(25), read="vertical"),
        unsprung_mass=MassValue(value=16),
        damper_coefficient=DampingValue(value=450),
        limits=Limits(droop=0.620, solid=0.500),
    )
    linkage = End(
        layout="linkage",
        spring=Mount(ratio=RatioFromLeverage(points=LEVERAGE)),
        unsprung_mass=MassValue(value=20),
        limits=Limits(droop=0.480, solid=0.360),
    )
    values = {"front": {"mass": 95, "hub_to_arch": 0.598}, "rear": {"mass": 100, "hub_to_arch": 0.468}}
    readings = [Reading(place=p, quantity=q, value=v) for p, row in values.items() for q, v in row.items()]
    sides = Sides(front=SideSetup(spring=FORK_SPRING, collar=0.004), rear=SideSetup(spring=shock, collar=0.0))
    plan = Sides(
        front=SideSetup(spring=FORK_SPRING, set_by="collar", collar=0.004),
        rear=SideSetup(spring=shock, set_by="height", hub_to_arch=0.468),
    )
    return Document(
        vehicle=Vehicle(
            name="test roadster",
            kind="motorcycle",
            body="motorcycle",
            wheelbase=LengthValue(value=1.43),
            ends=Ends(front=front, rear=rear or linkage),
        ),
        brief=Brief(use="road motorcycle"),
        surveys=(Survey(id="first", readings=tuple(readings)),),
        loads=(LoadState(id="rider", name="rider", items=(LoadItem(name="rider", mass=80, x=0.8),)),),
        setups=(
            Setup(id="found", name="as found", stage="as found", sides=sides),
            Setup(id="plan", name="plan", stage="plan", parent="found", sides=plan),
        ),
    )


AIR = AirSpringPart(
    code="air shock",
    area=1.2e-3,
    volume=1.6e-4,
    travel=0.06,
    spacer_volume=1.2e-5,
    spacers=2,
    negative_area=1.0e-3,
    negative_volume=3.0e-5,
    equalise_at=0.004,
)


def end_of(document: Document, name: str) -> End:
    return getattr(document.vehicle.ends, name)
