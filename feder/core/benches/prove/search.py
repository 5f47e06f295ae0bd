"""Looking for clicks: the maps of both ends, then the best of both together on the whole vehicle."""

from collections.abc import Callable
from dataclasses import dataclass, field, replace

from feder.core.benches.prove.click_map import STEP, ClickMap, Knobs, Pair, click_map, knobs_of
from feder.core.benches.prove.figures import ALL, Figures, figures_of
from feder.core.benches.prove.run import Stop, run
from feder.core.benches.prove.vehicle import CannotDrive, Vehicle, vehicle_of
from feder.core.benches.prove.verdict import GRAZE
from feder.core.document.base import ENDS, EndName
from feder.core.document.document import Document
from feder.core.document.road import Trial
from feder.core.report.shapes import Figure
from feder.core.standing.facts import Facts, gather

NEAREST = 9
"""Pairs of each end that are tried with each of the other end: the best of it, and the present one."""
NOISE = 0.005
"""Share of the score below which a difference is none."""


@dataclass(frozen=True)
class Together:
    """Both ends' pairs on the whole vehicle; the score is that of the present clicks over itself, 1."""

    pairs: dict[EndName, Pair]
    score: float
    turned: int
    figures: Figures
    harder: bool


@dataclass
class Progress:
    """How far a search has come; what it holds is an answer at any time."""

    maps: dict[EndName, ClickMap] = field(default_factory=dict)
    together: tuple[Together, ...] = ()
    together_total: int = 0
    present: Figures | None = None
    finished: bool = False
    trouble: str = ""


def search(
    document: Document,
    setup: str,
    trial: Trial,
    comfort: float,
    stop: Stop,
    told: Callable[[Progress], None],
    load: str | None = None,
) -> Progress:
    """All clicks of both ends, and the best of them together; `told` hears of every step.

    Raises:
        CannotDrive: no knobs whose clicks are told, a manoeuvre, or a vehicle that cannot be driven.
        OutOfRange: a run that lasts too long.
    """
    now = vehicle_of(document, setup, load)
    found = vehicle_of(document, document.setups[0].id, load)
    knobs = {end: k for end in ENDS if (k := knobs_of(document, setup, end)) is not None}
    if not knobs:
        raise CannotDrive(
            "a search waits for dampers with knobs, their clicks and a curve told, at one end at least"
        )
    progress = Progress()
    for end, mine in knobs.items():

        def heard(made: ClickMap, end: EndName = end) -> None:
            progress.maps[end] = made
            told(progress)

        progress.maps[end] = click_map(document, mine, now, found, trial, stop, heard)
        if stop.flag[0]:
            break
    _together(document, now, trial, comfort, progress, stop, told)
    progress.finished = True
    told(progress)
    return progress


def _together(
    document: Document,
    now: Vehicle,
    trial: Trial,
    comfort: float,
    progress: Progress,
    stop: Stop,
    told: Callable[[Progress], None],
) -> None:
    """The nearest pairs first: one stopped early still has an answer."""
    facts = gather(document)
    choices = {e: _choices(m, comfort) for e, m in progress.maps.items()}
    ends = tuple(choices)
    wanted: list[dict[EndName, Pair]] = [{}]
    for end in ends:
        wanted = [{**w, end: pair} for w in wanted for pair in choices[end]]
    wanted.sort(key=lambda w: (_turned(progress, w), [w[e] for e in ends]))
    progress.together_total = len(wanted)
    limits: dict[EndName, float] = {}
    for pairs in wanted:
        if stop.flag[0] and progress.present is not None:
            break
        # the first one, with nothing turned, is what all others are held against: it is driven in any case
        own = Stop() if progress.present is None else stop
        driven = run(with_clicks(now, facts, progress.maps, pairs), trial, step=STEP, stop=own)
        if driven.stopped:
            break
        figures = figures_of(driven)
        if progress.present is None:
            progress.present = figures
            limits = {
                e: max(figures.ends[ALL][e].stop_force, GRAZE * now.wheels[now.at(e)[0]].still) for e in ENDS
            }  # fmt: skip
        made = Together(
            pairs, _score(figures, progress.present, comfort), _turned(progress, pairs), figures,
            any(figures.ends[ALL][e].stop_force > limits[e] * (1 + NOISE) for e in ENDS),
        )  # fmt: skip
        progress.together = (*progress.together, made)
        told(progress)


