"""How long a corner's bump stop may be at its ride height: the gap wanted, the tyre and the damper's metal."""

from feder.core.document.cursor import number
from feder.core.formulas.motion_ratio import mean_motion_ratio
from feder.core.formulas.travel import StopLengths, bump_stop, damper_travel_to_hard
from feder.core.formulas.wheel_heights import contact_clear_of, travel_to_limit
from feder.core.numbers.errors import OutOfRange
from feder.core.numbers.notes import collecting_notes
from feder.core.numbers.working import given
from feder.core.practice.usual import CLEARANCE, COMPRESSIBLE
from feder.core.standing.corner import StandingCorner
from feder.core.standing.parts.bump_stop import StopFacts


def stop_lengths(stood: StandingCorner, *, metal: bool = True) -> StopLengths | None:
    """Gap, longest and shortest stop at this height; nothing while something is missing.

    Without `metal` only the tyre sets the shortest.
    """
    stop, end, hub = stood.stop, stood.facts.end, stood.hub_to_arch
    if stop is None or hub is None or end.contact is None:
        return None
    ratio = _ratio_to(stood, hub, end.contact)
    if not ratio:
        return None
    left = None if end.solid is None or not metal else end.damper.travel(hub, end.solid)
    if left is not None and left < 0:
        left = given(0.0, "damper solid already", "m", source="past its end")
    share = squeeze_share(stop)
    try:
        with collecting_notes():
            return bump_stop(
                stop.shaft_at(hub),
                stop.length,
                ratio,
                travel_to_limit(hub, end.contact),
                compressible=share,
                damper_bump_travel=left,
                packer=stop.packer,
            )
    except OutOfRange:
        return None


def squeeze_share(stop: StopFacts) -> float:
    """Share of its length by which a stop squeezes: measured, or as is usual, and marked."""
    at, label = stop.compressible, "share by which the stop squeezes"
    if at:
        return number(at, label, source="measured")
    untold = "not measured: usual for foam"
    return number(at, label, source=untold, assumed=True, value=COMPRESSIBLE, unit="")


def travel_to_hard(stood: StandingCorner, hub: float) -> float | None:
    """Wheel travel from a height at which the stop is squeezed as far as it goes; nothing where none is known."""
    stop = stood.stop
    if stop is None or not stop.damper.known or stop.length <= 0:
        return None
    damper = damper_travel_to_hard(stop.at_gap(hub), stop.length, squeeze_share(stop))
    return stop.damper.wheel_travel(hub, damper)


def _ratio_to(stood: StandingCorner, hub: float, contact: float) -> float | None:
    """The damper's motion ratio on the way to the tyre's contact: a curve's mean over that way, as metal's is."""
    coupling = stood.facts.end.damper
    clear = float(contact) + CLEARANCE
    if coupling.curve is None or not coupling.known or abs(float(hub) - clear) < 1e-6:
        return coupling.ratio(hub)
    kept_clear = contact_clear_of(contact, given(CLEARANCE, "room kept before the tyre", "m", source="usual"))
    return mean_motion_ratio(coupling.travel(hub, kept_clear), travel_to_limit(hub, kept_clear))


def touched_at(stop: StopFacts, hub: float) -> float:
    """Wheel travel from a height at which the stop is touched."""
    return float(stop.damper.wheel_travel(hub, stop.at_gap(hub)))


def hard_at(stop: StopFacts, hub: float, share: float) -> float:
    """Wheel travel from a height at which the stop has squeezed by its share, and is hard."""
    return float(stop.damper.wheel_travel(hub, stop.at_gap(hub) + share * float(stop.length)))
