"""How long a corner's bump stop may be at its ride height: the gap wanted, the tyre and the damper's metal."""

from feder.core.document.cursor import number
from feder.core.formulas.travel import StopLengths, bump_stop
from feder.core.formulas.wheel_heights import travel_to_limit
from feder.core.numbers.errors import OutOfRange
from feder.core.numbers.notes import collecting_notes
from feder.core.numbers.working import given
from feder.core.practice.usual import COMPRESSIBLE
from feder.core.standing.corner import StandingCorner
from feder.core.standing.parts.bump_stop import StopFacts


def stop_lengths(stood: StandingCorner) -> StopLengths | None:
    """Gap, longest and shortest stop at this height; nothing while something is missing."""
    stop, end, hub = stood.stop, stood.facts.end, stood.hub_to_arch
    ratio = None if stop is None else end.damper.ratio(hub)
    if stop is None or hub is None or not ratio or end.contact is None:
        return None
    metal = None if end.solid is None else end.damper.travel(hub, end.solid)
    if metal is not None and metal < 0:
        metal = given(0.0, "damper solid already", "m", source="past its end")
    at = end.at.bump_stop.compressible
    if at:
        share = number(at, "share by which the stop squeezes", source="measured")
    else:
        untold = "not measured: usual for foam"
        share = number(
            at, "share by which the stop squeezes", source=untold, assumed=True, value=COMPRESSIBLE, unit=""
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


def touched_at(stop: StopFacts, hub: float) -> float:
    """Wheel travel from a height at which the stop is touched."""
    return float(stop.damper.wheel_travel(hub, stop.at_gap(hub)))


def hard_at(stop: StopFacts, hub: float, share: float) -> float:
    """Wheel travel from a height at which the stop has squeezed by its share, and is hard."""
    return float(stop.damper.wheel_travel(hub, stop.at_gap(hub) + share * float(stop.length)))
