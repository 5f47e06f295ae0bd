"""Numbers that know where they came from, without writing a formula twice.

A function marked ``@formula`` is ordinary Python and the only statement of its formula. Inside
``tracing()`` its result is a `Num`: a float that knows the step it came from. Text is made later, and only
when asked for (`feder.core.numbers.showing`). What the document gives enters as a `Num` too (`given`), so every
number leads back to a document path or a sourced constant, and an assumed input marks every result that
rests on it.
"""

import ast
import inspect
import math
import textwrap
from collections.abc import Callable, Iterator, Mapping
from contextlib import contextmanager
from contextvars import ContextVar
from dataclasses import dataclass
from functools import cached_property, wraps
from typing import Any, ParamSpec, TypeVar, cast, get_type_hints

from feder.core.numbers.errors import OutOfRange
from feder.core.numbers.nomenclature import symbol as symbol_of
from feder.core.numbers.quantities import Not, Range, Unit, bounds_of

P = ParamSpec("P")
R = TypeVar("R")

FORMULAS: dict[str, "Formula"] = {}
_tracing: ContextVar[bool] = ContextVar("feder_tracing", default=False)


@dataclass(slots=True)
class Given:
    """A leaf: a number from the document, or a sourced constant. `place` is where it stands, told by its text."""

    label: str
    unit: str
    place: object | None
    source: str
    assumed: bool = False

    @property
    def path(self) -> str | None:
        """The way to it in the document; nothing for a constant."""
        return None if self.place is None else str(self.place)


@dataclass(slots=True)
class Step:
    """One evaluation of a formula."""

    formula: "Formula"
    inputs: Mapping[str, Any]
    assumed: bool


@dataclass(slots=True)
class Solution:
    """A number found by a solver: the equation it satisfies, what went in, and how closely it holds."""

    name: str
    unit: str
    equation: str
    inputs: Mapping[str, float]
    residual: float
    residual_unit: str
    source: str
    assumed: bool


@dataclass(slots=True)
class Combined:
    """Plain arithmetic outside a formula: what was done, with what, and the unit that makes."""

    name: str
    sign: str
    inputs: Mapping[str, float]
    unit: str
    assumed: bool


class Num(float):
    """A float that holds the step it came from.

    Plain arithmetic with it is recorded while tracing, so that neither way nor mark is lost; a formula's own
    arithmetic is not, for it gets plain floats. ``float(number)`` says that nobody will ask.
    """

    __slots__ = ("step",)
    step: "Given | Step | Solution | Combined"

    def __add__(self, other: float) -> float:
        return _combined("sum", "+", float.__add__(self, other), self, other)

    def __radd__(self, other: float) -> float:
        return _combined("sum", "+", float.__radd__(self, other), other, self)

    def __sub__(self, other: float) -> float:
        return _combined("difference", "−", float.__sub__(self, other), self, other)

    def __rsub__(self, other: float) -> float:
        return _combined("difference", "−", float.__rsub__(self, other), other, self)

    def __mul__(self, other: float) -> float:
        return _combined("product", "·", float.__mul__(self, other), self, other)

    def __rmul__(self, other: float) -> float:
        return _combined("product", "·", float.__rmul__(self, other), other, self)

    def __truediv__(self, other: float) -> float:
        return _combined("quotient", "/", float.__truediv__(self, other), self, other)

    def __rtruediv__(self, other: float) -> float:
        return _combined("quotient", "/", float.__rtruediv__(self, other), other, self)

    def __neg__(self) -> float:
        return _combined("opposite", "−", float.__neg__(self), self)

    def __abs__(self) -> float:
        return _combined("size", "|…|", float.__abs__(self), self)

    def __pow__(self, power: float, _: None = None) -> float:
        if _tracing.get():
            raise TypeError(f"a power outside a formula is told by no working: {name_of(self)}")
        return float(float(self) ** power)


def _combined(name: str, sign: str, value: float, *operands: float) -> float:
    if value is NotImplemented or not _tracing.get():
        return value
    units = [unit_of(v) for v in operands if isinstance(v, Num)]
    unit = units[0]
    if len(units) == 2 and name in ("product", "quotient"):
        unit = "" if units[0] == units[1] and sign == "/" else sign.join(u or "1" for u in units)
    inputs = dict(zip("ab", operands, strict=False))
    return number(value, Combined(name, sign, inputs, unit, any(rests_on_assumption(v) for v in operands)))


