"""The clicks of an end's dampers as rules: what each click gives, where the wanted band lies, and what to turn."""

from dataclasses import dataclass
from math import ceil
from typing import Literal

from feder.core.document.base import EndName, Place
from feder.core.document.cursor import node
from feder.core.document.damper import Acts, CurveRow, DamperPart, Knob
from feder.core.document.document import Document
from feder.core.document.setup import SideSetup
from feder.core.formulas.damping import damping_at_wheel, damping_ratio, wheel_hop_damping
from feder.core.numbers.working import tracing, untraced
from feder.core.practice.targets import HIGH_SPEED, LOW_SPEED
from feder.core.report.evaluate import evaluated
from feder.core.report.shapes import Figure, Report
from feder.core.solvers.curve_quality import SIDES, doubts_of
from feder.core.solvers.damper_curve import DamperCurve
from feder.core.standing.clicked import at_clicks, clicks_from_shut, faults_in, part_left
from feder.core.standing.corner import StandingCorner
from feder.core.standing.facts import places_of
from feder.core.standing.stand import StandingVehicle

Judged = Literal["in", "soft", "firm"]
DRAWN = 0.32
"""Velocity to which curves are drawn, m/s."""
JUDGED_AT = (-HIGH_SPEED, -LOW_SPEED, LOW_SPEED, HIGH_SPEED)
SIDE: dict[Acts, tuple[float, ...]] = {
    "rebound": (-1.0,), "bump": (1.0,), "high_bump": (1.0,), "both": (-1.0, 1.0)
}  # fmt: skip


@dataclass(frozen=True, slots=True)
class ClickRule:
    """One knob: the damping that each of its clicks gives, counted from shut, and what is offered."""

    acts: Acts
    clicks: int
    counted_from: Literal["fully closed", "fully open"]
    locked: str
    now: int | None
    """From shut; as the knob is counted it is `counted`."""
    counted: int | None
    ratios: tuple[float, ...]
    """By click from shut."""
    ratio: float | None
    found_ratio: float | None
    """What the same knob gave as found, with the springs and clicks of then."""
    band_low: float
    band_high: float
    judged: Judged | None
    offered: int | None
    """Click from shut at the near edge of the band; nothing where it stands in it, or is locked."""
    short: int
    """Clicks that are missing beyond its end to reach the band; 0 where it is within reach."""


@dataclass(frozen=True, slots=True)
class CurveDoubt:
    """A doubt of one measured curve: its place among them, from 0, and what it is."""

    row: int
    text: str
    numbers: dict[str, Figure]


@dataclass(frozen=True, slots=True)
class CurveDrawn:
    """A curve's straight pieces, velocity and force, as far as it is drawn."""

    name: Literal["now", "found", "shut", "open"]
    points: tuple[tuple[float, float], ...]


@dataclass(frozen=True, slots=True)
class DampingBench:
    """Damping of an end, both sides alike or one corner alone."""

    end: EndName
    place: Place | None
    """Nothing: both sides together, on the mean of their masses and rates."""
    source: str
    """Where the curve is from; empty: there is none, and what is missing is said in `waits`."""
    assumed: bool
    waits: str
    faults: tuple[str, ...]
    doubts: tuple[CurveDoubt, ...]
    """Of measured curves: what is thin or left in."""
    rules: tuple[ClickRule, ...]
    ratio: float | None
    found_ratio: float | None
    band_low: float
    band_high: float
    judged: Judged | None
    hop_low: float
    hop_high: float
    split_low: float
    split_high: float
    firmer: float | None
    """By how much firmer valving would have to be where every knob at its end is too soft, as a factor."""
    curves: tuple[CurveDrawn, ...]
    judged_at: tuple[tuple[float, float], ...]
    """The curve now where low and high speed are judged, each way: velocity and force."""
    beyond: tuple[str, ...]
    modes: tuple[str, ...]
    mode: str | None


@dataclass(frozen=True, slots=True)
class _Body:
    """What the body's damping is judged on: mass, wheel rate, damper ratio and dampers of one corner."""

    mass: float
    rate: float
    motion: float
    dampers: float
    hop: tuple[float, float] | None
    """Tyre rate and unsprung mass, against which high speed is judged."""
    assumed: bool

    def ratio(self, coefficient: float) -> float:
        return float(damping_ratio(coefficient * self.dampers, self.motion, self.rate, self.mass))

    def by(self, acts: Acts, curve: DamperCurve) -> float | None:
        """What a knob's side gives: at low speed against the body, of a high-speed knob against wheel hop."""
        if acts != "high_bump":
            return self.ratio(_side_chord(curve, acts))
        if self.hop is None:
            return None
        at_wheel = damping_at_wheel(curve.chord(HIGH_SPEED) * self.dampers, self.motion)
        return float(wheel_hop_damping(at_wheel, self.rate, *self.hop))


