"""Whatever a document leaves out or sets oddly, it is answered: no crash, no nan, every sentence whole."""

import json
import math
import re
from dataclasses import asdict

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from pydantic import ValidationError

from feder.core.benches.sag.air import air_rows
from feder.core.benches.sag.curve import travel_curve
from feder.core.benches.sag.levers import levers
from feder.core.benches.sag.shelf import sag_shelf
from feder.core.benches.springs.candidates import candidates
from feder.core.document.base import Place
from feder.core.document.document import Document
from feder.core.report.evaluate import evaluate
from feder.demo.finch import finch
from feder.demo.magpie import magpie
from feder.demo.nettle import nettle
from feder.demo.springs import demo_spring, demo_springs
from feder.sheet.page import sheet_html
from feder.sheet.paper import filled
from tests.documents import AIR, on_bars, roadster

PLAIN = nettle().model_dump(mode="json")
OTHERS = {
    "bars": on_bars(nettle()).model_dump(mode="json"),
    "linkage": roadster().model_dump(mode="json"),
    "sag walk": magpie().model_dump(mode="json"),
    "air by sag": finch().model_dump(mode="json"),
    "air": roadster(shock=AIR).model_dump(mode="json"),
}


def leaves(node, path=()):
    """Paths of every number, object and list of the document below its root."""
    items = node.items() if isinstance(node, dict) else enumerate(node) if isinstance(node, list) else ()
    for key, value in items:
        yield (*path, key)
        yield from leaves(value, (*path, key))


WHOLE = {("setups",), ("setups", 0), ("setups", 1), ("vehicle",)}  # without these there is no setup to ask about
PATHS = [p for p in leaves(PLAIN) if p[0] in ("vehicle", "surveys", "setups", "brief") and p not in WHOLE]
NUMBERS = [p for p in PATHS if isinstance(eval("PLAIN" + "".join(f"[{k!r}]" for k in p)), int | float)]


def changed(changes, plain=PLAIN):
    """The document with members removed (None) or numbers scaled; nothing where that is no document."""
    data = json.loads(json.dumps(plain))
    for path, factor in changes:
        node = data
        try:
            for key in path[:-1]:
                node = node[key]
            value = node[path[-1]]
        except (KeyError, IndexError, TypeError):
            continue
        if factor is None:
            if isinstance(node, list):
                del node[path[-1]]
            else:
                node[path[-1]] = None
        elif isinstance(value, int | float) and not isinstance(value, bool):
            node[path[-1]] = value * factor
    try:
        return Document.model_validate(data)
    except ValidationError:
        return None


def finite(value):
    if isinstance(value, dict):
        return all(finite(v) for v in value.values())
    if isinstance(value, list):
        return all(finite(v) for v in value)
    return not isinstance(value, float) or math.isfinite(value)


removed = st.tuples(st.sampled_from(PATHS), st.none())
scaled = st.tuples(st.sampled_from(NUMBERS), st.sampled_from([-1.0, 0.0, 1e-3, 0.5, 0.9, 1.1, 2.0, 30.0]))


@settings(max_examples=250)
@given(st.lists(removed | scaled, min_size=1, max_size=6), st.sampled_from(["plan", "found"]))
def test_any_document_is_answered_whole(changes, setup):
    document = changed(changes)
    if document is None:
        return
    report = evaluate(document, setup, against="found")
    body = json.loads(report.model_dump_json())
    assert finite(body)
    for finding in report.findings:
        assert not re.search(r"[{}]", filled(finding, "inch")), finding.rule
    for corner in report.corners.values():
        if corner.frequency is not None:
            assert corner.frequency.value > 0
        if corner.spring_length is not None and corner.loose is not None and corner.held_at_droop is not None:
            assert corner.spring_force is not None


@settings(max_examples=150)
@given(st.sampled_from(sorted(OTHERS)), st.data(), st.sampled_from([None, "rider", "solo"]))
def test_any_document_of_another_layout_is_answered_whole(which, data, load):
    plain = OTHERS[which]
    paths = [p for p in leaves(plain) if p[0] in ("vehicle", "surveys", "setups", "loads") and p not in WHOLE]
    one = st.tuples(st.sampled_from(paths), st.sampled_from([None, -1.0, 0.0, 1e-3, 0.5, 0.9, 1.1, 2.0, 30.0]))
    document = changed(data.draw(st.lists(one, min_size=1, max_size=6)), plain)
    if document is None or (load and load not in {s.id for s in document.loads}):
        return
    for setup in ("plan", "found"):
        report = evaluate(document, setup, load, "found")
        assert finite(json.loads(report.model_dump_json()))
        for finding in report.findings:
            assert not re.search(r"[{}]", filled(finding, "inch")), finding.rule


