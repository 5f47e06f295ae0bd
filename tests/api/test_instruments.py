"""Instruments over the wire: connected, simulated, taken with their raw readings, runs that become parts; refusals."""

import contextlib
import csv
import io
import os
import threading
import time
from pathlib import Path

import pytest

from feder.api.app import create_app
from feder.store.instruments import MOST
from tests.instruments.stand_in import Device, until


@pytest.fixture
def bench(furnished):
    """A client whose instruments are stopped after it."""
    yield furnished.test_client()
    furnished.extensions["feder"].hub.end()


@pytest.fixture
def device():
    made = Device()
    yield made
    made.close()


def one(client, kind):
    found = client.get("/api/instruments").get_json()["instruments"]
    return next(i for i in found if i["kind"] == kind)


def nettle_of(client):
    return next(v["id"] for v in client.get("/api/vehicles").get_json()["vehicles"] if v["name"] == "Nettle")


def steady(client, kind):
    return until(lambda: (i := one(client, kind))["way"] == "steady" and i, 15)


def test_stand_ins_show_the_vehicle_and_are_taken_with_their_raw_readings(bench):
    vehicle = nettle_of(bench)
    asked = {"kinds": ["scales", "height", "gauge"], "vehicle": vehicle}
    assert bench.post("/api/instruments/simulate", json=asked).status_code == 201
    scales = steady(bench, "scales")
    assert scales["simulated"]
    assert scales["at"] == "as Nettle"
    time.sleep(0.5)
    # the demo car's scales read 308, 298, 207 and 197 kg
    for name, kg in (("front_left", 308), ("front_right", 298), ("rear_left", 207), ("rear_right", 197)):
        body = {"name": name, "about": f"mass {name}", "vehicle": vehicle}
        told = bench.post(f"/api/instruments/{scales['id']}/take", json=body).get_json()
        assert told["value"] == pytest.approx(kg, abs=0.4)
        assert told["si"] == "kg"
        assert told["value"] == pytest.approx(sum(told["raw"]) / len(told["raw"]))
    # the height gauge is held at one place after the other
    for place, m in (("hub_to_arch front_left", 0.376), ("hub_to_arch rear_right", 0.366)):
        bench.post("/api/instruments/at", json={"kind": "height", "at": place})
        gauge = until(lambda: (i := one(bench, "height"))["way"] == "steady" and i["readings"] and i, 15)
        time.sleep(0.4)
        body = {"name": "height", "about": place, "vehicle": vehicle}
        told = bench.post(f"/api/instruments/{gauge['id']}/take", json=body).get_json()
        assert told["value"] == pytest.approx(m, abs=4e-4)
    taken = bench.get(f"/api/instruments/taken?vehicle={vehicle}").get_json()["taken"]
    assert [t["about"] for t in taken][:2] == ["hub_to_arch rear_right", "hub_to_arch front_left"]
    assert len(taken) == 6
    rows = list(csv.reader(io.StringIO(bench.get(f"/api/instruments/taken.csv?vehicle={vehicle}").text)))
    assert rows[1][2:5:2] == ["hub_to_arch rear_right", "m"]
    raw = [float(x) for x in rows[1][5].split()]
    assert float(rows[1][3]) == pytest.approx(sum(raw) / len(raw), rel=1e-6)


def test_a_stand_in_held_where_nothing_is_known_says_nothing(bench):
    bench.post("/api/instruments/simulate", json={"kinds": ["height"], "vehicle": nettle_of(bench)})
    made = one(bench, "height")
    bench.post("/api/instruments/at", json={"kind": "height", "at": "extended_lifted front"})
    time.sleep(1.0)
    assert one(bench, "height")["readings"] == []
    body = {"name": "height", "about": "sag"}
    answer = bench.post(f"/api/instruments/{made['id']}/take", json=body)
    assert answer.status_code == 409
    assert "say nothing" in answer.get_json()["error"]["message"]


def test_a_spring_measured_comes_back_within_a_percent_and_goes_on_the_shelf(bench):
    bench.post("/api/instruments/simulate", json={"kinds": ["spring_bench"]})
    made = steady_or_moving(bench, "spring_bench")
    assert "energy" in made["caution"]
    assert bench.post(f"/api/instruments/{made['id']}/keep", json={"code": "none"}).status_code == 422
    bench.post(f"/api/instruments/{made['id']}/run")
    run = until(lambda: len((r := one(bench, "spring_bench")["run"])["points"]) >= 10 and r, 15)
    assert run["rate"] == pytest.approx(40.4e3, rel=0.01)
    assert run["error"] < 0.005 * 40.4e3
    assert not run["curved"]
    body = {"code": "off the car", "free_length": 0.2, "inside_diameter": 0.06}
    assert bench.post(f"/api/instruments/{made['id']}/keep", json=body).status_code == 201
    part = next(
        p["part"] for p in bench.get("/api/shelf").get_json()["parts"] if p["part"]["code"] == "off the car"
    )
    assert part["rate"]["value"] == pytest.approx(40.4e3, rel=0.01)
    assert part["rate"]["how"] == "bench"
    assert part["free_length"] == 0.2
    assert part["points"] is None


def steady_or_moving(client, kind):
    return until(lambda: (i := one(client, kind))["readings"] and i, 15)


