"""The job card: every step from one setup to another, in the order of the work, with its fasteners and parts."""

from collections.abc import Iterator
from dataclasses import dataclass, replace
from hashlib import blake2s

from feder.core.benches.index.bench import index_bench
from feder.core.benches.index.meant import meant_at
from feder.core.document.base import ENDS, Place
from feder.core.document.document import Document
from feder.core.document.fitting import Damage, Fastener, OwnStep
from feder.core.document.setup import Setup, TorsionBarPart
from feder.core.fitting.apart import apart_steps
from feder.core.fitting.before import before_steps
from feder.core.fitting.corner import Corner
from feder.core.fitting.fork import fork_steps
from feder.core.fitting.ground import after_steps, ground_steps
from feder.core.fitting.shock import shock_steps
from feder.core.fitting.step import Step, Use
from feder.core.fitting.strut import unit_steps
from feder.core.fitting.torsion import torsion_steps
from feder.core.report.evaluate import evaluate
from feder.core.standing.facts import setup_of, side_of

BY_LAYOUT = {
    "strut": unit_steps,
    "wishbone": unit_steps,
    "divorced": apart_steps,
    "live axle": apart_steps,
    "torsion arm": torsion_steps,
    "fork": fork_steps,
    "twin shock": shock_steps,
    "linkage": shock_steps,
}
GROUND_WORDS = {"before": "Before lifting", "ground": "On the ground", "after": "After"}
RECKONED = {"m": 4, "rad": 3, "N": -1, "Pa": -3, "turn": 1, "N/m": -1}
"""Decimals to which a setting counts as the same."""


@dataclass(frozen=True, slots=True)
class Group:
    """Steps done in one place, or at one stage."""

    id: str
    words: str
    steps: tuple[Step, ...]


@dataclass(frozen=True, slots=True)
class Kind:
    """One kind of fastener of an end: how many in all, and what the vehicle's table says of it."""

    end: str
    kind: str
    count: int
    new: bool | None
    ride: int
    """Of them tightened at ride height."""
    torqued: bool
    """Whether it is brought to a torque anywhere on the card."""
    torque: float | None
    angle: float | None
    said_by: str
    here: str | None
    tool: str


@dataclass(frozen=True, slots=True)
class Needed:
    """A part that goes in: how often, and of which side."""

    name: str
    code: str
    hand: str
    count: int
    state: str
    places: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class Card:
    """A job card."""

    before: str
    after: str
    """The setups it leads from and to."""
    groups: tuple[Group, ...]
    fasteners: tuple[Kind, ...]
    parts: tuple[Needed, ...]
    damages: tuple[Damage, ...]
    """What was found broken; those not dealt with stand at its head."""
    energy: int
    """Steps with a loaded spring, a wound bar or pressure at hand."""
    hidden: int
    waits: str
    """What is missing before there is a card; empty: nothing."""

    def steps(self) -> Iterator[Step]:
        """All steps in their order."""
        for group in self.groups:
            yield from group.steps


def card_of(document: Document, after: str, before: str | None = None) -> Card:
    """The card from one setup, as found where none is named, to another.

    Raises:
        UnknownSetup: the document has no such setup.
    """
    old, new = setup_of(document, before or document.setups[0].id), setup_of(document, after)
    corners = _corners(document, old, new)
    by_place = {c.place: list(BY_LAYOUT[c.layout](c)) for c in corners}
    lifts = any("wheel:off" in s.acts or _needs_lift(s) for steps in by_place.values() for s in steps)
    uses = [u for steps in by_place.values() for s in steps for u in s.uses]
    lifted = [c.place.words.split(" ")[0] for c in corners if by_place[c.place] and "_" not in c.place]
    ground = list(ground_steps(corners, lifts=lifts, uses=uses))
    all_uses = [*uses, *(u for s in ground for u in s.uses)]
    fresh = sum(k.count for k in _kinds(document, all_uses) if k.new)
    start = list(before_steps(corners, new=fresh, lifts=lifts, lifted=lifted))
    end = list(after_steps(corners, lifts=lifts))
    if not any(by_place.values()) and not any(s.covers for s in (*ground, *end)):
        start, ground, end = [], [], []
    groups = [
        ("before", GROUND_WORDS["before"] if document.vehicle.kind == "car" else "Before", start),
        *_by_group(corners, by_place),
        ("ground", GROUND_WORDS["ground"], ground),
        ("after", GROUND_WORDS["after"], end),
    ]
    made = [Group(i, words, _own(document, i, steps)) for i, words, steps in groups]
    made = [g for g in made if g.steps]
    steps = [s for g in made for s in g.steps]
    survey = document.survey
    return Card(
        before=old.id,
        after=new.id,
        groups=tuple(made),
        fasteners=tuple(_kinds(document, all_uses)),
        parts=tuple(_parts(steps)),
        damages=() if survey is None else survey.damages,
        energy=sum(s.energy for s in steps),
        hidden=sum(s.key in document.card.hidden for i, _, group in groups for s in group),
        waits="" if steps else f"{new.name} wants nothing else than {old.name}",
    )


