"""Guesses: one unit taken for another, or a power of ten."""

from collections.abc import Iterator
from dataclasses import dataclass

from feder.core.causes.guess import Guess, Path, Typed, changed, number
from feder.core.document.base import Place
from feder.core.document.setup import AirSpringPart, SpringPart, TorsionBarPart
from feder.core.numbers.quantities import INCH, LBF, POUND, G
from feder.core.report.shapes import Station

TEN = ((10.0, "ten times as much", 0.5), (0.1, "a tenth of it", 0.5))
HUNDRED = ((100.0, "a hundred times as much", 0.7), (0.01, "a hundredth of it", 0.7))
LBF_IN = LBF / INCH / 1e3
"""1 lbf/in in N/mm."""
PSI = LBF / INCH**2
FACTORS: dict[str, tuple[tuple[float, str, float], ...]] = {
    "N/m": (
        (G, "in kgf/mm", 0.2),
        (LBF_IN, "in lbf/in", 0.2),
        (1 / G, "in N/mm, taken for kgf/mm", 0.4),
        (1 / LBF_IN, "in N/mm, taken for lbf/in", 0.4),
        (LBF_IN / G, "in lbf/in, taken for kgf/mm", 0.6),
        *TEN,
        *HUNDRED,
    ),
    "m": ((INCH * 1e3, "in inches", 0.3), (1 / (INCH * 1e3), "in mm, taken for inches", 0.5), *TEN),
    "kg": ((POUND, "in pounds", 0.2), (1 / POUND, "in kg, taken for pounds", 0.4), (1 / G, "in newtons", 0.5), *TEN),
    "Pa": (
        (PSI / 1e5, "in psi", 0.3),
        (1e5 / PSI, "in bar, taken for psi", 0.3),
        (0.01, "in kPa, taken for bar", 0.5),
        *TEN,
    ),
    "N*s/m": ((G, "in kgf·s/mm", 0.5), (LBF_IN, "in lbf·s/in", 0.4), *TEN),
    "N*m/rad": ((57.29577951308232, "per degree", 0.2), (1 / 57.29577951308232, "per radian, taken for degrees", 0.4), *TEN),
}  # fmt: skip
"""By SI unit: what the number times it would be, in words, and how rare that mistake is."""
LIMITS = {"bump stop": (0.010, 0.15), "shaft": (0.005, 0.40), "arm": (0.12, 0.9), "whole travel": (0.04, 0.4)}
"""What a number could be meant as at all, m."""


@dataclass(frozen=True, slots=True)
class Group:
    """Numbers that were typed alike, so that one mistake has all of them."""

    family: str
    place: str
    station: Station
    words: str
    unit: str
    values: tuple[tuple[Path, float], ...]
    kind: str = ""
    """What checks call it that go with it."""
    more: float = 0.0
    """Cost beside that of its factor."""
    ten: float = 0.0
    """The same for powers of ten alone."""
    limit: tuple[float, float] = (0.0, float("inf"))


def of_units(typed: Typed) -> Iterator[Guess]:
    for group in groups(typed):
        yield from of_group(group)


def of_group(group: Group) -> Iterator[Guess]:
    """Each unit or power of ten in which the numbers of a group may have been meant."""
    first = group.values[0][1]
    for factor, words, cost in FACTORS[group.unit]:
        if not group.limit[0] <= first * factor <= group.limit[1]:
            continue
        made = tuple((path, value * factor) for path, value in group.values)
        yield Guess(
            rule="cause_unit"
            if factor not in (10.0, 0.1, 100.0, 0.01) or words.startswith("in")
            else "cause_power_of_ten",
            family=group.family,
            place=group.place,
            station=group.station,
            text=f"{group.words[0].upper()}{group.words[1:]}: {{typed}} was meant {words}, {{meant}}",
            act="Make it {meant}",
            short=f"{{meant}}, {words}",
            change=changed(made),
            value=first,
            numbers={"typed": number(first, group.unit), "meant": number(first * factor, group.unit)},
            cost=cost + group.more + (group.ten if factor in (10.0, 0.1) else 0.0),
            paths=tuple(path for path, _ in group.values),
            factor=(group.kind, factor),
        )


def groups(typed: Typed) -> Iterator[Group]:
    yield from _springs(typed)
    yield from _ends(typed)
    yield from _masses(typed)
    yield from _lengths(typed)
    yield from _pressures(typed)


