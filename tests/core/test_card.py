"""The job card against a vehicle that refuses what falls, tears or is forgotten; every difference has its step."""

import random
from math import radians

import pytest

from feder.core.document.conversion import EndChange
from feder.core.document.damper import DamperPart
from feder.core.document.fitting import Fastener, Hangs
from feder.core.document.setup import BarSetting, Clicks, StackItem, StopTrim
from feder.core.fitting.card import card_of
from feder.core.report.evaluate import evaluate
from feder.demo.bramble import bramble
from feder.demo.finch import finch
from feder.demo.magpie import magpie
from feder.demo.nettle import nettle
from feder.demo.sedge import sedge
from feder.demo.tansy import tansy
from feder.demo.teasel import teasel
from tests.changes import with_end, with_side
from tests.core.card_machine import Refused, Vehicle, Wheel

DEMO = (bramble, finch, magpie, nettle, sedge, tansy, teasel)
HUNG = {
    "brake_hose": "hose",
    "wheel_lead": "lead",
    "level_rod": "rod",
    "bar_link": "link",
    "damper_cable": "cable",
}
OF_THE_CARD = {"rider_sag", "hub_to_arch", "set_by", "preload", "plate_read", "plate_set", "index", "curve_left"}
"""What a setup tells of how a height is meant or was read; what the hand does of it follows in collar, plate or air."""


def machine(document, plan):
    """The vehicle as it hangs: everything is there that nobody denied."""
    car = document.vehicle.kind == "car"
    report, wheels = evaluate(document, document.setups[0].id), {}
    for place in document.places:
        end = getattr(document.vehicle.ends, place.end)
        hangs, corner = end.hangs, report.corners[place]
        hooked = {name for member, name in HUNG.items() if getattr(hangs, member) is not False}
        electronic = hangs.damper_cable or any(
            d is not None and d.modes for s in (document.setups[0], plan) for d in [getattr(s.sides, place).damper]
        )
        hooked -= set() if electronic else {"cable"}
        if not car:
            hooked = (
                {"hose", "lead"}
                if end.layout == "fork"
                else {n for n in ("cable", "reservoir") if getattr(hangs, {"cable": "damper_cable"}.get(n, n))}
            )
        spring = getattr(document.setups[0].sides, place).spring
        kind = getattr(spring, "kind", "coil")
        force = corner.preload_force
        wheels[place.value] = Wheel(
            layout=end.layout,
            hooked=hooked,
            rubber=car and hangs.bushes != 0 and end.layout != "torsion arm",
            spring=kind != "air" and (force is None or force.value > 0),
            air=kind == "air",
            bar=kind == "torsion bar",
            leaf=kind == "leaf",
        )
    return Vehicle(wheels, car=car)


def worked(document, setup):
    """The card, done step by step."""
    plan = next(s for s in document.setups if s.id == setup)
    card, vehicle = card_of(document, setup), machine(document, plan)
    for step in card.steps():
        vehicle.do(step)
    if not card.waits:
        vehicle.finished()
    return card, vehicle


def missed(document, setup, card):
    """Members that differ between as found and the setup, and that no step brings onto the vehicle."""
    found, plan = document.setups[0], next(s for s in document.setups if s.id == setup)
    covered = {c for step in card.steps() for c in step.covers}
    left = set()
    for place in document.places:
        was, now = (getattr(s.sides, place) for s in (found, plan))
        for member in type(now).model_fields:
            told, before = getattr(now, member), getattr(was, member)
            if told is None or told == "" or told == before or member in OF_THE_CARD:
                continue
            if member in ("pads", "body", "top_mount", "spacer") and not told and not before:
                continue
            if member == "seat" and (told.length is None or (before and told.length == before.length)):
                continue
            if member in ("collar", "free_angle", "pressure"):
                continue  # what is worked out of them is compared below
            if f"{place}.{member}" not in covered:
                left.add(f"{place}.{member}")
    reports = [evaluate(document, s.id) for s in (found, plan)]
    for place in document.places:
        for member, least in (("collar", 1e-4), ("free_angle", 2e-4), ("pressure", 1e3)):
            was, now = (getattr(r.corners[place], member) for r in reports)
            carried = getattr(plan.sides, place).spring
            if (
                getattr(carried, "kind", "")
                != {"collar": "coil", "free_angle": "torsion bar", "pressure": "air"}[member]
            ):
                continue
            if was and now and abs(was.value - now.value) > least and f"{place}.{member}" not in covered:
                left.add(f"{place}.{member}")
    for end in ("front", "rear"):
        if getattr(plan, f"{end}_bar") not in (None, getattr(found, f"{end}_bar")) and f"{end}.bar" not in covered:
            left.add(f"{end}.bar")
        if getattr(plan, f"{end}_end") not in (None, getattr(found, f"{end}_end")) and f"{end}.end" not in covered:
            left.add(f"{end}.end")
    return left


