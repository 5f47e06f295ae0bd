"""Two setups side by side: every figure that differs, and which change did how much of it."""

from collections.abc import Callable
from dataclasses import dataclass, field

from feder.core.document.base import ENDS, EndName, Place
from feder.core.document.changes import sides_changed
from feder.core.document.conversion import EndChange
from feder.core.document.document import Document
from feder.core.document.setup import Setup
from feder.core.numbers.errors import NoFigure
from feder.core.report.evaluate import evaluate, evaluate_plain
from feder.core.report.explain import figures_of
from feder.core.report.shapes import Figure
from feder.core.standing.facts import setup_of, side_of

GROUPS: dict[str, tuple[str, ...]] = {
    "springs": ("spring", "second_spring"),
    "coils beside": ("beside",),
    "heights and collars": (
        *("set_by", "hub_to_arch", "collar", "preload", "pressure", "seat", "rider_sag"),
        *("free_angle", "plate_read", "index", "plate_set"),
    ),
    "bump stops": ("stop",),
    "dampers": ("damper", "curve_left"),
    "damper length": ("body",),
    "top mounts": ("top_mount",),
    "pads at the seat": ("pads", "stack"),
    "wheel spacers": ("spacer",),
    "clicks and modes": ("rebound", "bump", "high_bump", "both", "mode"),
    "fork spacers and oil": ("fork_spacer", "oil_level", "oil_quantity", "oil_grade"),
    "fork height and shock length": ("clamp", "shock_length"),
    "tyre pressures": ("tyre_pressure",),
    "wheel alignment": ("camber", "caster", "toe", "within"),
}
"""Settings that are changed together when the cause of a difference is looked for, each end apart."""
ARMS = "arms and mounts"
END_GROUPS: dict[str, tuple[str, ...]] = {
    ARMS: ("layout", "spring", "damper", "limits", "spring_base", "friction", "bump_stop"),
    "tyres": ("tyre",),
    "track": ("track",),
    "unsprung mass": ("unsprung_mass",),
    "anti-roll bar fitted": ("bar", "link_length"),
    "ball joints": ("joint_spacer", "roll_centre"),
}
"""Parts of an end that a setup replaces, changed together likewise."""
LEAST = 1e-9
TRIAL = "trial-of-one-change"
TOGETHER = 0.05
"""How far, of their joint effect, two single effects may miss it and still be told apart."""


@dataclass(slots=True)
class Difference:
    """One figure in both setups. `path` leads to it in either report."""

    path: str
    unit: str
    first: Figure | None
    second: Figure | None


@dataclass(slots=True)
class Cause:
    """One change between the setups, alone: how far it moves the figure asked about."""

    words: str
    effect: float


@dataclass(slots=True)
class Comparison:
    differences: list[Difference] = field(default_factory=list)
    largest: str | None = None
    """Path of the figure that differs most, relative to its size, among those that a tuner judges by."""
    causes: list[Cause] = field(default_factory=list)


JUDGED = ("frequency", "wheel_rate", "hub_to_arch", "bump_travel", "stop", "damping_ratio", "mass")
"""Corner figures among which the largest difference is looked for."""


def compare(document: Document, first: str, second: str, about: str | None = None) -> Comparison:
    """Every figure of two setups, and what caused the difference of one: the one asked about, or the largest.

    One group of settings at a time is taken over from the second setup into the first. The effects need not add
    up where changes lean on one another.

    Raises:
        UnknownSetup: the document has no such setup.
        NoFigure: `about` is no figure of both.
    """
    a, b = evaluate(document, first), evaluate(document, second)
    one, two = figures_of(a), figures_of(b)
    for measured in [p for p in {**one, **two} if p.endswith(".hub_measured")]:
        # what was measured is laid beside what the other setup only predicts
        predicted = measured.replace("hub_measured", "hub_to_arch")
        for figures in (one, two):
            if measured not in figures and predicted in figures:
                figures[measured] = figures[predicted]
    rows = [
        Difference(path, (one.get(path) or two[path]).unit, one.get(path), two.get(path))
        for path in {**one, **two}
    ]
    path = about or largest(rows)
    made = Comparison(rows, path)
    if path is not None:
        if path not in one or path not in two:
            raise NoFigure(path, "about")
        made.causes = causes_of(document, first, second, path)
    return made


