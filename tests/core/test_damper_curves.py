"""Damping formulas by another route: curves by quadrature, modes by their polynomial, decays by what was put in."""

from math import exp, log, pi, sin, sqrt

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.integrate import quad

from feder.calc.answer import answer
from feder.calc.refusal import CalcError
from feder.core.numbers.errors import OutOfRange
from feder.core.solvers.damper_curve import curve_of, damper_equivalent
from feder.core.solvers.decay import free_decay, released_at
from feder.core.solvers.two_mass import two_mass_modes


def results(name, **inputs):
    return {k: v["value"] for k, v in answer(name, inputs)["results"].items()}


@pytest.mark.parametrize(
    ("v", "force", "slope"),
    [
        (0.08, 320.0, 4000.0),
        (0.12, 480.0, 4000.0),
        (0.30, 480 + 0.3 * 4000 * 0.18, 1200.0),
        (-0.30, -(480 + 216.0), 1200.0),
    ],
)
def test_the_family_curve_by_hand(v, force, slope):
    told = results("damper_force", velocity=v, low_coefficient=4000, knee_velocity=0.12, high_share=0.3)
    assert told["force"] == pytest.approx(force)
    assert told["coefficient"] == pytest.approx(force / v)
    assert told["slope"] == pytest.approx(slope)


def test_at_rest_the_coefficient_is_the_low_one():
    told = results("damper_force", velocity=0, low_coefficient=4000, knee_velocity=0.12, high_share=0.3)
    assert told == {"force": 0.0, "coefficient": 4000.0, "slope": 4000.0}


SIDES = st.lists(st.tuples(st.floats(0.01, 0.2), st.floats(0, 400)), min_size=1, max_size=5)


def rising(steps, way):
    v = f = 0.0
    for dv, df in steps:
        v, f = v + dv, f + df
        yield way * v, way * f


@settings(max_examples=60)
@given(SIDES, SIDES, st.floats(0.002, 0.05), st.floats(0.5, 12))
def test_a_curve_in_sine_motion_against_quadrature(bump, rebound, amplitude, frequency):
    points = sorted([*rising(bump, 1), *rising(rebound, -1)])
    told = damper_equivalent(points, amplitude, frequency)
    vs, fs = (np.array(a) for a in zip(*sorted([*points, (0.0, 0.0)]), strict=True))

    def force(v):
        if v < vs[0]:
            return fs[0] + (fs[1] - fs[0]) / (vs[1] - vs[0]) * (v - vs[0])
        if v > vs[-1]:
            return fs[-1] + (fs[-1] - fs[-2]) / (vs[-1] - vs[-2]) * (v - vs[-1])
        return float(np.interp(v, vs, fs))

    omega = 2 * pi * frequency
    peak = omega * amplitude
    kinks = sorted({float(np.arccos(v / peak)) for v in vs if abs(v) < peak})

    def over(f):
        return 2 * quad(f, 0, pi, points=kinks, limit=400)[0] / omega

    energy = over(lambda a: force(peak * np.cos(a)) * peak * np.cos(a))
    up = over(lambda a: force(peak * np.cos(a)) * peak * np.cos(a) * (np.cos(a) > 0))
    assert told.peak_velocity == pytest.approx(peak)
    assert told.energy == pytest.approx(energy, rel=1e-6, abs=1e-9)
    assert told.coefficient == pytest.approx(energy / (pi * omega * amplitude**2), rel=1e-6, abs=1e-6)
    assert told.mean_force == pytest.approx(
        over(lambda a: force(peak * np.cos(a))) * frequency, rel=1e-5, abs=1e-6
    )
    if told.bump_share is not None:
        assert told.bump_share == pytest.approx(up / energy, rel=1e-4, abs=1e-6)


