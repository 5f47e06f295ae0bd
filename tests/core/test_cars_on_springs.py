"""Roll, wheel spacers, lowering springs, loads, corrections and comparisons of a car, each worked out apart."""

import pytest

from feder.core.benches.loads.plan import load_plan, rank_by_loads, spacer_instead
from feder.core.benches.settle.setdown import set_down as told_of
from feder.core.benches.springs.helper import paired, pairs_for
from feder.core.document.base import PLACES, LengthValue, RateValue
from feder.core.document.document import Document, LoadItem, LoadState
from feder.core.document.setup import BarSetting, SpringPart
from feder.core.document.vehicle import (
    AntiRollBar,
    BarHole,
    LowerArm,
    Mount,
    Plate,
    RatioFromLevers,
    RatioFromSweep,
    RatioTyped,
)
from feder.core.report.compare import compare
from feder.core.report.evaluate import evaluate
from feder.core.report.explain import figure_at
from feder.demo.sedge import sedge
from feder.demo.springs import demo_spring
from tests.changes import set_down, with_end, with_side

G = 9.80665
BAR = AntiRollBar(
    rate=RateValue(value=30e3), motion_ratio=0.8, holes=(BarHole(name="inner", rate=RateValue(value=45e3)),)
)


@pytest.fixture
def rolling(car):
    """The demo car with its heights for roll and a front bar of two holes."""
    vehicle = car.vehicle.model_copy(
        update={"sprung_cg_height": LengthValue(value=0.56), "plate": Plate(gross=1420, rear_axle=600)}
    )
    car = car.model_copy(update={"vehicle": vehicle})
    return with_end(with_end(car, "front", roll_centre=0.06, bar=BAR), "rear", roll_centre=0.10)


def both(document, end, setup="plan", **members):
    for side in ("left", "right"):
        document = with_side(document, setup, f"{end}_{side}", **members)
    return document


def barred(document, **setting):
    setups = (document.setups[0], document.setups[1].model_copy(update={"front_bar": BarSetting(**setting)}))
    return document.model_copy(update={"setups": setups})


def moments(front_bar):
    """Roll of the body found by turning it until springs and bar hold it, at 1 g."""
    mass, share = 886.0, 538 / 886
    arm = 0.56 - (share * 0.06 + (1 - share) * 0.10)
    kf = 2 * 36864 * 0.7**2 + front_bar * 0.64 * 1.4**2
    kr = 2 * 31104 * 0.69**2
    low, high = 0.0, 0.5
    for _ in range(60):
        phi = (low + high) / 2
        lean = mass * G * arm * (1 + phi)  # small angles, as the formula says
        low, high = (phi, high) if (kf + kr) * phi < lean else (low, phi)
    return phi, kf, share, mass


@pytest.mark.parametrize(("setting", "bar"), [({}, 30e3), ({"hole": "inner"}, 45e3), ({"hooked": False}, 0.0)])
def test_roll_follows_the_hole_of_the_bar_and_balances_the_body(rolling, setting, bar):
    report = evaluate(barred(rolling, **setting), "plan")
    phi, kf, share, mass = moments(bar)
    v = report.vehicle
    assert v.front_roll_stiffness.value == pytest.approx(kf)
    assert v.roll_gradient.value == pytest.approx(phi, rel=1e-6)
    # all moments about the floor: what the wheels carry over is the whole car's side force at its height
    total = v.front_moved.value * 1.4 + v.rear_moved.value * 1.38
    lean = mass * G * (0.56 + phi * (0.56 - share * 0.06 - (1 - share) * 0.10))
    unsprung = 124 * G * 0.288
    assert total == pytest.approx(lean + unsprung, rel=1e-3)
    assert v.front_transfer.value == pytest.approx(
        v.front_moved.value / (v.front_moved.value + v.rear_moved.value)
    )
    corner = report.corners["front_left"]
    assert corner.stop_cornering.value * phi * 0.7 == pytest.approx(corner.stop.value, rel=1e-6)
    # braking at the g told: load moved to both front wheels presses just the travel to the stop
    moved = mass * G * corner.stop_braking.value * 0.56 / 2.44
    assert moved / (2 * 36864) == pytest.approx(corner.stop.value, rel=1e-6)


