"""Clicks: the demo car's rules worked out apart, measured curves between their clicks, modes, and acts that turn a knob."""

from math import ceil, floor, sqrt

import numpy as np
import pytest

from feder.core.benches.acts import TurnClicks
from feder.core.benches.damping.clicks import damping_bench
from feder.core.document.base import Place
from feder.core.document.damper import CurveRow, DamperMode, DamperPart, Family, Knob
from feder.core.document.setup import Clicks, SideSetup
from feder.core.numbers.errors import OutOfRange
from feder.core.report.compare import GROUPS, compare
from feder.core.report.evaluate import evaluate
from feder.core.report.uncertainty import uncertainty
from feder.core.standing.clicked import at_clicks, clicked
from feder.demo.magpie import magpie
from tests.changes import applied, with_end, with_side

REAR = ("rear_left", "rear_right")
FAMILY = {"front": ((5600, 1300), (3520, 1100)), "rear": ((3160, 972), (1800, 880))}
SET = {"front": (8, 11), "rear": (7, 10)}
MOTION = {"front": 0.96, "rear": 0.94}
SPLIT = 1.8


def coefficient(end, knob, click):
    shut, opened = FAMILY[end][knob]
    return shut - (shut - opened) * click / 18


def ratio(report, end, c):
    told = report.ends[end]
    return c * MOTION[end] ** 2 / (2 * sqrt(told.wheel_rate.value * told.sprung_mass.value))


@pytest.mark.parametrize("end", ["front", "rear"])
def test_the_rules_of_the_demo_car_worked_out_apart(car, end):
    report, found = evaluate(car, "plan"), evaluate(car, "found")
    bench = damping_bench(car, "plan", end)
    assert bench.assumed
    mean = (coefficient(end, 0, SET[end][0]) + coefficient(end, 1, SET[end][1])) / 2
    assert bench.ratio == pytest.approx(ratio(report, end, mean))
    assert bench.found_ratio == pytest.approx(ratio(found, end, mean))
    assert (bench.band_low, bench.band_high) == (0.50, 0.75)
    assert bench.judged == "soft"
    for knob, rule in enumerate(bench.rules):
        each = [ratio(report, end, coefficient(end, knob, k)) for k in range(19)]
        assert rule.ratios == pytest.approx(each)
        assert rule.now == rule.counted == SET[end][knob]
        assert rule.ratio == pytest.approx(each[SET[end][knob]])
        assert rule.found_ratio == pytest.approx(ratio(found, end, coefficient(end, knob, SET[end][knob])))
        share = 2 * SPLIT / (1 + SPLIT) if knob == 0 else 2 / (1 + SPLIT)
        assert (rule.band_low, rule.band_high) == pytest.approx((0.50 * share, 0.75 * share))
        foot = (each[0] - 0.50 * share) / (each[0] - each[1])
        if rule.locked:
            assert rule.offered is None
        else:
            assert rule.offered == max(0, floor(foot))
        assert rule.short == max(0, ceil(-foot))


def test_comparison_names_the_clicks_as_the_cause(car):
    turned = car
    for place in REAR:
        turned = with_side(turned, "plan", place, rebound=Clicks(count=2, of=18))
    kept = turned.setups[1].but(id="firm", name="firm")
    told = compare(car.but(setups=(*car.setups, kept)), "plan", "firm", "corners.rear_left.damping_ratio")
    assert [c.words for c in told.causes] == ["rear clicks and modes"]
    firmer = (coefficient("rear", 0, 2) - coefficient("rear", 0, SET["rear"][0])) / 2
    corner = evaluate(car, "plan").corners["rear_left"]
    critical = 2 * sqrt(corner.wheel_rate.value * corner.sprung_mass.value)
    assert told.causes[0].effect == pytest.approx(firmer * MOTION["rear"] ** 2 / critical)


def test_every_setting_of_a_corner_is_in_one_group_of_causes():
    members = [m for group in GROUPS.values() for m in group]
    assert sorted(members) == sorted(SideSetup.model_fields)


