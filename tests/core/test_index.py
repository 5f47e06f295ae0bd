"""The index bench: moves, heights and readings against a pinned arm worked out apart, and left against right."""

from itertools import product
from math import asin, cos, degrees, pi, radians, sin

import pytest
from scipy.optimize import brentq

from feder.core.benches.index.bench import index_bench
from feder.core.benches.index.chart import index_chart, other_bars
from feder.core.benches.index.check import check_reading
from feder.core.benches.index.sure import height_sure
from feder.core.document.base import Place, RateValue
from feder.core.document.document import LoadItem, LoadState
from feder.core.document.setup import CoilBeside, Seat, SpringPart
from feder.core.report.evaluate import evaluate
from feder.demo.tansy import tansy
from feder.demo.teasel import teasel
from tests.changes import with_side

G = 9.80665
LEFT, RIGHT = Place.REAR_LEFT, Place.REAR_RIGHT
K = pi * 79.3e9 * 0.025**4 / 32 / 0.98
R = 0.4


def arm_at(hub, place):
    read = radians(8.6 - 0.6) if place == LEFT else radians(8.45 - 0.6)
    return asin(sin(read) + (hub - 0.352) / R)


def balanced(free, load, place):
    """Height at which moments about the bar agree."""
    return brentq(lambda h: K * (free - arm_at(h, place)) - load * R * cos(arm_at(h, place)), 0.22, 0.46)


@pytest.mark.parametrize("place", [LEFT, RIGHT])
def test_each_pair_gives_the_height_at_which_the_moments_about_its_bar_agree(place):
    car = tansy()
    bench = index_bench(car, "plan", place)
    asked = evaluate(car, "plan").corners[place]
    load = float(asked.corner_load.value)
    for row in bench.rows:
        assert row.free_angle == pytest.approx(
            float(bench.free_found.value) + (row.inner / 36 - row.outer / 40) * 2 * pi
        )
        # both sides with the same left over: the load stays, so each arm finds its own balance
        assert row.height == pytest.approx(balanced(row.free_angle, load, place), abs=6e-4)
        assert row.off == pytest.approx(row.height - 0.322)
        assert row.reachable == (abs(row.adjust) <= radians(1.2))
        assert row.turns == pytest.approx(row.adjust / radians(0.4))
    # no other pair within a quarter turn comes nearer
    wanted = float(bench.change.value)
    best = min(abs((i / 36 - o / 40) * 2 * pi - wanted) for i, o in product(range(-9, 10), repeat=2))
    assert abs(bench.rows[0].error) == pytest.approx(best, abs=1e-12)
    assert bench.rows[-1].words == "leave both ends as they are"
    assert bench.window == pytest.approx(radians(0.5))


def test_the_adjuster_makes_up_the_rest_to_the_height_wanted():
    car = tansy()
    bench = index_bench(car, "plan", LEFT)
    row = bench.rows[0]
    load = float(evaluate(car, "plan").corners[LEFT].corner_load.value)
    assert balanced(row.free_angle + row.adjust, load, LEFT) == pytest.approx(0.322, abs=5e-5)


def test_sides_mirror_each_other_and_their_words_turn_round():
    car = tansy()
    arm = car.vehicle.ends.rear.arm.model_copy(update={"right_angle": None})
    rear = car.vehicle.ends.rear.model_copy(update={"arm": arm})
    vehicle = car.vehicle.model_copy(update={"ends": car.vehicle.ends.model_copy(update={"rear": rear})})
    readings = tuple(
        r.model_copy(
            update={
                "value": {"mass": {"f": 350, "r": 260}, "hub_to_arch": {"f": 0.346, "r": 0.352}}[r.quantity][
                    r.place[0]
                ]
            }
        )
        for r in car.survey.readings
        if r.quantity in ("mass", "hub_to_arch")
    )
    car = car.model_copy(
        update={"vehicle": vehicle, "surveys": (car.survey.model_copy(update={"readings": readings}),)}
    )
    left, right = index_bench(car, "plan", LEFT), index_bench(car, "plan", RIGHT)
    for one, two in zip(left.rows, right.rows, strict=True):
        assert (one.inner, one.outer) == (two.inner, two.outer)
        assert one.height == pytest.approx(two.height, abs=1e-7)
        turned = (
            one.words.replace("anticlockwise", "?").replace("clockwise", "anticlockwise").replace("?", "clockwise")
        )
        assert two.words == turned