def test_a_bar_in_a_stiffer_hole_takes_more_of_a_lopsided_load(rolling):
    tools = LoadState(id="tools", name="tools", items=(LoadItem(name="chest", mass=60, x=0.4, y=0.6),))
    rolling = rolling.model_copy(update={"loads": (tools,)})
    lean = [
        evaluate(barred(rolling, **s), "plan", "tools").corners for s in ({"hooked": False}, {"hole": "inner"})
    ]
    apart = [c["front_left"].hub_to_arch.value - c["front_right"].hub_to_arch.value for c in lean]
    assert apart[0] > 1.2 * apart[1] > 0


def test_spacers_widen_the_track_and_lengthen_the_wheels_lever(car):
    levers = RatioFromLevers(spring_distance=0.24, wheel_distance=0.36)
    car = with_end(car, "front", spring=Mount(ratio=levers))
    wide = evaluate(both(car, "front", spacer=0.015), "plan")
    assert wide.corners["front_left"].motion_ratio.value == pytest.approx(0.24 / 0.375)
    assert wide.corners["front_left"].wheel_rate.value == pytest.approx(40e3 * (0.24 / 0.375) ** 2)
    assert wide.vehicle.front_roll_stiffness.value == pytest.approx(
        40e3 * (0.24 / 0.375) ** 2 * 1.430**2 / 2, rel=1e-6
    )


def test_a_quoted_drop_gives_the_free_length_that_stands_so_low(car):
    part = SpringPart(code="low 35", rate=RateValue(value=33e3), quoted_drop=0.035)
    on_perch = {"spring": part, "set_by": "collar", "collar": 0.0, "hub_to_arch": None, "seat": None}
    rigid = car.vehicle.ends.front.tyre.model_copy(update={"rate": None})
    document = both(with_end(with_end(car, "front", tyre=rigid), "rear", tyre=rigid), "rear", **on_perch)
    for place, hub in (("front_left", 0.376), ("front_right", 0.374)):
        document = with_side(document, "plan", place, hub_to_arch=hub)
    report = evaluate(document, "plan")
    assert report.corners["rear_left"].hub_to_arch.value == pytest.approx(0.368 - 0.035, abs=1e-6)
    assert report.corners["rear_left"].wheel_rate.value == pytest.approx(33e3 * 0.72**2)


def loaded(document):
    states = (
        LoadState(id="day", name="everyday", items=(LoadItem(name="tools", mass=60, x=2.2),)),
        LoadState(id="full", name="full", items=(LoadItem(name="water", mass=220, x=2.5),)),
    )
    return document.model_copy(update={"loads": states})


def test_the_load_plan_shows_each_state_against_the_plate(rolling):
    rows = load_plan(loaded(rolling), "plan")
    assert [r.name for r in rows] == ["as weighed", "everyday", "full"]
    for row, mass, x in ((rows[1], 60, 2.2), (rows[2], 220, 2.5)):
        front, rear = row.ends
        assert row.total_mass.value == pytest.approx(1010 + mass, rel=1e-6)
        assert rear.axle_mass.value == pytest.approx(404 + mass * x / 2.44, rel=1e-4)
        assert front.axle_mass.value == pytest.approx(606 + mass * (1 - x / 2.44), rel=1e-4)
        assert rear.change.value == pytest.approx(-mass * G * x / 2.44 / 2 / 31104, rel=0.02)
    sunk = [r.rake_change.value for r in rows]
    assert sunk[2] < sunk[1] < sunk[0]  # the tail sinks
    assert rows[2].ends[1].axle_mass.value > rows[2].ends[1].axle_limit
    slower = [r.ends[1].frequency.value for r in rows]
    assert slower[2] < slower[1] < slower[0]


