"""Read the inputs of one call: numbers with units, lists, rows, flags and choices, each refused by its key."""

from collections.abc import Iterator, Mapping, Sequence
from typing import Any

from feder.calc.entries import Entry, Parameter
from feder.calc.refusal import CalcError
from feder.core.numbers.working import given
from feder.units.parse import Unreadable, parse
from feder.units.table import BY_SI

LARGEST, SMALLEST = 1e12, 1e-12
"""Sizes, in SI, beyond which no input of a vehicle lies; they also keep every formula finite."""
LONGEST_LIST = 10_000
ANY = "any"
"""Unit of an input that may be of any one dimension, the same for all such inputs of a call."""


def inputs_of(entry: Entry, raw: Mapping[str, object], notes: list[str]) -> Iterator[tuple[str, Any]]:
    """Every input of a call by key: as given, or its default. Raises `CalcError` at the first that is refused."""
    for key in raw:
        if key not in entry.parameters:
            raise CalcError(key, f"is not an input of {entry.name}; it takes {', '.join(entry.parameters)}")
    any_unit: str | None = None
    for parameter in entry.parameters.values():
        if parameter.unit == ANY and parameter.name in raw:
            any_unit = any_unit or _unit_of(parameter.name, raw[parameter.name])
            yield parameter.name, _number(parameter.name, raw[parameter.name], any_unit, notes)
        elif parameter.name in raw:
            yield parameter.name, _read(parameter, raw[parameter.name], notes)
        elif parameter.required:
            unit = f" ({parameter.units})" if parameter.units else ""
            raise CalcError(parameter.name, f"is missing; {entry.name} needs it{unit}")
        elif parameter.default is not None:
            yield parameter.name, _default(parameter)


def _unit_of(key: str, raw: object) -> str:
    """The SI unit of the dimension in which a number is written; a bare one has none."""
    text = raw if isinstance(raw, str) else repr(raw)
    refused = ""
    for si in BY_SI:
        try:
            if parse(text, si).value or not si:
                return si
        except (Unreadable, OverflowError) as error:
            refused = refused or str(error)
    raise CalcError(key, refused or "must be a number, or a number with its unit as text")


def _default(parameter: Parameter) -> Any:
    if parameter.kind != "number":
        return parameter.default
    assert parameter.default is not None
    return given(float(parameter.default), parameter.name, parameter.unit, source="default")


def _read(parameter: Parameter, raw: object, notes: list[str]) -> Any:
    match parameter.kind:
        case "number":
            return _number(parameter.name, raw, parameter.unit, notes)
        case "integer":
            return _integer(parameter, raw, notes)
        case "flag":
            return _flag(parameter.name, raw)
        case "choice":
            if raw not in parameter.choices:
                raise CalcError(parameter.name, f"must be one of {', '.join(parameter.choices)}")
            return raw
        case "reading":
            if not isinstance(raw, list | tuple):
                number = _number(parameter.name, raw, parameter.unit, notes)
                _hold(parameter, [number])
                return number
            return _numbers(parameter, raw, notes)
        case "list":
            return _numbers(parameter, raw, notes)
        case "rows":
            return _rows(parameter, raw, notes)


def _number(key: str, raw: object, unit: str, notes: list[str], label: str | None = None) -> float:
    if isinstance(raw, bool) or not isinstance(raw, int | float | str):
        raise CalcError(key, "must be a number, or a number with its unit as text")
    try:
        read = parse(raw if isinstance(raw, str) else repr(float(raw)), unit)
    except (Unreadable, OverflowError) as error:
        raise CalcError(key, str(error)) from None
    if abs(read.value) > LARGEST or 0 < abs(read.value) < SMALLEST:
        raise CalcError(key, f"{read.value:.3g} {unit}".rstrip() + " is beyond any vehicle")
    if read.note:
        notes.append(f"{key}: {read.note}")
    return given(read.value, label or key, unit, source="as given")


def _integer(parameter: Parameter, raw: object, notes: list[str]) -> int:
    value = float(_number(parameter.name, raw, parameter.unit, notes))
    if value != int(value):
        raise CalcError(parameter.name, "must be a whole number")
    return int(value)


def _flag(key: str, raw: object) -> bool:
    if isinstance(raw, str):
        raw = {"true": True, "1": True, "yes": True, "false": False, "0": False, "no": False}.get(raw.lower())
    if isinstance(raw, int | float) and raw in (0, 1):
        return bool(raw)
    raise CalcError(key, "must be true or false")


def _list(parameter: Parameter, raw: object) -> Sequence[object]:
    count = parameter.count
    assert count is not None
    if not isinstance(raw, list | tuple):
        raise CalcError(parameter.name, f"must be a list of {count.exact or f'{count.least} or more'}")
    if count.exact is not None and len(raw) != count.exact:
        raise CalcError(parameter.name, f"must have {count.exact} members, not {len(raw)}")
    if len(raw) < count.least:
        raise CalcError(parameter.name, f"must have at least {count.least} members")
    if len(raw) > LONGEST_LIST:
        raise CalcError(parameter.name, f"must not have more than {LONGEST_LIST} members")
    return raw


def _numbers(parameter: Parameter, raw: object, notes: list[str]) -> list[float]:
    name = parameter.name
    members = enumerate(_list(parameter, raw), start=1)
    numbers = [_number(name, member, parameter.unit, notes, f"{name} {i}") for i, member in members]
    _hold(parameter, numbers)
    return numbers


def _hold(parameter: Parameter, numbers: Sequence[float]) -> None:
    for number in numbers:
        for rule in parameter.ranges:
            if not rule.holds(number):
                raise CalcError(parameter.name, rule.rule)


def _rows(parameter: Parameter, raw: object, notes: list[str]) -> list[tuple[float, ...]]:
    rows = []
    for row in _list(parameter, raw):
        if not isinstance(row, list | tuple) or len(row) != len(parameter.columns):
            raise CalcError(parameter.name, f"each row must have {len(parameter.columns)} members")
        cells = zip(row, parameter.columns, strict=True)
        rows.append(tuple(_number(parameter.name, cell, unit, notes) for cell, unit in cells))
    return rows
