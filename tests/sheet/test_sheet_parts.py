"""The sheet's table of parts: each cell by what was typed, in millimetres and inches."""

import re

import pytest

from feder.core.document.base import MassValue, RateValue
from feder.core.document.conversion import EndChange
from feder.core.document.damper import DamperStop, Knob
from feder.core.document.setup import StackItem
from feder.core.document.vehicle import AntiRollBar, Limits, Mount, RatioTyped, Tyre
from feder.core.report.evaluate import evaluate
from feder.sheet.more import further
from feder.sheet.parts import parts_table
from tests.changes import with_side
from tests.core.test_damper_part import KIT, with_dampers


def table(document, system="metric", setup=1):
    made = document.setups[setup]
    found = parts_table(document, made, evaluate(document, made.id), system)
    return {} if found is None else {r[0]: r[1:] for r in found.rows} | {"note": found.note}


def test_dampers_by_corner_with_body_thread_and_adjusters(car):
    car = with_dampers(car, body=-0.004, top_mount=0.002)
    rows = table(car)
    front, rear = "strut insert 84", "K-38"
    assert rows["damper"] == [front, front, rear, rear]
    assert rows["extended, shut, mm"][2] == "496, 331"
    assert rows["body turned to, mm"] == ["–", "–", "246.0", "246.0"]
    assert rows["thread engaged, mm"][3] == "44.0"
    assert rows["top mount thicker, mm"] == ["–", "–", "+2.0", "+2.0"]
    assert rows["adjusters, clicks"][2] == "rebound 18, bump 18; from fully closed"
    assert "body longer than told, mm" not in rows
    assert table(car, "inch")["body turned to, in"][2] == "9.685"


def test_what_is_not_told_has_no_row_and_a_bare_difference_has_one(car):
    for setup in ("found", "plan"):
        for place in ("front_left", "front_right", "rear_left", "rear_right"):
            car = with_side(car, setup, place, damper=None)
    assert table(car) == {}
    rows = table(with_side(car, "plan", "rear_left", body=-0.006, pads=0.003))
    assert set(rows) == {"body longer than told, mm", "pads at the seat, mm", "note"}
    assert rows["body longer than told, mm"] == ["–", "–", "−6.0", "–"]
    locked = KIT.but(knobs=(Knob(acts="both", clicks=9, counted_from="fully open", locked="seized"),))
    cell = table(with_dampers(car, locked))["adjusters, clicks"][2]
    assert cell == "both ways 9, locked: seized; from fully open"


def test_the_stack_of_a_setup_or_as_found(car):
    plates = (StackItem(name="plate", thickness=0.004), StackItem(name="ring", thickness=0.006))
    car = with_side(car, "found", "rear_left", stack=plates[:1])
    assert table(car)["seat stack, mm"][2] == "plate 4.0"
    assert table(with_side(car, "plan", "rear_left", stack=plates))["seat stack, mm"][2] == "plate 4.0, ring 6.0"
    assert table(with_side(car, "plan", "rear_left", stack=()))["seat stack, mm"][2] == "nothing"


def test_what_is_replaced_is_said_by_end_with_the_caution(car):
    change = EndChange(
        layout="wishbone", spring=Mount(ratio=RatioTyped(value=0.7)), limits=Limits(droop=0.4), track=1.396,
        tyre=Tyre(radius=0.300), joint_spacer=0.020, link_length=0.210, unsprung_mass=MassValue(value=33),
        bar=AntiRollBar(rate=RateValue(value=2e4)),
    )  # fmt: skip
    note = table(car.but(setups=(car.setups[0], car.setups[1].but(rear_end=change))))["note"]
    assert note.startswith(
        "Rear: converted to wishbone, arms, links or mounts, travel limits read again, tyre of radius 300 mm, track "
        "1396 mm, ball-joint spacer 20 mm, bar links 210 mm, another anti-roll bar, unsprung 33 kg a corner."
    )
    assert "licensed workshop" in note


@pytest.mark.parametrize(("stop", "told"), [(None, "45.0"), (DamperStop(length=0.050, shaft=0.15), "50.0")])
def test_a_damper_brings_its_own_stop_to_the_table_of_stops(car, stop, told):
    car = with_dampers(car, KIT.but(stop=stop))
    tables = further(car, car.setups[1], evaluate(car, "plan"), "metric")
    stops = next(t for t in tables if t.heading.startswith("Bump stops"))
    row = next(r for r in stops.rows if r[0].startswith("stop as supplied"))
    assert row[3] == told
    assert re.match(r"stop as supplied, mm", row[0])
