"""Answer one call of the contract, or refuse it with the key and one sentence."""

from collections.abc import Mapping
from difflib import get_close_matches
from typing import Any

from feder.calc.entries import ENTRIES, Entry, Parameter
from feder.calc.inputs import inputs_of
from feder.calc.refusal import CalcError
from feder.core.numbers.errors import OutOfRange
from feder.core.numbers.notes import collecting_notes
from feder.core.numbers.showing import lines_of
from feder.core.numbers.working import Given, Num, tracing, trail, unit_of


def answer(name: str, raw: Mapping[str, object]) -> dict[str, Any]:
    """The whole answer of `name` for inputs as typed: results, working and notes, all in SI.

    Raises:
        CalcError: unknown name or key, missing key, or an input that is unreadable or out of range.
    """
    entry = _entry(name)
    with tracing(), collecting_notes() as notes:
        inputs = dict(inputs_of(entry, raw, notes))
        try:
            made = entry.function(**inputs)
        except OutOfRange as error:
            raise CalcError(error.key, error.rule) from None
        except (ArithmeticError, ValueError):
            raise CalcError(next(iter(entry.parameters)), "with the other inputs is beyond any vehicle") from None
        found = entry.results_of(made)
        for key, (_, rule) in entry.derived:
            if key not in inputs:
                inputs[key] = rule(inputs)
    return {
        "name": name,
        "inputs": {
            p.name: {"value": _plain(inputs[p.name]), "unit": p.units}
            for p in entry.parameters.values()
            if inputs.get(p.name) is not None
        },
        "results": {k: {"value": float(v), "unit": entry.result_units[k]} for k, v in found.items()},
        **{k: _own(v) for k, v in entry.own_of(made).items()},
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
    raise CalcError("name", f"there is no function {name[:60]!r}{hint}")


def _plain(value: Any) -> Any:
    """An input as JSON."""
    if isinstance(value, list | tuple):
        return [_plain(v) for v in value]
    return float(value) if isinstance(value, float) else value


def _own(value: Any) -> Any:
    """A list of an answer's own: each row's numbers with their units, like results."""
    if isinstance(value, tuple) and hasattr(value, "_asdict"):
        return {
            k: {"value": float(v), "unit": unit_of(v) if isinstance(v, Num) else ""}
            for k, v in value._asdict().items()
        }
    if isinstance(value, tuple):
        return [_own(v) for v in value]
    return value


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
    about: dict[str, object] = {"unit": parameter.units, "required": parameter.required, "default": default}
    if parameter.choices:
        about["choices"] = list(parameter.choices)
    if parameter.count is not None:
        about["members"] = parameter.count.exact or f"{parameter.count.least} or more"
    return about
