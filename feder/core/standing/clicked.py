"""The curve of a damper at its clicks: measured rows with what lies between them, a family, or a mode."""

from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass, replace
from itertools import pairwise

from feder.core.document.damper import Acts, Curve, CurveRow, DamperPart, Family
from feder.core.document.setup import Clicks, SideSetup
from feder.core.formulas.damping import family_force
from feder.core.numbers.errors import OutOfRange
from feder.core.solvers.damper_curve import DamperCurve, curve_of

FAMILY = "family curve, assumed"
MEASURED = "measured"
FAR = 2.0
"""Velocity to which a family is laid out, m/s; it goes straight on beyond its knee."""


@dataclass(frozen=True, slots=True)
class Clicked:
    """A curve at the clicks of a setup. `clicks` are counted from shut."""

    curve: DamperCurve
    source: str
    assumed: bool
    clicks: dict[str, float]
    beyond: tuple[str, ...] = ()
    """Knobs turned past the clicks that were measured: the nearest measured one stands in."""
    left: float | None = None
    """Share of its forces that a worn damper still has."""


def clicks_from_shut(part: DamperPart, side: SideSetup, acts: Acts) -> float | None:
    """Where a knob stands, counted from fully closed; nothing where its click or its range is not told."""
    told: Clicks | None = getattr(side, acts)
    knob = next((k for k in part.knobs if k.acts == acts), None)
    if told is None:
        return None
    if told.counted_from == "fully closed":
        return float(told.count)
    whole = told.of if told.of is not None else None if knob is None else knob.clicks
    return None if whole is None else float(whole - told.count)


def clicked(part: DamperPart, side: SideSetup) -> Clicked | None:
    """The curve of a damper as a setup has its knobs; nothing where it has no curve, or a click is not told."""
    clicks: dict[str, float] = {
        k.acts: c for k in part.knobs if (c := clicks_from_shut(part, side, k.acts)) is not None
    }
    return at_clicks(part, clicks, side.mode)


def worn(curve: Clicked | None, left: float | None) -> Clicked | None:
    """A curve with the share of its forces that is left."""
    if curve is None or left is None:
        return curve
    return replace(curve, curve=curve.curve.scaled(left), left=left)


def at_clicks(part: DamperPart, clicks: dict[str, float], mode: str | None = None) -> Clicked | None:
    """The curve at clicks counted from shut, or of a mode."""
    try:
        if part.modes:
            told = next((m for m in part.modes if m.name == mode), None)
            return None if told is None else Clicked(curve_of(told.points), f"mode {told.name}", False, {})
        if part.rows:
            return _measured(part, clicks)
        if part.family is not None:
            curve = _of_family(part, part.family, clicks)
            return None if curve is None else Clicked(curve, FAMILY, True, clicks)
    except OutOfRange:
        return None
    return None


def part_left(part: DamperPart, left: float | None) -> DamperPart:
    """A damper of which a share of all forces is left, at every click and in every mode."""
    if left is None:
        return part

    def points(told: Curve) -> Curve:
        return tuple((v, force * left) for v, force in told)

    family = None
    if part.family is not None:
        shares = ("rebound_shut", "rebound_open", "bump_shut", "bump_open")
        family = part.family.but(**{name: getattr(part.family, name) * left for name in shares})
    return part.but(
        rows=tuple(row.but(points=points(row.points)) for row in part.rows),
        modes=tuple(mode.but(points=points(mode.points)) for mode in part.modes),
        family=family,
    )


def turned_to_its_end(part: DamperPart, clicks: dict[str, float], *, shut: bool) -> Clicked | None:
    """The curve with every knob that may be turned at its end, others where they stand."""
    free: dict[str, float] = {k.acts: 0.0 if shut else float(k.clicks) for k in part.knobs if not k.locked}
    return at_clicks(part, {**clicks, **free})


