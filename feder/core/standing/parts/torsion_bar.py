"""A corner's torsion bar as numbers that know their path."""

from dataclasses import dataclass

from feder.core.document.base import Place
from feder.core.document.cursor import Cursor, node, number, quantity
from feder.core.document.setup import TorsionBarPart
from feder.core.formulas.torsion import bar_angular_rate


@dataclass(slots=True)
class BarFacts:
    """A torsion bar and its angular rate: measured, or from its dimensions."""

    part: TorsionBarPart
    angular_rate: float
    diameter: float
    bore: float


def bar_facts(at: Cursor, place: Place) -> BarFacts | None:
    """The numbers of a corner's torsion bar; `at` is the corner in its setup."""
    part = node(at).spring
    if not isinstance(part, TorsionBarPart):
        return None
    label, bar = f"{place.words} bar {part.code}", at.spring
    diameter = number(bar.diameter, f"{label}, diameter", source="by calliper")
    bore = number(bar.bore, f"{label}, bore", source="by calliper")
    rate = quantity(bar.angular_rate, f"{label}, angular rate")
    if rate is None:
        length = number(bar.effective_length, f"{label}, effective length", source="by tape")
        modulus = number(bar.shear_modulus, f"{label}, shear modulus", source="steel")
        rate = bar_angular_rate(diameter, bore, length, modulus)
    return BarFacts(part, rate, diameter, bore)