def largest(rows: list[Difference]) -> str | None:
    """The corner figure that changed most against its own size."""
    best, most = None, LEAST
    for row in rows:
        group, _, name = row.path.split(".") if row.path.count(".") == 2 else ("", "", "")
        if group != "corners" or name not in JUDGED or row.first is None or row.second is None:
            continue
        was, now = row.first.value, row.second.value
        size = max(abs(was), abs(now), LEAST)
        if abs(now - was) / size > most:
            best, most = row.path, abs(now - was) / size
    return best


def causes_of(document: Document, first: str, second: str, path: str) -> list[Cause]:
    """What each change between two setups alone does to one figure, the largest first.

    Raises:
        UnknownSetup: the document has no such setup.
    """
    base, other = setup_of(document, first), setup_of(document, second)

    def value(tried: Setup) -> float | None:
        # beside the others: the first setup of a document is measured, and to change it would change the facts
        setups = (*document.setups, tried.but(id=TRIAL))
        found = figures_of(evaluate_plain(document.but(setups=setups), TRIAL)).get(path)
        return None if found is None else float(found.value)

    start = value(base)

    def effect(changed: Setup) -> float:
        now = value(changed)
        return 0.0 if now is None or start is None else now - start

    causes = [Cause(words, effect(changed)) for words, changed in _single_changes(document, base, other)]
    for end in ENDS:
        causes = _joined(document, base, other, end, causes, effect)
    return sorted((c for c in causes if abs(c.effect) > LEAST), key=lambda c: -abs(c.effect))


def _joined(
    document: Document,
    base: Setup,
    other: Setup,
    end: EndName,
    causes: list[Cause],
    effect: Callable[[Setup], float],
) -> list[Cause]:
    """Springs and heights of an end as one cause where they only work together, as on a fixed perch.

    Where the arms and mounts are others too, the springs stand in them: they are one cause with them.
    """
    places = [p for p in document.places if p.end == end]
    together = _taken(base, other, places, (*GROUPS["springs"], *GROUPS["heights and collars"]))
    apart, words = [f"{end} springs", f"{end} heights and collars"], f"{end} springs at their heights"
    if _end_taken(base, other, end, END_GROUPS[ARMS]) != base:
        members = (
            *GROUPS["springs"],
            *GROUPS["heights and collars"],
            *GROUPS["dampers"],
            *GROUPS["pads at the seat"],
        )
        together = _end_taken(_taken(base, other, places, members), other, end, END_GROUPS[ARMS])
        apart += [f"{end} dampers", f"{end} pads at the seat", f"{end} {ARMS}"]
        words = f"{end} arms and mounts with their springs and dampers"
    ones, whole = [c for c in causes if c.words in apart], effect(together)
    if abs(whole - sum(c.effect for c in ones)) <= TOGETHER * abs(whole):
        return causes
    return [*(c for c in causes if c not in ones), Cause(words, whole)]


def _end_taken(base: Setup, other: Setup, end: EndName, members: tuple[str, ...]) -> Setup:
    """The first setup with some of what the second one replaces of an end."""
    name = f"{end}_end"
    mine, theirs = (getattr(s, name) or EndChange() for s in (base, other))
    changed = mine.but(**{m: getattr(theirs, m) for m in members})
    return base if changed == mine else base.but(**{name: None if changed == EndChange() else changed})


def changes_between(document: Document, first: str, second: str) -> list[str]:
    """What differs between two setups, in the words under which its effect is told.

    Raises:
        UnknownSetup: the document has no such setup.
    """
    return [words for words, _ in _single_changes(document, setup_of(document, first), setup_of(document, second))]


def _single_changes(document: Document, base: Setup, other: Setup) -> list[tuple[str, Setup]]:
    """The first setup with one group of settings at a time from the second; only what differs."""
    made = []
    for end in ENDS:
        places = [p for p in document.places if p.end == end]
        for words, members in GROUPS.items():
            changed = _taken(base, other, places, members)
            if changed != base:
                made.append((f"{end} {words}", changed))
        for words, members in END_GROUPS.items():
            replaced = _end_taken(base, other, end, members)
            if replaced != base:
                made.append((f"{end} {words}", replaced))
        name = f"{end}_bar"
        if getattr(base, name) != getattr(other, name):
            made.append((f"{end} anti-roll bar", base.but(**{name: getattr(other, name)})))
    return made


def _taken(base: Setup, other: Setup, places: list[Place], members: tuple[str, ...]) -> Setup:
    taken = {p: {m: getattr(side_of(other, p), m) for m in members} for p in places}
    return sides_changed(base, taken)
