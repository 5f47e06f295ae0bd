"""The bounce test against a simulation of another kind: a general integrator with friction, a pushing hand and noise."""

from itertools import pairwise
from math import pi, sin, sqrt

import numpy as np
import pytest
from pydantic import ValidationError
from scipy.integrate import solve_ivp

from feder.core.benches.damping.bounce import bounce_bench
from feder.core.document.base import ForceValue, Place
from feder.core.document.bounce import Bounce, LetGo
from feder.core.solvers.damper_curve import curve_of
from feder.core.solvers.let_go import TwoMass, let_go
from feder.demo.nettle import nettle
from tests.changes import with_end

# front left of the demo car as found, by hand: 308 kg on the scale, 34 kg unsprung, 26 N/mm at 0.96, 210 N/mm of tyre
SPRUNG, UNSPRUNG, RATE, TYRE, MOTION = 274.0, 34.0, 26e3 * 0.96**2, 210e3, 0.96
REBOUND, BUMP = 5600 - 4300 * 8 / 18, 3520 - 2420 * 11 / 18
KNEE, SHARE = 0.12, 0.30


def force(speed, share=1.0):
    """The damper's family at clicks 8 and 11, by hand."""
    c = share * (BUMP if speed >= 0 else REBOUND)
    v = abs(speed)
    return np.sign(speed) * c * (v if v <= KNEE else KNEE + SHARE * (v - KNEE))


def shaken(share=1.0, *, depth=0.0, push=0.0, friction=0.0, seconds=4.0, rate=100):
    """Body height over rest at `rate` readings a second; a hand pushes it three times in its own rhythm from 0.4 s."""
    hop = 0.02 * 2 * sqrt((RATE + TYRE) * UNSPRUNG)
    series = RATE * TYRE / (RATE + TYRE)
    period = 2 * pi * sqrt(SPRUNG / series)

    def hand(t):
        a = (t - 0.4) / period
        return -push * sin(2 * pi * (a % 1)) if 0 <= a < 2.5 and a % 1 < 0.5 else 0.0

    def moved(t, y):
        zs, vs, zu, vu = y
        rel = vu - vs
        f = RATE * (zu - zs) + MOTION * force(MOTION * rel, share) + friction * np.clip(rel / 0.002, -1, 1)
        return [vs, (f + hand(t)) / SPRUNG, vu, (-TYRE * zu - hop * vu - f) / UNSPRUNG]

    start = [-depth, 0.0, -depth * RATE / (RATE + TYRE), 0.0]
    times = np.arange(int(seconds * rate)) / rate
    found = solve_ivp(moved, (0, seconds), start, t_eval=times, max_step=2e-3, rtol=1e-8, atol=1e-9)
    return times, found.y[0]


def test_a_let_go_is_that_of_a_general_integrator():
    points = [(w * v, float(force(w * v))) for w in (-1, 1) for v in (KNEE, 2.0)]
    corner = TwoMass(SPRUNG, UNSPRUNG, RATE, TYRE, MOTION, curve_of(points))
    for share, depth in ((1.0, 0.036), (0.3, 0.05), (1.4, 0.02)):
        ours = let_go(corner, depth, 3.0, share)
        _, theirs = shaken(share, depth=depth, seconds=3.0, rate=1000)
        assert max(abs(a - b) for a, b in zip(ours.height, theirs, strict=False)) < 2e-6
    # dry friction of 30 N beside it: within a tenth of a millimetre
    rubbing = TwoMass(SPRUNG, UNSPRUNG, RATE, TYRE, MOTION, curve_of(points), friction=30.0)
    _, theirs = shaken(0.5, depth=0.036, friction=30.0, seconds=3.0, rate=1000)
    assert max(abs(a - b) for a, b in zip(let_go(rubbing, 0.036, 3.0, 0.5).height, theirs, strict=False)) < 1e-4
    # at the release the body is pulled back by the spring alone
    first = let_go(corner, 0.036, 0.1).acceleration[0]
    assert first == pytest.approx(RATE * (0.036 - 0.036 * RATE / (RATE + TYRE)) / SPRUNG, rel=1e-9)
    # second differences of the height are the acceleration
    swing = let_go(corner, 0.036, 1.0)
    pairs = list(pairwise(pairwise(swing.height)))
    bends = [(d - c - (b - a)) / swing.step**2 for (a, b), (c, d) in pairs]
    assert max(abs(b - a) for b, a in zip(bends[5:], swing.acceleration[6:], strict=False)) < 0.3


def bounced(*bounces, car=None):
    car = car or nettle()
    first = car.surveys[0].but(bounces=tuple(bounces))
    return car.but(surveys=(first, *car.surveys[1:]))


def logged(share, *, push=400.0, seed=1, name="run", rest=0.656):
    """A logger's file of one let-go, as anyone would write it."""
    times, heights = shaken(share, push=push, friction=5.0, seconds=5.2)
    heights = rest + heights + np.random.default_rng(seed).normal(0, 0.3e-3, len(heights))
    return LetGo(name=name, times=tuple(times.tolist()), readings=tuple(heights.tolist()))


