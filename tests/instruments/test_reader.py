"""A running instrument: by TCP and by a pseudo-terminal alike; floods, breaks and half lines lose and hang nothing."""

import os
import socket
import threading
import time
import tty
from itertools import pairwise

import pytest

from feder.instruments.line import reader_of
from feder.instruments.reader import NotSteady, Reader
from feder.units.parse import read_cell
from tests.instruments.stand_in import Device, played, until


def reading(kind, url, pattern=""):
    return Reader(kind, url, 9600, reader_of(kind, pattern, read_cell))


@pytest.fixture
def device():
    made = Device()
    yield made
    made.close()


@pytest.fixture
def scales(device):
    made = reading("scales", device.url)
    yield made
    made.stop()


@pytest.mark.parametrize("way", [(), ("--pty",)], ids=["tcp", "pty"])
def test_four_pads_settle_and_are_taken_by_either_way(way):
    with played("scales", *way) as url:
        made = reading("scales", url)
        try:
            assert until(lambda: made.way() == "moving")
            with pytest.raises(NotSteady, match="still move"):
                made.taken("front_left")
            assert until(lambda: made.way() == "steady")
            time.sleep(0.6)
            for name, kg in (
                ("front_left", 312.5),
                ("front_right", 293.5),
                ("rear_left", 203),
                ("rear_right", 201),
            ):
                taken = made.taken(name)
                assert taken.value == pytest.approx(kg, abs=0.3)
                assert len(taken.raw) >= 3
                assert taken.value == pytest.approx(sum(taken.raw) / len(taken.raw))
        finally:
            made.stop()
        assert made.way() == "stopped"


def test_what_moved_before_counts_for_nothing(device, scales):
    device.send(b"front_left 400 kg moving\nfront_left 310 kg steady\nfront_left 311 kg steady\n")
    assert until(lambda: scales.way() == "steady")
    assert scales.taken("front_left").raw == (310.0, 311.0)


def test_a_device_that_does_not_say_rests_when_a_second_of_it_lies_close(device, scales):
    device.send(b"front_left 310 kg\nfront_left 310.2 kg\n")
    assert until(scales.shown)
    assert scales.way() == "moving"  # two readings say nothing yet
    device.send(b"front_left 310.1 kg\n")
    assert until(lambda: scales.way() == "steady")
    device.send(b"front_left 312 kg\n")
    assert until(lambda: scales.way() == "moving")


def test_half_a_line_waits_for_its_rest(device, scales):
    device.send(b"front_left 31")
    time.sleep(0.3)
    assert scales.shown() == []
    device.send(b"2.5 kg steady\r\n")
    assert until(lambda: [s.value for s in scales.shown()] == [312.5])


def test_a_line_without_end_is_let_go_and_the_next_is_read(device, scales):
    device.send(b"9" * 20_000)
    device.send(b"\nfront_left 312.5 kg steady\n")
    assert until(lambda: [s.value for s in scales.shown()] == [312.5])
    assert ("…", "has no end") in scales.lines()


def test_a_flood_is_followed_at_its_end_and_stops_at_once(device, scales):
    flood = b"".join(b"front_left %d kg steady\n" % (n % 900 + 1) for n in range(50_000))
    threading.Thread(target=device.send, args=(flood + b"front_left 77 kg steady\n",), daemon=True).start()
    assert until(lambda: [s.value for s in scales.shown()] == [77.0])
    begun = time.monotonic()
    scales.stop()
    assert time.monotonic() - begun < 2.0


def test_unplugged_it_says_so_and_is_taken_up_again(device, scales):
    device.send(b"front_left 312.5 kg steady\n")
    assert until(scales.shown)
    device.unplug()
    assert until(lambda: scales.way() == "lost")
    assert "broke off" in scales.told()[0]
    device.send(b"front_left 313.5 kg steady\n")
    assert until(lambda: scales.way() == "steady")
    assert scales.taken("front_left").raw == (313.5,)


def test_silence_is_told_and_nothing_old_is_taken(device, scales, monkeypatch):
    monkeypatch.setattr("feder.instruments.reader.SILENT_AFTER", 0.4)
    device.send(b"front_left 312.5 kg steady\n")
    assert until(scales.shown)
    assert until(lambda: scales.way() == "silent")
    assert [(s.value, s.steady) for s in scales.shown()] == [(312.5, False)]  # kept, and grey
    with pytest.raises(NotSteady, match="say nothing"):
        scales.taken("front_left")


def test_wrong_units_are_told_with_the_line(device, scales, monkeypatch):
    monkeypatch.setattr("feder.instruments.reader.SILENT_AFTER", 0.3)
    device.send(b"front_left 634.2 mm steady\n")
    assert until(lambda: scales.way() == "unread")
    assert scales.lines() == [("front_left 634.2 mm steady", "is in mm, which is no unit of mass")]


def test_where_nothing_listens_it_says_so_and_leaves_no_thread():
    before = threading.active_count()
    with socket.socket() as nobody:  # bound, and never listening
        nobody.bind(("127.0.0.1", 0))
        url = f"socket://127.0.0.1:{nobody.getsockname()[1]}"
    made = reading("scales", url)
    assert until(lambda: made.way() == "lost")
    assert "nothing listens there" in made.told()[0]
    made.stop()
    assert until(lambda: threading.active_count() <= before)


def test_a_serial_port_that_is_pulled_out_in_mid_reading():
    ours, theirs = os.openpty()
    tty.setraw(theirs)
    made = reading("gauge", os.ttyname(theirs))
    try:
        time.sleep(0.3)
        os.write(ours, b"pressure 1.90 bar steady\n")
        assert until(lambda: [round(s.value) for s in made.shown()] == [190000])
        os.write(ours, b"pressure 1.")
        os.close(ours)
        os.close(theirs)
        assert until(lambda: made.way() == "lost")
        assert [round(s.value) for s in made.shown()] == [190000]
    finally:
        made.stop()
    assert not made.running


def test_the_logger_keeps_every_reading_of_a_recording():
    with played("logger") as url:
        made = reading("logger", url)
        try:
            assert until(lambda: made.way() != "connecting")
            made.record()
            assert until(lambda: (made.recording() or 0) > 2000)
            rows = made.recorded()
        finally:
            made.stop()
    times = [v for n, v in rows if n == "time"]
    steps = {round(b - a, 6) for a, b in pairwise(times)}
    assert steps == {0.005}  # none of 200 a second was lost
    assert made.recording() is None


def test_a_bench_gives_a_pair_for_each_step_at_rest():
    with played("spring-bench") as url:
        made = reading("spring_bench", url)
        try:
            assert until(made.shown)
            made.run_begun()
            made.say("run")
            assert until(lambda: len(made.run() or []) >= 10)
            pairs = made.run()
        finally:
            made.stop()
    assert [round(x * 1e3) for x, _ in pairs[:10]] == list(range(6, 61, 6))
    for x, f in pairs[:10]:
        assert f == pytest.approx(40.4e3 * x, abs=12)


def test_what_was_on_its_way_from_the_place_before_is_not_heard(device):
    gauge = reading("height", device.url)
    try:
        device.send(b"height 376 mm steady\n")
        assert until(gauge.shown)
        gauge.forget()  # it is held somewhere else now
        device.send(b"height 376 mm steady\n")
        time.sleep(0.3)
        assert gauge.shown() == []
        time.sleep(0.2)
        device.send(b"height 366 mm steady\n")
        assert until(lambda: [round(s.value, 4) for s in gauge.shown()] == [0.366])
        assert gauge.taken("height").raw == (0.366,)
    finally:
        gauge.stop()
