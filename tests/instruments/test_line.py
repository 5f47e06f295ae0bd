"""The line protocol and other ways of speaking: each reading in SI, each fault in one sentence."""

from math import radians

import pytest

from feder.instruments.line import BadLine, BadPattern, reader_of
from feder.units.parse import read_cell


@pytest.mark.parametrize(
    ("kind", "line", "name", "value", "steady"),
    [
        ("scales", "front_left 312.5 kg steady", "front_left", 312.5, True),
        ("scales", "FR 689,5 lb moving", "front_right", 689.5 * 0.45359237, False),
        ("scales", "rl=203", "rear_left", 203.0, None),
        ("scales", "rear-right: 201.0 steady", "rear_right", 201.0, True),
        ("level", "angle -2.4 deg steady", "angle", -radians(2.4), True),
        ("level", "angle −2.4 ° steady", "angle", -radians(2.4), True),
        ("height", "height 634.2 mm", "height", 0.6342, None),
        ("height", "height 25 in steady", "height", 25 * 0.0254, True),
        ("gauge", "pressure 27.5 psi steady", "pressure", 27.5 * 6894.757293168361, True),
        ("spring_bench", "deflection 10 steady", "deflection", 0.010, True),
        ("spring_bench", "force 41.2 kgf steady", "force", 41.2 * 9.80665, True),
        ("damper_bench", "speed -0.13 m/s steady", "speed", -0.13, True),
        ("logger", "time 12.345", "time", 12.345, None),
        ("logger", "front_left -18.25 mm", "front_left", -0.01825, None),
    ],
)
def test_a_line_is_a_name_a_value_a_unit_and_whether_it_rests(kind, line, name, value, steady):
    read = reader_of(kind, "", read_cell)(line)
    assert (read.name, read.steady) == (name, steady)
    assert read.value == pytest.approx(value, rel=1e-9)


@pytest.mark.parametrize("line", ["", "   ", "# a stand-in for corner scales"])
def test_an_empty_line_and_a_comment_say_nothing(line):
    assert reader_of("scales", "", read_cell)(line) is None


@pytest.mark.parametrize(
    ("kind", "line", "words"),
    [
        ("scales", "front_left 312.5 mm steady", "is in mm, which is no unit of mass"),
        ("scales", "front_left heavy", "does not fit the pattern"),
        ("scales", "spare 20 kg", "is of spare; of corner scales: front_left"),
        ("height", "height 634.2 kg", "is in kg, which is no unit of length"),
        ("level", "angle " + "1" * 300, "longer than"),
        ("gauge", "pressure 999999999 bar", "beyond"),
    ],
)
def test_what_is_no_reading_says_why(kind, line, words):
    with pytest.raises(BadLine, match=words):
        reader_of(kind, "", read_cell)(line)


@pytest.mark.parametrize(
    ("kind", "pattern", "line", "name", "value", "steady"),
    [
        ("scales", "{state},GS,{name},{value}{unit}", "ST,GS,FL, 312.50kg", "front_left", 312.5, True),
        ("scales", "{state},GS,{name},{value}{unit}", "US,GS,RR,+201.0 kg", "rear_right", 201.0, False),
        ("height", "{value}", "  634.2 ", "height", 0.6342, None),
        ("gauge", "P{*}={value} {unit}", "P1 (cold)=1.90 bar", "pressure", 1.9e5, None),
        ("level", "({value} {unit}) {state}", "(1.5 deg)  S", "angle", radians(1.5), True),
    ],
)
def test_a_device_that_speaks_otherwise_is_read_by_its_pattern(kind, pattern, line, name, value, steady):
    read = reader_of(kind, pattern, read_cell)(line)
    assert (read.name, read.steady) == (name, steady)
    assert read.value == pytest.approx(value, rel=1e-9)


@pytest.mark.parametrize(
    ("pattern", "words"),
    [
        ("{name} {unit}", "needs {value}"),
        ("{value} {value}", "has {value} twice"),
        ("{value} {colour}", "{colour} is none of them"),
        ("x" * 121, "longer than"),
        ("{*}" * 9, "more than 8"),
        ("{*}{*}{*}{value}", "more than 2 of {*}"),
    ],
)
def test_a_pattern_that_cannot_be_used_says_why(pattern, words):
    with pytest.raises(BadPattern) as told:
        reader_of("scales", pattern, read_cell)
    assert words in told.value.message


def test_scales_without_names_cannot_be_told_apart():
    with pytest.raises(BadLine, match="names nothing"):
        reader_of("scales", "{value} {unit}", read_cell)("312.5 kg")
