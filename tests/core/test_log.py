"""The log: what was changed in words, any state built again, how an axle settles, what is due, and its CSV."""

from itertools import pairwise
from math import exp, log

import pytest

from feder.core.benches.log.apart import apart
from feder.core.benches.log.chain import patch_between, rebuilt, setup_from
from feder.core.benches.log.changed import changed, expected_of
from feder.core.benches.log.curve import settling_of
from feder.core.benches.log.due import due_of, pace_of
from feder.core.benches.settle.knobs import on_adjusters
from feder.core.document.base import PLACES, Place
from feder.core.document.changes import in_its_place, sides_changed
from feder.core.document.entry import Entry, WheelPressure
from feder.core.document.setup import BarSetting, Clicks, StopTrim
from feder.core.document.survey import Reading, Survey
from feder.core.files.log_csv import log_from_csv, log_to_csv
from feder.core.numbers.errors import BadFile
from feder.demo.settled import settled_magpie, settled_nettle, settled_tansy
from tests.core.test_set_down import fitted, heights_of
from tests.reference.whole import Whole

KM = 1000.0


def rows_of(document, before, after):
    return {
        r.words: (r.before or [r.before_text], r.after or [r.after_text])
        for r in changed(document, after.id, before, after)
    }


def test_each_thing_that_was_changed_is_told_by_its_own_name():
    car = fitted()
    start = car.setups[2]
    now = sides_changed(
        start,
        {
            **{p: {"bump": Clicks(count=9, of=18), "tyre_pressure": 1.8e5} for p in PLACES[:2]},
            Place.REAR_LEFT: {"collar": 0.0051, "pads": 0.005},
            Place.REAR_RIGHT: {"stop": StopTrim(length=0.020, packer=0.003)},
        },
    ).but(rear_bar=BarSetting(hooked=False))
    assert rows_of(car, start, now) == {
        "front bump clicks from shut": ([11], [9]),
        "front tyre pressure": ([1.9e5], [1.8e5]),
        "rear collar": ([0.0066, 0.0044], [0.0051, 0.0044]),
        "rear pads at the seat": ([None, None], [0.005, None]),
        "rear bump stop": ([0.024, 0.024], [0.024, 0.020]),
        "rear packer under the bump stop": ([0.0, 0.0], [0.0, 0.003]),
        "rear anti-roll bar": (["as found"], ["off its links"]),
    }
    assert changed(car, "fitted", start, start) == []


def test_a_height_that_is_asked_for_is_told_as_the_collar_that_is_turned():
    car = fitted()
    start = car.setups[2]
    height = 0.354 + 0.005
    now = sides_changed(start, {p: {"set_by": "height", "hub_to_arch": height} for p in PLACES[:2]})
    rows = rows_of(car, start, now)
    assert set(rows) == {"front collar"}
    assert rows["front collar"][1][0] - rows["front collar"][0][0] == pytest.approx(0.005 * 0.96, abs=6e-4)
    effects = {e.end: e.height for e in expected_of(car, "fitted", start, now)}
    assert effects["front"] == pytest.approx(0.005, abs=2e-4)
    stays = dict.fromkeys(("rebound", "bump"), Clicks(count=8, of=18))
    assert rows_of(car, start, sides_changed(start, {p: {"rebound": stays["rebound"]} for p in PLACES[:2]})) == {}


def test_several_changes_are_told_apart_one_taken_over_at_a_time():
    car = on_adjusters(fitted(), "fitted")
    start = next(s for s in car.setups if s.id == "fitted")
    soft = start.sides.rear_left.spring
    soft = soft.but(code="soft", rate=soft.rate.but(value=soft.rate.value - 8e3))
    spring = {p: {"spring": soft} for p in PLACES[2:]}
    turned = {p: {"collar": getattr(start.sides, p).collar + 0.004} for p in PLACES[:2]}
    clicked = {p: {"bump": Clicks(count=9, of=18)} for p in PLACES[2:]}
    tyres = {p: {"tyre_pressure": 1.7e5} for p in PLACES[2:]}

    def stood(*changes):
        state = start
        for change in changes:
            state = sides_changed(state, change)
        data = in_its_place(car, "fitted", state).model_dump(mode="json")
        return Whole(data).stands(len(data["setups"]) - 1, None)

    now = start
    for change in (spring, turned, clicked, tyres):
        now = sides_changed(now, change)
    told = apart(car, "fitted", start, now)
    none, one, two, both = stood(), stood(spring), stood(turned), stood(spring, turned)
    for place in ("front_left", "rear_left"):
        row = next(m for m in told.moved if (m.words, m.place) == ("hub to arch", place))
        effects = {c.words: c.effect for c in row.by}
        assert effects.get("rear springs", 0) == pytest.approx(one[place].hub - none[place].hub, abs=2e-5)
        assert effects.get("front heights and collars", 0) == pytest.approx(
            two[place].hub - none[place].hub, abs=2e-5
        )
        assert row.after.value - row.before.value == pytest.approx(both[place].hub - none[place].hub, abs=2e-5)
        assert sum(effects.values()) + row.rest == pytest.approx(row.after.value - row.before.value)
        assert list(effects) == sorted(effects, key=lambda w: -abs(effects[w]))
    assert [m for m in told.moved if m.place and m.place.value == "rear_right" and m.words == "hub to arch"] == []
    damped = next(m for m in told.moved if (m.words, m.place) == ("damping ratio", Place.REAR_LEFT))
    assert "rear clicks and modes" in {c.words for c in damped.by}
    assert told.silent == ["rear tyre pressures"]
    assert apart(car, "fitted", start, start).moved == []


