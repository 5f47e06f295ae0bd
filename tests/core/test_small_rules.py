"""Small rules that other tests only pass by: scatter of readings, what a bench takes over, where guards stand."""

from math import sqrt
from statistics import stdev

import pytest

from feder.core.benches.acts import TakeSags
from feder.core.benches.damping.swings import scatter_of
from feder.core.report.compare import Difference, largest
from feder.core.report.evaluate import evaluate
from feder.core.report.shapes import Figure
from feder.demo.finch import finch
from feder.demo.magpie import magpie
from tests.changes import applied
from tests.core.test_findings_parts import drooping, slack_from


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


def test_the_largest_difference_is_judged_against_its_own_size():
    def row(path, first, second):
        return Difference(path, "", Figure(first, ""), Figure(second, ""))

    small, large = row("corners.front_left.wheel_rate", 1e4, 1.1e4), row("corners.rear_left.frequency", 1.0, 1.5)
    assert largest([small, large]) == large.path
    assert largest([large, small]) == large.path
    down = row("corners.rear_left.frequency", 2.0, 1.0)
    assert largest([down, row("corners.front_left.stop", 1.0, 1.9)]) == down.path
    assert largest([row("corners.front_left.collar", 1.0, 9.0), small]) == small.path  # nobody judges by a collar
    assert largest([row("vehicle.total_mass", 1.0, 9.0)]) is None
    assert largest([Difference("corners.rear_left.frequency", "Hz", None, Figure(1.0, "Hz"))]) is None
    assert largest([row("corners.front_left.stop", 1.0, 1.0)]) is None


def test_a_bar_that_hangs_slack_says_by_how_much_its_arm_hangs_below_its_free_angle():
    def slack(beyond):
        found = evaluate(drooping(slack_from() + beyond), "plan").findings
        return (
            next(f for f in found if f.rule == "slack_at_droop" and f.place == "rear_left").numbers["slack"].value
        )

    # the wheel's way over the arm's length, which no car has below 0.3 or over 0.7 m
    assert 0.006 / 0.7 < slack(0.006) < 0.006 / 0.3
    assert slack(0.012) == pytest.approx(2 * slack(0.006), rel=0.05)