def test_forces_and_shares_at_both_speeds_in_the_report(car):
    corner = evaluate(car, "plan").corners["rear_left"]
    r, b = coefficient("rear", 0, 7), coefficient("rear", 1, 10)
    assert corner.rebound_low.value == pytest.approx(0.05 * r)
    assert corner.bump_low.value == pytest.approx(0.05 * b)
    high = 0.12 + 0.3 * 0.18
    assert corner.rebound_high.value == pytest.approx(high * r)
    assert corner.bump_high.value == pytest.approx(high * b)
    assert corner.split_low.value == pytest.approx(r / b)
    assert corner.split_high.value == pytest.approx(r / b)
    k, m = corner.wheel_rate.value, corner.sprung_mass.value
    critical = 2 * sqrt(k * m)
    assert corner.damping_ratio.value == pytest.approx((r + b) / 2 * 0.94**2 / critical)
    assert corner.damping_rebound.value == pytest.approx(r * 0.94**2 / critical)
    assert corner.damping_bump.value == pytest.approx(b * 0.94**2 / critical)
    hop = (r + b) / 2 * high / 0.3 * 0.94**2
    assert corner.damping_high.value == pytest.approx(hop / (2 * sqrt((k + 205e3) * 28)))
    assert corner.damping_ratio.assumed


def test_what_is_out_of_reach_says_how_much_firmer_the_valving_would_be(car):
    bench = damping_bench(car, "plan", "rear")
    mean = (coefficient("rear", 0, 0) + coefficient("rear", 1, 10)) / 2
    assert bench.firmer == pytest.approx(0.50 / ratio(evaluate(car, "plan"), "rear", mean))
    assert damping_bench(car, "plan", "front").firmer is None


def test_in_the_band_nothing_is_offered_and_one_side_alone_goes_by_its_own_mass(car):
    inside = applied(car, "plan", TurnClicks(act="turn clicks", end="front", clicks={"rebound": 4, "bump": 7}))
    assert [r.offered for r in damping_bench(inside, "plan", "front").rules] == [None, None]
    assert damping_bench(inside, "plan", "front").judged == "in"
    one = damping_bench(car, "plan", "front", Place.FRONT_LEFT)
    assert one.ratio == pytest.approx(evaluate(car, "plan").corners["front_left"].damping_ratio.value)


UNEVEN = (0, 3, 4, 9, 18)
VELOCITIES = (-0.5, -0.3, -0.12, -0.05, 0.05, 0.12, 0.3, 0.5)


def force(rebound, bump, v):
    """A made-up bench: forces that do not go evenly with the click."""
    if v < 0:
        return -(420 - 260 * (rebound / 18) ** 0.6) * abs(v) ** 0.7 * 3
    return (260 - 150 * (bump / 18) ** 1.7) * v**0.8 * 3


def bench_rows():
    rows = [(r, 6, "rebound") for r in UNEVEN] + [(8, b, "bump") for b in UNEVEN]
    return tuple(
        CurveRow(rebound=r, bump=b, points=tuple((v, round(force(r, b, v), 3)) for v in VELOCITIES))
        for r, b, _ in rows
    )


@pytest.mark.parametrize("counted", ["fully closed", "fully open"])
def test_between_unevenly_measured_clicks_forces_are_straight_in_click_at_every_velocity(counted):
    def told(click):
        return click if counted == "fully closed" else 18 - click

    rows = tuple(r.but(rebound=told(r.rebound), bump=told(r.bump)) for r in bench_rows())
    knobs = tuple(Knob(acts=a, clicks=18, counted_from=counted) for a in ("rebound", "bump"))
    part = DamperPart(code="bench", knobs=knobs, rows=rows)
    grid = sorted({*VELOCITIES, *np.linspace(-0.6, 0.6, 41)} - {0.0})
    for rebound in range(19):
        for bump in (0, 5, 11, 18):
            side = SideSetup(
                rebound=Clicks(count=told(rebound), of=18, counted_from=counted),
                bump=Clicks(count=told(bump), of=18, counted_from=counted),
            )
            made = clicked(part, side)
            assert made.beyond == ()
            assert not made.assumed

            def at(v, clicks, knob):
                # each measured curve along its own straight pieces, then along the clicks
                each = []
                for k in sorted({*UNEVEN, 8 if knob == 0 else 6}):
                    same = [r for r in bench_rows() if (r.rebound, r.bump)[knob] == k]
                    curves = [np.array(sorted([*r.points, (0.0, 0.0)])) for r in same]
                    each.append((k, np.mean([line(c, v) for c in curves])))
                return np.interp(clicks, *zip(*each, strict=True))

            for v in grid:
                wanted = at(v, rebound, 0) if v < 0 else at(v, bump, 1)
                assert made.curve.at(v) == pytest.approx(wanted, abs=1.0), (rebound, bump, v)


