"""Acts: what a bench's button changes in the document, and that the vehicle then stands as it says."""

import pytest
from pydantic import TypeAdapter

from feder.core.benches.acts import Act, changes_of
from feder.core.document.base import PLACES, RateValue
from feder.core.document.changes import patched
from feder.core.document.document import Document
from feder.core.document.setup import SpringPart, TorsionBarPart
from feder.core.numbers.errors import OutOfRange
from feder.core.report.evaluate import evaluate
from feder.demo.finch import finch
from feder.demo.magpie import magpie
from tests.changes import with_side
from tests.documents import on_bars, roadster

SOFT = SpringPart(code="soft 200", rate=RateValue(value=50e3), free_length=0.2, inside_diameter=0.06)


def done(document: Document, setup: str = "plan", **act: object) -> Document:
    made = TypeAdapter(Act).validate_python(act)
    return patched(document, document.model_dump(mode="json"), changes_of(document, setup, made))[0]


def sides(document: Document, member: str) -> list[object]:
    return [getattr(getattr(document.setups[1].sides, p), member) for p in PLACES]


def heights(document: Document) -> list[float]:
    return [float(evaluate(document, "plan").corners[p].hub_to_arch.value) for p in PLACES]


def collars(document: Document) -> list[float]:
    return [float(evaluate(document, "plan").corners[p].collar.value) for p in PLACES]


def cross(document: Document) -> float:
    return float(evaluate(document, "plan").vehicle.cross_fraction.value)


def test_a_spring_chosen_keeps_the_heights_asked_for_and_touches_no_other_end(car):
    made = done(car, act="choose spring", end="rear", part=SOFT)
    assert [s.code for s in sides(made, "spring")][2:] == ["soft 200"] * 2
    assert sides(made, "spring")[:2] == sides(car, "spring")[:2]
    assert heights(made) == pytest.approx(heights(car), abs=1e-9)
    assert made.setups[0] == car.setups[0]
    left = done(car, act="choose spring", end="rear", part=SOFT, sides="left")
    assert [s.code for s in sides(left, "spring")][2:] == ["soft 200", "larch 20"]


def test_a_spring_chosen_where_the_collar_is_set_keeps_the_height_it_has(car):
    turned = done(car, act="ask collar", place="rear_left", collar=collars(car)[2] + 0.01)
    before = heights(turned)
    assert before != pytest.approx(heights(car), abs=1e-3)
    made = done(turned, act="choose spring", end="rear", part=SOFT)
    assert heights(made)[2:] == pytest.approx(before[2:], abs=1e-9)


def test_a_lowering_spring_stands_on_its_perch_and_the_height_follows(car):
    made = done(car, act="choose spring", end="front", part=SOFT.but(quoted_drop=0.03))
    assert sides(made, "collar")[:2] == [0.0, 0.0]
    assert sides(made, "set_by")[:2] == ["collar", "collar"]


def test_on_the_perch_and_back_without_a_height_asked_for_is_the_height_it_had_there(car):
    for place in ("front_left", "front_right"):
        car = with_side(car, "plan", place, set_by="collar", collar=0.01, hub_to_arch=None)
    on = done(car, act="perch", end="front", on=True)
    assert sides(on, "collar")[:2] == [0.0, 0.0]
    stood = heights(on)[:2]
    assert stood != pytest.approx(heights(car)[:2], abs=1e-4)
    off = done(on, act="perch", end="front", on=False)
    assert sides(off, "set_by")[:2] == ["height", "height"]
    assert sides(off, "hub_to_arch")[:2] == pytest.approx(stood, abs=1e-6)


def test_the_spring_as_found_is_kept_on_its_perch_as_found(car):
    found = with_side(car, "found", "rear_right", collar=0.012)
    made = done(found, act="keep found", end="rear")
    was = [getattr(found.setups[0].sides, p) for p in PLACES[2:]]
    assert sides(made, "spring")[2:] == [s.spring for s in was]
    assert sides(made, "collar")[2:] == [was[0].collar or 0.0, 0.012]


def test_a_height_is_that_of_both_sides_and_a_change_moves_both_alike(car):
    uneven = done(car, act="ask height", place="front_left", height=0.350)
    assert heights(uneven)[:2] == [0.350, 0.354]
    both = done(uneven, act="ask height", place="front_left", height=0.340, together=True)
    assert heights(both)[:2] == pytest.approx([0.340, 0.340])
    assert heights(both)[2:] == pytest.approx(heights(car)[2:])
    found = [float(evaluate(car, "found").corners[p].hub_to_arch.value) for p in PLACES]
    lower = done(uneven, act="ask height", place="front_right", change=-0.020, together=True)
    middle = (found[0] + found[1]) / 2 - 0.020  # the mean goes by the change, the difference between both stays
    assert heights(lower)[:2] == pytest.approx([middle - 0.002, middle + 0.002], abs=1e-5)
    alone = done(uneven, act="ask height", place="front_right", height=0.344)
    assert heights(alone)[:2] == pytest.approx([0.350, 0.344])


def test_a_change_is_counted_from_as_found(car):
    found = [float(evaluate(car, "found").corners[p].hub_to_arch.value) for p in PLACES]
    made = done(car, act="ask height", place="rear_left", change=-0.020)
    assert heights(made)[2] == pytest.approx(found[2] - 0.020)
    assert heights(made)[3] == pytest.approx(heights(car)[3])


