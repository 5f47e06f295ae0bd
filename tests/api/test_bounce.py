"""Bounce tests and loggers' files over the API: what is asked is handed on, and what is no file says so."""

from feder.demo.bounces import FILES
from feder.demo.nettle import nettle

HEAD = "time [s],floor to arch [mm]\n"


def test_the_bench_of_the_place_and_the_setup_asked_for(client):
    body = {"document": nettle().model_dump(mode="json"), "setup": "plan", "place": "rear_left"}
    bench = client.post("/api/bounce", json=body).get_json()["bench"]
    assert (bench["place"], bench["stood"], bench["clicks"]) == ("rear_left", "found", "rebound 7 and bump 10")
    assert [row["verdict"] for row in bench["rows"]] == ["worn", "sound", "sound", None]
    # nothing was bounced with the plan on the wheels
    bench = client.post("/api/bounce", json={**body, "stood": "plan"}).get_json()["bench"]
    assert (bench["stood"], bench["runs"]) == ("plan", [])
    assert [row["reads"] for row in bench["rows"]] == [None] * 4
    assert client.post("/api/bounce", json={**body, "stood": "nowhere"}).status_code in (404, 409, 422)


def test_a_file_is_read_with_the_columns_chosen(client):
    data = (FILES / "front-left-1.csv").read_bytes()
    told = client.post("/api/logger?name=front.csv", data=data).get_json()["file"]
    assert (told["time"], told["reading"], told["kind"], told["lines"]) == ("time", "floor to arch", "height", 520)
    assert told["run"]["name"] == "front.csv"
    first, second = data.decode().splitlines()[1:3]
    assert told["run"]["times"][:2] == [float(first.split(",")[0]), float(second.split(",")[0])]
    assert told["run"]["readings"][0] == float(first.split(",")[1]) / 1000
    turned = client.post("/api/logger?time=floor+to+arch&reading=time&kind=height", data=data).get_json()["file"]
    assert (turned["time"], turned["reading"], turned["run"]) == ("floor to arch", "time", None)
    assert "is a length (mm); wanted is a time" in turned["trouble"]


def test_what_is_no_table_is_refused_with_its_place(client):
    for data in (b"", HEAD.encode(), b"one column\n1\n"):
        answer = client.post("/api/logger", data=data)
        assert answer.status_code == 422
        assert answer.get_json()["error"]["faults"][0]["place"]
    assert client.post("/api/logger?kind=colour", data=HEAD.encode()).status_code == 422
