"""Worked examples printed in standard machine-design texts (values as printed; tolerances are their rounding)."""

import math

import pytest

from feder.core.formulas.coil import coil_rate
from feder.core.formulas.roll import anti_roll_bar
from feder.core.formulas.torsion import torsion_bar_rate

INCH, LBF, PSI = 0.0254, 4.4482216, 6894.757


def test_a_music_wire_compression_spring():
    """Wire 0.037 in, outside diameter 7/16 in, 10.5 active of 12.5 turns, G = 11.85 Mpsi: printed 4.13 lbf/in, C = 10.8."""
    found = coil_rate(0.037 * INCH, (0.4375 - 0.037) * INCH, 10.5, 11.85e6 * PSI, 12.5)
    assert found.rate / (LBF / INCH) == pytest.approx(4.13, rel=0.01)  # the text rounds D to 0.400
    assert found.spring_index == pytest.approx(10.8, abs=0.05)
    assert found.solid_length / INCH == pytest.approx(0.4625)  # squared and ground: turns times wire


@pytest.mark.parametrize(("index", "printed"), [(4, 1.40), (6, 1.25), (8, 1.18), (10, 1.14), (12, 1.12)])
def test_the_wahl_factor_as_tabulated(index, printed):
    found = coil_rate(0.01, 0.01 * index, 6, force=1.0)
    assert found.wahl_factor == pytest.approx(printed, abs=0.006)


def test_a_round_shafts_twist():
    """A solid steel shaft of 50 mm, 1 m long, under 1 kN·m, G = 80 GPa: 1.167 deg and 40.7 MPa."""
    found = torsion_bar_rate(0.050, 1.0, 0.0, 80e9, 1000.0)
    assert math.degrees(1000 / found.angular_rate) == pytest.approx(1.167, abs=0.001)
    assert found.shear_stress == pytest.approx(40.7e6, rel=2e-3)


def test_a_hollow_bar_keeps_most_of_its_rate():
    """A bore of half the diameter takes away one sixteenth of the polar moment."""
    solid, hollow = torsion_bar_rate(0.024, 0.6).angular_rate, torsion_bar_rate(0.024, 0.6, 0.012).angular_rate
    assert hollow / solid == pytest.approx(15 / 16)
    assert anti_roll_bar(0.024, 0.9, 0.2, 0.012) / anti_roll_bar(0.024, 0.9, 0.2) == pytest.approx(15 / 16)
