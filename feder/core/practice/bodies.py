"""Measures of usual bodies, m: they stand in for a drawing alone where a vehicle's own are not told."""

import json
from dataclasses import dataclass
from functools import cache
from importlib import resources


@dataclass(frozen=True, slots=True)
class UsualBody:
    """A body of its kind as most are; no computation rests on it."""

    wheelbase: float
    front_overhang: float
    rear_overhang: float
    roof_height: float
    tyre_radius: float
    tyre_to_arch: float
    """From the top of the tyre up to the arch."""


@cache
def usual_bodies() -> dict[str, UsualBody]:
    """Every body by its name; they lie beside this file as data."""
    told = json.loads(resources.files(__package__).joinpath("bodies.json").read_text(encoding="utf-8"))
    return {body: UsualBody(**measures) for body, measures in told.items()}
