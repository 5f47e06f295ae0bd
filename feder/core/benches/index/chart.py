"""An index chart of this vehicle, and what other bars would do at the same height."""

from dataclasses import dataclass
from math import asin, pi, sin

from feder.core.benches.index.adjusters import at_adjusters, set_free
from feder.core.benches.index.bench import index_bench
from feder.core.document.base import Place
from feder.core.document.changes import with_sides
from feder.core.document.document import Document
from feder.core.document.setup import TorsionBarPart
from feder.core.formulas.splines import spline_moves
from feder.core.formulas.torsion import bar_shear_stress
from feder.core.report.evaluate import evaluate, evaluate_plain
from feder.core.report.shapes import Figure

MOST_STEPS = 30


@dataclass(slots=True)
class ChartRow:
    """One step of the free angle: the fewest moves that give it, and the height that follows; SI."""

    inner: int
    outer: int
    change: float
    free_angle: float
    hub_to_arch: float | None
    wheel_rate: float | None


def index_chart(
    document: Document, setup: str, place: Place, load_state: str | None = None, span: float = 12 * pi / 180
) -> list[ChartRow]:
    """Every whole step of the free angle within `span` each way, both sides of the axle moved alike.

    Heights are those under the load state.

    Raises:
        UnknownSetup: the document has no such setup.
    """
    bench = index_bench(document, setup, place, load_state)
    if bench is None or bench.splines is None or bench.free_found is None or bench.finest_step is None:
        return []
    every = max(1, -(-int(span / bench.finest_step) // MOST_STEPS))
    steps = int(span / bench.finest_step / every)
    asked = evaluate_plain(document, setup)
    own, mirror = asked.corners[place].free_angle, asked.corners[place.mirror].free_angle
    document = at_adjusters(document, setup, asked)
    rows = []
    for k in range(-steps, steps + 1):
        wanted = k * every * bench.finest_step
        best = spline_moves(*bench.splines, wanted, count=1).candidates[0]
        free = float(bench.free_found.value) + float(best.angle)
        stood = free - (0.0 if bench.read_off is None else float(bench.read_off.value))
        both = {place: stood}
        if own is not None and mirror is not None:
            both[place.mirror] = float(mirror.value) + stood - float(own.value)
        at = evaluate_plain(set_free(document, setup, both), setup, load_state).corners[place]
        hub, rate = at.hub_to_arch, at.wheel_rate
        rows.append(
            ChartRow(
                int(best.inner),
                int(best.outer),
                float(best.angle),
                free,
                None if hub is None else float(hub.value),
                None if rate is None else float(rate.value),
            )
        )
    return rows


@dataclass(slots=True)
class OtherBar:
    """A bar at hand, fitted to both sides at the height asked for: what it does, and how it bears it."""

    part: TorsionBarPart
    fitted: bool
    wheel_rate: Figure | None
    frequency: Figure | None
    free_angle: Figure | None
    stress_at_ride: Figure | None
    stress: Figure | None
    """Shear stress at the end of the bump travel."""
    over: bool
    """Whether that is more than the limit set for it."""


def other_bars(document: Document, setup: str, place: Place) -> list[OtherBar]:
    """The bars at hand, thinnest first, each at the heights asked for.

    Raises:
        UnknownSetup: the document has no such setup.
    """
    if getattr(document.vehicle.ends, place.end).arm is None:
        return []
    axle = [p for p in document.places if p.end == place.end]
    made = []
    for part in sorted(document.bars, key=lambda b: (b.diameter**4 - b.bore**4) / b.effective_length):
        tried = with_sides(document, setup, {p: {"spring": part, "set_by": "height"} for p in axle})
        report = evaluate(tried, setup)
        corner = report.corners[place]
        stress = _stress_at_bump(tried, setup, place, part)
        limit = part.most_stress
        now = next(s for s in document.setups if s.id == setup)
        made.append(
            OtherBar(
                part=part,
                fitted=getattr(now.sides, place.value).spring == part,
                wheel_rate=corner.wheel_rate,
                frequency=report.ends[place.end].frequency,
                free_angle=corner.free_angle,
                stress_at_ride=corner.shear_stress,
                stress=stress,
                over=limit is not None and stress is not None and float(stress.value) > limit,
            )
        )
    return made


def _stress_at_bump(document: Document, setup: str, place: Place, part: TorsionBarPart) -> Figure | None:
    corner = evaluate_plain(document, setup).corners[place]
    arm = getattr(document.vehicle.ends, place.end).arm
    ends = [f for f in (corner.solid, corner.contact) if f is not None]
    if not ends or corner.arm_angle is None or corner.free_angle is None or corner.angular_rate is None:
        return None
    sine = sin(corner.arm_angle.value) - min(f.value for f in ends) / arm.length
    if abs(sine) >= 1:
        return None
    torque = corner.angular_rate.value * (corner.free_angle.value - asin(sine))
    stress = bar_shear_stress(torque, part.diameter, part.bore) if torque >= 0 else 0.0
    return Figure(float(stress), "Pa")
