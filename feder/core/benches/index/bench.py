"""The index bench of one corner: the free angle wanted, the pairs of moves, what each leaves over."""

from dataclasses import dataclass, field
from math import cos, pi
from typing import Literal

from feder.core.benches.index.adjusters import at_adjusters, set_free
from feder.core.benches.index.bolt import BoltAnswer, bolt_answer
from feder.core.benches.index.turn import TurnEffect, turn_effect
from feder.core.document.base import Place
from feder.core.document.document import Document
from feder.core.document.setup import SideSetup, TorsionBarPart
from feder.core.document.vehicle import PlateAdjuster
from feder.core.formulas.splines import SplineMoves, lifts_clockwise, spline_moves, spline_words
from feder.core.numbers.notes import collecting_notes
from feder.core.numbers.quantities import G
from feder.core.practice.thresholds import LEVEL_WINDOW, PAIR_EXACT, PAIR_NEAR
from feder.core.report.evaluate import evaluate, evaluate_plain
from feder.core.report.shapes import CornerReport, Figure
from feder.core.standing.facts import gather, setup_of, side_of

UNKNOWN = "Weight, hub to arch, arm and bar must be known before a free angle can be told"
NEW_BAR = (
    "This is another bar than the one found, and no mark carries over to it. Fit it unloaded as it falls, read "
    "the plate with the level zeroed on the chassis, and type the reading; moves are counted from there"
)
TRIES, CLOSE = 12, 1e-7
SET_SO = 1e-4
"""Difference of free angles that no level shows, rad."""


@dataclass(slots=True)
class MoveRow:
    """One pair of moves: the plate's free angle with it, the height that gives, what the adjuster must make up.

    `off` is the height reached less the height wanted, m; `adjust` the remainder in rad, body up positive;
    `reachable` whether the plate's adjuster covers it, nothing where there is none.
    """

    inner: int
    outer: int
    free_angle: float
    change: float
    error: float
    words: str
    height: float | None = None
    off: float | None = None
    adjust: float = 0.0
    turns: float | None = None
    reachable: bool | None = None
    grade: Literal["", "note", "look", "stop"] = ""
    says: str = ""
    numbers: dict[str, Figure] = field(default_factory=dict)
    chosen: bool = False
    """Whether it is the pair taken in this setup."""


@dataclass(slots=True)
class IndexBench:
    """One corner on a torsion bar: angles below the level chassis, wheel end down positive."""

    place: Place
    splines: tuple[int, int] | None
    lifts_clockwise: bool
    """Whether the sense that lifts the body is clockwise, seen from outside at this side."""
    arm_length: float
    hub_found: Figure | None
    hub_wanted: Figure | None
    arm_found: Figure | None
    arm_wanted: Figure | None
    free_found: Figure | None
    """Free plate angle before anything is moved: as read, or from load and height as found."""
    free_computed: Figure | None
    """The same from load and height alone."""
    free_wanted: Figure | None
    """As weight, height, arm and bar make it."""
    plate_wanted: Figure | None
    """The same as the level will show it: off by as much as the plate read otherwise than computed."""
    change: Figure | None
    finest_step: float | None
    window: float
    """How far the level may be off, either way, and still show the right pair."""
    rows: list[MoveRow] = field(default_factory=list)
    read: bool = False
    """Whether the plate was read before its splines are moved."""
    read_off: Figure | None = None
    """How far it then showed otherwise than weight, height, arm and bar make it."""
    load: str | None = None
    """The load state under which every height here is meant; `set_so` whether both plates are set for it."""
    set_so: bool = True
    press_off: Figure | None = None
    """Mass whose weight the wound bar presses with at the hub on the plate's ledge, before and after."""
    press_on: Figure | None = None
    bolt: BoltAnswer | None = None
    effect: TurnEffect | None = None
    """One turn of this side's adjuster or bolt, all else left alone."""
    trouble: str | None = None
    notes: list[str] = field(default_factory=list)
    """What the count of splines leaves out."""


