"""Guesses about lengths: two exchanged, a diameter for a radius, a stroke for a travel."""

from collections.abc import Iterator

from feder.core.causes.guess import Guess, Path, Typed, changed, number
from feder.core.document.setup import SpringPart, TorsionBarPart


def of_lengths(typed: Typed) -> Iterator[Guess]:
    yield from _base_and_track(typed)
    for name, end, at in typed.ends():
        radius, limits, stop = end.tyre.radius, end.limits, end.bump_stop
        if radius is not None:
            yield _half("tyre", name, (*at, "tyre", "radius"), radius, "loaded radius")
        for one, two, words in (
            ("droop", "solid", "full droop and damper solid"),
            ("droop", "stop", "full droop and stop"),
            ("stop", "solid", "stop and damper solid"),
            ("solid", "contact", "damper solid and tyre contact"),
        ):
            a, b = getattr(limits, one), getattr(limits, two)
            if a is not None and b is not None:
                paths: tuple[Path, Path] = ((*at, "limits", one), (*at, "limits", two))
                yield _swap("limits", name, paths, (a, b), f"Hub to arch at {words} exchanged", 0.3)
        if stop is not None:
            paths = ((*at, "bump_stop", "length"), (*at, "bump_stop", "shaft"))
            yield _swap(
                "stop",
                name,
                paths,
                (stop.length, stop.shaft),
                "Bump stop and shaft exchanged: {typed} of stop on {other} of shaft",
                0.2,
            )
    yield from _diameters(typed)


def _base_and_track(typed: Typed) -> Iterator[Guess]:
    base = typed.document.vehicle.wheelbase
    if base is None or typed.kind != "car":
        return
    tracks = {name: end.track for name, end, _ in typed.ends() if end.track is not None}
    at: Path = ("vehicle", "wheelbase", "value")
    for where, names in (("vehicle", tuple(tracks)), *((n, (n,)) for n in tracks)):
        if not names:
            continue
        first = tracks[names[0]]
        made: list[tuple[Path, float]] = [
            (at, first),
            *((("vehicle", "ends", n, "track"), base.value) for n in names),
        ]
        yield Guess(
            rule="cause_two_exchanged",
            family="lengths",
            place=where,
            station="geometry",
            text="Wheelbase and track exchanged: {typed} between the axles, {other} between the wheels",
            act="Exchange them",
            change=changed(made),
            value=base.value,
            numbers={"typed": number(base.value, "m"), "other": number(first, "m")},
            cost=0.2,
            paths=tuple(path for path, _ in made),
        )


def _swap(
    family: str, place: str, paths: tuple[Path, Path], values: tuple[float, float], text: str, cost: float
) -> Guess:
    return Guess(
        rule="cause_two_exchanged",
        family=family,
        place=place,
        station="geometry",
        text=text,
        act="Exchange them",
        change=changed(((paths[0], values[1]), (paths[1], values[0]))),
        value=values[0],
        numbers={k: number(v, "m") for k, v in zip(("typed", "other"), values, strict=True) if f"{{{k}}}" in text},
        cost=cost,
        paths=paths,
    )


def _half(family: str, place: str, path: Path, value: float, words: str) -> Guess:
    return Guess(
        rule="cause_diameter_for_radius",
        family=family,
        place=place,
        station="geometry",
        text=f"{{typed}} is the tyre's diameter: its {words} is half of it, {{meant}}",
        act="Make it {meant}",
        change=changed(((path, value / 2),)),
        value=value,
        numbers={"typed": number(value, "m"), "meant": number(value / 2, "m")},
        cost=0.15,
        paths=(path,),
    )


def _diameters(typed: Typed) -> Iterator[Guess]:
    """A bar's or a wire's radius typed as its diameter, or the other way round; the same part in all its places."""
    for name, _, _ in typed.ends():
        alike: dict[tuple[str, str, float], list[Path]] = {}
        for index, setup in typed.setups():
            for place in typed.places_at(name):
                part, at = typed.side(setup, place).spring, ("setups", index, "sides", place.value, "spring")
                if isinstance(part, TorsionBarPart):
                    alike.setdefault(("diameter", part.code, part.diameter), []).append((*at, "diameter"))
                elif isinstance(part, SpringPart) and part.wire_diameter:
                    key = ("wire_diameter", part.code, part.wire_diameter)
                    alike.setdefault(key, []).append((*at, "wire_diameter"))
        for (member, _, value), paths in alike.items():
            bar = member == "diameter"
            for factor, told, cost in ((2.0, "radius", 0.15), (0.5, "double", 0.5)):
                yield Guess(
                    rule="cause_diameter_for_radius",
                    family="bars" if bar else "wire",
                    place=name,
                    station="survey" if paths[0][1] == 0 else "springs",
                    text=f"{{typed}} is the {told} of the {'bar' if bar else 'wire'}: its diameter is {{meant}}",
                    act="Make it {meant}",
                    change=changed((path, value * factor) for path in paths),
                    value=value,
                    numbers={"typed": number(value, "m"), "meant": number(value * factor, "m")},
                    cost=cost,
                    paths=tuple(paths),
                    factor=("diameter", factor) if bar else None,
                )
