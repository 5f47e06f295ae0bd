"""Sedge, a made-up live-axle estate to be lowered on springs alone; its stops must be trimmed."""

from feder.core.document.base import PLACES, DampingValue, LengthValue, MassValue, RateValue
from feder.core.document.brief import Brief
from feder.core.document.document import Document, LoadItem, LoadState
from feder.core.document.setup import Setup, Sides, SideSetup, SpringPart, StopTrim
from feder.core.document.vehicle import (
    AntiRollBar,
    BarHole,
    BumpStopPart,
    End,
    Ends,
    Limits,
    Mount,
    Plate,
    RatioFromLevers,
    RatioTyped,
    Tyre,
    Vehicle,
)
from feder.demo.found_dampers import NORMAL, SEDGE
from feder.demo.survey import Readings, survey_of

_FL, _FR, _RL, _RR = PLACES
_READ: Readings = (
    ("mass", {_FL: 338, _FR: 331, _RL: 262, _RR: 255}),
    ("hub_to_arch", {_FL: 0.384, _FR: 0.383, _RL: 0.402, _RR: 0.401}),
    ("floor_to_arch", {_FL: 0.677, _FR: 0.676, _RL: 0.696, _RR: 0.695}),
    ("sill", {_FL: 0.212, _FR: 0.212, _RL: 0.226, _RR: 0.226}),
)
_STOP = ((0.0, 0.0), (0.010, 220.0), (0.020, 640.0), (0.030, 1700.0), (0.036, 3900.0))
_FOUND = {
    "front": SpringPart(code="standard front", rate=RateValue(value=24e3, how="bench"), free_length=0.345),
    "rear": SpringPart(code="standard rear", rate=RateValue(value=21e3, how="bench"), free_length=0.368),
}
_PLAN = {
    "front": SpringPart(code="low set front", rate=RateValue(value=30e3, how="maker"), quoted_drop=0.030),
    "rear": SpringPart(code="low set rear", rate=RateValue(value=22.5e3, how="maker"), quoted_drop=0.035),
}


def sedge() -> Document:
    """The whole worked car."""
    return Document(
        vehicle=_vehicle(),
        brief=Brief(
            use="sporty road",
            complaint="Leans and wallows when loaded for the holidays; arch gap like a field car.",
            keep="Tows a small trailer, carries two children and a tent.",
            pitch_school="flat ride",
        ),
        surveys=(survey_of("april", "2026-04-18", _READ, ballast="driver aboard", fuel="full tank"),),
        loads=(
            LoadState(
                id="holiday",
                name="holiday",
                items=(
                    LoadItem(name="two children", mass=62, x=1.75, y=0.0),
                    LoadItem(name="tent and bags", mass=95, x=2.75, y=0.0),
                    LoadItem(name="trailer nose", mass=45, x=3.70, y=0.0),
                ),
            ),
        ),
        setups=(_setup("found", None), _setup("plan", "found")),
    )


def _vehicle() -> Vehicle:
    front = End(
        layout="strut",
        track=1.455,
        spring=Mount(ratio=RatioFromLevers(spring_distance=0.350, wheel_distance=0.368, spring_angle=0.14)),
        damper_coefficient=DampingValue(value=2300, how="estimated"),
        unsprung_mass=MassValue(value=36, how="estimated"),
        limits=Limits(droop=0.458, solid=0.292, contact=0.276),
        tyre=Tyre(radius=0.298, rate=RateValue(value=205e3, how="maker"), rim_diameter=0.405),
        bar=AntiRollBar(
            rate=RateValue(value=14e3, how="maker"),
            motion_ratio=0.62,
            holes=(
                BarHole(name="outer", rate=RateValue(value=14e3, how="maker")),
                BarHole(name="inner", rate=RateValue(value=19e3, how="maker")),
            ),
        ),
        bump_stop=BumpStopPart(length=0.062, shaft=0.098, hub_to_arch=0.384, compressible=0.5, points=_STOP),
        roll_centre=0.055,
    )
    rear = End(
        layout="live axle",
        track=1.450,
        spring_base=1.020,
        spring=Mount(ratio=RatioTyped(value=1.0, how="typed")),
        damper=Mount(ratio=RatioTyped(value=0.92, how="sweep")),
        damper_coefficient=DampingValue(value=2100, how="estimated"),
        unsprung_mass=MassValue(value=58, how="estimated"),
        limits=Limits(droop=0.448, solid=0.290, contact=0.284),
        tyre=Tyre(radius=0.298, rate=RateValue(value=205e3, how="maker"), rim_diameter=0.405),
        bump_stop=BumpStopPart(length=0.078, shaft=0.112, hub_to_arch=0.402, compressible=0.5, points=_STOP),
        roll_centre=0.230,
    )
    return Vehicle(
        name="Sedge",
        body="estate",
        description="live-axle estate, driver aboard, full tank",
        wheelbase=LengthValue(value=2.620, how="tape"),
        plate=Plate(gross=1720, front_axle=860, rear_axle=930),
        sprung_cg_height=LengthValue(value=0.56, how="estimated"),
        ends=Ends(front=front, rear=rear),
    )


def _setup(name: str, parent: str | None) -> Setup:
    found = parent is None
    trims = {"front": StopTrim(length=0.048), "rear": StopTrim(length=0.060)}
    sides = {
        p.value: SideSetup(
            spring=(_FOUND if found else _PLAN)[p.end],
            damper=SEDGE[p.end] if found else None,
            mode=NORMAL,
            set_by="height" if found else "collar",
            collar=None if found else 0.0,
            stop=None if found else trims[p.end],
            tyre_pressure=2.2e5,
        )
        for p in PLACES
    }
    words = "as found" if found else "low on springs"
    return Setup(id=name, name=words, stage="as found" if found else "plan", parent=parent, sides=Sides(**sides))
