"""The job card on paper: the same steps, boxes to tick, lines for the torques that their makers name."""

from collections.abc import Iterator
from dataclasses import dataclass
from datetime import date

from feder.core.document.document import Document
from feder.core.document.fitting import Fastener
from feder.core.fitting.card import Card, card_of
from feder.core.fitting.step import Setting, Step
from feder.core.report.shapes import Figure
from feder.core.standing.facts import setup_of
from feder.sheet.paper import TEMPLATES, day_shown, in_words
from feder.units.show import SHOWN_UNIT, figure, unit_shown


@dataclass(frozen=True)
class _Torque:
    kind: str
    value: str


@dataclass(frozen=True)
class _Line:
    """A step as it is printed: once for both sides, where left and right do the same."""

    text: str
    caution: str
    energy: bool
    sides: tuple[list[str], list[str]]
    """What is set: at the left (or the only) side, and at the right."""
    only: str
    """The side it is done at, where the other one has no such step."""
    fasteners: list[str]
    torques: list[_Torque]


@dataclass(frozen=True)
class _Printed:
    words: str
    paired: bool
    steps: list[_Line]


def card_html(document: Document, after: str, before: str | None, system: str, today: date, fonts: str) -> str:
    """The card as a page that prints over as many sheets as it needs.

    Raises:
        UnknownSetup: the document has no such setup.
    """
    card = card_of(document, after, before)
    torque = unit_shown("N*m", system)[0]
    return TEMPLATES.get_template("card.html").render(
        vehicle=document.vehicle,
        before=setup_of(document, card.before).name,
        after=setup_of(document, card.after).name,
        total=sum(len(g.steps) for g in card.groups),
        energy=card.energy,
        read="cautions read" if card.energy else "",
        today=day_shown(today),
        stops=[
            f"{'' if d.place == 'vehicle' else d.place.replace('_', ' ').capitalize() + ': '}{d.part}"
            f"{', ' + d.state if d.state else ''}{', noted ' + d.noted if d.noted else ''}."
            for d in card.damages
            if d.dealt is None
        ],
        groups=list(_printed(card, document, system)),
        unit=SHOWN_UNIT.get(torque, torque),
        lists=_lists(card),
        fonts=fonts,
    )


def _printed(card: Card, document: Document, system: str) -> Iterator[_Printed]:
    """The groups, left and right of an end in one table."""
    for end in ("before", "front", "rear", "ground", "after"):
        steps = [s for g in card.groups if g.id.split("_")[0] == end for s in g.steps]
        if not steps:
            continue
        paired = any(s.hand for s in steps)
        words = next(g.words for g in card.groups if g.id.split("_")[0] == end)
        lines = [
            _line(pair, document, system) for pair in (_pairs(steps) if paired else [(s, None) for s in steps])
        ]
        yield _Printed(end.capitalize() if paired else words, paired, lines)


def _pairs(steps: list[Step]) -> Iterator[tuple[Step, Step | None]]:
    """Each step of the left side with the same of the right one; what one side has alone stands alone."""
    left = [s for s in steps if s.hand != "R"]
    right = {_name(s): s for s in steps if s.hand == "R"}
    for step in left:
        yield step, right.pop(_name(step), None) if step.hand == "L" else None
    yield from ((s, None) for s in right.values())


def _name(step: Step) -> str:
    return step.key.split(".")[1]


def _line(pair: tuple[Step, Step | None], document: Document, system: str) -> _Line:
    step, other = pair
    told: dict[tuple[str, str], Fastener] = {(f.end, f.kind): f for f in document.fasteners}
    torques = []
    for use in (u for u in step.uses if u.done == "tight"):
        row = told.get((use.end, use.kind))
        value = ""
        if row is not None and row.torque is not None:
            value = figure(row.torque, "N*m", system, unit=True, decimals=0)
            value += f" + {figure(row.angle, 'rad', system, decimals=0)}°" if row.angle else ""
        torques.append(_Torque(use.kind, value))
    ride = [f"{u.kind} {u.count}: at ride height" for u in step.uses if u.done == "ride"]
    new = [f"new {u.kind} {u.count}" for u in step.uses if u.new and u.done not in ("out", "slack")]
    mine = [_set(s, system) for s in step.settings]
    theirs = [] if other is None else [_set(s, system) for s in other.settings]
    at_right = step.hand == "R"
    return _Line(
        text=_both(step.text, step, other, system),
        caution=_both(step.caution, step, other, system),
        energy=step.energy or (other is not None and other.energy),
        sides=([], mine) if at_right else (mine, theirs),
        only=step.hand if other is None else "",
        fasteners=[*new, *ride],
        torques=torques,
    )


def _both(text: str, step: Step, other: Step | None, system: str) -> str:
    """A sentence with its numbers; where the right side has others, these after them."""
    if other is None or not step.numbers:
        return in_words(text, step.numbers, system)
    for name in step.numbers:
        mine, theirs = (in_words(f"{{{name}}}", s.numbers, system) for s in (step, other))
        text = text.replace(f"{{{name}}}", mine if mine == theirs else f"{mine} (right {theirs})")
    return text


def _set(setting: Setting, system: str) -> str:
    value = " ".join(w for w in (_shown(setting.value, setting, system, unit=True), setting.text) if w)
    return f"{setting.words}|{value}"


def _shown(value: Figure | None, setting: Setting, system: str, *, unit: bool) -> str:
    if value is None:
        return ""
    turns = value.unit == "turn"
    shown = figure(
        float(value.value),
        value.unit,
        system,
        kind=setting.kind,
        signed=setting.signed,
        unit=unit and not turns,
        decimals=1 if turns else None,
    )
    return ("~" if value.assumed else "") + shown


def _lists(card: Card) -> list[str]:
    fasteners = [
        f"{k.count} × {k.kind}, {k.end}{', new' if k.new else ''}{', ' + k.here if k.here else ''}"
        for k in card.fasteners
    ]
    parts = [
        f"{p.count} × {p.name} {p.code} {p.hand}".rstrip() + (", reused" if p.state == "reused" else "")
        for p in card.parts
    ]
    return [*parts, *fasteners]
