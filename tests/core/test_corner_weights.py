"""Corner weights: shares by hand, ways to the target and their loads against the other model, two rounds of scales."""

import copy
import random
from itertools import pairwise

import pytest

from feder.calc.answer import answer
from feder.core.benches.weights.bench import corner_weights
from feder.core.document.base import PLACES, Place
from feder.core.document.setup import BarSetting
from feder.core.document.survey import Reading, Survey
from feder.core.document.vehicle import AntiRollBar
from feder.core.numbers.errors import OutOfRange
from feder.core.report.evaluate import evaluate_plain
from feder.demo.settled import settled_nettle
from tests.changes import with_end, with_side
from tests.core.test_set_down import fitted
from tests.reference.hidden import CORNERS, drawn
from tests.reference.whole import Whole

G = 9.80665
MASSES = dict(zip(PLACES, (312.5, 293.5, 203.0, 201.0), strict=True))


def weighed(car, masses, heights=None, survey="weighed"):
    readings = [Reading(place=p, quantity="mass", value=v, how="scales") for p, v in masses.items()]
    readings += [Reading(place=p, quantity="hub_to_arch", value=v) for p, v in (heights or {}).items()]
    return car.but(surveys=(*car.surveys, Survey(id=survey, setup="fitted", readings=tuple(readings))))


def masses_at(data, index, collars):
    """Masses on the wheels and heights by the other model, bars off, some collars elsewhere."""
    data = copy.deepcopy(data)
    for place, by in collars.items():
        data["setups"][index]["sides"][place]["collar"] += by
    for end in ("front", "rear"):
        data["vehicle"]["ends"][end]["bar"] = None
    wheels = Whole(data).stands(index)
    unsprung = {e: data["vehicle"]["ends"][e]["unsprung_mass"]["value"] for e in ("front", "rear")}
    return (
        {p: wheels[p].now / G + unsprung[p.split("_")[0]] for p in CORNERS},
        {p: wheels[p].hub for p in CORNERS},
    )


def test_shares_are_sums_of_the_four():
    told = corner_weights(weighed(fitted(), MASSES), "fitted")
    assert told.share.total == pytest.approx(1010.0)
    assert told.share.cross == pytest.approx((293.5 + 203.0) / 1010)
    assert told.share.left == pytest.approx((312.5 + 203.0) / 1010)
    assert told.share.front == pytest.approx((312.5 + 293.5) / 1010)
    # a pad is good to 1 kg: four of them, each counted or not
    c = 496.5 / 1010
    assert told.share.cross_sure == pytest.approx((2 * (c / 1010) ** 2 + 2 * ((1 - c) / 1010) ** 2) ** 0.5)
    assert not told.there
    assert corner_weights(weighed(fitted(), MASSES), "fitted", target=0.49).there


def test_each_way_ends_at_the_target_with_the_loads_and_heights_of_the_other_model():
    car = fitted()
    plain = car.model_dump(mode="json")
    before, at = masses_at(plain, 2, {})
    # the car as it is foretold, but twisted by one collar: what the scales then show
    twisted, stood = masses_at(plain, 2, {"front_left": 0.003})
    told = corner_weights(weighed(car, twisted, stood), "fitted")
    assert {w.words for w in told.ways} == {
        "Rears, heights first", "Fronts, heights first", "All four, heights first", "All four, least turning",
    }  # fmt: skip
    for way in told.ways:
        collars = {m.place.value: m.move for m in way.moves}
        moved = {p: v + (0.003 if p == "front_left" else 0.0) for p, v in collars.items()}
        masses, heights = masses_at(plain, 2, moved)
        assert (masses["front_right"] + masses["rear_left"]) / sum(masses.values()) == pytest.approx(0.5, abs=2e-4)
        assert way.cross_then == pytest.approx(0.5, abs=1e-5)
        for m in way.moves:
            assert m.mass_then == pytest.approx(masses[m.place.value], abs=0.15)
            assert m.height_then == pytest.approx(heights[m.place.value], abs=1e-4)
        leads = {"front": 0.002, "rear": 0.0015}
        turns = sum(abs(m.move) / leads[m.place.end] for m in way.moves)
        assert way.turns == pytest.approx(turns)
    by = {w.words: w for w in told.ways}
    assert by["All four, heights first"].worst_height <= by["All four, least turning"].worst_height + 1e-9
    assert by["All four, least turning"].travel <= by["All four, heights first"].travel + 1e-9
    assert before != twisted
    assert at != stood


def test_all_four_heights_first_is_the_small_move_of_corner_balance():
    car = fitted()
    wheels = evaluate_plain(car, "fitted").corners
    masses, heights = masses_at(car.model_dump(mode="json"), 2, {})
    off = {p: masses[p] + d for p, d in zip(CORNERS, (2.0, -2.0, -2.0, 2.0), strict=True)}
    way = next(
        w for w in corner_weights(weighed(car, off, heights), "fitted").ways if w.words.startswith("All four, h")
    )
    by_hand = answer(
        "corner_balance",
        {
            "weights": [off[p] * G for p in CORNERS],
            "wheel_rates": [float(wheels[p].wheel_rate.value) for p in PLACES],
            "tyre_rates": [210e3, 210e3, 205e3, 205e3],
            "motion_ratios": [0.96, 0.96, 0.72, 0.72],
            "front_track": 1.400,
            "rear_track": 1.380,
            "target_cross": 0.5,
            "keep_heights": True,
        },
    )["results"]
    assert sum(off.values()) == pytest.approx(1010, abs=0.1)
    for move in way.moves:
        assert move.move == pytest.approx(by_hand[f"collar_{move.place.value}"]["value"], rel=0.12, abs=1.5e-4)


