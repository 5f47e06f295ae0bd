"""Read a quantity as people type it: "450 lb/in", "2 1/4 in", "21 deg 30 min", "35 %".

Known units come from the table; anything else is handed to pint. A failure is one sentence.
"""

import math
import re
from dataclasses import dataclass
from functools import cache
from typing import Any

from feder.core.numbers.errors import FederError
from feder.units.table import BY_SI, GRAVITY, Dimension


class Unreadable(FederError, ValueError):
    """The text is no quantity of the dimension wanted; the message says what to write."""

    code = "unreadable"

    def __init__(self, message: str) -> None:
        super().__init__(message, key="text")


@dataclass(frozen=True, slots=True)
class Quantity:
    """A value in SI, with a note when the text was read in a way worth telling."""

    value: float
    note: str | None = None


_NUMBER = r"[+-]?(?:\d+(?:[.,]\d*)?|[.,]\d+)(?:[eE][+-]?\d+)?"
_FRACTION = re.compile(r"\s*([+-]?)(?:(\d+)\s+|(\d+)-)?(\d+)\s*/\s*(\d+)(?![.\d])\s*(.*)", re.S)
_PLAIN = re.compile(rf"\s*({_NUMBER})\s*(.*)", re.S)
_VULGAR = {"¼": "1/4", "½": "1/2", "¾": "3/4", "⅛": "1/8", "⅜": "3/8", "⅝": "5/8", "⅞": "7/8"}
MOST_TEXT = 80
_ODD_UNIT = re.compile(r"\d{3}|\^\s*-?\d\d|\*\*|(?<=[\s*/(])\d|\d\s")
"""Numbers in a unit that are no exponent: a second number, or a power no vehicle has."""


_BETWEEN = re.compile(r"\s*(?:±|\+\s*/?\s*[-−])\s*")
"""What stands between a number and its tolerance: ±, +-, +/-."""


def parse_with_tolerance(text: str, si: str, bare: str | None = None) -> tuple[Quantity, float | None]:
    """A quantity and the tolerance typed after it, both in SI: "40 +- 0.4", "25 in ± 1/16", "450 lb/in ± 2 %".

    A unit at either number holds for both; a percentage is a share of the value.

    Raises:
        Unreadable: either number cannot be read, or the tolerance is not above 0.
    """
    parts = _BETWEEN.split(text.strip(), maxsplit=1)
    if len(parts) == 1 or not parts[0]:
        return parse(text, si, bare), None
    first, second = parts
    read = parse(_in_same_unit(first, second), si, bare)
    share = re.fullmatch(r"(.*\d[^%]*)%", second.strip())
    if share:
        size = abs(read.value) * parse(share[1], "").value / 100
    else:
        size = parse(_in_same_unit(second, first), si, bare).value
    if size <= 0:
        raise Unreadable("needs a tolerance above 0")
    return read, size


def _in_same_unit(text: str, other: str) -> str:
    """A number with the unit of the other one, where it has none of its own; a percentage is no such unit."""
    mine, theirs = _number(_fractions_plain(text))[1], _number(_fractions_plain(other))[1]
    theirs = re.split(r"\s+\d", theirs)[0]  # of degrees and minutes the degrees
    return f"{text} {theirs}" if not mine and theirs != "%" else text


def _fractions_plain(text: str) -> str:
    for sign, fraction in _VULGAR.items():
        text = text.replace(sign, f" {fraction}")
    return text.strip().replace("−", "-").replace("\u00a0", " ")


@cache
def _names(dimension: Dimension) -> dict[str, float]:
    return {_plain(name): unit.factor for unit in dimension.units for name in (unit.text, *unit.aliases) if name}


def _plain(unit: str) -> str:
    return re.sub(
        r"\s+(?!\d)", "", unit.replace("·", "*").replace("²", "^2").replace("³", "^3").replace("**", "^")
    )


def parse(text: str, si: str, bare: str | None = None) -> Quantity:
    """The value of `text` in the SI unit `si`. A bare number is in `bare` (default: SI itself).

    Raises:
        Unreadable: no number, no such unit, or a unit of another dimension.
    """
    dimension = BY_SI[si]
    text = _fractions_plain(text)
    if not text:
        raise Unreadable("is empty: write a number" + _example(dimension))
    if len(text) > MOST_TEXT:
        raise Unreadable("is too long for a quantity")
    value, unit = _number(text)
    if dimension.name == "angle" and (parts := _degrees_and_minutes(text)) is not None:
        return Quantity(parts)
    if not unit:
        factor = _names(dimension).get(_plain(bare), 1.0) if bare else 1.0
        if dimension.name == "angle" and not bare and abs(value) > math.pi / 2:
            raise Unreadable(f"is beyond a right angle in radians: write {value:g} deg")
        return _finite(Quantity(_scaled(value, factor)))
    return _finite(_with_unit(value, unit, dimension))


