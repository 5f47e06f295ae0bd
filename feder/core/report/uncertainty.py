"""How sure a figure is, and which reading to take again: first-order propagation over the document's own numbers.

Every figure leads back to what the document gives. Each of those has a standard uncertainty: its own, or the
usual one by how it was got. The figure is worked out again with one number moved at a time; squares add.
"""

from collections.abc import Callable
from dataclasses import dataclass, field
from math import pi, sqrt
from typing import Any

from numpy.polynomial.hermite_e import hermegauss

from feder.core.document.changes import BadPatch, patched, put
from feder.core.document.document import BadDocument, Document
from feder.core.numbers.errors import NoFigure
from feder.core.numbers.working import Given, Num, tracing, trail
from feder.core.practice.tolerances import BY_HOW, BY_SOURCE, BY_UNIT, EXACT
from feder.core.practice.usual import ASSUMED_RATIO
from feder.core.report.evaluate import evaluate_plain, evaluate_whole
from feder.core.report.explain import figure_at, figures_of
from feder.core.report.shapes import Report

COUNTS = 1e-5
"""Share of the variance from which a number is moved both ways."""
Then = Callable[[Document], Document]
_RULE = hermegauss(7)
NODES, WEIGHTS = [float(x) for x in _RULE[0]], [float(w) / sqrt(2 * pi) for w in _RULE[1]]
"""Places in standard deviations and weights by which a normal deviate is averaged."""


@dataclass(slots=True)
class Share:
    """One number's part: its label and place, its standard uncertainty, and its share of the figure's variance."""

    label: str
    document_path: str
    unit: str
    value: float
    tolerance: float
    effect: float
    share: float = 0.0


@dataclass(slots=True)
class Uncertainty:
    """Standard uncertainty of a figure, and the shares in it, largest first."""

    value: float
    unit: str
    standard: float
    shares: list[Share] = field(default_factory=list)


@dataclass(frozen=True, slots=True)
class Uncertain:
    """One uncertain number of the document: where it stands, its value, and how far it may be off."""

    label: str
    path: str
    unit: str
    value: float
    tolerance: float
    """Of one reading; of the mean of `count` it is less by their root."""
    count: int = 1


def uncertainty(
    document: Document, setup: str, path: str, load_state: str | None = None, then: Then | None = None
) -> Uncertainty:
    """Standard uncertainty of the figure at `path` of a report, with the share of each number it rests on.

    Each number is moved by its standard uncertainty, both ways where that counts, and the figure worked out again;
    half the difference is its effect. All moved together, the way the figure moves most, say how far it bends.
    Numbers are taken as independent; one part or reading that stands in several setups is
    one number. With `then` the document is changed by it before it is worked out, whatever its numbers are.

    Raises:
        NoFigure: the report has no figure there.
        UnknownSetup: the document has no such setup or load state.
    """
    then = then or _as_it_is
    with tracing():
        whole = evaluate_whole(then(document), setup, load_state)
        figure = figure_at(whole, path)
        leaves = leaves_of(document, whole, evaluate_whole(document, document.setups[0].id))
    plain, middle = document.model_dump(mode="json"), float(figure.value)

    def tried(number: Uncertain, by: float) -> float | None:
        moved = _moved(document, plain, number, by)
        return None if moved is None else _value(then(moved), setup, load_state, path)

    moves, shares = _effects(uncertain_numbers(plain, leaves), middle, tried), []
    for number, effect in moves:
        root = sqrt(number.count)
        of_mean = number.tolerance / root
        shares.append(Share(number.label, number.path, number.unit, number.value, of_mean, abs(effect)))
    total = sum(s.effect**2 for s in shares)
    for share in shares:
        share.share = share.effect**2 / total if total else 0.0
    shares = sorted((s for s in shares if s.share > 1e-6), key=lambda s: -s.share)

    def together(at: float) -> float | None:
        """The figure with every number moved in the direction in which it moves most, by so many deviations."""
        by = {n: at * n.tolerance * effect * sqrt(n.count) / sqrt(total) for n, effect in moves if effect}
        moved = all_moved(document, plain, by)
        return None if moved is None else _value(then(moved), setup, load_state, path)

    return Uncertainty(float(figure.value), figure.unit, _spread(together, sqrt(total)), shares)