def test_a_motorcycles_changes_are_told_by_its_sags():
    told = settled_magpie()
    start = told.entries[0][0]
    bike = on_adjusters(in_its_place(told.document, "ridden", start), "ridden")
    start = next(s for s in bike.setups if s.id == "ridden")
    more = {Place.REAR: {"collar": start.sides.rear.collar + 0.003}}
    rows = apart(bike, "ridden", start, sides_changed(start, more)).moved
    sag = next(m for m in rows if m.words == "rider sag")
    assert (sag.place, [c.words for c in sag.by]) == (Place.REAR, ["rear heights and collars"])
    assert sag.after.value < sag.before.value - 2e-3


def test_what_a_setup_leaves_as_found_is_no_change():
    car = settled_nettle().document
    told = rows_of(car, car.setups[0], car.setups[2])
    assert "front dampers" not in told
    assert told["front springs"] == (["standard front"], ["larch 26"])


@pytest.mark.parametrize("told", [settled_nettle(), settled_tansy(), settled_magpie()], ids=["car", "bar", "bike"])
def test_every_state_of_a_log_is_built_again_from_its_changes(told):
    states = [s for s, _ in told.entries]
    patches = [patch_between(before, after) for before, after in zip([None, *states], states, strict=False)]
    for n, state in enumerate(states, 1):
        assert setup_from(rebuilt(None, patches[:n])) == state
    assert sum(len(p) for p in patches[1:]) < 60


def driven(points, setup="fitted", **members):
    """The car read along the road: front mean heights over km; the rear never read."""
    car = fitted()
    surveys = [
        Survey(
            id=f"at-{i}", setup=setup, odometer=(148_210 + d) * KM, date=f"2026-07-{i + 1:02}",
            readings=tuple(Reading(place=p, quantity="hub_to_arch", value=h) for p in PLACES[:2]), **members,
        )
        for i, (d, h) in enumerate(points)
    ]  # fmt: skip
    return car.but(surveys=(*car.surveys, *surveys))


def test_an_axle_settles_by_its_own_curve_and_is_corrected_once():
    """Eleven readings of an exact curve: its end, what is to come, and the turns that both collars make of it."""
    curve = [(d, 0.3500 + 0.006 * exp(-d / 220)) for d in range(0, 1001, 100)]
    end = settling_of(driven(curve), "fitted").ends[0]
    assert end.settled == pytest.approx(0.3500, abs=3e-4)
    assert end.constant == pytest.approx(220 * KM, rel=0.2)
    assert end.remaining == pytest.approx(curve[-1][1] - end.settled, abs=3e-4)
    assert end.flat
    assert end.off == pytest.approx(end.settled - 0.354)
    before, after = heights_of(fitted(), 2), heights_of(fitted(), 2, front_left=0.001, front_right=0.001)
    slope = (after["front_left"] - before["front_left"]) / 0.001
    assert end.move == pytest.approx((0.354 - end.settled) / slope, rel=0.02)
    assert end.turns == pytest.approx(end.move / 0.002)
    assert end.turns_sure == pytest.approx(end.sure / slope / 0.002, rel=0.02)
    assert [p.distance for p in end.points] == [d * KM for d, _ in curve]


def test_what_is_still_to_come_is_foretold_until_it_is_flat():
    curve = [(d, 0.3500 + 0.008 * exp(-d / 300)) for d in (0, 60, 120, 180)]
    end = settling_of(driven(curve), "fitted").ends[0]
    assert not end.flat
    assert end.remaining > 0.002
    amount = end.remaining * exp(180 * KM / end.constant)
    assert end.flat_at == pytest.approx(max(200 * KM, end.constant * log(amount / 0.001)))
    assert end.ahead[0].distance == 180 * KM
    assert end.ahead[-1].distance >= end.flat_at - 1
    assert end.ahead[-1].height == pytest.approx(
        end.settled + amount * exp(-end.ahead[-1].distance / end.constant)
    )


