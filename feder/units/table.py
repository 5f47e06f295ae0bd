"""The one table of units: dimension, SI unit, factors. Exported to the browser; tests hold it equal to pint."""

from dataclasses import dataclass
from math import pi

from feder.core.numbers.quantities import INCH, LBF, POUND, G

GRAVITY = G


@dataclass(frozen=True, slots=True)
class UnitOf:
    """A unit: its text on the page, its size in SI, and other ways of typing it."""

    text: str
    factor: float
    aliases: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class Dimension:
    """A dimension: its SI unit as it travels on the wire, and the units known for it, SI first."""

    name: str
    si: str
    units: tuple[UnitOf, ...]


_MM, _IN, _CM = 1e-3, INCH, 1e-2

DIMENSIONS: tuple[Dimension, ...] = (
    Dimension("ratio", "", (UnitOf("", 1.0), UnitOf("%", 0.01, ("percent", "pct")))),
    Dimension(
        "length",
        "m",
        (
            UnitOf("m", 1.0, ("metre", "meter", "metres", "meters")),
            UnitOf("mm", _MM),
            UnitOf("cm", _CM),
            UnitOf("in", INCH, ('"', "″", "inch", "inches")),
            UnitOf("ft", 0.3048, ("foot", "feet")),
            UnitOf("km", 1e3),
            UnitOf("mi", 1609.344, ("mile", "miles")),
        ),
    ),
    Dimension(
        "mass",
        "kg",
        (
            UnitOf("kg", 1.0, ("kgs", "kilo", "kilos")),
            UnitOf("g", 1e-3),
            UnitOf("lb", POUND, ("lbs",)),
            UnitOf("t", 1e3),
        ),
    ),
    Dimension(
        "force",
        "N",
        (
            UnitOf("N", 1.0),
            UnitOf("kN", 1e3),
            UnitOf("daN", 10.0),
            UnitOf("kgf", GRAVITY, ("kp",)),
            UnitOf("lbf", LBF),
        ),
    ),
    Dimension(
        "rate",
        "N/m",
        (
            UnitOf("N/m", 1.0),
            UnitOf("N/mm", 1e3),
            UnitOf("N/cm", 1e2),
            UnitOf("kN/m", 1e3),
            UnitOf("kgf/mm", GRAVITY / _MM, ("kg/mm", "kp/mm")),
            UnitOf("kgf/cm", GRAVITY / _CM, ("kg/cm",)),
            UnitOf("lbf/in", LBF / INCH, ("lb/in", "lbs/in", "lb/inch", "lbs/inch")),
        ),
    ),
    Dimension(
        "angle",
        "rad",
        (
            UnitOf("rad", 1.0),
            UnitOf("deg", pi / 180, ("°", "degree", "degrees")),
            UnitOf("min", pi / 180 / 60, ("'", "′", "arcmin", "minutes")),
        ),
    ),
    Dimension("frequency", "Hz", (UnitOf("Hz", 1.0, ("1/s",)), UnitOf("1/min", 1 / 60, ("cpm",)))),
    Dimension(
        "pressure",
        "Pa",
        (
            UnitOf("Pa", 1.0),
            UnitOf("kPa", 1e3),
            UnitOf("MPa", 1e6, ("N/mm2", "N/mm²")),
            UnitOf("GPa", 1e9),
            UnitOf("bar", 1e5),
            UnitOf("psi", LBF / INCH**2, ("lbf/in2", "lbf/in²")),
        ),
    ),
    Dimension(
        "area",
        "m^2",
        (
            UnitOf("m^2", 1.0, ("m2", "m²")),
            UnitOf("mm^2", 1e-6, ("mm2", "mm²")),
            UnitOf("cm^2", 1e-4, ("cm2", "cm²")),
            UnitOf("in^2", INCH**2, ("in2", "in²")),
        ),
    ),
    Dimension(
        "volume",
        "m^3",
        (
            UnitOf("m^3", 1.0, ("m3", "m³")),
            UnitOf("mm^3", 1e-9, ("mm3", "mm³")),
            UnitOf("cm^3", 1e-6, ("cm3", "cm³", "cc", "ml")),
            UnitOf("l", 1e-3, ("L", "litre", "liter")),
            UnitOf("in^3", INCH**3, ("in3", "in³")),
        ),
    ),
    Dimension("curvature", "1/m", (UnitOf("1/m", 1.0), UnitOf("1/mm", 1e3), UnitOf("1/in", 1 / INCH))),
    Dimension(
        "damping",
        "N*s/m",
        (
            UnitOf("N*s/m", 1.0, ("N·s/m", "Ns/m", "N s/m")),
            UnitOf("N*s/mm", 1e3, ("N·s/mm", "Ns/mm")),
            UnitOf("kgf*s/mm", GRAVITY / _MM, ("kgf·s/mm", "kgs/mm", "kgfs/mm")),
            UnitOf("lbf*s/in", LBF / INCH, ("lbf·s/in", "lb*s/in", "lbs*s/in", "lbfs/in")),
        ),
    ),
    Dimension(
        "speed",
        "m/s",
        (
            UnitOf("m/s", 1.0),
            UnitOf("mm/s", 1e-3),
            UnitOf("km/h", 1 / 3.6, ("kph", "kmh")),
            UnitOf("mph", 1609.344 / 3600),
            UnitOf("in/s", INCH),
        ),
    ),
    Dimension("wave number", "cycle/m", (UnitOf("cycle/m", 1.0, ("cycles/m", "c/m")),)),
    Dimension("acceleration", "m/s^2", (UnitOf("m/s^2", 1.0, ("m/s²", "m/s2")),)),
    Dimension("inertia", "kg*m^2", (UnitOf("kg*m^2", 1.0, ("kg·m²", "kgm2", "kg m2", "kg·m^2")),)),
    Dimension("power", "W", (UnitOf("W", 1.0), UnitOf("kW", 1e3))),
    Dimension("time", "s", (UnitOf("s", 1.0), UnitOf("ms", 1e-3))),
    Dimension(
        "torque",
        "N*m",
        (
            UnitOf("N*m", 1.0, ("N·m", "Nm")),
            UnitOf("lbf*ft", LBF * 0.3048, ("lbf·ft", "lb*ft", "ftlb", "lbft")),
            UnitOf("kgf*m", GRAVITY, ("kgm",)),
        ),
    ),
    Dimension(
        "angular rate",
        "N*m/rad",
        (
            UnitOf("N*m/rad", 1.0, ("N·m/rad", "Nm/rad")),
            UnitOf("N*m/deg", 180 / pi, ("N·m/deg", "Nm/deg", "Nm/°")),
        ),
    ),
    Dimension("turns", "turn", (UnitOf("turn", 1.0, ("turns",)),)),
    Dimension("roll gradient", "rad/g", (UnitOf("rad/g", 1.0), UnitOf("deg/g", pi / 180, ("°/g",)))),
    Dimension("scrub", "m/km", (UnitOf("m/km", 1.0),)),
)