def _effects(
    numbers: list[Uncertain], middle: float, tried: Callable[[Uncertain, float], float | None]
) -> list[tuple[Uncertain, float]]:
    """How far each number's deviation moves the figure: moved one way, and those that count both ways."""
    one_way = []
    for number in numbers:
        high = tried(number, number.tolerance)
        one_way.append((number, high, 0.0 if high is None else (high - middle) * sqrt(number.count)))
    total = sum(effect**2 for _, _, effect in one_way)
    found = []
    for number, high, effect in one_way:
        if high is None or effect**2 > COUNTS * total:
            low = tried(number, -number.tolerance)
            if low is None and high is None:
                continue
            root = sqrt(number.count)
            if high is None or low is None:
                effect = (middle - low if low is not None else high - middle) * root  # type: ignore[operator]
            else:
                effect = (high - low) / 2 * root
        found.append((number, effect))
    return found


def _spread(along: Callable[[float], float | None], straight: float) -> float:
    """Standard deviation of a figure whose numbers move together, by Gauss and Hermite's rule: it may bend.

    Where a number cannot stand so, or nothing moves, it is taken as straight.
    """
    if not straight:
        return 0.0
    values = [along(float(x)) for x in NODES]
    known = [v for v in values if v is not None]
    if len(known) < len(values):
        return straight
    mean = sum(w * v for w, v in zip(WEIGHTS, known, strict=True))
    return sqrt(sum(w * (v - mean) ** 2 for w, v in zip(WEIGHTS, known, strict=True)))


def _as_it_is(document: Document) -> Document:
    return document


def _value(document: Document, setup: str, load_state: str | None, path: str) -> float | None:
    try:
        return float(figure_at(evaluate_plain(document, setup, load_state), path).value)
    except NoFigure:
        return None


def leaves_of(document: Document, *reports: Report) -> list[Num]:
    """Every number of the document behind any figure of these reports, each place once.

    A figure's own working names only what it was worked out from: a side that equals the other, or a balance that
    leaves a load as it was, names one of two. What else moves it is found by moving it.
    """
    found: dict[str, Num] = {}
    for report in reports:
        for leaf in trail(*(f.value for f in figures_of(report).values())):
            step = leaf.step
            if isinstance(step, Given) and step.path is not None and step.source not in EXACT:
                found.setdefault(step.path, leaf)
    return list(found.values())


def uncertain_numbers(plain: dict[str, Any], leaves: list[Num]) -> list[Uncertain]:
    """The numbers behind figures that may be off, with how far; one that stands in two setups is told once."""
    made: dict[str, Uncertain] = {}
    for leaf in leaves:
        step = leaf.step
        assert isinstance(step, Given)
        assert step.path is not None
        tolerance, count = _tolerance(plain, leaf, step)
        first = _twins(plain, step.path)[0]
        if step.path.endswith("ratio.points"):
            label = step.label.removesuffix(", number of pairs")
            made[first] = Uncertain(label, step.path, "", 1.0, BY_HOW["sweep"].size)
        elif tolerance > 0 and first not in made:
            made[first] = Uncertain(step.label, step.path, step.unit, float(leaf), tolerance, count)
    return list(made.values())


def _twins(plain: dict[str, Any], path: str) -> list[str]:
    """The places of one number: a part or seat that a setup has from the one as found stands in both."""
    match path.split("."):
        case ["setups", index, "sides", place, member, *rest]:
            part = plain["setups"][int(index)]["sides"][place].get(member)
            same = [
                i
                for i, setup in enumerate(plain["setups"])
                if rest and part is not None and setup["sides"][place].get(member) == part
            ]
            return [".".join(["setups", str(i), "sides", place, member, *rest]) for i in same] or [path]
    return [path]


def _tolerance(plain: dict[str, Any], leaf: Num, step: Given) -> tuple[float, int]:
    """Standard uncertainty of one reading behind a leaf, and of how many readings it is the mean."""
    assert step.path is not None
    holder = _at(plain, step.path.rsplit(".", 1)[0])
    count = 1
    if step.source.startswith("mean of "):
        count = int(step.source.split()[2])
    own = _own_tolerance(holder, step.path.rsplit(".", 1)[1])
    if own is not None:
        return own, count
    how = holder.get("how") if isinstance(holder, dict) else None
    if step.assumed and how != "estimated":
        how = "assumed"
    if float(leaf) == 0 and step.unit == "m":  # nothing is there: no packer, a collar at its datum
        return 0.0, count
    usual = BY_HOW.get(str(how)) or BY_SOURCE.get(step.source) or BY_UNIT.get(step.unit)
    return (0.0 if usual is None else usual.of(float(leaf))), count


