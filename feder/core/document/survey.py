"""What was measured on the vehicle, when and how."""

from typing import Annotated, Any, Literal, get_args

from pydantic import Field, model_validator

from feder.core.document.base import AngleRad, How, Ident, Model, Place, PressurePa, SignedLengthM, Text
from feder.core.document.bounce import Bounce
from feder.core.document.fitting import Damage
from feder.core.numbers.quantities import Unit

SurveyQuantity = Literal[
    "mass",
    "hub_to_arch",
    "floor_to_arch",
    "sill",
    "extended_lifted",
    "extended_pressed",
    "bike_lifted",
    "bike_pressed",
    "rider_lifted",
    "rider_pressed",
]
SAG_STATES = ("extended", "bike", "rider")
"""Wheel hanging free; the bike alone on its wheels; the rider on it, in the usual kit and posture."""
SAG_PULLS = ("lifted", "pressed")
"""Each reading twice: let down from lifted, and risen from pressed; friction lies between them."""
SAG_QUANTITIES: tuple[SurveyQuantity, ...] = get_args(SurveyQuantity)[4:]
"""The six sag readings in the order in which they are taken."""
UNIT_OF: dict[str, str] = dict.fromkeys(get_args(SurveyQuantity), "m") | {"mass": "kg"}


class Reading(Model):
    """One reading. Several of the same place and quantity are a repeat, and are averaged."""

    place: Place
    quantity: SurveyQuantity
    value: Annotated[float, Unit("by its quantity"), Field(gt=0, le=50_000)]
    how: How = "tape"
    tolerance: Annotated[float, Unit("by its quantity"), Field(gt=0, le=1000)] | None = None


class Conditions(Model):
    """What was true while measuring; each is ticked before the first reading."""

    level_floor: bool = False
    pressures_set: bool = False
    rolled: bool = False
    ballast: Text = ""
    """Who or what sat in the vehicle."""
    fuel: Text = ""
    reference: Text = ""
    """The written-down point from which heights are read."""
    rider: Ident | None = None
    """The load state that sat on a two-wheeler for the readings with rider; the first one where none is told."""
    posture: Literal["seated", "standing"] | None = None
    loaded: bool = False
    """Who and what belongs aboard is aboard, as it was weighed before."""
    bars_unhooked: bool = False
    """Anti-roll bars off their links: on the scales they would hold a twist."""
    pads_level: bool = False
    bars_hooked: bool = False
    """After weighing: bars on their links again without twist, links as long as the height asks, driver aboard."""


TreadM = Annotated[float, Unit("m"), Field(ge=0, le=0.03)]


class WheelRound(Model):
    """One wheel in one round: its alignment as the read-out shows it, tread left, pressures, plate of a bar.

    Toe is of this wheel alone, toe-in positive: in m at the rim, or as an angle, as it was read.
    """

    place: Place
    toe: SignedLengthM | None = None
    toe_angle: AngleRad | None = None
    camber: AngleRad | None = None
    caster: AngleRad | None = None
    tread_inner: TreadM | None = None
    tread_middle: TreadM | None = None
    tread_outer: TreadM | None = None
    pressure_cold: PressurePa | None = None
    pressure_hot: PressurePa | None = None
    plate: AngleRad | None = None
    """What the level shows of a torsion bar's unloaded plate."""

    @model_validator(mode="after")
    def _one_toe(self) -> "WheelRound":
        if self.toe is not None and self.toe_angle is not None:
            raise ValueError("toe is told in m or as an angle, not both")
        return self


Decided = Literal["hanging", "collar", "again", "rolled", "mass", "mark"]
"""A reading that parts causes: hub to arch hanging, the collar counted again, hub to arch read again or after
rolling, what the vehicle weighs in all, or the mark of a strut's foot, code or pad: 1 as it should be, 0 not."""


class Check(Model):
    """A reading that was taken to find out which of several causes it was."""

    about: Decided
    place: Place | None = None
    value: Annotated[float, Unit("m, turns, kg or 1"), Field(ge=-100, le=50_000)]


class Survey(Model):
    id: Ident
    setup: Ident | None = None
    """The setup that stood on the wheels; none: the vehicle as found."""
    date: Annotated[str, Field(pattern=r"^\d{4}-\d{2}-\d{2}$")] | None = None
    time: Annotated[str, Field(pattern=r"^\d{2}:\d{2}$")] | None = None
    odometer: Annotated[float, Unit("m"), Field(ge=0, le=1e10)] | None = None
    entry: Ident | None = None
    """The entry of the log after which it was read: what stood on the wheels then."""
    load: Ident | None = None
    """Load state that was aboard; none: as weighed."""
    set_aside: bool = False
    """Whether a mistake was found after it: it counts for nothing that follows."""
    conditions: Conditions = Conditions()
    readings: Annotated[tuple[Reading, ...], Field(max_length=2000)] = ()
    wheels: Annotated[tuple[WheelRound, ...], Field(max_length=8)] = ()
    against: Literal["centre line", "thrust line"] = "centre line"
    """What the read-out takes toe of single wheels against."""
    checks: Annotated[tuple[Check, ...], Field(max_length=60)] = ()
    bounces: Annotated[tuple[Bounce, ...], Field(max_length=8)] = ()
    """Bounce tests, one for each corner."""
    damages: Annotated[tuple[Damage, ...], Field(max_length=60)] = ()
    notes: Text = ""

    @model_validator(mode="after")
    def _each_wheel_once(self) -> "Survey":
        places = [w.place for w in self.wheels]
        if len(set(places)) != len(places):
            raise ValueError("wheels: two rows are of the same wheel")
        return self

    def wheel(self, place: Place) -> WheelRound | None:
        """What was read of a wheel in this round, beside heights and weights."""
        return next((w for w in self.wheels if w.place is place), None)

    def has(self, quantity: str) -> bool:
        """Whether it holds a reading of a quantity."""
        return any(r.quantity == quantity for r in self.readings)

    @model_validator(mode="before")
    @classmethod
    def _damage_in_rows(cls, data: Any) -> Any:
        """Known damage was one text once: a row for each of its lines."""
        if not isinstance(data, dict) or "damage" not in data:
            return data
        kept = {k: v for k, v in data.items() if k != "damage"}
        lines = [line.strip() for line in str(data["damage"]).splitlines() if line.strip()]
        rows = [
            {"id": f"noted-{n}", "part": line[:80], "state": line[80:280], "noted": data.get("date")}
            for n, line in enumerate(lines, 1)
        ]
        return {**kept, "damages": [*(data.get("damages") or ()), *rows]}