def damping_bench(
    document: Document, setup: str, end: EndName, place: Place | None = None, load_state: str | None = None
) -> DampingBench | None:
    """The rules of an end's knobs, as weighed or under a load; nothing where it has no damper told.

    Raises:
        UnknownSetup: the document has no such setup or load state.
    """
    places = (place,) if place is not None else places_of(document, end)
    with tracing():  # for what of them is assumed
        _, stood, report = evaluated(document, setup, load_state)
    with untraced():
        _, found_stood, found = evaluated(document, document.setups[0].id, load_state)
        return _bench(document, end, places, place, (stood, report), (found_stood, found))


Stands = tuple[StandingVehicle, Report]


def _bench(
    document: Document,
    end: EndName,
    places: tuple[Place, ...],
    place: Place | None,
    stands: Stands,
    as_found: Stands,
) -> DampingBench | None:
    (stood, report), (found_stood, found) = stands, as_found
    corner, was = stood.corners[places[0]], found_stood.corners[places[0]]
    at = corner.damper_at
    if not at:
        return None
    part = part_left(node(at), corner.damper_left)
    body, body_found = (_body(s, r, places, end) for s, r in ((corner, report), (was, found)))
    brief = document.brief
    band, split = brief.damping_band, brief.split_wanted
    clicks = _clicks(part, corner.side)
    now = at_clicks(part, clicks, corner.side.mode)
    there = was.facts.end.clicked
    ratio = None if now is None or body is None else body.ratio(_mean_chord(now.curve))
    found_ratio = None if there is None or body_found is None else body_found.ratio(_mean_chord(there.curve))
    rules = tuple(
        rule
        for knob in part.knobs
        if (knob.acts != "high_bump" or any(row.high_bump is not None for row in part.rows))
        and (
            rule := _rule(
                part,
                knob,
                corner.side,
                clicks,
                body,
                there,
                body_found,
                brief.hop_band if knob.acts == "high_bump" else band,
                split,
            )
        )
    )
    return DampingBench(
        end=end,
        place=place,
        source="" if now is None else now.source,
        assumed=now is not None and (now.assumed or (body is not None and body.assumed)),
        waits=_waits(part, clicks, corner.side, now is not None),
        faults=tuple(f"{name}: {why}" for name, why in faults_in(part)),
        doubts=tuple(
            CurveDoubt(i, doubt.text, {n: Figure(v, unit) for n, (v, unit) in doubt.numbers.items()})
            for i, row in enumerate(part.rows)
            for doubt in doubts_of(row.points, _sides_of(row))
        ),
        rules=rules,
        ratio=ratio,
        found_ratio=found_ratio,
        band_low=band[0],
        band_high=band[1],
        judged=None if ratio is None else _judged(ratio, band),
        hop_low=brief.hop_band[0],
        hop_high=brief.hop_band[1],
        split_low=brief.split_band[0],
        split_high=brief.split_band[1],
        firmer=_firmer(part, rules, clicks, body, band),
        curves=tuple(_drawn(part, None if now is None else now.curve, None if there is None else there.curve)),
        judged_at=() if now is None else tuple((v, now.curve.at(v)) for v in JUDGED_AT),
        beyond=() if now is None else now.beyond,
        modes=tuple(m.name for m in part.modes),
        mode=corner.side.mode,
    )


def _sides_of(row: CurveRow) -> tuple[str, ...]:
    """The sides that a measured curve tells: by its clicks, both where it names knobs of both, or none."""
    if row.both is not None or (row.rebound is None) == (row.bump is None and row.high_bump is None):
        return SIDES
    return ("rebound",) if row.rebound is not None else ("bump",)


def _body(stood: StandingCorner, report: Report, places: tuple[Place, ...], end: EndName) -> _Body | None:
    """One corner's mass and rate, or the mean of both."""
    told = report.corners[places[0]] if len(places) == 1 else report.ends[end]
    motion = stood.facts.end.damper.ratio(stood.hub_to_arch)
    if told.sprung_mass is None or told.wheel_rate is None or told.wheel_rate.value <= 0 or not motion:
        return None
    facts = stood.facts.end
    hop = None
    if facts.tyre_rate is not None and facts.unsprung_mass:
        hop = float(facts.tyre_rate), float(facts.unsprung_mass)
    assumed = told.sprung_mass.assumed or told.wheel_rate.assumed
    return _Body(
        float(told.sprung_mass.value), float(told.wheel_rate.value), float(motion), facts.damping, hop, assumed
    )


def _clicks(part: DamperPart, side: SideSetup) -> dict[str, float]:
    return {k.acts: c for k in part.knobs if (c := clicks_from_shut(part, side, k.acts)) is not None}


def _mean_chord(curve: DamperCurve) -> float:
    return (curve.chord(LOW_SPEED) + curve.chord(-LOW_SPEED)) / 2


def _side_chord(curve: DamperCurve, acts: Acts) -> float:
    """Chord at low speed on the side that a knob acts on; the mean of both for one that acts on both."""
    ways = SIDE[acts]
    return sum(curve.chord(w * LOW_SPEED) for w in ways) / len(ways)


