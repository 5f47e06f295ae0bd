"""Recordings over the wire: sent in pieces, read with progress, kept apart, held against a setup, put away and back."""

import json
from math import exp, pi, sqrt

import numpy as np
import pytest

from feder.demo.nettle import nettle
from tests.instruments.stand_in import until


@pytest.fixture
def vehicle(client):
    return next(v["id"] for v in client.get("/api/vehicles").get_json()["vehicles"] if v["name"] == "Nettle")


def csv_of(count):
    t = np.arange(count) / 200
    rows = np.column_stack([t, 30 * np.sin(9 * t), 30 * np.sin(9 * t), 20 * np.sin(9 * t), 20 * np.sin(9 * t)])
    return "time,fl,fr,rl,rr\n" + "\n".join(",".join(f"{x:.4f}" for x in row) for row in rows) + "\n"


def sent(client, text, piece=100_000):
    file = client.post("/api/recordings/files").get_json()["id"]
    data = text.encode()
    for at in range(0, len(data), piece):
        told = client.put(f"/api/recordings/files/{file}?at={at}", data=data[at : at + piece]).get_json()
    assert told["size"] == len(data)
    return file


def read(client, file, vehicle, **more):
    head = client.get(f"/api/recordings/files/{file}/preview").get_json()
    body = {"vehicle": vehicle, "setup": "plan", "places": head["places"], "time": head["time"]} | more
    answer = client.post(f"/api/recordings/files/{file}/read", json=body)
    assert answer.status_code == 200, answer.get_json()
    return until(lambda: (s := client.get(f"/api/recordings/files/{file}").get_json())["done"] and s, 20)


def test_a_file_sent_in_pieces_is_kept_and_read_against_a_setup(client, vehicle):
    before = client.get(f"/api/vehicles/{vehicle}").get_json()
    made = read(client, sent(client, csv_of(12_000)), vehicle, name="hill, second run")
    assert (made["trouble"], made["rows"]) == ("", 12_000)
    (kept,) = client.get(f"/api/recordings?vehicle={vehicle}").get_json()["recordings"]
    assert (kept["id"], kept["name"], kept["setup"]) == (made["recording"], "hill, second run", "plan")
    assert kept["seconds"] == pytest.approx(60.0)
    assert kept["rate"] == pytest.approx(200.0)
    body = {"document": json.loads(nettle().model_dump_json()), "vehicle": vehicle, "setup": "plan"}
    told = client.post(f"/api/recordings/{kept['id']}/against", json=body).get_json()["read"]
    by = {w["place"]: w for w in told["wheels"]}
    # each counts from the median of its first two seconds, a sine about where it stands
    stands = {
        p: np.median(a * np.sin(9 * np.arange(400) / 200)) for p, a in (("front_left", 0.03), ("rear_left", 0.02))
    }
    for place, a in (("front_left", 0.03), ("rear_left", 0.02)):
        assert by[place]["bump"] == pytest.approx(a - stands[place], abs=1e-4)
        assert by[place]["droop"] == pytest.approx(-a - stands[place], abs=1e-4)
    # the document is as it was: a recording is a row of its own
    assert client.get(f"/api/vehicles/{vehicle}").get_json() == before


def test_a_recording_is_put_away_and_brought_back(client, vehicle):
    made = read(client, sent(client, csv_of(2000)), vehicle)
    one = made["recording"]
    assert client.delete(f"/api/recordings/{one}?vehicle={vehicle}").get_json()["recordings"] == []
    body = {"document": json.loads(nettle().model_dump_json()), "vehicle": vehicle, "setup": "plan"}
    assert client.post(f"/api/recordings/{one}/against", json=body).status_code == 404
    back = client.post(f"/api/recordings/{one}/back?vehicle={vehicle}").get_json()["recordings"]
    assert [r["id"] for r in back] == [one]


def test_a_bad_line_is_told_and_nothing_is_kept(client, vehicle):
    made = read(client, sent(client, csv_of(2000).replace("5.0000,", "5.0000,x", 1)), vehicle)
    assert "is no number" in made["trouble"]
    assert made["recording"] is None
    assert client.get(f"/api/recordings?vehicle={vehicle}").get_json()["recordings"] == []


