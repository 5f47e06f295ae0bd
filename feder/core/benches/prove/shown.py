"""A search as it is shown: the map of each end, and what is proposed so far."""

from dataclasses import dataclass

from feder.core.benches.prove.click_map import Cell, ClickMap
from feder.core.benches.prove.search import NOISE, ClickTurn, Progress, compared, proposed, turns
from feder.core.document.base import EndName
from feder.core.report.shapes import Figure

WEIGHTS = tuple(i / 20 for i in range(21))


@dataclass(frozen=True, slots=True)
class CellShown:
    """A pair: comfort and grip over those of the present clicks (more is worse), and what forbids it."""

    rebound: int
    bump: int
    comfort: float
    grip: float
    ratio: float
    harder: bool
    off_band: bool
    near_best: bool


@dataclass(frozen=True, slots=True)
class MapShown:
    """Clicks are counted from shut."""

    end: EndName
    rebound: str | None
    """What the first knob acts on; nothing where there is none."""
    bump: str | None
    clicks: tuple[int, int]
    now: tuple[int, int]
    locked: tuple[str, ...]
    done: int
    total: int
    cells: tuple[CellShown, ...]
    line: tuple[tuple[int, int], ...]
    best: tuple[tuple[int, int] | None, ...]
    """The best pair of this end alone at each weight of comfort, from 0 to 1."""
    free_best: tuple[int, int] | None
    """The best pair were no knob left alone."""


@dataclass(frozen=True, slots=True)
class Proposed:
    """What is proposed so far; no turn: leave it."""

    turns: tuple[ClickTurn, ...]
    gains: float
    """Share by which the weighted sum falls."""
    compared: tuple[tuple[str, Figure, Figure], ...]


@dataclass(frozen=True, slots=True)
class SearchShown:
    comfort: float
    weights: tuple[float, ...]
    maps: tuple[MapShown, ...]
    together: int
    together_total: int
    finished: bool
    trouble: str
    proposed: Proposed | None


def shown(progress: Progress, comfort: float) -> SearchShown:
    """How far a search has come."""
    chosen = proposed(progress)
    told = None
    if chosen is not None and progress.present is not None:
        told = Proposed(
            tuple(turns(progress, chosen)),
            1 - chosen.score,
            tuple(compared(progress.present, chosen.figures)),
        )
    return SearchShown(
        comfort,
        WEIGHTS,
        tuple(_map(m, comfort) for m in list(progress.maps.values())),
        len(progress.together),
        progress.together_total,
        progress.finished,
        progress.trouble,
        told,
    )


def _map(made: ClickMap, comfort: float) -> MapShown:
    knobs = made.knobs
    best = made.best(comfort)
    limit = best[0].score(comfort) + NOISE if best else 0.0
    return MapShown(
        made.end,
        knobs.rebound,
        knobs.bump,
        knobs.clicks,
        knobs.now,
        knobs.locked,
        len(made.cells),
        made.total,
        tuple(_cell(c, near=c.allowed and c.score(comfort) <= limit) for c in made.cells),
        tuple(c.pair for c in made.line()),
        tuple(b[0].pair if (b := made.best(w)) else None for w in WEIGHTS),
        _free_best(made, comfort),
    )


def _free_best(made: ClickMap, comfort: float) -> tuple[int, int] | None:
    if not made.knobs.locked:
        return None
    may = [c for c in made.cells if not c.harder and not c.off_band]
    return min(may, key=lambda c: c.score(comfort)).pair if may else None


def _cell(cell: Cell, *, near: bool) -> CellShown:
    return CellShown(
        cell.rebound, cell.bump, round(cell.comfort, 5), round(cell.grip, 5), round(cell.ratio, 4), cell.harder,
        cell.off_band, near,
    )  # fmt: skip
