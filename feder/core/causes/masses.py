"""Guesses about masses: a whole axle's for one wheel's, sprung for unsprung, ends or sides exchanged, empty for laden."""

from collections.abc import Callable, Iterator
from itertools import combinations

from feder.core.causes.guess import Guess, Path, Typed, changed, number
from feder.core.document.base import Place
from feder.core.numbers.working import untraced
from feder.core.report.findings.loads import carried_by_springs

ALIKE = 0.004
"""Share by which two weights may differ and still be one number typed twice."""


def of_masses(typed: Typed) -> Iterator[Guess]:
    yield from _unsprung(typed)
    yield from _axles(typed)
    yield from _exchanged(typed)
    yield from _corner(typed)
    yield from _two_corners(typed)
    yield from _laden(typed)
    yield from _repeats(typed)


def _unsprung(typed: Typed) -> Iterator[Guess]:
    for name, end, at in typed.ends():
        heavy = end.unsprung_mass
        read = typed.readings("mass", typed.places_at(name))
        if heavy is None or not heavy.value:
            continue
        path: Path = (*at, "unsprung_mass", "value")
        if typed.kind == "car":
            yield Guess(
                rule="cause_whole_axle",
                family="masses",
                place=name,
                station="geometry",
                text="{typed} unsprung at each wheel: the whole axle's, typed for one wheel",
                act="Make it {meant} each",
                change=changed(((path, heavy.value / 2),)),
                value=heavy.value,
                numbers={"typed": number(heavy.value, "kg"), "meant": number(heavy.value / 2, "kg")},
                cost=0.15,
                paths=(path,),
            )
        mean = sum(v for _, v, _ in read) / len(read) if read else 0.0
        if mean > heavy.value:
            yield Guess(
                rule="cause_sprung_for_unsprung",
                family="masses",
                place=name,
                station="geometry",
                text="{typed} typed as unsprung is the sprung mass: {meant} are left of the weight there",
                act="Make it {meant}",
                change=changed(((path, mean - heavy.value),)),
                value=heavy.value,
                numbers={"typed": number(heavy.value, "kg"), "meant": number(mean - heavy.value, "kg")},
                cost=0.2,
                paths=(path,),
            )


def _axles(typed: Typed) -> Iterator[Guess]:
    """What an axle weighs, or half the vehicle, typed for each of its wheels."""
    if typed.kind != "car":
        return
    every = typed.readings("mass", typed.document.places)
    for place, places in (
        ("vehicle", typed.document.places),
        ("front", typed.places_at("front")),
        ("rear", typed.places_at("rear")),
    ):
        rows = [row for row in every if row[2] in places]
        read = [(path, value) for path, value, _ in rows]
        if not read:
            continue
        yield Guess(
            rule="cause_axle_for_corner",
            family="masses",
            place=place,
            station="survey",
            text="{typed} at each wheel is the weight of the axle, not of one wheel"
            if place != "vehicle"
            else "Weights of axles typed for each wheel: {typed} at the first",
            act="Halve them",
            change=changed((path, value / 2) for path, value in read),
            value=read[0][1],
            numbers={"typed": number(read[0][1], "kg")},
            # an axle's one number stands at both its wheels
            cost=(0.2 if place == "vehicle" else 0.35) + (0.0 if _alike(rows) else 0.35),
            paths=tuple(path for path, _ in read),
        )


def _alike(rows: list[tuple[Path, float, Place]]) -> bool:
    """Whether left and right read alike at each end."""
    by_place = {place: value for _, value, place in rows}
    return all(abs(v / by_place[p.mirror] - 1) < ALIKE for p, v in by_place.items() if p.mirror in by_place)


def _exchanged(typed: Typed) -> Iterator[Guess]:
    """Weights that stand at the other end, at the other side, or across."""
    ways: tuple[tuple[str, str, str, Callable[[Place], Place]], ...]
    if typed.kind == "car":
        ways = (
            ("cause_ends_exchanged", "Weights of front and rear exchanged", "Exchange front and rear", _other_end),
            (
                "cause_sides_exchanged",
                "Weights of left and right exchanged",
                "Exchange left and right",
                lambda p: p.mirror,
            ),
            (
                "cause_sides_exchanged",
                "Weights of the front left and right exchanged",
                "Exchange them",
                _mirror_of("front"),
            ),
            (
                "cause_sides_exchanged",
                "Weights of the rear left and right exchanged",
                "Exchange them",
                _mirror_of("rear"),
            ),
        )
    else:
        ways = (
            ("cause_ends_exchanged", "Weights of front and rear wheel exchanged", "Exchange them", _other_end),
        )
    read = typed.readings("mass", typed.document.places)
    by_place = {p: v for _, v, p in read}
    if len(by_place) != len(typed.document.places):
        return
    for rule, text, act, moved in ways:
        yield Guess(
            rule=rule,
            family="masses" if rule == "cause_ends_exchanged" else "sides",
            place="vehicle",
            station="survey",
            text=text,
            act=act,
            change=changed((path, by_place[moved(place)]) for path, _, place in read),
            value=read[0][1],
            cost=0.3,
            asks=1.1,
            paths=tuple(path for path, _, _ in read),
        )


