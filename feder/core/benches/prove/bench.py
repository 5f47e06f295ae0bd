"""Prove: a setup and another one over the same road, side by side; why they differ; and at other speeds."""

from dataclasses import dataclass

import numpy as np

from feder.core.benches.prove.figures import ALL, Figures, figures_of
from feder.core.benches.prove.findings import run_findings
from feder.core.benches.prove.road import Stretch
from feder.core.benches.prove.run import Run, run
from feder.core.benches.prove.traces import Traces, drawn, every, traces_of
from feder.core.benches.prove.vehicle import Vehicle, assumed_in, vehicle_of
from feder.core.benches.prove.verdict import Both, RunVerdict, verdict_of
from feder.core.benches.prove.whys import put_back
from feder.core.document.base import ENDS, EndName
from feder.core.document.document import Document
from feder.core.document.road import Trial
from feder.core.numbers.errors import OutOfRange
from feder.core.report.shapes import Finding
from feder.core.standing.facts import setup_of

SAYS = 0.3
"""Share of a change that putting one thing back must undo to be named as its reason."""
LEAST_CHANGE = 0.005
"""Change of a figure, as a share of it, below which no reason is looked for."""


@dataclass(frozen=True, slots=True)
class RunLimits:
    """Of a wheel's travel from ride, as a run takes them."""

    droop: float
    stop: float
    solid: float


@dataclass(frozen=True, slots=True)
class Driven:
    """One setup's run."""

    setup: str
    traces: Traces
    figures: Figures
    limits: tuple[RunLimits, ...]
    rides: tuple[float, ...]
    """How much nearer its stop each wheel stands than in the compared setup."""
    damping: dict[EndName, float]


@dataclass(frozen=True, slots=True)
class Trialled:
    """Two setups over one road. Distances are those of the front axle; the rear one follows by the wheelbase."""

    time: tuple[float, ...]
    distance: tuple[float, ...]
    road: tuple[tuple[float, ...], ...]
    """Heights of the road at the distances, left and right."""
    wheelbase: float
    stretches: tuple[Stretch, ...]
    now: Driven
    was: Driven
    verdict: RunVerdict
    findings: tuple[Finding, ...]
    assumed: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class Why:
    """What a figure would be with one thing put back, and how much of its change that undoes."""

    row: str
    cell: str
    part: str
    end: EndName
    value: float
    unit: str
    undoes: float


@dataclass(frozen=True, slots=True)
class AtSpeed:
    speed: float
    was: dict[EndName, tuple[float, float]]
    """Comfort and grip of each end."""
    now: dict[EndName, tuple[float, float]]


def _two(document: Document, setup: str, against: str, load: str | None) -> tuple[Vehicle, Vehicle]:
    if setup == against:
        raise OutOfRange("against", against, "must be another setup than the one that is tried")
    return vehicle_of(document, setup, load), vehicle_of(document, against, load)


def _both(now: Run, was: Run, figures: tuple[Figures, Figures]) -> Both:
    loads: dict[EndName, float] = {
        end: sum(now.vehicle.wheels[i].still for i in now.vehicle.at(end)) / now.vehicle.per_axle for end in ENDS
    }
    return Both(*figures, loads)


def trialled(document: Document, setup: str, against: str, trial: Trial, load: str | None = None) -> Trialled:
    """A setup driven against another over the road of a trial.

    Raises:
        UnknownSetup: the document has no such setup or load state.
        CannotDrive: one of both cannot be driven, and why.
        OutOfRange: a run that lasts too long, or a setup against itself.
    """
    vehicles = _two(document, setup, against, load)
    now, was = (run(v, trial) for v in vehicles)
    figures = figures_of(now), figures_of(was)
    both = _both(now, was, figures)
    step = every(now)
    manoeuvre = None if trial.manoeuvre is None else trial.manoeuvre.kind
    verdict = verdict_of(both, setup_of(document, setup).name, manoeuvre)
    more = [w for v in vehicles for w in assumed_in(v, manoeuvre)]
    assumed = list(dict.fromkeys([*vehicles[0].assumed, *vehicles[1].assumed, *more]))
    return Trialled(
        time=drawn(now.time, step, 4),
        distance=drawn(now.distance, step, 3),
        road=tuple(drawn(row, 1, 5) for row in now.road.at(np.array(now.distance[::step]))),
        wheelbase=now.vehicle.wheelbase,
        stretches=now.road.stretches,
        now=_driven(setup, now, was, figures[0]),
        was=_driven(against, was, now, figures[1]),
        verdict=verdict,
        findings=tuple(run_findings(both, document.brief.comfort_weight, braking=manoeuvre == "braking")),
        assumed=tuple(assumed),
    )