def test_what_was_not_told_is_assumed_marked_and_carried(rolling):
    """Each of three untold numbers stands at its usual value, and what rests on it says so; told, nothing does."""

    def put(document, path, value):
        plain = document.model_dump(mode="json")
        holder = plain
        for part in path[:-1]:
            holder = holder[part]
        holder[path[-1]] = value
        return Document.model_validate(plain)

    stop = {"length": 0.045, "shaft": 0.064, "hub_to_arch": 0.354, "compressible": 0.5}
    told = put(loaded(barred(rolling)), ("vehicle", "ends", "front", "bump_stop"), stop)
    told = put(told, ("vehicle", "ends", "front", "bar", "motion_ratio"), 1.0)
    told = put(told, ("loads", 0, "items", 0, "x"), told.vehicle.wheelbase.value / 2)
    told = put(told, ("loads", 0, "items", 0, "y"), 0.0)
    cases = (
        (("loads", 0, "items", 0, "x"), "corners.rear_left.hub_to_arch"),
        (("vehicle", "ends", "front", "bar", "motion_ratio"), "vehicle.front_moved"),
        (("vehicle", "ends", "front", "bump_stop", "compressible"), "corners.front_left.stop_shortest"),
    )
    for path, figure in cases:
        one, two = (figure_at(evaluate(d, "plan", "day"), figure) for d in (told, put(told, path, None)))
        assert (one.assumed, two.assumed) == (False, True), path
        assert two.value == pytest.approx(one.value, rel=1e-9)


def test_a_spacer_lifts_the_loaded_end_back_and_leaves_it_as_slow(rolling):
    document = loaded(rolling)
    row = next(r for r in load_plan(document, "plan") if r.id == "full").ends[1]
    instead = spacer_instead(document, "plan", "rear", "full")
    # the body is lifted by what it had sunk, through the motion ratio; the frequency is the load's
    assert instead.spacer == pytest.approx(-row.change.value * 0.72, rel=0.02)
    assert instead.frequency == pytest.approx(row.frequency.value, rel=0.01)
    assert instead.stop == pytest.approx(row.stop.value - row.change.value, abs=2e-3)
    assert instead.empty_rise == pytest.approx(-row.change.value, rel=0.05)


def test_the_shelf_is_ranked_by_its_worst_state_stops_first(rolling):
    shelf = [demo_spring(60, 180, k) for k in (30, 40, 50, 60, 70)]
    ranked = rank_by_loads(loaded(rolling), "plan", "rear", shelf)
    assert len(ranked) == 5
    keys = [(r.past_stop, r.off) for r in ranked]
    assert keys == sorted(keys)
    soft = next(r for r in ranked if r.part.rate.value == pytest.approx(30e3, rel=0.1))
    assert soft.worst == "full"
    assert soft.changes[2].value < ranked[0].changes[2].value


def test_measured_heights_come_back_as_the_collars_that_were_off(car):
    """A car fitted with two collars wrong, measured: they are turned back, loads and all, as far as a tape is trusted."""
    right = evaluate(car, "plan")
    off = {"front_left": 0.004, "rear_right": -0.003}
    wrong = car
    for place in PLACES:
        collar = float(right.corners[place].collar.value) + off.get(place.value, 0.0)
        wrong = with_side(wrong, "plan", place, set_by="collar", collar=collar)
    stands = evaluate(wrong, "plan")
    measured = set_down(car, "plan", {p: float(stands.corners[p].hub_to_arch.value) for p in PLACES})
    rows = {r.place.value: r.turn for r in told_of(measured, "plan").rows}
    for place in PLACES:
        assert rows[place.value].move == pytest.approx(-off.get(place.value, 0.0), abs=6e-4)
    assert rows["front_left"].turns == pytest.approx(rows["front_left"].move / 0.002)
    assert all(r.turn is None for r in told_of(car, "plan").rows)


def test_a_comparison_names_the_change_that_did_it(car):
    stiff = demo_spring(60, 180, 80)
    other = both(car, "rear", spring=stiff).setups[1].model_copy(update={"id": "b", "name": "b"})
    car = car.model_copy(update={"setups": (*car.setups, other)})
    found = compare(car, "plan", "b")
    assert found.largest.endswith("wheel_rate")
    assert found.causes[0].words == "rear springs"
    row = next(d for d in found.differences if d.path == found.largest)
    assert found.causes[0].effect == pytest.approx(row.second.value - row.first.value, rel=1e-6)
    again = compare(car, "plan", "b", "ends.front.frequency")
    assert [c.words for c in again.causes] in ([], ["rear springs"])
    with pytest.raises(KeyError):
        compare(car, "plan", "b", "ends.front.nothing")


