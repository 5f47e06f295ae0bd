"""Guesses about heights read: hub and floor exchanged, one corner from another point, a height over the floor asked for."""

from collections.abc import Iterator

from feder.core.causes.guess import Guess, Path, Typed, changed, number
from feder.core.document.base import Place

LIMITS = {"droop": "Full droop", "stop": "Stop touched", "solid": "Damper solid", "contact": "Tyre contact"}
BOTH_ALIKE = 0.008
"""How alike both heights of a corner must be off to have been read from another point, m."""
LESS_LIKELY = 0.2
ONE_DIGIT = 0.006
"""How near a number with one slip of the hand must come to what the other side shows, m."""


def of_heights(typed: Typed) -> Iterator[Guess]:
    if typed.kind == "car":
        yield from _exchanged(typed)
        yield from _floor_for_hub(typed)
        yield from _one_corner(typed)
        yield from _ends(typed)


def _mean(typed: Typed, quantity: str) -> dict[Place, float]:
    sums: dict[Place, list[float]] = {}
    for _, value, place in typed.readings(quantity, typed.document.places):
        sums.setdefault(place, []).append(value)
    return {p: sum(v) / len(v) for p, v in sums.items()}


def _exchanged(typed: Typed) -> Iterator[Guess]:
    """Readings from hub and from floor in each other's place."""
    every = typed.document.places
    groups: list[tuple[str, tuple[Place, ...]]] = [
        ("vehicle", every),
        ("front", typed.places_at("front")),
        ("rear", typed.places_at("rear")),
    ]
    groups += [(p.value, (p,)) for p in every]
    survey = typed.document.survey
    for where, places in groups:
        hubs, floors = typed.readings("hub_to_arch", places), typed.readings("floor_to_arch", places)
        if not hubs or not floors or survey is None:
            continue
        at = [
            (("surveys", 0, "readings", path[3], "quantity"), other)
            for rows, other in ((hubs, "floor_to_arch"), (floors, "hub_to_arch"))
            for path, _, _ in rows
        ]
        yield Guess(
            rule="cause_hub_and_floor_exchanged",
            family="heights",
            place=where,
            station="survey",
            text="Hub to arch and floor to arch exchanged: {typed} from the hub, {other} from the floor",
            act="Exchange hub and floor",
            change=changed(at),
            value=hubs[0][1],
            numbers={"typed": number(hubs[0][1], "m"), "other": number(floors[0][1], "m")},
            cost=0.2 + (0.0 if where == "vehicle" else 0.1),
            paths=tuple(path for path, _, _ in (*hubs, *floors)),
        )


def _floor_for_hub(typed: Typed) -> Iterator[Guess]:
    """Heights over the floor typed as hub to arch: as found, or asked for."""
    for name, end, _ in typed.ends():
        radius, places = end.tyre.radius, typed.places_at(name)
        if radius is None:
            continue
        read = typed.readings("hub_to_arch", places)
        floors = {p for _, _, p in typed.readings("floor_to_arch", places)}
        if read and all(v > radius for _, v, _ in read) and not floors:
            yield Guess(
                rule="cause_floor_for_hub",
                family="heights",
                place=name,
                station="survey",
                text="Hub to arch of {typed} was read from the floor: from the hub it is {meant}",
                act="Take the tyre's radius off",
                change=changed((path, value - radius) for path, value, _ in read),
                value=read[0][1],
                numbers={"typed": number(read[0][1], "m"), "meant": number(read[0][1] - radius, "m")},
                cost=0.3,
                paths=tuple(path for path, _, _ in read),
            )
        limits = [
            (m, v) for m in ("droop", "stop", "solid", "contact") if (v := getattr(end.limits, m)) is not None
        ]
        for rows in (limits, *([row] for row in limits)) if len(limits) > 1 else (limits,):
            if not rows or any(v <= radius for _, v in rows):
                continue
            yield Guess(
                rule="cause_floor_for_hub",
                family="limits",
                place=name,
                station="geometry",
                text=f"{LIMITS[rows[0][0]] if len(rows) == 1 else 'Limits'} of {{typed}} read from the floor: from the hub {{meant}}",
                act="Take the tyre's radius off",
                change=changed((("vehicle", "ends", name, "limits", m), v - radius) for m, v in rows),
                value=rows[0][1],
                numbers={"typed": number(rows[0][1], "m"), "meant": number(rows[0][1] - radius, "m")},
                cost=0.3,
                paths=tuple(("vehicle", "ends", name, "limits", m) for m, _ in rows),
            )
        if typed.index == 0:
            continue
        asked: list[tuple[Path, float]] = []
        for place in places:
            hub = typed.side(typed.setup, place).hub_to_arch
            if hub is not None and hub > radius:
                asked.append((("setups", typed.index, "sides", place.value, "hub_to_arch"), hub))
        if asked:
            yield Guess(
                rule="cause_floor_for_hub",
                family="heights",
                place=name,
                station="height",
                text="A hub to arch of {typed} is asked for: that is from the floor, from the hub it is {meant}",
                act="Take the tyre's radius off",
                change=changed((path, hub - radius) for path, hub in asked),
                value=asked[0][1],
                numbers={"typed": number(asked[0][1], "m"), "meant": number(asked[0][1] - radius, "m")},
                cost=0.2,
                paths=tuple(path for path, _ in asked),
            )