def index_bench(
    document: Document, setup: str, place: Place, load_state: str | None = None, count: int = 6
) -> IndexBench | None:
    """The index bench of a corner; nothing where it stands on no torsion bar.

    With a load state the height asked for is meant under that load. The other corners keep what is set for them.

    Raises:
        UnknownSetup: the document has no such setup or load state.
    """
    arm, side = getattr(document.vehicle.ends, place.end).arm, side_of(setup_of(document, setup), place)
    bar = side.spring
    if arm is None or not isinstance(bar, TorsionBarPart):
        return None
    found = evaluate(document, document.setups[0].id).corners[place]
    before = found if load_state is None else evaluate(document, document.setups[0].id, load_state).corners[place]
    asked = evaluate(document, setup).corners[place]
    angles = _free_wanted(document, setup, place, load_state)
    free = angles.get(place)
    wanted = asked.hub_to_arch if load_state is None else _asked(side, asked)
    splines = None if not bar.inner_splines or not bar.outer_splines else (bar.inner_splines, bar.outer_splines)
    if arm.motion == "wishbone":
        splines = None
    base, trouble = _base(document, place, side, found)
    off = _read_off(document, place, side, found)
    made = IndexBench(
        place=place,
        splines=splines,
        lifts_clockwise=lifts_clockwise("left" if place.is_left else "right", _motion(arm.motion)),
        arm_length=arm.length,
        hub_found=before.hub_to_arch,
        hub_wanted=wanted,
        arm_found=before.arm_angle,
        arm_wanted=asked.arm_angle if load_state is None else _arm_at(document, place, wanted),
        free_found=base,
        free_computed=found.free_angle,
        free_wanted=free,
        plate_wanted=_sum(free, off),
        change=_difference(_sum(free, off), base),
        finest_step=None,
        window=LEVEL_WINDOW,
        read=side.plate_read is not None or side_of(document.setups[0], place).free_angle is not None,
        read_off=off,
        load=load_state,
        set_so=_set_so(document, setup, angles),
        press_off=_press(document, found, place, base),
        press_on=_press(document, asked, place, _sum(free, off)),
    )
    if base is None or made.change is None:
        made.trouble = trouble or UNKNOWN
        return made
    per_turn = None if arm.adjuster is None else arm.adjuster.per_turn
    if arm.bolt is not None:
        per_turn = arm.bolt.lead / arm.bolt.lever
        made.bolt = bolt_answer(document, setup, place, made.change, load_state)
    made.effect = turn_effect(document, setup, place, per_turn, load_state)
    if splines is not None:
        with collecting_notes() as notes:
            moves = spline_moves(*splines, float(made.change.value), count=count, arm=_motion(arm.motion))
        made.notes = [str(note) for note in notes]
        made.finest_step, made.window = float(moves.finest_step), float(moves.finest_step) / 2
        made.rows = _rows(document, setup, place, made, moves, load_state, angles.get(place.mirror))
    return made


def _motion(motion: str) -> Literal["trailing", "leading"]:
    return "leading" if motion == "leading" else "trailing"


def _base(
    document: Document, place: Place, side: SideSetup, found: CornerReport
) -> tuple[Figure | None, str | None]:
    """The free plate angle that moves are counted from: as read with this bar in, as read as found, or computed.

    Another bar than the one found carries no mark over: without a reading nothing can be counted.
    """
    if side.plate_read is not None:
        return Figure(side.plate_read, "rad"), None
    was = side_of(document.setups[0], place)
    if not _same_bar(side.spring, was.spring):
        return None, NEW_BAR
    return (found.free_angle if was.free_angle is None else Figure(was.free_angle, "rad")), None


def _read_off(document: Document, place: Place, side: SideSetup, found: CornerReport) -> Figure | None:
    """How far the bar as found read otherwise than weight, height, arm and bar make it.

    Its reading and the angle wanted both hold that error, of the bar's rate or of the edge the level lay on: moves
    are counted from the reading, the change wanted is that of the numbers.
    """
    was = side_of(document.setups[0], place)
    read = side.plate_read if side.plate_read is not None else was.free_angle
    if read is None or found.free_angle is None or not _same_bar(side.spring, was.spring):
        return None
    return _difference(Figure(read, "rad"), found.free_angle)


