"""What differs between two states of a setup, in the words of the hand that changed it."""

from collections.abc import Callable
from dataclasses import dataclass, field
from typing import Any, Literal

from feder.core.benches.settle.heights import stands
from feder.core.benches.settle.knobs import on_adjusters
from feder.core.document.as_found import filled
from feder.core.document.base import ENDS, EndName, Place
from feder.core.document.changes import in_its_place
from feder.core.document.document import Document
from feder.core.document.setup import BarSetting, Clicks, Setup, SideSetup
from feder.core.report.evaluate import evaluate_plain
from feder.core.report.shapes import CornerReport
from feder.core.standing.facts import places_of, side_of

Group = Literal["parts", "heights", "collars", "clicks", "tyres", "alignment"]
SAME = {"m": 5e-5, "rad": 1e-4, "Pa": 250.0, "": 1e-6}
"""Settings nearer than this are the same."""


@dataclass(slots=True)
class ChangedRow:
    """One thing changed: at an end, left and right beside each other, or of the whole vehicle."""

    words: str
    group: Group
    unit: str = ""
    fine: bool = False
    """Whether a length is shown to a tenth."""
    before: list[float | None] = field(default_factory=list)
    after: list[float | None] = field(default_factory=list)
    """One for both sides, or left and right where they differ."""
    before_text: str = ""
    after_text: str = ""
    lead: float | None = None
    """What one turn moves, where it is set in turns."""


@dataclass(slots=True)
class Effect:
    """What a change was to do to an end: mean hub to arch of its wheels, or its rider sag, m."""

    end: EndName
    height: float


@dataclass(frozen=True, slots=True)
class _Member:
    words: str
    group: Group
    unit: str
    fine: bool = False


NUMBERS: dict[str, _Member] = {
    "stop.length": _Member("bump stop", "parts", "m"),
    "stop.packer": _Member("packer under the bump stop", "parts", "m"),
    "pads": _Member("pads at the seat", "parts", "m", True),
    "body": _Member("damper body", "collars", "m", True),
    "top_mount": _Member("top mount", "parts", "m", True),
    "spacer": _Member("wheel spacer", "parts", "m", True),
    "fork_spacer": _Member("spring spacer", "parts", "m", True),
    "oil_level": _Member("oil level", "parts", "m"),
    "clamp": _Member("tube above the clamp", "heights", "m", True),
    "shock_length": _Member("shock length", "heights", "m", True),
    "tyre_pressure": _Member("tyre pressure", "tyres", "Pa"),
    "camber": _Member("camber wanted", "alignment", "rad"),
    "caster": _Member("caster wanted", "alignment", "rad"),
    "toe": _Member("toe wanted", "alignment", "m", True),
}
CLICKS = {
    "rebound": "rebound",
    "bump": "bump",
    "high_bump": "high-speed bump",
    "both": "rebound and bump",
}
ADJUSTERS: dict[str, _Member] = {
    "collar": _Member("collar", "collars", "m", True),
    "free_angle": _Member("plate", "collars", "rad"),
    "pressure": _Member("spring pressure", "collars", "Pa"),
}
"""Figures of the report that a hand sets, whether height or adjuster was asked for."""


def changed(document: Document, setup: str, before: Setup, after: Setup) -> list[ChangedRow]:
    """What differs between two states of a setup; what follows from heights is told as the adjuster turned.

    `document` holds the setup; both states are put in its place.
    """
    told = [evaluate_plain(in_its_place(document, setup, s), setup).corners for s in (before, after)]
    rows: list[ChangedRow] = []
    for end in ENDS:
        places = places_of(document, end)
        found = document.setups[0]
        sides = [[filled(side_of(s, p), side_of(found, p)) for p in places] for s in (before, after)]
        rows += _parts(end, sides)
        for name, member in ADJUSTERS.items():
            values = [[_figure(t, p, name) for p in places] for t in told]
            if name == "collar" and document.vehicle.kind != "car":
                member = _Member("preload", "collars", "m", True)
            row = _numbers(end, member, values)
            if row is not None:
                seat = sides[1][0].seat
                row.lead = seat.pitch if name == "collar" and seat is not None else None
                rows.append(row)
        for name, member in NUMBERS.items():
            row = _numbers(end, member, [[_member(s, name) for s in state] for state in sides])
            if row is not None:
                rows.append(row)
        rows += _clicks(end, sides)
        rows += _whole(end, before, after)
    return rows


