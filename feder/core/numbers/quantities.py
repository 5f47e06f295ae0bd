"""Units and ranges that a signature carries: a plain float to Python, a checked fact to edges and tests."""

import math
import sys
from collections.abc import Callable, Iterable
from dataclasses import dataclass
from typing import Annotated, Any

G = 9.80665
"""Standard acceleration of free fall, m/s² (CGPM 1901)."""
INCH = 0.0254
POUND = 0.45359237
LBF = POUND * G
"""Inch, pound and pound-force in SI (international yard and pound, 1959)."""
SPRING_STEEL_SHEAR_MODULUS = 79.3e9
"""Shear modulus of spring steel, Pa (common handbook value)."""
ATMOSPHERE = 101325.0
"""Standard atmosphere, Pa (ISO 2533)."""


@dataclass(frozen=True, slots=True)
class Unit:
    """A coherent SI unit, by the text that travels beside the number ("" for a pure ratio)."""

    text: str

    def __get_pydantic_json_schema__(self, core_schema: Any, handler: Callable[[Any], dict[str, Any]]) -> Any:
        """The unit is told in a schema too, beside the bounds."""
        schema = handler(core_schema)
        schema["x-unit"] = self.text
        return schema


@dataclass(frozen=True, slots=True)
class Above:
    """The value is greater than `limit`."""

    limit: float

    def holds(self, value: float) -> bool:
        return value > self.limit

    @property
    def rule(self) -> str:
        return f"must be above {self.limit:g}"


@dataclass(frozen=True, slots=True)
class AtLeast:
    """The value is `limit` or greater."""

    limit: float

    def holds(self, value: float) -> bool:
        return value >= self.limit

    @property
    def rule(self) -> str:
        return f"must be {self.limit:g} or more"


@dataclass(frozen=True, slots=True)
class Not:
    """The value is not `limit`."""

    limit: float

    def holds(self, value: float) -> bool:
        return value != self.limit

    @property
    def rule(self) -> str:
        return f"must not be {self.limit:g}"


@dataclass(frozen=True, slots=True)
class Within:
    """The value lies between `low` and `high`, both allowed unless `open` is set."""

    low: float
    high: float
    open: bool = False

    def holds(self, value: float) -> bool:
        return self.low < value < self.high if self.open else self.low <= value <= self.high

    @property
    def rule(self) -> str:
        kind = "between, but not at," if self.open else "between"
        return f"must lie {kind} {self.low:g} and {self.high:g}"


Range = Above | AtLeast | Not | Within
LARGEST = sys.float_info.max


def bounds_of(limits: Iterable[Range]) -> tuple[float, float]:
    """The closed interval that a value must lie in to be finite and within every range but `Not`."""
    low, high = -LARGEST, LARGEST
    for limit in limits:
        match limit:
            case Above(edge):
                low = max(low, math.nextafter(edge, math.inf))
            case AtLeast(edge):
                low = max(low, edge)
            case Within(a, b, open=is_open):
                low = max(low, math.nextafter(a, math.inf) if is_open else a)
                high = min(high, math.nextafter(b, -math.inf) if is_open else b)
            case Not():
                pass
    return low, high


