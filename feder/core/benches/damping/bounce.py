"""Bounce tests of a vehicle as it stands: what each corner reads, what a sound one would, and how much is left."""

from dataclasses import dataclass, replace
from math import copysign
from typing import Literal

from feder.core.benches.damping.swings import (
    EVERY,
    SECONDS,
    ReadSwing,
    by_lows,
    by_lows_off,
    expected,
    expected_by_hand,
    read_swing,
    scatter_of,
    share_by_hand,
    share_left,
)
from feder.core.document.base import ENDS, Place
from feder.core.document.bounce import Bounce, LetGo
from feder.core.document.cursor import node
from feder.core.document.damper import DamperPart
from feder.core.document.document import Document
from feder.core.document.survey import Survey
from feder.core.numbers.errors import OutOfRange
from feder.core.numbers.working import tracing, untraced
from feder.core.practice.targets import LOW_SPEED
from feder.core.practice.thresholds import LEFT_SOUND, LEFT_TOO_MUCH, LEFT_WORN
from feder.core.report.evaluate import evaluated
from feder.core.report.shapes import CornerReport, Figure, figure
from feder.core.solvers.damper_curve import curve_of
from feder.core.solvers.let_go import STEP, TwoMass, let_go
from feder.core.standing.clicked import at_clicks, clicks_from_shut
from feder.core.standing.corner import StandingCorner
from feder.core.standing.facts import places_of

Verdict = Literal["worn", "sound", "not told", "too firm"]
RIGID = 1e7
"""Rate of a tyre that nobody knows, N/m: it hardly gives."""
READ_TO = 0.001
"""A ruler on a film is read to this, m."""


@dataclass(frozen=True, slots=True)
class RunShown:
    """One let-go: its readings against time from the release, and what was read of it, or why nothing can be."""

    name: str
    times: tuple[float, ...]
    readings: tuple[float, ...]
    release: float
    """In the time of the file."""
    depth: float | None = None
    ratio: float | None = None
    frequency: float | None = None
    rest: float | None = None
    fitted: tuple[tuple[float, float], ...] = ()
    sound: tuple[tuple[float, float], ...] = ()
    """The same let-go with the whole curve, about the same rest."""
    trouble: str = ""


@dataclass(frozen=True, slots=True)
class ByHand:
    """Three heights off a film: the damping ratio of the two lows, and what follows."""

    ratio: float
    uncertain: float
    expected: float | None
    left: float | None


@dataclass(frozen=True, slots=True)
class BounceRow:
    """A corner: what it reads, what a sound one would, the share of its curve left, and the plan with it."""

    place: Place
    waits: str
    """What is missing before a sound one can be told; empty: nothing."""
    by: Literal["logger", "hand"] | None = None
    reads: Figure | None = None
    uncertain: float | None = None
    expected: Figure | None = None
    left: Figure | None = None
    left_uncertain: float | None = None
    frequency: float | None = None
    frequency_expected: Figure | None = None
    verdict: Verdict | None = None
    plan: Figure | None = None
    """Damping of the setup in hand with the whole curve."""
    plan_left: Figure | None = None
    """With what is left; nothing where the setup has another damper."""
    kept: bool = True
    """Whether the setup in hand keeps this damper."""
    applied: float | None = None
    """Share that the setup in hand is planned with."""


@dataclass(frozen=True, slots=True)
class Resting:
    """A number that the expected reading rests on."""

    words: str
    figure: Figure


@dataclass(frozen=True, slots=True)
class BounceBench:
    """All corners' rows, and one corner in full."""

    rows: tuple[BounceRow, ...]
    place: Place
    stood: str
    """The setup that stands on the wheels."""
    clicks: str
    """Where its knobs stand, in words; empty: it has none, or they are not known."""
    runs: tuple[RunShown, ...]
    by_hand: ByHand | None
    hand_waits: str
    """What the heights off a film wait for, or what is wrong with them."""
    resting: tuple[Resting, ...]


@dataclass(frozen=True, slots=True)
class _Sound:
    """A corner with its whole curve, or what is missing."""

    corner: TwoMass | None
    assumed: bool
    waits: str
    clicks: str = ""
    resting: tuple[Resting, ...] = ()


def bounce_bench(document: Document, setup: str, place: Place, stood: str | None = None) -> BounceBench:
    """Bounce tests of the vehicle as it stands: as found, or in the setup `stood`.

    Raises:
        UnknownSetup: the document has no such setup.
    """
    on_wheels = document.setups[0].id if stood is None else stood
    with tracing():
        _, standing, report = evaluated(document, on_wheels, None)
        _, planned, plan = evaluated(document, setup, None)
    with untraced():
        survey = _survey(document, stood)
        read = {} if survey is None else {b.place: b for b in survey.bounces}
        rows, shown = [], None
        for at in (p for e in ENDS for p in places_of(document, e)):
            sound = _sound(standing.corners[at], report.corners[at])
            row, swings = _row(at, read.get(at), sound, planned.corners[at], plan.corners[at])
            rows.append(row)
            if at == place:
                shown = sound, swings
    assert shown is not None
    sound, swings = shown
    told = read.get(place)
    return BounceBench(
        rows=tuple(rows),
        place=place,
        stood=on_wheels,
        clicks=sound.clicks,
        runs=()
        if told is None
        else tuple(_shown(r, s, told, sound) for r, s in zip(told.runs, swings, strict=True)),
        by_hand=None if told is None else _by_hand(told, sound),
        hand_waits=_hand_waits(told),
        resting=sound.resting,
    )


