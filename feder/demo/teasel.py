"""Teasel, a made-up pick-up on longitudinal torsion bars in front, raised by the bolts of its bars."""

from math import radians

from feder.core.document.base import PLACES, DampingValue, LengthValue, MassValue, RateValue
from feder.core.document.brief import Brief
from feder.core.document.document import Document, LoadItem, LoadState
from feder.core.document.setup import Setup, Sides, SideSetup, SpringPart, TorsionBarPart
from feder.core.document.vehicle import (
    BoltAdjuster,
    BumpStopPart,
    End,
    Ends,
    Limits,
    Mount,
    Plate,
    RatioTyped,
    TorsionArm,
    Tyre,
    Vehicle,
)
from feder.demo.found_dampers import TEASEL
from feder.demo.survey import Readings, survey_of

_FL, _FR, _RL, _RR = PLACES
_READ: Readings = (
    ("mass", {_FL: 486, _FR: 478, _RL: 344, _RR: 338}),
    ("hub_to_arch", {_FL: 0.452, _FR: 0.455, _RL: 0.488, _RR: 0.487}),
    ("floor_to_arch", {_FL: 0.792, _FR: 0.795, _RL: 0.830, _RR: 0.829}),
    ("sill", {_FL: 0.402, _FR: 0.404, _RL: 0.431, _RR: 0.430}),
)
_BAR = TorsionBarPart(code="LB-27", diameter=0.0270, effective_length=1.120, most_stress=950e6)
_REAR = SpringPart(code="standard rear", rate=RateValue(value=38e3, how="bench"), free_length=0.395)
_STOP = ((0.0, 0.0), (0.012, 300.0), (0.024, 980.0), (0.034, 2800.0), (0.040, 6000.0))


def teasel() -> Document:
    """The whole worked pick-up."""
    return Document(
        vehicle=_vehicle(),
        brief=Brief(
            use="load carrier",
            complaint="The nose hangs since the winch was fitted, and to the left.",
            keep="No more than 15 mm over what it was: the drive shafts are near their angle.",
        ),
        surveys=(survey_of("october", "2026-10-10", _READ, ballast="driver aboard, bed empty", fuel="full tank"),),
        loads=(LoadState(id="hay", name="hay", items=(LoadItem(name="bales", mass=260, x=2.95, y=0.0),)),),
        bars=(_BAR,),
        setups=(_setup("found", None), _setup("plan", "found")),
    )


def _vehicle() -> Vehicle:
    front = End(
        layout="torsion arm",
        track=1.520,
        arm=TorsionArm(
            length=0.365,
            angle=radians(9.0),
            right_angle=radians(9.5),
            chassis=radians(-0.4),
            hub_to_arch=0.452,
            motion="wishbone",
            bolt=BoltAdjuster(lead=0.0015, lever=0.120),
        ),
        damper=Mount(ratio=RatioTyped(value=0.62, how="levers")),
        damper_coefficient=DampingValue(value=5200, how="estimated"),
        unsprung_mass=MassValue(value=46, how="estimated"),
        limits=Limits(droop=0.520, solid=0.366, contact=0.352),
        tyre=Tyre(radius=0.340, rate=RateValue(value=240e3, how="maker"), rim_diameter=0.405),
        bump_stop=BumpStopPart(length=0.062, shaft=0.080, hub_to_arch=0.452, points=_STOP),
        roll_centre=0.090,
    )
    rear = End(
        layout="live axle",
        track=1.510,
        spring_base=0.980,
        spring=Mount(ratio=RatioTyped(value=1.0, how="typed")),
        damper_coefficient=DampingValue(value=2600, how="estimated"),
        unsprung_mass=MassValue(value=72, how="estimated"),
        limits=Limits(droop=0.545, solid=0.372, contact=0.360),
        tyre=Tyre(radius=0.342, rate=RateValue(value=240e3, how="maker"), rim_diameter=0.405),
        roll_centre=0.260,
    )
    return Vehicle(
        name="Teasel",
        body="pick-up",
        description="pick-up with a winch in front, driver aboard, bed empty",
        wheelbase=LengthValue(value=2.980, how="tape"),
        plate=Plate(gross=2780, front_axle=1250, rear_axle=1650),
        sprung_cg_height=LengthValue(value=0.70, how="estimated"),
        ends=Ends(front=front, rear=rear),
    )


def _setup(name: str, parent: str | None) -> Setup:
    found = parent is None
    front = SideSetup(
        spring=_BAR,
        damper=TEASEL["front"] if found else None,
        hub_to_arch=None if found else 0.465,
        tyre_pressure=2.3e5,
    )
    rear = SideSetup(
        spring=_REAR,
        damper=TEASEL["rear"] if found else None,
        set_by="height" if found else "collar",
        collar=0.0,
        tyre_pressure=2.6e5,
    )
    sides = Sides(front_left=front, front_right=front, rear_left=rear, rear_right=rear)
    words = "as found" if found else "nose level"
    return Setup(id=name, name=words, stage="as found" if found else "plan", parent=parent, sides=sides)
