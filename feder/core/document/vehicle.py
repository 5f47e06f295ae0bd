"""The vehicle itself: what does not change with a setup."""

from typing import Annotated, Literal

from pydantic import Field

from feder.core.document.alignment import AlignmentAdjuster, AtHeight, ToeRod
from feder.core.document.base import (
    DampingValue,
    ForceValue,
    LengthM,
    LengthValue,
    MassKg,
    MassValue,
    Model,
    Name,
    PressurePa,
    RateValue,
    RatioValue,
    SignedLengthM,
    Text,
    Tolerant,
)
from feder.core.document.damper import Compressible, SqueezeAndForce
from feder.core.document.fitting import Hangs
from feder.core.document.tyre_size import TyreSize
from feder.core.numbers.quantities import Unit

VehicleKind = Literal["car", "motorcycle", "bicycle"]
BodyKind = Literal["hatchback", "saloon", "estate", "4x4", "van", "pick-up", "motorcycle", "bicycle"]
Layout = Literal["strut", "wishbone", "divorced", "live axle", "torsion arm", "fork", "twin shock", "linkage"]
"""How spring and damper stand: together on a strut or on wishbones, at two places (divorced), on a live axle; an
arm on a torsion bar; and on two wheels a telescopic fork, two shocks, or one on a linkage."""
CAR_LAYOUTS: tuple[Layout, ...] = ("strut", "wishbone", "divorced", "live axle", "torsion arm")


class RatioTyped(Tolerant):
    """A motion ratio typed in, either way round: the words say which."""

    kind: Literal["ratio"] = "ratio"
    value: RatioValue
    convention: Literal["spring per wheel", "wheel per spring"] = "spring per wheel"
    how: Literal["typed", "sweep", "levers", "maker", "fit", "estimated"] = "typed"


class RatioFromLevers(Tolerant):
    """A motion ratio from lever lengths and the angle between spring and the path of its end."""

    kind: Literal["levers"] = "levers"
    spring_distance: LengthM
    wheel_distance: LengthM
    spring_angle: Annotated[float, Unit("rad"), Field(ge=-1.5707, le=1.5707)] = 0.0


HeightAndSeat = Annotated[tuple[LengthM, ...], Field(min_length=2, max_length=2)]
"""Hub to arch, and the distance between the spring's seats there."""


class RatioFromSweep(Model):
    """A motion ratio from a springless sweep: pairs of hub to arch and the distance between the spring's seats."""

    kind: Literal["sweep"] = "sweep"
    points: Annotated[tuple[HeightAndSeat, ...], Field(min_length=2, max_length=60)]


TravelAndLeverage = Annotated[tuple[RatioValue, ...], Field(min_length=2, max_length=2)]
"""Wheel travel from full extension in m, and wheel travel over spring travel there."""


class RatioFromLeverage(Model):
    """A motion ratio from a linkage's leverage curve, counted from full extension (the limit at full droop)."""

    kind: Literal["leverage"] = "leverage"
    points: Annotated[tuple[TravelAndLeverage, ...], Field(min_length=2, max_length=200)]


class RatioAssumed(Model):
    """The usual ratio of the layout, marked as assumed wherever it goes."""

    kind: Literal["assumed"] = "assumed"


MountRatio = Annotated[
    RatioTyped | RatioFromLevers | RatioFromSweep | RatioFromLeverage | RatioAssumed, Field(discriminator="kind")
]


class Mount(Model):
    """Where a spring or damper acts, by its motion ratio; nothing while it has not been measured."""

    ratio: MountRatio | None = None


class Limits(Tolerant):
    """Travel limits of a corner as hub-to-arch heights (springless sweep)."""

    droop: LengthM | None = None
    stop: LengthM | None = None
    solid: LengthM | None = None
    contact: LengthM | None = None


class Tyre(Tolerant):
    """Tyre: loaded radius at rest, size, rate, and the rim on which toe is measured."""

    radius: LengthM | None = None
    size: TyreSize | None = None
    """As on its side; the loaded radius follows from it where that was not read."""
    rate: RateValue | None = None
    rim_diameter: LengthM | None = None