def _springs(typed: Typed) -> Iterator[Group]:
    """Springs of one end that were typed alike: of both sides, and of the setup in hand where it keeps them."""
    rates: dict[int, list[tuple[Path, float]]] = {}
    for name, _, _ in typed.ends():
        alike: dict[tuple[str, str, float], list[tuple[Path, float, int, Place]]] = {}
        for index, setup in typed.setups():
            for place in typed.places_at(name):
                part = typed.side(setup, place).spring
                at: Path = ("setups", index, "sides", place.value, "spring")
                for member, path, value in _numbers(part, at):
                    code = "" if part is None else part.code
                    alike.setdefault((member, code, value), []).append((path, value, index, place))
                    if member == "rate":
                        rates.setdefault(index, []).append((path, value))
        for (member, code, _), rows in alike.items():
            first = min(index for _, _, index, _ in rows)
            places = {place for _, _, _, place in rows}
            both = len(places) == len(typed.places_at(name))
            where = name if both else next(iter(places)).value
            words, unit, family = SPRING_NUMBERS[member]
            kind = member if first == 0 else f"{member} of the setup"
            text = f"{name if both else where.replace('_', ' ')} {words} ({code})"
            station: Station = "survey" if first == 0 else "springs"
            pairs = tuple((path, value) for path, value, _, _ in rows)
            yield Group(family, where, station, text, unit, pairs, kind, more=0.0 if both else 0.05)
    for index, every in rates.items():
        if len({value for _, value in every}) > 1:
            words = (
                "spring rates as found, the first one"
                if index == 0
                else "spring rates of this setup, the first one"
            )
            kind = "rate" if index == 0 else "rate of the setup"
            station = "survey" if index == 0 else "springs"
            yield Group("springs", "vehicle", station, words, "N/m", tuple(every), kind, more=0.05)


SPRING_NUMBERS = {
    "rate": ("spring rate", "N/m", "springs"),
    "free": ("free length", "m", "springs"),
    "solid": ("solid length", "m", "springs"),
    "diameter": ("diameter of the bar", "m", "bars"),
    "length": ("length of the bar", "m", "bars"),
    "angular": ("rate of the bar", "N*m/rad", "bars"),
}
"""Numbers of a spring by what checks call them: in words, their unit, and the family of a mistake in them."""


def _numbers(part: object, at: Path) -> Iterator[tuple[str, Path, float]]:
    if isinstance(part, SpringPart):
        yield "rate", (*at, "rate", "value"), part.rate.value
        if part.free_length:
            yield "free", (*at, "free_length"), part.free_length
        if part.solid_length:
            yield "solid", (*at, "solid_length"), part.solid_length
    elif isinstance(part, TorsionBarPart):
        yield "diameter", (*at, "diameter"), part.diameter
        yield "length", (*at, "effective_length"), part.effective_length
        if part.angular_rate is not None:
            yield "angular", (*at, "angular_rate", "value"), part.angular_rate.value


def _ends(typed: Typed) -> Iterator[Group]:
    tyres: list[tuple[Path, float]] = []
    for name, end, at in typed.ends():
        if end.tyre.rate is not None:
            tyres.append(((*at, "tyre", "rate", "value"), end.tyre.rate.value))
            yield Group("tyre", name, "geometry", f"{name} tyre rate", "N/m", (tyres[-1],), "tyre rate", ten=-0.35)
        for family, member, words, value, unit in (
            ("tyre", ("tyre", "radius"), "loaded radius", end.tyre.radius, "m"),
            ("lengths", ("track",), "track", end.track, "m"),
            ("droop", ("limits", "droop"), "hub to arch at full droop", end.limits.droop, "m"),
            ("solid", ("limits", "solid"), "hub to arch with the damper solid", end.limits.solid, "m"),
            ("contact", ("limits", "contact"), "hub to arch at tyre contact", end.limits.contact, "m"),
            ("stop", ("limits", "stop"), "hub to arch at the stop", end.limits.stop, "m"),
            ("travel", ("travel",), "whole travel", end.travel, "m"),
            ("roll", ("roll_centre",), "roll centre", end.roll_centre, "m"),
            ("bars", ("arm", "length"), "arm", None if end.arm is None else end.arm.length, "m"),
            ("stop", ("bump_stop", "length"), "bump stop", None if end.bump_stop is None else end.bump_stop.length, "m"),
            ("stop", ("bump_stop", "shaft"), "shaft", None if end.bump_stop is None else end.bump_stop.shaft, "m"),
            ("damping", ("damper_coefficient", "value"), "damping coefficient",
             None if end.damper_coefficient is None else end.damper_coefficient.value, "N*s/m"),
        ):  # fmt: skip
            if value:
                kind = {"loaded radius": "radius", "track": "track"}.get(words, words)
                limit = LIMITS.get(words, (0.0, float("inf")))
                yield Group(
                    family,
                    name,
                    "geometry",
                    f"{name} {words}",
                    unit,
                    (((*at, *member), value),),
                    kind,
                    limit=limit,
                )
        if end.unsprung_mass is not None and end.unsprung_mass.value > 0:
            values = (((*at, "unsprung_mass", "value"), end.unsprung_mass.value),)
            yield Group("masses", name, "geometry", f"{name} unsprung mass", "kg", values, "unsprung", more=0.25)
    if len(tyres) == 2:
        yield Group(
            "tyre",
            "vehicle",
            "geometry",
            "tyre rates, the first one",
            "N/m",
            tuple(tyres),
            "tyre rate",
            more=0.05,
            ten=-0.35,
        )


