"""Nettle, a made-up hill-climb hatchback: as found, and the plan for a dry summer."""

from math import radians

from feder.core.document.base import PLACES, DampingValue, EndName, LengthValue, MassValue, Place, RateValue
from feder.core.document.brief import Band, Brief, Targets
from feder.core.document.document import Document
from feder.core.document.fitting import Fastener, Hangs
from feder.core.document.road import Proving, RoadPiece
from feder.core.document.setup import Clicks, Seat, Setup, Sides, SideSetup, SpringPart, StopTrim
from feder.core.document.survey import Conditions, Reading, Survey, SurveyQuantity
from feder.core.document.vehicle import BumpStopPart, End, Ends, Limits, Mount, Plate, RatioTyped, Tyre, Vehicle
from feder.demo.bounces import nettle_bounces
from feder.demo.dampers import NETTLE
from feder.demo.springs import demo_spring

_FL, _FR, _RL, _RR = PLACES
_MASS = {_FL: 308, _FR: 298, _RL: 207, _RR: 197}
_HUB = {_FL: 376, _FR: 374, _RL: 368, _RR: 366}
_FLOOR = {_FL: 656, _FR: 654, _RL: 648, _RR: 646}
_SILL = {_FL: 196, _FR: 196, _RL: 211, _RR: 211}
_PLAN_HUB = {"front": 0.354, "rear": 0.352}
# As found: the standard springs on fixed perches.
_FOUND = {
    "front": SpringPart(
        code="standard front", rate=RateValue(value=26e3, how="bench"), free_length=0.330, wire_diameter=0.0125
    ),
    "rear": SpringPart(
        code="standard rear", rate=RateValue(value=28e3, how="bench"), free_length=0.275, wire_diameter=0.0115
    ),
}
_PLAN = {"front": demo_spring(60, 200, 40), "rear": demo_spring(60, 180, 60)}
# The kit's seats, read with the collar at the bottom of its thread and the damper at full length.
_SEAT = {
    "front": Seat(length=0.21736, hub_to_arch=0.420, thread=0.060, pitch=0.002),
    "rear": Seat(length=0.182, hub_to_arch=0.402, thread=0.042, pitch=0.0015),
}
_STOP = ((0.0, 0.0), (0.005, 150.0), (0.010, 480.0), (0.015, 1400.0), (0.020, 3600.0))
_CLICKS = {"front": (8, 11), "rear": (7, 10)}
_CAMBER = {_FL: -0.8, _FR: -0.6, _RL: -1.1, _RR: -1.2}
_TOE = {_FL: 1.0, _FR: 0.5, _RL: 0.5, _RR: 1.5}


def nettle() -> Document:
    """The whole worked car."""
    return Document(
        vehicle=_vehicle(),
        brief=Brief(
            use="fast road, track days",
            complaint="Floats over crests and rolls onto its bump stops in the fast left at the quarry.",
            targets=Targets(damping=Band(low=0.50, high=0.75)),
            keep="Drives to the hill on its own wheels; clears the ramp of the tool shed (110 mm at the sill).",
        ),
        surveys=(_survey(),),
        setups=(_found(), _plan()),
        fasteners=_fasteners(),
        proving=Proving(road="own", speed=60 / 3.6, own=_hill()),
        notes="Mark each collar with paint before the first run. Wet tyres stand 8 mm taller.",
    )


def _hill() -> tuple[RoadPiece, ...]:
    """The lane up to the hill: two bumps at the farm, then the patched stretch."""

    def flat(length: float) -> RoadPiece:
        return RoadPiece(kind="flat", length=length)

    bump = RoadPiece(kind="bump", length=3, height=0.05)
    rough = RoadPiece(kind="rough", length=40, road_class="C", alike=True)
    return flat(5), bump, flat(9), bump, flat(20), rough, flat(5)


