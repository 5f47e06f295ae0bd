"""Roads by class and what they do: printed weights, spectra by their variance, the response by a general integrator."""

from math import pi, sqrt

import numpy as np
import pytest
from scipy.integrate import quad

from feder.calc.answer import answer
from feder.calc.refusal import CalcError
from feder.core.formulas.road import road_spectrum, wk_weight
from feder.core.numbers.notes import collecting_notes
from feder.core.solvers.road_response import road_response

CAR = {
    "road_class": "C", "speed": 80 / 3.6, "sprung_mass": 274.0, "unsprung_mass": 34.0, "wheel_rate": 36.9e3,
    "tyre_rate": 210e3, "damping": 2640.0,
}  # fmt: skip


@pytest.mark.parametrize(
    # printed in ISO 2631-1, table 3, in thousandths at third octaves
    ("frequency", "printed"),
    [
        (0.5, 418),
        (1.0, 482),
        (2.0, 531),
        (4.0, 967),
        (5.0, 1039),
        (8.0, 1036),
        (16.0, 768),
        (31.5, 405),
        (80.0, 132),
    ],
)
def test_the_weight_is_the_printed_one_at_third_octaves(frequency, printed):
    assert round(wk_weight(frequency) * 1000) == pytest.approx(printed, abs=1)


@pytest.mark.parametrize(("road_class", "mean"), [(c, 16 * 4**i * 1e-6) for i, c in enumerate("ABCDEFGH")])
def test_each_class_is_four_times_as_rough_as_the_one_before(road_class, mean):
    assert road_spectrum(road_class, 0.1) == pytest.approx(mean)
    assert road_spectrum(road_class, 0.2) == pytest.approx(mean / 4)
    variance = quad(lambda n: road_spectrum(road_class, n), 0.011, 2.83, points=[0.05, 0.3], limit=400)[0]
    assert variance == pytest.approx(mean * 0.01 * (1 / 0.011 - 1 / 2.83), rel=1e-6)


def by_state_space(road_class, speed, sprung_mass, unsprung_mass, wheel_rate, tyre_rate, damping):
    """The four root mean squares by the state space at each frequency and an adaptive integral."""
    m, mu, k, kt, c = sprung_mass, unsprung_mass, wheel_rate, tyre_rate, damping
    a = [[0, 1, 0, 0], [-k / m, -c / m, k / m, c / m], [0, 0, 0, 1], [k / mu, c / mu, -(k + kt) / mu, -c / mu]]
    b = [[0], [0], [0], [kt / mu]]
    mean = {"A": 16e-6, "C": 256e-6, "E": 4096e-6}[road_class]

    def rms(row, straight, weigh):
        def part(log_n):
            n = np.exp(log_n)
            w = 2 * pi * n * speed
            state = np.linalg.solve(1j * w * np.eye(4) - np.array(a), np.array(b)[:, 0])
            h = (np.array(row) @ state + straight) * (wk_weight(n * speed) if weigh else 1.0)
            return abs(h) ** 2 * mean * (0.1 / n) ** 2 * n

        at = sorted(np.log(f / speed) for f in (sqrt(k / m) / 2 / pi, sqrt((k + kt) / mu) / 2 / pi))
        low, high = np.log(0.011), np.log(2.83)
        return sqrt(quad(part, low, high, points=[p for p in at if low < p < high], limit=400, epsrel=1e-9)[0])

    return (
        rms(a[1], 0, False),
        rms(a[1], 0, True),
        rms([0, 0, -kt, 0], kt, False),
        rms([1, 0, -1, 0], 0, False),
    )


@pytest.mark.parametrize(
    "other",
    [
        {},
        {"damping": 120.0},  # hardly damped: sharp peaks
        {"speed": 5.0, "road_class": "E"},  # the wheel hop lies beyond the shortest waves
        {"speed": 60.0, "road_class": "A", "sprung_mass": 90.0, "unsprung_mass": 18.0, "wheel_rate": 12e3},
        {"damping": 30e3},  # far above critical
    ],
)
def test_the_response_is_that_of_a_general_frequency_response_integrated_apart(other):
    told = road_response(**(CAR | other))
    assert list(told) == pytest.approx(by_state_space(**(CAR | other)), rel=1e-5)


def test_a_road_twice_as_high_shakes_twice_as_much_and_mass_with_rates_scales_out():
    plain, rough = road_response(**CAR), road_response(**CAR | {"road_class": "D"})
    assert list(rough) == pytest.approx([2 * v for v in plain])
    twice = {k: CAR[k] * 2 for k in ("sprung_mass", "unsprung_mass", "wheel_rate", "tyre_rate", "damping")}
    heavy = road_response(**CAR | twice)
    assert heavy.acceleration == pytest.approx(plain.acceleration)
    assert heavy.tyre_load == pytest.approx(2 * plain.tyre_load)
    assert heavy.travel == pytest.approx(plain.travel)


def test_where_the_waves_end_below_the_wheel_hop_it_is_said():
    hop = sqrt((36.9e3 + 210e3) / 34) / 2 / pi
    for factor, says in ((0.9, True), (1.1, False)):
        with collecting_notes() as notes:
            road_response(**CAR | {"speed": factor * hop / 2.83})
        assert bool(notes) == says


@pytest.mark.parametrize(
    ("name", "inputs", "key"),
    [
        ("road_spectrum", {"road_class": "C", "wave_number": "0.5 rad/m"}, "wave_number"),
        ("road_spectrum", {"road_class": "C", "wave_number": "0.5 1/m"}, "wave_number"),
        ("road_spectrum", {"road_class": "C", "wave_number": 5}, "wave_number"),
        ("road_spectrum", {"road_class": "c", "wave_number": 0.5}, "road_class"),
        ("wk_weight", {"frequency": 0}, "frequency"),
        ("road_response", CAR | {"damping": 0}, "damping"),
        ("road_response", CAR | {"speed": "80 m"}, "speed"),
    ],
)
def test_what_makes_no_sense_is_refused_by_its_key(name, inputs, key):
    with pytest.raises(CalcError) as refused:
        answer(name, inputs)
    assert refused.value.key == key


def test_a_wave_number_may_carry_its_unit():
    found = answer("road_spectrum", {"road_class": "B", "wave_number": "0.1 cycle/m"})
    assert found["results"]["density"] == {"value": pytest.approx(64e-6), "unit": "m^3"}
