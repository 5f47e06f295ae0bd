"""Small rules that other tests only pass by: scatter of readings, what a bench takes over, where guards stand."""

from math import sqrt
from statistics import stdev

import pytest

from feder.core.benches.acts import TakeSags
from feder.core.benches.damping.swings import scatter_of
from feder.core.report.evaluate import evaluate
from feder.demo.finch import finch
from feder.demo.magpie import magpie
from tests.changes import applied


@pytest.mark.parametrize("values", [(0.41, 0.44), (0.41, 0.44, 0.50), (0.2, 0.2, 0.2, 0.26)])
def test_several_readings_scatter_and_each_has_its_own_error(values):
    assert scatter_of(values, 0.02) == pytest.approx(sqrt(stdev(values) ** 2 + 0.02**2))


def test_one_reading_has_its_error_alone():
    assert scatter_of((0.41,), 0.02) == 0.02


@pytest.mark.parametrize(("made", "member", "unit"), [(finch, "pressure", 0.05e5), (magpie, "collar", 0.0005)])
def test_the_sags_wanted_are_taken_as_pressure_of_air_and_as_collar_of_a_coil(made, member, unit):
    bike = made()
    wanted = {e: getattr(evaluate(bike, "plan").sags[e], f"wanted_{member}") for e in ("front", "rear")}
    taken = applied(bike, "plan", TakeSags(act="take sags", ends=("front", "rear")))
    for end, figure in wanted.items():
        assert figure is not None
        side = getattr(taken.setups[1].sides, end)
        assert getattr(side, member) == pytest.approx(figure.value, abs=unit)
        assert side.set_by == member