BY_SI: dict[str, Dimension] = {d.si: d for d in DIMENSIONS}
BY_NAME: dict[str, Dimension] = {d.name: d for d in DIMENSIONS}

SYSTEMS: dict[str, dict[str, tuple[str, int]]] = {
    # dimension name: (unit shown, decimals)
    "metric": {
        "roll gradient": ("deg/g", 2),
        "scrub": ("m/km", 1),
        "angular rate": ("N*m/deg", 1),
        "length": ("mm", 0),
        "fine length": ("mm", 1),
        "distance": ("km", 0),
        "road length": ("m", 1),
        "mass": ("kg", 0),
        "force": ("N", 0),
        "rate": ("N/mm", 1),
        "angle": ("deg", 2),
        "frequency": ("Hz", 2),
        "pressure": ("bar", 2),
        "damping": ("N*s/m", 0),
        "speed": ("km/h", 0),
        "damper speed": ("m/s", 2),
        "acceleration": ("m/s^2", 2),
        "power": ("W", 0),
        "inertia": ("kg*m^2", 0),
        "ratio": ("", 2),
        "turns": ("turn", 1),
        "time": ("s", 3),
        "torque": ("N*m", 1),
        "stress": ("MPa", 0),
        "area": ("cm^2", 2),
        "volume": ("cm^3", 1),
    },
    "inch": {
        "roll gradient": ("deg/g", 2),
        "scrub": ("m/km", 1),
        "angular rate": ("N*m/deg", 1),
        "length": ("in", 2),
        "fine length": ("in", 3),
        "distance": ("mi", 0),
        "road length": ("ft", 1),
        "mass": ("lb", 0),
        "force": ("lbf", 0),
        "rate": ("lbf/in", 0),
        "angle": ("deg", 2),
        "frequency": ("Hz", 2),
        "pressure": ("psi", 1),
        "damping": ("lbf*s/in", 2),
        "speed": ("mph", 0),
        "damper speed": ("in/s", 1),
        "acceleration": ("m/s^2", 2),
        "power": ("W", 0),
        "inertia": ("kg*m^2", 0),
        "ratio": ("", 2),
        "turns": ("turn", 1),
        "time": ("s", 3),
        "torque": ("lbf*ft", 1),
        "stress": ("psi", 0),
        "area": ("in^2", 3),
        "volume": ("in^3", 2),
    },
    "kgf": {
        "roll gradient": ("deg/g", 2),
        "scrub": ("m/km", 1),
        "angular rate": ("N*m/deg", 1),
        "length": ("mm", 0),
        "fine length": ("mm", 1),
        "distance": ("km", 0),
        "road length": ("m", 1),
        "mass": ("kg", 0),
        "force": ("kgf", 0),
        "rate": ("kgf/mm", 2),
        "angle": ("deg", 2),
        "frequency": ("Hz", 2),
        "pressure": ("bar", 2),
        "damping": ("kgf*s/mm", 3),
        "speed": ("km/h", 0),
        "damper speed": ("m/s", 2),
        "acceleration": ("m/s^2", 2),
        "power": ("W", 0),
        "inertia": ("kg*m^2", 0),
        "ratio": ("", 2),
        "turns": ("turn", 1),
        "time": ("s", 3),
        "torque": ("kgf*m", 2),
        "stress": ("MPa", 0),
        "area": ("cm^2", 2),
        "volume": ("cm^3", 1),
    },
}
"""What each unit system shows, and with how many decimals. "fine length" is for collars and gaps,
"damper speed" for what a damper's shaft does."""

GROUPS: dict[str, tuple[str, ...]] = {
    "length": ("length", "fine length"),
    "rate": ("rate",),
    "mass": ("mass",),
    "force": ("force",),
    "pressure": ("pressure",),
    "torque": ("torque",),
    "speed": ("speed",),
}
"""What may have a unit of its own, and which rows of the table go with it."""


def exported() -> dict[str, object]:
    """The table as plain data, for the browser."""
    return {
        "dimensions": {d.name: {"si": d.si, "units": {u.text: u.factor for u in d.units}} for d in DIMENSIONS},
        "systems": {name: {k: list(v) for k, v in rows.items()} for name, rows in SYSTEMS.items()},
        "groups": {name: list(rows) for name, rows in GROUPS.items()},
    }
