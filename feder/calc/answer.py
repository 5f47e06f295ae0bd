"""Answer one call of the contract, or refuse it with the key and one sentence."""

from collections.abc import Iterator, Mapping
from difflib import get_close_matches
from typing import Any

from feder.calc.entries import ENTRIES, Entry, Parameter
from feder.core.errors import OutOfRange
from feder.core.notes import collecting_notes
from feder.core.working import Given, given, lines_of, tracing, trail
from feder.units.parse import Unreadable, parse

LARGEST, SMALLEST = 1e12, 1e-12
"""Sizes, in SI, beyond which no input of a vehicle lies; they also keep every formula finite."""


class CalcError(ValueError):
    """A call that is refused: the key at fault and one sentence that names it."""

    def __init__(self, key: str, message: str) -> None:
        super().__init__(message)
        self.key, self.message = key, message

    def as_dict(self) -> dict[str, str]:
        return {"key": self.key, "message": self.message}


def answer(name: str, raw: Mapping[str, object]) -> dict[str, Any]:
    """The whole answer of `name` for inputs as typed: results, working and notes, all in SI.

    Raises:
        CalcError: unknown name or key, missing key, or an input that is unreadable or out of range.
    """
    entry = _entry(name)
    for key in raw:
        if key not in entry.parameters:
            raise CalcError(key, f"{key}: is not an input of {name}; it takes {', '.join(entry.parameters)}")
    with tracing(), collecting_notes() as notes:
        inputs = dict(_inputs(entry, raw, notes))
        try:
            found = entry.results_of(entry.function(**inputs))
        except OutOfRange as error:
            raise CalcError(error.key, f"{error.key}: {error.rule}") from None
        for key, (_, rule) in entry.derived:
            if key not in inputs:
                inputs[key] = float(rule(inputs))
    return {
        "name": name,
        "inputs": {
            p.name: {"value": float(inputs[p.name]), "unit": p.unit}
            for p in entry.parameters.values()
            if inputs.get(p.name) is not None
        },
        "results": {k: {"value": float(v), "unit": entry.result_units[k]} for k, v in found.items()},
        "working": [
            {
                "symbol": line.symbol,
                "formula": line.formula,
                "substituted": line.substituted,
                "value": float(line.value),
                "unit": line.unit,
                "source": line.source,
            }
            for number in trail(*found.values())
            if not isinstance(number.step, Given)
            for line in lines_of(number)
        ],
        "notes": notes,
    }


def _entry(name: str) -> Entry:
    if name in ENTRIES:
        return ENTRIES[name]
    near = get_close_matches(name, ENTRIES, 1)
    hint = f"; did you mean {near[0]}" if near else "; feder calc --list prints all"
    raise CalcError("name", f"name: there is no function {name[:60]!r}{hint}")


def _inputs(entry: Entry, raw: Mapping[str, object], notes: list[str]) -> Iterator[tuple[str, float]]:
    for parameter in entry.parameters.values():
        if parameter.name in raw:
            value = _value(parameter, raw[parameter.name], notes)
            yield parameter.name, given(value, parameter.name, parameter.unit, source="as given")
        elif parameter.required:
            unit = f" ({parameter.unit})" if parameter.unit else ""
            raise CalcError(parameter.name, f"{parameter.name}: is missing; {entry.name} needs it{unit}")
        elif parameter.default is not None:
            yield parameter.name, given(parameter.default, parameter.name, parameter.unit, source="default")


def _value(parameter: Parameter, raw: object, notes: list[str]) -> float:
    key = parameter.name
    if isinstance(raw, bool) or not isinstance(raw, int | float | str):
        raise CalcError(key, f"{key}: must be a number, or a number with its unit as text")
    try:
        read = parse(raw if isinstance(raw, str) else repr(float(raw)), parameter.unit)
    except (Unreadable, OverflowError) as error:
        raise CalcError(key, f"{key}: {error}") from None
    if abs(read.value) > LARGEST or 0 < abs(read.value) < SMALLEST:
        raise CalcError(key, f"{key}: {read.value:.3g} {parameter.unit}".rstrip() + " is beyond any vehicle")
    if read.note:
        notes.append(f"{key}: {read.note}")
    return read.value


def listing() -> dict[str, Any]:
    """Every function with its keys, units, defaults and result keys."""
    return {
        entry.name: {
            "does": (entry.function.__doc__ or "").split("\n")[0],
            "inputs": {p.name: _described(entry, p) for p in entry.parameters.values()},
            "results": entry.result_units,
        }
        for entry in ENTRIES.values()
    }


def _described(entry: Entry, parameter: Parameter) -> dict[str, object]:
    words = next((text for key, (text, _) in entry.derived if key == parameter.name), None)
    default: object = words if words is not None else parameter.default
    return {"unit": parameter.unit, "required": parameter.required, "default": default}