def _survey(document: Document, stood: str | None) -> Survey | None:
    found = document.setups[0].id
    for survey in document.surveys:
        if (survey.setup or found) == (stood or found):
            return survey
    return None


def _sound(stood: StandingCorner, told: CornerReport) -> _Sound:
    """The corner as it stands, with the whole curve of its damper."""
    end = stood.facts.end
    motion, at = end.damper.ratio(stood.hub_to_arch), stood.damper_at
    part = node(at) if at else None
    clicks = {} if part is None else {k.acts: clicks_from_shut(part, stood.side, k.acts) for k in part.knobs}
    known = {a: c for a, c in clicks.items() if c is not None}
    curve = None if part is None else at_clicks(part, known, stood.side.mode)
    words = " and ".join(f"{a.replace('_', '-speed ')} {_counted(stood, a)}" for a in known)
    straight = None
    if curve is not None:
        straight = curve.curve.scaled(end.damping)
    elif end.damper_coefficient is not None and not _has_curve(part) and stood.side.curve_left is None:
        c = float(end.damper_coefficient)
        straight = curve_of([(-1.0, -c), (1.0, c)])
    missing = [
        word
        for word, value in (
            ("the weight on this corner", told.sprung_mass),
            ("its spring's rate", told.wheel_rate),
            ("the unsprung mass", end.unsprung_mass or None),
            ("the damper's motion ratio", motion or None),
        )
        if value is None
    ]
    if straight is None:
        unset = [a.replace("_", "-speed ") for a, c in clicks.items() if c is None]
        missing.append(f"the {' and '.join(unset)} clicks" if unset else "the damper's curve")
    if missing or not (straight and told.sprung_mass and told.wheel_rate and motion and end.unsprung_mass):
        return _Sound(None, assumed=False, waits=" and ".join(missing), clicks=words)
    tyre = RIGID if end.tyre_rate is None else float(end.tyre_rate)
    corner = TwoMass(
        float(told.sprung_mass.value),
        float(end.unsprung_mass),
        float(told.wheel_rate.value),
        tyre,
        float(motion),
        straight,
        float(end.friction or 0.0),
    )
    unsure = curve is None or curve.assumed or bool(curve.beyond)
    mean = (straight.chord(LOW_SPEED) + straight.chord(-LOW_SPEED)) / 2
    known_tyre = end.tyre_rate is not None
    rests: list[tuple[str, Figure | None]] = [
        ("sprung mass on it", told.sprung_mass),
        ("wheel rate", told.wheel_rate),
        ("tyre rate", figure(end.tyre_rate, "N/m"))
        if known_tyre
        else ("tyre rate, not known", Figure(tyre, "N/m", True)),
        ("unsprung mass", figure(end.unsprung_mass, "kg")),
        ("damper motion ratio", figure(motion, "")),
        ("dry friction at the wheel", figure(end.friction, "N")),
        ("damper at low speed, mean", Figure(mean, "N*s/m", unsure)),
    ]
    resting = tuple(Resting(words, shown) for words, shown in rests if shown is not None)
    assumed = any(r.figure.assumed for r in resting)
    return _Sound(corner, assumed, "", words, resting)


def _has_curve(part: DamperPart | None) -> bool:
    return part is not None and bool(part.rows or part.family or part.modes)


def _counted(stood: StandingCorner, acts: str) -> int:
    """A click as it is counted."""
    return int(getattr(stood.side, acts).count)


def _row(
    place: Place, told: Bounce | None, sound: _Sound, planned: StandingCorner, plan: CornerReport
) -> tuple[BounceRow, list[ReadSwing | str]]:
    kept = planned.keeps_damper
    applied = planned.side.curve_left if kept else None
    whole = plan.damping_ratio
    if whole is not None and applied:
        whole = Figure(float(whole.value) / applied, "", whole.assumed)
    row = BounceRow(place=place, waits=sound.waits, plan=whole, kept=kept, applied=applied)
    swings: list[ReadSwing | str] = [] if told is None else [_read(run, told, sound) for run in told.runs]
    if told is None:
        return row, swings
    good = [s for s in swings if isinstance(s, ReadSwing)]
    if good:
        return _by_logger(row, good, told, sound), swings
    hand = _by_hand(told, sound)
    if hand is None:
        return row, swings
    left = None if hand.left is None else hand.left * hand.uncertain / hand.ratio
    return _judged(row, "hand", hand.ratio, hand.uncertain, hand.expected, hand.left, left, sound), swings


