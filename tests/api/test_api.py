"""The API by its own OpenAPI document: every route answers as it says; strangers are kept out."""

import json

import jsonschema
import pytest
from openapi_spec_validator import validate

from tests.documents import roadster


@pytest.fixture
def spec(client):
    return client.get("/api/openapi.json").get_json()


def holds(spec, name, body):
    """The body fits a schema of the document."""
    schema = {"$ref": f"#/components/schemas/{name}", "components": spec["components"]}
    jsonschema.Draft202012Validator(schema).validate(body)


def nettle(client):
    return client.get(f"/api/vehicles/{client.get('/api/vehicles').get_json()['vehicles'][0]['id']}").get_json()


def test_the_document_is_valid_and_is_the_one_the_browsers_types_were_made_from(spec):
    from scripts.export_contracts import contracts

    validate(spec)
    assert spec["openapi"] == "3.1.0"
    for file, text in contracts().items():
        assert file.read_text(encoding="utf-8") == text, f"{file.name}: run make contracts"


def test_a_vehicle_from_the_garage_is_evaluated_and_explained(client, spec):
    stored = nettle(client)
    holds(spec, "StoredVehicle", stored)
    question = {"document": stored["document"], "setup": "plan", "against": "found"}
    answer = client.post("/api/evaluate", json=question).get_json()
    holds(spec, "EvaluateAnswer", answer)
    figure = answer["report"]["corners"]["rear_left"]["wheel_rate"]
    assert figure == {
        "value": pytest.approx(31104),
        "unit": "N/m",
        "assumed": False,
        "was": pytest.approx(14515.2),
        "was_assumed": False,
    }
    working = client.post(
        "/api/working",
        json={
            **{k: question[k] for k in ("document", "setup")},
            "path": "corners.rear_left.wheel_rate",
            "system": "inch",
        },
    )
    holds(spec, "WorkingAnswer", working.get_json())
    assert "342.6" in working.get_json()["lines"][-1]["substituted"]  # 60 N/mm in lbf/in
    lost = client.post(
        "/api/working",
        json={**question, "path": "corners.nowhere.wheel_rate", "against": None} | {"against": None},
    )
    assert lost.status_code == 422
    rows = client.post(
        "/api/candidates", json={"document": stored["document"], "setup": "plan", "end": "rear"}
    ).get_json()
    holds(spec, "CandidatesAnswer", rows)
    assert rows["on_shelf"] == 82


def test_saving_carries_a_revision_and_a_late_save_gets_both_versions(client, spec):
    stored = nettle(client)
    mine, theirs = (json.loads(json.dumps(stored["document"])) for _ in range(2))
    mine["vehicle"]["name"], theirs["vehicle"]["name"] = "Mine", "Theirs"
    address = f"/api/vehicles/{stored['id']}"
    assert client.put(address, json={"revision": 1, "document": theirs}).get_json()["revision"] == 2
    late = client.put(address, json={"revision": 1, "document": mine})
    assert late.status_code == 409
    holds(spec, "StaleBody", late.get_json())
    assert late.get_json()["stored"]["document"]["vehicle"]["name"] == "Theirs"
    assert client.get(address).get_json()["document"]["vehicle"]["name"] == "Theirs"


def test_make_copy_export_import_delete_and_restore(client):
    made = client.post(
        "/api/vehicles", json={"name": "Wren", "body": "estate", "front": "strut", "rear": "divorced"}
    )
    assert made.status_code == 201
    address = f"/api/vehicles/{made.get_json()['id']}"
    copy = client.post(f"{address}/copy").get_json()
    assert copy["document"]["vehicle"]["name"] == "Wren copy"
    file = client.get(f"{address}/file")
    assert 'filename="Wren.feder.json"' in file.headers["Content-Disposition"]
    again = client.post("/api/vehicles/import", data=file.data)
    assert again.get_json()["document"] == made.get_json()["document"]
    assert client.delete(address).status_code == 204
    assert client.get(address).status_code == 404
    assert client.post(f"{address}/restore").status_code == 200
    broken = client.post("/api/vehicles/import", data=file.data.replace(b'"format": 2', b'"format": 7'))
    assert broken.status_code == 422
    assert broken.get_json()["error"]["key"] == "format"
    assert "refused whole" in broken.get_json()["error"]["message"]


def test_a_two_wheeler_is_evaluated_and_taken_into_the_garage(client, spec):
    bike = roadster().model_dump(mode="json")
    answer = client.post("/api/evaluate", json={"document": bike, "setup": "plan", "load_state": "rider"})
    holds(spec, "EvaluateAnswer", answer.get_json())
    assert set(answer.get_json()["report"]["corners"]) == {"front", "rear"}
    holds(spec, "StoredVehicle", client.post("/api/vehicles/import", json=bike).get_json())
    made = client.post(
        "/api/vehicles", json={"name": "new", "body": "bicycle", "front": "strut", "rear": "linkage"}
    )
    assert made.get_json()["document"]["vehicle"]["ends"]["front"]["layout"] == "fork"


