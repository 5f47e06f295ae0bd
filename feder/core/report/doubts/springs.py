"""Checks of springs in their place, as found and in the setup in hand."""

from collections.abc import Iterator

from feder.core.document.setup import SpringPart, TorsionBarPart
from feder.core.practice import plausible as usual
from feder.core.report.doubts.check import Check, Path, Seen, beside, value_of
from feder.core.report.shapes import Report
from feder.core.standing.facts import side_of


def of_springs(seen: Seen) -> Iterator[Check]:
    setups = (
        [(0, seen.told)]
        if seen.is_found
        else [(0, seen.told), (seen.document.setups.index(seen.setup), seen.report)]
    )
    for index, report in setups:
        for place in seen.places:
            part = side_of(seen.document.setups[index], place).spring
            at: Path = ("setups", index, "sides", place.value, "spring")
            if isinstance(part, SpringPart):
                yield from _coil(seen, place.value, at, part, report, found=index == 0)
            elif isinstance(part, TorsionBarPart):
                yield from _bar(place.value, at, part)
    if seen.is_found:
        return
    for name, _ in seen.ends():
        was, now = value_of(seen.told.ends[name].wheel_rate), value_of(seen.report.ends[name].wheel_rate)
        if was and now:
            yield from beside(
                usual.RATES_APART,
                now / was,
                key="rates_apart",
                place=name,
                station="springs",
                words="wheel rate over that as found",
                text="At the wheel it is {value} times as stiff as found",
                reason="Springs that replace others are rarely so far from them. A unit, or one of the two rates, is off.",
            )


def _coil(seen: Seen, place: str, at: Path, part: SpringPart, report: Report, *, found: bool) -> Iterator[Check]:
    corner = report.corners[place]  # type: ignore[index]
    length, free = value_of(corner.spring_length), part.free_length
    when = "as found" if found else "at ride"
    rates: tuple[Path, ...] = ((*at, "rate", "value"), (*at, "free_length"))
    if length is not None and free and seen.kind == "car":
        squeezed = 1 - length / free
        beyond = length <= 0
        yield from beside(
            usual.SQUEEZED,
            squeezed,
            key="squeezed" if found else "squeezed_now",
            place=place,
            station="survey" if found else "springs",
            words=f"share by which the spring is squeezed {when}",
            text=f"{part.code} would be squeezed by more than all its length {when}"
            if beyond
            else f"{part.code} would be squeezed by {{value}} of its length {when}: {{low}} to {{high}} is usual",
            reason="Load over rate is how far a spring is squeezed. Rate, free length, motion ratio or weight is off.",
            grade="stop" if beyond else "look",
            paths=rates,
            powers=(("rate", -1.0), ("free", -1.0), ("mass", 1.0)),
        )
    held = value_of(corner.held_at_droop)
    if found and seen.kind == "car":
        yield from beside(
            usual.HELD_AS_FOUND,
            held,
            key="held_as_found",
            place=place,
            station="survey",
            words="still pressed at full droop as found",
            text=f"As found {part.code} would be loose by {{value}} at full droop"
            if held is not None and held < 0
            else f"As found {part.code} would still be pressed by {{value}} at full droop",
            reason="Load, rate and motion ratio say how far the spring is squeezed, droop how far it comes out again. One of them is off.",
            paths=rates,
            shown=None if held is None else abs(held),
            shown_unit="m",
        )
    if part.wire_diameter and part.inside_diameter:
        yield from beside(
            usual.SPRING_INDEX,
            (part.inside_diameter + part.wire_diameter) / part.wire_diameter,
            key="spring_index",
            place=place,
            station="springs",
            words="mean diameter over wire",
            text=f"{part.code}: its coils are {{value}} times as wide as their wire; {{of}} have {{low}} to {{high}}",
            reason="Wire and coil are read with a calliper; a radius may have been typed for a diameter.",
            paths=((*at, "wire_diameter"), (*at, "inside_diameter")),
        )


def _bar(place: str, at: Path, part: TorsionBarPart) -> Iterator[Check]:
    for key, ranges, value, words in (
        ("bar_diameter", usual.BAR_DIAMETER, part.diameter, "diameter"),
        ("bar_length", usual.BAR_LENGTH, part.effective_length, "effective length"),
    ):
        yield from beside(
            ranges,
            value,
            key=key,
            place=place,
            station="springs",
            words=f"{words} of the bar",
            text=f"{part.code}: {words} {{value}}; {{of}} have {{low}} to {{high}}",
            reason="The rate goes with the fourth power of the diameter: half of it makes a bar sixteen times softer.",
            paths=((*at, "diameter" if key == "bar_diameter" else "effective_length"),),
        )


def of_heights_asked(seen: Seen) -> Iterator[Check]:
    """Heights that a setup asks for, beside those found."""
    if seen.kind != "car" or seen.is_found:
        return
    index = seen.document.setups.index(seen.setup)
    for place in seen.places:
        asked, was = side_of(seen.setup, place).hub_to_arch, seen.facts.corners[place].hub_to_arch
        if asked is None or was is None or side_of(seen.setup, place).set_by != "height":
            continue
        rise = asked - float(was)
        yield from beside(
            usual.HEIGHT_ASKED,
            rise,
            key="height_asked",
            place=place.value,
            station="height",
            words="change of height asked for",
            text=f"Asked for {{value}} {'higher' if rise > 0 else 'lower'} than it stood: {{of}} go {{low}} to {{high}}",
            reason="Hub to arch is asked for, from the hub's middle; a height over the floor is longer by the tyre's radius.",
            paths=(("setups", index, "sides", place.value, "hub_to_arch"),),
            shown=abs(rise),
            shown_unit="m",
        )