def _read(run: LetGo, told: Bounce, sound: _Sound) -> ReadSwing | str:
    try:
        return read_swing(run, told.kind, None if sound.corner is None else sound.corner.period)
    except OutOfRange as error:
        return error.rule


def _by_logger(row: BounceRow, good: list[ReadSwing], told: Bounce, sound: _Sound) -> BounceRow:
    ratios = [s.fit.damping_ratio for s in good]
    reads, depth = sum(ratios) / len(ratios), sum(s.depth for s in good) / len(good)
    uncertain = scatter_of(ratios, good[0].fit.error_ratio)
    frequency = sum(s.fit.frequency for s in good) / len(good)
    expects = left = spread = like = None
    if sound.corner is not None:
        left = share_left(sound.corner, depth, reads, told.kind)
        try:
            expects = expected(sound.corner, depth, 1.0, told.kind).damping_ratio
            like = expected(sound.corner, depth, left, told.kind).frequency if left is not None else None
        except OutOfRange:
            expects = None
        spread = None if left is None else left * uncertain / reads
    made = _judged(row, "logger", reads, uncertain, expects, left, spread, sound)
    return _with(made, frequency, None if like is None else Figure(like, "Hz", sound.assumed))


def _with(row: BounceRow, frequency: float, like: Figure | None) -> BounceRow:
    return replace(row, frequency=frequency, frequency_expected=like)


def _judged(
    row: BounceRow,
    by: Literal["logger", "hand"],
    reads: float,
    uncertain: float,
    expects: float | None,
    left: float | None,
    spread: float | None,
    sound: _Sound,
) -> BounceRow:
    verdict: Verdict | None = None
    if left is not None and spread is not None:
        verdict = "not told"
        if left + spread < LEFT_WORN:
            verdict = "worn"
        elif left - spread > LEFT_TOO_MUCH:
            verdict = "too firm"
        elif left - spread > LEFT_SOUND:
            verdict = "sound"
    then = None
    if left is not None and row.plan is not None and row.kept:
        then = Figure(float(row.plan.value) * left, "", row.plan.assumed)
    return replace(
        row,
        by=by,
        reads=Figure(reads, ""),
        uncertain=uncertain,
        expected=None if expects is None else Figure(expects, "", sound.assumed),
        left=None if left is None else Figure(left, "", sound.assumed),
        left_uncertain=spread,
        verdict=verdict,
        plan_left=then,
    )


def _by_hand(told: Bounce, sound: _Sound) -> ByHand | None:
    """By two lows on the same side; nothing while a height is missing, or they are no decay."""
    if told.rest is None or told.low is None or told.next_low is None or _hand_waits(told):
        return None
    first, later = told.rest - told.low, told.rest - told.next_low
    ratio, spread = by_lows(first, later), by_lows_off(first, later, READ_TO)
    if sound.corner is None:
        return ByHand(ratio, spread, None, None)
    return ByHand(
        ratio, spread, expected_by_hand(sound.corner, first, 1.0), share_by_hand(sound.corner, first, ratio)
    )


def _hand_waits(told: Bounce | None) -> str:
    """What is wrong with the three heights, or missing once one was typed; empty: nothing."""
    if told is None:
        return ""
    rest, low, later = heights = told.rest, told.low, told.next_low
    if all(h is None for h in heights):
        return ""
    if rest is None or low is None or later is None:
        missing = [w for w, h in zip(("rest", "a, the low", "b, the next low"), heights, strict=True) if h is None]
        return f"waits for {' and '.join(missing)}"
    if not low < rest:
        return "a must lie below rest: the body was pressed down"
    if not low < later < rest:
        return "b must lie between a and rest: a body let go swings less and less"
    return ""


def _shown(run: LetGo, swing: ReadSwing | str, told: Bounce, sound: _Sound) -> RunShown:
    if isinstance(swing, str):
        start = run.times[0] if run.release is None else run.release
        return RunShown(run.name, tuple(t - start for t in run.times), run.readings, start, trouble=swing)
    times = tuple(t - swing.release for t in run.times)
    fit, end = swing.fit, times[-1]
    drawn: tuple[tuple[float, float], ...] = ()
    if sound.corner is not None:
        whole = let_go(sound.corner, swing.depth, min(SECONDS, max(end, 0.5)))
        read = whole.height if told.kind == "height" else whole.acceleration
        # a sensor may count the other way
        way = copysign(1.0, (run.readings[swing.start] - fit.offset) * read[0])
        drawn = tuple((i * EVERY * STEP, fit.offset + way * x) for i, x in enumerate(read[::EVERY]))
    return RunShown(
        run.name,
        times,
        run.readings,
        swing.release,
        swing.depth,
        fit.damping_ratio,
        fit.frequency,
        fit.offset,
        tuple(fit.curve(times[swing.start :])),
        drawn,
    )