def _arm_at(document: Document, place: Place, hub: Figure | None) -> Figure | None:
    arm = gather(document).ends[place.end].arm
    angle = None if arm is None or hub is None else arm.angle_at(place, hub.value)
    return None if angle is None or hub is None else Figure(float(angle), "rad", hub.assumed)


def _set_so(document: Document, setup: str, wanted: dict[Place, Figure]) -> bool:
    """Whether the plates of an axle are set as they are wanted."""
    corners = evaluate(document, setup).corners
    now = {p: corners[p].free_angle for p in wanted}
    return all(a is not None and abs(a.value - wanted[p].value) < SET_SO for p, a in now.items())


def _same_bar(one: object, two: object) -> bool:
    """Whether two parts are the same bar, whatever limit is set for it or hand it is marked with."""
    if not isinstance(one, TorsionBarPart) or not isinstance(two, TorsionBarPart):
        return False
    ours = {"code", "most_stress", "handed", "note"}
    return one.model_dump(exclude=ours) == two.model_dump(exclude=ours)


def _difference(one: Figure | None, two: Figure | None) -> Figure | None:
    if one is None or two is None:
        return None
    return Figure(float(one.value) - float(two.value), "rad", one.assumed or two.assumed)


def _sum(one: Figure | None, by: Figure | None) -> Figure | None:
    if one is None or by is None:
        return one
    return Figure(float(one.value) + float(by.value), "rad", one.assumed or by.assumed)


def _press(document: Document, corner: CornerReport, place: Place, free: Figure | None) -> Figure | None:
    """What the bar presses with at the hub, the plate on its ledge, as a mass; nothing where that was not read."""
    arm = getattr(document.vehicle.ends, place.end).arm
    if free is None or arm.ledge is None or corner.angular_rate is None:
        return None
    ledge = arm.ledge - (arm.chassis or 0.0)
    force = float(corner.angular_rate.value) * (float(free.value) - ledge) / (arm.length * cos(ledge))
    return Figure(force / G, "kg", free.assumed) if force > 0 else None


def _free_wanted(document: Document, setup: str, place: Place, load_state: str | None) -> dict[Place, Figure]:
    """Free angles of an axle with which both sides reach the heights asked for; without one that is not known.

    Under a load by Newton's steps on the whole balance: a free angle changes the force at the wheel by
    K/(R·cos a).
    """
    axle = [p for p in document.places if p.end == place.end]
    start = evaluate(document, setup)
    if load_state is None:
        return {p: now for p in axle if (now := start.corners[p].free_angle) is not None}
    document = at_adjusters(document, setup, start)
    sides = {p: side_of(setup_of(document, setup), p) for p in axle}
    wanted = {p: _asked(sides[p], start.corners[p]) for p in axle}
    free = {p: start.corners[p].free_angle for p in axle}
    length = getattr(document.vehicle.ends, place.end).arm.length
    if any(v is None for v in (*wanted.values(), *free.values())):
        return {}
    angles = {p: float(f.value) for p, f in free.items() if f is not None}
    for _ in range(TRIES):
        tried = evaluate_plain(set_free(document, setup, angles), setup, load_state).corners
        worst = 0.0
        for p in axle:
            c, w = tried[p], wanted[p]
            if w is None or None in (c.hub_to_arch, c.wheel_rate, c.arm_angle, c.angular_rate):
                return {}
            assert c.hub_to_arch is not None
            miss = float(w.value) - float(c.hub_to_arch.value)
            angles[p] += miss * _per_height(c, length)
            worst = max(worst, abs(miss))
        if worst < CLOSE:
            break
    return {p: Figure(angle, "rad", bool((first := free[p]) and first.assumed)) for p, angle in angles.items()}


def _asked(side: SideSetup, corner: CornerReport) -> Figure | None:
    """The height asked for in a setup, though its free angle may have been set for it under another load."""
    return corner.hub_to_arch if side.hub_to_arch is None else Figure(side.hub_to_arch, "m")


