"""Damping curves on paper: force over velocity at the setup's clicks, as found, and at both ends of the knobs."""

from itertools import chain

from markupsafe import Markup

from feder.core.benches.damping.clicks import DRAWN, DampingBench, damping_bench
from feder.core.document.base import EndName
from feder.core.document.document import Document
from feder.core.document.setup import Setup
from feder.core.practice.targets import HIGH_SPEED, LOW_SPEED
from feder.core.standing.facts import places_of, side_of
from feder.sheet.svg import path, text
from feder.sheet.table import Table
from feder.units.show import SHOWN_UNIT, figure, unit_shown

WIDTH, HEIGHT, GAP = 714, 182, 18
TOP, BOTTOM = 20.0, 140.0
WIDE = {"now": (2.0, None), "found": (1.0, "4 3"), "shut": (0.6, None), "open": (0.6, None)}


def curves_table(document: Document, setup: Setup, system: str) -> Table | None:
    """The curves of a setup's dampers, one for both sides where these are alike; nothing where none is known."""
    ends: tuple[EndName, ...] = ("front", "rear")
    found = [b for end in ends for b in _benches(document, setup, end) if b is not None and b.judged_at]
    if not found:
        return None
    first = setup.id == document.setups[0].id
    most = {
        end: max(
            (abs(force) for b in found if b.end == end for c in b.curves for _, force in c.points), default=1.0
        )
        for end in ends
    }
    wide = (WIDTH - GAP * (len(found) - 1)) / len(found)
    drawn = [
        _chart(bench, i * (wide + GAP), wide, most[bench.end], system, first=first)
        for i, bench in enumerate(found)
    ]
    svg = (
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{WIDTH}" height="{HEIGHT}" viewBox="0 0 {WIDTH} {HEIGHT}" '
        f'role="img" aria-label="Force over velocity of the dampers">{"".join(chain(*drawn))}</svg>'
    )
    was = "" if first else " Dashed: as found."
    note = f"Bold: one damper at the clicks of {setup.name}.{was} Thin: every knob shut, and open. Velocity at the damper in m/s; each end to its own scale."
    unit = unit_shown("N", system)[0]
    return Table(f"Damping, force in {SHOWN_UNIT.get(unit, unit)}", [], [], note, Markup(svg), HEIGHT)


def _benches(document: Document, setup: Setup, end: EndName) -> list[DampingBench | None]:
    """One bench for an end whose sides are alike, else one a side."""
    places = places_of(document, end)
    sides = [side_of(setup, p) for p in places]
    told = [(s.damper, s.rebound, s.bump, s.high_bump, s.both, s.mode, s.curve_left) for s in sides]
    if all(t == told[0] for t in told):
        return [damping_bench(document, setup.id, end)]
    return [damping_bench(document, setup.id, end, p) for p in places]


def _chart(bench: DampingBench, left: float, wide: float, most: float, system: str, *, first: bool) -> list[str]:
    middle, zero = left + wide / 2, (TOP + BOTTOM) / 2

    def x(velocity: float) -> float:
        return middle + velocity / DRAWN * wide / 2

    def y(force: float) -> float:
        return zero - force / most * (BOTTOM - TOP) / 2

    def newton(force: float) -> str:
        return figure(abs(force), "N", system, decimals=0)

    mark = "~" if bench.assumed else ""
    told = dict(bench.judged_at)
    out = [
        text(left, 13, bench.place.words if bench.place else bench.end, size=14, weight=600),
        path(f"M{left:.1f} {zero}H{left + wide:.1f}M{middle:.1f} {TOP}V{BOTTOM}", width=0.8),
        text(middle - 5, TOP + 10, "bump", size=12, anchor="end"),
        text(middle + 5, BOTTOM - 2, "rebound", size=12),
    ]
    for velocity in (-0.3, -0.1, 0.1, 0.3):
        out.append(path(f"M{x(velocity):.1f} {zero - 3}v6", width=0.8))
        below = 14 if velocity > 0 else -6
        out.append(text(x(velocity), zero + below, f"{velocity:g}".replace("-", "−"), size=11, anchor="middle"))
    for curve in bench.curves:
        if curve.name == "found" and first:
            continue
        width, dash = WIDE[curve.name]
        line = "L".join(f"{x(v):.1f} {y(f):.1f}" for v, f in curve.points)
        out.append(path(f"M{line}", width=width, dash=dash))
    out += [f'<circle cx="{x(v):.1f}" cy="{y(f):.1f}" r="3" fill="#000"/>' for v, f in bench.judged_at]
    lines = [
        text(left, BOTTOM + 17 * n, f"at {v:.2f}: bump {mark}{newton(told[v])}, rebound {mark}{newton(told[-v])}")
        for n, v in enumerate((LOW_SPEED, HIGH_SPEED), 1)
    ]
    return [*out, *lines]
