"""A trial run on paper, when it is asked for: one sentence, the figures of both ends, the travel of both setups."""

from collections.abc import Callable, Sequence

from markupsafe import Markup

from feder.core.benches.prove.bench import Driven, Trialled, trialled
from feder.core.benches.prove.figures import ALL
from feder.core.benches.prove.roads import OWN, roads_for, trial_of
from feder.core.document.base import ENDS, EndName
from feder.core.document.document import Document
from feder.core.document.setup import Setup
from feder.core.numbers.errors import FederError
from feder.sheet.paper import in_words
from feder.sheet.svg import path, text
from feder.sheet.table import Table
from feder.units.show import SHOWN_UNIT, figure, unit_shown

WIDTH, HEIGHT, LEFT = 714, 150, 44
STRIP, GAP = 52.0, 14.0


def run_table(document: Document, setup: Setup, system: str) -> Table | None:
    """The run of a setup against as found; nothing where it was not asked for, is as found, or cannot be driven."""
    if not document.proving.on_sheet or setup.id == document.setups[0].id:
        return None
    try:
        told = trialled(document, setup.id, document.setups[0].id, trial_of(document))
    except FederError:
        return None
    said = in_words(told.verdict.text, told.verdict.numbers, system)
    speed = figure(document.proving.speed, "m/s", system)
    heading = f"Simulated: {_road(document)}, {speed} {_unit('m/s', system)}"
    columns = ["", "front as found", f"front, {setup.name}", "rear as found", f"rear, {setup.name}"]
    rows = [
        _row("acceleration, weighted, m/s²", told, lambda d, e: f"{d.figures.ends[ALL][e].comfort:.2f}"),
        _row("swing of the tyre load, %", told, lambda d, e: f"{100 * d.figures.ends[ALL][e].grip:.0f}"),
        _row(
            f"most bump, {_unit('m', system)}",
            told,
            lambda d, e: figure(d.figures.ends[ALL][e].bump, "m", system),
        ),
    ]
    note = (
        f"{said} Drawn: travel of both ends' wheels from ride, thin as found. Assumed: {'; '.join(told.assumed)}."
    )
    return Table(heading, columns, rows, note, Markup(_drawing(told)), HEIGHT)


def _unit(si: str, system: str) -> str:
    name = unit_shown(si, system)[0]
    return SHOWN_UNIT.get(name, name)


def _road(document: Document) -> str:
    told = document.proving
    if told.road == OWN:
        return f"a road of {sum(p.length for p in told.own):.0f} m put together"
    return next(r.told for r in roads_for(document.vehicle.kind) if r.name == told.road)


def _row(words: str, told: Trialled, of: Callable[[Driven, EndName], str]) -> list[str]:
    cells = [f"~{of(driven, end)}" for end in ENDS for driven in (told.was, told.now)]
    return [words, *cells]


def _drawing(told: Trialled) -> str:
    """Travel of one wheel of each end over the distance; both setups on the travel of the one in hand."""
    length = told.distance[-1] or 1.0
    out: list[str] = []
    for k, end in enumerate(ENDS):
        i = next(n for n, w in enumerate(told.now.traces.wheels) if w.place.end == end)
        now = told.now.traces.wheels[i].travel
        was = [z + told.was.rides[i] for z in told.was.traces.wheels[i].travel]
        limits = told.now.limits[i]
        high, low = max(limits.solid, *now, *was), min(limits.droop, *now, *was)
        top = 4 + k * (STRIP + GAP)

        def y(z: float, top: float = top, high: float = high, low: float = low) -> float:
            return top + (high - z) / (high - low) * STRIP

        def line(values: Sequence[float], y: Callable[[float], float] = y) -> str:
            points = (
                f"{LEFT + d / length * (WIDTH - LEFT):.1f} {y(z):.1f}"
                for d, z in zip(told.distance[::3], values[::3], strict=True)
            )
            return "M" + "L".join(points)

        out.append(text(0, top + STRIP / 2 + 4, end, size=13))
        for edge in (limits.droop, limits.solid):
            out.append(path(f"M{LEFT} {y(edge):.1f}H{WIDTH}", width=1.5))
        out.append(path(f"M{LEFT} {y(0):.1f}H{WIDTH}", width=0.5))
        out += [path(line(was), width=0.6), path(line(now), width=1.5)]
    out.append(text(WIDTH, HEIGHT - 4, f"{length:.0f} m", size=12, anchor="end"))
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{WIDTH}" height="{HEIGHT}" viewBox="0 0 {WIDTH} {HEIGHT}" '
        f'role="img" aria-label="Travel of both ends over the road">{"".join(out)}</svg>'
    )