def test_a_linear_damper_is_its_own_equivalent_and_one_side_is_noted():
    told = answer("damper_equivalent", {"points": [["100 mm/s", "200 N"]], "amplitude": "10 mm", "frequency": 2})
    assert told["results"]["coefficient"]["value"] == pytest.approx(2000)
    assert told["results"]["bump_share"]["value"] == pytest.approx(0.5)
    assert told["results"]["mean_force"]["value"] == pytest.approx(0, abs=1e-9)
    assert "one side" in told["notes"][0]
    free = answer("damper_equivalent", {"points": [[0.1, 0.0]], "amplitude": 0.01, "frequency": 2})
    assert "bump_share" not in free["results"]


@pytest.mark.parametrize(
    ("points", "words"),
    [
        ([(0.0, 0.0)], "velocity other than zero"),
        ([(0.0, 30.0), (0.1, 90.0)], "no force at no velocity"),
        ([(0.1, 100.0), (0.1, 120.0)], "two at 0.1"),
        ([(0.1, 100.0), (0.2, 90.0)], "from 0.1 to 0.2"),
        ([(-0.1, 50.0), (0.1, 100.0)], "must not fall"),
    ],
)
def test_what_is_no_curve_of_a_damper_is_refused_by_its_place(points, words):
    with pytest.raises(OutOfRange, match=words) as refused:
        curve_of(points)
    assert refused.value.key == "points"


def by_polynomial(m, mu, k, kt, c):
    """The modes from the characteristic polynomial, its real roots in pairs."""
    roots = np.roots([m * mu, c * (m + mu), k * (m + mu) + kt * m, c * kt, k * kt])
    swinging = [(abs(r), -r.real / abs(r)) for r in roots if r.imag > 1e-7 * abs(r)]
    real = sorted(-r.real for r in roots if abs(r.imag) <= 1e-7 * abs(r))
    pairs = [(sqrt(a * b), (a + b) / 2 / sqrt(a * b)) for a, b in zip(real[::2], real[1::2], strict=True)]
    found = pairs if len(pairs) == 2 else sorted(swinging + pairs)
    return [(w / 2 / pi, z) for w, z in found]


@settings(max_examples=80)
@given(st.floats(80, 700), st.floats(10, 90), st.floats(8e3, 9e4), st.floats(8e4, 4e5), st.floats(0, 9000))
def test_both_modes_against_their_polynomial(m, mu, k, kt, c):
    told = two_mass_modes(m, mu, k, kt, c)
    wanted = by_polynomial(m, mu, k, kt, c)
    assert [told[0], told[2]] == pytest.approx([w for w, _ in wanted], rel=1e-4)
    assert [told[1], told[3]] == pytest.approx([z for _, z in wanted], rel=1e-4, abs=1e-6)


def test_modes_that_do_not_swing_are_noted_and_undamped_ones_are_those_of_the_springs():
    still = answer(
        "two_mass_modes",
        {"sprung_mass": 300, "unsprung_mass": 40, "wheel_rate": 2e4, "tyre_rate": 2e5, "damping": 6000},
    )
    assert any("does not swing" in n for n in still["notes"])
    stiff = answer(
        "two_mass_modes",
        {"sprung_mass": 300, "unsprung_mass": 40, "wheel_rate": 2e4, "tyre_rate": 2e5, "damping": 0},
    )
    squares = [(2 * pi * stiff["results"][f"{n}_frequency"]["value"]) ** 2 for n in ("body", "hop")]
    assert squares[0] * squares[1] == pytest.approx(2e4 * 2e5 / 300 / 40)
    assert sum(squares) == pytest.approx(2e4 / 300 + 2.2e5 / 40)


def test_wheel_hop_by_hand():
    assert results("wheel_hop_damping", damping=2640, wheel_rate=23961, tyre_rate=210e3, unsprung_mass=34)[
        "damping_ratio"
    ] == pytest.approx(2640 / 2 / sqrt(233961 * 34))