def bench_of(*bounces, car=None, setup="plan"):
    return bounce_bench(bounced(*bounces, car=car), setup, Place.FRONT_LEFT)


def row_of(bench, place=Place.FRONT_LEFT):
    return next(r for r in bench.rows if r.place == place)


@pytest.mark.parametrize("planted", [0.43, 0.7, 0.97])
def test_a_worn_damper_is_read_back_within_five_percent(planted):
    pushes = (400.0, 388.0, 420.0)
    runs = [logged(planted, push=p, seed=i, name=f"run {i}") for i, p in enumerate(pushes)]
    car = with_end(nettle(), "front", friction=ForceValue(value=5.0, how="scales"))
    bench = bench_of(Bounce(place=Place.FRONT_LEFT, runs=runs), car=car)
    row = row_of(bench)
    assert row.left.value == pytest.approx(planted, rel=0.05)
    # friction that nobody told is taken for damping
    assert row_of(bench_of(Bounce(place=Place.FRONT_LEFT, runs=runs))).left.value > row.left.value
    assert row.by == "logger"
    assert row.left.assumed  # the curve is a family's
    assert row.verdict == {0.43: "worn", 0.7: "not told", 0.97: "sound"}[planted]
    # what a sound one would read from the same depth: the integrator's, fitted by the tests' own eyes: less than 1 % off
    times, heights = shaken(1.0, depth=float(np.mean([r.depth for r in bench.runs])), friction=5.0)
    assert row.expected.value == pytest.approx(ratio_by_eye(times, heights), abs=0.005)
    assert row.plan.assumed
    # the plan: 0.415 of critical with the whole curve, on 40 N/mm
    whole = (REBOUND + BUMP) / 2 * MOTION**2 / (2 * sqrt(40e3 * MOTION**2 * SPRUNG))
    assert row.plan.value == pytest.approx(whole, rel=2e-3)
    assert row.plan_left.value == pytest.approx(whole * row.left.value, rel=2e-3)
    assert bench.clicks == "rebound 8 and bump 11"


def ratio_by_eye(times, heights):
    """Least squares over a plain grid of frequency and damping, the rest linear."""
    best = (np.inf, 0.0)
    for f in np.linspace(1.2, 1.7, 101):
        for z in np.linspace(0.3, 0.8, 251):
            w, fade = 2 * pi * f, np.exp(-z * 2 * pi * f * times)
            d = w * sqrt(1 - z * z)
            columns = np.stack([np.ones_like(times), fade * np.cos(d * times), fade * np.sin(d * times)], axis=1)
            left = np.linalg.lstsq(columns, heights, rcond=None)[1]
            if len(left) and left[0] < best[0]:
                best = (left[0], z)
    return best[1]


def test_scatter_of_several_stands_for_the_uncertainty_and_depth_is_read():
    runs = [logged(0.43, seed=i, push=p) for i, p in enumerate((400.0, 360.0, 440.0))]
    bench = bench_of(Bounce(place=Place.FRONT_LEFT, runs=runs))
    ratios = [r.ratio for r in bench.runs]
    row = row_of(bench)
    assert row.reads.value == pytest.approx(sum(ratios) / 3)
    assert row.uncertain >= np.std(ratios, ddof=1)
    depths = [r.depth for r in bench.runs]
    assert depths[1] < depths[0] < depths[2]
    for run, told in zip(runs, bench.runs, strict=True):
        assert told.rest == pytest.approx(0.656, abs=0.5e-3)
        bottom = min(h for t, h in zip(told.times, told.readings, strict=True) if abs(t) < 0.2)
        assert told.depth == pytest.approx(0.656 - bottom, abs=2.5e-3)
        assert told.times[0] == pytest.approx(run.times[0] - told.release)
    # 1.42 Hz where spring, weight and tyre make as much
    assert row.frequency == pytest.approx(row.frequency_expected.value, rel=0.02)


def test_the_release_can_be_moved_and_a_file_without_a_swing_says_so():
    run = logged(0.43)
    later = run.but(release=bench_of(Bounce(place=Place.FRONT_LEFT, runs=(run,))).runs[0].release + 0.35)
    moved = bench_of(Bounce(place=Place.FRONT_LEFT, runs=(later,))).runs[0]
    assert moved.release == pytest.approx(later.release, abs=0.011)
    assert moved.depth < 0.03
    still = LetGo(
        times=tuple(i / 50 for i in range(100)),
        readings=tuple(0.6 + 1e-4 * (i * i % 7) - 0.01 * (i == 20) for i in range(100)),
    )
    bench = bench_of(Bounce(place=Place.FRONT_LEFT, runs=(still,)))
    assert "does not swing" in bench.runs[0].trouble
    assert row_of(bench).reads is None
    # beside a good one it is left out
    both = bench_of(Bounce(place=Place.FRONT_LEFT, runs=(run, still)))
    assert row_of(both).reads.value == pytest.approx(both.runs[0].ratio)


