"""Set down: what to turn on vehicles whose collars, plates and pressures were set wrong, against the other model."""

import copy
import random
from math import pi, radians

import pytest

from feder.core.benches.acts import TakeTurns
from feder.core.benches.settle.heights import stands
from feder.core.benches.settle.knobs import knobs_of, on_adjusters
from feder.core.benches.settle.setdown import set_down
from feder.core.document.base import PLACES, Place
from feder.core.document.survey import Conditions
from feder.core.report.evaluate import evaluate_plain
from feder.demo.finch import finch
from feder.demo.nettle import nettle
from feder.demo.settled import settled_magpie, settled_nettle, settled_tansy
from feder.demo.tansy import tansy
from tests.changes import applied, with_end, with_side
from tests.changes import set_down as with_round
from tests.reference.hidden import CORNERS, drawn
from tests.reference.whole import Whole


def fitted():
    """The demo's car on its kit, before anything was read of it."""
    car = settled_nettle().document
    first = settled_nettle().entries[0][0]
    return car.but(setups=(*car.setups[:-1], first), surveys=car.surveys[:1])


def heights_of(document, index, **collars):
    """Heights by the other model, some collars elsewhere."""
    data = document.model_dump(mode="json")
    for place, by in collars.items():
        data["setups"][index]["sides"][place]["collar"] += by
    wheels = Whole(data).stands(index)
    return {p: wheels[p].hub for p in CORNERS}


def test_two_collars_set_wrong_are_turned_back_and_the_rest_is_left():
    car = fitted()
    read = heights_of(car, 2, front_left=0.005, rear_right=-0.004)
    told = set_down(with_round(car, "fitted", read), "fitted")
    rows = {r.place.value: r for r in told.rows}
    wanted = {"front_left": 0.354, "front_right": 0.354, "rear_left": 0.352, "rear_right": 0.352}
    assert {p: r.wanted for p, r in rows.items()} == wanted
    moves = {p: r.turn.move for p, r in rows.items()}
    assert moves["front_left"] == pytest.approx(-0.005, abs=8e-4)
    assert moves["rear_right"] == pytest.approx(0.004, abs=8e-4)
    assert rows["front_left"].turn.turns == pytest.approx(moves["front_left"] / 0.002)
    assert rows["rear_right"].turn.turns == pytest.approx(moves["rear_right"] / 0.0015)
    then = heights_of(
        car, 2, **{p: m + {"front_left": 0.005, "rear_right": -0.004}.get(p, 0.0) for p, m in moves.items()}
    )
    for place, row in rows.items():
        assert row.turn.stands_then == pytest.approx(then[place], abs=2e-5)
        assert then[place] == pytest.approx(row.wanted, abs=1e-3)
    assert told.worst_then == pytest.approx(max(abs(then[p] - wanted[p]) for p in CORNERS), abs=3e-5)


def test_within_two_millimetres_nothing_is_turned():
    read = {"front_left": 0.3558, "front_right": 0.3525, "rear_left": 0.3505, "rear_right": 0.3535}
    told = set_down(with_round(fitted(), "fitted", read), "fitted")
    assert told.level
    assert all(r.within and r.turn.move == 0 and r.turn.small for r in told.rows)
    higher = set_down(with_round(fitted(), "fitted", {**read, "front_left": 0.3562}), "fitted")
    assert not higher.level
    assert [r.place.value for r in higher.rows if r.turn.move] == ["front_left"]


def test_a_corner_that_is_held_stays_and_what_that_leaves_is_said():
    read = heights_of(fitted(), 2, front_left=0.008)
    car = with_round(fitted(), "fitted", read)
    told = set_down(car, "fitted", held=[Place.FRONT_LEFT])
    rows = {r.place.value: r for r in told.rows}
    assert rows["front_left"].turn.held
    assert rows["front_left"].turn.move == 0
    assert told.worst_then > set_down(car, "fitted").worst_then + 1e-3


def test_the_thread_ends_before_what_was_wanted():
    car = with_side(fitted(), "fitted", "rear_right", collar=0.0010)
    read = heights_of(car, 2, rear_right=0.012)
    turn = set_down(with_round(car, "fitted", read), "fitted").rows[3].turn
    assert turn.bounded
    assert turn.then == pytest.approx(0.0)
    assert turn.low == 0


def test_heights_from_the_floor_ask_for_the_same_turns():
    read = heights_of(fitted(), 2, front_left=0.006)
    hub = set_down(with_round(fitted(), "fitted", read), "fitted")
    floor = {
        p: stands(fitted(), "fitted", "floor_to_arch")[Place(p)] + read[p] - heights_of(fitted(), 2)[p]
        for p in read
    }
    other = set_down(with_round(fitted(), "fitted", floor, "floor_to_arch"), "fitted")
    assert other.basis == "floor_to_arch"
    for a, b in zip(hub.rows, other.rows, strict=True):
        assert b.turn.move == pytest.approx(a.turn.move, abs=1.5e-4)


