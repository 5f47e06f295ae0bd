"""Quantities as people type them, the table held against pint, and what is refused."""

import contextlib
import math

import pint
import pytest
from hypothesis import given
from hypothesis import strategies as st

from feder.units.parse import Unreadable, parse, parse_with_tolerance
from feder.units.show import figure, unit_shown
from feder.units.table import BY_SI, DIMENSIONS, SYSTEMS

PINT_NAMES = {
    "": "dimensionless",
    "%": "percent",
    "l": "litre",
    "1/min": "1/minute",
    "min": "arcminute",
    "turn": "turn",
    "t": "metric_ton",
    "ft": "foot",
    "in": "inch",
    "lbf*ft": "lbf*foot",
    "rad/g": None,
    "deg/g": None,
    "m/km": None,
}


def test_every_factor_is_pints():
    registry = pint.UnitRegistry()
    for dimension in DIMENSIONS:
        for unit in dimension.units:
            name = PINT_NAMES.get(unit.text, unit.text)
            if name is None:
                continue
            si = PINT_NAMES.get(dimension.si, dimension.si) or "dimensionless"
            assert unit.factor == pytest.approx(registry.Quantity(1, name).to(si).magnitude, rel=1e-12), unit.text


@pytest.mark.parametrize(
    ("text", "si", "value"),
    [
        # each by hand: 1 lbf = 4.4482216152605 N, 1 in = 25.4 mm, 1 kgf = 9.80665 N, 1 psi = 6894.757 Pa
        ("450 lbf/in", "N/m", 450 * 4.4482216152605 / 0.0254),
        ("450 lb/in", "N/m", 450 * 4.4482216152605 / 0.0254),
        ("8 kg/mm", "N/m", 78453.2),
        ("8 kgf/mm", "N/m", 78453.2),
        ("26 mm", "m", 0.026),
        ("2 1/4 in", "m", 2.25 * 0.0254),
        ("2-1/4 in", "m", 2.25 * 0.0254),
        ("¾ in", "m", 0.75 * 0.0254),
        ("-1/2 in", "m", -0.0127),
        ("21.5 deg", "rad", math.radians(21.5)),
        ("21 deg 30 min", "rad", math.radians(21.5)),
        ("21 deg 30", "rad", math.radians(21.5)),
        ("-0° 30'", "rad", math.radians(-0.5)),
        ("35 %", "", 0.35),
        ("2.4 bar", "Pa", 2.4e5),
        ("35 psi", "Pa", 241316.5),
        ("12,5 mm", "m", 0.0125),
        ("−3 mm", "m", -0.003),
        ("1.2e-2", "m", 0.012),
        ("305 kg", "N", 305 * 9.80665),
        ("0.4 kN/cm", "N/m", 40e3),  # not in the table: read by pint
        ("90 km/h", "m/s", 25.0),
    ],
)
def test_typed_text(text, si, value):
    assert parse(text, si).value == pytest.approx(value, rel=1e-7)


def test_a_bare_number_is_in_the_unit_shown_or_in_si():
    assert parse("26", "m", "mm").value == 0.026
    assert parse("26", "N/m", "N/mm").value == 26e3
    assert parse("0.026", "m").value == 0.026
    assert parse("71 mm", "m").value == 0.071  # to the last digit


@pytest.mark.parametrize(
    ("text", "si", "says"),
    [
        ("", "m", "empty"),
        ("abc", "m", "not a number"),
        ("nan", "m", "not a number"),
        ("inf", "m", "not a number"),
        ("1e999", "m", "finite"),
        ("12 kg", "m", "is a mass"),
        ("12 mm", "N/m", "is a length"),
        ("12 N*m", "N", "is a torque"),
        ("12 parsnips", "m", "not known"),
        ("1,500 mm", "m", "two ways"),
        ("1/0 in", "m", "zero"),
        ("21.5", "rad", "write 21.5 deg"),
        ("5 mm 3", "m", "not known"),
        ("9" * 200, "m", "too long"),
        ("5 m**999999999", "m", "not known"),
    ],
)
def test_what_has_no_meaning_is_refused_in_one_sentence(text, si, says):
    with pytest.raises(Unreadable, match=says) as refused:
        parse(text, si)
    assert "\n" not in str(refused.value)


@given(st.floats(-1e4, 1e4).filter(lambda v: abs(v) > 1e-3), st.sampled_from(sorted(SYSTEMS)))
def test_there_and_back_in_every_system(value, system):
    for si in ("m", "N/m", "kg", "Pa", "N*s/m", "m/s"):
        text, factor, _ = unit_shown(si, system)
        assert parse(f"{value!r} {text}", si).value == pytest.approx(value * factor, rel=1e-12)


@given(st.text(max_size=60), st.sampled_from(sorted(BY_SI)))
def test_any_text_is_read_or_refused(text, si):
    with contextlib.suppress(Unreadable):
        assert math.isfinite(parse(text, si).value)


def test_figures_are_rounded_with_a_true_minus_and_no_negative_nothing():
    assert figure(-0.022, "m", "metric") == "−22"
    assert figure(-0.0001, "m", "metric") == "0"
    assert figure(0.0006, "m", "metric", signed=True, kind="fine length") == "+0.6"
    assert figure(36864, "N/m", "inch", unit=True) == "210 lbf/in"
    assert figure(None, "m", "metric") == "–"
    assert figure(0.3752, "rad", "metric", unit=True) == "21.50 °"


@pytest.mark.parametrize(
    ("text", "si", "bare", "value", "tolerance"),
    [
        ("40 +- 0.4", "m", "mm", 0.040, 0.0004),
        ("40 ± 0.4 mm", "m", "in", 0.040, 0.0004),
        ("40 mm +/- 0.4", "m", "in", 0.040, 0.0004),
        ("2 1/4 in ± 1/16", "m", "mm", 2.25 * 0.0254, 0.0254 / 16),
        ("40 mm ± 1/16 in", "m", "mm", 0.040, 0.0254 / 16),
        ("450 lb/in ± 2 %", "N/m", None, 450 * 4.4482216152605 / 0.0254, 9 * 4.4482216152605 / 0.0254),
        ("0.95 ± 3 %", "", None, 0.95, 0.0285),
        ("0.95 ± 0.01", "", None, 0.95, 0.01),
        ("-21 deg 30 min ± 0.1", "rad", "deg", math.radians(-21.5), math.radians(0.1)),
        ("305 ± ½ kg", "kg", "lb", 305, 0.5),
        ("-20", "m", "mm", -0.020, None),
        ("+20", "m", "mm", 0.020, None),
    ],
)
def test_a_tolerance_typed_after_a_number_is_read_in_the_same_unit(text, si, bare, value, tolerance):
    read, size = parse_with_tolerance(text, si, bare)
    assert read.value == pytest.approx(value, rel=1e-12)
    assert size == (None if tolerance is None else pytest.approx(tolerance, rel=1e-12))


@pytest.mark.parametrize(
    "text", ["40 +- 0", "40 +- -1", "40 +- ", "40 +- a few", "40 +- 1 kg", "± 3", "4 +- 1 +- 2"]
)
def test_a_tolerance_that_cannot_be_read_is_refused(text):
    with pytest.raises(Unreadable):
        parse_with_tolerance(text, "m", "mm")