def test_a_collar_turned_leaves_the_other_collars_where_they_are(car):
    before = collars(car)
    made = done(car, act="ask collar", place="front_left", collar=before[0] + 0.006)
    assert collars(made) == pytest.approx([before[0] + 0.006, *before[1:]], abs=1e-9)
    assert abs(cross(made) - cross(car)) > 0.005  # one corner pushes: the diagonal carries more
    both = done(car, act="ask collar", place="front_left", collar=before[0] + 0.006, together=True)
    assert collars(both) == pytest.approx([before[0] + 0.006, before[1] + 0.006, *before[2:]], abs=1e-5)
    assert abs(cross(both) - cross(car)) < 0.001


@pytest.mark.parametrize(
    ("act", "key"),
    [
        ({"act": "ask height", "place": "front", "height": 0.3}, "place"),
        ({"act": "ask height", "place": "front_left"}, "height"),
        ({"act": "ask height", "place": "front_left", "change": -5.0}, "height"),
        ({"act": "take air", "end": "rear", "spacers": 1, "pressure": 9e5}, "end"),
    ],
)
def test_what_cannot_be_done_is_refused_by_name(car, act, key):
    document = roadster() if act["act"] == "take air" else car
    with pytest.raises(OutOfRange) as refused:
        done(document, **act)
    assert refused.value.key == key


def test_another_bar_and_a_coilover_in_its_place_stand_at_the_height_of_before(car):
    bars = on_bars(car)
    end = "front" if bars.vehicle.ends.front.layout == "torsion arm" else "rear"
    at = [i for i, p in enumerate(PLACES) if p.end == end]
    before = heights(bars)
    now = sides(bars, "spring")[at[0]]
    thick = TorsionBarPart(code="t", diameter=now.diameter + 0.002, effective_length=now.effective_length)
    fitted = done(bars, act="fit bar", end=end, part=thick)
    assert [sides(fitted, "spring")[i].code for i in at] == ["t", "t"]
    assert [heights(fitted)[i] for i in at] == pytest.approx([before[i] for i in at], abs=1e-6)
    coil = done(bars, act="coil for bar", end=end, rate=80e3, free_length=0.2)
    assert [sides(coil, "spring")[i].rate.value for i in at] == [80e3, 80e3]
    assert [heights(coil)[i] for i in at] == pytest.approx([before[i] for i in at], abs=1e-6)


def test_sags_are_taken_as_preload_to_the_tenth_of_a_millimetre_and_stand_so():
    bike = roadster()
    assert not evaluate(bike, "plan").sags["rear"].set_so
    made = done(bike, act="take sags", ends=["rear"])
    wanted = float(evaluate(bike, "plan").sags["rear"].wanted_collar.value)
    assert made.setups[1].sides.rear.collar == pytest.approx(wanted, abs=0.5e-4)
    assert evaluate(made, "plan").sags["rear"].set_so
    assert made.setups[1].sides.front == bike.setups[1].sides.front
    off = done(made, act="take lever", place="rear", member="collar", value=wanted + 0.0003)
    assert not evaluate(off, "plan").sags["rear"].set_so


def test_what_a_verdict_waits_for_is_written_where_it_belongs():
    bike = roadster()
    told = done(bike, act="tell needs", end="rear", travel=0.130, stroke=0.065)
    assert told.vehicle.ends.rear.travel == 0.130
    assert told.vehicle.ends.rear.spring.ratio.value == pytest.approx(0.5)
    forked = done(bike, act="tell needs", end="front", rake=1.1, head_angle=True)
    assert forked.vehicle.ends.front.fork.rake == pytest.approx(1.5707963 - 1.1)


def test_a_lever_taken_moves_one_member_of_one_wheel_and_no_other():
    bike = magpie()
    made = done(bike, act="take lever", place="rear", member="shock_length", value=0.33624)
    assert made.setups[1].sides.rear.shock_length == pytest.approx(0.3362)
    assert made.setups[1].sides.front == bike.setups[1].sides.front
    assert made.setups[0] == bike.setups[0]
    turned = done(bike, act="take lever", place="front", member="collar", value=0.0071)
    assert (turned.setups[1].sides.front.collar, turned.setups[1].sides.front.set_by) == (
        pytest.approx(0.0071),
        "collar",
    )
    assert turned.setups[1].sides.rear == bike.setups[1].sides.rear


@pytest.mark.parametrize(("bike", "legs"), [(magpie, 2), (finch, 1)])
def test_a_rake_told_on_the_phone_makes_a_fork_with_the_legs_its_kind_has(bike, legs):
    document = bike()
    front = document.vehicle.ends.front.but(fork=None)
    document = document.but(vehicle=document.vehicle.but(ends=document.vehicle.ends.but(front=front)))
    made = done(document, act="tell needs", end="front", rake=0.43)
    assert (made.vehicle.ends.front.fork.legs, made.vehicle.ends.front.fork.rake) == (legs, 0.43)
    assert made.vehicle.ends.front.fork.read == "along the tube"
    turned = done(document, act="tell needs", end="front", rake=1.13, head_angle=True)
    assert turned.vehicle.ends.front.fork.rake == pytest.approx(1.5707963 - 1.13, abs=1e-6)


def test_off_the_perch_again_the_heights_asked_for_are_back(car):
    asked = sides(car, "hub_to_arch")
    on = done(car, act="perch", end="rear", on=True)
    assert sides(on, "set_by")[2:] == ["collar", "collar"]
    off = done(on, act="perch", end="rear", on=False)
    assert sides(off, "hub_to_arch") == asked
    assert sides(off, "set_by")[2:] == ["height", "height"]
