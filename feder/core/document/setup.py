"""Setups: a line from as found through plan to fitted and settled, with branches."""

from typing import Annotated, Literal

from pydantic import Field, model_validator

from feder.core.document.base import (
    AngleRad,
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
)

Stage = Literal["as found", "plan", "fitted", "settled"]
STAGES: tuple[Stage, ...] = ("as found", "plan", "fitted", "settled")


DeflectionAndForce = Annotated[tuple[ForceN, ...], Field(min_length=2, max_length=2)]
"""Deflection in m and force in N, both 0 or more."""


class SpringPart(Model):
    """A coil spring as it stands on the shelf; setups hold copies, so that an old setup stays as it was."""

    kind: Literal["coil"] = "coil"
    code: Name
    rate: RateValue
    free_length: LengthM | None = None
    inside_diameter: LengthM | None = None
    wire_diameter: LengthM | None = None
    active_coils: Annotated[float, Field(gt=0, le=100)] | None = None
    solid_length: LengthM | None = None
    tender_rate: RateNpm | None = None
    """Rate of a tender or helper in series; `rate` is then the main spring's."""
    tender_travel: ShortLengthM | None = None
    points: Annotated[tuple[DeflectionAndForce, ...], Field(min_length=2, max_length=200)] | None = None
    """Measured (deflection, force) pairs of a progressive spring, from (0, 0)."""
    note: Text = ""


class Seat(Model):
    """Room for the spring with the collar at its datum: the distance between the seats at a height.

    `thread` is how far the collar can go up from the datum, `pitch` its travel in one turn.
    """

    length: LengthM | None = None
    hub_to_arch: LengthM | None = None
    datum: Literal["bottom of the thread", "top of the thread", "as found"] = "bottom of the thread"
    thread: ShortLengthM | None = None
    pitch: Annotated[float, Field(gt=0, le=0.05)] | None = None


class Clicks(Model):
    """An adjuster's setting, always with the end it is counted from."""

    count: Annotated[int, Field(ge=0, le=200)]
    of: Annotated[int, Field(gt=0, le=200)] | None = None
    counted_from: Literal["fully closed", "fully open"] = "fully closed"


class SideSetup(Model):
    """One corner in one setup. Of height and collar the one set last is stored; the other is computed."""

    spring: SpringPart | None = None
    set_by: Literal["height", "collar"] = "height"
    hub_to_arch: LengthM | None = None
    collar: SignedLengthM | None = None
    seat: Seat | None = None
    rebound: Clicks | None = None
    bump: Clicks | None = None
    tyre_pressure: PressurePa | None = None
    camber: AngleRad | None = None
    toe: SignedLengthM | None = None
    """One wheel, at the rim, toe-in positive."""


class Sides(Model):
    front_left: SideSetup = SideSetup()
    front_right: SideSetup = SideSetup()
    rear_left: SideSetup = SideSetup()
    rear_right: SideSetup = SideSetup()


class Setup(Model):
    id: Ident
    name: Name
    stage: Stage
    parent: Ident | None = None
    sides: Sides = Sides()
    note: Text = ""

    @model_validator(mode="after")
    def _not_its_own_parent(self) -> "Setup":
        if self.parent == self.id:
            raise ValueError("a setup cannot be its own parent")
        return self