def _share(part: DamperPart, clicks: dict[str, float], *acts: Acts) -> float | None:
    """How far open a knob is, 0 shut, 1 open; half where there is none for it, nothing while untold."""
    knob = next((k for a in acts for k in part.knobs if k.acts == a), None)
    if knob is None:
        return 0.5
    click = clicks.get(knob.acts)
    return None if click is None else click / knob.clicks


def _of_family(part: DamperPart, family: Family, clicks: dict[str, float]) -> DamperCurve | None:
    points = []
    for way, acts, shut, open_ in (
        (-1.0, "rebound", family.rebound_shut, family.rebound_open),
        (1.0, "bump", family.bump_shut, family.bump_open),
    ):
        share = _share(part, clicks, acts, "both")  # type: ignore[arg-type]
        if share is None:
            return None
        low = shut - (shut - open_) * share
        points += [
            (way * v, way * float(family_force(v, low, family.knee, family.high_share)))
            for v in (family.knee, FAR)
        ]
    return curve_of(points)


def _measured(part: DamperPart, clicks: dict[str, float]) -> Clicked | None:
    """Straight in force between the clicks that were measured, at each velocity; each knob on its own side."""
    acts = {k.acts for k in part.knobs}
    beyond: set[str] = set()
    sides = []
    for way, knobs in ((-1, ("rebound", "both")), (1, ("bump", "both", "high_bump"))):
        turned = [k for k in knobs if k in acts]
        if any(k not in clicks for k in turned):
            return None
        rows = [(_row_clicks(part, r, turned), curve_of(r.points)) for r in part.rows]
        whole = [(at, c) for at, c in rows if None not in at]
        force = _between(whole, [clicks[k] for k in turned], turned, beyond)
        if force is None:
            return None
        velocities = sorted({v for _, c in whole for v in c.velocity if v * way > 0})
        sides += [(v, force(v)) for v in velocities]
    return Clicked(curve_of(sides), MEASURED, False, clicks, tuple(sorted(beyond)))


def _row_clicks(part: DamperPart, row: CurveRow, knobs: Sequence[str]) -> tuple[float | None, ...]:
    """The clicks of a row from shut."""
    made: list[float | None] = []
    for acts in knobs:
        knob = next(k for k in part.knobs if k.acts == acts)
        told: int | None = getattr(row, acts)
        made.append(
            None if told is None else float(told if knob.counted_from == "fully closed" else knob.clicks - told)
        )
    return tuple(made)


Force = Callable[[float], float]


def _between(
    rows: Sequence[tuple[tuple[float | None, ...], DamperCurve]],
    clicks: Sequence[float],
    knobs: Sequence[str],
    beyond: set[str],
) -> Force | None:
    """Force over velocity at clicks: along the first knob, each stop of it worked out along the others."""
    if not rows:
        return None
    if not knobs:
        return _mean([c.at for _, c in rows])
    stops: dict[float, Force] = {}
    for click in sorted({at[0] for at, _ in rows if at[0] is not None}):
        rest = _between([(at[1:], c) for at, c in rows if at[0] == click], clicks[1:], knobs[1:], beyond)
        if rest is not None:
            stops[click] = rest
    if not stops:
        return None
    places, want = list(stops), clicks[0]
    if want < places[0] or want > places[-1]:
        beyond.add(knobs[0])
        want = min(max(want, places[0]), places[-1])
    if want in stops:
        return stops[want]
    low, high = next((a, b) for a, b in pairwise(places) if a < want < b)
    share = (want - low) / (high - low)
    below, above = stops[low], stops[high]
    return lambda v: below(v) + share * (above(v) - below(v))


def _mean(forces: Sequence[Force]) -> Force:
    return lambda v: sum(f(v) for f in forces) / len(forces)


def faults_in(part: DamperPart) -> Iterator[tuple[str, str]]:
    """Which curves of a damper are none, with why."""
    named = [(f"row {i + 1}", r.points) for i, r in enumerate(part.rows)] + [
        (m.name, m.points) for m in part.modes
    ]
    for name, points in named:
        try:
            curve_of(points)
        except OutOfRange as error:
            yield name, error.rule
