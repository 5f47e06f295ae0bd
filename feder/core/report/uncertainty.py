"""How sure a figure is, and which reading to take again: first-order propagation over the document's own numbers.

Every figure leads back to what the document gives. Each of those has a standard uncertainty: its own, or the
usual one by how it was got. The figure is worked out again with one number moved at a time; squares add.
"""

from dataclasses import dataclass, field
from math import sqrt
from typing import Any

from feder.core.document.document import Document
from feder.core.numbers.working import Given, Num, tracing, trail
from feder.core.practice.tolerances import BY_HOW, BY_SOURCE, BY_UNIT, EXACT
from feder.core.practice.usual import ASSUMED_RATIO
from feder.core.report.evaluate import evaluate_plain, evaluate_whole
from feder.core.report.explain import figure_at

STEP = 1e-4
"""Part of its uncertainty by which a number is moved."""


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


def uncertainty(document: Document, setup: str, path: str, load_state: str | None = None) -> Uncertainty:
    """Standard uncertainty of the figure at `path` of a report, with the share of each number it rests on.

    First order: each number is moved by a ten-thousandth of its standard uncertainty. Numbers are taken as
    independent; the two sides' springs are two numbers.

    Raises:
        NoFigure: the report has no figure there.
        UnknownSetup: the document has no such setup or load state.
    """
    with tracing():
        figure = figure_at(evaluate_whole(document, setup, load_state), path)
    plain = document.model_dump(mode="json")
    shares = []
    for leaf in trail(figure.value):
        step = leaf.step
        if not isinstance(step, Given) or step.path is None or step.source in EXACT:
            continue
        tolerance, count = _tolerance(plain, leaf, step)
        if tolerance <= 0:
            continue
        moved = _moved(plain, step.path, tolerance * STEP)
        if moved is None:
            continue
        again = figure_at(evaluate_plain(moved, setup, load_state), path).value
        effect = (float(again) - float(figure.value)) / STEP * sqrt(count)
        shares.append(Share(step.label, step.path, step.unit, float(leaf), tolerance / sqrt(count), abs(effect)))
    total = sum(s.effect**2 for s in shares)
    for share in shares:
        share.share = share.effect**2 / total if total else 0.0
    shares = sorted((s for s in shares if s.share > 1e-6), key=lambda s: -s.share)
    return Uncertainty(float(figure.value), figure.unit, sqrt(total), shares)


def _tolerance(plain: dict[str, Any], leaf: Num, step: Given) -> tuple[float, int]:
    """Standard uncertainty of one reading behind a leaf, and of how many readings it is the mean."""
    assert step.path is not None
    holder = _at(plain, step.path.rsplit(".", 1)[0])
    count = 1
    if step.source.startswith("mean of "):
        count = int(step.source.split()[2])
    if isinstance(holder, dict) and isinstance(holder.get("tolerance"), int | float):
        return float(holder["tolerance"]), count
    how = holder.get("how") if isinstance(holder, dict) else None
    if step.assumed and how != "estimated":
        how = "assumed"
    usual = BY_HOW.get(str(how)) or BY_SOURCE.get(step.source) or BY_UNIT.get(step.unit)
    return (0.0 if usual is None else usual.of(float(leaf))), count


def _at(plain: Any, path: str) -> Any:
    for part in path.split("."):
        if isinstance(plain, list):
            plain = plain[int(part)]
        else:
            plain = plain.get(part) if isinstance(plain, dict) else None
        if plain is None:
            return None
    return plain


def _moved(plain: dict[str, Any], path: str, by: float) -> Document | None:
    """The document with the number at a path moved; nothing where no plain number stands there."""
    parts = path.split(".")
    copy: dict[str, Any] = dict(plain)
    node: Any = copy
    for part in parts[:-1]:
        key: Any = int(part) if isinstance(node, list) else part
        child = node[key]
        child = list(child) if isinstance(child, list) else dict(child) if isinstance(child, dict) else child
        node[key] = child
        node = child
    last: Any = int(parts[-1]) if isinstance(node, list) else parts[-1]
    if not isinstance(node, dict | list):
        return None
    value = node[last]
    if isinstance(value, dict) and value.get("kind") == "assumed":
        return _assumed_moved(copy, node, last, parts, by)
    if not isinstance(value, int | float) or isinstance(value, bool):
        return None
    node[last] = value + by
    return Document.model_validate(copy)


def _assumed_moved(copy: dict[str, Any], node: Any, last: Any, parts: list[str], by: float) -> Document:
    """An assumed motion ratio has no number of its own: it is written out, moved."""
    layout = copy["vehicle"]["ends"][parts[2]]["layout"]
    node[last] = {
        "kind": "ratio",
        "value": ASSUMED_RATIO[layout] + by,
        "convention": "spring per wheel",
        "how": "estimated",
    }
    return Document.model_validate(copy)
