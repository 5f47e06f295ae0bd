"""What the heights of a set-down vehicle teach about the numbers that foretold them."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from math import erfc, hypot, sqrt

from feder.core.benches.index.adjusters import at_adjusters
from feder.core.benches.settle.causes import Mishap, Ruled, causes
from feder.core.benches.settle.heights import Basis, Read, basis_of, load_aboard, read_in, stands
from feder.core.document.base import Place
from feder.core.document.changes import Change, in_its_place, put
from feder.core.document.document import Document
from feder.core.document.setup import Setup, SpringPart
from feder.core.numbers.working import tracing
from feder.core.practice.tolerances import BY_HOW
from feder.core.report.evaluate import evaluate_plain, evaluate_whole
from feder.core.report.uncertainty import Uncertain, all_moved, leaves_of, taken_as, uncertain_numbers
from feder.core.solvers.posterior import Posterior, posterior

LIKELY = 1.96
"""Deviations within which 95 of 100 readings lie."""
ORDINARY = 0.05
"""Chance below which readings need explaining."""
MOST_CAUSES, WORTH_A_WORD = 5, 0.01
MORE_LIKELY = 0.5
"""Chance of no mistake at all from which none is looked for."""
TOLD = 1.0
"""Deviations by which a number must move before it is offered."""


@dataclass(slots=True)
class Expected:
    """One corner: as expected, between which it could well lie, as read, and as foretold now."""

    place: Place
    expected: float
    low: float
    high: float
    read: float | None
    """Nothing where it was not read yet."""
    then: float
    strange: bool
    """Whether it lies outside of what 19 of 20 readings keep to."""
    chance: float
    """Chance of a reading at least as far off, by itself."""


@dataclass(slots=True)
class Taught:
    """One number that the heights speak of: what was believed of it, what is more likely, and how sure that is."""

    label: str
    unit: str
    before: float
    sure_before: float
    """Standard uncertainty."""
    after: float
    sure_after: float
    moves: bool = True
    """Whether it is moved by more than one of its deviations, and so is offered."""
    patch: list[Change] = field(default_factory=list)
    """What takes it over into the document, with its uncertainty."""


@dataclass(slots=True)
class Learned:
    """What the readings say of the prediction, corner by corner, and what they teach."""

    rows: list[Expected]
    ordinary: bool
    """Whether readings as far off are nothing out of the way: then nothing needs explaining."""
    chance: float
    taught: list[Taught]
    causes: list[Mishap]
    """What could explain readings farther off than chance, most likely first; none where nothing needs it."""
    after_earlier: bool = False
    """Whether what is expected rests on an earlier round of this setup and what was turned since."""
    set_aside: list[Place] = field(default_factory=list)
    """Corners left out of what was learnt."""
    nearest: Taught | None = None
    """The number that the heights move most, where none moves enough to be offered."""
    nothing: float = 1.0
    """How likely it is that there is no mistake at all."""


def learn(
    document: Document,
    setup: str,
    survey: int | None = None,
    stood: Mapping[int, Setup] | None = None,
    shelf: Sequence[SpringPart] = (),
) -> Learned | None:
    """What heights read with a setup on the wheels teach, and what is to be expected of those not read yet.

    Nothing where none can be foretold. Its adjusters stand where the plan put them; every number of the document
    behind its heights is a normal variable about what was told, with its own uncertainty or the usual one, and so
    is every reading. A number is offered where the readings move it by more than one of its deviations; a corner
    that lies outside of what was expected is left out of that. `survey` is the round, by default the newest with
    heights; `stood` says how the setup stood in earlier rounds: what is expected of a later round follows from the
    one before it.

    Raises:
        UnknownSetup: the document has no such setup.
    """
    case = _case(document, setup, survey)
    got, foretold = case.got, case.foretold
    every = [p for p in got if p in foretold.at(())]
    unread = [p for p in document.places if p not in got and p in foretold.at(())]
    earlier = _from_earlier(document, setup, case.at, stood or {}, case.basis, case.load)
    tape = BY_HOW["tape"].size
    guessed = {p: Read(foretold.at(())[p], tape, 0) for p in unread}
    blind = case.posterior(unread, guessed) if unread else None
    ahead = [] if blind is None else _rows(unread, guessed, blind, earlier)
    found = case.posterior(every, got) if every else None
    if found is None:
        return Learned(ahead, True, 1.0, [], [], earlier is not None) if ahead else None
    rows = _rows(every, got, found, earlier)
    ordinary = found.ordinary if earlier is None else _chance_of(rows)
    strange = [r.place for r in rows if r.strange]
    checks = () if case.at is None else document.surveys[case.at].checks
    ruled = Ruled(1.0, [])
    if case.basis != "floor_to_arch" and case.load is None and (checks or ordinary <= ORDINARY or strange):
        cover = found.cover
        if earlier is not None:
            cover = tuple(
                tuple(((r.high - r.low) / (2 * LIKELY)) ** 2 if r is q else 0.0 for q in rows) for r in rows
            )
        expected = {r.place: r.expected for r in rows}
        read = {p: got[p].value for p in every}
        ruled = causes(document, setup, read, expected, cover, checks, shelf, case.at)
    needs = (ordinary <= ORDINARY or bool(checks)) and (not ruled.causes or ruled.nothing < MORE_LIKELY)
    aside: list[Place] = []
    if needs:
        aside = strange or [max(rows, key=_far).place]
        rest = [p for p in every if p not in aside]
        found = (case.posterior(rest, got) if len(rest) >= 2 else None) or found
        if len(rest) < 2 or found.ordinary <= ORDINARY:
            aside = every
    taught = [] if aside == every else _all_taught(case, found)
    offered = [t for t in taught if t.moves]
    why = [c for c in ruled.causes if c.chance >= WORTH_A_WORD][:MOST_CAUSES] if needs else []
    return Learned(
        [*rows, *ahead], not needs, ordinary, offered, why, earlier is not None, aside if aside != every else [],
        None if offered or not taught else taught[0], ruled.nothing,
    )  # fmt: skip


def _far(row: Expected) -> float:
    return abs((row.read or 0.0) - row.expected) / (row.high - row.low)


def _all_taught(case: "_Case", found: Posterior) -> list[Taught]:
    taught = [
        _taught(case.plain, number, z, d, left)
        for number, z, d, left in zip(case.numbers, found.moved, case.deviations, found.deviation, strict=True)
        if z
    ]
    return sorted(taught, key=lambda t: -abs(t.after - t.before) / t.sure_before)


@dataclass(frozen=True)
class _Case:
    """A round of a setup: what was read, and the uncertain numbers behind what was foretold."""

    at: int | None
    basis: Basis
    load: str | None
    got: dict[Place, Read]
    plain: dict[str, object]
    numbers: list[Uncertain]
    deviations: list[float]
    foretold: "_Foretold"

    def posterior(self, places: Sequence[Place], read: Mapping[Place, Read]) -> Posterior | None:
        """What readings at some places say of the numbers."""

        def predict(at: Sequence[float]) -> list[float] | None:
            heights = self.foretold.at(tuple(at) if any(at) else ())
            return None if any(p not in heights for p in places) else [heights[p] for p in places]

        values, scatters = [read[p].value for p in places], [read[p].scatter for p in places]
        return posterior(predict, len(self.numbers), values, scatters)


def _case(document: Document, setup: str, survey: int | None) -> _Case:
    at = survey if survey is not None else _newest(document, setup)
    if at is None or not 0 < at < len(document.surveys) or document.surveys[at].setup != setup:
        at = None
    basis: Basis = "hub_to_arch" if document.vehicle.kind == "car" else "rider_sag"
    got: dict[Place, Read] = {}
    if at is not None:
        basis = basis_of(document, at)
        got = read_in(document, at, basis)
    load = load_aboard(document, at)
    set_so = at_adjusters(document, setup, evaluate_plain(document, setup))
    plain = set_so.model_dump(mode="json")
    with tracing():
        whole = evaluate_whole(set_so, setup, load)
        leaves = leaves_of(set_so, whole, evaluate_whole(set_so, set_so.setups[0].id))
    mine = tuple(f"surveys.{i}." for i in range(1, len(document.surveys)))  # the readings are no belief
    numbers = [n for n in uncertain_numbers(plain, leaves) if not n.path.startswith(mine)]
    deviations = [n.tolerance / sqrt(n.count) for n in numbers]
    foretold = _Foretold(set_so, setup, load, basis, plain, numbers, deviations)
    return _Case(at, basis, load, got, plain, numbers, deviations, foretold)


def _newest(document: Document, setup: str) -> int | None:
    """The newest round of a setup that was read at all, by its heights or by its sags."""
    if document.vehicle.kind == "car":
        return document.survey_index(setup, "hub_to_arch")
    read = [document.survey_index(setup, "rider_lifted"), document.survey_index(setup, "rider_pressed")]
    return max((i for i in read if i is not None), default=None)


class _Foretold:
    """Readings for numbers moved by so many deviations, each asked once."""

    def __init__(
        self,
        document: Document,
        setup: str,
        load: str | None,
        basis: Basis,
        plain: dict[str, object],
        numbers: Sequence[Uncertain],
        deviations: Sequence[float],
    ) -> None:
        self._of = document, setup, load, basis, plain
        self._numbers, self._deviations = numbers, deviations
        self._known: dict[tuple[float, ...], dict[Place, float]] = {}

    def at(self, where: tuple[float, ...]) -> dict[Place, float]:
        """Readings with the numbers so many deviations off; as believed where nothing is told."""
        if where not in self._known:
            document, setup, load, basis, plain = self._of
            moves = {n: z * d for n, z, d in zip(self._numbers, where, self._deviations, strict=False) if z}
            moved = all_moved(document, plain, moves) if moves else document
            self._known[where] = {} if moved is None else stands(moved, setup, basis, load)
        return self._known[where]


def _rows(
    every: Sequence[Place],
    got: Mapping[Place, Read],
    found: Posterior,
    earlier: Mapping[Place, tuple[float, float]] | None,
) -> list[Expected]:
    rows = []
    for place, expected, spread, then in zip(every, found.expected, found.spread, found.then, strict=True):
        if earlier is not None and place in earlier:
            expected, before = earlier[place]
            spread, then = hypot(before, got[place].scatter), expected
        read = got[place].value if got[place].count else expected
        z = (read - expected) / spread
        low, high = expected - LIKELY * spread, expected + LIKELY * spread
        shown = read if got[place].count else None
        rows.append(Expected(place, expected, low, high, shown, then, abs(z) > LIKELY, erfc(abs(z) / sqrt(2))))
    return rows


def _chance_of(rows: Sequence[Expected]) -> float:
    """Chance of readings that far off in all, were each by itself as expected."""
    from scipy.special import gammaincc

    far = sum((_far(r) * 2 * LIKELY) ** 2 for r in rows)
    return float(gammaincc(len(rows) / 2, far / 2))


CHANGE_SURE = 0.1
"""Share by which what a turn does may be off."""


def _from_earlier(
    document: Document, setup: str, survey: int | None, stood: Mapping[int, Setup], basis: Basis, load: str | None
) -> dict[Place, tuple[float, float]] | None:
    """What the round before leads to expect, with what was turned since, and how sure that is; or nothing."""
    if survey is None:
        return None
    before = next(
        (
            i
            for i in reversed(document.rounds_of(setup))
            if 0 < i < survey
            and i in stood
            and not document.surveys[i].set_aside
            and load_aboard(document, i) == load
            and read_in(document, i, basis)
        ),
        None,
    )
    if before is None:
        return None
    was = in_its_place(document, setup, stood[before])
    here, there = (
        stands(at_adjusters(d, setup, evaluate_plain(d, setup)), setup, basis, load) for d in (document, was)
    )
    return {
        p: (r.value + here[p] - there[p], hypot(r.scatter, CHANGE_SURE * (here[p] - there[p])))
        for p, r in read_in(document, before, basis).items()
        if p in here and p in there
    }


def _taught(plain: dict[str, object], number: Uncertain, z: float, deviation: float, left: float) -> Taught:
    """A number as it is more likely, and the changes that take it over."""
    changes = [
        put([int(p) if p.isdigit() else p for p in path.split(".")], value)
        for path, value in taken_as(plain, number, z * deviation, left * deviation)
    ]
    after = number.value * (1 + z * deviation) if number.path.endswith("points") else number.value + z * deviation
    return Taught(
        number.label, number.unit, number.value, deviation, after, left * deviation, abs(z) > TOLD, changes
    )