def expected_of(document: Document, setup: str, before: Setup, after: Setup) -> list[Effect]:
    """What the change was to do to the heights of each end; ends of which it is not known are left out."""
    basis: Literal["hub_to_arch", "rider_sag"] = "hub_to_arch" if document.vehicle.kind == "car" else "rider_sag"
    made = []
    states = [stands(on_adjusters(in_its_place(document, setup, s), setup), setup, basis) for s in (before, after)]
    for end in ENDS:
        places = places_of(document, end)
        if all(p in s for s in states for p in places):
            moved = sum(states[1][p] - states[0][p] for p in places) / len(places)
            if abs(moved) > SAME["m"]:
                made.append(Effect(end, moved))
    return made


def _figure(corners: dict[Place, CornerReport], place: Place, name: str) -> float | None:
    figure = getattr(corners[place], name)
    return None if figure is None else float(figure.value)


def _numbers(end: EndName, member: _Member, values: list[list[float | None]]) -> ChangedRow | None:
    before, after = values
    if all(_same(b, a, member.unit) for b, a in zip(before, after, strict=True)):
        return None
    alike = all(_same(state[0], v, member.unit) for state in values for v in state)
    if alike:
        before, after = before[:1], after[:1]
    return ChangedRow(f"{end} {member.words}", member.group, member.unit, member.fine, list(before), list(after))


def _same(one: float | None, two: float | None, unit: str) -> bool:
    if one is None or two is None:
        return one is two
    return abs(one - two) <= SAME[unit]


def _parts(end: EndName, sides: list[list[SideSetup]]) -> list[ChangedRow]:
    rows = []
    for words, of in (("springs", _spring), ("dampers", _damper), ("mode", _mode)):
        rows += _texts(f"{end} {words}", "parts" if words != "mode" else "clicks", sides, of)
    return rows


def _texts(
    words: str, group: Group, sides: list[list[SideSetup]], of: Callable[[SideSetup], str]
) -> list[ChangedRow]:
    before, after = ([of(s) for s in state] for state in sides)
    if before == after:
        return []
    told = [" / ".join(dict.fromkeys(t or "none" for t in state)) for state in (before, after)]
    return [ChangedRow(words, group, before_text=told[0], after_text=told[1])]


def _spring(side: SideSetup) -> str:
    second = "" if side.second_spring is None else f" and {side.second_spring.code}"
    return "" if side.spring is None else side.spring.code + second


def _damper(side: SideSetup) -> str:
    return "" if side.damper is None else side.damper.code


def _member(side: SideSetup, name: str) -> float | None:
    """A member, or one of what a member holds."""
    at: Any = side
    for part in name.split("."):
        at = None if at is None else getattr(at, part)
    return None if at is None else float(at)


def _mode(side: SideSetup) -> str:
    return side.mode or ""


def _clicks(end: EndName, sides: list[list[SideSetup]]) -> list[ChangedRow]:
    rows = []
    for name, words in CLICKS.items():
        states: list[list[Clicks | None]] = [[getattr(s, name) for s in state] for state in sides]
        if states[0] == states[1]:
            continue
        told = next((c for c in (*states[1], *states[0]) if c is not None), None)
        datum = "" if told is None else f" from {'shut' if told.counted_from == 'fully closed' else 'open'}"
        counts = [[None if c is None else float(c.count) for c in state] for state in states]
        row = _numbers(end, _Member(f"{words} clicks{datum}", "clicks", ""), counts)
        if row is not None:
            rows.append(row)
    return rows


def _whole(end: EndName, before: Setup, after: Setup) -> list[ChangedRow]:
    """What stands for the whole end: the bar's hole, and what is replaced of it."""
    rows = []
    bars: list[Any] = [getattr(s, f"{end}_bar") or BarSetting() for s in (before, after)]
    if bars[0] != bars[1]:
        texts = ["off its links" if not b.hooked else (b.hole or "as found") for b in bars]
        rows.append(ChangedRow(f"{end} anti-roll bar", "parts", before_text=texts[0], after_text=texts[1]))
    ends = [getattr(s, f"{end}_end") for s in (before, after)]
    if ends[0] != ends[1]:
        texts = ["as found" if e is None else (e.layout or "replaced in part") for e in ends]
        rows.append(ChangedRow(f"{end} arms and links", "parts", before_text=texts[0], after_text=texts[1]))
    return rows