def _vehicle() -> Vehicle:
    front = End(
        layout="strut",
        track=1.400,
        spring=Mount(ratio=RatioTyped(value=0.96, how="sweep")),
        damper_coefficient=DampingValue(value=2865, how="estimated"),
        unsprung_mass=MassValue(value=34, how="scales"),
        limits=Limits(droop=0.420, stop=0.3186, solid=0.303, contact=0.282),
        tyre=Tyre(radius=0.288, rate=RateValue(value=210e3, how="maker"), rim_diameter=0.380),
        bump_stop=BumpStopPart(length=0.045, shaft=0.064, hub_to_arch=0.354, compressible=0.5, points=_STOP),
        roll_centre=0.060,
        hangs=Hangs(
            brake_hose=True,
            wheel_lead=True,
            level_rod=True,
            bar_link=True,
            drive_shaft=True,
            held="pinch clamp",
            mount_handed=True,
            bushes=2,
        ),
    )
    rear = End(
        layout="divorced",
        track=1.380,
        spring=Mount(ratio=RatioTyped(value=0.72, how="sweep")),
        damper=Mount(ratio=RatioTyped(value=0.94, how="sweep")),
        damper_coefficient=DampingValue(value=1799, how="estimated"),
        unsprung_mass=MassValue(value=28, how="scales"),
        limits=Limits(droop=0.402, stop=0.3137, solid=0.301, contact=0.284),
        tyre=Tyre(radius=0.288, rate=RateValue(value=205e3, how="maker"), rim_diameter=0.380),
        bump_stop=BumpStopPart(length=0.045, shaft=0.060, hub_to_arch=0.352, compressible=0.5, points=_STOP),
        roll_centre=0.100,
        hangs=Hangs(brake_hose=True, wheel_lead=True, level_rod=True, bar_link=False, bushes=1, damper_bush=True),
    )
    return Vehicle(
        name="Nettle",
        body="hatchback",
        description="hill-climb hatchback, driver aboard, half tank",
        wheelbase=LengthValue(value=2.440, how="tape"),
        front_overhang=0.720,
        rear_overhang=0.610,
        roof_height=1.395,
        sprung_cg_height=LengthValue(value=0.481, how="estimated"),
        plate=Plate(gross=1420, front_axle=780, rear_axle=720),
        ends=Ends(front=front, rear=rear),
    )


def _fasteners() -> tuple[Fastener, ...]:
    """What its manual and the kit's sheet say is used once; torques are for whoever has the manual."""
    once: tuple[tuple[EndName, str, int], ...] = (
        ("front", "clamp bolt", 1),
        ("front", "tower nut", 3),
        ("front", "link nut", 1),
        ("front", "rod nut", 1),
        ("rear", "rod nut", 1),
        ("rear", "damper bolt", 1),
    )
    return tuple(
        Fastener(
            end=end,
            kind=kind,
            count=count,
            single_use=True,
            here="in the kit" if kind == "rod nut" else "to buy" if kind == "damper bolt" else "here",
            said_by="kit's maker" if kind == "rod nut" else "vehicle's maker",
        )
        for end, kind, count in once
    )


def _survey() -> Survey:
    readings = [Reading(place=p, quantity="mass", value=_MASS[p], how="scales") for p in PLACES]
    heights: tuple[tuple[SurveyQuantity, dict[Place, int]], ...] = (
        ("hub_to_arch", _HUB),
        ("floor_to_arch", _FLOOR),
        ("sill", _SILL),
    )
    for quantity, values in heights:
        readings += [Reading(place=p, quantity=quantity, value=values[p] / 1e3) for p in PLACES]
    return Survey(
        id="june",
        date="2026-06-02",
        conditions=Conditions(
            level_floor=True,
            pressures_set=True,
            rolled=True,
            ballast="driver aboard, helmet on the rear shelf",
            fuel="half tank",
            reference="lower edge of the arch lip, straight above the hub; sill seam at the jacking notches",
        ),
        readings=tuple(readings),
        bounces=nettle_bounces(),
    )


def _found() -> Setup:
    sides = {
        p.value: SideSetup(
            spring=_FOUND[p.end],
            damper=NETTLE[p.end],
            rebound=Clicks(count=_CLICKS[p.end][0], of=18),
            bump=Clicks(count=_CLICKS[p.end][1], of=18),
            tyre_pressure=2.0e5,
            camber=radians(_CAMBER[p]),
            toe=_TOE[p] / 1e3,
        )
        for p in PLACES
    }
    return Setup(id="found", name="as found", stage="as found", sides=Sides(**sides))


def _plan() -> Setup:
    sides = {
        p.value: SideSetup(
            spring=_PLAN[p.end],
            set_by="height",
            hub_to_arch=_PLAN_HUB[p.end],
            seat=_SEAT[p.end],
            stop=StopTrim(length=0.030 if p.end == "front" else 0.024),
            rebound=Clicks(count=_CLICKS[p.end][0], of=18),
            bump=Clicks(count=_CLICKS[p.end][1], of=18),
            tyre_pressure=1.9e5 if p.end == "front" else 1.8e5,
            camber=radians(-2.5 if p.end == "front" else -1.8),
            toe=-0.5e-3 if p.end == "front" else 0.7e-3,
        )
        for p in PLACES
    }
    return Setup(id="plan", name="plan, dry", stage="plan", parent="found", sides=Sides(**sides))