def _corners(document: Document, old: Setup, new: Setup) -> list[Corner]:
    found, plan = evaluate(document, old.id), evaluate(document, new.id)
    made = []
    for place in document.places:
        bars = isinstance(side_of(new, place).spring, TorsionBarPart)
        bench = index_bench(document, new.id, place, meant_at(document, new.id, place.end)) if bars else None
        made.append(Corner(document, place, old, new, found, plan, bench))
    down = {c.name for c in made if c.layout == "live axle" and c.spring_out and not c.on_leaves}
    return [replace(c, axle_comes_down=c.name in down) for c in made]


def _needs_lift(step: Step) -> bool:
    return any(act.split(":")[0] in ("hold", "out", "slack", "take", "load") for act in step.acts)


def _by_group(corners: list[Corner], steps: dict[Place, list[Step]]) -> Iterator[tuple[str, str, list[Step]]]:
    """A group for each corner or wheel; a live axle's sides are worked in turn, since one beam carries both."""
    for end in ENDS:
        here = [c for c in corners if c.name == end]
        if here[0].layout == "live axle":
            left, right = (steps[c.place] for c in here)
            yield end, f"{end.capitalize()} axle", _in_turn(left, right, end)
        else:
            yield from ((c.place.value, c.place.words.capitalize(), steps[c.place]) for c in here)


def _in_turn(left: list[Step], right: list[Step], group: str) -> list[Step]:
    """Both sides' steps, each of one side followed by the same of the other."""
    names = [_name(s) for s in left]
    made, rest = [], list(right)
    for step in left:
        while rest and _name(rest[0]) not in names:
            made.append(rest.pop(0))
        made.append(step)
        if rest and _name(rest[0]) == _name(step):
            made.append(rest.pop(0))
    return [replace(s, group=group) for s in (*made, *rest)]


def _name(step: Step) -> str:
    return step.key.split(".")[1]


def _own(document: Document, group: str, steps: list[Step]) -> tuple[Step, ...]:
    """The group as the workshop wants it: its own words and steps, without what it hides; each with its mark."""
    words = {w.step: w.words for w in document.card.words}
    made = [
        replace(s, text=words[s.key]) if s.key in words else s for s in steps if s.key not in document.card.hidden
    ]
    for own in (o for o in document.card.own if o.group == group):
        at = next((n + 1 for n, s in enumerate(made) if s.key == own.after), 0 if not own.after else len(made))
        made.insert(at, _own_step(own))
    for place in document.card.places:
        moved = next((s for s in made if s.key == place.step), None)
        if moved is not None and (not place.after or any(s.key == place.after for s in made)):
            made.remove(moved)
            at = next((n + 1 for n, s in enumerate(made) if s.key == place.after), 0)
            made.insert(at, moved)
    return tuple(replace(s, mark=_mark(s)) for s in made)


def _own_step(own: OwnStep) -> Step:
    return Step(f"own.{own.id}", own.group, own.words, own.words[:40], "", own.caution, own=True)


def _mark(step: Step) -> str:
    """A short hash of what the step tells to do: its words and its settings, as finely as a hand sets them."""
    told = [step.text, *(f"{p.name} {p.code} {p.hand}" for p in step.parts)]
    for setting in step.settings:
        value = setting.value
        number = "" if value is None else f"{round(float(value.value), RECKONED.get(value.unit, 4)):g}"
        told.append(f"{setting.words} {number} {setting.text}")
    return blake2s("|".join(told).encode(), digest_size=6).hexdigest()


def _kinds(document: Document, uses: list[Use]) -> Iterator[Kind]:
    """Each kind once, the largest number that any stage of the work touches at a time, over both sides."""
    told: dict[tuple[str, str], Fastener] = {(f.end, f.kind): f for f in document.fasteners}
    counts: dict[tuple[str, str], dict[str, int]] = {}
    for use in uses:
        by = counts.setdefault((use.end, use.kind), {})
        by[use.done] = by.get(use.done, 0) + use.count
    for (end, kind), by in counts.items():
        row = told.get((end, kind))
        ride = by.get("ride", 0)
        yield Kind(
            end=end,
            kind=kind,
            count=max(by.values()),
            new=None if row is None else row.single_use,
            ride=ride,
            torqued=bool(by.get("tight") or ride),
            torque=None if row is None else row.torque,
            angle=None if row is None else row.angle,
            said_by="vehicle's maker" if row is None else row.said_by,
            here=None if row is None else row.here,
            tool="" if row is None else row.tool,
        )


def _parts(steps: list[Step]) -> Iterator[Needed]:
    found: dict[tuple[str, str, str, str], tuple[int, list[str]]] = {}
    for step in steps:
        for part in step.parts:
            key = (part.name, part.code, part.hand, part.state)
            count, places = found.get(key, (0, []))
            found[key] = count + part.count, [*places, step.group]
    for (name, code, hand, state), (count, places) in found.items():
        yield Needed(name, code, hand, count, state, tuple(dict.fromkeys(places)))


def place_of(group: str) -> Place | None:
    """The corner or wheel that a group stands for."""
    return Place(group) if group in {p.value for p in Place} else None
