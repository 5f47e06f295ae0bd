"""Prove over the wire: runs, reasons, speeds, roads, profiles, files, searches begun, looked at and stopped."""

import json
import time

import pytest

from feder.core.benches.prove.bench import trialled
from feder.core.benches.prove.roads import trial_of
from feder.demo.nettle import nettle


@pytest.fixture
def asked():
    return {"document": json.loads(nettle().model_dump_json()), "setup": "plan", "against": "found"}


def test_a_run_is_told_whole(client, asked):
    answer = client.post("/api/prove/run", json=asked)
    assert answer.status_code == 200
    told = answer.get_json()["run"]
    mine = trialled(nettle(), "plan", "found", trial_of(nettle()))
    assert told["verdict"]["text"] == mine.verdict.text
    assert told["now"]["figures"]["ends"]["all"]["rear"]["comfort"] == mine.now.figures.ends["all"]["rear"].comfort
    assert told["was"]["setup"] == "found"
    assert len(told["distance"]) == len(told["now"]["traces"]["front"])
    assert len(answer.get_data()) < 1_500_000


def test_reasons_and_speeds_are_asked_apart(client, asked):
    asked["document"]["proving"] = {"road": "bump", "speed": 15.0}
    whys = client.post("/api/prove/whys", json=asked).get_json()["whys"]
    assert {(w["row"], w["part"], w["end"]) for w in whys} >= {("comfort", "springs", "front")}
    speeds = client.post("/api/prove/speeds", json=asked).get_json()["speeds"]
    assert [round(s["speed"] * 3.6) for s in speeds] == list(range(10, 161, 10))


@pytest.mark.parametrize(
    ("proving", "key"),
    [
        ({"road": "own", "own": []}, "road"),
        ({"road": "rough_c", "speed": 1.2}, "speed"),
        ({"road": "moon"}, "road"),
    ],
)
def test_what_cannot_be_driven_is_refused_with_its_field(client, asked, proving, key):
    asked["document"]["proving"] = proving
    answer = client.post("/api/prove/run", json=asked)
    assert answer.status_code == 422
    assert answer.get_json()["error"]["key"] == key


def test_a_setup_is_not_held_against_itself(client, asked):
    answer = client.post("/api/prove/run", json=asked | {"against": "plan"})
    assert answer.status_code == 422
    assert "another setup" in answer.get_json()["error"]["message"]


def test_roads_are_told_by_kind(client):
    cars = client.get("/api/prove/roads?kind=car").get_json()["roads"]
    bikes = client.get("/api/prove/roads?kind=bicycle").get_json()["roads"]
    assert {r["name"] for r in cars} - {r["name"] for r in bikes} == {"cross_waves", "corner", "slalom"}


def test_a_profile_is_read_and_a_bad_one_refused(client):
    good = client.post("/api/prove/profile", data=b"distance,left\n0,0\n0.5,12\n1,0\n", content_type="text/csv")
    assert good.get_json()["piece"]["points"][1] == [0.5, 0.012, 0.012]
    bad = client.post("/api/prove/profile", data=b"distance,left\n0,0\n", content_type="text/csv")
    assert bad.status_code == 422
    assert "heights" in bad.get_json()["error"]["message"]


def test_traces_come_as_a_file_that_says_how_to_repeat_them(client, asked):
    answer = client.post("/api/prove/traces.csv", json=asked)
    first, head = answer.get_data(as_text=True).split("\n")[:2]
    assert json.loads(first.split("again: ", 1)[1].strip('"').replace('""', '"'))["speed"] == pytest.approx(
        60 / 3.6
    )
    assert head.startswith("time [s],distance [m],road front left [m]")
    assert "Nettle-run" in answer.headers["Content-Disposition"]


def test_a_search_runs_behind_the_answer_and_is_stopped_with_one(client, asked):
    begun = client.post("/api/prove/search", json=asked | {"comfort": 0.5}).get_json()
    assert begun["search"]["comfort"] == 0.5
    for _ in range(200):
        told = client.get(f"/api/prove/search/{begun['id']}").get_json()["search"]
        if told["maps"] and told["maps"][0]["done"] > 20:
            break
        time.sleep(0.05)
    client.post(f"/api/prove/search/{begun['id']}/stop")
    for _ in range(200):
        told = client.get(f"/api/prove/search/{begun['id']}").get_json()["search"]
        if told["finished"]:
            break
        time.sleep(0.05)
    assert told["finished"]
    assert told["trouble"] == ""
    assert told["proposed"] is not None
    assert told["maps"][0]["done"] > 20


def test_a_search_that_cannot_be_made_says_why(client, asked):
    asked["document"]["proving"] = {"road": "corner", "speed": 20.0}
    begun = client.post("/api/prove/search", json=asked).get_json()
    for _ in range(200):
        told = client.get(f"/api/prove/search/{begun['id']}").get_json()["search"]
        if told["finished"]:
            break
        time.sleep(0.05)
    assert "not in a manoeuvre" in told["trouble"]
    gone = client.get("/api/prove/search/unknown")
    assert gone.status_code in (404, 422)
    assert "start it again" in gone.get_json()["error"]["message"]