def _own_tolerance(holder: Any, member: str) -> float | None:
    """The tolerance that was typed with a number: of the quantity that it is the value of, or of that member."""
    if not isinstance(holder, dict):
        return None
    told = holder.get("tolerance") or holder.get("tolerances", {}).get(member)
    return None if told is None else float(told)


def _at(plain: Any, path: str) -> Any:
    for part in path.split("."):
        if isinstance(plain, list):
            plain = plain[int(part)]
        else:
            plain = plain.get(part) if isinstance(plain, dict) else None
        if plain is None:
            return None
    return plain


def _moved(document: Document, plain: dict[str, Any], number: Uncertain, by: float) -> Document | None:
    """The document with a number moved everywhere it stands; nothing where it cannot stand so."""
    return all_moved(document, plain, {number: by})


def all_moved(document: Document, plain: dict[str, Any], moves: dict[Uncertain, float]) -> Document | None:
    """The document with some numbers moved, each everywhere it stands; nothing where they cannot stand so."""
    changes = []
    for number, by in moves.items():
        for path in _twins(plain, number.path):
            value = _put(plain, path, number, by)
            if value is None:
                return None
            changes.append(put([int(p) if p.isdigit() else p for p in path.split(".")], value))
    try:
        return patched(document, plain, changes)[0]
    except (BadDocument, BadPatch):
        return None


def taken_as(plain: dict[str, Any], number: Uncertain, by: float, standard: float) -> list[tuple[str, Any]]:
    """A number taken over, more by `by`: pairs of place and value, and how sure it now is beside it."""
    made: list[tuple[str, Any]] = []
    for path in _twins(plain, number.path):
        value = _put(plain, path, number, by)
        if value is None:
            continue
        above, member = path.rsplit(".", 1)
        holder, now = _at(plain, above), _at(plain, path)
        if isinstance(now, dict) and now.get("kind") == "assumed":  # written out, it knows how it was got
            value = value | {"how": "fit", "tolerances": {"value": standard}}
        made.append((path, value))
        if isinstance(holder, dict) and "how" in holder:
            made.append((f"{above}.how", "fit"))
        if isinstance(holder, dict) and "tolerance" in holder and member == "value":
            made.append((f"{above}.tolerance", standard))
        elif isinstance(holder, dict) and isinstance(holder.get("tolerances"), dict) and member in holder:
            made.append((f"{above}.tolerances.{member}", standard))
    return made


def _put(plain: dict[str, Any], path: str, number: Uncertain, by: float) -> Any:
    """What stands at a place once its number is moved."""
    now, parts = _at(plain, path), path.split(".")
    if parts[-1] == "points":  # a measured ratio, all of it by one share; of a sweep counted from its first pair
        start = now[0][1] if _at(plain, ".".join(parts[:-1]))["kind"] == "sweep" else 0.0
        return [[x, start + (y - start) * (1 + by)] for x, y in now]
    if isinstance(now, dict) and now.get("kind") == "assumed":  # it has no number of its own: written out, moved
        ratio = ASSUMED_RATIO[_layout(plain, parts)] + by
        return {"kind": "ratio", "value": ratio, "convention": "spring per wheel", "how": "estimated"}
    if now is None:  # a usual value stands in for it
        return number.value + by if isinstance(_at(plain, ".".join(parts[:-1])), dict) else None
    return now + by if isinstance(now, int | float) and not isinstance(now, bool) else None


def _layout(plain: dict[str, Any], parts: list[str]) -> str:
    """The layout of the end that a place stands in, or of what a setup has in its place."""
    replaced = _at(plain, ".".join([*parts[:3], "layout"])) if parts[0] == "setups" else None
    return str(replaced or plain["vehicle"]["ends"][parts[2].removesuffix("_end")]["layout"])
