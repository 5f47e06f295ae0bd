"""The sag shelf against closed forms of a linear bike: collar, sags, frequency and what is said, front and rear."""

from math import cos, pi, sqrt

import pytest

from feder.core.benches.sag.shelf import sag_shelf
from feder.core.document.base import Place, RateValue
from feder.core.document.brief import Band, Targets
from feder.core.document.setup import Seat, SpringPart
from feder.core.numbers.quantities import G
from feder.core.practice.thresholds import THREAD_LEFT_ON_A_BIKE
from feder.core.report.evaluate import evaluate
from feder.demo.magpie import magpie
from feder.demo.springs import demo_springs
from tests.changes import with_side
from tests.core.test_sag_bench import PRELOAD, RAKE, RATIO, bike, loads

FREE = {"front": 0.3, "rear": 0.18}
COLLAR = {"front": 0.003, "rear": PRELOAD["rear"]}  # as found, at the preload as found
TUBE = {"front": cos(RAKE), "rear": 1.0}
"""A reading along the tube, as wheel travel."""
BANDS = {"front": ((0.030, 0.040), (0.015, 0.025)), "rear": ((0.030, 0.040), (0.005, 0.015))}


def at_wheel(end, rate):
    return 2 * rate / cos(RAKE) ** 2 if end == "front" else rate * RATIO**2


def spring_travel(end, z):
    return z / cos(RAKE) if end == "front" else z * RATIO


def answer(end, rate, free_length):
    """Preload, free sag at the wheel and collar that give the rider sag in the middle of its band."""
    target = 0.035 * TUBE[end]
    alone, ridden = loads(end, rider=False), loads(end, rider=True)
    wheel = at_wheel(end, rate)
    pressed = ridden / wheel - target  # wheel travel by which it would have to come up to be slack
    preload = spring_travel(end, pressed)
    collar = COLLAR[end] + (preload - PRELOAD[end]) - (free_length - FREE[end])
    return preload, target - (ridden - alone) / wheel, collar


def made(rate, end, more=0.0, **members):
    return SpringPart(code=f"{rate:.0f}", rate=RateValue(value=rate), free_length=FREE[end] + more, **members)


def row_of(document, end, part):
    (row,) = [r for r in sag_shelf(document, "plan", Place(end), [part], all_diameters=True) if r.part == part]
    return row


@pytest.mark.parametrize("more", [0.0, 0.004])
@pytest.mark.parametrize(("end", "rate"), [("front", 7.6e3), ("front", 8.6e3), ("rear", 88e3), ("rear", 104e3)])
def test_a_spring_is_preloaded_for_the_rider_sag_and_told_by_its_own_numbers(end, rate, more):
    part = made(rate, end, more)
    row = row_of(bike(), end, part)
    preload, free, collar = answer(end, rate, part.free_length)
    assert row.rider_sag == pytest.approx(0.035 * TUBE[end], abs=1e-7)
    assert row.free_sag == pytest.approx(free, abs=1e-7)
    assert row.preload == pytest.approx(preload, abs=1e-7)
    assert row.collar == pytest.approx(collar, abs=1e-7)
    assert row.turns == pytest.approx(collar / 0.001, abs=1e-4)
    mass = loads(end, rider=True) / G
    assert row.frequency == pytest.approx(sqrt(at_wheel(end, rate) / mass) / 2 / pi)
    low, high = (v * TUBE[end] for v in BANDS[end][1])
    assert row.verdict == ("too soft" if free < low else "too stiff" if free > high else "fits")
    if row.verdict == "too soft":
        assert row.numbers["free"].value == pytest.approx(free / TUBE[end], abs=1e-7)
        assert row.numbers["edge"].value == pytest.approx(BANDS[end][1][0])
        assert "under" in row.says
    if row.verdict == "too stiff":
        assert row.numbers["free"].value == pytest.approx(free / TUBE[end], abs=1e-7)
        assert row.numbers["edge"].value == pytest.approx(BANDS[end][1][1])
        assert "over" in row.says


def test_the_verdicts_of_both_kinds_come_up_at_both_ends():
    for end, soft, stiff in (("front", 5.6e3, 14e3), ("rear", 80e3, 160e3)):
        assert row_of(bike(), end, made(soft, end)).verdict == "too soft"
        assert row_of(bike(), end, made(stiff, end)).verdict == "too stiff"


