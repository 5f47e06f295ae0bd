"""Loads, comparisons, sweeps and survey files over the wire, against the core and against hand sums."""

import csv
import io
import re
from math import sin

import pytest

from feder.core.benches.index.bench import index_bench
from feder.core.benches.loads.plan import load_plan
from feder.core.document.base import PLACES
from feder.core.report.evaluate import evaluate
from feder.core.solvers.ratio import sweep_fit
from feder.demo.bramble import bramble
from feder.demo.nettle import nettle
from feder.demo.sedge import sedge
from feder.demo.tansy import tansy


def ask(client, path, document, **more):
    answer = client.post(path, json={"document": document.model_dump(mode="json"), **more})
    return answer.status_code, answer.get_json()


def test_the_load_plan_is_the_cores_and_knows_where_the_mass_is(client):
    van = bramble()
    status, body = ask(client, "/api/loads", van, setup="plan")
    assert status == 200
    for row, core in zip(body["rows"], load_plan(van, "plan"), strict=True):
        assert row["total_mass"]["value"] == pytest.approx(core.total_mass.value)
        for told, end in zip(row["ends"], core.ends, strict=True):
            assert told["hub_to_arch"]["value"] == pytest.approx(end.hub_to_arch.value)
            # each figure is the report's own under that state: how it came about is asked there
            report = evaluate(van, "plan", row["id"])
            assert told["stop"]["value"] == pytest.approx(report.corners[told["stop_at"]].stop.value)
            assert told["frequency"]["assumed"] == report.ends[told["end"]].frequency.assumed
    empty, loaded = body["rows"][0], body["rows"][1]
    # the centre of what stands on four scales, moved by what is carried: a weighted mean, by hand
    items = van.loads[0].items
    carried = sum(i.mass for i in items)
    for axis, member in ((0, "x"), (1, "y")):
        moment = empty["centre"][axis] * empty["total_mass"]["value"] + sum(
            i.mass * getattr(i, member) for i in items
        )
        assert loaded["centre"][axis] == pytest.approx(moment / (empty["total_mass"]["value"] + carried), abs=2e-3)
    status, body = ask(client, "/api/loads/rank", van, setup="plan", end="rear", load_state="full")
    assert status == 200
    assert [(r["past_stop"], r["off"]) for r in body["ranks"]] == sorted(
        (r["past_stop"], r["off"]) for r in body["ranks"]
    )
    assert body["instead"]["spacer"] > 0
    assert ask(client, "/api/loads/rank", van, setup="plan", end="rear", load_state="none such")[0] == 422


def test_a_comparison_names_its_cause_and_refuses_what_is_no_figure(client):
    status, body = ask(client, "/api/compare", sedge(), first="found", second="plan")
    assert status == 200
    assert body["found"]["causes"]
    status, body = ask(client, "/api/compare", sedge(), first="found", second="plan", about="corners.x.y")
    assert status == 422
    assert body["error"]["key"] == "about"


def test_a_sweep_shows_its_curve_and_the_pair_that_lies_off(client):
    # s = 0.66 z + 0.5 z²: MR = 0.66 + z; the middle pair read 0.7 mm long
    z = [0.0, 0.02, 0.04, 0.06, 0.08, 0.1, 0.12]
    points = [[0.402 - t, 0.182 - 0.66 * t - 0.5 * t * t + (0.0007 if t == 0.06 else 0.0)] for t in z]
    answer = client.post("/api/survey/sweep", json={"sweep": {"kind": "sweep", "points": points}}).get_json()[
        "fit"
    ]
    assert max(range(7), key=lambda i: abs(answer["residuals"][i])) == 3
    assert answer["residuals"][3] == pytest.approx(-0.0007, abs=4e-4)
    assert sum(answer["residuals"]) == pytest.approx(0.0, abs=1e-12)
    true = sweep_fit([(h, 0.182 - 0.66 * (0.402 - h) - 0.5 * (0.402 - h) ** 2) for h, _ in points])
    assert true.ratios == pytest.approx([0.66 + (0.402 - h) for h in true.heights], abs=1e-9)
    refused = client.post(
        "/api/survey/sweep", json={"sweep": {"kind": "sweep", "points": [[0.4, 0.2], [0.4, 0.1]]}}
    )
    assert refused.status_code == 422
    assert refused.get_json()["error"]["key"] == "sweep"


@pytest.mark.parametrize("system", ["metric", "inch", "kgf"])
def test_a_survey_goes_out_as_a_file_and_comes_back_the_same(client, system):
    car = nettle()
    body = {"document": car.model_dump(mode="json")}
    text = client.post("/api/survey/file", json={**body, "system": system}).get_data(as_text=True)
    rows = list(csv.reader(io.StringIO(text)))
    assert rows[0] == ["place", "what", "value"]
    answer = client.post("/api/survey/read", json={**body, "text": text}).get_json()
    patch = {step["path"]: step["value"] for step in answer["patch"]}
    read = {(r["place"], r["quantity"]): r["value"] for r in patch["/surveys/0/readings"]}
    for reading in car.survey.readings:
        assert read[reading.place.value, reading.quantity] == pytest.approx(reading.value, rel=1e-3, abs=2e-4)


