"""Setups: a line from as found through plan to fitted and settled, with branches."""

from typing import Annotated, Literal

from pydantic import Field, field_validator, model_validator

from feder.core.document.base import (
    AngleRad,
    AngularRateValue,
    ForceN,
    Ident,
    LengthM,
    Model,
    Name,
    PressurePa,
    RateNpm,
    RateValue,
    ShortLengthM,
    SignedLengthM,
    Text,
    Tolerant,
)
from feder.core.document.conversion import EndChange
from feder.core.document.damper import CountedFrom, DamperPart
from feder.core.document.fitting import Day
from feder.core.document.leaf import LeafPart
from feder.core.numbers.quantities import SPRING_STEEL_SHEAR_MODULUS, Unit

Stage = Literal["as found", "plan", "fitted", "settled"]
STAGES: tuple[Stage, ...] = ("as found", "plan", "fitted", "settled")


DeflectionAndForce = Annotated[tuple[ForceN, ...], Field(min_length=2, max_length=2)]
"""Deflection in m and force in N, both 0 or more."""


class SpringPart(Tolerant):
    """A coil spring as it stands on the shelf; setups hold copies, so that an old setup stays as it was."""

    kind: Literal["coil"] = "coil"
    code: Name
    rate: RateValue
    free_length: LengthM | None = None
    inside_diameter: LengthM | None = None
    wire_diameter: LengthM | None = None
    active_coils: Annotated[float, Unit(""), Field(gt=0, le=100)] | None = None
    solid_length: LengthM | None = None
    tender_rate: RateNpm | None = None
    """Rate of a tender or helper in series; `rate` is then the main spring's."""
    tender_travel: ShortLengthM | None = None
    points: Annotated[tuple[DeflectionAndForce, ...], Field(min_length=2, max_length=200)] | None = None
    """Measured (deflection, force) pairs of a progressive spring, from (0, 0)."""
    quoted_drop: ShortLengthM | None = None
    """Drop that a lowering spring's maker quotes against the standard spring, at the wheel."""
    added_from: ForceN | None = None
    """Load added to what the empty vehicle puts on one spring, from and to which its maker means it."""
    added_to: ForceN | None = None
    most_load: ForceN | None = None
    """Most force that one spring may bear."""
    note: Text = ""

    @field_validator("points", mode="after")
    @classmethod
    def _from_nothing(
        cls, points: tuple[tuple[float, float], ...] | None
    ) -> tuple[tuple[float, float], ...] | None:
        """In order of deflection, and from no deflection and no force: a bench is read from the first load on."""
        rising = None if points is None else tuple(sorted(points))
        return ((0.0, 0.0), *rising) if rising and rising[0][0] > 0 else rising


class TorsionBarPart(Tolerant):
    """A torsion bar: its dimensions or its measured rate, and the splines at its ends."""

    kind: Literal["torsion bar"] = "torsion bar"
    code: Name
    diameter: LengthM
    bore: ShortLengthM = 0.0
    effective_length: LengthM
    shear_modulus: Annotated[float, Unit("Pa"), Field(gt=1e9, le=1e12)] = SPRING_STEEL_SHEAR_MODULUS
    angular_rate: AngularRateValue | None = None
    """Measured rate; it stands before the dimensions."""
    inner_splines: Annotated[int, Field(ge=2, le=400)] | None = None
    outer_splines: Annotated[int, Field(ge=2, le=400)] | None = None
    most_stress: Annotated[float, Unit("Pa"), Field(gt=0, le=1e10)] | None = None
    """Shear stress its maker or its user does not want exceeded at full bump."""
    handed: Literal["left", "right"] | None = None
    """The side it was pre-stressed for, by the mark on its end."""
    note: Text = ""

    @model_validator(mode="after")
    def _hollow(self) -> "TorsionBarPart":
        if self.bore >= self.diameter:
            raise ValueError("bore must be below the diameter")
        return self


class AirSpringPart(Tolerant):
    """An air spring: main chamber and, where it has one, a negative chamber that equalises at a port."""

    kind: Literal["air"] = "air"
    code: Name
    area: Annotated[float, Unit("m^2"), Field(gt=0, le=1)]
    volume: Annotated[float, Unit("m^3"), Field(gt=0, le=1)]
    """Main chamber at full extension, without spacers."""
    travel: LengthM
    """Stroke of the damper it stands on."""
    spacer_volume: Annotated[float, Unit("m^3"), Field(ge=0, le=1)] = 0.0
    spacers: Annotated[int, Field(ge=0, le=20)] = 0
    negative_area: Annotated[float, Unit("m^2"), Field(gt=0, le=1)] | None = None
    negative_volume: Annotated[float, Unit("m^3"), Field(gt=0, le=1)] | None = None
    equalise_at: ShortLengthM = 0.0
    """Stroke at which both chambers have one pressure."""
    note: Text = ""

    @model_validator(mode="after")
    def _chambers(self) -> "AirSpringPart":
        if self.volume - self.spacers * self.spacer_volume <= self.area * self.travel:
            raise ValueError("volume less spacers must be above area times travel")
        if (self.negative_area is None) != (self.negative_volume is None):
            raise ValueError("negative_area and negative_volume belong together")
        if self.equalise_at > self.travel:
            raise ValueError("equalise_at must not be above travel")
        return self


