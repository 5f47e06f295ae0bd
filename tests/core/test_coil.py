"""Coil springs: a case worked by hand, the twist of a wire derived anew, and the laws they obey."""

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from feder.core.formulas.coil import coil_rate, series_rate
from feder.core.numbers.errors import OutOfRange
from feder.core.numbers.notes import collecting_notes


def test_rate_equals_the_twist_of_the_wire_by_castiglianos_theorem():
    # Derived anew: torque F·D/2 along a wire of length pi·D·n, polar moment pi·d^4/32; compression = dU/dF.
    d, big, n, g = 0.0105, 0.0705, 6.25, 79.3e9
    polar = math.pi * d**4 / 32
    compliance = (big / 2) ** 2 * (math.pi * big * n) / (g * polar)
    assert coil_rate(d, big, n).rate == pytest.approx(1 / compliance, rel=1e-12)


def test_a_spring_worked_by_hand():
    # d = 10, D = 100, n = 8: C = 10, k = 79300·10^4/(8·10^6·8) = 12.390625 N/mm, solid 10·10 = 100 mm,
    # K_w = 39/36 + 0.0615 = 1.144833..., tau at 1000 N = 8·1000·100·K_w/(pi·1000) = 291.532 N/mm^2
    found = coil_rate(0.010, 0.100, 8.0, force=1000.0)
    assert found.rate == pytest.approx(12390.625)
    assert found.solid_length == pytest.approx(0.100)
    assert found.wahl_factor == pytest.approx(1.1448333333)
    assert found.shear_stress == pytest.approx(291.532e6, rel=1e-5)


def test_a_coil_must_be_wider_than_its_wire_and_an_odd_index_is_noted():
    with pytest.raises(OutOfRange) as refused:
        coil_rate(0.02, 0.02, 5)
    assert refused.value.key == "mean_diameter"
    with collecting_notes() as notes:
        coil_rate(0.02, 0.06, 5)
    assert "index 3.00" in notes[0]


@given(st.floats(1e2, 1e6), st.floats(1e2, 1e6))
def test_two_springs_in_series_add_their_compressions(one, other):
    force = 1234.5
    assert force / series_rate(one, other) == pytest.approx(force / one + force / other, rel=1e-12)
