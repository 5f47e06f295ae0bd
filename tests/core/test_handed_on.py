"""What benches and findings hand on, each by a number worked out apart: pressures in steps, plates, clicks, cautions."""

import re
from math import sqrt

import pytest

from feder.core.benches.damping.clicks import damping_bench
from feder.core.benches.index.fit import set_for_load
from feder.core.benches.sag.take import take_sags
from feder.core.document.setup import Clicks, SpringPart
from feder.core.report.evaluate import evaluate
from feder.demo.finch import finch
from feder.demo.magpie import magpie
from feder.demo.nettle import nettle
from feder.demo.tansy import tansy
from feder.sheet.paper import FIXED_CAUTIONS, MOST_CAUTIONS, cautions_of
from tests.changes import with_side


def test_the_sags_wanted_are_taken_as_pressure_or_collar_in_the_steps_of_gauge_and_rule():
    for bike, member, step in ((finch(), "pressure", 500.0), (magpie(), "collar", 0.0001)):
        state = bike.loads[-1].id
        said = evaluate(bike, bike.setups[1].id, state).sags
        wanted = f"wanted_{member}"
        for end in ("front", "rear"):
            changes = {c.path.split("/")[-1]: c.value for c in take_sags(bike, bike.setups[1].id, [end], state)}
            exact = float(getattr(said[end], wanted).value)
            assert abs(changes[member] - exact) <= step / 2 + 1e-9
            assert abs(changes[member] / step - round(changes[member] / step)) < 1e-6
            assert {"pressure": "collar", "collar": "pressure"}[member] not in changes


def test_plates_are_set_for_a_load_only_where_both_are_known():
    car = tansy()
    setup, state = car.setups[1].id, car.loads[-1].id
    assert [c.path.split("/")[-1] for c in set_for_load(car, setup, "rear", state)][-1] == "rear_meant"
    # without the arm nothing is wanted, and nothing is changed
    end = car.vehicle.ends.rear.but(arm=None)
    bare = car.but(vehicle=car.vehicle.but(ends=car.vehicle.ends.but(rear=end)))
    assert list(set_for_load(bare, setup, "rear", state)) == []


def test_knobs_are_judged_by_the_chord_at_low_speed_itself():
    bike = magpie()
    bench = damping_bench(bike, "plan", "rear")
    told = evaluate(bike, "plan").ends["rear"]
    motion = evaluate(bike, "plan").corners["rear"].damper_motion_ratio.value
    critical = 2 * sqrt(told.wheel_rate.value * told.sprung_mass.value)
    # the bench's file at 50 mm/s: rebound 12 closes with 280 N, bump 14 with the high-speed knob at 3 with 150 N
    by_hand = {"rebound": 280 / 0.05 * motion**2 / critical, "bump": 150 / 0.05 * motion**2 / critical}
    for rule in bench.rules:
        if rule.acts in by_hand:
            assert rule.ratio == pytest.approx(by_hand[rule.acts])


def test_the_nearest_end_of_a_knob_is_offered_and_the_clicks_missing_are_counted():
    soft = nettle()
    wanted = soft.brief.targets.damping.but(low=0.02, high=0.04)
    soft = soft.but(brief=soft.brief.but(targets=soft.brief.targets.but(damping=wanted)))
    rebound, bump = damping_bench(soft, "plan", "front").rules
    assert (rebound.offered, bump.offered) == (18, 18)
    # from 0.190 with it open to the top of its band, 0.04 shared 1.8 to 1, by steps of 0.035
    top = 0.04 * 2 * 1.8 / 2.8
    step = (rebound.ratios[0] - rebound.ratios[18]) / 18
    assert rebound.short == -((top - rebound.ratios[18]) // step)


def test_cautions_that_find_no_room_are_counted():
    car = nettle()
    for k, place in enumerate(("front_left", "front_right", "rear_left", "rear_right")):
        spring = SpringPart(
            code=f"odd {k}", rate=getattr(car.setups[1].sides, place).spring.rate, free_length=0.1 + 0.03 * k
        )
        car = with_side(car, "plan", place, spring=spring, rebound=Clicks(count=k, of=18))
    report = evaluate(car, "plan")
    every = cautions_of(report, "metric", fixed=())
    fixed = cautions_of(report, "metric")
    assert len(fixed) == MOST_CAUTIONS
    more = next(int(found[1]) for line in fixed if (found := re.match(r"And (\d+) more on the screen", line)))
    shown = MOST_CAUTIONS - len(FIXED_CAUTIONS) - 1
    # with no fixed ones some are told and the rest counted as well
    told = [line for line in every if not line.startswith("And ")]
    left = next((int(found[1]) for line in every if (found := re.match(r"And (\d+) more", line))), 0)
    assert shown + more == len(told) + left
