"""The index bench: moves, heights and readings against a pinned arm worked out apart, and left against right."""

from itertools import product
from math import asin, cos, degrees, pi, radians, sin

import pytest
from scipy.optimize import brentq

from feder.core.benches.acts import AskHeight, FitBar, SetForLoad
from feder.core.benches.index.bench import index_bench
from feder.core.benches.index.chart import index_chart, other_bars
from feder.core.benches.index.check import check_reading
from feder.core.benches.index.sure import height_sure
from feder.core.document.base import Place, RateValue
from feder.core.document.document import LoadItem, LoadState
from feder.core.document.setup import CoilBeside, IndexMoves, Seat, SpringPart
from feder.core.report.evaluate import evaluate
from feder.demo.tansy import tansy
from feder.demo.teasel import teasel
from tests.changes import applied, with_end, with_side

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


def plate_read(car):
    """The car with both plates read as found, the level showing what the numbers make."""
    for place in (LEFT, RIGHT):
        car = with_side(
            car, "found", place, free_angle=float(evaluate(car, "found").corners[place].free_angle.value)
        )
    return car


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
    car = plate_read(tansy())
    bench = index_bench(car, "plan", place)
    row = bench.rows[0]
    said = check_reading(car, bench, row.inner, row.outer, row.free_angle + radians(off))[0]
    assert said.verdict == verdict
    assert words in said.says
    if words in ("inner", "outer"):
        # too far down is mended the way that lifts the plate: anticlockwise on the left, seen from outside
        assert ("anticlockwise" in said.says) == ((off > 0) == (place == LEFT))


def test_a_reading_tells_a_turned_level_the_chassis_the_other_side_and_the_other_way():
    car = plate_read(tansy())
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
    # both the reading and the angle wanted hold what is off: the change wanted is that of the numbers
    assert bench.read
    assert bench.change.value == pytest.approx(float(bench.free_wanted.value) - float(bench.free_computed.value))
    assert bench.plate_wanted.value == pytest.approx(radians(24.0) + float(bench.change.value))
    plain = index_bench(tansy(), "plan", LEFT)
    for row, other in zip(bench.rows, plain.rows, strict=True):
        assert (row.inner, row.outer) == (other.inner, other.outer)
        assert row.height == pytest.approx(other.height, abs=1e-7)
        assert row.free_angle - other.free_angle == pytest.approx(bench.read_off.value)
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


@pytest.mark.parametrize("place", [LEFT, RIGHT])
@pytest.mark.parametrize(
    ("inner", "outer", "verdict", "words"),
    [
        (3, 0, "one end forgotten", "plate has not"),
        (0, -4, "one end forgotten", "bar has not"),
        (0, 0, "nothing moved", "neither end"),
        (-3, -4, "one end the other way", "bar went the wrong way"),
        (3, 4, "one end the other way", "plate went the wrong way"),
        (4, -3, "counts exchanged", "counts were exchanged"),
        (-3, 4, "moved the other way", "other side"),
    ],
)
def test_a_reading_tells_every_single_slip_with_the_splines(place, inner, outer, verdict, words):
    """Three into the bar, four into the plate wanted; what the level shows is that of the moves really made."""
    car = plate_read(tansy())
    bench = index_bench(car, "plan", place)
    reading = float(bench.free_found.value) + (inner / 36 - outer / 40) * 2 * pi
    said = {e.verdict: e.says for e in check_reading(car, bench, 3, -4, reading)}
    assert words in said[verdict]


def test_what_is_printed_as_the_edge_of_the_window_is_good():
    car = plate_read(tansy())
    bench = index_bench(car, "plan", LEFT)
    row = bench.rows[0]
    edge = round(degrees(row.free_angle + bench.window), 1)
    assert check_reading(car, bench, row.inner, row.outer, radians(edge))[0].verdict == "good"
    assert check_reading(car, bench, row.inner, row.outer, radians(edge + 0.11))[0].verdict != "good"


