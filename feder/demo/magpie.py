"""Magpie, a made-up middleweight roadster whose footrests touch in bends with a pillion."""

from math import radians

from feder.core.document.base import DampingValue, LengthValue, MassValue, RateValue
from feder.core.document.brief import Brief
from feder.core.document.document import Document, LoadItem, LoadState
from feder.core.document.setup import Clicks, Seat, Setup, Sides, SideSetup, SpringPart
from feder.core.document.vehicle import (
    End,
    Ends,
    Fork,
    HardPart,
    Limits,
    Mount,
    RatioFromLeverage,
    SeatPoint,
    Swingarm,
    Tyre,
    Vehicle,
)
from feder.demo.found_dampers import MAGPIE_FORK, roadster_shock
from feder.demo.survey import Wheel, sags_of

_LEVERAGE = ((0.0, 2.42), (0.03, 2.30), (0.06, 2.20), (0.09, 2.12), (0.13, 2.04))
FORK_SPRING = SpringPart(
    code="birch 3", rate=RateValue(value=8.0e3, how="bench"), free_length=0.300, inside_diameter=0.023
)
SHOCK_SPRING = SpringPart(
    code="hazel 2",
    rate=RateValue(value=90e3, how="bench"),
    free_length=0.175,
    inside_diameter=0.050,
    solid_length=0.098,
)
_STIFFER = SpringPart(
    code="hazel 4",
    rate=RateValue(value=115e3, how="maker"),
    free_length=0.180,
    inside_diameter=0.050,
    solid_length=0.101,
)
_RIDER = LoadItem(name="rider in kit", mass=93, x=0.955)
_PILLION = LoadItem(name="pillion in kit", mass=66, x=1.24)


def magpie() -> Document:
    """The whole worked motorcycle."""
    return Document(
        vehicle=_vehicle(),
        brief=Brief(
            use="road motorcycle",
            complaint="Footrests touch in bends with a pillion; the rear wallows.",
            keep="Both feet flat on the ground; no firmer than it must be.",
        ),
        surveys=(
            sags_of(
                "july",
                "2026-07-04",
                Wheel(116, (0.148, 0.148, 0.125, 0.119, 0.108, 0.102)),
                Wheel(117, (0.604, 0.604, 0.591, 0.584, 0.560, 0.551)),
                ballast="bike alone",
                fuel="tank full, bags empty",
                rider="solo",
            ),
        ),
        loads=(
            LoadState(id="solo", name="solo", items=(_RIDER,)),
            LoadState(
                id="two-up", name="two-up", items=(_RIDER, LoadItem(name="pillion in kit", mass=66, x=1.24))
            ),
            LoadState(
                id="touring",
                name="two-up, bags",
                items=(
                    _RIDER,
                    LoadItem(name="pillion in kit", mass=66, x=1.24),
                    LoadItem(name="bags", mass=17, x=1.46),
                ),
            ),
        ),
        setups=(_setup("found", None), _setup("plan", "found")),
    )


def _vehicle() -> Vehicle:
    front = End(
        layout="fork",
        fork=Fork(rake=radians(25.5), offset=0.036, bore=0.037),
        travel=0.120,
        damper_coefficient=DampingValue(value=420, how="estimated"),
        unsprung_mass=MassValue(value=17, how="scales"),
        tyre=Tyre(radius=0.297),
        limits=Limits(),
    )
    rear = End(
        layout="linkage",
        spring=Mount(ratio=RatioFromLeverage(points=_LEVERAGE)),
        travel=0.130,
        swingarm=Swingarm(length=0.560, pivot_height=0.415),
        damper_coefficient=DampingValue(value=4300, how="estimated"),
        unsprung_mass=MassValue(value=21, how="scales"),
        tyre=Tyre(radius=0.312),
    )
    return Vehicle(
        kind="motorcycle",
        body="motorcycle",
        name="Magpie",
        description="middleweight roadster, tank full",
        wheelbase=LengthValue(value=1.425, how="tape"),
        front_overhang=0.31,
        rear_overhang=0.30,
        roof_height=1.09,
        hard_parts=(
            HardPart(name="footrest", height=0.318, half_width=0.330, x=0.86),
            HardPart(name="silencer", height=0.345, half_width=0.300, x=1.20),
        ),
        seat=SeatPoint(height=0.815, x=0.98),
        ends=Ends(front=front, rear=rear),
    )


def _setup(name: str, parent: str | None) -> Setup:
    found = parent is None
    front = SideSetup(
        spring=FORK_SPRING,
        damper=MAGPIE_FORK if found else None,
        set_by="height" if found else "collar",
        collar=0.003 if found else 0.0117,
        seat=Seat(pitch=0.001, thread=0.015),
        fork_spacer=0.095,
        oil_level=0.112,
        clamp=0.006,
        rebound=Clicks(count=9, of=20),
        bump=Clicks(count=11, of=20),
        tyre_pressure=2.3e5,
    )
    rear = SideSetup(
        spring=SHOCK_SPRING if found else _STIFFER,
        damper=roadster_shock() if found else None,
        set_by="height" if found else "collar",
        collar=0.012 if found else 0.0052,
        seat=Seat(pitch=0.0015, thread=0.024),
        shock_length=0.330,
        rebound=Clicks(count=12, of=24),
        bump=Clicks(count=14, of=24),
        high_bump=Clicks(count=3, of=4, alone=True),
        tyre_pressure=2.5e5,
    )
    words = "as found" if found else "stiffer rear"
    return Setup(
        id=name,
        name=words,
        stage="as found" if found else "plan",
        parent=parent,
        sides=Sides(front=front, rear=rear),
    )