def line(curve, v):
    """Along a curve's straight pieces, and on beyond its ends."""
    x, y = curve.T
    if v > x[-1]:
        return y[-1] + (y[-1] - y[-2]) / (x[-1] - x[-2]) * (v - x[-1])
    if v < x[0]:
        return y[0] + (y[1] - y[0]) / (x[1] - x[0]) * (v - x[0])
    return np.interp(v, x, y)


def test_past_the_measured_clicks_the_nearest_stands_in_and_is_marked(car):
    rows = tuple(CurveRow(both=k, points=((-0.1, -40.0 * (20 - k)), (0.1, 20.0 * (20 - k)))) for k in (2, 8))
    part = DamperPart(code="one", knobs=(Knob(acts="both", clicks=12),), rows=rows)
    assert at_clicks(part, {"both": 8.0}).beyond == ()
    past = at_clicks(part, {"both": 11.0})
    assert past.beyond == ("both",)
    assert past.curve.at(0.1) == pytest.approx(240)
    for place in REAR:
        car = with_side(car, "plan", place, damper=part, both=Clicks(count=11, of=12))
    assert evaluate(car, "plan").corners["rear_left"].damping_ratio.assumed
    assert damping_bench(car, "plan", "rear").beyond == ("both",)
    (rule,) = damping_bench(car, "plan", "rear").rules
    # a knob on both sides is judged by the mean of its chords against the whole band
    assert (rule.band_low, rule.band_high) == (0.5, 0.75)
    assert rule.ratios[5] == pytest.approx(ratio(evaluate(car, "plan"), "rear", (6000 + 3000) / 2))


def test_modes_of_an_electronic_damper_are_a_choice_of_curves(car):
    modes = tuple(
        DamperMode(name=n, points=((-0.1, -f), (0.1, f / 2))) for n, f in (("soft", 160.0), ("firm", 320.0))
    )
    for place in REAR:
        car = with_side(car, "plan", place, damper=DamperPart(code="E", modes=modes))
    bench = damping_bench(car, "plan", "rear")
    assert bench.modes == ("soft", "firm")
    assert bench.waits == "the mode it is driven in"
    for place in REAR:
        car = with_side(car, "plan", place, mode="firm")
    bench = damping_bench(car, "plan", "rear")
    assert bench.ratio == pytest.approx(ratio(evaluate(car, "plan"), "rear", (3200 + 1600) / 2))
    assert bench.waits == ""
    assert bench.rules == ()


def test_what_is_missing_before_a_curve_is_known_is_said(car):
    bare = car
    for place in REAR:
        bare = with_side(bare, "plan", place, rebound=None)
    bench = damping_bench(bare, "plan", "rear")
    assert bench.waits == "the rebound clicks"
    assert bench.ratio is None
    for place in REAR:
        bare = with_side(bare, "plan", place, damper=DamperPart(code="x"))
    assert "its curve" in damping_bench(bare, "plan", "rear").waits
    none = bare
    for place in REAR:
        none = with_side(with_side(none, "plan", place, damper=None), "found", place, damper=None)
    assert damping_bench(none, "plan", "rear") is None


def test_a_knob_is_turned_as_it_counts_and_never_past_its_end(car):
    part = DamperPart(code="o", knobs=(Knob(acts="rebound", clicks=24, counted_from="fully open"),))
    for place in REAR:
        car = with_side(car, "plan", place, damper=part, rebound=None)
    made = applied(car, "plan", TurnClicks(act="turn clicks", end="rear", clicks={"rebound": 5}))
    assert made.setups[1].sides.rear_right.rebound == Clicks(count=19, of=24, counted_from="fully open")
    one = applied(
        car, "plan", TurnClicks(act="turn clicks", end="rear", place=Place.REAR_LEFT, clicks={"rebound": 0})
    )
    assert one.setups[1].sides.rear_left.rebound.count == 24
    assert one.setups[1].sides.rear_right.rebound is None
    for clicks, words in (({"rebound": 25}, "not forced past its end"), ({"bump": 3}, "has not")):
        with pytest.raises(OutOfRange, match=words):
            applied(car, "plan", TurnClicks(act="turn clicks", end="rear", clicks=clicks))


