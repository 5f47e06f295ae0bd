"""A logger's file as it is understood: columns, units, long and broken files; against numbers written by hand."""

import math

import pytest

from feder.core.files.logger_csv import logger_file
from feder.core.numbers.errors import BadFile
from feder.units.parse import read_cell


def swing(t):
    return 656 - 36 * math.exp(-1.7 * t) * math.cos(9 * t)


def text(head, rows, delimiter=","):
    return "\n".join([head, *(delimiter.join(map(str, r)) for r in rows)]) + "\n"


ROWS = [(f"{i / 100:.2f}", f"{swing(i / 100):.3f}") for i in range(300)]


def test_bare_numbers_are_seconds_and_millimetres():
    read = logger_file(text("time,height", ROWS), read_cell, name="front left.csv")
    assert (read.time, read.reading, read.kind, read.lines) == ("time", "height", "height", 300)
    assert read.run.name == "front left.csv"
    assert read.run.times[100] == pytest.approx(1.0)
    assert read.run.readings[0] == pytest.approx(0.620)
    assert read.sample[0] == ("0.00", "620.000")


def test_units_of_the_head_decimal_commas_and_other_columns():
    rows = [(i, "7,5", f"{swing(i / 1000) / 25.4:.4f}".replace(".", ",")) for i in range(0, 3000, 10)]
    read = logger_file(text("t [ms];volts;arch height (in)", rows, ";"), read_cell)
    assert (read.time, read.reading) == ("t", "arch height")
    assert read.run.times[-1] == pytest.approx(2.990)
    assert read.run.readings[0] == pytest.approx(0.620, abs=1e-5)
    other = logger_file(text("t [ms];volts;arch height (in)", rows, ";"), read_cell, time="t", reading="volts")
    assert other.run.readings[0] == pytest.approx(0.0075)


def test_acceleration_in_g_or_metres():
    rows = [(i / 100, 0.3 * math.cos(i / 10)) for i in range(300)]
    read = logger_file(text("time,acc z [g]", rows), read_cell)
    assert read.kind == "acceleration"
    assert read.run.readings[0] == pytest.approx(0.3 * 9.80665)
    plain = logger_file(text("time,acceleration [m/s^2]", rows), read_cell)
    assert plain.run.readings[0] == pytest.approx(0.3)


def test_a_file_of_a_hundred_thousand_lines_keeps_the_let_go():
    rows = [(i / 1000, 656 if i < 60_000 else round(swing((i - 60_000) / 1000), 3)) for i in range(100_000)]
    run = logger_file(text("time,height", rows), read_cell).run
    assert len(run.times) <= 1200
    assert run.times[0] == pytest.approx(57.5, abs=0.02)
    assert run.times[-1] == pytest.approx(64.5, abs=0.02)
    assert min(run.readings) == pytest.approx(0.620, abs=5e-4)


@pytest.mark.parametrize(
    ("head", "rows", "words"),
    [
        (
            "time,height",
            [(0, 1), (0.01, "none"), *[(i / 100, 1) for i in range(2, 20)]],
            "line 3, height: 'none' is no",
        ),
        (
            "time,height",
            [(0, 1), (0.02, 1), (0.01, 1), *[(i / 100, 1) for i in range(3, 20)]],
            "line 4: time must rise",
        ),
        ("time,height", [(i / 100, 1) for i in range(5)], "8 readings or more"),
        ("time,height", [(i, 1) for i in range(50)], "1 s lie between readings"),
        ("time,height [kg]", [(i / 100, 1) for i in range(50)], "line 1, height"),
        ("time,height", [(i / 100, "nan") for i in range(50)], "'nan' is no number"),
    ],
)
def test_what_cannot_be_read_is_named_and_the_columns_are_still_shown(head, rows, words):
    read = logger_file(text(head, rows), read_cell)
    assert read.run is None
    assert words in read.trouble
    assert read.columns == ("time", "height")


def test_what_is_no_table_is_refused():
    for data in ("", "time\n1\n", "time,height\n", b"\0\1\2"):
        with pytest.raises(BadFile):
            logger_file(data, read_cell)
