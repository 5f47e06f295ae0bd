"""Write a number in SI as a person reads it, in one of the unit systems."""

import re
from collections.abc import Callable

from feder.units.systems import rows_of
from feder.units.table import BY_NAME, BY_SI

SHOWN_UNIT = {
    "deg": "°",
    "N*s/m": "N·s/m",
    "lbf*s/in": "lbf·s/in",
    "kgf*s/mm": "kgf·s/mm",
    "N*m": "N·m",
    "lbf*ft": "lbf·ft",
    "kgf*m": "kgf·m",
    "deg/g": "°/g",
    "N*m/deg": "N·m/°",
    "N*m/rad": "N·m/rad",
    "cm^2": "cm²",
    "cm^3": "cm³",
    "in^2": "in²",
    "in^3": "in³",
}


def unit_shown(si: str, system: str, kind: str | None = None) -> tuple[str, float, int]:
    """The unit a system shows for an SI unit: its text, its factor, its decimals."""
    dimension = BY_SI[si]
    rows = rows_of(system)
    text, decimals = rows.get(kind or dimension.name, (dimension.si, 3))
    factor = next((u.factor for u in BY_NAME[dimension.name].units if u.text == text), 1.0)
    return text, factor, decimals


def figure(
    value: float | None,
    si: str,
    system: str,
    *,
    kind: str | None = None,
    unit: bool = False,
    signed: bool = False,
    decimals: int | None = None,
) -> str:
    """A figure as on screen and sheet: rounded, true minus sign, a dash for nothing."""
    if value is None:
        return "–"
    text, factor, places = unit_shown(si, system, kind)
    places = places if decimals is None else decimals
    shown = f"{value / factor:+.{places}f}" if signed else f"{value / factor:.{places}f}"
    if re.fullmatch(r"[+-]0(\.0*)?", shown):
        shown = shown[1:]
    shown = shown.replace("-", "−")
    return f"{shown} {SHOWN_UNIT.get(text, text)}".rstrip() if unit else shown


def showing(system: str) -> Callable[[float, str], str]:
    """A function for the working: each number in the system's own unit, to five figures."""

    def show(value: float, si: str) -> str:
        if si not in BY_SI or si == "turn":
            return f"{value:.5g} {si}".strip().replace("-", "−")
        text, factor, _ = unit_shown(si, system)
        return f"{value / factor:.5g} {SHOWN_UNIT.get(text, text)}".strip().replace("e-0", "e-").replace("-", "−")

    return show
