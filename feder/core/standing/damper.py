"""The damper of a corner in a setup: what its lengths, its body, its mount, its gas and its stop change there."""

from collections.abc import Collection
from dataclasses import replace

from feder.core.document.base import Place
from feder.core.document.cursor import Cursor, node, number, quantity
from feder.core.document.damper import DamperPart
from feder.core.formulas.air import gas_force
from feder.core.formulas.damper_body import (
    both_changes,
    damper_shift,
    length_beside,
    limit_with_body,
    reversed_of,
)
from feder.core.formulas.damping import coefficient_left, coefficient_of_all
from feder.core.numbers.working import given, solved
from feder.core.practice.targets import LOW_SPEED
from feder.core.standing.clicked import Clicked, clicked, worn
from feder.core.standing.facts import EndFacts

UNTOLD_LENGTH = "the lengths of this damper and of the one found are not told: as found"
UNTOLD = "of this damper not told: as found"
LENGTH_AT = {"droop": "extended", "stop": "shut", "solid": "shut"}
"""Which of a damper's lengths sets a limit; a stop untold stands as far before the end as the one found did."""


def is_own(side: Cursor, found: Cursor) -> bool:
    """Whether a setup has another damper at a corner than the one found."""
    return bool(side.damper) and node(side.damper) != node(found.damper)


def damper_at(side: Cursor, found: Cursor, end: EndFacts) -> Cursor:
    """Where the damper of a corner stands in the document: the setup's own, or the one found.

    With another suspension in its place the one found is gone.
    """
    return side.damper if side.damper or end.other_suspension else found.damper


def turned(side: Cursor, place: Place) -> float | None:
    """How much longer the damper stands by its body and its top mount; nothing where both are as told."""
    body = (
        number(side.body, f"{place.words} damper longer than as found", source="set") if node(side).body else None
    )
    mount = (
        number(side.top_mount, f"{place.words} top mount thicker", source="set") if node(side).top_mount else None
    )
    if body is None or mount is None:
        return mount if body is None else body
    return both_changes(body, mount)


def with_damper(
    end: EndFacts, side: Cursor, found: Cursor, place: Place, measured: Collection[str] = ()
) -> EndFacts:
    """The end with the damper that stands at one of its corners in a setup.

    `measured` names the limits that were told for this setup: they hold for its damper, with its body as told.
    """
    end = with_its_own(end, side, found, place)
    own = is_own(side, found)
    if not own and not turned(side, place):
        return end

    def moved(name: str, height: float | None) -> float | None:
        return (
            None if height is None else _moved(end, name, height, side, found, place, own and name not in measured)
        )

    # where a damper's own stop is touched follows from its shaft
    stop = None if own and node(side.damper).stop is not None else moved("stop", end.stop)
    return replace(end, droop=moved("droop", end.droop), solid=moved("solid", end.solid), stop=stop)


def _moved(end: EndFacts, name: str, height: float, side: Cursor, found: Cursor, place: Place, own: bool) -> float:
    """A limit where the damper now sets it."""
    change, limit = turned(side, place), height
    if own:
        other = length_change(side, found, place, LENGTH_AT[name])
        if other is None:
            limit = given(float(height), f"{end.name} {name}", "m", source=UNTOLD_LENGTH, assumed=True)
        else:
            change = other if change is None else both_changes(other, change)
    if not change or not end.damper.known:
        return limit
    if end.damper.curve is None and end.damper.constant is not None:
        return limit_with_body(limit, damper_shift(change, end.damper.constant))
    return limit_with_body(limit, end.damper.wheel_travel(limit, reversed_of(change)))


def length_change(side: Cursor, found: Cursor, place: Place, length: str) -> float | None:
    """How much longer the setup's damper is than the one found, extended or shut; nothing while one is untold."""
    if not found.damper or not side.damper[length] or not found.damper[length]:
        return None
    now = number(side.damper[length], f"{place.words} damper {node(side.damper).code}, {length}")
    was = number(found.damper[length], f"{place.words} damper as found, {length}")
    return length_beside(now, was)


