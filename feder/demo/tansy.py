"""Tansy, a made-up front-driven delivery estate on transverse torsion bars at the rear, to be set level."""

from math import radians

from feder.core.document.base import PLACES, DampingValue, LengthValue, MassValue, RateValue
from feder.core.document.brief import Brief
from feder.core.document.document import Document, LoadItem, LoadState
from feder.core.document.setup import Setup, Sides, SideSetup, SpringPart, TorsionBarPart
from feder.core.document.vehicle import (
    BumpStopPart,
    End,
    Ends,
    Limits,
    Mount,
    Plate,
    PlateAdjuster,
    RatioTyped,
    TorsionArm,
    Tyre,
    Vehicle,
)
from feder.demo.found_dampers import TANSY
from feder.demo.survey import Readings, survey_of

_FL, _FR, _RL, _RR = PLACES
_READ: Readings = (
    ("mass", {_FL: 352, _FR: 344, _RL: 262, _RR: 256}),
    ("hub_to_arch", {_FL: 0.346, _FR: 0.346, _RL: 0.352, _RR: 0.351}),
    ("floor_to_arch", {_FL: 0.632, _FR: 0.632, _RL: 0.640, _RR: 0.639}),
    ("sill", {_FL: 0.205, _FR: 0.205, _RL: 0.232, _RR: 0.231}),
)
_FRONT = SpringPart(code="standard front", rate=RateValue(value=21e3, how="maker"), free_length=0.352)
_STOP = ((0.0, 0.0), (0.010, 210.0), (0.020, 620.0), (0.028, 1900.0), (0.034, 4100.0))


def _bar(millimetres: float) -> TorsionBarPart:
    return TorsionBarPart(
        code=f"TB-{millimetres:g}",
        diameter=millimetres / 1e3,
        effective_length=0.980,
        inner_splines=36,
        outer_splines=40,
        most_stress=900e6,
    )


FITTED = _bar(25)


def tansy() -> Document:
    """The whole worked car."""
    return Document(
        vehicle=_vehicle(),
        brief=Brief(
            use="comfort road",
            complaint="Stands tail-high since the bars were pulled; the chart at hand is for another weight.",
            keep="Carries crates to the market twice a week; the tail must not drag on the ramp of the yard.",
        ),
        surveys=(
            survey_of("march", "2026-03-07", _READ, ballast="driver aboard, load room empty", fuel="half tank"),
        ),
        loads=(
            LoadState(
                id="market",
                name="market round",
                items=(
                    LoadItem(name="crates", mass=150, x=2.35, y=0.0),
                    LoadItem(name="trestles", mass=34, x=2.60, y=-0.35),
                ),
            ),
        ),
        bars=(_bar(23.5), FITTED, _bar(26.5)),
        setups=(_setup("found", None), _setup("plan", "found")),
    )


def _vehicle() -> Vehicle:
    front = End(
        layout="strut",
        track=1.415,
        spring=Mount(ratio=RatioTyped(value=0.95, how="sweep")),
        damper_coefficient=DampingValue(value=1500, how="estimated"),
        unsprung_mass=MassValue(value=33, how="scales"),
        limits=Limits(droop=0.418, stop=0.308, solid=0.291, contact=0.272),
        tyre=Tyre(radius=0.284, rate=RateValue(value=190e3, how="maker"), rim_diameter=0.355),
        roll_centre=0.050,
    )
    rear = End(
        layout="torsion arm",
        track=1.400,
        arm=TorsionArm(
            length=0.400,
            angle=radians(8.6),
            right_angle=radians(8.45),
            chassis=radians(0.6),
            hub_to_arch=0.352,
            adjuster=PlateAdjuster(up=radians(1.2), down=radians(1.2), per_turn=radians(0.4)),
        ),
        damper=Mount(ratio=RatioTyped(value=0.82, how="sweep")),
        damper_coefficient=DampingValue(value=1700, how="estimated"),
        unsprung_mass=MassValue(value=27, how="scales"),
        limits=Limits(droop=0.430, solid=0.259, contact=0.246),
        tyre=Tyre(radius=0.288, rate=RateValue(value=190e3, how="maker"), rim_diameter=0.355),
        bump_stop=BumpStopPart(length=0.050, shaft=0.096, hub_to_arch=0.352, compressible=0.5, points=_STOP),
        roll_centre=0.020,
    )
    return Vehicle(
        name="Tansy",
        body="estate",
        description="front-driven delivery estate, driver aboard, empty",
        wheelbase=LengthValue(value=2.520, how="tape"),
        plate=Plate(gross=1560, front_axle=800, rear_axle=820),
        sprung_cg_height=LengthValue(value=0.52, how="estimated"),
        ends=Ends(front=front, rear=rear),
    )


def _setup(name: str, parent: str | None) -> Setup:
    found = parent is None
    front = SideSetup(
        spring=_FRONT,
        damper=TANSY["front"] if found else None,
        set_by="height" if found else "collar",
        collar=0.0,
        tyre_pressure=2.0e5,
    )
    rear = SideSetup(
        spring=FITTED,
        damper=TANSY["rear"] if found else None,
        hub_to_arch=None if found else 0.322,
        tyre_pressure=2.0e5,
    )
    sides = Sides(front_left=front, front_right=front, rear_left=rear, rear_right=rear)
    words = "as found" if found else "level empty"
    return Setup(id=name, name=words, stage="as found" if found else "plan", parent=parent, sides=sides)
