"""A question may say only what changed: the answer is that of the whole document, and costs little on the way."""

import copy
import gzip
import json

import jsonpatch
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from feder.api.known import Known, UnknownBase
from feder.core.document.changes import BadPatch, Change, patched, put
from feder.core.document.document import BadDocument, Document
from feder.core.document.upgrade import upgraded
from feder.core.numbers.errors import BadFile
from feder.demo.nettle import nettle

HEIGHT = "/setups/1/sides/front_left/hub_to_arch"


def ask(client, **body):
    return client.post("/api/evaluate", json={"setup": "plan", "against": "found", **body})


def test_what_changed_since_is_answered_as_the_whole_document_would_be(client):
    whole = nettle().model_dump(mode="json")
    first = ask(client, document=whole).get_json()
    change = [{"op": "replace", "path": HEIGHT, "value": 0.344}]
    second = ask(client, base=first["state"], patch=change).get_json()
    same = copy.deepcopy(whole)
    same["setups"][1]["sides"]["front_left"]["hub_to_arch"] = 0.344
    assert second == ask(client, document=same).get_json()
    assert second["report"]["corners"]["front_left"]["hub_to_arch"]["value"] == 0.344
    assert second["report"] != first["report"]
    assert ask(client, base=second["state"]).get_json() == second


def test_an_act_brings_the_reports_of_what_it_makes_in_the_same_answer(client):
    document = nettle().model_dump(mode="json")
    act = {"act": "ask height", "place": "front_left", "height": 0.344}
    asked = {"document": document, "setup": "plan", "act": act}
    made = client.post("/api/act", json={**asked, "look": {"against": "found"}}).get_json()
    after = ask(client, base=made["state"]).get_json()
    assert made["evaluated"] == after
    assert after["report"]["corners"]["front_left"]["hub_to_arch"]["value"] == 0.344
    assert client.post("/api/act", json=asked).get_json()["evaluated"] is None


def test_who_leaves_out_what_is_unset_and_who_writes_it_out_may_change_the_same_document(client):
    sparse = json.loads(nettle().model_dump_json(exclude_none=True))
    part = {"kind": "coil", "code": "b", "rate": {"how": "maker", "value": 60e3}}
    # the first to ask names no solid length; the next has it written out as null, and sets it
    first = ask(client, document=sparse).get_json()
    spring = "/setups/1/sides/rear_left/spring"
    bare = ask(client, base=first["state"], patch=[{"op": "add", "path": spring, "value": part}]).get_json()
    told = [{"op": "replace", "path": f"{spring}/solid_length", "value": 0.1}]
    after = ask(client, base=bare["state"], patch=told)
    assert after.status_code == 200
    gone = ask(client, base=after.get_json()["state"], patch=[{"op": "remove", "path": f"{spring}/solid_length"}])
    assert gone.get_json()["state"] == bare["state"]


def test_a_state_that_is_not_known_wants_the_document_whole(client):
    answer = ask(client, base="0" * 24, patch=[])
    assert answer.status_code == 409
    assert answer.get_json()["error"]["code"] == "unknown base"
    both = ask(client, base="0" * 24, document=nettle().model_dump(mode="json"))
    assert both.status_code == 422


@pytest.mark.parametrize(
    ("change", "code"),
    [
        ({"op": "replace", "path": "/setups/9/name", "value": "x"}, "bad patch"),
        ({"op": "remove", "path": "/nothing"}, "bad patch"),
        ({"op": "replace", "path": "/setups/1/name", "value": ""}, "bad document"),
        ({"op": "add", "path": "/vehicle/colour", "value": "red"}, "bad document"),
        ({"op": "replace", "path": "", "value": 7}, "bad patch"),
    ],
)
def test_a_change_that_does_not_fit_is_refused_and_leaves_what_is_known_alone(client, change, code):
    first = ask(client, document=nettle().model_dump(mode="json")).get_json()
    answer = ask(client, base=first["state"], patch=[change])
    assert answer.status_code == 422
    assert answer.get_json()["error"]["code"] == code
    assert ask(client, base=first["state"]).get_json() == first