def test_a_spring_on_its_perch_is_one_cause_of_the_height_and_the_measured_setup_can_be_compared():
    car = sedge()
    found = compare(car, "found", "plan", "corners.rear_left.hub_to_arch")
    row = next(d for d in found.differences if d.path == "corners.rear_left.hub_to_arch")
    assert found.causes[0].words == "rear springs at their heights"
    # the maker's 35 mm, all of it by the springs; the cut stops do not touch and move nothing
    assert found.causes[0].effect == pytest.approx(row.second.value - row.first.value, abs=1e-3)
    assert found.causes[0].effect == pytest.approx(-0.035, abs=1e-3)
    assert not any("stops" in c.words for c in found.causes)
    gap = compare(car, "found", "plan", "corners.rear_left.stop")
    effects = {c.words: c.effect for c in gap.causes}
    # 78 mm cut to 60 at 0.92: 19.6 mm more at the wheel, less the 35 mm of the drop
    assert effects["rear bump stops"] == pytest.approx(0.018 / 0.92, abs=1e-6)
    assert effects["rear springs at their heights"] == pytest.approx(-0.035, abs=1e-3)


def test_a_helper_keeps_a_short_spring_seated(car):
    main, helper = (
        demo_spring(60, 120, 80),
        SpringPart(
            code="helper 60",
            rate=RateValue(value=3e3),
            free_length=0.075,
            solid_length=0.02,
            inside_diameter=main_inside(),
        ),
    )
    pairs = pairs_for(main, 0.03, [helper, demo_spring(60, 180, 60)])
    assert [p.code for p in pairs] == [f"{main.code} + helper 60"]
    assert pairs_for(main, 0.06, [helper]) == []
    pair = paired(main, helper)
    assert pair.tender_travel == pytest.approx(0.055)
    corner = evaluate(both(car, "rear", spring=pair), "plan").corners["rear_left"]
    # at ride the helper is solid: the main spring alone, and a collar that makes room for helper and ring
    alone = evaluate(both(car, "rear", spring=main), "plan").corners["rear_left"]
    assert corner.spring_rate.value == pytest.approx(main.rate.value)
    assert alone.collar.value - corner.collar.value == pytest.approx(0.020 + 0.005, abs=1e-5)
    assert alone.held_at_droop.value < 0 < corner.held_at_droop.value


def main_inside():
    return demo_spring(60, 120, 80).inside_diameter


def spaced(document, layout="divorced", left=0.0, right=0.0, **end):
    """The demo car with unlike wheel spacers at the rear of its plan."""
    document = with_end(document, "rear", layout=layout, **end)
    for place, out in (("rear_left", left), ("rear_right", right)):
        document = with_side(document, "plan", place, spacer=out)
    return evaluate(document, "plan").corners


@pytest.mark.parametrize(("left", "right"), [(0.015, 0.0), (0.0, 0.025), (0.010, 0.020)])
def test_each_side_has_its_own_lever_with_its_own_spacer(car, left, right):
    levers = Mount(ratio=RatioFromLevers(spring_distance=0.27, wheel_distance=0.36))
    corners = spaced(car, left=left, right=right, spring=levers, arm_lies="across")
    for place, out in (("rear_left", left), ("rear_right", right)):
        assert corners[place].motion_ratio.value == pytest.approx(0.27 / (0.36 + out), rel=1e-12)
        assert not corners[place].motion_ratio.assumed


@pytest.mark.parametrize(("layout", "lies"), [("divorced", "along"), ("live axle", None)])
def test_a_spacer_leaves_the_ratio_of_an_arm_along_the_vehicle(car, layout, lies):
    levers = Mount(ratio=RatioFromLevers(spring_distance=0.27, wheel_distance=0.36))
    corners = spaced(car, layout, 0.02, 0.02, spring=levers, arm_lies=lies)
    assert corners["rear_left"].motion_ratio.value == pytest.approx(0.75, rel=1e-12)