Spring = Annotated[SpringPart | TorsionBarPart | AirSpringPart | LeafPart, Field(discriminator="kind")]


class StopTrim(Model):
    """The bump stop in this setup: what is left of its length, and the packers under it."""

    length: LengthM
    packer: ShortLengthM = 0.0


CollarAndDrop = Annotated[tuple[SignedLengthM, ...], Field(min_length=2, max_length=2)]
"""A collar setting from its datum, and the drop against standard there, both in m."""


class Seat(Tolerant):
    """Room for the spring with the collar at its datum: the distance between the seats at a height.

    `thread` is how far the collar can go up from the datum, `pitch` its travel in one turn.
    """

    length: LengthM | None = None
    hub_to_arch: LengthM | None = None
    datum: Literal[
        "bottom of the thread", "top of the thread", "as found", "spring just touched", "a fixed point"
    ] = "bottom of the thread"
    rule_at_zero: ShortLengthM | None = None
    """What rule or calliper reads, from a fixed point to the collar, with the collar at its datum."""
    rule_falls: bool = False
    """Whether that reading falls as the collar goes towards the spring."""
    chart: Annotated[tuple[CollarAndDrop, ...], Field(max_length=10)] = ()
    """The kit's chart: collar settings from the datum, and the drop its maker gives for each."""
    thread: ShortLengthM | None = None
    permitted_low: ShortLengthM | None = None
    """Lowest and highest collar its maker permits, from the datum."""
    permitted_high: ShortLengthM | None = None
    tilt: Annotated[float, Unit("rad"), Field(ge=0, le=1)] | None = None
    """Angle between the two seats at ride, where they are not parallel."""
    pitch: Annotated[float, Unit("m"), Field(gt=0, le=0.05)] | None = None


class Clicks(Model):
    """An adjuster's setting, always with the end it is counted from."""

    count: Annotated[int, Field(ge=0, le=200)]
    of: Annotated[int, Field(gt=0, le=200)] | None = None
    counted_from: CountedFrom = "fully closed"
    alone: bool = False
    """Meant for extreme use by its maker: best left where it stands."""


class IndexMoves(Model):
    """Spline moves chosen for a torsion bar: positive `inner` lifts the body, positive `outer` lowers it."""

    inner: Annotated[int, Field(ge=-400, le=400)]
    outer: Annotated[int, Field(ge=-400, le=400)]


class CoilBeside(Model):
    """A coil on the damper beside a torsion bar: its rate, and how far it is pressed at full droop."""

    rate: RateValue
    hold: Annotated[float, Unit("m"), Field(ge=0, le=0.3)] = 0.0


class StackItem(Model):
    """A pad, plate, shim, ring or top mount's plate between spring and seat, with its thickness."""

    name: Name
    thickness: Annotated[float, Unit("m"), Field(ge=0, le=0.2)]


class Within(Model):
    """How far a wheel's read-out may lie from what is wanted and still be right."""

    toe: Annotated[float, Unit("m"), Field(gt=0, le=0.05)] | None = None
    """At the rim, one wheel."""
    camber: Annotated[float, Unit("rad"), Field(gt=0, le=0.2)] | None = None
    caster: Annotated[float, Unit("rad"), Field(gt=0, le=0.2)] | None = None


