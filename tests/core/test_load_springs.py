"""Load springs: the load added to the vehicle against their band, the whole force against the most they may bear."""

import pytest

from feder.core.benches.loads.plan import rank_by_loads
from feder.core.report.evaluate import evaluate
from feder.demo.bramble import bramble
from tests.changes import with_side

REAR = ("rear_left", "rear_right")


def banded(**members):
    car = bramble()
    for place in REAR:
        part = getattr(car.setups[1].sides, place).spring
        car = with_side(car, "plan", place, spring=part.but(most_load=None, **members))
    return car


def forces(state):
    corners = evaluate(bramble(), "plan", state).corners
    return [float(corners[p].spring_force.value) for p in REAR]


def told(car, state):
    return {
        (f.rule, f.place)
        for f in evaluate(car, "plan", state).findings
        if f.rule.startswith(("added", "load_band"))
    }


STATE = next(s.id for s in bramble().loads if s.items)


def test_the_band_is_of_the_load_added_and_the_most_of_the_whole_force():
    added = [now - before for now, before in zip(forces(STATE), forces(None), strict=True)]
    assert min(added) > 0
    low, high = min(added), max(added)
    assert told(banded(added_from=low - 20, added_to=high + 20), STATE) == set()
    assert told(banded(added_from=0.0, added_to=low - 20), STATE) == {("added_load_outside", p) for p in REAR}
    assert told(banded(added_from=high + 20, added_to=high + 900), STATE) == {
        ("added_load_outside", p) for p in REAR
    }
    assert told(banded(added_from=0.0, added_to=low - 20), None) == set()  # nothing is added
    (finding,) = [
        f
        for f in evaluate(banded(added_from=0.0, added_to=low - 20), "plan", STATE).findings
        if (f.rule, f.place) == ("added_load_outside", "rear_left")
    ]
    assert finding.numbers["added"].value == pytest.approx(added[0], abs=1e-3)
    most = max(forces(STATE))
    for place in REAR:
        part = getattr(bramble().setups[1].sides, place).spring
        within = with_side(banded(), "plan", place, spring=part.but(most_load=most + 5))
        over = with_side(banded(), "plan", place, spring=part.but(most_load=forces(STATE)[REAR.index(place)] - 5))
        assert told(within, STATE) == set()
        assert told(over, STATE) == {("load_band_exceeded", place)}


def test_the_ranking_counts_band_most_load_and_a_spring_that_bows():
    part = bramble().setups[1].sides.rear_left.spring.but(most_load=None)
    added = max(now - before for now, before in zip(forces(STATE), forces(None), strict=True))
    shelf = [
        part.but(code="band", added_from=0.0, added_to=added / 2),
        part.but(code="force", most_load=forces(None)[0]),
        part.but(code="plain"),
        part.but(code="slender", inside_diameter=part.free_length / 5, wire_diameter=0.001),
    ]
    ranked = {r.part.code: r.against for r in rank_by_loads(bramble(), "plan", "rear", shelf)}
    assert ranked["plain"] == ""
    assert ranked["band"].startswith("outside its load band")
    assert ranked["force"].startswith("past its most load")
    assert ranked["slender"].startswith("may bow")
    assert next(iter(ranked)) == "plain"