def test_within_its_reach_the_adjuster_is_told_its_turns_and_without_one_no_rest_is_spoken_of():
    car = plate_read(tansy())
    bench = index_bench(car, "plan", LEFT)
    row = bench.rows[0]
    reading = float(bench.plate_wanted.value) - radians(1.0)
    if abs(reading - row.free_angle) > bench.window + radians(0.05):
        said = check_reading(car, bench, row.inner, row.outer, reading)[0]
        assert said.verdict == "adjust"
        assert "up by 2.5 turns" in said.says
    arm = car.vehicle.ends.rear.arm
    fixed = with_end(car, "rear", arm=arm.but(adjuster=None))
    good = check_reading(fixed, index_bench(fixed, "plan", LEFT), row.inner, row.outer, row.free_angle)[0]
    assert good.says == "This is the pair."
    told = check_reading(car, bench, row.inner, row.outer, row.free_angle)[0]
    assert "adjuster" in told.says


def test_a_plate_not_read_before_is_said_where_the_level_shows_otherwise():
    bench = index_bench(tansy(), "plan", LEFT)
    row = bench.rows[0]
    said = check_reading(tansy(), bench, row.inner, row.outer, row.free_angle + radians(3.3))
    assert [e.verdict for e in said] == ["not read before"]
    assert not bench.read


def test_one_load_state_stands_behind_every_line_of_the_bench_and_says_whether_it_is_set():
    car = tansy()
    loaded = evaluate(car, "found", "market").corners[LEFT]
    bench = index_bench(car, "plan", LEFT, "market")
    assert not bench.set_so
    assert bench.load == "market"
    assert bench.hub_found.value == pytest.approx(loaded.hub_to_arch.value)
    assert bench.arm_found.value == pytest.approx(arm_at(loaded.hub_to_arch.value, LEFT), abs=1e-9)
    assert bench.arm_wanted.value == pytest.approx(arm_at(0.322, LEFT), abs=1e-9)
    done = applied(car, "plan", SetForLoad(act="set for load", end="rear", load_state="market"))
    assert done.setups[1].rear_meant == "market"
    assert index_bench(done, "plan", LEFT, "market").set_so
    assert evaluate(done, "plan", "market").corners[LEFT].hub_to_arch.value == pytest.approx(0.322, abs=1e-5)
    # another height asked then is meant under the same load
    lower = applied(done, "plan", AskHeight(act="ask height", place=LEFT, height=0.315, together=True))
    corners = evaluate(lower, "plan", "market").corners
    for place in (LEFT, RIGHT):
        assert corners[place].hub_to_arch.value == pytest.approx(0.315, abs=1e-5)
    # and so is it with another bar
    thicker = applied(done, "plan", FitBar(act="fit bar", end="rear", part=car.bars[2]))
    assert evaluate(thicker, "plan", "market").corners[RIGHT].hub_to_arch.value == pytest.approx(0.322, abs=1e-5)
    chart = {round(degrees(r.change)): r for r in index_chart(car, "plan", LEFT, "market")}
    assert chart[0].hub_to_arch == pytest.approx(loaded.hub_to_arch.value, abs=2e-3)


def test_the_pair_taken_stays_in_sight_and_says_when_it_no_longer_fits():
    car = tansy()
    best = index_bench(car, "plan", LEFT).rows[0]
    car = with_side(car, "plan", "rear_left", index=IndexMoves(inner=best.inner, outer=best.outer))
    (row,) = [r for r in index_bench(car, "plan", LEFT).rows if r.chosen]
    assert "no longer" not in row.says
    for place in ("rear_left", "rear_right"):
        car = with_side(car, "plan", place, hub_to_arch=0.345)
    bench = index_bench(car, "plan", LEFT)
    (row,) = [r for r in bench.rows if r.chosen]
    assert (row.inner, row.outer) == (best.inner, best.outer)
    assert row.says.startswith("your pair no longer fits")
    assert row.off == pytest.approx(row.height - 0.345)
    assert not bench.rows[0].chosen


