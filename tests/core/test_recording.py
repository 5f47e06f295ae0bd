"""Recordings of travel: read from any logger's file as it was written, and what they say against what was hidden."""

import io
from math import exp, pi, sin, sqrt

import numpy as np
import pytest

from feder.core.benches.prove.recorded import free_swings, read_against
from feder.core.benches.prove.vehicle import vehicle_of
from feder.core.document.base import PLACES, Place
from feder.core.files.recording_csv import Chosen, Stopped, from_lines, read_recording, recording_head
from feder.core.numbers.errors import BadFile, OutOfRange
from feder.demo.nettle import nettle
from feder.units.parse import read_cell


def read(text, chosen, heard=lambda rows: True):
    return read_recording(io.BytesIO(text.encode()), chosen, read_cell, heard)


def table(rows, head="time,fl,fr,rl,rr", delimiter=",", comma=False):
    lines = [head]
    for row in rows:
        line = delimiter.join(f"{x:.4f}" for x in row)
        lines.append(line.replace(".", ",") if comma else line)
    return "\n".join(lines) + "\n"


ROWS = [(i / 200, i * 0.1, -i * 0.1, 5.0, i % 7) for i in range(400)]
ALL = dict(zip(PLACES, (1, 2, 3, 4), strict=True))


@pytest.mark.parametrize(
    ("head", "two", "time", "places"),
    [
        ("time,fl,fr,rl,rr", False, 0, ALL),
        ("Rear right [mm];Time [ms];Front Left (mm);x", False, 1, {Place.FRONT_LEFT: 2, Place.REAR_RIGHT: 0}),
        ("t\tfork travel\tshock travel", True, 0, {Place.FRONT: 1, Place.REAR: 2}),
        ("a,b,c", False, None, {}),
    ],
)
def test_a_head_tells_its_columns_and_which_are_meant(head, two, time, places):
    sep = "\t" if "\t" in head else ";" if ";" in head else ","
    text = head + "\n" + "\n".join(sep.join("12345"[: len(head.split(sep))]) for _ in range(3)) + "\n"
    made = recording_head(text.encode(), two_wheels=two)
    assert (made.time, made.places) == (time, places)
    assert len(made.sample[0]) == len(head.split(sep))


def test_units_stand_in_the_head():
    made = recording_head(b"Time [ms];Front Left (mm)\n1;2\n2;3\n", two_wheels=False)
    assert (made.columns, made.units) == (("time", "front left"), ("ms", "mm"))


@pytest.mark.parametrize("how", ["plain", "comma", "tab", "blank lines"])
def test_every_reading_comes_back_in_si(how):
    text = {
        "plain": lambda: table(ROWS),
        "comma": lambda: table(ROWS, "time;fl;fr;rl;rr", ";", comma=True),
        "tab": lambda: table(ROWS, "time\tfl\tfr\trl\trr", "\t"),
        "blank lines": lambda: "# a logger\n\n" + table(ROWS).replace("0.0250", "\n0.0250"),
    }[how]()
    made = read(text, Chosen(ALL, 0))
    assert made.step == pytest.approx(0.005)
    assert made.travel.shape == (4, 400)
    assert pytest.approx(np.array(ROWS)[:, 1:] * 1e-3, abs=1e-7) == made.travel.T
    assert made.gaps == 0


def test_units_sign_and_rate_are_as_chosen():
    text = table([(i * 5.0, i * 0.01) for i in range(400)], "count,fl")
    made = read(text, Chosen({Place.FRONT_LEFT: 1}, None, rate=200.0, unit="in", bump_positive=False))
    assert made.step == pytest.approx(0.005)
    assert made.travel[0][100] == pytest.approx(-1.0 * 0.0254)


def test_uneven_times_are_put_on_even_steps_and_breaks_are_counted():
    rng = np.random.default_rng(3)
    times = np.cumsum(0.005 + rng.uniform(-0.002, 0.002, 600))
    times[300:] += 1.0
    made = read(table(zip(times, 1e3 * np.sin(times), strict=True), "time,fl"), Chosen({Place.FRONT_LEFT: 1}, 0))
    assert made.gaps == 1
    at = times[0] + made.step * np.arange(made.travel.shape[1])
    away = np.abs(at - 0.5 * (times[299] + times[300])) > 0.6
    assert np.abs(made.travel[0] - np.sin(at))[away].max() < 1e-4


