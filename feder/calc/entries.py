"""Every function the contract offers, described from its own signature."""

import inspect
from collections.abc import Callable
from dataclasses import dataclass
from functools import cached_property
from typing import Any, get_type_hints

from feder.core import coil, damping, height, mount, ride, travel
from feder.core.quantities import Unit
from feder.core.working import Formula, metadata

Derived = tuple[str, Callable[[dict[str, Any]], float]]


@dataclass(frozen=True)
class Parameter:
    """One key of a function: its SI unit, and whether it may be left out."""

    name: str
    unit: str
    required: bool
    default: float | None


@dataclass(frozen=True)
class Entry:
    """A function of the contract. `derived` holds defaults that follow from other inputs: words and rule."""

    function: Callable[..., Any]
    result: str | None = None
    derived: tuple[tuple[str, Derived], ...] = ()

    @property
    def name(self) -> str:
        return self.function.__name__

    @cached_property
    def parameters(self) -> dict[str, Parameter]:
        hints = get_type_hints(self.function, include_extras=True)
        return {
            p.name: Parameter(
                p.name,
                _unit(hints[p.name]),
                p.default is p.empty,
                p.default if isinstance(p.default, float | int) else None,
            )
            for p in inspect.signature(self.function).parameters.values()
        }

    @cached_property
    def result_units(self) -> dict[str, str]:
        hints = get_type_hints(self.function, include_extras=True)
        made: Formula | None = self.function.__dict__.get("formula")
        if key := self.result or (made and made.result):
            return {key: _unit(hints["return"])}
        fields = get_type_hints(hints["return"], include_extras=True)
        return {name: _unit(hint) for name, hint in fields.items()}

    def results_of(self, answer: Any) -> dict[str, float]:
        """The numbers of an answer by key; what does not apply is left out."""
        if isinstance(answer, float):
            return {next(iter(self.result_units)): answer}
        return {k: v for k, v in answer._asdict().items() if v is not None}


def _unit(hint: Any) -> str:
    return next((m.text for m in metadata(hint) if isinstance(m, Unit)), "")


def _total_coils(inputs: dict[str, Any]) -> float:
    return coil.closed_end_coils(inputs["active_coils"])


_ALL = (
    Entry(coil.coil_rate, derived=(("total_coils", ("active_coils + 2", _total_coils)),)),
    Entry(coil.series_rate),
    Entry(mount.lever_motion_ratio),
    Entry(mount.wheel_rate),
    Entry(ride.ride_rate),
    Entry(ride.ride_frequency),
    Entry(ride.rate_for_frequency),
    Entry(ride.static_deflection),
    Entry(ride.spring_for_frequency),
    Entry(ride.flat_ride),
    Entry(height.collar_move),
    Entry(height.preload),
    Entry(height.spring_swap, result="height_change"),
    Entry(travel.bump_travel),
    Entry(travel.bump_stop),
    Entry(damping.critical_damping),
    Entry(damping.damping_ratio),
)
ENTRIES: dict[str, Entry] = {entry.name: entry for entry in _ALL}