def test_a_damper_measured_comes_back_within_a_percent_as_a_curve_at_its_clicks(bench):
    bench.post("/api/instruments/simulate", json={"kinds": ["damper_bench"]})
    made = until(lambda: (i := one(bench, "damper_bench"))["way"] not in ("connecting", "silent") and i, 15)
    clicks = {"rebound": 8, "bump": 11}
    for more in ({"rebound": 8, "bump": 11}, {"rebound": 4, "bump": 11}, clicks):
        bench.post(f"/api/instruments/{made['id']}/run")
        assert until(lambda: len(one(bench, "damper_bench")["run"]["points"]) >= 16, 15)
        answer = bench.post(
            f"/api/instruments/{made['id']}/keep", json={"code": "thistle", "clicks": more, "of": {"bump": 16}}
        )
        assert answer.get_json() == {"shelf": "damper", "code": "thistle"}
    found = [p["part"] for p in bench.get("/api/dampers").get_json()["parts"] if p["part"]["code"] == "thistle"]
    (part,) = found
    # driven again at the same clicks a curve stands in the place of the earlier one
    assert [(r["rebound"], r["bump"]) for r in part["rows"]] == [(4, 11), (8, 11)]
    assert [(k["acts"], k["clicks"]) for k in part["knobs"]] == [("bump", 16)]
    points = dict(part["rows"][1]["points"])
    # the made-up damper: 420 N at 0.12 and 900 N at 0.6 m/s going in, -900 N and -1700 N coming out
    for v, f in ((0.12, 420), (0.6, 900), (-0.12, -900), (-0.6, -1700), (0.3, 600), (-0.3, -1200)):
        assert points[v] == pytest.approx(f, rel=0.01)


def test_a_device_is_connected_tested_stopped_and_removed(bench, device):
    body = {"kind": "gauge", "url": device.url.removeprefix("socket://"), "pattern": "P={value} {unit}"}
    assert bench.post("/api/instruments", json=body).status_code == 201
    device.send(b"P=1.90 bar\nwhat is this\nP=1.90 bar\nP=1.90 bar\n")
    made = until(lambda: (i := one(bench, "gauge"))["way"] == "steady" and i)
    assert made["readings"][0]["value"] == pytest.approx(1.9e5)
    lines = bench.get(f"/api/instruments/{made['id']}/test").get_json()["lines"]
    assert [(x["line"], bool(x["wrong"])) for x in lines[:2]] == [("P=1.90 bar", False), ("what is this", True)]
    bench.post(f"/api/instruments/{made['id']}/stop")
    stopped = one(bench, "gauge")
    assert (stopped["way"], stopped["readings"][0]["steady"]) == ("stopped", False)  # kept, and no more
    take = bench.post(f"/api/instruments/{made['id']}/take", json={"name": "pressure", "about": "x"})
    assert take.status_code == 409
    bench.delete(f"/api/instruments/{made['id']}")
    assert bench.get("/api/instruments").get_json()["instruments"] == []
    assert bench.post(f"/api/instruments/{made['id']}/start").status_code == 404


@pytest.mark.parametrize(
    ("change", "words"),
    [
        ({"url": "spy:///dev/ttyS0?file=/tmp/x"}, "needs a serial port"),
        ({"url": "loop://"}, "needs a serial port"),
        ({"url": "/dev/../etc/passwd"}, "needs a serial port"),
        ({"url": "socket://127.0.0.1"}, "needs a serial port"),
        ({"url": "127.0.0.1:99999"}, "needs a serial port"),
        ({"pattern": "{weight}"}, "none of them"),
        ({"baud": 9601}, "9601 baud"),
    ],
)
def test_what_cannot_be_connected_says_why_and_is_not_kept(bench, change, words):
    body = {"kind": "gauge", "url": "127.0.0.1:9"} | change
    answer = bench.post("/api/instruments", json=body)
    assert answer.status_code == 422
    assert words in answer.get_json()["error"]["message"]
    assert bench.get("/api/instruments").get_json()["instruments"] == []


def test_a_workshop_keeps_so_many_and_no_more(bench):
    for _ in range(MOST):
        made = bench.post("/api/instruments", json={"kind": "gauge", "url": "127.0.0.1:9"}).get_json()
        bench.post(f"/api/instruments/{made['instruments'][-1]['id']}/stop")
    answer = bench.post("/api/instruments", json={"kind": "gauge", "url": "127.0.0.1:9"})
    assert answer.status_code == 422
    assert "remove one first" in answer.get_json()["error"]["message"]


def test_a_paired_phone_may_take_but_opens_no_port_and_starts_no_process(tmp_path):
    app = create_app(tmp_path, host="127.0.0.2", port=8440)
    code = app.test_client().post("/api/pair/code").get_json()["code"]
    phone, at = app.test_client(), {"base_url": "http://127.0.0.2:8440"}
    assert phone.post("/api/pair/device", json={"code": code, "name": "phone"}, **at).status_code == 204
    assert phone.get("/api/instruments", **at).status_code == 200
    for path, body in (
        ("/api/instruments", {"kind": "gauge", "url": "127.0.0.1:9"}),
        ("/api/instruments/simulate", {"kinds": ["gauge"]}),
    ):
        answer = phone.post(path, json=body, **at)
        assert answer.status_code == 403
        assert "on the bench screen" in answer.get_json()["error"]["message"]
    assert phone.get("/api/instruments", **at).get_json()["instruments"] == []


def children():
    """Stand-ins that are this process's."""
    found = []
    for stat in Path("/proc").glob("[0-9]*/stat"):
        with contextlib.suppress(OSError):
            words = stat.read_text().rsplit(")", 1)[1].split()
            line = (stat.parent / "cmdline").read_bytes()
            if int(words[1]) == os.getpid() and words[0] != "Z" and b"instrument" in line:
                found.append(stat.parent.name)
    return found


def test_no_thread_and_no_process_is_left_behind(furnished):
    client = furnished.test_client()
    before = threading.active_count()
    client.post("/api/instruments/simulate", json={"kinds": ["gauge", "level"]})
    assert len(children()) == 2
    furnished.extensions["feder"].hub.end()
    assert children() == []
    assert until(lambda: threading.active_count() <= before)
