"""Set down, weights, alignment and the log over the wire: earlier rounds as they stood, entries, calendar and files."""

import json

import pytest
from icalendar import Calendar

from feder.core.document.base import PLACES
from feder.demo.settled import settled_nettle
from tests.reference.whole import Whole


@pytest.fixture
def driven(client):
    """The demo's car in the garage with its log, as a fresh workshop has it."""
    told = settled_nettle()
    stored = client.post("/api/vehicles/import", data=told.document.model_dump_json()).get_json()
    document = told.document.model_dump(mode="json")
    index = len(document["setups"]) - 1
    for setup, entry in told.entries:
        document["setups"][index] = setup.model_dump(mode="json")
        body = {
            "document": document, "setup": "fitted", "vehicle_id": stored["id"],
            "entry": entry.model_dump(mode="json"),
        }  # fmt: skip
        assert client.post("/api/log/entry", json=body).status_code == 200
    return client, stored["id"], document


def ask(client, path, document, **more):
    answer = client.post(path, json={"document": document, "setup": "fitted", **more})
    assert answer.status_code == 200, answer.get_data(as_text=True)
    return answer.get_json()


def rounds(document):
    return [i for i, s in enumerate(document["surveys"]) if s["setup"] == "fitted"]


def test_entries_find_what_was_changed_and_what_it_was_to_do(driven):
    client, vehicle, document = driven
    told = client.get(f"/api/vehicles/{vehicle}/log/fitted").get_json()
    assert told["count"] == 6
    third = told["entries"][2]
    assert [r["words"] for r in third["changes"]] == ["rear collar"]
    assert third["changes"][0]["after"] == [pytest.approx(0.0051), pytest.approx(0.0029)]
    # 1.5 mm of collar, 0.72 at the wheel, and the tyres give a little
    assert third["expected"][0]["height"] == pytest.approx(-0.0015 / 0.72, rel=0.05)
    assert [r["words"] for r in told["entries"][4]["changes"]] == [
        "front tyre pressure",
        "rear rebound clicks from shut",
    ]
    now = ask(client, "/api/log/changed", document, vehicle_id=vehicle)
    assert (now["rows"], now["first"]) == ([], False)
    document["setups"][-1]["sides"]["rear_left"]["bump"]["count"] = 12
    assert ask(client, "/api/log/changed", document, vehicle_id=vehicle)["rows"][0]["after"] == [12, 10]


def test_which_change_of_an_entry_did_what_is_asked_by_its_name(driven):
    client, vehicle, document = driven
    told = ask(client, "/api/log/apart", document, vehicle_id=vehicle, entry="nettle-5")["apart"]
    assert told["silent"] == ["front tyre pressures"]
    assert [(m["words"], m["place"], [c["words"] for c in m["by"]]) for m in told["moved"]] == [
        ("damping ratio", "rear_left", ["rear clicks and modes"])
    ]
    first = ask(client, "/api/log/apart", document, vehicle_id=vehicle, entry="nettle-1")["apart"]
    assert first == {"moved": [], "silent": []}


def test_a_rounds_read_out_is_a_file(driven):
    client, _, document = driven
    last = rounds(document)[-1]
    answer = client.post("/api/alignment/csv", json={"document": document, "survey": last})
    lines = answer.get_data(as_text=True).splitlines()
    assert (answer.mimetype, lines[0]) == ("text/csv", "wheel,toe mm,toe deg,camber deg,caster deg")
    assert lines[1] == "front left,-0.4,,-2.5,4.4"


def test_an_earlier_round_is_told_as_the_setup_stood_then(driven):
    client, vehicle, document = driven
    low = next(i for i in rounds(document) if document["surveys"][i]["entry"] == "nettle-3")
    then = ask(client, "/api/setdown", document, survey=low, vehicle_id=vehicle)
    assert then["as_it_stood"]
    turn = then["set_down"]["rows"][2]["turn"]
    assert turn["now"] == pytest.approx(0.0051)
    newest = ask(client, "/api/setdown", document, vehicle_id=vehicle)
    assert not newest["as_it_stood"]
    assert newest["set_down"]["rows"][2]["turn"]["now"] == pytest.approx(0.0066)
    assert newest["set_down"]["round"] == rounds(document)[-1]
    assert [r["number"] for r in newest["set_down"]["rounds"]] == list(range(1, 8))


