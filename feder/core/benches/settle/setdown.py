"""Set down: its rounds of readings, what was read against what is wanted, and what to turn."""

from collections.abc import Collection
from dataclasses import dataclass, field, replace

from feder.core.benches.settle.heights import Basis, basis_of, load_aboard, read_in, stands, wanted_in
from feder.core.benches.settle.knobs import Knob, knobs_of, moved, on_adjusters
from feder.core.benches.settle.splines import whole_move, with_finest
from feder.core.benches.settle.turn import Turn, near_enough, what_to_turn
from feder.core.document.base import Place
from feder.core.document.document import Document
from feder.core.document.survey import Conditions
from feder.core.report.evaluate import evaluate_plain
from feder.core.standing.facts import setup_of


@dataclass(slots=True)
class Round:
    """One round of readings with a setup on the wheels."""

    id: str
    index: int
    """Where it stands among the document's surveys."""
    number: int
    date: str | None
    odometer: float | None
    heights: int
    weights: int
    aligned: int


@dataclass(slots=True)
class SetDownRow:
    """One corner: read, wanted, how far off, and what to turn there."""

    place: Place
    read: float | None
    readings: int
    wanted: float | None
    off: float | None
    """Read less wanted; of a sag too."""
    low: bool
    """Whether the corner stands lower than wanted."""
    within: bool
    turn: Turn | None = None
    words: str = ""
    """Spline moves in words, seen from outside at this side."""
    whole: bool = True
    """Whether the setting told is one that the adjuster has; of splines the nearest pair."""


@dataclass(slots=True)
class SetDown:
    """What a round of readings says of a vehicle that stands again."""

    basis: Basis
    round: int | None
    """Index of the survey told of; none: nothing was read yet."""
    rounds: list[Round]
    rows: list[SetDownRow]
    conditions: Conditions
    level: bool
    """Whether every corner read stands near enough to what is wanted: 2 mm, less where it was read more often."""
    worst_then: float | None = None
    """Largest distance from what is wanted once turned, m."""
    missing: list[Place] = field(default_factory=list)


def set_down(
    document: Document,
    setup: str,
    survey: int | None = None,
    held: Collection[Place] = (),
    basis: Basis | None = None,
) -> SetDown:
    """A round of readings of a setup, by default its newest with heights.

    Raises:
        UnknownSetup: the document has no such setup.
    """
    setup_of(document, setup)
    at = _round(document, setup, survey)
    used: Basis = basis or (
        basis_of(document, at)
        if at is not None
        else ("hub_to_arch" if document.vehicle.kind == "car" else "rider_sag")
    )
    load = load_aboard(document, at)
    set_so = on_adjusters(document, setup)
    read = {} if at is None else read_in(document, at, used)
    foretold = evaluate_plain(document, setup, load)
    wanted = wanted_in(document, setup, used, foretold, load)
    knobs = with_finest(document, setup, knobs_of(document, setup, evaluate_plain(document, setup)))
    turns = {t.place: t for t in what_to_turn(set_so, setup, used, load, knobs, read, wanted, held)}
    words = _whole(set_so, setup, used, load, knobs, turns)
    rows = []
    for place in document.places:
        got, want = read.get(place), wanted.get(place)
        off = None if got is None or want is None else got.value - want
        turn = turns.get(place) if got is not None else None
        rows.append(
            SetDownRow(
                place=place,
                read=None if got is None else got.value,
                readings=0 if got is None else got.count,
                wanted=want,
                off=off,
                low=off is not None and (off > 0) == (used == "rider_sag"),
                within=off is not None and got is not None and abs(off) <= near_enough(got.scatter),
                turn=turn,
                words=words.get(place, ""),
                whole=turn is None or turn.kind != "splines" or place in words,
            )
        )
    told = [r for r in rows if r.read is not None]
    then = [
        abs(r.turn.stands_then - r.wanted)
        for r in told
        if r.turn is not None and r.turn.stands_then is not None and r.wanted is not None
    ]
    return SetDown(
        used,
        at,
        rounds_of(document, setup),
        rows,
        Conditions() if at is None else document.surveys[at].conditions,
        bool(told) and all(r.within for r in told),
        max(then, default=None),
        [r.place for r in rows if r.read is None],
    )


def _round(document: Document, setup: str, survey: int | None) -> int | None:
    """The round asked for; else the newest with heights or sags."""
    rounds = [i for i in document.rounds_of(setup) if i]
    if survey is not None and survey in rounds:
        return survey
    quantities = ("hub_to_arch", "floor_to_arch", "rider_lifted", "rider_pressed")
    return next((i for i in reversed(rounds) if any(document.surveys[i].has(q) for q in quantities)), None)


def rounds_of(document: Document, setup: str) -> list[Round]:
    """The rounds of a setup, the first first."""
    made = []
    for number, index in enumerate((i for i in document.rounds_of(setup) if i), 1):
        told = document.surveys[index]
        heights = {r.place for r in told.readings if r.quantity != "mass"}
        weights = {r.place for r in told.readings if r.quantity == "mass"}
        aligned = [w for w in told.wheels if w.toe is not None or w.toe_angle is not None or w.camber is not None]
        made.append(
            Round(told.id, index, number, told.date, told.odometer, len(heights), len(weights), len(aligned))
        )
    return made


def _whole(
    set_so: Document,
    setup: str,
    basis: Basis,
    load: str | None,
    knobs: dict[Place, Knob],
    turns: dict[Place, Turn],
) -> dict[Place, str]:
    """Turns on splines set to the nearest pair of whole moves, with the heights that those give; words of each."""
    words: dict[Place, str] = {}
    before = {p: t.move for p, t in turns.items()}
    for place, turn in turns.items():
        if turn.kind == "splines" and turn.move:
            pair = whole_move(set_so, setup, knobs[place], turn.move)
            if pair is not None:
                words[place] = pair.words
                turns[place] = replace(turn, move=pair.angle, then=turn.now + pair.angle, turns=None)
    after = {p: t.move for p, t in turns.items()}
    if words:
        one = stands(moved(set_so, setup, knobs, before), setup, basis, load)
        two = stands(moved(set_so, setup, knobs, after), setup, basis, load)
        for place, turn in turns.items():
            if turn.stands_then is not None and place in one and place in two:
                turns[place] = replace(turn, stands_then=turn.stands_then + two[place] - one[place])
    return words
