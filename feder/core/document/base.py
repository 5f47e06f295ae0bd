"""What all parts of the document share: strictness, bounded numbers, places, and how a number was got."""

from enum import StrEnum
from typing import Annotated, Literal

from pydantic import ConfigDict, Field, field_validator

from feder.core.numbers.frozen import Frozen
from feder.core.numbers.quantities import Unit


class Model(Frozen):
    """A frozen part of the document. Unknown members, nan and inf are refused."""

    model_config = ConfigDict(frozen=True, extra="forbid", allow_inf_nan=False, ser_json_inf_nan="constants")


class Place(StrEnum):
    """A corner of a car, or a wheel of a two-wheeler."""

    FRONT_LEFT = "front_left"
    FRONT_RIGHT = "front_right"
    REAR_LEFT = "rear_left"
    REAR_RIGHT = "rear_right"
    FRONT = "front"
    REAR = "rear"

    @property
    def end(self) -> "EndName":
        return "front" if self[0] == "f" else "rear"

    @property
    def is_left(self) -> bool:
        return self[-4:] == "left"

    @property
    def words(self) -> str:
        return self.replace("_", " ")

    @property
    def mirror(self) -> "Place":
        """The wheel on the other side of the same axle; a two-wheeler's wheel has none but itself."""
        if "_" not in self:
            return self
        return Place(f"{self.end}_{'right' if self.is_left else 'left'}")


EndName = Literal["front", "rear"]
ENDS: tuple[EndName, ...] = ("front", "rear")
PLACES = (Place.FRONT_LEFT, Place.FRONT_RIGHT, Place.REAR_LEFT, Place.REAR_RIGHT)
"""Corner order everywhere: front left, front right, rear left, rear right."""
WHEELS = (Place.FRONT, Place.REAR)
"""The places of a two-wheeler."""

How = Literal[
    "scales",
    "tape",
    "level",
    "sweep",
    "levers",
    "maker",
    "wire",
    "bench",
    "typed",
    "repeated",
    "imported",
    "fit",
    "estimated",
]
"""How a number was got. "estimated" marks it, and every result that rests on it."""
HOW_WORDS = {
    "scales": "from the scales",
    "tape": "by tape",
    "level": "by level",
    "sweep": "by a sweep",
    "levers": "from lever lengths",
    "maker": "maker's figure",
    "wire": "from wire dimensions",
    "bench": "measured on a bench",
    "typed": "typed in",
    "repeated": "mean of repeated readings",
    "imported": "imported",
    "fit": "by fit to heights read",
    "estimated": "estimated",
}

Name = Annotated[str, Field(min_length=1, max_length=80)]
Text = Annotated[str, Field(max_length=2000)]
Ident = Annotated[str, Field(pattern=r"^[a-z0-9][a-z0-9-]{0,39}$")]

# Bounds keep out slips of a thousand (metres for millimetres); they are wide on purpose.
LengthM = Annotated[float, Unit("m"), Field(gt=0, le=30)]
SignedLengthM = Annotated[float, Unit("m"), Field(ge=-5, le=5)]
ShortLengthM = Annotated[float, Unit("m"), Field(ge=0, le=5)]
MassKg = Annotated[float, Unit("kg"), Field(gt=0, le=50_000)]
RateNpm = Annotated[float, Unit("N/m"), Field(gt=0, le=1e8)]
ForceN = Annotated[float, Unit("N"), Field(ge=0, le=1e7)]
DampingNspm = Annotated[float, Unit("N*s/m"), Field(ge=0, le=1e7)]
AngleRad = Annotated[float, Unit("rad"), Field(ge=-1.58, le=1.58)]
PressurePa = Annotated[float, Unit("Pa"), Field(ge=0, le=1e8)]
RatioValue = Annotated[float, Unit(""), Field(ge=-20, le=20)]


ToleranceOf = Annotated[float, Unit("as the value"), Field(gt=0, le=1e8)]


class Quantity(Model):
    """A number with how it was got, and its tolerance (standard uncertainty, SI) where one is known."""

    how: How = "typed"
    tolerance: ToleranceOf | None = None

    @property
    def assumed(self) -> bool:
        return self.how == "estimated"


class Tolerances(dict[str, float]):
    """Tolerances by member; parts that hold them are told apart by what they hold, as other frozen parts."""

    def __hash__(self) -> int:  # type: ignore[override]
        return hash(frozenset(self.items()))


class Tolerant(Model):
    """A part whose plain numbers may carry tolerances of their own: standard uncertainty in SI, by member."""

    tolerances: Annotated[dict[str, ToleranceOf], Field(max_length=40)] = Field(default_factory=Tolerances)

    @field_validator("tolerances", mode="after")
    @classmethod
    def _of_members(cls, told: dict[str, float]) -> dict[str, float]:
        unknown = sorted(set(told) - set(cls.model_fields))
        if unknown:
            raise ValueError(f"there is no {unknown[0]} here")
        return Tolerances(told)


class LengthValue(Quantity):
    value: LengthM


class ForceValue(Quantity):
    value: ForceN


class MassValue(Quantity):
    value: Annotated[float, Unit("kg"), Field(ge=0, le=50_000)]


class RateValue(Quantity):
    value: RateNpm


class AngularRateValue(Quantity):
    """Torque over angle."""

    value: Annotated[float, Unit("N*m/rad"), Field(gt=0, le=1e8)]


class DampingValue(Quantity):
    value: DampingNspm
