"""Parts from bench runs: the rate of the middle, its curve where it is not straight, dampers by their clicks."""

import numpy as np
import pytest

from feder.core.benches.damping.from_bench import curve_from_run, damper_from_run
from feder.core.benches.springs.from_bench import spring_from_run, spring_run
from feder.core.document.damper import CurveRow, DamperPart
from feder.core.numbers.errors import OutOfRange

RATE = 42e3
STRAIGHT = [
    (x / 1000, RATE * x / 1000 + n)
    for x, n in zip(range(5, 55, 5), [3, -2, 4, -5, 1, 2, -3, 0, 4, -4], strict=True)
]
STIFFENS = [(x / 1000, 20e3 * x / 1000 + 9e5 * (x / 1000) ** 2) for x in range(0, 65, 5)]


def test_a_straight_spring_has_the_rate_of_its_middle_and_how_sure_that_is():
    part = spring_from_run(STRAIGHT, "oak", free_length=0.2, inside_diameter=0.06)
    # the middle 20 to 80 % of 5 to 50 mm: 14 to 41 mm
    middle = np.array([p for p in STRAIGHT if 0.0139 < p[0] < 0.0411])
    slope, cov = np.polyfit(*middle.T, 1, cov=True)[0][0], np.polyfit(*middle.T, 1, cov="unscaled")[1]
    left = middle[:, 1] - np.polyval(np.polyfit(*middle.T, 1), middle[:, 0])
    assert part.rate.value == pytest.approx(slope, rel=1e-9)
    assert part.rate.tolerance == pytest.approx(np.sqrt(cov[0, 0] * (left**2).sum() / (len(middle) - 2)), rel=1e-6)
    assert (part.rate.how, part.points, part.free_length, part.inside_diameter) == ("bench", None, 0.2, 0.06)


def test_a_spring_that_stiffens_keeps_its_curve():
    read = spring_run(STIFFENS)
    assert read.curved
    assert read.rate == pytest.approx(20e3 + 2 * 9e5 * 0.030, rel=1e-6)  # the tangent in the middle of a parabola
    part = spring_from_run(STIFFENS, "ash")
    assert part.points[0] == (0.0, 0.0)
    assert part.points[-1] == (0.06, pytest.approx(20e3 * 0.06 + 9e5 * 0.0036))
    assert len(part.points) == len(STIFFENS)


@pytest.mark.parametrize("points", [STRAIGHT[:2], [(x, 900 - f) for x, f in STRAIGHT], [(0.01, 5.0)] * 6])
def test_a_run_that_is_no_spring_is_refused(points):
    with pytest.raises(OutOfRange):
        spring_from_run(points, "none")


RUN = [(0.1, 300.0), (-0.1, -520.0), (0.3, 640.0), (-0.3, -1180.0), (0.0, 90.0), (0.1, 320.0)]


def test_a_curve_is_the_mean_at_each_speed_in_order_without_what_is_at_rest():
    assert curve_from_run(RUN) == ((-0.3, -1180.0), (-0.1, -520.0), (0.1, 310.0), (0.3, 640.0))


@pytest.mark.parametrize(
    "points", [RUN[:3], [(0.1, 300), (0.2, 250), (0.3, 400), (0.4, 500)], [(v, -f) for v, f in RUN]]
)
def test_a_run_that_is_no_damper_is_refused(points):
    with pytest.raises(OutOfRange):
        curve_from_run(points)


def test_a_damper_gets_one_curve_for_each_setting_of_its_clicks():
    made = damper_from_run(RUN, "thistle", {"rebound": 8, "bump": 11}, of={"rebound": 18, "high_bump": 4})
    # how many clicks a knob has is told, not taken from where it stood
    assert {k.acts: k.clicks for k in made.knobs} == {"rebound": 18}
    other = damper_from_run([(v, 2 * f) for v, f in RUN], "thistle", {"rebound": 4, "bump": 11}, made)
    assert [(r.rebound, r.bump) for r in other.rows] == [(8, 11), (4, 11)]
    again = damper_from_run([(v, 3 * f) for v, f in RUN], "thistle", {"rebound": 8, "bump": 11}, other)
    assert [(r.rebound, r.bump, r.points[0][1]) for r in again.rows] == [(4, 11, -2360.0), (8, 11, -3540.0)]


def test_a_damper_that_is_known_keeps_what_else_it_is():
    known = DamperPart(
        code="pair 85", extended=0.4, shut=0.3, rows=(CurveRow(points=((0.1, 1.0),)),), note="bought used"
    )
    made = damper_from_run(RUN, "pair 85", {}, known)
    assert (made.extended, made.note, len(made.rows)) == (0.4, "bought used", 1)
    assert made.rows[0].points[-1] == (0.3, 640.0)
