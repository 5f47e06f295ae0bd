"""Guesses on two wheels: pulls and states exchanged, a stroke typed as travel, rake from the floor, a sag along the tube."""

from collections.abc import Iterator
from math import pi

from feder.core.causes.guess import Guess, Path, Typed, changed, number
from feder.core.document.setup import AirSpringPart
from feder.core.document.survey import SAG_STATES

BETWEEN = (("bike", "rider", "bike alone and rider on"), ("extended", "bike", "fully extended and bike alone"), ("extended", "rider", "fully extended and rider on"))  # fmt: skip


def of_cycle(typed: Typed) -> Iterator[Guess]:
    if typed.kind == "car":
        return
    yield from _pulls(typed)
    for place in typed.document.places:
        for one, two, words in BETWEEN:
            yield from _renamed(
                typed, place.value, {one: two, two: one}, f"Readings {words} exchanged at this wheel", 0.35
            )
    yield from _strokes(typed)
    yield from _fork(typed)


def _pulls(typed: Typed) -> Iterator[Guess]:
    """Lifted and pressed in each other's place, at both wheels or at one."""
    for where, places in (("vehicle", typed.document.places), *((p.value, (p,)) for p in typed.document.places)):
        rows = [
            row
            for state in SAG_STATES
            for pull in ("lifted", "pressed")
            for row in typed.readings(f"{state}_{pull}", places)
        ]
        if len(rows) < 2 or typed.document.survey is None:
            continue
        made = []
        for path, _, _ in rows:
            state, pull = typed.document.survey.readings[int(path[3])].quantity.split("_")
            other = "pressed" if pull == "lifted" else "lifted"
            made.append((("surveys", 0, "readings", path[3], "quantity"), f"{state}_{other}"))
        yield Guess(
            rule="cause_pulls_exchanged",
            family="sags",
            place=where,
            station="survey",
            text="Lifted and pressed exchanged: pressed reads longer than lifted",
            act="Exchange lifted and pressed",
            change=changed(made),
            value=rows[0][1],
            cost=0.2 if where == "vehicle" else 0.25,
            paths=tuple(path for path, _, _ in rows),
        )


def _renamed(typed: Typed, place: str, names: dict[str, str], text: str, cost: float) -> Iterator[Guess]:
    survey = typed.document.survey
    if survey is None:
        return
    made: list[tuple[Path, str]] = []
    first = 0.0
    for i, reading in enumerate(survey.readings):
        state, _, pull = reading.quantity.rpartition("_")
        if reading.place == place and state in names:
            made.append((("surveys", 0, "readings", i, "quantity"), f"{names[state]}_{pull}"))
            first = first or reading.value
    if made:
        yield Guess(
            rule="cause_states_exchanged",
            family="sags",
            place=place,
            station="survey",
            text=text,
            act="Exchange them",
            change=changed(made),
            value=first,
            cost=cost,
            paths=tuple(("surveys", 0, "readings", path[3], "value") for path, _ in made),
        )


def _strokes(typed: Typed) -> Iterator[Guess]:
    """A shock's stroke typed as the travel of its wheel."""
    found = typed.document.setups[0]
    for place in typed.document.places:
        end, side = typed.end(place.end), typed.side(found, place)
        if end.layout not in ("linkage", "twin shock") or end.travel is None:
            continue
        stroke = side.spring.travel if isinstance(side.spring, AirSpringPart) else None
        damper = side.damper
        if stroke is None and damper is not None and damper.extended is not None and damper.shut is not None:
            stroke = damper.extended - damper.shut
        ratio = end.spring.ratio
        mean = _mean_ratio(ratio)
        if mean is None:
            continue
        meant = (end.travel if stroke is None else stroke) / mean
        yield Guess(
            rule="cause_stroke_for_travel",
            family="travel",
            place=place.value,
            station="travel",
            text="{typed} is the stroke of the shock: the wheel travels about {meant}",
            act="Make the travel {meant}",
            change=changed(((("vehicle", "ends", place.end, "travel"), meant),)),
            value=end.travel,
            numbers={"typed": number(end.travel, "m"), "meant": number(meant, "m")},
            cost=0.2,
            paths=(("vehicle", "ends", place.end, "travel"),),
        )


def _mean_ratio(ratio: object) -> float | None:
    """Shock over wheel travel, about."""
    if getattr(ratio, "kind", "") == "leverage":
        points = ratio.points  # type: ignore[attr-defined]
        mean = sum(leverage for _, leverage in points) / len(points)
        return 1 / mean if mean > 0 else None
    if getattr(ratio, "kind", "") == "ratio":
        value: float = ratio.value  # type: ignore[attr-defined]
        if value <= 0:
            return None
        return value if ratio.convention == "spring per wheel" else 1 / value  # type: ignore[attr-defined]
    return None


def _fork(typed: Typed) -> Iterator[Guess]:
    fork = typed.end("front").fork
    if fork is None:
        return
    path: Path = ("vehicle", "ends", "front", "fork", "rake")
    yield Guess(
        rule="cause_angle_from_floor",
        family="travel",
        place="front",
        station="geometry",
        text="A rake of {typed} is the head angle over the floor: from the vertical it is {meant}",
        act="Make it {meant}",
        change=changed(((path, pi / 2 - fork.rake),)),
        value=fork.rake,
        numbers={"typed": number(fork.rake, "rad"), "meant": number(pi / 2 - fork.rake, "rad")},
        cost=0.15,
        paths=(path,),
    )
    other = "vertical" if fork.read == "along the tube" else "along the tube"
    yield Guess(
        rule="cause_read_otherwise",
        family="sags",
        place="front",
        station="survey",
        text=f"The fork's sag was read {'straight up' if other == 'vertical' else 'along the tube'}, not as told",
        act="Read it so",
        change=changed(((("vehicle", "ends", "front", "fork", "read"), other),)),
        value=fork.rake,
        cost=0.7,
    )