def _band_of(acts: Acts, band: tuple[float, float], split: float) -> tuple[float, float]:
    """The wanted mean, shared between rebound and bump by the wanted split."""
    share = {"rebound": 2 * split / (1 + split), "bump": 2 / (1 + split), "high_bump": 2 / (1 + split)}.get(
        acts, 1.0
    )
    return band[0] * share, band[1] * share


def _rule(
    part: DamperPart,
    knob: Knob,
    side: SideSetup,
    clicks: dict[str, float],
    body: _Body | None,
    there: object,
    body_found: _Body | None,
    band: tuple[float, float],
    split: float,
) -> ClickRule | None:
    low, high = _band_of(knob.acts, band, split)
    ratios: list[float] = []
    for click in range(knob.clicks + 1):
        tried = at_clicks(
            part, {**dict.fromkeys((k.acts for k in part.knobs), 0.0), **clicks, knob.acts: float(click)}
        )
        given = None if tried is None or body is None else body.by(knob.acts, tried.curve)
        if given is None:
            ratios = []
            break
        ratios.append(given)
    at = clicks.get(knob.acts)
    now = None if at is None else int(at)
    within = now is not None and 0 <= now < len(ratios)
    ratio = ratios[now] if within and now is not None else None
    offered, short = _offer(ratios, low, high) if ratios else (None, 0)
    judged = None if ratio is None else _judged(ratio, (low, high))
    if judged == "in" or knob.locked:
        offered = None
        short = 0 if judged == "in" else short
    told = getattr(side, knob.acts)
    found_curve = getattr(there, "curve", None)
    return ClickRule(
        acts=knob.acts,
        clicks=knob.clicks,
        counted_from=knob.counted_from,
        locked=knob.locked,
        now=now,
        counted=None if told is None else told.count,
        ratios=tuple(ratios),
        ratio=ratio,
        found_ratio=None if found_curve is None or body_found is None else body_found.by(knob.acts, found_curve),
        band_low=low,
        band_high=high,
        judged=judged,
        offered=offered,
        short=short,
    )


def _judged(ratio: float, band: tuple[float, float]) -> Judged:
    return "soft" if ratio < band[0] - 1e-9 else "firm" if ratio > band[1] + 1e-9 else "in"


def _offer(ratios: list[float], low: float, high: float) -> tuple[int, int]:
    """The softest click within the band, from shut; out of reach its nearest end, and the clicks missing."""
    reach = [i for i, r in enumerate(ratios) if r >= low - 1e-9]
    if not reach:
        step = ratios[0] - ratios[1] if len(ratios) > 1 else 0.0
        return 0, ceil((low - ratios[0]) / step - 1e-9) if step > 0 else 0
    softest = max(reach)
    if ratios[softest] > high + 1e-9:  # even fully open it is too firm
        step = ratios[-2] - ratios[-1] if len(ratios) > 1 else 0.0
        return len(ratios) - 1, ceil((ratios[-1] - high) / step - 1e-9) if step > 0 else 0
    return softest, 0


def _firmer(
    part: DamperPart,
    rules: tuple[ClickRule, ...],
    clicks: dict[str, float],
    body: _Body | None,
    band: tuple[float, float],
) -> float | None:
    """Factor on the valving that brings the foot of the band with every free knob at its offer."""
    if body is None or not any(r.short and not r.locked for r in rules):
        return None
    turned = clicks | {r.acts: float(r.offered) for r in rules if r.offered is not None}
    tried = at_clicks(part, turned)
    if tried is None:
        return None
    ratio = body.ratio(_mean_chord(tried.curve))
    edge = band[0] if ratio < band[0] else band[1]
    return edge / ratio if ratio > 0 and not band[0] <= ratio <= band[1] else None


def _waits(part: DamperPart, clicks: dict[str, float], side: SideSetup, known: bool) -> str:
    """What is missing before a curve is known, in words."""
    if known:
        return ""
    if part.modes:
        return "the mode it is driven in"
    if not part.rows and part.family is None:
        return "its curve: measured, a family, or clicks read on a bench"
    missing = [k.acts.replace("_", "-speed ") for k in part.knobs if k.acts not in clicks]
    return f"the {' and '.join(missing)} clicks" if missing else "a curve that can be read"


def _drawn(part: DamperPart, now: DamperCurve | None, found: DamperCurve | None) -> list[CurveDrawn]:
    """What the chart shows: the curve now and as found, and those at both ends of every knob."""
    ends = {}
    for name, share in (("shut", 0.0), ("open", 1.0)):
        tried = at_clicks(part, {k.acts: share * k.clicks for k in part.knobs}) if part.knobs else None
        ends[name] = None if tried is None else tried.curve
    made = []
    for label, curve in (("now", now), ("found", found), *ends.items()):
        if curve is not None:
            edges = [-DRAWN, *(v for v in curve.velocity if -DRAWN < v < DRAWN), DRAWN]
            made.append(CurveDrawn(label, tuple((v, curve.at(v)) for v in edges)))  # type: ignore[arg-type]
    return made


def speeds() -> tuple[float, float]:
    """Where low and high speed are judged, m/s at the damper."""
    return LOW_SPEED, HIGH_SPEED
