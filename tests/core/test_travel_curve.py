"""One end over its whole travel, against its leverage as typed and forces by hand."""

import itertools
from math import cos, radians

import pytest

from feder.core.benches.sag.curve import travel_curve
from feder.core.document.base import Place
from feder.core.document.vehicle import Limits
from tests.changes import with_end
from tests.documents import LEVERAGE, roadster


def test_a_linkage_falls_in_leverage_from_its_first_point_to_its_last():
    curve = travel_curve(roadster(), "plan", Place.REAR)
    assert [curve.points[0].travel, curve.points[-1].travel] == pytest.approx([0.0, 0.12])
    assert curve.points[0].leverage == pytest.approx(LEVERAGE[0][1], rel=5e-3)
    assert curve.points[-1].leverage == pytest.approx(LEVERAGE[-1][1], rel=5e-3)
    assert curve.progression == pytest.approx((2.4 - 1.9) / 2.4, abs=5e-3)
    # the shock's stroke: the sum of travel over leverage
    pieces = itertools.pairwise(LEVERAGE)
    assert curve.stroke == pytest.approx(sum((b - a) * (1 / p + 1 / q) / 2 for (a, p), (b, q) in pieces), rel=2e-3)
    travels = [p.travel for p in curve.points]
    assert [b - a for a, b in itertools.pairwise(travels)] == pytest.approx([0.003] * 40)


def test_a_forks_force_is_its_springs_pressed_over_the_rake():
    curve = travel_curve(roadster(), "plan", Place.FRONT)
    first, last = curve.points[0], curve.points[-1]
    rate = 2 * 8500 / cos(radians(25)) ** 2
    assert last.force - first.force == pytest.approx(rate * 0.12, rel=1e-6)
    assert {round(p.wheel_rate) for p in curve.points} == {round(rate)}
    assert curve.progression == pytest.approx(0.0, abs=1e-12)
    assert curve.stroke == pytest.approx(0.12 / cos(radians(25)))


def test_there_is_none_without_travel():
    bike = roadster()
    assert travel_curve(with_end(bike, "rear", limits=Limits(droop=0.48)), "plan", Place.REAR) is None
    assert travel_curve(with_end(bike, "rear", limits=Limits(droop=0.48, solid=0.48)), "plan", Place.REAR) is None