def wide(document):
    """Any free sag is good: what else is there to say of a spring?"""
    band = Band(low=0.0001, high=0.2)
    return document.but(brief=document.brief.but(targets=Targets(front_free_sag=band, rear_free_sag=band)))


def test_a_stiff_spring_that_would_be_loose_says_by_how_much():
    preload, _, _ = answer("rear", 160e3, FREE["rear"])
    slack = 160e3
    while preload > -0.001:
        slack *= 1.2
        preload, _, _ = answer("rear", slack, FREE["rear"])
    row = row_of(wide(bike()), "rear", made(slack, "rear", more=-0.01))
    assert row.says.startswith("Loose by")
    assert row.numbers["loose"].value == pytest.approx(-preload, abs=1e-6)


@pytest.mark.parametrize("left", [0.0005, THREAD_LEFT_ON_A_BIKE / 2, THREAD_LEFT_ON_A_BIKE * 1.5])
def test_little_thread_above_the_collar_is_a_note(left):
    _, _, collar = answer("rear", 95e3, FREE["rear"])
    document = with_side(wide(bike()), "plan", "rear", seat=Seat(pitch=0.001, thread=collar + left))
    row = row_of(document, "rear", made(95e3, "rear"))
    if left < THREAD_LEFT_ON_A_BIKE:
        assert row.grade == "note"
        assert row.numbers["left"].value == pytest.approx(left, abs=1e-7)
    else:
        assert (row.grade, row.says) == (None, "")


def test_where_the_thread_ends_the_rider_sags_deeper_and_where_it_has_no_room_less():
    _, _, collar = answer("rear", 95e3, FREE["rear"])
    document = with_side(bike(), "plan", "rear", seat=Seat(pitch=0.001, thread=collar - 0.003))
    row = row_of(document, "rear", made(95e3, "rear"))
    assert row.says.startswith("Thread ends {past} early")
    assert row.numbers["past"].value == pytest.approx(0.003, abs=1e-6)
    assert row.collar == pytest.approx(collar - 0.003, abs=1e-6)
    assert row.rider_sag == pytest.approx(0.035 + 0.003 / RATIO, abs=1e-6)
    assert row.numbers["rider"].value == pytest.approx(row.rider_sag)
    long = row_of(
        bike(), "rear", made(95e3, "rear", more=collar + 0.002)
    )  # the collar would stand under its lowest
    assert long.says.startswith("Thread has no room for {past} less")
    assert long.numbers["past"].value == pytest.approx(0.002, abs=1e-6)
    assert long.collar == pytest.approx(0.0, abs=1e-9)
    assert long.rider_sag == pytest.approx(0.035 - 0.002 / RATIO, abs=1e-6)


def test_coils_that_close_under_the_rider_are_said_first():
    part = made(95e3, "rear", solid_length=0.179)
    assert row_of(bike(), "rear", part).says == "Coils are closed with the rider on"


def test_the_nearest_in_rate_are_tried_and_the_one_fitted_always():
    document = bike()
    wanted = evaluate(document, "plan").sags["rear"].wanted_rate.value
    parts = [made(wanted * (1 + 0.02 * k), "rear") for k in range(-20, 21)]
    rows = sag_shelf(document, "plan", Place.REAR, parts, all_diameters=True)
    tried = {r.part.code for r in rows if not r.chosen}
    nearest = sorted(parts, key=lambda p: abs(p.rate.value / wanted - 1))[: len(tried)]
    assert tried == {p.code for p in nearest}
    assert [r.part.rate.value for r in rows] == sorted(r.part.rate.value for r in rows)
    assert [r.part.code for r in rows if r.chosen] == ["shock"]


def test_the_demo_shelf_is_judged_by_its_first_objection():
    rows = {r.part.code: r for r in sag_shelf(magpie(), "plan", Place.REAR, demo_springs())}
    assert "too soft" in rows["hazel 1"].says
    assert rows["hazel 4"].grade is None
    assert rows["hazel 4"].chosen
    assert not any(code.startswith("larch") for code in rows)