def test_the_height_can_be_meant_under_a_load():
    car = tansy()
    bench = index_bench(car, "plan", LEFT, "market")
    for place in (LEFT, RIGHT):
        wanted = index_bench(car, "plan", place, "market").free_wanted
        car = with_side(car, "plan", place, set_by="free angle", free_angle=float(wanted.value))
    loaded, empty = evaluate(car, "plan", "market"), evaluate(car, "plan")
    for place in (LEFT, RIGHT):
        assert loaded.corners[place].hub_to_arch.value == pytest.approx(0.322, abs=1e-5)
        assert empty.corners[place].hub_to_arch.value > 0.345  # empty, it stands higher
    again = index_bench(car, "plan", LEFT, "market")
    assert again.free_wanted.value == pytest.approx(bench.free_wanted.value, abs=1e-5)


@pytest.mark.parametrize("place", [LEFT, RIGHT])
@pytest.mark.parametrize("aside", [-0.45, 0.45])
def test_under_a_load_on_one_side_each_side_is_moved_as_far_as_its_own_height_wants(place, aside):
    anvil = LoadState(id="anvil", name="anvil", items=(LoadItem(name="anvil", mass=160, x=2.5, y=aside),))
    car = tansy().but(loads=(anvil,))
    set_for = car
    for p in (LEFT, RIGHT):
        wanted = index_bench(car, "plan", p, "anvil").free_wanted
        set_for = with_side(set_for, "plan", p, set_by="free angle", free_angle=float(wanted.value))
    load = float(evaluate(set_for, "plan", "anvil").corners[place].corner_load.value)
    for row in index_bench(car, "plan", place, "anvil").rows:
        if abs(row.error) < radians(3):
            assert row.height == pytest.approx(balanced(row.free_angle, load, place), abs=6e-4)


@pytest.mark.parametrize("place", [LEFT, RIGHT])
@pytest.mark.parametrize(
    ("off", "verdict", "words"),
    [
        (0.0, "good", ""),
        (0.4, "good", ""),
        (10.0, "one spline off", "inner"),
        (-10.2, "one spline off", "inner"),
        (9.0, "one spline off", "outer"),
        (-8.8, "one spline off", "outer"),
        (3.3, "off", "marks"),
    ],
)
def test_a_reading_tells_which_end_is_one_spline_off(place, off, verdict, words):
    bench = index_bench(tansy(), "plan", place)
    row = bench.rows[0]
    said = check_reading(tansy(), bench, row.inner, row.outer, row.free_angle + radians(off))[0]
    assert said.verdict == verdict
    assert words in said.says
    if words in ("inner", "outer"):
        # too far down is mended the way that lifts the plate: anticlockwise on the left, seen from outside
        assert ("anticlockwise" in said.says) == ((off > 0) == (place == LEFT))


def test_a_reading_tells_a_turned_level_the_chassis_the_other_side_and_the_other_way():
    car = tansy()
    bench = index_bench(car, "plan", LEFT)
    row, found = bench.rows[0], float(bench.free_found.value)

    def verdicts(reading, other=None):
        return [e.verdict for e in check_reading(car, bench, row.inner, row.outer, reading, other)]

    assert verdicts(-row.free_angle) == ["level turned"]
    assert "not zeroed" in verdicts(row.free_angle + radians(0.6))
    assert verdicts(found - row.change) == ["moved the other way"]
    assert verdicts(row.free_angle - radians(2.6), row.free_angle - radians(2.5)) == ["sides swapped"]


def test_what_the_level_showed_before_is_what_moves_are_counted_from():
    car = with_side(tansy(), "found", "rear_left", free_angle=radians(24.0))
    bench = index_bench(car, "plan", LEFT)
    assert bench.free_found.value == radians(24.0)
    assert bench.change.value == pytest.approx(float(bench.free_wanted.value) - radians(24.0))
    assert bench.free_computed.value == pytest.approx(index_bench(tansy(), "plan", LEFT).free_found.value)


