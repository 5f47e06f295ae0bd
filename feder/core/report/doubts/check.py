"""One check: a number beside the range that vehicles have."""

from collections.abc import Iterator
from dataclasses import dataclass
from math import log

from feder.core.document.base import ENDS, EndName, Place
from feder.core.document.document import Document
from feder.core.document.setup import Setup
from feder.core.numbers.working import rests_on_assumption
from feder.core.practice.plausible import Range
from feder.core.report.shapes import Figure, Grade, Report, Station
from feder.core.standing.facts import Facts

Path = tuple[str | int, ...]
STEP = log(1.5)
"""A number so much beyond its range counts one more."""
SIEVE = 1.3
"""How far out of its range a number may be led by a guess that is still worth trying."""


@dataclass(frozen=True, slots=True)
class Seen:
    """What is looked at: the document, its figures as found, and those of the setup in hand."""

    document: Document
    facts: Facts
    told: Report
    """The figures as found; `report` those of the setup in hand."""
    setup: Setup
    report: Report

    @property
    def kind(self) -> str:
        return self.document.vehicle.kind

    @property
    def is_found(self) -> bool:
        return self.setup.id == self.document.setups[0].id

    @property
    def places(self) -> tuple[Place, ...]:
        return self.facts.places

    def ends(self) -> Iterator[tuple[EndName, tuple[Place, ...]]]:
        for name in ENDS:
            yield name, self.facts.places_at(name)


@dataclass(frozen=True, slots=True)
class Check:
    """A number beside its range. `text` says what is odd, `words` name the number in a line of figures."""

    key: str
    place: str
    station: Station
    value: float
    unit: str
    usual: Range
    words: str
    text: str
    reason: str
    grade: Grade = "look"
    paths: tuple[Path, ...] = ()
    """Where the number itself stands in the document, if it was typed."""
    powers: tuple[tuple[str, float], ...] = ()
    """How it goes with what is typed at its end: with the square root of a rate ("rate", 0.5), say; about, for a sieve."""
    shown: float | None = None
    """What the text tells as {value}, where that is another number than the one compared."""
    shown_unit: str = ""

    @property
    def amount(self) -> float:
        """0 within the range; from 1 on beyond it, one more for each half that it is further out."""
        low, high, value = self.usual.low, self.usual.high, float(self.value)
        if low <= value <= high:
            return 0.0
        if low > 0 and value > 0:
            return min(1 + abs(log(value / (low if value < low else high))) / STEP, 6.0)
        width = (high - low) or 1.0
        return min(1 + (low - value if value < low else value - high) / width * 2, 6.0)

    @property
    def off_middle(self) -> float:
        """0 in the middle of the range, 1 at its edge and beyond: which of two ways to be right is the likelier."""
        low, high, value = self.usual.low, self.usual.high, float(self.value)
        if low > 0 and value > 0:
            low, high, value = log(low), log(high), log(value)
        half = (high - low) / 2 or 1.0
        return min(abs(value - (low + high) / 2) / half, 1.0) ** 2

    def scaled(self, kind: str, factor: float) -> bool:
        """Whether it could come within its range, or near, if what it goes with were so many times as much."""
        power = dict(self.powers).get(kind)
        if power is None or self.value <= 0:
            return True
        made = float(self.value) * factor**power
        return bool(self.usual.low / SIEVE <= made <= self.usual.high * SIEVE)

    def told(self) -> tuple[str, dict[str, Figure]]:
        """Its text and the numbers of it; ratios are told as ratios, shares in per cent."""
        shown, unit = (self.value, self.unit) if self.shown is None else (self.shown, self.shown_unit)
        figures = {
            "value": Figure(float(shown), unit, rests_on_assumption(shown)),
            "low": Figure(self.usual.low, self.usual.unit),
            "high": Figure(self.usual.high, self.usual.unit),
        }
        text = self.text.replace("{of}", self.usual.of)
        if self.usual.unit == "" and not self.usual.share and not unit:
            figures = {f"ratio_{name}": figure for name, figure in figures.items()}
            for name in ("value", "low", "high"):
                text = text.replace(f"{{{name}}}", f"{{ratio_{name}}}")
        return text, {name: figure for name, figure in figures.items() if f"{{{name}}}" in text}


def beside(usual: Range, value: float | None, **more: object) -> Iterator[Check]:
    """A check where the number is known."""
    if value is not None:
        yield Check(value=float(value), unit=usual.unit, usual=usual, **more)  # type: ignore[arg-type]


def value_of(figure: Figure | None) -> float | None:
    return None if figure is None else float(figure.value)


def reading_paths(seen: Seen, place: str, quantity: str) -> tuple[Path, ...]:
    """Where the readings as found of a quantity at a place stand."""
    survey = seen.document.survey
    rows = () if survey is None else survey.readings
    return tuple(
        ("surveys", 0, "readings", i, "value")
        for i, r in enumerate(rows)
        if r.place == place and r.quantity == quantity
    )
