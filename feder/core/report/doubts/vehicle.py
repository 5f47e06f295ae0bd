"""Checks of the whole vehicle: lengths, masses and how they are shared, and what follows from them as found."""

from collections.abc import Iterator

from feder.core.document.base import Place
from feder.core.practice import plausible as usual
from feder.core.report.doubts.check import Check, Seen, beside, reading_paths, value_of
from feder.core.report.doubts.ends import unsprung_range


def of_lengths(seen: Seen) -> Iterator[Check]:
    vehicle, kind = seen.document.vehicle, seen.kind
    base = None if vehicle.wheelbase is None else vehicle.wheelbase.value
    yield from beside(
        usual.WHEELBASE[kind],
        base,
        key="wheelbase",
        place="vehicle",
        station="geometry",
        words="wheelbase",
        text="A wheelbase of {value}: {of} have {low} to {high}",
        reason="It is read from front to rear wheel centre.",
        paths=(("vehicle", "wheelbase", "value"),),
        powers=(("wheelbase", 1.0),),
    )
    if kind != "car":
        return
    for name, _ in seen.ends():
        track = getattr(vehicle.ends, name).track
        yield from beside(
            usual.TRACK["car"],
            track,
            key="track",
            place=name,
            station="geometry",
            words="track",
            text="A track of {value}: {of} have {low} to {high}",
            reason="It is read between the middles of left and right tyre.",
            paths=(("vehicle", "ends", name, "track"),),
            powers=(("track", 1.0),),
        )
        if track and base:
            yield from beside(
                usual.WHEELBASE_OVER_TRACK["car"],
                base / track,
                key="wheelbase_over_track",
                place=name,
                station="geometry",
                words="wheelbase over track",
                text="The wheelbase is {value} times the track: {of} have {low} to {high}",
                reason="A car is longer between its axles than between its wheels. The two were exchanged, or one is off.",
                paths=(("vehicle", "wheelbase", "value"), ("vehicle", "ends", name, "track")),
            )
    yield from beside(
        usual.CG_HEIGHT["car"],
        None if vehicle.sprung_cg_height is None else vehicle.sprung_cg_height.value,
        key="cg_height",
        place="vehicle",
        station="geometry",
        words="height of the centre of gravity",
        text="A centre of gravity {value} over the floor: {of} have {low} to {high}",
        reason="It lies about as high as the driver's hip; above the roof none does.",
        paths=(("vehicle", "sprung_cg_height", "value"),),
    )


def of_masses(seen: Seen) -> Iterator[Check]:
    masses = {p: seen.facts.corners[p].mass for p in seen.places}
    for place in seen.places:
        yield from _unsprung(seen, place, masses[place])
    if any(m is None for m in masses.values()):
        return
    told = {p: float(m) for p, m in masses.items() if m is not None}
    total = sum(told.values())
    front = sum(v for p, v in told.items() if p.end == "front") / total
    shares = [
        (
            "total_mass",
            usual.TOTAL_MASS[seen.kind],
            total,
            "mass of the vehicle",
            "A vehicle of {value}: {of} have {low} to {high}",
        ),
        (
            "front_share",
            usual.FRONT_SHARE[seen.kind],
            front,
            "share on the front wheels",
            "{value} of the weight on the front wheels: {of} have {low} to {high}",
        ),
    ]
    if seen.kind == "car":
        left = sum(v for p, v in told.items() if p.is_left) / total
        cross = sum(v for p, v in told.items() if p.value in ("front_right", "rear_left")) / total
        shares += [
            ("left_share", usual.LEFT_SHARE["car"], left, "share on the left wheels", "{value} of the weight on the left wheels: {of} have {low} to {high}"),
            ("cross", usual.CROSS["car"], cross, "cross weight", "Cross weight {value} as found: {of} on even springs have {low} to {high}"),
        ]  # fmt: skip
    for key, ranges, value, words, text in shares:
        yield from beside(
            ranges,
            value,
            key=key,
            place="vehicle",
            station="survey",
            words=words,
            text=text,
            reason="One scale was not level with the others, a corner or a whole column is mistyped, in another unit or in another "
            "place; else one corner stands on a weak spring or a strut that is not home.",
        )


