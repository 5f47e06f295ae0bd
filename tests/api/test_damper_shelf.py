"""The shelf of dampers over HTTP, and the acts that set a body or carry a replaced end on."""

import pytest

from feder.core.benches.acts import CarryEnd, SetBody
from feder.core.document.base import Place
from feder.core.document.conversion import EndChange
from feder.core.numbers.errors import OutOfRange
from feder.demo.dampers import demo_dampers
from tests.changes import applied, with_side

NEW = {"code": "K-7", "extended": 0.4, "shut": 0.3, "knobs": [{"acts": "bump", "clicks": 12}]}


def codes(client):
    return [p["part"]["code"] for p in client.get("/api/dampers").json["parts"]]


def test_add_put_right_take_off_and_put_back(client):
    there = sorted(d.code for d in demo_dampers())
    assert codes(client) == there
    made = client.post("/api/dampers", json=NEW)
    assert made.status_code == 201
    part = made.json["parts"][0]
    assert part["part"]["knobs"][0]["counted_from"] == "fully closed"
    assert (
        client.put(f"/api/dampers/{part['id']}", json=NEW | {"shut": 0.31}).json["parts"][0]["part"]["shut"]
        == 0.31
    )
    assert client.delete(f"/api/dampers/{part['id']}").status_code == 204
    assert codes(client) == there
    assert client.post(f"/api/dampers/{part['id']}/restore").status_code == 204
    assert "K-7" in codes(client)
    # springs have their own shelf: no damper stands among them
    assert not {"K-7", *there} & {p["part"]["code"] for p in client.get("/api/shelf").json["parts"]}


def test_what_cannot_be_is_refused_with_words_and_a_code_is_there_once(client):
    refused = client.post("/api/dampers", json=NEW | {"shut": 0.5})
    assert refused.status_code == 422
    assert "shut must be below extended" in refused.get_data(as_text=True)
    client.post("/api/dampers", json=NEW)
    assert "on the shelf already" in client.post("/api/dampers", json=NEW).get_data(as_text=True)
    assert client.put("/api/dampers/9999", json=NEW).status_code == 404


def test_a_file_out_and_in_stands_in_the_place_of_the_same_codes(client):
    text = client.get("/api/dampers/file").get_data(as_text=True)
    assert text.startswith("code,extended,shut")
    back = client.post("/api/dampers/import", data=text + "new one,0.5 m,0.4 m\n")
    assert back.status_code == 201
    assert back.json["replaced"] == len(demo_dampers())
    assert len(codes(client)) == len(demo_dampers()) + 1
    assert client.post("/api/dampers/import", data="code\n").status_code == 422


def test_a_body_is_turned_to_a_length_on_one_side_or_both(car):
    both = applied(car, "plan", SetBody(act="set body", place=Place.REAR_LEFT, length=0.341, together=True))
    assert [getattr(both.setups[1].sides, p).body for p in ("rear_left", "rear_right")] == [-0.007, -0.007]
    one = applied(car, "plan", SetBody(act="set body", place=Place.REAR_RIGHT, length=0.350))
    assert one.setups[1].sides.rear_left.body is None
    assert one.setups[1].sides.rear_right.body == 0.002
    assert both.setups[0] == car.setups[0]
    with pytest.raises(OutOfRange, match="needs the body's length"):
        applied(car, "plan", SetBody(act="set body", place=Place.FRONT_LEFT, length=0.341))
    bare = with_side(car, "plan", "front_left", damper=None)
    with pytest.raises(OutOfRange):
        applied(bare, "plan", SetBody(act="set body", place=Place.FRONT_LEFT, length=0.341))


def test_what_is_replaced_is_carried_into_the_setups_that_follow_and_no_other(car):
    plan = car.setups[1].but(rear_end=EndChange(track=1.396))
    more = (
        plan.but(id="wet", parent="found", rear_end=None),
        plan.but(id="fitted", parent="plan", rear_end=None),
        plan.but(id="settled", parent="fitted", rear_end=None),
    )
    done = applied(car.but(setups=(car.setups[0], plan, *more)), "plan", CarryEnd(act="carry end", end="rear"))
    assert [s.rear_end and s.rear_end.track for s in done.setups] == [None, 1.396, None, 1.396, 1.396]
    none = applied(
        done.but(setups=(done.setups[0], plan.but(rear_end=None), *done.setups[2:])),
        "plan",
        CarryEnd(act="carry end", end="rear"),
    )
    assert [s.rear_end for s in none.setups] == [None] * 5
