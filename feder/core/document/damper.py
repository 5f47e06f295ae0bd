"""A damper as it stands on the shelf; setups hold copies, so that an old setup stays as it was."""

from typing import Annotated, Literal

from pydantic import Field, model_validator

from feder.core.document.base import (
    DampingNspm,
    DampingValue,
    ForceN,
    LengthM,
    Model,
    Name,
    PressurePa,
    ShortLengthM,
    Text,
    Tolerant,
)
from feder.core.numbers.quantities import Unit

CountedFrom = Literal["fully closed", "fully open"]
Acts = Literal["rebound", "bump", "high_bump", "both"]

SqueezeAndForce = Annotated[tuple[ForceN, ...], Field(min_length=2, max_length=2)]
"""Squeeze of a bump stop in m and its force in N."""
Compressible = Annotated[float, Unit(""), Field(gt=0, lt=1)]


class Knob(Model):
    """An adjuster of a damper: what it acts on, its clicks, and the end they are counted from."""

    acts: Acts
    clicks: Annotated[int, Field(ge=1, le=200)]
    counted_from: CountedFrom = "fully closed"
    locked: Annotated[str, Field(max_length=80)] = ""
    """Why it is left alone: seized, sealed, meant for extreme use. Empty: it may be turned."""


class DamperStop(Tolerant):
    """The bump stop that comes with a damper; `shaft` is what shows of its shaft at full extension."""

    length: LengthM
    shaft: LengthM
    compressible: Compressible | None = None
    points: Annotated[tuple[SqueezeAndForce, ...], Field(min_length=2, max_length=100)] | None = None


VelocityAndForce = Annotated[
    tuple[Annotated[float, Unit("m/s, force: N"), Field(ge=-1e6, le=1e6)], ...], Field(min_length=2, max_length=2)
]
"""Velocity in m/s and force in N at the damper, closing positive."""
Curve = Annotated[tuple[VelocityAndForce, ...], Field(min_length=1, max_length=400)]
Click = Annotated[int, Field(ge=0, le=200)]


class CurveRow(Model):
    """A curve as measured, with the clicks at which it was: counted as the damper's knobs are."""

    rebound: Click | None = None
    bump: Click | None = None
    high_bump: Click | None = None
    both: Click | None = None
    points: Curve


class Family(Tolerant):
    """An assumed family of curves: coefficients below the knee, knobs shut and open, even steps between."""

    rebound_shut: DampingNspm
    rebound_open: DampingNspm
    bump_shut: DampingNspm
    bump_open: DampingNspm
    knee: Annotated[float, Unit("m/s"), Field(gt=0, le=5)] = 0.12
    high_share: Annotated[float, Unit(""), Field(ge=0, le=10)] = 0.3


class DamperMode(Model):
    """A named mode of an electronic damper: a curve, and no clicks."""

    name: Name
    points: Curve


class DamperPart(Tolerant):
    """A damper: its lengths between its mounts, its body where that is adjustable, gas, stop and adjusters.

    `extended` and `shut` hold with the body at `body`; one turned longer moves both by as much.
    """

    kind: Literal["damper"] = "damper"
    code: Name
    extended: LengthM | None = None
    shut: LengthM | None = None
    mounts: Annotated[str, Field(max_length=80)] = ""
    """Between which points its lengths are taken: "eye to eye", "clamp to top mount"."""
    body: LengthM | None = None
    body_least: LengthM | None = None
    body_most: LengthM | None = None
    engaged: ShortLengthM | None = None
    """Thread of the body engaged in its lower mount with the body at `body`."""
    least_engaged: ShortLengthM | None = None
    """Engagement that its maker wants at least."""
    rod_diameter: LengthM | None = None
    gas_pressure: PressurePa | None = None
    carries_spring: bool | None = None
    """Whether its mounts are meant to carry a spring; nothing where that is not known."""
    coefficient: DampingValue | None = None
    stop: DamperStop | None = None
    knobs: Annotated[tuple[Knob, ...], Field(max_length=4)] = ()
    rows: Annotated[tuple[CurveRow, ...], Field(max_length=200)] = ()
    """Curves measured on a bench; they stand before a family, and that before one coefficient."""
    family: Family | None = None
    modes: Annotated[tuple[DamperMode, ...], Field(max_length=12)] = ()
    note: Text = ""

    @model_validator(mode="after")
    def _lengths(self) -> "DamperPart":
        if self.extended is not None and self.shut is not None and self.shut >= self.extended:
            raise ValueError("shut must be below extended: it is the length with the shaft pushed in")
        least, most = self.body_least, self.body_most
        if least is not None and most is not None and least > most:
            raise ValueError("body_least must not be above body_most")
        if self.body is not None and not (least or 0.0) <= self.body <= (most or self.body):
            raise ValueError("body must lie within its range, body_least to body_most")
        acts = [k.acts for k in self.knobs]
        if len(set(acts)) != len(acts):
            raise ValueError("knobs: two act on the same")
        return self