def _unsprung(seen: Seen, place: Place, mass: float | None) -> Iterator[Check]:
    facts = seen.facts.ends[place.end]
    heavy = facts.unsprung_mass
    if heavy is None or not mass:
        return
    yield from beside(
        unsprung_range(seen, facts.end),
        float(heavy) / float(mass),
        key="unsprung_share",
        place=place.value,
        station="geometry",
        words="unsprung share",
        text="{value} of the weight here is unsprung: {of} have {low} to {high}",
        reason="Unsprung mass is wanted per wheel: tyre, rim, brake, hub, and half of what links it to the body.",
        paths=(("vehicle", "ends", place.end, "unsprung_mass", "value"),),
        powers=(("unsprung", 1.0), ("mass", -1.0)),
    )


def of_swinging(seen: Seen) -> Iterator[Check]:
    """Frequencies and damping as found."""
    if seen.kind == "bicycle":
        return
    ranges = usual.FREQUENCY.get(seen.document.brief.use if seen.kind == "car" else seen.kind)
    told = {}
    for name, places in seen.ends():
        for place in places[:1]:
            report = seen.told.corners[place]
            frequency = told[name] = value_of(seen.told.ends[name].frequency)
            if ranges is not None:
                yield from beside(
                    ranges,
                    frequency,
                    key="frequency",
                    place=name,
                    station="springs",
                    words="frequency as found",
                    text="As found it would swing at {value}: {of} have {low} to {high}",
                    reason="It follows from wheel rate and sprung mass. Rate, motion ratio, weight or unsprung mass is off.",
                    powers=(("rate", 0.5), ("mass", -0.5), ("free", 0.0)),
                )
            yield from beside(
                usual.DAMPING[seen.kind],
                value_of(report.damping_ratio),
                key="damping",
                place=name,
                station="damping",
                words="damping as found",
                text="As found its damping would be {value} of critical: {of} have {low} to {high}",
                reason="It follows from the damper's curve, its motion ratio, wheel rate and sprung mass. One of them is off.",
            )
    front, rear = told.get("front"), told.get("rear")
    if seen.kind == "car" and front and rear:
        yield from beside(
            usual.FREQUENCIES_APART["car"],
            rear / front,
            key="frequencies_apart",
            place="vehicle",
            station="springs",
            words="rear over front frequency as found",
            text="As found the rear would swing {value} times as fast as the front: {of} have {low} to {high}",
            reason="Front and rear are never so far apart. Weights or springs of the two ends were exchanged, or one is off.",
        )


def of_alignment(seen: Seen) -> Iterator[Check]:
    """Angles and pressures typed in the setup in hand."""
    if seen.kind == "car":
        for place in seen.places:
            side = getattr(seen.setup.sides, place.value)
            at = ("setups", seen.document.setups.index(seen.setup), "sides", place.value)
            for key, ranges in (("camber", usual.CAMBER), ("caster", usual.CASTER), ("toe", usual.TOE)):
                yield from beside(
                    ranges["car"],
                    getattr(side, key),
                    key=key,
                    place=place.value,
                    station="height",
                    words=key,
                    text=f"{key.capitalize()} {{value}}: {{of}} have {{low}} to {{high}}",
                    reason="The sign, or degrees and millimetres, may have been exchanged.",
                    paths=((*at, key),),
                )
    for place in seen.places:
        at = ("setups", seen.document.setups.index(seen.setup), "sides", place.value)
        yield from beside(
            usual.TYRE_PRESSURE[seen.kind],
            getattr(seen.setup.sides, place.value).tyre_pressure,
            key="tyre_pressure",
            place=place.value,
            station="height",
            words="tyre pressure",
            text="A tyre at {value}: {of} have {low} to {high}",
            reason="Units of pressure are mixed up easily: 1 bar is 100 kPa and 14.5 psi.",
            paths=((*at, "tyre_pressure"),),
            powers=(("tyre pressure", 1.0),),
        )


def of_heights(seen: Seen) -> Iterator[Check]:
    """Heights as found, each alone."""
    if seen.kind != "car":
        return
    for place in seen.places:
        corner = seen.facts.corners[place]
        for key, ranges in (("hub_to_arch", usual.HUB_TO_ARCH), ("floor_to_arch", usual.FLOOR_TO_ARCH)):
            words = key.replace("_", " ")
            yield from beside(
                ranges["car"],
                getattr(corner, key),
                key=key,
                place=place.value,
                station="survey",
                words=words,
                text=f"{words.capitalize()} {{value}}: {{of}} have {{low}} to {{high}}",
                reason="Hub to arch is read from the hub's middle straight up, floor to arch from the floor. Unit or digits are off, "
                "or the two were exchanged.",
                paths=reading_paths(seen, place.value, key),
            )