def test_acceleration_says_the_same_as_height():
    times, heights = shaken(0.43, depth=0.036, seconds=4.0, rate=1000)
    acceleration = np.gradient(np.gradient(heights, times), times)[::10]
    for way in (1.0, -1.0):  # whichever way the sensor counts
        run = LetGo(times=tuple(times[::10].tolist()), readings=tuple((way * acceleration).tolist()), release=0.02)
        row = row_of(bench_of(Bounce(place=Place.FRONT_LEFT, kind="acceleration", runs=(run,))))
        assert row.left.value == pytest.approx(0.43, rel=0.12)


def test_by_hand_off_a_film():
    # 656 at rest, 620 where the hand lets go, 644 at the next low: ln(36/12) over a whole swing
    bench = bench_of(Bounce(place=Place.FRONT_LEFT, rest=0.656, low=0.620, next_low=0.644))
    decrement = np.log(3.0)
    assert bench.by_hand.ratio == pytest.approx(decrement / sqrt(4 * pi**2 + decrement**2))
    # a millimetre on either low
    spread = [np.log(37 / 12), np.log(35 / 12), np.log(36 / 13), np.log(36 / 11)]
    a, b, c, d = (x / sqrt(4 * pi**2 + x**2) for x in spread)
    assert bench.by_hand.uncertain == pytest.approx(sqrt(((a - b) / 2) ** 2 + ((c - d) / 2) ** 2), rel=1e-3)
    assert bench.by_hand.left == pytest.approx(0.454, abs=0.01)
    # with that share the integrator's next low is 12 mm below rest
    times, heights = shaken(bench.by_hand.left, depth=0.036, rate=1000)
    assert -min(h for t, h in zip(times, heights, strict=True) if 0.4 < t < 1.1) == pytest.approx(0.012, abs=2e-4)
    row = row_of(bench)
    assert (row.by, row.verdict) == ("hand", "worn")


@pytest.mark.parametrize(
    ("heights", "words"),
    [
        ({"rest": 0.656}, "waits for a, the low and b, the next low"),
        ({"rest": 0.656, "low": 0.620}, "waits for b, the next low"),
        ({"rest": 0.656, "low": 0.670, "next_low": 0.650}, "a must lie below rest"),
        ({"rest": 0.656, "low": 0.620, "next_low": 0.610}, "b must lie between a and rest"),
        ({"rest": 0.656, "low": 0.620, "next_low": 0.656}, "b must lie between a and rest"),
        ({}, ""),
    ],
)
def test_heights_that_are_no_swing_are_told_and_count_as_none(heights, words):
    bench = bench_of(Bounce(place=Place.FRONT_LEFT, **heights))
    assert bench.by_hand is None
    assert bench.hand_waits.startswith(words)
    assert (bench.hand_waits == "") == (words == "")


def test_what_is_missing_for_a_sound_one_is_named_and_the_reading_stands():
    car = nettle()
    left = car.setups[0].sides.front_left
    bare = car.setups[0].but(sides=car.setups[0].sides.but(front_left=left.but(rebound=None)))
    row = row_of(
        bench_of(Bounce(place=Place.FRONT_LEFT, runs=(logged(0.43),)), car=car.but(setups=(bare, *car.setups[1:])))
    )
    assert row.waits == "the rebound clicks"
    assert row.reads.value == pytest.approx(0.19, abs=0.01)
    assert row.left is row.expected is row.verdict is None


def test_a_plan_with_another_damper_is_not_planned_with_what_is_left():
    car = nettle()
    side = car.setups[1].sides.front_left
    other = car.setups[0].sides.front_left.damper.but(code="another")
    plan = car.setups[1].but(sides=car.setups[1].sides.but(front_left=side.but(damper=other)))
    row = row_of(
        bench_of(
            Bounce(place=Place.FRONT_LEFT, runs=(logged(0.43),)),
            car=car.but(setups=(car.setups[0], plan, *car.setups[2:])),
        )
    )
    assert not row.kept
    assert row.plan_left is None
    assert row.left is not None


def test_readings_that_are_no_file_of_a_logger_are_refused():
    with pytest.raises(ValidationError, match="must rise"):
        LetGo(times=(0, 1, 2, 2, 3, 4, 5, 6), readings=(0,) * 8)
    with pytest.raises(ValidationError, match="as many"):
        LetGo(times=tuple(range(9)), readings=(0,) * 8)


def test_a_sound_let_go_is_drawn_as_long_as_the_run_lasts():
    times, heights = shaken(0.43, depth=0.036, seconds=2.0)
    run = LetGo(times=tuple(times.tolist()), readings=tuple(heights.tolist()), release=0.02)
    (shown,) = bench_of(Bounce(place=Place.FRONT_LEFT, runs=(run,))).runs
    last = shown.sound[-1][0]
    assert shown.times[-1] - 0.011 <= last <= shown.times[-1]
