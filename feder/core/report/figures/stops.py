"""How long a corner's bump stop may be at its ride height: the gap wanted, the tyre and the damper's metal."""

from feder.core.formulas.travel import StopLengths, bump_stop
from feder.core.formulas.wheel_heights import travel_to_limit
from feder.core.numbers.errors import OutOfRange
from feder.core.numbers.notes import collecting_notes
from feder.core.numbers.working import given
from feder.core.practice.usual import COMPRESSIBLE
from feder.core.standing.corner import StandingCorner


def stop_lengths(stood: StandingCorner) -> StopLengths | None:
    """Gap, longest and shortest stop at this height; nothing while something is missing."""
    stop, end, hub = stood.stop, stood.facts.end, stood.hub_to_arch
    ratio = None if stop is None else end.damper.ratio(hub)
    if stop is None or hub is None or not ratio or end.contact is None:
        return None
    metal = None if end.solid is None else end.damper.travel(hub, end.solid)
    if metal is not None and metal < 0:
        metal = given(0.0, "damper solid already", "m", source="past its end")
    told, path = stop.part.compressible, f"vehicle.ends.{end.name}.bump_stop.compressible"
    share = given(
        COMPRESSIBLE if told is None else told,
        "share by which the stop squeezes",
        "",
        path=path,
        source="not measured: usual for foam" if told is None else "measured",
        assumed=told is None,
    )
    try:
        with collecting_notes():
            return bump_stop(
                stop.shaft_at(hub),
                stop.length,
                ratio,
                travel_to_limit(hub, end.contact),
                compressible=share,
                damper_bump_travel=metal,
                packer=stop.packer,
            )
    except OutOfRange:
        return None
