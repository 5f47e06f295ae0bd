"""Dimensions: every formula keeps its meaning when metre, kilogram and second are other sizes.

Inputs are scaled as their units say; the result must scale as its own unit says. A forgotten square, a rate
taken for a force or a swapped length and stiffness cannot pass, whatever the numbers.
"""

import inspect
import math

import pytest

from feder.calc import entries  # noqa: F401 - loads every formula of the contract
from feder.core.numbers.working import FORMULAS
from feder.core.report import evaluate  # noqa: F401 - and of the report

METRE, KILOGRAM, SECOND = 1.7, 2.3, 0.6
FORCE = KILOGRAM * METRE / SECOND**2
SIZE = {
    "any": 1e-3,  # camber or toe: whichever it is, all of one formula alike
    "": 1.0, "rad": 1.0, "turn": 1.0, "m/km": 1.0, "rad/g": 1.0,
    "m": METRE, "kg": KILOGRAM, "s": SECOND, "N": FORCE, "N/m": FORCE / METRE, "Hz": 1 / SECOND, "m/s": METRE / SECOND,
    "Pa": FORCE / METRE**2, "N*s/m": FORCE * SECOND / METRE, "1/m": 1 / METRE, "N*m": FORCE * METRE,
    "N*m/rad": FORCE * METRE, "m^2": METRE**2, "K": 1.4, "m^3": METRE**3,
}  # fmt: skip
# formulas that hold a constant with a unit of its own (g), and fits whose sums carry the units of what is fitted
HOLDS_G = {name for name, known in FORMULAS.items() if "G" in known.function.__code__.co_names}
MIXED = {
    "feder.core.formulas.measured_rate.fitted_rate", "feder.core.formulas.measured_rate.fitted_r_squared", "feder.core.formulas.measured_rate.fitted_error",
    # the standard atmosphere carries Pa and 1/m in its constants
    "feder.core.formulas.air.outside_at",
    # a class of roads is named at 0.1 cycle/m
    "feder.core.formulas.road.density_at",
    # the pattern of a rigid body carries 1/m, and its sums with it
    "feder.core.formulas.corner_weights.pattern_size_of", "feder.core.formulas.corner_weights.weight_change_of", "feder.core.formulas.corner_weights.smallest_move",
}  # fmt: skip


def sample(name, i):
    """A number for a parameter, well inside its range and different from its neighbours."""
    near = {
        "wire_diameter": 0.01,
        "mean_diameter": 0.07,
        "volume": 0.9,
        "area": 0.3,
        "travel": 0.4,
        "height_change": 0.05,
    }
    return near.get(name, 0.31 + 0.07 * i)


@pytest.mark.parametrize("name", sorted(set(FORMULAS) - HOLDS_G - MIXED))
def test_a_formula_is_one_whatever_the_size_of_its_units(name):
    known = FORMULAS[name]
    names = list(inspect.signature(known.function).parameters)
    plain = {n: sample(n, i) for i, n in enumerate(names)}
    scaled = {n: v * SIZE[known.units[n]] for n, v in plain.items()}
    result = known.function(**plain)
    assert math.isfinite(result)
    assert known.function(**scaled) == pytest.approx(result * SIZE[known.units["return"]], rel=1e-9)


def test_the_exceptions_are_few():
    assert len(HOLDS_G) <= 12
    assert set(FORMULAS) >= MIXED
    assert len(FORMULAS) > 110


@pytest.mark.parametrize("name", sorted(HOLDS_G))
def test_what_holds_g_goes_with_mass(name):
    """Twice every mass, force and stiffness: forces double, ratios and lengths stay."""
    known = FORMULAS[name]
    heavy = {"kg", "N", "N/m", "N*m/rad", "N*m"}
    names = list(inspect.signature(known.function).parameters)
    stiff = {n: 1e5 for n in names if "stiffness" in n}  # enough to hold the body upright
    plain = {n: stiff.get(n, sample(n, i)) for i, n in enumerate(names)}
    doubled = {n: v * 2 if known.units[n] in heavy or n in stiff else v for n, v in plain.items()}
    size = 2.0 if known.units["return"] in heavy else 1.0
    assert known.function(**doubled) == pytest.approx(known.function(**plain) * size)