def test_the_strut_that_was_not_home_is_found_by_its_first_round_and_named_once_it_is_read_hanging(driven):
    client, vehicle, document = driven
    first = rounds(document)[0]
    told = ask(client, "/api/learn", document, survey=first, vehicle_id=vehicle)["learned"]
    assert not told["ordinary"]
    assert [r["place"] for r in told["rows"] if r["strange"]] == ["front_right"]
    strut = told["causes"][0]
    assert (strut["place"], strut["words"]) == ("front_right", "strut not home in its foot")
    assert strut["decider"]["if_so"] - strut["decider"]["if_not"] == pytest.approx(strut["amount"]["value"])
    assert strut["decider"]["if_not"] == pytest.approx(0.420)
    assert told["set_aside"] == ["front_right"]
    document["surveys"][first]["checks"] = [{"about": "hanging", "place": "front_right", "value": 0.427}]
    sure = ask(client, "/api/learn", document, survey=first, vehicle_id=vehicle)["learned"]["causes"][0]
    assert sure["words"] == "strut not home in its foot"
    assert sure["chance"] > 0.9 > strut["chance"]
    document["surveys"][first]["checks"][0]["value"] = 0.420
    other = ask(client, "/api/learn", document, survey=first, vehicle_id=vehicle)["learned"]["causes"]
    assert other[0]["words"] != "strut not home in its foot"
    home = ask(client, "/api/learn", document, survey=first + 1, vehicle_id=vehicle)["learned"]
    assert home["ordinary"]


def test_corner_weights_and_the_read_out_come_from_the_newest_round(driven):
    client, vehicle, document = driven
    weights = ask(client, "/api/weights", document, vehicle_id=vehicle)["weights"]
    assert weights["share"]["cross"] == pytest.approx((294.5 + 203.0) / 1011)
    bench = ask(client, "/api/alignment", document)["alignment"]
    assert bench["words"][0]["rule"] == "thrust_off"
    assert not any("camber" in w["rule"] for w in bench["words"])
    refused = client.post("/api/weights", json={"document": document, "setup": "fitted", "target": 0.9})
    assert refused.status_code == 422


def test_an_earlier_setup_comes_back_as_it_was(driven):
    client, vehicle, _ = driven
    told = settled_nettle()
    for setup, entry in told.entries:
        back = client.get(f"/api/vehicles/{vehicle}/entries/{entry.id}/setup").get_json()["setup"]
        assert back == setup.model_dump(mode="json")
    missing = client.get(f"/api/vehicles/{vehicle}/entries/nobody/setup")
    assert missing.status_code == 404
    assert "log" in missing.get_json()["error"]["message"]


def test_an_older_day_typed_in_later_changes_nothing(driven):
    client, vehicle, document = driven
    document["setups"][-1]["sides"]["rear_left"]["bump"]["count"] = 12
    entry = {"id": "old", "at": "2026-06-15T09:00", "why": "first drive"}
    ask(client, "/api/log/entry", document, vehicle_id=vehicle, entry=entry, unchanged=True)
    assert ask(client, "/api/log/changed", document, vehicle_id=vehicle)["rows"][0]["after"] == [12, 10]
    assert client.delete(f"/api/vehicles/{vehicle}/entries/old").status_code == 204
    assert client.get(f"/api/vehicles/{vehicle}/log/fitted").get_json()["count"] == 6
    assert client.delete(f"/api/vehicles/{vehicle}/entries/old").status_code == 404


def test_what_is_due_goes_into_a_calendar_and_what_is_done_does_not(driven):
    client, vehicle, document = driven
    told = ask(client, "/api/settling", document, vehicle_id=vehicle)
    due = {d["id"]: d for d in told["due"]}
    assert [p["survey"] for p in told["settling"]["ends"][0]["points"]] == rounds(document)[1:]
    answer = client.post(
        "/api/settling/calendar", json={"document": document, "setup": "fitted", "vehicle_id": vehicle}
    )
    events = {str(e["summary"]): e for e in Calendar.from_ical(answer.get_data()).walk("VEVENT")}
    for row in due.values():
        name = f"Nettle: {row['words']}"
        assert (name in events) == (not row["done"])
        if name in events:
            assert events[name].decoded("dtstart").isoformat() == row["day"]
    ticks = f"/api/vehicles/{vehicle}/cards/fitted/ticks"
    client.post(ticks, json={"step": "recheck.bolts", "state": "done"})
    again = {d["id"]: d["done"] for d in ask(client, "/api/settling", document, vehicle_id=vehicle)["due"]}
    assert again["bolts"]


