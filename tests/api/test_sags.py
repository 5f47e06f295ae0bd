"""The sag bench over the wire: a leverage curve from a file, and answers that hold to the contract."""

import pytest

from feder.demo.finch import finch
from feder.demo.magpie import magpie

MAGPIE, FINCH = (d.model_dump(mode="json") for d in (magpie(), finch()))


def test_a_leverage_curve_is_read_from_csv_either_way(client):
    plain = client.post("/api/sag/leverage", json={"text": "travel;leverage\n0;2,4\n30 mm;2.2\n2.4 in;2.1\n"})
    assert plain.get_json()["points"] == [[0.0, 2.4], [0.03, 2.2], pytest.approx([0.06096, 2.1])]
    steps = client.post("/api/sag/leverage", json={"text": "travel,shock\n0,300\n20,290\n40,281\n60,273\n"})
    assert steps.get_json()["points"] == [
        pytest.approx([0.01, 2.0]), pytest.approx([0.03, 20 / 9]), pytest.approx([0.05, 2.5])
    ]  # fmt: skip


@pytest.mark.parametrize(
    ("text", "key"),
    [
        ("", "line 1"), ("a,b\n1,2\n", "line 1"), ("travel,leverage\n0,2.4\n", "file"),
        ("travel,leverage\n0,2.4\nx,2.2\n", "line 3"), ("travel,leverage\n0,2.4\n30,-2\n", "leverage"),
        ("travel,leverage\n0,2.4\n0,2.2\n", "leverage"), ("travel,shock\n0,300\n20,300\n40,290\n", "shock"),
    ],
)  # fmt: skip
def test_a_leverage_file_is_refused_by_the_place_at_fault(client, text, key):
    answer = client.post("/api/sag/leverage", json={"text": text})
    assert answer.status_code == 422
    assert answer.get_json()["error"]["key"] == key


def test_the_bench_answers_for_both_ends_and_both_kinds(client):
    for end in ("front", "rear"):
        asked = {"setup": "plan", "end": end}
        rows = client.post("/api/sag/shelf", json={"document": MAGPIE, **asked, "all_diameters": True}).get_json()
        assert rows["rows"] == sorted(rows["rows"], key=lambda r: r["part"]["rate"]["value"])
        assert client.post("/api/sag/air", json={"document": MAGPIE, **asked}).get_json()["rows"] == []
        assert (
            sum(
                r["chosen"]
                for r in client.post("/api/sag/air", json={"document": FINCH, **asked}).get_json()["rows"]
            )
            == 1
        )
        for bike in (MAGPIE, FINCH):
            curve = client.post("/api/sag/travel", json={"document": bike, **asked}).get_json()["curve"]
            assert curve["points"][0]["travel"] == 0
    goal = {"document": FINCH, "setup": "plan", "goal": "lean", "wanted": 0.7}
    assert client.post("/api/sag/levers", json=goal).get_json()["levers"] == []
    asked = {"pressure": 1e6, "temperature": 20, "new_temperature": 20, "altitude": 0, "new_altitude": 0}
    assert client.post("/api/sag/elsewhere", json=asked).get_json()["pressure"] == pytest.approx(1e6)


def test_the_survey_of_a_bike_goes_out_and_comes_back_as_csv(client):
    text = client.post("/api/survey/file", json={"document": MAGPIE}).data.decode()
    assert '"rider on, pressed"' in text
    empty = {**MAGPIE, "surveys": [{"id": "first"}]}
    patch = client.post("/api/survey/read", json={"document": empty, "text": text})
    readings = {(r["place"], r["quantity"]): r["value"] for r in patch.get_json()["patch"][0]["value"]}
    assert readings["rear", "rider_pressed"] == pytest.approx(0.551)
    assert len(readings) == 14