def test_other_bars_change_rate_and_free_angle_together_and_bear_their_stress():
    bars = {b.part.code: b for b in other_bars(tansy(), "plan", LEFT)}
    assert list(bars) == ["TB-23.5", "TB-25", "TB-26.5"]
    assert [b.fitted for b in bars.values()] == [False, True, False]
    corner = evaluate(tansy(), "plan").corners[LEFT]
    low = arm_at(0.322 - float(corner.solid.value), LEFT)
    for bar in bars.values():
        d = bar.part.diameter
        k = pi * 79.3e9 * d**4 / 32 / 0.98
        a, load = arm_at(0.322, LEFT), float(corner.corner_load.value)
        free = a + load * R * cos(a) / k
        assert bar.free_angle.value == pytest.approx(free, abs=2e-4)
        assert bar.stress.value == pytest.approx(16 * k * (free - low) / (pi * d**3), rel=2e-3)
        assert not bar.over


def test_the_chart_has_every_step_and_its_height_rises_with_it():
    rows = index_chart(tansy(), "plan", LEFT)
    assert [round(degrees(r.change)) for r in rows] == list(range(-12, 13))
    heights = [r.hub_to_arch for r in rows]
    assert heights == sorted(heights)
    at = {round(degrees(r.change)): r for r in rows}
    assert at[0].hub_to_arch == pytest.approx(0.352, abs=1e-3)


def test_a_bolt_gives_its_lead_over_its_lever_and_the_height_of_one_turn():
    bench = index_bench(teasel(), "plan", Place.FRONT_LEFT)
    assert bench.rows == []
    assert bench.bolt.angle_per_turn.value == pytest.approx(0.0015 / 0.120)
    assert bench.bolt.turns.value == pytest.approx(float(bench.change.value) / 0.0125)
    assert bench.bolt.turns.assumed  # the unsprung mass is an estimate
    # turned by that much the corner stands at the height asked for
    per_turn = bench.bolt.height_per_turn.value
    corner = evaluate(teasel(), "plan").corners["front_left"]
    k = float(corner.angular_rate.value)
    slope = k * 0.0125 / (0.365 * cos(float(corner.arm_angle.value))) / float(corner.wheel_rate.value)
    assert 0.2 * slope < per_turn < slope  # one corner alone lifts less: the body leans on the other three


def test_one_turn_at_one_side_moves_its_diagonal_and_leaves_the_total():
    """Lifting one corner loads it and its diagonal; the body, stiff, leans so that moments still agree."""
    car = tansy()
    effect = index_bench(car, "plan", LEFT).effect
    assert effect.turn
    assert effect.by == pytest.approx(radians(0.4))
    up = {p.value: v for p, v in effect.heights.items()}
    assert up["rear_left"] > max(v for p, v in up.items() if p != "rear_left")
    # three springs give way under the fourth: rates times changes of height carry no load in sum, nor about the length
    corners = evaluate(car, "plan").corners
    spring = {p.value: float(c.wheel_rate.value) for p, c in corners.items()}
    k = float(corners[LEFT].angular_rate.value)
    push = k * effect.by / (R * cos(float(corners[LEFT].arm_angle.value)))
    moved = {p: -spring[p] * up[p] for p in up}
    moved["rear_left"] += push
    assert sum(moved.values()) == pytest.approx(0, abs=0.02 * push)
    assert moved["front_left"] + moved["front_right"] == pytest.approx(0, abs=0.02 * push)
    # cross weight is front right with rear left: both gain
    assert effect.cross * sum(c.mass.value for c in corners.values()) * G == pytest.approx(
        moved["front_right"] + moved["rear_left"], rel=0.05
    )