class SideSetup(Model):
    """One corner in one setup. Of height and adjuster the one set last is stored; the other is computed.

    The adjuster is a collar (or preload) for coil springs, the free angle of the arm for a torsion bar, the
    pressure for an air spring.
    """

    spring: Spring | None = None
    second_spring: SpringPart | None = None
    """The spring of the right leg or shock of a two-wheeler, where it is not the same as the left one's."""
    damper: DamperPart | None = None
    """The damper in this setup; where none is told, the one as found."""
    set_by: Literal["height", "collar", "free angle", "pressure", "rider sag"] = "height"
    hub_to_arch: LengthM | None = None
    collar: SignedLengthM | None = None
    free_angle: Annotated[float, Unit("rad"), Field(ge=-1.5, le=3.0)] | None = None
    """Of the unloaded plate; as found, what the level showed of it, if it was read."""
    plate_read: Annotated[float, Unit("rad"), Field(ge=-1.5, le=3.0)] | None = None
    """What the level shows of the unloaded plate with this setup's bar in, before its splines are moved."""
    index: IndexMoves | None = None
    plate_set: Annotated[float, Unit("rad"), Field(ge=-1.5, le=3.0)] | None = None
    """What the level showed of the unloaded plate after the moves."""
    beside: CoilBeside | None = None
    """Helper coilover beside a torsion bar."""
    pressure: PressurePa | None = None
    """Gauge pressure of an air spring at full extension."""
    stop: StopTrim | None = None
    pads: SignedLengthM | None = None
    """Thickness put between spring and seat (pads, plates, shims, a second ring), taken out: negative."""
    stack: Annotated[tuple[StackItem, ...], Field(max_length=12)] | None = None
    """What lies between spring and seat, one by one (nothing told: as found); `pads` is what came beside that."""
    body: SignedLengthM | None = None
    """How much longer the damper's body is turned than its lengths are told for (shorter: negative).

    Without a damper of its own: than as found. Its limits and its stop move with it.
    """
    top_mount: SignedLengthM | None = None
    """How much thicker the top mount is than as found: the damper hangs lower by as much."""
    spacer: ShortLengthM | None = None
    """How much further out the wheel stands than as found: spacer, or less offset of the rim."""
    seat: Seat | None = None
    rebound: Clicks | None = None
    bump: Clicks | None = None
    high_bump: Clicks | None = None
    """High-speed compression, where it has a knob of its own."""
    both: Clicks | None = None
    """One knob that acts on rebound and bump."""
    mode: Name | None = None
    """Mode of an electronic damper."""
    curve_left: Annotated[float, Unit(""), Field(ge=0.02, le=3)] | None = None
    """Share of its curve that the damper found still has, as a bounce test says; another has all of it."""
    preload: ShortLengthM | None = None
    """How far the spring is pressed at full extension, as found; a fork's cap alone does not say it."""
    fork_spacer: ShortLengthM | None = None
    """Spacers on the springs of a fork, together with their springs in one leg."""
    oil_level: ShortLengthM | None = None
    """From the rim of a fork tube down to the oil, springs out, leg pushed together."""
    oil_quantity: Annotated[float, Unit("m^3"), Field(ge=0, le=0.01)] | None = None
    """Oil in one leg of a fork, as filled."""
    oil_grade: Annotated[str, Field(max_length=40)] = ""
    clamp: SignedLengthM | None = None
    """How much of the fork tubes stands above the top clamp."""
    shock_length: LengthM | None = None
    """Eye to eye, fully extended."""
    rider_sag: ShortLengthM | None = None
    """Sag at the wheel asked for with the rider on, on two wheels; preload or pressure follows."""
    tyre_pressure: PressurePa | None = None
    camber: AngleRad | None = None
    caster: AngleRad | None = None
    toe: SignedLengthM | None = None
    """One wheel, at the rim, toe-in positive."""
    within: Within | None = None
    """How near a read-out must come to the angles wanted; what is not told is as in the practice."""


class Sides(Model):
    """Four corners of a car; front and rear of a two-wheeler."""

    front_left: SideSetup = SideSetup()
    front_right: SideSetup = SideSetup()
    rear_left: SideSetup = SideSetup()
    rear_right: SideSetup = SideSetup()
    front: SideSetup = SideSetup()
    rear: SideSetup = SideSetup()


class BarSetting(Model):
    """How an anti-roll bar is hooked in a setup: in which hole, or not at all."""

    hole: Name | None = None
    hooked: bool = True


class Setup(Model):
    id: Ident
    name: Name
    stage: Stage
    parent: Ident | None = None
    sides: Sides = Sides()
    front_bar: BarSetting | None = None
    rear_bar: BarSetting | None = None
    front_end: EndChange | None = None
    """What this setup replaces of the end itself."""
    rear_end: EndChange | None = None
    front_meant: Ident | None = None
    """Load state under which this end's heights are meant and its plates are set; none: as weighed."""
    rear_meant: Ident | None = None
    fitted_on: Day | None = None
    """The day on which it came onto the wheels."""
    odometer: Annotated[float, Unit("m"), Field(ge=0, le=1e10)] | None = None
    """What the odometer showed then."""
    note: Text = ""

    @model_validator(mode="after")
    def _not_its_own_parent(self) -> "Setup":
        if self.parent == self.id:
            raise ValueError("a setup cannot be its own parent")
        return self