def _masses(typed: Typed) -> Iterator[Group]:
    document, every = typed.document, []
    for name, _, _ in typed.ends():
        read = typed.readings("mass", typed.places_at(name))
        every += read
        if read:
            yield Group(
                "masses",
                name,
                "survey",
                f"{name} weights, the first one",
                "kg",
                tuple((p, v) for p, v, _ in read),
                more=0.2,
            )
        for path, value, place in read:
            yield Group(
                "corner", place.value, "survey", f"{place.words} weight", "kg", ((path, value),), "mass", more=0.2
            )
    if every:
        yield Group(
            "masses",
            "vehicle",
            "survey",
            "weights, the first one",
            "kg",
            tuple((p, v) for p, v, _ in every),
            "mass",
        )
    for n, state in enumerate(document.loads):
        for i, item in enumerate(state.items):
            values = ((("loads", n, "items", i, "mass"), item.mass),)
            yield Group("rider", "vehicle", "survey", item.name, "kg", values, more=0.1)


def _lengths(typed: Typed) -> Iterator[Group]:
    vehicle = typed.document.vehicle
    if vehicle.wheelbase is not None:
        values: tuple[tuple[Path, float], ...] = ((("vehicle", "wheelbase", "value"), vehicle.wheelbase.value),)
        yield Group("lengths", "vehicle", "geometry", "wheelbase", "m", values, "wheelbase")
    if vehicle.sprung_cg_height is not None:
        values = ((("vehicle", "sprung_cg_height", "value"), vehicle.sprung_cg_height.value),)
        yield Group("lengths", "vehicle", "geometry", "height of the centre of gravity", "m", values)
    for quantity in ("hub_to_arch", "floor_to_arch"):
        words, every = quantity.replace("_", " "), typed.readings(quantity, typed.document.places)
        if every:
            yield Group(
                "heights", "vehicle", "survey", f"{words}, the first one", "m", tuple((p, v) for p, v, _ in every)
            )
        for path, value, place in every:
            yield Group(
                "heights", place.value, "survey", f"{place.words} {words}", "m", ((path, value),), more=0.1
            )
    index = typed.index
    for name, _, _ in typed.ends() if index else ():
        asked: list[tuple[Path, float]] = []
        for place in typed.places_at(name):
            hub = typed.side(typed.setup, place).hub_to_arch
            if hub is not None:
                asked.append((("setups", index, "sides", place.value, "hub_to_arch"), hub))
        if asked:
            yield Group("heights", name, "height", f"{name} height asked for", "m", tuple(asked), more=0.1)


def _pressures(typed: Typed) -> Iterator[Group]:
    for index, setup in typed.setups():
        for name, _, _ in typed.ends():
            tyres: list[tuple[Path, float]] = []
            for place in typed.places_at(name):
                side, at = typed.side(setup, place), ("setups", index, "sides", place.value)
                if side.tyre_pressure:
                    tyres.append(((*at, "tyre_pressure"), side.tyre_pressure))
                if side.pressure and isinstance(side.spring, AirSpringPart):
                    values = (((*at, "pressure"), side.pressure),)
                    yield Group("springs", place.value, "survey", f"{place.words} air pressure", "Pa", values)
            if tyres:
                yield Group("tyre", name, "height", f"{name} tyre pressure", "Pa", tuple(tyres), "tyre pressure")