def test_a_typed_ratio_changes_by_the_arm_read_or_by_a_usual_one_and_says_so(car):
    typed = Mount(ratio=RatioTyped(value=0.72))
    arm = LowerArm(length=0.36, angle=-0.1, hub_to_arch=0.36)
    read = spaced(car, left=0.018, spring=typed, arm_lies="across", lower_arm=arm)["rear_left"].motion_ratio
    assert (read.value, read.assumed) == (pytest.approx(0.72 * 0.36 / 0.378), False)
    usual = spaced(car, left=0.018, spring=typed, arm_lies="across", lower_arm=None)["rear_left"].motion_ratio
    assert (usual.value, usual.assumed) == (pytest.approx(0.72 * 0.40 / 0.418), True)
    untold = spaced(car, left=0.018, spring=typed, lower_arm=arm)["rear_left"].motion_ratio
    assert (untold.value, untold.assumed) == (pytest.approx(0.72 * 0.36 / 0.378), True)


def test_a_sweep_behind_a_wheel_further_out_is_slower_by_the_lever(car):
    # spring seats closer by 0.8 z - z^2 as the wheel rises by z from 0.40
    pairs = tuple((0.40 - z, 0.30 - 0.8 * z + z * z) for z in (0.0, 0.02, 0.04, 0.06, 0.08))
    levers = LowerArm(length=0.40, angle=0.0, hub_to_arch=0.37)
    corners = spaced(
        car, left=0.02, spring=Mount(ratio=RatioFromSweep(points=pairs)), arm_lies="across", lower_arm=levers
    )
    hub, share = corners["rear_left"].hub_to_arch.value, 0.40 / 0.42
    old = 0.368 - (0.368 - hub) * share  # where the wheel as found would be for the same spring
    assert corners["rear_left"].motion_ratio.value == pytest.approx(share * (0.8 - 2 * (0.40 - old)), rel=1e-6)
    right = corners["rear_right"]
    assert right.motion_ratio.value == pytest.approx(0.8 - 2 * (0.40 - right.hub_to_arch.value), rel=1e-6)


def test_limits_move_with_the_longer_lever_and_the_arch_is_to_be_read_again(car):
    levers = Mount(ratio=RatioFromLevers(spring_distance=0.27, wheel_distance=0.36))
    limits = car.vehicle.ends.rear.limits.but(droop=0.43, solid=0.29, contact=0.30)
    before = spaced(car, spring=levers, arm_lies="across", limits=limits)["rear_left"]
    after = spaced(car, left=0.018, right=0.018, spring=levers, arm_lies="across", limits=limits)["rear_left"]
    for now, was, read in ((after.droop, before.droop, 0.43), (after.solid, before.solid, 0.29)):
        hub = after.hub_to_arch.value
        assert abs(now.value) == pytest.approx(abs(hub - (0.368 - (0.368 - read) * 1.05)), abs=1e-9), was
    document = with_side(with_end(car, "rear", limits=limits), "plan", "rear_left", spacer=0.01)
    told = {(f.rule, f.place) for f in evaluate(document, "plan").findings}
    assert ("wheels_further_out", "rear_left") in told
    assert ("wheels_further_out", "rear_right") not in told


def test_a_spring_that_would_have_to_pull_is_refused_in_words_not_printed_as_a_force(car):
    """A stiff bar and sides asked far apart: the bar would hold its low side up alone."""
    car = with_end(car, "rear", bar=AntiRollBar(rate=RateValue(value=8e4), motion_ratio=0.9))
    car = with_side(
        with_side(car, "plan", "rear_left", hub_to_arch=0.362), "plan", "rear_right", hub_to_arch=0.342
    )
    report = evaluate(car, "plan")
    assert "would have to pull" in report.equilibrium
    assert ("cannot_stand", "vehicle") in {(f.rule, f.place) for f in report.findings}
    forces = [c.spring_force for c in report.corners.values() if c.spring_force is not None]
    assert all(f.value >= 0 for f in forces)


def test_a_tender_spring_loose_at_ride_has_no_rate_and_shuts_nothing(car):
    """As found the wheel hangs on its damper: the spring has 30 mm of air."""
    part = car.setups[1].sides.rear_left.spring.but(tender_rate=20e3, tender_travel=0.03)
    loose = with_side(car, "plan", "rear_left", spring=part, set_by="collar", collar=-0.2)
    corner = evaluate(loose, "plan").corners["rear_left"]
    assert corner.wheel_rate is None or corner.wheel_rate.value > 0