def test_bars_are_taken_as_unhooked_whatever_the_setup_says():
    car = with_end(fitted(), "front", bar=AntiRollBar(rate={"value": 40e3, "how": "bench"}, motion_ratio=0.8))
    hooked = corner_weights(weighed(car, MASSES), "fitted")
    setup = car.setups[2].but(front_bar=BarSetting(hooked=False))
    off = corner_weights(weighed(car.but(setups=(*car.setups[:2], setup)), MASSES), "fitted")
    for a, b in zip(hooked.ways, off.ways, strict=True):
        assert [m.move for m in a.moves] == pytest.approx([m.move for m in b.moves], abs=2e-5)


def test_a_locked_corner_is_in_no_way_and_the_range_narrows():
    free = corner_weights(weighed(fitted(), MASSES), "fitted")
    told = corner_weights(weighed(fitted(), MASSES), "fitted", held=[Place.REAR_LEFT, Place.REAR_RIGHT])
    assert [w.words for w in told.ways] == ["Fronts, heights first"]
    assert free.least < told.least < told.share.cross < told.most < free.most
    all_locked = corner_weights(weighed(fitted(), MASSES), "fitted", held=list(PLACES))
    assert all_locked.ways == []


def test_the_range_ends_where_a_height_is_two_millimetres_off():
    """Fronts alone, turned oppositely until an arch is 2 mm from its height, by the other model."""
    car = fitted()
    masses, heights = masses_at(car.model_dump(mode="json"), 2, {})
    level = {p: 0.354 if p.startswith("front") else 0.352 for p in CORNERS}
    told = corner_weights(weighed(car, masses, level), "fitted", held=[Place.REAR_LEFT, Place.REAR_RIGHT])
    steps = [0.0001 * n for n in range(80)]
    for step, after in pairwise(steps):
        moved, at = masses_at(car.model_dump(mode="json"), 2, {"front_left": -after, "front_right": after})
        if max(abs(at[p] - heights[p]) for p in CORNERS) > 0.002:
            moved, _ = masses_at(car.model_dump(mode="json"), 2, {"front_left": -step, "front_right": step})
            break
    cross = (moved["front_right"] + moved["rear_left"]) / sum(moved.values())
    assert told.most == pytest.approx(cross, abs=2e-3)


def test_the_thread_speaks_against_a_way_that_leads_past_it():
    car = with_side(fitted(), "fitted", "rear_right", collar=0.0008)
    told = corner_weights(weighed(car, MASSES | {Place.FRONT_LEFT: 330.0}), "fitted")
    way = next(w for w in told.ways if w.words.startswith("Rears"))
    assert (way.grade, way.against, way.against_place) == ("stop", "the thread ends below", Place.REAR_RIGHT)
    assert told.ways[-1].grade == "stop"


def test_a_target_that_no_car_has_is_refused():
    with pytest.raises(OutOfRange) as refused:
        corner_weights(fitted(), "fitted", target=0.7)
    assert refused.value.key == "target"


def test_without_scales_the_plan_says_what_to_expect():
    told = corner_weights(fitted(), "fitted")
    masses, _ = masses_at(fitted().model_dump(mode="json"), 2, {})
    assert told.share is None
    assert told.by_model.cross == pytest.approx((masses["front_right"] + masses["rear_left"]) / 1010, abs=1e-4)


@pytest.mark.parametrize("seed", range(6))
def test_two_rounds_on_scales_that_scatter_bring_a_hidden_car_within_half_a_percent(seed):
    car, dice = fitted(), random.Random(seed)
    hidden = drawn(car.model_dump(mode="json"), 2, dice)
    turned = {"front_left": dice.uniform(-0.006, 0.006), "rear_right": dice.uniform(-0.004, 0.004)}
    now = car
    for place, by in turned.items():  # the collars stand elsewhere, and that is known
        now = with_side(now, "fitted", place, collar=getattr(now.setups[2].sides, place).collar + by)
    for n in range(2):
        collars = {
            p: getattr(now.setups[2].sides, p).collar - getattr(car.setups[2].sides, p).collar for p in CORNERS
        }
        masses, heights = masses_at(hidden.data, 2, collars)
        pads = {p: m + dice.gauss(0.0, 0.5) for p, m in masses.items()}
        read = {p: h + dice.gauss(0.0, 0.0015) for p, h in heights.items()}
        told = corner_weights(weighed(now, pads, read, f"round-{n}"), "fitted")
        for move in told.ways[0].moves if not told.there else ():
            side = getattr(now.setups[2].sides, move.place.value)
            now = with_side(now, "fitted", move.place.value, collar=side.collar + move.move)
    collars = {p: getattr(now.setups[2].sides, p).collar - getattr(car.setups[2].sides, p).collar for p in CORNERS}
    masses, _ = masses_at(hidden.data, 2, collars)
    assert (masses["front_right"] + masses["rear_left"]) / sum(masses.values()) == pytest.approx(0.5, abs=0.005)


def test_earlier_weighings_are_told_by_their_own_share():
    car = settled_nettle().document
    later = car.surveys[-1]
    masses = dict(zip(PLACES, (320.0, 290.0, 210.0, 190.0), strict=True))
    again = later.but(
        id="weighed-again", readings=tuple(Reading(place=p, quantity="mass", value=m) for p, m in masses.items())
    )
    told = corner_weights(car.but(surveys=(*car.surveys, again)), "fitted").before
    # the round before read 313, 294.5, 203 and 200.5 kg
    assert [(r.cross, r.total) for r in told] == [(pytest.approx((294.5 + 203) / 1011), pytest.approx(1011.0))]