def _driven(setup: str, mine: Run, other: Run, figures: Figures) -> Driven:
    wheels = mine.vehicle.wheels
    return Driven(
        setup,
        traces_of(mine),
        figures,
        tuple(RunLimits(w.droop, w.touch, w.solid) for w in wheels),
        tuple(o.hub_to_arch - w.hub_to_arch for w, o in zip(wheels, other.vehicle.wheels, strict=True)),
        {end: _damping(mine.vehicle, end) for end in ENDS},
    )


def _damping(vehicle: Vehicle, end: EndName) -> float:
    """Low-speed damping of an end, of critical on its wheel rate: mean of both directions and sides."""
    from feder.core.benches.prove.tables import speeds
    from feder.core.practice.targets import LOW_SPEED

    shares = []
    for i in vehicle.at(end):
        w = vehicle.wheels[i]
        ratio = w.ratio[w.ratio.size // 2]
        low = [float(np.interp(s * LOW_SPEED, speeds(), w.damper)) / (s * LOW_SPEED) for s in (-1, 1)]
        shares.append(sum(low) / 2 * ratio**2 / (2 * (w.wheel_rate * w.load / 9.80665) ** 0.5))
    return float(sum(shares) / len(shares))


FIGURES: tuple[tuple[str, str, str], ...] = (
    ("comfort", "comfort", "m/s^2"), ("grip", "grip", ""), ("travel", "bump", "m"), ("travel", "stop_force", "N"),
    ("dampers", "watts", "W"),
)  # fmt: skip
"""Row, figure of an end, unit: what reasons are looked for."""


def whys(document: Document, setup: str, against: str, trial: Trial, load: str | None = None) -> list[Why]:
    """The reasons of what changed: of each figure the one thing, put back, that undoes most of the change.

    Raises: as `trialled`.
    """
    now, was = _two(document, setup, against, load)
    here, there = (figures_of(run(v, trial)) for v in (now, was))
    tried = [(b, figures_of(run(b.vehicle, trial))) for b in put_back(now, was)]
    made: list[Why] = []
    for row, cell, unit, read in _read():
        a, b = read(here), read(there)
        if a is None or b is None or abs(a - b) <= LEAST_CHANGE * max(abs(a), abs(b)):
            continue
        best: Why | None = None
        for back, figures in tried:
            value = read(figures)
            if value is None:
                continue
            undoes = (a - value) / (a - b)
            if undoes >= SAYS and (best is None or abs(undoes - 1) < abs(best.undoes - 1)):
                best = Why(row, cell, back.part, back.end, value, unit, undoes)
        if best is not None:
            made.append(best)
    return made


def _read() -> "list[tuple[str, str, str, _Reading]]":
    made: list[tuple[str, str, str, _Reading]] = []
    for row, name, unit in FIGURES:
        for end in ENDS:
            words = f"{end} {name.replace('_', ' ')}" if name == "stop_force" else end
            made.append((row, words, unit, _Reading("ends", end, name)))
    for cell, name, unit in (("nose down", "down", "rad"), ("nose up", "up", "rad"), ("dies", "dies", "s")):
        made.append(("pitch", cell, unit, _Reading("pitch", "", name)))
    made.append(("roll", "most", "rad", _Reading("pitch", "", "roll")))
    return made


@dataclass(frozen=True)
class _Reading:
    """Where a figure stands among those of a run."""

    kind: str
    end: str
    name: str

    def __call__(self, figures: Figures) -> float | None:
        if self.kind == "ends":
            return float(getattr(figures.ends[ALL][self.end], self.name))  # type: ignore[index]
        value = getattr(figures.pitch[ALL], self.name)
        return None if value is None else abs(float(value))


SPEEDS = tuple(v / 3.6 for v in range(10, 161, 10))
"""Speeds of the sweep, m/s."""


def at_speeds(
    document: Document, setup: str, against: str, trial: Trial, load: str | None = None
) -> list[AtSpeed]:
    """Comfort and grip of both setups from 10 to 160 km/h; where the road lasts too long is left out."""
    now, was = _two(document, setup, against, load)
    made = []
    for speed in SPEEDS:
        slower = Trial(pieces=trial.pieces, manoeuvre=trial.manoeuvre, speed=speed, seed=trial.seed)
        try:
            figures = [figures_of(run(v, slower)).ends[ALL] for v in (was, now)]
        except OutOfRange:
            continue
        told = [{e: (f[e].comfort, f[e].grip) for e in ENDS} for f in figures]
        made.append(AtSpeed(speed, *told))
    return made