def test_a_save_by_changes_is_stored_whole_and_answers_with_little(client):
    vehicle = next(v for v in client.get("/api/vehicles").get_json()["vehicles"] if v["name"] == "Nettle")
    address = f"/api/vehicles/{vehicle['id']}"
    document = client.get(address).get_json()["document"]
    state = ask(client, document=document).get_json()["state"]
    change = [{"op": "replace", "path": HEIGHT, "value": 0.344}]
    saved = client.put(address, json={"revision": 1, "base": state, "patch": change})
    assert saved.get_json() == {"revision": 2, "state": ask(client, base=state, patch=change).get_json()["state"]}
    document["setups"][1]["sides"]["front_left"]["hub_to_arch"] = 0.344
    assert client.get(address).get_json()["document"] == document


def test_an_act_of_typing_a_height_is_few_bytes(client):
    """A question by changes, its answer as it travels, the save and its answer: well under 20 kB."""
    state = ask(client, document=nettle().model_dump(mode="json")).get_json()["state"]
    change = [{"op": "replace", "path": HEIGHT, "value": 0.344}]
    body = {"setup": "plan", "against": "found", "base": state, "patch": change}
    answer = client.post("/api/evaluate", json=body, headers={"Accept-Encoding": "gzip"})
    assert answer.headers["Content-Encoding"] == "gzip"
    assert json.loads(gzip.decompress(answer.data))["report"]["setup"] == "plan"
    assert len(json.dumps(body)) + len(answer.data) < 10_000
    assert "Content-Encoding" not in client.post("/api/evaluate", json=body).headers


@settings(max_examples=80)
@given(st.data())
def test_a_patch_gives_what_the_library_gives_and_shares_what_it_leaves_alone(data):
    document = nettle()
    plain = document.model_dump(mode="json")
    before = json.dumps(plain)
    places = [
        (["setups", 1, "sides", "rear_left", "hub_to_arch"], st.floats(0.2, 0.4)),
        (["setups", 0, "note"], st.text(max_size=5)),
        (["vehicle", "ends", "front", "track"], st.floats(1, 2)),
        (["brief", "complaint"], st.text(max_size=9)),
        (["surveys", 0, "readings", 2, "value"], st.floats(0.1, 0.6)),
    ]
    chosen = data.draw(st.lists(st.sampled_from(range(len(places))), min_size=1, max_size=4))
    changes = [put(places[i][0], data.draw(places[i][1])) for i in chosen]
    made, after = patched(document, plain, changes)
    assert json.dumps(plain) == before
    assert after == jsonpatch.apply_patch(json.loads(before), [c.model_dump() for c in changes])
    assert made == Document.model_validate(after)
    touched = {places[i][0][0] for i in chosen}
    for part in {"vehicle", "brief"} - touched:
        assert getattr(made, part) is getattr(document, part)
    if "surveys" not in touched:
        assert made.surveys[0] is document.surveys[0]
    if 1 not in chosen:
        assert made.setups[0] is document.setups[0]


def test_only_the_last_documents_are_known():
    known, document = Known(2), nettle()
    first = known.whole(document)
    second = known.changed(first.state, [Change(op="replace", path="/notes", value="a")])
    third = known.changed(second.state, [Change(op="replace", path="/notes", value="b")])
    assert known.changed(third.state, []).document.notes == "b"
    with pytest.raises(UnknownBase):
        known.changed(first.state, [])
    assert known.whole(third.document).document is third.document


def test_names_with_slashes_are_members_too():
    assert put(["bars", 0], 1) == Change(op="replace", path="/bars/0", value=1)
    assert put(["a/b", "c~d"], 1).path == "/a~1b/c~0d"
    with pytest.raises(BadPatch):
        patched(nettle(), nettle().model_dump(mode="json"), [put(["vehicle", "a/b", "c"], 1)])
    with pytest.raises(BadDocument):
        patched(nettle(), nettle().model_dump(mode="json"), [put(["vehicle", "a/b"], 1)])


def test_formats_are_upgraded_one_after_the_other():
    chain = {1: lambda d: {**d, "two": d["one"] * 2}, 2: lambda d: {k: v for k, v in d.items() if k != "one"}}
    old = {"format": 1, "one": 4}
    assert upgraded(old, chain, 3) == {"format": 3, "two": 8}
    assert old == {"format": 1, "one": 4}
    assert upgraded({"format": 3, "two": 1}, chain, 3) == {"format": 3, "two": 1}
    for wrong, says in ((4, "newer Feder"), (0, "whole number"), ("1", "whole number"), (True, "whole number")):
        with pytest.raises(BadFile, match=says):
            upgraded({"format": wrong}, chain, 3)
    with pytest.raises(BadFile, match="cannot be read any more"):
        upgraded({"format": 1}, {2: chain[2]}, 3)
