"""Learning against the closed form of a linear normal case, and on vehicles with one number planted wrong."""

from math import sqrt

import numpy as np
import pytest

from feder.core.benches.index.adjusters import at_adjusters
from feder.core.benches.settle.learn import learn
from feder.core.document.changes import patched
from feder.core.document.vehicle import Mount, RatioTyped
from feder.core.report.evaluate import evaluate
from feder.core.solvers.posterior import posterior
from feder.demo.nettle import nettle
from tests.changes import set_down, with_end, with_side


@pytest.mark.parametrize("seed", range(6))
def test_a_linear_case_has_its_closed_form(seed):
    dice = np.random.default_rng(seed)
    slopes, base = dice.normal(0, 2e-3, (4, 9)), dice.normal(0.35, 0.01, 4)
    scatter = dice.uniform(0.5e-3, 2e-3, 4)
    read = base + dice.normal(0, 4e-3, 4)
    told = posterior(lambda z: base + slopes @ np.array(z), 9, read, scatter)
    # in the form of information, the other way round
    information = np.eye(9) + slopes.T @ np.diag(scatter**-2) @ slopes
    cover = np.linalg.inv(information)
    mean = cover @ slopes.T @ np.diag(scatter**-2) @ (read - base)
    assert told.moved == pytest.approx(mean, abs=1e-6)
    assert told.deviation == pytest.approx(np.sqrt(np.diag(cover)), abs=1e-6)
    assert told.then == pytest.approx(base + slopes @ mean, abs=1e-9)
    drawn = np.array([base + slopes @ dice.normal(size=9) + dice.normal(0, scatter) for _ in range(4000)])
    assert told.spread == pytest.approx(drawn.std(axis=0), rel=0.05)
    spread = slopes @ slopes.T + np.diag(scatter**2)
    far = [(d - base) @ np.linalg.solve(spread, d - base) for d in drawn]
    mine = (read - base) @ np.linalg.solve(spread, read - base)
    assert told.ordinary == pytest.approx(np.mean(np.array(far) >= mine), abs=0.03)


def estimated():
    """The car with its rear ratio only estimated: 10 % of it."""
    return with_end(nettle(), "rear", spring=rear(0.72))


def rear(ratio):
    return Mount(ratio=RatioTyped(value=ratio, how="estimated"))


def stood(car):
    """The heights at which a car of other numbers stands with the collars that the plan asks for."""
    told = estimated()
    fitted = at_adjusters(told, "plan", evaluate(told, "plan"))
    setups = (told.setups[0], fitted.setups[1])
    hidden = evaluate(car.but(setups=(car.setups[0], setups[1])), "plan")
    return {p: float(c.hub_to_arch.value) for p, c in hidden.corners.items()}


def test_heights_as_foretold_teach_nothing_and_need_no_explaining():
    car = nettle()
    heights = {p: float(c.hub_to_arch.value) for p, c in evaluate(car, "plan").corners.items()}
    told = learn(set_down(car, "plan", heights), "plan")
    assert told.ordinary
    assert told.taught == []
    for row in told.rows:
        assert row.expected == pytest.approx(heights[row.place], abs=1e-6)
        assert row.low < row.read < row.high
        assert row.then == pytest.approx(row.read, abs=1e-4)


def test_a_rear_ratio_that_was_only_estimated_is_named_first_and_foretells_what_was_read():
    heights = stood(with_end(nettle(), "rear", spring=rear(0.82)))
    assert heights["rear_left"] > 0.352 + 8e-3
    car = set_down(estimated(), "plan", heights)
    told = learn(car, "plan")
    ratio = told.taught[0]
    assert (ratio.before, ratio.sure_before) == (pytest.approx(0.72), pytest.approx(0.072))
    assert ratio.after == pytest.approx(0.82, abs=2 * ratio.sure_after)
    assert ratio.after > 0.72 + 0.072
    assert ratio.sure_after < 0.6 * ratio.sure_before
    then = {r.place: r.then for r in told.rows}
    for place, height in heights.items():
        assert then[place] == pytest.approx(height, abs=1.5e-3)
    taken, _ = patched(car, car.model_dump(mode="json"), ratio.patch)
    made = taken.vehicle.ends.rear.spring.ratio
    assert (made.value, made.tolerances["value"]) == (pytest.approx(ratio.after), pytest.approx(ratio.sure_after))