def test_readings_on_other_collars_are_led_to_todays():
    """Three mm of collar taken off at 200 km: by the other model's heights the reduced readings lie on one curve."""
    car, lower = fitted(), {"front_left": -0.003, "front_right": -0.003}
    step = heights_of(car, 2)["front_left"] - heights_of(car, 2, **lower)["front_left"]
    start = car.setups[2]
    today = sides_changed(start, {Place(p): {"collar": getattr(start.sides, p).collar - 0.003} for p in lower})
    read = [(0, 0.356), (100, 0.3552), (200, 0.3546), (300, 0.3542 - step), (400, 0.354 - step)]
    car = in_its_place(driven(read), "fitted", today)
    stood = {1: start, 2: start, 3: start, 4: today, 5: today}
    end = settling_of(car, "fitted", stood, {4: (148_210 + 250) * KM}).ends[0]
    assert [p.reduced for p in end.points] == pytest.approx(
        [h - step if i < 3 else h for i, (_, h) in enumerate(read)], abs=3e-5
    )
    assert [p.read for p in end.points] == [h for _, h in read]
    assert [p.moved for p in end.points] == [None, *(pytest.approx(b - a) for (_, a), (_, b) in pairwise(read))]
    first, second = end.pieces
    assert (first.heights[-1].distance, second.start) == (250 * KM, 250 * KM)
    assert first.heights[-1].height - second.heights[0].height == pytest.approx(step, abs=3e-5)


def test_rounds_set_aside_or_on_other_springs_count_for_nothing():
    good = [(0, 0.355), (100, 0.354)]
    car = driven(good)
    aside = car.but(surveys=(*car.surveys, car.surveys[1].but(id="wrong", set_aside=True)))
    assert len(settling_of(aside, "fitted").ends[0].points) == 2
    start = car.setups[2]
    other = sides_changed(start, {p: {"spring": start.sides.rear_left.spring} for p in PLACES[:2]})
    end = settling_of(car, "fitted", {1: other}).ends[0]
    assert (len(end.points), end.left_out) == (1, 1)


def test_without_a_distance_it_says_what_it_waits_for():
    car = fitted()
    car = car.but(setups=(*car.setups[:2], car.setups[2].but(odometer=None)))
    assert "odometer" in settling_of(car, "fitted").waits
    assert settling_of(settled_magpie().document, "ridden").waits


def test_what_is_due_falls_on_the_day_at_which_the_pace_so_far_reaches_it():
    settling = settling_of(driven([(0, 0.354), (100, 0.353)]), "fitted")
    read = [("2026-07-01", 0.0), ("2026-07-11", 100 * KM)]
    assert pace_of("2026-07-01", read) == pytest.approx(10 * KM)
    due = {d.id: d for d in due_of(settling, "2026-07-01", read, ["bolts"])}
    assert due["bolts"].done
    assert due["bolts"].day == "2026-07-06"
    assert due["heights"].distance >= 200 * KM
    assert due["torque"].day == "2026-08-20"
    assert due_of(settling, None, [], [])[0].day is None


def entry(**members):
    told = {
        "id": "one", "at": "2026-07-26T10:20", "odometer": 148_830e3, "why": "=1+1", "felt": "better",
        "words": ("turns in", "calm"), "surface": "damp", "air": -3.5, "time": 94.6, "where": "hill",
        "weather": "fog", "pressures": (WheelPressure(place="front_left", cold=1.8e5, hot=2.1e5),),
    }  # fmt: skip
    return Entry(**(told | members))


def test_a_log_goes_out_as_csv_and_comes_back_and_starts_no_formula():
    text = log_to_csv([(6, entry(), "front bump clicks")], PLACES)
    assert "'=1+1" in text
    back = log_from_csv(text, PLACES)[0]
    assert back == entry().but(id=back.id)
    for bad in (
        "why\nx\n",
        "at\nyesterday\n",
        "at,felt\n2026-07-01T10:00,splendid\n",
        "at,air degC\n2026-07-01T10:00,hot\n",
    ):
        with pytest.raises(BadFile):
            log_from_csv(bad, PLACES)


def test_distance_counts_from_where_it_was_fitted_and_without_that_from_the_first_reading():
    car = driven([(d, 0.3500 + 0.0015 * exp(-d / 300)) for d in (40, 100, 150)])
    at = car.setups[-1].odometer
    assert at is not None
    end = settling_of(car, "fitted").ends[0]
    assert end.points[0].distance == 40 * KM
    # little is to come, but nothing is flat before 200 km after the first reading
    assert not end.flat
    assert end.flat_at == pytest.approx(240 * KM)
    untold = car.but(setups=(*car.setups[:-1], car.setups[-1].but(odometer=None)))
    assert [p.distance for p in settling_of(untold, "fitted").ends[0].points] == [0.0, 60 * KM, 110 * KM]