def test_a_part_of_the_shelf_is_put_right_and_a_code_stands_there_once(client):
    part = {"code": "x-1", "rate": {"value": 60e3}, "free_length": 0.2}
    (first,) = client.post("/api/shelf", json=part).get_json()["parts"]
    again = client.post("/api/shelf", json=part)
    assert (again.status_code, again.get_json()["error"]["key"]) == (409, "code")
    (other,) = client.post("/api/shelf", json={**part, "code": "x-2"}).get_json()["parts"]
    right = client.put(f"/api/shelf/{first['id']}", json={**part, "rate": {"value": 65e3}}).get_json()["parts"]
    assert (right[0]["id"], right[0]["part"]["rate"]["value"]) == (first["id"], 65e3)
    assert client.put(f"/api/shelf/{other['id']}", json=part).status_code == 409
    assert client.put("/api/shelf/99999", json=part).status_code == 404
    taken = client.post("/api/shelf/import", data="code,rate\nx-1,70\nx-3,80\nx-3,81\n").get_json()
    assert taken["replaced"] == 1
    rates = {p["part"]["code"]: p["part"]["rate"]["value"] for p in client.get("/api/shelf").get_json()["parts"]}
    assert {c: rates[c] for c in ("x-1", "x-2", "x-3")} == {"x-1": 70e3, "x-2": 60e3, "x-3": 81e3}
    # one taken off leaves its code free; it does not come back beside another of that code
    client.delete(f"/api/shelf/{other['id']}")
    client.post("/api/shelf", json={**part, "code": "x-2"})
    assert client.post(f"/api/shelf/{other['id']}/restore").status_code == 409


def test_the_shelf_takes_a_list_whole_or_not_at_all(client):
    before = len(client.get("/api/shelf").get_json()["parts"])
    bad = client.post("/api/shelf/import", data="code,rate\na,60\nb,x\n")
    assert bad.status_code == 422
    assert bad.get_json()["error"]["faults"][0]["place"] == "line 3, rate"
    assert len(client.get("/api/shelf").get_json()["parts"]) == before
    good = client.post("/api/shelf/import", data="code,rate\na,60\nb,450 lb/in\n").get_json()
    assert [p["part"]["rate"]["value"] for p in good["parts"]] == [60e3, pytest.approx(78807.1, rel=1e-5)]
    address = f"/api/shelf/{good['parts'][0]['id']}"
    assert client.delete(address).status_code == 204
    assert client.post(f"{address}/restore").status_code == 204
    assert client.get("/api/shelf/file").data.decode().splitlines()[0].startswith("code,rate")


@pytest.mark.parametrize(
    ("address", "body", "key"),
    [
        ("/api/quantity", {"text": "12 kg", "unit": "m"}, "text"),
        ("/api/quantity", {"text": "12", "unit": "furlong"}, "unit"),
        ("/api/quantity", {"text": "12 m", "unit": "m", "high": 2}, "text"),
        ("/api/calc/wheel_rate", {"spring_rate": 1, "motion_ratio": 0}, "motion_ratio"),
        ("/api/calc/nothing", {}, "name"),
        ("/api/vehicles", {"name": ""}, "name"),
        ("/api/vehicles", {"name": "x", "body": "boat"}, "body"),
    ],
)
def test_bad_questions_are_422_with_the_key(client, spec, address, body, key):
    answer = client.post(address, json=body)
    assert answer.status_code == 422
    assert answer.get_json()["error"]["key"] == key
    if not address.startswith("/api/calc"):
        holds(spec, "ErrorBody", answer.get_json())


def test_calc_over_http_is_the_contract(client):
    from feder.calc.answer import answer

    inputs = {"spring_rate": "450 lb/in", "motion_ratio": 0.72}
    assert client.post("/api/calc/wheel_rate", json=inputs).get_json() == answer("wheel_rate", inputs)
    assert client.post("/api/calc/wheel_rate", data="{").status_code == 422


def test_strangers_are_refused_and_every_answer_carries_its_headers(client):
    assert client.get("/api/shelf", headers={"Host": "feder.example"}).status_code == 403
    assert client.get("/api/shelf", headers={"Host": "127.0.0.1.example:8440"}).status_code == 403
    foreign = {"Host": "127.0.0.1:8440", "Origin": "http://elsewhere.example"}
    assert client.post("/api/quantity", json={"text": "1", "unit": "m"}, headers=foreign).status_code == 403
    own = {"Host": "127.0.0.1:8440", "Origin": "http://127.0.0.1:8440"}
    answer = client.post("/api/quantity", json={"text": "1", "unit": "m"}, headers=own)
    assert answer.status_code == 200
    policy = answer.headers["Content-Security-Policy"]
    assert "default-src 'none'" in policy
    assert "script-src 'self';" in policy
    assert client.post("/api/vehicles/import", data=b"x" * 9_000_000).status_code == 413
    assert client.get("/api/nothing-here").status_code == 404