def test_a_plates_adjuster_is_turned_by_its_angle_and_its_range_is_counted_from_where_it_was_set():
    car = tansy()
    plan = evaluate_plain(car, "plan").corners
    data = on_adjusters(car, "plan").model_dump(mode="json")
    data["setups"][1]["sides"]["rear_left"]["free_angle"] += radians(0.4)
    wheels = Whole(data).stands(1)
    car = with_round(car, "plan", {p: wheels[p].hub for p in CORNERS})
    rows = {r.place.value: r for r in set_down(car, "plan").rows}
    assert rows["front_left"].turn is None  # a strut on its fixed perch
    turn = rows["rear_left"].turn
    assert (turn.kind, turn.unit) == ("adjuster", "rad")
    assert turn.move == pytest.approx(-radians(0.4), abs=radians(0.06))
    assert turn.turns == pytest.approx(turn.move / radians(0.4))
    planned = float(plan["rear_left"].free_angle.value)
    assert turn.high - planned == pytest.approx(radians(1.2))
    turned = with_side(car, "plan", "rear_left", set_by="free angle", free_angle=planned - radians(0.5))
    knob = knobs_of(turned, "plan", evaluate_plain(turned, "plan"))[Place.REAR_LEFT]
    assert knob.now - knob.low == pytest.approx(radians(0.7), abs=radians(0.02))


def test_on_splines_the_nearest_pair_is_told_and_the_height_that_it_gives():
    car = tansy()
    arm = car.vehicle.ends.rear.arm.but(adjuster=None)
    car = with_end(car, "rear", arm=arm)
    read = {p: float(c.hub_to_arch.value) for p, c in evaluate_plain(car, "plan").corners.items()}
    car = with_round(car, "plan", read | {Place.REAR_LEFT: read[Place.REAR_LEFT] + 0.02})
    row = next(r for r in set_down(car, "plan").rows if r.place is Place.REAR_LEFT)
    bar = car.setups[1].sides.rear_left.spring
    pairs = [2 * pi * (i / bar.inner_splines - o / bar.outer_splines) for i in range(-8, 9) for o in range(-8, 9)]
    assert min(abs(row.turn.move - a) for a in pairs) < 1e-9
    assert row.turn.move < 0
    assert "bar" in row.words
    assert row.turn.stands_then == pytest.approx(row.wanted, abs=6e-3)


def test_a_motorcycles_preload_is_turned_in_where_it_sags_too_far():
    bike = settled_magpie().document
    rows = {r.place.value: r for r in set_down(bike, "ridden").rows}
    # extended 148, rider on 116 and 110 along a tube at 25.5 degrees
    assert rows["front"].read == pytest.approx((0.148 - 0.113) * 0.90259, abs=1e-5)
    assert rows["rear"].read == pytest.approx(0.604 - 0.568)
    far = with_round(bike.but(surveys=bike.surveys[:1]), "ridden", {Place.REAR: 0.554}, "rider_lifted")
    told = set_down(far, "ridden")
    row = next(r for r in told.rows if r.place is Place.REAR)
    assert told.basis == "rider_sag"
    assert row.low
    assert row.turn.kind == "cap"
    assert row.turn.move > 0
    data = on_adjusters(far, "ridden").model_dump(mode="json")
    index = len(data["setups"]) - 1
    before, data2 = Whole(data).stands(index, "solo"), copy.deepcopy(data)
    data2["setups"][index]["sides"]["rear"]["collar"] = row.turn.then
    after = Whole(data2).stands(index, "solo")
    assert row.turn.stands_then == pytest.approx(row.read - (after["rear"].hub - before["rear"].hub), abs=3e-4)


def test_an_air_spring_is_pumped_where_it_sags_too_far():
    bike = finch()
    knobs = knobs_of(bike, "plan", evaluate_plain(bike, "plan"))
    place = next(p for p, k in knobs.items() if k.kind == "pressure")
    foretold = stands(on_adjusters(bike, "plan"), "plan", "rider_sag", bike.loads[0].id if bike.loads else None)
    assert knobs[place].unit == "Pa"
    assert knobs[place].now > 1e5
    assert foretold is not None


