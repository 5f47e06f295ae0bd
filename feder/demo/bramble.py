"""Bramble, a made-up farrier's van: anvil, gas, water and tools, empty, on its round and full."""

from feder.core.document.base import PLACES, DampingValue, LengthValue, MassValue, RateValue
from feder.core.document.brief import Brief
from feder.core.document.document import Document, LoadItem, LoadState
from feder.core.document.setup import Setup, Sides, SideSetup, SpringPart
from feder.core.document.vehicle import BumpStopPart, End, Ends, Limits, Mount, Plate, RatioTyped, Tyre, Vehicle
from feder.demo.found_dampers import BRAMBLE
from feder.demo.survey import Readings, survey_of

_FL, _FR, _RL, _RR = PLACES
_READ: Readings = (
    ("mass", {_FL: 512, _FR: 498, _RL: 368, _RR: 361}),
    ("hub_to_arch", {_FL: 0.412, _FR: 0.410, _RL: 0.436, _RR: 0.435}),
    ("floor_to_arch", {_FL: 0.742, _FR: 0.740, _RL: 0.766, _RR: 0.765}),
)
_STOP = ((0.0, 0.0), (0.015, 380.0), (0.030, 1150.0), (0.045, 3300.0), (0.055, 8200.0))
_FOUND = {
    "front": SpringPart(code="standard front", rate=RateValue(value=38e3, how="bench"), free_length=0.372),
    "rear": SpringPart(code="standard rear", rate=RateValue(value=34e3, how="bench"), free_length=0.362),
}
_LOAD_SPRING = SpringPart(
    code="load 52",
    rate=RateValue(value=52e3, how="maker"),
    free_length=0.330,
    solid_length=0.146,
    wire_diameter=0.0155,
    inside_diameter=0.098,
    most_load=9500.0,
)
_TOOLS = LoadItem(name="tools and shoes", mass=140, x=2.10, y=-0.35)
_ANVIL = LoadItem(name="anvil and stand", mass=96, x=3.40, y=0.10)
_FORGE = LoadItem(name="gas forge, two bottles", mass=88, x=2.70, y=0.55)


def bramble() -> Document:
    """The whole worked van."""
    return Document(
        vehicle=_vehicle(),
        brief=Brief(
            use="load carrier",
            complaint="Sags tail down with the anvil in and thumps its stops in every yard gate.",
            keep="Must stay near level empty; the ramp to the forge scrapes below 150 mm at the tail.",
            stop_school="not touched",
        ),
        surveys=(survey_of("october", "2026-10-09", _READ, ballast="driver aboard", fuel="half tank"),),
        loads=(
            LoadState(id="round", name="on the round", items=(_TOOLS, _ANVIL, _FORGE)),
            LoadState(
                id="full",
                name="full, with bar stock",
                items=(
                    _TOOLS,
                    _ANVIL,
                    _FORGE,
                    LoadItem(name="water", mass=110, x=1.60, y=0.0),
                    LoadItem(name="bar stock", mass=180, x=2.60, y=0.0),
                ),
            ),
        ),
        setups=(_setup("found", None), _setup("plan", "found")),
    )


def _vehicle() -> Vehicle:
    front = End(
        layout="strut",
        track=1.610,
        spring=Mount(ratio=RatioTyped(value=0.95, how="levers")),
        damper_coefficient=DampingValue(value=4000, how="estimated"),
        unsprung_mass=MassValue(value=48, how="estimated"),
        limits=Limits(droop=0.486, stop=0.352, solid=0.318, contact=0.300),
        tyre=Tyre(radius=0.336, rate=RateValue(value=290e3, how="maker"), rim_diameter=0.430),
    )
    rear = End(
        layout="live axle",
        track=1.600,
        spring_base=1.120,
        spring=Mount(ratio=RatioTyped(value=1.0, how="typed")),
        damper=Mount(ratio=RatioTyped(value=0.95, how="sweep")),
        damper_coefficient=DampingValue(value=3900, how="estimated"),
        unsprung_mass=MassValue(value=74, how="estimated"),
        limits=Limits(droop=0.484, solid=0.306, contact=0.292),
        tyre=Tyre(radius=0.336, rate=RateValue(value=310e3, how="maker"), rim_diameter=0.430),
        bump_stop=BumpStopPart(length=0.090, shaft=0.142, hub_to_arch=0.436, compressible=0.5, points=_STOP),
    )
    return Vehicle(
        name="Bramble",
        body="van",
        description="farrier's van, driver aboard, racks in, nothing carried",
        wheelbase=LengthValue(value=3.050, how="tape"),
        plate=Plate(gross=2800, front_axle=1450, rear_axle=1500),
        ends=Ends(front=front, rear=rear),
    )


def _setup(name: str, parent: str | None) -> Setup:
    found = parent is None
    sides = {}
    for place in PLACES:
        spring = _FOUND[place.end] if found or place.end == "front" else _LOAD_SPRING
        pressure = 3.2e5 if place.end == "front" else 3.6e5
        sides[place.value] = SideSetup(
            spring=spring,
            damper=BRAMBLE[place.end] if found else None,
            set_by="height" if found else "collar",
            collar=None if found else 0.0,
            tyre_pressure=pressure,
        )
    words = "as found" if found else "load springs"
    return Setup(id=name, name=words, stage="as found" if found else "plan", parent=parent, sides=Sides(**sides))