def test_the_wound_bar_presses_by_the_angle_of_its_ledge_and_nothing_is_said_without_it():
    car = tansy()
    assert index_bench(car, "plan", LEFT).press_off is None
    car = with_end(car, "rear", arm=car.vehicle.ends.rear.arm.but(ledge=radians(18.0)))
    bench = index_bench(car, "plan", LEFT)
    ledge = radians(18.0 - 0.6)
    for press, free in ((bench.press_off, bench.free_found), (bench.press_on, bench.free_wanted)):
        force = K * (free.value - ledge) / (R * cos(ledge))
        assert (press is None) == (force <= 0)
        if press is not None:
            assert press.value == pytest.approx(force / G)
    assert bench.press_off is not None


def test_a_turn_of_both_bolts_lifts_more_than_one_alone():
    bolt = index_bench(teasel(), "plan", Place.FRONT_LEFT).bolt
    assert bolt.height_of_both.value > 1.2 * bolt.height_per_turn.value > 0
    corner = evaluate(teasel(), "plan").corners["front_left"]
    k = float(corner.angular_rate.value)
    slope = k * 0.0125 / (0.365 * cos(float(corner.arm_angle.value))) / float(corner.wheel_rate.value)
    assert bolt.height_of_both.value == pytest.approx(slope, rel=0.05)


def test_read_before_it_is_moved_the_plate_takes_most_of_the_bars_error_out_of_the_height():
    bench = index_bench(tansy(), "plan", LEFT)
    blind = height_sure(tansy(), "plan", LEFT, float(bench.free_wanted.value))
    car = plate_read(tansy())
    read = height_sure(car, "plan", LEFT, float(index_bench(car, "plan", LEFT).free_wanted.value))
    assert read.value == pytest.approx(blind.value, abs=1e-9)
    part = {s.document_path.rsplit(".", 1)[1]: s.effect for s in blind.shares}
    rest = {s.document_path.rsplit(".", 1)[1]: s.effect for s in read.shares}
    # 30 mm lower the arm is wound by as much less torque as cos a has grown: that little is left of the error
    assert rest.get("diameter", 0.0) < 0.15 * part["diameter"]
    assert read.standard < 0.7 * blind.standard


def test_without_an_adjuster_a_pair_is_judged_by_how_far_it_stands_off():
    car = plate_read(tansy())
    car = with_end(car, "rear", arm=car.vehicle.ends.rear.arm.but(adjuster=None))
    rows = [r for r in index_bench(car, "plan", LEFT, count=12).rows if not r.says.startswith("same height")]
    assert {r.grade for r in rows} >= {"", "look", "stop"} or len(rows) > 4
    for row in rows:
        off = abs(row.off)
        wanted = "" if off <= 0.002 else "look" if off < 0.010 else "stop"
        assert row.grade == wanted, row
        if off > 0.002:
            assert row.says == f"stands {{off}} {'high' if row.off > 0 else 'low'}"
            assert row.numbers["off"].value == pytest.approx(off)
        assert row.reachable is None


@pytest.mark.parametrize(("motion", "left"), [("trailing", True), ("leading", False)])
def test_which_way_lifts_turns_round_with_the_side_and_with_the_arm(motion, left):
    car = tansy()
    car = with_end(car, "rear", arm=car.vehicle.ends.rear.arm.but(motion=motion))
    assert index_bench(car, "plan", LEFT).lifts_clockwise is left
    assert index_bench(car, "plan", RIGHT).lifts_clockwise is not left


def test_a_pair_taken_that_is_far_off_stands_by_its_own_count():
    car = with_side(tansy(), "plan", "rear_left", index=IndexMoves(inner=7, outer=-3))
    bench = index_bench(car, "plan", LEFT)
    (row,) = [r for r in bench.rows if (r.inner, r.outer) == (7, -3)]
    turned = (7 / 36 + 3 / 40) * 2 * pi
    assert row.chosen
    assert row.change == pytest.approx(turned)
    assert row.free_angle == pytest.approx(float(bench.free_found.value) + turned)
    assert row.error == pytest.approx(turned - float(bench.change.value))
    assert row.adjust == pytest.approx(-row.error)
    assert sum(r.chosen for r in bench.rows) == 1
    assert bench.rows[-1].free_angle == pytest.approx(float(bench.free_found.value))