def test_turns_taken_keep_what_was_wanted_and_untick_that_it_was_rolled():
    car = with_round(fitted(), "fitted", heights_of(fitted(), 2, front_left=0.006))
    survey = car.surveys[1].but(conditions=Conditions(rolled=True, level_floor=True))
    car = car.but(surveys=(car.surveys[0], survey))
    turn = set_down(car, "fitted").rows[0].turn
    turned = applied(car, "fitted", TakeTurns(act="take turns", to={Place.FRONT_LEFT: turn.then}, survey=1))
    side = turned.setups[2].sides.front_left
    assert (side.set_by, side.hub_to_arch) == ("collar", 0.354)
    assert side.collar == pytest.approx(turn.then, abs=1e-6)
    for place in ("front_right", "rear_left", "rear_right"):
        assert getattr(turned.setups[2].sides, place) == getattr(car.setups[2].sides, place)
    assert not turned.surveys[1].conditions.rolled
    assert turned.surveys[1].conditions.level_floor
    assert set_down(turned, "fitted").rows[0].wanted == 0.354


def test_turns_taken_on_a_plan_set_by_height_leave_the_other_collars_where_they_were():
    car = nettle()
    was = {p: float(c.collar.value) for p, c in evaluate_plain(car, "plan").corners.items()}
    turned = applied(car, "plan", TakeTurns(act="take turns", to={Place.REAR_LEFT: 0.0086}))
    now = evaluate_plain(turned, "plan").corners
    for place in PLACES:
        expected = 0.0086 if place is Place.REAR_LEFT else was[place]
        assert float(now[place].collar.value) == pytest.approx(expected, abs=1e-6)
    assert float(now[Place.REAR_LEFT].hub_to_arch.value) > 0.3535


def test_a_kit_set_by_its_bodys_length_is_turned_at_the_body_and_its_collar_stays():
    car = with_side(fitted(), "fitted", "front_left", body=0.004)
    data = car.model_dump(mode="json")
    foretold = {p: w.hub for p, w in Whole(data).stands(2).items()}
    car = with_side(car, "fitted", "front_left", hub_to_arch=foretold["front_left"])
    read = foretold | {"front_left": foretold["front_left"] + 0.005}
    turn = set_down(with_round(car, "fitted", read), "fitted").rows[0].turn
    assert (turn.kind, turn.now, turn.turns) == ("body", 0.004, None)
    assert turn.move < -0.003
    data["setups"][2]["sides"]["front_left"]["body"] = turn.then
    then = Whole(data).stands(2)["front_left"].hub
    assert turn.stands_then == pytest.approx(read["front_left"] + then - foretold["front_left"], abs=3e-5)
    turned = applied(car, "fitted", TakeTurns(act="take turns", to={Place.FRONT_LEFT: turn.then}))
    side = turned.setups[2].sides.front_left
    assert (side.body, side.collar, side.set_by) == (pytest.approx(turn.then, abs=1e-6), 0.024, "collar")


def test_where_no_height_was_asked_what_the_collars_gave_stays_wanted_after_a_turn():
    car = fitted()
    for place in CORNERS:
        car = with_side(car, "fitted", place, hub_to_arch=None)
    foretold = heights_of(car, 2)
    car = with_round(car, "fitted", foretold | {"front_left": foretold["front_left"] + 0.005})
    told = set_down(car, "fitted")
    assert {r.place.value: r.wanted for r in told.rows} == pytest.approx(foretold, abs=2e-5)
    turned = applied(car, "fitted", TakeTurns(act="take turns", to={Place.FRONT_LEFT: told.rows[0].turn.then}))
    assert {r.place.value: r.wanted for r in set_down(turned, "fitted").rows} == pytest.approx(foretold, abs=2e-5)


def test_a_round_of_the_torsion_car_is_corrected_at_once():
    told = settled_tansy()
    rounds = [i for i in told.document.rounds_of("turned") if i]
    first = set_down(
        told.document.but(setups=(*told.document.setups[:-1], told.entries[0][0])), "turned", rounds[0]
    )
    moves = {r.place: r.turn.move for r in first.rows if r.turn is not None}
    assert moves[Place.REAR_LEFT] < 0 < moves[Place.REAR_RIGHT]
    assert set_down(told.document, "turned", rounds[1]).level


@pytest.mark.parametrize("seed", range(5))
def test_hidden_vehicles_are_brought_to_their_heights_in_one_round(seed):
    """Inputs err within their tolerances; the turns are tried on the other model."""
    car, dice = fitted(), random.Random(seed)
    hidden = drawn(car.model_dump(mode="json"), 2, dice)
    four = hidden.read(dice, 4, hidden.heights())
    mean = {p: sum(v) / 4 for p, v in four.items()}
    told = set_down(with_round(car, "fitted", mean), "fitted")
    collars = {r.place.value: r.turn.move for r in told.rows if r.turn.move}
    after = hidden.stands_at(collars)
    off = [abs(after[r.place.value] - r.wanted) for r in told.rows]
    assert max(off) < 0.003
    assert sorted(off)[1] < 0.002