def test_pieces_must_follow_and_a_dropped_file_is_gone(client, vehicle):
    file = client.post("/api/recordings/files").get_json()["id"]
    answer = client.put(f"/api/recordings/files/{file}?at=10", data=b"x")
    assert answer.status_code == 422
    assert "missing before" in answer.get_json()["error"]["message"]
    client.put(f"/api/recordings/files/{file}?at=0", data=b"time,fl\n")
    client.put(f"/api/recordings/files/{file}?at=0", data=b"time,fl\n")  # sent twice, it counts once
    assert client.get(f"/api/recordings/files/{file}").get_json()["size"] == 8
    assert client.get(f"/api/recordings/files/{file}/preview").status_code == 422
    client.delete(f"/api/recordings/files/{file}")
    assert client.get(f"/api/recordings/files/{file}").status_code == 404


def test_reading_stops_when_it_is_dropped(furnished, client, vehicle):
    file = sent(client, csv_of(4000))
    uploads = furnished.extensions["feder"].uploads
    found = uploads.of(file)
    found.ends.set()

    def work(upload, data):
        from feder.core.files.recording_csv import Stopped

        assert upload.ends.wait(5)
        raise Stopped

    uploads.read(file, work)
    uploads.drop(file)
    assert not found.thread.is_alive()
    assert (found.recording, found.trouble) == (None, "stopped")


def test_what_a_logger_says_becomes_a_recording_of_its_frequency(furnished, vehicle):
    client = furnished.test_client()
    try:
        client.post("/api/instruments/simulate", json={"kinds": ["logger"]})
        (logger,) = client.get("/api/instruments").get_json()["instruments"]
        one = lambda: client.get("/api/instruments").get_json()["instruments"][0]  # noqa: E731
        assert until(lambda: one()["readings"], 15)
        assert client.post(f"/api/recordings/logger/{logger['id']}/start").status_code == 200
        assert until(lambda: (one()["recording"] or 0) > 7000, 20)
        body = {"vehicle": vehicle, "setup": "plan", "name": "lap"}
        answer = client.post(f"/api/recordings/logger/{logger['id']}/keep", json=body)
        (kept,) = answer.get_json()["recordings"]
    finally:
        furnished.extensions["feder"].hub.end()
    question = {"document": json.loads(nettle().model_dump_json()), "vehicle": vehicle, "setup": "plan"}
    told = client.post(f"/api/recordings/{kept['id']}/against", json=question).get_json()["read"]
    for wheel in told["wheels"]:
        # the made-up car swings at 1.62 Hz, 0.31 of critical
        assert wheel["frequency"] == pytest.approx(1.62, rel=0.05)
        assert wheel["damping_ratio"] == pytest.approx(0.31, abs=0.05)


def test_a_let_go_off_the_logger_is_the_height_of_the_body(furnished):
    client = furnished.test_client()
    try:
        client.post("/api/instruments/simulate", json={"kinds": ["logger"]})
        (logger,) = client.get("/api/instruments").get_json()["instruments"]
        one = lambda: client.get("/api/instruments").get_json()["instruments"][0]  # noqa: E731
        assert until(lambda: one()["readings"], 15)
        client.post(f"/api/recordings/logger/{logger['id']}/start")
        assert until(lambda: (one()["recording"] or 0) > 5500, 20)
        answer = client.post(f"/api/recordings/logger/{logger['id']}/let-go", json={"place": "front"})
        assert answer.status_code == 422  # no such channel on a car
        client.post(f"/api/recordings/logger/{logger['id']}/start")
        assert until(lambda: (one()["recording"] or 0) > 5500, 20)
        run = client.post(f"/api/recordings/logger/{logger['id']}/let-go", json={"place": "rear_left"}).get_json()[
            "run"
        ]
    finally:
        furnished.extensions["feder"].hub.end()
    # each bump throws a wheel 40 mm out: the body stands as much higher, then swings through at 0.31 of critical
    assert max(run["readings"]) == pytest.approx(0.040, abs=0.002)
    assert min(run["readings"]) == pytest.approx(-0.040 * exp(-pi * 0.31 / sqrt(1 - 0.31**2)), abs=0.002)
    assert len(run["times"]) == len(run["readings"]) > 50