def left_of(side: Cursor, found: Cursor, end: EndFacts) -> float | None:
    """Share of its curve that a corner's damper still has; nothing: all, as of any other than the one found."""
    left: float | None = node(side).curve_left
    return None if end.other_suspension or is_own(side, found) else left


def with_its_own(end: EndFacts, side: Cursor, found: Cursor, place: Place) -> EndFacts:
    """The end with coefficient and gas of a corner's damper; what that does not tell is as found, and marked."""
    at, own = damper_at(side, found, end), is_own(side, found)
    left = left_of(side, found, end)
    if not at:
        one = _left(end.damper_coefficient, side, left, f"{place.words} damper")
        return end if left is None else replace(end, damper_coefficient=one)
    part: DamperPart = node(at)
    label = f"{place.words} damper {part.code}"
    curve = worn(clicked(part, node(side)), left)
    one = quantity(at.coefficient, f"{label}, coefficient")
    if curve is not None:
        one = low_coefficient(curve, at, side, label)
    if one is not None and end.damping != 1:
        one = coefficient_of_all(one, given(end.damping, f"{end.name} dampers", "", source="counted"))
    if one is None:
        one = _as_found(end.damper_coefficient, f"{label}, coefficient", "N*s/m", own)
    if curve is None:
        one = _left(one, side, left, label)
    gas = _as_found(end.gas, f"{label}, gas push", "N", own)
    if part.gas_pressure is not None and part.rod_diameter is not None:
        rod = number(at.rod_diameter, f"{label}, rod diameter", source="by calliper")
        gas = gas_force(number(at.gas_pressure, f"{label}, gas pressure"), rod)
    return replace(end, damper_coefficient=one, gas=gas, clicked=curve)


def low_coefficient(curve: Clicked, at: Cursor, side: Cursor, label: str) -> float:
    """Mean of the chords of bump and rebound at low speed: what body damping is judged by."""
    low = LOW_SPEED
    return solved(
        (curve.curve.chord(low) + curve.curve.chord(-low)) / 2,
        "damper_coefficient",
        "N*s/m",
        equation=f"mean of both chords of the curve at {low} m/s",
        inputs=clicks_read(curve, at, side, label),
        source=curve.source,
    )


def clicks_read(curve: Clicked, at: Cursor, side: Cursor, label: str) -> dict[str, float]:
    """What a curve rests on: its knobs' clicks, an assumed family's coefficients, and whether it is assumed."""
    inputs: dict[str, float] = {}
    if curve.assumed:
        for member in ("rebound_shut", "rebound_open", "bump_shut", "bump_open"):
            words = member.replace("_", ", ")
            told = number(at.family[member], f"{label}, family, {words}", source=curve.source, assumed=True)
            inputs[f"family, {words}"] = told
    if curve.left is not None:
        inputs["share left"] = number(side.curve_left, f"{label}, share of its curve left", source="bounce test")
    for acts in curve.clicks:
        inputs[f"{acts} clicks"] = number(side[acts].count, f"{label}, {acts} clicks", source="set", unit="")
    unsure = curve.assumed or bool(curve.beyond)
    words = "past the measured clicks: the nearest stands in" if curve.beyond else curve.source
    inputs["curve"] = given(1.0, f"{label}, curve", "", source=words, assumed=unsure)
    return inputs


def _left(coefficient: float | None, side: Cursor, left: float | None, label: str) -> float | None:
    """What a worn damper still has of its coefficient."""
    if coefficient is None or left is None:
        return coefficient
    return coefficient_left(coefficient, number(side.curve_left, f"{label}, share left", source="bounce test"))


def _as_found(value: float | None, label: str, unit: str, own: bool) -> float | None:
    if value is None or not own:
        return value
    return given(float(value), label, unit, source=UNTOLD, assumed=True)
