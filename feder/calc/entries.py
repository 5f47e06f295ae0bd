"""Every function the contract offers, described from its own signature."""

import inspect
from collections.abc import Callable
from dataclasses import dataclass, fields, is_dataclass
from functools import cached_property
from typing import Any, Literal, get_args, get_origin, get_type_hints

from feder.core.formulas import (
    air,
    alignment,
    coil,
    corner_weights,
    damper_body,
    damping,
    dual_rate,
    height,
    leaf,
    loads,
    measured_rate,
    motion_ratio,
    ride,
    road,
    roll,
    sag,
    splines,
    steering,
    torsion,
    travel,
)
from feder.core.numbers.quantities import Columns, Count, Range, Unit
from feder.core.numbers.working import Formula, metadata
from feder.core.solvers import damper_curve, decay, road_response, settle, two_mass

Derived = tuple[str, Callable[[dict[str, Any]], float]]
Kind = Literal["number", "integer", "flag", "choice", "list", "rows", "reading"]


@dataclass(frozen=True)
class Parameter:
    """One key of a function: what it takes, its SI unit, and whether it may be left out."""

    name: str
    kind: Kind
    unit: str
    required: bool
    default: float | bool | str | None
    choices: tuple[str, ...] = ()
    columns: tuple[str, ...] = ()
    count: Count | None = None
    ranges: tuple[Range, ...] = ()

    @property
    def units(self) -> str:
        """The unit, or those of a row."""
        return ", ".join(self.columns) if self.columns else self.unit


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
        parameters = inspect.signature(self.function).parameters.values()
        return {p.name: _parameter(p, hints[p.name]) for p in parameters}

    @cached_property
    def result_units(self) -> dict[str, str]:
        """Result keys with their units; lists and words of an answer's own are not among them."""
        hints = get_type_hints(self.function, include_extras=True)
        made: Formula | None = self.function.__dict__.get("formula")
        if key := self.result or (made and made.result):
            return {key: _unit(hints["return"])}
        found = get_type_hints(hints["return"], include_extras=True)
        return {name: _unit(hint) for name, hint in found.items() if metadata(hint)}

    def results_of(self, answer: Any) -> dict[str, float]:
        """The numbers of an answer by key; what does not apply is left out."""
        if isinstance(answer, float):
            return {next(iter(self.result_units)): answer}
        return {k: v for k in self.result_units if (v := getattr(answer, k)) is not None}

    def own_of(self, answer: Any) -> dict[str, Any]:
        """What an answer holds beside its numbers: candidates, words, a verdict."""
        if not is_dataclass(answer):
            return {}
        return {f.name: getattr(answer, f.name) for f in fields(answer) if f.name not in self.result_units}


def _parameter(p: inspect.Parameter, hint: Any) -> Parameter:
    found = metadata(hint)
    kind: Kind = "number"
    plain = [t for t in (hint, *get_args(hint)) if t is not type(None)]
    base = get_args(plain[0])[0] if hasattr(plain[0], "__metadata__") else plain[0]
    choices: tuple[str, ...] = ()
    if get_origin(base) is Literal:
        kind, choices = "choice", tuple(get_args(base))
    elif base is bool:
        kind = "flag"
    elif base is int or any(get_args(t)[:1] == (int,) for t in plain):
        kind = "integer"
    elif any(isinstance(m, Columns) for m in found):
        kind = "rows"
    elif any(isinstance(m, Count) for m in found):
        kind = "reading" if "float | list" in str(base) else "list"
    default = p.default if isinstance(p.default, float | int | str | bool) else None
    return Parameter(
        p.name,
        kind,
        _unit(hint),
        p.default is p.empty,
        default,
        choices,
        next((m.units for m in found if isinstance(m, Columns)), ()),
        next((m for m in found if isinstance(m, Count)), None),
        tuple(m for m in found if not isinstance(m, Unit | Columns | Count)),
    )


def _unit(hint: Any) -> str:
    return next((m.text for m in metadata(hint) if isinstance(m, Unit)), "")


def _derived(key: str, words: str, rule: Callable[[dict[str, Any]], float]) -> tuple[tuple[str, Derived], ...]:
    return ((key, (words, rule)),)


_ALL = (
    Entry(
        coil.coil_rate,
        derived=_derived("total_coils", "active_coils + 2", lambda i: coil.closed_end_coils(i["active_coils"])),
    ),
    Entry(coil.series_rate),
    Entry(dual_rate.dual_rate),
    Entry(measured_rate.measured_rate),
    Entry(torsion.torsion_bar_rate),
    Entry(air.air_spring),
    Entry(air.gas_force),
    Entry(motion_ratio.lever_motion_ratio),
    Entry(motion_ratio.wheel_rate),
    Entry(motion_ratio.fork_wheel_rate),
    Entry(ride.ride_rate),
    Entry(ride.ride_frequency),
    Entry(ride.rate_for_frequency),
    Entry(ride.static_deflection),
    Entry(ride.hop_frequency),
    Entry(ride.spring_for_frequency),
    Entry(torsion.torsion_wheel),
    Entry(torsion.torsion_free_angle),
    Entry(torsion.torsion_reindex),
    Entry(
        splines.spline_moves,
        derived=_derived(
            "max_moves", "max(1, inner_splines // 4)", lambda i: splines.usual_moves(i["inner_splines"])
        ),
    ),
    Entry(height.collar_move),
    Entry(height.preload),
    Entry(height.spring_swap, result="height_change"),
    Entry(
        loads.load_share,
        derived=_derived(
            "front_roll_share",
            "1 - x / wheelbase, held in 0..1",
            lambda i: loads.usual_roll_share(i["x"], i["wheelbase"]),
        ),
    ),
    Entry(travel.bump_travel),
    Entry(travel.bump_stop),
    Entry(steering.arm_angle, result="arm_angle"),
    Entry(steering.lean_clearance),
    Entry(steering.trail),
    Entry(sag.sag),
    Entry(sag.sag_spring),
    Entry(sag.sag_diagnosis),
    Entry(roll.anti_roll_bar, result="bar_rate"),
    Entry(
        roll.roll_stiffness,
        result="roll_stiffness",
        derived=_derived("spring_base", "track", lambda i: float(i["track"])),
    ),
    Entry(roll.roll_gradient, result="roll_gradient"),
    Entry(roll.load_transfer),
    Entry(ride.flat_ride),
    Entry(corner_weights.corner_balance),
    Entry(damper_body.damper_shift, result="wheel_shift"),
    Entry(leaf.leaf_rate, result="rate"),
    Entry(leaf.tyre_radius),
    Entry(damping.critical_damping),
    Entry(damping.damping_ratio),
    Entry(damping.damping_for_ratio),
    Entry(damping.rescale_damping),
    Entry(damping.damper_force),
    Entry(damper_curve.damper_equivalent),
    Entry(two_mass.two_mass_modes),
    Entry(damping.wheel_hop_damping),
    Entry(damping.log_decrement),
    Entry(decay.free_decay),
    Entry(alignment.toe_angle, result="angle"),
    Entry(alignment.scrub),
    Entry(alignment.thrust_angle),
    Entry(alignment.steering_offset),
    Entry(alignment.tie_rod_turns),
    Entry(alignment.camber_shift),
    Entry(settle.settling),
    Entry(road.wk_weight, result="weight"),
    Entry(road.road_spectrum, result="density"),
    Entry(road_response.road_response),
)
ENTRIES: dict[str, Entry] = {entry.name: entry for entry in _ALL}