def read_cell(text: str, si: str, bare: str | None) -> float:
    """A cell of a file in SI; `bare` is the unit of a number that carries none. Raises `Unreadable`."""
    return parse(text, si, bare).value


def _scaled(value: float, factor: float) -> float:
    """Value times factor; through the exact whole number where there is one, so that 71 mm is 0.071 m."""
    parts = round(1 / factor)
    return value / parts if parts > 1 and math.isclose(parts * factor, 1, rel_tol=1e-15) else value * factor


def _number(text: str) -> tuple[float, str]:
    if found := _FRACTION.fullmatch(text):
        sign, whole, dashed, above, below, unit = found.groups()
        if int(below) == 0:
            raise Unreadable("has a fraction over zero")
        size = int(whole or dashed or 0) + int(above) / int(below)
        return (-size if sign == "-" else size), unit.strip()
    if found := _PLAIN.fullmatch(text):
        number = found[1]
        if "," in number:
            if "." in number or re.fullmatch(r"[+-]?\d{1,3},\d{3}", number):
                raise Unreadable(
                    f"has a comma that can be read two ways: write {number.replace(',', '')} or use a point"
                )
            number = number.replace(",", ".")
        return float(number), found[2].strip()
    raise Unreadable("is not a number")


def _degrees_and_minutes(text: str) -> float | None:
    found = re.fullmatch(
        rf"([+-]?)\s*({_NUMBER})\s*(?:deg|degrees|°)\s*({_NUMBER})\s*(?:min|minutes|'|′)?\s*", text
    )
    if not found:
        return None
    degrees = abs(float(found[2].replace(",", "."))) + float(found[3].replace(",", ".")) / 60
    negative = found[1] == "-" or found[2].startswith("-")
    return math.radians(-degrees if negative else degrees)


def _with_unit(value: float, unit: str, dimension: Dimension) -> Quantity:
    plain = _plain(unit)
    names = _names(dimension)
    if plain in names:
        note = None
        if dimension.name == "rate" and plain.startswith(("kg/", "lb/", "lbs/")):
            note = f"{unit} read as a force per length"
        return Quantity(_scaled(value, names[plain]), note)
    if dimension.name == "force" and plain in (masses := _names(BY_SI["kg"])):
        return Quantity(
            value * masses[plain] * GRAVITY, f"{value:g} {unit} read as its weight, times 9.80665 m/s²"
        )
    if dimension.name == "wave number" and "rad" in plain:
        raise Unreadable(f"is in {unit}, 2π of which are one wave: write it in cycle/m")
    for other in BY_SI.values():
        if plain in _names(other) and other is not dimension:
            raise Unreadable(f"is a {other.name} ({unit}); wanted is a {dimension.name}" + _example(dimension))
    return Quantity(_by_pint(value, unit, dimension))


@cache
def _registry() -> Any:
    import pint

    return pint.UnitRegistry()


def _by_pint(value: float, unit: str, dimension: Dimension) -> float:
    if not re.fullmatch(r"[A-Za-z0-9µ°·*/^() .-]{1,40}", unit) or _ODD_UNIT.search(unit):
        raise Unreadable(f"has a unit that is not known: {unit[:40]}" + _example(dimension))
    si = dimension.si or "dimensionless"
    try:
        return float(_registry().Quantity(value, _registry().Unit(unit.replace("·", "*"))).to(si).magnitude)
    except Exception as error:  # pint raises many kinds, some of its own making; each means: not understood
        if type(error).__name__ == "DimensionalityError":
            raise Unreadable(
                f"has the wrong dimension ({unit}); wanted is a {dimension.name}" + _example(dimension)
            ) from None
        raise Unreadable(f"has a unit that is not known: {unit}" + _example(dimension)) from None


def _finite(quantity: Quantity) -> Quantity:
    if not math.isfinite(quantity.value):
        raise Unreadable("must be a finite number")
    return quantity


def _example(dimension: Dimension) -> str:
    unit = dimension.units[1 if len(dimension.units) > 1 and dimension.name != "mass" else 0].text
    return f", such as 12 {unit}" if unit else ""
