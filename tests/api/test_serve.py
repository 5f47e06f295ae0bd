"""The console command as a user starts it: demo data once, a second start on the same data, a taken port told."""

import json
import os
import re
import signal
import socket
import subprocess
import sys
import time
import urllib.error
import urllib.request

import pytest


def free_port():
    with socket.socket() as probe:
        probe.bind(("127.0.0.1", 0))
        return probe.getsockname()[1]


def start(command, data, port):
    env = {**os.environ, "FEDER_PORT": str(port), "FEDER_DATA": str(data)}
    return subprocess.Popen(
        [sys.executable, "-m", "feder.cli", command],
        env=env,
        stdout=subprocess.PIPE,
        stderr=subprocess.PIPE,
        text=True,
        # a run of the tests in the background hands on that interrupts are ignored
        preexec_fn=lambda: signal.signal(signal.SIGINT, signal.SIG_DFL),
    )


def get(port, path):
    for _ in range(300):
        try:
            with urllib.request.urlopen(f"http://127.0.0.1:{port}{path}", timeout=5) as answer:
                return answer.read()
        except (urllib.error.URLError, ConnectionError):
            time.sleep(0.1)
    raise AssertionError("it does not answer")


def stop(process):
    process.send_signal(signal.SIGINT)
    out, err = process.communicate(timeout=60)
    return process.returncode, out, err


def names(port):
    return [v["name"] for v in json.loads(get(port, "/api/vehicles"))["vehicles"]]


def test_the_demo_is_furnished_once_and_kept(tmp_path):
    port = free_port()
    for _ in range(2):
        process = start("demo", tmp_path, port)
        assert names(port) == ["Nettle", "Sedge", "Magpie", "Finch", "Bramble", "Tansy", "Teasel"]
        assert b'<div id="app">' in get(port, "/vehicle/any/springs")
        code, out, err = stop(process)
        assert code == 0
        assert re.search(rf"http://127\.0\.0\.1:{port}", out)
        assert err == ""


def test_serve_starts_empty_and_a_taken_port_is_told_in_one_line(tmp_path):
    port = free_port()
    first = start("serve", tmp_path / "a", port)
    try:
        assert names(port) == []
        second = start("serve", tmp_path / "b", port)
        _out, err = second.communicate(timeout=30)
        assert second.returncode == 1
        assert "FEDER_PORT chooses another" in err
        assert err.count("\n") == 1
    finally:
        stop(first)


def test_it_listens_on_this_machine_alone(tmp_path):
    port = free_port()
    process = start("serve", tmp_path, port)
    try:
        get(port, "/api/vehicles")
        local = [
            row[1]
            for row in (line.split() for line in listening())
            if row[1].endswith(f":{port:04X}") and row[3] == "0A"
        ]
        assert local == [f"0100007F:{port:04X}"]
    finally:
        stop(process)


def listening():
    with open("/proc/net/tcp", encoding="ascii") as table:
        return table.read().splitlines()[1:]


@pytest.mark.parametrize(
    ("words", "code", "told"),
    [([], 0, "feder demo"), (["nonsense"], 2, "is no command"), (["calc"], 0, "feder calc NAME")],
)
def test_words_without_a_meaning_are_told_what_there_is(words, code, told):
    made = subprocess.run([sys.executable, "-m", "feder.cli", *words], capture_output=True, text=True, check=False)
    assert made.returncode == code
    assert told in made.stdout + made.stderr