def test_a_damper_without_a_knob_for_one_side_stands_half_way_in_its_family():
    family = Family(rebound_shut=4000, rebound_open=1000, bump_shut=2000, bump_open=1000, knee=0.1, high_share=0.5)
    part = DamperPart(code="f", knobs=(Knob(acts="rebound", clicks=10),), family=family)
    curve = at_clicks(part, {"rebound": 4.0}).curve
    assert curve.at(-0.05) == pytest.approx(-0.05 * 2800)
    assert curve.at(0.05) == pytest.approx(0.05 * 1500)
    assert curve.at(0.30) == pytest.approx(1500 * (0.1 + 0.5 * 0.2))


def test_both_legs_of_a_fork_damp(car):
    bike = magpie()
    family = Family(rebound_shut=900, rebound_open=300, bump_shut=500, bump_open=200)
    part = DamperPart(
        code="c", knobs=(Knob(acts="rebound", clicks=20), Knob(acts="bump", clicks=20)), family=family
    )
    bike = with_side(bike, "plan", "front", damper=part)
    corner = evaluate(bike, "plan").corners["front"]
    side = bike.setups[1].sides.front
    r = 900 - 600 * side.rebound.count / 20
    assert corner.rebound_low.value == pytest.approx(2 * 0.05 * r)


def test_unlike_legs_of_a_fork_damp_each_way_once():
    bike = magpie()
    fork = bike.vehicle.ends.front.fork
    shared = with_end(bike, "front", fork=fork.but(damped=1))
    both, one = (evaluate(b, "plan").corners["front"] for b in (bike, shared))
    assert one.damping_ratio.value == pytest.approx(both.damping_ratio.value / 2)
    assert one.rebound_low.value == pytest.approx(both.rebound_low.value / 2)
    assert one.wheel_rate.value == pytest.approx(both.wheel_rate.value)
    rules = damping_bench(shared, "plan", "front").rules
    assert rules[0].ratio == pytest.approx(damping_bench(bike, "plan", "front").rules[0].ratio / 2)
    # of one coefficient likewise
    plain = with_side(shared, "found", "front", damper=None)
    whole = with_side(bike, "found", "front", damper=None)
    ratio_one, ratio_both = (evaluate(b, "plan").corners["front"].damping_ratio.value for b in (plain, whole))
    assert ratio_one == pytest.approx(ratio_both / 2)


def test_a_family_is_as_unsure_as_an_estimate(car):
    told = uncertainty(car, "plan", "corners.rear_left.damping_ratio")
    shares = {s.document_path.rsplit(".", 1)[-1]: s for s in told.shares if ".family." in s.document_path}
    assert set(shares) == {"rebound_shut", "rebound_open", "bump_shut", "bump_open"}
    # moved by its tolerance: of the mean of both sides the part that the knob, 7 of 18 from shut, leaves of it
    c = (coefficient("rear", 0, 7) + coefficient("rear", 1, 10)) / 2
    wanted = shares["rebound_shut"].tolerance * 11 / 18 / 2 / c * told.value
    assert shares["rebound_shut"].effect == pytest.approx(wanted, rel=1e-3)


