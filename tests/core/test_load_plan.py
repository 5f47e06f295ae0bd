"""Load states against moments by hand: where the load is, what the axles carry, how deep they go, and what a spacer does."""

from math import pi, sqrt

import pytest

from feder.core.benches.loads.plan import load_plan, rank_by_loads, spacer_instead
from feder.core.document.document import LoadItem, LoadState
from feder.core.document.vehicle import Plate
from feder.core.report.evaluate import evaluate
from feder.demo.springs import demo_spring
from tests.changes import with_side

G, BASE = 9.80665, 2.44
WEIGHED = {"front_left": 308, "front_right": 298, "rear_left": 207, "rear_right": 197}
TRACK = {"front": 1.40, "rear": 1.38}


@pytest.fixture
def laden(car):
    """The demo car with stones over the rear axle, to the right, and tools on the other side."""
    loads = (
        LoadState(id="stones", name="stones", items=(LoadItem(name="stones", mass=120, x=2.4, y=0.3),)),
        LoadState(id="tools", name="tools", items=(LoadItem(name="tools", mass=40, x=1.0, y=-0.4),)),
    )
    plate = Plate(gross=1400, front_axle=700, rear_axle=620)
    return car.but(loads=loads, vehicle=car.vehicle.but(plate=plate))


@pytest.mark.parametrize(("k", "mass", "x", "y"), [(1, 120, 2.4, 0.3), (2, 40, 1.0, -0.4)])
def test_the_loads_centre_and_what_the_axles_carry_follow_from_moments(laden, k, mass, x, y):
    rows = load_plan(laden, "found")
    total = sum(WEIGHED.values())
    rear = WEIGHED["rear_left"] + WEIGHED["rear_right"]
    right = sum(m * (1 if p.endswith("right") else -1) * TRACK[p.split("_")[0]] / 2 for p, m in WEIGHED.items())
    assert rows[0].centre == pytest.approx((rear * BASE / total, right / total), abs=1e-6)
    row = rows[k]
    together = total + mass
    assert row.total_mass.value == pytest.approx(together)
    assert row.centre == pytest.approx(
        ((rear * BASE + mass * x) / together, (right + mass * y) / together), abs=2e-4
    )
    ends = {e.end: e for e in row.ends}
    assert ends["rear"].axle_mass.value == pytest.approx(rear + mass * x / BASE, abs=0.02)
    assert ends["front"].axle_mass.value == pytest.approx(together - rear - mass * x / BASE, abs=0.02)
    assert (ends["front"].axle_limit, ends["rear"].axle_limit, row.gross_limit) == (700, 620, 1400)


def test_an_axle_goes_down_by_its_load_over_its_rate_and_rides_slower_by_its_mass(laden):
    plan = load_plan(laden, "plan")
    empty, stones = ({e.end: e for e in plan[k].ends} for k in (0, 1))
    more = 120 * 2.4 / BASE
    rate = 60e3 * 0.72**2
    assert stones["rear"].change.value == pytest.approx(-more * G / 2 / rate, rel=2e-3)
    corner = empty["rear"].axle_mass.value / 2 - 28
    assert empty["rear"].frequency.value == pytest.approx(sqrt(rate / corner) / 2 / pi, rel=1e-6)
    assert stones["rear"].frequency.value == pytest.approx(sqrt(rate / (corner + more / 2)) / 2 / pi, rel=1e-5)
    assert empty["rear"].change.value == 0
    # the side with more on it is the one that is told
    assert stones["rear"].stop_at == "rear_right"
    assert stones["rear"].limit_at == "rear_right"
    report = evaluate(laden, "plan", "stones")
    assert stones["rear"].stop.value == report.corners["rear_right"].stop.value
    assert stones["rear"].stop.value < report.corners["rear_left"].stop.value
    assert stones["rear"].bump_travel.value == report.corners["rear_right"].bump_travel.value


def test_a_spacer_lifts_the_loaded_axle_back_and_is_as_much_higher_empty(laden):
    found = spacer_instead(laden, "plan", "rear", "stones")
    sunk = 120 * 2.4 / BASE * G / 2 / (60e3 * 0.72**2)
    assert found.spacer == pytest.approx(sunk * 0.72, rel=0.02)
    assert found.empty_rise == pytest.approx(sunk, rel=0.02)
    assert found.frequency == pytest.approx(found.frequency_without, rel=1e-6)
    assert found.stop == pytest.approx(found.stop_without + sunk, rel=0.02)


def test_springs_are_ranked_by_their_worst_state(laden):
    parts = [demo_spring(60, 180, r) for r in (45, 60, 80)]
    rows = {r.part.code: r for r in rank_by_loads(laden, "plan", "rear", parts)}
    low, high = 1.7, 2.3
    for part in parts:
        row = rows[part.code]
        masses = [202 - 28, (404 + 120 * 2.4 / BASE) / 2 - 28, (404 + 40 * 1.0 / BASE) / 2 - 28]
        rate = part.rate.value * 0.72**2
        frequencies = [sqrt(rate / m) / 2 / pi for m in masses]
        assert [f.value for f in row.frequencies] == pytest.approx(frequencies, rel=1e-4)
        apart = [max(0.0, low - f, f - high) for f in frequencies]
        assert row.off == pytest.approx(max(apart) if row.past_stop == 0 else row.off, rel=1e-3, abs=1e-6)
        if max(apart) > 0 and row.past_stop == 0:
            assert row.worst == ["as weighed", "stones", "tools"][apart.index(max(apart))]
    order = [r.part.rate.value for r in rank_by_loads(laden, "plan", "rear", parts)]
    assert order[0] == 60e3
    # as a load carrier's they are judged under their loads alone
    hauler = laden.but(brief=laden.brief.but(use="load carrier"))
    stiff = {r.part.code: r for r in rank_by_loads(hauler, "plan", "rear", parts)}["larch 22"]
    assert stiff.worst == "tools"
    soft = with_side(laden, "plan", "rear_left", spring=parts[0])
    assert load_plan(soft, "plan")[0].name == "as weighed"
