"""All pairs of rebound and bump clicks of one end, each driven over the road on a corner of the vehicle alone."""

from collections.abc import Callable
from dataclasses import dataclass, replace
from math import ceil
from typing import Any

import numpy as np
from numpy.typing import NDArray

from feder.core.benches.prove.figures import weighted
from feder.core.benches.prove.road import Road, road_of
from feder.core.benches.prove.run import Stop
from feder.core.benches.prove.tables import FASTEST, FINE, FINE_SPEED, REACH, speeds, straight_on, travels
from feder.core.benches.prove.vehicle import SLIPS, CannotDrive, Vehicle, Wheel
from feder.core.benches.prove.verdict import GRAZE
from feder.core.document.base import EndName
from feder.core.document.cursor import node
from feder.core.document.damper import Acts, DamperPart
from feder.core.document.document import Document
from feder.core.document.road import Trial
from feder.core.formulas.damping import damping_ratio
from feder.core.numbers.quantities import G
from feder.core.numbers.working import untraced
from feder.core.practice.targets import LOW_SPEED
from feder.core.report.evaluate import evaluated
from feder.core.standing.clicked import at_clicks, clicks_from_shut, part_left
from feder.core.standing.facts import places_of

Array = NDArray[np.floating[Any]]
STEP = 1e-3
"""Step of the motion in a search, s: half as fine as that of a run."""
AT_ONCE = 18
"""Pairs driven between two looks at whether to stop."""
Pair = tuple[int, int]
"""Rebound and bump clicks from shut; of one knob for both the first, of a missing knob 0."""


@dataclass(frozen=True)
class Knobs:
    """The knobs of an end that are searched: what they act on, their clicks, and which of them are left alone."""

    end: EndName
    part: DamperPart
    rebound: Acts | None
    bump: Acts | None
    clicks: Pair
    """How many each knob has."""
    now: Pair
    locked: tuple[str, ...]
    high_bump: float | None = None

    @property
    def pairs(self) -> list[Pair]:
        rows = range(self.clicks[0] + 1) if self.rebound else (0,)
        return [(r, b) for r in rows for b in (range(self.clicks[1] + 1) if self.bump else (0,))]

    def free(self, pair: Pair) -> bool:
        """Whether a pair leaves the knobs alone that are not to be turned."""
        acts = (self.rebound, self.bump)
        return all(a not in self.locked or p == n for a, p, n in zip(acts, pair, self.now, strict=True))

    def turned(self, pair: Pair) -> int:
        """Clicks from where the knobs stand."""
        return abs(pair[0] - self.now[0]) + abs(pair[1] - self.now[1])

    def at(self, pair: Pair) -> dict[str, float]:
        acts = zip((self.rebound, self.bump), pair, strict=True)
        made: dict[str, float] = {a: float(p) for a, p in acts if a is not None}
        return made if self.high_bump is None else {**made, "high_bump": self.high_bump}

    def force(self, pair: Pair, dampers: float) -> Array:
        """Force of all dampers of a corner over velocity, at a pair."""
        curve = at_clicks(self.part, self.at(pair))
        assert curve is not None
        return straight_on(curve.curve, speeds()) * dampers

    def chord(self, pair: Pair) -> float:
        """Mean chord of both ways at low speed, of one damper."""
        curve = at_clicks(self.part, self.at(pair))
        assert curve is not None
        return (curve.curve.chord(LOW_SPEED) + curve.curve.chord(-LOW_SPEED)) / 2


@dataclass(frozen=True)
class Cell:
    """A pair as it was driven. `allowed` keeps the stop no harder and body control no further off than now."""

    rebound: int
    bump: int
    comfort: float
    """Over that of the present clicks."""
    grip: float
    stop: float
    """Largest force of the stop, N."""
    ratio: float
    """Low-speed damping of the body."""
    harder: bool
    off_band: bool
    free: bool

    @property
    def allowed(self) -> bool:
        return self.free and not self.harder and not self.off_band

    @property
    def pair(self) -> Pair:
        return self.rebound, self.bump

    def score(self, comfort: float) -> float:
        return comfort * self.comfort + (1 - comfort) * self.grip


@dataclass(frozen=True)
class ClickMap:
    """The pairs of an end that were driven so far."""

    end: EndName
    knobs: Knobs
    cells: tuple[Cell, ...]
    total: int

    def best(self, comfort: float) -> list[Cell]:
        """What may be set, the best first; of what is as good the fewest clicks."""
        allowed = [c for c in self.cells if c.allowed]
        return sorted(allowed, key=lambda c: (c.score(comfort), self.knobs.turned(c.pair)))

    def line(self) -> list[Cell]:
        """The best compromises: what nothing else beats in both comfort and grip."""
        made: list[Cell] = []
        for cell in sorted((c for c in self.cells if c.allowed), key=lambda c: (c.comfort, c.grip)):
            if not made or cell.grip < made[-1].grip:
                made.append(cell)
        return made


def knobs_of(document: Document, setup: str, end: EndName) -> Knobs | None:
    """The knobs of an end; nothing where its damper has none, or a click is not told."""
    with untraced():
        _, stood, _ = evaluated(document, setup, None)
    corner = stood.corners[places_of(document, end)[0]]
    if not corner.damper_at:
        return None
    part = part_left(node(corner.damper_at), corner.damper_left)
    known: dict[str, float | None] = {k.acts: clicks_from_shut(part, corner.side, k.acts) for k in part.knobs}
    if not known or any(v is None for v in known.values()) or part.modes:
        return None
    first: Acts | None = "rebound" if "rebound" in known else "both" if "both" in known else None
    second: Acts | None = "bump" if "bump" in known else None
    if first is None and second is None:
        return None
    clicks: dict[str, int] = {k.acts: k.clicks for k in part.knobs}
    made = Knobs(
        end,
        part,
        first,
        second,
        (clicks.get(first or "", 0), clicks.get(second or "", 0)),
        (int(known.get(first or "", 0) or 0), int(known.get(second or "", 0) or 0)),
        tuple(k.acts for k in part.knobs if k.locked),
        known.get("high_bump"),
    )
    return made if at_clicks(part, made.at(made.now)) is not None else None