def unit_of(value: object) -> str:
    """The unit that a traced number carries ("" for a plain float)."""
    if not isinstance(value, Num):
        return ""
    step = value.step
    return step.formula.units.get("return", "") if isinstance(step, Step) else step.unit


def name_of(value: object) -> str:
    """What a traced number is called: its label, or its name in the nomenclature."""
    if not isinstance(value, Num):
        return f"{value:g}" if isinstance(value, float | int) else str(value)
    match value.step:
        case Given(label=label):
            return label
        case Step(formula=formula):
            return formula.result
        case Solution(name=name) | Combined(name=name):
            return name


def number(value: float, step: Given | Step | Solution | Combined) -> Num:
    """A number with its step."""
    made = Num(value)
    made.step = step
    return made


def rests_on_assumption(value: object) -> bool:
    """Whether a number carries the mark of an assumed or estimated input."""
    return isinstance(value, Num) and value.step.assumed


def given(
    value: float, label: str, unit: str, *, place: object | None = None, source: str, assumed: bool = False
) -> float:
    """A number that enters from outside, with where it stands (a place in the document) and how it was got."""
    if not _tracing.get():
        return value
    made = Num(value)
    made.step = Given(label, unit, place, source, assumed)
    return made


def solved(
    value: float,
    name: str,
    unit: str,
    *,
    equation: str,
    inputs: Mapping[str, float],
    residual: float = 0.0,
    residual_unit: str = "N",
    source: str,
) -> float:
    """A number that a solver found, as a step of its own."""
    if not _tracing.get():
        return value
    assumed = any(rests_on_assumption(v) for v in inputs.values())
    return number(value, Solution(name, unit, equation, inputs, residual, residual_unit, source, assumed))


@contextmanager
def tracing() -> Iterator[None]:
    """Within this context results of formulas carry their steps."""
    token = _tracing.set(True)
    try:
        yield
    finally:
        _tracing.reset(token)


def is_tracing() -> bool:
    """Whether results carry their steps here: what only the working needs can be left out otherwise."""
    return _tracing.get()


@contextmanager
def untraced() -> Iterator[None]:
    """Within this context results are plain floats again: for scales and searches nobody asks about."""
    token = _tracing.set(False)
    try:
        yield
    finally:
        _tracing.reset(token)


def annotations_of(function: Callable[..., Any]) -> dict[str, tuple[Any, ...]]:
    """The metadata (unit, ranges) of each parameter and of the return, empty where there is none."""
    hints = get_type_hints(function, include_extras=True)
    return {name: metadata(hint) for name, hint in hints.items()}


def metadata(hint: Any) -> tuple[Any, ...]:
    """The metadata of an annotated type, also inside ``X | None``."""
    if found := getattr(hint, "__metadata__", ()):
        return tuple(found)
    return tuple(m for part in getattr(hint, "__args__", ()) for m in getattr(part, "__metadata__", ()))


class _Ranges:
    """The ranges of a signature: closed bounds for the quick test, and the rules to word a refusal."""

    def __init__(self, function: Callable[..., Any]) -> None:
        notes = annotations_of(function)
        self.names = tuple(inspect.signature(function).parameters)
        self.rules = {n: tuple(m for m in notes.get(n, ()) if isinstance(m, Range)) for n in self.names}
        self.bounds = tuple(bounds_of(self.rules[n]) for n in self.names)
        self.never = tuple(
            (i, m.limit) for i, n in enumerate(self.names) for m in self.rules[n] if isinstance(m, Not)
        )

    def check(self, args: tuple[Any, ...], kwargs: Mapping[str, Any]) -> None:
        for value, (low, high) in zip(args, self.bounds):  # noqa: B905 - the live path; Python counts arguments
            if value is not None and not low <= value <= high:
                self.refuse(args, kwargs)
        for i, limit in self.never:
            if i >= len(args) or args[i] == limit:
                self.refuse(args, kwargs)
        if kwargs:
            self.refuse(args, kwargs)

    def refuse(self, args: tuple[Any, ...], kwargs: Mapping[str, Any]) -> None:
        """Raise for the first argument that breaks a rule; return when none does."""
        for name, value in (*zip(self.names, args, strict=False), *kwargs.items()):
            if not isinstance(value, float | int):
                continue
            if not math.isfinite(value):
                raise OutOfRange(name, value, "must be a finite number")
            for rule in self.rules.get(name, ()):
                if not rule.holds(value):
                    raise OutOfRange(name, value, rule.rule)