class BarHole(Model):
    """A hole of an adjustable bar, and the bar's rate at the links there."""

    name: Name
    rate: RateValue


class AntiRollBar(Model):
    """An anti-roll bar: its rate at the links as found, link travel over wheel travel, and its other holes."""

    rate: RateValue
    motion_ratio: Annotated[float, Unit(""), Field(gt=0, le=3)] | None = None
    """Where it was not measured, 1 is assumed, and marked."""
    holes: Annotated[tuple[BarHole, ...], Field(max_length=12)] = ()
    link_length: LengthM | None = None
    """Length of its links as found, between the middles of their joints."""


class PlateAdjuster(Model):
    """An adjustable plate or eccentric: how far it still turns the plate each way, by turn."""

    up: Annotated[float, Unit("rad"), Field(ge=0, le=1)]
    """In the sense that lifts the body."""
    down: Annotated[float, Unit("rad"), Field(ge=0, le=1)]
    per_turn: Annotated[float, Unit("rad"), Field(gt=0, le=1)] | None = None


class BoltAdjuster(Model):
    """A bolt on a lever at the chassis end of a longitudinal bar: its lead, and the lever it pushes."""

    lead: LengthM
    lever: LengthM


class TorsionArm(Tolerant):
    """The arm of a torsion bar: from the bar's axis to the wheel centre, and its angle at one height.

    The angle is as read by the level, wheel lower positive; `chassis` what the level shows on the chassis, the
    same way round. The arm stands below the level chassis by their difference.
    """

    length: LengthM
    angle: Annotated[float, Unit("rad"), Field(ge=-1.4, le=1.4)]
    right_angle: Annotated[float, Unit("rad"), Field(ge=-1.4, le=1.4)] | None = None
    """Reading of the right arm, where it was read apart from the left one."""
    chassis: Annotated[float, Unit("rad"), Field(ge=-1.4, le=1.4)] | None = None
    hub_to_arch: LengthM
    """Hub to arch at which the angle was read."""
    ledge: Annotated[float, Unit("rad"), Field(ge=-1.4, le=1.4)] | None = None
    """Reading of the plate on its ledge, the lowest it goes with the damper off; there the wound bar presses."""
    motion: Literal["trailing", "leading", "wishbone"] = "trailing"
    """A wishbone stands across the vehicle, its bar along it; it has no splines to count, but a bolt."""
    adjuster: PlateAdjuster | None = None
    bolt: BoltAdjuster | None = None


class Fork(Tolerant):
    """A telescopic fork: rake from the vertical with the bike as found, and in how many legs a spring stands."""

    rake: Annotated[float, Unit("rad"), Field(ge=0, le=1.4)]
    legs: Literal[1, 2] = 2
    damped: Literal[1, 2] = 2
    """In how many legs each way is damped: 1 where each leg does one way, or one of them all."""
    offset: SignedLengthM | None = None
    """Distance of the front axle from the steering axis, at right angles to it, axle ahead positive."""
    read: Literal["along the tube", "vertical"] = "along the tube"
    """How its sag is read."""
    bore: LengthM | None = None
    """Inside diameter of a tube: the area on which the air over the oil pushes."""


class Swingarm(Tolerant):
    """The rear arm of a two-wheeler: pivot to wheel centre, and the pivot's height over the floor as found."""

    length: LengthM
    pivot_height: LengthM


class HardPart(Model):
    """A part that touches the floor in a lean; read upright, the bike alone as found."""

    name: Name
    height: LengthM
    half_width: LengthM
    """From the middle plane of the bike out to the part."""
    x: Annotated[float, Unit("m"), Field(ge=-2, le=5)]
    """Behind the front axle."""


class SeatPoint(Model):
    """Where the rider sits: height over the floor, the bike alone as found, and how far behind the front axle."""

    height: LengthM
    x: Annotated[float, Unit("m"), Field(ge=-2, le=5)]


class GasCharge(Model):
    """The gas charge of one damper: gauge pressure on the cross-section of its rod."""

    pressure: PressurePa
    rod_diameter: LengthM