def _per_height(corner: CornerReport, length: float) -> float:
    """Change of the free angle for one of the height, the load kept, rad/m."""
    rate, angle, stiff = corner.wheel_rate, corner.arm_angle, corner.angular_rate
    if rate is None or angle is None or stiff is None:
        return 0.0
    return float(rate.value * length * cos(angle.value) / stiff.value)


def _rows(
    document: Document,
    setup: str,
    place: Place,
    made: IndexBench,
    moves: SplineMoves,
    load_state: str | None,
    mirror: Figure | None,
) -> list[MoveRow]:
    """The pairs, each with the height it gives where the other side is indexed as well, with the same left over.

    `mirror` is the free angle that the other side wants for its own height under the same load.
    """
    adjuster = getattr(document.vehicle.ends, place.end).arm.adjuster
    arm = _motion(getattr(document.vehicle.ends, place.end).arm.motion)
    side = "left" if place.is_left else "right"
    rows: list[MoveRow] = []
    change, base, wanted = made.change, made.free_found, made.hub_wanted
    if change is None or base is None or wanted is None or made.free_wanted is None:
        return rows
    document = at_adjusters(document, setup, evaluate_plain(document, setup))
    pairs = [(int(c.inner), int(c.outer), float(c.angle), float(c.error)) for c in moves.candidates]
    taken = side_of(setup_of(document, setup), place).index
    n_in, n_out = made.splines or (1, 1)
    for inner, outer in ([] if taken is None else [(taken.inner, taken.outer)]) + [(0, 0)]:
        if (inner, outer) not in [p[:2] for p in pairs]:  # the pair taken stays in sight, whatever is asked now
            turned = (inner / n_in - outer / n_out) * 2 * pi
            pairs.append((inner, outer, turned, turned - float(change.value)))
    for inner, outer, angle, error in pairs:
        free = float(base.value) + angle
        row = MoveRow(inner, outer, free, angle, error, spline_words(inner, outer, side, arm), adjust=-error)
        stood = free - (0.0 if made.read_off is None else float(made.read_off.value))
        both = {place: stood} if mirror is None else {place: stood, place.mirror: float(mirror.value) + error}
        at = evaluate_plain(set_free(document, setup, both), setup, load_state).corners[place]
        if at.hub_to_arch is not None:
            row.height = float(at.hub_to_arch.value)
            row.off = row.height - float(wanted.value)
        row.chosen = taken is not None and (inner, outer) == (taken.inner, taken.outer)
        _judge(row, adjuster)
        same = next((r for r in rows if abs(r.change - row.change) < 1e-9), None)
        if same is not None and row.grade != "stop":
            counted, fewer = abs(inner) + abs(outer), abs(same.inner) + abs(same.outer)
            row.grade, row.says = "note", f"same height, {counted} splines to count, not {fewer}"
        rows.append(row)
    return rows


def _judge(row: MoveRow, adjuster: PlateAdjuster | None) -> None:
    """Whether the adjuster takes up what the splines leave, and the first thing against a pair."""
    if adjuster is not None:
        row.reachable = -adjuster.down <= row.adjust <= adjuster.up
        row.turns = None if adjuster.per_turn is None else row.adjust / adjuster.per_turn
        row.numbers["left"] = Figure(
            (adjuster.up - row.adjust) if row.adjust > 0 else (adjuster.down + row.adjust), "rad"
        )
    if row.off is None:
        row.grade, row.says = "stop", "the arm finds no rest there"
        return
    row.numbers["off"] = Figure(abs(row.off), "m")
    way = "high" if row.off > 0 else "low"
    if abs(row.off) < PAIR_EXACT:
        row.says = "the height wanted"
    elif row.reachable:
        row.grade, row.says = "note", "the adjuster takes the last {off}"
    elif row.reachable is False:
        row.grade, row.says = "stop", f"{{off}} {way}, beyond the adjuster"
    elif abs(row.off) > PAIR_NEAR:
        row.grade, row.says = ("look" if abs(row.off) < 5 * PAIR_NEAR else "stop"), f"stands {{off}} {way}"
    if row.chosen and row.grade in ("look", "stop"):
        row.says = f"your pair no longer fits: {row.says}"