def _one_corner(typed: Typed) -> Iterator[Guess]:
    """One corner mistyped in one reading, or read from another point in both."""
    hubs, floors = _mean(typed, "hub_to_arch"), _mean(typed, "floor_to_arch")
    for place in typed.document.places:
        other = place.mirror
        if place not in hubs or other not in hubs:
            continue
        off = hubs[place] - hubs[other]
        rows = typed.readings("hub_to_arch", (place,))
        if place not in floors or other not in floors:
            yield from _reading(
                place, "hub_to_arch", typed, hubs[other], hubs[place], 0.4 + _nearer(typed, place, hubs)
            )
            continue
        floor_off, tyre = floors[place] - floors[other], floors[other] - hubs[other]
        if abs(off - floor_off) < BOTH_ALIKE:
            both = (*rows, *typed.readings("floor_to_arch", (place,)))
            yield Guess(
                rule="cause_another_point",
                family="one height",
                place=place.value,
                station="survey",
                text="Both heights here lie {off} off those of the other side: this corner was read from another point",
                act="Read this corner again from the written-down point",
                change=changed(
                    (path, value - (off if path in {r[0] for r in rows} else floor_off)) for path, value, _ in both
                ),
                value=hubs[place],
                numbers={"off": number(abs(off), "m")},
                offered=False,
                cost=0.3 + _nearer(typed, place, hubs),
                paths=tuple(path for path, _, _ in both),
            )
        # of two readings the one that makes the sides more unlike is the likelier one
        sounder = LESS_LIKELY if abs(off) > abs(floor_off) else 0.0
        tyres = {p: floors[p] - hubs[p] for p in hubs if p in floors}
        cost = 0.3 + _further(typed, place, tyres)
        yield from _reading(place, "floor_to_arch", typed, hubs[place] + tyre, floors[place], cost + sounder)
        yield from _reading(
            place, "hub_to_arch", typed, floors[place] - tyre, hubs[place], cost + (LESS_LIKELY - sounder)
        )


def _further(typed: Typed, place: Place, tyres: dict[Place, float]) -> float:
    """More cost for a corner whose hub stands nearer to where a hub should than that of the other side."""
    radius = typed.end(place.end).tyre.radius
    elsewhere = [h for p, h in tyres.items() if p.end != place.end]
    if radius is None and not elsewhere:
        return 0.0
    meant = radius if radius is not None else sum(elsewhere) / len(elsewhere)
    return LESS_LIKELY if abs(tyres[place] - meant) < abs(tyres[place.mirror] - meant) else 0.0


def _nearer(typed: Typed, place: Place, hubs: dict[Place, float]) -> float:
    """The same by hub to arch itself: the side that lies nearer to the heights of the other end."""
    elsewhere = [h for p, h in hubs.items() if p.end != place.end]
    if not elsewhere:
        return 0.0
    meant = sum(elsewhere) / len(elsewhere)
    return LESS_LIKELY if abs(hubs[place] - meant) < abs(hubs[place.mirror] - meant) else 0.0


def _reading(place: Place, quantity: str, typed: Typed, meant: float, now: float, cost: float) -> Iterator[Guess]:
    """One reading that is off: the slip of one digit that would put it right is offered, else it is read again."""
    rows = typed.readings(quantity, (place,))
    words = quantity.replace("_", " ")
    slip = slipped(now, meant)
    if meant <= 0:
        return
    yield Guess(
        rule="cause_one_height",
        family="one height",
        place=place.value,
        station="survey",
        text=f"{words.capitalize()} {{typed}} is off: with the other readings it would be {{meant}}",
        act="Make it {meant}" if slip is not None else "Read it again",
        change=changed((path, meant if slip is None else slip) for path, _, _ in rows),
        value=now,
        numbers={"typed": number(now, "m"), "meant": number(meant if slip is None else slip, "m")},
        offered=slip is not None,
        cost=cost,
        paths=tuple(path for path, _, _ in rows),
    )


def slipped(typed: float, meant: float) -> float | None:
    """The one slip of the hand, two digits exchanged or one wrong, that leads near what was meant; in mm."""
    digits = str(round(typed * 1e3))
    wanted = meant * 1e3
    made = {digits[:i] + digits[i + 1] + digits[i] + digits[i + 2 :] for i in range(len(digits) - 1)}
    # a wrong first digit is a slip of a hundred; one of the last alone is no slip that anybody could tell
    made |= {d + digits[1:] for d in "123456789" if len(digits) > 2}
    near = sorted((abs(float(m) - wanted), m) for m in made if m != digits and not m.startswith("0"))
    near = [(off, m) for off, m in near if off < ONE_DIGIT * 1e3]
    return float(near[0][1]) / 1e3 if len(near) == 1 else None


def _ends(typed: Typed) -> Iterator[Guess]:
    """Readings of front and rear exchanged."""
    for quantities in (("hub_to_arch", "floor_to_arch"), ("hub_to_arch",)):
        made: list[tuple[Path, float]] = []
        first = 0.0
        for quantity in quantities:
            read, by = typed.readings(quantity, typed.document.places), _mean(typed, quantity)
            for path, value, place in read:
                other = Place(place.value.replace(place.end, "rear" if place.end == "front" else "front", 1))
                if other in by:
                    made.append((path, by[other]))
                    first = first or value
        if made:
            yield Guess(
                rule="cause_ends_exchanged",
                family="heights",
                place="vehicle",
                station="survey",
                text="Heights of front and rear exchanged",
                act="Exchange front and rear",
                change=changed(made),
                value=first,
                cost=0.5,
                asks=1.5,
                paths=tuple(path for path, _ in made),
            )