@settings(max_examples=60)
@given(st.lists(removed | scaled, min_size=1, max_size=4), st.sampled_from(["front", "rear"]))
def test_any_document_can_try_springs_and_be_printed(changes, end):
    document = changed(changes)
    if document is None:
        return
    rows = candidates(document, "plan", end, [demo_spring(60, 180, 60), demo_spring(65, 250, 20)], "all")
    assert len(rows) == 2
    assert finite([json.loads(r.model_dump_json()) for r in rows])
    html = sheet_html(document, "plan", "metric", 1, __import__("datetime").date(2026, 6, 14), "fonts")
    assert "nan" not in re.sub(r"<[^>]+>", " ", html).lower().split()


@pytest.mark.parametrize(
    "path",
    [
        ("vehicle", "wheelbase"),
        ("vehicle", "ends", "front", "track"),
        ("vehicle", "ends", "rear", "unsprung_mass"),
    ],
)
def test_what_is_missing_is_said_at_its_station(path):
    document = changed([(path, None)])
    geometry = next(s for s in evaluate(document, "plan").stations if s.station == "geometry")
    assert geometry.state == "begun" or path[-1] == "wheelbase"
    assert any(path[-1].replace("_", " ") in words for words in geometry.waits_for)


def test_without_a_wheelbase_each_corner_still_stands_by_itself():
    document = changed([(("vehicle", "wheelbase"), None)])
    corner = evaluate(document, "plan").corners["rear_left"]
    # the load stays as weighed, so the collar is the one worked out by hand
    pressed = 179 * 9.80665 / 0.72 / 60e3
    assert corner.collar.value == pytest.approx(0.182 - 0.72 * 0.05 - (0.180 - pressed))
    assert evaluate(document, "plan").vehicle.rake is None


@settings(max_examples=30)
@given(st.sampled_from(["sag walk", "air by sag"]), st.data())
def test_any_two_wheeler_can_be_benched_and_printed(which, data):
    plain = OTHERS[which]
    paths = [
        p for p in leaves(plain) if p[0] in ("vehicle", "surveys", "setups", "loads", "brief") and p not in WHOLE
    ]
    one = st.tuples(st.sampled_from(paths), st.sampled_from([None, -1.0, 0.0, 1e-3, 0.5, 0.9, 1.1, 2.0, 30.0]))
    document = changed(data.draw(st.lists(one, min_size=1, max_size=5)), plain)
    if document is None:
        return
    for place in document.places if len(document.places) == 2 else ():
        rows = sag_shelf(document, "plan", place, demo_springs()[-14:], all_diameters=True)
        answers = [*rows, *air_rows(document, "plan", place), travel_curve(document, "plan", place)]
        assert finite([asdict(a) for a in answers if a is not None])
    if len(document.places) == 2:
        load = document.loads[0].id if document.loads else None
        assert finite([asdict(r) for r in levers(document, "plan", load, "seat", 0.8)])
    html = sheet_html(document, "plan", "metric", 1, __import__("datetime").date(2026, 6, 14), "fonts")
    assert "nan" not in re.sub(r"<[^>]+>", " ", html).lower().split()


def test_readings_that_leave_no_load_on_a_spring_give_no_row():
    """Rider on reads far longer than hanging free: the report says so, the shelf tries nothing."""
    document = changed([(("surveys", 0, "readings", 12, "value"), 2.0)], OTHERS["sag walk"])
    assert sag_shelf(document, "plan", Place.REAR, demo_springs()[-14:], all_diameters=True) == []
    assert sag_shelf(document, "plan", Place.FRONT, demo_springs()[-14:], all_diameters=True)
    told = {(f.rule, f.place) for f in evaluate(document, "plan").findings}
    assert ("sags_out_of_order", "rear") in told