Ratio = Annotated[float, Unit("")]
NonNegativeRatio = Annotated[float, Unit(""), AtLeast(0)]
Amount = Annotated[float, Unit("any"), Above(0)]
"""A swing, in any one dimension: only its share of another counts."""
Setting = Annotated[float, Unit("any")]
"""Camber, caster or toe: an angle or a length."""
Step = Annotated[float, Unit("any"), Above(0)]
Time = Annotated[float, Unit("s"), Above(0)]
PositiveRatio = Annotated[float, Unit(""), Above(0)]
MotionRatio = Annotated[float, Unit(""), Not(0)]
Fraction = Annotated[float, Unit(""), Within(0, 1)]
Coils = Annotated[float, Unit(""), Above(0)]
Metre = Annotated[float, Unit("m")]
Length = Annotated[float, Unit("m"), Above(0)]
NonNegativeLength = Annotated[float, Unit("m"), AtLeast(0)]
PerMetre = Annotated[float, Unit("1/m")]
Kilogram = Annotated[float, Unit("kg")]
Mass = Annotated[float, Unit("kg"), Above(0)]
NonNegativeMass = Annotated[float, Unit("kg"), AtLeast(0)]
Newton = Annotated[float, Unit("N")]
NonNegativeForce = Annotated[float, Unit("N"), AtLeast(0)]
Force = Annotated[float, Unit("N"), Above(0)]
NewtonPerMetre = Annotated[float, Unit("N/m")]
Rate = Annotated[float, Unit("N/m"), Above(0)]
NonNegativeRate = Annotated[float, Unit("N/m"), AtLeast(0)]
Radian = Annotated[float, Unit("rad")]
Turns = Annotated[float, Unit("turn")]
Hertz = Annotated[float, Unit("Hz")]
Frequency = Annotated[float, Unit("Hz"), Above(0)]
Second = Annotated[float, Unit("s")]
MetrePerSecond = Annotated[float, Unit("m/s")]
Speed = Annotated[float, Unit("m/s"), Above(0)]
Pascal = Annotated[float, Unit("Pa")]
Modulus = Annotated[float, Unit("Pa"), Above(0)]
NewtonSecondPerMetre = Annotated[float, Unit("N*s/m")]
Damping = Annotated[float, Unit("N*s/m"), AtLeast(0)]
Flag = Annotated[float, Unit("")]


@dataclass(frozen=True, slots=True)
class Count:
    """A list has exactly `exact` members, or at least `least`."""

    exact: int | None = None
    least: int = 1


@dataclass(frozen=True, slots=True)
class Columns:
    """A list of rows whose members carry these units."""

    units: tuple[str, ...]


AngleBelowRight = Annotated[float, Unit("rad"), Within(-math.pi / 2, math.pi / 2, open=True)]
NewtonMetre = Annotated[float, Unit("N*m"), AtLeast(0)]
NewtonMetrePerRadian = Annotated[float, Unit("N*m/rad")]
AngularRate = Annotated[float, Unit("N*m/rad"), Above(0)]
GaugePressure = Annotated[float, Unit("Pa"), Above(-ATMOSPHERE)]
Area = Annotated[float, Unit("m^2"), Above(0)]
AbsolutePressure = Annotated[float, Unit("Pa"), Above(0)]
Temperature = Annotated[float, Unit("K"), Above(0)]
Altitude = Annotated[float, Unit("m"), Within(-500, 9000)]
SquareMetre = Annotated[float, Unit("m^2")]
CubicMetre = Annotated[float, Unit("m^3")]
Volume = Annotated[float, Unit("m^3"), Above(0)]
Exponent = Annotated[float, Unit(""), Within(0.5, 3)]
Splines = Annotated[int, Unit(""), Within(2, 400)]
RadianPerG = Annotated[float, Unit("rad/g")]
MetrePerKilometre = Annotated[float, Unit("m/km")]
Energy = Annotated[float, Unit("N*m")]
CurvePoints = Annotated[list[tuple[float, float]], Columns(("m/s", "N")), Count(least=1)]
"""A damper's curve: [velocity, force], closing positive."""
DecayPoints = Annotated[list[tuple[float, float]], Columns(("s", "m")), Count(least=8)]
Points = Annotated[list[tuple[float, float]], Columns(("m", "N")), Count(least=3)]
DistanceHeights = Annotated[list[tuple[float, float]], Columns(("m", "m")), Count(least=1)]
"""Distance since fitting, and a height read there."""
FourWeights = Annotated[list[float], Unit("N"), Above(0), Count(exact=4)]
FourRates = Annotated[list[float], Unit("N/m"), Above(0), Count(exact=4)]
FourRatios = Annotated[list[float], Unit(""), Above(0), Count(exact=4)]
Leads = Annotated[float | list[float], Unit("m"), Above(0), Count(exact=4)]
"""One lead of thread for all corners, or four."""
Band = Annotated[list[float], Unit("m"), AtLeast(0), Count(exact=2)]
Readings = Annotated[float | list[float], Unit("m"), AtLeast(0), Count(exact=2)]
"""A reading, or a pair [lifted, pressed]."""