def test_a_coil_beside_the_bar_adds_its_rate_at_the_wheel_and_takes_its_share_of_the_load():
    """Against virtual work: bar and coil as one energy of the height, differentiated."""
    rate, hold, mr = 9e3, 0.012, 0.82
    car = tansy()
    for place in ("rear_left", "rear_right"):
        car = with_side(car, "plan", place, beside=CoilBeside(rate=RateValue(value=rate), hold=hold))
    corner = evaluate(car, "plan").corners[LEFT]
    free, load = float(corner.free_angle.value), float(corner.corner_load.value)

    def energy(hub):
        return K * (free - arm_at(hub, LEFT)) ** 2 / 2 + rate * (hold + mr * (0.430 - hub)) ** 2 / 2

    e = 1e-5
    push = (energy(0.322 - e) - energy(0.322 + e)) / (2 * e)
    assert push == pytest.approx(load, rel=1e-4)
    stiff = (energy(0.322 - e) - 2 * energy(0.322) + energy(0.322 + e)) / e**2
    assert corner.wheel_rate.value == pytest.approx(stiff, rel=2e-3)
    assert free < float(evaluate(tansy(), "plan").corners[LEFT].free_angle.value)
    # the plates set so, the same height comes out of the common equilibrium
    back = {p: float(evaluate(car, "plan").corners[p].free_angle.value) for p in (LEFT, RIGHT)}
    for place, angle in back.items():
        car = with_side(car, "plan", place.value, set_by="free angle", free_angle=angle)
    assert evaluate(car, "plan").corners[LEFT].hub_to_arch.value == pytest.approx(0.322, abs=1e-5)


def test_a_coilover_in_place_of_the_bar_stands_on_the_dampers_ratio():
    part = SpringPart(code="own", rate=RateValue(value=30e3), free_length=0.25)
    seat = Seat(length=0.300, hub_to_arch=0.430, pitch=0.0015)
    car = tansy()
    for place in ("rear_left", "rear_right"):
        car = with_side(car, "plan", place, spring=part, seat=seat, hub_to_arch=0.322)
    report = evaluate(car, "plan")
    corner = report.corners[LEFT]
    assert corner.wheel_rate.value == pytest.approx(30e3 * 0.82**2)
    assert corner.spring_force.value == pytest.approx(float(corner.corner_load.value) / 0.82)
    # seats stand 300 mm apart at full droop with the collar at its datum, and come nearer by the damper's travel
    length = 0.25 - float(corner.spring_force.value) / 30e3
    assert corner.collar.value == pytest.approx(0.300 - 0.82 * 0.108 - length)
    assert corner.free_angle is None
    assert any(f.rule == "damper_mounts_loaded" for f in report.findings)
    assert evaluate(car, "found").corners[LEFT].free_angle is not None  # the bar is still what was found
    assert index_bench(car, "plan", LEFT) is None


def test_another_bar_has_no_mark_and_counts_from_its_own_reading():
    car = tansy()
    other = car.bars[2]
    for place in ("rear_left", "rear_right"):
        car = with_side(car, "plan", place, spring=other)
    bench = index_bench(car, "plan", LEFT)
    assert bench.rows == []
    assert "another bar" in bench.trouble
    wanted = float(bench.free_wanted.value)
    car = with_side(car, "plan", "rear_left", plate_read=radians(31))
    bench = index_bench(car, "plan", LEFT)
    assert bench.trouble is None
    assert bench.change.value == pytest.approx(wanted - radians(31))
    assert bench.rows[0].free_angle == pytest.approx(wanted, abs=bench.window)


def test_the_height_after_loading_is_as_sure_as_level_scales_tape_and_bar_make_it():
    bench = index_bench(tansy(), "plan", LEFT)
    free = float(bench.free_wanted.value)
    sure = height_sure(tansy(), "plan", LEFT, free)
    assert sure.value == pytest.approx(0.322, abs=1e-5)
    shares = {s.document_path: s for s in sure.shares}
    # the bar's diameter goes into its rate with the fourth power and is the first to be measured again
    assert sure.shares[0].document_path.endswith("spring.diameter")
    # a tenth of a degree of the level, by the slope of the heights of two plate angles
    plate = shares["setups.1.sides.rear_left.free_angle"]
    more = height_sure(tansy(), "plan", LEFT, free + 1e-3)
    assert plate.effect == pytest.approx((more.value - sure.value) / 1e-3 * radians(0.1), rel=0.02)
