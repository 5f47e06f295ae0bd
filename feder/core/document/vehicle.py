"""The vehicle itself: what does not change with a setup."""

from typing import Annotated, Literal

from pydantic import Field

from feder.core.document.base import (
    DampingValue,
    Length,
    LengthM,
    Mass,
    MassKg,
    Model,
    Name,
    RateValue,
    RatioValue,
    Text,
)

BodyKind = Literal["hatchback", "saloon", "estate", "4x4", "van"]
Layout = Literal["strut", "wishbone", "divorced", "live axle"]
"""How spring and damper stand: together on a strut or on wishbones, at two places (divorced), on a live axle."""


class RatioTyped(Model):
    """A motion ratio typed in, either way round: the words say which."""

    kind: Literal["ratio"] = "ratio"
    value: RatioValue
    convention: Literal["spring per wheel", "wheel per spring"] = "spring per wheel"
    how: Literal["typed", "sweep", "levers", "maker", "estimated"] = "typed"


class RatioFromLevers(Model):
    """A motion ratio from lever lengths and the angle between spring and the path of its end."""

    kind: Literal["levers"] = "levers"
    spring_distance: LengthM
    wheel_distance: LengthM
    spring_angle: Annotated[float, Field(ge=-1.5707, le=1.5707)] = 0.0


HeightAndSeat = Annotated[tuple[LengthM, ...], Field(min_length=2, max_length=2)]
"""Hub to arch, and the distance between the spring's seats there."""


class RatioFromSweep(Model):
    """A motion ratio from a springless sweep: pairs of hub to arch and the distance between the spring's seats."""

    kind: Literal["sweep"] = "sweep"
    points: Annotated[tuple[HeightAndSeat, ...], Field(min_length=2, max_length=60)]


class RatioAssumed(Model):
    """The usual ratio of the layout, marked as assumed wherever it goes."""

    kind: Literal["assumed"] = "assumed"


Ratio = Annotated[RatioTyped | RatioFromLevers | RatioFromSweep | RatioAssumed, Field(discriminator="kind")]


class Mount(Model):
    """Where a spring or damper acts, by its motion ratio; nothing while it has not been measured."""

    ratio: Ratio | None = None


class Limits(Model):
    """Travel limits of a corner as hub-to-arch heights (springless sweep)."""

    droop: LengthM | None = None
    stop: LengthM | None = None
    solid: LengthM | None = None
    contact: LengthM | None = None


class Tyre(Model):
    """Tyre: loaded radius at rest, rate, and the rim on which toe is measured."""

    radius: LengthM | None = None
    rate: RateValue | None = None
    rim_diameter: LengthM | None = None


class AntiRollBar(Model):
    """An anti-roll bar: its rate at the links, and link travel over wheel travel."""

    rate: RateValue
    motion_ratio: Annotated[float, Field(gt=0, le=3)] = 1.0


class End(Model):
    """One end of the vehicle. Left and right share it; what differs per side stands in survey and setups."""

    layout: Layout = "strut"
    track: LengthM | None = None
    spring: Mount = Mount()
    damper: Mount | None = None
    """The damper's own mount; nothing where the damper moves with the spring."""
    damper_coefficient: DampingValue | None = None
    unsprung_mass: Mass | None = None
    """Per corner."""
    limits: Limits = Limits()
    tyre: Tyre = Tyre()
    bar: AntiRollBar | None = None
    spring_base: LengthM | None = None
    """Distance between the springs of a live axle."""


class Ends(Model):
    front: End = End()
    rear: End = End()


class Plate(Model):
    """Mass limits from the vehicle's plate."""

    gross: MassKg | None = None
    front_axle: MassKg | None = None
    rear_axle: MassKg | None = None


class Vehicle(Model):
    kind: Literal["car"] = "car"
    body: BodyKind = "hatchback"
    name: Name
    description: Text = ""
    wheelbase: Length | None = None
    front_overhang: LengthM | None = None
    rear_overhang: LengthM | None = None
    roof_height: LengthM | None = None
    plate: Plate = Plate()
    ends: Ends = Ends()