@pytest.mark.parametrize("made", DEMO)
def test_the_card_of_a_demo_vehicle_can_be_worked_and_nothing_is_missing(made):
    document = made()
    for setup in document.setups[1:]:
        card, vehicle = worked(document, setup.id)
        assert missed(document, setup.id, card) == set()
        assert vehicle.support == "ground"


def drawn(dice, made, hangs_told):
    """A vehicle with what may hang there, and a plan that changes what a hand can change."""
    document = made()
    car = document.vehicle.kind == "car"

    def maybe(*values):
        return dice.choice((None, *values)) if hangs_told else None

    for end in ("front", "rear"):
        layout = getattr(document.vehicle.ends, end).layout
        springs = {
            s.spring.kind
            for p in document.places
            if p.end == end and (s := getattr(document.setups[0].sides, p)).spring
        }
        if car and springs <= {"coil"} and layout in ("strut", "divorced", "wishbone"):
            layout = dice.choice(("strut", "wishbone", "divorced"))
        if layout == "linkage" and springs <= {"coil"}:
            layout = dice.choice(("linkage", "twin shock"))
        hangs = Hangs(
            brake_hose=maybe(True, False),
            wheel_lead=maybe(True, False),
            level_rod=maybe(True, False),
            bar_link=maybe(True, False),
            damper_cable=maybe(True, False),
            drive_shaft=maybe(True, False),
            reservoir=maybe(True, False),
            held=maybe("pinch clamp", "two bolts", "fork"),
            mount_handed=maybe(True, False),
            bushes=maybe(0, 1, 2),
            damper_bush=maybe(True, False),
        )
        document = with_end(document, end, layout=layout, hangs=hangs)
    plan = document.setups[1].id
    for place in document.places:
        changes, side = {}, getattr(document.setups[1].sides, place)
        found = getattr(document.setups[0].sides, place)
        for member, value in (
            ("damper", DamperPart(code=f"damper {dice.randrange(99)}")),
            ("stop", StopTrim(length=dice.choice((0.02, 0.03)), packer=dice.choice((0.0, 0.005)))),
            ("body", dice.choice((-0.008, 0.01))),
            ("top_mount", 0.004),
            ("spacer", 0.012),
            ("pads", 0.005),
            ("stack", (StackItem(name="pad", thickness=0.004),)),
            ("rebound", Clicks(count=dice.randrange(12), of=18)),
            ("both", Clicks(count=dice.randrange(12), of=18)),
            ("mode", "firm"),
            ("tyre_pressure", 2.3e5),
            ("camber", radians(-1.7)),
            ("caster", radians(4.0)),
            ("toe", 0.0013),
            ("oil_level", 0.118),
            ("oil_quantity", 5.1e-4),
            ("oil_grade", "7.5 W"),
            ("clamp", 0.009),
            ("fork_spacer", 0.101),
            ("shock_length", 0.334),
        ):
            cycle = member in ("oil_level", "oil_quantity", "oil_grade", "clamp", "fork_spacer", "shock_length")
            fork = getattr(document.vehicle.ends, place.end).layout == "fork"
            if cycle and (car or (member == "shock_length") == fork):
                continue
            if not car and member in ("spacer", "camber", "caster", "toe", "top_mount", "body", "pads", "stack"):
                continue
            if fork and member == "stop":
                continue
            if getattr(found.spring, "kind", "") == "torsion bar" and member in ("pads", "stack"):
                continue
            if dice.random() < 0.25:
                changes[member] = value
        if found.spring is not None and dice.random() < 0.5:
            changes["spring"] = dice.choice((found.spring, found.spring.but(code=f"another {dice.randrange(9)}")))
        del side
        document = with_side(document, plan, place, **changes)
    members = {}
    if car and dice.random() < 0.3:
        members["front_bar"] = BarSetting(hooked=False)
    if car and dice.random() < 0.2:
        members["rear_end"] = EndChange(joint_spacer=0.01)
    setups = tuple(s.but(**members) if s.id == plan else s for s in document.setups)
    return document.but(setups=setups), plan