@pytest.mark.parametrize(
    ("text", "chosen", "words"),
    [
        (
            table(ROWS).replace("0.5000,10.0000", "0.5000,wet"),
            Chosen(ALL, 0),
            "line 102, column 2: 'wet' is no number",
        ),
        (table(ROWS).replace("0.5000,10.0000,-10.0000", "0.5000,10.0000,"), Chosen(ALL, 0), "line 102, column 3"),
        (table(ROWS[:200] + ROWS[:200]), Chosen(ALL, 0), "line 202: the time must rise"),
        (table(ROWS), Chosen(ALL, 0, unit="m"), "travel more than 2 m"),
        (table(ROWS), Chosen(ALL, 0, unit="kg"), "unit"),
        (table(ROWS), Chosen(ALL, 0, time_unit="min"), "unit"),
        (table([(i * 5, 1.0) for i in range(50)], "time,fl"), Chosen({Place.FRONT_LEFT: 1}, 0), "another unit"),
        (table(ROWS), Chosen({}, 0), "choose the column"),
        (table(ROWS), Chosen(ALL), "needs a column of time"),
        ("time,fl\n", Chosen(ALL, 0), "no lines of numbers"),
        (table(ROWS), Chosen({Place.FRONT_LEFT: 9}, 0), "column 10: is missing"),
    ],
)
def test_what_cannot_be_read_names_the_line(text, chosen, words):
    with pytest.raises(BadFile) as told:
        read(text, chosen)
    assert words in told.value.message


def test_reading_can_be_stopped():
    with pytest.raises(Stopped):
        read(table(ROWS), Chosen(ALL, 0), lambda rows: rows < 400)


def test_a_loggers_lines_are_sets_after_their_times():
    lines = [("front_left", 9.0)]
    for i in range(100):
        lines += [("time", i * 0.01), ("front_left", i * 1e-3), ("rear_left", -i * 1e-3)]
    made = from_lines([*lines, ("time", 1.0), ("front_left", 0.0)])
    assert made.places == (Place.FRONT_LEFT, Place.REAR_LEFT)
    assert made.step == pytest.approx(0.01)
    assert made.travel[1][50] == pytest.approx(-0.05)
    assert made.travel.shape == (2, 100)
    with pytest.raises(BadFile, match="too short"):
        from_lines(lines[:30])


def swing(frequency, ratio, depth, t):
    w = 2 * pi * frequency
    d = w * sqrt(1 - ratio * ratio)
    return depth * exp(-ratio * w * t) * (np.cos(d * t) + ratio * w / d * sin(d * t)) if t >= 0 else 0.0


@pytest.mark.parametrize(("frequency", "ratio"), [(1.2, 0.15), (1.62, 0.31), (2.4, 0.4)])
def test_free_swings_hidden_in_a_recording_come_back(frequency, ratio):
    rng = np.random.default_rng(5)
    t = np.arange(0, 40, 0.005)
    travel = rng.normal(0, 1e-4, t.size)
    for start in (3.0, 11.0, 20.0, 30.0):
        travel += [swing(frequency, ratio, 0.03, x - start) for x in t]
    found = free_swings(travel, 0.005)
    assert len(found) >= 3
    assert np.median([f for f, _ in found]) == pytest.approx(frequency, rel=0.03)
    assert np.median([r for _, r in found]) == pytest.approx(ratio, abs=0.03)


def test_a_rough_road_has_no_free_swing():
    rng = np.random.default_rng(6)
    rough = np.convolve(rng.normal(0, 0.02, 12_000), np.ones(40) / 40, "same")
    assert len(free_swings(rough, 0.005)) <= 1


def test_a_recording_is_read_on_the_travel_of_the_setup():
    vehicle = vehicle_of(nettle(), "plan")
    wheel = vehicle.wheels[0]
    t = np.arange(0, 20, 0.005)
    # stands for 5 s, then a triangle of 0.1 m/s from 12 mm under the stop to 6 mm past it, counted from 0.2 m
    high, low = wheel.touch + 0.006, wheel.touch - 0.012
    half = (high - low) / 0.1
    phase = (np.maximum(t - 5.0, 0) / half) % 2
    moved = np.where(t < 5, 0.0, low + (high - low) * np.where(phase < 1, phase, 2 - phase))
    read = read_against((wheel.place,), 0.005, 0.2 + moved[None, :], 0, vehicle)
    (made,) = read.wheels
    assert read.seconds == pytest.approx(20.0)
    assert made.bump == pytest.approx(high, abs=2e-4)
    assert (made.touch, made.full_droop) == (wheel.touch, wheel.droop)
    assert made.stop_times == int((15 / half + 1) / 2)  # it is met at every odd half
    # a third of the triangle lies past the stop
    assert made.stop_time == pytest.approx(15 / 3, rel=0.05)
    assert made.topped_times == 0
    assert sum(made.travel.shares) == pytest.approx(1.0)
    ratio = 0.96  # the demo car's front motion ratio: the damper moves so much slower than its wheel
    share = sum(
        s for i, s in enumerate(made.velocity.shares)
        if abs(abs(made.velocity.start + (i + 0.5) * made.velocity.width) - 0.1 * ratio) < 0.026
    )  # fmt: skip
    # three quarters of the time less what is smoothed at the turns, 25 of each 180 ms
    assert 0.75 * (1 - 25 / 180) < share <= 0.75
    assert made.slow > 0.95
    assert made.fast < 0.002  # the jump from standing alone


def test_wheels_that_are_not_the_vehicles_are_refused():
    with pytest.raises(OutOfRange, match="none of the recorded wheels"):
        read_against((Place.FRONT,), 0.005, np.zeros((1, 1000)), 0, vehicle_of(nettle(), "plan"))