def mean_wheel(vehicle: Vehicle, end: EndName) -> Wheel:
    """A corner of an end: the mean of both sides."""
    wheels = [vehicle.wheels[i] for i in vehicle.at(end)]
    names = (
        "load", "unsprung", "tyre_rate", "spring", "stop", "ratio", "damper", "friction", "droop", "touch",
        "solid", "wheel_rate",
    )  # fmt: skip
    return replace(wheels[0], **{n: sum(getattr(w, n) for w in wheels) / len(wheels) for n in names})


def click_map(
    document: Document,
    knobs: Knobs,
    now: Vehicle,
    found: Vehicle,
    trial: Trial,
    stop: Stop,
    told: Callable[[ClickMap], None],
) -> ClickMap:
    """Every pair of an end, the nearest to the present one first, so that one stopped early still tells something.

    Raises:
        CannotDrive: through a manoeuvre: a corner alone tells nothing there.
    """
    if trial.manoeuvre is not None:
        raise CannotDrive("clicks are looked for on a road, not in a manoeuvre")
    end = knobs.end
    wheel, was = mean_wheel(now, end), mean_wheel(found, end)
    pairs = sorted(knobs.pairs, key=lambda p: (knobs.turned(p), p))
    if knobs.now not in pairs:
        raise CannotDrive(f"a {end} knob stands past its range")
    dampers = _dampers(document, end)
    road = road_of(trial, sum(a.track for a in now.axles) / len(now.axles))
    start = _start(trial)
    limit = max(drive_corner(was, [was.damper], trial, road, start, stop)[0][2], GRAZE * wheel.still)
    ratios = [_ratio(wheel, knobs.chord(p) * dampers) for p in pairs]
    low, high = document.brief.damping_band
    off_now = _off(ratios[pairs.index(knobs.now)], low, high)
    cells: list[Cell] = []
    here: tuple[float, float, float] | None = None
    for at in range(0, len(pairs), AT_ONCE):
        some = pairs[at : at + AT_ONCE]
        driven = drive_corner(wheel, [knobs.force(p, dampers) for p in some], trial, road, start, stop)
        here = here or (driven[0] if driven else None)
        if here is None:
            break
        for pair, ratio, (comfort, grip, force) in zip(some, ratios[at : at + AT_ONCE], driven, strict=False):
            cells.append(
                Cell(
                    *pair, comfort / here[0] if here[0] else 1.0, grip / here[1] if here[1] else 1.0, force, ratio,
                    force > limit, _off(ratio, low, high) > off_now + 1e-9, knobs.free(pair),
                )
            )  # fmt: skip
        told(ClickMap(end, knobs, tuple(cells), len(pairs)))
        if stop.flag[0]:
            break
    return ClickMap(end, knobs, tuple(cells), len(pairs))


def _dampers(document: Document, end: EndName) -> float:
    with untraced():
        facts, stood, _ = evaluated(document, document.setups[0].id, None)
    return float(stood.corners[facts.places_at(end)[0]].facts.end.damping)


def _off(ratio: float, low: float, high: float) -> float:
    """How far a damping lies off its band."""
    return max(0.0, low - ratio, ratio - high)


def _ratio(wheel: Wheel, coefficient: float) -> float:
    with untraced():
        middle = float(wheel.ratio[wheel.ratio.size // 2])
        return float(damping_ratio(coefficient, middle, wheel.wheel_rate, wheel.load / G))


def _start(trial: Trial) -> float:
    """Distance at which the first piece that is not flat begins."""
    at = 0.0
    for piece in trial.pieces:
        if piece.kind != "flat":
            break
        at += piece.length
    return at


def drive_corner(
    wheel: Wheel, dampers: list[Array], trial: Trial, road: Road, start: float, stop: Stop
) -> list[tuple[float, float, float]]:
    """Weighted comfort, swing of the tyre load over what it is at rest, and largest force of the stop, of each."""
    from feder.core.benches.prove.kernel import march_quarter

    count = ceil(road.length / trial.speed / STEP)
    shape = (len(dampers), count)
    felt, tyres, moved = np.zeros(shape), np.zeros(shape), np.zeros(shape)
    friction = wheel.friction
    numbers = np.array([
        wheel.load / G, wheel.unsprung, wheel.tyre_rate, wheel.tyre_damping, friction,
        max(SLIPS, friction * STEP / wheel.unsprung), wheel.still / wheel.tyre_rate,
    ])  # fmt: skip
    grids = np.array([-REACH, FINE, -FASTEST, FINE_SPEED, trial.speed, road.step])
    done = march_quarter(
        STEP, count, numbers, (wheel.spring + wheel.stop)[None, :], wheel.ratio[None, :], np.array(dampers), grids,
        road.heights, felt, tyres, moved, stop.flag, np.zeros(1),
    )  # fmt: skip
    first = round(start / trial.speed / STEP)
    made = []
    for i in range(done):
        if not np.isfinite(felt[i]).all():
            raise CannotDrive("the vehicle leaves the road: a search tells nothing here")
        comfort = float(np.sqrt(np.mean(weighted(felt[i], STEP)[first:] ** 2)))
        grip = float(tyres[i, first:].std()) / wheel.still
        made.append((comfort, grip, float(np.interp(moved[i].max(), travels(), wheel.stop))))
    return made
