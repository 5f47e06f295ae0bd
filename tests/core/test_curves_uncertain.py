"""A measured curve as one uncertain number: a leverage curve moves as a whole, a sweep from its first pair."""

import pytest

from feder.core.document.base import Place
from feder.core.document.vehicle import Mount, RatioFromSweep
from feder.core.report.evaluate import evaluate
from feder.core.report.uncertainty import uncertainty
from tests.changes import with_end
from tests.documents import roadster


def test_a_leverage_curve_is_one_per_cent_off_all_along():
    bike = roadster()
    ratio = evaluate(bike, "plan").corners[Place.REAR].motion_ratio.value
    told = uncertainty(bike, "plan", "corners.rear.wheel_rate")
    (share,) = [s for s in told.shares if s.document_path.endswith("spring.ratio.points")]
    # the spring's part goes with the square of one over the leverage; of the force term, force rises as slope falls
    assert share.effect == pytest.approx(0.02 * 95e3 * ratio**2, rel=0.02)
    assert share.tolerance == 0.01


def test_a_sweep_is_counted_from_its_first_pair(car):
    points = tuple((0.28 + 0.01 * k, 0.200 + 0.0072 * k) for k in range(14))
    car = with_end(car, "rear", spring=Mount(ratio=RatioFromSweep(points=points)))
    rate = evaluate(car, "plan").ends["rear"].wheel_rate.value
    assert rate == pytest.approx(60e3 * 0.72**2, rel=1e-3)
    told = uncertainty(car, "plan", "ends.rear.wheel_rate")
    (share,) = [s for s in told.shares if s.document_path.endswith("spring.ratio.points")]
    assert share.effect == pytest.approx(0.02 * rate, rel=0.01)