def test_of_readings_that_a_mistake_explains_better_nothing_is_learnt():
    heights = {p: float(c.hub_to_arch.value) for p, c in evaluate(nettle(), "plan").corners.items()}
    told = learn(set_down(nettle(), "plan", {**heights, "front_right": 0.380}), "plan")
    assert not told.ordinary
    assert told.chance < 1e-4
    assert told.taught == []
    assert [r.place for r in told.rows if not r.low < r.read < r.high] == ["front_right"]


def test_without_readings_there_is_nothing_to_learn():
    told = learn(nettle(), "plan")
    assert (told.taught, told.causes, told.nearest) == ([], [], None)
    assert [(r.place, r.read) for r in told.rows] == [(p, None) for p in nettle().places]
    for row in told.rows:  # what is to be expected stands ready before anything is read
        assert row.expected == pytest.approx(0.354 if row.place.end == "front" else 0.352, abs=1e-6)
        assert row.low < row.expected - 2 * 0.0015


def test_the_interval_holds_as_many_readings_as_it_says():
    car, dice = nettle(), np.random.default_rng(3)
    heights = {p: float(c.hub_to_arch.value) for p, c in evaluate(car, "plan").corners.items()}
    rows = learn(set_down(car, "plan", heights), "plan").rows
    for row in rows:
        half = (row.high - row.low) / 2 / 1.96
        assert half > 1.5e-3  # no surer than the tape
        assert half < 12e-3
        drawn = dice.normal(row.expected, half, 2000)
        assert np.mean((drawn > row.low) & (drawn < row.high)) == pytest.approx(0.95, abs=0.02)
    assert sqrt(len(rows)) == 2


def planted(members, car=None):
    """Heights at which a car stands with one mistake made, its collars else as planned."""
    told = nettle() if car is None else car
    fitted = at_adjusters(told, "plan", evaluate(told, "plan"))
    side = {p: getattr(fitted.setups[1].sides, p) for p in members}
    for place, change in members.items():
        fitted = with_side(fitted, "plan", place, **change(side[place]))
    return {p: float(c.hub_to_arch.value) for p, c in evaluate(fitted, "plan").corners.items()}


def causes_of(heights, car=None):
    return learn(set_down(nettle() if car is None else car, "plan", heights), "plan").causes


def test_one_reading_misread_by_whole_centimetres_is_named_with_its_size():
    heights = planted({})
    heights["rear_left"] += 0.020
    told = causes_of(heights)[0]
    assert (told.words.split(" ")[0], told.place) == ("misread", "rear_left")
    assert told.amount.value == pytest.approx(0.020)
    assert told.chance > 0.5


@pytest.mark.parametrize("place", ["front_left", "front_right", "rear_left", "rear_right"])
def test_a_corner_that_is_held_high_is_named_with_all_that_holds_it_so(place):
    told = causes_of(planted({place: lambda s: {"collar": s.collar + 0.018}}))
    here = {c.words: c.chance for c in told if c.place == place}
    assert told[0].place == place
    assert "collar miscounted" in here
    assert "a pad left out, or one too many" in here
    assert ("strut not home in its foot" in here) == place.startswith("front")
    assert sum(here.values()) > 0.75
    assert sum(c.chance for c in told) <= 1 + 1e-9


def test_springs_put_in_at_the_wrong_end_are_named_first():
    car = nettle()
    stiff = car.setups[1].sides.rear_left.spring
    stiff = stiff.but(code="stiff", rate=stiff.rate.but(value=95e3))
    for place in ("rear_left", "rear_right"):
        car = with_side(car, "plan", place, spring=stiff)
    front = car.setups[1].sides.front_left.spring
    swap = {p: (lambda _: {"spring": stiff}) for p in ("front_left", "front_right")} | {
        p: (lambda _: {"spring": front}) for p in ("rear_left", "rear_right")
    }
    told = causes_of(planted(swap, car), car)[0]
    assert (told.words, told.place) == ("front and rear springs exchanged", "vehicle")
    assert told.amount is None
    assert told.decides == "the codes on the springs"


def test_where_nothing_needs_explaining_nobody_is_accused():
    assert causes_of(planted({})) == []
