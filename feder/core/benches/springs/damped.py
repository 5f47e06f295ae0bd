"""What a spring that is tried does to damping: the dampers at the clicks of the setup, on another wheel rate."""

from collections.abc import Sequence

from feder.core.document.brief import Brief
from feder.core.formulas.damping import rescale_damping
from feder.core.report.findings.against import Against
from feder.core.report.findings.damping_reach import damping_at, of_damping
from feder.core.report.shapes import Figure
from feder.core.standing.corner import StandingCorner

Tried = tuple[Figure | None, Figure | None, float | None]
"""Damping and wheel rate of a corner as it stands, and the wheel rate with the spring tried."""


def damped(corners: Sequence[Tried]) -> float | None:
    """Low-speed damping with the spring tried, the mean of the corners; nothing where one of them is not known."""
    ratios = []
    for now, rate, tried in corners:
        if now is None or rate is None or tried is None or rate.value <= 0 or tried <= 0:
            return None
        ratios.append(float(now.value) / float(rescale_damping(float(rate.value), float(tried))))
    return sum(ratios) / len(ratios) if ratios else None


def against_damping(corner: StandingCorner, ratio: Figure, brief: Brief) -> list[Against]:
    """What speaks against that damping, where a curve is known or the band was typed."""
    if corner.facts.end.clicked is None and brief.targets.damping is None:
        return []
    against = of_damping(damping_at(corner, ratio), brief.damping_band)
    return [] if against is None else [against]