@pytest.mark.parametrize("seed", range(50))
def test_any_two_setups_of_any_layout_give_a_card_that_can_be_worked(seed):
    dice = random.Random(seed)
    for n in range(10):
        document, plan = drawn(dice, dice.choice(DEMO), hangs_told=n % 3 > 0)
        card, _ = worked(document, plan)
        assert missed(document, plan, card) == set(), (document.vehicle.name, n)
        keys = [s.key for s in card.steps()]
        assert len(set(keys)) == len(keys)


def test_the_machine_refuses_a_card_out_of_order():
    car = nettle()
    steps = list(card_of(car, "plan").steps())
    refused = 0
    dice = random.Random(5)
    for _ in range(60):
        mixed, vehicle = list(steps), machine(car, car.setups[1])
        i, j = sorted(dice.sample(range(4, len(steps) - 6), 2))
        mixed[i], mixed[j] = mixed[j], mixed[i]
        try:
            for step in mixed:
                vehicle.do(step)
            vehicle.finished()
        except Refused:
            refused += 1
    assert refused > 40


def test_without_one_step_of_the_work_the_vehicle_is_not_finished():
    car = nettle()
    for name in (
        "front_left.foot_in",
        "front_left.unit_in",
        "rear_left.spring_in",
        "rear_right.damper_bolt_in",
        "front_left.hook",
        "ground.bushes",
        "ground.wheel_bolts",
        "before.stands",
        "front_left.apart",
        "rear_left.arm_down",
    ):
        with pytest.raises(Refused):
            without(car, name)


def without(car, name):
    """The card of the plan done, but for one step."""
    vehicle = machine(car, car.setups[1])
    for step in card_of(car, "plan").steps():
        if step.key != name:
            vehicle.do(step)
    vehicle.finished()


def test_as_found_wants_nothing_of_itself_and_says_so():
    card = card_of(nettle(), "found")
    assert card.groups == ()
    assert card.waits == "as found wants nothing else than as found"


def test_a_fastener_told_to_be_used_once_is_counted_out_and_its_torque_stands_where_it_is_done_up():
    car = nettle()
    rows = (
        Fastener(end="front", kind="clamp bolt", single_use=True, torque=80.0, angle=radians(90)),
        Fastener(end="front", kind="tower nut", single_use=True, count=3),
        Fastener(end="rear", kind="damper bolt", single_use=False, torque=95.0),
    )
    card = card_of(car.but(fasteners=rows), "plan")
    kinds = {(k.end, k.kind): k for k in card.fasteners}
    assert (kinds["front", "clamp bolt"].count, kinds["front", "tower nut"].count) == (2, 6)
    assert (kinds["rear", "damper bolt"].count, kinds["rear", "damper bolt"].ride) == (2, 2)
    assert kinds["front", "clamp bolt"].torque == 80.0
    assert [
        k.new for k in (kinds["front", "tower nut"], kinds["rear", "damper bolt"], kinds["rear", "rod nut"])
    ] == [True, False, None]
    assert "All 8 new fasteners" in next(s.text for s in card.steps() if s.key == "before.fasteners")