def _choices(made: ClickMap, comfort: float) -> list[Pair]:
    """The best pairs of an end, and the present one."""
    best = [c.pair for c in made.best(comfort) if c.pair != made.knobs.now]
    return [made.knobs.now, *best[: NEAREST - 1]]


def _turned(progress: Progress, pairs: dict[EndName, Pair]) -> int:
    return sum(progress.maps[e].knobs.turned(p) for e, p in pairs.items())


def _score(figures: Figures, present: Figures, comfort: float) -> float:
    """Mean over both ends of comfort and grip, each over what it is now."""

    def over(name: str) -> float:
        parts = [(getattr(figures.ends[ALL][e], name), getattr(present.ends[ALL][e], name)) for e in ENDS]
        return sum(a / b if b > 0 else 1.0 for a, b in parts) / len(parts)

    return comfort * over("comfort") + (1 - comfort) * over("grip")


def with_clicks(
    vehicle: Vehicle, facts: Facts, maps: dict[EndName, ClickMap], pairs: dict[EndName, Pair]
) -> Vehicle:
    """The vehicle with knobs of its ends at other clicks."""
    wheels = list(vehicle.wheels)
    for end, pair in pairs.items():
        force = maps[end].knobs.force(pair, float(facts.ends[end].damping))
        for i in vehicle.at(end):
            wheels[i] = replace(wheels[i], damper=force)
    return vehicle.with_wheels(tuple(wheels))


def proposed(progress: Progress) -> Together | None:
    """What is proposed so far: of all within noise of the best the fewest clicks; nothing turned is an answer."""
    may = [t for t in progress.together if not t.harder]
    if not may:
        return None
    top = min(t.score for t in may)
    return min((t for t in may if t.score <= top + NOISE), key=lambda t: (t.turned, t.score))


@dataclass(frozen=True, slots=True)
class ClickTurn:
    """One knob of the proposal."""

    end: EndName
    acts: str
    was: int
    now: int


def turns(progress: Progress, chosen: Together) -> list[ClickTurn]:
    """The knobs that a proposal turns."""
    made = []
    for end, pair in chosen.pairs.items():
        knobs: Knobs = progress.maps[end].knobs
        for acts, was, now in zip((knobs.rebound, knobs.bump), knobs.now, pair, strict=True):
            if acts is not None and was != now:
                made.append(ClickTurn(end, acts, was, now))
    return made


def compared(present: Figures, chosen: Figures) -> list[tuple[str, Figure, Figure]]:
    """What a proposal changes: comfort and swing of the load of each end, and pitch."""
    made: list[tuple[str, Figure, Figure]] = []
    for end in ENDS:
        was, now = present.ends[ALL][end], chosen.ends[ALL][end]
        made.append((f"comfort, {end}", Figure(was.comfort, "m/s^2", True), Figure(now.comfort, "m/s^2", True)))
        made.append((f"load swing, {end}", Figure(was.grip, "", True), Figure(now.grip, "", True)))
    was_dies, now_dies = present.pitch[ALL].dies, chosen.pitch[ALL].dies
    if was_dies is not None and now_dies is not None:
        made.append(("pitch dies in", Figure(was_dies, "s", True), Figure(now_dies, "s", True)))
    dips = -present.pitch[ALL].down, -chosen.pitch[ALL].down
    made.append(("pitch dips", Figure(dips[0], "rad", True), Figure(dips[1], "rad", True)))
    return made
