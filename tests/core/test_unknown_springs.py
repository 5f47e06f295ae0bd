"""Springs as found of which nothing or no length is known: what can be told is told, what is missing is named."""

import pytest

from feder.core.document.base import PLACES
from feder.core.document.changes import patched
from feder.core.document.document import LoadItem, LoadState
from feder.core.document.vehicle import Mount
from feder.core.report.evaluate import evaluate
from feder.demo.nettle import nettle
from tests.changes import with_end, with_side


def unknown(car, *, length_only=False):
    """The demo car whose springs as found were never identified, or whose lengths were never read."""
    for p in PLACES:
        part = car.setups[0].sides.__getattribute__(p.value).spring
        car = with_side(car, "found", p, spring=part.but(free_length=None) if length_only else None, seat=None)
        car = with_side(car, "plan", p, seat=None)
    return car


def rigid(car):
    for e in ("front", "rear"):
        car = with_end(car, e, tyre=getattr(car.vehicle.ends, e).tyre.but(rate=None))
    return car


def on_perch(car, end, part):
    for side in ("left", "right"):
        car = with_side(car, "plan", f"{end}_{side}", spring=part, set_by="collar", collar=0.0, hub_to_arch=None)
    return car


def test_a_quoted_drop_stands_for_the_height_and_is_marked():
    part = nettle().setups[1].sides.front_left.spring.but(quoted_drop=0.030, free_length=None)
    report = evaluate(on_perch(rigid(unknown(nettle())), "front", part), "plan")
    for place, found in (("front_left", 0.376), ("front_right", 0.374)):
        corner = report.corners[place]
        assert corner.hub_to_arch.value == pytest.approx(found - 0.030, abs=3e-3)  # four heights on one plane
        assert corner.hub_to_arch.assumed
    assert report.waits["height front"] == []


def test_without_any_of_them_the_height_is_missing_by_name_and_the_rates_are_told_as_weighed():
    part = nettle().setups[1].sides.front_left.spring
    report = evaluate(on_perch(unknown(nettle()), "front", part), "plan")
    corner = report.corners["front_left"]
    assert corner.hub_to_arch is None
    assert corner.wheel_rate.value == pytest.approx(40e3 * 0.96**2)
    assert corner.frequency.value == pytest.approx((40e3 * 0.96**2 / 274) ** 0.5 / 6.283185307, rel=1e-6)
    assert corner.frequency.assumed
    (wait,) = report.waits["height front"]
    assert "the front spring as found" in wait.words
    assert (wait.station, wait.anchor) == ("survey", "as-found")
    assert report.waits["height rear"] == []


def test_the_spring_as_found_kept_needs_no_length_to_stay_where_it_is():
    car = unknown(nettle(), length_only=True)
    for p in PLACES:
        part = getattr(car.setups[0].sides, p.value).spring
        car = with_side(car, "plan", p, spring=part, set_by="collar", collar=0.0, hub_to_arch=None)
    found, plan = evaluate(car, "found").corners, evaluate(car, "plan").corners
    for p in PLACES:
        assert plan[p].hub_to_arch.value == pytest.approx(found[p].hub_to_arch.value, abs=1e-7)
        assert plan[p].spring_length is None
    # and under a load it gives by its rate, length or no length
    state = LoadState(id="bags", name="bags", items=(LoadItem(name="bags", mass=80, x=2.44, y=0.0),))
    told = nettle()
    for p in PLACES:
        part = getattr(told.setups[0].sides, p.value).spring
        told = with_side(told, "plan", p, spring=part, set_by="collar", collar=0.0, hub_to_arch=None, seat=None)
    told, car = told.but(loads=(state,)), car.but(loads=(state,))
    with_length, without = (evaluate(d, "plan", "bags").corners for d in (told, car))
    for p in PLACES:
        assert without[p].hub_to_arch.value == pytest.approx(with_length[p].hub_to_arch.value, abs=1e-7)


@pytest.mark.parametrize(("layout", "usual"), [("strut", 0.95), ("wishbone", 0.65)])
def test_a_ratio_that_was_not_measured_can_be_the_usual_one_marked(car, layout, usual):
    bare = with_end(car, "front", layout=layout, spring=Mount())
    (wait,) = evaluate(bare, "plan").waits["rate front"]
    assert wait.words == "the front motion ratio"
    assert f"{usual:.2f} of a {layout} at the front" in wait.offer.text
    taken, _ = patched(bare, bare.model_dump(mode="json"), wait.offer.patch)
    report = evaluate(taken, "plan")
    assert report.waits["rate front"] == []
    corner = report.corners["front_left"]
    assert corner.motion_ratio.value == usual
    assert corner.motion_ratio.assumed
    assert corner.wheel_rate.value == pytest.approx(40e3 * usual**2)
    assert corner.wheel_rate.assumed


def test_a_layout_without_a_usual_ratio_offers_none(car):
    bare = with_end(car, "rear", spring=Mount())
    (wait,) = evaluate(bare, "plan").waits["rate rear"]
    assert wait.offer is None