def checked(function: Callable[P, R]) -> Callable[P, R]:
    """Refuse arguments outside the ranges that the signature states (`OutOfRange`)."""
    ranges: list[_Ranges] = []

    @wraps(function)
    def guarded(*args: P.args, **kwargs: P.kwargs) -> R:
        if not ranges:
            ranges.append(_Ranges(function))
        ranges[0].refuse(args, kwargs)
        return function(*args, **kwargs)

    return guarded


@dataclass(frozen=True)
class Formula:
    """What is known of a formula apart from its arithmetic."""

    function: Callable[..., float]
    result: str
    source: str

    @property
    def name(self) -> str:
        return self.function.__name__

    @property
    def symbol(self) -> str:
        return symbol_of(self.result)

    @cached_property
    def units(self) -> dict[str, str]:
        return {
            name: unit.text
            for name, found in annotations_of(self.function).items()
            for unit in found
            if isinstance(unit, Unit)
        }

    @cached_property
    def body(self) -> list[ast.stmt]:
        definition = ast.parse(textwrap.dedent(inspect.getsource(self.function))).body[0]
        assert isinstance(definition, ast.FunctionDef)
        return definition.body

    @cached_property
    def defaults(self) -> dict[str, Any]:
        parameters = inspect.signature(self.function).parameters.values()
        return {p.name: p.default for p in parameters if p.default is not p.empty}


def formula(*, result: str, source: str) -> Callable[[Callable[P, float]], Callable[P, float]]:
    """Mark a pure, loop-free function of floats as a formula whose working can be shown.

    `result` is the name of what comes out (its symbol is in the nomenclature), `source` where it is from.
    """

    def mark(function: Callable[P, float]) -> Callable[P, float]:
        record = Formula(function, result, source)
        FORMULAS[f"{function.__module__}.{function.__name__}"] = record
        names = tuple(inspect.signature(function).parameters)
        ranges = _Ranges(function)
        check, count, arithmetic = ranges.check, len(names), cast(Callable[..., float], function)

        @wraps(function)
        def evaluate(*args: P.args, **kwargs: P.kwargs) -> float:
            check(args, kwargs)
            if not _tracing.get():
                return function(*args, **kwargs)
            assumed = False
            plain: list[Any] = []
            for v in args:
                if type(v) is Num:
                    assumed = assumed or v.step.assumed
                    plain.append(v.real)  # inside the formula it is a plain float
                else:
                    plain.append(v)
            inputs: dict[str, Any] = dict(zip(names, args))  # noqa: B905 - as above
            if len(args) == count:
                value = arithmetic(*plain)
            else:
                value = arithmetic(*plain, **{k: _plain(v) for k, v in kwargs.items()})
                assumed = assumed or any(rests_on_assumption(v) for v in kwargs.values())
                inputs = {**record.defaults, **inputs, **kwargs}
            made = Num(value)
            made.step = Step(record, inputs, assumed)
            return made

        evaluate.__dict__["formula"] = record
        return evaluate

    return mark


def _plain(value: Any) -> Any:
    """A number without its step, for the arithmetic inside a formula."""
    return float(value) if type(value) is Num else value


def trail(*values: object) -> list[Num]:
    """Every number that led to these, first cause first, the given ones included, each once."""
    seen: set[int] = set()
    led: list[Num] = []

    def visit(value: object) -> None:
        if not isinstance(value, Num) or id(value.step) in seen:
            return
        seen.add(id(value.step))
        if not isinstance(value.step, Given):
            for number in value.step.inputs.values():
                visit(number)
        led.append(value)

    for value in values:
        visit(value)
    return led
