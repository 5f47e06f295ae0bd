"""Rules on low-speed damping: outside its band, and whether any click would bring it there."""

from dataclasses import dataclass

from feder.core.document.cursor import node
from feder.core.practice.targets import LOW_SPEED
from feder.core.report.findings.against import Against
from feder.core.report.findings.case import share
from feder.core.report.shapes import Figure, Mend
from feder.core.solvers.damper_curve import DamperCurve
from feder.core.standing.clicked import at_clicks, part_left, turned_to_its_end
from feder.core.standing.corner import StandingCorner

TOO_LITTLE = (
    "Too little lets the body float and pitch on; too much jacks it down and takes the tyre off small bumps."
)
TOO_MUCH = "Too much takes the tyre off small bumps and rides hard; the body has settled long before."


@dataclass(frozen=True, slots=True)
class DampingAt:
    """Low-speed damping of a corner, and what its free knobs reach: softest and firmest; nothing where it has none."""

    ratio: float
    assumed: bool
    softest: float | None = None
    firmest: float | None = None

    def shown(self, value: float) -> Figure:
        """A share of critical, marked as the ratio is."""
        return Figure(value, "", self.assumed)


def damping_at(stood: StandingCorner, told: Figure) -> DampingAt:
    """What the knobs of a corner's damper reach, where they give the ratio told now."""
    ratio = float(told.value)
    at, curve = stood.damper_at, stood.facts.end.clicked
    if not at or curve is None:
        return DampingAt(ratio, told.assumed)
    part = part_left(node(at), curve.left)
    now, reached = _mean(curve.curve), []
    if part.modes:
        reached = [c.curve for mode in part.modes if (c := at_clicks(part, {}, mode.name)) is not None]
    elif any(not knob.locked for knob in part.knobs):
        both = (turned_to_its_end(part, curve.clicks, shut=shut) for shut in (True, False))
        reached = [c.curve for c in both if c is not None]
    if not reached or now <= 0:
        return DampingAt(ratio, told.assumed)
    chords = [_mean(c) for c in reached]
    return DampingAt(ratio, told.assumed, ratio * min(chords) / now, ratio * max(chords) / now)


def _mean(curve: DamperCurve) -> float:
    return (curve.chord(LOW_SPEED) + curve.chord(-LOW_SPEED)) / 2


def of_damping(at: DampingAt, band: tuple[float, float], where: str = "") -> Against | None:
    """What speaks against low-speed damping; nothing within the band."""
    low, high = band
    if low <= at.ratio <= high:
        return None
    soft = at.ratio < low
    edge, end = (low, at.firmest) if soft else (high, at.softest)
    unreached = end is not None and (end < low if soft else end > high)
    words = f"{where.capitalize()}: " if where else ""
    text = (
        f"{words}{{ratio_now}} of critical at low speed, {'below' if soft else 'above'} the {{ratio_edge}} wanted"
    )
    row = f"damping {{ratio_now}} at these clicks, {'below' if soft else 'above'} {{ratio_edge}}"
    if unreached:
        text += f"; with every free knob {'shut' if soft else 'open'} {{ratio_end}}"
        row = f"damper too {'soft' if soft else 'firm'} at any click, {{ratio_end}}"
    numbers = {"ratio_now": at.shown(at.ratio), "ratio_edge": share(edge)}
    return Against(
        rule="damper_out_of_reach" if unreached else "under_damped" if soft else "over_damped",
        grade="look",
        station="damping",
        text=text,
        reason=TOO_LITTLE if soft else TOO_MUCH,
        mend=Mend(text=_mend(soft=soft, unreached=unreached)),
        numbers=numbers | ({"ratio_end": at.shown(end)} if unreached and end is not None else {}),
        row=row,
        row_numbers={"ratio_end": at.shown(end)} if unreached and end is not None else numbers,
        worse=low - at.ratio if soft else at.ratio - high,
    )


def _mend(*, soft: bool, unreached: bool) -> str:
    if not unreached:
        return "Firmer clicks" if soft else "Softer clicks"
    return f"{'Firmer' if soft else 'Softer'} valving, or a {'softer' if soft else 'stiffer'} spring"