class BumpStopPart(Tolerant):
    """The bump stop on a damper's shaft as it came: its length, its squeeze and force, and the shaft that shows.

    `shaft` is what shows between damper body and the stop's seat at `hub_to_arch`; `compressible` the share of its
    length by which it squeezes before it is hard.
    """

    length: LengthM
    shaft: LengthM
    hub_to_arch: LengthM
    compressible: Compressible | None = None
    """Where it was not measured, half is assumed, and marked."""
    points: Annotated[tuple[SqueezeAndForce, ...], Field(min_length=2, max_length=100)] | None = None


class LowerArm(Tolerant):
    """A lower arm: its length and its angle at one height, outer end up positive."""

    length: LengthM
    angle: Annotated[float, Unit("rad"), Field(ge=-1.4, le=1.4)]
    hub_to_arch: LengthM


class End(Tolerant):
    """One end of the vehicle. Left and right share it; what differs per side stands in survey and setups."""

    layout: Layout = "strut"
    track: LengthM | None = None
    spring: Mount = Mount()
    damper: Mount | None = None
    """The damper's own mount; nothing where the damper moves with the spring."""
    damper_coefficient: DampingValue | None = None
    gas: GasCharge | None = None
    friction: ForceValue | None = None
    """Friction of one corner at the wheel: half the force between rising and settling."""
    bump_stop: BumpStopPart | None = None
    arm: TorsionArm | None = None
    lower_arm: LowerArm | None = None
    roll_centre: SignedLengthM | None = None
    """Height of the roll centre over the floor."""
    fork: Fork | None = None
    swingarm: Swingarm | None = None
    travel: LengthM | None = None
    """Whole travel of a two-wheeler's end: along the tube for a fork, at the wheel otherwise."""
    links_braking: Annotated[float, Unit(""), Field(ge=-1, le=2)] | None = None
    """Share of the load that braking moves which its links carry: anti-dive in front, anti-lift at the rear."""
    links_driving: Annotated[float, Unit(""), Field(ge=-1, le=2)] | None = None
    """The same in driving: anti-lift at the front, anti-squat at the rear."""
    unsprung_mass: MassValue | None = None
    """Per corner."""
    limits: Limits = Limits()
    tyre: Tyre = Tyre()
    bar: AntiRollBar | None = None
    arm_lies: Literal["across", "along"] | None = None
    """Which way the arm lies that carries the wheel: across the vehicle, or along it (trailing arm, twist beam).

    It says whether a wheel that stands further out has a longer lever. Not told: a strut's and a wishbone's lie
    across; of a divorced end it is assumed, and marked.
    """
    spring_base: LengthM | None = None
    """Distance between the springs of a live axle."""
    adjusters: Annotated[tuple[AlignmentAdjuster, ...], Field(max_length=6)] = ()
    toe_rod: ToeRod | None = None
    over_height: Annotated[tuple[AtHeight, ...], Field(max_length=40)] = ()
    """Camber and toe read at several heights."""
    hangs: Hangs = Hangs()


class Ends(Model):
    front: End = End()
    rear: End = End()


class Plate(Model):
    """Mass limits from the vehicle's plate."""

    gross: MassKg | None = None
    front_axle: MassKg | None = None
    rear_axle: MassKg | None = None


class Vehicle(Model):
    kind: VehicleKind = "car"
    body: BodyKind = "hatchback"
    name: Name
    description: Text = ""
    wheelbase: LengthValue | None = None
    front_overhang: LengthM | None = None
    rear_overhang: LengthM | None = None
    roof_height: LengthM | None = None
    sprung_cg_height: LengthValue | None = None
    """Height of the sprung mass's centre of gravity over the floor."""
    pitch_inertia: Annotated[float, Unit("kg*m^2"), Field(gt=0, le=1e6)] | None = None
    """Of the sprung mass about its centre of gravity, in pitch."""
    roll_inertia: Annotated[float, Unit("kg*m^2"), Field(gt=0, le=1e6)] | None = None
    steering_ratio: Annotated[float, Unit(""), Field(gt=1, le=60)] | None = None
    """Turn of the steering wheel over turn of the road wheels."""
    plate: Plate = Plate()
    hard_parts: Annotated[tuple[HardPart, ...], Field(max_length=20)] = ()
    seat: SeatPoint | None = None
    ends: Ends = Ends()