@pytest.mark.parametrize(
    ("line", "told"),
    [
        ("front left,weight,heavy", "value"),
        ("front middle,weight,300 kg", "place"),
        ("front left,wait,300 kg", "what"),
        ("front left,weight,300 mm", "value"),
        ("front left,weight,300000 kg", "value"),
    ],
)
def test_a_faulty_survey_file_is_refused_whole_with_its_line(client, line, told):
    text = f"place,what,value\nfront right,weight,299 kg\n{line}\n"
    body = {"document": nettle().model_dump(mode="json"), "text": text}
    answer = client.post("/api/survey/read", json=body)
    assert answer.status_code == 422
    assert f"line 3, {told}" in str(answer.get_json())


def test_the_blank_page_asks_in_the_order_of_the_walk_on_the_screen(client):
    body = {"document": nettle().model_dump(mode="json")}
    page = client.post("/api/survey/blank", json=body).get_data(as_text=True)
    shown = [w.lower() for w in re.findall(r">\s*(front left|rear left|rear right|front right)\s*<", page, re.I)]
    assert shown[:4] == ["front left", "rear left", "rear right", "front right"]
    order = [
        "weight",
        "hub to arch",
        "floor to arch",
        "sill",
        "pressure",
        "collar",
        "rebound",
        "bump",
        "camber",
        "toe",
    ]
    text = page.split("</style>")[1]
    places = [re.search(rf"<t[dh][^>]*>[^<]*\b{word}", text, re.I) for word in order]
    assert all(places)
    assert [p.start() for p in places] == sorted(p.start() for p in places)


def test_the_index_bench_answers_over_the_wire_as_the_core_does(client):
    car = tansy()
    status, body = ask(client, "/api/index", car, setup="plan", place="rear_left")
    assert status == 200
    core = index_bench(car, "plan", PLACES[2])
    assert [(r["inner"], r["outer"]) for r in body["bench"]["rows"]] == [(r.inner, r.outer) for r in core.rows]
    assert [o["part"]["code"] for o in body["others"]] == ["TB-23.5", "TB-25", "TB-26.5"]
    assert ask(client, "/api/index", car, setup="plan", place="front_left")[1] == {"bench": None, "others": []}
    text = client.post(
        "/api/index/chart.csv",
        json={"document": car.model_dump(mode="json"), "setup": "plan", "place": "rear_left"},
    ).get_data(as_text=True)
    rows = list(csv.reader(io.StringIO(text)))
    assert rows[0][:2] == ["inner", "outer"]
    assert float(rows[1][4]) < float(rows[-1][4])


def test_two_readings_of_a_plate_make_its_arm(client):
    def length(second_angle, second_height):
        body = {
            "first_angle": 0.1,
            "first_height": 0.35,
            "second_angle": second_angle,
            "second_height": second_height,
        }
        answer = client.post("/api/index/arm", json=body)
        return answer.status_code, answer.get_json()

    status, body = length(0.3, 0.35 + 0.42 * (sin(0.3) - sin(0.1)))
    assert status == 200
    assert body["length"] == pytest.approx(0.42)
    for refused, key in ((length(0.11, 0.352), "second_angle"), (length(0.3, 0.352), "second_height")):
        assert refused[0] == 422
        assert refused[1]["error"]["key"] == key


def test_a_question_about_a_document_of_an_earlier_format_is_answered_and_of_a_later_one_refused(client):
    data = nettle().model_dump(mode="json")
    old = {**data, "format": 1, "surveys": [{k: v for k, v in s.items() if k != "setup"} for s in data["surveys"]]}
    for place in PLACES:
        old["setups"][1]["sides"][place]["measured"] = 0.35
    answer = client.post("/api/setdown", json={"document": old, "setup": "plan"})
    assert answer.status_code == 200
    assert [r["read"] for r in answer.get_json()["set_down"]["rows"]] == [0.35] * 4
    later = client.post("/api/setdown", json={"document": {**data, "format": 3}, "setup": "plan"})
    assert later.status_code == 422


def test_a_sheet_is_printed_in_units_of_its_own_and_unknown_ones_are_refused(client):
    car = nettle().model_dump(mode="json")

    def page(system):
        body = {"document": car, "setup": "plan", "system": system, "vehicle_id": "a" * 12}
        return client.post("/api/sheet", json=body)

    metric, mixed = page("metric").get_data(as_text=True), page("metric;pressure=psi").get_data(as_text=True)
    assert not re.search(r">\s*psi\s*<", metric)
    assert re.search(r">\s*psi\s*<", mixed)
    refused = page("metric;pressure=furlong")
    assert refused.status_code == 422
    assert "system" in str(refused.json)
