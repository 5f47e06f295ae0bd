"""The bump stop's bench against the geometry of a stop on a shaft, worked out apart from it."""

from itertools import pairwise

import numpy as np
import pytest
from scipy.integrate import quad
from scipy.optimize import brentq

from feder.core.benches.travel.stop import stop_bench
from feder.core.document.setup import StopTrim
from feder.core.document.vehicle import Limits, Mount, RatioFromSweep
from feder.core.report.evaluate import evaluate
from tests.changes import with_end, with_side

SHAFT, AT, SHARE = 0.060, 0.352, 0.5  # what shows, at which hub to arch, and how far the stop squeezes
CLEAR = 0.284 + 0.003  # tyre contact and the room kept before it
PLACE = "rear_left"


def ratio_at(hub: float) -> float:
    """A damper that moves less and less into bump: 0.95 at 352, 0.81 at 284."""
    return 0.95 + (hub - AT) / (AT - 0.284) * 0.14


def damper_travel(high: float, low: float) -> float:
    return quad(ratio_at, low, high)[0]


@pytest.fixture
def falling(car):
    """The rear of the demo car with that damper, metal out of the way."""
    seats = np.linspace(0.284, 0.402, 40)
    points = tuple((float(h), 0.300 + damper_travel(float(h), 0.284)) for h in seats)
    car = with_end(car, "rear", damper=Mount(ratio=RatioFromSweep(points=points)))
    return with_end(car, "rear", limits=Limits(droop=0.402, stop=None, solid=None, contact=0.284))


def at(document, hub):
    for place in ("rear_left", "rear_right"):
        document = with_side(document, "plan", place, hub_to_arch=hub, stop=None)
    return document


@pytest.mark.parametrize("hub", [0.352, 0.340, 0.330])
def test_the_shortest_stop_is_hard_where_the_room_before_the_tyre_begins(falling, hub):
    bench = stop_bench(at(falling, hub), "plan", PLACE)
    gap = SHAFT - damper_travel(AT, hub)  # what shows at ride
    shortest = brentq(lambda cut: gap - (1 - SHARE) * cut - damper_travel(hub, CLEAR), -0.1, 0.2)
    row = bench.packers[0]
    assert row.shortest == pytest.approx(max(shortest, 0.0), abs=2e-5)
    assert row.limit == ("tyre" if shortest > 0 else "nothing")
    # longer than what shows at ride it would be squeezed there
    assert row.longest == pytest.approx(gap, abs=2e-5)
    figures = evaluate(at(falling, hub), "plan").corners[PLACE]
    assert figures.hub_to_arch.value == hub


def test_each_cut_is_touched_and_hard_where_the_shaft_says(falling):
    hub = 0.340
    bench = stop_bench(at(falling, hub), "plan", PLACE)
    gap = SHAFT - damper_travel(AT, hub)
    for cut in bench.cuts[::7]:
        for told, left in ((cut.touch, gap - cut.length), (cut.hard, gap - (1 - SHARE) * cut.length)):
            inside = hub - told
            if 0.284 <= inside <= 0.402:
                assert damper_travel(hub, inside) == pytest.approx(left, abs=2e-5)


def test_packers_stand_under_the_stop_and_shorten_what_shows(falling):
    document = at(falling, 0.340)
    gap = SHAFT - damper_travel(AT, 0.340)
    for row in stop_bench(document, "plan", PLACE).packers:
        assert row.longest == pytest.approx(gap - row.packer, abs=2e-5)


def test_metal_first_is_told_as_metal(falling):
    solid = with_end(falling, "rear", limits=Limits(droop=0.402, stop=None, solid=0.300, contact=0.284))
    row = stop_bench(at(solid, 0.352), "plan", PLACE).packers[0]
    assert row.limit == "metal"
    assert row.shortest > stop_bench(at(falling, 0.352), "plan", PLACE).packers[0].shortest


def test_there_is_no_bench_without_a_stop(falling):
    assert stop_bench(with_end(falling, "rear", bump_stop=None), "plan", PLACE) is None


@pytest.mark.parametrize("packer", [0.0, 0.005, 0.010])
def test_the_seat_is_where_the_shaft_ends_and_the_mount_where_its_packers_do(falling, packer):
    hub = 0.352
    document = at(falling, hub)
    for place in ("rear_left", "rear_right"):
        document = with_side(document, "plan", place, stop=StopTrim(length=0.030, packer=packer))
    bench, gap = stop_bench(document, "plan", PLACE), SHAFT - damper_travel(AT, hub)
    for travel, left in ((bench.mount, gap - packer), (bench.seat, gap)):
        if hub - travel >= 0.284:
            assert damper_travel(hub, hub - travel) == pytest.approx(left, abs=2e-5)
    assert (bench.mount < bench.seat) == (packer > 0)
    assert bench.packer == packer
    assert bench.squeeze == pytest.approx(SHARE * 0.030)
    assert all(
        a.length - b.length == pytest.approx(bench.cuts[0].length - bench.cuts[1].length)
        for a, b in pairwise(bench.cuts)
    )


@pytest.mark.parametrize("length", [0.020, 0.032])
def test_a_stop_is_hard_where_it_is_squeezed_and_the_tyre_comes_as_far_after_it(falling, length):
    hub = 0.352
    document = at(falling, hub)
    for place in ("rear_left", "rear_right"):
        document = with_side(document, "plan", place, stop=StopTrim(length=length))
    bench = stop_bench(document, "plan", PLACE)
    gap = SHAFT - damper_travel(AT, hub)
    hard = brentq(lambda z: damper_travel(hub, hub - z) - (gap - (1 - SHARE) * length), 0.0, 0.068)
    assert bench.hard == pytest.approx(hard, abs=3e-5)
    assert bench.tyre_after == pytest.approx(hub - 0.284 - hard, abs=3e-5)
    without = stop_bench(with_end(document, "rear", limits=Limits(droop=0.402)), "plan", PLACE)
    assert without is None or without.tyre_after is None


def test_a_stop_too_long_is_cut_to_the_middle_of_what_works_and_a_good_one_left(falling):
    def bench_of(length):
        document = at(falling, 0.352)
        for place in ("rear_left", "rear_right"):
            document = with_side(document, "plan", place, stop=StopTrim(length=length))
        return stop_bench(document, "plan", PLACE)

    good = bench_of(0.040)
    row = good.packers[0]
    assert row.shortest < 0.040 < row.longest
    assert (good.trim, row.take) == (None, 0.040)
    long = bench_of(0.075)
    row = long.packers[0]
    assert row.longest < 0.075
    supplied = falling.vehicle.ends.rear.bump_stop.length
    assert row.take == pytest.approx(min(supplied, (row.shortest + row.longest) / 2))
    assert long.trim == pytest.approx(row.take, abs=2.6e-4)  # to half a millimetre
    assert (long.trim * 2000) == pytest.approx(round(long.trim * 2000))
    assert {k: v.value for k, v in long.numbers.items()} == {"shortest": row.shortest, "longest": row.longest}
    assert "Shorter, the tyre is met first" in long.says if row.limit == "tyre" else "Any stop up to" in long.says