def test_a_high_speed_knob_is_judged_against_wheel_hop(car):
    rows = tuple(
        CurveRow(rebound=0, bump=0, high_bump=k, points=((-0.3, -900.0), (0.05, 150.0), (0.3, 700.0 - 100 * k)))
        for k in (0, 4)
    )
    knobs = (Knob(acts="rebound", clicks=4), Knob(acts="bump", clicks=4), Knob(acts="high_bump", clicks=4))
    part = DamperPart(code="three ways", knobs=knobs, rows=rows)
    for place in REAR:
        at = {name: Clicks(count=0, of=4) for name in ("rebound", "bump")}
        car = with_side(car, "plan", place, damper=part, high_bump=Clicks(count=2, of=4), **at)
    bench = damping_bench(car, "plan", "rear")
    rule = next(r for r in bench.rules if r.acts == "high_bump")
    low, high = car.brief.hop_band
    share = 2 / (1 + SPLIT)
    assert (rule.band_low, rule.band_high) == pytest.approx((low * share, high * share))
    # by hand at 0.3 m/s: 700 to 300 N over four clicks, MR 0.94, 205 N/mm of tyre, 28 kg
    rate = evaluate(car, "plan").ends["rear"].wheel_rate.value
    by_hand = [(700 - 100 * k) / 0.3 * 0.94**2 / (2 * sqrt((rate + 205e3) * 28)) for k in range(5)]
    assert rule.ratios == pytest.approx(by_hand)
    assert rule.ratio == pytest.approx(by_hand[2])
    # low speed does not feel it
    bump = next(r for r in bench.rules if r.acts == "bump")
    assert bump.ratios[0] == pytest.approx(ratio(evaluate(car, "plan"), "rear", 3000))
    # without a row that tells its clicks, or without a tyre rate, there is nothing to judge
    plain = part.but(rows=tuple(r.but(high_bump=None) for r in rows[:1]))
    for place in REAR:
        car = with_side(car, "plan", place, damper=plain)
    assert [r.acts for r in damping_bench(car, "plan", "rear").rules] == ["rebound", "bump"]


@pytest.mark.parametrize(
    ("points", "words", "numbers"),
    [
        (
            [(-0.3, -600), (-0.05, -100), (0.05, 60), (0.3, 300)],
            ["2 velocities in rebound", "2 velocities in bump"],
            {},
        ),
        ([(0.05, 60), (0.1, 110), (0.3, 300)], ["no velocity in rebound"], {}),
        (
            [(-0.3, -600), (-0.2, -420), (-0.1, -220), (0.05, 50), (0.1, 100), (0.3, 300)],
            ["rebound begins at {speed}"],
            {"speed": 0.1},
        ),
        (
            [(-0.2, -400), (-0.1, -200), (-0.05, -100), (0.05, 50), (0.1, 100), (0.3, 300)],
            ["rebound ends at {speed}"],
            {"speed": 0.2},
        ),
        # 1000 N s/m either way with 40 N of gas push and 25 N of friction in it
        (
            [(v, 1000 * v + 40 + (25 if v > 0 else -25)) for v in (-0.3, -0.1, -0.05, 0.05, 0.1, 0.3)],
            ["gas push was left in", "friction was left in"],
            {"force": 40},
        ),
        ([(v, 1000 * v + 14) for v in (-0.3, -0.1, -0.05, 0.05, 0.1, 0.3)], [], {}),
    ],
)
def test_what_can_be_doubted_of_a_curve_is_told_with_its_numbers(car, points, words, numbers):
    part = DamperPart(
        code="bench",
        rows=(
            CurveRow(points=((-1.0, -2e3), (-0.05, -1e2), (-0.3, -6e2), (0.05, 5e1), (0.1, 9e1), (0.3, 3e2))),
            CurveRow(points=tuple(points)),
        ),
    )
    bench = damping_bench(with_side(car, "plan", "rear_left", damper=part), "plan", "rear", Place.REAR_LEFT)
    told = [d for d in bench.doubts if d.row == 1]
    assert len(told) == len(words)
    for doubt, say in zip(told, words, strict=True):
        assert say in doubt.text
    for name, value in numbers.items():
        assert told[0].numbers[name].value == pytest.approx(value, abs=1e-9)
    if len(words) == 2 and numbers:
        assert told[1].numbers["force"].value == pytest.approx(25)
    assert not [d for d in bench.doubts if d.row == 0]


def test_under_a_load_the_rules_go_by_its_mass_and_mark_what_is_assumed():
    bike = magpie()
    alone, solo = (damping_bench(bike, "plan", "rear", load_state=state) for state in (None, "solo"))
    report = evaluate(bike, "plan", "solo")
    told = report.ends["rear"]
    # 150 and 280 N at 0.05 m/s; the shock's own ratio at that height
    motion = report.corners["rear"].damper_motion_ratio.value
    by_hand = (150 + 280) / 2 / 0.05 * motion**2 / (2 * sqrt(told.wheel_rate.value * told.sprung_mass.value))
    assert solo.ratio == pytest.approx(by_hand)
    assert solo.ratio < alone.ratio
    assert solo.ratio == pytest.approx(report.corners["rear"].damping_ratio.value)