def _two_corners(typed: Typed) -> Iterator[Guess]:
    """Two weights of unlike ends in each other's place."""
    read = typed.readings("mass", typed.document.places)
    by_place = {p: v for _, v, p in read}
    if typed.kind != "car" or len(by_place) != len(read):
        return
    for one, two in combinations(by_place, 2):
        if one.end == two.end:
            continue
        made = [(path, by_place[two if p is one else one]) for path, _, p in read if p in (one, two)]
        yield Guess(
            rule="cause_two_weights_exchanged",
            family="corner",
            place="vehicle",
            station="survey",
            text=f"Weights of {one.words} and {two.words} exchanged: {{typed}} and {{other}}",
            act="Exchange them",
            change=changed(made),
            value=by_place[one],
            numbers={"typed": number(by_place[one], "kg"), "other": number(by_place[two], "kg")},
            cost=0.3,
            paths=tuple(path for path, _ in made),
        )


def _laden(typed: Typed) -> Iterator[Guess]:
    """Weighed with another load aboard than the heights were read with: what the springs carry by their collars."""
    with untraced():
        carried = carried_by_springs(typed.document)
    for where, ends in (("vehicle", ("front", "rear")), ("front", ("front",)), ("rear", ("rear",))):
        made = [
            (path, value + carried[place])
            for path, value, place in typed.readings("mass", typed.document.places)
            if place.end in ends and place in carried
        ]
        if len(made) != 2 * len(ends):
            continue
        apart = sum(carried[p] for p in carried if p.end in ends)
        yield Guess(
            rule="cause_weighed_otherwise",
            family="masses",
            place=where,
            station="survey",
            text=f"Weighed {'empty, read laden' if apart > 0 else 'laden, read empty'}: the springs carry {{apart}} "
            f"{'more' if apart > 0 else 'less'} than the scales show",
            act="Weigh and read again with the same load aboard",
            change=changed(made),
            value=apart,
            numbers={"apart": number(abs(apart), "kg")},
            offered=False,
            cost=0.5 if where == "vehicle" else 0.45,
            paths=tuple(path for path, _ in made),
        )


def _repeats(typed: Typed) -> Iterator[Guess]:
    """One of several readings of the same that does not go with the others."""
    survey = typed.document.survey
    for quantity, unit in (("mass", "kg"), ("hub_to_arch", "m"), ("floor_to_arch", "m")) if survey else ():
        for place in typed.document.places:
            rows = typed.readings(quantity, (place,))
            if len(rows) < 2:
                continue
            for path, value, _ in rows:
                others = [v for p, v, _ in rows if p != path]
                meant = sum(others) / len(others)
                yield Guess(
                    rule="cause_one_repeat",
                    family="repeats",
                    place=place.value,
                    station="survey",
                    text=f"{{typed}} does not go with the other {quantity.replace('_', ' ').replace('mass', 'weight')} of this place, {{meant}}",
                    act="Read it once more, and take the wrong one out",
                    change=changed(((path, meant),)),
                    value=value,
                    numbers={"typed": number(value, unit), "meant": number(meant, unit)},
                    offered=False,
                    cost=0.25,
                    paths=(path,),
                )


def _other_end(place: Place) -> Place:
    other = "rear" if place.end == "front" else "front"
    return Place(place.value.replace(place.end, other, 1))


def _mirror_of(end: str) -> Callable[[Place], Place]:
    return lambda place: place.mirror if place.end == end else place


def _corner(typed: Typed) -> Iterator[Guess]:
    """One weight that makes the diagonals unlike: what it would be if it were as the other three say."""
    if typed.kind != "car":
        return
    read = typed.readings("mass", typed.document.places)
    by_place: dict[Place, list[tuple[Path, float]]] = {}
    for path, value, place in read:
        by_place.setdefault(place, []).append((path, value))
    means = {p: sum(v for _, v in values) / len(values) for p, values in by_place.items()}
    if len(means) != len(typed.document.places):
        return
    for place, values in by_place.items():
        # even springs: left over right is alike at both ends
        end = _other_end(place)
        meant = means[place.mirror] * means[end] / means[end.mirror]
        if meant <= 0:
            continue
        yield Guess(
            rule="cause_one_weight",
            family="corner",
            place=place.value,
            station="survey",
            text="{typed} at this corner does not go with the other three: about {meant} would",
            act="Weigh this corner again",
            change=changed((path, meant) for path, _ in values),
            value=means[place],
            numbers={"typed": number(means[place], "kg"), "meant": number(meant, "kg")},
            offered=False,
            cost=0.4,
            paths=tuple(path for path, _ in values),
        )