def test_two_swings_on_one_side_or_both_and_what_is_refused():
    one = results("log_decrement", first="36 mm", later="12 mm")
    delta = log(3)
    assert one == {"damping_ratio": pytest.approx(delta / sqrt(4 * pi**2 + delta**2))}
    half = results("log_decrement", first=2.0, later=1.0, cycles=0.5, period="0.7 s")
    delta = log(2) / 0.5
    zeta = delta / sqrt(4 * pi**2 + delta**2)
    assert half["damping_ratio"] == pytest.approx(zeta)
    assert half["damped_frequency"] == pytest.approx(1 / 0.7)
    assert half["frequency"] == pytest.approx(1 / 0.7 / sqrt(1 - zeta**2))
    for inputs, key in (
        ({"first": 1, "later": 1}, "later"),
        ({"first": 1, "later": 2}, "later"),
        ({"first": 2, "later": 1, "cycles": 0.75}, "cycles"),
        ({"first": "36 mm", "later": "12 kg"}, "later"),
        ({"first": "36 parsnips", "later": 1}, "first"),
        ({"first": 0, "later": 0}, "first"),
    ):
        with pytest.raises(CalcError) as refused:
            answer("log_decrement", inputs)
        assert refused.value.key == key


def swing(f, zeta, *, offset=0.65, depth=0.04, held=0.4, seconds=4.0, rate=100, noise=0.0, seed=1):
    """Readings of a body held down, let go, and swinging freely."""
    dice, w = np.random.default_rng(seed), 2 * pi * f
    wd = w * sqrt(1 - zeta**2)
    points = []
    for i in range(int(seconds * rate)):
        t = i / rate
        s = t - held
        x = -depth if s < 0 else -depth * exp(-zeta * w * s) * (np.cos(wd * s) + zeta * w / wd * sin(wd * s))
        points.append((t, offset + x + dice.normal(0, noise)))
    return points


@pytest.mark.parametrize(("f", "zeta"), [(1.43, 0.18), (1.1, 0.45), (2.4, 0.30), (12.0, 0.08), (1.5, 0.62)])
def test_a_decay_is_read_back_as_it_was_put_in(f, zeta):
    points = swing(f, zeta, rate=100 if f < 5 else 400)
    told = free_decay(points)
    assert told.frequency == pytest.approx(f, rel=2e-3)
    assert told.damping_ratio == pytest.approx(zeta, abs=3e-3)
    assert told.offset == pytest.approx(0.65, abs=1e-5)
    assert told.r_squared > 0.999
    assert points[released_at(points)][0] == pytest.approx(0.4, abs=0.2 / f)


def test_the_error_of_the_fit_is_that_of_many_noisy_readings():
    fits = [free_decay(swing(1.4, 0.2, noise=1e-3, seed=s), 0.4) for s in range(60)]
    for name, error in (
        ("frequency", "standard_error_frequency"),
        ("damping_ratio", "standard_error_damping_ratio"),
    ):
        spread = np.std([getattr(f, name) for f in fits], ddof=1)
        assert np.mean([getattr(f, error) for f in fits]) == pytest.approx(spread, rel=0.3)


@pytest.mark.parametrize(
    ("points", "release", "key"),
    [
        (swing(1.4, 0.95), None, "points"),
        ([(i * 0.01, 0.5) for i in range(50)], None, "points"),
        (swing(1.4, 0.2)[:45], 0.40, "points"),
        (swing(1.4, 0.2), 9.0, "release"),
        ([*swing(1.4, 0.2), (0.1, 0.6)], None, "points"),
        ([(i * 0.01, float(np.random.default_rng(i).normal())) for i in range(200)], None, "points"),
    ],
)
def test_a_decay_that_tells_nothing_is_refused(points, release, key):
    with pytest.raises(OutOfRange) as refused:
        free_decay(points, release)
    assert refused.value.key == key


def test_a_damping_that_drowns_the_slow_root_is_refused_by_its_key():
    with pytest.raises(OutOfRange) as refused:
        two_mass_modes(1.0, 1.0, 1.0, 1.0, 51351146.0)
    assert refused.value.key == "damping"
