"""How one figure of a report came about: its working, first cause first."""

from dataclasses import fields, is_dataclass
from typing import Any

from pydantic import BaseModel

from feder.core.document.base import ENDS
from feder.core.document.document import Document
from feder.core.numbers.errors import NoFigure
from feder.core.numbers.nomenclature import TERMS
from feder.core.numbers.showing import Show, lines_of
from feder.core.numbers.working import Given, Num, Solution, name_of, trail
from feder.core.report.evaluate import evaluate
from feder.core.report.shapes import Figure, Report


def explain(
    document: Document, setup: str, path: str, show: Show | None = None, load_state: str | None = None
) -> list[dict[str, Any]]:
    """Lines of working for the figure at `path` of the report, such as ``corners.front_left.wheel_rate``.

    `show` writes a number with its SI unit in the reader's own units.

    Raises:
        NoFigure: the report has no figure there.
        UnknownSetup: the document has no such setup or load state.
    """
    figure = figure_at(evaluate(document, setup, load_state), path)
    return [line for number in trail(figure.value) for line in _lines(number, show)]


def figure_at(report: BaseModel, path: str) -> Figure:
    """The figure at a dotted path of a report. Raises `NoFigure` when there is none."""
    place: Any = report
    for part in path.split("."):
        if isinstance(place, dict):
            if part not in place:
                raise NoFigure(path)
            place = place[part]
        elif is_dataclass(place) or isinstance(place, BaseModel):
            names = [f.name for f in fields(place)] if is_dataclass(place) else list(type(place).model_fields)
            if part not in names:
                raise NoFigure(path)
            place = getattr(place, part)
        else:
            raise NoFigure(path)
    if not isinstance(place, Figure):
        raise NoFigure(path)
    return place


def _lines(number: Num, show: Show | None) -> list[dict[str, Any]]:
    step = number.step
    name = name_of(number)
    return [
        {
            "name": name,
            "symbol": line.symbol,
            "meaning": TERMS[name][1] if name in TERMS else "",
            "formula": line.formula,
            "substituted": line.substituted,
            "value": float(line.value),
            "unit": line.unit,
            "source": line.source,
            "assumed": step.assumed,
            "given": isinstance(step, Given),
            "solved": isinstance(step, Solution),
            "document_path": step.path if isinstance(step, Given) else None,
        }
        for line in lines_of(number, show)
    ]


def figures_of(report: Report) -> dict[str, Figure]:
    """Every figure of a report by its path."""
    found = {}
    holders: list[tuple[str, object]] = [
        *((f"corners.{p.value}", c) for p, c in report.corners.items()),
        *((f"ends.{e}", report.ends[e]) for e in ENDS),
        ("vehicle", report.vehicle),
        *((f"sags.{p.value}", s) for p, s in report.sags.items()),
        *([] if report.steering is None else [("steering", report.steering)]),
    ]
    for prefix, holder in holders:
        for member in fields(holder):  # type: ignore[arg-type]
            value = getattr(holder, member.name)
            if isinstance(value, Figure):
                found[f"{prefix}.{member.name}"] = value
    return found
