"""A damper's curve from a run of a damper bench, as a new part or as one curve more of a known one."""

from collections.abc import Mapping, Sequence

from feder.core.document.damper import Acts, CurveRow, DamperPart, Knob
from feder.core.numbers.errors import OutOfRange
from feder.core.solvers.damper_curve import curve_of

FEWEST = 4


def curve_from_run(points: Sequence[tuple[float, float]]) -> tuple[tuple[float, float], ...]:
    """[velocity, force] pairs of a run in order, readings at one speed as their mean; closing positive, SI.

    Raises:
        OutOfRange: too few speeds, or a force that falls as the speed rises.
    """
    at: dict[float, list[float]] = {}
    for v, f in points:
        if abs(v) > 1e-6:  # at rest a bench shows gas and friction, which are no damping
            at.setdefault(round(v, 6), []).append(f)
    made = tuple((v, sum(f) / len(f)) for v, f in sorted(at.items()))
    if len(made) < FEWEST:
        raise OutOfRange("points", len(made), f"must hold {FEWEST} speeds at least")
    curve_of(made)
    return made


def damper_from_run(
    points: Sequence[tuple[float, float]],
    code: str,
    clicks: Mapping[Acts, int],
    known: DamperPart | None = None,
    *,
    of: Mapping[Acts, int] | None = None,
) -> DamperPart:
    """The damper with the curve of a run at its clicks; a curve that it had at the same clicks is replaced.

    `of` tells how many clicks a knob of a new damper has; one of which it is not told is left out, not guessed.

    Raises:
        OutOfRange: the run is no curve.
    """
    row = CurveRow(points=curve_from_run(points)).but(**{str(acts): click for acts, click in clicks.items()})
    if known is None:
        knobs = tuple(Knob(acts=acts, clicks=count) for acts, count in (of or {}).items() if acts in clicks)
        return DamperPart(code=code, knobs=knobs, rows=(row,))
    same = {a: getattr(row, a) for a in ("rebound", "bump", "high_bump", "both")}
    others = tuple(r for r in known.rows if {a: getattr(r, a) for a in same} != same)
    return known.but(rows=(*others, row))