def test_the_log_as_csv_comes_back_into_another_setup(driven):
    client, vehicle, _ = driven
    text = client.get(f"/api/vehicles/{vehicle}/log/fitted/csv").get_data(as_text=True)
    assert len(text.splitlines()) == 7
    answer = client.post(f"/api/vehicles/{vehicle}/log/plan/csv", data=text, content_type="text/csv")
    assert answer.status_code == 200
    back = answer.get_json()
    assert [e["entry"]["why"] for e in back["entries"]] == [e.why for _, e in settled_nettle().entries]
    assert back["entries"][5]["entry"]["pressures"][0]["hot"] == pytest.approx(2.1e5)
    assert all(e["changes"] == [] for e in back["entries"])
    bad = client.post(f"/api/vehicles/{vehicle}/log/plan/csv", data="why\nx\n", content_type="text/csv")
    assert bad.status_code == 422


def test_a_racks_file_is_shown_before_it_is_taken(client):
    answer = client.post("/api/alignment/file", json={"text": "wheel,toe mm,camber\nFL,1,-2\n"}).get_json()
    wheel = answer["wheels"][0]
    assert (wheel["place"], wheel["toe"]) == ("front_left", pytest.approx(1e-3))
    assert client.post("/api/alignment/file", json={"text": "x"}).status_code == 422


def test_taking_over_what_was_taught_says_how_it_was_got(driven):
    client, _, document = driven
    fitted = json.loads(json.dumps(document["setups"][-1]))
    fitted["sides"]["front_left"]["spring"]["rate"] = {"value": 40e3, "how": "estimated", "tolerance": 6e3}
    document["setups"][-1] = fitted
    hidden = json.loads(json.dumps(document))
    hidden["setups"][-1]["sides"]["front_left"]["spring"]["rate"]["value"] = 47e3
    wheels = Whole(hidden).stands(len(hidden["setups"]) - 1)
    high = {p.value: wheels[p.value].hub for p in PLACES}
    readings = [{"place": p, "quantity": "hub_to_arch", "value": v} for p, v in high.items() for _ in range(4)]
    document["surveys"] = [*document["surveys"][:1], {"id": "new", "setup": "fitted", "readings": readings}]
    told = ask(client, "/api/learn", document)["learned"]
    rate = next(t for t in told["taught"] if "rate" in t["label"])
    assert rate["after"] == pytest.approx(47e3, rel=0.03)
    values = {c["path"].rsplit("/", 1)[1]: c["value"] for c in rate["patch"]}
    assert values["how"] == "fit"
    assert values["tolerance"] == pytest.approx(rate["sure_after"])


def test_a_rounds_readings_go_out_as_csv_and_come_into_another_round(driven):
    client, _, document = driven
    newest = rounds(document)[-1]
    text = client.post("/api/survey/file", json={"document": document, "survey": newest}).get_data(as_text=True)
    assert len(text.splitlines()) == 1 + 4 + 4  # weights and heights, nothing that the setup holds
    document["surveys"].append({"id": "fresh", "setup": "fitted", "readings": []})
    body = {"document": document, "text": text, "survey": newest + 1}
    (change,) = client.post("/api/survey/read", json=body).get_json()["patch"]
    assert change["path"] == f"/surveys/{newest + 1}/readings"
    kept = {(r["place"], r["quantity"]): r["value"] for r in change["value"]}
    assert kept["front_right", "mass"] == pytest.approx(294.5)
    assert kept["rear_left", "hub_to_arch"] == pytest.approx(0.350)
    for wrong in (text + "front left,camber,-2 deg\n", "place,what,value\n"):
        assert client.post("/api/survey/read", json={**body, "text": wrong}).status_code == 422
    assert client.post("/api/survey/read", json={**body, "survey": 99}).status_code == 422
