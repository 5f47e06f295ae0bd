"""Load springs by band alone: what a load adds to one spring by statics, the band that holds it first."""

import pytest
from pydantic import ValidationError

from feder.core.benches.loads.bands import rank_bands
from feder.core.benches.loads.plan import rank_by_loads
from feder.core.document.document import LoadItem, LoadState
from feder.core.document.load_spring import BandSpring
from feder.demo.nettle import nettle
from feder.demo.springs import demo_spring

G, BASE, RATIO, TRACK = 9.80665, 2.440, 0.72, 1.380


def loaded(*bands, items=((90, 2.44, 0.0),)):
    states = tuple(
        LoadState(id=f"s{n}", name=f"state {n}", items=(LoadItem(name="bags", mass=m, x=x, y=y),))
        for n, (m, x, y) in enumerate(items)
    )
    return nettle().but(loads=states, load_springs=bands)


def band(code, low, high, **more):
    return BandSpring(code=code, end="rear", added_from=low, added_to=high, **more)


def test_a_load_over_the_rear_axle_adds_its_half_through_the_motion_ratio():
    (row,) = rank_bands(loaded(band("a", 0, 1000)), "plan", "rear")
    assert row.added[0].value == pytest.approx(90 * G / 2 / RATIO, rel=0.01)
    assert (row.outside, row.against) == (0.0, "")


def test_the_band_that_holds_every_state_stands_first_and_the_others_say_where_they_fail():
    items = ((40, 2.44, 0.0), (120, 2.44, 0.0))
    low, high = (m * G / 2 / RATIO for m in (40, 120))
    car = loaded(band("soft", 0, 500), band("holds", 200, 900), band("stiff", 500, 2000), items=items)
    rows = rank_bands(car, "plan", "rear")
    assert [r.part.code for r in rows] == ["holds", "stiff", "soft"]
    assert rows[1].against == "below its band, state 0"
    assert rows[1].outside == pytest.approx(500 - low, rel=0.03)
    assert rows[2].against == "above its band, state 1"
    assert rows[2].outside == pytest.approx(high - 500, rel=0.03)


def test_the_more_loaded_side_counts_and_the_most_load_is_held():
    car = loaded(band("a", 0, 2000), items=((90, 2.44, 0.4),))
    (row,) = rank_bands(car, "plan", "rear")
    assert row.added[0].value > 90 * G / 2 / RATIO
    weighed = (207 - 28) * G / RATIO
    (row,) = rank_bands(loaded(band("a", 0, 2000, most_load=weighed)), "plan", "rear")
    assert row.against == "past its most load, state 0"
    (row,) = rank_bands(loaded(band("a", 0, 2000, most_load=weighed + 800)), "plan", "rear")
    assert row.against == ""


def test_an_end_has_its_own_and_a_band_ends_above_where_it_begins():
    assert rank_bands(loaded(band("a", 0, 1000)), "plan", "front") == []
    with pytest.raises(ValidationError, match="added_to must be above added_from"):
        band("a", 500, 500)


def test_a_spring_with_a_rate_and_a_band_is_held_to_what_the_load_adds_alone():
    adds = 90 * G / 2 / RATIO
    part = demo_spring(60, 180, 60)

    def against(**band):
        car = loaded(items=((90, 2.44, 0.0),))
        (row,) = rank_by_loads(car, "plan", "rear", [part.but(**band)])
        return row.against

    assert against(added_to=adds + 80) == ""
    assert against(added_to=adds - 80) == "outside its load band, state 0"
    assert against(added_from=adds + 80, added_to=adds + 900) == "outside its load band, state 0"
